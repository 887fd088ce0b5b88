// A chain from above with its pieces swung about their pins.
#pragma once

#include "core/draw/draw_bait.h"

namespace wl {

/// Where a piece stands when the joints before it are swung: on the paper of the view from above.
struct SwungPiece {
    double fromX_m = 0.0;  ///< of its pin along the straight bait; the head's: the nose
    double toX_m = 0.0;    ///< where the next one hangs, or the tail
    Eigen::Vector2d pin_mm = Eigen::Vector2d::Zero();
    double turned_rad = 0.0;  ///< from straight aft, tail to port positive

    /// A place of the straight bait, where the piece carries it.
    Eigen::Vector2d at_mm(double x_m, double y_m) const;
};

/// The pieces from the head on, its nose at (0, 0). `swings_rad`: of each joint, tail to port
/// positive; what is missing is straight.
std::vector<SwungPiece> swungPieces(const Derived& derived, const std::vector<double>& swings_rad);

/// The picture from above, every shape carried by the piece it stands in; what runs through several
/// is parted at their pins.
Drawing drawSwung(const Design& design, const Derived& derived,
                  const std::vector<SwungPiece>& pieces);

}  // namespace wl
