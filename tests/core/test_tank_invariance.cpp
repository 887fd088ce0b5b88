// What must not change, and what must change only one way: righting, waters, walls, doubt, swaps.
#include <catch2/catch.hpp>
#include <random>

#include "core/clearance/clearance.h"
#include "core/hydro/righting.h"
#include "core/plan/plan_lead.h"
#include "core/reckon/lean.h"
#include "core/tank/doubt.h"
#include "core/tank/hook_swaps.h"
#include "core/tank/waters.h"
#include "support/sample_bait.h"

using namespace wl;
using namespace wl::test;

namespace {

FloatingBody floating(const Derived& d) {
    return {d.mass->coarseShape, d.mass->mass_kg, d.mass->centreOfGravity_m, d.waterDensity_kg_m3};
}

Design mirrored(Design d) {
    for (Bore& bore : d.bores) {
        bore.y_m = -bore.y_m;
    }
    for (Fitting& f : d.fittings) {
        f.y_m = f.mirrored ? f.y_m : -f.y_m;
    }
    for (RattleChamber& c : d.chambers) {
        c.y_m = -c.y_m;
    }
    return d;
}

}  // namespace

TEST_CASE("mirrored, a bait leans the other way and comes back as it did") {
    Design d = demoDesign();
    d.bores[0].y_m = 0.0015;
    const Derived one = evaluated(d), other = evaluated(mirrored(d));
    // The diagonals of the mesh's faces are not mirrored with it: a thousandth.
    CHECK(one.rest->roll_rad == Approx(-other.rest->roll_rad).epsilon(1e-3));
    CHECK(one.rest->pitch_rad == Approx(other.rest->pitch_rad).margin(1e-4));
    const RightingPoint a = rightingAt(floating(one), 0.6, one.rest->pitch_rad);
    const RightingPoint b = rightingAt(floating(other), -0.6, other.rest->pitch_rad);
    CHECK(a.arm_m == Approx(-b.arm_m).epsilon(1e-3));
    CHECK(a.pitch_rad == Approx(b.pitch_rad).margin(2e-4));
    const auto left = leanShares(one), right = leanShares(other);
    REQUIRE(left.size() == right.size());
    CHECK(left.front().moment_kg_m == Approx(-right.front().moment_kg_m));
}

TEST_CASE("the righting arm is the slope of the energy and starts with the metacentric height") {
    const Derived d = evaluated(demoDesign());
    const FloatingBody body = floating(d);
    const RightingCurve curve = computeRighting(body, 72);
    REQUIRE(curve.complete);
    // Stiffness against GM = KB + BM - KG of the floating attitude.
    const double gm = d.rest->attitudes.front().metacentricHeightRoll_m;
    CHECK(curve.stiffness_N_m == Approx(d.mass->mass_kg * kGravity_m_s2 * gm).epsilon(0.03));
    // Heavier metal lower down: stiffer, whatever the lean.
    Design low = demoDesign();
    for (Bore& bore : low.bores) {
        bore.plugDensity_kg_m3 = 17800;
        bore.plugLength_m *= 11340.0 / 17800.0;
        bore.depth_m -= 0.002;
    }
    const RightingCurve stiffer = computeRighting(floating(evaluated(low)), 72);
    CHECK(stiffer.stiffness_N_m > curve.stiffness_N_m);
    for (size_t i = 0; i < curve.arm_m.size(); ++i) {
        CHECK(std::isfinite(curve.arm_m[i]));
    }
    std::stop_source stop;
    stop.request_stop();
    CHECK_FALSE(computeRighting(body, 36, stop.get_token()).complete);
}

TEST_CASE("saltier and colder water lifts more, warmer less, in every demo") {
    for (const char* name : {"diver", "lipless", "glider", "glide-bait", "swimmer"}) {
        const Design d = demoNamed(name);
        const Derived e = evaluated(d);
        INFO(name);
        double before = -1;
        for (const double salt : {0.0, 0.005, 0.015, 0.03, 0.04}) {
            const InWater w = inWater(d, e, 288.15, salt, 288.15);
            CHECK(w.spare > before);
            CHECK(std::isfinite(w.pitch_rad));
            before = w.spare;
        }
        // At one size: fresh water is heaviest near 4 C.
        const double at4 = inWater(d, e, 277.15, 0, 277.15).net_kg;
        CHECK(inWater(d, e, 273.65, 0, 273.65).net_kg < at4);
        CHECK(inWater(d, e, 290.15, 0, 290.15).net_kg < at4);
        // Sinking and rising agree with the sign of what it weighs in water.
        const InWater sea = inWater(d, e, 288.15, 0.035, 288.15);
        CHECK((sea.net_kg > 0) == (sea.speed_m_s < 0));
    }
}

TEST_CASE("hooks swapped for themselves change nothing - order and sums hold") {
    for (const char* name : {"diver", "glider"}) {
        const Design d = demoNamed(name);
        const Derived e = evaluated(d);
        std::vector<Fitting> shelf;
        for (const size_t i : hooksOf(d)) {
            shelf.push_back(d.fittings[i]);
        }
        const HookSwaps swaps = computeHookSwaps(d, e, shelf);
        bool found = false;
        for (const HookSet& s : swaps.sets) {
            if (s.hooks == std::vector<size_t>{0, 1}) {
                found = true;
                CHECK(s.mass_kg == Approx(e.mass->mass_kg).epsilon(1e-12));
                CHECK(s.net_kg == Approx(e.rest->net_kg).margin(1e-12));
                CHECK(s.pitch_rad == Approx(e.rest->pitch_rad).margin(0.02 * kDegree));
                CHECK(s.speed_m_s == Approx(e.rest->fall.speed_m_s).epsilon(1e-6));
                CHECK(s.state == e.rest->state);
            }
        }
        CHECK(found);
        for (size_t i = 1; i < swaps.sets.size(); ++i) {
            CHECK(swaps.sets[i].mass_kg >= swaps.sets[i - 1].mass_kg);
        }
        Design bare = d;
        std::erase_if(bare.fittings, [](const Fitting& f) { return isHook(f.kind); });
        CHECK(computeHookSwaps(bare, evaluated(bare), shelf).sets.empty());
    }
}

TEST_CASE("distances between solids: symmetric, moved with them, as near as samples find") {
    std::mt19937 random(5);
    std::uniform_real_distribution<double> unit(-1, 1);
    auto place = [&] { return Eigen::Vector3d(unit(random), unit(random), unit(random)); };
    for (int i = 0; i < 60; ++i) {
        Embedded pair[2];
        for (Embedded& e : pair) {
            e.tool.mouth_m = 0.012 * place();
            e.tool.inward = place().normalized();
            e.tool.along = e.tool.inward.unitOrthogonal();
            e.tool.round = unit(random) > 0;
            e.tool.halfAlong_m = 0.001 + 0.001 * std::abs(unit(random));
            e.tool.halfAcross_m = e.tool.round ? e.tool.halfAlong_m : 0.0008;
            e.tool.depth_m = 0.003 + 0.004 * std::abs(unit(random));
            e.capsule = e.tool.round && unit(random) > 0.3;
        }
        const double wall = wallBetweenSolids(pair[0], pair[1]);
        const double back = wallBetweenSolids(pair[1], pair[0]);
        if (wall <= 0 || back <= 0) {
            CHECK((wall <= 1e-6 && back <= 1e-6));
            continue;
        }
        CHECK(wall == Approx(back).margin(2e-7));
        // No pair of places in the two is nearer than that.
        auto inside = [&](const Embedded& e) {
            const double u = 0.5 * (unit(random) + 1) * e.tool.depth_m;
            const double angle = kPi * unit(random), r = std::sqrt(0.5 * (unit(random) + 1));
            const Eigen::Vector3d across = e.tool.across();
            return e.tool.round ? Eigen::Vector3d(e.tool.mouth_m + u * e.tool.inward +
                                                  r * e.tool.halfAlong_m *
                                                      (std::cos(angle) * e.tool.along +
                                                       std::sin(angle) * across))
                                : Eigen::Vector3d(e.tool.mouth_m + u * e.tool.inward +
                                                  unit(random) * e.tool.halfAlong_m * e.tool.along +
                                                  unit(random) * e.tool.halfAcross_m * across);
        };
        double nearest = 1;
        for (int k = 0; k < 4000; ++k) {
            nearest = std::min(nearest, (inside(pair[0]) - inside(pair[1])).norm());
        }
        CHECK(wall <= nearest + 1e-7);
        const Eigen::Vector3d shift = place();
        for (Embedded& e : pair) {
            e.tool.mouth_m += shift;
        }
        CHECK(wallBetweenSolids(pair[0], pair[1]) == Approx(wall).margin(2e-7));
    }
}

TEST_CASE("better measuring never makes it less sure, and the chances always add up") {
    const Design base = suspender();
    std::mt19937 random(9);
    std::uniform_real_distribution<double> unit(0, 1);
    for (int i = 0; i < 25; ++i) {
        Design d = base;
        d.errors.coatThickness = 0.5 * unit(random);
        d.errors.plugLength_m = 0.001 * unit(random);
        d.errors.typicalMass = 0.5 * unit(random);
        d.pieces[0].stock.drawnVolumeError = 0.03 * unit(random);
        d.bores[0].plugLength_m += 0.002 * (unit(random) - 0.5);
        const Derived e = evaluated(d);
        const Doubt doubt = computeDoubt(d, e);
        CHECK(doubt.chances.floats + doubt.chances.suspends + doubt.chances.sinks ==
              Approx(1.0).margin(1e-9));
        CHECK(doubt.chances.floats >= 0);
        CHECK(doubt.chances.sinks >= 0);
        for (const Improvement& better : doubt.improvements) {
            CHECK(better.standardAfter_kg < doubt.standard_kg);
        }
        for (size_t k = 1; k < doubt.sources.size(); ++k) {
            CHECK(doubt.sources[k].effect_kg <= doubt.sources[k - 1].effect_kg);
        }
        Design surer = d;
        surer.errors.plugLength_m *= 0.5;
        CHECK(computeDoubt(surer, evaluated(surer)).standard_kg <= doubt.standard_kg + 1e-12);
    }
}

TEST_CASE("before paint: lighter by the coats, and the finish takes spare only where it is heavy") {
    for (const char* name : {"diver", "glider", "swimmer"}) {
        const Design d = demoNamed(name);
        const Derived finished = evaluated(d), bare = evaluated(withoutFinish(d));
        INFO(name);
        CHECK(bare.mass->mass_kg < finished.mass->mass_kg);
        double net = 0;
        for (const MassItem& item : finished.mass->items) {
            if (item.kind == PartKind::Coat &&
                d.coats[size_t(item.path.back() - '0')].kind != CoatKind::Sealer) {
                net += finished.waterDensity_kg_m3 * item.displaced_m3 - item.mass_kg;
            }
        }
        CHECK(finished.rest->net_kg - bare.rest->net_kg == Approx(net).margin(2e-6));
    }
}
