// Tabs of the run step beyond its depth.
#pragma once

#include "app/kit/workbench.h"

namespace wl {

/// The forces on the bait under way, and why it dives.
QWidget* makeForcesTab(Workbench& bench);
/// Reeled in by fits and starts.
QWidget* makeCadenceTab(Workbench& bench);
/// One field or two varied against depth, attitude and pull.
QWidget* makeSweepTab(Workbench& bench);

}  // namespace wl
