// Tabs of the build step.
#pragma once

#include "app/kit/workbench.h"

namespace wl {

/// Step by step for one bait, with clocks and readings.
QWidget* makeStepsTab(Workbench& bench);
/// Several baits over the evenings one has.
QWidget* makeBatchTab(Workbench& bench);
/// The mould and what is poured, and what coats and filler take.
QWidget* makeAmountsTab(Workbench& bench);
/// What it takes off the shelf, what that costs, and the hours.
QWidget* makeCostsTab(Workbench& bench);

}  // namespace wl
