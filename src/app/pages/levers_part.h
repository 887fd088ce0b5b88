// What one step of each thing a maker can change is worth.
#pragma once

#include "app/kit/workbench.h"

namespace wl {

/// To the run: depth with how sure its sign is, attitude, pull.
QWidget* makeLevers(Workbench& bench);
/// To what is wished: depth, beats and swing, each with how sure its sign is.
QWidget* makeWhy(Workbench& bench);

}  // namespace wl
