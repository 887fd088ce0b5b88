// What is seen in the tank, back to what the bait is.
#include <catch2/catch.hpp>

#include "core/hydro/water.h"
#include "core/school/tank_school.h"
#include "support/sample_bait.h"

using namespace wl;
using namespace wl::test;

TEST_CASE("readings made from a known bait give that bait back") {
    Design d = demoDesign();
    d.tank.readings.clear();
    const TankCorrection hidden{true, 0.00006, 0.11e-6, 0, -0.0006, 0.0002, 0, 0};
    auto read = [&](ReadingKind kind, auto set) {
        TankReading r;
        r.kind = kind;
        r.temperature_K = d.brief.temperature_K;
        const Result<double> seen = predictReading(d, r, hidden);
        REQUIRE(seen.ok());
        set(r, *seen);
        d.tank.readings.push_back(r);
    };
    read(ReadingKind::Weighs, [](TankReading& r, double v) { r.mass_kg = v; });
    read(ReadingKind::Showing, [](TankReading& r, double v) { r.showing_m = v; });
    read(ReadingKind::Nose, [](TankReading& r, double v) { r.angle_rad = v; });
    read(ReadingKind::Lean, [](TankReading& r, double v) { r.angle_rad = v; });
    read(ReadingKind::Still, [](TankReading& r, double v) {
        // What must be taped on: net - m (1 - rho/rho_lead) = 0, with the zero mass read first.
        r.taped_kg = 0;
        (void)v;
    });
    TankReading& still = d.tank.readings.back();
    still.taped_kg = 0.001;
    // One secant step is exact: the reading is linear in the taped mass.
    const double at1 = *predictReading(d, still, hidden);
    still.taped_kg = 0.002;
    const double at2 = *predictReading(d, still, hidden);
    still.taped_kg = 0.001 - at1 * 0.001 / (at2 - at1);
    CHECK(std::abs(*predictReading(d, still, hidden)) < 1e-9);

    d.errors.seenAngle_rad = 0.1 * kDegree;
    d.errors.seenShowing_m = 0.0001;
    d.errors.seenTaped_kg = 1e-6;
    const Result<TankInference> found = inferFromTank(d);
    REQUIRE(found.ok());
    CHECK(found->correction.mass_kg * 1e3 == Approx(0.06).margin(0.003));
    CHECK(found->correction.volume_m3 * 1e6 == Approx(0.11).margin(0.004));
    CHECK(found->correction.gravityY_m * 1e3 == Approx(0.2).margin(0.02));
    // Only the difference of the two centres along the bait shows at rest.
    CHECK((found->correction.gravityX_m - found->correction.buoyancyX_m) * 1e3 ==
          Approx(-0.6).margin(0.06));
    CHECK(found->misfit < 0.5);
    CHECK(found->volume_m3.doubt < found->volume_m3.doubtBefore);

    // Carried out, the correction makes the reckoning show what was seen.
    Design corrected = d;
    corrected.tank.correction = found->correction;
    const Derived now = evaluated(corrected);
    CHECK(now.mass->mass_kg * 1e3 == Approx(d.tank.readings[0].mass_kg * 1e3).margin(0.005));
    CHECK(now.rest->pitch_rad / kDegree ==
          Approx(d.tank.readings[2].angle_rad / kDegree).margin(0.15));
    CHECK(now.rest->showing_m * 1e3 == Approx(d.tank.readings[1].showing_m * 1e3).margin(0.15));
    CHECK(now.rest->roll_rad / kDegree ==
          Approx(d.tank.readings[3].angle_rad / kDegree).margin(0.15));
}

TEST_CASE("readings before paint are held against the bait without paint") {
    Design d = demoDesign();
    d.tank.readings.clear();
    TankReading r;
    r.kind = ReadingKind::Weighs;
    r.stage = TankStage::BeforePaint;
    const double bare = *predictReading(d, r, {});
    const Derived painted = evaluated(d);
    const double finished = painted.mass->mass_kg;
    double coats = 0;
    for (const MassItem& item : painted.mass->items) {
        const bool sealer = item.kind == PartKind::Coat &&
                            d.coats[size_t(item.path.back() - '0')].kind == CoatKind::Sealer;
        coats += item.kind == PartKind::Coat && !sealer ? item.mass_kg : 0;
    }
    CHECK(finished - bare == Approx(coats).epsilon(1e-9));
    CHECK(inferFromTank(d).error().code == "tank.no_readings");
}

TEST_CASE("a timed drop alone moves what the drop can tell") {
    Design d = suspender();
    d.bores[0].plugLength_m += 0.0015;
    const Derived e = evaluated(d);
    TankReading r;
    r.kind = ReadingKind::Drop;
    r.distance_m = 0.6;
    r.temperature_K = d.brief.temperature_K;
    r.time_s = *predictReading(d, r, {}) * 0.7;  // it went down faster
    d.tank.readings = {r};
    const Result<TankInference> found = inferFromTank(d);
    REQUIRE(found.ok());
    const double net =
        found->correction.volume_m3 * e.waterDensity_kg_m3 - found->correction.mass_kg;
    CHECK(net < -1e-5);
    CHECK(std::abs(found->correction.gravityX_m) < 1e-5);
    CHECK(found->fits[0].after < found->fits[0].before);
    CHECK(found->fits[0].after > found->fits[0].seen * 0.95);
}

TEST_CASE("a bait reckoned to float and seen to sink is corrected until it sinks as seen") {
    Design d = suspender();
    d.tank.readings.clear();
    // Two tenths of a gram lighter than it hangs: as drawn it floats.
    for (Bore& bore : d.bores) {
        bore.plugLength_m *= 0.97;
    }
    const Derived drawn = evaluated(d);
    REQUIRE(drawn.rest->net_kg > 0.05e-3);
    TankReading seen;
    seen.kind = ReadingKind::Drop;
    seen.distance_m = 0.3;
    seen.time_s = 6.0;
    seen.temperature_K = d.brief.temperature_K;
    d.tank.readings = {seen};
    const Result<TankInference> found = inferFromTank(d);
    REQUIRE(found.ok());
    const double heavier =
        found->correction.mass_kg - drawn.waterDensity_kg_m3 * found->correction.volume_m3;
    CHECK(heavier > drawn.rest->net_kg);
    CHECK(found->addMass_kg < 0);
    Design corrected = d;
    corrected.tank.correction = found->correction;
    corrected.tank.correction.applied = true;
    CHECK(evaluated(corrected).rest->net_kg < 0);
    CHECK(found->fits[0].after == Approx(6.0).epsilon(0.3));
}
