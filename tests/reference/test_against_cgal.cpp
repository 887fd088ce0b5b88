// The demo body and its submerged part against CGAL 5.5 on the same surface.
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
#include <catch2/catch.hpp>
#include <random>

#include "core/clearance/clearance.h"
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

// Volume CGAL's difference takes out of the body for a tool carried on out through the skin. Round
// tools are prisms of 96 sides and the circle's own area.
double takenOutByCgal(const Mesh& body, const CutTool& tool) {
    constexpr int kSides = 96;
    const int sides = tool.round ? kSides : 4;
    const double r =
        tool.halfAlong_m * std::sqrt(kPi / (0.5 * kSides * std::sin(2 * kPi / kSides)));
    const double square[4][2] = {{1, 1}, {-1, 1}, {-1, -1}, {1, -1}};
    TriangleMesh prism;
    for (const double depth : {-0.02, tool.depth_m}) {
        for (int i = 0; i < sides; ++i) {
            const double angle = 2 * kPi * i / sides;
            const double a = tool.round ? r * std::cos(angle) : tool.halfAlong_m * square[i][0];
            const double c = tool.round ? r * std::sin(angle) : tool.halfAcross_m * square[i][1];
            prism.vertices_m.push_back(tool.mouth_m + tool.inward * depth + tool.along * a +
                                       tool.across() * c);
        }
    }
    for (int i = 0; i < sides; ++i) {
        const int next = (i + 1) % sides;
        prism.triangles.push_back({i, next, sides + next});
        prism.triangles.push_back({i, sides + next, sides + i});
        if (i > 0 && next > 0) {
            prism.triangles.push_back({0, next, i});
            prism.triangles.push_back({sides, sides + i, sides + next});
        }
    }
    if (integrateMesh(prism).volume_m3 < 0) {
        for (auto& t : prism.triangles) {
            std::swap(t[1], t[2]);
        }
    }
    REQUIRE(isClosedAndOutward(prism));
    Mesh from = body, cutter = toCgal(prism), left;
    pmp::triangulate_faces(from);
    const double before = pmp::volume(from);
    REQUIRE(pmp::corefine_and_compute_difference(from, cutter, left));
    pmp::triangulate_faces(left);
    return before - pmp::volume(left);
}

}  // namespace

TEST_CASE("the demo body's volume, area and centroid agree with CGAL within 0.1 %") {
    const Derived d = evaluated(demoDesign());
    // A finer surface, not scaled to our own volume: inscribed rings at 300 x 200.
    TriangleMesh fine = meshPiece(d.shape->curves, {}, 0.0, 300, 200);
    const Mesh mesh = toCgal(fine);
    REQUIRE(CGAL::is_closed(mesh));
    CHECK(d.shape->solid.volume_m3 == Approx(pmp::volume(mesh)).epsilon(1e-3));
    CHECK(d.shape->skin.area_m2 == Approx(pmp::area(mesh)).epsilon(1e-3));
    CHECK((d.shape->solid.centroid_m - volumeCentroid(mesh)).norm() <
          1e-3 * d.shape->sizes.length_m);
}

TEST_CASE("the part under water agrees with CGAL's clip on random poses within 0.1 %") {
    const Derived d = evaluated(demoDesign());
    const Mesh whole = toCgal(d.shape->mesh);
    std::mt19937 random(5);
    std::uniform_real_distribution<double> unit(-1, 1);
    for (int i = 0; i < 25; ++i) {
        const Eigen::Vector3d up = upInBody(1.4 * unit(random), 3.0 * unit(random));
        const double offset = up.dot(d.shape->solid.centroid_m) + 0.008 * unit(random);
        const Submerged wet = computeSubmerged({{d.shape->mesh}, {}}, {up, offset});
        Mesh below = whole;
        pmp::clip(below, Kernel::Plane_3(up.x(), up.y(), up.z(), -offset),
                  CGAL::parameters::clip_volume(true));
        pmp::triangulate_faces(below);
        INFO(i);
        CHECK(wet.volume_m3 == Approx(pmp::volume(below)).epsilon(1e-3));
        CHECK((wet.moment_m4 / wet.volume_m3 - volumeCentroid(below)).norm() <
              1e-3 * d.shape->sizes.length_m);
    }
}

TEST_CASE("every demo's pieces, cut by CGAL along the same faces, agree within 0.1 %") {
    for (const Demo& demo : demos()) {
        INFO(demo.name);
        const Result<Design> design = readDesign(demo.text);
        REQUIRE(design.ok());
        const Derived d = evaluated(*design);
        // The port half of a fine surface, cut by the two planes a V face makes of it.
        const Mesh whole = toCgal(meshPiece(d.shape->curves, {}, 0.0, 300, 200));
        for (const BodyPart& part : d.shape->parts) {
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
                  1e-3 * d.shape->sizes.length_m);
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
    const double removed = takenOutByCgal(body, toolOf(design.bores[0], bore));
    CHECK(bore.removed_m3 == Approx(removed).epsilon(3e-3));
    CHECK(std::abs(bore.removed_m3 - removed) < 1e-3 * pmp::volume(body));
}

TEST_CASE("sockets, slots, grooves and pockets taken out by CGAL are as large as ours") {
    const Design design = demoDesign();
    const auto curves = BodyCurves::build(design.body, "");
    REQUIRE(curves.ok());
    const Mesh body = toCgal(meshPiece(*curves, {}, 0.0, 300, 200));
    const double volume = pmp::volume(body);
    auto check = [&](const Feature& f) {
        INFO(int(f.kind) << " from " << int(f.from));
        const std::vector<CutTool> tools = toolsOf(*curves, f);
        REQUIRE_FALSE(tools.empty());
        const double ours = measureCut(*curves, tools.front()).removed_m3;
        const double theirs = takenOutByCgal(body, tools.front());
        CHECK(theirs > 0);
        CHECK(ours == Approx(theirs).epsilon(0.02));
        CHECK(std::abs(ours - theirs) < 1e-3 * volume);
    };
    Feature f;
    f.x_m = 0.03;
    f.z_m = 0.002;
    f.depth_m = 0.004;
    check(f);
    f.kind = FeatureKind::SawGroove;
    f.from = FeatureFrom::Belly;
    f.x_m = 0.036;
    f.length_m = 0.03;
    f.width_m = 0.0015;
    check(f);
    f.kind = FeatureKind::Pocket;
    f.from = FeatureFrom::Back;
    f.length_m = 0.012;
    f.width_m = 0.005;
    f.depth_m = 0.006;
    f.lean_rad = 12 * kDegree;
    check(f);
    f.kind = FeatureKind::Slot;
    f.from = FeatureFrom::Tail;
    f.lean_rad = 0;
    f.z_m = 0;
    f.length_m = 0.006;
    f.width_m = 0.0014;
    f.depth_m = 0.012;
    check(f);
}

TEST_CASE("slabs clipped by CGAL and a cupped face agree within 0.1 %") {
    Design design = demoDesign();
    const auto plain = BodyCurves::build(design.body, "");
    REQUIRE(plain.ok());
    const Mesh whole = toCgal(meshPiece(*plain, {}, 0.0, 300, 200));
    for (const auto& [from, to] : {std::pair{-0.004, 0.004}, {0.002, 0.006}}) {
        Mesh slab = whole;
        const auto keep = CGAL::parameters::clip_volume(true);
        pmp::clip(slab, Kernel::Plane_3(0, 1, 0, -to), keep);
        pmp::clip(slab, Kernel::Plane_3(0, -1, 0, from), keep);
        pmp::triangulate_faces(slab);
        PieceBounds bounds;
        bounds.fromY_m = from;
        bounds.toY_m = to;
        const SolidProperties ours = integratePiece(*plain, bounds);
        CHECK(ours.volume_m3 == Approx(pmp::volume(slab)).epsilon(1e-3));
        CHECK((ours.centroid_m - volumeCentroid(slab)).norm() < 1e-3 * 0.082);
    }
    design.body.noseFace = {true, 0.010, 65 * kDegree, 0.003, 0.85};
    const auto cupped = BodyCurves::build(design.body, "");
    REQUIRE(cupped.ok());
    const Mesh dish = toCgal(meshPiece(*cupped, {}, 0.0, 300, 200));
    REQUIRE(CGAL::is_closed(dish));
    const SolidProperties ours = integratePiece(*cupped, {});
    CHECK(ours.volume_m3 == Approx(pmp::volume(dish)).epsilon(1e-3));
    CHECK((ours.centroid_m - volumeCentroid(dish)).norm() < 1e-3 * 0.082);
}

TEST_CASE("distance to the skin is CGAL's, over a thousand seeded places") {
    const Derived d = evaluated(demoDesign());
    const Mesh mesh = toCgal(d.shape->mesh);
    using Primitive = CGAL::AABB_face_graph_triangle_primitive<Mesh>;
    CGAL::AABB_tree<CGAL::AABB_traits<Kernel, Primitive>> tree(faces(mesh).first,
                                                               faces(mesh).second, mesh);
    const SkinSearch skin(d.shape->mesh, d.shape->curves);
    std::mt19937 random(11);
    std::uniform_real_distribution<double> unit(-0.1, 1.1);
    for (int i = 0; i < 1000; ++i) {
        const Eigen::Vector3d p(unit(random) * d.shape->sizes.length_m,
                                (unit(random) - 0.5) * d.shape->sizes.maxWidth_m,
                                (unit(random) - 0.5) * d.shape->sizes.maxHeight_m);
        const double theirs =
            std::sqrt(tree.squared_distance(Kernel::Point_3(p.x(), p.y(), p.z())));
        CHECK(std::abs(skin.signedDistance(p)) == Approx(theirs).margin(1e-12));
    }
}
