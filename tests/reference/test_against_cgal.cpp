// The demo body and its submerged part against CGAL 5.5 on the same surface.
#include <catch2/catch.hpp>
#include <random>

#include "core/clearance/clearance.h"
#include "files/design_file.h"
#include "files/embedded_data.h"
#include "reference/cgal_solid.h"
#include "support/sample_bait.h"

using namespace wl;
using namespace wl::test;
namespace {

// Volume CGAL's difference takes out of the body for a tool carried on out through the skin. Round
// tools are prisms of 96 sides and the circle's own area.
double takenOutByCgal(const CgalSolid& body, const CutTool& tool) {
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
    const auto left = body.without(CgalSolid(prism));
    REQUIRE(left);
    return body.volume_m3() - left->volume_m3();
}

}  // namespace

TEST_CASE("the demo body's volume, area and centroid agree with CGAL within 0.1 %") {
    const Derived d = evaluated(demoDesign());
    // A finer surface, not scaled to our own volume: inscribed rings at 300 x 200.
    TriangleMesh fine = meshPiece(d.shape->curves, {}, 0.0, 300, 200);
    const CgalSolid mesh(fine);
    REQUIRE(mesh.closed());
    CHECK(d.shape->solid.volume_m3 == Approx(mesh.volume_m3()).epsilon(1e-3));
    CHECK(d.shape->skin.area_m2 == Approx(mesh.area_m2()).epsilon(1e-3));
    CHECK((d.shape->solid.centroid_m - mesh.centroid_m()).norm() < 1e-3 * d.shape->sizes.length_m);
}

TEST_CASE("the part under water agrees with CGAL's clip on random poses within 0.1 %") {
    const Derived d = evaluated(demoDesign());
    const CgalSolid whole(d.shape->mesh);
    std::mt19937 random(5);
    std::uniform_real_distribution<double> unit(-1, 1);
    for (int i = 0; i < 25; ++i) {
        const Eigen::Vector3d up = upInBody(1.4 * unit(random), 3.0 * unit(random));
        const double offset = up.dot(d.shape->solid.centroid_m) + 0.008 * unit(random);
        const Submerged wet = computeSubmerged({{d.shape->mesh}, {}}, {up, offset});
        const CgalSolid below = whole.within({{up, offset}});
        INFO(i);
        CHECK(wet.volume_m3 == Approx(below.volume_m3()).epsilon(1e-3));
        CHECK((wet.moment_m4 / wet.volume_m3 - below.centroid_m()).norm() <
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
        const CgalSolid whole(meshPiece(d.shape->curves, {}, 0.0, 300, 200));
        for (const BodyPart& part : d.shape->parts) {
            std::vector<CgalSolid::HalfSpace> spaces{{{0, -1, 0}, 0}};
            if (const auto& rear = part.bounds.rear) {
                spaces.push_back({{1, -rear->slope, 0}, rear->x_m});
            }
            if (const auto& front = part.bounds.front) {
                spaces.push_back({{-1, front->slope, 0}, -front->x_m});
            }
            const CgalSolid half = whole.within(spaces);
            CHECK(part.solid.volume_m3 == Approx(2 * half.volume_m3()).epsilon(1e-3));
            CHECK(std::abs(part.solid.centroid_m.x() - half.centroid_m().x()) <
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
    const double sine = std::sin(60 * kDegree), cosine = std::cos(60 * kDegree);
    const CgalSolid body = CgalSolid(meshPiece(*plain, {}, 0.0, 300, 200))
                               .within({{{-sine, 0, cosine}, -sine * 0.008}});
    CHECK(integratePiece(*curves, {}).volume_m3 == Approx(body.volume_m3()).epsilon(1e-3));

    const BoreGeometry bore = measureBore(*curves, design.bores[0]);
    const double removed = takenOutByCgal(body, toolOf(design.bores[0], bore));
    CHECK(bore.removed_m3 == Approx(removed).epsilon(3e-3));
    CHECK(std::abs(bore.removed_m3 - removed) < 1e-3 * body.volume_m3());
}

TEST_CASE("sockets, slots, grooves and pockets taken out by CGAL are as large as ours") {
    const Design design = demoDesign();
    const auto curves = BodyCurves::build(design.body, "");
    REQUIRE(curves.ok());
    const CgalSolid body(meshPiece(*curves, {}, 0.0, 300, 200));
    const double volume = body.volume_m3();
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
    const CgalSolid whole(meshPiece(*plain, {}, 0.0, 300, 200));
    for (const auto& [from, to] : {std::pair{-0.004, 0.004}, {0.002, 0.006}}) {
        const CgalSolid slab = whole.within({{{0, 1, 0}, to}, {{0, -1, 0}, -from}});
        PieceBounds bounds;
        bounds.fromY_m = from;
        bounds.toY_m = to;
        const SolidProperties ours = integratePiece(*plain, bounds);
        CHECK(ours.volume_m3 == Approx(slab.volume_m3()).epsilon(1e-3));
        CHECK((ours.centroid_m - slab.centroid_m()).norm() < 1e-3 * 0.082);
    }
    design.body.noseFace = {true, 0.010, 65 * kDegree, 0.003, 0.85};
    const auto cupped = BodyCurves::build(design.body, "");
    REQUIRE(cupped.ok());
    const CgalSolid dish(meshPiece(*cupped, {}, 0.0, 300, 200));
    REQUIRE(dish.closed());
    const SolidProperties ours = integratePiece(*cupped, {});
    CHECK(ours.volume_m3 == Approx(dish.volume_m3()).epsilon(1e-3));
    CHECK((ours.centroid_m - dish.centroid_m()).norm() < 1e-3 * 0.082);
}

TEST_CASE("distance to the skin is CGAL's, over a thousand seeded places") {
    const Derived d = evaluated(demoDesign());
    const SkinSearch skin(d.shape->mesh, d.shape->curves);
    std::mt19937 random(11);
    std::uniform_real_distribution<double> unit(-0.1, 1.1);
    std::vector<Eigen::Vector3d> places;
    for (int i = 0; i < 1000; ++i) {
        places.emplace_back(unit(random) * d.shape->sizes.length_m,
                            (unit(random) - 0.5) * d.shape->sizes.maxWidth_m,
                            (unit(random) - 0.5) * d.shape->sizes.maxHeight_m);
    }
    const std::vector<double> theirs = CgalSolid(d.shape->mesh).distances_m(places);
    for (size_t i = 0; i < places.size(); ++i) {
        CHECK(std::abs(skin.signedDistance(places[i])) == Approx(theirs[i]).margin(1e-12));
    }
}
