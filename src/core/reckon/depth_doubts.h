// What leaves the depth open, source by source.
#pragma once

#include <stop_token>
#include <vector>

#include "core/reckon/derived.h"
#include "core/reckon/run.h"

namespace wl {

/// Each source's coefficients taken to both ends of their bands, those that err together at once,
/// the others' effects added as the root of their squares. `tautFrom_m`: as in Run. Where one end
/// cannot be reckoned the other stands for both; a source with neither is left out, as is one the
/// bait has not. Without the rest.
std::vector<DepthDoubt> depthDoubts(const Derived& derived, double tautFrom_m,
                                    const std::stop_token& stop);

/// The rest: judged, from lips in line to steep ones in steps of none, lopsided for steep ones.
DepthDoubt restOfDoubt(const Derived& derived, double deepest_m);

}  // namespace wl
