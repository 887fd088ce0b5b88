// The one front door: a design in, everything derived out.
#pragma once

#include <memory>
#include <optional>
#include <stop_token>
#include <vector>

#include "core/base/finding.h"
#include "core/base/result.h"
#include "core/design/design.h"
#include "core/geometry/body_curves.h"
#include "core/geometry/mesh.h"
#include "core/hydro/equilibrium.h"
#include "core/joint/joint_layout.h"
#include "core/mass/body_parts.h"
#include "core/mass/mass_balance.h"
#include "core/motion/retrieve.h"
#include "core/motion/trim.h"

namespace wl {

/// What the bait does when let go in still water. Suspends: moves under kSuspendSpeed_m_s.
enum class RestState { Floats, Suspends, Sinks };
inline constexpr double kSuspendSpeed_m_s = 0.05;

/// One piece let go by itself: of the chain, or an appendage.
struct PieceAlone {
    double net_kg = 0.0;  ///< displaced mass - mass, positive floats
    double spare = 0.0;
    double pitch_rad = 0.0;  ///< floating from level, or hanging under water
    double roll_rad = 0.0;
    bool decided = true;
    WaterPlane plane;  ///< of a floating one; of a sinking one, through its centre of buoyancy
};

/// What leaking has done to a printed bait after a time under water.
struct Waterlogged {
    double after_s = 0.0;
    double water_kg = 0.0;
    double spare = 0.0;
    double pitch_rad = 0.0;
    bool floats = true;
    bool attitudeDecided = true;
};

/// Everything known without towing: under 8 ms for a bait of a dozen stations.
struct Derived {
    BodyCurves curves;      ///< of the body in force (drawn, or rescaled to the weighed volume)
    SolidProperties solid;  ///< uncut body
    BodySizes sizes;
    BodyReckoning reckoning;
    SkinProperties skin;
    TriangleMesh mesh;  ///< bare body, uncut
    std::vector<JointCut> joints;
    std::vector<BodyPart> parts;  ///< chain first, then appendages
    MassBalance mass;
    std::vector<PieceAlone> alone;         ///< of each part, when there are several
    std::vector<Waterlogged> waterlogged;  ///< of a leaking print
    double waterDensity_kg_m3 = 0.0;
    double waterViscosity_m2_s = 0.0;
    double net_kg = 0.0;      ///< displaced mass - mass, positive floats
    double spare = 0.0;       ///< net / displaced mass
    double spareDoubt = 0.0;  ///< two standard uncertainties
    RestState state = RestState::Floats;
    FreeFall freeFall;          ///< rising or sinking without line
    double fallArea_m2 = 0.0;   ///< its drag area there
    double lowSpeed_m_s = 0.0;  ///< free speed at the ends of the doubt, signed, sinking positive
    double highSpeed_m_s = 0.0;
    std::vector<FloatAttitude> attitudes;  ///< stable ones when it floats, first: from level
    SubmergedAttitude hang;                ///< attitude wholly under water
    double pitch_rad = 0.0;                ///< at rest: floating, or hanging
    double roll_rad = 0.0;
    bool attitudeDecided = true;
    double showing_m = 0.0;      ///< highest point of the body above the water, 0 when under
    double wantedMass_kg = 0.0;  ///< (1 - spare) rho V, rho V, or what sinks at the wanted speed
    TowedBait towed;
    std::vector<Finding> findings;
};

/// Errors: those of BodyCurves::build, layOutJoints and makeParts. Same design, same bytes.
Result<Derived> evaluate(const Design& design);

/// Results of towing: up to 20 ms.
struct Run {
    std::optional<Trim> levelTrim;
    std::vector<Trim> trims;  ///< all stable attitudes at level tow
    RetrievePath path;
    double depthLow_m = 0.0;  ///< band of the deepest point
    double depthHigh_m = 0.0;
    bool depthKnown = false;
    double trolledDepth_m = 0.0;  ///< same line out, steady tow; 0 when not known
    double startDepth_m = 0.0;
    std::vector<Finding> findings;
};
Run computeRun(const Design& design, const Derived& derived, std::stop_token stop = {});

}  // namespace wl
