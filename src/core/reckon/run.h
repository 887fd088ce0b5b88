// The bait on its line: how it is towed, and the whole retrieve.
#pragma once

#include <optional>
#include <stop_token>
#include <vector>

#include "core/motion/retrieve.h"
#include "core/reckon/derived.h"

namespace wl {

/// Results of towing.
struct Run {
    std::optional<Trim> levelTrim;
    std::vector<Trim> trims;  ///< all stable attitudes at level tow
    RetrievePath path;
    double depthLow_m = 0.0;  ///< band of the deepest point
    double depthHigh_m = 0.0;
    bool depthKnown = false;
    /// Same line out, steady tow; nothing where it does not hold a depth (the line would leave the
    /// tie downward).
    std::optional<double> trolledDepth_m;
    /// How far from the rod the line comes taut: nearer than the cast where it hangs too slack to
    /// be reckoned before. The depth is that of the way from there.
    double tautFrom_m = 0.0;
    /// Where no depth can be given at this speed: the least at which it can.
    std::optional<double> tellableFrom_m_s;
    bool floatsSlack = false;  ///< a floating line that leaves the tie downward: no depth
    double startDepth_m = 0.0;
    std::optional<Error> fault;  ///< "internal.numeric": nothing above counts
};

/// The fine grid takes some 3 ms, the coarse one a sixth of it and is within 1 % of the depth.
Run computeRun(const Derived& derived, std::stop_token stop = {},
               const RetrieveGrid& grid = kFineRetrieve);

}  // namespace wl
