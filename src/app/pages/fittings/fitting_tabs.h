// The other tables of the fittings step.
#pragma once

#include <QWidget>

#include "app/kit/workbench.h"

namespace wl {

QWidget* makeFeatureTable(Workbench& bench);
QWidget* makeAppendageTable(Workbench& bench);
/// What is let into the bait and meant to meet something else let in.
QWidget* makeMeetingTable(Workbench& bench);
/// One wire from nose to tail, with its bend list.
QWidget* makeWireTab(Workbench& bench);

}  // namespace wl
