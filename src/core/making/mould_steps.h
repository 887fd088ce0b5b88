// A mould made once, before the first bait of it is poured.
#pragma once

#include "core/making/schedule.h"

namespace wl {

/// The steps of a mould of two halves, of silicone round a master: nothing for a bait that is not
/// cast. Their keys are like a bait's; the clocks keep them beside those of the baits.
std::vector<BuildStep> mouldSteps(const Design& design);

/// Till silicone may be handled (judged: its sheet has the last word).
inline constexpr double kSiliconeCure_s = 8 * 3600.0;

/// As `scheduleBatch`, but no bait is begun before `first` is whole and cured: hands, hours and
/// places are the baits' from then on. Its tasks come first, with the number of baits for `bait`.
Schedule scheduleAfter(const std::vector<BatchTask>& first,
                       const std::vector<std::vector<BatchTask>>& baits, const Workshop& shop,
                       std::uint32_t seed = 1, std::stop_token stop = {});

}  // namespace wl
