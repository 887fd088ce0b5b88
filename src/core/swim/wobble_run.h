// The full motion in time, and where a bait comes to swim when something on it is not true.
#pragma once

#include <functional>
#include <optional>
#include <stop_token>

#include "core/swim/wobble_motion.h"

namespace wl {

/// How long a motion is followed, and how finely.
struct WobbleClock {
    double seconds = 10.0;
    double stepsPerBeat = 48.0;  ///< of the wake's own
    double longest_s = 4e-3;
    /// Ten seconds at 48 steps a beat; above ten beats a second 60 beats at 24.
    static WobbleClock usual(double shedding_1_s);
};

/// A motion followed by fourth-order Runge-Kutta from a small lean.
struct WobbleRun {
    bool done = false;                   ///< false: stopped, or not finite
    std::optional<double> rolledOver_s;  ///< roll or yaw past 80 degrees
    double beats_1_s = 0.0;              ///< of its second half
    double yaw_rad = 0.0;   ///< half-swings: half the range of 0.5 to 99.5 % of the second half,
    double roll_rad = 0.0;  ///< a slow drift (quadratic) taken off
    double step_s = 0.0;
    std::vector<WobbleState> states;  ///< at each step, when kept
};

/// A start that favours neither side for long: 0.02 rad of roll and yaw, wake at 0.2.
WobbleState smallStart();

WobbleRun runWobble(const WobbleMotion& motion, const WobbleClock& clock, const WobbleState& start,
                    bool keep = false, std::stop_token stop = {});

/// One step of the motion.
WobbleState stepWobble(const WobbleMotion& motion, const WobbleState& state, double step_s);

/// (Y, roll, yaw) in which a bait with a fault swims without swinging: Newton on the three forces,
/// the wake at rest, no more than 0.2 rad a step. Nothing where there is none within 60 degrees.
std::optional<Eigen::Vector3d> swimsSideways(const WobbleMotion& motion);

}  // namespace wl
