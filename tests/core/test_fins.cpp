// The law of fins, and what it does to tow and fall.
#include <catch2/catch.hpp>

#include "core/motion/surface_loads.h"
#include "core/motion/trim.h"
#include "support/sample_bait.h"

using namespace wl;
using namespace wl::test;

namespace {

constexpr double kRho = 998.0;

TowedSurface upright(double area, double aspect, double x) {
    TowedSurface s;
    s.chord_m = std::sqrt(area / aspect);
    s.span_m = aspect * s.chord_m;
    s.centre_m = {x, 0, 0};
    return s;
}

Fitting sheetFin(double x, double z, bool pair) {
    Fitting fin;
    fin.kind = FittingKind::SheetFin;
    fin.name = "side fin";
    fin.x_m = x;
    fin.y_m = pair ? 0.008 : 0.0;
    fin.z_m = z;
    fin.size_m = 0.012;
    fin.area_m2 = 100e-6;
    fin.wire_m = 0.0005;
    fin.typicalMass_kg = 1e-6;
    fin.mirrored = pair;
    return fin;
}

}  // namespace

TEST_CASE("a fin of 2 cm2, aspect 1.2, 30 mm behind, drifting and turning (own prototype, F01)") {
    // Given forward, to starboard and down: v (.8, .05, 0), turning (1, 0, .5): F_y -5.008283e-3 N,
    // M_x -2.563e-6 N m. Aft, port and up forces and speeds change sign, moments do not.
    const Wrench w = surfaceLoads(upright(2e-4, 1.2, 0.03), {-0.8, -0.05, 0}, {1, 0, 0.5}, kRho);
    CHECK(w.force_N.y() == Approx(5.008283e-3).epsilon(1e-6));
    CHECK(w.moment_N_m.x() == Approx(-2.563e-6).epsilon(1e-3));
    // It acts about a quarter of the chord behind its leading edge.
    const double chord = upright(2e-4, 1.2, 0).chord_m;
    const double lever = w.moment_N_m.z() / w.force_N.y();
    CHECK(lever == Approx(0.03 - 0.25 * chord).epsilon(0.02));
}

TEST_CASE("slope and broadside of the law are those of its sources") {
    // Helmbold (from memory): 2 pi A/(2 + sqrt(A^2 + 4)); A small, pi A/2; the published
    // lifting-line limit 2 pi is not reached as A is held at 4.
    CHECK(finSlope(0.2) == Approx(kPi * 0.2 / 2).epsilon(0.01));
    CHECK(finSlope(1.2) == Approx(1.74034).epsilon(1e-5));
    CHECK(finSlope(9.0) == finSlope(4.0));
    // Broadside a plate has 1.17 (Hoerner, recalled), acting in its middle.
    const TowedSurface s = upright(2e-4, 1.0, 0.05);
    const Wrench broad = surfaceLoads(s, {0, 1.0, 0}, {0, 0, 0}, kRho);
    CHECK(broad.force_N.y() == Approx(-0.5 * kRho * 1.17 * 2e-4));
    CHECK(broad.moment_N_m.z() / broad.force_N.y() == Approx(0.05));
    // In line only friction and edge are left, along it.
    const Wrench inLine = surfaceLoads(s, {-1.0, 0, 0}, {0, 0, 0}, kRho);
    CHECK(inLine.force_N.y() == Approx(0).margin(1e-15));
    CHECK(inLine.force_N.x() == Approx(0.5 * kRho * 2 * 2e-4 * 0.006));
}

TEST_CASE("turning is damped, and a mirrored pair does mirrored work") {
    TowedSurface port = upright(1e-4, 0.8, 0.04);
    port.normal = {0, -std::sin(0.4), std::cos(0.4)};
    port.centre_m.y() = 0.012;
    TowedSurface starboard = port;
    starboard.centre_m.y() *= -1;
    starboard.normal.y() *= -1;
    const Wrench a = surfaceLoads(port, {-0.9, 0.1, 0.2}, {0.5, 0.3, -0.2}, kRho),
                 b = surfaceLoads(starboard, {-0.9, -0.1, 0.2}, {-0.5, 0.3, 0.2}, kRho);
    CHECK(a.force_N.x() == Approx(b.force_N.x()));
    CHECK(a.force_N.y() == Approx(-b.force_N.y()));
    CHECK(a.force_N.z() == Approx(b.force_N.z()));
    CHECK(a.moment_N_m.x() == Approx(-b.moment_N_m.x()));
    CHECK(a.moment_N_m.y() == Approx(b.moment_N_m.y()));
    for (int axis = 0; axis < 3; ++axis) {
        Eigen::Vector3d turning = Eigen::Vector3d::Zero();
        turning[axis] = 2.0;
        const Eigen::Vector3d still(-0.8, 0, 0);
        const double turned = surfaceLoads(port, still, turning, kRho).moment_N_m[axis],
                     straight = surfaceLoads(port, still, {0, 0, 0}, kRho).moment_N_m[axis];
        CHECK(turned - straight < 0);
    }
}

TEST_CASE("side fins steady the pitch of a bait under tow, a skeg adds drag alone") {
    const Derived bare = evaluated(demoDesign());
    Design finned = demoDesign();
    finned.fittings.push_back(sheetFin(0.06, 0.0, true));
    const Derived sides = evaluated(finned);
    REQUIRE(sides.loads->inputs.surfaces.size() == 2);
    const LoadTable &a = *bare.loads->table, &b = *sides.loads->table;
    const double alpha = -20 * kDegree;
    const Loads more{b.at(alpha).aft_m2 - a.at(alpha).aft_m2, b.at(alpha).up_m2 - a.at(alpha).up_m2,
                     b.at(alpha).moment_m3 - a.at(alpha).moment_m3};
    // Both sides of the law, at a centre of pressure (.25 + .25 sin) behind the leading edge.
    const double u = std::cos(alpha), w = std::sin(alpha), area = 2 * 100e-6;
    const double aspect = sides.loads->inputs.surfaces[0].aspectFactor * (100e-6 / 0.012) / 0.012;
    const double normal = area * (finSlope(aspect) * u * w + 1.17 * std::abs(w) * w);
    CHECK(more.up_m2 == Approx(normal).epsilon(1e-6));
    const double x = 0.06 - 0.006 + (0.25 + 0.25 * std::abs(w)) * 0.012;
    CHECK(more.moment_m3 == Approx(-x * normal).epsilon(0.02));
    Design keeled = demoDesign();
    keeled.fittings.push_back(sheetFin(0.06, -0.015, false));
    const Loads skeg = evaluated(keeled).loads->table->at(alpha);
    CHECK(skeg.up_m2 == Approx(a.at(alpha).up_m2).epsilon(0.01));
    CHECK(skeg.aft_m2 > a.at(alpha).aft_m2);
    // Stood upright, a pair is two skegs.
    finned.fittings.back().cant_rad = kPi / 2;
    const Loads stood = evaluated(finned).loads->table->at(alpha);
    CHECK(stood.up_m2 == Approx(a.at(alpha).up_m2).epsilon(0.01));
}

TEST_CASE("a fin slows the fall of a bait, a lump and one without area are told") {
    Design sinker = demoNamed("lipless");
    const Derived bare = evaluated(sinker);
    REQUIRE(bare.rest->fall.speed_m_s > 0);
    sinker.fittings.push_back(sheetFin(0.04, 0.0, true));
    const Derived slowed = evaluated(sinker);
    // Held level it has more area across its way; let go it may turn to fall quicker.
    const auto before = fallAt(bare.towed, 0.0, true), after = fallAt(slowed.towed, 0.0, true);
    REQUIRE((before && after));
    CHECK(after->verticalArea_m2 > before->verticalArea_m2 + 0.5 * 2 * 100e-6);
    sinker.fittings.back().wire_m = 0.005;
    CHECK(findingOf(evaluated(sinker), "rest.lump"));
    sinker.fittings.back().wire_m = 0.0005;
    sinker.fittings.back().area_m2 = 0;
    CHECK(findingOf(evaluated(sinker), "rest.parts_without_drag"));
    sinker.fittings.back().area_m2 = 900e-6;
    CHECK(findingOf(evaluated(sinker), "rest.fin_aspect"));
}

TEST_CASE("a cut face dams the flow up in front and sucks behind, a cup more") {
    TowedSurface face;
    face.kind = TowedSurface::Kind::NoseFace;
    face.chord_m = face.span_m = 0.02;
    face.normal = {-1, 0, 0};
    face.along = {0, 0, -1};
    const auto drag = [&] {
        return surfaceLoads(face, {-1, 0, 0}, {0, 0, 0}, 2.0).force_N.x() / 4e-4;
    };
    CHECK(drag() == Approx(Model{}.faceFront));
    face.cupShare = 1.0;
    CHECK(drag() == Approx(Model{}.faceFront * (1 + Model{}.faceCup)));
    face.kind = TowedSurface::Kind::TailFace;
    CHECK(drag() == Approx(Model{}.faceRear));
}
