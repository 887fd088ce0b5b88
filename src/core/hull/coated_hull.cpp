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

constexpr double kHead = 0.25, kTail = 0.8, kUpOrDown = 0.5;

bool isPlaced(const Coat& coat) {
    return coat.place != CoatPlace::AllOver && !coat.innerFace;
}

// Whether skin at x that looks along the normal belongs to a place.
bool liesOn(CoatPlace place, double x_m, const Eigen::Vector3d& normal, double length_m) {
    switch (place) {
        case CoatPlace::Back:
            return normal.z() > kUpOrDown;
        case CoatPlace::Belly:
            return normal.z() < -kUpOrDown;
        case CoatPlace::Flanks:
            return std::abs(normal.z()) <= kUpOrDown;
        case CoatPlace::Head:
            return x_m < kHead * length_m;
        case CoatPlace::Tail:
            return x_m > kTail * length_m;
        case CoatPlace::AllOver:
            break;
    }
    return true;
}

// What all coats put on a part: evenly over it, more per unit normal along `lean_m`, and in places.
struct CoatsOnPart {
    double volume_m3 = 0.0;
    double even_m3 = 0.0;  ///< of those all over
    Eigen::Vector3d lean_m = Eigen::Vector3d::Zero();
    std::vector<const Coat*> placed;
    double length_m = 0.0;
};

void coatMesh(TriangleMesh& mesh, double volume_m3, double skin_m2, const CoatsOnPart& on) {
    std::vector<Eigen::Vector3d> normals(mesh.vertices_m.size(), Eigen::Vector3d::Zero());
    for (const auto& t : mesh.triangles) {
        const Eigen::Vector3d& p = mesh.vertices_m[size_t(t[0])];
        const Eigen::Vector3d byArea =
            (mesh.vertices_m[size_t(t[1])] - p).cross(mesh.vertices_m[size_t(t[2])] - p);
        for (const int v : t) {
            normals[size_t(v)] += byArea;
        }
    }
    const double even = on.even_m3 / skin_m2;
    for (size_t i = 0; i < normals.size(); ++i) {
        const Eigen::Vector3d n = normals[i].normalized();
        double thickness = even + on.lean_m.dot(n);
        for (const Coat* coat : on.placed) {
            if (liesOn(coat->place, mesh.vertices_m[i].x(), n, on.length_m)) {
                thickness += coat->covers * dryThickness_m(*coat);
            }
        }
        mesh.vertices_m[i] += thickness * n;
    }
    scaleMeshToVolume(mesh, volume_m3 + on.volume_m3);
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

PaintedSkin integratePaint(const TriangleMesh& mesh, const Eigen::Vector3d& shift,
                           double length_m) {
    const SkinProperties skin = integrateSkin(mesh);
    PaintedSkin painted;
    painted.area_m2 = skin.area_m2;
    painted.centre_m = skin.centroid_m + shift;
    for (const auto& t : mesh.triangles) {
        const Eigen::Vector3d& a = mesh.vertices_m[size_t(t[0])];
        const Eigen::Vector3d& b = mesh.vertices_m[size_t(t[1])];
        const Eigen::Vector3d& c = mesh.vertices_m[size_t(t[2])];
        const Eigen::Vector3d area = 0.5 * (b - a).cross(c - a);
        const Eigen::Vector3d middle = (a + b + c) / 3 + shift;
        painted.facing_m2 += area;
        painted.lean_m3 += middle * area.transpose();
        const double size = area.norm();
        for (size_t k = 0; k < painted.places.size() && size > 0; ++k) {
            if (liesOn(CoatPlace(k), middle.x(), area / size, length_m)) {
                painted.places[k].area_m2 += size;
                painted.places[k].moment_m3 += size * middle;
            }
        }
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

std::vector<Coat> coatsOf(const Design& design) {
    std::vector<Coat> coats = design.coats;
    for (Coat& coat : coats) {
        coat.innerFace = coat.innerFace && design.make.kind == MakeKind::Layered;
    }
    return coats;
}

double dryThickness_m(const Coat& coat) {
    return coat.thickness_m * coat.count * coat.solids;
}

CoatOnHull coatOn(const PaintedSkin& skin, const Coat& coat) {
    if (coat.innerFace) {
        return {0.0, skin.centre_m};
    }
    const double thickness = coat.covers * dryThickness_m(coat);
    if (isPlaced(coat)) {
        const PaintedSkin::Part& part = skin.at(coat.place);
        return {part.area_m2 * thickness,
                part.area_m2 > 0 ? Eigen::Vector3d(part.moment_m3 / part.area_m2) : skin.centre_m};
    }
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
                                  const std::vector<Coat>& coats, double length_m) {
    std::vector<CoatedHull> hulls;
    for (const BodyPart& part : parts) {
        const MeshVolume drawn = measureVolume(part.mesh), rough = measureVolume(part.coarse);
        const SkinProperties skin = integrateSkin(part.mesh);
        const Eigen::Vector3d shift = part.solid.centroid_m - drawn.centroid_m;
        const PaintedSkin painted = integratePaint(paintedMesh(part), shift, length_m);
        CoatsOnPart on;
        on.length_m = length_m;
        for (const Coat& coat : coats) {
            const double volume = coatOn(painted, coat).volume_m3;
            on.volume_m3 += volume;
            if (isPlaced(coat)) {
                on.placed.push_back(&coat);
            } else if (!coat.innerFace) {
                on.even_m3 += volume;
                on.lean_m += coat.covers * dryThickness_m(coat) * coat.thickerBy *
                             thickerWay(coat.thickerOn);
            }
        }
        TriangleMesh fine = moved(part.mesh, shift);
        TriangleMesh coarse = moved(part.coarse, part.solid.centroid_m - rough.centroid_m);
        if (on.volume_m3 > 0) {
            coatMesh(fine, drawn.volume_m3, skin.area_m2, on);
            coatMesh(coarse, rough.volume_m3, integrateSkin(part.coarse).area_m2, on);
        }
        hulls.push_back({WettedHull(std::move(fine)), WettedHull(std::move(coarse)), painted});
    }
    return hulls;
}

}  // namespace wl
