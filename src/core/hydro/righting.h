// How a bait comes back from a lean: righting arm over every roll, roll stiffness, where it ends.
#pragma once

#include <stop_token>
#include <vector>

#include "core/hydro/equilibrium.h"

namespace wl {

/// Righting arm against roll, free to pitch and heave at every roll angle.
struct RightingCurve {
    std::vector<double> roll_rad;   ///< from 0 to pi at equal steps, positive port side up
    std::vector<double> arm_m;      ///< positive rights the bait (towards roll 0)
    std::vector<double> pitch_rad;  ///< it takes at that roll
    double stiffness_N_m = 0.0;     ///< slope of the righting moment at roll 0, per radian
    double vanish_rad = 0.0;  ///< where the arm first stops righting; pi when it never does before
    double area_m_rad = 0.0;  ///< under the arm from 0 to there
    std::vector<double> zeros_rad;  ///< of the arm between 0 and pi, not counting the ends
    bool underWater = false;        ///< reckoned wholly under water: arm = BG sin(roll) cos(pitch)
    bool complete = false;          ///< false: stopped
};

/// GZ = -(dE/d roll) / weight at the pitch where dE/d pitch = 0 (E: potential energy, see
/// equilibrium.h), `steps` intervals over 180 degrees. Zeros are refined to 1e-7 rad. A body not
/// lighter than its water is reckoned wholly under water.
RightingCurve computeRighting(const FloatingBody& body, int steps = 36, std::stop_token stop = {});

/// Righting arm at one roll, with the pitch it takes; `nearPitch` is where the search starts.
struct RightingPoint {
    double arm_m = 0.0;
    double pitch_rad = 0.0;
};
RightingPoint rightingAt(const FloatingBody& body, double roll_rad, double nearPitch_rad);

}  // namespace wl
