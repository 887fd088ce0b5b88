// A mould to print: two halves that close on the middle plane of a bait.
#pragma once

#include "solid/bait_solids.h"

namespace wl {

/// Both halves, port first, laid on their backs ready to print (the parting face up). The block is
/// the bait's box with the mould's wall all round. A spout over the highest place of each piece's
/// back, a vent over either end of it; a channel at both ends of every hinge pin, and where an
/// eye's stem in the middle plane leaves the skin, for a core to lie in; a peg in each corner of
/// the port half, a pit a tenth of a millimetre wider in the other. Errors as baitSolids.
Result<std::vector<FileSolid>> mouldSolids(const Design& design, const Derived& derived,
                                           std::stop_token stop = {}, const SolidTold& told = {});

}  // namespace wl
