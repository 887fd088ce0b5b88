// Belly weights for several waters, and hook sets for three sink rates, as JSON answers.
#pragma once

#include "core/aim/belly_weights.h"
#include "core/aim/hook_rates.h"
#include "io/answers.h"

namespace wl {

/// Sink rates asked for and told are those seen, `sinkSeen` times those reckoned, as a log has it.

/// Weights of lead by rising lead, each with what the bait does in every water; `designs` has those
/// not refused, in that order. `met`: for every water some weight rests as the brief wants it.
Answer weightsAnswer(const Design& design, const std::vector<FishedWater>& waters,
                     const std::vector<double>& leads_kg, double sinkSeen = 1.0);

/// One lead, and hooks of the shelf for each rate; `designs` has those with hooks. `met`: each rate
/// is come near to.
Answer hookRatesAnswer(const Design& design, const Shelf& shelf,
                       const std::vector<double>& rates_m_s, double sinkSeen = 1.0);

/// Either of them as lines of words, metric.
std::string readableWeights(const Answer& answer);

}  // namespace wl
