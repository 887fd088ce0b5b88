// What the module that knows Open CASCADE gives.
#pragma once

#include "solid/bait_solids.h"

namespace wl {

/// Puts the STEP file into `bytes`; false when the library could not write it. Throws nothing.
using WriteStep = bool(const std::vector<FileSolid>& solids, std::string& bytes);
inline constexpr const char* kWriteStepName = "wlWriteStep";

}  // namespace wl
