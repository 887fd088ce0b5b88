#include "core/hydro/righting.h"

#include <algorithm>
#include <boost/math/tools/toms748_solve.hpp>
#include <cmath>

#include "core/base/units.h"

namespace wl {
namespace {

constexpr double kBellyUp_rad = 0.5 * kDegree;
constexpr double kMostPitch_rad = 89.0 * kDegree;

class Leaning {
  public:
    explicit Leaning(const FloatingBody& body) : body_(body) {
        const Submerged whole = computeDisplaced(body.shape);
        under_ = body.mass_kg >= body.waterDensity_kg_m3 * whole.volume_m3 * (1 - 1e-9);
        wholeCentre_ = whole.moment_m4 / whole.volume_m3;
        within_m3_ = 1e-9 * whole.volume_m3;
    }
    bool underWater() const { return under_; }

    Eigen::Vector3d lever(double pitch, double roll) const {
        if (under_) {
            return body_.centreOfGravity_m - wholeCentre_;
        }
        const Eigen::Vector3d up = upInBody(pitch, roll);
        const Submerged wet = findWaterline(body_, up, within_m3_).wet;
        return body_.centreOfGravity_m - wet.moment_m4 / wet.volume_m3;
    }
    double pitchArm(double pitch, double roll) const {
        return lever(pitch, roll)
            .dot(Eigen::Vector3d(-std::cos(pitch), -std::sin(pitch) * std::sin(roll),
                                 -std::sin(pitch) * std::cos(roll)));
    }
    double rollArm(double pitch, double roll) const {
        return std::cos(pitch) *
               lever(pitch, roll).dot(Eigen::Vector3d(0, std::cos(roll), -std::sin(roll)));
    }

    // The pitch where the bait rests at this roll, nearest to where it was: the energy has a least
    // there, so the arm rises through zero.
    double restingPitch(double roll, double near) const {
        const double here = pitchArm(near, roll);
        if (std::abs(here) < 1e-12) {
            return near;
        }
        const double sense = here > 0 ? -1.0 : 1.0;
        double from = near, fromArm = here, step = 2.0 * kDegree;
        while (std::abs(from) < kMostPitch_rad) {
            const double to = std::clamp(from + sense * step, -kMostPitch_rad, kMostPitch_rad);
            const double toArm = pitchArm(to, roll);
            if ((toArm > 0) != (fromArm > 0)) {
                std::uintmax_t most = 40;
                const auto arm = [&](double p) { return pitchArm(p, roll); };
                const bool rising = sense > 0;
                const auto found = boost::math::tools::toms748_solve(
                    arm, rising ? from : to, rising ? to : from, rising ? fromArm : toArm,
                    rising ? toArm : fromArm, boost::math::tools::eps_tolerance<double>(30), most);
                return 0.5 * (found.first + found.second);
            }
            if (to == from) {
                break;
            }
            from = to;
            fromArm = toArm;
            step *= 1.6;
        }
        return from;
    }

  private:
    const FloatingBody& body_;
    bool under_ = false;
    Eigen::Vector3d wholeCentre_;
    double within_m3_ = 1e-14;
};

}  // namespace

RightingPoint rightingAt(const FloatingBody& body, double roll, double nearPitch) {
    const Leaning leaning(body);
    const double pitch = leaning.restingPitch(roll, nearPitch);
    return {leaning.rollArm(pitch, roll), pitch};
}

RightingCurve computeRighting(const FloatingBody& body, int steps, std::stop_token stop) {
    RightingCurve curve;
    const Leaning leaning(body);
    curve.underWater = leaning.underWater();
    double pitch = leaning.restingPitch(0.0, 0.0);
    const double first = pitch;
    for (int i = 0; i <= steps; ++i) {
        if (stop.stop_requested()) {
            return curve;
        }
        const double roll = kPi * i / steps;
        pitch = leaning.restingPitch(roll, pitch);
        curve.roll_rad.push_back(roll);
        curve.pitch_rad.push_back(pitch);
        curve.arm_m.push_back(leaning.rollArm(pitch, roll));
    }
    constexpr double kTilt = 0.25 * kDegree;
    const double slope = (leaning.rollArm(leaning.restingPitch(kTilt, first), kTilt) -
                          leaning.rollArm(leaning.restingPitch(-kTilt, first), -kTilt)) /
                         (2 * kTilt);
    curve.stiffness_N_m = body.mass_kg * kGravity_m_s2 * slope;
    for (int i = 1; i < steps; ++i) {
        const double a = curve.arm_m[size_t(i)], b = curve.arm_m[size_t(i) + 1];
        if ((a > 0) == (b > 0)) {
            continue;
        }
        double from = curve.roll_rad[size_t(i)], to = curve.roll_rad[size_t(i) + 1];
        double near = curve.pitch_rad[size_t(i)];
        while (to - from > 1e-7) {
            const double middle = 0.5 * (from + to);
            near = leaning.restingPitch(middle, near);
            ((leaning.rollArm(near, middle) > 0) == (a > 0) ? from : to) = middle;
        }
        // Belly up is a zero of its own by symmetry; rounding may put it a hair before the end.
        if (from < kPi - kBellyUp_rad) {
            curve.zeros_rad.push_back(0.5 * (from + to));
        }
    }
    const bool rightsAtFirst = curve.arm_m[1] > 0;
    curve.vanish_rad = !rightsAtFirst            ? 0.0
                       : curve.zeros_rad.empty() ? kPi
                                                 : curve.zeros_rad.front();
    for (size_t i = 0; i + 1 < curve.arm_m.size(); ++i) {
        const double to = std::min(curve.roll_rad[i + 1], curve.vanish_rad);
        const double width = to - curve.roll_rad[i];
        if (width <= 0) {
            break;
        }
        const double share = width / (curve.roll_rad[i + 1] - curve.roll_rad[i]);
        const double end = curve.arm_m[i] + share * (curve.arm_m[i + 1] - curve.arm_m[i]);
        curve.area_m_rad += 0.5 * width * (curve.arm_m[i] + end);
    }
    curve.complete = true;
    return curve;
}

}  // namespace wl
