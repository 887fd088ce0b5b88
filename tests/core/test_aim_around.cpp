// Round about an aim: what a step of each lever does, and the same wish over lengths.
#include <catch2/catch.hpp>
#include <cmath>

#include "core/aim/sizes.h"
#include "core/base/units.h"
#include "core/swim/swim_levers.h"
#include "core/tank/hook_reach.h"
#include "io/shelf.h"
#include "support/aimed.h"
#include "support/thorough.h"

using namespace wl;
using namespace wl::test;

TEST_CASE("what a step of a lever does to the swim is what whole reckonings either side say") {
    const Derived d = evaluated(demoDesign());
    const std::vector<Lever> levers = swimLeversOf(d, someOf(8));
    const std::vector<Lever> towed = leversOf(d, someOf(8));
    REQUIRE(levers.size() == towed.size());
    const auto swimAt = [](double degrees) {
        Design design = demoDesign();
        design.lip.angle_rad += degrees * kDegree;
        const Derived there = evaluated(design);
        return swimOf(there, computeRun(there, {}, kCoarseRetrieve));
    };
    const Swim steeper = swimAt(1), flatter = swimAt(-1);
    for (size_t i = 0; i < levers.size(); ++i) {
        const Lever& lever = levers[i];
        INFO(int(lever.what));
        CHECK(lever.depth_m == towed[i].depth_m);
        CHECK(lever.sure == towed[i].sure);
        CHECK_FALSE(towed[i].beats_1_s);
        using What = Lever::What;
        if (lever.what == What::LipAngle) {
            CHECK(
                *lever.beats_1_s ==
                Approx(0.5 * (steeper.beats_1_s.middle - flatter.beats_1_s.middle)).epsilon(0.02));
            CHECK(
                *lever.swing_rad ==
                Approx(0.5 * (steeper.swing_rad.middle - flatter.swing_rad.middle)).epsilon(0.02));
        }
        // What is not of the bait nor of its speed leaves its swim nearly alone: no sign is told.
        if (lever.what == What::Line || lever.what == What::Cast || lever.what == What::RodTip) {
            CHECK(std::abs(*lever.beats_1_s) < 1e-3);
            CHECK(std::abs(*lever.swing_rad) < 1e-3);
            CHECK_FALSE(lever.sureBeats);
        }
        for (const auto& sure : {lever.sure, lever.sureBeats, lever.sureSwing}) {
            CHECK((!sure || (*sure >= 0 && *sure <= 1)));
        }
    }
    for (const Lever& lever : swimLeversOf(evaluated(demoNamed("glide-bait")), 2)) {
        CHECK_FALSE(lever.beats_1_s);  // walked by the rod: no beat of its own
    }
}

TEST_CASE(
    "a wish over lengths: each its own lip, beats by the length, what cannot be had is said") {
    const Design drawn = demoDesign();
    const Derived d = evaluated(drawn);
    const double length = d.shape->sizes.length_m;
    AimWish wish{
        {{AimMeasure::Depth, 1.7, 2.5}, {AimMeasure::Beats, 0.8, 1.3, 1.0, true}}, {}, false};
    wish.levers = usualLevers(d);
    wish.levers.resize(kThorough ? wish.levers.size() : 2);
    wish.onlyLevers = true;
    std::vector<size_t> found;
    std::vector<Fitting> shelf;
    for (const auto& row : starterShelf().fittings) {
        shelf.push_back(row.item);
    }
    const auto sizes = aimSizes(drawn, wish, {0.04, length, 1.25 * length}, shelf, {}, {},
                                [&](size_t index, const AimedSize&) { found.push_back(index); });
    REQUIRE(sizes);
    REQUIRE(sizes->size() == 3);
    CHECK(found == std::vector<size_t>{0, 1, 2});
    const AimedSize& same = (*sizes)[1];
    REQUIRE(same.answer);
    CHECK(same.answer->ways.size() == 1);
    CHECK(same.answer->relaxations.empty());
    CHECK(same.met());
    const AimTarget beats = same.answer->targets[1];
    for (const AimedSize& size : *sizes) {
        if (!size.answer) {
            CHECK_FALSE(size.refusal->code.empty());
            continue;
        }
        const double times = size.length_m / length;
        CHECK(size.answer->targets[1].low * times == Approx(beats.low));
        CHECK(size.answer->targets[1].high * times == Approx(beats.high));
        CHECK(size.answer->targets[0].low == 1.7);
        // What the way says is what its design does.
        const AimWay& way = size.answer->ways.front();
        const Derived there = evaluated(way.design);
        CHECK(there.shape->sizes.length_m == Approx(size.length_m).epsilon(1e-6));
        const Run run = computeRun(there, {}, kFineRetrieve);
        CHECK(run.path.maxDepth_m == Approx(*way.told.of(AimMeasure::Depth)).epsilon(1e-9));
        CHECK(size.met() == way.met);
    }
    // Smaller hooks on the smaller bait, none otherwise than drawn at its own length.
    const auto longest = [](const Design& design) {
        double most = 0;
        for (const Fitting& fitting : design.fittings) {
            most = std::max(most, isHook(fitting.kind) ? fitting.size_m : 0.0);
        }
        return most;
    };
    CHECK(longest((*sizes)[0].scaled) < 0.7 * longest(drawn));
    CHECK(longest(same.scaled) == longest(drawn));
    CHECK(longest((*sizes)[2].scaled) > longest(drawn));
    CHECK((*sizes)[0].hooks.size() == hooksOf(drawn).size());
    CHECK_FALSE((*sizes)[0].met());  // so small a lip goes nowhere near as deep
}

TEST_CASE("a bait wished to be like another is aimed at what that one does") {
    const Design drawn = demoDesign();
    Design other = drawn;
    other.lip.length_m *= 0.85;
    const Result<AimValues> does = aimValuesOf(other);
    REQUIRE(does);
    CHECK(*does->of(AimMeasure::Depth) ==
          computeRun(evaluated(other), {}, kFineRetrieve).path.maxDepth_m);
    AimWish wish;
    wish.targets = likeTargets(*does);
    wish.like = *does;
    wish.bestOnly = true;
    REQUIRE(wish.targets.size() == 3);
    const Result<AimAnswer> answer = aim(drawn, wish);
    REQUIRE(answer);
    const AimTarget& depth = answer->targets.front();
    CHECK(depth.low == Approx(0.9 * *does->of(AimMeasure::Depth)));
    CHECK(depth.high == Approx(1.1 * *does->of(AimMeasure::Depth)));
    CHECK(answer->ways.front().met);
    // Surer than a figure, less sure than a change of one bait.
    const double now = *does->of(AimMeasure::Depth);
    CHECK(answer->doubts.front() < aimDoubt(AimMeasure::Depth, false));
    CHECK(answer->doubts.front() > relativeDoubt(depth, now));
    // Its wish in figures lasts in a file and is the same.
    Design wished = drawn;
    wished.aim.relative = true;
    wished.aim.pitch.low = -0.2;
    const AimWish kept = wishOf(evaluated(withWishLike(wished, *does)));
    REQUIRE(kept.targets.size() == 3);
    CHECK_FALSE(kept.targets.front().relative);
    CHECK(kept.targets.front().low == Approx(depth.low));
    // Of what the other does not tell nothing can be relative.
    AimValues nothing;
    CHECK(likeTargets(nothing).empty());
    wish.like = nothing;
    const Result<AimAnswer> refused = aim(drawn, wish);
    REQUIRE_FALSE(refused);
    CHECK(refused.error().code == "aim.not_told");
}
