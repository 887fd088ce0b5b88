#include "core/geometry/mesh.h"

#include <algorithm>
#include <cmath>
#include <map>

#include <Eigen/Geometry>

namespace wl {
namespace {

Eigen::Vector3d meanVertex(const TriangleMesh& mesh) {
    Eigen::Vector3d sum = Eigen::Vector3d::Zero();
    for (const Eigen::Vector3d& v : mesh.vertices_m) {
        sum += v;
    }
    return mesh.vertices_m.empty() ? sum : sum / double(mesh.vertices_m.size());
}

}  // namespace

SolidProperties integrateMesh(const TriangleMesh& mesh) {
    const Eigen::Vector3d origin = meanVertex(mesh);
    double volume6 = 0, x24 = 0, y24 = 0, z24 = 0;
    double xx = 0, yy = 0, zz = 0, xy = 0, yz = 0, zx = 0;
    // Plain numbers: this runs over every mesh of every edit.
    for (const auto& t : mesh.triangles) {
        const Eigen::Vector3d a = mesh.vertices_m[size_t(t[0])] - origin;
        const Eigen::Vector3d b = mesh.vertices_m[size_t(t[1])] - origin;
        const Eigen::Vector3d c = mesh.vertices_m[size_t(t[2])] - origin;
        const double d = a.dot(b.cross(c));
        const double sx = a.x() + b.x() + c.x();
        const double sy = a.y() + b.y() + c.y();
        const double sz = a.z() + b.z() + c.z();
        volume6 += d;
        x24 += d * sx;
        y24 += d * sy;
        z24 += d * sz;
        xx += d * (a.x() * a.x() + b.x() * b.x() + c.x() * c.x() + sx * sx);
        yy += d * (a.y() * a.y() + b.y() * b.y() + c.y() * c.y() + sy * sy);
        zz += d * (a.z() * a.z() + b.z() * b.z() + c.z() * c.z() + sz * sz);
        xy += d * (a.x() * a.y() + b.x() * b.y() + c.x() * c.y() + sx * sy);
        yz += d * (a.y() * a.z() + b.y() * b.z() + c.y() * c.z() + sy * sz);
        zx += d * (a.z() * a.x() + b.z() * b.x() + c.z() * c.x() + sz * sx);
    }
    SolidProperties p;
    p.volume_m3 = volume6 / 6;
    if (p.volume_m3 == 0) {
        return p;
    }
    const Eigen::Vector3d local = Eigen::Vector3d(x24, y24, z24) / (24 * p.volume_m3);
    p.centroid_m = origin + local;
    Eigen::Matrix3d second120;
    second120 << xx, xy, zx, xy, yy, yz, zx, yz, zz;
    const Eigen::Matrix3d c = second120 / 120 - p.volume_m3 * local * local.transpose();
    p.inertia_m5 = c.trace() * Eigen::Matrix3d::Identity() - c;
    return p;
}

MeshVolume measureVolume(const TriangleMesh& mesh) {
    const Eigen::Vector3d origin = meanVertex(mesh);
    double volume6 = 0;
    Eigen::Vector3d moment24 = Eigen::Vector3d::Zero();
    for (const auto& t : mesh.triangles) {
        const Eigen::Vector3d a = mesh.vertices_m[size_t(t[0])] - origin;
        const Eigen::Vector3d b = mesh.vertices_m[size_t(t[1])] - origin;
        const Eigen::Vector3d c = mesh.vertices_m[size_t(t[2])] - origin;
        const double d = a.dot(b.cross(c));
        volume6 += d;
        moment24 += d * (a + b + c);
    }
    MeshVolume v{volume6 / 6, origin};
    if (volume6 != 0) {
        v.centroid_m += moment24 / (4 * volume6);
    }
    return v;
}

SkinProperties integrateSkin(const TriangleMesh& mesh) {
    SkinProperties p;
    Eigen::Vector3d moment = Eigen::Vector3d::Zero();
    for (const auto& t : mesh.triangles) {
        const Eigen::Vector3d& a = mesh.vertices_m[t[0]];
        const Eigen::Vector3d& b = mesh.vertices_m[t[1]];
        const Eigen::Vector3d& c = mesh.vertices_m[t[2]];
        const double area = 0.5 * (b - a).cross(c - a).norm();
        p.area_m2 += area;
        moment += area * (a + b + c) / 3;
    }
    if (p.area_m2 > 0) {
        p.centroid_m = moment / p.area_m2;
    }
    return p;
}

bool isClosedAndOutward(const TriangleMesh& mesh) {
    std::map<std::pair<int, int>, int> edges;
    for (const auto& t : mesh.triangles) {
        for (int k = 0; k < 3; ++k) {
            ++edges[{t[k], t[(k + 1) % 3]}];
        }
    }
    for (const auto& [edge, count] : edges) {
        const auto back = edges.find({edge.second, edge.first});
        if (count != 1 || back == edges.end() || back->second != 1) {
            return false;
        }
    }
    return measureVolume(mesh).volume_m3 > 0;
}

TriangleMesh meshPlate(const std::vector<Eigen::Vector2d>& outline_m, const Eigen::Vector3d& root_m,
                       const Eigen::Vector3d& along, const Eigen::Vector3d& across,
                       double thickness_m) {
    TriangleMesh mesh;
    const Eigen::Vector3d normal = along.cross(across);
    const int n = static_cast<int>(outline_m.size());
    Eigen::Vector2d centre = Eigen::Vector2d::Zero();
    for (const Eigen::Vector2d& p : outline_m) {
        centre += p / n;
    }
    for (const double side : {0.5, -0.5}) {
        for (const Eigen::Vector2d& p : outline_m) {
            mesh.vertices_m.push_back(root_m + along * p.x() + across * p.y() +
                                      normal * side * thickness_m);
        }
    }
    const int top = static_cast<int>(mesh.vertices_m.size());
    const Eigen::Vector3d middle = root_m + along * centre.x() + across * centre.y();
    mesh.vertices_m.push_back(middle + normal * 0.5 * thickness_m);
    mesh.vertices_m.push_back(middle - normal * 0.5 * thickness_m);
    for (int k = 0; k < n; ++k) {
        const int next = (k + 1) % n;
        mesh.triangles.push_back({top, k, next});
        mesh.triangles.push_back({top + 1, n + next, n + k});
        mesh.triangles.push_back({k, n + k, n + next});
        mesh.triangles.push_back({k, n + next, next});
    }
    return mesh;
}

}  // namespace wl
