#include "core/hull/coated_hull.h"

#include <algorithm>
#include <cmath>

#include <Eigen/Geometry>

#include "core/geometry/mesh_clip.h"

namespace wl {
namespace {

TriangleMesh moved(TriangleMesh mesh, const Eigen::Vector3d& way) {
    for (Eigen::Vector3d& v : mesh.vertices_m) {
        v += way;
    }
    return mesh;
}

// `lean_m`: thickness more per unit normal along it.
void coatMesh(TriangleMesh& mesh, double volume_m3, double skin_m2, double coat_m3,
              const Eigen::Vector3d& lean_m) {
    std::vector<Eigen::Vector3d> normals(mesh.vertices_m.size(), Eigen::Vector3d::Zero());
    for (const auto& t : mesh.triangles) {
        const Eigen::Vector3d& p = mesh.vertices_m[size_t(t[0])];
        const Eigen::Vector3d byArea =
            (mesh.vertices_m[size_t(t[1])] - p).cross(mesh.vertices_m[size_t(t[2])] - p);
        for (const int v : t) {
            normals[size_t(v)] += byArea;
        }
    }
    const double thickness = coat_m3 / skin_m2;
    for (size_t i = 0; i < normals.size(); ++i) {
        const Eigen::Vector3d n = normals[i].normalized();
        mesh.vertices_m[i] += (thickness + lean_m.dot(n)) * n;
    }
    scaleMeshToVolume(mesh, volume_m3 + coat_m3);
}

TriangleMesh paintedMesh(const BodyPart& part) {
    constexpr double kOnFace_m = 2e-4;  // the mesh was scaled by a hair to its exact volume
    if (!part.bounds.front && !part.bounds.rear) {
        return part.mesh;
    }
    TriangleMesh outer;
    outer.vertices_m = part.mesh.vertices_m;
    for (const auto& t : part.mesh.triangles) {
        bool onFace = false;
        for (const auto* face : {&part.bounds.front, &part.bounds.rear}) {
            onFace = onFace || (*face && std::all_of(t.begin(), t.end(), [&](int v) {
                         const Eigen::Vector3d& p = outer.vertices_m[size_t(v)];
                         const double x = (*face)->x_m + (*face)->slope * std::abs(p.y());
                         return std::abs(p.x() - x) < kOnFace_m;
                     }));
        }
        if (!onFace) {
            outer.triangles.push_back(t);
        }
    }
    return outer;
}

PaintedSkin integratePaint(const TriangleMesh& mesh, const Eigen::Vector3d& shift) {
    const SkinProperties skin = integrateSkin(mesh);
    PaintedSkin painted{skin.area_m2, skin.centroid_m + shift};
    for (const auto& t : mesh.triangles) {
        const Eigen::Vector3d& a = mesh.vertices_m[size_t(t[0])];
        const Eigen::Vector3d& b = mesh.vertices_m[size_t(t[1])];
        const Eigen::Vector3d& c = mesh.vertices_m[size_t(t[2])];
        const Eigen::Vector3d area = 0.5 * (b - a).cross(c - a);
        painted.facing_m2 += area;
        painted.lean_m3 += ((a + b + c) / 3 + shift) * area.transpose();
    }
    return painted;
}

}  // namespace

Eigen::Vector3d thickerWay(ThickerOn side) {
    switch (side) {
        case ThickerOn::Belly:
            return -Eigen::Vector3d::UnitZ();
        case ThickerOn::Back:
            return Eigen::Vector3d::UnitZ();
        case ThickerOn::Port:
            return Eigen::Vector3d::UnitY();
        case ThickerOn::Starboard:
            return -Eigen::Vector3d::UnitY();
        case ThickerOn::Nose:
            return -Eigen::Vector3d::UnitX();
        case ThickerOn::Tail:
            return Eigen::Vector3d::UnitX();
        case ThickerOn::Nowhere:
            break;
    }
    return Eigen::Vector3d::Zero();
}

CoatOnHull coatOn(const PaintedSkin& skin, const Coat& coat) {
    const double thickness = coat.thickness_m * coat.count;
    const Eigen::Vector3d way = coat.thickerBy * thickerWay(coat.thickerOn);
    CoatOnHull on{skin.area_m2 * thickness, skin.centre_m};
    if (coat.thickerOn != ThickerOn::Nowhere && on.volume_m3 > 0) {
        const double area = skin.area_m2 + way.dot(skin.facing_m2);
        on.volume_m3 = area * thickness;
        on.centre_m = (skin.area_m2 * skin.centre_m + skin.lean_m3 * way) / area;
    }
    return on;
}

std::vector<CoatedHull> coatHulls(const std::vector<BodyPart>& parts,
                                  const std::vector<Coat>& coats) {
    std::vector<CoatedHull> hulls;
    for (const BodyPart& part : parts) {
        const MeshVolume drawn = measureVolume(part.mesh), rough = measureVolume(part.coarse);
        const SkinProperties skin = integrateSkin(part.mesh);
        const Eigen::Vector3d shift = part.solid.centroid_m - drawn.centroid_m;
        const PaintedSkin painted = integratePaint(paintedMesh(part), shift);
        double coat_m3 = 0;
        Eigen::Vector3d lean = Eigen::Vector3d::Zero();
        for (const Coat& coat : coats) {
            coat_m3 += coatOn(painted, coat).volume_m3;
            lean += coat.thickness_m * coat.count * coat.thickerBy * thickerWay(coat.thickerOn);
        }
        TriangleMesh fine = moved(part.mesh, shift);
        TriangleMesh coarse = moved(part.coarse, part.solid.centroid_m - rough.centroid_m);
        if (coat_m3 > 0) {
            coatMesh(fine, drawn.volume_m3, skin.area_m2, coat_m3, lean);
            coatMesh(coarse, rough.volume_m3, integrateSkin(part.coarse).area_m2, coat_m3, lean);
        }
        hulls.push_back({WettedHull(std::move(fine)), WettedHull(std::move(coarse)), painted});
    }
    return hulls;
}

}  // namespace wl
