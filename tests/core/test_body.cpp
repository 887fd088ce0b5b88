// Sections, bodies and meshes against closed forms.
#include <boost/math/special_functions/beta.hpp>
#include <catch2/catch.hpp>
#include <cmath>

#include "support/sample_bait.h"

using namespace wl;
using namespace wl::test;

namespace {

// A body whose sections are given in closed form over x in [0, L], as u = x / L.
SectionFunction straight(double length, std::function<Section(double)> at) {
    return {[=](double u) {
                Section s = at(u * length);
                s.x_m = u * length;
                return s;
            },
            [=](double) { return length; },
            {0.0, 0.25, 0.5, 0.75, 1.0}};
}

Section roundSection(double r) {
    Section s;
    s.back_m = s.halfWidth_m = r;
    s.belly_m = -r;
    return s;
}

double areaOf(const Body& body) {
    const auto curves = BodyCurves::build(body, "");
    REQUIRE(curves.ok());
    return integrateSections(curves->function()).volume_m3;
}

}  // namespace

TEST_CASE("superellipse sections: area, centroid and second moment for n = 1 to 20") {
    // Dirichlet integrals evaluated with independent software (mpmath), to 10 digits.
    const double rows[][4] = {{1, .5, 1. / 3, 1. / 12},
                              {1.6, .7094821208, .4004503096, .1607629996},
                              {2, kPi / 4, 4 / (3 * kPi), kPi / 16},
                              {2.5, .8452338406, .4436809841, .2279361804},
                              {4, .9270373387, .4714045208, .2776801836},
                              {20, .9961736355, .4982104096, .3297575868}};
    for (const auto& [n, area, centroid, second] : rows) {
        CHECK(superellipseMoment(0, 0, n) == Approx(area).epsilon(1e-9));
        CHECK(superellipseMoment(0, 1, n) / superellipseMoment(0, 0, n) ==
              Approx(centroid).epsilon(1e-9));
        CHECK(superellipseMoment(2, 0, n) == Approx(second).epsilon(1e-9));
    }
}

TEST_CASE("section quadrature meets closed forms to 1e-8") {
    // Cylinder R 4 mm, L 30 mm; cone R 6, H 20 (base at the nose): textbook centroids and inertia.
    const SolidProperties cylinder =
        integrateSections(straight(0.03, [](double) { return roundSection(0.004); }));
    CHECK(cylinder.volume_m3 == Approx(kPi * 16e-6 * 0.03).epsilon(1e-8));
    CHECK(cylinder.inertia_m5(1, 1) / cylinder.volume_m3 ==
          Approx((3 * 16e-6 + 9e-4) / 12).epsilon(1e-8));
    const SolidProperties cone = integrateSections(
        straight(0.02, [](double x) { return roundSection(0.006 * (1 - x / 0.02)); }));
    CHECK(cone.volume_m3 == Approx(kPi * 36e-6 * 0.02 / 3).epsilon(1e-8));
    CHECK(cone.centroid_m.x() == Approx(0.005).epsilon(1e-8));
    CHECK(cone.inertia_m5(1, 1) / cone.volume_m3 == Approx(20.4e-6).epsilon(1e-8));

    // Body with b = 9s, back 11s, belly -14s, s = 6.75u(1-u)^2, round above, n 1.5 below:
    // V = 2L 9 (11 k2 + 14 k1.5) 6.75^2 B(3,5), centroid x = L B(4,5)/B(3,5).
    const SolidProperties r1 = integrateSections(straight(0.1, [](double x) {
        const double u = x / 0.1, s = 6.75 * u * (1 - u) * (1 - u);
        Section c;
        c.halfWidth_m = 0.009 * s;
        c.back_m = 0.011 * s;
        c.belly_m = -0.014 * s;
        c.fullnessBelow = 1.5;
        return c;
    }));
    const double expected = 2 * 0.1 * 0.009 *
                            (0.011 * kPi / 4 + 0.014 * superellipseMoment(0, 0, 1.5)) * 6.75 *
                            6.75 * boost::math::beta(3.0, 5.0);
    CHECK(expected == Approx(14232.58006e-9).epsilon(1e-9));
    CHECK(r1.volume_m3 == Approx(expected).epsilon(1e-8));
    CHECK(r1.centroid_m.x() == Approx(0.0375).epsilon(1e-8));
    CHECK(r1.centroid_m.z() == Approx(-0.5711178854e-3).epsilon(1e-8));
}

TEST_CASE("an ellipsoid typed as nine stations keeps its round nose") {
    const double exact = 4.0 / 3 * kPi * 0.05 * 0.008 * 0.012;
    CHECK(areaOf(ellipsoidBody(0.05, 0.008, 0.012, 9, false)) == Approx(exact).epsilon(0.002));
    CHECK(areaOf(ellipsoidBody(0.05, 0.008, 0.012, 9, true)) == Approx(exact).epsilon(0.002));
    // With pointed ends the same stations lose over 1 %: the round end is what mends it.
    Body pointed = ellipsoidBody(0.05, 0.008, 0.012, 9, false);
    pointed.nose = pointed.tail = EndShape::Pointed;
    CHECK(areaOf(pointed) < 0.99 * exact);
}

TEST_CASE("a typed maximum stays the maximum and an edit stays local") {
    Body body = ellipsoidBody(0.05, 0.008, 0.012, 9, false);
    body.stations[3].back_m = body.stations[4].back_m = body.stations[5].back_m = 0.011;
    const auto before = BodyCurves::build(body, "");
    REQUIRE(before.ok());
    for (int i = 0; i <= 500; ++i) {
        CHECK(before->at(i / 500.0).back_m <= 0.011 + 1e-12);
    }
    body.stations[7].belly_m *= 1.2;
    const auto after = BodyCurves::build(body, "");
    REQUIRE(after.ok());
    CHECK(after->atX(0.03).belly_m == before->atX(0.03).belly_m);
    CHECK(after->atX(0.0875).belly_m < before->atX(0.0875).belly_m);
}

TEST_CASE("body mesh is closed, outward and within 0.1 % in volume, centroid, inertia and area") {
    const double a = 0.05, b = 0.008, c = 0.012;
    const TriangleMesh mesh = ellipsoidMesh(a, b, c, 64, 40);
    REQUIRE(isClosedAndOutward(mesh));
    const SolidProperties p = integrateMesh(mesh);
    CHECK(p.volume_m3 == Approx(4.0 / 3 * kPi * a * b * c).epsilon(1e-3));
    CHECK(p.centroid_m.norm() < 1e-3 * 2 * a);
    CHECK(p.inertia_m5(0, 0) / p.volume_m3 == Approx((b * b + c * c) / 5).epsilon(1e-3));
    CHECK(p.inertia_m5(1, 1) / p.volume_m3 == Approx((a * a + c * c) / 5).epsilon(1e-3));
    // Surface of the ellipsoid 50, 8, 12 mm by Carlson's symmetric integrals: 5063.0472 mm2.
    CHECK(integrateSkin(mesh).area_m2 == Approx(5063.0472e-6).epsilon(1e-3));
}

TEST_CASE("mesh integrals are exact for a box, also far from the origin") {
    TriangleMesh box = boxMesh(0.1, 0.02, 0.03, 0.0);
    REQUIRE(isClosedAndOutward(box));
    for (auto& v : box.vertices_m) {
        v += Eigen::Vector3d(10, 20, 30);
    }
    const SolidProperties p = integrateMesh(box);
    CHECK(p.volume_m3 == Approx(6e-5).epsilon(1e-9));
    CHECK(p.inertia_m5(1, 1) / p.volume_m3 == Approx((0.01 + 0.0009) / 12).epsilon(1e-9));
    box.triangles.pop_back();
    CHECK_FALSE(isClosedAndOutward(box));
}

TEST_CASE("stations that cannot make a body are refused with their place") {
    Body body = ellipsoidBody(0.05, 0.008, 0.012, 9, false);
    auto code = [](const Body& b) {
        const auto r = BodyCurves::build(b, "/b");
        return r.ok() ? std::string("ok") : r.error().code + " " + r.error().path;
    };
    Body few = body;
    few.stations.resize(3);
    CHECK(code(few) == "body.too_few_stations /b");
    Body order = body;
    order.stations[4].position_m = order.stations[3].position_m;
    CHECK(code(order) == "body.stations_out_of_order /b/stations/4/position");
    Body crossing = body;
    crossing.stations[4].belly_m = crossing.stations[4].back_m + 0.001;
    CHECK(code(crossing) == "body.profiles_cross /b/stations/4/back");
    Body thin = body;
    for (auto& s : thin.stations) {
        s.halfWidth_m = 0;
    }
    CHECK(code(thin) == "body.no_volume /b/stations/1/half_width");
    Body shifted = body;
    shifted.stations[0].position_m = 0.002;
    CHECK(code(shifted) == "body.nose_not_at_zero /b/stations/0/position");
}
