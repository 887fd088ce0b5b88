// Sockets, slots, grooves, pilot holes, pockets and pins as tools.
#pragma once

#include <vector>

#include "core/design/joint.h"
#include "core/joint/joint_layout.h"
#include "core/placed/cut_tool.h"

namespace wl {

/// The tool of a feature, and a second one when it is mirrored; empty where there is no skin to
/// enter at.
std::vector<CutTool> toolsOf(const BodyCurves& body, const Feature& feature);

/// The pocket of a joint as a tool, from its face inwards.
CutTool pocketTool(const Joint& joint, const JointCut& cut);

/// The hole of a joint's pin, from its upper end down.
CutTool pinTool(const Joint& joint, const JointCut& cut);

}  // namespace wl
