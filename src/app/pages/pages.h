// The worksheets, one for each step of the order of work.
#pragma once

#include <QWidget>

#include "app/kit/workbench.h"

namespace wl {

QWidget* makeBriefPage(Workbench& bench);
QWidget* makeBodyPage(Workbench& bench);
QWidget* makeStockPage(Workbench& bench);
QWidget* makeFittingsPage(Workbench& bench);
QWidget* makeBallastPage(Workbench& bench);
QWidget* makeLipPage(Workbench& bench);
QWidget* makeJointsPage(Workbench& bench);
QWidget* makeTankPage(Workbench& bench);
QWidget* makeCastPage(Workbench& bench);
QWidget* makeRunPage(Workbench& bench);
QWidget* makeSwimPage(Workbench& bench);
QWidget* makeAimPage(Workbench& bench);
QWidget* makeBenchSheetPage(Workbench& bench);
QWidget* makeBuildPage(Workbench& bench);
QWidget* makeWaterLogPage(Workbench& bench);

/// Plans the lead for the present design and applies it as one undo step; says what cannot be met.
void planTheLead(Workbench& bench);

/// Takes what is counted on the shelf and so many of the present bait take off it, and says so.
void takeOffShelf(Workbench& bench, int baits);

}  // namespace wl
