// A bait cut across, as the cut face shows it.
#pragma once

#include "core/draw/draw_bait.h"

namespace wl {

/// The face of a cut at `x_m` from the nose, looked at from ahead, port to the right: stock (a
/// printed one by its wall and infill, a layered one by its seams) and everything let into it. From
/// the nose to the tail; empty in the gap of a joint and where a bait has no breadth.
Drawing drawSection(const Design& design, const Derived& derived, double x_m);

}  // namespace wl
