// The water surface as a bait sees it.
#pragma once

#include <Eigen/Core>

namespace wl {

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

}  // namespace wl
