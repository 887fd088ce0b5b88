// The steps of the bench in words.
#pragma once

#include <QString>

#include "core/making/build_steps.h"
#include "session/words.h"

namespace wl {

/// "Paint, coat 2 of 3: white base".
QString stepTitle(const BuildStep& step, const Design& design);
/// Why it comes at this place.
QString stepReason(const BuildStep& step, const Design& design);
/// What it is done with, and how.
QString stepHow(const BuildStep& step, const Design& design, const Derived& derived, Bench bench);
/// The usual caution of that step; empty where it has none.
QString stepCaution(const BuildStep& step);
/// What was read against what was expected, and the cheapest mend.
QString verdictWords(const ReadingVerdict& verdict, const StepReading& reading,
                     const Design& design, Bench bench);

}  // namespace wl
