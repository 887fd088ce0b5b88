// A factor in plain words: codes of sentences with what goes into them.
#pragma once

#include "core/base/result.h"
#include "core/learn/factor_told.h"

namespace wl {

/// "Runs 11 % shallower than reckoned, by 3 readings on 3 days", or why that cannot be said. Codes
/// "learn.*"; the second, when there, adds what holds the band.
std::vector<Error> sayFactor(Learnt quantity, const FactorTold& told);
/// What of a reading does not fit, and which mistake would explain it.
Error sayOdd(const OddReading& odd);
/// What reading it narrows and by how much.
Error sayWorth(const ReadingWorth& worth);
Error sayCopies(Learnt quantity, const CopyVerdict& verdict, std::int64_t first,
                std::int64_t second);

}  // namespace wl
