// Steady attitude of a bait on a line, and sinking or rising without one.
#pragma once

#include <memory>
#include <optional>
#include <vector>

#include <Eigen/Core>

#include "core/motion/hull_loads.h"

namespace wl {

/// A bait ready to be towed: loads, weight, buoyancy and the tie. Places are (x, z), body frame.
struct TowedBait {
    std::shared_ptr<const LoadTable> loads;
    double mass_kg = 0.0;
    double displacedVolume_m3 = 0.0;
    double waterDensity_kg_m3 = 1000.0;
    Eigen::Vector2d centreOfGravity_m = Eigen::Vector2d::Zero();
    Eigen::Vector2d centreOfBuoyancy_m = Eigen::Vector2d::Zero();
    Eigen::Vector2d tie_m = Eigen::Vector2d::Zero();
};

/// A steady swimming attitude. `lineAngle` is the line's angle above the horizontal at the tie.
struct Trim {
    double alpha_rad = 0.0;
    double pitch_rad = 0.0;
    double tension_N = 0.0;
    double lineAngle_rad = 0.0;
};

/// All stable attitudes with |alpha| < 90 deg at that speed and path angle: the moment about the
/// tie is zero and falls with alpha. Static pitch stability with the path held; heave, roll and yaw
/// are not in it.
std::vector<Trim> findTrims(const TowedBait& bait, double speed_m_s, double path_rad);

/// The stable attitude reached from `startAlpha` by following the moment; nothing when there is
/// none.
std::optional<Trim> settleTrim(const TowedBait& bait, double speed_m_s, double path_rad,
                               double startAlpha_rad);

/// Falling (or rising) on a slack line at a pitch held: the path on which nothing pushes it
/// sideways, and what the water does there per unit of dynamic pressure. Nothing when there is no
/// such path.
struct FallAt {
    double pathAngle_rad = 0.0;
    double drag_m2 = 0.0;          ///< against the weight, of the speed along the path
    double verticalArea_m2 = 0.0;  ///< the same, of the vertical part of the speed
    Loads loads;
};
std::optional<FallAt> fallAt(const TowedBait& bait, double pitch_rad, bool sinking);

/// Free sinking (positive speed) or rising (negative) on a slack line: the attitude the moment
/// about the centre of gravity turns it to from `restPitch`, looked for all the way round. `steady`
/// is false when there is none: it tumbles, and the speed is the mean of those held at every
/// attitude, the pitch the one it starts from.
struct FreeFall {
    double speed_m_s = 0.0;
    double pitch_rad = 0.0;
    double pathAngle_rad = 0.0;  ///< from the horizontal, 90 deg is straight down
    bool steady = false;
};
FreeFall computeFreeFall(const TowedBait& bait, double restPitch_rad);

}  // namespace wl
