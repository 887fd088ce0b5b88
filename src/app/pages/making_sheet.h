// How the body is made: the second sheet of the stock step.
#pragma once

#include <QWidget>

#include "app/workbench.h"

namespace wl {

QWidget* makeMakingSheet(Workbench& bench);

}  // namespace wl
