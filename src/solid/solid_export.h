// Solids of a bait written by the ending of a file's name.
#pragma once

#include "solid/bait_solids.h"

namespace wl {

/// The bytes of a file: "stl" (binary) or "3mf". Errors: those of baitSolids, "export.three_mf".
Result<std::string> solidFileOf(const Design& design, const Derived& derived, const SolidWish& wish,
                                const std::string& ending, std::stop_token stop = {},
                                const SolidTold& told = {});

}  // namespace wl
