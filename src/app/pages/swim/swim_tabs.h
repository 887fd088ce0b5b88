// Tabs of the swim step beyond its motion.
#pragma once

#include "app/kit/workbench.h"

namespace wl {

/// The run of the results, or reckoned where it has not come yet.
inline std::shared_ptr<const Run> runFor(const Derived& derived,
                                         const std::shared_ptr<const Run>& known,
                                         const std::stop_token& stop) {
    return known ? known : std::make_shared<const Run>(computeRun(derived, stop, kFineRetrieve));
}

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
