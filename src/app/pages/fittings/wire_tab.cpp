// The through-wire: a tab of the fittings step.
#include "app/kit/form.h"
#include "app/kit/record_columns.h"
#include "app/kit/theme.h"
#include "app/pages/fittings/fitting_tabs.h"
#include "core/base/units.h"
#include "session/words.h"

namespace wl {

namespace {

QString bendName(const WireBend& b) {
    return b.what == "eye"     ? tr("closed eye")
           : b.what == "round" ? tr("round the eye, half a turn")
           : b.what == "down"  ? tr("a right angle")
                               : tr("a right angle, up");
}

QString bendList(Workbench& bench, const Results& r) {
    const WireLayout& w = r.derived->mass->wire;
    if (w.path_m.empty()) {
        return tr("No wire.");
    }
    QStringList lines{tr("Cut %1 of wire (%2).")
                          .arg(bench.text(Quantity::Length, w.cutLength_m),
                               bench.text(Quantity::Mass, w.mass_kg))};
    int number = 0;
    for (const WireBend& b : w.bends) {
        lines << tr("%1. at %2 along the wire: %3, %4 inside, at %5 on the bait")
                     .arg(++number)
                     .arg(bench.text(Quantity::Length, b.at_m), bendName(b),
                          bench.text(Quantity::Length, 2 * b.radius_m),
                          bench.text(Quantity::Length, b.place_m.x()));
    }
    lines << tr("Bend with eye protection on: wire ends fly.");
    return lines.join(QStringLiteral("\n"));
}

void addDrop(Workbench& bench) {
    Design next = bench.design();
    WireDrop drop;
    const double length = next.body.stations.empty() ? 0.1 : next.body.stations.back().position_m;
    drop.name = next.wire.drops.empty()
                    ? "belly loop"
                    : "belly loop " + std::to_string(next.wire.drops.size() + 1);
    const double from = next.wire.drops.empty() ? 0.25 * length : next.wire.drops.back().x_m;
    drop.x_m = std::round((from + 0.15 * length) * 2000) / 2000;
    next.wire.drops.push_back(drop);
    next.wire.present = true;
    bench.document.endGesture();
    bench.document.submit(std::move(next), tr("Add a loop"));
}

}  // namespace

QWidget* makeWireTab(Workbench& bench) {
    auto* form = new Form(bench, {});
    form->field("/through_wire/present");
    auto* shelf = new ShelfPicker(
        bench, "wireFromShelf", tr("Wire from the shelf…"),
        [&bench] {
            QStringList names;
            for (const ShelfEntry& e : bench.shelf.shelf().wires) {
                names << QString::fromStdString(e.name);
            }
            return names;
        },
        [&bench](int index) {
            const ShelfEntry& e = bench.shelf.shelf().wires[size_t(index)];
            Design next = bench.design();
            next.wire.present = true;
            next.wire.wire_m = e.wire_m.value_or(next.wire.wire_m);
            next.wire.density_kg_m3 = e.density_kg_m3.value_or(next.wire.density_kg_m3);
            bench.document.endGesture();
            bench.document.submit(std::move(next), tr("Wire from the shelf"));
        });
    form->add(shelf);
    for (const char* name : {"wire", "z", "eye_inner", "bend_radius", "wrap", "nose_eye",
                             "tail_eye", "slot_width", "slot_from_back", "slot_filler_density"}) {
        form->field(QStringLiteral("/through_wire/") + name);
    }

    auto* drops = new RecordTable(
        bench, "drops", "/through_wire/drops", fieldColumns({"name", "x", "back", "stand_off"}, 3),
        {{"addDrop", tr("Add a loop"), [&bench](int) { addDrop(bench); }, false},
         removeAction(bench, "removeDrop", tr("Remove a loop"), "/through_wire/drops")});
    auto* list = new Form(bench, tr("Bend list"));
    QLabel* text = list->readout({}, [&bench](const Results& r) { return bendList(bench, r); });
    text->setObjectName("bendList");
    text->setFont(type(Type::Small));
    drops->setEmptyWords(tr("A loop leaves the body for a hook or the line: add one for each."));
    drops->showWholeForm();
    return formColumn({form, drops, list});
}

}  // namespace wl
