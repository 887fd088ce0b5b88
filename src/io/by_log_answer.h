// What a log makes of a bait's figures, as JSON.
#pragma once

#include "core/forecast/taught.h"
#include "io/json_answer.h"

namespace wl {

/// Each figure the log has readings for: reckoned, the factor of what the bait does and of the next
/// reading, what it does by them, and the log's words for it.
AnswerJson byLogJson(const std::vector<LearntFigure>& figures);

/// The log's part of a wish: measure, factor, and how far it is open.
AnswerJson byLogJson(const AimLog& log);

}  // namespace wl
