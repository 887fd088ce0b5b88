// Sockets, slots, grooves, pilot holes, pockets and pins as tools.
#pragma once

#include <optional>
#include <vector>

#include "core/design/joint.h"
#include "core/joint/joint_layout.h"
#include "core/placed/cut_tool.h"

namespace wl {

/// A place on the skin and the unit vector from it into the body.
struct SkinEntry {
    Eigen::Vector3d mouth_m;
    Eigen::Vector3d inward;
};

/// Where something comes in from that side at a place (see Feature), `side` -1 for the mirrored
/// one; nothing where there is no skin.
std::optional<SkinEntry> entryAt(const BodyCurves& body, FeatureFrom from,
                                 const Eigen::Vector3d& place_m, double side, double lean_rad = 0);

/// The tool of a feature, and a second one when it is mirrored; empty where there is no skin to
/// enter at.
std::vector<CutTool> toolsOf(const BodyCurves& body, const Feature& feature);

/// The pocket of a joint as a tool, from its face inwards.
CutTool pocketTool(const Joint& joint, const JointCut& cut);

/// The hole of a joint's pin, from its upper end down.
CutTool pinTool(const Joint& joint, const JointCut& cut);

}  // namespace wl
