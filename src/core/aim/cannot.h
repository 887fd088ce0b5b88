// When targets cannot be met: what proves it, and what else would have to give. Internal to the
// room.
#pragma once

#include "core/aim/aim.h"
#include "core/aim/search.h"

namespace wl {

/// No bait of the levers' ranges runs deeper on the base's tackle: the largest pull and the
/// steepest line (of 50 degrees at most: beyond, depth no longer rises with it) found apart by
/// NLopt's DIRECT-L (Jones 1993, Gablonsky 2001) in 150 level tows each and among all trials made,
/// put together, reeled in with that pull, and 5 % more. Nothing where no trial dives.
std::optional<double> depthBound_m(AimSearch& search);

/// What the best way misses.
std::vector<AimShortfall> shortfallsOf(AimSearch& search, const AimWay& best);

/// One thing at a time, re-aimed from the nearest trial: the smallest step of it that is enough,
/// else how near its farthest comes; where none alone is enough, pairs of the three that come
/// nearest. Those that are enough first.
std::vector<AimRelaxation> relaxationsFor(AimSearch& search, const LeverSteps& nearest);

}  // namespace wl
