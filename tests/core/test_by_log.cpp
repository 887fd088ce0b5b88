// What a log has taught, put to use: the run, the swim and the aim of a bait with readings.
#include <catch2/catch.hpp>
#include <cmath>

#include "core/aim/aim.h"
#include "core/aim/belly_weights.h"
#include "core/aim/hook_rates.h"
#include "core/aim/joints.h"
#include "core/aim/trial.h"
#include "core/forecast/by_log.h"
#include "core/forecast/foretell.h"
#include "core/forecast/taught.h"
#include "core/plan/lead_choices.h"
#include "core/plan/plan_lead.h"
#include "core/reckon/tow.h"
#include "core/swim/swim.h"
#include "io/shelf.h"
#include "support/sample_bait.h"

using namespace wl;
using namespace wl::test;

TEST_CASE("by the log every depth of a run goes with the factor, and nothing else moves") {
    const Run run = computeRun(evaluated(demoDesign()));
    const FactorBand depth{0.8, 0.9, 1.1};
    const Run seen = runByLog(run, depth);
    CHECK(seen.path.maxDepth_m == Approx(0.9 * run.path.maxDepth_m));
    CHECK(seen.depthLow_m == Approx(0.8 * run.path.maxDepth_m));
    CHECK(seen.depthHigh_m == Approx(1.1 * run.path.maxDepth_m));
    REQUIRE(run.trolledDepth_m);
    CHECK(*seen.trolledDepth_m == Approx(0.9 * *run.trolledDepth_m));
    REQUIRE(seen.path.points.size() == run.path.points.size());
    for (size_t i = 0; i < run.path.points.size(); ++i) {
        CHECK(seen.path.points[i].depth_m == Approx(0.9 * run.path.points[i].depth_m));
        CHECK(seen.path.points[i].time_s == run.path.points[i].time_s);
    }
    Run none = run;
    none.depthKnown = false;
    CHECK(runByLog(none, depth).path.maxDepth_m == run.path.maxDepth_m);
}

TEST_CASE("by the log a bait beats and swings as its readings say, and its own film gives way") {
    Design design = demoDesign();
    design.swim.filmFrames.reset();
    design.swim.seenYaw_rad.reset();
    const Derived bare = evaluated(design);
    const Run run = computeRun(bare, {}, kFineRetrieve);
    const Swim told = swimOf(bare, run);
    REQUIRE(told.swings);
    const FactorBand beats{0.85, 0.9, 0.95}, swing{0.7, 0.8, 0.9};
    const Swim both = swimOf(filmedByLog(bare, run, beats, swing), run);
    CHECK(both.beats_1_s.middle == Approx(0.9 * told.beats_1_s.middle).epsilon(0.003));
    CHECK(both.yaw_rad.middle == Approx(0.8 * told.yaw_rad.middle).epsilon(0.003));
    // A film of the design that said otherwise: what the log reads goes before it, what it does not
    // read stays.
    design.swim.filmFrames =
        design.swim.filmBeats * design.swim.filmRate_1_s / (1.2 * told.beats_1_s.middle);
    design.swim.filmSpeed_m_s = told.speed_m_s;
    design.swim.seenYaw_rad = 0.9 * told.yaw_rad.middle;
    const Derived filmed = evaluated(design);
    // What is learnt from is what is reckoned without the film.
    const Swim shown = swimOf(filmed, run);
    CHECK(shown.beats_1_s.middle == Approx(1.2 * told.beats_1_s.middle).epsilon(0.003));
    CHECK(*rawForecast(filmed, &run, &shown, {}, {}).figure[size_t(NoteKind::Beats)] ==
          Approx(told.beats_1_s.middle).epsilon(0.003));
    const Swim over = swimOf(filmedByLog(filmed, run, beats, std::nullopt), run);
    CHECK(over.beats_1_s.middle == Approx(0.9 * told.beats_1_s.middle).epsilon(0.003));
    CHECK(over.yaw_rad.middle == Approx(0.9 * told.yaw_rad.middle).epsilon(0.003));
    const Swim kept = swimOf(filmedByLog(filmed, run, std::nullopt, swing), run);
    CHECK(kept.beats_1_s.middle == Approx(1.2 * told.beats_1_s.middle).epsilon(0.003));
    CHECK(kept.yaw_rad.middle == Approx(0.8 * told.yaw_rad.middle).epsilon(0.003));
    // A rhythm no wake can have, and no factor at all: as it was.
    const FactorBand wild{4, 5, 6};
    CHECK(filmedByLog(filmed, run, wild, std::nullopt).design == filmed.design);
    CHECK(filmedByLog(filmed, run, std::nullopt, std::nullopt).design == filmed.design);
}

TEST_CASE("what is wished of a bait with readings is what will be seen of it") {
    const Design design = demoDesign();
    const double depth = computeRun(evaluated(design), {}, kFineRetrieve).path.maxDepth_m;
    AimWish wish;
    wish.bestOnly = true;
    wish.targets = {{AimMeasure::Depth, 0.92 * depth, 1.02 * depth, 1.0, false}};
    const Result<AimAnswer> blind = aim(design, wish);
    // Seen 15 % shallower than reckoned: to be seen there it must be reckoned that much deeper.
    constexpr double kSeen = 0.85;
    wish.log[size_t(AimMeasure::Depth)] = AimTaught{kSeen, 0.05};
    const Result<AimAnswer> taught = aim(design, wish);
    AimWish deeper = wish;
    deeper.log = {};
    deeper.targets.front().low /= kSeen;
    deeper.targets.front().high /= kSeen;
    const Result<AimAnswer> asked = aim(design, deeper);
    REQUIRE(blind);
    REQUIRE(taught);
    REQUIRE(asked);
    const AimWay& way = taught->ways.front();
    CHECK(way.met);
    CHECK(taught->targets.front().low == Approx(0.92 * depth));
    CHECK(*way.told.of(AimMeasure::Depth) >= 0.92 * depth);
    CHECK(*way.told.of(AimMeasure::Depth) <= 1.02 * depth);
    CHECK(*taught->drawn.of(AimMeasure::Depth) ==
          Approx(kSeen * *blind->drawn.of(AimMeasure::Depth)));
    const Derived cut = evaluated(way.design);
    CHECK(computeRun(cut, {}, kFineRetrieve).path.maxDepth_m * kSeen ==
          Approx(*way.told.of(AimMeasure::Depth)).epsilon(1e-9));
    CHECK(asked->ways.front().met);
    CHECK(*asked->ways.front().told.of(AimMeasure::Depth) >= 0.92 * depth / kSeen);
    // And it is surer than a figure of a bait no one has read.
    CHECK(taught->doubts.front() < blind->doubts.front());
    CHECK(taught->doubts.front() >= 0.05);
    CHECK(way.chances.front() > blind->ways.front().chances.front());
    // What cannot be had is told as it would be seen as well.
    wish.targets.front().low = 6 * depth;
    wish.targets.front().high = 7 * depth;
    wish.bestOnly = false;
    const Result<AimAnswer> never = aim(design, wish);
    REQUIRE(never);
    REQUIRE_FALSE(never->shortfalls.empty());
    CHECK(never->shortfalls.front().target.low == Approx(6 * depth));
    CHECK(never->shortfalls.front().nearest ==
          Approx(*never->ways.front().told.of(AimMeasure::Depth)));
}

TEST_CASE(
    "readings of a bait are told of its figures, of other kinds nothing, and can be left out") {
    const Design design = demoDesign();
    const auto raw = foretell(design, nullptr, false);
    REQUIRE(raw);
    const double depth = *raw->of(NoteKind::Depth);
    WaterLog log;
    log.baits.push_back({1, design.name, raw->family, {}, {}});
    for (std::int64_t day = 1; day <= 3; ++day) {
        LogOuting outing;
        outing.id = day;
        outing.date = "2026-06-0" + std::to_string(day);
        log.outings.push_back(outing);
        LogNote note;
        note.id = note.outing = day;
        note.bait = design.name;
        note.kind = NoteKind::Depth;
        note.low = note.high = 0.85 * depth;
        note.reckoned = note.usual = depth;
        log.notes.push_back(note);
    }
    LogFits fits(log), off(log, false), none(WaterLog{}), unasked(log);
    const auto figures = learntFigures(*raw, *raw, fits, {design.name, 1, 0});
    const auto taught = taughtOf(figures, NoteKind::Depth);
    REQUIRE(taught);
    CHECK(taught->middle > 0.85);
    CHECK(taught->middle < 0.95);
    CHECK_FALSE(taughtOf(figures, NoteKind::Beats));
    REQUIRE(figureOf(figures, NoteKind::Beats) != nullptr);
    CHECK(figureOf(figures, NoteKind::Catch) == nullptr);
    CHECK_FALSE(taughtOf(learntFigures(*raw, *raw, off, {design.name, 1, 0}), NoteKind::Depth));
    // Before anything was read a day with it is worth more than one with another bait.
    const auto unread = learntFigures(*raw, *raw, none, {design.name, 1, 0});
    const LearntFigure* first = figureOf(unread, NoteKind::Depth);
    REQUIRE(first != nullptr);
    const auto worthOf = [&](NextReading what) {
        for (const ReadingWorth& worth : first->worth) {
            if (worth.what == what) {
                return worth.narrower;
            }
        }
        return -1.0;
    };
    CHECK(worthOf(NextReading::AnotherDay) > 0.3);
    CHECK(worthOf(NextReading::AnotherDay) > worthOf(NextReading::OtherBait));
    CHECK(worthOf(NextReading::OtherBait) > worthOf(NextReading::OtherFamily));
    std::stop_source stop;
    stop.request_stop();
    CHECK(learntFigures(*raw, *raw, unasked, {design.name, 1, 0}, stop.get_token()).empty());
    // Of a wish: the film is in what it is told with.
    const AimLog wished = aimLogOf(taught, FactorBand{0.8, 0.9, 1.0}, std::nullopt, 1.2);
    CHECK(wished[size_t(AimMeasure::Depth)]->factor == taught->middle);
    CHECK(wished[size_t(AimMeasure::Beats)]->factor == Approx(0.9 / 1.2));
    CHECK(wished[size_t(AimMeasure::Beats)]->doubt == Approx(std::log(1.0 / 0.8) / 3.29));
    CHECK_FALSE(wished[size_t(AimMeasure::Swing)]);
}

TEST_CASE("sink rates asked of weights and hooks are those a log lets one expect to see") {
    constexpr double kSeen = 1.25;
    const Design design = demoNamed("lipless");
    const std::vector<FishedWater> water{{design.brief.temperature_K, design.brief.salinity}};
    const auto plain = bellyWeights(design, water, {4e-3}),
               seen = bellyWeights(design, water, {4e-3}, {}, {}, kSeen),
               rated = bellyWeights(design, water, {}, {}, {}, kSeen);
    REQUIRE((plain && seen && rated));
    REQUIRE(plain->front().in.front().state == RestState::Sinks);
    CHECK(seen->front().lead_kg == plain->front().lead_kg);
    CHECK(seen->front().in.front().speed_m_s ==
          Approx(kSeen * plain->front().in.front().speed_m_s));
    int met = 0;
    for (const BellyWeight& weight : *rated) {
        if (weight.what == BellyWeight::For::Rate && weight.leadMet) {
            ++met;
            CHECK(weight.in.front().speed_m_s == Approx(weight.asked).epsilon(0.03));
        }
    }
    CHECK(met > 0);
    std::vector<Fitting> hooks;
    for (const auto& row : starterShelf().fittings) {
        hooks.push_back(row.item);
    }
    const auto asSeen = hooksForRates(design, hooks, {0.1 * kSeen, 0.2 * kSeen}, {}, {}, kSeen),
               asReckoned = hooksForRates(design, hooks, {0.1, 0.2});
    REQUIRE((asSeen && asReckoned));
    CHECK(asSeen->lead_kg == Approx(asReckoned->lead_kg));
    for (size_t i = 0; i < 2; ++i) {
        CHECK(asSeen->rates[i].hooks == asReckoned->rates[i].hooks);
        CHECK(asSeen->rates[i].speed_m_s == Approx(kSeen * asReckoned->rates[i].speed_m_s));
        CHECK(asSeen->rates[i].wanted_m_s == Approx(kSeen * asReckoned->rates[i].wanted_m_s));
    }
}

TEST_CASE("a chain's beats are learnt from, and joints are cut for beats as they will be seen",
          "[again]") {
    Design design = demoNamed("swimmer");
    design.swim.filmFrames.reset();
    const Derived bare = evaluated(design);
    const double speed = towSpeed_m_s(bare);
    const Snake snake = snakeOf(bare, speed);
    REQUIRE(snake.swims > 0);
    CHECK_FALSE(foretell(design, &bare, false)->of(NoteKind::Beats));
    CHECK(*foretell(design, &bare, true)->of(NoteKind::Beats) == snake.beats_1_s.middle);
    const Snake told = snakeByLog(snake, {0.7, 0.8, 1.1});
    CHECK(told.beats_1_s == Spread{0.7 * snake.beats_1_s.middle, 0.8 * snake.beats_1_s.middle,
                                   1.1 * snake.beats_1_s.middle});
    // A film that counted a fifth more: the forecast without it is as before, joints go by it.
    design.swim.filmFrames =
        design.swim.filmBeats * design.swim.filmRate_1_s / (1.2 * snake.beats_1_s.middle);
    design.swim.filmSpeed_m_s = speed;
    const Derived filmed = evaluated(design);
    CHECK(unfilmedSnake(filmed).beats_1_s == snake.beats_1_s);
    JointWish wish;
    wish.beats_1_s = WishedBand{1.1 * snake.beats_1_s.middle, 1.4 * snake.beats_1_s.middle};
    const auto ways = aimJoints(filmed, wish, speed);
    REQUIRE(ways);
    const JointWay& best = ways->front();
    REQUIRE(best.does.swims > 0);
    CHECK(best.does.beats_1_s.middle ==
          Approx(1.2 * chainTrial(evaluated(best.design), speed).beats_1_s.middle));
}

TEST_CASE("what a step does to the depth goes with the factor of the log") {
    Lever deeper, none;
    deeper.depth_m = 0.2;
    deeper.pitch_rad = 0.1;
    const auto told = leversByLog({deeper, none}, {0.7, 0.8, 0.9});
    CHECK(*told[0].depth_m == Approx(0.16));
    CHECK(*told[0].pitch_rad == 0.1);
    CHECK_FALSE(told[1].depth_m);
}

TEST_CASE("in a long log a bait's own readings count however many others came after") {
    constexpr int kOwn = 5, kOthers = 200, kBaits = 40;
    WaterLog log;
    for (int b = 0; b <= kBaits; ++b) {
        log.baits.push_back({b + 1,
                             b == 0 ? "reed" : "bait " + std::to_string(b),
                             b % 2 == 0 ? "in_line_lip_stout" : "in_line_lip_slender",
                             {},
                             {}});
    }
    for (int i = 0; i < kOwn + kOthers; ++i) {
        LogOuting outing;
        outing.id = i + 1;
        outing.date = "2026-06-01";
        log.outings.push_back(outing);
        LogNote note;
        note.id = 1000 + i;
        note.outing = outing.id;
        note.bait = log.baits[size_t(i < kOwn ? 0 : 1 + i % kBaits)].bait;
        note.kind = NoteKind::Depth;
        // Four alike, one noted in feet; the others as reckoned, give or take.
        const double times = i == 2 ? 0.7 * 3.281 : i < kOwn ? 0.7 : i % 2 == 0 ? 0.97 : 1.03;
        note.low = note.high = 2.0 * times;
        note.reckoned = note.usual = 2.0;
        log.notes.push_back(note);
    }
    LogFits fits(log);
    const FactorOf of = fits.whose(Learnt::DepthInLine, log.baits[0], 1, 2.0, 0.0);
    const auto fitted = fits.fit(Learnt::DepthInLine, of);
    REQUIRE(fitted);
    CHECK(fitted == fits.fit(Learnt::DepthInLine, of));
    CHECK(fitted->readings == kOwn);
    CHECK(fitted->outings == kOwn);
    CHECK(fitted->fit.readings().size() == FactorFit::kMost);
    const FactorTold told = tellFactor(fitted->fit, of);
    CHECK(told.itself.middle > 0.65);
    CHECK(told.itself.middle < 0.8);
    CHECK_FALSE(fits.oddKnown(Learnt::DepthInLine, of));
    const auto odd = fits.odd(Learnt::DepthInLine, of);
    REQUIRE(odd);
    const auto feet =
        std::find_if(odd->begin(), odd->end(), [](const auto& one) { return one.first == 1002; });
    REQUIRE(feet != odd->end());
    CHECK(feet->second.hint == Approx(3.281));
    CHECK(fits.oddKnown(Learnt::DepthInLine, of)->size() == odd->size());
    // Half are its own at most where there are too many; of the others each bait's newest first.
    LogReadings all = readingsOf(log, Learnt::DepthInLine);
    const LogReadings near = nearestReadings(all, of, 8);
    REQUIRE(near.readings.size() == 8);
    CHECK(std::count_if(near.readings.begin(), near.readings.end(),
                        [&](const FactorReading& r) { return r.bait == of.bait; }) == 4);
    for (size_t i = 0; i < near.notes.size(); ++i) {
        CHECK((i == 0 || near.notes[i] > near.notes[i - 1]));
        const FactorReading& r = near.readings[i];
        CHECK((r.bait == of.bait || (r.family == of.family && near.notes[i] >= kOthers - kBaits)));
    }
}

TEST_CASE("what is seen to sink faster than reckoned is wanted, planned and judged as it is seen") {
    constexpr double kTimes = 1.4;
    const Derived drawn = evaluated(demoNamed("lipless"));
    const Design& design = *drawn.design;
    REQUIRE(design.brief.wantedState == WantedState::Sink);
    const Derived seen = sinkingAsSeen(drawn, kTimes);
    CHECK(seen.rest->fall.speed_m_s == drawn.rest->fall.speed_m_s);
    // By square law it may be as many times less heavier than its water, squared.
    const double full = drawn.waterDensity_kg_m3 * drawn.mass->displacedVolume_m3;
    CHECK(seen.wantedMass_kg - full ==
          Approx((drawn.wantedMass_kg - full) / (kTimes * kTimes)).epsilon(0.1));
    const Result<LeadPlan> plan = planLead(design, &seen);
    REQUIRE(plan);
    CHECK(plan->reached->sinkSeen == kTimes);
    CHECK(kTimes * plan->reached->rest->fall.speed_m_s ==
          Approx(design.brief.wantedSinkSpeed_m_s).epsilon(0.1));
    // The same as for what is wanted so many times slower, as reckoned.
    Design slower = design;
    slower.brief.wantedSinkSpeed_m_s /= kTimes;
    const Result<LeadPlan> reckoned = planLead(slower);
    REQUIRE(reckoned);
    for (size_t i = 0; i < plan->plugLengths_m.size(); ++i) {
        CHECK(plan->plugLengths_m[i] == Approx(reckoned->plugLengths_m[i]).margin(1e-7));
    }
    // As drawn it is told to sink too fast, by what will be seen; planned, not.
    const auto fast = findingOf(seen, "rest.sinks_fast");
    REQUIRE(fast);
    CHECK(fast->values[2].value == Approx(kTimes * drawn.rest->fall.speed_m_s));
    CHECK_FALSE(findingOf(drawn, "rest.sinks_fast"));
    CHECK_FALSE(findingOf(*plan->reached, "rest.sinks_fast"));
    CHECK_FALSE(findingOf(*plan->reached, "rest.sinks_slow"));
    // So are an aim's answers, and the ways to the lead.
    const Result<AimBase> base = aimBase(design, {}, {}, kTimes);
    REQUIRE(base);
    CHECK(base->plan.reachedMass_kg == Approx(plan->reachedMass_kg).epsilon(1e-9));
    const auto choices = leadChoices(design, {}, {}, &seen);
    REQUIRE(choices);
    CHECK(choices->front().mass_kg == Approx(plan->reachedMass_kg).epsilon(1e-4));
}
