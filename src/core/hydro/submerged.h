// The part of a set of bodies below a water plane: volume, moments, waterplane.
#pragma once

#include <vector>

#include <Eigen/Core>

#include "core/hydro/wetted_hull.h"

namespace wl {

/// A small part floating with the bait, taken as a ball of its own volume (hooks, rings, eyes). A
/// volume under 0 is a hole let full of water.
struct SmallPart {
    Eigen::Vector3d centre_m = Eigen::Vector3d::Zero();
    double volume_m3 = 0.0;
};

/// Everything that displaces water, in the body frame.
struct FloatingShape {
    std::vector<WettedHull> hulls;
    std::vector<SmallPart> parts;
};

/// What is below the plane, exact for the closed meshes and balls given; several hulls and holes
/// add.
Submerged computeSubmerged(const FloatingShape& shape, const WaterPlane& plane);

/// Whole displaced volume and its centre.
Submerged computeDisplaced(const FloatingShape& shape);

}  // namespace wl
