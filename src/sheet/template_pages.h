// Templates that take pages of their own: too long for one, or cut out beside the others.
#pragma once

#include "core/draw/drawing.h"
#include "core/reckon/evaluate.h"
#include "sheet/sheet_paper.h"

namespace wl {

/// A drawing over as many pages as it takes at true scale, each with a margin in common with the
/// next and crosses in it to lay one on the other. One page where it fits on one.
void tiledTemplate(SheetPaper& paper, const QString& title, const Drawing& drawing);

/// Half, sections, lips, sheets, side pieces and fins, packed on pages begun with that title; those
/// too long for a page over several.
void flatTemplatePages(SheetPaper& paper, const QString& title, const Design& design,
                       const Derived& derived);

}  // namespace wl
