// Findings about what is cut to an outline of its own, putty on the skin, and clips.
#include <algorithm>
#include <cmath>

#include "core/base/units.h"
#include "core/clearance/clearance.h"
#include "core/geometry/convex_parts.h"
#include "core/geometry/section_strip.h"
#include "core/rules/check_cuts.h"

namespace wl {
namespace {

// Whether the middle of a pocket's bottom lies past the flank it was not cut from.
bool goesThrough(const Derived& d, const SideWeight& w) {
    if (w.bottom_m >= 0 || w.x_m <= 0 || w.x_m >= d.shape->curves.length_m()) {
        return false;
    }
    return -w.bottom_m > halfBreadthAt(d.shape->curves.atX(w.x_m), w.z_m);
}

void checkSideWeights(const Design& design, const Derived& d, std::vector<Finding>& out) {
    for (size_t i = 0; i < design.sideWeights.size(); ++i) {
        const SideWeight& w = design.sideWeights[i];
        const SideWeightGeometry& g = d.mass->sideWeights[i];
        const std::string path = pathOf({RecordList::SideWeights, i});
        if (g.tools.empty()) {
            out.push_back({"outline.not_simple", Severity::Error, path + "/outline", {}, {w.name}});
            continue;
        }
        double area = 0;
        for (const CutTool& tool : g.tools) {
            area += outlineArea_m2(tool.corners);
        }
        const double drawn = area * w.thickness_m;
        constexpr double kFlush = 0.98;  // a skin that slopes over the weight files off this much
        if (goesThrough(d, w)) {
            out.push_back({"weight.through_body", Severity::Error, path + "/bottom", {}, {w.name}});
        } else if (g.weightVolume_m3 <= 0) {
            out.push_back({"weight.not_in_body", Severity::Error, path + "/bottom", {}, {w.name}});
        } else if (g.weightVolume_m3 < kFlush * drawn) {
            out.push_back({"weight.comes_out",
                           Severity::Warning,
                           path + "/bottom",
                           {{Quantity::Fraction, 1 - g.weightVolume_m3 / drawn}},
                           {w.name}});
        }
        constexpr double kFarOff = 0.25;
        const double made = w.density_kg_m3 * g.weightVolume_m3;
        if (w.weighedMass_kg && made > 0 && std::abs(*w.weighedMass_kg / made - 1) > kFarOff) {
            out.push_back({"weight.not_as_drawn",
                           Severity::Warning,
                           path + "/weighed_mass",
                           {{Quantity::Mass, *w.weighedMass_kg}, {Quantity::Mass, made}},
                           {w.name}});
        }
    }
}

void checkBuildUps(const Design& design, const Derived& d, std::vector<Finding>& out) {
    for (size_t i = 0; i < design.buildUps.size(); ++i) {
        const BuildUp& b = design.buildUps[i];
        if (!entryAt(d.shape->curves, b.from, {b.x_m, b.y_m, b.z_m}, 1.0)) {
            const bool atEnd = b.from == FeatureFrom::Nose || b.from == FeatureFrom::Tail;
            out.push_back({"build_up.no_skin",
                           Severity::Error,
                           pathOf({RecordList::BuildUps, i}) + (atEnd ? "/z" : "/x"),
                           {},
                           {b.name}});
        }
    }
}

void checkClips(const Design& design, const Derived& d, std::vector<Finding>& out) {
    for (size_t i = 0; i < design.fittings.size(); ++i) {
        const Fitting& f = design.fittings[i];
        if (f.kind != FittingKind::Clip) {
            continue;
        }
        const auto [from, end] = stemEnds(f, 1.0);
        const double across = f.legGap_m + f.wire_m;
        for (size_t k = 0; k < design.bores.size(); ++k) {
            const Bore& bore = design.bores[k];
            const BoreGeometry& g = d.mass->bores[k];
            if (g.entersBody && toolOf(bore, g).holds(0.5 * (from + end)) &&
                across > bore.diameter_m) {
                out.push_back({"clip.wider_than_bore",
                               Severity::Warning,
                               pathOf({RecordList::Fittings, i}) + "/leg_gap",
                               {lengthAmount(across), lengthAmount(bore.diameter_m)},
                               {f.name, bore.name}});
            }
        }
    }
}

// Least stock over, under and past a cavity at its outer face.
double cavityWall(const Derived& d, const Cavity& c, double outer) {
    double wall = 1.0;
    constexpr int kPlaces = 16;
    for (const CutTool& tool : toolsOfCavity(c, 0.0, 1.0)) {
        for (int k = 0; k < kPlaces; ++k) {
            const Eigen::Vector3d at = tool.mouth_m + tool.onRim(double(k) / kPlaces);
            const Section s = d.shape->curves.atX(at.x());
            const bool past = at.x() <= 0 || at.x() >= d.shape->curves.length_m();
            if (past || outer > s.halfWidth_m) {
                wall = std::min(wall, past ? -1.0 : 0.0);
                continue;
            }
            wall = std::min(
                {wall, skinHeight(s, outer, true) - at.z(), at.z() - skinHeight(s, outer, false)});
        }
    }
    return wall;
}

}  // namespace

void checkCavities(const Design& design, const Derived& d, std::vector<Finding>& out) {
    const std::vector<Layer>& layers = design.make.layers;
    double stack = 0;
    for (const Layer& layer : layers) {
        stack += layer.thickness_m;
    }
    for (size_t i = 0; i < design.make.cavities.size(); ++i) {
        const Cavity& c = design.make.cavities[i];
        const std::string path = pathOf({RecordList::Cavities, i});
        const int last = c.layer + c.sheets - 1;
        if (last > int(layers.size())) {
            out.push_back(
                {"make.cavity_no_layer",
                 Severity::Error,
                 path + (c.layer > int(layers.size()) ? "/layer" : "/sheets"),
                 {{Quantity::Number, double(last)}, {Quantity::Number, double(layers.size())}}});
            continue;
        }
        if (toolsOfCavity(c, 0, 1).empty()) {
            out.push_back({"outline.not_simple",
                           Severity::Error,
                           path + "/outline",
                           {},
                           {"cavity " + std::to_string(i + 1)}});
            continue;
        }
        double from = -0.5 * stack, to = from;
        for (int k = 0; k < last; ++k) {
            from += k + 1 < c.layer ? layers[size_t(k)].thickness_m : 0.0;
            to += layers[size_t(k)].thickness_m;
        }
        const double wall = cavityWall(d, c, std::max(std::abs(from), std::abs(to)));
        if (wall < kLeastWall_m) {
            out.push_back({"make.cavity_wall",
                           wall <= 0 ? Severity::Error : Severity::Warning,
                           path + "/x",
                           {lengthAmount(std::max(0.0, wall)), lengthAmount(kLeastWall_m)},
                           {std::to_string(i + 1)}});
            out.back().topic = Topic::Wall;
        }
    }
}

void checkOutlined(const Design& design, const Derived& d, std::vector<Finding>& out) {
    checkSideWeights(design, d, out);
    checkBuildUps(design, d, out);
    checkClips(design, d, out);
}

}  // namespace wl
