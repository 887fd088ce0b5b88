// Backward design of joints: from a walk or a beat that is wished to where a joint is cut, and how
// far it opens.
#pragma once

#include <optional>
#include <stop_token>
#include <vector>

#include "core/base/finding.h"
#include "core/base/result.h"
#include "core/chain/chain_swim.h"

namespace wl {

/// Inclusive, SI.
struct WishedBand {
    double low = 0.0, high = 0.0;
};

/// Of a bait walked with the rod: turn a pull and width, left and right together; of a chain: beats
/// a second.
struct JointWish {
    std::optional<WishedBand> turn_rad, width_m, beats_1_s;
    /// By a log: beats seen by beats reckoned. Without it a film of the design tells that.
    std::optional<double> beatsSeen = {};
    bool any() const { return turn_rad || width_m || beats_1_s; }
};

/// What a design wishes of its joints: an empty end stands a quarter from the other, and a wish of
/// beats against what it does now is none.
JointWish jointWishOf(const Design& design);

/// One joint cut elsewhere, with the bevels that give an opening there.
struct JointWay {
    size_t joint = 0;
    double place_m = 0.0;
    double opening_rad = 0.0;  ///< each way
    double bevel_rad = 0.0;    ///< of both faces, exact
    Design design;
    ChainTrial does;               ///< its beats as they will be seen
    std::vector<Finding> against;  ///< errors of the design that has it so
    double off = 0.0;              ///< sum of the logarithms by which it lies outside the bands
    /// Inside all of them, walks to either side or swims in nine of twelve runs, and no error.
    bool met = false;
};

/// Every joint alone over a grid of places within a tenth of the length and openings from 12 to 44
/// degrees (a chain: a twentieth, four openings), those left out that no bevel gives, that pocket
/// or hardware stops before, or that cannot be reckoned. Best first: met, then without an error,
/// then nearest, then the least moved. Trends: the order is surer than the figures. Errors:
/// "aim.no_target" (nothing wished that such a bait tells), "aim.band" (a band whose low end is not
/// under its high one), "aim.stopped".
Result<std::vector<JointWay>> aimJoints(const Derived& derived, const JointWish& wish,
                                        double speed_m_s, std::stop_token stop = {},
                                        const SnakeTold& told = {});

}  // namespace wl
