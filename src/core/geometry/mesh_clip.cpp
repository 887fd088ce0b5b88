#include "core/geometry/mesh_clip.h"

#include <cmath>
#include <map>

#include <Eigen/Geometry>

namespace wl {
namespace {

constexpr int kCupRings = 5;

// Closes one loop of boundary vertices, given in the sense of the kept surface's edges.
void closeLoop(TriangleMesh& mesh, const std::vector<int>& loop, const Eigen::Vector3d& normal,
               const Cup& cup) {
    Eigen::Vector3d centre = Eigen::Vector3d::Zero();
    double length = 0;
    for (size_t i = 0; i < loop.size(); ++i) {  // by edge length: uneven spacing must not pull it
        const Eigen::Vector3d& a = mesh.vertices_m[size_t(loop[i])];
        const Eigen::Vector3d& b = mesh.vertices_m[size_t(loop[(i + 1) % loop.size()])];
        centre += (b - a).norm() * 0.5 * (a + b);
        length += (b - a).norm();
    }
    centre /= std::max(length, 1e-12);
    std::vector<int> rim = loop;
    auto bridge = [&mesh](const std::vector<int>& outer, const std::vector<int>& inner) {
        for (size_t i = 0; i < outer.size(); ++i) {
            const size_t next = (i + 1) % outer.size();
            mesh.triangles.push_back({outer[next], outer[i], inner[i]});
            mesh.triangles.push_back({outer[next], inner[i], inner[next]});
        }
    };
    Eigen::Vector3d bottom = centre;
    if (cup.depth_m > 0 && cup.share > 0) {
        for (int k = 0; k < kCupRings; ++k) {
            const double rho = 1.0 - double(k) / kCupRings;
            std::vector<int> ring;
            for (const int v : loop) {
                ring.push_back(int(mesh.vertices_m.size()));
                mesh.vertices_m.push_back(centre +
                                          cup.share * rho * (mesh.vertices_m[size_t(v)] - centre) -
                                          normal * cup.depth_m * (1 - rho * rho));
            }
            bridge(rim, ring);
            rim = ring;
        }
        bottom = centre - normal * cup.depth_m;
    }
    const int middle = int(mesh.vertices_m.size());
    mesh.vertices_m.push_back(bottom);
    for (size_t i = 0; i < rim.size(); ++i) {
        mesh.triangles.push_back({rim[(i + 1) % rim.size()], rim[i], middle});
    }
}

}  // namespace

TriangleMesh clipMesh(const TriangleMesh& mesh, const Eigen::Vector3d& normal, double offset_m,
                      const Cup& cup) {
    TriangleMesh out;
    std::vector<double> above(mesh.vertices_m.size());
    std::vector<int> kept(mesh.vertices_m.size(), -1);
    for (size_t i = 0; i < above.size(); ++i) {
        above[i] = normal.dot(mesh.vertices_m[i]) - offset_m;
        if (std::abs(above[i]) < 1e-12) {
            above[i] = -1e-12;
        }
        if (above[i] < 0) {
            kept[i] = int(out.vertices_m.size());
            out.vertices_m.push_back(mesh.vertices_m[i]);
        }
    }
    std::map<std::pair<int, int>, int> crossings;
    auto crossing = [&](int a, int b) {
        const auto key = std::minmax(a, b);
        const auto found = crossings.find(key);
        if (found != crossings.end()) {
            return found->second;
        }
        const double t = above[size_t(a)] / (above[size_t(a)] - above[size_t(b)]);
        const int index = int(out.vertices_m.size());
        out.vertices_m.push_back(mesh.vertices_m[size_t(a)] +
                                 t * (mesh.vertices_m[size_t(b)] - mesh.vertices_m[size_t(a)]));
        crossings[key] = index;
        return index;
    };
    std::map<int, int> boundary;  // kept surface's open edges, from -> to
    for (const auto& t : mesh.triangles) {
        std::vector<int> polygon;
        int leaving = -1, entering = -1;
        for (int k = 0; k < 3; ++k) {
            const int a = t[size_t(k)], b = t[size_t((k + 1) % 3)];
            if (above[size_t(a)] < 0) {
                polygon.push_back(kept[size_t(a)]);
            }
            if ((above[size_t(a)] < 0) != (above[size_t(b)] < 0)) {
                const int c = crossing(a, b);
                polygon.push_back(c);
                (above[size_t(a)] < 0 ? leaving : entering) = c;
            }
        }
        for (size_t k = 1; k + 1 < polygon.size(); ++k) {
            out.triangles.push_back({polygon[0], polygon[k], polygon[k + 1]});
        }
        if (leaving >= 0 && entering >= 0 && leaving != entering) {
            boundary[leaving] = entering;
        }
    }
    while (!boundary.empty()) {
        std::vector<int> loop;
        int at = boundary.begin()->first;
        for (auto next = boundary.find(at); next != boundary.end(); next = boundary.find(at)) {
            loop.push_back(at);
            at = next->second;
            boundary.erase(next);
        }
        if (loop.size() >= 3) {
            closeLoop(out, loop, normal, cup);
        }
    }
    return out;
}

TriangleMesh clippedAtEndFace(const TriangleMesh& mesh, const BodyCurves& curves, bool nose) {
    const EndFace& face = curves.endFace(nose);
    // Outward: against x at the nose, with it at the tail.
    const double sine = std::sin(face.angle_rad), cosine = std::cos(face.angle_rad);
    const Eigen::Vector3d aft(sine, 0, -cosine);
    const Eigen::Vector3d normal = nose ? Eigen::Vector3d(-aft) : aft;
    const double offset = normal.x() * face.x_m;
    return clipMesh(mesh, normal, offset, {face.cupDepth_m, face.cupShare});
}

void scaleMeshToVolume(TriangleMesh& mesh, double volume_m3) {
    const MeshVolume now = measureVolume(mesh);
    if (!(now.volume_m3 > 0 && volume_m3 > 0)) {
        return;
    }
    const double scale = std::cbrt(volume_m3 / now.volume_m3);
    for (Eigen::Vector3d& v : mesh.vertices_m) {
        v = now.centroid_m + scale * (v - now.centroid_m);
    }
}

}  // namespace wl
