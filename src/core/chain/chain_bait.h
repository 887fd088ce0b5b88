// A reckoned bait as the equations of a bait in pieces take it.
#pragma once

#include "core/base/result.h"
#include "core/chain/planar_chain.h"
#include "core/reckon/derived.h"

namespace wl {

/// How a bait goes through the water, by what it is made of.
enum class SwimKind {
    Wobble,  ///< a lip, or a back that hangs in the stream: swings by its wake
    Glide,   ///< one or two pieces without a lip: walked with the rod
    Snake    ///< three pieces and more: bends from nose to tail
};

/// A bait in pieces, with what its picture leaves out.
struct ChainBait {
    PlanarBait bait;
    SwimKind kind = SwimKind::Glide;
    std::vector<size_t> jointOf;  ///< of each joint of the chain: that of the design, or what hangs
                                  ///< behind its last piece
    std::vector<size_t> onePiece;  ///< joints of the design that open too little to bend: none
    std::vector<size_t> openWide;  ///< that meet no stop within 60 degrees: run as opening so far
    std::vector<size_t> unlevel;   ///< pieces that rise or sink by over a twentieth of what they
                                   ///< displace: they leave the plane
    double softTailHolds = 0.0;    ///< stiffness of a soft tail by the water's, 0: none
    static constexpr size_t kSoftTail = size_t(-1), kHingedFin = size_t(-2);
};

/// Joints that open less hold two pieces as one; those that open more are run as opening so far.
inline constexpr double kLeastOpening_rad = 3.0 * kDegree;
inline constexpr double kMostOpening_rad = 60.0 * kDegree;
/// A soft tail this much stiffer than the water is a fin.
inline constexpr double kStiffTail = 3.0;

/// Which model stands for the bait: by its lip, its tie and its joints.
SwimKind swimKind(const Derived& derived);

/// Pieces between the joints that bend; behind them a tail fin on a hinge in the middle plane, as a
/// piece that swings free to its stops, or else a soft tail, as one on a spring (cantilever of its
/// modulus). Errors: "swim.piece_weighs_nothing" (word: the piece), "swim.piece_too_short"
/// (word: the piece; value: its length), "swim.tie_on_later_piece", "swim.too_many_pieces".
Result<ChainBait> chainBait(const Derived& derived, double speed_m_s);

/// The loss of a soft tail (the last joint) at a beat: its couple per turning speed is a share of
/// its spring over that of the beat (judged). chainBait takes two beats a second.
void dampSoftTail(PlanarBait& bait, double beats_1_s);

/// Usual modulus of a soft tail, Pa (middle of 0.05-0.3 MPa of soft plastic; from memory).
inline constexpr double kSoftTailModulus_Pa = 0.12e6;

/// Spring of a soft tail about its root, N m per radian: 3 E I / l, a cantilever with its load at
/// the tip; and that by the water's, half density by speed squared by breadth by length squared.
double softTailSpring_N_m(double modulus_Pa, double breadth_m, double thickness_m, double length_m);

}  // namespace wl
