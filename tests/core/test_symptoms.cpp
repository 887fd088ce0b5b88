// What the swing does to the tow on the mean, what is behind a symptom, and what would wake a bait.
#include <catch2/catch.hpp>

#include "core/reckon/evaluate.h"
#include "core/swim/mean_forces.h"
#include "core/swim/symptoms.h"
#include "files/design_file.h"
#include "files/embedded_data.h"
#include "support/sample_bait.h"

using namespace wl;
using namespace wl::test;

namespace {

struct Reckoned {
    Derived derived;
    Run run;
    explicit Reckoned(const Design& design)
        : derived(*evaluate(design)), run(computeRun(derived, {}, kFineRetrieve)) {}
};

// Tied on its axis the diver does not roll over.
Design tiedOnAxis() {
    Design d = demoDesign();
    d.tie = Tie{};
    d.tie.x_m = 0;
    d.tie.z_m = 0;
    return d;
}

}  // namespace

TEST_CASE("means of a swing: none without one, and as the full motion's own") {
    const Reckoned r(tiedOnAxis());
    const Swim swim = swimOf(r.derived, r.run);
    REQUIRE_FALSE(swim.untold);
    const auto mean = meanForces(r.derived, r.run, swim);
    REQUIRE(mean);
    // Still, the line holds it just as the tow has it.
    CHECK(mean->still.pitch_rad == swim.tow.pitch_rad);
    CHECK(mean->still.pull_N == Approx(swim.tow.tension_N).epsilon(1e-6));
    CHECK(mean->still.lineAngle_rad == Approx(swim.tow.lineAngle_rad).epsilon(1e-6));
    Swim unmoved = swim;
    unmoved.harmonic.setZero();
    unmoved.wake = 0;
    const auto none = meanForces(r.derived, r.run, unmoved);
    REQUIRE(none);
    CHECK(std::abs(none->drag_N) < 1e-12);
    REQUIRE(none->swinging);
    CHECK(none->swinging->pitch_rad == Approx(swim.tow.pitch_rad).margin(1e-6));
    CHECK(mean->drag_N > 0);
    // Followed in time, the same means over many beats.
    const auto motion = motionOf(r.derived, r.run, swim);
    REQUIRE(motion);
    const WobbleRun full = runWobble(*motion, WobbleClock{}, smallStart(), true);
    REQUIRE(full.states.size() > 100);
    REQUIRE(full.done);
    REQUIRE_FALSE(full.rolledOver_s);
    Eigen::Vector3d load = Eigen::Vector3d::Zero();
    const size_t from = full.states.size() / 2;
    for (size_t i = from; i < full.states.size(); ++i) {
        const WobbleMotion::InSpace at = motion->inSpace(full.states[i]);
        load += Eigen::Vector3d(at.force_N.x(), at.force_N.y(), at.force_N.z()) /
                double(full.states.size() - from);
    }
    const BeatMean still = meanOverBeat(*motion, Complex6::Zero(), 0);
    CHECK(-(load.x() - still.load.x()) == Approx(mean->drag_N).epsilon(0.15));
    CHECK(load.z() - still.load.y() == Approx(mean->down_N).epsilon(0.15));
    CHECK(std::abs(load.y()) < 0.05 * mean->drag_N);  // to neither side
}

TEST_CASE("means of a swing: the steeper the lip, the more of the depth hangs on them") {
    double last = 0;
    for (const double angle : {25.0, 40.0, 55.0}) {
        Design d = tiedOnAxis();
        d.lip.angle_rad = angle * kDegree;
        const Reckoned r(d);
        const auto mean = meanForces(r.derived, r.run, swimOf(r.derived, r.run));
        REQUIRE(mean);
        REQUIRE(mean->swinging);
        REQUIRE(mean->still.depth_m);
        REQUIRE(mean->swinging->depth_m);
        const double share = *mean->swinging->depth_m / *mean->still.depth_m;
        CHECK(share > last);
        last = share;
    }
    CHECK(last > 1.2);
}

TEST_CASE("a symptom of one side: suspects by what they do, narrowed by two speeds") {
    const Reckoned r(demoDesign());
    const Diagnosis right = diagnose(r.derived, r.run, Symptom::RunsRight);
    REQUIRE_FALSE(right.untold);
    REQUIRE(right.suspects.size() == 5);
    double all = 0;
    for (size_t i = 0; i < right.suspects.size(); ++i) {
        all += right.suspects[i].share;
        CHECK((i == 0 || right.suspects[i].share <= right.suspects[i - 1].share));
    }
    CHECK(all == Approx(1));
    const Diagnosis left = diagnose(r.derived, r.run, Symptom::RunsLeft);
    CHECK(left.suspects[0].toRight != right.suspects[0].toRight);
    const Diagnosis same = diagnose(r.derived, r.run, Symptom::RunsRight, TwoSpeeds::SameAtBoth);
    REQUIRE(same.suspects.size() == 1);
    CHECK(same.suspects[0].fault == FaultRun::Fault::Lead);
    CHECK(diagnose(r.derived, r.run, Symptom::RunsRight, TwoSpeeds::WorseFaster).suspects.size() ==
          4);
    // What the tank log shows is not looked for again: a lean by lead off the middle.
    const auto inTank = [](double lean_rad) {
        Design d = demoDesign();
        TankReading seen;
        seen.kind = ReadingKind::Lean;
        seen.angle_rad = lean_rad;
        d.tank.readings.push_back(seen);
        return Reckoned(d);
    };
    const Reckoned upright = inTank(0);
    const Diagnosis held = diagnose(upright.derived, upright.run, Symptom::RunsRight);
    CHECK(held.leadExcluded);
    CHECK(held.suspects.size() == 4);
    const bool leadRight = same.suspects[0].toRight;
    const double lean = (leadRight ? 6 : -6) * kDegree;
    const Reckoned leans = inTank(lean);
    const Diagnosis seen =
        diagnose(leans.derived, leans.run, Symptom::RunsRight, TwoSpeeds::SameAtBoth);
    CHECK_FALSE(seen.leadExcluded);
    REQUIRE(seen.suspects.size() == 1);
    // The lead so far off the middle leans the drawn bait as seen, by the stages that know its
    // rest.
    Design moved = demoDesign();
    double lead = 0;
    for (const MassItem& item : leans.derived.mass->items) {
        lead += item.kind == PartKind::Plug ? item.mass_kg : 0;
    }
    moved.tank.correction.applied = true;
    moved.tank.correction.gravityY_m =
        (leadRight ? -1 : 1) * seen.suspects[0].size * lead / leans.derived.mass->mass_kg;
    CHECK(evaluate(moved)->rest->roll_rad == Approx(lean).epsilon(0.1));
    const Reckoned other = inTank(-lean);
    CHECK(diagnose(other.derived, other.run, Symptom::RunsRight).leadExcluded);
    // Tied on its axis: a tie bent to a side makes it run there, all else the other way.
    const Reckoned quiet(tiedOnAxis());
    const Diagnosis side = diagnose(quiet.derived, quiet.run, Symptom::RunsRight);
    REQUIRE(side.suspects.size() >= 3);
    for (const Suspect& one : side.suspects) {
        CHECK(one.toRight == (one.fault == FaultRun::Fault::Tie));
    }
    const Reckoned lipless(readDesign(embedded::lipless_wade()).value());
    const Diagnosis unknown = diagnose(lipless.derived, lipless.run, Symptom::RunsRight);
    REQUIRE(unknown.untold);
    CHECK(unknown.untold->code == "swim.side_not_known");
}

TEST_CASE("a symptom of the whole: told by its own figure, mended by what moves it") {
    const Reckoned r(demoDesign());
    const Diagnosis rolls = diagnose(r.derived, r.run, Symptom::RollsOver);
    REQUIRE_FALSE(rolls.untold);
    REQUIRE_FALSE(rolls.remedies.empty());
    CHECK(std::any_of(rolls.remedies.begin(), rolls.remedies.end(),
                      [](const Remedy& m) { return m.what == Remedy::What::TieUp; }));
    for (const Symptom s : {Symptom::RollsOver, Symptom::BuriesHead, Symptom::TailHeavy,
                            Symptom::Dead, Symptom::Hunts}) {
        const Diagnosis d = diagnose(r.derived, r.run, s);
        REQUIRE_FALSE(d.untold);
        CHECK(std::isfinite(d.figure));
        for (const Remedy& m : d.remedies) {
            const bool more = s == Symptom::BuriesHead || s == Symptom::Dead;
            CHECK((more ? m.after > d.figure : m.after < d.figure));
        }
        CHECK(std::is_sorted(d.remedies.begin(), d.remedies.end(),
                             [s](const Remedy& a, const Remedy& b) {
                                 const bool more = s == Symptom::BuriesHead || s == Symptom::Dead;
                                 return more ? a.after > b.after : a.after < b.after;
                             }));
    }
}

TEST_CASE("rolls timed in a bowl put the weight where they say, a wrong count is refused") {
    Design d = tiedOnAxis();
    d.swim.bowlRolls = 1;
    d.swim.bowlTime_s = 1;
    const Reckoned first(d);
    const double told = swimOf(first.derived, first.run).bowl->told_1_s;
    REQUIRE(told > 0);
    d.swim.bowlRolls = 10;
    d.swim.bowlTime_s = 10 / (1.2 * told);
    const Reckoned timed(d);
    const Swim swim = swimOf(timed.derived, timed.run);
    REQUIRE(swim.bowl);
    CHECK_FALSE(swim.bowl->refused);
    CHECK(swim.bowl->lower_m > 0);
    // A bait of that weight rolls so: the square of the rate goes with the stiffness.
    const WobbleBody body = *wobbleBody(timed.derived, timed.run);
    Design plain = d;
    plain.swim.bowlRolls.reset();
    const Reckoned bare(plain);
    const double was = wobbleBody(bare.derived, bare.run)->rollStiffness_N_m();
    CHECK(body.rollStiffness_N_m() / was == Approx(1.44).epsilon(0.02));
    d.swim.bowlTime_s = 10 / (3 * told);
    const Reckoned wrong(d);
    CHECK(swimOf(wrong.derived, wrong.run).bowl->refused);
    CHECK(wobbleBody(wrong.derived, wrong.run)->rollStiffness_N_m() == was);
}

TEST_CASE("the least disc that wakes a bait does, and one smaller does not") {
    const Reckoned r(readDesign(embedded::glider_wade()).value());
    const auto disc = leastDisc_m(r.derived);
    REQUIRE(disc);
    const auto swing = [&](double size) {
        Design d = *r.derived.design;
        d.lip.present = true;
        d.lip.family = LipFamily::Disc;
        d.lip.length_m = d.lip.width_m = size;
        d.lip.angle_rad = 55 * kDegree;
        const Derived there = *evaluate(d);
        return swimOf(there, computeRun(there, {}, kCoarseRetrieve));
    };
    CHECK(swing(*disc).swing_rad.middle >= kDeadSwing_rad);
    const Swim less = swing(*disc - 1e-3);
    CHECK((less.untold || less.swing_rad.middle < kDeadSwing_rad));
}
