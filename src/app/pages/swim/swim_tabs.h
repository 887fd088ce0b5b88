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

/// Small faults, how far each makes the bait run off, and the bend that cancels it.
QWidget* makeTuningPart(Workbench& bench);

}  // namespace wl
