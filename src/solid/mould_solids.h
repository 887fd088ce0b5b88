// A mould to print: two halves that close on the middle plane of a bait.
#pragma once

#include "solid/bait_solids.h"

namespace wl {

/// Both halves, laid on their backs ready to print (the parting face up), port half first.
struct MouldSolids {
    std::vector<FileSolid> halves;
    double block_m3 = 0.0;     ///< both, before anything is taken out
    double bait_m3 = 0.0;      ///< the cavity of all pieces and side pieces
    double channels_m3 = 0.0;  ///< spouts, vents and cores, outside the bait
    double keys_m3 = 0.0;      ///< pegs put on, less pits taken out
};

/// The block is the bait's box with the mould's wall all round. A spout over the highest place of
/// each piece's back, a vent over either end of it; a channel at both ends of every hinge pin, and
/// where an eye's stem in the middle plane leaves the skin, for a core to lie in; a peg in each
/// corner of the port half, a pit a tenth of a millimetre wider in the other. Errors as baitSolids.
Result<MouldSolids> mouldSolids(const Design& design, const Derived& derived,
                                std::stop_token stop = {}, const SolidTold& told = {});

}  // namespace wl
