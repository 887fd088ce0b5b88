// Start shapes, whole-shape edits, section kinds, size series.
#include <catch2/catch.hpp>
#include <cmath>

#include "core/plan/size_series.h"
#include "core/shape/edit_body.h"
#include "core/shape/section_family.h"
#include "core/shape/start_shape.h"
#include "support/sample_bait.h"

using namespace wl;
using namespace wl::test;

TEST_CASE("every start shape is a body at any length, and grows with its cube") {
    for (const StartKind kind : kStartKinds) {
        const auto small = BodyCurves::build(startBody(kind, 0.06), "");
        const auto large = BodyCurves::build(startBody(kind, 0.12), "");
        REQUIRE(small.ok());
        REQUIRE(large.ok());
        const double v = integratePiece(*small, {}).volume_m3;
        CHECK(integratePiece(*large, {}).volume_m3 == Approx(8 * v).epsilon(0.02));  // 0.1 mm steps
        const OverallSize size = overallSize(startBody(kind, 0.1));
        CHECK(size.widestAt_m / size.length_m > 0.2);
        CHECK(size.widestAt_m / size.length_m < 0.55);
    }
    for (const Station& s : startBody(StartKind::TurnedPlug, 0.1).stations) {
        CHECK((familyOf(s) == SectionFamily::Round || s.halfWidth_m == 0));
    }
}

TEST_CASE("section kinds are told from the numbers they set") {
    Station s{0.03, 0.010, -0.014, 0.009, 0, 2.3, 1.8};
    CHECK(familyOf(s) == SectionFamily::Own);
    for (const SectionFamily f : {SectionFamily::Round, SectionFamily::Oval, SectionFamily::Wedge,
                                  SectionFamily::FlatBelly, SectionFamily::SlabSided}) {
        CHECK(familyOf(withFamily(s, f)) == f);
        CHECK(withFamily(s, f).back_m == s.back_m);
    }
    CHECK(withFamily(s, SectionFamily::Round).halfWidth_m == Approx(0.012));
}

TEST_CASE("whole-shape edits do what they say and no more") {
    const Body body = demoDesign().body;
    const OverallSize size = overallSize(body);
    const OverallSize moved = overallSize(withWidestAt(body, 0.4 * size.length_m));
    CHECK(moved.widestAt_m == Approx(0.4 * size.length_m));
    CHECK(moved.width_m == size.width_m);
    CHECK(moved.length_m == Approx(size.length_m));
    const OverallSize tapered = overallSize(withTaper(body, 0.4));
    CHECK(tapered.taper == Approx(0.4).epsilon(1e-6));
    CHECK(tapered.width_m == Approx(size.width_m));
    CHECK(withTaper(body, 5.0) == body);
    const Body mirror = mirroredBelly(body);
    for (const Station& s : mirror.stations) {
        CHECK(s.belly_m == -s.back_m);
    }
    Body twice = turnedAbout(turnedAbout(body));
    for (size_t i = 0; i < body.stations.size(); ++i) {
        CHECK(twice.stations[i].position_m == Approx(body.stations[i].position_m).margin(1e-12));
        CHECK(twice.stations[i].back_m == body.stations[i].back_m);
    }
    Body bumpy = body;
    bumpy.stations[4].back_m -= 0.003;
    const Body eased = smoothed(bumpy);
    auto bend = [](const Body& b) {
        return std::abs(b.stations[3].back_m - 2 * b.stations[4].back_m + b.stations[5].back_m);
    };
    CHECK(bend(eased) < 0.7 * bend(bumpy));
    CHECK(overallSize(eased).height_m == Approx(overallSize(bumpy).height_m));
}

TEST_CASE("a locked size stays when a station is changed") {
    Body body = demoDesign().body;
    body.locks.width = true;
    body.locks.length = true;
    Body wider = body;
    wider.stations[3].halfWidth_m += 0.004;
    wider.stations.back().position_m += 0.01;
    const OverallSize held = overallSize(holdingLocks(wider, body));
    CHECK(held.width_m == Approx(overallSize(body).width_m));
    CHECK(held.length_m == Approx(overallSize(body).length_m));
    Body taller = body;
    taller.stations[3].back_m += 0.004;
    CHECK(holdingLocks(taller, body) == taller);
}

TEST_CASE("a size series scales wood with the cube and leaves bought parts alone") {
    const Design d = demoDesign();
    const Derived base = evaluated(d);
    const SizeRow row = evaluateSize(d, 2 * base.shape->sizes.length_m);
    REQUIRE(row.known);
    CHECK(row.volume_m3 == Approx(8 * base.shape->reckoning.drawnVolume_m3).epsilon(1e-6));
    CHECK(row.design.fittings[5].weighedMass_kg == d.fittings[5].weighedMass_kg);
    CHECK(row.design.lip.thickness_m == d.lip.thickness_m);
    CHECK(row.design.lip.length_m == Approx(2 * d.lip.length_m));
    CHECK(row.design.coats[0].thickness_m == d.coats[0].thickness_m);
    CHECK(row.design.log.empty());
    CHECK(row.leadMeets);
    CHECK(row.spare == Approx(d.brief.wantedSpare).margin(0.002));
    CHECK(row.mass_kg == Approx(evaluated(row.design).mass->mass_kg).epsilon(1e-12));
    CHECK(row.design.name == "Alder Pool diver, 164 mm");
    CHECK_FALSE(evaluateSize(d, 0.7).known);  // longer than any bait taken
}

TEST_CASE(
    "wires, rattles and whole pieces go along in a series, and it says what comes out of it") {
    Design d = demoDesign();
    d.wire.present = true;
    d.wire.z_m = -0.002;
    d.wire.drops = {{"belly loop", 0.038, false, 0.0025}};
    RattleChamber rattle;
    rattle.x_m = 0.05;
    rattle.z_m = 0.003;
    d.chambers = {rattle};
    const double length = evaluated(d).shape->sizes.length_m;
    const Design twice = scaledDesign(d, 2 * length);
    CHECK(twice.wire.z_m == Approx(-0.004));
    CHECK(twice.wire.drops[0].x_m == Approx(0.076));
    CHECK(twice.wire.drops[0].standOff_m == Approx(0.0025));  // the eye is bent as before
    CHECK(twice.chambers[0].x_m == Approx(0.1));
    CHECK(twice.chambers[0].z_m == Approx(0.006));
    CHECK(twice.chambers[0].length_m == Approx(2 * rattle.length_m));
    CHECK(twice.chambers[0].ballDiameter_m == Approx(rattle.ballDiameter_m));
    const Design half = scaledDesign(d, 0.5 * length);
    CHECK(half.chambers[0].diameter_m >= rattle.ballDiameter_m);
    CHECK_FALSE(half.tank.correction.applied);
    // Bores full of bought pieces: planned anew as plugs, and held against the brief by what
    // results.
    Design pieces = demoDesign();
    for (Bore& bore : pieces.bores) {
        bore.lead = BoreLead::Pieces;
        bore.pieces = {{"ball", 2, 0.004, 0.0, 0.006}};
    }
    const SizeRow row = evaluateSize(pieces, 1.5 * length);
    REQUIRE(row.known);
    const double off = std::abs(evaluated(row.design).mass->mass_kg - row.wantedMass_kg);
    CHECK(row.leadMeets == (off < 0.2e-3));
    for (const Bore& bore : row.design.bores) {
        CHECK(bore.lead == BoreLead::Plug);
    }
}
