// Closed triangle surfaces and their exact volume integrals.
#pragma once

#include <array>
#include <vector>

#include <Eigen/Core>

#include "core/base/triangle_mesh.h"
#include "core/geometry/body_curves.h"

namespace wl {

/// Volume, centroid and inertia of a closed mesh by signed tetrahedra (equal to the polynomial
/// integrals of Mirtich 1996), taken about the mean vertex so that a mesh far from the origin loses
/// no digits.
SolidProperties integrateMesh(const TriangleMesh& mesh);

/// The volume and centroid of the same alone, at a third of the work.
struct MeshVolume {
    double volume_m3 = 0.0;
    Eigen::Vector3d centroid_m = Eigen::Vector3d::Zero();
};
MeshVolume measureVolume(const TriangleMesh& mesh);

/// Area and area centroid of the skin.
struct SkinProperties {
    double area_m2 = 0.0;
    Eigen::Vector3d centroid_m = Eigen::Vector3d::Zero();
};
SkinProperties integrateSkin(const TriangleMesh& mesh);

/// True when every edge is shared by exactly two triangles that run along it in opposite senses,
/// and the enclosed volume is positive.
bool isClosedAndOutward(const TriangleMesh& mesh);

/// A flat plate: `outline_m` [n] is a simple polygon in the plane (along, across),
/// counter-clockwise; it is set at `root` with unit axes `along` and `across`, thickness centred on
/// that plane.
TriangleMesh meshPlate(const std::vector<Eigen::Vector2d>& outline_m, const Eigen::Vector3d& root_m,
                       const Eigen::Vector3d& along, const Eigen::Vector3d& across,
                       double thickness_m);

}  // namespace wl
