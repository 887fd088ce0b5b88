// Stock, parts and holes.
#include <catch2/catch.hpp>
#include <cmath>

#include "core/hydro/water.h"
#include "core/make/stock_density.h"
#include "support/sample_bait.h"

using namespace wl;
using namespace wl::test;

TEST_CASE("the arithmetic makers do by hand") {
    // Common practice, no source.
    SampleBlock block;
    block.length_m = 0.05;
    block.width_m = 0.025;
    block.height_m = 0.0124;
    block.mass_kg = 5.82e-3;
    CHECK(densityFromSample(block).density_kg_m3 == Approx(375.48387).epsilon(1e-6));

    Stock stock;
    stock.shelfDensity_kg_m3 = 645;
    stock.weighedBody_kg = 36.04e-3;
    stock.trust = BodyTrust::WeighedVolume;
    const BodyReckoning r = reckonBody(stock, densityInForce(stock, {}), 50e-6, 1000);
    CHECK(r.usedVolume_m3 == Approx(55.87597e-6).epsilon(1e-6));
    CHECK(0.85 * 1000 * r.usedVolume_m3 == Approx(47.49457e-3).epsilon(1e-6));
    CHECK(0.85 * waterDensity_kg_m3(kZeroCelsius_K + 20, 0) * r.usedVolume_m3 ==
          Approx(47.40940e-3).epsilon(1e-6));

    stock.shelfDensity_kg_m3 = 377;
    stock.weighedBody_kg = 13.98e-3;
    CHECK(reckonBody(stock, densityInForce(stock, {}), 40e-6, 1000).usedVolume_m3 ==
          Approx(37.1e-6).epsilon(1e-3));
}

TEST_CASE("a 36.04 g body at 0.645 g/cm3 carries 47.5 g at 85 % through the whole chain") {
    // Common practice, no source. The drawing is made to disagree on purpose.
    Design d = demoDesign();
    d.fittings.clear();
    d.coats.clear();
    d.bores.clear();
    d.lip.present = false;
    d.tie.place = TiePlace::Body;
    for (Station& s : d.body.stations) {
        s.position_m *= 1.35;
        s.back_m *= 1.25;
        s.belly_m *= 1.25;
        s.widest_m *= 1.25;
        s.halfWidth_m *= 1.25;
    }
    Stock& stock = d.pieces[0].stock;
    stock.source = DensitySource::Shelf;
    stock.shelfDensity_kg_m3 = 645;
    stock.weighedBody_kg = 36.04e-3;
    stock.trust = BodyTrust::WeighedVolume;
    d.brief.temperature_K = kZeroCelsius_K + 20;
    d.brief.wantedSpare = 0.15;
    const Derived e = evaluated(d);
    CHECK(e.mass->displacedVolume_m3 == Approx(55.87597e-6).epsilon(1e-6));
    CHECK(e.wantedMass_kg == Approx(47.40940e-3).epsilon(1e-6));
    CHECK(e.shape->sizes.length_m ==
          Approx(0.082 * 1.35));  // length was measured, breadths give way
    stock.trust = BodyTrust::WeighedDrawnBoth;
    const Derived both = evaluated(d);
    CHECK(both.mass->mass_kg == Approx(36.04e-3).epsilon(1e-9));
    CHECK(both.shape->solid.volume_m3 ==
          Approx(both.shape->reckoning.drawnVolume_m3).epsilon(1e-12));
}

TEST_CASE("callipers and scale give the density its doubt") {
    // 50 x 25 x 12.4 mm, 0.1 mm and 0.01 g half-widths: sides taken one by one give 2.0335 kg/m3
    // of standard uncertainty (GUM, uniform half-widths); sides sharing one calliper add up.
    SampleBlock block{0.05, 0.025, 0.0124, 5.82e-3, 0.0001, 0.00001};
    const DensityEstimate e = densityFromSample(block);
    const double independent =
        e.density_kg_m3 * std::sqrt(e.lengthShare * e.lengthShare + e.widthShare * e.widthShare +
                                    e.heightShare * e.heightShare + e.massShare * e.massShare);
    CHECK(independent == Approx(2.0334994).epsilon(3e-3));
    CHECK(e.uncertainty_kg_m3 > independent);
}

TEST_CASE("a bore takes out what geometry says") {
    // Round body R 10 mm drilled right through by r 3 mm: bicylinder volume 559.0512870 mm3.
    Body rod = ellipsoidBody(0.05, 0.01, 0.01, 9, false);
    for (Station& s : rod.stations) {
        s.back_m = s.halfWidth_m = 0.01;
        s.belly_m = -0.01;
    }
    rod.nose = rod.tail = EndShape::Pointed;
    const auto curves = BodyCurves::build(rod, "");
    REQUIRE(curves.ok());
    Bore bore;
    bore.x_m = 0.05;
    bore.diameter_m = 0.006;
    bore.depth_m = 0.0199999;
    const BoreGeometry through = measureBore(*curves, bore);
    CHECK(through.wallBeyond_m < 1e-6);
    CHECK(through.wallBeside_m < 0);  // the rim is out already where the skin curves
    bore.depth_m = 0.01;              // to the axis: half of it, less nothing
    const BoreGeometry half = measureBore(*curves, bore);
    CHECK(half.removed_m3 == Approx(0.5 * 559.0512870e-9).epsilon(1e-3));
    CHECK(half.mouth_m.z() == Approx(-0.01));
    CHECK(half.wallBeyond_m == Approx(0.01).epsilon(1e-3));
}

TEST_CASE("lead swapped for wood gains its net mass, and refilling changes nothing") {
    // 8 mm x 10 mm lead in wood of 0.645: 5.375893 g net (common practice, no source).
    const double swap = (11340 - 645) * kPi / 4 * 64e-6 * 0.01;
    CHECK(swap == Approx(5.375893e-3).epsilon(1e-6));
    Design d = demoDesign();
    Stock& stock = d.pieces[0].stock;
    stock.source = DensitySource::Shelf;
    stock.shelfDensity_kg_m3 = 645;
    d.bores.resize(1);
    d.bores[0].depth_m = 0.012;
    d.bores[0].plugLength_m = 0.0;
    d.bores[0].fillerDensity_kg_m3 = 645;
    const Derived refilled = evaluated(d);
    d.bores[0].plugLength_m = 0.010;
    const Derived leaded = evaluated(d);
    CHECK(leaded.mass->mass_kg - refilled.mass->mass_kg == Approx(swap).epsilon(1e-9));
    d.bores.clear();
    CHECK(evaluated(d).mass->mass_kg == Approx(refilled.mass->mass_kg).epsilon(1e-9));
}

TEST_CASE("hooks and rings outside push their own water aside") {
    Design d = demoDesign();
    const Derived base = evaluated(d);
    Fitting steel;  // 3.0 g of steel outside
    steel.typicalMass_kg = 3e-3;
    steel.x_m = 0.04;
    steel.z_m = -0.02;
    d.fittings.push_back(steel);
    const Derived more = evaluated(d);
    CHECK(more.mass->displacedVolume_m3 - base.mass->displacedVolume_m3 ==
          Approx(3e-3 / 7850).epsilon(1e-9));
    CHECK(base.rest->net_kg - more.rest->net_kg ==
          Approx(3e-3 * (1 - base.waterDensity_kg_m3 / 7850)).epsilon(1e-9));
}

TEST_CASE("the scale readings add up to the finished bait") {
    const Design d = demoDesign();
    const Derived e = evaluated(d);
    CHECK(e.mass->stages.finished_kg == Approx(e.mass->mass_kg).epsilon(1e-12));
    CHECK(e.mass->stages.drilledBody_kg < e.mass->stages.shapedBody_kg);
    CHECK(e.mass->stages.withLead_kg > e.mass->stages.sealedBody_kg);
    CHECK(e.mass->stages.withHardware_kg > e.mass->stages.withLead_kg);
    double displaced = 0;
    for (const MassItem& item : e.mass->items) {
        displaced += item.displaced_m3;
    }
    CHECK(displaced == Approx(e.mass->displacedVolume_m3).epsilon(1e-4));
    // The demo hangs together: every weighed part within its shelf value's usual third.
    for (const Fitting& f : d.fittings) {
        if (f.weighedMass_kg) {
            CHECK(*f.weighedMass_kg == Approx(f.typicalMass_kg).epsilon(0.34));
        }
    }
    CHECK(std::abs(e.shape->reckoning.disagreement) < 2 * e.shape->reckoning.disagreementDoubt);
}

TEST_CASE(
    "inertia - pieces shifted to the whole's centre make the whole and bare wood is its shape") {
    for (const char* name : {"diver", "glide-bait", "swimmer"}) {
        const Derived d = evaluated(demoNamed(name));
        Eigen::Matrix3d sum = Eigen::Matrix3d::Zero();
        for (const PieceBalance& piece : d.mass->pieces) {
            const Eigen::Vector3d r = piece.centreOfGravity_m - d.mass->centreOfGravity_m;
            sum +=
                piece.inertia_kg_m2 +
                piece.mass_kg * (r.squaredNorm() * Eigen::Matrix3d::Identity() - r * r.transpose());
        }
        INFO(name);
        CHECK((sum - d.mass->inertia_kg_m2).norm() < 1e-9 * sum.norm());
        // No lighter than all its weight on a ring of the radius, no heavier than at its ends.
        const double length = d.shape->sizes.length_m;
        CHECK(d.mass->inertia_kg_m2(1, 1) < d.mass->mass_kg * length * length / 4);
        CHECK(d.mass->inertia_kg_m2(0, 0) < 0.25 * d.mass->inertia_kg_m2(1, 1));
    }
    Design bare = demoDesign();
    bare.bores.clear();
    bare.fittings.clear();
    bare.coats.clear();
    bare.lip.present = false;
    const Derived d = evaluated(bare);
    const Eigen::Matrix3d wood = d.shape->reckoning.usedDensity_kg_m3 * d.shape->solid.inertia_m5;
    CHECK((d.mass->inertia_kg_m2 - wood).norm() < 1e-9 * wood.norm());
    // The side area of the one piece is the body's.
    CHECK(d.shape->parts[0].lateral.area_m2 == Approx(d.shape->sizes.profileArea_m2).epsilon(1e-3));
    CHECK(d.shape->parts[0].lateral.centroid_m.x() ==
          Approx(d.shape->sizes.profileCentroid_m.x()).epsilon(1e-3));
}
