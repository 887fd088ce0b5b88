#include "core/swim/wobble_body.h"

#include <algorithm>
#include <array>
#include <cmath>

#include <Eigen/Geometry>

#include "core/base/units.h"
#include "core/motion/added_mass.h"

namespace wl {
namespace {

Eigen::Matrix3d crossMatrix(const Eigen::Vector3d& v) {
    Eigen::Matrix3d m;
    m << 0, -v.z(), v.y(), v.z(), 0, -v.x(), -v.y(), v.x(), 0;
    return m;
}

Matrix6 rigidMass(const WobbleBody& b) {
    Matrix6 m = Matrix6::Zero();
    const Eigen::Matrix3d c = crossMatrix(b.centreOfGravity_m);
    m.topLeftCorner<3, 3>() = b.mass_kg * Eigen::Matrix3d::Identity();
    m.topRightCorner<3, 3>() = -b.mass_kg * c;
    m.bottomLeftCorner<3, 3>() = b.mass_kg * c;
    m.bottomRightCorner<3, 3>() = b.inertia_kg_m2 - b.mass_kg * c * c;
    for (const WobbleCup& cup : b.cups) {
        const Eigen::Matrix3d at = crossMatrix(cup.place_m);
        m.topLeftCorner<3, 3>() += cup.mass_kg * Eigen::Matrix3d::Identity();
        m.topRightCorner<3, 3>() -= cup.mass_kg * at;
        m.bottomLeftCorner<3, 3>() += cup.mass_kg * at;
        m.bottomRightCorner<3, 3>() -= cup.mass_kg * at * at;
    }
    return m;
}

// What the strips of the ellipsoid of length, width and height have to be multiplied by to give
// the ellipsoid's own water.
struct StripFactors {
    double sway = 1, heave = 1, pitch = 1, yaw = 1;
};

StripFactors stripFactors(const WobbleBody& b) {
    const double rho = b.waterDensity_kg_m3;
    double sway = 0, heave = 0, pitch = 0, yaw = 0;
    for (const WobbleStrip& s : b.strips) {
        const double u = 2 * s.x_m / b.length_m;
        const double share = std::max(0.0, 1 - u * u);
        const double y = rho * kPi * b.height_m * b.height_m * share / 4 * s.dx_m;
        const double z = rho * kPi * b.width_m * b.width_m * share / 4 * s.dx_m;
        sway += y;
        heave += z;
        yaw += y * s.x_m * s.x_m;
        pitch += z * s.x_m * s.x_m;
    }
    const double mass = rho * kPi / 6 * b.length_m * b.width_m * b.height_m;
    const Eigen::Vector3d k = addedMassCoefficients(b.length_m, b.width_m, b.height_m);
    const Eigen::Vector3d turn = addedInertiaCoefficients(b.length_m, b.width_m, b.height_m);
    const double l2 = b.length_m * b.length_m;
    return {k.y() * mass / sway, k.z() * mass / heave,
            turn.y() * mass * (l2 + b.height_m * b.height_m) / 20 / pitch,
            turn.z() * mass * (l2 + b.width_m * b.width_m) / 20 / yaw};
}

double sectionRoll(double rho, double height, double width) {
    const double d = height * height / 4 - width * width / 4;
    return rho * kPi / 8 * d * d;
}

// Linear between the middles of strips, held beyond the first and the last.
double between(const std::vector<double>& values, double s) {
    const double at = s * double(values.size()) - 0.5;
    const double held = std::clamp(at, 0.0, double(values.size()) - 1);
    const size_t i = std::min(size_t(held), values.size() - 2);
    return values[i] + (held - double(i)) * (values[i + 1] - values[i]);
}

// Share of the length at which sections shrink fastest.
double steepestFall(const WobbleBody& b) {
    const size_t n = b.strips.size();
    double steepest = 0, at = 0.5;
    for (size_t i = 0; i < n; ++i) {
        const size_t before = i > 0 ? i - 1 : i, after = i + 1 < n ? i + 1 : i;
        const double slope = (b.strips[after].area_m2 - b.strips[before].area_m2) /
                             (b.strips[before].x_m - b.strips[after].x_m);
        if (slope < steepest) {
            steepest = slope;
            at = 0.5 - b.strips[i].x_m / b.length_m;
        }
    }
    return at;
}

void addPlateWater(double mass, const Eigen::Vector3d& normal, const Eigen::Vector3d& at,
                   Matrix6& into) {
    Vector6 g;
    g << normal, at.cross(normal);
    into += mass * g * g.transpose();
}

void measureAfterbody(const WobbleBody& b, WobbleHull& h) {
    const double flatY = std::max(0.0, 1 - b.width_m / b.height_m);
    const double flatZ = std::max(0.0, 1 - b.height_m / b.width_m);
    const double s0 = std::min(0.96, 0.378 + 0.527 * steepestFall(b));
    const double sy = s0 + (b.greatestAt - s0) * flatY, sz = s0 + (b.greatestAt - s0) * flatZ;
    h.leftY_m = b.length_m * (0.5 - sy);
    h.leftZ_m = b.length_m * (0.5 - sz);
    h.leftSway_kg_m = between(h.sway, sy);
    h.leftHeave_kg_m = between(h.heave, sz);
    std::vector<double> roll;
    for (size_t i = 0; i < b.strips.size(); ++i) {
        const WobbleStrip& s = b.strips[i];
        roll.push_back(sectionRoll(b.waterDensity_kg_m3, s.height_m, s.width_m));
        if (s.x_m < h.leftY_m) {
            h.aftSway_kg += h.sway[i] * s.dx_m;
            h.aftSwayX_kg_m += h.sway[i] * s.dx_m * s.x_m;
        }
        if (s.x_m < h.leftZ_m) {
            h.aftHeave_kg += h.heave[i] * s.dx_m;
            h.aftHeaveX_kg_m += h.heave[i] * s.dx_m * s.x_m;
        }
    }
    h.leftRoll_kg_m = between(roll, sy);
}

}  // namespace

Eigen::Vector3d toSwim(const Eigen::Vector3d& r, double length) {
    return {0.5 * length - r.x(), -r.y(), -r.z()};
}

Eigen::Vector3d toSwimVector(const Eigen::Vector3d& v) {
    return -v;
}

double WobbleBody::rollStiffness_N_m() const {
    return gravity_m_s2 * (mass_kg * centreOfGravity_m.z() -
                           waterDensity_kg_m3 * volume_m3 * centreOfBuoyancy_m.z());
}

double lowAspectSlope(double aspect) {
    return 2 * kPi * aspect / (2 + std::sqrt(aspect * aspect + 4));
}

double plateAddedMass_kg(double side, double other, double rho) {
    constexpr std::array<double, 6> kAspect{1.0, 1.5, 2.0, 2.5, 3.0, 5.0};
    constexpr std::array<double, 6> kShare{0.579, 0.690, 0.757, 0.801, 0.830, 0.90};
    const double small = std::min(side, other), large = std::max(side, other);
    if (small <= 0) {
        return 0;
    }
    const double aspect = std::min(large / small, kAspect.back());
    size_t i = 0;
    while (i + 2 < kAspect.size() && aspect > kAspect[i + 1]) {
        ++i;
    }
    const double share = kShare[i] + (aspect - kAspect[i]) / (kAspect[i + 1] - kAspect[i]) *
                                         (kShare[i + 1] - kShare[i]);
    return share * rho * kPi / 4 * small * small * large;
}

WobbleHull measureHull(const WobbleBody& b, const Model& model) {
    WobbleHull h;
    const double rho = b.waterDensity_kg_m3;
    const StripFactors k = stripFactors(b);
    Matrix6 water = Matrix6::Zero();
    double volume = 0, lengthwise = 0, broad = 0;
    for (const WobbleStrip& s : b.strips) {
        const double sway = rho * kPi * s.height_m * s.height_m / 4;
        const double heave = rho * kPi * s.width_m * s.width_m / 4;
        h.sway.push_back(k.sway * sway);
        h.heave.push_back(k.heave * heave);
        const double a22 = h.sway.back() * s.dx_m, a33 = h.heave.back() * s.dx_m;
        const double z = s.middle_m, x = s.x_m;
        water(1, 1) += a22;
        water(1, 5) += a22 * x;
        water(1, 3) -= a22 * z;
        water(3, 5) -= a22 * z * x;
        water(3, 3) += sectionRoll(rho, s.height_m, s.width_m) * s.dx_m + a22 * z * z;
        water(5, 5) += k.yaw * sway * s.dx_m * x * x;
        water(2, 2) += a33;
        water(2, 4) -= a33 * x;
        water(4, 4) += k.pitch * heave * s.dx_m * x * x;
        volume += s.area_m2 * s.dx_m;
        lengthwise += s.height_m * s.dx_m;
        broad += s.width_m * s.dx_m;
    }
    water(0, 0) = addedMassCoefficients(b.length_m, b.width_m, b.height_m).x() * rho * volume;
    water = water.selfadjointView<Eigen::Upper>();
    h.carried = rigidMass(b) + water;
    h.accelerated = h.carried;
    if (b.plate && b.plate->isLip) {
        addPlateWater(plateAddedMass_kg(b.plate->chord_m, b.plate->span_m, rho), b.plate->normal,
                      b.plate->centre_m(), h.accelerated);
    }
    for (const TowedSurface& fin : b.fins) {
        if (fin.kind != TowedSurface::Kind::Lump) {
            addPlateWater(model.finWater * plateAddedMass_kg(fin.chord_m, fin.span_m, rho),
                          fin.normal, fin.centre_m, h.accelerated);
        }
    }
    const double tall = b.width_m / b.height_m, wide = b.height_m / b.width_m;
    h.sectionLift =
        std::max(model.swimEdgeLift, lowAspectSlope(b.length_m / b.height_m) * (1 - tall));
    h.sectionLiftUp =
        std::max(model.swimEdgeLift, lowAspectSlope(b.length_m / b.width_m) * (1 - wide));
    h.swayOverHeave_kg = water(1, 1) - water(2, 2);
    const double couple = std::abs(h.swayOverHeave_kg);
    const double lift = b.width_m > b.height_m ? h.sectionLiftUp * broad * b.width_m
                                               : h.sectionLift * lengthwise * b.height_m;
    h.sectionCouple = std::clamp(0.5 * rho * lift / 4 / std::max(couple, 1e-12), 0.3, 1.0);
    measureAfterbody(b, h);
    return h;
}

}  // namespace wl
