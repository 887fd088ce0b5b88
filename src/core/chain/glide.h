// A bait of one or two pieces walked with the rod: pull, slack, glide, and over again.
#pragma once

#include <optional>
#include <stop_token>

#include "core/chain/chain_motion.h"

namespace wl {

/// One pull of the rod and the wait after it. The slack is taken in first, to 30 mm.
struct RodPull {
    double stroke_m = 0.20;
    double time_s = 0.2;
    double period_s = 1.5;  ///< from the beginning of a pull to that of the next
    bool givesBack = true;  ///< half the stroke, in 0.2 s
    bool operator==(const RodPull&) const = default;
};

/// The bait at a moment of its walk.
struct GlideMoment {
    double time_s = 0.0;
    Eigen::Vector2d nose_m = Eigen::Vector2d::Zero();    ///< ahead, to port
    Eigen::Vector2d middle_m = Eigen::Vector2d::Zero();  ///< centre of gravity, were it straight
    std::vector<double> headings_rad;
    bool pulled = false;
};

/// What one pull did.
struct PullResult {
    std::vector<double> turned_rad;  ///< change of each piece's heading, to port positive
    double way_m = 0.0;              ///< gone towards the rod
    std::vector<bool> touched;       ///< of each joint: whether it came to its stop
};

/// What one piece does in a walk, all but its first two pulls.
struct PieceWalk {
    double turn_rad = 0.0;  ///< mean change of its heading a pull
    double slip_rad = 0.0;  ///< mean angle of its heading off the way its middle goes, over 5 cm/s
};

/// A set of pulls, seen from above; fewer than asked for where it comes to the rod before.
struct GlideWalk {
    std::vector<GlideMoment> moments;  ///< every hundredth of a second
    std::vector<PullResult> pulls;
    double width_m = 0.0;            ///< left and right of the way, together
    double way_m = 0.0;              ///< towards the rod
    double turn_rad = 0.0;           ///< mean change of heading a pull, all but the first two
    std::optional<double> radius_m;  ///< of the bends between pulls; none where it runs straight
    double alternates = 0.0;  ///< share of pulls that turn it the other way than the one before
    std::vector<PieceWalk> pieces;
    bool wild = false;   ///< went past a stop by 3 degrees or turned at 100 rad/s: a shorter step?
    bool lost = false;   ///< could not be followed: nothing above counts
    bool stuck = false;  ///< it goes no farther after its first turn
    bool done = false;   ///< false: stopped
};

/// Walks a bait from straight, halving its step once and again where it may be too
/// long; what stays wild then is the bait.
GlideWalk walkSafely(const PlanarChain& chain, const std::vector<RodPull>& pulls, int count,
                     double rodAway_m, const Model& model, std::stop_token stop = {});

/// Walks a bait from straight, its nose 8 degrees to port, on a line as long as its cast. Steps of
/// 2 ms hold to a degree of heading a pull.
GlideWalk walk(const PlanarChain& chain, const std::vector<RodPull>& pulls, int count,
               double rodAway_m, const Model& model, std::stop_token stop = {},
               double step_s = 0.002);

/// A bait let glide on from 1 m/s, straight ahead, till 5 cm/s are left.
struct Coast {
    double time_s = 0.0;
    double way_m = 0.0;  ///< along its path
};
Coast coast(const PlanarChain& chain);

}  // namespace wl
