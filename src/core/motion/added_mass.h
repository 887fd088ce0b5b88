// Water that moves with a body: of the ellipsoid of its length, width and height.
#pragma once

#include <Eigen/Core>

namespace wl {

/// Added-mass coefficients of the ellipsoid with the body's length, width and height, as shares of
/// its displaced mass: kx, ky, kz (Lamb, Hydrodynamics, art. 114, by Carlson's R_D; recalled).
Eigen::Vector3d addedMassCoefficients(double length_m, double width_m, double height_m);

/// The same for turning about x, y and z: shares of the inertia its displaced water would have as a
/// solid (Lamb, Hydrodynamics, art. 115; recalled). 0 about an axis it is round about.
Eigen::Vector3d addedInertiaCoefficients(double length_m, double width_m, double height_m);

}  // namespace wl
