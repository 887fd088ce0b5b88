// The part of a set of bodies below a water plane: volume, moments, waterplane.
#pragma once

#include <vector>

#include <Eigen/Core>

#include "core/geometry/mesh.h"

namespace wl {

/// A small part floating with the bait, taken as a ball of its own volume (hooks, rings, eyes). A
/// volume under 0 is a hole let full of water.
struct SmallPart {
    Eigen::Vector3d centre_m = Eigen::Vector3d::Zero();
    double volume_m3 = 0.0;
};

/// Everything that displaces water, in the body frame.
struct FloatingShape {
    std::vector<TriangleMesh> hulls;
    std::vector<SmallPart> parts;
};

/// The water surface seen from the body: points r with normal . r = offset are on it, those with
/// less are under it. `normal` is the unit vector of world up in the body frame.
struct WaterPlane {
    Eigen::Vector3d normal = Eigen::Vector3d::UnitZ();
    double offset_m = 0.0;
};

/// Two unit vectors in the plane: first aft, second to port when the bait is level.
struct PlaneAxes {
    Eigen::Vector3d aft, port;
};
PlaneAxes planeAxes(const Eigen::Vector3d& normal);

/// Submerged integrals. `moment_m4` is the integral of r over the submerged volume in the body
/// frame; the waterplane terms are in plane axes about the body origin's foot on the plane.
struct Submerged {
    double volume_m3 = 0.0;
    Eigen::Vector3d moment_m4 = Eigen::Vector3d::Zero();
    double waterplaneArea_m2 = 0.0;
    Eigen::Vector2d waterplaneMoment_m3 = Eigen::Vector2d::Zero();
    Eigen::Matrix2d waterplaneSecond_m4 = Eigen::Matrix2d::Zero();
};

/// Clips without capping: the tetrahedra have their apex in the plane, so the cap adds nothing to
/// volume or moment, and the waterplane's integrals run along the cut edges (Green). Works for
/// several hulls and for holes. Exact for the closed meshes and balls given.
Submerged computeSubmerged(const FloatingShape& shape, const WaterPlane& plane);

/// Whole displaced volume and its centre.
Submerged computeDisplaced(const FloatingShape& shape);

}  // namespace wl
