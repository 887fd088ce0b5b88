#include "core/joint/joint_layout.h"

#include <algorithm>
#include <cmath>

namespace wl {
namespace {

constexpr double kNoPocketWall_m = 0.3;
constexpr double kLeastPiece_m = 0.002;

void measurePocket(const Joint& joint, const BodyCurves& curves, JointCut& cut) {
    cut.pocketWall_m = kNoPocketWall_m;
    if (joint.pocket == PocketIn::None) {
        return;
    }
    const bool front = joint.pocket == PocketIn::FrontPiece;
    const FaceAcross& face = front ? cut.frontPieceFace : cut.rearPieceFace;
    const double inward = front ? -1.0 : 1.0;
    // A box from the face's fold; the bevel has already taken the wedge off its mouth.
    const double half = 0.5 * joint.pocketWidth_m, slope = std::abs(face.slope);
    const double reach = slope > 0 ? std::min(half, joint.pocketDepth_m / slope) : half;
    const double height = joint.pocketHeight_m;
    const double area = 2 * (joint.pocketDepth_m * reach - 0.5 * slope * reach * reach);
    cut.pocketVolume_m3 = area * height;
    cut.pocketCentroid_m = {face.x_m + inward * 0.5 * (joint.pocketDepth_m + slope * 0.5 * reach),
                            0, cut.midZ_m};
    const Section bottom = curves.atX(face.x_m + inward * joint.pocketDepth_m);
    const double top = cut.midZ_m + 0.5 * height, foot = cut.midZ_m - 0.5 * height;
    cut.pocketWall_m = std::min({bottom.halfWidth_m - half, skinHeight(bottom, half, true) - top,
                                 foot - skinHeight(bottom, half, false)});
}

}  // namespace

JointPlan planOf(const Joint& j, double frontEdge_m, double rearEdge_m) {
    JointPlan plan;
    plan.faceAhead_m = 0.5 * j.gap_m + j.pinAft_m;
    plan.faceBehind_m = 0.5 * j.gap_m - j.pinAft_m;
    plan.bevelFront_rad = j.bevelFront_rad;
    plan.bevelRear_rad = j.bevelRear_rad;
    plan.halfWidthFront_m = frontEdge_m;
    plan.halfWidthRear_m = rearEdge_m;
    plan.hardwareStop_rad = j.hardwareStop_rad;
    if (j.pocket != PocketIn::None) {
        // The pin lies in the pocketed piece when that piece's face has passed it.
        const double mouth =
            j.pocket == PocketIn::FrontPiece ? -plan.faceAhead_m : -plan.faceBehind_m;
        if (mouth > 0) {
            plan.pocketWidth_m = j.pocketWidth_m;
            plan.pocketMouth_m = mouth;
            plan.hardwareWidth_m = j.shankWidth_m;
        }
    }
    return plan;
}

Result<std::vector<JointCut>> layOutJoints(const Design& design, const BodyCurves& curves) {
    std::vector<JointCut> cuts;
    if (design.pieces.size() != design.joints.size() + 1) {
        return Error{"joint.pieces_differ",
                     "/joints",
                     {},
                     {{Quantity::Number, double(design.pieces.size())},
                      {Quantity::Number, double(design.joints.size())}}};
    }
    const std::vector<double> ends =
        design.joints.empty() ? std::vector<double>{} : curves.endFaceBreaks();
    double before = 0.0;  // how far aft the piece ahead reaches already
    for (size_t i = 0; i < design.joints.size(); ++i) {
        const Joint& joint = design.joints[i];
        const std::string path = "/joints/" + std::to_string(i) + "/x";
        JointCut cut;
        cut.frontPieceFace = {joint.x_m - 0.5 * joint.gap_m, -std::tan(joint.bevelFront_rad)};
        cut.rearPieceFace = {joint.x_m + 0.5 * joint.gap_m, std::tan(joint.bevelRear_rad)};
        if (cut.frontPieceFace.x_m <= kLeastPiece_m ||
            cut.rearPieceFace.x_m >= curves.length_m() - kLeastPiece_m) {
            return Error{"joint.off_the_body", path, {joint.name}, {{Quantity::Length, joint.x_m}}};
        }
        cut.frontEdge_m = faceHalfWidth(curves, cut.frontPieceFace);
        cut.rearEdge_m = faceHalfWidth(curves, cut.rearPieceFace);
        const double foremost = cut.frontPieceFace.x_m + cut.frontPieceFace.slope * cut.frontEdge_m;
        const double hindmost = cut.rearPieceFace.x_m + cut.rearPieceFace.slope * cut.rearEdge_m;
        if (foremost < before + kLeastPiece_m) {
            return Error{"joint.out_of_order", path, {joint.name}, {{Quantity::Length, joint.x_m}}};
        }
        before = hindmost;
        if (hindmost > curves.length_m() - kLeastPiece_m) {
            return Error{"joint.off_the_body", path, {joint.name}, {{Quantity::Length, joint.x_m}}};
        }
        for (const double x : ends) {
            if (x > foremost && x < hindmost) {
                return Error{
                    "joint.in_end_face", path, {joint.name}, {{Quantity::Length, joint.x_m}}};
            }
        }
        cut.pinX_m = joint.x_m + joint.pinAft_m;
        const Section at = curves.atX(cut.pinX_m);
        cut.midZ_m = 0.5 * (at.back_m + at.belly_m);
        cut.depth_m = at.back_m - at.belly_m;
        cut.plan = planOf(joint, cut.frontEdge_m, cut.rearEdge_m);
        cut.opening = computeOpening(cut.plan);
        measurePocket(joint, curves, cut);
        cuts.push_back(cut);
    }
    return cuts;
}

std::vector<PieceBounds> pieceBounds(const std::vector<JointCut>& cuts) {
    std::vector<PieceBounds> bounds(cuts.size() + 1);
    for (size_t i = 0; i < cuts.size(); ++i) {
        bounds[i].rear = cuts[i].frontPieceFace;
        bounds[i + 1].front = cuts[i].rearPieceFace;
    }
    return bounds;
}

size_t pieceAt(const std::vector<Joint>& joints, double x_m) {
    size_t piece = 0;
    while (piece < joints.size() && x_m > joints[piece].x_m) {
        ++piece;
    }
    return piece;
}

}  // namespace wl
