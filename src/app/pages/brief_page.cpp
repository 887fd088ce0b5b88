#include <cmath>

#include "app/kit/form.h"
#include "app/pages/pages.h"
#include "core/motion/line_shape.h"
#include "session/words.h"

namespace wl {

QWidget* makeBriefPage(Workbench& bench) {
    auto* water = new Form(bench, tr("Water"));
    water->quantity(tr("Depth of the water"), "/brief/water_depth");
    water->quantity(tr("Temperature"), "/brief/temperature");
    water->quantity(tr("Salt (0 fresh, 35 sea)"), "/brief/salinity");
    water->readout(tr("Weighs"), [&bench](const Results& r) {
        return bench.text(Quantity::Density, r.derived->waterDensity_kg_m3);
    });

    auto* wanted = new Form(bench, tr("Wanted"));
    wanted->choice(
        tr("At rest"), "wantedState", {tr("floats"), tr("suspends"), tr("sinks")},
        [](const Design& d) { return int(d.brief.wantedState); },
        [](Design& d, int i) { d.brief.wantedState = WantedState(i); });
    wanted->quantity(tr("Spare"), "/brief/wanted_spare");
    wanted->enableLastWhen(
        [](const Design& d) { return d.brief.wantedState == WantedState::Float; });
    wanted->quantity(tr("Sink speed"), "/brief/wanted_sink_speed");
    wanted->enableLastWhen(
        [](const Design& d) { return d.brief.wantedState == WantedState::Sink; });
    wanted->quantity(tr("Attitude, nose up +"), "/brief/wanted_pitch");
    wanted->quantity(tr("Running depth"), "/brief/wanted_depth");
    wanted->note(
        tr("Spare = (displaced mass − mass) / displaced mass. A bait at 85 % has 15 % spare."));

    auto* tackle = new Form(bench, tr("Line and cast"));
    tackle->choice(
        tr("Line"), "lineKind", {tr("nylon"), tr("fluorocarbon"), tr("braid")},
        [](const Design& d) { return int(d.brief.lineKind); },
        [](Design& d, int i) { d.brief.lineKind = LineKind(i); });
    tackle->add(shelfPicker(
        bench, "lineFromShelf", tr("Line from the shelf…"),
        [&bench] {
            QStringList names;
            for (const ShelfEntry& e : bench.shelf.shelf().lines) {
                names << QString::fromStdString(e.name);
            }
            return names;
        },
        [&bench](int index) {
            const ShelfEntry& e = bench.shelf.shelf().lines[size_t(index)];
            Design next = bench.design();
            next.brief.lineDiameter_m = e.diameter_m.value_or(next.brief.lineDiameter_m);
            // The three kinds lie far apart in density: the nearest is meant.
            const double density = e.density_kg_m3.value_or(0.0);
            for (const LineKind kind : {LineKind::Nylon, LineKind::Fluorocarbon, LineKind::Braid}) {
                if (std::abs(lineDensity_kg_m3(kind) - density) <
                    std::abs(lineDensity_kg_m3(next.brief.lineKind) - density)) {
                    next.brief.lineKind = kind;
                }
            }
            bench.document.endGesture();
            bench.document.submit(std::move(next), tr("Line from the shelf"));
        }));
    tackle->quantity(tr("Line diameter"), "/brief/line_diameter");
    tackle->quantity(tr("Cast"), "/brief/cast_length");
    tackle->quantity(tr("Reeled in at"), "/brief/retrieve_speed");
    tackle->quantity(tr("Rod tip over water"), "/brief/rod_tip_height");
    tackle->quantity(tr("Counted down"), "/brief/countdown");
    return formRow({water, wanted, tackle});
}

}  // namespace wl
