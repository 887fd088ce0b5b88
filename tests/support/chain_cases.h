// The baits in pieces of tests/data: a two-piece glider with a tail fin drawn into its profile, and
// chains of one profile cut at given places.
#pragma once

#include <algorithm>
#include <cmath>
#include <vector>

#include "core/base/units.h"
#include "core/chain/planar_chain.h"

namespace wl::test {

/// A profile by its share of the length: blunt ahead of its greatest place, a parabola behind.
inline double profile(double x, double most, double nose, double tail, double at) {
    return x < at ? most * (nose + (1 - nose) * std::sqrt(1 - std::pow(1 - x / at, 2)))
                  : most * (1 - (1 - tail) * std::pow((x - at) / (1 - at), 2));
}

inline void weighPiece(PlanarPiece& piece, double density) {
    double moment = 0;
    for (const PlanarStrip& s : piece.strips) {
        const double m = density * s.area_m2 * s.dx_m, x = piece.pin_m - s.at_m;
        piece.mass_kg += m;
        moment += m * x;
        piece.inertia_kg_m2 += m * (x * x + s.width_m * s.width_m / 16);
    }
    piece.gravityAt_m = moment / piece.mass_kg;
}

/// 250 mm, its joint half-way; `fin_m` deep at the very end (0: none).
inline PlanarBait glider(double opening_rad = 30 * kDegree, double fin_m = 0.06) {
    constexpr int kStrips = 120;
    constexpr double kLength = 0.25, kHalf = 0.125, kFinFrom = 0.225;
    PlanarBait bait;
    bait.length_m = kLength;
    bait.waterDensity_kg_m3 = 1000;
    const auto depth = [](double s) { return profile(s / kLength, 0.062, 0.4, 0.35, 0.35); };
    const double dx = kHalf / kStrips;
    const double aspect =
        fin_m * fin_m / ((depth(kFinFrom + dx / 2) + fin_m) / 2 * (kLength - kFinFrom));
    const double share = 4 / (2 + std::sqrt(aspect * aspect + 4));
    for (int i = 0; i < 2; ++i) {
        PlanarPiece p;
        p.pin_m = kHalf * i;
        p.length_m = kHalf;
        for (int k = 0; k < kStrips; ++k) {
            PlanarStrip s;
            s.dx_m = dx;
            s.at_m = p.pin_m + (k + 0.5) * dx;
            s.depth_m = depth(s.at_m);
            s.width_m = profile(s.at_m / kLength, 0.030, 0.5, 0.25, 0.3);
            s.area_m2 = kPi / 4 * s.depth_m * s.width_m;
            if (fin_m > 0 && s.at_m > kFinFrom) {
                const double t = (s.at_m - kFinFrom) / (kLength - kFinFrom);
                s.depth_m = s.depth_m * (1 - t) + fin_m * t;
                s.waterShare = 1 + (share - 1) * t;
            }
            p.strips.push_back(s);
        }
        weighPiece(p, 1030);
        p.dragArea_m2 = (i == 0 ? 0.116505974 : 0.111791694) / 500;
        p.drags.push_back({i == 0 ? -0.0625 : -0.0375, 0.00015});
        bait.pieces.push_back(p);
    }
    bait.joints.push_back({opening_rad, 0, 0});
    return bait;
}

/// Where the chains of three and four pieces are cut: not in the record's words, found from its
/// digits (one state of a run fits at these alone, to nine).
inline const std::vector<double> kThreePieces{0.45, 0.72}, kFourPieces{0.36, 0.57, 0.77};

/// A chain a metre long in water of a kilogram: numbers without a dimension.
inline PlanarBait chainOf(std::vector<double> joints, double opening_rad, int strips = 60) {
    PlanarBait bait;
    bait.length_m = 1;
    bait.waterDensity_kg_m3 = 1;
    bait.joints.assign(joints.size(), {opening_rad, 0, 0});
    joints.insert(joints.begin(), 0.0);
    joints.push_back(1.0);
    for (size_t i = 0; i + 1 < joints.size(); ++i) {
        PlanarPiece p;
        p.pin_m = joints[i];
        p.length_m = joints[i + 1] - joints[i];
        for (int k = 0; k < strips; ++k) {
            PlanarStrip s;
            s.dx_m = p.length_m / strips;
            s.at_m = p.pin_m + (k + 0.5) * s.dx_m;
            s.depth_m = profile(s.at_m, 0.24, 0.35, 0.3, 0.3);
            s.width_m = profile(s.at_m, 0.147, 0.3, 0.2, 0.3);
            s.area_m2 = kPi / 4 * s.depth_m * s.width_m;
            p.strips.push_back(s);
        }
        weighPiece(p, 1.03);
        bait.pieces.push_back(p);
    }
    return bait;
}

/// The same weighed as `panels` slices of it would: what a run of so many panels is made of.
inline PlanarBait chainByPanels(const std::vector<double>& joints, double opening_rad, int panels) {
    PlanarBait bait = chainOf(joints, opening_rad, 4000);
    for (PlanarPiece& p : bait.pieces) {
        const int n = std::max(5, int(std::lround(panels * p.length_m)));
        const double dx = p.length_m / n;
        double moment = 0;
        p.mass_kg = 0;
        for (int k = 0; k < n; ++k) {
            const double aft = (k + 0.5) * dx, at = p.pin_m + aft;
            const double m = 1.03 * kPi / 4 * dx * profile(at, 0.24, 0.35, 0.3, 0.3) *
                             profile(at, 0.147, 0.3, 0.2, 0.3);
            p.mass_kg += m;
            moment -= m * aft;
        }
        p.gravityAt_m = moment / p.mass_kg;
    }
    return bait;
}

}  // namespace wl::test
