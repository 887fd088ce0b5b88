// A known bait with its weight or its water changed a little, let go again.
#pragma once

#include "core/reckon/derived.h"

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

/// letGo from the attitude known, on the hull and loads already there: a hull grown by so much
/// floats as the hull drawn does in water that much denser. Agrees with evaluate to 0.05 degrees
/// for changes of hooks, water and lead.
StillWater restInWater(const Derived& derived, const ChangedBait& bait);

/// The bait unchanged.
ChangedBait unchanged(const Derived& derived);

}  // namespace wl
