#include "core/placed/cut_tool.h"

#include <algorithm>
#include <cmath>

#include <Eigen/Geometry>

#include "core/base/units.h"
#include "core/geometry/convex_parts.h"

namespace wl {
namespace {

constexpr double kDrillHalfPoint_rad = 59.0 * kDegree;

double segmentDistance(const Eigen::Vector3d& p, const Eigen::Vector3d& q, const Eigen::Vector3d& r,
                       const Eigen::Vector3d& s) {
    const Eigen::Vector3d u = q - p, v = s - r, w = p - r;
    const double a = u.dot(u), b = u.dot(v), c = v.dot(v), e = u.dot(w), f = v.dot(w);
    const double det = a * c - b * b;
    double t = det > 1e-18 ? std::clamp((b * f - c * e) / det, 0.0, 1.0) : 0.0;
    const double k = c > 0 ? std::clamp((b * t + f) / c, 0.0, 1.0) : 0.0;
    t = a > 0 ? std::clamp((b * k - e) / a, 0.0, 1.0) : 0.0;
    return (w + t * u - k * v).norm();
}

// A long slot is a row of capsules: the segments of its middle plane.
std::vector<std::pair<Eigen::Vector3d, Eigen::Vector3d>> spines(const CutTool& t) {
    std::vector<std::pair<Eigen::Vector3d, Eigen::Vector3d>> out;
    const double half = t.leastHalf_m();
    const Eigen::Vector3d longSide = t.halfAlong_m >= t.halfAcross_m ? t.along : t.across();
    const double spread = t.round ? 0.0 : std::max(t.halfAlong_m, t.halfAcross_m) - half;
    const int count = 1 + int(std::ceil(spread / std::max(half, 1e-4)));
    for (int i = 0; i < count; ++i) {
        const double at = count > 1 ? spread * (2.0 * i / (count - 1) - 1) : 0.0;
        const Eigen::Vector3d mouth = t.mouth_m + at * longSide;
        out.emplace_back(mouth, mouth + t.inward * t.depth_m);
    }
    return out;
}

}  // namespace

bool CutTool::holds(const Eigen::Vector3d& place) const {
    const Eigen::Vector3d from = place - mouth_m;
    const double depth = from.dot(inward);
    if (depth > depth_m + tip_m) {
        return false;
    }
    const double a = from.dot(along), c = from.dot(across());
    if (!corners.empty()) {
        return depth <= depth_m && nearestInConvex(corners, {a, c}) == Eigen::Vector2d(a, c);
    }
    if (!round) {
        return depth <= depth_m && std::abs(a) <= halfAlong_m && std::abs(c) <= halfAcross_m;
    }
    const double radius =
        depth <= depth_m ? halfAlong_m : halfAlong_m * (1 - (depth - depth_m) / tip_m);
    return a * a + c * c <= radius * radius;
}

double CutTool::rim_m() const {
    double farthest = round ? halfAlong_m : std::hypot(halfAlong_m, halfAcross_m);
    for (const Eigen::Vector2d& corner : corners) {
        farthest = std::max(farthest, corner.norm());
    }
    return farthest;
}

Eigen::Vector3d CutTool::onRim(double share) const {
    if (!corners.empty()) {
        const double at = (share - std::floor(share)) * double(corners.size());
        const size_t side = std::min(size_t(at), corners.size() - 1);
        const Eigen::Vector2d p =
            corners[side] +
            (at - double(side)) * (corners[(side + 1) % corners.size()] - corners[side]);
        return p.x() * along + p.y() * across();
    }
    const double angle = 2 * kPi * share, c = std::cos(angle), s = std::sin(angle);
    if (round) {
        return halfAlong_m * c * along + halfAlong_m * s * across();
    }
    const double big = std::max(std::abs(c), std::abs(s));
    return halfAlong_m * c / big * along + halfAcross_m * s / big * across();
}

CutTool outlineTool(const std::vector<Eigen::Vector2d>& outline, const Eigen::Vector3d& mouth,
                    const Eigen::Vector3d& inward, const Eigen::Vector3d& along, double depth) {
    CutTool tool;
    tool.inward = inward;
    tool.along = along;
    tool.round = false;
    tool.depth_m = depth;
    Eigen::Vector2d middle = Eigen::Vector2d::Zero();
    for (const Eigen::Vector2d& corner : outline) {
        middle += corner / double(outline.size());
    }
    tool.mouth_m = mouth + middle.x() * along + middle.y() * tool.across();
    double inner = 1e9;
    for (size_t i = 0; i < outline.size(); ++i) {
        tool.corners.push_back(outline[i] - middle);
        const Eigen::Vector2d side = outline[(i + 1) % outline.size()] - outline[i];
        const Eigen::Vector2d to = middle - outline[i];
        inner = std::min(inner, std::abs(side.x() * to.y() - side.y() * to.x()) / side.norm());
    }
    tool.halfAlong_m = tool.halfAcross_m = inner;
    return tool;
}

double drillTip(double radius_m) {
    return radius_m / std::tan(kDrillHalfPoint_rad);
}

double wallBetween(const CutTool& a, const CutTool& b) {
    double least = 1e9;
    for (const auto& [p, q] : spines(a)) {
        for (const auto& [r, s] : spines(b)) {
            least = std::min(least, segmentDistance(p, q, r, s));
        }
    }
    return least - a.leastHalf_m() - b.leastHalf_m();
}

}  // namespace wl
