// Where joints cut the drawn body, and what they take out.
#pragma once

#include <optional>
#include <vector>

#include "core/base/result.h"
#include "core/design/design.h"
#include "core/geometry/piece_solid.h"
#include "core/joint/joint_opening.h"

namespace wl {

/// One joint on the body as drawn.
struct JointCut {
    FaceAcross frontPieceFace;  ///< rear face of the piece ahead
    FaceAcross rearPieceFace;   ///< front face of the piece behind
    double frontEdge_m = 0.0;   ///< half-width at the edge of the first
    double rearEdge_m = 0.0;
    double pinX_m = 0.0;
    double midZ_m = 0.0;   ///< middle of the body's depth at the pin
    double depth_m = 0.0;  ///< of the body at the pin, back to belly
    JointPlan plan;
    JointOpening opening;
    double pocketVolume_m3 = 0.0;
    Eigen::Vector3d pocketCentroid_m = Eigen::Vector3d::Zero();
    double pocketWall_m = 0.0;  ///< least wood beside, over and past the pocket; no pocket: 0.3 m
};

/// Errors: "joint.pieces_differ" (pieces must be one more than joints), "joint.off_the_body",
/// "joint.out_of_order" (faces of neighbours meet or cross; words: the joint), "joint.in_end_face"
/// (a joint where a sloped end is cut).
Result<std::vector<JointCut>> layOutJoints(const Design& design, const BodyCurves& curves);

/// Bounds of each piece of the chain, nose first: one more than the cuts.
std::vector<PieceBounds> pieceBounds(const std::vector<JointCut>& cuts);

/// The piece of the chain that holds a place at x.
size_t pieceAt(const std::vector<Joint>& joints, double x_m);

/// The plan of a joint's faces, pocket and hardware for given edge half-widths.
JointPlan planOf(const Joint& joint, double frontEdge_m, double rearEdge_m);

}  // namespace wl
