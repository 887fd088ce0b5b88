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

void coatMesh(TriangleMesh& mesh, double volume_m3, double skin_m2, double coat_m3) {
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
        mesh.vertices_m[i] += thickness * normals[i].normalized();
    }
    scaleMeshToVolume(mesh, volume_m3 + coat_m3);
}

SkinProperties paintedSkin(const BodyPart& part, const SkinProperties& whole) {
    constexpr double kOnFace_m = 2e-4;  // the mesh was scaled by a hair to its exact volume
    if (!part.bounds.front && !part.bounds.rear) {
        return whole;
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
    return integrateSkin(outer);
}

}  // namespace

std::vector<CoatedHull> coatHulls(const std::vector<BodyPart>& parts,
                                  const std::vector<Coat>& coats) {
    std::vector<CoatedHull> hulls;
    for (const BodyPart& part : parts) {
        const MeshVolume drawn = measureVolume(part.mesh), rough = measureVolume(part.coarse);
        const SkinProperties skin = integrateSkin(part.mesh);
        const SkinProperties painted = paintedSkin(part, skin);
        double coat_m3 = 0;
        for (const Coat& coat : coats) {
            coat_m3 += painted.area_m2 * coat.thickness_m * coat.count;
        }
        const Eigen::Vector3d shift = part.solid.centroid_m - drawn.centroid_m;
        TriangleMesh fine = moved(part.mesh, shift);
        TriangleMesh coarse = moved(part.coarse, part.solid.centroid_m - rough.centroid_m);
        if (coat_m3 > 0) {
            coatMesh(fine, drawn.volume_m3, skin.area_m2, coat_m3);
            coatMesh(coarse, rough.volume_m3, integrateSkin(part.coarse).area_m2, coat_m3);
        }
        hulls.push_back(
            {std::move(fine), std::move(coarse), painted.area_m2, painted.centroid_m + shift});
    }
    return hulls;
}

}  // namespace wl
