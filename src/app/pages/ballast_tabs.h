// Tabs of the ballast step beyond bores and coats.
#pragma once

#include "app/workbench.h"

namespace wl {

/// Ways to the wanted mass and attitude, with their price.
QWidget* makeChoicesTab(Workbench& bench);
/// Rattle chambers.
QWidget* makeRattleTab(Workbench& bench);

}  // namespace wl
