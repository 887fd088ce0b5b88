// The other tables of the fittings step.
#pragma once

#include <QWidget>

#include "app/workbench.h"

namespace wl {

QWidget* makeFeatureTable(Workbench& bench);
QWidget* makeAppendageTable(Workbench& bench);

}  // namespace wl
