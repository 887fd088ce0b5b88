// What a step of each thing a maker can change does to depth, beats and swing.
#pragma once

#include "core/reckon/what_if.h"

namespace wl {

/// As leversOf; beats and swing by the middle curve of the wake, where the bait wobbles and both
/// sides of a step are told.
std::vector<Lever> swimLeversOf(const Derived& derived, int draws, std::stop_token stop = {},
                                const Told& told = {});

}  // namespace wl
