// Tabs of the ballast step beyond bores and coats.
#pragma once

#include "app/kit/workbench.h"

namespace wl {

/// Ways to the wanted mass and attitude, with their price.
QWidget* makeChoicesTab(Workbench& bench);
/// The finish, coat by coat, with a side view coloured by it, and recipes of one's own.
QWidget* makeCoatsTab(Workbench& bench);
/// Rattle chambers.
QWidget* makeRattleTab(Workbench& bench);
/// Weights cast to an outline and let in from the side.
QWidget* makeSideWeightTab(Workbench& bench);
/// Putty built up on the skin, and drips of a coat.
QWidget* makeBuildUpTab(Workbench& bench);

}  // namespace wl
