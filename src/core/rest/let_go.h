// A bait let go in still water: does it float, hang or sink, how fast and how does it lie.
#pragma once

#include <optional>
#include <vector>

#include "core/hydro/equilibrium.h"
#include "core/motion/trim.h"

namespace wl {

/// What the bait does when let go in still water. Suspends: moves no faster than the model's
/// suspend speed.
enum class RestState { Floats, Suspends, Sinks };

/// A bait on no line: weight, lift, and what the water does to it.
struct LooseBait {
    FloatingShape shape;
    FloatingShape coarseShape;        ///< same volume, fewer faces, for searching
    double shapeDensity_kg_m3 = 0.0;  ///< of water in which `shape` has the lift below
    double mass_kg = 0.0;
    Eigen::Vector3d centreOfGravity_m = Eigen::Vector3d::Zero();
    double volume_m3 = 0.0;  ///< displaced
    Eigen::Vector3d centreOfBuoyancy_m = Eigen::Vector3d::Zero();
    double waterDensity_kg_m3 = 1000.0;
    std::shared_ptr<const LoadTable> loads;
    double suspendSpeed_m_s = 0.05;
};

struct StillWater {
    double net_kg = 0.0;  ///< displaced mass - mass, positive floats
    double spare = 0.0;   ///< net / displaced mass
    RestState state = RestState::Floats;
    double speed_m_s = 0.0;  ///< let go under water, positive sinking
    double pitch_rad = 0.0;  ///< floating, the way it sinks, or hanging
    double roll_rad = 0.0;
    bool attitudeDecided = true;
    WaterPlane plane;                      ///< of a floating bait
    SubmergedAttitude hang;                ///< attitude wholly under water
    FreeFall fall;                         ///< rising or sinking without line
    std::vector<FloatAttitude> attitudes;  ///< stable ones when it floats, first: from level
};

/// Every stable attitude of a bait that floats, first: from level; none of one that does not.
std::vector<FloatAttitude> floatingAttitudes(const LooseBait& bait);
/// The one it comes to from world up at `near` in the body frame.
std::vector<FloatAttitude> floatingAttitudes(const LooseBait& bait, const Eigen::Vector3d& near);

/// Lets it go; `attitudes` are its floating ones.
StillWater letGo(const LooseBait& bait, std::vector<FloatAttitude> attitudes);

/// The same bait as something towed, without a tie.
TowedBait fallingBait(const LooseBait& bait);

}  // namespace wl
