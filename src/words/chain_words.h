// What a bait in pieces does, in the words of the trade.
#pragma once

#include <QStringList>

#include "core/base/quantity.h"
#include "core/chain/chain_swim.h"

namespace wl {

/// What eight pulls make of a walked bait, in lines; or why it is not told.
QStringList glideWords(const Glide& glide, const Design& design, Bench bench);
/// What twelve runs make of a chain.
QStringList snakeWords(const Snake& snake, const Design& design, Bench bench,
                       const std::optional<double>& beatsByLog = {});
/// One trial of a joint: what was changed, and what came of it.
QStringList trialWords(const ChainTrial& trial, const Design& design, Bench bench);
QString verdictWord(GlideVerdict verdict);
/// How such a bait goes with speed.
QString piecesOverSpeed(SwimKind kind);

}  // namespace wl
