// Sockets, slots, grooves, pilot holes and pockets as tools.
#pragma once

#include <vector>

#include "core/design/joint.h"
#include "core/mass/cut_tool.h"

namespace wl {

/// The tool of a feature, and a second one when it is mirrored; empty where there is no skin to
/// enter at.
std::vector<CutTool> toolsOf(const BodyCurves& body, const Feature& feature);

}  // namespace wl
