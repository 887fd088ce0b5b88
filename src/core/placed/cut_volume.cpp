// How much of a body a tool takes out, and what is left beside it.
#include <algorithm>
#include <boost/math/quadrature/gauss.hpp>
#include <cmath>

#include <Eigen/Geometry>

#include "core/base/units.h"
#include "core/geometry/convex_parts.h"
#include "core/geometry/section_strip.h"
#include "core/placed/cut_tool.h"

namespace wl {
namespace {

constexpr int kSamples = 32;

template <int N, class Visit>
void forGauss(Visit visit) {  // over [-1, 1]
    using Rule = boost::math::quadrature::gauss<double, N>;
    for (size_t i = 0; i < Rule::abscissa().size(); ++i) {
        const double node = Rule::abscissa()[i];
        visit(node, Rule::weights()[i]);
        if (node != 0.0) {
            visit(-node, Rule::weights()[i]);
        }
    }
}

// Reach of the column from the bottom outwards. Upright columns are read off the section at once.
double columnLength(const BodyCurves& body, const CutTool& tool, const Eigen::Vector3d& foot,
                    double reach) {
    if (std::abs(std::abs(tool.inward.z()) - 1.0) < 1e-12) {
        if (!body.contains(foot)) {
            return 0.0;
        }
        const Section s = body.atX(foot.x());
        const bool upward = tool.inward.z() < 0;
        const double kept = upward ? std::min(body.heightsKept(true, s.x_m).second,
                                              body.heightsKept(false, s.x_m).second)
                                   : std::max(body.heightsKept(true, s.x_m).first,
                                              body.heightsKept(false, s.x_m).first);
        const double skin = skinHeight(s, foot.y(), upward);
        const double to = upward ? std::min(skin, kept) : std::max(skin, kept);
        return std::min(reach, std::abs(to - foot.z()));
    }
    if (!tool.corners.empty() && std::abs(std::abs(tool.inward.y()) - 1.0) < 1e-12) {
        if (!body.contains(foot)) {
            return 0.0;
        }
        const double skin = halfBreadthAt(body.atX(foot.x()), foot.z());
        return std::min(reach, skin - (tool.inward.y() < 0 ? 1 : -1) * foot.y());
    }
    return distanceToSkin(body, foot, -tool.inward, reach);
}

// Midpoints of the sides of 16 equal triangles: exact for columns that bend once.
template <class Visit>
void forTriangle(const Eigen::Vector2d& a, const Eigen::Vector2d& b, const Eigen::Vector2d& c,
                 int halvings, Visit visit) {
    const Eigen::Vector2d ab = 0.5 * (a + b), bc = 0.5 * (b + c), ca = 0.5 * (c + a);
    if (halvings > 0) {
        forTriangle(a, ab, ca, halvings - 1, visit);
        forTriangle(ab, b, bc, halvings - 1, visit);
        forTriangle(ca, bc, c, halvings - 1, visit);
        forTriangle(ab, bc, ca, halvings - 1, visit);
        return;
    }
    const double area = 0.5 * std::abs((b - a).x() * (c - a).y() - (b - a).y() * (c - a).x());
    for (const Eigen::Vector2d& at : {ab, bc, ca}) {
        visit(at, area / 3);
    }
}

// The part of a rectangle's length whose bottom lies in the body: rules over a whole slot that
// runs out of the body at its ends would straddle the skin.
std::pair<double, double> lengthInBody(const BodyCurves& body, const CutTool& t) {
    const Eigen::Vector3d bottom = t.mouth_m + t.inward * t.depth_m;
    auto inside = [&](double a) { return body.contains(bottom + a * t.along); };
    const double h = t.halfAlong_m;
    if (inside(-h) && inside(h)) {
        return {-h, h};
    }
    constexpr int kSteps = 40;
    double from = h, to = -h;
    for (int i = 0; i <= kSteps; ++i) {
        const double a = h * (2.0 * i / kSteps - 1);
        if (inside(a)) {
            from = std::min(from, a);
            to = std::max(to, a);
        }
    }
    if (to < from) {
        return {-h, h};
    }
    for (double* end : {&from, &to}) {
        double in = *end, out = in + (end == &from ? -1 : 1) * 2 * h / kSteps;
        out = std::clamp(out, -h, h);
        if (inside(out)) {
            in = out;
        }
        for (int k = 0; k < 20; ++k) {
            const double middle = 0.5 * (in + out);
            (inside(middle) ? in : out) = middle;
        }
        *end = in;
    }
    return {from, to};
}

double reachOf(const CutTool& t) {
    return t.depth_m + t.tip_m +
           (t.corners.empty() ? t.halfAlong_m + (t.round ? 0 : t.halfAcross_m) : t.rim_m());
}

}  // namespace

double distanceToSkin(const BodyCurves& body, const Eigen::Vector3d& from,
                      const Eigen::Vector3d& direction, double reach) {
    if (!body.contains(from)) {
        return 0.0;
    }
    constexpr int kSteps = 16;
    double inside = 0.0;
    double outside = reach;
    bool crossed = false;
    for (int i = 1; i <= kSteps; ++i) {
        const double at = reach * i / kSteps;
        if (!body.contains(from + at * direction)) {
            outside = at;
            crossed = true;
            break;
        }
        inside = at;
    }
    if (!crossed) {
        return reach;
    }
    for (int i = 0; i < 18; ++i) {
        const double middle = 0.5 * (inside + outside);
        (body.contains(from + middle * direction) ? inside : outside) = middle;
    }
    return inside;
}

double stockAbove(const BodyCurves& body, const CutTool& tool, const Eigen::Vector3d& place) {
    const double reach = tool.depth_m + 4 * std::max(tool.leastHalf_m(), 1e-3);
    if (body.contains(place)) {
        return distanceToSkin(body, place, -tool.inward, reach);
    }
    int inside = 0;
    for (int i = 0; i < kSamples; ++i) {
        inside += body.contains(place - tool.inward * reach * (i + 0.5) / kSamples);
    }
    return reach * inside / kSamples;
}

namespace {

// Level of the section's superellipse through a place: 1 on the skin, more outside.
double skinLevel(const BodyCurves& body, const Eigen::Vector3d& place) {
    const Section s = body.atX(std::clamp(place.x(), 0.0, body.length_m()));
    const bool above = place.z() > s.widest_m;
    const double half = std::max(s.halfWidth_m, 1e-6);
    const double high = std::max(above ? s.back_m - s.widest_m : s.widest_m - s.belly_m, 1e-6);
    const double n = above ? s.fullnessAbove : s.fullnessBelow;
    return std::pow(std::abs(place.y()) / half, n) +
           std::pow(std::abs(place.z() - s.widest_m) / high, n);
}

}  // namespace

bool isRim(const BodyCurves& body, const CutTool& tool, const Eigen::Vector3d& place) {
    if (stockAbove(body, tool, place) >= kRimDepth_m) {
        return false;
    }
    constexpr double kStep_m = 1e-4, kFacing = 0.4;  // within 66 degrees of the mouth's way out
    Eigen::Vector3d outward;
    for (Eigen::Index k = 0; k < 3; ++k) {
        const Eigen::Vector3d step = kStep_m * Eigen::Vector3d::Unit(k);
        outward[k] = skinLevel(body, place + step) - skinLevel(body, place - step);
    }
    return outward.normalized().dot(-tool.inward) > kFacing;
}

CutVolume measureCut(const BodyCurves& body, const CutTool& tool,
                     const std::vector<CutTool>& earlier) {
    CutVolume cut;
    const Eigen::Vector3d across = tool.across();
    const Eigen::Vector3d bottom = tool.mouth_m + tool.inward * tool.depth_m;
    std::vector<const CutTool*> near;
    for (const CutTool& other : earlier) {
        if ((other.mouth_m - tool.mouth_m).norm() < reachOf(other) + reachOf(tool) &&
            wallBetween(tool, other) < 0) {
            near.push_back(&other);
        }
    }
    Eigen::Vector3d moment = Eigen::Vector3d::Zero();
    const double reach = tool.depth_m + 4 * std::max(tool.leastHalf_m(), 1e-3);
    auto addColumn = [&](double a, double c, double area) {
        const Eigen::Vector3d foot = bottom + a * tool.along + c * across;
        const double column = columnLength(body, tool, foot, reach);
        if (near.empty()) {
            cut.removed_m3 += area * column;
            moment += area * column * (foot - tool.inward * 0.5 * column);
            return;
        }
        for (int k = 0; k < kSamples; ++k) {
            const Eigen::Vector3d at = foot - tool.inward * column * (k + 0.5) / kSamples;
            if (std::none_of(near.begin(), near.end(),
                             [&at](const CutTool* other) { return other->holds(at); })) {
                cut.removed_m3 += area * column / kSamples;
                moment += area * column / kSamples * at;
            }
        }
    };
    if (!tool.corners.empty()) {
        for (size_t i = 1; i + 1 < tool.corners.size(); ++i) {
            const Eigen::Vector2d &p = tool.corners[0], &q = tool.corners[i],
                                  &r = tool.corners[i + 1];
            constexpr double kFine_m2 = 1e-6;  // columns stand for so much, or less
            const double part = outlineArea_m2({p, q, r}) / 3;
            const int halvings = part > 4 * kFine_m2 ? 2 : part > kFine_m2 ? 1 : 0;
            forTriangle(p, q, r, halvings, [&](const Eigen::Vector2d& at, double area) {
                addColumn(at.x(), at.y(), area);
            });
        }
    } else if (tool.round) {
        constexpr int kAngles = 8;
        const double r = tool.halfAlong_m;
        forGauss<5>([&](double node, double weight) {
            const double rho = 0.5 * r * (1 + node);
            for (int k = 0; k < kAngles; ++k) {
                const double angle = 2 * kPi * (k + 0.5) / kAngles;
                addColumn(rho * std::cos(angle), rho * std::sin(angle),
                          0.5 * r * weight * rho * 2 * kPi / kAngles);
            }
        });
    } else if (near.empty()) {
        const auto [from, to] = lengthInBody(body, tool);
        const double middle = 0.5 * (from + to), half = 0.5 * (to - from);
        forGauss<8>([&](double a, double wa) {
            forGauss<4>([&](double c, double wc) {
                addColumn(middle + half * a, tool.halfAcross_m * c,
                          half * wa * tool.halfAcross_m * wc);
            });
        });
    } else {
        // Another tool may cut any part of it out: an even grid misses none.
        const auto [from, to] = lengthInBody(body, tool);
        constexpr int kAlong = 60, kAcross = 4;
        for (int i = 0; i < kAlong; ++i) {
            for (int k = 0; k < kAcross; ++k) {
                addColumn(from + (to - from) * (i + 0.5) / kAlong,
                          tool.halfAcross_m * (2 * (k + 0.5) / kAcross - 1),
                          (to - from) / kAlong * 2 * tool.halfAcross_m / kAcross);
            }
        }
    }
    if (tool.tip_m > 0) {
        const Eigen::Vector3d point = bottom + tool.inward * tool.tip_m;
        if (body.contains(bottom) && body.contains(point)) {
            const double cone = kPi * tool.halfAlong_m * tool.halfAlong_m * tool.tip_m / 3;
            cut.removed_m3 += cone;
            moment += cone * (bottom + tool.inward * 0.25 * tool.tip_m);
        }
    }
    if (cut.removed_m3 > 0) {
        cut.centroid_m = moment / cut.removed_m3;
    }
    if (!tool.corners.empty()) {
        return cut;
    }
    constexpr double kFar_m = 0.3;
    cut.wallBeyond_m =
        body.contains(bottom)
            ? distanceToSkin(body, bottom, tool.inward, kFar_m)
            : distanceToSkin(body, tool.mouth_m + tool.inward * 1e-6, tool.inward, kFar_m) -
                  tool.depth_m;
    cut.wallBeyond_m -= tool.tip_m;
    cut.wallBeside_m = kFar_m;
    for (int k = 0; k < 8; ++k) {
        const double angle = 2 * kPi * k / 8;
        const Eigen::Vector3d outward = std::cos(angle) * tool.along + std::sin(angle) * across;
        const double half =
            tool.round ? tool.halfAlong_m
                       : std::min(tool.halfAlong_m / std::max(1e-9, std::abs(std::cos(angle))),
                                  tool.halfAcross_m / std::max(1e-9, std::abs(std::sin(angle))));
        if (isRim(body, tool, bottom + half * outward)) {
            continue;
        }
        cut.wallBeside_m =
            std::min(cut.wallBeside_m,
                     distanceToSkin(body, bottom - tool.inward * 1e-5, outward, 0.2) - half);
    }
    return cut;
}

}  // namespace wl
