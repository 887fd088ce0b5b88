// Floating attitude against closed forms. Lengths in metres; loads per water of 1000 kg/m3.
#include <algorithm>
#include <catch2/catch.hpp>
#include <cmath>

#include <Eigen/Geometry>

#include "core/hydro/equilibrium.h"
#include "support/sample_bait.h"

using namespace wl;
using namespace wl::test;

namespace {

FloatingBody bodyOf(TriangleMesh mesh, double relativeDensity, const Eigen::Vector3d& cg) {
    FloatingBody body;
    const double volume = integrateMesh(mesh).volume_m3;
    body.shape.hulls.push_back(std::move(mesh));
    body.mass_kg = relativeDensity * 1000 * volume;
    body.centreOfGravity_m = cg;
    return body;
}

// Long square log of side 0.02, uniform.
FloatingBody squareLog(double s) {
    return bodyOf(boxMesh(1.0, 0.02, 0.02, -0.01), s, {0.5, 0, 0});
}

double tiltFromFlat_deg(const FloatAttitude& a) {
    const double roll = std::abs(std::remainder(a.roll_rad, kPi / 2));
    return roll / kDegree;
}

}  // namespace

TEST_CASE("half-submerged tetrahedra need no cap: a box clips exactly") {
    FloatingShape box{{boxMesh(0.1, 0.02, 0.03, 0.0)}, {}};
    const Submerged wet = computeSubmerged(box, {Eigen::Vector3d::UnitZ(), 0.012});
    CHECK(wet.volume_m3 == Approx(0.1 * 0.02 * 0.012).epsilon(1e-12));
    CHECK(wet.moment_m4.z() / wet.volume_m3 == Approx(0.006).epsilon(1e-12));
    CHECK(wet.waterplaneArea_m2 == Approx(0.002).epsilon(1e-12));
    CHECK(wet.waterplaneSecond_m4(1, 1) == Approx(0.1 * std::pow(0.02, 3) / 12).epsilon(1e-12));
    const Submerged over = computeSubmerged(box, {Eigen::Vector3d::UnitZ(), 0.1});
    CHECK(over.volume_m3 == Approx(6e-5).epsilon(1e-12));
    CHECK(std::abs(over.waterplaneArea_m2) < 1e-15);
}

TEST_CASE("box barge: BM = b^2/12T and L^2/12T, two hulls and a well") {
    // Naval architecture textbook forms; b 20, L 100, T 9 mm.
    auto bm = [](const FloatingShape& shape, int axis) {
        const Submerged w = computeSubmerged(shape, {Eigen::Vector3d::UnitZ(), 0.009});
        const double first = w.waterplaneMoment_m3[axis];
        return (w.waterplaneSecond_m4(axis, axis) - first * first / w.waterplaneArea_m2) /
               w.volume_m3;
    };
    const FloatingShape one{{boxMesh(0.1, 0.02, 0.015, 0.0)}, {}};
    CHECK(bm(one, 1) == Approx(3.703703704e-3).epsilon(1e-9));
    CHECK(bm(one, 0) == Approx(92.59259259e-3).epsilon(1e-9));
    const FloatingShape two{
        {boxMesh(0.1, 0.004, 0.015, 0.0, 0.008), boxMesh(0.1, 0.004, 0.015, 0.0, -0.008)}, {}};
    CHECK(bm(two, 1) == Approx(7.259259259e-3).epsilon(1e-9));
}

TEST_CASE("floating cylinder and sphere sit at the published draft") {
    // Draft over diameter of a horizontal round log and of a ball: circular segment and cap.
    const double log_[][2] = {{.25, .298014}, {.5, .5}, {.645, .614902}, {.85, .792569}};
    for (const auto& [s, draft] : log_) {
        TriangleMesh mesh;  // prism of 720 sides, area-corrected
        const int n = 720;
        const double r = 0.01 / std::sqrt(std::sin(2 * kPi / n) / (2 * kPi / n));
        std::vector<Eigen::Vector2d> ring;
        for (int i = 0; i < n; ++i) {
            ring.emplace_back(r * std::cos(2 * kPi * i / n), r * std::sin(2 * kPi * i / n));
        }
        mesh = meshPlate(ring, {0, 0, 0}, Eigen::Vector3d::UnitY(), Eigen::Vector3d::UnitZ(), 0.3);
        const FloatingBody body = bodyOf(mesh, s, {0, 0, 0});
        const double offset = findWaterline(body, Eigen::Vector3d::UnitZ()).offset_m;
        CHECK((offset + 0.01) / 0.02 == Approx(draft).margin(1e-5));
    }
    const double ball[][2] = {{.5, .5}, {.645, .597918}, {.85, .755598}, {.95, .864650}};
    for (const auto& [s, draft] : ball) {
        FloatingBody body;
        body.shape.parts.push_back({Eigen::Vector3d::Zero(), 4.0 / 3 * kPi * 1e-6});
        body.mass_kg = s * 1000 * body.shape.parts[0].volume_m3;
        const double offset = findWaterline(body, Eigen::Vector3d::UnitZ()).offset_m;
        CHECK((offset + 0.01) / 0.02 == Approx(draft).margin(1e-6));
    }
}

TEST_CASE("an ellipsoid with its weight off centre takes the exact attitude") {
    // Semi-axes 50, 8, 12 mm, relative density 0.85, G at (-0.6, 0.05, -2.0) mm: closed form by
    // mapping the ellipsoid to a sphere.
    const FloatingBody body =
        bodyOf(ellipsoidMesh(0.05, 0.008, 0.012, 128, 64), 0.85, {-0.6e-3, 0.05e-3, -2.0e-3});
    const FloatAttitude rest = settleFrom(body, Eigen::Vector3d::UnitZ());
    REQUIRE(rest.stable);
    CHECK(rest.pitch_rad / kDegree == Approx(-1.346210).margin(0.01));
    CHECK(rest.roll_rad / kDegree == Approx(-2.382558).margin(0.01));
    CHECK(rest.plane.offset_m == Approx(6.159049e-3).margin(5e-6));
}

TEST_CASE("square log: flat, tilted or corner up by its density") {
    // Classical result (Archimedes, Huygens; modern account by Gilbert 1991, recalled).
    auto tilt = [](double s) {
        const FloatingBody body = squareLog(s);
        const auto found = findStableAttitudes(body, body.shape);
        REQUIRE_FALSE(found.empty());
        for (const FloatAttitude& a : found) {  // the log is the same on both sides
            CHECK(std::any_of(found.begin(), found.end(), [&a](const FloatAttitude& other) {
                return std::abs(std::remainder(other.roll_rad + a.roll_rad, 2 * kPi)) <
                       0.1 * kDegree;
            }));
        }
        return tiltFromFlat_deg(found.front());
    };
    CHECK(tilt(0.20) == Approx(0).margin(0.05));
    CHECK(tilt(0.22) == Approx(13.675).margin(0.01));
    CHECK(tilt(0.24) == Approx(23.486).margin(0.01));
    CHECK(tilt(0.26) == Approx(29.630).margin(0.01));
    CHECK(tilt(0.28) == Approx(41.186).margin(0.01));
    CHECK(tilt(0.5) == Approx(45).margin(0.01));
    CHECK(tilt(0.80) == Approx(0).margin(0.05));
}

TEST_CASE("a box can rest two ways, and both are found") {
    // Box 20 wide, 15 deep, draft 9, centre of gravity 6 mm up: righting arm zero and rising again
    // at 145.892 degrees (closed form by areas of the clipped rectangle).
    const FloatingBody body = bodyOf(boxMesh(0.1, 0.02, 0.015, 0.0), 9.0 / 15, {0.05, 0, 0.006});
    const auto found = findStableAttitudes(body, body.shape);
    REQUIRE(found.size() >= 2);
    CHECK(std::abs(found.front().roll_rad) < 0.01 * kDegree);
    for (const double roll : {145.892, -145.892}) {  // the box is the same on both sides
        CHECK(std::any_of(found.begin(), found.end(), [roll](const FloatAttitude& a) {
            return std::abs(a.roll_rad / kDegree - roll) < 0.01;
        }));
    }
    for (const FloatAttitude& a : found) {
        CHECK(std::abs(std::abs(a.roll_rad) / kDegree - 126.918) > 1);  // unstable balance
    }
}

TEST_CASE("metacentric height is KB + BM - KG") {
    const FloatingBody body = bodyOf(boxMesh(0.1, 0.02, 0.015, 0.0), 0.6, {0.05, 0, 0.006});
    const FloatAttitude rest = settleFrom(body, Eigen::Vector3d::UnitZ());
    CHECK(rest.metacentricHeightRoll_m == Approx(4.5e-3 + 3.703703704e-3 - 6e-3).epsilon(1e-5));
    CHECK(rest.metacentricHeightPitch_m == Approx(4.5e-3 + 92.59259e-3 - 6e-3).epsilon(1e-4));
}

TEST_CASE("gradient and stiffness of the energy agree: nudged starts return to one rest") {
    const FloatingBody body =
        bodyOf(ellipsoidMesh(0.05, 0.008, 0.012, 64, 40), 0.8, {0.001, 0, -0.003});
    const FloatAttitude a = settleFrom(body, upInBody(0, 0));
    for (const double tilt : {-25.0, -8.0, 8.0, 25.0}) {
        const FloatAttitude b = settleFrom(body, upInBody(tilt * kDegree, tilt * kDegree));
        CHECK(a.plane.normal.dot(b.plane.normal) > 1 - 1e-9);
    }
}

TEST_CASE("attitude and its axes agree: pitch nose up, roll port up, and back") {
    for (const double pitch : {-70.0, -5.0, 40.0}) {
        for (const double roll : {-60.0, 0.0, 100.0}) {
            const Eigen::Vector3d up = upInBody(pitch * kDegree, roll * kDegree);
            CHECK(rollOf(up) / kDegree == Approx(roll).margin(1e-9));
            CHECK(pitchOf(up) / kDegree == Approx(pitch).margin(1e-9));
        }
    }
    CHECK(upInBody(10 * kDegree, 0).x() < 0);  // nose (towards -x) is up
    CHECK(upInBody(0, 10 * kDegree).y() > 0);  // port (+y) is up
}

TEST_CASE("under water the weight hangs straight below the lift") {
    // atan((47.1 - 45) / (0.4 + 3.2)): tail down.
    const SubmergedAttitude a = hangUnderWater({47.1e-3, 0, -3.2e-3}, {45.0e-3, 0, 0.4e-3});
    CHECK(a.pitch_rad / kDegree == Approx(30.256437).margin(1e-3));
    CHECK(a.decided);
    CHECK_FALSE(hangUnderWater({0.0451, 0, 0}, {0.045, 0, 0}).decided);
}

TEST_CASE("moving, mirroring and scaling a bait change only what they must") {
    Design demo = demoDesign();
    const Derived base = evaluated(demo);
    Design mirrored = demo;
    mirrored.bores[0].y_m = 0.002;
    const Derived port = evaluated(mirrored);
    mirrored.bores[0].y_m = -0.002;
    const Derived starboard = evaluated(mirrored);
    CHECK(port.rest->roll_rad == Approx(-starboard.rest->roll_rad).margin(2e-4));
    CHECK(port.rest->pitch_rad == Approx(starboard.rest->pitch_rad).margin(2e-4));
    CHECK(port.rest->roll_rad < -0.005);  // lead to port: port side goes down
    CHECK(evaluated(demo).rest->pitch_rad == base.rest->pitch_rad);  // bit for bit
}
