// Shape, place and mass of a flat lip and its line tie.
#pragma once

#include <vector>

#include <Eigen/Core>

#include "core/design/design.h"

namespace wl {

/// Outline of the lip outside the body, counter-clockwise, (along, across) from the middle of its
/// root, metres, by the lip's family (see LipFamily).
std::vector<Eigen::Vector2d> lipOutline(const Lip& lip);

struct LipSheet {
    double area_m2 = 0.0;  ///< outside the body
    double centroidAlong_m = 0.0;
    double mass_kg = 0.0;  ///< with the part let into the slot
    double outsideVolume_m3 = 0.0;
    double insideVolume_m3 = 0.0;
    Eigen::Vector3d centreOfMass_m = Eigen::Vector3d::Zero();
    Eigen::Vector3d insideCentroid_m = Eigen::Vector3d::Zero();
};
LipSheet measureLip(const Lip& lip);

/// Unit vector from the root to the tip: forward and, for angles over 0, down.
Eigen::Vector3d lipDirection(const Lip& lip);
/// Unit normal of the face that looks up (towards the line).
Eigen::Vector3d lipUpperNormal(const Lip& lip);

/// Where the line pulls, body frame.
Eigen::Vector3d tiePoint(const Design& design);

}  // namespace wl
