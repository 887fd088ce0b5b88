#include "core/hydro/submerged.h"

#include <algorithm>
#include <cmath>

#include <Eigen/Geometry>

#include "core/base/units.h"

namespace wl {
namespace {

// Sums in plane coordinates (aft, port, height over the water).
struct Sums {
    double volume6 = 0;
    Eigen::Vector3d first24 = Eigen::Vector3d::Zero();
    double area2 = 0;
    double x6 = 0, y6 = 0, xx24 = 0, xy24 = 0, yy24 = 0;

    void add(const Eigen::Vector3d& a, const Eigen::Vector3d& b, const Eigen::Vector3d& c) {
        const double d = a.dot(b.cross(c));
        const Eigen::Vector3d s = a + b + c;
        volume6 += d;
        first24 += d * s;
        const double nz = (b.x() - a.x()) * (c.y() - a.y()) - (b.y() - a.y()) * (c.x() - a.x());
        area2 -= nz;
        x6 -= nz * s.x();
        y6 -= nz * s.y();
        xx24 -= nz * (a.x() * a.x() + b.x() * b.x() + c.x() * c.x() + s.x() * s.x());
        yy24 -= nz * (a.y() * a.y() + b.y() * b.y() + c.y() * c.y() + s.y() * s.y());
        xy24 -= nz * (a.x() * a.y() + b.x() * b.y() + c.x() * c.y() + s.x() * s.y());
    }
};

Eigen::Vector3d cut(const Eigen::Vector3d& below, const Eigen::Vector3d& above) {
    const double share = below.z() / (below.z() - above.z());
    Eigen::Vector3d p = below + share * (above - below);
    p.z() = 0;
    return p;
}

void addClipped(Sums& sums, const Eigen::Vector3d& a, const Eigen::Vector3d& b,
                const Eigen::Vector3d& c) {
    const bool ua = a.z() < 0, ub = b.z() < 0, uc = c.z() < 0;
    const int under = int(ua) + int(ub) + int(uc);
    if (under == 3) {
        sums.add(a, b, c);
    } else if (under == 1) {
        if (ua) {
            sums.add(a, cut(a, b), cut(a, c));
        } else if (ub) {
            sums.add(b, cut(b, c), cut(b, a));
        } else {
            sums.add(c, cut(c, a), cut(c, b));
        }
    } else if (under == 2) {
        const Eigen::Vector3d& dry = !ua ? a : (!ub ? b : c);
        const Eigen::Vector3d& first = !ua ? b : (!ub ? c : a);
        const Eigen::Vector3d& second = !ua ? c : (!ub ? a : b);
        const Eigen::Vector3d in = cut(second, dry);
        const Eigen::Vector3d out = cut(first, dry);
        sums.add(first, second, in);
        sums.add(first, in, out);
    }
}

}  // namespace

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
    const Eigen::Vector3d down(0, 0, plane.offset_m);

    Sums sums;
    thread_local std::vector<Eigen::Vector3d> moved;
    for (const TriangleMesh& hull : shape.hulls) {
        moved.resize(hull.vertices_m.size());
        for (size_t i = 0; i < moved.size(); ++i) {
            moved[i].noalias() = rotation * hull.vertices_m[i];
            moved[i] -= down;
        }
        for (const auto& t : hull.triangles) {
            addClipped(sums, moved[t[0]], moved[t[1]], moved[t[2]]);
        }
    }
    Submerged out;
    out.volume_m3 = sums.volume6 / 6;
    Eigen::Vector3d first = sums.first24 / 24;
    out.waterplaneArea_m2 = sums.area2 / 2;
    out.waterplaneMoment_m3 = {sums.x6 / 6, sums.y6 / 6};
    out.waterplaneSecond_m4 << sums.xx24 / 24, sums.xy24 / 24, sums.xy24 / 24, sums.yy24 / 24;

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
        out.volume_m3 += sign * volume;
        first += sign * volume * centre;
    }
    out.moment_m4 = rotation.transpose() * (first + out.volume_m3 * down);
    return out;
}

Submerged computeDisplaced(const FloatingShape& shape) {
    Submerged out;
    for (const TriangleMesh& hull : shape.hulls) {
        const SolidProperties solid = integrateMesh(hull);
        out.volume_m3 += solid.volume_m3;
        out.moment_m4 += solid.volume_m3 * solid.centroid_m;
    }
    for (const SmallPart& part : shape.parts) {
        out.volume_m3 += part.volume_m3;
        out.moment_m4 += part.volume_m3 * part.centre_m;
    }
    return out;
}

}  // namespace wl
