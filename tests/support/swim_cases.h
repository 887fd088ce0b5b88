// The bodies of tests/data/swim-checks.json as the equations take them.
#pragma once

#include <algorithm>
#include <cmath>
#include <complex>
#include <memory>
#include <optional>

#include "core/base/units.h"
#include "core/motion/added_mass.h"
#include "core/motion/trim.h"
#include "core/swim/wobble_linear.h"

namespace wl::test {

struct SwimCase {
    double length = 0.055, height = 0.02, width = 0.024, power = 2.5, greatestAt = 0.45,
           fullness = 0.8, mass = 0.012;
    struct Point {
        double mass;
        Eigen::Vector3d at;
        double drag = 0;
    };
    std::vector<Point> ballast{{0.003, {0.004, 0, 0.006}}};
    std::vector<Point> hooks{{0.0008, {0.008, 0, 0.012}, 2.2e-5},
                             {0.0008, {-0.026, 0, 0.002}, 2.2e-5}};
    bool lip = true;
    double span = 0.014, chord = 0.012, angle = 55 * kDegree, thickness = 0.0015, lipDensity = 1200;
    Eigen::Vector3d root{0.024, 0, 0.004}, tie{0.0275, 0, 0};
    double lineLength = 15, lineMass = 1.6e-4, water = 998, gravity = 9.81;
    int strips = 20;
    double lipTwist = 0, lipTurn = 0;  ///< starboard edge back, tip to starboard

    double shape(double s) const {
        const double xi =
            s < greatestAt ? (greatestAt - s) / greatestAt : (s - greatestAt) / (1 - greatestAt);
        return std::sqrt(std::max(1e-4, 1 - std::pow(xi, power)));
    }

    WobbleBody body() const {
        WobbleBody b;
        b.length_m = length;
        b.height_m = height;
        b.width_m = width;
        b.squareness = (fullness - 0.785) / 0.215;
        b.greatestAt = greatestAt;
        b.waterDensity_kg_m3 = water;
        b.gravity_m_s2 = gravity;
        b.lineLength_m = lineLength;
        b.lineMass_kg_m = lineMass;
        b.tie_m = tie;
        double volume = 0;
        for (int i = 0; i < strips; ++i) {
            const double s = (i + 0.5) / strips;
            WobbleStrip strip;
            strip.x_m = length * (0.5 - s);
            strip.dx_m = length / strips;
            strip.height_m = height * shape(s);
            strip.width_m = width * shape(s);
            strip.area_m2 = fullness * strip.height_m * strip.width_m;
            volume += strip.area_m2 * strip.dx_m;
            b.strips.push_back(strip);
        }
        double left = mass, sunk = 0, outside = 0;
        Eigen::Vector3d moment = Eigen::Vector3d::Zero(), lift = Eigen::Vector3d::Zero();
        Eigen::Matrix3d inertia = Eigen::Matrix3d::Zero();
        const auto add = [&](double m, const Eigen::Vector3d& at) {
            moment += m * at;
            inertia += m * (at.squaredNorm() * Eigen::Matrix3d::Identity() - at * at.transpose());
        };
        for (const Point& p : ballast) {
            add(p.mass, p.at);
            left -= p.mass;
        }
        for (const Point& p : hooks) {
            add(p.mass, p.at);
            left -= p.mass;
            sunk += p.mass / 7800;  // lifts, but at the centre of hull and lip: a rule of the case
            b.drags.push_back({p.at, p.drag});
        }
        if (lip) {
            WobblePlate plate;
            plate.root_m = root;
            const Eigen::Vector3d along(std::cos(angle), 0, std::sin(angle));
            const Eigen::Vector3d up(std::sin(angle), 0, -std::cos(angle));
            const Eigen::Vector3d right = Eigen::Vector3d::UnitY();
            plate.normal = std::cos(lipTwist) * up + std::sin(lipTwist) * right;
            const Eigen::Vector3d edge = std::cos(lipTwist) * right - std::sin(lipTwist) * up;
            plate.along = std::cos(lipTurn) * along + std::sin(lipTurn) * edge;
            plate.across = std::cos(lipTurn) * edge - std::sin(lipTurn) * along;
            plate.chord_m = chord;
            plate.span_m = span;
            plate.centroid_m = 0.5 * chord;
            b.plate = plate;
            const double lipVolume = span * chord * thickness, m = lipDensity * lipVolume;
            add(m, plate.centre_m());
            left -= m;
            outside += lipVolume;
            lift += lipVolume * plate.centre_m();
        }
        const double density = left / volume;
        for (const WobbleStrip& s : b.strips) {
            const double v = s.area_m2 * s.dx_m, m = density * v;
            add(m, {s.x_m, 0, 0});
            const double hh = s.height_m * s.height_m / 16, ww = s.width_m * s.width_m / 16;
            inertia.diagonal() += m * Eigen::Vector3d((hh + ww) * fullness / 0.785, hh, ww);
            lift += v * Eigen::Vector3d(s.x_m, 0, 0);
        }
        b.mass_kg = mass;
        b.centreOfGravity_m = moment / mass;
        const Eigen::Vector3d& g = b.centreOfGravity_m;
        b.inertia_kg_m2 =
            inertia - mass * (g.squaredNorm() * Eigen::Matrix3d::Identity() - g * g.transpose());
        b.volume_m3 = volume + outside + sunk;
        b.centreOfBuoyancy_m = lift / (volume + outside);
        return b;
    }
};

/// The flat lipless bait, tied on its back.
inline SwimCase lipless() {
    SwimCase c;
    c.length = 0.064;
    c.height = 0.032;
    c.width = 0.014;
    c.power = 2.2;
    c.greatestAt = 0.4;
    c.fullness = 0.86;
    c.mass = 0.018;
    c.ballast = {{0.006, {0.012, 0, 0.010}}};
    c.hooks = {{0.0011, {0.008, 0, 0.016}, 3.2e-5}, {0.0011, {-0.03, 0, 0.002}, 3.2e-5}};
    c.lip = false;
    return c;
}

/// The lipped bait as the tow step takes it: its hull by the same strips, perimeters by the root of
/// the mean square of their half-axes.
inline TowedBait towedCase(const SwimCase& c, double reynolds) {
    const WobbleBody b = c.body();
    const auto aft = [&c](const Eigen::Vector3d& at) {
        return Eigen::Vector2d(0.5 * c.length - at.x(), -at.z());
    };
    TowedHull hull;
    hull.length_m = c.length;
    hull.width_m = c.width;
    hull.height_m = c.height;
    hull.squareness = b.squareness;
    for (const WobbleStrip& s : b.strips) {
        hull.volume_m3 += s.area_m2 * s.dx_m;
        hull.planArea_m2 += s.width_m * s.dx_m;
        hull.planMoment_m3 += s.width_m * s.dx_m * (0.5 * c.length - s.x_m);
        hull.wettedArea_m2 +=
            kPi * std::sqrt(0.5 * (s.width_m * s.width_m + s.height_m * s.height_m)) * s.dx_m;
    }
    const Eigen::Vector3d added = addedMassCoefficients(c.length, c.width, c.height);
    hull.addedMassExcess = added.z() - added.x();
    const TowedLip lip{aft(c.root), c.chord, c.span, c.thickness, c.angle};
    std::vector<TowedPart> parts;
    for (const SwimCase::Point& p : c.hooks) {
        parts.push_back({aft(p.at), p.drag});
    }
    TowedBait towed;
    towed.loads = std::make_shared<LoadTable>(TowedShape{hull, lip, parts, {}, reynolds});
    towed.mass_kg = b.mass_kg;
    towed.displacedVolume_m3 = b.volume_m3;
    towed.waterDensity_kg_m3 = c.water;
    towed.centreOfGravity_m = aft(b.centreOfGravity_m);
    towed.centreOfBuoyancy_m = aft(b.centreOfBuoyancy_m);
    towed.tie_m = aft(c.tie);
    return towed;
}

/// The attitude at which this model's own loads leave nothing over in the vertical plane: the
/// stable one nearest level, line pulling up; nothing when there is none.
inline std::optional<WobbleTow> ownTrim(const WobbleBody& body, double speed,
                                        const Model& model = {}) {
    const auto at = [&](double pitch) {
        WobbleTow tow{speed, pitch, 0, 0};
        const Eigen::Vector3d left = WobbleMotion(body, tow, model).remainder();
        const double c = std::cos(pitch), s = std::sin(pitch);
        const double ahead = -(c * left.x() + s * left.y()), down = s * left.x() - c * left.y();
        tow.tension_N = std::hypot(ahead, down);
        tow.lineAngle_rad = std::atan2(-down, ahead);
        const double moment = left.z() - (body.tie_m.z() * left.x() - body.tie_m.x() * left.y());
        return std::pair(tow, moment);
    };
    std::optional<WobbleTow> best;
    constexpr double kStep = 0.5 * kDegree;
    auto before = at(-80 * kDegree);
    for (double pitch = -80 * kDegree + kStep; pitch < 60 * kDegree; pitch += kStep) {
        const auto here = at(pitch);
        if (before.second > 0 && here.second <= 0) {  // a nose pushed up is pushed down again
            double low = pitch - kStep, high = pitch;
            for (int i = 0; i < 60; ++i) {
                const double middle = 0.5 * (low + high);
                (at(middle).second > 0 ? low : high) = middle;
            }
            const WobbleTow tow = at(0.5 * (low + high)).first;
            if (!best || std::abs(tow.pitch_rad) < std::abs(best->pitch_rad)) {
                best = tow;
            }
        }
        before = here;
    }
    return best;
}

/// The three roots that are not the mirror of another, fastest first.
inline std::vector<std::complex<double>> rootsOf(const WobbleLinear& l) {
    std::vector<std::complex<double>> out;
    for (int i = 0; i < 6; ++i) {
        if (l.roots[i].imag() >= 0) {
            out.push_back(l.roots[i]);
        }
    }
    std::sort(out.begin(), out.end(),
              [](const auto& a, const auto& b) { return a.imag() > b.imag(); });
    return out;
}

}  // namespace wl::test
