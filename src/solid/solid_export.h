// Solids of a bait written by the ending of a file's name.
#pragma once

#include "solid/bait_solids.h"

namespace wl {

/// Endings of the files solids are written to.
bool isSolidEnding(const std::string& ending);

/// The bytes of a file: "stl" (binary), "3mf" or "step". Errors: those of baitSolids,
/// "export.three_mf", those of stepOf.
Result<std::string> solidFileOf(const Design& design, const Derived& derived, const SolidWish& wish,
                                const std::string& ending, std::stop_token stop = {},
                                const SolidTold& told = {});

}  // namespace wl
