// Solids as a 3MF package.
#pragma once

#include "solid/bait_solids.h"

namespace wl {

/// The solids as a package of named objects in millimetres, each placed as it stands. Error:
/// "export.three_mf" (the library could not write it).
Result<std::string> threeMfOf(const std::vector<FileSolid>& solids);

}  // namespace wl
