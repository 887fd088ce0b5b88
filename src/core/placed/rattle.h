// Loose balls in a closed chamber, and whole pieces stacked in a bore.
#pragma once

#include "core/design/parts.h"
#include "core/placed/cut_tool.h"

namespace wl {

/// Length of a tube that `count` equal balls take when they lie at one end. A ball over half the
/// tube's width stacks zigzag: d + (n-1) sqrt(d^2 - (D-d)^2); smaller ones lie loose at 58 % of the
/// volume (random loose packing, from memory). Zero for no balls; balls that do not go into the
/// tube give zero too (see fits).
double stackLength_m(double count, double ball_m, double tube_m);

/// Whether a ball goes into the tube.
bool ballFits(double ball_m, double tube_m);

/// What a bore holds as lead: of plug, poured metal or pieces.
struct LeadInBore {
    double length_m = 0.0;  ///< of bore taken, may exceed the depth
    double mass_kg = 0.0;
    double volume_m3 = 0.0;  ///< of metal
    bool fits = true;        ///< every piece goes into the bore
};
LeadInBore leadIn(const Bore& bore);

/// A chamber measured. Places in the body frame.
struct ChamberGeometry {
    CutTool tool;                                     ///< outside of the tube, or the bare hole
    Eigen::Vector3d axis = Eigen::Vector3d::UnitX();  ///< unit vector, aft, port or up
    double removed_m3 = 0.0;
    double inside_m3 = 0.0;
    double balls_kg = 0.0;
    double balls_m3 = 0.0;
    double tube_kg = 0.0;
    double free_m3 = 0.0;  ///< room left for rattling, under 0: the balls do not go in
    double roll_m = 0.0;   ///< how far the balls' middle can go from the chamber's
    bool fits = true;
};
ChamberGeometry measureChamber(const RattleChamber& chamber);

}  // namespace wl
