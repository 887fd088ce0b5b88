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
    double volume6 = 0;
    Eigen::Vector3d first24 = Eigen::Vector3d::Zero();
    Eigen::Matrix3d second120 = Eigen::Matrix3d::Zero();
    for (const auto& t : mesh.triangles) {
        const Eigen::Vector3d a = mesh.vertices_m[t[0]] - origin;
        const Eigen::Vector3d b = mesh.vertices_m[t[1]] - origin;
        const Eigen::Vector3d c = mesh.vertices_m[t[2]] - origin;
        const double d = a.dot(b.cross(c));
        const Eigen::Vector3d s = a + b + c;
        volume6 += d;
        first24 += d * s;
        second120 +=
            d * (a * a.transpose() + b * b.transpose() + c * c.transpose() + s * s.transpose());
    }
    SolidProperties p;
    p.volume_m3 = volume6 / 6;
    if (p.volume_m3 == 0) {
        return p;
    }
    const Eigen::Vector3d local = first24 / 24 / p.volume_m3;
    p.centroid_m = origin + local;
    const Eigen::Matrix3d c = second120 / 120 - p.volume_m3 * local * local.transpose();
    p.inertia_m5 = c.trace() * Eigen::Matrix3d::Identity() - c;
    return p;
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
    return integrateMesh(mesh).volume_m3 > 0;
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
