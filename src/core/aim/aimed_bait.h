// A new bait that swims as wished: made to its brief, then aimed.
#pragma once

#include "core/aim/aim.h"
#include "core/plan/new_bait.h"

namespace wl {

/// Whether a swim can be wished of such a bait: not of one walked by the rod, nor of a chain.
bool swimCanBeWished(StartKind kind);

/// A new bait and what it does beside its brief.
struct AimedBait {
    NewBait bait;     ///< carries the wish, for the Aim step to go on from
    bool met = true;  ///< all that was wished of its swim; where nothing was, true
};

/// The bait of `makeNewBait`, its lip and tie then set for beats and swing (empty bands: as it
/// comes) at the depth of its brief within a tenth, its lead planned anew. Where no way is in all
/// bands the nearest is taken, unless more stands against it than against the bait as first made;
/// where nothing can be aimed at, the bait is as it was made. Same wish, same bait. Errors: those
/// of makeNewBait.
Result<AimedBait> makeAimedBait(const NewBaitWish& wish, const AimBand& beats, const AimBand& swing,
                                std::stop_token stop = {}, const Told& told = {});

}  // namespace wl
