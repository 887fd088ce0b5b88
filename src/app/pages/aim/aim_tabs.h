// Tabs of the aim step.
#pragma once

#include "app/kit/workbench.h"

namespace wl {

/// Ways to what is wished, as they are found, their price, and depth against swing of every trial.
QWidget* makeWaysTab(Workbench& bench);
/// Joints for a wished walk or beat.
QWidget* makeJointsAimTab(Workbench& bench);
/// Belly weights: one body, several weights and waters.
QWidget* makeWeightsTab(Workbench& bench);
/// One lead, and a hook set for each of three sink rates.
QWidget* makeHookRatesTab(Workbench& bench);
/// The same wish at several lengths.
QWidget* makeSizesTab(Workbench& bench);

}  // namespace wl
