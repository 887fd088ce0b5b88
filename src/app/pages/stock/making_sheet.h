// How the body is made: the second sheet of the stock step.
#pragma once

#include <QWidget>

#include "app/kit/workbench.h"

namespace wl {

QWidget* makeMakingSheet(Workbench& bench);

}  // namespace wl
