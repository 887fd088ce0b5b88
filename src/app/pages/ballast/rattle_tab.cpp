#include <cmath>

#include "app/kit/form.h"
#include "app/kit/record_columns.h"
#include "app/pages/ballast/ballast_tabs.h"
#include "core/base/units.h"
#include "core/tank/still_water.h"
#include "session/words.h"

namespace wl {

namespace {

void addChamber(Workbench& bench) {
    Design next = bench.design();
    RattleChamber c;
    c.name = "rattle " + std::to_string(next.chambers.size() + 1);
    if (const Result<BodyCurves> curves = BodyCurves::build(next.body, "")) {
        const std::optional<Eigen::Vector3d> mark = bench.takeMark();
        const Section s = curves->atX(mark ? std::clamp(mark->x(), 0.0, curves->length_m())
                                           : 0.6 * curves->length_m());
        c.x_m = std::round(s.x_m * 2000) / 2000;
        const double up =
            mark ? std::clamp(mark->z(), s.belly_m, s.back_m) : 0.5 * (s.back_m + s.belly_m);
        c.z_m = std::round(up * 2000) / 2000;
        c.diameter_m = std::clamp(std::round(0.8 * s.halfWidth_m * 2000) / 2000, 0.0025, 0.008);
        c.ballDiameter_m = c.diameter_m - 0.0005;
    }
    next.chambers.push_back(c);
    bench.document.endGesture();
    bench.document.submit(std::move(next), tr("Add a rattle"));
}

// The attitude with every ball of that chamber at one end.
QString rolled(Workbench& bench, const Results& r, int row, double end) {
    const Derived& d = *r.derived;
    const ChamberGeometry& g = d.mass->chambers[size_t(row)];
    ChangedBait bait = unchanged(d);
    bait.centreOfGravity_m += g.balls_kg * end * g.roll_m * g.axis / bait.mass_kg;
    const StillWater w = restInWater(d, bait);
    return w.attitudeDecided ? bench.text(Quantity::Angle, w.pitch_rad, false)
                             : QStringLiteral("–");
}

}  // namespace

QWidget* makeRattleTab(Workbench& bench) {
    std::vector<RecordColumn> columns =
        fieldColumns({"name", "x", "ball_count", "axis", "y", "z", "lean", "length", "diameter",
                      "wall", "ball_diameter", "ball_density"},
                     3);
    columns.push_back(
        fact(derivedColumn(tr("Balls weigh"), Quantity::Mass, [&bench](const Results& r, int row) {
            return bench.text(Quantity::Mass, r.derived->mass->chambers[size_t(row)].balls_kg,
                              false);
        })));
    columns.push_back(
        derivedColumn(tr("Over water"), Quantity::Number, [](const Results& r, int row) {
            const ChamberGeometry& g = r.derived->mass->chambers[size_t(row)];
            return QStringLiteral("× %1").arg(
                g.balls_kg / (r.derived->waterDensity_kg_m3 * g.removed_m3), 0, 'f', 1);
        }));
    columns.push_back(
        derivedColumn(tr("Free room"), Quantity::Volume, [&bench](const Results& r, int row) {
            return bench.text(Quantity::Volume, r.derived->mass->chambers[size_t(row)].free_m3,
                              false);
        }));
    columns.push_back(
        derivedColumn(tr("Weight shifts"), Quantity::Length, [&bench](const Results& r, int row) {
            const ChamberGeometry& g = r.derived->mass->chambers[size_t(row)];
            return QStringLiteral("± ") +
                   bench.text(Quantity::Length, g.balls_kg * g.roll_m / r.derived->mass->mass_kg,
                              false);
        }));
    columns.push_back(
        derivedColumn(tr("Balls forward"), Quantity::Angle,
                      [&bench](const Results& r, int row) { return rolled(bench, r, row, -1.0); }));
    columns.push_back(
        derivedColumn(tr("Balls aft"), Quantity::Angle,
                      [&bench](const Results& r, int row) { return rolled(bench, r, row, 1.0); }));
    auto* table = new RecordTable(
        bench, "chambers", "/chambers", std::move(columns),
        {{"addChamber", tr("Add a rattle"), [&bench](int) { addChamber(bench); }, false},
         removeAction(bench, "removeChamber", tr("Remove a rattle"), "/chambers")});
    auto* balls = new ShelfPicker(
        bench, "ballsFromShelf", tr("Balls from the shelf…"),
        [&bench] {
            QStringList names;
            for (const ShelfEntry& e : bench.shelf.shelf().balls) {
                names << QString::fromStdString(e.name);
            }
            return names;
        },
        [&bench, table](int index) {
            const int row = table->currentRow();
            if (row < 0 || row >= int(bench.design().chambers.size())) {
                bench.say(QStringLiteral("▲ ") + tr("Choose the rattle the balls go into first."));
                return;
            }
            Design next = bench.design();
            const ShelfEntry& e = bench.shelf.shelf().balls[size_t(index)];
            RattleChamber& c = next.chambers[size_t(row)];
            c.ballDiameter_m = e.diameter_m.value_or(c.ballDiameter_m);
            c.ballDensity_kg_m3 = e.density_kg_m3.value_or(c.ballDensity_kg_m3);
            bench.document.endGesture();
            bench.document.submit(std::move(next), tr("Balls from the shelf"));
        });
    table->addTool(balls);
    table->setEmpty(
        tr("A chamber with balls that click: measure the bore, the room left in it and the balls."),
        {{MeasureStroke::Kind::Hole, {0.55, 0.35}, {0.73, 0.6}, {}},
         {MeasureStroke::Kind::Ball, {0.57, 0.36}, {0.61, 0.52}, {}},
         {MeasureStroke::Kind::Ball, {0.63, 0.36}, {0.67, 0.52}, {}},
         {MeasureStroke::Kind::Measure, {0.0, -0.12}, {0.64, -0.12}, tr("place of its middle")},
         {MeasureStroke::Kind::Measure, {0.55, 1.05}, {0.73, 1.05}, tr("long")},
         {MeasureStroke::Kind::Measure, {0.77, 0.35}, {0.77, 0.6}, tr("wide")}});
    return table;
}

}  // namespace wl
