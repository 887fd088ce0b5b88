// What a bait does wrong at the water, what of this very bait may be behind it, and what would mend
// it.
#pragma once

#include <stop_token>

#include "core/swim/tuning.h"

namespace wl {

enum class Symptom { RunsLeft, RunsRight, RollsOver, BuriesHead, TailHeavy, Dead, Hunts };
/// Whether it does so worse when pulled faster: the first question.
enum class TwoSpeeds { NotTried, WorseFaster, SameAtBoth };

/// A fault that would make it so, on the side that does.
struct Suspect {
    FaultRun::Fault fault = FaultRun::Fault::Tie;
    bool toRight = false;
    double size = 0.0;   ///< a usual tolerance of it; of lead, what its lean in the tank shows
    double share = 0.0;  ///< of what all suspects at their tolerances do together
};

/// One thing changed, and what the figure of the symptom then is.
struct Remedy {
    enum class What {
        WeightLower,
        TieUp,
        TieDown,
        TieForward,
        LipSteeper,
        LipFlatter,
        LipWider,
        LipNarrower,
        LipShorter,
        Slower
    };
    What what = What::WeightLower;
    double step = 0.0;  ///< metres, radians, or a share of what there is
    double after = 0.0;
};

/// A symptom looked for in the design in hand.
struct Diagnosis {
    Symptom symptom = Symptom::RunsLeft;
    std::optional<Error> untold;
    bool expected = false;  ///< the model shows it too
    double figure = 0.0;    ///< of RollsOver: roll couple of weight, lift and line under tow, N m a
                            ///< radian, over 0 turns it over; of BuriesHead and TailHeavy: pitch
                            ///< under way, radians; of Dead: half-swing, radians; of Hunts: growth
                            ///< of its slowest swing, 1/s
    double restPitch_rad = 0.0;
    std::vector<Suspect> suspects;  ///< likeliest first; of running off alone
    bool sidesKnown = true;         ///< signs as of Tuning
    /// The lean seen in the tank beyond the drawing, radians, port side up over 0: lead off the
    /// middle is looked for no further than it shows, and not at all where that is nothing or works
    /// the other way.
    std::optional<double> leanSeen_rad;
    bool leadExcluded = false;
    std::vector<Remedy> remedies;  ///< that bring the figure the right way, best first
};

/// Suspects by what a usual tolerance of each does (tie, lip and lead 0.5 mm, twist and turn a
/// degree: judged), narrowed by the two speeds: tie and lip work by the water and grow with it,
/// lead does not. Remedies by the design evaluated with each.
Diagnosis diagnose(const Derived& derived, const Run& run, Symptom symptom,
                   TwoSpeeds speeds = TwoSpeeds::NotTried, std::stop_token stop = {});

/// The least disc, square to 55 degrees at the nose, that makes a bait without action swing by 3
/// degrees: its diameter, by whole millimetres from 4 to three times the body's width. Nothing
/// where none does.
std::optional<double> leastDisc_m(const Derived& derived, std::stop_token stop = {});

}  // namespace wl
