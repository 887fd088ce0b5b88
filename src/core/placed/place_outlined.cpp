// Weights let in from the side to an outline of their own, and putty on the skin.
#include <algorithm>
#include <cmath>

#include <Eigen/Geometry>

#include "core/geometry/convex_parts.h"
#include "core/placed/placing.h"

namespace wl {

using Eigen::Vector3d;

std::vector<CutTool> outlineTools(const std::vector<OutlinePoint>& outline, const Vector3d& place,
                                  const Vector3d& inward, double depth) {
    const Vector3d along = Vector3d::UnitX();
    const double up = inward.cross(along).z();  // 1 from port, -1 from starboard
    std::vector<Eigen::Vector2d> corners;
    for (const OutlinePoint& p : outline) {
        corners.emplace_back(p.aft_m, up * p.up_m);
    }
    std::vector<CutTool> tools;
    for (const auto& part : convexParts(std::move(corners))) {
        tools.push_back(outlineTool(part, place, inward, along, depth));
    }
    return tools;
}

namespace {

// Body in a set of tools that do not overlap, at full depth or so much less deep; what the tools
// `before` took is not counted.
MassSum bodyIn(const Placing& p, std::vector<CutTool> tools, double lessDeep,
               const std::vector<CutTool>& before = {}) {
    MassSum sum;
    for (CutTool& tool : tools) {
        tool.depth_m -= lessDeep;
        const CutVolume cut = measureCut(p.body.curves, tool, before);
        sum.add(cut.removed_m3, cut.centroid_m);
    }
    return sum;
}

// A breadth past the widest place of the body.
double outsideOf(const BodyCurves& curves) {
    double widest = 0;
    constexpr int kSteps = 64;
    for (int i = 0; i <= kSteps; ++i) {
        widest = std::max(widest, curves.at(double(i) / kSteps).halfWidth_m);
    }
    return 1.05 * widest + 0.001;
}

void placeSideWeight(Placing& p, const SideWeight& w) {
    const double side = w.from == Flank::Port ? 1.0 : -1.0;
    const double mouth = outsideOf(p.body.curves);
    const Vector3d inward(0, -side, 0);
    SideWeightGeometry g;
    g.tools = outlineTools(w.outline, {w.x_m, side * mouth, w.z_m}, inward, mouth - w.bottom_m);
    const MassSum pocket = bodyIn(p, g.tools, 0.0);
    const MassSum filler = bodyIn(p, g.tools, w.thickness_m);
    const MassSum stock = bodyIn(p, g.tools, 0.0, p.tools());
    g.removed_m3 = stock.amount;
    g.fillerVolume_m3 = filler.amount;
    g.weightVolume_m3 = pocket.amount - filler.amount;
    if (g.weightVolume_m3 > 0) {
        const Vector3d at = (pocket.moment - filler.moment) / g.weightVolume_m3;
        const size_t piece = p.pieceOf(at.x());
        p.cut(piece, stock.amount, stock.centre());
        const size_t index = p.items.size();
        MassItem& weight =
            p.item(PartKind::Plug, w.weighedMass_kg ? Origin::Weighed : Origin::Computed,
                   BuildStage::Leaded, piece);
        weight.mass_kg = w.weighedMass_kg.value_or(w.density_kg_m3 * g.weightVolume_m3);
        weight.centre_m = at;
        const double area = g.weightVolume_m3 / w.thickness_m;
        weight.netDoubt_kg =
            kHalfWidthToStandard * (w.weighedMass_kg ? p.design.errors.weighedPart_kg
                                                     : (w.density_kg_m3 - w.fillerDensity_kg_m3) *
                                                           area * p.design.errors.plugLength_m);
        g.mass_kg = weight.mass_kg;
        MassItem& over = p.item(PartKind::Filler, Origin::Computed, BuildStage::Leaded, piece);
        over.mass_kg = w.fillerDensity_kg_m3 * filler.amount;
        over.centre_m = filler.centre();
        for (const CutTool& tool : g.tools) {
            p.hollow(tool);
            CutTool metal = tool;
            metal.mouth_m += (tool.depth_m - w.thickness_m) * tool.inward;
            metal.depth_m = w.thickness_m;
            p.fill(metal, g.mass_kg / g.weightVolume_m3, index);
            p.fill(tool, w.fillerDensity_kg_m3, index + 1);
        }
    }
    for (const CutTool& tool : g.tools) {
        // From the skin over its middle, as a bore's mouth is.
        Embedded solid;
        solid.kind = Embedded::Kind::Weight;
        solid.tool = tool;
        const double out =
            std::max(0.0, tool.depth_m - stockAbove(p.body.curves, tool,
                                                    tool.mouth_m + tool.depth_m * tool.inward));
        solid.tool.mouth_m += out * tool.inward;
        solid.tool.depth_m -= out;
        solid.moves = true;
        p.embed(solid);
    }
    p.placed.sideWeights.push_back(std::move(g));
}

}  // namespace

void placeSideWeights(Placing& p) {
    for (size_t i = 0; i < p.design.sideWeights.size(); ++i) {
        p.begin({RecordList::SideWeights, i}, p.design.sideWeights[i].name);
        placeSideWeight(p, p.design.sideWeights[i]);
    }
}

double buildUpVolume_m3(const BuildUp& b) {
    return kPi / 6 * b.length_m * b.width_m * b.thickness_m;  // half of an ellipsoid, twice as high
}

void placeBuildUps(Placing& p) {
    for (size_t i = 0; i < p.design.buildUps.size(); ++i) {
        const BuildUp& b = p.design.buildUps[i];
        p.begin({RecordList::BuildUps, i}, b.name);
        for (const double side : {1.0, -1.0}) {
            const bool twice = b.from == FeatureFrom::Side || b.y_m != 0;
            if (side < 0 && !(b.mirrored && twice)) {
                continue;
            }
            const auto entry = entryAt(p.body.curves, b.from, {b.x_m, b.y_m, b.z_m}, side);
            if (!entry) {
                continue;
            }
            constexpr double kMiddleOfHalf = 3.0 / 8;
            const Vector3d at = entry->mouth_m - kMiddleOfHalf * b.thickness_m * entry->inward;
            const size_t piece = p.pieceOf(at.x());
            const double volume = buildUpVolume_m3(b);
            MassItem& part =
                p.item(PartKind::BuiltUp, b.weighedMass_kg ? Origin::Weighed : Origin::Computed,
                       BuildStage::Finished, piece);
            part.mass_kg = b.weighedMass_kg.value_or(b.density_kg_m3 * volume);
            part.displaced_m3 = part.mass_kg / b.density_kg_m3;
            part.centre_m = at;
            part.netDoubt_kg = p.partSpread_kg(part.mass_kg, bool(b.weighedMass_kg)) *
                               kHalfWidthToStandard * std::abs(1 - p.water_kg_m3 / b.density_kg_m3);
            p.displace(piece, at, part.displaced_m3);
        }
    }
}

}  // namespace wl
