// What a log says, as JSON.
#pragma once

#include "core/learn/log_search.h"

namespace wl {

/// The log's factors by bait and quantity (bands of the next reading and of what the bait does, in
/// words too), readings that do not fit, what to read next, how often what was foretold held; and
/// the notes the query finds, newest first.
std::string logAnswer(const WaterLog& log, const LogQuery& query);

}  // namespace wl
