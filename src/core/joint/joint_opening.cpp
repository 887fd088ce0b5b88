#include "core/joint/joint_opening.h"

#include <algorithm>
#include <boost/math/tools/toms748_solve.hpp>
#include <cmath>

#include "core/base/units.h"

namespace wl {
namespace {

constexpr double kFree_rad = kPi;
constexpr double kSteepest_rad = 60 * kDegree;

// The edge of one piece swinging onto the face of the other.
struct Contact {
    double angle_rad = kFree_rad;  // swing at which they meet
    double reach_m = 0;            // R
    double edge_rad = 0;           // a
    double face_m = 0;             // d
    double faceBevel_rad = 0;

    double clearance(double swing) const {
        return face_m + reach_m * std::sin(edge_rad + faceBevel_rad - swing);
    }
};

Contact contactOf(double edgeFace_m, double edgeBevel, double edgeHalf_m, double otherFace_m,
                  double otherBevel, double otherHalf_m) {
    Contact c;
    const double back = edgeFace_m + edgeHalf_m * std::tan(edgeBevel);
    c.reach_m = std::hypot(edgeHalf_m, back);
    c.edge_rad = std::atan2(back, edgeHalf_m);
    c.face_m = otherFace_m * std::cos(otherBevel);
    c.faceBevel_rad = otherBevel;
    const double ratio = c.face_m / c.reach_m;
    if (ratio > 1) {
        return c;  // swings clear past the face
    }
    const double theta = c.edge_rad + otherBevel + std::asin(std::max(-1.0, ratio));
    const double across = c.reach_m * std::cos(c.edge_rad - theta);
    // It meets the face only where there is face: between the centre line and its own edge.
    if (across >= -1e-12 && across <= otherHalf_m * (1 + 1e-9)) {
        c.angle_rad = std::max(0.0, theta);
    } else {
        // The edge passes outside the other face's edge: the corner of that face is met instead,
        // which is the other contact.
        c.angle_rad = kFree_rad;
    }
    return c;
}

Contact rearEdge(const JointPlan& j) {
    return contactOf(j.faceBehind_m, j.bevelRear_rad, j.halfWidthRear_m, j.faceAhead_m,
                     j.bevelFront_rad, j.halfWidthFront_m);
}

Contact frontEdge(const JointPlan& j) {
    return contactOf(j.faceAhead_m, j.bevelFront_rad, j.halfWidthFront_m, j.faceBehind_m,
                     j.bevelRear_rad, j.halfWidthRear_m);
}

// The fold of one face meeting the face of the other piece, in which the pin stands: it circles the
// pin at `fold`, ahead of a face whose own fold lies `other` (under 0) from the pin.
struct FoldContact {
    double angle_rad = kFree_rad;
    double fold_m = 0;
    double other_m = 0;
    double bevel_rad = 0;

    double clearance(double swing) const {
        return fold_m * std::cos(swing - bevel_rad) + other_m * std::cos(bevel_rad);
    }
};

FoldContact foldContact(double fold_m, double other_m, double bevel, double half_m) {
    FoldContact c{kFree_rad, fold_m, other_m, bevel};
    if (other_m >= 0 || fold_m <= 0) {
        return c;
    }
    const double theta =
        bevel + std::acos(std::clamp(-other_m / fold_m * std::cos(bevel), -1.0, 1.0));
    const double across = fold_m * std::sin(theta);
    if (across >= 0 && across <= half_m * (1 + 1e-9)) {
        c.angle_rad = theta;
    }
    return c;
}

FoldContact frontFold(const JointPlan& j) {
    return foldContact(j.faceAhead_m, j.faceBehind_m, j.bevelRear_rad, j.halfWidthRear_m);
}

FoldContact rearFold(const JointPlan& j) {
    return foldContact(j.faceBehind_m, j.faceAhead_m, j.bevelFront_rad, j.halfWidthFront_m);
}

double faceOpening(const JointPlan& j) {
    return std::min({rearEdge(j).angle_rad, frontEdge(j).angle_rad, frontFold(j).angle_rad,
                     rearFold(j).angle_rad});
}

// The shank leaves the pocket at its mouth: sideways mouth tan(t), half as thick as w / cos(t).
double pocketOpening(const JointPlan& j) {
    if (j.pocketWidth_m <= 0) {
        return kFree_rad;
    }
    const double mouth = std::max(j.pocketMouth_m, 1e-6);
    auto overlap = [&](double t) {
        return mouth * std::sin(t) + 0.5 * j.hardwareWidth_m - 0.5 * j.pocketWidth_m * std::cos(t);
    };
    if (overlap(0) >= 0) {
        return 0.0;
    }
    if (overlap(kPi / 2) <= 0) {
        return kFree_rad;
    }
    std::uintmax_t iterations = 60;
    const auto root = boost::math::tools::toms748_solve(
        overlap, 0.0, kPi / 2, boost::math::tools::eps_tolerance<double>(45), iterations);
    return 0.5 * (root.first + root.second);
}

template <class Set>
std::optional<double> solveRising(const JointPlan& joint, double low, double high, double wanted,
                                  Set set) {
    auto miss = [&](double x) {
        JointPlan trial = joint;
        set(trial, x);
        return faceOpening(trial) - wanted;
    };
    const double atLow = miss(low), atHigh = miss(high);
    if (atLow > 1e-12 || atHigh < 0) {
        return std::nullopt;
    }
    if (atLow == 0) {
        return low;
    }
    // Bisection: the opening may jump where a contact leaves its face.
    for (int i = 0; i < 60; ++i) {
        const double middle = 0.5 * (low + high);
        (miss(middle) < 0 ? low : high) = middle;
    }
    const double found = 0.5 * (low + high);
    return std::abs(miss(found)) < 1e-6 ? std::optional<double>(found) : std::nullopt;
}

}  // namespace

JointOpening computeOpening(const JointPlan& j) {
    JointOpening o;
    const double rear = rearEdge(j).angle_rad, front = frontEdge(j).angle_rad;
    o.faceOpening_rad = faceOpening(j);
    o.pocketOpening_rad = pocketOpening(j);
    o.hardwareOpening_rad = j.hardwareStop_rad > 0 ? j.hardwareStop_rad : kFree_rad;
    o.opening_rad = std::min({o.faceOpening_rad, o.pocketOpening_rad, o.hardwareOpening_rad});
    if (o.opening_rad >= kFree_rad) {
        o.stop = JointStop::None;
    } else if (o.opening_rad == o.faceOpening_rad) {
        o.stop = o.opening_rad == rear                     ? JointStop::RearEdgeOnFrontFace
                 : o.opening_rad == front                  ? JointStop::FrontEdgeOnRearFace
                 : o.opening_rad == frontFold(j).angle_rad ? JointStop::FrontFoldOnRearFace
                                                           : JointStop::RearFoldOnFrontFace;
    } else {
        o.stop = o.opening_rad == o.pocketOpening_rad ? JointStop::Pocket : JointStop::Hardware;
    }
    return o;
}

double clearanceAt(const JointPlan& j, double swing) {
    const Contact rear = rearEdge(j), front = frontEdge(j);
    double least = 1e9;
    for (const Contact& c : {rear, front}) {
        if (c.angle_rad < kFree_rad) {
            least = std::min(least, c.clearance(std::abs(swing)));
        }
    }
    for (const FoldContact& c : {frontFold(j), rearFold(j)}) {
        if (c.angle_rad < kFree_rad) {
            least = std::min(least, c.clearance(std::abs(swing)));
        }
    }
    return least < 1e8 ? least : j.faceAhead_m + j.faceBehind_m;
}

std::optional<double> bevelForOpening(const JointPlan& joint, double wanted) {
    return solveRising(joint, 0.0, kSteepest_rad, wanted, [](JointPlan& j, double bevel) {
        j.bevelFront_rad = j.bevelRear_rad = bevel;
    });
}

std::optional<double> gapForOpening(const JointPlan& joint, double wanted) {
    const double gap = joint.faceAhead_m + joint.faceBehind_m;
    const double share = gap > 1e-9 ? joint.faceAhead_m / gap : 0.5;
    const double most = joint.halfWidthFront_m + joint.halfWidthRear_m;
    return solveRising(joint, 0.0, most, wanted, [share](JointPlan& j, double g) {
        j.faceAhead_m = share * g;
        j.faceBehind_m = (1 - share) * g;
    });
}

}  // namespace wl
