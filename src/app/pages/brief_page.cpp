#include <cmath>

#include "app/kit/form.h"
#include "app/pages/pages.h"
#include "core/motion/line_shape.h"
#include "core/motion/line_strength.h"
#include "session/words.h"

namespace wl {
namespace {

// Within both, every kind of line keeps a diameter a design can have.
constexpr double kLeastTest_N = 7.0, kMostTest_N = 4000.0;

}  // namespace

QWidget* makeBriefPage(Workbench& bench) {
    auto* water = new Form(bench, tr("Water"));
    water->fields({"/brief/water_depth", "/brief/temperature", "/brief/salinity"});
    water->readout(tr("Weighs"), [&bench](const Results& r) {
        return bench.text(Quantity::Density, r.derived->waterDensity_kg_m3);
    });
    auto* notes = new Form(bench, {});
    notes->field("/notes");

    auto* wanted = new Form(bench, tr("Wanted"));
    wanted->fields({"/brief/wanted_state", "/brief/wanted_spare", "/brief/wanted_sink_speed",
                    "/brief/wanted_pitch", "/brief/wanted_depth"});
    wanted->note(
        tr("Spare = (displaced mass − mass) / displaced mass. A bait at 85 % has 15 % spare."));

    auto* tackle = new Form(bench, tr("Line and cast"));
    tackle->field("/brief/line_kind");
    tackle->add(new ShelfPicker(
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
    tackle->field("/brief/line_diameter");
    QuantityEdit::Binding test;
    test.quantity = Quantity::Strength;
    test.min = kLeastTest_N;
    test.max = kMostTest_N;
    test.read = [](const Design& d) {
        return typicalLineStrength_N(d.brief.lineKind, d.brief.lineDiameter_m);
    };
    test.write = [](Design& d, double strength_N) {
        d.brief.lineDiameter_m = typicalLineDiameter_m(d.brief.lineKind, strength_N);
    };
    tackle->quantity(tr("Sold as, typical"), QStringLiteral("lineTest"), std::move(test))
        ->setToolTip(tr("What such a line is usually sold for. Type the test on the spool to get "
                        "its usual diameter; makes differ by a fifth: measure yours."));
    tackle->fields({"/brief/leader_length", "/brief/leader_kind", "/brief/leader_diameter"});
    tackle->fields({"/brief/cast_length", "/brief/retrieve_speed", "/brief/rod_tip_height",
                    "/brief/countdown", "/brief/current"});
    return formColumn({wanted, water, tackle, notes});
}

}  // namespace wl
