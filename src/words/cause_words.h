// Causes of trouble in words: what it is, how to look, what cures it.
#pragma once

#include <QString>

#include "core/forecast/causes.h"
#include "session/sentence_text.h"

namespace wl {

/// "lip turned to the right, about 3°".
QString causeName(const CauseRanked& cause, const CauseModel& model, Bench bench);
QString causeCure(const CauseRanked& cause);
/// "Sight along the back: does the middle line of the lip lie in that of the bait?"
QString checkWords(const CauseCheck& check);
/// "likely", "perhaps", "hardly", by a chance; no figure over four in five is ever said.
QString chanceWords(double chance);

}  // namespace wl
