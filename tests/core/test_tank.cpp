// Righting, waters, sink times, doubt and the tank's corrections.
#include <boost/numeric/odeint.hpp>
#include <catch2/catch.hpp>
#include <random>

#include "core/hydro/righting.h"
#include "core/hydro/water.h"
#include "core/plan/plan_lead.h"
#include "core/reckon/lean.h"
#include "core/tank/doubt.h"
#include "core/tank/hook_swaps.h"
#include "core/tank/waters.h"
#include "support/sample_bait.h"

using namespace wl;
using namespace wl::test;

namespace {

// The box of the textbooks: 20 wide, 15 deep, floating 9 deep, weight 6 above the keel (mm).
FloatingBody textbookBox() {
    FloatingBody box;
    box.shape.hulls.push_back(boxMesh(0.1, 0.02, 0.015, 0.0));
    box.mass_kg = 1000 * 0.1 * 0.02 * 0.009;
    box.centreOfGravity_m = {0.05, 0, 0.006};
    return box;
}

}  // namespace

TEST_CASE("righting arm of a box: the wall-sided formula while the deck is dry") {
    // GZ = (GM + BM/2 tan^2 heel) sin heel, BM = b^2/12T (naval architecture textbooks).
    const FloatingBody box = textbookBox();
    const double bm = 0.02 * 0.02 / (12 * 0.009), gm = 0.0045 + bm - 0.006;
    for (const double heel : {5.0, 10.0, 20.0, 30.0}) {
        const double a = heel * kDegree;
        const double wallSided = (gm + 0.5 * bm * std::tan(a) * std::tan(a)) * std::sin(a);
        CHECK(rightingAt(box, a, 0.0).arm_m == Approx(wallSided).epsilon(1e-6));
    }
}

TEST_CASE("righting arm of the box past its deck, and where it ends") {
    // By clipping the section as a polygon, worked independently (mm and degrees).
    const double arms[][2] = {{45, 2.23180577812},   {60, 2.38757977234},  {90, 1.5},
                              {105, 0.832534794638}, {120, 0.21049643901}, {135, -0.11048543456},
                              {150, 0.0895061728395}};
    const FloatingBody box = textbookBox();
    for (const auto& [heel, arm_mm] : arms) {
        CHECK(rightingAt(box, heel * kDegree, 0.0).arm_m * 1e3 == Approx(arm_mm).margin(2e-6));
    }
    const RightingCurve curve = computeRighting(box);
    REQUIRE(curve.complete);
    REQUIRE(curve.zeros_rad.size() == 2);
    CHECK(curve.zeros_rad[0] / kDegree == Approx(126.917963).margin(1e-4));
    CHECK(curve.zeros_rad[1] / kDegree == Approx(145.891608).margin(1e-4));
    CHECK(curve.vanish_rad == curve.zeros_rad[0]);
    const double gm = 0.0045 + 0.02 * 0.02 / (12 * 0.009) - 0.006;
    CHECK(curve.stiffness_N_m == Approx(box.mass_kg * kGravity_m_s2 * gm).epsilon(1e-4));
}

TEST_CASE("under water the righting arm is the distance between the centres times sin roll") {
    FloatingBody box = textbookBox();
    box.mass_kg = 1000 * 0.1 * 0.02 * 0.015 * 1.05;
    const RightingCurve curve = computeRighting(box, 36);
    CHECK(curve.underWater);
    for (size_t i = 0; i < curve.roll_rad.size(); ++i) {
        CHECK(curve.arm_m[i] == Approx(0.0015 * std::sin(curve.roll_rad[i])).margin(1e-9));
    }
}

TEST_CASE("a lean is named by the part that makes it, and its share adds up") {
    Design d = demoDesign();
    d.bores[0].y_m = 0.001;
    const Derived leaning = evaluated(d);
    const std::vector<LeanShare> shares = leanShares(leaning);
    REQUIRE_FALSE(shares.empty());
    CHECK(shares.front().path == "/bores/0");
    double lean = 0;
    for (const LeanShare& s : shares) {
        lean += s.lean_rad;
    }
    // Small angles: the sum is the lean itself to a few per cent.
    CHECK(lean == Approx(leaning.rest->roll_rad).epsilon(0.08));
}

TEST_CASE("sinking from rest: depth and time against the closed form and a step-by-step fall") {
    // 0.50 g heavy, CdA 12.6 cm2, fresh 20 C, added mass 0.9 rho V of 55.9 cm3 at neutral mass.
    const double rho = waterDensity_kg_m3(293.15, 0);
    FreeFallTimes fall;
    fall.steadySpeed_m_s = std::sqrt(2 * 0.0005 * kGravity_m_s2 / (rho * 12.6e-4));
    CHECK(fall.steadySpeed_m_s == Approx(0.0883008359).epsilon(1e-6));
    fall.timeConstant_s = 1.7167303768;
    CHECK(depthAfter_m(fall, 2.0) == Approx(0.0856030528).epsilon(1e-6));
    CHECK(timeToFall_s(fall, depthAfter_m(fall, 2.0)) == Approx(2.0).epsilon(1e-9));
    CHECK(timeToFall_s(fall, 50.0) ==
          Approx(50 / fall.steadySpeed_m_s + 1.7167 * std::log(2.0)).epsilon(1e-4));
    // The demo made heavy, against an integrated fall (Boost odeint).
    Design d = suspender();
    d.bores[0].plugLength_m += 0.002;
    const Derived heavy = evaluated(d);
    const FreeFallTimes t = freeFallTimes(heavy);
    REQUIRE(t.steadySpeed_m_s > 0.05);
    const double weight = -heavy.rest->net_kg * kGravity_m_s2;
    const double drag = weight / (t.steadySpeed_m_s * t.steadySpeed_m_s);
    std::array<double, 2> state{0, 0};
    boost::numeric::odeint::integrate(
        [&](const std::array<double, 2>& s, std::array<double, 2>& ds, double) {
            ds = {s[1], (weight - drag * s[1] * s[1]) / (heavy.mass->mass_kg + t.added_kg)};
        },
        state, 0.0, 3.0, 1e-3);
    CHECK(depthAfter_m(t, 3.0) == Approx(state[0]).epsilon(1e-5));
}

TEST_CASE("a ball of a bait sinks as a sphere does, within the drag's own doubt") {
    // Terminal speed with Cd 0.44, Re 1e3 to 1e5 (engineering handbook, recalled). The drag of a
    // bait broadside is known to 30 %, its speed to half that.
    Design d;
    d.body = ellipsoidBody(0.01, 0.01, 0.01, 13, true);
    d.lip.present = false;
    d.pieces[0].stock.shelfDensity_kg_m3 = 1300;
    const Derived ball = evaluated(d);
    const double sphere =
        std::sqrt(4.0 / 3 * kGravity_m_s2 * 0.02 * (1300 / ball.waterDensity_kg_m3 - 1) / 0.44);
    CHECK(ball.rest->fall.speed_m_s == Approx(sphere).epsilon(0.35));
}

TEST_CASE("the same bait in other water: mass swaps and the body's own swelling") {
    // A 55.9 cm3 body displaces 0.164 g less water at 25 C than at 4 C, 1.50 g more in the sea
    // (15 C, 35 g/kg), by Tanaka and EOS-80; solid plastic cooled from 25 to 4 C loses 0.2465 g.
    Design d = suspender();
    const Derived base = evaluated(d);
    const double k = base.mass->displacedVolume_m3 / 55.9e-6;
    const double t4 = 277.15, t25 = 298.15, t15 = 288.15;
    auto pushed = [&](double t, double s) {
        return inWater(d, base, t, s, t).net_kg + base.mass->mass_kg;
    };
    CHECK((pushed(t25, 0) - pushed(t4, 0)) * 1e3 == Approx(-0.1637 * k).margin(2e-4));
    CHECK((pushed(t15, 0.035) - pushed(t15, 0)) * 1e3 == Approx(1.5021 * k).margin(2e-3));
    d.make.kind = MakeKind::Cast;
    const double swell = inWater(d, base, t4, 0, t25).net_kg - inWater(d, base, t4, 0, t4).net_kg;
    CHECK(swell * 1e3 == Approx(-0.24651 * base.shape->solid.volume_m3 / 55.9e-6).epsilon(0.005));
    const auto table = computeWaters(d, base, {t4, t25}, {0.0, 0.01, 0.035});
    REQUIRE(table.size() == 2);
    CHECK(table[0][2].spare > table[0][1].spare);
    CHECK(table[0][1].spare > table[0][0].spare);
    CHECK(table[0][2].state == RestState::Floats);
}

TEST_CASE("the waters table agrees with the reckoning in the brief's own water") {
    const Design d = demoDesign();
    const Derived base = evaluated(d);
    const InWater same =
        inWater(d, base, d.brief.temperature_K, d.brief.salinity, d.brief.temperature_K);
    CHECK(same.spare == Approx(base.rest->spare).margin(1e-12));
    CHECK(same.pitch_rad == Approx(base.rest->pitch_rad).margin(0.1 * kDegree));
    CHECK(same.state == base.rest->state);
}

TEST_CASE("one normal error: the chances of a worked case") {
    // 0.05 g buoyant, standard uncertainty 0.2447 g, hangs within 0.16 g: worked independently by
    // the normal law and by a million draws.
    const Chances c = chancesFor(0.05, 0.16, 0.0, 0.24469786);
    CHECK(c.floats == Approx(0.326523).margin(1e-5));
    CHECK(c.suspends == Approx(0.478086).margin(1e-5));
    CHECK(c.sinks == Approx(0.195391).margin(1e-5));
    // One reading between two marks: a straight line.
    const Chances flat = chancesFor(0.0, 0.1, 0.4, 0.0);
    CHECK(flat.floats == Approx(0.375));
    CHECK(flat.suspends == Approx(0.25));
}

TEST_CASE("the chance of floating by first order agrees with a hundred thousand draws") {
    std::mt19937 random(20261126);
    std::uniform_real_distribution<double> unit(0, 1);
    const Design base = suspender();
    for (int i = 0; i < 8; ++i) {
        Design d = base;
        // From thin blocks (the calliper rules) to thick ones, trimmed heavy to light.
        d.pieces[0].stock.sample.height_m *= 0.5 + 1.5 * unit(random);
        d.pieces[0].stock.sample.mass_kg *=
            d.pieces[0].stock.sample.height_m / base.pieces[0].stock.sample.height_m;
        d.pieces[0].stock.drawnVolumeError = 0.002 + 0.02 * unit(random);
        d.bores[0].plugLength_m += (unit(random) - 0.5) * 0.0008;
        if (i % 3 == 0) {
            d.pieces[0].stock.weighedBody_kg = 1.002 * evaluated(d).shape->reckoning.drawnMass_kg;
            d.pieces[0].stock.trust =
                i % 2 ? BodyTrust::WeighedVolume : BodyTrust::WeighedDrawnBoth;
        }
        const Derived e = evaluated(d);
        const Doubt doubt = computeDoubt(d, e);
        const SampledDoubt drawn = sampleDoubt(d, e, 100000, 7);
        INFO(i << " net " << e.rest->net_kg * 1e3 << " u " << doubt.standard_kg * 1e3);
        CHECK(doubt.chances.floats == Approx(drawn.chances.floats).margin(0.01));
        CHECK(doubt.chances.sinks == Approx(drawn.chances.sinks).margin(0.01));
        CHECK(doubt.standard_kg == Approx(drawn.standard_kg).epsilon(0.02));
        // The mass balance carries the same doubt by its own route.
        CHECK(doubt.standard_kg == Approx(e.mass->netDoubt_kg).epsilon(0.03));
    }
}

TEST_CASE("draws depend on the seed alone, and measuring better helps") {
    const Design d = suspender();
    const Derived e = evaluated(d);
    const SampledDoubt a = sampleDoubt(d, e, 5000, 3), b = sampleDoubt(d, e, 5000, 3);
    CHECK(a.chances.floats == b.chances.floats);
    CHECK(a.mean_kg == b.mean_kg);
    CHECK(sampleDoubt(d, e, 5000, 4).mean_kg != a.mean_kg);
    const Doubt doubt = computeDoubt(d, e);
    REQUIRE(doubt.improvements.size() >= 2);
    CHECK(doubt.improvements[0].standardAfter_kg < doubt.standard_kg);
    CHECK(doubt.improvements[0].standardAfter_kg <= doubt.improvements[1].standardAfter_kg);
    double shares = 0;
    for (const DoubtSource& s : doubt.sources) {
        shares += s.share;
    }
    CHECK(shares == Approx(1.0));
    std::stop_source stop;
    stop.request_stop();
    CHECK(sampleDoubt(d, e, 100000, 3, stop.get_token()).drawn == 0);
}

TEST_CASE("a hook in water weighs m (1 - rho/7850), and swaps follow it") {
    // Archimedes: a 2.00 g hook, fresh 20 C, weighs 1.74568 g in water.
    Design d = suspender();
    d.brief.temperature_K = 293.15;
    const Derived e = evaluated(d);
    std::vector<Fitting> shelf;
    for (const double grams : {0.3, 0.64, 1.0, 2.64}) {
        Fitting hook;
        hook.kind = FittingKind::Treble;
        hook.name = "treble";
        hook.typicalMass_kg = grams * kGram;
        hook.size_m = 0.012 + 0.004 * grams;
        shelf.push_back(hook);
    }
    shelf.push_back(d.fittings[0]);  // not a hook: passed over
    const HookSwaps swaps = computeHookSwaps(d, e, shelf);
    REQUIRE(swaps.places.size() == 2);
    REQUIRE(swaps.sets.size() == 16);
    auto net = [&](size_t front, size_t rear) {
        for (const HookSet& s : swaps.sets) {
            if (s.hooks[0] == front && s.hooks[1] == rear) {
                return s.net_kg;
            }
        }
        return 0.0;
    };
    CHECK((net(1, 0) - net(3, 0)) * 1e3 == Approx(1.74567981).epsilon(1e-6));
    // A set put on the design reckons to what the table said.
    const HookSet& heavy = swaps.sets.back();
    const Derived swapped = evaluated(withHooks(d, swaps, heavy, shelf));
    CHECK(swapped.mass->mass_kg == Approx(heavy.mass_kg).epsilon(1e-9));
    CHECK(swapped.rest->net_kg == Approx(heavy.net_kg).margin(1e-8));
    // As it falls, found here from weight, lift and places of the swapped bait; the table keeps the
    // drag of the hooks that were on it.
    TowedBait falling = swapped.towed;
    falling.loads = e.towed.loads;
    const FreeFall fall = computeFreeFall(falling, swapped.rest->hang.pitch_rad);
    REQUIRE(fall.steady);
    CHECK(fall.pitch_rad == Approx(heavy.pitch_rad).margin(0.05 * kDegree));
    CHECK(swapped.rest->fall.speed_m_s == Approx(heavy.speed_m_s).epsilon(0.2));
}

TEST_CASE("three wanted sink rates: the nearest sets, as trying them all finds them") {
    const Design d = suspender();
    const Derived e = evaluated(d);
    std::vector<Fitting> shelf;
    for (int i = 0; i < 7; ++i) {
        Fitting hook;
        hook.kind = i % 2 ? FittingKind::SingleHook : FittingKind::Treble;
        hook.typicalMass_kg = (0.4 + 0.17 * i) * kGram;
        hook.size_m = 0.010;
        shelf.push_back(hook);
    }
    const HookSwaps swaps = computeHookSwaps(d, e, shelf);
    const std::vector<double> wanted{0.03, 0.10, 0.14};
    const auto best = setsForSpeeds(swaps, e.rest->pitch_rad, wanted, 3);
    REQUIRE(best.size() == 3);
    for (size_t w = 0; w < 3; ++w) {
        double least = 1e9;
        for (const HookSet& s : swaps.sets) {
            if (s.meetings.empty()) {
                least = std::min(least, std::abs(s.speed_m_s - wanted[w]) +
                                            0.01 * std::abs(s.pitch_rad - e.rest->pitch_rad));
            }
        }
        const HookSet& first = swaps.sets[best[w].front()];
        CHECK(std::abs(first.speed_m_s - wanted[w]) +
                  0.01 * std::abs(first.pitch_rad - e.rest->pitch_rad) ==
              Approx(least));
    }
}

TEST_CASE("hooks that can meet each other, the tie or the lip are found from their circles") {
    Design d = demoDesign();
    CHECK(hookMeetings(d).empty());
    const std::vector<size_t> hooks = hooksOf(d);
    REQUIRE(hooks.size() == 2);
    // Eyes 50.5 mm and 15.2 mm apart: circles of 26 + 26 are clear by 0.7, of 27 + 26 meet.
    const double apart =
        (fittingPlace(d, d.fittings[hooks[0]]) - fittingPlace(d, d.fittings[hooks[1]])).norm();
    const double reach = hookReach_m(d, d.fittings[hooks[0]]);
    d.fittings[hooks[1]].size_m += apart - 2 * reach + 0.001;
    std::vector<HookMeeting> met = hookMeetings(d);
    REQUIRE(met.size() == 1);
    CHECK(met[0].overlap_m == Approx(0.001));
    CHECK(met[0].with == HookMeets::Hook);
    d = demoDesign();
    d.fittings[hooks[0]].size_m = 0.040;
    met = hookMeetings(d);
    CHECK(std::any_of(met.begin(), met.end(),
                      [](const HookMeeting& m) { return m.with == HookMeets::Lip; }));
    d.lip.present = false;
    d.tie.place = TiePlace::Body;
    d.tie.x_m = d.fittings[0].x_m - 0.012;
    d.tie.z_m = d.fittings[0].z_m;
    met = hookMeetings(d);
    CHECK(std::any_of(met.begin(), met.end(),
                      [](const HookMeeting& m) { return m.with == HookMeets::Tie; }));
}
