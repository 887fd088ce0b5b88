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
    double x24 = 0, y24 = 0, z24 = 0;
    double area2 = 0;
    double x6 = 0, y6 = 0, xx24 = 0, xy24 = 0, yy24 = 0;

    // A wetted face: its tetrahedron to the origin, which lies in the plane.
    void add(const Eigen::Vector3d& a, const Eigen::Vector3d& b, const Eigen::Vector3d& c) {
        const double d = a.x() * (b.y() * c.z() - b.z() * c.y()) +
                         a.y() * (b.z() * c.x() - b.x() * c.z()) +
                         a.z() * (b.x() * c.y() - b.y() * c.x());
        volume6 += d;
        x24 += d * (a.x() + b.x() + c.x());
        y24 += d * (a.y() + b.y() + c.y());
        z24 += d * (a.z() + b.z() + c.z());
    }

    // A stretch of the waterline, from p to q round the waterplane (Green).
    void addEdge(const Eigen::Vector3d& p, const Eigen::Vector3d& q) {
        const double cross = p.x() * q.y() - q.x() * p.y();
        area2 += cross;
        x6 += cross * (p.x() + q.x());
        y6 += cross * (p.y() + q.y());
        xx24 += 2 * cross * (p.x() * p.x() + p.x() * q.x() + q.x() * q.x());
        yy24 += 2 * cross * (p.y() * p.y() + p.y() * q.y() + q.y() * q.y());
        xy24 += cross * (p.x() * (2 * p.y() + q.y()) + q.x() * (p.y() + 2 * q.y()));
    }
};

Eigen::Vector3d cut(const Eigen::Vector3d& below, const Eigen::Vector3d& above) {
    const double share = below.z() / (below.z() - above.z());
    Eigen::Vector3d p = below + share * (above - below);
    p.z() = 0;
    return p;
}

// The wetted part of a face that the water cuts; its edge on the plane, walked backwards, is the
// waterplane's.
void addClipped(Sums& sums, const Eigen::Vector3d& a, const Eigen::Vector3d& b,
                const Eigen::Vector3d& c) {
    const bool ua = a.z() < 0, ub = b.z() < 0, uc = c.z() < 0;
    if (int(ua) + int(ub) + int(uc) == 1) {
        const Eigen::Vector3d& wet = ua ? a : (ub ? b : c);
        const Eigen::Vector3d& next = ua ? b : (ub ? c : a);
        const Eigen::Vector3d& last = ua ? c : (ub ? a : b);
        const Eigen::Vector3d out = cut(wet, next), in = cut(wet, last);
        sums.add(wet, out, in);
        sums.addEdge(in, out);
    } else {
        const Eigen::Vector3d& dry = !ua ? a : (!ub ? b : c);
        const Eigen::Vector3d& first = !ua ? b : (!ub ? c : a);
        const Eigen::Vector3d& second = !ua ? c : (!ub ? a : b);
        const Eigen::Vector3d out = cut(second, dry), in = cut(first, dry);
        sums.add(first, second, out);
        sums.add(first, out, in);
        sums.addEdge(in, out);
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
            const Eigen::Vector3d& a = moved[size_t(t[0])];
            const Eigen::Vector3d& b = moved[size_t(t[1])];
            const Eigen::Vector3d& c = moved[size_t(t[2])];
            const int under = int(a.z() < 0) + int(b.z() < 0) + int(c.z() < 0);
            if (under == 3) {
                sums.add(a, b, c);
            } else if (under > 0) {
                addClipped(sums, a, b, c);
            }
        }
    }
    Submerged out;
    out.volume_m3 = sums.volume6 / 6;
    Eigen::Vector3d first = Eigen::Vector3d(sums.x24, sums.y24, sums.z24) / 24;
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
