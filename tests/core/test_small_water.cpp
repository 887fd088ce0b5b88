// What a bath and a small tank show: forces by hand, a jet's momentum, answers in order.
#include <catch2/catch.hpp>
#include <cmath>

#include "core/base/units.h"
#include "core/forecast/small_water.h"
#include "core/reckon/tow.h"
#include "support/sample_bait.h"

using namespace wl;
using namespace wl::test;

TEST_CASE("bath: a line held steeper makes a diver climb, and its pull points up that line") {
    const Design design = demoDesign();
    const Derived d = evaluated(design);
    const Run run = computeRun(d);
    constexpr double kSpeed = 0.8;
    const auto level = settleTrim(d.towed, kSpeed, 0.0, towStart_rad(d));
    REQUIRE(level);
    const auto same = pulledInBath(d, run, kSpeed, level->lineAngle_rad);
    REQUIRE(same);
    CHECK(same->climb_rad == Approx(0).margin(1e-6));
    CHECK(same->held.pitch_rad == Approx(level->pitch_rad).margin(1e-6));
    double last = 0;
    for (const double more : {8.0, 16.0, 24.0}) {
        const double line = level->lineAngle_rad + more * kDegree;
        const auto pull = pulledInBath(d, run, kSpeed, line);
        REQUIRE(pull);
        CHECK(pull->climb_rad > last + 1 * kDegree);
        last = pull->climb_rad;
        CHECK(pull->climbOver_m(2) == Approx(2 * std::tan(last)));
        CHECK(pull->held.lineAngle_rad == Approx(line).margin(1e-6));
        // Water, weight and lift added up by hand in the axes of space: the line takes what is
        // left.
        const Loads l = d.towed.loads->at(pull->held.alpha_rad);
        const double q = 0.5 * d.towed.waterDensity_kg_m3 * kSpeed * kSpeed;
        const double c = std::cos(pull->held.pitch_rad), s = std::sin(pull->held.pitch_rad);
        const double lift =
            (d.towed.waterDensity_kg_m3 * d.towed.displacedVolume_m3 - d.towed.mass_kg) *
            kGravity_m_s2;
        const double back = q * (l.aft_m2 * c + l.up_m2 * s),
                     up = q * (l.up_m2 * c - l.aft_m2 * s) + lift;
        CHECK(std::atan2(-up, back) == Approx(line).margin(1e-5));
        CHECK(std::hypot(back, up) == Approx(pull->held.tension_N).epsilon(1e-6));
        CHECK_FALSE(pull->heldSwim.untold);
    }
    CHECK(pulledInBath(d, run, 0.05, 0.5).error().code == "bath.no_trim");
    const auto wild = pulledInBath(d, run, kSpeed, 89.9 * kDegree);
    CHECK((wild || wild.error().code == "bath.not_held"));
}

TEST_CASE("tank: a pump's stream keeps its momentum, and a lip takes the mean over itself") {
    const PumpStream pump{0.25e-3, 0.016, 0.32};
    const StreamThere s = streamThere(pump, 1e-6, 1e-6);
    CHECK(s.outlet_m_s == Approx(0.25e-3 / (kPi * 0.008 * 0.008)));
    // Twenty outlets away a round jet runs at 6/20 of its start (Hussein, Capp & George 1994, B
    // about 6, recalled).
    CHECK(s.axis_m_s / s.outlet_m_s == Approx(0.30));
    CHECK(s.overLip_m_s == Approx(s.axis_m_s).epsilon(1e-2));
    // Half of that runs 0.094 of the way from the axis; across the whole the momentum is the
    // outlet's (a free jet's stays).
    CHECK(s.across_m == Approx(2 * 0.094 * 0.32));
    double momentum = 0, flow = 0;
    const double shape = 4 * (std::sqrt(2.0) - 1) / (s.across_m * s.across_m);
    constexpr int kRings = 4000;
    constexpr double kOver = 0.4, kDisc = 0.03;
    for (int i = 0; i < kRings; ++i) {
        const double r = (i + 0.5) * kOver / kRings;
        const double u = s.axis_m_s / std::pow(1 + shape * r * r, 2);
        momentum += u * u * 2 * kPi * r * kOver / kRings;
        flow += r < kDisc ? u * 2 * kPi * r * kOver / kRings : 0;
    }
    CHECK(momentum == Approx(s.outlet_m_s * s.outlet_m_s * kPi * 0.008 * 0.008).epsilon(0.05));
    const double disc = kPi * kDisc * kDisc;
    CHECK(streamThere(pump, disc, disc).overLip_m_s == Approx(flow / disc).epsilon(1e-3));
    // At the outlet it is whole, and no wider; it slows without a step.
    const StreamThere near = streamThere({0.25e-3, 0.016, 0}, 1e-5, 4 * kPi * 0.008 * 0.008);
    CHECK(near.overLip_m_s == near.outlet_m_s);
    CHECK(near.overBody_m_s == Approx(0.25 * near.outlet_m_s));
    double last = near.outlet_m_s;
    for (int mm = 1; mm <= 300; ++mm) {
        const double here = streamThere({0.25e-3, 0.016, 1e-3 * mm}, 2e-4, 4e-4).overLip_m_s;
        CHECK(here <= last);
        CHECK(here > last - 0.02 * near.outlet_m_s);
        last = here;
    }
}

TEST_CASE("tank: beats counted tell the speed, a stream too slow is told") {
    const Derived d = evaluated(demoDesign());
    const Run run = computeRun(d);
    const PumpStream pump{0.25e-3, 0.016, 0.15};
    const auto tank = swimInTank(d, run, pump, 0);
    REQUIRE(tank);
    CHECK_FALSE(tank->byBeats_m_s);
    CHECK(tank->stream.overBody_m_s < tank->stream.overLip_m_s);
    REQUIRE_FALSE(tank->told.untold);
    const auto counted = swimInTank(d, run, pump, 1.2 * tank->told.beats_1_s.middle);
    REQUIRE(counted);
    CHECK(*counted->byBeats_m_s == Approx(1.2 * tank->stream.overLip_m_s));
    const auto slow = swimInTank(d, run, {2e-6, 0.016, 0.15}, 0);
    REQUIRE_FALSE(slow);
    CHECK(slow.error().code == "stream.too_slow");
}
