#include "core/hydro/submerged.h"

#include <algorithm>
#include <cmath>

#include <Eigen/Geometry>

#include "core/base/units.h"

namespace wl {
PlaneAxes planeAxes(const Eigen::Vector3d& normal) {
    Eigen::Vector3d aft = Eigen::Vector3d::UnitX() - normal.x() * normal;
    if (aft.squaredNorm() < 1e-12) {  // standing on end: any horizontal pair will do
        aft = Eigen::Vector3d::UnitZ() - normal.z() * normal;
    }
    aft.normalize();
    return {aft, normal.cross(aft)};
}

Submerged computeSubmerged(const FloatingShape& shape, const WaterPlane& plane) {
    const PlaneAxes axes = planeAxes(plane.normal);
    Eigen::Matrix3d rotation;
    rotation << axes.aft.transpose(), axes.port.transpose(), plane.normal.transpose();
    Submerged out;
    for (const WettedHull& hull : shape.hulls) {
        hull.addBelow(plane, axes, out);
    }
    const Eigen::Vector3d down(0, 0, plane.offset_m);
    Eigen::Vector3d first = Eigen::Vector3d::Zero();  // of the balls, in plane axes
    double balls_m3 = 0;
    for (const SmallPart& part : shape.parts) {
        const Eigen::Vector3d c = rotation * part.centre_m - down;
        const double sign = part.volume_m3 < 0 ? -1.0 : 1.0;
        const double radius = std::cbrt(3 * std::abs(part.volume_m3) / (4 * kPi));
        if (radius <= 0 || c.z() >= radius) {
            continue;
        }
        double volume = std::abs(part.volume_m3);
        Eigen::Vector3d centre = c;
        if (c.z() > -radius) {  // ball cut by the surface
            const double wet = radius - c.z();
            volume = kPi * wet * wet * (3 * radius - wet) / 3;
            const double lowering =
                3 * (2 * radius - wet) * (2 * radius - wet) / (4 * (3 * radius - wet));
            centre.z() -= lowering;
            const double disc = kPi * (radius * radius - c.z() * c.z());
            const double quarter = disc * disc / (4 * kPi);
            out.waterplaneArea_m2 += sign * disc;
            out.waterplaneMoment_m3 += sign * disc * c.head<2>();
            out.waterplaneSecond_m4 += sign * (disc * c.head<2>() * c.head<2>().transpose() +
                                               quarter * Eigen::Matrix2d::Identity());
        }
        balls_m3 += sign * volume;
        first += sign * volume * centre;
    }
    out.volume_m3 += balls_m3;
    out.moment_m4 += rotation.transpose() * (first + balls_m3 * down);
    return out;
}

Submerged computeDisplaced(const FloatingShape& shape) {
    Submerged out;
    for (const WettedHull& hull : shape.hulls) {
        out.volume_m3 += hull.volume_m3();
        out.moment_m4 += hull.moment_m4();
    }
    for (const SmallPart& part : shape.parts) {
        out.volume_m3 += part.volume_m3;
        out.moment_m4 += part.volume_m3 * part.centre_m;
    }
    return out;
}

}  // namespace wl
