#include "core/forecast/by_log.h"

#include <cmath>

#include "core/reckon/tow.h"
#include "core/swim/swim.h"

namespace wl {
namespace {

Derived withNotes(const Derived& derived, const SwimNotes& notes) {
    Derived other = derived;
    Design design = *derived.design;
    design.swim = notes;
    other.design = std::make_shared<const Design>(std::move(design));
    return other;
}

}  // namespace

Run runByLog(Run run, const FactorBand& depth) {
    if (!run.depthKnown) {
        return run;
    }
    run.depthLow_m = run.path.maxDepth_m * depth.low;
    run.depthHigh_m = run.path.maxDepth_m * depth.high;
    run.path.maxDepth_m *= depth.middle;
    for (RetrievePoint& p : run.path.points) {
        p.depth_m *= depth.middle;
    }
    if (run.trolledDepth_m) {
        *run.trolledDepth_m *= depth.middle;
    }
    return run;
}

Derived filmedByLog(const Derived& derived, const Run& run, const std::optional<FactorBand>& beats,
                    const std::optional<FactorBand>& swing) {
    if (!beats && !swing) {
        return derived;
    }
    const SwimNotes& own = derived.design->swim;
    SwimNotes notes = own;
    notes.filmFrames.reset();
    notes.seenYaw_rad.reset();
    // A swing seen on the design's film was seen at that film's speed.
    const bool keepsSwing = !swing && own.filmFrames && own.seenYaw_rad;
    notes.filmSpeed_m_s = keepsSwing ? own.filmSpeed_m_s : towSpeed_m_s(derived);
    const Swim bare = swimAt(withNotes(derived, notes), run, notes.filmSpeed_m_s);
    if (bare.untold || !bare.swings || bare.beats_1_s.middle <= 0) {
        return derived;
    }
    const double wanted =
        bare.beats_1_s.middle * (beats ? beats->middle : filmFactors(derived, run).beats);
    if (swing) {
        notes.seenYaw_rad = bare.yaw_rad.middle * swing->middle;
    } else if (keepsSwing) {
        notes.seenYaw_rad = own.seenYaw_rad;
    }
    // Where wake and body quarrel a film is not told as counted: one of more or fewer beats than
    // are wanted makes up for that.
    constexpr int kRounds = 6;
    constexpr double kThere = 1e-3;
    double seen = wanted;
    for (int round = 0; round < kRounds; ++round) {
        notes.filmFrames = notes.filmBeats * notes.filmRate_1_s / seen;
        const Derived filmed = withNotes(derived, notes);
        const Swim swim = swimAt(filmed, run, notes.filmSpeed_m_s);
        if (swim.film.beatsRefused || swim.untold || swim.beats_1_s.middle <= 0) {
            return derived;
        }
        if (swim.film.forceRefused) {
            notes.seenYaw_rad.reset();
        }
        const double by = wanted / swim.beats_1_s.middle;
        if (std::abs(by - 1) < kThere) {
            return filmed;
        }
        seen *= by;
    }
    return withNotes(derived, notes);
}

std::vector<Lever> leversByLog(std::vector<Lever> levers, const FactorBand& depth) {
    for (Lever& lever : levers) {
        if (lever.depth_m) {
            *lever.depth_m *= depth.middle;
        }
    }
    return levers;
}

Snake snakeByLog(Snake unfilmed, const FactorBand& beats) {
    const double middle = unfilmed.beats_1_s.middle;
    unfilmed.beats_1_s = {middle * beats.low, middle * beats.middle, middle * beats.high};
    return unfilmed;
}

}  // namespace wl
