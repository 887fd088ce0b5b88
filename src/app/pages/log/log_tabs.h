// Tabs of the water log.
#pragma once

#include "app/kit/workbench.h"

namespace wl {

/// What was seen, logged with few taps; the last notes of this bait.
QWidget* makeWaterTab(Workbench& bench);
/// Offered while nothing is logged under the design's name: to take along what was under another.
QWidget* makeNameBefore(Workbench& bench);
/// The copies made of this bait, held against each other.
QWidget* makeCopiesTab(Workbench& bench);
/// What the log teaches of this bait, and what to read next.
QWidget* makeForecastTab(Workbench& bench);
/// From what it does wrong to what may be behind it.
QWidget* makeTroubleTab(Workbench& bench);
/// Held against other baits: numbers, ghosts, what changed.
QWidget* makeCompareTab(Workbench& bench);
/// Everything logged: finding, plots, out and in.
QWidget* makeFindTab(Workbench& bench);

/// The bait's own record, made or brought up to date with the design on the bench.
std::optional<Error> keepBait(Workbench& bench);

}  // namespace wl
