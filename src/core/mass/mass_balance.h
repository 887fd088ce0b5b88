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
#include "core/mass/bore_volume.h"
#include "core/mass/feature_tool.h"
#include "core/mass/lip_sheet.h"
#include "core/mass/rattle.h"
#include "core/mass/wire_form.h"

namespace wl {

enum class PartKind { Body, Plug, Filler, Fitting, Lip, Coat, Hinge, Wire, Rattle, Tank };

/// Whether a mass was put on a scale, worked out from sizes, or taken from a shelf.
enum class Origin { Weighed, Computed, Typical };

/// One part. `displaced_m3` is water pushed aside outside the bare body.
struct MassItem {
    PartKind kind = PartKind::Body;
    Origin origin = Origin::Computed;
    std::string name;
    std::string path;
    double mass_kg = 0.0;
    double displaced_m3 = 0.0;
    Eigen::Vector3d centre_m = Eigen::Vector3d::Zero();
    double netDoubt_kg = 0.0;  ///< standard uncertainty of its weight in water
    size_t piece = 0;          ///< index in MassBalance::pieces
};

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

/// A feature measured: one tool, or two when mirrored.
struct FeatureGeometry {
    std::vector<CutTool> tools;
    std::vector<CutVolume> cuts;
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

struct MassBalance {
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
    std::vector<BoreGeometry> bores;
    std::vector<FeatureGeometry> features;
    std::vector<ChamberGeometry> chambers;
    WireLayout wire;
    std::vector<PieceBalance> pieces;  ///< chain first, then appendages
    LipSheet lip;
    FloatingShape shape;
    FloatingShape coarseShape;  ///< same volume, fewer faces, for searching
};

/// What the balance is made of besides the design itself.
struct BodyInputs {
    const BodyCurves& curves;  ///< breadths already scaled to the trusted volume
    const BodyReckoning& reckoning;
    double massScale = 1.0;  ///< of every piece's material, from a weighed body
    const std::vector<BodyPart>& parts;
    const std::vector<JointCut>& cuts;
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

/// Mass of one such fitting: weighed, else worked out from its wire if so wanted, else typical.
double fittingMass_kg(const Fitting& fitting);
/// True for hooks and rings.
bool swings(FittingKind kind);
bool isHook(FittingKind kind);
/// Middle of an eye of the through-wire, by its name.
std::optional<Eigen::Vector3d> wireEyePlace(const Design& design, const std::string& name);
/// Middle of an eye of any kind, by its name: a part that does not swing, or one of the
/// through-wire's.
std::optional<Eigen::Vector3d> eyePlace(const Design& design, const std::string& name);
/// Names of every eye there is: eyes and hangers, and those of the through-wire.
std::vector<std::string> eyeNames(const Design& design);
/// Names of what stands in the water but has no drag of its own in the reckoning yet: side pieces,
/// fins and tails.
std::vector<std::string> partsWithoutDrag(const Design& design);
/// Where the fitting acts: its eye's place when it hangs from one, else its own.
Eigen::Vector3d fittingPlace(const Design& design, const Fitting& fitting);

}  // namespace wl
