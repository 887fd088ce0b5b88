// Where a coat lies, as it is seen from the side.
#pragma once

#include "core/draw/outlines.h"

namespace wl {

/// Closed outlines in mm, one for each piece of the body that shows any of it: the pieces' own
/// outlines, cut where the skin leans 30 degrees from upright for back, flanks and belly, at a
/// quarter and four fifths of the length for head and tail (as hull/coated_hull.h weighs them, but
/// for the lean towards nose and tail, which is not seen from here).
std::vector<std::vector<Eigen::Vector2d>> finishRegion(const Derived& derived, CoatPlace place);

}  // namespace wl
