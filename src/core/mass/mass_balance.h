// Every part's mass, place and displaced volume, and their sums.
#pragma once

#include <string>
#include <vector>

#include <Eigen/Core>

#include "core/design/design.h"
#include "core/hull/coated_hull.h"
#include "core/hydro/submerged.h"
#include "core/make/body_parts.h"
#include "core/make/stock_density.h"
#include "core/placed/placing.h"

namespace wl {

/// One piece of the chain or one appendage with all that is on and in it.
struct PieceBalance {
    std::string name;
    std::string path;
    double mass_kg = 0.0;
    Eigen::Vector3d centreOfGravity_m = Eigen::Vector3d::Zero();
    double displacedVolume_m3 = 0.0;
    Eigen::Vector3d centreOfBuoyancy_m = Eigen::Vector3d::Zero();
    Eigen::Matrix3d inertia_kg_m2 = Eigen::Matrix3d::Zero();  ///< as in MassBalance
    FloatingShape coarseShape;                                ///< of this piece alone
};

/// Masses the scale should read as the bait is built.
struct StageMasses {
    double shapedBody_kg = 0.0;    ///< before any hole
    double drilledBody_kg = 0.0;   ///< bores, slot and sockets cut, nothing in them
    double sealedBody_kg = 0.0;    ///< with the sealer coats
    double withLead_kg = 0.0;      ///< plugs and filler in
    double withHardware_kg = 0.0;  ///< lip, eyes, rings, hooks
    double finished_kg = 0.0;      ///< all coats
};

struct MassBalance : Placed {
    std::vector<MassItem> items;
    double mass_kg = 0.0;
    Eigen::Vector3d centreOfGravity_m = Eigen::Vector3d::Zero();
    /// About the centre of gravity, body axes. Bodies count as drawn with what weight is left in
    /// them, coats as shells (5/3 of a solid's), everything else as points.
    Eigen::Matrix3d inertia_kg_m2 = Eigen::Matrix3d::Zero();
    double displacedVolume_m3 = 0.0;
    Eigen::Vector3d centreOfBuoyancy_m = Eigen::Vector3d::Zero();
    double netDoubt_kg = 0.0;  ///< standard uncertainty of (displaced mass - mass)
    StageMasses stages;
    std::vector<PieceBalance> pieces;  ///< chain first, then appendages
    FloatingShape shape;
    FloatingShape coarseShape;  ///< same volume, fewer faces, for searching
};

/// What the balance is made of besides the design itself.
struct BodyInputs {
    PlacedBody body;
    const BodyReckoning& reckoning;
    const std::vector<CoatedHull>& hulls;  ///< one for each part
};

/// Sums the parts. Swinging parts (hooks, rings) act at their eye. Coats lie on each piece's own
/// outer skin, at its area centroid (what joints cut away and the faces in them are not coated);
/// their curvature term is left out (under 3 % of a coat's volume). Holes open to the water take
/// their displacement with them. Where tools cross, the wood between is taken once, by the first.
MassBalance computeMassBalance(const Design& design, const BodyInputs& body,
                               double waterDensity_kg_m3);

/// Share of a tank correction's shift that a bait of that mass has: the moment found wrong stays,
/// within a third and three times.
double shiftShare(const TankCorrection& correction, double mass_kg);

}  // namespace wl
