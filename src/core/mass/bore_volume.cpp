#include "core/mass/bore_volume.h"

#include <algorithm>
#include <boost/math/quadrature/gauss.hpp>
#include <cmath>

#include <Eigen/Geometry>

#include "core/base/units.h"

namespace wl {
namespace {

// Distance along `direction` from a point inside the body to the skin, at most `reach`.
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
    for (int i = 0; i < 14; ++i) {
        const double middle = 0.5 * (inside + outside);
        (body.contains(from + middle * direction) ? inside : outside) = middle;
    }
    return inside;
}

}  // namespace

Eigen::Vector3d plugCentroid(const BoreGeometry& bore, double depth_m, double plugLength_m) {
    return bore.mouth_m + bore.inward * (depth_m - 0.5 * plugLength_m);
}

BoreGeometry measureBore(const BodyCurves& body, const Bore& bore) {
    BoreGeometry g;
    const bool fromBelly = bore.from == BoreFrom::Belly;
    g.inward = {std::sin(bore.lean_rad), 0.0,
                fromBelly ? std::cos(bore.lean_rad) : -std::cos(bore.lean_rad)};
    const Section s = body.atX(bore.x_m);
    g.entersBody = bore.x_m > 0 && bore.x_m < body.length_m() &&
                   std::abs(bore.y_m) < s.halfWidth_m && s.back_m - s.belly_m > 1e-4;
    if (!g.entersBody) {
        return g;
    }
    g.mouth_m = {bore.x_m, bore.y_m, skinHeight(s, bore.y_m, !fromBelly)};
    const double radius = 0.5 * bore.diameter_m;
    const Eigen::Vector3d across = Eigen::Vector3d::UnitY();
    const Eigen::Vector3d along = g.inward.cross(across);

    // Column lengths over the disc: from the bottom outwards to the skin.
    using Radial = boost::math::quadrature::gauss<double, 5>;
    constexpr int kAngles = 8;
    const Eigen::Vector3d bottom = g.mouth_m + g.inward * bore.depth_m;
    Eigen::Vector3d moment = Eigen::Vector3d::Zero();
    auto addRing = [&](double share, double weight) {
        const double r = radius * share;
        for (int k = 0; k < kAngles; ++k) {
            const double angle = 2 * kPi * (k + 0.5) / kAngles;
            const Eigen::Vector3d foot =
                bottom + r * std::cos(angle) * along + r * std::sin(angle) * across;
            const double column = distanceToSkin(body, foot, -g.inward, bore.depth_m + 4 * radius);
            const double volume = weight * r * radius * 2 * kPi / kAngles * column;
            g.removed_m3 += volume;
            moment += volume * (foot - g.inward * 0.5 * column);
        }
    };
    for (size_t i = 0; i < Radial::abscissa().size(); ++i) {
        const double node = Radial::abscissa()[i];
        const double weight = 0.5 * Radial::weights()[i];
        addRing(0.5 * (1 + node), weight);
        if (node != 0.0) {
            addRing(0.5 * (1 - node), weight);
        }
    }
    if (g.removed_m3 > 0) {
        g.removedCentroid_m = moment / g.removed_m3;
    }

    g.wallBeyond_m = distanceToSkin(body, bottom, g.inward, 0.3);
    if (!body.contains(bottom)) {
        g.wallBeyond_m =
            distanceToSkin(body, g.mouth_m + g.inward * 1e-6, g.inward, 0.3) - bore.depth_m;
    }
    g.wallBeside_m = 0.3;
    for (int k = 0; k < 8; ++k) {
        const double angle = 2 * kPi * k / 8;
        const Eigen::Vector3d outward = std::cos(angle) * along + std::sin(angle) * across;
        const double reach = distanceToSkin(body, bottom - g.inward * 1e-5, outward, 0.2);
        g.wallBeside_m = std::min(g.wallBeside_m, reach - radius);
    }

    g.plugLength_m = std::min(bore.plugLength_m, bore.depth_m);
    g.plugVolume_m3 = kPi * radius * radius * g.plugLength_m;
    g.plugCentroid_m = plugCentroid(g, bore.depth_m, g.plugLength_m);
    g.fillerVolume_m3 = std::max(0.0, g.removed_m3 - g.plugVolume_m3);
    if (g.fillerVolume_m3 > 1e-15) {
        g.fillerCentroid_m =
            (g.removed_m3 * g.removedCentroid_m - g.plugVolume_m3 * g.plugCentroid_m) /
            g.fillerVolume_m3;
    }
    return g;
}

}  // namespace wl
