// Where hooks can swing to: points that can meet each other, the line tie or the lip.
#pragma once

#include <vector>

#include "core/design/design.h"

namespace wl {

/// Farthest a hook's points can be from its eye: its length, with the ring it hangs on.
double hookReach_m(const Design& design, const Fitting& hook);

enum class HookMeets { Hook, Tie, Lip };

/// Two swing circles that cross, or a tie or lip inside one. `overlap` is by how much.
struct HookMeeting {
    size_t hook = 0;
    HookMeets with = HookMeets::Hook;
    size_t other = 0;  ///< the other hook
    double overlap_m = 0.0;
};

/// Circles about the eyes in space (the bait's own body is not counted as being in the way: on the
/// safe side). Hooks on one eye are not held against each other.
std::vector<HookMeeting> hookMeetings(const Design& design);

/// The same for hooks of other lengths: `lengths[i]` replaces the size of fittings[hooks[i]].
std::vector<HookMeeting> hookMeetings(const Design& design, const std::vector<size_t>& hooks,
                                      const std::vector<double>& lengths_m);

/// Indices of the design's hooks, nose first.
std::vector<size_t> hooksOf(const Design& design);

}  // namespace wl
