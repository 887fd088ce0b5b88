// The same bait in other water: spare, attitude and state over temperature and salt.
#pragma once

#include <stop_token>
#include <vector>

#include "core/tank/still_water.h"

namespace wl {

/// Volumetric expansion of a bait's body, 1/K: wood, or
/// cast, layered and printed plastic.
double bodyExpansion_per_K(const Make& make, const Model& model);

struct InWater : StillWater {
    double temperature_K = 0.0;
    double salinity = 0.0;
    double waterDensity_kg_m3 = 0.0;
};

/// The bait in water of that temperature (271..308 K) and salinity. Water by waterDensity_kg_m3;
/// the body swells or shrinks from what it is at `measured_K`, its mass does not change.
InWater inWater(const Design& design, const Derived& derived, double temperature_K, double salinity,
                double measured_K);

/// One row for each temperature, one entry for each salinity in it. Stops early when asked; rows
/// done so far are returned.
std::vector<std::vector<InWater>> computeWaters(const Design& design, const Derived& derived,
                                                const std::vector<double>& temperatures_K,
                                                const std::vector<double>& salinities,
                                                std::stop_token stop = {});

/// Net mass (either way) at which the bait moves at the suspend speed.
double suspendBand_kg(const Derived& derived);

}  // namespace wl
