// What a bait is wished to do under way, and what may be cut anew for it.
#pragma once

#include <optional>

namespace wl {

/// Bands in figures, or times what the bait does as it is drawn. An empty end stands a quarter from
/// the other; no band at all is the brief's depth within a tenth.
struct AimNotes {
    bool relative = false;
    std::optional<double> depthLow_m, depthHigh_m;
    std::optional<double> beatsLow_1_s, beatsHigh_1_s;
    std::optional<double> swingLow_rad, swingHigh_rad;
    std::optional<double> depthLowTimes, depthHighTimes;
    std::optional<double> beatsLowTimes, beatsHighTimes;
    std::optional<double> swingLowTimes, swingHighTimes;
    bool angleMoves = true;
    bool lengthMoves = true;
    bool widthMoves = true;
    bool tieMoves = true;
    bool settledOnly = false;  ///< no way whose roll under way is not settled
    bool operator==(const AimNotes&) const = default;
};

}  // namespace wl
