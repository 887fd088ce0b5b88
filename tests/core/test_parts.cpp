// Eyes, through-wire, rattles, lip families, thin walls.
#include <catch2/catch.hpp>

#include "core/clearance.h"
#include "core/design/fields.h"
#include "core/plan/plan_lead.h"
#include "support/sample_bait.h"

using namespace wl;
using namespace wl::test;

namespace {

std::optional<Finding> findingOf(const Derived& d, const std::string& code) {
    for (const Finding& f : d.findings) {
        if (f.code == code) {
            return f;
        }
    }
    return std::nullopt;
}

Embedded rod(const Eigen::Vector3d& from, const Eigen::Vector3d& to, double radius, bool capsule) {
    Embedded e;
    e.tool.mouth_m = from;
    e.tool.depth_m = (to - from).norm();
    e.tool.inward = (to - from).normalized();
    e.tool.along = e.tool.inward.unitOrthogonal();
    e.tool.halfAlong_m = e.tool.halfAcross_m = radius;
    e.capsule = capsule;
    return e;
}

}  // namespace

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
    for (const MassItem& item : with.mass.items) {
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
    const double wood = with.reckoning.usedDensity_kg_m3;
    CHECK(longer.mass.mass_kg - with.mass.mass_kg ==
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
    hanger.z_m = before.mass.bores[0].mouth_m.z() - 0.5 * hanger.size_m;
    d.fittings.push_back(hanger);
    const Derived after = evaluated(d);
    const EyeWire wire = measureEye(hanger);
    const double inLead = wire.stem_m3 * d.bores[0].plugLength_m / d.bores[0].depth_m;
    const double inFiller = wire.stem_m3 - inLead;
    CHECK(after.mass.mass_kg - before.mass.mass_kg ==
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
    const WireLayout& w = e.mass.wire;
    const double length = e.curves.length_m(), belly = e.curves.atX(0.060).belly_m;
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
    const double gained = evaluated(d).mass.mass_kg - evaluated(bare).mass.mass_kg;
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
    const ChamberGeometry& g = e.mass.chambers[0];
    CHECK(g.balls_kg == Approx(2 * kPi / 6 * 64e-9 * 7800).epsilon(1e-9));
    CHECK(g.free_m3 == Approx(kPi / 4 * 0.0045 * 0.0045 * 0.012 - 2 * kPi / 6 * 64e-9));
    CHECK(g.roll_m == Approx(0.5 * (0.012 - stackLength_m(2, 0.004, 0.0045))));
    CHECK(findingOf(e, "chamber.balls_light") == std::nullopt);
    Design bare = d;
    bare.chambers.clear();
    const Derived without = evaluated(bare);
    CHECK(e.mass.mass_kg - without.mass.mass_kg ==
          Approx(g.balls_kg - g.removed_m3 * e.reckoning.usedDensity_kg_m3).epsilon(1e-6));
    CHECK(e.mass.displacedVolume_m3 == Approx(without.mass.displacedVolume_m3).epsilon(1e-12));
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
    CHECK(e.mass.bores[0].leadMass_kg == Approx(0.00196).epsilon(1e-12));
    CHECK(e.mass.bores[0].plugLength_m ==
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

TEST_CASE("wall between a bore and a wire, and least distances in closed form") {
    // Bore r 4 (30,0,-14)-(30,0,-2) and wire r 0.6 (27,-9,0)-(34,9,1), mm: the axes pass 2.53 mm
    // apart, so they clash by 2.069438 (segment to segment, worked two ways).
    const Embedded bore = rod({0.030, 0, -0.014}, {0.030, 0, -0.002}, 0.004, true);
    const Embedded wire = rod({0.027, -0.009, 0}, {0.034, 0.009, 0.001}, 0.0006, true);
    CHECK(wallBetweenSolids(bore, wire) * 1e3 == Approx(-2.069438142).margin(1e-6));
    // Two upright cylinders side by side, one above another, and corner to corner.
    const Embedded a = rod({0, 0, 0}, {0, 0, 0.010}, 0.003, false);
    CHECK(wallBetweenSolids(a, rod({0.010, 0, 0.002}, {0.010, 0, 0.008}, 0.002, false)) ==
          Approx(0.005).margin(1e-8));
    CHECK(wallBetweenSolids(a, rod({0.001, 0, 0.012}, {0.001, 0, 0.020}, 0.002, false)) ==
          Approx(0.002).margin(1e-8));
    CHECK(wallBetweenSolids(a, rod({0.010, 0, 0.014}, {0.010, 0, 0.020}, 0.004, false)) ==
          Approx(std::hypot(0.003, 0.004)).margin(1e-7));
    Embedded box = rod({0.010, 0, 0}, {0.010, 0, 0.010}, 0.002, false);
    box.tool.round = false;
    box.tool.along = Eigen::Vector3d::UnitX();
    CHECK(wallBetweenSolids(a, box) == Approx(0.005).margin(1e-8));
}

TEST_CASE("distance to the skin of an ellipsoid") {
    // From (10, 2, -5) to the ellipsoid 50, 8, 12: 4.735067 mm (Lagrange root).
    const Result<BodyCurves> curves =
        BodyCurves::build(ellipsoidBody(0.05, 0.008, 0.012, 33, true), "/body");
    REQUIRE(curves.ok());
    const TriangleMesh mesh = meshPiece(*curves, {}, 4.0 / 3 * kPi * 0.05 * 0.008 * 0.012, 160, 96);
    const SkinSearch skin(mesh, *curves);
    CHECK(skin.signedDistance({0.060, 0.002, -0.005}) * 1e3 == Approx(4.735067).margin(0.02));
    CHECK(skin.signedDistance({0.050, 0, 0.0}) * 1e3 == Approx(8.0).margin(0.02));
    CHECK(skin.signedDistance({0.050, 0, 0.020}) * 1e3 == Approx(-8.0).margin(0.02));
    // An upright rod through the middle: its end stands 12 - 9 mm under the back at the middle.
    Embedded upright = rod({0.05, 0, -0.003}, {0.05, 0, 0.009}, 0.0005, false);
    upright.kind = Embedded::Kind::Chamber;
    const SkinWall wall = wallToSkin(upright, skin);
    REQUIRE(wall.known);
    CHECK(wall.wall_m * 1e3 < 3.0);
    CHECK(wall.wall_m * 1e3 > 2.2);
}

TEST_CASE("a clash is refused, placed, and cured by moving the cheaper of the two") {
    Design d = demoDesign();
    d.bores[1].x_m = d.bores[0].x_m + 0.002;
    const Derived e = evaluated(d);
    const auto clash = findingOf(e, "wall.run_together");
    REQUIRE(clash != std::nullopt);
    CHECK(clash->severity == Severity::Error);
    REQUIRE(clash->place_m.has_value());
    CHECK((*clash->place_m)[0] == Approx(d.bores[0].x_m + 0.001).margin(0.003));
    CHECK(planLead(d).error().code == "plan.clash");
    REQUIRE_FALSE(clash->edits.empty());
    CHECK(clash->edits[0].code == "edit.move_bore");
    const Result<Design> cured = withEdit(d, clash->edits[0]);
    REQUIRE(cured.ok());
    CHECK(findingOf(evaluated(*cured), "wall.run_together") == std::nullopt);
    CHECK(findingOf(evaluated(*cured), "bore.meets_bore") == std::nullopt);
    CHECK(planLead(*cured).ok());
    // A bore against an eye socket: the bore moves, it is the cheaper.
    Design s = demoDesign();
    Feature socket;
    socket.name = "socket";
    socket.x_m = s.bores[0].x_m;
    socket.z_m = evaluated(s).mass.bores[0].mouth_m.z() + 0.006;
    socket.depth_m = 0.004;
    s.features = {socket};
    const auto meets = findingOf(evaluated(s), "cut.meets_cut");
    REQUIRE(meets != std::nullopt);
    REQUIRE_FALSE(meets->edits.empty());
    CHECK(meets->edits[0].changes[0].path == "/bores/0/x");
}

TEST_CASE("a rattle or a stem too near the skin is told with its place") {
    Design d = demoDesign();
    RattleChamber c;
    c.x_m = 0.04;
    c.z_m = 0.004;
    c.axis = ChamberAxis::Across;
    const double half = evaluated(d).curves.atX(0.04).halfWidth_m;
    c.length_m = 2 * (half - 0.0004);
    c.diameter_m = 0.003;
    c.ballDiameter_m = 0.0025;
    d.chambers = {c};
    const Derived e = evaluated(d);
    std::vector<Finding> out;
    checkSkinWalls(d, e, out);
    REQUIRE(out.size() == 1);
    CHECK((out[0].code == "wall.thin" || out[0].code == "wall.comes_out"));
    CHECK(out[0].path == "/chambers/0/x");
    REQUIRE(out[0].place_m);
    CHECK(std::abs((*out[0].place_m)[1]) > 0.8 * half);
}

TEST_CASE("pins and pockets against the skin: closed forms on a round bar, and what mends them") {
    // A corner at (y, z) in a round bar of radius R is R - sqrt(y^2 + z^2) from the skin.
    constexpr double kRadius_m = 0.010, kPin_m = 0.0012;
    Design d;
    d.body = barBody(0.1, kRadius_m, kRadius_m);
    d.pieces.resize(2);
    d.joints.resize(1);
    d.lip.present = false;
    d.bores.resize(1);
    d.bores[0].x_m = 0.03;
    Joint& j = d.joints[0];
    j.pinDiameter_m = kPin_m;
    auto walls = [&d] {
        std::vector<Finding> out;
        checkSkinWalls(d, evaluated(d), out);
        return out;
    };
    j.pinLength_m = 0.017;
    CHECK(walls().empty());
    CHECK(planLead(d).ok());
    for (const double length : {0.0182, 0.0188, 0.0195}) {
        j.pinLength_m = length;
        const std::vector<Finding> out = walls();
        REQUIRE(out.size() == 1);
        CHECK(out[0].code == "joint.pin_wall");
        CHECK(out[0].path == "/joints/0/pin_length");
        CHECK(out[0].values[0].value ==
              Approx(kRadius_m - std::hypot(0.5 * length, 0.5 * kPin_m)).margin(2e-5));
        REQUIRE(out[0].edits.size() == 1);
        // The longest on a half-millimetre that leaves a millimetre.
        CHECK(out[0].edits[0].changes[0].value == Approx(0.0175).margin(1e-9));
    }
    j.pinLength_m = 2 * kRadius_m;
    CHECK(walls().at(0).code == "joint.pin_out");
    CHECK(planLead(d).error().code == "plan.through_skin");
    j.pinLength_m = 0.015;
    j.pocketHeight_m = 0.016;
    j.pocketWidth_m = 0.0085;
    j.pocketDepth_m = 0.006;
    const std::vector<Finding> out = walls();
    REQUIRE(out.size() == 1);
    CHECK(out[0].code == "joint.pocket_wall");
    CHECK(
        out[0].values[0].value ==
        Approx(kRadius_m - std::hypot(0.5 * j.pocketHeight_m, 0.5 * j.pocketWidth_m)).margin(2e-5));
    CHECK(std::abs((*out[0].place_m)[2]) == Approx(0.008).margin(1e-4));
    REQUIRE(out[0].edits.size() == 1);
    const Result<Design> cured = withEdit(d, out[0].edits[0]);
    REQUIRE(cured.ok());
    d = *cured;
    CHECK(walls().empty());
    // Where the bevel has taken the pocket's mouth away there is no wall to be thin.
    d.joints[0].bevelFront_rad = 40 * kDegree;
    d.joints[0].pocketDepth_m = 0.002;
    d.joints[0].pocketHeight_m = 0.016;
    d.joints[0].pocketWidth_m = 0.0085;
    CHECK(walls().empty());
}
