// The demo body and its submerged part against CGAL 5.5 on the same surface.
#include <CGAL/Exact_predicates_inexact_constructions_kernel.h>
#include <CGAL/Polygon_mesh_processing/clip.h>
#include <CGAL/Polygon_mesh_processing/corefinement.h>
#include <CGAL/Polygon_mesh_processing/measure.h>
#include <CGAL/Polygon_mesh_processing/triangulate_faces.h>
#include <CGAL/Surface_mesh.h>
#include <CGAL/centroid.h>
#include <catch2/catch.hpp>
#include <random>

#include "io/design_file.h"
#include "io/embedded_data.h"
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

TEST_CASE("every demo's pieces, cut by CGAL along the same faces, agree within 0.1 %") {
    for (const Demo& demo : demos()) {
        INFO(demo.name);
        const Result<Design> design = readDesign(demo.text);
        REQUIRE(design.ok());
        const Derived d = evaluated(*design);
        // The port half of a fine surface, cut by the two planes a V face makes of it.
        const Mesh whole = toCgal(meshPiece(d.curves, {}, 0.0, 300, 200));
        for (const BodyPart& part : d.parts) {
            Mesh half = whole;
            const auto keep = CGAL::parameters::clip_volume(true);
            pmp::clip(half, Kernel::Plane_3(0, -1, 0, 0), keep);
            if (part.bounds.rear) {
                pmp::clip(half,
                          Kernel::Plane_3(1, -part.bounds.rear->slope, 0, -part.bounds.rear->x_m),
                          keep);
            }
            if (part.bounds.front) {
                pmp::clip(half,
                          Kernel::Plane_3(-1, part.bounds.front->slope, 0, part.bounds.front->x_m),
                          keep);
            }
            pmp::triangulate_faces(half);
            CHECK(part.solid.volume_m3 == Approx(2 * pmp::volume(half)).epsilon(1e-3));
            CHECK(std::abs(part.solid.centroid_m.x() - volumeCentroid(half).x()) <
                  1e-3 * d.sizes.length_m);
        }
    }
}

TEST_CASE("a bore and a sloped face taken off by CGAL leave what ours leave, within 0.1 %") {
    Design design = demoDesign();
    design.body.noseFace.present = true;
    design.body.noseFace.x_m = 0.008;
    design.body.noseFace.angle_rad = 60 * kDegree;
    const auto curves = BodyCurves::build(design.body, "");
    REQUIRE(curves.ok());
    Body uncut = design.body;
    uncut.noseFace.present = false;
    const auto plain = BodyCurves::build(uncut, "");
    REQUIRE(plain.ok());
    Mesh body = toCgal(meshPiece(*plain, {}, 0.0, 300, 200));
    const double sine = std::sin(60 * kDegree), cosine = std::cos(60 * kDegree);
    pmp::clip(body, Kernel::Plane_3(-sine, 0, cosine, sine * 0.008),
              CGAL::parameters::clip_volume(true));
    CHECK(integratePiece(*curves, {}).volume_m3 == Approx(pmp::volume(body)).epsilon(1e-3));

    const BoreGeometry bore = measureBore(*curves, design.bores[0]);
    TriangleMesh drill;  // a prism of 96 sides and the circle's own area, standing out of the belly
    constexpr int kSides = 96;
    const double r = 0.5 * design.bores[0].diameter_m *
                     std::sqrt(kPi / (0.5 * kSides * std::sin(2 * kPi / kSides)));
    const double top = bore.mouth_m.z() + design.bores[0].depth_m;
    for (const double z : {bore.mouth_m.z() - 0.01, top}) {
        for (int i = 0; i < kSides; ++i) {
            drill.vertices_m.emplace_back(bore.mouth_m.x() + r * std::cos(2 * kPi * i / kSides),
                                          r * std::sin(2 * kPi * i / kSides), z);
        }
    }
    for (int i = 0; i < kSides; ++i) {
        const int next = (i + 1) % kSides;
        drill.triangles.push_back({i, next, kSides + next});
        drill.triangles.push_back({i, kSides + next, kSides + i});
        if (i > 0 && next > 0) {
            drill.triangles.push_back({0, next, i});
            drill.triangles.push_back({kSides, kSides + i, kSides + next});
        }
    }
    REQUIRE(isClosedAndOutward(drill));
    Mesh tool = toCgal(drill), left;
    const double before = pmp::volume(body);
    pmp::triangulate_faces(body);
    REQUIRE(pmp::corefine_and_compute_difference(body, tool, left));
    pmp::triangulate_faces(left);
    CHECK(bore.removed_m3 == Approx(before - pmp::volume(left)).epsilon(3e-3));
    CHECK(std::abs(bore.removed_m3 - (before - pmp::volume(left))) < 1e-3 * before);
}
