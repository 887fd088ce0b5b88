// A bait's swim: from its design to beats, swing and what is said of them.
#include <catch2/catch.hpp>

#include "core/reckon/tow.h"
#include "core/swim/tuning.h"
#include "io/design_file.h"
#include "io/embedded_data.h"
#include "support/random_bait.h"
#include "support/sample_bait.h"

using namespace wl;
using namespace wl::test;

namespace {

Swim swimOfDesign(const Design& design) {
    const Result<Derived> d = evaluate(design);
    REQUIRE(d);
    return swimOf(*d, computeRun(*d, {}, kCoarseRetrieve));
}

bool isFinite(const Swim& s) {
    for (const Spread* spread : {&s.beats_1_s, &s.yaw_rad, &s.roll_rad, &s.swing_rad}) {
        if (!(std::isfinite(spread->low) && std::isfinite(spread->high) && spread->low >= 0 &&
              spread->low <= spread->middle && spread->middle <= spread->high)) {
            return false;
        }
    }
    return std::isfinite(s.growth_1_s) && std::isfinite(s.stillPoint_m) &&
           std::isfinite(s.nosePath_m) && std::isfinite(s.tailPath_m) &&
           std::isfinite(s.rollToYaw) && std::isfinite(s.tuning);
}

}  // namespace

TEST_CASE("the demo diver swims, and the figures hang together") {
    const Design design = demoDesign();
    const Result<Derived> d = evaluate(design);
    REQUIRE(d);
    const Run run = computeRun(*d);
    const Swim swim = swimOf(*d, run);
    REQUIRE_FALSE(swim.untold);
    CHECK(swim.sheds);
    CHECK(swim.beats_1_s.middle > 1);
    CHECK(swim.beats_1_s.middle < 15);
    CHECK(swim.tow.pitch_rad == run.levelTrim->pitch_rad);  // one attitude on all screens
    CHECK(isFinite(swim));
    // The still point does not move sideways: the swing of the axis there is the part out of step.
    const auto motion = motionOf(*d, run, swim);
    REQUIRE(motion);
    const WobbleBody& body = motion->body();
    CHECK(body.mass_kg == d->mass->mass_kg);
    CHECK(body.centreOfGravity_m.x() ==
          Approx(0.5 * body.length_m - d->mass->centreOfGravity_m.x()));
    double volume = 0;
    for (const WobbleStrip& s : body.strips) {
        volume += s.area_m2 * s.dx_m;
    }
    CHECK(volume == Approx(d->shape->solid.volume_m3).epsilon(0.02));
    // The same design, the same bits.
    const Swim again = swimOf(*evaluate(design), run);
    CHECK(again.beats_1_s.middle == swim.beats_1_s.middle);
    CHECK(again.roll_rad.high == swim.roll_rad.high);
    // Its motion in time beats as told.
    const WobbleRun full = runWobble(*motion, WobbleClock{}, smallStart());
    REQUIRE(full.done);
    if (!full.rolledOver_s) {
        CHECK(full.beats_1_s == Approx(swim.beats_1_s.middle).epsilon(0.1));
    }
}

TEST_CASE("the roll couple of weight, lift and line is the equations' own") {
    const Result<Derived> d = evaluate(demoDesign());
    REQUIRE(d);
    const Run run = computeRun(*d);
    const Result<WobbleBody> body = wobbleBody(*d, run);
    const Result<WobbleTow> tow = wobbleTow(*d, run.levelTrim, 0.8);
    REQUIRE(body);
    REQUIRE(tow);
    // By the loads themselves, in water at rest.
    WobbleTow still = *tow;
    still.speed_m_s = 0;
    const WobbleMotion motion(*body, still, Model{}, {}, false);
    constexpr double h = 1e-4;
    WobbleState more = WobbleState::Zero(), less = WobbleState::Zero();
    more[1] = h;
    less[1] = -h;
    const double couple =
        (motion.loads(more, true).moment_N_m.x() - motion.loads(less, true).moment_N_m.x()) /
        (2 * h);
    // The line is let follow: what its own side pull does is not in it.
    CHECK(rollCouple_N_m(*body, *tow) == Approx(couple).margin(2e-2 * std::abs(couple)));
}

TEST_CASE("why a bait's swim is not told") {
    const Design jointed = readDesign(embedded::glide_bait_wade()).value();
    REQUIRE_FALSE(jointed.joints.empty());
    REQUIRE_FALSE(jointed.lip.present);
    const Swim glides = swimOfDesign(jointed);
    REQUIRE(glides.untold);
    CHECK(glides.untold->code == "swim.jointed");
    Design wide = demoDesign();
    wide.lip.width_m = 3.5 * evaluate(wide)->shape->sizes.maxWidth_m;
    wide.lip.family = LipFamily::Cut;
    wide.lip.rootWidth_m = wide.lip.width_m;
    wide.lip.tipRound_m = 0;
    const Swim swim = swimOfDesign(wide);
    REQUIRE(swim.untold);
    CHECK(swim.untold->code == "swim.lip_out_of_proportion");
}

TEST_CASE("beats counted on a film set the beat, a swing seen sets the force or is refused") {
    Design d = demoDesign();
    const Swim told = swimOfDesign(d);
    d.swim.filmSpeed_m_s = d.brief.retrieveSpeed_m_s;
    d.swim.filmBeats = 10;
    d.swim.filmRate_1_s = 240;
    d.swim.filmFrames = 10 * 240 / (1.15 * told.beats_1_s.middle);
    const Swim filmed = swimOfDesign(d);
    CHECK(filmed.beats_1_s.middle == Approx(1.15 * told.beats_1_s.middle).epsilon(0.03));
    CHECK(filmed.beats_1_s.high / filmed.beats_1_s.middle <
          told.beats_1_s.high / told.beats_1_s.middle);
    d.swim.seenYaw_rad = 1.2 * filmed.yaw_rad.middle;
    const Swim wider = swimOfDesign(d);
    if (!wider.swingRefused) {
        CHECK(wider.yaw_rad.middle == Approx(*d.swim.seenYaw_rad).epsilon(0.02));
    }
    d.swim.seenYaw_rad = 60 * kDegree;  // no wake does that
    CHECK(swimOfDesign(d).swingRefused);
}

TEST_CASE("a fault makes a bait run off, its bend takes that back, mirrored it is mirrored") {
    const Result<Derived> d = evaluate(demoDesign());
    REQUIRE(d);
    const Run run = computeRun(*d);
    const Result<Tuning> tuning = tuningOf(*d, run);
    REQUIRE(tuning);
    REQUIRE(tuning->faults.size() == 5);
    for (const FaultRun& f : tuning->faults) {
        if (f.rollsOver) {
            continue;
        }
        INFO(int(f.fault));
        CHECK(std::isfinite(f.run_rad));
        CHECK(f.sideways_m ==
              Approx(d->design->brief.castLength_m / std::exp(1.0) * std::tan(f.run_rad)));
        if (f.fault == FaultRun::Fault::Tie && f.bend_m) {
            CHECK(*f.bend_m == Approx(-1e-3).epsilon(1e-4));  // bent back where it was
        }
    }
    // The same fault drawn into the design: the lip set off to port is the mirror of the row.
    Design aside = demoDesign();
    aside.lip.slotY_m = 0.5e-3;
    const Result<Derived> there = evaluate(aside);
    REQUIRE(there);
    const Result<WobbleBody> body = wobbleBody(*there, run);
    const Result<WobbleTow> tow = wobbleTow(*there, run.levelTrim, towSpeed_m_s(*d));
    REQUIRE(body);
    REQUIRE(tow);
    WobbleTuning held;
    held.rollCoupleHeld = swimOf(*d, run).heldCouple_N_m;
    const auto way = swimsSideways(WobbleMotion(*body, *tow, Model{}, held));
    const FaultRun& root = tuning->faults[3];
    REQUIRE(way.has_value() == !root.rollsOver);
    if (way) {
        // The line ties to the lip, and goes with it.
        CHECK(std::atan((*way)[0] / body->lineLength_m) == Approx(-root.run_rad).epsilon(0.05));
    }
}

TEST_CASE("random baits: every swim is finite or says why, and the beat goes with speed") {
    int told = 0, faster = 0, pairs = 0;
    for (unsigned seed = 1; seed <= 60; ++seed) {
        Dice dice(seed);
        const Design design = randomDesign(dice);
        const Result<Derived> d = evaluate(design);
        if (!d) {
            continue;
        }
        const Run run = computeRun(*d, {}, kCoarseRetrieve);
        const Swim swim = swimOf(*d, run);
        INFO("seed " << seed);
        if (swim.untold) {
            CHECK_FALSE(swim.untold->code.empty());
            continue;
        }
        CHECK(isFinite(swim));
        ++told;
        if (!swim.sheds || swim.flags.disagree || !design.lip.present) {
            continue;
        }
        const Swim quick = swimAt(*d, run, 1.4 * swim.speed_m_s);
        if (quick.untold || !quick.sheds || quick.flags.disagree) {
            continue;
        }
        ++pairs;
        faster += std::abs(quick.beats_1_s.middle / swim.beats_1_s.middle / 1.4 - 1) < 0.25 ? 1 : 0;
    }
    CHECK(told >= 15);
    CHECK(faster >= int(0.9 * pairs));
}
