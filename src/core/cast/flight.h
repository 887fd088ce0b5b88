// One throw: from the rod to the splash.
#pragma once

#include <vector>

#include "core/base/units.h"
#include "core/cast/air_bait.h"

namespace wl {

/// How a bait leaves the rod.
struct Throw {
    double speed_m_s = 28.0;
    double elevation_rad = 38.0 * kDegree;
    double height_m = 2.0;
    double attitude_rad = -55.0 * kDegree;  ///< nose over its way
    double turn_rad_s = -25.0;              ///< nose up
    double wind_m_s = 0.0;                  ///< from behind
};

/// Where it is on its way. Attitude: pitch less climb, 0 nose first, +-180 degrees tail first;
/// counted on, not wrapped, so that a turn over is seen.
struct FlightPoint {
    double time_s = 0.0;
    double range_m = 0.0;
    double height_m = 0.0;
    double pitch_rad = 0.0;
    double attitude_rad = 0.0;
};

struct Flight {
    double distance_m = 0.0;
    double splashSpeed_m_s = 0.0;
    double splashSteepness_rad = 0.0;  ///< of its way, down from the level
    double straightness = 0.0;  ///< mean of -cos(attitude) over the flight: 1 always tail first
    /// Mean direction of the attitude over the last two fifths: its angle, and how strongly it
    /// keeps to it (1 quite, under 0.6 it swings).
    double lastAttitude_rad = 0.0;
    double lastSteadiness = 0.0;
    double turns = 0.0;             ///< most it turned one way over the whole flight, revolutions
    double lastTurns = 0.0;         ///< the same over the last two fifths
    bool landed = false;            ///< false: stopped by its line or out of time in the air
    std::vector<FlightPoint> path;  ///< filled when asked for
};

/// Fourth-order Runge-Kutta in steps of `step_s`: m v' = forces, I q' = moments. The line pulls as
/// a chain drawn from rest does, slowed with the bait: T = max(0, (A + (mu L/m) f)/(1 + mu L/m)), A
/// = take-off (rest pull + share mu v^2) + 1/2 rho pi d C v^2 L, f the other forces along the way;
/// between its own track and the rod tip; and its end resists being shaken with sqrt(T mu) times
/// its speed across (string impedance). Without a line pass one of no mass, diameter or pull.
Flight fly(const AirBait& bait, const Model& model, const CastLine& line, const Throw& thrown,
           double step_s = 0.004, bool keepPath = false);

}  // namespace wl
