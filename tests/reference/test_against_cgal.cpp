// The demo body and its submerged part against CGAL 5.5 on the same surface.
#include <CGAL/Exact_predicates_inexact_constructions_kernel.h>
#include <CGAL/Polygon_mesh_processing/clip.h>
#include <CGAL/Polygon_mesh_processing/measure.h>
#include <CGAL/Polygon_mesh_processing/triangulate_faces.h>
#include <CGAL/Surface_mesh.h>
#include <CGAL/centroid.h>
#include <catch2/catch.hpp>
#include <random>

#include "support/sample_bait.h"

using namespace wl;
using namespace wl::test;
using Kernel = CGAL::Exact_predicates_inexact_constructions_kernel;
using Mesh = CGAL::Surface_mesh<Kernel::Point_3>;
namespace pmp = CGAL::Polygon_mesh_processing;

namespace {

Mesh toCgal(const TriangleMesh& from) {
    Mesh mesh;
    std::vector<Mesh::Vertex_index> index;
    for (const Eigen::Vector3d& v : from.vertices_m) {
        index.push_back(mesh.add_vertex({v.x(), v.y(), v.z()}));
    }
    for (const auto& t : from.triangles) {
        REQUIRE(mesh.add_face(index[size_t(t[0])], index[size_t(t[1])], index[size_t(t[2])]) !=
                Mesh::null_face());
    }
    return mesh;
}

// Centroid of the volume by CGAL's centroid of tetrahedra from a point.
Eigen::Vector3d volumeCentroid(const Mesh& mesh) {
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

}  // namespace

TEST_CASE("the demo body's volume, area and centroid agree with CGAL within 0.1 %") {
    const Derived d = evaluated(demoDesign());
    // A finer surface, not scaled to our own volume: inscribed rings at 300 x 200.
    TriangleMesh fine = meshPiece(d.curves, {}, 0.0, 300, 200);
    const Mesh mesh = toCgal(fine);
    REQUIRE(CGAL::is_closed(mesh));
    CHECK(d.solid.volume_m3 == Approx(pmp::volume(mesh)).epsilon(1e-3));
    CHECK(d.skin.area_m2 == Approx(pmp::area(mesh)).epsilon(1e-3));
    CHECK((d.solid.centroid_m - volumeCentroid(mesh)).norm() < 1e-3 * d.sizes.length_m);
}

TEST_CASE("the part under water agrees with CGAL's clip on random poses within 0.1 %") {
    const Derived d = evaluated(demoDesign());
    const Mesh whole = toCgal(d.mesh);
    std::mt19937 random(5);
    std::uniform_real_distribution<double> unit(-1, 1);
    for (int i = 0; i < 25; ++i) {
        const Eigen::Vector3d up = upInBody(1.4 * unit(random), 3.0 * unit(random));
        const double offset = up.dot(d.solid.centroid_m) + 0.008 * unit(random);
        const Submerged wet = computeSubmerged({{d.mesh}, {}}, {up, offset});
        Mesh below = whole;
        pmp::clip(below, Kernel::Plane_3(up.x(), up.y(), up.z(), -offset),
                  CGAL::parameters::clip_volume(true));
        pmp::triangulate_faces(below);
        INFO(i);
        CHECK(wet.volume_m3 == Approx(pmp::volume(below)).epsilon(1e-3));
        CHECK((wet.moment_m4 / wet.volume_m3 - volumeCentroid(below)).norm() <
              1e-3 * d.sizes.length_m);
    }
}
