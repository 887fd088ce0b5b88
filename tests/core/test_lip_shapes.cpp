// Lips as a disc, bent, notched and holed: against closed forms.
#include <catch2/catch.hpp>
#include <cmath>

#include "core/draw/draw_bait.h"
#include "core/making/holes.h"
#include "core/placed/lip_flex.h"
#include "core/rules/check_design.h"
#include "support/sample_bait.h"

using namespace wl;
using namespace wl::test;

namespace {

double lipMass(const Lip& lip) {
    return lip.density_kg_m3 * lip.thickness_m *
           (measureLip(lip).area_m2 + lipRootWidth_m(lip) * lip.slotDepth_m);
}

// Volume of a mesh of several closed plates, by tetrahedra to the origin.
double meshVolume(const TriangleMesh& mesh) {
    double six = 0;
    for (const auto& t : mesh.triangles) {
        six += mesh.vertices_m[size_t(t[0])].dot(
            mesh.vertices_m[size_t(t[1])].cross(mesh.vertices_m[size_t(t[2])]));
    }
    return std::abs(six) / 6;
}

}  // namespace

TEST_CASE("a lip as a disc, bent, notched and holed: areas and places by closed forms") {
    Lip lip = demoDesign().lip;
    lip.family = LipFamily::Disc;
    lip.width_m = 0.02;
    lip.length_m = 0.015;  // a circle of radius 10 less the cap past 5 from its middle
    const double cap = 1e-4 * std::acos(0.5) - 0.005 * std::sqrt(1e-4 - 0.25e-4);
    CHECK(measureLip(lip).area_m2 == Approx(kPi * 1e-4 - cap).epsilon(2e-3));
    CHECK(lipRootWidth_m(lip) == Approx(2 * std::sqrt(1e-4 - 0.25e-4)));

    // A square sheet of 20 x 18 mm, bent in the middle by 30 degrees.
    lip.family = LipFamily::Cut;
    lip.tipRound_m = 0;
    lip.width_m = lip.rootWidth_m = 0.018;
    lip.length_m = 0.020;
    lip.angle_rad = 20 * kDegree;
    const LipSheet flat = measureLip(lip);
    CHECK(flat.area_m2 == Approx(0.020 * 0.018));
    lip.bend_rad = 30 * kDegree;
    lip.bendAt_m = 0.010;
    const LipSheet bent = measureLip(lip);
    CHECK(bent.mass_kg == Approx(flat.mass_kg));
    const Eigen::Vector3d root(lip.slotX_m, 0, lip.slotZ_m);
    const Eigen::Vector3d first(-std::cos(20 * kDegree), 0, -std::sin(20 * kDegree));
    const Eigen::Vector3d second(-std::cos(50 * kDegree), 0, -std::sin(50 * kDegree));
    CHECK((lipPlace(lip, 0.020) - (root + 0.010 * (first + second))).norm() < 1e-15);
    const double inside = bent.insideVolume_m3, outside = bent.outsideVolume_m3;
    const Eigen::Vector3d centre = (0.5 * outside * (root + 0.005 * first) +
                                    0.5 * outside * (root + 0.010 * first + 0.005 * second) +
                                    inside * (root - 0.5 * lip.slotDepth_m * first)) /
                                   (inside + outside);
    CHECK((bent.centreOfMass_m - centre).norm() < 1e-12);
    CHECK(meshVolume(lipMesh(lip)) == Approx(outside).epsilon(1e-9));
    // Equal halves: the straight line to the tip lies half way between.
    CHECK(lipChord(lip).angle_rad == Approx(35 * kDegree));
    CHECK(lipChord(lip).length_m == Approx(0.020 * std::cos(15 * kDegree)));

    // A notch of 6 x 14 mm through the bend, and a hole of 2 mm.
    lip.notchWidth_m = 0.006;
    lip.notchDepth_m = 0.014;
    lip.holeDiameter_m = 0.002;
    lip.holeAt_m = 0.003;
    const double area = 0.020 * 0.018 - 0.006 * 0.014;
    CHECK(measureLip(lip).area_m2 == Approx(area - kPi * 1e-6));
    CHECK(measureLip(lip).mass_kg == Approx(lipMass(lip)));
    CHECK(meshVolume(lipMesh(lip)) == Approx(area * lip.thickness_m).epsilon(1e-9));
    Design d = demoDesign();
    d.lip = lip;
    const Derived holed = evaluated(d);
    d.lip.holeDiameter_m = 0;
    const Derived whole = evaluated(d);
    CHECK(whole.mass->displacedVolume_m3 - holed.mass->displacedVolume_m3 ==
          Approx(kPi * 1e-6 * lip.thickness_m).epsilon(1e-6));
    // Bent steeper it pulls as a steeper lip does, and the tie beyond the bend goes with it.
    d.tie = {TiePlace::Lip, 0, 0, 0.015, 0.002, ""};
    CHECK(
        (tiePoint(d) - (lipPlace(d.lip, 0.015) + 0.002 * Eigen::Vector3d(-std::sin(50 * kDegree), 0,
                                                                         std::cos(50 * kDegree))))
            .norm() < 1e-12);
}

TEST_CASE("a notch shallower than the tip is round cuts the tip off straight") {
    Lip lip = demoDesign().lip;
    lip.family = LipFamily::Disc;
    lip.width_m = 0.02;
    lip.length_m = 0.015;
    const double whole = measureLip(lip).area_m2;
    lip.notchWidth_m = 0.018;
    lip.notchDepth_m = 0.001;  // a cap 1 mm high of a circle of radius 10
    const double cap = 1e-4 * std::acos(0.9) - 0.009 * std::sqrt(1e-4 - 0.81e-4);
    CHECK(whole - measureLip(lip).area_m2 == Approx(cap).epsilon(0.03));
    lip.notchWidth_m = 0.004;
    lip.notchDepth_m = 0.003;
    CHECK(whole - measureLip(lip).area_m2 == Approx(0.004 * 0.0029).epsilon(0.03));
}

TEST_CASE("a bent lip is towed as the sheet between its root and its tip") {
    Design bent = demoDesign(), straight = bent;
    bent.lip.family = straight.lip.family = LipFamily::Cut;
    bent.lip.tipRound_m = straight.lip.tipRound_m = 0;
    bent.lip.rootWidth_m = straight.lip.rootWidth_m = bent.lip.width_m;
    bent.lip.bend_rad = 20 * kDegree;
    bent.lip.bendAt_m = 0.5 * bent.lip.length_m;
    const LipChord chord = lipChord(bent.lip);
    straight.lip.angle_rad = chord.angle_rad;
    straight.lip.length_m = chord.length_m;
    const Derived one = evaluated(bent), other = evaluated(straight);
    const LoadTable &a = *one.loads->table, &b = *other.loads->table;
    for (const double alpha : {-0.6, -0.2, 0.1}) {
        CHECK(a.at(alpha).aft_m2 == Approx(b.at(alpha).aft_m2).epsilon(1e-9));
        CHECK(a.at(alpha).moment_m3 == Approx(b.at(alpha).moment_m3).epsilon(1e-9));
    }
}

TEST_CASE("what cannot be made of a lip is told at its field") {
    const auto told = [](auto change) {
        Design d = demoDesign();
        change(d.lip);
        std::vector<std::string> paths;
        for (const Finding& f : checkDesign(evaluated(d))) {
            if (f.code.starts_with("lip.")) {
                paths.push_back(f.code + " " + f.path);
            }
        }
        return paths;
    };
    using Told = std::vector<std::string>;
    CHECK(told([](Lip&) {}).empty());
    CHECK(told([](Lip& l) {
              l.family = LipFamily::Disc;
              l.length_m = 1.2 * l.width_m;
          }) == Told{"lip.disc_all_outside /lip/length"});
    CHECK(told([](Lip& l) {
              l.bend_rad = 0.2;
              l.bendAt_m = 2 * l.length_m;
          }) == Told{"lip.bend_off_sheet /lip/bend_at"});
    CHECK(told([](Lip& l) { l.notchWidth_m = l.width_m; }) ==
          Told{"lip.notch_too_big /lip/notch_width"});
    CHECK(told([](Lip& l) {
              l.notchWidth_m = 0.004;
              l.notchDepth_m = l.length_m;
          }) == Told{"lip.notch_too_big /lip/notch_depth"});
    CHECK(told([](Lip& l) {  // wider than the waist it reaches into
              l.family = LipFamily::Waisted;
              l.rootWidth_m = 0.3 * l.width_m;
              l.notchWidth_m = 0.8 * l.width_m;
              l.notchDepth_m = 0.9 * l.length_m;
          }) == Told{"lip.notch_too_big /lip/notch_depth"});
    CHECK(told([](Lip& l) {
              l.holeDiameter_m = 0.003;
              l.holeAt_m = l.length_m;
          }) == Told{"lip.hole_off_sheet /lip/hole_at"});
}

TEST_CASE("a free outline: area, mass and closed plates by closed forms, any size the same shape") {
    Lip lip = demoDesign().lip;
    // A spear 10 mm wide at the skin, 18 at its shoulders 12 mm out, forked 4 mm deep at 20.
    lip.family = LipFamily::Free;
    lip = withLipEdge(lip, {{0, 0.005}, {0.012, 0.009}, {0.020, 0.004}, {0.016, 0}});
    REQUIRE(isLipOutline(lip.outline));
    CHECK(lip.length_m == Approx(0.020));
    CHECK(lip.width_m == Approx(0.018));
    CHECK(lipRootWidth_m(lip) == Approx(0.010));
    const double area = 2 * (0.012 * 0.007 + 0.008 * 0.0065 - 0.5 * 0.004 * 0.004);
    CHECK(measureLip(lip).area_m2 == Approx(area).epsilon(1e-12));
    CHECK(measureLip(lip).mass_kg == Approx(lipMass(lip)));
    CHECK(meshVolume(lipMesh(lip)) == Approx(area * lip.thickness_m).epsilon(1e-9));
    lip.bend_rad = 20 * kDegree;
    lip.bendAt_m = 0.017;  // through the fork
    CHECK(meshVolume(lipMesh(lip)) == Approx(area * lip.thickness_m).epsilon(1e-9));
    lip.length_m *= 2;
    CHECK(lipEdge_m(lip)[1].x() == Approx(0.024));
    CHECK(lipEdge_m(lip)[1].y() == Approx(0.009));

    // Corners from any other outline keep its area and what it is as wide as at the skin.
    for (const LipFamily family : {LipFamily::Rounded, LipFamily::Cut, LipFamily::Oval,
                                   LipFamily::Waisted, LipFamily::Disc}) {
        Lip from = demoDesign().lip;
        from.family = family;
        const Lip free = asFreeLip(from);
        CHECK(free.outline.size() <= 16);
        CHECK(measureLip(free).area_m2 == Approx(measureLip(from).area_m2).epsilon(0.02));
        // Corners lie on tenths of a millimetre, on either side.
        CHECK(std::abs(lipRootWidth_m(free) - lipRootWidth_m(from)) <= 1.001e-4);
    }
    CHECK_FALSE(isLipOutline({{0, 1}, {0.5, 0}, {1, 1}}));  // pinched off
    CHECK_FALSE(isLipOutline({{0, 0.5}, {1, 1}, {0.2, 0.9}, {0.9, 0.5}}));
    CHECK_FALSE(isLipOutline({{0, 1}}));
}

TEST_CASE("a lip set off true: its places turn with it, masses and areas stay") {
    Lip lip = demoDesign().lip;
    const LipSheet straight = measureLip(lip);
    lip.twist_rad = 5 * kDegree;
    lip.turn_rad = 3 * kDegree;
    lip.slotY_m = 0.001;
    const LipAxes axes = lipAxes(lip);
    CHECK(axes.along.cross(axes.across).dot(axes.up) ==
          Approx(lipAxes(Lip{}).along.cross(lipAxes(Lip{}).across).dot(lipAxes(Lip{}).up)));
    CHECK(std::abs(axes.along.dot(axes.across)) < 1e-15);
    CHECK(std::abs(axes.along.dot(axes.up)) < 1e-15);
    CHECK(lipPlace(lip, lip.length_m).y() ==

          Approx(0.001 - lip.length_m * std::sin(3 * kDegree) * std::cos(5 * kDegree)));
    CHECK(lipPlace(lip, 0.01, 0, -0.005).x() > lipPlace(lip, 0.01, 0, 0.005).x());  // lies back
    CHECK(measureLip(lip).mass_kg == straight.mass_kg);
    CHECK(meshVolume(lipMesh(lip)) == Approx(straight.outsideVolume_m3).epsilon(1e-9));
}

TEST_CASE("a lip under the water's push bends as a cantilever") {
    // Timoshenko 1955, Strength of Materials I, chapter V: uniform load, w L^3/6EI and w L^4/8EI.
    Lip lip = demoDesign().lip;
    lip.family = LipFamily::Cut;
    lip.tipRound_m = 0;
    lip.width_m = lip.rootWidth_m = 0.020;
    lip.length_m = 0.030;
    lip.thickness_m = 0.001;
    lip.modulus_Pa = 2.4e9;
    const double force = 0.8, load = force / lip.length_m;
    const double stiffness = 2.4e9 * lip.width_m * 1e-9 / 12;
    const LipFlex flex = lipFlex(lip, force);
    CHECK(flex.tipAngle_rad == Approx(load * std::pow(0.03, 3) / 6 / stiffness).epsilon(1e-3));
    CHECK(flex.tip_m == Approx(load * std::pow(0.03, 4) / 8 / stiffness).epsilon(1e-3));
    CHECK(flex.meanAngle_rad == Approx(flex.tip_m / 0.03).epsilon(1e-3));
    // A triangle held at its base under even pressure p b at the base: moment p b L^2 (1 - s/L)^3 /
    // 6 over EI0 (1 - s/L), angle at the tip p b L^3 / 18 EI0.
    lip.family = LipFamily::Free;
    lip.outline = {{0, 1}, {1, 0}};
    const double push = 0.3, peak = 2 * push / lip.length_m;
    CHECK(lipFlex(lip, push).tipAngle_rad ==
          Approx(peak * std::pow(0.03, 3) / 18 / stiffness).epsilon(2e-3));
    CHECK(lipFlex(lip, 0).tip_m == 0.0);
    // Nothing typed: as stiff as a sheet so dense usually is.
    const double plastic = lipFlex(lip, push).tip_m;
    lip.modulus_Pa.reset();
    CHECK(lipFlex(lip, push).tip_m == plastic);
    lip.density_kg_m3 = 7930;
    CHECK(lipFlex(lip, push).tip_m == Approx(plastic * 2.4 / 190));
}

TEST_CASE("a wire tied through the lip weighs what is cut, its holes are drilled out") {
    Design d = demoDesign();
    d.tie.place = TiePlace::Lip;
    d.tie.upLip_m = 0.4 * d.lip.length_m;
    const auto before = evaluate(d);
    d.tie.holes = TieHoles::Along;
    d.tie.holeDiameter_m = 0.0012;
    const auto drilled = evaluate(d);
    const double hole = kPi / 4 * 1.44e-6 * d.lip.thickness_m;
    REQUIRE(before);
    REQUIRE(drilled);
    CHECK(before->mass->mass_kg - drilled->mass->mass_kg ==
          Approx(2 * hole * d.lip.density_kg_m3).epsilon(1e-9));
    d.tie.wire_m = 0.001;
    d.tie.standOff_m = 0.008;
    const auto wired = evaluate(d);
    REQUIRE(wired);
    const TieWire wire = measureTieWire(d);
    CHECK(wired->mass->mass_kg - drilled->mass->mass_kg == Approx(wire.mass_kg).epsilon(1e-9));
    CHECK(wire.length_m > kPi * 0.004 + 2 * 0.004);  // the loop and two strands up to it
    CHECK(wire.length_m < kPi * 0.004 + 2 * 0.008 * 1.13 + 2 * 0.004 + 2 * d.lip.thickness_m);
    CHECK(wired->mass->displacedVolume_m3 - drilled->mass->displacedVolume_m3 ==
          Approx(wire.volume_m3).epsilon(1e-6));
    // Holes at the tip break out; a wire thicker than its hole does not go through.
    d.tie.upLip_m = d.lip.length_m - 0.001;
    d.tie.wire_m = 0.0015;
    const auto broken = evaluate(d);
    REQUIRE(broken);
    CHECK(findingOf(*broken, "tie.holes_off_sheet"));
    CHECK(findingOf(*broken, "tie.wire_too_thick"));
}

TEST_CASE("a tie's wire goes on into the body by a hole of its own beside the lip's slot") {
    Design d = demoDesign();
    d.tie.place = TiePlace::Lip;
    d.tie.upLip_m = 0.4 * d.lip.length_m;
    d.tie.holes = TieHoles::One;
    d.tie.wire_m = 0.0008;
    d.tie.holeDiameter_m = 0.0018;
    const auto ends = evaluate(d);
    REQUIRE(ends);
    const TieWire before = measureTieWire(d);
    d.tie.leg_m = 0.012;
    const auto goes = evaluate(d);
    REQUIRE(goes);
    const TieWire wire = measureTieWire(d);

    // Both strands: from the hole under the sheet to the skin, and in, for the six diameters that
    // were turned over.
    CHECK(wire.length_m - before.length_m ==
          Approx(2 * (d.tie.upLip_m + d.tie.leg_m) - 6 * d.tie.wire_m));

    // Parallel to the slot, its edge along the slot's lower wall.
    const auto holes = holesInOrder(d, *goes);
    const auto named = [&holes](const char* name) {
        const auto found = std::find_if(holes.begin(), holes.end(),
                                        [name](const BenchHole& h) { return h.name == name; });
        REQUIRE(found != holes.end());
        return *found;
    };
    const BenchHole leg = named("tie wire"), slot = named("lip");
    CHECK(leg.inward.dot(slot.inward) == Approx(1.0).epsilon(1e-12));
    CHECK(leg.round);
    CHECK(leg.diameter_m == Approx(0.0018));
    // Its bottom lies as far past the skin line as is typed, its mouth on the skin.
    const Eigen::Vector3d bottom = leg.mouth_m + leg.depth_m * leg.inward;
    CHECK((bottom - slot.mouth_m).dot(slot.inward) == Approx(0.012));
    CHECK(goes->shape->curves.contains(leg.mouth_m + 1e-5 * leg.inward));
    CHECK_FALSE(goes->shape->curves.contains(leg.mouth_m - 1e-5 * leg.inward));
    const Eigen::Vector3d up(slot.inward.z(), 0, -slot.inward.x());  // upright to the slot
    const double aside = std::abs((leg.mouth_m - slot.mouth_m).dot(up));
    CHECK(aside == Approx(0.5 * d.lip.thickness_m + 0.0009));
    CHECK((leg.mouth_m - slot.mouth_m).dot(up) * up.z() < 0);

    // Stock out, glue in where no wire lies; of the wire only what is outside pushes water aside.
    const double bored = kPi / 4 * 0.0018 * 0.0018 * leg.depth_m;
    const double strands = kPi / 4 * 0.0008 * 0.0008 * 2 * leg.depth_m;
    const double stock = goes->shape->reckoning.usedDensity_kg_m3;
    const double more = wire.mass_kg - before.mass_kg - stock * bored + 1150 * (bored - strands);
    CHECK(goes->mass->mass_kg - ends->mass->mass_kg == Approx(more).margin(0.05 * stock * bored));
    CHECK(goes->mass->displacedVolume_m3 - ends->mass->displacedVolume_m3 ==
          Approx(wire.volume_m3 - strands - before.volume_m3).margin(0.02 * strands));

    // On the template, and told where something stands in its way.
    const auto ofTie = [](const Design& design, const Derived& derived) {
        const Drawing side =
            drawBait(design, derived, levelFrame(DrawnView::Side), DrawnFor::Bench);
        return std::count_if(side.begin(), side.end(),
                             [](const Primitive& p) { return p.layer == DrawnLayer::Tie; });
    };
    CHECK(ofTie(d, *goes) > ofTie(d, *ends));
    CHECK_FALSE(findingOf(*goes, "tie.leg_outside"));
    for (const double ends_m : {0.0005, 0.1}) {  // before the skin, and through it
        Design off = d;
        off.tie.leg_m = ends_m;
        CHECK(findingOf(evaluated(off), "tie.leg_outside"));
    }
    Design across = d;
    Bore bore = d.bores.front();
    bore.name = "in its way";
    bore.x_m = leg.mouth_m.x() + 0.5 * leg.depth_m * leg.inward.x();
    bore.depth_m = 0.5 * goes->shape->sizes.maxHeight_m;
    across.bores.push_back(bore);
    const auto met = evaluate(across);
    REQUIRE(met);
    const auto told = checkDesign(*met);
    CHECK(std::any_of(told.begin(), told.end(), [](const Finding& f) {
        return std::find(f.words.begin(), f.words.end(), "tie wire") != f.words.end();
    }));
}
