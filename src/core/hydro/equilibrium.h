// Where a buoyant body comes to rest in still water: every stable attitude, in three dimensions.
#pragma once

#include <optional>
#include <vector>

#include <Eigen/Core>

#include "core/hydro/submerged.h"

namespace wl {

/// A body with its mass and centre of gravity in water of one density.
struct FloatingBody {
    FloatingShape shape;
    double mass_kg = 0.0;
    Eigen::Vector3d centreOfGravity_m = Eigen::Vector3d::Zero();
    double waterDensity_kg_m3 = 1000.0;
};

/// One resting attitude.
struct FloatAttitude {
    WaterPlane plane;
    double pitch_rad = 0.0;  ///< positive nose up
    double roll_rad = 0.0;   ///< positive port side up
    Eigen::Vector3d centreOfBuoyancy_m = Eigen::Vector3d::Zero();
    double metacentricHeightRoll_m = 0.0;   ///< GM = KB + BM - KG, rolling
    double metacentricHeightPitch_m = 0.0;  ///< GM, pitching
    double energy_J = 0.0;                  ///< potential energy above the deepest attitude found
    bool stable = false;
};

/// World up in the body frame for an attitude, up = (-sin p, cos p sin r, cos p cos r), and back.
/// Pitch within +-90 deg, roll within +-180 deg.
Eigen::Vector3d upInBody(double pitch_rad, double roll_rad);
double pitchOf(const Eigen::Vector3d& up);
double rollOf(const Eigen::Vector3d& up);

/// A plane's offset and what is under it.
struct Waterline {
    double offset_m = 0.0;
    Submerged wet;
};

/// The plane at which the submerged volume carries the mass in that attitude. The body must be
/// buoyant (mass < density x whole volume); otherwise it just covers it. Found to `within_m3` of
/// volume.
Waterline findWaterline(const FloatingBody& body, const Eigen::Vector3d& up,
                        double within_m3 = 1e-14);

/// Follows the energy downhill from an attitude to rest. Potential energy over heave and two tilts,
/// E/g = m (n.G - d) - rho * integral of (n.r - d) over the submerged volume; damped Newton with
/// the waterplane stiffness, steps under 0.2 rad, symmetric starts nudged so that an unstable
/// balance is left. `stable` is false when it did not settle or the stiffness is not positive.
/// `nearOffset` saves looking for the waterline when one nearby is known.
FloatAttitude settleFrom(const FloatingBody& body, const Eigen::Vector3d& up,
                         std::optional<double> nearOffset_m = std::nullopt);

/// All stable attitudes, the one reached from level first, then by rising energy. `search` may be a
/// coarser mesh of the same body used to look for them, in steps of up to 0.4 rad; each is finished
/// on `body`. Where `search` and the weight are the same on both sides, one side is looked at.
std::vector<FloatAttitude> findStableAttitudes(const FloatingBody& body,
                                               const FloatingShape& search);

/// Attitude of a body wholly under water: centre of gravity straight below that of buoyancy.
/// `decided` is false when the two are under 0.3 mm apart.
struct SubmergedAttitude {
    double pitch_rad = 0.0;
    double roll_rad = 0.0;
    double arm_m = 0.0;
    bool decided = false;
};
SubmergedAttitude hangUnderWater(const Eigen::Vector3d& centreOfGravity_m,
                                 const Eigen::Vector3d& centreOfBuoyancy_m);

}  // namespace wl
