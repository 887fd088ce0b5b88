#include "solid/boolean.h"

#include <CGAL/Exact_predicates_exact_constructions_kernel.h>
#include <CGAL/Polygon_mesh_processing/corefinement.h>
#include <CGAL/Polygon_mesh_processing/orientation.h>
#include <CGAL/Polygon_mesh_processing/self_intersections.h>
#include <CGAL/Surface_mesh.h>
#include <exception>
#include <map>

namespace wl {
namespace {

using Kernel = CGAL::Exact_predicates_exact_constructions_kernel;
using Surface = CGAL::Surface_mesh<Kernel::Point_3>;
namespace pmp = CGAL::Polygon_mesh_processing;

Error cannotCut() {
    return {"solid.cannot_cut", "", {}, {}};
}

}  // namespace

struct ExactSolid::Body {
    Surface surface;
};

ExactSolid::ExactSolid(std::unique_ptr<Body> body) : body_(std::move(body)) {}
ExactSolid::~ExactSolid() = default;
ExactSolid::ExactSolid(const ExactSolid& other) : body_(std::make_unique<Body>(*other.body_)) {}
ExactSolid::ExactSolid(ExactSolid&&) noexcept = default;
ExactSolid& ExactSolid::operator=(ExactSolid&&) noexcept = default;

// CGAL tells what it cannot do by throwing; nothing of it leaves this file.
Result<ExactSolid> ExactSolid::of(const TriangleMesh& mesh) {
    try {
        auto body = std::make_unique<Body>();
        std::vector<Surface::Vertex_index> index;
        for (const Eigen::Vector3d& v : mesh.vertices_m) {
            index.push_back(body->surface.add_vertex({v.x(), v.y(), v.z()}));
        }
        for (const auto& t : mesh.triangles) {
            if (body->surface.add_face(index[size_t(t[0])], index[size_t(t[1])],
                                       index[size_t(t[2])]) == Surface::null_face()) {
                return cannotCut();
            }
        }
        if (!CGAL::is_closed(body->surface) || pmp::does_self_intersect(body->surface)) {
            return cannotCut();
        }
        if (!pmp::is_outward_oriented(body->surface)) {
            pmp::reverse_face_orientations(body->surface);
        }
        return ExactSolid(std::move(body));
    } catch (const std::exception&) {
        return cannotCut();
    }
}

std::optional<Error> ExactSolid::subtract(const ExactSolid& tool) {
    try {
        Surface from = body_->surface, with = tool.body_->surface, left;
        if (!pmp::corefine_and_compute_difference(from, with, left)) {
            return cannotCut();
        }
        body_->surface = std::move(left);
        return std::nullopt;
    } catch (const std::exception&) {
        return cannotCut();
    }
}

std::optional<Error> ExactSolid::add(const ExactSolid& other) {
    try {
        Surface from = body_->surface, with = other.body_->surface, both;
        if (!pmp::corefine_and_compute_union(from, with, both)) {
            return cannotCut();
        }
        body_->surface = std::move(both);
        return std::nullopt;
    } catch (const std::exception&) {
        return cannotCut();
    }
}

TriangleMesh ExactSolid::mesh() const {
    TriangleMesh mesh;
    std::map<std::array<double, 3>, int> at;
    std::map<Surface::Vertex_index, int> index;
    for (const Surface::Vertex_index v : body_->surface.vertices()) {
        const Kernel::Point_3& p = body_->surface.point(v);
        const std::array<double, 3> place{CGAL::to_double(p.x()), CGAL::to_double(p.y()),
                                          CGAL::to_double(p.z())};
        const auto [found, fresh] = at.emplace(place, int(mesh.vertices_m.size()));
        if (fresh) {
            mesh.vertices_m.emplace_back(place[0], place[1], place[2]);
        }
        index[v] = found->second;
    }
    for (const Surface::Face_index f : body_->surface.faces()) {
        std::array<int, 3> t{};
        size_t k = 0;
        for (const Surface::Vertex_index v :
             CGAL::vertices_around_face(body_->surface.halfedge(f), body_->surface)) {
            t[k++] = index[v];
        }
        if (t[0] != t[1] && t[1] != t[2] && t[2] != t[0]) {
            mesh.triangles.push_back(t);
        }
    }
    return mesh;
}

}  // namespace wl
