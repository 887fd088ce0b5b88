// A bath and a small tank in the words of the trade.
#pragma once

#include <QStringList>

#include "core/base/quantity.h"
#include "core/forecast/small_water.h"

namespace wl {

/// What a bath shows of it against the water, in lines; the last says what it is good for.
QStringList bathWords(const BathPull& pull, Bench bench);

/// The stream there, what it should do in it, what beats counted there say; the last what it is
/// good for.
QStringList tankWords(const TankSwim& tank, double seenBeats_1_s, Bench bench);

}  // namespace wl
