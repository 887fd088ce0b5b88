// Joint opening against the cases worked by hand in docs/joints.md and against turned polygons.
#include <catch2/catch.hpp>
#include <cmath>
#include <random>

#include "core/joint/joint_opening.h"
#include "core/plan/plan_lead.h"
#include "support/sample_bait.h"

using namespace wl;
using namespace wl::test;

namespace {

JointPlan plan(double ahead_mm, double behind_mm, double bevelFront_deg, double bevelRear_deg,
               double width_mm) {
    JointPlan j;
    j.faceAhead_m = ahead_mm * 1e-3;
    j.faceBehind_m = behind_mm * 1e-3;
    j.bevelFront_rad = bevelFront_deg * kDegree;
    j.bevelRear_rad = bevelRear_deg * kDegree;
    j.halfWidthFront_m = j.halfWidthRear_m = 0.5e-3 * width_mm;
    return j;
}

double degrees(const JointPlan& j) {
    return computeOpening(j).opening_rad / kDegree;
}

// Where two outlines first overlap a corner of one is inside the other: the corners are turned in
// small steps until one is, without the formula. Ahead is -x, the closing side +y.
bool overlaps(const JointPlan& j, double swing) {
    constexpr double kTouch_m = 1e-10;
    const auto turned = [](std::pair<double, double> p, double by) {
        return std::pair{p.first * std::cos(by) - p.second * std::sin(by),
                         p.first * std::sin(by) + p.second * std::cos(by)};
    };
    const double slopeFront = std::tan(j.bevelFront_rad), slopeRear = std::tan(j.bevelRear_rad);
    for (const double side : {-1.0, 0.0, 1.0}) {
        const double yr = side * j.halfWidthRear_m, yf = side * j.halfWidthFront_m;
        const auto [x, y] = turned({j.faceBehind_m + std::abs(yr) * slopeRear, yr}, swing);
        const auto [u, v] = turned({-j.faceAhead_m - std::abs(yf) * slopeFront, yf}, -swing);
        if ((std::abs(y) < j.halfWidthFront_m - kTouch_m &&
             x < -j.faceAhead_m - std::abs(y) * slopeFront - kTouch_m) ||
            (std::abs(v) < j.halfWidthRear_m - kTouch_m &&
             u > j.faceBehind_m + std::abs(v) * slopeRear + kTouch_m)) {
            return true;
        }
    }
    return false;
}

// The swing at which they first overlap, searched from straight on; 90 degrees when they do not.
double openingByTurning(const JointPlan& j) {
    constexpr double kStep = 0.25 * kDegree;
    for (double t = kStep; t < kPi / 2; t += kStep) {
        if (overlaps(j, t)) {
            double free = t - kStep, met = t;
            for (int i = 0; i < 40; ++i) {
                const double middle = 0.5 * (free + met);
                (overlaps(j, middle) ? met : free) = middle;
            }
            return free;
        }
    }
    return kPi / 2;
}

}  // namespace

TEST_CASE("joint openings worked by hand") {
    // Each is derived step by step in docs/joints.md.
    CHECK(degrees(plan(1, 1, 0, 0, 22)) == Approx(10.3889).epsilon(1e-5));  // 1 flat, pin midway
    CHECK(degrees(plan(2, 0, 0, 0, 22)) == Approx(10.4757).epsilon(1e-5));  // 2 pin in a face
    CHECK(degrees(plan(0, 0, 15, 15, 20)) == Approx(30).epsilon(1e-9));     // 3 V cut, no gap
    CHECK(degrees(plan(0, 0, 25, 0, 20)) == Approx(25).epsilon(1e-9));      // 4 one bevel
    CHECK(degrees(plan(.5, .5, 10, 10, 20)) == Approx(25.5055).epsilon(1e-5));  // 5 gap and bevels
    // 6 pin ahead of both faces: the rear edge swings out past the front one, whose corner at
    // (11, -2) meets the rear face 4 behind the pin.
    const double R = std::hypot(11.0, 2.0);
    CHECK(degrees(plan(-2, 4, 0, 0, 22)) ==
          Approx((std::atan2(-2, 11) + std::asin(4 / R)) / kDegree).epsilon(1e-9));
    CHECK(computeOpening(plan(-2, 4, 0, 0, 22)).stop == JointStop::FrontEdgeOnRearFace);
    // 7 pin behind both faces: the mirror image of 6.
    CHECK(degrees(plan(4, -2, 0, 0, 22)) == Approx(degrees(plan(-2, 4, 0, 0, 22))).epsilon(1e-12));
    CHECK(computeOpening(plan(4, -2, 0, 0, 22)).stop == JointStop::RearEdgeOnFrontFace);
}

TEST_CASE("seeded joints open as far as turned outlines do") {
    std::mt19937 random(20261126);
    auto uniform = [&random](double a, double b) {
        return std::uniform_real_distribution<double>(a, b)(random);
    };
    int folds = 0;
    double worst = 0;
    for (int i = 0; i < 20000; ++i) {
        JointPlan j = plan(0, 0, uniform(0, 45), uniform(0, 45), 10);
        j.halfWidthFront_m = uniform(4e-3, 15e-3);
        j.halfWidthRear_m = uniform(4e-3, 15e-3);
        const double gap = uniform(0.1e-3, 6e-3), aft = uniform(-8e-3, 8e-3);
        j.faceAhead_m = 0.5 * gap + aft;
        j.faceBehind_m = 0.5 * gap - aft;
        const JointOpening o = computeOpening(j);
        const double opening = std::min(o.opening_rad, kPi / 2);
        folds +=
            o.stop == JointStop::FrontFoldOnRearFace || o.stop == JointStop::RearFoldOnFrontFace;
        const double turned = openingByTurning(j);
        // A corner may graze a fold for less than a step: then it is looked for where it is told.
        const bool grazes =
            opening < turned && (overlaps(j, opening + 1e-6) || overlaps(j, opening + 1e-5));
        worst = std::max(worst, grazes ? 0.0 : std::abs(opening - turned));
        if (o.stop != JointStop::None && o.opening_rad > 0) {
            worst = std::max(worst, std::abs(clearanceAt(j, o.opening_rad)) / 1e-3);
        }
    }
    CHECK(worst < 1e-4);
    CHECK(folds > 100);
}

TEST_CASE("the pin inside a piece: the other face's fold may be what stops it") {
    // Case 8 of docs/joints.md, by hand: fold 3.2 ahead of the pin, face 3 ahead of it, bevel 10.
    const JointPlan j = plan(3.2, -3, 30, 10, 24);
    const JointOpening o = computeOpening(j);
    CHECK(o.stop == JointStop::FrontFoldOnRearFace);
    CHECK(o.opening_rad / kDegree ==
          Approx(10 + std::acos(0.9375 * std::cos(10 * kDegree)) / kDegree));
    CHECK(o.opening_rad / kDegree == Approx(32.5930).epsilon(1e-5));
    JointPlan mirrored = plan(-3, 3.2, 10, 30, 24);
    CHECK(computeOpening(mirrored).stop == JointStop::RearFoldOnFrontFace);
    CHECK(computeOpening(mirrored).opening_rad == Approx(o.opening_rad));
}

TEST_CASE("bevel and gap for a wanted opening, and none where there is none") {
    // tan(bevel) = tan(25/2) - 2/22 for equal bevels, pin midway: 7.45117 deg.
    const JointPlan flat = plan(1, 1, 0, 0, 22);
    const auto bevel = bevelForOpening(flat, 25 * kDegree);
    REQUIRE(bevel);
    CHECK(*bevel / kDegree == Approx(7.45117).epsilon(1e-5));
    CHECK_FALSE(bevelForOpening(flat, 8 * kDegree));  // the gap alone gives 10.4
    const auto gap = gapForOpening(plan(.5, .5, 10, 10, 20), 25.5055 * kDegree);
    REQUIRE(gap);
    CHECK(*gap == Approx(1e-3).epsilon(1e-3));
    CHECK_FALSE(gapForOpening(plan(1, 1, 10, 10, 20), 170 * kDegree));
}

TEST_CASE("a pocket or the hardware may stop the joint before its faces") {
    JointPlan j = plan(-3, 4, 20, 20, 24);
    const double faces = computeOpening(j).opening_rad;
    j.pocketWidth_m = 0.004;
    j.pocketMouth_m = 0.003;
    j.hardwareWidth_m = 0.0012;
    const JointOpening o = computeOpening(j);
    CHECK(o.stop == JointStop::Pocket);
    CHECK(o.opening_rad < faces);
    // The shank touches the mouth when 3 sin t + 0.6 = 2 cos t.
    CHECK(3 * std::sin(o.opening_rad) + 0.6 == Approx(2 * std::cos(o.opening_rad)).epsilon(1e-9));
    j.hardwareStop_rad = 5 * kDegree;
    CHECK(computeOpening(j).stop == JointStop::Hardware);
    j.pocketWidth_m = 0.0010;
    CHECK(computeOpening(j).opening_rad == 0.0);
}

TEST_CASE("a cut bait: pieces sum to the whole, and wood taken out is gone from mass and water") {
    Design d = demoDesign();
    d.coats.clear();  // what a coat loses to a cut has a test of its own
    const Derived whole = evaluated(d);
    d.pieces.push_back({"tail", false, {}});
    Joint j;
    j.x_m = 0.055;
    j.typicalMass_kg = 0.0;
    j.pocket = PocketIn::None;
    d.joints.push_back(j);
    const Derived cut = evaluated(d);
    const SolidProperties gap = integrateJointGap(
        cut.shape->curves, cut.shape->joints[0].frontPieceFace, cut.shape->joints[0].rearPieceFace);
    const double water = cut.waterDensity_kg_m3;
    CHECK(whole.mass->displacedVolume_m3 - cut.mass->displacedVolume_m3 ==
          Approx(gap.volume_m3).epsilon(0.01));
    CHECK(whole.mass->mass_kg - cut.mass->mass_kg ==
          Approx(gap.volume_m3 * cut.shape->reckoning.usedDensity_kg_m3).epsilon(0.01));
    double mass = 0, volume = 0, net = 0;
    for (size_t i = 0; i < cut.mass->pieces.size(); ++i) {
        mass += cut.mass->pieces[i].mass_kg;
        volume += cut.mass->pieces[i].displacedVolume_m3;
        net += cut.rest->alone[i].net_kg;
    }
    CHECK(mass == Approx(cut.mass->mass_kg).epsilon(1e-12));
    CHECK(volume == Approx(cut.mass->displacedVolume_m3).epsilon(1e-12));
    CHECK(net == Approx(cut.rest->net_kg).epsilon(1e-9));
    CHECK(cut.rest->spare == Approx(1 - cut.mass->mass_kg / (water * volume)));
    // The tail in stock of its own: only its mass changes, and it sinks alone.
    d.pieces[1].ownStock = true;
    d.pieces[1].stock.shelfDensity_kg_m3 = 1200;
    const Derived heavy = evaluated(d);
    CHECK(heavy.rest->alone[1].net_kg < 0);
    CHECK(heavy.mass->pieces[0].mass_kg == Approx(cut.mass->pieces[0].mass_kg).epsilon(1e-9));
    d.joints[0].x_m = 0.0815;
    CHECK(evaluate(d).error().code == "joint.off_the_body");
    d.joints.clear();
    CHECK(evaluate(d).error().code == "joint.pieces_differ");
}

TEST_CASE("claws on hinges of their own count on both sides") {
    Design d = demoDesign();
    const Derived bare = evaluated(d);
    Appendage claw;
    claw.body = ellipsoidBody(0.008, 0.002, 0.003, 7, false);
    claw.hardwareMass_kg = 0.0;
    claw.droop_rad = 10 * kDegree;
    d.appendages.push_back(claw);
    d.coats.clear();
    Design plain = d;
    plain.appendages.clear();
    const Derived one = evaluated(plain), both = evaluated(d);
    const double claws = 2 * 4.0 / 3 * kPi * 0.008 * 0.002 * 0.003;
    CHECK(both.mass->displacedVolume_m3 - one.mass->displacedVolume_m3 ==
          Approx(claws).epsilon(5e-3));
    CHECK(std::abs(both.mass->centreOfGravity_m.y()) < 1e-9);
    CHECK(std::abs(both.rest->roll_rad) < 1e-4);
    // The scale reads them from the first: claws are shaped with the body.
    CHECK(both.mass->stages.shapedBody_kg - one.mass->stages.shapedBody_kg ==
          Approx(claws * both.shape->reckoning.density.density_kg_m3).epsilon(5e-3));
    REQUIRE(both.shape->parts.size() == 3);
    CHECK(isClosedAndOutward(both.shape->parts[2].mesh));
    CHECK(both.shape->parts[1].solid.centroid_m.y() > claw.hingeY_m);
    CHECK(both.shape->parts[2].solid.centroid_m.y() ==
          Approx(-both.shape->parts[1].solid.centroid_m.y()));
    CHECK(bare.shape->parts.size() == 1);
}

TEST_CASE("claws joined to one V weigh and float as two, hang as one, and carry one rivet") {
    Design two = demoDesign();
    two.coats.clear();
    Appendage claw;
    claw.body = ellipsoidBody(0.008, 0.002, 0.003, 7, false);
    claw.hingeY_m = 0.001;
    claw.hingeZ_m = -0.02;
    claw.hardwareMass_kg = 0.0;
    two.appendages = {claw};
    Design v = two;
    v.appendages[0].joined = true;
    const Derived apart = evaluated(two), joined = evaluated(v);
    CHECK(apart.mass->pieces.size() == 3);
    REQUIRE(joined.mass->pieces.size() == 2);
    CHECK(joined.mass->mass_kg == Approx(apart.mass->mass_kg).epsilon(1e-12));
    CHECK(joined.mass->displacedVolume_m3 == Approx(apart.mass->displacedVolume_m3).epsilon(1e-9));
    CHECK((joined.mass->centreOfGravity_m - apart.mass->centreOfGravity_m).norm() < 1e-12);
    CHECK((joined.mass->inertia_kg_m2 - apart.mass->inertia_kg_m2).norm() <
          1e-9 * apart.mass->inertia_kg_m2.norm());
    const BodyPart& arms = joined.shape->parts[1];
    CHECK(std::abs(arms.solid.centroid_m.y()) < 1e-15);
    CHECK(arms.pivot_m.y() == 0);
    CHECK(arms.mesh.vertices_m.size() == 2 * arms.secondArm);
    // Let go alone it hangs level from side to side; a claw of its own would not.
    CHECK(std::abs(joined.rest->alone[1].roll_rad) < 1e-6);
    v.appendages[0].hardwareMass_kg = two.appendages[0].hardwareMass_kg = 0.0003;
    CHECK(evaluated(two).mass->mass_kg - evaluated(v).mass->mass_kg ==
          Approx(0.0003).epsilon(1e-9));
    // A tail fin hinged behind the tail is one piece in the middle plane.
    v.appendages[0].mirrored = false;
    v.appendages[0].splay_rad = 0;
    v.appendages[0].hingeX_m = 0.083;
    v.appendages[0].hingeY_m = 0;
    v.appendages[0].hingeZ_m = 0;
    const Derived fin = evaluated(v);
    REQUIRE(fin.mass->pieces.size() == 2);
    CHECK(fin.mass->centreOfGravity_m.x() > joined.mass->centreOfGravity_m.x());
    CHECK(std::abs(fin.mass->centreOfGravity_m.y()) < 1e-12);
    CHECK_FALSE(findingOf(fin, "piece.rubs"));
}

TEST_CASE("coats lie on the outer skin of the pieces: joint gaps and faces are not coated") {
    // A round bait with flat faces at x1 and x2: the skin of an ellipsoid of revolution less the
    // belt between the faces, summed from its own equation.
    const double a = 0.06, r = 0.012, gap = 0.004, middle = 0.055;
    Design d = demoDesign();
    d.body = ellipsoidBody(a, r, r, 41, true);
    d.fittings.clear();
    d.bores.clear();
    d.features.clear();
    d.lip.present = false;
    Coat clear;
    clear.thickness_m = 0.0003;
    clear.count = 2;
    clear.density_kg_m3 = 1200;
    d.coats = {clear};
    d.pieces.push_back({"tail", false, {}});
    Joint j;
    j.x_m = middle;
    j.gap_m = gap;
    j.bevelFront_rad = j.bevelRear_rad = 0;
    j.pocket = PocketIn::None;
    d.joints.push_back(j);
    double skin = 0;
    const int steps = 400000;
    for (int i = 0; i < steps; ++i) {
        const double x = 2 * a * (i + 0.5) / steps, u = (x - a) / a;
        if (std::abs(x - middle) < gap / 2) {
            continue;
        }
        const double radius = r * std::sqrt(1 - u * u);
        const double slope = -r * u / (a * std::sqrt(1 - u * u));
        skin += 2 * kPi * radius * std::sqrt(1 + slope * slope) * 2 * a / steps;
    }
    double coat = 0;
    const Derived painted = evaluated(d);
    for (const MassItem& item : painted.mass->items) {
        coat += item.kind == PartKind::Coat ? item.mass_kg : 0;
    }
    CHECK(coat == Approx(skin * 0.0006 * 1200).epsilon(0.01));
}

TEST_CASE("the lift acts at the exact middle of the body drawn, not of its flats") {
    for (const char* name : {"diver", "lipless", "glider"}) {
        Design d = demoNamed(name);
        d.fittings.clear();
        d.bores.clear();
        d.features.clear();
        d.coats.clear();
        d.chambers.clear();
        d.lip.present = false;
        d.wire.present = false;
        d.tank.correction = {};
        const Derived bare = evaluated(d);
        INFO(name);
        // The exact integrals of the curves (held against closed forms elsewhere).
        CHECK((bare.mass->centreOfBuoyancy_m - bare.shape->solid.centroid_m).norm() < 1e-8);
    }
}
