// Backward design: ways, their chances in other waters, and what cannot be had.
#include <catch2/catch.hpp>
#include <cmath>

#include "core/aim/cannot.h"
#include "core/aim/ways.h"
#include "core/base/units.h"
#include "core/model/draws.h"
#include "files/design_file.h"
#include "support/aimed.h"
#include "support/random_bait.h"
#include "support/thorough.h"

using namespace wl;
using namespace wl::test;

namespace {

Model otherWater(int index) {
    std::vector<const Coefficient*> varied;
    for (const Coefficient& c : coefficients()) {
        const std::string_view group = c.group;
        if (group == "hull" || group == "lip" || group == "hooks" || group == "line") {
            varied.push_back(&c);
        }
    }
    return drawnIn({}, varied, index);
}

std::optional<double> depthIn(const Design& design, const Model& model) {
    const auto derived = evaluate(design, nullptr, model);
    if (!derived) {
        return std::nullopt;
    }
    const Run run = computeRun(*derived, {}, kCoarseRetrieve);
    return run.depthKnown ? std::optional(run.path.maxDepth_m) : std::nullopt;
}

}  // namespace

TEST_CASE("chances are those of the normal law, and lose nothing at a band's middle") {
    // Of a normal law 0.6827 lie within one deviation, 0.9545 within two (from memory).
    const AimTarget band{AimMeasure::Depth, std::exp(-0.2), std::exp(0.2)};
    CHECK(bestChance(band, 0.2) == Approx(0.6827).epsilon(1e-3));
    CHECK(bestChance(band, 0.1) == Approx(0.9545).epsilon(1e-3));
    CHECK(chanceOf(band, 1.0, 0.1) == Approx(bestChance(band, 0.1)));
    CHECK(lossOf(band, 1.0, 0.1) == Approx(0.0).margin(1e-12));
    // Farther off is never better, where the chance has long been nothing too.
    double before = 0;
    for (double depth = 1.05; depth < 1e4; depth *= 1.05) {
        const double loss = lossOf(band, depth, 0.1);
        CHECK(loss >= before);
        CHECK(std::isfinite(loss));
        before = loss;
    }
    const AimTarget nose{AimMeasure::Pitch, -20 * kDegree, -10 * kDegree};
    CHECK(chanceOf(nose, -15 * kDegree, 5 * kDegree) == Approx(0.6827).epsilon(1e-3));
}

TEST_CASE("every way does what it says when its design is reckoned afresh, and they differ") {
    const AimWish wish{
        {{AimMeasure::Depth, 1.7, 2.1}, {AimMeasure::Swing, 5 * kDegree, 10 * kDegree, 0.5}},
        {},
        false};
    std::vector<size_t> came;
    const auto answer = aim(demoDesign(), wish, {}, {},
                            [&came](const AimAnswer& soFar) { came.push_back(soFar.ways.size()); });
    REQUIRE(answer);
    REQUIRE(answer->ways.size() >= 4);
    CHECK(answer->ways.front().met);
    CHECK(answer->shortfalls.empty());
    CHECK(came.size() == answer->ways.size() + 1);  // and a first one, as soon as it was found
    CHECK(came.front() == 1);
    CHECK(came.back() == answer->ways.size());
    for (const AimWay& way : answer->ways) {
        const auto afresh = evaluate(way.design);
        REQUIRE(afresh);
        const Run run = computeRun(*afresh, {}, kFineRetrieve);
        CHECK(run.path.maxDepth_m == Approx(*way.told.of(AimMeasure::Depth)).epsilon(1e-9));
        CHECK(way.met == (inside(answer->targets[0], run.path.maxDepth_m) &&
                          inside(answer->targets[1], *way.told.of(AimMeasure::Swing))));
        CHECK(afresh->rest->spare == Approx(way.design.brief.wantedSpare).margin(1e-3));
        const double near = way.kind == AimWay::Kind::OneBore ? 2.0 : 0.5;
        CHECK(afresh->rest->pitch_rad ==
              Approx(way.design.brief.wantedPitch_rad).margin(near * kDegree));
        CHECK(way.chances[0] <= answer->ceilings[0] + 1e-12);
        const auto kept = readDesign(writeDesign(way.design));  // fit for a file as it stands
        REQUIRE(kept);
        CHECK(kept->lip.width_m == Approx(way.design.lip.width_m));
        for (const AimWay& other : answer->ways) {
            CHECK((&other == &way || other.values != way.values ||
                   !(other.design.bores == way.design.bores)));
        }
    }
    const auto again = aim(demoDesign(), wish);
    REQUIRE(again);
    REQUIRE(again->ways.size() == answer->ways.size());
    for (size_t i = 0; i < answer->ways.size(); ++i) {
        CHECK(again->ways[i].design == answer->ways[i].design);
        CHECK(again->ways[i].chances == answer->ways[i].chances);
    }
}

TEST_CASE("other outlines of the lip are tried where that is asked for, and do what they say",
          "[again]") {
    const Design bait = demoDesign();
    AimWish wish{{{AimMeasure::Depth, 1.9, 2.4}}, {}, false};
    const auto without = aim(bait, wish);
    wish.outlines = true;
    const auto with = aim(bait, wish);
    REQUIRE((without && with));
    const auto outlined = [](const AimAnswer& answer) {
        std::vector<const AimWay*> ways;
        for (const AimWay& way : answer.ways) {
            if (way.kind == AimWay::Kind::OtherOutline) {
                ways.push_back(&way);
            }
        }
        return ways;
    };
    CHECK(outlined(*without).empty());
    const std::vector<const AimWay*> ways = outlined(*with);
    REQUIRE_FALSE(ways.empty());
    CHECK(with->ways.size() == without->ways.size() + ways.size());
    // Of the drawn outline alone no bound is told where others may be sawn.
    wish.targets = {{AimMeasure::Depth, 30, 33}};
    const auto far = aim(bait, wish);
    REQUIRE(far);
    REQUIRE_FALSE(far->shortfalls.empty());
    CHECK_FALSE(far->shortfalls.front().depthBound_m);
    CHECK_FALSE(far->shortfalls.front().provenImpossible);
    for (const AimWay* way : ways) {
        CHECK(way->met);
        CHECK(way->price.fields >= 1);
        CHECK(way->design.lip.family != bait.lip.family);
        const auto afresh = evaluate(way->design);
        REQUIRE(afresh);
        const Run run = computeRun(*afresh, {}, kFineRetrieve);
        CHECK(run.path.maxDepth_m == Approx(*way->told.of(AimMeasure::Depth)).epsilon(1e-9));
        CHECK(run.path.maxDepth_m >= 1.9);
        CHECK(run.path.maxDepth_m <= 2.4);
    }
}

TEST_CASE("the best way is offered with its lead in one bore, and without tungsten", "[again]") {
    Design heavy = demoDesign();
    for (Bore& bore : heavy.bores) {
        bore.plugMaterial = "tungsten alloy";
        bore.plugDensity_kg_m3 = 17800;
    }
    int single = 0, plain = 0;
    for (const Design& bait : {demoDesign(), heavy, demoNamed("glider")}) {
        const bool sinks = bait.name == demoNamed("glider").name;
        const AimWish wish{{{AimMeasure::Depth, sinks ? 0.1 : 1.7, 2.4}}, {}, false};
        const auto answer = aim(bait, wish);
        REQUIRE(answer);
        CHECK(answer->ways.front().kind < AimWay::Kind::OneBore);
        for (const AimWay& way : answer->ways) {
            if (way.kind != AimWay::Kind::OneBore && way.kind != AimWay::Kind::NoTungsten) {
                continue;
            }
            CHECK(way.met);
            // The same lip and tie as a way there is, weighing and lying the same.
            const bool known =
                std::any_of(answer->ways.begin(), answer->ways.end(), [&](const AimWay& other) {
                    return &other != &way && other.values == way.values &&
                           std::abs(other.price.mass_kg - way.price.mass_kg) < 1e-4 &&
                           !(other.design.bores == way.design.bores);
                });
            CHECK(known);
            const auto afresh = evaluate(way.design);
            REQUIRE(afresh);
            CHECK(afresh->rest->pitch_rad ==
                  Approx(way.design.brief.wantedPitch_rad).margin(2 * kDegree));
            if (way.kind == AimWay::Kind::OneBore) {
                ++single;
                CHECK(way.design.bores.size() == 1);
                CHECK(way.price.bores == 1);
            } else {
                ++plain;
                for (const Bore& bore : way.design.bores) {
                    CHECK(bore.plugDensity_kg_m3 == Approx(11340));
                }
            }
        }
    }
    CHECK(single > 0);
    CHECK(plain == 1);
}

TEST_CASE("promised chances hold in other waters, and most where it is asked by the bait in hand",
          "[again]") {
    const Design bait = demoDesign();
    const AimBase base = baseOf(bait);
    const std::vector<AimLever> levers = usualLevers(*base.plan.reached);
    const double drawn = *depthIn(base.plan.design, {});
    int worlds = 0, hit = 0, hitRelative = 0;
    double promised = 0, promisedRelative = 0;
    Dice dice(9);
    for (int i = 0; i < 16; ++i) {
        const Model water = otherWater(i);
        const auto drawnThere = depthIn(base.plan.design, water);
        const double factor = dice.from(0.75, 1.3);
        if (!drawnThere) {
            continue;
        }
        ++worlds;
        for (const bool relative : {false, true}) {
            // Absolute: a depth about the truth; relative: so much deeper than the bait in hand.
            const double middle = factor * (relative ? drawn : *drawnThere);
            const double share = relative ? 0.05 : 0.10;
            SoughtTarget target = about(AimMeasure::Depth, middle, share);
            if (relative) {
                target.doubt = relativeDoubt(target.band, drawn);
            }
            AimSearch search(base, levers, {target}, {});
            const LeverSteps at = searched(search);
            const AimWay way = proveWay(search, {AimWay::Kind::Best, 0, at});
            const auto there = depthIn(way.design, water);
            const double seen = there ? *there * (relative ? drawn / *drawnThere : 1.0) : 0.0;
            (relative ? promisedRelative : promised) += way.chances[0];
            (relative ? hitRelative : hit) += inside(target.band, seen) ? 1 : 0;
        }
    }
    REQUIRE(worlds > 0);
    INFO("absolute: promised " << promised / worlds << ", hit " << double(hit) / worlds
                               << "; by the bait in hand: promised " << promisedRelative / worlds
                               << ", hit " << double(hitRelative) / worlds);
    CHECK(double(hit) / worlds > promised / worlds - 0.10);
    CHECK(double(hitRelative) / worlds > promisedRelative / worlds - 0.10);
    CHECK(hitRelative > hit);
}

TEST_CASE("what cannot be had is said with its bound, and what else would have to give",
          "[again]") {
    const AimBase base = baseOf(demoDesign());
    const std::vector<AimLever> levers = usualLevers(*base.plan.reached);
    AimSearch deepest(base, levers, {about(AimMeasure::Depth, 30, 0.1)}, {});
    const double most = *deepest.at(searched(deepest)).trial.values.of(AimMeasure::Depth);
    const auto bound = depthBound_m(deepest);
    REQUIRE(bound);
    for (const auto& [steps, entry] : deepest.trials()) {
        if (const auto depth = entry.trial.values.of(AimMeasure::Depth)) {
            CHECK(*depth <= *bound);
        }
    }
    const auto asked = [&levers](double depth_m) {
        return aim(demoDesign(),
                   {{{AimMeasure::Depth, 0.95 * depth_m, 1.05 * depth_m}}, levers, false});
    };
    const auto out = asked(1.6 * *bound * std::exp(2 * 0.175));
    REQUIRE(out);
    REQUIRE(out->shortfalls.size() == 1);
    CHECK(out->shortfalls[0].provenImpossible);
    CHECK(out->shortfalls[0].nearest < *bound);
    const auto near = asked(1.15 * most);
    INFO((near ? std::string() : near.error().code));
    REQUIRE(near);
    REQUIRE(near->shortfalls.size() == 1);
    CHECK_FALSE(near->shortfalls[0].provenImpossible);
    REQUIRE_FALSE(near->relaxations.empty());
    const double nearest = near->shortfalls[0].nearest;
    for (const AimRelaxation& relaxation : near->relaxations) {
        using What = AimRelaxation::What;
        const bool tackle =
            relaxation.what[0] == What::ThinnerLine || relaxation.what[0] == What::LongerCast;
        // A thinner line or a longer cast is never shallower once aimed anew.
        if (tackle) {
            CHECK(*relaxation.told.of(AimMeasure::Depth) >= 0.99 * nearest);
        }
    }
    const auto had = asked(0.9 * most);
    REQUIRE(had);
    CHECK(had->ways.front().met);
}

TEST_CASE("what is told to be enough is enough once it is taken over", "[again]") {
    const AimWish wish{{{AimMeasure::Depth, 3.9, 4.6}}, {}, false};
    const Result<AimAnswer> out = aim(demoDesign(), wish);
    REQUIRE(out);
    int taken = 0;
    for (const AimRelaxation& relaxation : out->relaxations) {
        if (relaxation.met) {
            AimWish best = wish;
            best.bestOnly = true;
            const Design relaxed = withRelaxation(demoDesign(), relaxation);
            const Result<AimAnswer> then = aim(relaxed, best);
            REQUIRE(then);
            INFO(int(relaxation.what[0]) << " gave " << *relaxation.told.of(AimMeasure::Depth));
            CHECK(then->ways.front().met);
            ++taken;
        }
    }
    CHECK(taken >= 2);
}

TEST_CASE("a wish that says nothing, or the impossible, is refused with the reason") {
    const Design d = demoDesign();
    const auto code = [](const auto& result) { return result ? "" : result.error().code; };
    CHECK(code(aim(d, {})) == "aim.no_target");
    CHECK(code(aim(d, {{{AimMeasure::Depth, 3.0, 2.0}}, {}, false})) == "aim.band");
    CHECK(code(aim(d, {{{AimMeasure::Depth, NAN, 2.0}}, {}, false})) == "aim.band");
    CHECK(code(aim(d, {{{AimMeasure::Depth, 1.0, 2.0}},
                       {{AimLeverKind::LipAngle, 0.5, 0.5, kDegree}},
                       false})) == "aim.lever_range");
    const AimWish beats{{{AimMeasure::Beats, 2.0, 3.0}}, {}, false};
    CHECK(code(aim(demoNamed("swimmer"), beats)) == "aim.untold");
    const AimWish wider{{{AimMeasure::Swing, 1.2, 1.5, 1.0, true}}, {}, false};
    CHECK(code(aim(demoNamed("swimmer"), wider)) == "aim.not_told");
    Design noBores = d;
    noBores.bores.clear();
    CHECK(code(aim(noBores, beats)) == "plan.no_bores");
    std::stop_source stop;
    stop.request_stop();
    CHECK_FALSE(aim(d, beats, {}, stop.get_token()));
}

TEST_CASE(
    "a range is kept to, where the drawn bait stands outside it too, and one without a step is "
    "told") {
    const auto lip = [](double low, double high) {
        return AimWish{{{AimMeasure::Depth, 1.5, 2.0}},
                       {{AimLeverKind::LipAngle, low * kDegree, high * kDegree, kDegree}},
                       false};
    };
    const auto answer = aim(demoDesign(), lip(34, 41));  // drawn at 27
    REQUIRE(answer);
    for (const AimWay& way : answer->ways) {
        CHECK(way.values[0] >= 34 * kDegree - 1e-9);
        CHECK(way.values[0] <= 41 * kDegree + 1e-9);
    }
    for (const AimPoint& point : answer->points) {
        CHECK(point.values[0] >= 34 * kDegree - 1e-9);
        CHECK(point.values[0] <= 41 * kDegree + 1e-9);
    }
    for (const AimWish& wish : {lip(33.2, 33.8), lip(40, 200)}) {
        const auto none = aim(demoDesign(), wish);
        REQUIRE_FALSE(none);
        CHECK(none.error().code == "aim.lever_range");
        CHECK(none.error().path == "/aim/angle_from");
    }
}

TEST_CASE(
    "only what is settled is answered where that is asked for, and no broken rule is as wanted",
    "[again]") {
    // The diver's tie lies under its axis of roll: the model cannot settle it.
    AimWish wish{{{AimMeasure::Depth, 1.7, 2.1}}, {}, true};
    const auto diver = aim(demoDesign(), wish), other = aim(stubby(), wish);
    for (const auto* answer : {&diver, &other}) {
        REQUIRE(*answer);
        for (const AimWay& way : (*answer)->ways) {
            CHECK((!way.met || (way.settled && way.fault == AimTrial::Fault::None)));
        }
    }
    CHECK_FALSE(diver->ways.front().met);
    CHECK(diver->ways.front().fault == AimTrial::Fault::NotSettled);
}

TEST_CASE(
    "baits no one drew are aimed at or refused with the reason, and what is found can be kept") {
    Dice dice(77);
    int aimed = 0, refused = 0;
    const int baits = kThorough ? 12 : 2;
    for (int i = 0; i < baits; ++i) {
        Design d = randomDesign(dice);
        if (!d.bores.empty() && i % 3 == 0) {
            d.bores[0].plugDensity_kg_m3 = d.bores[0].fillerDensity_kg_m3;  // weighs nothing more
        }
        const auto answer = aim(d, {{{AimMeasure::Depth, 0.8, 1.4}}, {}, false});
        if (!answer) {
            ++refused;
            CHECK_FALSE(answer.error().code.empty());
            continue;
        }
        ++aimed;
        for (const AimWay& way : answer->ways) {
            for (const auto& told : way.told.told) {
                CHECK((!told || std::isfinite(*told)));
            }
            for (const double chance : way.chances) {
                CHECK((chance >= 0 && chance <= 1));
            }
            CHECK(readDesign(writeDesign(way.design)));
        }
        for (const AimRelaxation& relaxation : answer->relaxations) {
            CHECK(readDesign(writeDesign(withRelaxation(d, relaxation))));
        }
    }
    CHECK(aimed + refused == baits);
    CHECK(aimed > 0);
}

TEST_CASE("a tie on a loop of the wire is not moved, one on an eye takes the eye along") {
    Design d = demoNamed("lipless");
    const auto tieOf = [](const Design& design) {
        const auto derived = evaluate(design);
        REQUIRE(derived);
        const std::vector<AimLever> levers = usualLevers(*derived);
        return std::count_if(levers.begin(), levers.end(), [](const AimLever& lever) {
            return lever.kind == AimLeverKind::TieAlong;
        });
    };
    CHECK(tieOf(d) == 1);
    Fitting eye;
    eye.kind = FittingKind::ScrewEye;
    eye.name = "an eye of its own";
    eye.x_m = d.tie.x_m;
    eye.z_m = d.tie.z_m;
    d.fittings.push_back(eye);
    d.tie.eye = "an eye of its own";
    CHECK(tieOf(d) == 1);
    const auto derived = evaluate(d);
    const double over = eye.z_m - derived->shape->curves.atX(eye.x_m).back_m;
    setLever(d, derived->shape->curves, AimLeverKind::TieAlong, 0.03);
    CHECK(d.fittings.back().x_m == 0.03);
    CHECK(d.fittings.back().z_m - derived->shape->curves.atX(0.03).back_m == Approx(over));
    CHECK(tiePoint(d).x() == 0.03);
    // One that has the tie in its loop without being named goes along as well; at a lip it stands.
    Design glider = demoNamed("glider");
    const auto shape = evaluate(glider);
    REQUIRE(lineEyes(glider).size() == 1);
    Fitting& nose = glider.fittings[lineEyes(glider)[0]];
    const double under = nose.z_m - glider.tie.z_m;
    setLever(glider, shape->shape->curves, AimLeverKind::TieUp, 0.004);
    CHECK(glider.tie.z_m == 0.004);
    CHECK(nose.z_m - glider.tie.z_m == Approx(under));
    Design diver = demoDesign();
    REQUIRE(lineEyes(diver).size() == 1);
    const std::vector<Fitting> stood = diver.fittings;
    setLever(diver, shape->shape->curves, AimLeverKind::TieUpLip, 0.015);
    CHECK(diver.fittings == stood);
    d.fittings.pop_back();
    d.wire.present = true;
    d.tie.eye = "nose loop";
    CHECK(tieOf(d) == 0);
}
