// What a small fault does to the way a bait runs, and the bend that takes it back.
#pragma once

#include "core/swim/swim.h"

namespace wl {

/// A bait with one thing not true, on its right side (starboard).
struct FaultRun {
    enum class Fault { Tie, LipTwist, LipTurn, LipRoot, Lead };
    Fault fault = Fault::Tie;
    double size = 0.0;         ///< metres, or radians of a twist or turn
    bool rollsOver = false;    ///< no steady way within 60 degrees
    double run_rad = 0.0;      ///< how far its way lies off the line, to starboard over 0
    double runFast_rad = 0.0;  ///< at 1.4 times the speed; as `run_rad` where it has no way there
    double sideways_m = 0.0;   ///< widest off the straight over the cast: (r / e) tan(run)
    std::optional<double> bend_m;  ///< of the tie, to starboard over 0, that cancels it
};

/// What is known of the way a bait runs off.
struct Tuning {
    std::vector<FaultRun> faults;
    /// The signs are this model's only: without a lip it says the opposite of what is found with
    /// others, and below 25 or above 70 degrees of incidence it was not looked at.
    bool signsKnown = false;
    bool rollUnsettled = false;  ///< as of its swim: sizes less sure
    /// A bait that turns far by a hair: over 10 degrees for a millimetre of the tie.
    bool touchy = false;
};

/// Faults of a usual size: tie and lead 1 mm, lip 1 degree and 0.5 mm; statics of the equations of
/// swimming with the wake at rest. Errors as of wobbleBody and wobbleTow.
Result<Tuning> tuningOf(const Derived& derived, const Run& run);

}  // namespace wl
