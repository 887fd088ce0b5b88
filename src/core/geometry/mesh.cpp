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

double polygonArea(const std::vector<Eigen::Vector2d>& ring) {
    double twice = 0;
    for (size_t i = 0; i < ring.size(); ++i) {
        const Eigen::Vector2d& a = ring[i];
        const Eigen::Vector2d& b = ring[(i + 1) % ring.size()];
        twice += a.x() * b.y() - b.x() * a.y();
    }
    return 0.5 * twice;
}

// Ring positions in u: every station kept, spans divided in proportion to their length in u.
std::vector<double> ringPositions(const std::vector<double>& knots, int lengthwise) {
    std::vector<double> u{knots.front()};
    for (size_t i = 0; i + 1 < knots.size(); ++i) {
        const double span = knots[i + 1] - knots[i];
        const int parts = std::max(2, static_cast<int>(std::lround(span * lengthwise)));
        for (int k = 1; k <= parts; ++k) {
            u.push_back(knots[i] + span * k / parts);
        }
    }
    return u;
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

TriangleMesh meshBody(const BodyCurves& curves, double exactVolume_m3, int lengthwise, int around) {
    TriangleMesh mesh;
    const std::vector<double> positions = ringPositions(curves.knots(), lengthwise);
    std::vector<Eigen::Vector2d> ring;
    int previous = -1;  // first vertex of the previous ring or its single tip
    bool previousIsTip = false;
    for (size_t i = 0; i < positions.size(); ++i) {
        const Section s = curves.at(positions[i]);
        const double height = s.back_m - s.belly_m;
        const bool end = i == 0 || i + 1 == positions.size();
        const bool tip = end && (s.halfWidth_m < 1e-6 || height < 1e-6);
        const int first = static_cast<int>(mesh.vertices_m.size());
        if (tip) {
            mesh.vertices_m.emplace_back(s.x_m, 0.0, 0.5 * (s.back_m + s.belly_m));
        } else {
            sectionRing(s, around / 4, ring);
            const double polygon = polygonArea(ring);
            const double exact = computeSectionMoments(s).area_m2;
            const double scale = polygon > 0 ? std::sqrt(exact / polygon) : 1.0;
            for (const Eigen::Vector2d& p : ring) {
                mesh.vertices_m.emplace_back(s.x_m, p.x() * scale,
                                             s.widest_m + (p.y() - s.widest_m) * scale);
            }
        }
        // Rings run from port over the back to starboard, and x points aft.
        auto facing = [&mesh](int a, int b, int c) { mesh.triangles.push_back({a, b, c}); };
        if (i > 0) {
            for (int k = 0; k < around; ++k) {
                const int next = (k + 1) % around;
                if (previousIsTip && !tip) {
                    facing(previous, first + next, first + k);
                } else if (!previousIsTip && tip) {
                    facing(previous + k, previous + next, first);
                } else if (!previousIsTip && !tip) {
                    facing(previous + k, previous + next, first + next);
                    facing(previous + k, first + next, first + k);
                }
            }
        }
        if (end && !tip) {  // flat face
            const int centre = static_cast<int>(mesh.vertices_m.size());
            mesh.vertices_m.emplace_back(s.x_m, 0.0, s.widest_m);
            for (int k = 0; k < around; ++k) {
                const int next = (k + 1) % around;
                if (i == 0) {
                    facing(centre, first + next, first + k);
                } else {
                    facing(centre, first + k, first + next);
                }
            }
        }
        previous = first;
        previousIsTip = tip;
    }
    const SolidProperties now = integrateMesh(mesh);
    if (now.volume_m3 > 0 && exactVolume_m3 > 0) {
        const double scale = std::cbrt(exactVolume_m3 / now.volume_m3);
        for (Eigen::Vector3d& v : mesh.vertices_m) {
            v = now.centroid_m + scale * (v - now.centroid_m);
        }
    }
    return mesh;
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
