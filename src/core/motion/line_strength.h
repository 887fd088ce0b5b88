// What a line sold by its strength is likely to measure across, and the other way.
#pragma once

#include "core/design/design.h"

namespace wl {

/// Typical diameter in metres of a line of that kind sold for that strength in newtons (over 0),
/// from a table of both (common practice, no source), along a straight line of their logarithms;
/// beyond its ends strength goes with the square of the diameter. Makes differ by a fifth and more:
/// a measured diameter is better.
double typicalLineDiameter_m(LineKind kind, double strength_N);
/// The inverse: typical strength in newtons of a line of that diameter in metres (over 0).
double typicalLineStrength_N(LineKind kind, double diameter_m);

}  // namespace wl
