// What is left between things let into a bait, and to the skin.
#include <catch2/catch.hpp>

#include "core/clearance/clearance.h"
#include "core/design/fields.h"
#include "core/plan/plan_lead.h"
#include "support/sample_bait.h"

using namespace wl;
using namespace wl::test;

namespace {

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
    socket.z_m = evaluated(s).mass->bores[0].mouth_m.z() + 0.006;
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
    const double half = evaluated(d).shape->curves.atX(0.04).halfWidth_m;
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
    // Farther aft the body narrows: the move offered goes forward, and leaves the wall.
    d.chambers[0].x_m = 0.058;
    d.chambers[0].length_m = 2 * (evaluated(d).shape->curves.atX(0.058).halfWidth_m - 0.0004);
    out.clear();
    checkSkinWalls(d, evaluated(d), out);
    REQUIRE(out.size() == 1);
    REQUIRE(out[0].edits.size() == 1);
    CHECK(out[0].edits[0].code == "edit.move_chamber");
    CHECK(*out[0].edits[0].changes[0].value < 0.058);
    const Result<Design> moved = withEdit(d, out[0].edits[0]);
    REQUIRE(moved.ok());
    out.clear();
    checkSkinWalls(*moved, evaluated(*moved), out);
    CHECK(out.empty());
}

TEST_CASE("a bore of which something else is told is still held against the skin") {
    // Beside a bore let in off the middle, near the nose, the skin is nearer than its rim shows.
    Design d = demoDesign();
    d.fittings.clear();
    d.lip.present = false;
    d.bores.resize(1);
    d.bores[0].x_m = 0.012;
    d.bores[0].y_m = 0.003;
    d.bores[0].depth_m = 0.008;
    d.bores[0].plugLength_m = 0.002;
    for (const BoreLead lead : {BoreLead::Plug, BoreLead::Poured}) {
        d.bores[0].lead = lead;
        const Derived e = evaluated(d);
        CHECK(findingOf(e, "bore.poured").has_value() == (lead == BoreLead::Poured));
        REQUIRE(std::min(e.mass->bores[0].wallBeyond_m, e.mass->bores[0].wallBeside_m) >=
                kLeastWall_m);
        std::vector<Finding> out;
        checkSkinWalls(d, e, out);
        REQUIRE(out.size() == 1);
        CHECK(out[0].code == "wall.thin");
        CHECK(out[0].path == "/bores/0/x");
        REQUIRE(out[0].edits.size() == 1);
        const Result<Design> moved = withEdit(d, out[0].edits[0]);
        REQUIRE(moved.ok());
        out.clear();
        checkSkinWalls(*moved, evaluated(*moved), out);
        CHECK(out.empty());
    }
}

TEST_CASE("no lead is planned into a bait that cannot be cut as drawn, whatever comes out") {
    auto refused = [](Design d) {
        const Result<LeadPlan> plan = planLead(d);
        return plan ? std::string() : plan.error().code + " " + plan.error().path;
    };
    Design d = demoDesign();
    CHECK(refused(d).empty());
    d.bores[0].y_m = 0.007;  // out at the side
    CHECK(refused(d) == "plan.through_skin /bores/0/diameter");
    d = demoDesign();
    Feature socket;
    socket.x_m = 0.052;
    socket.z_m = 0.005;
    socket.diameter_m = 0.004;
    socket.depth_m = 0.03;  // out on the other side
    d.features = {socket};
    CHECK(refused(d) == "plan.through_skin /features/0/depth");
    d = demoNamed("swimmer");
    CHECK(refused(d).empty());
    d.joints[1].pinLength_m = 0.03;
    CHECK(refused(d) == "plan.pin_out /joints/1/pin_length");
    d = demoNamed("swimmer");
    d.joints[0].pocketWidth_m = 0.03;
    CHECK(refused(d) == "plan.pocket_out /joints/0/pocket_width");
    d = demoDesign();
    d.bores[0].depth_m = 0.03;
    CHECK(refused(d) == "plan.comes_out /bores/0/depth");
    d.bores[0].depth_m = demoDesign().bores[0].depth_m;
    d.bores[1].x_m = d.bores[0].x_m + 0.005;
    CHECK(refused(d) == "plan.clash /bores/1/x");
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
    CHECK(planLead(d).error().code == "plan.pin_out");
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
