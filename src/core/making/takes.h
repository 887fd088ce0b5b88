// What a bait takes of what lies on the shelf.
#pragma once

#include <string>
#include <vector>

#include "core/reckon/evaluate.h"

namespace wl {

/// Stock: wood, sheet, resin or filament, as bought before it is cut. Metal: of plugs and weights
/// cut to size. LipSheet: what the lip leaves of its sheet. Pieces: lead in whole pieces. Fitting:
/// hooks, rings, eyes and the like. Pin: of a joint, cut to length. Coat: as it comes out of the
/// tin. Filler: over the lead. Glue: in the films between halves and sheets, in slots filled with
/// it and beside the lip in its slot. Silicone: of a mould, taken once for all that is poured in
/// it.
enum class TakenKind {
    Stock,
    Metal,
    LipSheet,
    Pieces,
    Fitting,
    Wire,
    Pin,
    Coat,
    Filler,
    Glue,
    Silicone
};

/// So much of one thing. Only what its kind is counted by is over 0: pieces, mass, or length.
struct Taken {
    TakenKind kind = TakenKind::Stock;
    std::string name;
    int pieces = 0;
    double mass_kg = 0.0;
    double length_m = 0.0;
    double wire_m =
        0.0;  ///< diameter of a wire or pin, which has no name of its own; of a fitting's
    FittingKind fitting = FittingKind::Other;
    double size_m = 0.0;         ///< of a fitting
    double density_kg_m3 = 0.0;  ///< of a filler, glue or silicone, which has no name of its own
    bool once = false;           ///< for all the baits together
};

/// Of one bait, each thing once. Carved stock is its squared blank, turned stock a round one, a
/// sheet the rectangle round the side view; the cut itself and what breaks is not in it. Resin,
/// filler and silicone come with the waste of the mould.
std::vector<Taken> takenBy(const Design& design, const Derived& derived);

}  // namespace wl
