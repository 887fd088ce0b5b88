// What is reckoned of a bait, as the readings of a log lead one to expect it.
#pragma once

#include <optional>

#include "core/learn/factor_told.h"
#include "core/reckon/run.h"

namespace wl {

/// The depths of a steady retrieve and of a trolled one times the factor of what the bait does, and
/// its band as the depth's. A cadence stays as reckoned: how it rests between pulls no reading of a
/// depth tells.
Run runByLog(Run run, const FactorBand& depth);

/// The bait with a film in place of its design's own, on which its beats and its swing from side to
/// side are what the factors make of those reckoned without one, at the brief's speed. What no
/// factor is given for stays as the design's film has it; so does all of a bait that does not
/// swing, and what no wake can be (see filmFactors).
Derived filmedByLog(const Derived& derived, const Run& run, const std::optional<FactorBand>& beats,
                    const std::optional<FactorBand>& swing);

}  // namespace wl
