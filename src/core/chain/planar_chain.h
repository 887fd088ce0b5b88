// A bait in pieces as the water sees it from above: what it weighs and moves, what drags on it and
// where it sheds. Formulas: Lamb 1932 arts. 71, 114-115 (added mass), Lighthill 1970 (shedding at
// the tail), Newman & Wu 1973 (side edges), Helmbold 1942 and R. T. Jones 1946 (fins), Hoerner 1965
// and Jorgensen 1977 (cross-flow), Hopkins 1951 (where a body begins to shed); all from memory.
#pragma once

#include <vector>

#include "core/model/model.h"

namespace wl {

/// A slice of a bait across its length.
struct PlanarStrip {
    double at_m = 0.0;  ///< of its middle, aft of the nose
    double dx_m = 0.0;
    double depth_m = 0.0;  ///< back to belly, with a tail fin drawn into it
    double width_m = 0.0;
    double area_m2 = 0.0;
    double waterShare = 1.0;  ///< of the water a slice in mid-body carries along: less at a fin
};

/// What drags on a piece beside its skin.
struct PlanarDrag {
    double at_m = 0.0;  ///< ahead of the piece's front pin, so 0 or less
    double area_m2 = 0.0;
};

/// A fin stored as a part, upright on the middle plane.
struct PlanarFin {
    double at_m = 0.0;      ///< of its quarter chord, ahead of the piece's front pin
    double leadAt_m = 0.0;  ///< of its leading edge
    double chord_m = 0.0;
    double span_m = 0.0;
    double area_m2 = 0.0;
    double slope = 0.0;     ///< of its lift, per radian
    double water_kg = 0.0;  ///< it carries along across
};

/// One piece between two pins. `x` runs ahead from its front pin: the piece lies at x <= 0.
struct PlanarPiece {
    double pin_m = 0.0;  ///< of its front pin aft of the nose; the first: 0
    double length_m = 0.0;
    double mass_kg = 0.0;
    double gravityAt_m = 0.0;    ///< x of its centre of gravity
    double inertia_kg_m2 = 0.0;  ///< upright axis through its front pin
    double dragArea_m2 = 0.0;    ///< along it
    std::vector<PlanarStrip> strips;
    std::vector<PlanarDrag> drags;
    std::vector<PlanarFin> fins;
};

/// A joint behind a piece.
struct PlanarJoint {
    double opening_rad = 0.0;    ///< each way
    double spring_N_m = 0.0;     ///< of a soft tail, per radian
    double damping_N_m_s = 0.0;  ///< with it
};

/// The whole, nose first: one joint less than pieces.
struct PlanarBait {
    double length_m = 0.0;
    double waterDensity_kg_m3 = 998.0;
    double tieAt_m = 0.0;     ///< ahead of the nose, so 0 or less; on the first piece
    double squareness = 0.0;  ///< of its sections: 0 an ellipse, 1 a slab
    std::vector<PlanarPiece> pieces;
    std::vector<PlanarJoint> joints;
    double greatestDepth_m() const;
    double greatestWidth_m() const;
};

/// The most pieces that are reckoned.
inline constexpr size_t kMostChainPieces = 6;

/// One piece in the equations of motion.
struct ChainPiece {
    double length_m = 0.0;
    double surge_kg = 0.0;      ///< mass with the water carried along it
    double sway_kg = 0.0;       ///< across it
    double first_kg_m = 0.0;    ///< moment of both about the front pin
    double second_kg_m2 = 0.0;  ///< of inertia of both
    double axial_kg_m = 0.0;    ///< half density by drag area
    struct Lump {
        double at_m = 0.0;
        double factor = 0.0;  ///< N s2/m2 of cross-flow; kg/m of a shedding edge
    };
    std::vector<Lump> crossFlow;
    std::vector<Lump> edges;
    std::vector<Lump> drags;
};

/// A bait ready to be moved.
struct PlanarChain {
    std::vector<ChainPiece> pieces;
    std::vector<PlanarJoint> joints;
    std::vector<double> stop_N_m;  ///< stiffness of each stop, per radian
    double tieAt_m = 0.0;
    double length_m = 0.0;
    double areaCentre_m = 0.0;   ///< of the side area, aft of the nose
    double gravity_m = 0.0;      ///< of the whole, straight, aft of the nose
    double sideForceAt_m = 0.0;  ///< centre of the side force at small angles, aft of the nose
};

/// Added mass along and across a spheroid by its fineness (length by depth), as shares of the mass
/// of its water; fineness over 1. Lamb 1932 arts. 114-115.
struct SpheroidWater {
    double along = 0.0;
    double across = 0.0;
};
SpheroidWater spheroidWater(double fineness);

/// `gapLoss`: share of the momentum of the water lost at a joint, 0 a sealed skin, 1 wings apart.
PlanarChain layOutChain(const PlanarBait& bait, const Model& model, double gapLoss);

}  // namespace wl
