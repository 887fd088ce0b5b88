// Tabs of the aim step.
#pragma once

#include "app/kit/workbench.h"

namespace wl {

/// Ways to what is wished, as they are found, their price, and depth against swing of every trial.
QWidget* makeWaysTab(Workbench& bench);
/// Joints for a wished walk or beat.
QWidget* makeJointsAimTab(Workbench& bench);
/// The same wish at several lengths.
QWidget* makeSizesTab(Workbench& bench);

}  // namespace wl
