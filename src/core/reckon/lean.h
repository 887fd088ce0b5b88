// Why a bait leans and what becomes of it.
#pragma once

#include <optional>
#include <string>
#include <vector>

#include "core/reckon/derived.h"

namespace wl {

/// One part's hand in a lean: its weight in water times how far it sits off the middle.
struct LeanShare {
    std::string name;
    std::string path;
    double moment_kg_m = 0.0;  ///< positive pulls the port side down
    double lean_rad = 0.0;     ///< of the bait by this part alone, positive port side up
};

/// The parts that pull sideways, the strongest first; pairs that cancel are left out. A lean in
/// radians is moment / (mass x metacentric height) for a floating bait and moment / (mass x arm
/// between centres) for one under water: small angles.
std::vector<LeanShare> leanShares(const Derived& derived);

/// Moment that leans it by a radian, over gravity, kg m: mass x metacentric height, or x arm
/// between centres under water. 0 or less where it does not sit upright.
double leanStiffness_kg_m(const Derived& derived);

/// The lean the finished bait was seen with in the tank, mean of its readings in use, beyond that
/// of the parts as drawn; a tank correction is left out. Radians, positive port side up.
std::optional<double> leanBeyondDrawn_rad(const Derived& derived);

/// Sinking or rising a given way from rest, quadratic drag with the added mass of the body:
/// depth = v tau ln cosh(t/tau), tau = m' v / (net weight).
struct FreeFallTimes {
    double steadySpeed_m_s = 0.0;  ///< positive sinking
    double timeConstant_s = 0.0;
    double added_kg = 0.0;  ///< water moved with it
};
FreeFallTimes freeFallTimes(const Derived& derived);
/// Depth reached after t seconds, and its inverse; 0 when it hardly moves.
double depthAfter_m(const FreeFallTimes& fall, double time_s);
double timeToFall_s(const FreeFallTimes& fall, double depth_m);

}  // namespace wl
