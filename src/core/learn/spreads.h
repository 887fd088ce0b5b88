// How far a bait may be from what is reckoned, before anything was seen of it and its kin.
#pragma once

#include <array>
#include <cstddef>

namespace wl {

/// What a factor is learnt for, each by itself.
enum class Learnt { DepthInLine, DepthSteep, Beats, Swing, BlowOut, Sink, Cast };
inline constexpr size_t kLearntCount = 7;

/// Standard spreads in ln(seen / reckoned). All judged (no log was read for them); the scales of a
/// fit let them be wrong.
struct Spreads {
    double book = 0.35;            ///< half-width of the 90 % band told without readings, over 1
    double maker = 0.25;           ///< shares of the variance behind that band
    double family = 0.40;          ///< what baits of one kind have in common
    double bait = 0.35;            ///< what is the design's own
    double copy = 0.05;            ///< of one copy of a design
    double outing = 0.05;          ///< what all readings of one day share
    double outingMeasured = 0.05;  ///< the same where the reel's speed was measured
    double reading = 0.05;         ///< scale of one reading's own error
    /// Of the factor with the setting: per unit of ln(reckoned there / reckoned as usual).
    double slope = 0.10;

    /// Half-width of the band in ln.
    double bookLn() const;
};

const Spreads& spreadsOf(Learnt quantity);

}  // namespace wl
