// Weights let in from the side, and putty on the skin: tabs of the ballast step.
#include <cmath>

#include "app/kit/form.h"
#include "app/kit/record_columns.h"
#include "app/pages/ballast/ballast_tabs.h"
#include "session/words.h"

namespace wl {

namespace {

SideWeight& weightAt(Design& d, int r) {
    return d.sideWeights[size_t(r)];
}

BuildUp& buildUpAt(Design& d, int r) {
    return d.buildUps[size_t(r)];
}

double onHalves(double m) {
    return std::round(m * 2000) / 2000;
}

// An oval low in the middle of the bait, half as deep as the body is wide.
void addWeight(Workbench& bench) {
    Design next = bench.design();
    SideWeight w;
    w.name = "side weight " + std::to_string(next.sideWeights.size() + 1);
    if (const Result<BodyCurves> curves = BodyCurves::build(next.body, "")) {
        const Section s = curves->atX(0.45 * curves->length_m());
        w.x_m = onHalves(s.x_m);
        w.z_m = onHalves(s.belly_m + 0.35 * (s.back_m - s.belly_m));
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
    std::vector<RecordColumn> columns;
    columns.push_back(textColumn<SideWeight>(tr("Weight"), "name", weightAt, &SideWeight::name));
    columns.push_back(choiceColumn(tr("From"), "from", weightAt, &SideWeight::from,
                                   {tr("port"), tr("starboard")}));
    columns.push_back(numberColumn(tr("Aft"), "x", Quantity::Length));
    columns.push_back(numberColumn(tr("Up"), "z", Quantity::Length));
    columns.push_back(outlineColumn(bench, weightAt, &SideWeight::outline));
    columns.push_back(numberColumn(tr("Bottom"), "bottom", Quantity::Length));
    columns.push_back(numberColumn(tr("Thick"), "thickness", Quantity::Length));
    columns.push_back(numberColumn(tr("Weighed"), "weighed_mass", Quantity::Mass));
    columns.push_back(
        derivedColumn(tr("Weighs"), Quantity::Mass, [&bench](const Results& r, int row) {
            return massOf(bench, r, "/side_weights/" + std::to_string(row), PartKind::Plug);
        }));
    columns.push_back(
        textColumn<SideWeight>(tr("Cast of"), "material", weightAt, &SideWeight::material));
    columns.push_back(numberColumn(tr("Density"), "density", Quantity::Density));
    columns.push_back(numberColumn(tr("Filler"), "filler_density", Quantity::Density));
    return new RecordTable(
        bench, "sideWeights", "/side_weights",
        [](const Design& d) { return int(d.sideWeights.size()); }, std::move(columns),
        {{"addSideWeight", tr("Add a weight"), [&bench](int) { addWeight(bench); }, false},
         removeAction(bench, "removeSideWeight", tr("Remove a weight"), &Design::sideWeights)});
}

QWidget* makeBuildUpTab(Workbench& bench) {
    std::vector<RecordColumn> columns;
    columns.push_back(textColumn<BuildUp>(tr("On the skin"), "name", buildUpAt, &BuildUp::name));
    columns.push_back(choiceColumn(tr("On"), "from", buildUpAt, &BuildUp::from,
                                   {tr("belly"), tr("back"), tr("side"), tr("nose"), tr("tail")}));
    const auto atEnd = [](const Design& d, int r) {
        const FeatureFrom from = d.buildUps[size_t(r)].from;
        return from == FeatureFrom::Nose || from == FeatureFrom::Tail;
    };
    columns.push_back(numberColumn(tr("Aft"), "x", Quantity::Length));
    columns.back().applies = [atEnd](const Design& d, int r) { return !atEnd(d, r); };
    columns.push_back(numberColumn(tr("Port"), "y", Quantity::Length));
    columns.back().applies = [](const Design& d, int r) {
        return d.buildUps[size_t(r)].from != FeatureFrom::Side;
    };
    columns.push_back(numberColumn(tr("Up"), "z", Quantity::Length));
    columns.back().applies = [atEnd](const Design& d, int r) {
        return atEnd(d, r) || d.buildUps[size_t(r)].from == FeatureFrom::Side;
    };
    columns.push_back(numberColumn(tr("Long"), "length", Quantity::Length));
    columns.push_back(numberColumn(tr("Wide"), "width", Quantity::Length));
    columns.push_back(numberColumn(tr("Thick"), "thickness", Quantity::Length));
    columns.push_back(numberColumn(tr("Density"), "density", Quantity::Density));
    columns.push_back(numberColumn(tr("Weighed"), "weighed_mass", Quantity::Mass));
    columns.push_back(
        derivedColumn(tr("Weighs"), Quantity::Mass, [&bench](const Results& r, int row) {
            return massOf(bench, r, "/build_ups/" + std::to_string(row), PartKind::BuiltUp);
        }));
    columns.push_back(flagColumn(tr("Pair"), "mirrored", buildUpAt, &BuildUp::mirrored));
    return new RecordTable(
        bench, "buildUps", "/build_ups", [](const Design& d) { return int(d.buildUps.size()); },
        std::move(columns),
        {{"addPutty", tr("+ putty"), [&bench](int) { addBuildUp(bench, false); }, false},
         {"addDrip", tr("+ drip"), [&bench](int) { addBuildUp(bench, true); }, false},
         removeAction(bench, "removeBuildUp", tr("Take it off the skin"), &Design::buildUps)});
}

}  // namespace wl
