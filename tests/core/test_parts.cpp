// Eyes, through-wire, rattles, lip families.
#include <catch2/catch.hpp>

#include "core/design/fields.h"
#include "support/sample_bait.h"

using namespace wl;
using namespace wl::test;

TEST_CASE("eyes from wire: metal volumes of the shelf's table") {
    // Closed forms in stainless 304, 330 degrees of ring; twisted stems as helices (the table's
    // lay of 1.12 is 0.504 = pi d n / L).
    const double screws[][4] = {
        {0.9, 2.5, 10, 0.0126}, {1.2, 3.5, 20, 0.0380}, {2.0, 5, 35, 0.1735}};
    for (const auto& [wire, inner, stem, cm3] : screws) {
        Fitting eye;
        eye.kind = FittingKind::ScrewEye;
        eye.wire_m = wire * 1e-3;
        eye.size_m = (inner + 2 * wire) * 1e-3;
        eye.shank_m = stem * 1e-3;
        const EyeWire w = measureEye(eye);
        CHECK((w.ring_m3 + w.stem_m3) * 1e6 == Approx(cm3).margin(0.0003));
    }
    Fitting twisted;
    twisted.kind = FittingKind::TwistedEye;
    twisted.wire_m = 0.001;
    twisted.size_m = 0.005;
    twisted.shank_m = 0.020;
    twisted.twists = std::sqrt(1.12 * 1.12 - 1) * 0.020 / (kPi * 0.001);
    const EyeWire w = measureEye(twisted);
    CHECK((w.ring_m3 + w.stem_m3) * 1e6 == Approx(0.0443).margin(0.0003));
    twisted.fromWire = true;
    twisted.density_kg_m3 = 7930;
    CHECK(fittingMass_kg(twisted) * 1e3 == Approx(0.351).margin(0.0005));
    twisted.weighedMass_kg = 0.0004;
    CHECK(fittingMass_kg(twisted) == 0.0004);
}

TEST_CASE("an eye's stem takes the place of wood, its ring pushes water aside") {
    Design d = demoDesign();
    Fitting& eye = d.fittings[0];
    eye.weighedMass_kg.reset();
    eye.fromWire = true;
    const Derived with = evaluated(d);
    const EyeWire wire = measureEye(eye);
    for (const MassItem& item : with.mass->items) {
        if (item.path == "/fittings/0") {
            CHECK(item.displaced_m3 == Approx(wire.ring_m3).epsilon(0.05));
            CHECK(item.mass_kg ==
                  Approx(eye.density_kg_m3 * (wire.ring_m3 + wire.stem_m3)).epsilon(1e-9));
            CHECK(item.origin == Origin::Computed);
        }
    }
    eye.shank_m += 0.002;
    const Derived longer = evaluated(d);
    const double area = kPi / 4 * eye.wire_m * eye.wire_m;
    const double wood = with.shape->reckoning.usedDensity_kg_m3;
    CHECK(longer.mass->mass_kg - with.mass->mass_kg ==
          Approx(area * 0.002 * (eye.density_kg_m3 - wood)).epsilon(0.02));
}

TEST_CASE("a hanger cast into lead takes the lead's place") {
    Design d = demoDesign();
    Fitting hanger = d.fittings[0];
    hanger.kind = FittingKind::Hanger;
    hanger.name = "hanger";
    hanger.weighedMass_kg.reset();
    hanger.fromWire = true;
    hanger.x_m = d.bores[0].x_m;
    hanger.shank_m = d.bores[0].depth_m;
    const Derived before = evaluated(d);
    hanger.z_m = before.mass->bores[0].mouth_m.z() - 0.5 * hanger.size_m;
    d.fittings.push_back(hanger);
    const Derived after = evaluated(d);
    const EyeWire wire = measureEye(hanger);
    const double inLead = wire.stem_m3 * d.bores[0].plugLength_m / d.bores[0].depth_m;
    const double inFiller = wire.stem_m3 - inLead;
    CHECK(after.mass->mass_kg - before.mass->mass_kg ==
          Approx(fittingMass_kg(hanger) - inLead * d.bores[0].plugDensity_kg_m3 -
                 inFiller * d.bores[0].fillerDensity_kg_m3)
              .margin(2e-6));
    CHECK(findingOf(after, "cut.meets_cut") == std::nullopt);
    CHECK(findingOf(after, "wall.run_together") ==
          std::nullopt);  // it is meant to stand in the lead
}

TEST_CASE("the through-wire: cut length by hand, bends in order, mass by length") {
    Design d = demoDesign();
    d.wire.present = true;
    d.wire.wire_m = 0.001;
    d.wire.z_m = 0.006;
    d.wire.eyeInner_m = 0.003;
    d.wire.bendRadius_m = 0.0015;
    d.wire.wrap_m = 0.005;
    d.wire.drops = {WireDrop{"belly loop", 0.060, false, 0.0025}};
    const Derived e = evaluated(d);
    const WireLayout& w = e.mass->wire;
    const double length = e.shape->curves.length_m(), belly = e.shape->curves.atX(0.060).belly_m;
    // Straight runs less the corners, two right-angle bends at 2 mm, half a turn at 2 mm round the
    // eye, two legs, and 330 degrees of ring and 5 mm of winding at each end (radii to the middle
    // of the wire).
    const double legs = 0.006 - (belly - 0.0025) - 0.002;
    const double runs = length - 4 * 0.002;  // the loop: corner, half the eye twice, corner
    const double byHand =
        runs + 2 * legs + 2 * 0.002 * kPi / 2 + 0.002 * kPi + 2 * (330 * kDegree * 0.002 + 0.005);
    CHECK(w.cutLength_m == Approx(byHand).margin(1e-9));
    REQUIRE(w.bends.size() == 5);
    CHECK(w.bends[1].what == "down");
    CHECK(w.bends[2].what == "round");
    CHECK(w.bends[2].angle_rad == Approx(kPi));
    for (size_t i = 1; i < w.bends.size(); ++i) {
        CHECK(w.bends[i].at_m >= w.bends[i - 1].at_m);
    }
    CHECK(w.mass_kg == Approx(7930 * kPi / 4 * 1e-6 * w.cutLength_m).epsilon(1e-9));
    // The path comes back to its own height and ends at the tail.
    CHECK(w.path_m.back().z() == Approx(0.006).margin(1e-9));
    CHECK(w.path_m.back().x() == Approx(length).margin(1e-9));
    // A hook may hang from its eye.
    for (Fitting& f : d.fittings) {
        if (f.kind == FittingKind::Treble) {
            f.hangsFrom = "belly loop";
            CHECK(fittingPlace(d, f).z() == Approx(belly - 0.0025).margin(1e-9));
            break;
        }
    }
    // What it weighs is what the bait gains, less the wood in its way.
    Design bare = d;
    bare.wire.present = false;
    for (Fitting& f : bare.fittings) {
        f.hangsFrom = f.hangsFrom == "belly loop" ? "belly eye" : f.hangsFrom;
    }
    const double gained = evaluated(d).mass->mass_kg - evaluated(bare).mass->mass_kg;
    CHECK(gained < w.mass_kg);
    CHECK(gained > w.mass_kg - w.volume_m3 * 1200);
    d.wire.drops[0].x_m = 0.001;
    CHECK(findingOf(evaluated(d), "wire.no_room") != std::nullopt);
}

TEST_CASE("balls in a tube: rows, zigzags and heaps") {
    CHECK(stackLength_m(3, 0.004, 0.004) == Approx(0.012));
    // Zigzag: centres (D - d) apart sideways.
    CHECK(stackLength_m(2, 0.004, 0.006) ==
          Approx(0.004 + std::sqrt(0.004 * 0.004 - 0.002 * 0.002)));
    CHECK(stackLength_m(2, 0.004, 0.003) == 0.0);
    CHECK_FALSE(ballFits(0.004, 0.003));
    CHECK(stackLength_m(50, 0.001, 0.006) ==
          Approx(50 * kPi / 6 * 1e-9 / (0.58 * kPi / 4 * 36e-6)));
}

TEST_CASE("a rattle: mass against water, room to rattle, and what is wrong is said") {
    Design d = demoDesign();
    RattleChamber c;
    c.x_m = 0.045;
    c.z_m = 0.002;
    c.length_m = 0.012;
    c.diameter_m = 0.0045;
    c.ballDiameter_m = 0.004;
    c.ballCount = 2;
    d.chambers = {c};
    const Derived e = evaluated(d);
    const ChamberGeometry& g = e.mass->chambers[0];
    CHECK(g.balls_kg == Approx(2 * kPi / 6 * 64e-9 * 7800).epsilon(1e-9));
    CHECK(g.free_m3 == Approx(kPi / 4 * 0.0045 * 0.0045 * 0.012 - 2 * kPi / 6 * 64e-9));
    CHECK(g.roll_m == Approx(0.5 * (0.012 - stackLength_m(2, 0.004, 0.0045))));
    CHECK(findingOf(e, "chamber.balls_light") == std::nullopt);
    Design bare = d;
    bare.chambers.clear();
    const Derived without = evaluated(bare);
    CHECK(e.mass->mass_kg - without.mass->mass_kg ==
          Approx(g.balls_kg - g.removed_m3 * e.shape->reckoning.usedDensity_kg_m3).epsilon(1e-6));
    CHECK(e.mass->displacedVolume_m3 == Approx(without.mass->displacedVolume_m3).epsilon(1e-12));
    d.chambers[0].ballDensity_kg_m3 = 2500;  // glass
    CHECK(findingOf(evaluated(d), "chamber.balls_light") != std::nullopt);
    d.chambers[0].ballCount = 9;
    CHECK(findingOf(evaluated(d), "chamber.balls_too_big") != std::nullopt);
    d.chambers[0].ballCount = 2;
    d.chambers[0].length_m = 0.0081;
    CHECK(findingOf(evaluated(d), "chamber.no_room") != std::nullopt);
}

TEST_CASE("lead in whole pieces weighs what the pieces weigh") {
    Design d = demoDesign();
    Bore& bore = d.bores[0];
    bore.lead = BoreLead::Pieces;
    bore.pieces = {{"ball", 2, 0.00038, 0, 0.004}, {"slug", 1, 0.0012, 0.005, 0.005}};
    const Derived e = evaluated(d);
    CHECK(e.mass->bores[0].leadMass_kg == Approx(0.00196).epsilon(1e-12));
    CHECK(e.mass->bores[0].plugLength_m ==
          Approx(0.005 + stackLength_m(2, 0.004, bore.diameter_m)).epsilon(1e-12));
    bore.pieces[1].diameter_m = bore.diameter_m + 0.001;
    const auto wide = findingOf(evaluated(d), "bore.piece_too_wide");
    REQUIRE(wide != std::nullopt);
    const Result<Design> cured = withEdit(d, wide->edits.at(0));
    REQUIRE(cured.ok());
    CHECK(findingOf(evaluated(*cured), "bore.piece_too_wide") == std::nullopt);
}

TEST_CASE("lip families: areas in closed form") {
    Lip lip;
    lip.length_m = 0.020;
    lip.rootWidth_m = 0.010;
    lip.width_m = 0.016;
    lip.tipRound_m = 0.004;
    lip.family = LipFamily::Cut;  // trapezium to 16 mm, then the corners off
    CHECK(measureLip(lip).area_m2 ==
          Approx(0.016 * 0.5 * (0.010 + 0.016) + 0.004 * 0.5 * (0.016 + 0.008)).epsilon(1e-9));
    lip.family = LipFamily::Oval;
    // Ellipse of half-axes a and 8 mm cut at the width of the root.
    const double ahead = std::sqrt(1 - 0.625 * 0.625), a = 0.020 / (1 + ahead);
    const double cut = std::acos(ahead);
    CHECK(measureLip(lip).area_m2 ==
          Approx(a * 0.008 * (kPi - cut + std::sin(cut) * std::cos(cut))).epsilon(2e-3));
    lip.family = LipFamily::Waisted;
    // Mean of root and full width over the neck, half an ellipse at the tip.
    CHECK(measureLip(lip).area_m2 == Approx(0.016 * 0.013 + kPi / 4 * 0.004 * 0.016).epsilon(2e-3));
    for (const LipFamily family :
         {LipFamily::Rounded, LipFamily::Cut, LipFamily::Oval, LipFamily::Waisted}) {
        lip.family = family;
        for (const Eigen::Vector2d& p : lipOutline(lip)) {
            CHECK(p.x() <= lip.length_m * 1.01);
            CHECK(std::abs(p.y()) <= 0.5 * lip.width_m * 1.01);
        }
        const double plastic = measureLip(lip).mass_kg;
        Lip metal = lip;
        metal.density_kg_m3 = 7930;
        CHECK(measureLip(metal).mass_kg == Approx(plastic * 7930 / lip.density_kg_m3));
    }
}
