// Solids as a STEP file, by Open CASCADE, where the build has it.
#pragma once

#include "solid/bait_solids.h"

namespace wl {

/// The solids as one STEP file (AP214, millimetres), each a named closed shell of flat faces, the
/// triangles of its mesh: as exact as the STL, to be cut and measured in a drawing program. The
/// library stands in a module of its own and is loaded when it is first asked. Errors:
/// "export.no_step" (built or installed without it), "export.step".
Result<std::string> stepOf(const std::vector<FileSolid>& solids);

}  // namespace wl
