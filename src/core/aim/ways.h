// What the search found, taken through the full chain. Internal to the room.
#pragma once

#include "core/aim/aim.h"
#include "core/aim/search.h"

namespace wl {

/// What a way is sought by: its kind, the key it makes least, and the trial to begin from.
struct WaySought {
    AimWay::Kind kind = AimWay::Kind::Best;
    size_t lever = 0;
    LeverSteps at;
};

/// The best, each lever alone, least change, steepest, most in line, smallest lip, tie farthest
/// from where it is: each as near the best chance as a fifth of a logarithm where that can be had;
/// without those within a twelfth of the ranges of one before. Where a step of the bench either way
/// changes beats or swing by over 30 % a place is passed over: a jump is near. `bestOnly`: the
/// first alone.
std::vector<WaySought> seekWays(AimSearch& search, bool bestOnly = false);

/// The design there with its lead planned, fully reckoned.
AimWay proveWay(const AimSearch& search, const WaySought& sought);

/// From the best: the lip sawn to each other outline (none drawn freely), the levers walked anew on
/// the bench's steps; the two that come out best, where they are about as good. None without a lip.
std::vector<AimWay> otherOutlines(const AimSearch& search, const LeverSteps& best);

/// The same lip and tie with the lead otherwise, where it is in two bores or more, or of something
/// denser than lead: those of them that keep all that the way there meets.
std::vector<AimWay> otherLead(const AimSearch& search, const AimWay& way);

/// Doubt of what is printed: a steep lip's depth is less sure than one in line, blended between 25
/// and 45 degrees.
double printedDoubt(const SoughtTarget& target, const Design& design);

}  // namespace wl
