// The mass a brief asks for.
#pragma once

#include "core/reckon/derived.h"

namespace wl {

/// Drag area against moving straight up (sense -1) or down (1) at that pitch, m2, over 0.
double broadsideArea_m2(const LoadTable& loads, double pitch_rad, double sense);

/// All up: what leaves the wanted spare, what hangs, or what sinks at the wanted rate with the
/// weight where `derived` has it. Reads its mass balance, towed bait and hanging attitude.
double wantedMass_kg(const Brief& brief, const Derived& derived);

}  // namespace wl
