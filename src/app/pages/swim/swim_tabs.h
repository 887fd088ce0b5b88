// Tabs of the swim step beyond its motion.
#pragma once

#include "app/kit/learner.h"
#include "core/forecast/by_log.h"

namespace wl {

/// The run of the results, or reckoned where it has not come yet.
inline std::shared_ptr<const Run> runFor(const Derived& derived,
                                         const std::shared_ptr<const Run>& known,
                                         const std::stop_token& stop) {
    return known ? known : std::make_shared<const Run>(computeRun(derived, stop, kFineRetrieve));
}

/// What the log teaches of beats and swing, to be taken along beside the window.
struct SwimTaught {
    std::optional<FactorBand> beats, swing;
    explicit SwimTaught(Workbench& bench)
        : beats(Learner::of(bench).taught(NoteKind::Beats)),
          swing(Learner::of(bench).taught(NoteKind::Swing)) {}
    std::shared_ptr<const Derived> of(const std::shared_ptr<const Derived>& derived,
                                      const Run& run) const {
        return beats || swing
                   ? std::make_shared<const Derived>(filmedByLog(*derived, run, beats, swing))
                   : derived;
    }
    /// Whether it would show otherwise by now.
    bool differs(const Learner& now) const {
        return now.showsOtherwise(NoteKind::Beats, beats) ||
               now.showsOtherwise(NoteKind::Swing, swing);
    }
};

/// The motion, played, and its figures in words.
QWidget* makeSwimPart(Workbench& bench);
/// Beats and swing over speed, where it wakes and where it hunts, and how often it rolls over.
QWidget* makeSpeedPart(Workbench& bench);
/// Each joint opened otherwise, moved, or held fast: what that makes of the swim.
QWidget* makeJointsPart(Workbench& bench);
/// Small faults, how far each makes the bait run off, and the bend that cancels it.
QWidget* makeTuningPart(Workbench& bench);
/// From what it does wrong to what may be behind it.
QWidget* makeSymptomPart(Workbench& bench);

}  // namespace wl
