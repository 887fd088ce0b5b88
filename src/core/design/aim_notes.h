// What a bait is wished to do under way, and what may be cut anew for it.
#pragma once

#include <optional>

namespace wl {

/// A band wished, in figures (SI) or against what the bait does as it is drawn: so many times that,
/// or so much more. An empty end stands a quarter from the other, where it is added a fixed step.
struct AimBand {
    std::optional<double> low, high;
    std::optional<double> lowThanNow, highThanNow;
    double weight = 1.0;  ///< against the others'

    bool asked(bool relative) const { return relative ? lowThanNow || highThanNow : low || high; }
    bool operator==(const AimBand&) const = default;
};

/// Ends of what may be cut, SI; an empty one is where usually cut to.
struct AimRange {
    std::optional<double> from, to;
    bool operator==(const AimRange&) const = default;
};

/// No band at all is the brief's depth within a tenth.
struct AimNotes {
    static constexpr double kSwingWeight = 0.5;  ///< told to a factor, a depth to a third

    bool relative = false;
    AimBand depth, beats;
    AimBand swing{{}, {}, {}, {}, kSwingWeight};
    AimBand rollToYaw{{}, {}, {}, {}, kSwingWeight};
    AimBand pitch;    ///< under way, nose up +
    AimBand balance;  ///< centre of gravity from the nose, of the length
    AimBand turn;     ///< a pull of the rod, in figures alone, as the width is
    AimBand width;    ///< of a walk, left and right together
    bool angleMoves = true;
    bool lengthMoves = true;
    bool widthMoves = true;
    bool tieMoves = true;
    AimRange angle, length, wide;  ///< of the lip
    AimRange tie;                  ///< up the lip, along the back or up the nose, as it is tied
    bool outlineMoves = false;     ///< of the lip
    bool settledOnly = false;      ///< no way whose roll under way is not settled
    bool operator==(const AimNotes&) const = default;
};

}  // namespace wl
