#include "reference/cgal_solid.h"

#include <CGAL/AABB_face_graph_triangle_primitive.h>
#include <CGAL/AABB_traits.h>
#include <CGAL/AABB_tree.h>
#include <CGAL/Exact_predicates_inexact_constructions_kernel.h>
#include <CGAL/Polygon_mesh_processing/corefinement.h>
#include <CGAL/Polygon_mesh_processing/measure.h>
#include <CGAL/Polygon_mesh_processing/triangulate_faces.h>
#include <CGAL/Surface_mesh.h>
#include <CGAL/centroid.h>
#include <cmath>
#include <cstdlib>

namespace wl::test {

using Kernel = CGAL::Exact_predicates_inexact_constructions_kernel;
using Mesh = CGAL::Surface_mesh<Kernel::Point_3>;
namespace pmp = CGAL::Polygon_mesh_processing;

struct CgalSolid::Surface {
    Mesh mesh;
};

CgalSolid::CgalSolid(std::unique_ptr<Surface> surface) : surface_(std::move(surface)) {}
CgalSolid::CgalSolid(const CgalSolid& other)
    : surface_(std::make_unique<Surface>(*other.surface_)) {}
CgalSolid::~CgalSolid() = default;

CgalSolid::CgalSolid(const TriangleMesh& from) : surface_(std::make_unique<Surface>()) {
    Mesh& mesh = surface_->mesh;
    std::vector<Mesh::Vertex_index> index;
    for (const Eigen::Vector3d& v : from.vertices_m) {
        index.push_back(mesh.add_vertex({v.x(), v.y(), v.z()}));
    }
    for (const auto& t : from.triangles) {
        if (mesh.add_face(index[size_t(t[0])], index[size_t(t[1])], index[size_t(t[2])]) ==
            Mesh::null_face()) {
            std::abort();
        }
    }
}

bool CgalSolid::closed() const {
    return CGAL::is_closed(surface_->mesh);
}

double CgalSolid::volume_m3() const {
    return pmp::volume(surface_->mesh);
}

double CgalSolid::area_m2() const {
    return pmp::area(surface_->mesh);
}

Eigen::Vector3d CgalSolid::centroid_m() const {
    const Mesh& mesh = surface_->mesh;
    Eigen::Vector3d moment = Eigen::Vector3d::Zero();
    double volume = 0;
    for (const auto face : mesh.faces()) {
        std::vector<Kernel::Point_3> p;
        for (const auto v : mesh.vertices_around_face(mesh.halfedge(face))) {
            p.push_back(mesh.point(v));
        }
        const Kernel::Tetrahedron_3 t(p[0], p[1], p[2], Kernel::Point_3(0, 0, 0));
        const double v = -t.volume();
        const auto c = CGAL::centroid(p[0], p[1], p[2], Kernel::Point_3(0, 0, 0));
        volume += v;
        moment += v * Eigen::Vector3d(c.x(), c.y(), c.z());
    }
    return moment / volume;
}

// The block beyond a plane, larger than any bait.
static TriangleMesh beyond(const CgalSolid::HalfSpace& space) {
    constexpr double kFar_m = 2.0;
    const Eigen::Vector3d on = space.normal * (space.offset_m / space.normal.squaredNorm());
    const Eigen::Vector3d n = space.normal.normalized(), u = n.unitOrthogonal(), v = n.cross(u);
    TriangleMesh block;
    for (const double out : {0.0, kFar_m}) {
        for (const auto& [a, b] : {std::pair(-1, -1), {1, -1}, {1, 1}, {-1, 1}}) {
            block.vertices_m.push_back(on + out * n + kFar_m * (a * u + b * v));
        }
    }
    block.triangles = {{0, 2, 1}, {0, 3, 2}, {4, 5, 6}, {4, 6, 7}, {0, 1, 5}, {0, 5, 4},
                       {1, 2, 6}, {1, 6, 5}, {2, 3, 7}, {2, 7, 6}, {3, 0, 4}, {3, 4, 7}};
    return block;
}

CgalSolid CgalSolid::within(const std::vector<HalfSpace>& spaces) const {
    CgalSolid left(*this);
    for (const HalfSpace& s : spaces) {
        Surface block = *CgalSolid(beyond(s)).surface_;
        Mesh rest;
        if (!pmp::corefine_and_compute_difference(left.surface_->mesh, block.mesh, rest)) {
            std::abort();
        }
        left.surface_->mesh = rest;
    }
    pmp::triangulate_faces(left.surface_->mesh);
    return left;
}

std::unique_ptr<CgalSolid> CgalSolid::without(const CgalSolid& cutter) const {
    Surface from = *surface_, tool = *cutter.surface_;
    pmp::triangulate_faces(from.mesh);
    auto left = std::make_unique<Surface>();
    if (!pmp::corefine_and_compute_difference(from.mesh, tool.mesh, left->mesh)) {
        return nullptr;
    }
    pmp::triangulate_faces(left->mesh);
    return std::unique_ptr<CgalSolid>(new CgalSolid(std::move(left)));
}

std::vector<double> CgalSolid::distances_m(const std::vector<Eigen::Vector3d>& places) const {
    using Primitive = CGAL::AABB_face_graph_triangle_primitive<Mesh>;
    const Mesh& mesh = surface_->mesh;
    CGAL::AABB_tree<CGAL::AABB_traits<Kernel, Primitive>> tree(faces(mesh).first,
                                                               faces(mesh).second, mesh);
    std::vector<double> distances;
    for (const Eigen::Vector3d& p : places) {
        distances.push_back(std::sqrt(tree.squared_distance(Kernel::Point_3(p.x(), p.y(), p.z()))));
    }
    return distances;
}

}  // namespace wl::test
