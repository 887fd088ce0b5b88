#include "reference/cgal_solid.h"

#include <CGAL/AABB_face_graph_triangle_primitive.h>
#include <CGAL/AABB_traits.h>
#include <CGAL/AABB_tree.h>
#include <CGAL/Exact_predicates_inexact_constructions_kernel.h>
#include <CGAL/Polygon_mesh_processing/clip.h>
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

CgalSolid CgalSolid::within(const std::vector<HalfSpace>& spaces) const {
    CgalSolid left(*this);
    for (const HalfSpace& s : spaces) {
        pmp::clip(left.surface_->mesh,
                  Kernel::Plane_3(s.normal.x(), s.normal.y(), s.normal.z(), -s.offset_m),
                  CGAL::parameters::clip_volume(true));
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
