#include "core/placed/feature_tool.h"

#include <cmath>

#include <Eigen/Geometry>

#include "core/geometry/section_strip.h"

namespace wl {
namespace {

// Where a line straight along the bait at (y, z) enters the body from ahead or from behind.
std::optional<double> entryAlong(const BodyCurves& body, double y, double z, bool fromNose) {
    constexpr int kSteps = 400;
    const double length = body.length_m();
    for (int i = 1; i < kSteps; ++i) {
        const double x = length * (fromNose ? i : kSteps - i) / kSteps;
        if (body.contains({x, y, z})) {
            double in = x, out = x + (fromNose ? -1 : 1) * length / kSteps;
            for (int k = 0; k < 30; ++k) {
                const double middle = 0.5 * (in + out);
                (body.contains({middle, y, z}) ? in : out) = middle;
            }
            return in;
        }
    }
    return std::nullopt;
}

}  // namespace

std::optional<SkinEntry> entryAt(const BodyCurves& body, FeatureFrom from,
                                 const Eigen::Vector3d& place, double side, double lean) {
    const double y = side * place.y();
    if (from == FeatureFrom::Nose || from == FeatureFrom::Tail) {
        const bool nose = from == FeatureFrom::Nose;
        const auto x = entryAlong(body, y, place.z(), nose);
        if (!x) {
            return std::nullopt;
        }
        return SkinEntry{{*x, y, place.z()}, {(nose ? 1 : -1) * std::cos(lean), 0, std::sin(lean)}};
    }
    if (place.x() <= 0 || place.x() >= body.length_m()) {
        return std::nullopt;
    }
    const Section s = body.atX(place.x());
    if (from == FeatureFrom::Side) {
        const double half = halfBreadthAt(s, place.z());
        if (half <= 0) {
            return std::nullopt;
        }
        return SkinEntry{{place.x(), side * half, place.z()}, {0, -side, 0}};
    }
    if (std::abs(y) >= s.halfWidth_m) {
        return std::nullopt;
    }
    const bool belly = from == FeatureFrom::Belly;
    return SkinEntry{{place.x(), y, skinHeight(s, y, !belly)},
                     {std::sin(lean), 0, (belly ? 1 : -1) * std::cos(lean)}};
}

std::vector<CutTool> toolsOf(const BodyCurves& body, const Feature& f) {
    std::vector<CutTool> tools;
    for (const double side : {1.0, -1.0}) {
        const bool sideways = f.from == FeatureFrom::Side;
        if (side < 0 && (!f.mirrored || (!sideways && f.y_m == 0))) {
            continue;
        }
        const auto entry = entryAt(body, f.from, {f.x_m, f.y_m, f.z_m}, side, f.lean_rad);
        if (!entry) {
            continue;
        }
        CutTool t;
        t.mouth_m = entry->mouth_m;
        t.inward = entry->inward;
        t.along = sideways ? Eigen::Vector3d::UnitX()
                           : Eigen::Vector3d(t.inward.cross(Eigen::Vector3d::UnitY()));
        t.round = f.kind == FeatureKind::EyeSocket || f.kind == FeatureKind::PilotHole;
        t.halfAlong_m = 0.5 * (t.round ? f.diameter_m : f.length_m);
        t.halfAcross_m = 0.5 * (t.round ? f.diameter_m : f.width_m);
        t.depth_m = f.depth_m;
        t.tip_m = f.kind == FeatureKind::PilotHole ? drillTip(t.halfAlong_m) : 0.0;
        tools.push_back(t);
    }
    return tools;
}

CutTool pocketTool(const Joint& joint, const JointCut& cut) {
    const bool front = joint.pocket == PocketIn::FrontPiece;
    CutTool t;
    t.mouth_m = {front ? cut.frontPieceFace.x_m : cut.rearPieceFace.x_m, 0, cut.midZ_m};
    t.inward = Eigen::Vector3d::UnitX() * (front ? -1.0 : 1.0);
    t.along = Eigen::Vector3d::UnitZ();
    t.round = false;
    t.halfAlong_m = 0.5 * joint.pocketHeight_m;
    t.halfAcross_m = 0.5 * joint.pocketWidth_m;
    t.depth_m = joint.pocketDepth_m;
    return t;
}

CutTool pinTool(const Joint& joint, const JointCut& cut) {
    CutTool t;
    t.mouth_m = {cut.pinX_m, 0, cut.midZ_m + 0.5 * joint.pinLength_m};
    t.inward = -Eigen::Vector3d::UnitZ();
    t.along = Eigen::Vector3d::UnitX();
    t.halfAlong_m = t.halfAcross_m = 0.5 * joint.pinDiameter_m;
    t.depth_m = joint.pinLength_m;
    return t;
}

}  // namespace wl
