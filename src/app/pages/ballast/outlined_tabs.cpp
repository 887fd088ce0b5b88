// Weights let in from the side, and putty on the skin: tabs of the ballast step.
#include <cmath>

#include "app/kit/form.h"
#include "app/kit/record_columns.h"
#include "app/pages/ballast/ballast_tabs.h"
#include "core/plan/hook_set.h"
#include "session/words.h"

namespace wl {

namespace {

double onHalves(double m) {
    return std::round(m * 2000) / 2000;
}

// An oval low in the middle of the bait, half as deep as the body is wide.
void addWeight(Workbench& bench) {
    Design next = bench.design();
    SideWeight w;
    w.name = "side weight " + std::to_string(next.sideWeights.size() + 1);
    if (const Result<BodyCurves> curves = BodyCurves::build(next.body, "")) {
        const std::optional<Eigen::Vector3d> mark = bench.takeMark();
        const Section s = curves->atX(mark ? std::clamp(mark->x(), 0.0, curves->length_m())
                                           : 0.45 * curves->length_m());
        w.x_m = onHalves(s.x_m);
        w.z_m = onHalves(mark ? std::clamp(mark->z(), s.belly_m, s.back_m)
                              : s.belly_m + 0.35 * (s.back_m - s.belly_m));
        w.outline =
            ovalOutline(onHalves(0.2 * curves->length_m()), onHalves(0.3 * (s.back_m - s.belly_m)));
        w.thickness_m = std::max(0.001, onHalves(0.35 * s.halfWidth_m));
    }
    next.sideWeights.push_back(w);
    bench.document.endGesture();
    bench.document.submit(std::move(next), tr("Add a weight from the side"));
}

void addBuildUp(Workbench& bench, bool drip) {
    Design next = bench.design();
    BuildUp b;
    if (drip) {
        b.name = "drip";
        b.from = FeatureFrom::Belly;
        b.length_m = 0.005;
        b.width_m = 0.004;
        b.density_kg_m3 = next.coats.empty() ? 1150.0 : next.coats.back().density_kg_m3;
    }
    if (const Result<BodyCurves> curves = BodyCurves::build(next.body, "")) {
        b.x_m = onHalves((drip ? 0.7 : 0.3) * curves->length_m());
        if (const auto mark = bench.takeMark()) {
            const SkinPlace at = skinPlaceNear(*curves, mark->x(), mark->z());
            b.x_m = onHalves(at.x_m);
            b.z_m = onHalves(at.z_m);
            b.from = at.from;
        }
    }
    next.buildUps.push_back(b);
    bench.document.endGesture();
    bench.document.submit(std::move(next), drip ? tr("Note a drip") : tr("Build up with putty"));
}

QString massOf(const Workbench& bench, const Results& r, const std::string& path, PartKind kind) {
    double all = 0;
    for (const MassItem& item : r.derived->mass->items) {
        all += item.path == path && item.kind == kind ? item.mass_kg : 0;
    }
    return bench.text(Quantity::Mass, all, false);
}

}  // namespace

QWidget* makeSideWeightTab(Workbench& bench) {
    std::vector<RecordColumn> columns = fieldColumns({"name", "x", "from", "z"}, 3);
    columns.push_back(outlineColumn(bench, [](Design& d, int r) -> std::vector<OutlinePoint>& {
        return d.sideWeights[size_t(r)].outline;
    }));
    for (RecordColumn& column : fieldColumns({"bottom", "thickness", "weighed_mass"})) {
        columns.push_back(std::move(column));
    }
    columns.push_back(
        fact(derivedColumn(tr("Weighs"), Quantity::Mass, [&bench](const Results& r, int row) {
            return massOf(bench, r, "/side_weights/" + std::to_string(row), PartKind::Plug);
        })));
    for (RecordColumn& column : fieldColumns({"material", "density", "filler_density"})) {
        columns.push_back(std::move(column));
    }
    auto* table = new RecordTable(
        bench, "sideWeights", "/side_weights", std::move(columns),
        {{"addSideWeight", tr("Add a weight"), [&bench](int) { addWeight(bench); }, false},
         removeAction(bench, "removeSideWeight", tr("Remove a weight"), "/side_weights")});
    table->setEmpty(
        tr("Lead cast or cut to an outline and let in from one flank. Measure where its middle "
           "stands and how thick it is, or weigh it."),
        {{MeasureStroke::Kind::Ball, {0.35, 0.12}, {0.6, 0.5}, {}},
         {MeasureStroke::Kind::Measure, {0.0, -0.12}, {0.475, -0.12}, tr("place of its middle")},
         {MeasureStroke::Kind::Measure, {0.35, 1.05}, {0.6, 1.05}, tr("long")},
         {MeasureStroke::Kind::Measure, {0.64, 0.12}, {0.64, 0.5}, tr("high")}});
    return table;
}

QWidget* makeBuildUpTab(Workbench& bench) {
    std::vector<RecordColumn> columns = fieldColumns(
        {"name", "x", "from", "y", "z", "length", "width", "thickness", "density", "weighed_mass"},
        3);
    columns.push_back(
        fact(derivedColumn(tr("Weighs"), Quantity::Mass, [&bench](const Results& r, int row) {
            return massOf(bench, r, "/build_ups/" + std::to_string(row), PartKind::BuiltUp);
        })));
    columns.push_back(fieldColumn("mirrored"));
    auto* table = new RecordTable(
        bench, "buildUps", "/build_ups", std::move(columns),
        {{"addPutty", tr("+ putty"), [&bench](int) { addBuildUp(bench, false); }, false},
         {"addDrip", tr("+ drip"), [&bench](int) { addBuildUp(bench, true); }, false},
         removeAction(bench, "removeBuildUp", tr("Take it off the skin"), "/build_ups")});
    table->setEmpty(
        tr("Putty on the skin, or a drip of the coat: measure its length, width and how far it "
           "stands out."),
        {{MeasureStroke::Kind::Ball, {0.25, 0.88}, {0.42, 1.08}, {}},
         {MeasureStroke::Kind::Measure, {0.0, -0.12}, {0.335, -0.12}, tr("place of its middle")},
         {MeasureStroke::Kind::Measure, {0.47, 0.97}, {0.47, 1.08}, tr("stands out")},
         {MeasureStroke::Kind::Measure, {0.25, 0.75}, {0.42, 0.75}, tr("long")}});
    return table;
}

}  // namespace wl
