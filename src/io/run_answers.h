// What is told of a run and a cast, as JSON answers.
#pragma once

#include <string>

#include "io/answers.h"

namespace wl {

/// Distance with its band, manner of flight over the head and from the side, steady angles.
Answer castAnswer(const Design& design);
/// The forces on the bait towed level, the speeds at which it dives, the pull its wanted depth
/// takes.
Answer forcesAnswer(const Design& design);
/// What one step of each lever is worth, and how sure its sign is by so many draws.
Answer leversAnswer(const Design& design, int draws);
/// One number of the design from one value to another (SI), `count` places. Errors: those of
/// sweepField.
Answer sweepAnswer(const Design& design, const std::string& path, double from, double to,
                   int count);

}  // namespace wl
