// What must not change when nothing real changes: no reference values needed.
#include <catch2/catch.hpp>
#include <cmath>

#include "core/shape/edit_body.h"
#include "io/report.h"
#include "support/sample_bait.h"

using namespace wl;
using namespace wl::test;

namespace {

// Nothing but the body.
Design bare(std::string_view demo = "diver") {
    Design d = demoNamed(demo);
    d.fittings.clear();
    d.bores.clear();
    d.coats.clear();
    d.features.clear();
    d.lip.present = false;
    d.tie.place = TiePlace::Body;
    return d;
}

Joint thinCut(double x) {
    Joint j;
    j.x_m = x;
    j.gap_m = 0.0;
    j.bevelFront_rad = j.bevelRear_rad = 0.0;
    j.pinAft_m = 0.0;
    j.pocket = PocketIn::None;
    j.typicalMass_kg = 0.0;
    return j;
}

}  // namespace

TEST_CASE("a cut without gap, bevel or hardware changes nothing but the count of pieces") {
    const Design whole = demoNamed("diver");
    Design cut = whole;
    cut.pieces.resize(3, cut.pieces.front());
    cut.joints = {thinCut(0.0335), thinCut(0.058)};
    const Derived a = evaluated(whole), b = evaluated(cut);
    REQUIRE(b.shape->parts.size() == 3);
    // Coats are summed over the flats of each piece's own mesh.
    CHECK(b.mass->mass_kg == Approx(a.mass->mass_kg).epsilon(5e-6));
    Design bareWhole = whole, bareCut = cut;
    bareWhole.coats.clear();
    bareCut.coats.clear();
    CHECK(evaluated(bareCut).mass->mass_kg ==
          Approx(evaluated(bareWhole).mass->mass_kg).epsilon(1e-9));
    CHECK(b.mass->displacedVolume_m3 == Approx(a.mass->displacedVolume_m3).epsilon(1e-6));
    CHECK((b.mass->centreOfGravity_m - a.mass->centreOfGravity_m).norm() < 2e-5);
    CHECK(b.rest->pitch_rad == Approx(a.rest->pitch_rad).margin(0.15 * kDegree));
    CHECK(b.rest->showing_m == Approx(a.rest->showing_m).margin(1e-4));
}

TEST_CASE("mirrored in the centre plane, it leans the other way and all else is the same") {
    Design d = demoNamed("diver");
    d.bores[0].y_m = 0.0015;
    d.features.resize(1);
    d.features[0].from = FeatureFrom::Belly;
    d.features[0].x_m = 0.055;
    d.features[0].y_m = -0.002;
    Design m = d;
    m.bores[0].y_m = -d.bores[0].y_m;
    m.features[0].y_m = -d.features[0].y_m;
    const Derived a = evaluated(d), b = evaluated(m);
    CHECK(std::abs(a.rest->roll_rad) > 0.01);
    CHECK(b.rest->roll_rad == Approx(-a.rest->roll_rad).epsilon(1e-4));
    CHECK(b.rest->pitch_rad == Approx(a.rest->pitch_rad).epsilon(1e-4));
    CHECK(b.mass->mass_kg == Approx(a.mass->mass_kg).epsilon(1e-12));
}

TEST_CASE("twice the size: volume by eight, inertia by thirty-two, the same attitude") {
    Design small = bare();
    small.pieces[0].stock.source = DensitySource::Shelf;
    small.pieces[0].stock.shelfDensity_kg_m3 = 500;
    Design large = small;
    const OverallSize s = overallSize(small.body);
    large.body = resized(small.body, 2 * s.length_m, 2 * s.width_m, 2 * s.height_m);
    const Derived a = evaluated(small), b = evaluated(large);
    CHECK(b.shape->solid.volume_m3 == Approx(8 * a.shape->solid.volume_m3).epsilon(1e-9));
    CHECK(b.shape->solid.inertia_m5(1, 1) ==
          Approx(32 * a.shape->solid.inertia_m5(1, 1)).epsilon(1e-9));
    CHECK(b.shape->skin.area_m2 == Approx(4 * a.shape->skin.area_m2).epsilon(1e-9));
    CHECK(b.rest->spare == Approx(a.rest->spare).epsilon(1e-9));
    CHECK(b.rest->pitch_rad == Approx(a.rest->pitch_rad).margin(0.01 * kDegree));
}

TEST_CASE("a hole filled with its own stock is no hole - sealed or flooded differ by its water") {
    Design d = bare();
    const Derived solid = evaluated(d);
    d.features.resize(1);
    Feature& f = d.features[0];
    f.x_m = 0.03;
    f.depth_m = 0.004;
    f.fill = FeatureFill::Glue;
    f.fillDensity_kg_m3 = solid.shape->reckoning.usedDensity_kg_m3;
    const Derived filled = evaluated(d);
    CHECK(filled.mass->mass_kg == Approx(solid.mass->mass_kg).epsilon(1e-12));
    CHECK(filled.mass->displacedVolume_m3 == Approx(solid.mass->displacedVolume_m3).epsilon(1e-12));
    CHECK(filled.rest->roll_rad == Approx(solid.rest->roll_rad).margin(1e-6));
    f.fill = FeatureFill::Air;
    const Derived sealed = evaluated(d);
    f.fill = FeatureFill::Water;
    const Derived flooded = evaluated(d);
    const double hole = flooded.mass->features[0].cuts[0].removed_m3;
    CHECK(hole > 0);
    CHECK(sealed.mass->mass_kg == flooded.mass->mass_kg);
    CHECK(sealed.mass->displacedVolume_m3 - flooded.mass->displacedVolume_m3 ==
          Approx(hole).epsilon(1e-9));
    CHECK(sealed.mass->mass_kg ==
          Approx(solid.mass->mass_kg - hole * solid.shape->reckoning.usedDensity_kg_m3)
              .epsilon(1e-9));
}

TEST_CASE("sheets of one density are that stock - a shell without infill to speak of is its wall") {
    Design d = bare();
    d.make.kind = MakeKind::Layered;
    d.make.layers.assign(8, {"sheet", 0.003, 640});
    d.make.glueDensity_kg_m3 = 640;
    const Derived sheets = evaluated(d);
    CHECK(sheets.mass->mass_kg == Approx(640 * sheets.shape->solid.volume_m3).epsilon(1e-5));
    CHECK((sheets.mass->centreOfGravity_m - sheets.shape->solid.centroid_m).norm() < 1e-6);
    // All plastic: a print of 100 % infill is solid plastic whatever its wall.
    d.make = {};
    d.make.kind = MakeKind::Printed;
    d.make.print.infill = 1.0;
    const Derived full = evaluated(d);
    CHECK(full.mass->mass_kg ==
          Approx(d.make.print.density_kg_m3 * full.shape->solid.volume_m3).epsilon(1e-9));
    d.make.print.infill = 0.0;
    d.make.print.shell_m = 0.0005;
    // A thin wall is its area by its thickness, a little less where it curves.
    const Derived thin = evaluated(d);
    const double wall = d.make.print.density_kg_m3 * thin.shape->skin.area_m2 * 0.0005;
    CHECK(thin.mass->mass_kg < wall);
    CHECK(thin.mass->mass_kg > 0.93 * wall);
}

TEST_CASE("more wall, more infill, more filler, more moisture: each moves the right way") {
    Design d = bare();
    d.make.kind = MakeKind::Printed;
    double before = 0;
    for (const double shell : {0.0008, 0.0012, 0.0020, 0.0032}) {
        d.make.print.shell_m = shell;
        const double mass = evaluated(d).mass->mass_kg;
        CHECK(mass > before);
        before = mass;
    }
    d.make.print.shell_m = 0.0012;
    before = 0;
    for (const double infill : {0.0, 0.1, 0.3, 0.8}) {
        d.make.print.infill = infill;
        const double mass = evaluated(d).mass->mass_kg;
        CHECK(mass > before);
        before = mass;
    }
    d.make.kind = MakeKind::Cast;
    d.pieces[0].stock.source = DensitySource::Mix;
    d.pieces[0].stock.weighedBody_kg.reset();
    before = 1;
    for (const double share : {0.0, 0.1, 0.2, 0.4}) {
        d.make.mix.fillerShare = share;
        const double mass = evaluated(d).mass->mass_kg;
        CHECK(mass < before);
        before = mass;
    }
    Design wood = bare();
    const double dry = evaluated(wood).mass->netDoubt_kg;
    wood.pieces[0].stock.moistureSpread = 0.05;
    CHECK(evaluated(wood).mass->netDoubt_kg > dry);
}

TEST_CASE("wider gap and more bevel open a joint further and take more wood") {
    Design d = demoNamed("swimmer");
    double opening = 0, mass = 1;
    for (const double gap : {0.001, 0.0016, 0.0024, 0.0036}) {
        d.joints[0].gap_m = gap;
        const Derived e = evaluated(d);
        CHECK(e.shape->joints[0].opening.opening_rad > opening);
        CHECK(e.mass->mass_kg < mass);
        opening = e.shape->joints[0].opening.opening_rad;
        mass = e.mass->mass_kg;
    }
    d = demoNamed("swimmer");
    opening = 0;
    for (const double bevel : {4.0, 10.0, 16.0, 22.0}) {
        d.joints[1].bevelFront_rad = d.joints[1].bevelRear_rad = bevel * kDegree;
        const Derived e = evaluated(d);
        CHECK(e.shape->joints[1].opening.opening_rad > opening);
        opening = e.shape->joints[1].opening.opening_rad;
    }
}

TEST_CASE("a sloped face dives, and the steeper it looks up the more it pulls down") {
    Design d = bare();
    d.brief.retrieveSpeed_m_s = 1.2;
    d.tie.x_m = 0.001;
    d.tie.z_m = 0.004;
    const Derived plain = evaluated(d);
    d.body.noseFace.present = true;
    d.body.noseFace.x_m = 0.008;
    d.body.noseFace.angle_rad = 45 * kDegree;
    const Derived faced = evaluated(d);
    CHECK(faced.shape->solid.volume_m3 < plain.shape->solid.volume_m3);
    // Straight ahead the plate pushes the nose down and back: more drag, less lift at the nose.
    const Loads bald = plain.towed.loads->at(0.0), faceLoads = faced.towed.loads->at(0.0);
    CHECK(faceLoads.aft_m2 > bald.aft_m2);
    CHECK(faceLoads.up_m2 < bald.up_m2);
    d.body.noseFace.angle_rad = 120 * kDegree;  // cut back under the chin: no lip at all
    CHECK(evaluated(d).towed.loads->at(0.0).up_m2 > faceLoads.up_m2);
}

TEST_CASE("same design, same report, byte for byte") {
    for (const char* name : {"lipless", "glide-bait", "swimmer"}) {
        const Design d = demoNamed(name);
        CHECK(makeReport(d).json == makeReport(d).json);
    }
}
