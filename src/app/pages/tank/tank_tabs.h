// Tabs of the tank step beyond how it rests.
#pragma once

#include "app/kit/workbench.h"

namespace wl {

/// Righting arm over every lean, and why it leans.
QWidget* makeRightingTab(Workbench& bench);
/// Spare, attitude and state over temperature and salt.
QWidget* makeWatersTab(Workbench& bench);
/// Every hook set of the shelf on this bait, and three wanted sink rates.
QWidget* makeSwapsTab(Workbench& bench);
/// How sure it is, and what to measure better.
QWidget* makeDoubtTab(Workbench& bench);
/// What was seen in the tank, and what follows.
QWidget* makeSchoolTab(Workbench& bench);

}  // namespace wl
