// Ways of making a body: density, hollow, layers and leaks against closed forms.
#include <catch2/catch.hpp>
#include <cmath>

#include "core/geometry/mesh_offset.h"
#include "core/make/drill_set.h"
#include "core/make/material.h"
#include "support/sample_bait.h"

using namespace wl;
using namespace wl::test;

TEST_CASE("resin with filler by volume and by mass is the same mix told two ways") {
    ResinMix m{1080, 200, 0.3, MixBy::Volume, 0.02};
    CHECK(mixDensity_kg_m3(m) == Approx(0.98 * (0.3 * 200 + 0.7 * 1080)));
    ResinMix byMass = m;
    byMass.by = MixBy::Mass;
    byMass.fillerShare = 0.3 * 200 / (0.3 * 200 + 0.7 * 1080);
    CHECK(mixDensity_kg_m3(byMass) == Approx(mixDensity_kg_m3(m)).epsilon(1e-12));
    for (ResinMix mix : {m, byMass}) {
        const auto share = fillerShareFor(mix, 780);
        REQUIRE(share);
        mix.fillerShare = *share;
        CHECK(mixDensity_kg_m3(mix) == Approx(780).epsilon(1e-12));
        CHECK_FALSE(fillerShareFor(mix, 1200));
        CHECK_FALSE(fillerShareFor(mix, 215));
    }
    // Doubt: 2 points of filler and 1 of air, half-widths, by differences of the closed form.
    Stock stock;
    stock.source = DensitySource::Mix;
    Make make;
    make.kind = MakeKind::Cast;
    make.mix = m;
    const double byShare = 0.98 * (200 - 1080) * 0.02, byAir = 0.01 * (0.3 * 200 + 0.7 * 1080);
    CHECK(densityInForce(stock, make).uncertainty_kg_m3 ==
          Approx(std::hypot(byShare, byAir) / std::sqrt(3.0)).epsilon(1e-6));
}

TEST_CASE("a round blank on the scale gives its density - moisture widens it for wood alone") {
    Stock stock;
    stock.source = DensitySource::Blank;
    stock.blank = {0.12, 0.03, 0.05};
    Make make;
    make.kind = MakeKind::Turned;
    const DensityEstimate dry = densityInForce(stock, make);
    CHECK(dry.density_kg_m3 == Approx(0.05 / (kPi / 4 * 9e-4 * 0.12)));
    stock.moistureSpread = 0.03;
    CHECK(
        densityInForce(stock, make).uncertainty_kg_m3 ==
        Approx(std::hypot(dry.uncertainty_kg_m3, dry.density_kg_m3 * 0.6 * 0.03 / std::sqrt(3.0))));
    make.kind = MakeKind::Cast;
    CHECK(densityInForce(stock, make).uncertainty_kg_m3 == Approx(dry.uncertainty_kg_m3));
}

TEST_CASE("a printed shell is an even wall, not a smaller copy") {
    // Ball R 15, wall 1.2 mm, and a box: difference of the two solids.
    const TriangleMesh ball = ellipsoidMesh(0.015, 0.015, 0.015, 96, 64);
    CHECK(integrateMesh(offsetInward(ball, 0.0012)).volume_m3 ==
          Approx(4.0 / 3 * kPi * std::pow(0.0138, 3)).epsilon(3e-3));
    CHECK(integrateMesh(offsetInward(boxMesh(0.1, 0.02, 0.03, 0), 0.002)).volume_m3 ==
          Approx(0.096 * 0.016 * 0.026).epsilon(1e-9));
    Print print;
    print.shell_m = 0.0012;
    print.infill = 0.2;
    print.density_kg_m3 = 1270;
    const SolidProperties solid = integrateMesh(ball);
    const auto onAxis = [](double) { return 0.0; };
    const PartMaterial m = printedMaterial(ball, solid, print, onAxis);
    const double inside = 4.0 / 3 * kPi * std::pow(0.0138, 3);
    CHECK(m.mass_kg == Approx(1270 * (solid.volume_m3 - 0.8 * inside)).epsilon(5e-3));
    CHECK(m.hollow_m3 == Approx(0.8 * inside).epsilon(5e-3));
    print.shell_m = 0.016;
    CHECK(printedMaterial(ball, solid, print, onAxis).hollow_m3 < 1e-12);
    // A bar 100 x 4 x 4 mm with walls of 3: two walls past the middle are no hollow.
    const TriangleMesh bar = boxMesh(0.1, 0.004, 0.004, -0.002);
    print.shell_m = 0.003;
    CHECK(printedMaterial(bar, integrateMesh(bar), print, onAxis).hollow_m3 < 1e-12);
}

TEST_CASE("a leak fills by its own time constant, from one soak on the scale") {
    Print print;
    print.leaks = true;
    print.dryMass_kg = 0.020;
    print.wetMass_kg = 0.0205;
    print.soak_s = 600;
    const double hollow = 5e-6;
    // After the soak itself it holds what the scale said; tau = -t / ln(1 - 0.5 / 5).
    CHECK(*waterTaken_m3(print, hollow, 1000, 600) == Approx(0.5e-6).epsilon(1e-12));
    CHECK(*waterTaken_m3(print, hollow, 1000, 1200) == Approx(5e-6 * (1 - 0.81)).epsilon(1e-12));
    CHECK(*waterTaken_m3(print, hollow, 1000, 1e9) == Approx(hollow));
    print.wetMass_kg = 0.0199;
    CHECK_FALSE(waterTaken_m3(print, hollow, 1000, 600));
    print.leaks = false;
    CHECK(*waterTaken_m3(print, hollow, 1000, 600) == 0.0);
}

TEST_CASE("sheets side by side weigh what their slices do, and one heavy side leans the bait") {
    Design d = demoDesign();
    d.make.kind = MakeKind::Layered;
    d.make.glueFilm_m = 0;
    d.make.layers = {{"sheet", 0.008, 400}, {"core", 0.008, 300}, {"sheet", 0.008, 400}};
    const Derived even = evaluated(d);
    double bySlices = 0;
    for (const auto& [from, to, rho] :
         {std::tuple{-0.012, -0.004, 400.0}, {-0.004, 0.004, 300.0}, {0.004, 0.012, 400.0}}) {
        PieceBounds slab;
        slab.fromY_m = from;
        slab.toY_m = to;
        bySlices += rho * integratePiece(even.shape->curves, slab).volume_m3;
    }
    CHECK(even.mass->stages.shapedBody_kg == Approx(bySlices).epsilon(1e-9));
    CHECK(std::abs(even.rest->roll_rad) < 1e-4);
    d.make.layers[2].density_kg_m3 = 500;        // port
    CHECK(evaluated(d).rest->roll_rad < -0.01);  // port side down
    // A cavity in the core takes its stock out, and puts back what fills it.
    d.make.layers[2].density_kg_m3 = 400;
    d.make.cavities = {{2, 0.035, 0.0, 0.02, 0.006, 0.0}};
    CHECK(even.mass->mass_kg - evaluated(d).mass->mass_kg ==
          Approx(300 * 0.02 * 0.006 * 0.008).epsilon(1e-6));
    d.make.layers.clear();
    CHECK(evaluate(d).error().code == "make.no_layers");
}

TEST_CASE("a leaking print loses spare hour by hour and says so") {
    Design d = demoDesign();
    d.make.kind = MakeKind::Printed;
    d.make.print.infill = 0.10;
    d.make.print.shell_m = 0.0008;
    d.make.print.leaks = true;
    d.make.print.wetMass_kg = d.make.print.dryMass_kg + 0.0010;
    const Derived e = evaluated(d);
    REQUIRE(e.rest->waterlogged.size() == 4);
    double before = e.rest->spare;
    for (const Waterlogged& w : e.rest->waterlogged) {
        CHECK(w.spare < before);
        before = w.spare;
    }
    const std::vector<Finding> found = checkDesign(e);
    CHECK(std::any_of(found.begin(), found.end(),
                      [](const Finding& f) { return f.code.rfind("make.leaks", 0) == 0; }));
    // Halves with a groove: the wood of the groove is gone, the wire's epoxy is there.
    d.make = {};
    const double solid = evaluated(d).mass->mass_kg;
    d.make.halves = {true, 0.002, 0.003, 0.02, 0.06, 0.004, 1150};
    d.make.glueFilm_m = 0;
    const double density = evaluated(d).shape->reckoning.usedDensity_kg_m3;
    CHECK(evaluated(d).mass->mass_kg - solid ==
          Approx((1150 - density) * 0.002 * 0.003 * 0.04).epsilon(1e-6));
}

TEST_CASE("the nearest bit of a set, the smaller of two, none where all are too far") {
    const std::vector<DrillBit> set{
        {"3 mm", 3e-3}, {"3.5 mm", 3.5e-3}, {"4 mm", 4e-3}, {"8 mm", 8e-3}};
    CHECK(nearestBit(set, 3.5e-3)->name == "3.5 mm");
    CHECK(nearestBit(set, 3.3e-3)->name == "3.5 mm");
    CHECK(nearestBit(set, 3.25e-3)->name == "3 mm");
    CHECK(nearestBit({set.rbegin(), set.rend()}, 3.25e-3)->name == "3 mm");
    CHECK(nearestBit(set, 8.6e-3)->name == "8 mm");
    CHECK_FALSE(nearestBit(set, 8.8e-3));
    CHECK_FALSE(nearestBit(set, 6e-3));
    CHECK_FALSE(nearestBit(set, 0));
    CHECK_FALSE(nearestBit({}, 4e-3));
}
