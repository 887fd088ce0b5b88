// A known bait with its weight or its water changed a little, let go again.
#pragma once

#include "core/evaluate.h"

namespace wl {

/// Weight and lift of the bait as changed.
struct ChangedBait {
    double mass_kg = 0.0;
    Eigen::Vector3d centreOfGravity_m = Eigen::Vector3d::Zero();
    double volume_m3 = 0.0;  ///< displaced
    Eigen::Vector3d centreOfBuoyancy_m = Eigen::Vector3d::Zero();
    double waterDensity_kg_m3 = 1000.0;
    std::vector<SmallPart> more;  ///< parts outside the hull that came or (volume under 0) went
};

struct StillWater {
    double net_kg = 0.0;
    double spare = 0.0;
    RestState state = RestState::Floats;
    double speed_m_s = 0.0;  ///< let go under water, positive sinking
    double pitch_rad = 0.0;  ///< floating, hanging, or the way it sinks
    double roll_rad = 0.0;
    bool attitudeDecided = true;
    WaterPlane plane;  ///< of a floating bait
};

/// The same reckoning as evaluate's, on the hull and loads already there: a hull grown by so much
/// floats as the hull drawn does in water that much denser. Agrees with evaluate to 0.05 degrees
/// for changes of hooks, water and lead.
StillWater restInWater(const Derived& derived, const ChangedBait& bait);

/// The bait unchanged.
ChangedBait unchanged(const Derived& derived);

}  // namespace wl
