// A bait reeled in by fits and starts. Internal to the room: use run.h.
#pragma once

#include <stop_token>

#include "core/reckon/run.h"

namespace wl {

/// The brief's cadence over and over from the splash to the rod. Reeled, it runs as a retrieve from
/// where it is, at once (it takes a fifth of a second to gather way, left out); slack line is taken
/// in first. Paused, it rises or sinks as it does let go; where that would stretch the line it
/// swings on it instead. It lies on the bottom where it comes to it. Steps of a tenth of a second.
CadencePath computeCadence(const Derived& derived, const std::stop_token& stop,
                           const RetrieveGrid& grid);

}  // namespace wl
