// Other hooks on the same bait: mass, state, attitude and sink speed of every set on the shelf.
#pragma once

#include <array>
#include <functional>
#include <stop_token>
#include <vector>

#include "core/tank/hook_reach.h"
#include "core/tank/still_water.h"

namespace wl {

/// One hook set tried on the bait: a hook for each place, nose first.
struct HookSet : StillWater {
    std::vector<size_t> hooks;  ///< index of the shelf hook at each place
    double mass_kg = 0.0;       ///< whole bait
    double hooks_kg = 0.0;
    std::vector<HookMeeting> meetings;
};

struct HookSwaps {
    std::vector<size_t> places;  ///< the design's hook fittings, nose first
    std::vector<HookSet> sets;   ///< by rising mass
    bool complete = false;
};

/// Tries every hook of `shelf` at every hook of the design (with more than two places, those
/// between the first and the last take the first one's). Rings stay. Net weight in water of a hook
/// is m (1 - rho_water/rho_steel); the drag is the bait's own. `progress` gets 0..1. Only the
/// hooks of `shelf` that are hooks are tried; at most `kMostHookSets` sets.
inline constexpr size_t kMostHookSets = 4000;
HookSwaps computeHookSwaps(const Design& design, const Derived& derived,
                           const std::vector<Fitting>& shelf, std::stop_token stop = {},
                           const std::function<void(double)>& progress = {});

/// For each wanted speed the sets nearest to it, best first (indices into swaps.sets): those whose
/// hooks keep clear of each other before those that do not, then by the miss in speed, then by the
/// change of attitude from the design's own. Sets that go the other way, or miss the speed by more
/// than half of it (0.03 m/s for slow ones), are left out: the list may be empty.
std::vector<std::vector<size_t>> setsForSpeeds(const HookSwaps& swaps, double ownPitch_rad,
                                               const std::vector<double>& speeds_m_s, size_t most);

/// Puts a hook of the shelf where another hung; the place keeps its name and where it hangs.
void putHook(Fitting& place, const Fitting& hook);

/// The design with that set on it.
Design withHooks(const Design& design, const HookSwaps& swaps, const HookSet& set,
                 const std::vector<Fitting>& shelf);

}  // namespace wl
