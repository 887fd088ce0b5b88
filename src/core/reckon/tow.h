// The bait pulled in on the line of its brief, for rooms that reckon on it.
#pragma once

#include <stop_token>

#include "core/motion/retrieve.h"
#include "core/reckon/derived.h"

namespace wl {

/// The line of a brief in the bait's water, as the bait's model has it.
Line lineOf(const Derived& derived);
/// How the bait pulls.
PullModel pullOf(const TowedBait& bait);
/// Speed through the water when it is reeled in level, m/s: the reel's less the current's, no less
/// than 5 cm/s.
double towSpeed_m_s(const Derived& derived);
/// Pitch, radians, from which its attitude under way is followed.
double towStart_rad(const Derived& derived);
/// Where it starts to be pulled in, after its countdown.
double startDepth_m(const Derived& derived);
/// Pulled in from that far from the rod.
RetrievePath towIn(const Derived& derived, double from_m, const std::stop_token& stop,
                   const RetrieveGrid& grid);

}  // namespace wl
