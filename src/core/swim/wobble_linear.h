// Small swings: growth, the wake's answer, and how wide it swings before the wake lets go.
#pragma once

#include <complex>

#include "core/swim/wobble_motion.h"

namespace wl {

using Complex6 = Eigen::Matrix<std::complex<double>, 6, 1>;

/// The equations about running straight, by central differences: of (Y, roll, yaw) and their rates,
/// the wake at rest.
struct WobbleLinear {
    Matrix6 a = Matrix6::Zero();      ///< rates of (Y, roll, yaw, Y', roll', yaw')
    Vector6 wake = Vector6::Zero();   ///< of a unit of the wake's q
    Vector6 plate = Vector6::Zero();  ///< side acceleration of the plate's middle, of each
    double plateWake = 0.0;           ///< and of a unit of q
    double wakeWidth_m = 0.0;
    double shedding_1_s = 0.0;
    Complex6 roots = Complex6::Zero();
};

/// `step`: how far each is moved; 0: hardly. Steps of 0.85 of a swing give its describing function
/// (of |v| v: 8 / 3 pi).
WobbleLinear linearise(const WobbleMotion& motion, const Vector6& step = Vector6::Zero());

/// How fast a small swing grows, 1/s: the largest real part of the roots.
double growth_1_s(const WobbleLinear& linear);

/// A lift of the wake over half-swing, two parabolas (bluff bodies forced and free, recalled).
struct WakeCurve {
    double atRest = 0.30, peak = 0.75, peakAt = 0.45, end = 0.95;
    double at(double swing) const;
};
/// Lowest, middle and highest of the published spread, about the model's middle.
std::array<WakeCurve, 3> wakeCurves(const Model& model);

/// The steady wobble by harmonic balance.
struct Wobble {
    bool found = false;
    double beats_1_s = 0.0;
    double wake = 0.0;                  ///< q0
    Complex6 swing = Complex6::Zero();  ///< of (Y, roll, yaw) and their rates, m and rad, at q0
    double excitation = 1.0;
    double edgeSwing = 0.0;      ///< A*: larger side half-swing of the plate's root and tip, by the
                                 ///< width of the wake
    double shedding_1_s = 0.0;   ///< beats of the wake left to itself
    bool coupled = true;         ///< false: the drive had to be cut to find an answer
    bool ambiguous = false;      ///< another beat would do as well, or none stands still
    double couplingShare = 1.0;  ///< of the wake's drive, as the full motion has to take it
    double coupling = 0.0;       ///< AM: share of the wake's drive that is the plate's own
    double yaw_rad() const { return std::abs(swing[2]); }
    double roll_rad() const { return std::abs(swing[1]); }
};

/// With a constant side force: six passes, each with the swing of the last.
Wobble balanceWobble(WobbleMotion motion);
/// With the force of a curve: it falls as the plate swings as wide as its wake. Passes until swing
/// and force stand still to 3e-5; `ambiguous` where sixty do not bring that about.
Wobble balanceWobble(WobbleMotion motion, const WakeCurve& curve);

/// Side half-swing, as a complex amplitude, of a place of the body (frame of swimming).
std::complex<double> sideSwing(const WobbleMotion& motion, const Wobble& wobble,
                               const Eigen::Vector3d& place_m);

}  // namespace wl
