// The table of everything drilled, sawn and cut, in the order to do it.
#pragma once

#include "core/reckon/evaluate.h"
#include "sheet/sheet_paper.h"

namespace wl {

/// Numbered rows, the turns of holes_in_order apart by a line that says why they come then. Gives
/// the height below it.
double holeTable(SheetPaper& paper, const QPointF& at, const Design& design,
                 const Derived& derived);

}  // namespace wl
