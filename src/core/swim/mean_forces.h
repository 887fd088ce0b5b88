// What the swing does to the forces of the tow, averaged over a beat.
#pragma once

#include "core/swim/swim.h"

namespace wl {

/// How a bait is held level by its line.
struct HeldLevel {
    double pitch_rad = 0.0;  ///< nose up
    double pull_N = 0.0;
    double lineAngle_rad = 0.0;
    std::optional<double> depth_m;  ///< with as much line out as is cast; none where it holds none
};

/// Means over a beat less the still bait's, along the tow, and the attitude in which the line would
/// hold it then. Nothing of it is fed back into the depth of the run: see docs/theory.md.
struct MeanForces {
    double drag_N = 0.0;
    double down_N = 0.0;
    double couple_N_m = 0.0;  ///< about mid-length, nose up
    HeldLevel still;
    std::optional<HeldLevel> swinging;  ///< none where nothing within 15 degrees is steady
};

/// Of the middle swing at 48 places of its beat: the water's loads turned into space, less what the
/// momentum carried along takes. In space the momentum comes back to what it was after a beat, so
/// the mean force is the mean of the loads; of the couple, the speed times the momentum is taken
/// off. What the tow's own attitude leaves over stays taken off in body axes. Nothing where the
/// swim is not told or nothing swings.
std::optional<MeanForces> meanForces(const Derived& derived, const Run& run, const Swim& swim);

/// The same of equations and a swing: loads along the way (X, Z) and couple about mid-length, with
/// the bait's weight and without the line; and where the tie is, on the mean.
struct BeatMean {
    Eigen::Vector3d load = Eigen::Vector3d::Zero();
    Eigen::Vector3d tie_m = Eigen::Vector3d::Zero();
};
BeatMean meanOverBeat(const WobbleMotion& motion, const Complex6& swing, double wake);

}  // namespace wl
