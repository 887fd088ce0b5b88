// The stages of a reckoning. Internal to the room: use evaluate.h.
#pragma once

#include "core/base/result.h"
#include "core/reckon/derived.h"

namespace wl {

/// Errors: those of evaluate().
Result<BaitShape> shapeOf(const Design& design, double waterDensity_kg_m3);
/// Reads shape, mass and water.
TowedShape towedShapeOf(const Design& design, const Derived& derived);
/// Reads everything before it. `sameMass`: the rest of a bait of the same mass in other loads,
/// whose floating is taken over.
Rest restOf(const Derived& derived, const Rest* sameMass);

/// How a chain with linked eyes lies; `pitch_rad` of the bait as one, to begin the search from.
/// Null without linked eyes.
std::shared_ptr<const LinkedRest> linkedRestOf(const Derived& derived, double pitch_rad);

}  // namespace wl
