// Everything that is drilled, sawn or cut out of a body, in the order to do it.
#pragma once

#include <string>
#include <vector>

#include "core/reckon/evaluate.h"

namespace wl {

/// When a hole is made, first to last: upright ones right through while the blank is square, then
/// what goes in from belly and back, from the flanks, from the ends, what is sawn for lip and wire,
/// and the pockets in the faces of joints, which are there once the joint is sawn.
enum class HoleTurn { Upright, BellyAndBack, Flanks, Ends, Slots, JointFaces };

/// Which face of the bait a tool goes in at.
enum class HoleSide { Belly, Back, Port, Starboard, Nose, Tail, JointFace };

/// One hole. Lengths along its own axis.
struct BenchHole {
    HoleTurn turn = HoleTurn::BellyAndBack;
    HoleSide side = HoleSide::Belly;
    RecordRef record;
    std::string letter;  ///< of a bore, as the templates name it
    std::string name;
    Eigen::Vector3d mouth_m = Eigen::Vector3d::Zero();
    Eigen::Vector3d inward = Eigen::Vector3d::UnitZ();
    bool round = true;
    double diameter_m = 0.0;  ///< of a round one; else its length, along `along`
    double width_m = 0.0;     ///< of one that is not round
    double depth_m = 0.0;     ///< from the finished skin to its flat bottom
    /// What the depth stop is set to: from the face of the squared blank where it is drilled before
    /// the blank is shaped, else from the skin.
    double stop_m = 0.0;
    bool fromFlat = false;
};

/// Whether the holes are made in a squared blank (carved, or glued up from sheets), with flats to
/// drill from; a turned, cast or printed body has none.
bool hasFlats(const Design& design);

/// All of them, in order; within a turn from nose to tail. Wire that merely lies in a slot and
/// cavities of sheets (cut before gluing) are not among them.
std::vector<BenchHole> holesInOrder(const Design& design, const Derived& derived);

}  // namespace wl
