#include "core/swim/wobble_motion.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <utility>

#include <Eigen/Geometry>
#include <Eigen/LU>

#include "core/base/units.h"

namespace wl {
namespace {

using Eigen::Matrix3d;
using Eigen::Vector3d;

constexpr double kLevel = 0.38;  // outer levels of a strip, of its height: three of equal weight

double smoothStep(double t) {
    const double held = std::clamp(t, 0.0, 1.0);
    return held * held * (3 - 2 * held);
}

// Drag across a section `tall` as high as wide: elliptic by a fit to Hoerner, box by its limits.
double crossDrag(double tall, double squareness, const Model& m) {
    const double ellipse = std::clamp(m.swimCross * tall, 0.35, 1.9);
    const double box = std::clamp(1.2 + 0.4 * tall, 1.4, 2.0);
    return ellipse + std::clamp(squareness, 0.0, 1.0) * (box - ellipse);
}

}  // namespace

struct WobbleMotion::Kinematics {
    Matrix3d turned;  ///< body to space
    Vector3d velocity, turning;
    Vector3d yawAxis;
    Vector3d at(const Vector3d& r) const { return velocity + turning.cross(r); }
};

WobbleMotion::WobbleMotion(const WobbleBody& body, const WobbleTow& tow, const Model& model,
                           WobbleTuning tuning, bool balance)
    : WobbleMotion(body, measureHull(body, model), tow, model, tuning, balance) {}

WobbleMotion::WobbleMotion(const WobbleBody& body, WobbleHull hull, const WobbleTow& tow,
                           const Model& model, WobbleTuning tuning, bool balance)
    : body_(body), hull_(std::move(hull)), tow_(tow), model_(model), tuning_(tuning) {
    strips_.resize((body_.strips.size() + 1) / 2);
    const double push = -0.5 * body_.waterDensity_kg_m3 * model_.swimDamping;
    for (size_t i = 0; i < body_.strips.size(); ++i) {
        const WobbleStrip& s = body_.strips[i];
        StripPair& pair = strips_[i / 2];
        const Eigen::Index at = Eigen::Index(i % 2);
        const double tall = s.height_m / s.width_m;
        const double round = std::clamp(std::abs(1 - 1 / (tall * tall)), 0.02, 1.0);
        pair.x_m[at] = s.x_m;
        pair.middle_m[at] = s.middle_m;
        pair.level_m[at] = kLevel * s.height_m * round;
        pair.lever_m[at] = -0.25 * s.height_m * round;
        pair.side_kg_m[at] = push * s.dx_m * s.height_m / 3;
        pair.up_kg_m[at] = push * s.dx_m * s.width_m;
        pair.crossY[at] = crossDrag(tall, body_.squareness, model_);
        pair.crossZ[at] = crossDrag(1 / tall, body_.squareness, model_);
    }
    if (body_.plate) {
        plateSlope_ = lowAspectSlope(body_.plate->span_m / body_.plate->chord_m);
        const Kinematics k = kinematics(WobbleState::Zero());
        const Vector3d v = k.at(body_.plate->centre_m());
        const double normal = v.dot(body_.plate->normal);
        plateIncidence_ = body_.plate->oneSided && normal <= 0
                              ? 0.0
                              : std::abs(normal) / std::max(1e-9, v.norm());
        shedding_ = smoothStep((std::asin(std::min(1.0, plateIncidence_)) - model_.wakeFrom_rad) /
                               (model_.wakeFull_rad - model_.wakeFrom_rad));
    }
    const WobbleLoads at = loads(WobbleState::Zero(), true);
    const Kinematics k = kinematics(WobbleState::Zero());
    // With the Munk couple of running straight: v x p.
    const Vector3d p = hull_.carried.topLeftCorner<3, 3>() * k.velocity;
    const Vector3d moment = at.moment_N_m - k.velocity.cross(p);
    if (balance) {
        remainder_ = {at.force_N.x(), at.force_N.z(), moment.y()};
    }
}

WobbleMotion::Kinematics WobbleMotion::kinematics(const WobbleState& s) const {
    Kinematics k;
    k.turned = (Eigen::AngleAxisd(s[2], Vector3d::UnitZ()) *
                Eigen::AngleAxisd(tow_.pitch_rad, Vector3d::UnitY()) *
                Eigen::AngleAxisd(s[1], Vector3d::UnitX()))
                   .toRotationMatrix();
    const double st = std::sin(tow_.pitch_rad), ct = std::cos(tow_.pitch_rad);
    k.yawAxis = {-st, ct * std::sin(s[1]), ct * std::cos(s[1])};
    k.velocity = k.turned.transpose() * Vector3d(tow_.speed_m_s, s[3], 0);
    k.turning = Vector3d(s[4], 0, 0) + s[5] * k.yawAxis;
    return k;
}

void WobbleMotion::addHull(const Kinematics& k, WobbleLoads& into) const {
    const double rho = body_.waterDensity_kg_m3;
    const double u = k.velocity.x(), v = k.velocity.y(), w = k.velocity.z();
    const double p = k.turning.x(), q = k.turning.y(), r = k.turning.z();
    using Pair = StripPair::Pair;
    Pair sideways = Pair::Zero(), upward = Pair::Zero(), rolling = Pair::Zero(),
         pitching = Pair::Zero(), yawing = Pair::Zero();
    for (const StripPair& s : strips_) {
        const Pair wz = w - s.x_m * q, up = wz.abs(), square = wz * wz + 1e-9;
        const Pair across = v + s.x_m * r, lift = hull_.sectionLift * up;
        for (const double level : {-1.0, 0.0, 1.0}) {
            const Pair z = s.middle_m + level * s.level_m;
            const Pair vy = across - p * z;
            const Pair lever = s.lever_m * wz / (vy * vy + square).sqrt();
            const Pair force = s.side_kg_m * (s.crossY * vy.abs() * vy + lift * (vy - p * lever));
            sideways += force;
            rolling -= z * force;
            yawing += s.x_m * force;
        }
        const Pair middle = across - p * s.middle_m;
        const Pair force = s.up_kg_m * wz * (s.crossZ * up + hull_.sectionLiftUp * middle.abs());
        upward += force;
        pitching -= s.x_m * force;
    }
    double fy = sideways.sum(), fz = upward.sum(), mx = rolling.sum(), my = pitching.sum(),
           mz = yawing.sum();
    mx -= (1 - hull_.sectionCouple) * hull_.swayOverHeave_kg * v * w;
    // Water the hull leaves behind.
    const double along = std::max(u, 0.0);
    const double leftY = -along * hull_.leftSway_kg_m * (v + hull_.leftY_m * r);
    fy += leftY;
    mz += hull_.leftY_m * leftY + along * (v * hull_.aftSway_kg + r * hull_.aftSwayX_kg_m);
    mx -= along * hull_.leftRoll_kg_m * p;
    const double leftZ = -along * hull_.leftHeave_kg_m * (w - hull_.leftZ_m * q);
    fz += leftZ;
    my += -hull_.leftZ_m * leftZ - along * (w * hull_.aftHeave_kg - q * hull_.aftHeaveX_kg_m);
    const double section = 0.785 * body_.height_m * body_.width_m;
    into.force_N += Vector3d(-0.5 * rho * model_.swimAxial * section * u * std::abs(u), fy, fz);
    into.moment_N_m += Vector3d(mx, my, mz);
    for (const WobbleDrag& d : body_.drags) {
        const Vector3d there = k.at(d.place_m);
        const Vector3d force = -0.5 * rho * d.area_m2 * there.norm() * there;
        into.force_N += force;
        into.moment_N_m += d.place_m.cross(force);
    }
    for (const TowedSurface& fin : body_.fins) {
        const Wrench load = surfaceLoads(fin, k.velocity, k.turning, rho, model_);
        into.force_N += load.force_N;
        into.moment_N_m += load.moment_N_m;
    }
}

void WobbleMotion::addPlate(const Kinematics& k, const WobbleState& state,
                            WobbleLoads& into) const {
    if (!body_.plate) {
        return;
    }
    const WobblePlate& plate = *body_.plate;
    const double rho = body_.waterDensity_kg_m3;
    const double area = plate.area_m2();
    const Vector3d middle = plate.centre_m();
    const Vector3d v = k.at(middle);
    const double speed = std::max(1e-9, v.norm());
    const double normal = v.dot(plate.normal);
    const double sine = std::abs(normal) / speed;
    const double tc = v.dot(plate.along), ty = v.dot(plate.across);
    const double slide = std::hypot(tc, ty);
    // The slide and where the load comes to stand are the middle's, the push is each strip's own.
    const Vector3d shift =
        slide > 1e-9
            ? Vector3d(0.3 * (1 - sine) / slide *
                       (plate.chord_m * tc * plate.along + plate.span_m * ty * plate.across))
            : Vector3d::Zero();
    for (const double side : {-0.4, -0.2, 0.0, 0.2, 0.4}) {
        const Vector3d at = middle + side * plate.span_m * plate.across;
        const double push = k.at(at).dot(plate.normal);
        if (plate.oneSided && push <= 0) {
            continue;
        }
        const double load =
            0.5 * rho * area / 5 * plate.loadShare *
            (plateSlope_ * slide * push + model_.swimBroadside * std::abs(push) * push);
        const Vector3d force = -load * plate.normal;
        into.force_N += force;
        into.moment_N_m += (at + shift).cross(force);
    }
    into.plateNormal_m_s = normal;
    const double high = plate.isLip ? 0.5 * 0.785 * body_.height_m * body_.width_m : 0.0;
    const double face = area * sine + 1e-9;  // never nothing
    into.wakeWidth_m =
        std::sqrt((plate.span_m * plate.span_m * face + body_.width_m * body_.width_m * high) /
                  (face + high));
    const double through = std::max(normal, 0.02 * tow_.speed_m_s);
    into.shedding_1_s = 2 * kPi * model_.wakeStrouhal * through / into.wakeWidth_m;
    if (shedding_ <= 0) {
        return;
    }
    const double square = 0.5 * rho * normal * normal;
    const double swing = tuning_.excitation * shedding_ * state[6] / 2;
    const double side = square * into.wakeWidth_m * plate.chord_m * sine * model_.wakeSide * swing;
    Vector3d from = (plate.isLip ? plate.root_m : middle) - 0.5 * into.wakeWidth_m * v / speed;
    const double ratio = body_.width_m / body_.height_m;
    from.z() *= std::min(1.0, std::abs(1 - ratio * ratio));
    const Vector3d force(0, side, 0);
    into.force_N += force;
    into.moment_N_m += from.cross(force);
    into.moment_N_m += square * area * plate.span_m * model_.wakePressure * swing * plate.along;
}

void WobbleMotion::addLine(const Kinematics& k, const WobbleState& state, WobbleLoads& into) const {
    const double away = state[0] + (k.turned * body_.tie_m).y();
    const double sideways = (k.turned * k.at(body_.tie_m)).y();
    const double c = std::cos(tow_.lineAngle_rad), s = std::sin(tow_.lineAngle_rad);
    const double t = tow_.tension_N;
    Vector3d pull(t * c, -t * c * away / body_.lineLength_m, -t * s);
    pull.y() -= std::sqrt(std::max(0.0, t * body_.lineMass_kg_m)) * sideways;
    const Vector3d force = k.turned.transpose() * pull;
    into.force_N += force;
    into.moment_N_m += body_.tie_m.cross(force);
}

WobbleLoads WobbleMotion::loads(const WobbleState& state, bool withLine) const {
    return loadsAt(kinematics(state), state, withLine);
}

WobbleLoads WobbleMotion::loadsAt(const Kinematics& k, const WobbleState& state,
                                  bool withLine) const {
    WobbleLoads all;
    const Vector3d down = k.turned.row(2).transpose();
    const double weight = body_.mass_kg * body_.gravity_m_s2;
    const double lift = body_.waterDensity_kg_m3 * body_.gravity_m_s2 * body_.volume_m3;
    all.force_N = (weight - lift) * down;
    all.moment_N_m =
        (weight * body_.centreOfGravity_m - lift * body_.centreOfBuoyancy_m).cross(down);
    addHull(k, all);
    addPlate(k, state, all);
    if (withLine) {
        addLine(k, state, all);
    }
    return all;
}

WobbleMotion::Accelerations WobbleMotion::accelerations(const WobbleState& state) const {
    const Kinematics k = kinematics(state);
    WobbleLoads all = loadsAt(k, state, true);
    all.force_N.x() -= remainder_.x();
    all.force_N.z() -= remainder_.y();
    all.moment_N_m.y() -= remainder_.z();
    all.moment_N_m.x() -= tuning_.rollCoupleHeld * state[1];
    const double st = std::sin(tow_.pitch_rad), ct = std::cos(tow_.pitch_rad);
    Vector6 rest;  // of the acceleration, with the free motions' own held at nothing
    rest.head<3>() = -k.turning.cross(k.velocity);
    rest.tail<3>() =
        Vector3d(0, ct * std::cos(state[1]), -ct * std::sin(state[1])) * (state[4] * state[5]);
    (void)st;
    Vector6 nu;
    nu << k.velocity, k.turning;
    const Vector6 p = hull_.carried * nu;
    const Vector3d p1 = p.head<3>(), p2 = p.tail<3>();
    Vector6 tau;
    tau.head<3>() = all.force_N - k.turning.cross(p1);
    tau.tail<3>() = all.moment_N_m - k.turning.cross(p2) - k.velocity.cross(p1);
    Eigen::Matrix<double, 6, 3> j = Eigen::Matrix<double, 6, 3>::Zero();
    j.block<3, 1>(0, 0) = k.turned.row(1).transpose();
    j(3, 1) = 1;
    j.block<3, 1>(3, 2) = k.yawAxis;
    const Matrix3d mass = j.transpose() * hull_.accelerated * j;
    Accelerations out;
    out.wakeWidth_m = all.wakeWidth_m;
    out.shedding_1_s = all.shedding_1_s;
    out.free = mass.inverse() * (j.transpose() * (tau - hull_.accelerated * rest));
    if (body_.plate) {
        const Vector6 all6 = rest + j * out.free;
        const Vector3d middle = body_.plate->centre_m();
        // The pull of turning at a steady rate towards the axis is left out.
        const Vector3d a =
            all6.head<3>() + k.turning.cross(k.velocity) + all6.tail<3>().cross(middle);
        out.plate_m_s2 = a.y();
    }
    return out;
}

WobbleMotion::InSpace WobbleMotion::inSpace(const WobbleState& state) const {
    const Kinematics k = kinematics(state);
    const WobbleLoads all = loadsAt(k, state, false);
    Vector6 nu;
    nu << k.velocity, k.turning;
    const Vector3d p = (hull_.carried * nu).head<3>();
    const Vector3d force = all.force_N - Vector3d(remainder_.x(), 0, remainder_.y());
    const Vector3d moment = all.moment_N_m - k.velocity.cross(p) - Vector3d(0, remainder_.z(), 0);
    return {k.turned * force, k.turned * moment, k.turned * body_.tie_m};
}

WobbleState WobbleMotion::derivative(const WobbleState& state) const {
    const Accelerations a = accelerations(state);
    WobbleState d;
    d << state[3], state[4], state[5], a.free, state[7], 0;
    if (hasWake()) {
        const double om = a.shedding_1_s, q = state[6];
        d[7] = model_.wakeCoupling * tuning_.couplingShare / a.wakeWidth_m * a.plate_m_s2 -
               model_.wakeDamping * om * (q * q - 1) * state[7] - om * om * q;
    }
    return d;
}

}  // namespace wl
