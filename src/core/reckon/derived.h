// What is known of a bait without towing it, stage by stage.
#pragma once

#include <memory>
#include <optional>
#include <vector>

#include "core/design/design.h"
#include "core/geometry/body_curves.h"
#include "core/geometry/body_sizes.h"
#include "core/geometry/mesh.h"
#include "core/hull/coated_hull.h"
#include "core/joint/joint_layout.h"
#include "core/make/body_parts.h"
#include "core/make/stock_density.h"
#include "core/mass/mass_balance.h"
#include "core/model/model.h"
#include "core/motion/hull_loads.h"
#include "core/motion/trim.h"
#include "core/rest/let_go.h"
#include "core/rest/linked_pieces.h"

namespace wl {

/// Stage one: the body drawn, cut and made into parts. From body, make, pieces, joints, side
/// pieces, and the water's density (in which a body weighed in water was weighed).
struct BaitShape {
    BodyCurves curves;      ///< of the body in force (drawn, or rescaled to the weighed volume)
    SolidProperties solid;  ///< uncut body
    BodySizes sizes;
    BodyReckoning reckoning;
    double massScale = 1.0;  ///< of every piece's material, from a weighed body
    SkinProperties skin;
    TriangleMesh mesh;  ///< bare body, uncut
    std::vector<JointCut> joints;
    std::vector<BodyPart> parts;  ///< chain first, then appendages
};

/// Stage four: the water's work over the angle of attack.
struct BaitLoads {
    TowedShape inputs;
    std::shared_ptr<const LoadTable> table;
};

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

/// A chain with linked eyes: how its lengths lie, each at a pitch of its own.
struct LinkedRest {
    std::vector<Link> links;
    std::vector<size_t> linkOf;  ///< of each part
    LinkedPose pose;             ///< afloat, or under water on no line
    bool afloat = false;
};

/// Stage five: the bait let go in still water. From mass and loads.
struct Rest : StillWater {
    double spareDoubt = 0.0;   ///< two standard uncertainties
    double fallArea_m2 = 0.0;  ///< drag area as it falls or rises
    double lowSpeed_m_s =
        0.0;  ///< free speed at the ends of the doubt of weight and model, sinking positive
    double highSpeed_m_s = 0.0;
    double showing_m = 0.0;                    ///< highest point of the body above the water
    std::vector<PieceAlone> alone;             ///< of each part, when there are several
    std::vector<Waterlogged> waterlogged;      ///< of a leaking print
    std::shared_ptr<const LinkedRest> linked;  ///< none without linked eyes
};

/// Everything known without towing. Each stage is a value shared by every reckoning whose inputs to
/// it are the same; nothing changes once made.
struct Derived {
    std::shared_ptr<const Design> design;
    Model model;
    double waterDensity_kg_m3 = 0.0;
    double waterViscosity_m2_s = 0.0;
    std::shared_ptr<const BaitShape> shape;
    std::shared_ptr<const std::vector<CoatedHull>> hulls;  ///< stage two; one for each part
    std::shared_ptr<const MassBalance> mass;               ///< stage three
    std::shared_ptr<const BaitLoads> loads;
    std::shared_ptr<const Rest> rest;
    double wantedMass_kg = 0.0;  ///< (1 - spare) rho V, rho V, or what sinks at the wanted speed
    double sinkSeen = 1.0;       ///< it is seen to sink so many times as fast as `rest` has it
    TowedBait towed;
};

/// A sinking chain with linked eyes hung up by its tie under water; nothing without such a chain.
std::optional<LinkedPose> linkedOnLine(const Derived& derived);

/// The bait as something let go.
LooseBait looseBait(const Derived& derived);

}  // namespace wl
