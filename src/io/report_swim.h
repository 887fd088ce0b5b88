// The swim of a report.
#pragma once

#include "core/chain/chain_swim.h"
#include "core/reckon/run.h"
#include "io/json_answer.h"

namespace wl {

/// What a verdict is called in answers: "walks".
const char* nameOf(GlideVerdict verdict);

/// Beats, swing, roll, flags and the same over speed; or "not_told" and the reason.
AnswerJson swimJson(const Derived& derived, const Run& run);

}  // namespace wl
