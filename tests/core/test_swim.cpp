// A bait's swim: from its design to beats, swing and what is said of them.
#include <boost/numeric/odeint.hpp>
#include <catch2/catch.hpp>

#include "core/chain/chain_bait.h"
#include "core/plan/size_series.h"
#include "core/reckon/tow.h"
#include "core/swim/tuning.h"
#include "files/design_file.h"
#include "files/embedded_data.h"
#include "support/random_bait.h"
#include "support/sample_bait.h"
#include "support/thorough.h"

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

TEST_CASE("the water in a cupped end swings along and weighs nothing") {
    const auto ended = [](Design design, double deep) {
        const auto& all = design.body.stations;
        design.coats.clear();  // lines the cup: a little less water there
        design.body.tailFace.present = true;
        design.body.tailFace.x_m = all[all.size() - 2].position_m;
        design.body.tailFace.angle_rad = kPi / 2;
        design.body.tailFace.cupDepth_m = deep;
        return design;
    };
    const Result<Derived> flat = evaluate(ended(demoDesign(), 0));
    const Result<Derived> cupped = evaluate(ended(demoDesign(), 0.003));
    REQUIRE((flat && cupped));
    const Run run = computeRun(*cupped, {}, kCoarseRetrieve);
    const Result<WobbleBody> told = wobbleBody(*cupped, run);
    REQUIRE(told);
    WobbleBody body = *told;
    REQUIRE(body.cups.size() == 1);
    const WobbleCup cup = body.cups.front();
    // As much as the cup takes of the body's displacement, bare.
    const double dug = flat->mass->displacedVolume_m3 - cupped->mass->displacedVolume_m3;
    CHECK(cup.mass_kg == Approx(cupped->waterDensity_kg_m3 * dug).epsilon(1e-3));
    const double face = 0.5 * body.length_m - cupped->design->body.tailFace.x_m;
    CHECK(cup.place_m.x() > face);
    CHECK(cup.place_m.x() < face + 0.003);
    CHECK(body.mass_kg == cupped->mass->mass_kg);
    const Matrix6 with = measureHull(body).carried;
    body.cups.clear();
    const Matrix6 without = measureHull(body).carried;
    CHECK(with(1, 1) - without(1, 1) == Approx(cup.mass_kg));
    CHECK(with(1, 5) - without(1, 5) == Approx(cup.mass_kg * cup.place_m.x()));
    CHECK(with(5, 5) - without(5, 5) == Approx(cup.mass_kg * std::pow(cup.place_m.x(), 2)));

    const Result<Derived> jointed = evaluate(ended(demoNamed("swimmer"), 0.003));
    REQUIRE(jointed);
    const Result<ChainBait> chain = chainBait(*jointed, 0.6);
    REQUIRE(chain);
    const std::vector<CupWater> held =
        cupWater(jointed->shape->curves, jointed->waterDensity_kg_m3);
    REQUIRE(held.size() == 1);
    double swung = 0;
    for (const PlanarPiece& piece : chain->bait.pieces) {
        swung += piece.mass_kg;
    }
    CHECK(swung == Approx(jointed->mass->mass_kg + held.front().mass_kg));
    CHECK(chain->bait.pieces.front().mass_kg == jointed->mass->pieces.front().mass_kg);
}

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
    // Tied under the axis it grows by itself in the equations: told, and told widely.
    CHECK(swim.flags.rollUnsettled);
    CHECK(swim.growth_1_s > 10);
    CHECK(swim.swing_rad.high >= 3 * swim.swing_rad.middle);
}

TEST_CASE("behind lips flat and steep the wake pushes as hard as the swing it makes leaves it to") {
    int balances = 0, settled = 0;
    for (const double angle_deg : {25, 35, 45, 50, 55, 60, 65, 70}) {
        for (const double speed : {0.6, 0.9, 1.2, 1.6}) {
            Design design = demoDesign();
            design.lip.angle_rad = angle_deg * kDegree;
            design.brief.retrieveSpeed_m_s = speed;
            const Result<Derived> d = evaluate(design);
            REQUIRE(d);
            const Run run = computeRun(*d, {}, kCoarseRetrieve);
            std::optional<WobbleMotion> motion = motionOf(*d, run, swimOf(*d, run));
            if (!motion) {
                continue;
            }
            motion->setTuning({});
            for (const WakeCurve& curve : wakeCurves(d->model)) {
                const Wobble w = balanceWobble(*motion, curve);
                if (!w.found) {
                    continue;
                }
                ++balances;
                const double push = w.excitation * d->model.wakeSide * w.wake / 2;
                INFO(angle_deg << " degrees, " << speed << " m/s: " << push);
                const bool same = std::abs(curve.at(w.edgeSwing) / push - 1) < 1e-3;
                settled += same ? 1 : 0;
                CHECK((same || w.ambiguous));
            }
        }
    }
    CHECK(balances > 70);
    CHECK(settled > 0.95 * balances);
}

TEST_CASE("tied on the axis of roll the diver's motion in time is the swing told") {
    Design design = demoDesign();
    design.tie = Tie{};
    design.tie.x_m = 0;
    design.tie.z_m = 0;
    const Result<Derived> d = evaluate(design);
    REQUIRE(d);
    const Run run = computeRun(*d);
    const Swim swim = swimOf(*d, run);
    REQUIRE_FALSE(swim.untold);
    CHECK_FALSE(swim.flags.rollUnsettled);
    const auto motion = motionOf(*d, run, swim);
    REQUIRE(motion);
    const WobbleRun full = runWobble(*motion, WobbleClock{}, smallStart());
    REQUIRE(full.done);
    REQUIRE_FALSE(full.rolledOver_s);
    CHECK(full.beats_1_s == Approx(swim.beats_1_s.middle).epsilon(0.1));
    CHECK(full.yaw_rad > swim.yaw_rad.low);
    CHECK(full.yaw_rad < swim.yaw_rad.high);
    CHECK(full.roll_rad > swim.roll_rad.low);
    CHECK(full.roll_rad < swim.roll_rad.high);
    const auto nine = rollOvers(*d, run, swim);
    REQUIRE(nine);
    CHECK(nine->of == 9);
    CHECK(nine->rolled < 9);

    // The same equations by another integrator: Boost 1.74 odeint, Dormand-Prince, 1e-10.
    constexpr double kFor_s = 0.5;
    std::vector<double> x(8);
    const WobbleState start = smallStart();
    std::copy(start.data(), start.data() + 8, x.begin());
    namespace ode = boost::numeric::odeint;
    ode::integrate_adaptive(
        ode::make_controlled(1e-10, 1e-10, ode::runge_kutta_dopri5<std::vector<double>>()),
        [&](const std::vector<double>& at, std::vector<double>& rate, double) {
            const WobbleState r = motion->derivative(Eigen::Map<const WobbleState>(at.data()));
            rate.assign(r.data(), r.data() + 8);
        },
        x, 0.0, kFor_s, 1e-3);
    WobbleState mine = start;
    constexpr int kSteps = 4000;
    for (int i = 0; i < kSteps; ++i) {
        mine = stepWobble(*motion, mine, kFor_s / kSteps);
    }
    for (int i = 0; i < 8; ++i) {
        CHECK(mine[i] == Approx(x[size_t(i)]).epsilon(1e-5).margin(1e-7));
    }
}

TEST_CASE("the roll couple of weight, lift and line is the equations' own") {
    const Result<Derived> d = evaluate(demoDesign());
    REQUIRE(d);
    const Run run = computeRun(*d);
    Result<WobbleBody> body = wobbleBody(*d, run);
    const Result<WobbleTow> tow = wobbleTow(run.levelTrim, 0.8);
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
    const auto film = [&](double times) {
        d.swim.filmFrames = 10 * 240 / (times * told.beats_1_s.middle);
        return swimOfDesign(d);
    };
    // What was counted is what is told, though the body draws the beat its own way.
    for (const double times : {0.7, 0.85, 1.2, 1.5}) {
        const Swim other = film(times);
        INFO(times);
        CHECK(other.beats_1_s.middle == Approx(times * told.beats_1_s.middle).epsilon(1e-3));
        CHECK(other.film.beats == Approx(times).epsilon(1e-3));
    }
    const Swim filmed = film(1.15);
    CHECK(filmed.beats_1_s.high / filmed.beats_1_s.middle <
          told.beats_1_s.high / told.beats_1_s.middle);
    d.swim.seenYaw_rad = 1.2 * filmed.yaw_rad.middle;
    const Swim wider = swimOfDesign(d);
    REQUIRE_FALSE(wider.film.forceRefused);
    CHECK(wider.yaw_rad.middle == Approx(*d.swim.seenYaw_rad).epsilon(1e-3));
    CHECK(wider.beats_1_s.middle == Approx(1.15 * told.beats_1_s.middle).epsilon(1e-3));
    CHECK(wider.film.force > 1);
    d.swim.seenYaw_rad = 60 * kDegree;  // no wake does that
    CHECK(swimOfDesign(d).film.forceRefused);
    // A count that cannot be this bait's is not bent into use.
    d.swim.filmFrames = 10 * 240 / (0.3 * told.beats_1_s.middle);
    const Swim refused = swimOfDesign(d);
    CHECK(refused.film.beatsRefused);
    CHECK(refused.beats_1_s.middle == told.beats_1_s.middle);
}

TEST_CASE("a fault makes a bait run off, its bend takes that back, mirrored it is mirrored") {
    const Result<Derived> d = evaluate(demoDesign());
    REQUIRE(d);
    const Run run = computeRun(*d);
    const Result<Tuning> tuning = tuningOf(*d, run);
    REQUIRE(tuning);
    REQUIRE(tuning->faults.size() == 5);
    for (const FaultRun& f : tuning->faults) {
        INFO(int(f.fault));
        REQUIRE_FALSE(f.rollsOver);
        CHECK(std::isfinite(f.run_rad));
        CHECK(f.sideways_m ==
              Approx(d->design->brief.castLength_m / std::exp(1.0) * std::tan(f.run_rad)));
        REQUIRE(f.bend_m);
        if (f.fault == FaultRun::Fault::Tie) {
            CHECK(*f.bend_m == Approx(-1e-3).epsilon(1e-4));  // bent back where it was
        }
    }
    // The same fault drawn into the design: the lip set off to port is the mirror of the row.
    Design aside = demoDesign();
    aside.lip.slotY_m = 0.5e-3;
    const Result<Derived> there = evaluate(aside);
    REQUIRE(there);
    Result<WobbleBody> body = wobbleBody(*there, run);
    const Result<WobbleTow> tow = wobbleTow(run.levelTrim, towSpeed_m_s(*d));
    REQUIRE(body);
    REQUIRE(tow);
    WobbleTuning held;
    held.rollCoupleHeld = swimOf(*d, run).heldCouple_N_m;
    const auto way = swimsSideways(WobbleMotion(*body, *tow, Model{}, held));
    const FaultRun& root = tuning->faults[3];
    REQUIRE(way);
    REQUIRE_FALSE(root.rollsOver);
    // The line ties to the lip, and goes with it.
    CHECK(std::atan((*way)[0] / body->lineLength_m) == Approx(-root.run_rad).epsilon(0.05));
}

TEST_CASE("random baits: every swim is finite or says why, and three trends hold") {
    int told = 0, faster = 0, flatter = 0, smaller = 0;
    int speeds = 0, angles = 0, sizes = 0;
    const unsigned seeds = kThorough ? 300 : 60;
    for (unsigned seed = 1; seed <= seeds; ++seed) {
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
        const auto clear = [](const Swim& s) {
            return !s.untold && s.sheds && !s.flags.disagree && !s.flags.twoRhythms;
        };
        if (!clear(swim) || !design.lip.present) {
            continue;
        }
        if (const Swim quick = swimAt(*d, run, 1.4 * swim.speed_m_s); clear(quick)) {
            ++speeds;
            faster += std::abs(quick.beats_1_s.middle / swim.beats_1_s.middle / 1.4 - 1) < 0.25;
        }
        Design flat = design;
        flat.lip.angle_rad -= 15 * kDegree;
        if (const auto there = evaluate(flat); there && flat.lip.angle_rad > 15 * kDegree) {
            const Run other = computeRun(*there, {}, kCoarseRetrieve);
            // Of two attitudes, the one nearest its own before.
            const auto away = [&swim](const Trim& t) {
                return std::abs(t.pitch_rad - swim.tow.pitch_rad);
            };
            const auto nearest =
                std::min_element(other.trims.begin(), other.trims.end(),
                                 [&](const Trim& x, const Trim& y) { return away(x) < away(y); });
            if (nearest != other.trims.end()) {
                ++angles;
                flatter += nearest->lineAngle_rad > swim.tow.lineAngle_rad;
            }
        }
        const Design half = scaledDesign(design, 0.7 * d->shape->sizes.length_m);
        if (const auto there = evaluate(half)) {
            if (const Swim s = swimOf(*there, computeRun(*there, {}, kCoarseRetrieve)); clear(s)) {
                ++sizes;
                smaller += s.beats_1_s.middle > swim.beats_1_s.middle;
            }
        }
    }
    CAPTURE(told, speeds, faster, angles, flatter, sizes, smaller);
    CHECK(told >= 15);
    CHECK(speeds >= 8);
    CHECK(faster >= 0.9 * speeds);
    CHECK(angles >= 5);
    CHECK(flatter == angles);
    CHECK(sizes >= 5);
    CHECK(smaller == sizes);
}
