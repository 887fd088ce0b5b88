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

std::vector<CutTool> toolsOf(const BodyCurves& body, const Feature& f) {
    std::vector<CutTool> tools;
    for (const double side : {1.0, -1.0}) {
        const bool sideways = f.from == FeatureFrom::Side;
        const double y = side * f.y_m;
        if (side < 0 && (!f.mirrored || (!sideways && f.y_m == 0))) {
            continue;
        }
        CutTool t;
        if (f.from == FeatureFrom::Nose || f.from == FeatureFrom::Tail) {
            const bool nose = f.from == FeatureFrom::Nose;
            const auto x = entryAlong(body, y, f.z_m, nose);
            if (!x) {
                continue;
            }
            t.mouth_m = {*x, y, f.z_m};
            t.inward = {(nose ? 1 : -1) * std::cos(f.lean_rad), 0, std::sin(f.lean_rad)};
        } else {
            if (f.x_m <= 0 || f.x_m >= body.length_m()) {
                continue;
            }
            const Section s = body.atX(f.x_m);
            if (sideways) {
                const double half = halfBreadthAt(s, f.z_m);
                if (half <= 0) {
                    continue;
                }
                t.mouth_m = {f.x_m, side * half, f.z_m};
                t.inward = {0, -side, 0};
            } else {
                if (std::abs(y) >= s.halfWidth_m) {
                    continue;
                }
                const bool belly = f.from == FeatureFrom::Belly;
                t.mouth_m = {f.x_m, y, skinHeight(s, y, !belly)};
                t.inward = {std::sin(f.lean_rad), 0, (belly ? 1 : -1) * std::cos(f.lean_rad)};
            }
        }
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
