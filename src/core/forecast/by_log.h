// What is reckoned of a bait, as the readings of a log lead one to expect it.
#pragma once

#include <optional>
#include <vector>

#include "core/chain/chain_swim.h"
#include "core/learn/factor_told.h"
#include "core/reckon/run.h"
#include "core/reckon/what_if.h"

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

/// What a step does to the depth, times the factor of what the bait does.
std::vector<Lever> leversByLog(std::vector<Lever> levers, const FactorBand& depth);

/// A chain told without a film, its beats and their band as the factor has them.
Snake snakeByLog(Snake unfilmed, const FactorBand& beats);

}  // namespace wl
