// The third page of the bench sheet: joints, holes, and what the way of making needs.
#pragma once

#include "core/reckon/evaluate.h"
#include "sheet/sheet_paper.h"

namespace wl {

/// True when there is something to put on it.
bool hasMakingPage(const Design& design);

/// From the top of the page begun: tables of joints and hinges, masses of the pieces, wire, rattles
/// and putty; weights from the side with their outlines; the diameters of a turned body, the mix of
/// a cast one.
void paintMakingPage(SheetPaper& paper, const Design& design, const Derived& derived);

}  // namespace wl
