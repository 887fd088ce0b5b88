// Time of the work behind one edit of the demo. Targets: from nothing 4 ms, retrieve 3 ms.
#include <benchmark/benchmark.h>

#include "core/aim/aim.h"
#include "core/base/units.h"
#include "core/cast/throws.h"
#include "core/clearance/clearance.h"
#include "core/design/fields.h"
#include "core/hydro/righting.h"
#include "core/plan/lead_mends.h"
#include "core/reckon/evaluate.h"
#include "core/reckon/run.h"
#include "core/reckon/what_if.h"
#include "core/school/tank_school.h"
#include "core/tank/doubt.h"
#include "core/tank/hook_swaps.h"
#include "core/tank/waters.h"
#include "files/design_file.h"
#include "files/embedded_data.h"
#include "io/shelf.h"

using namespace wl;

static const Design& demo() {
    static const Design design = *readDesign(embedded::demo_wade());
    return design;
}

static void FullEvaluation(benchmark::State& state) {
    for (auto _ : state) {
        benchmark::DoNotOptimize(evaluate(demo()));
    }
}
BENCHMARK(FullEvaluation)->Unit(benchmark::kMillisecond);

// A five-piece bait with pockets in every joint, as under a dragged handle. Target 7 ms.
static void FivePieceEvaluation(benchmark::State& state) {
    Design design = *readDesign(embedded::swimmer_wade());
    design.joints.resize(4, design.joints.front());
    design.pieces.resize(5, design.pieces.front());
    const double places[] = {0.034, 0.060, 0.084, 0.108};
    for (size_t i = 0; i < 4; ++i) {
        design.joints[i].x_m = places[i];
        design.joints[i].pinLength_m = 0.01;
        design.joints[i].pocketWidth_m = 0.004;
        design.joints[i].pocketHeight_m = 0.005;
    }
    if (!evaluate(design)) {
        state.SkipWithError("the five-piece bait does not evaluate");
        return;
    }
    for (auto _ : state) {
        benchmark::DoNotOptimize(evaluate(design));
    }
}
BENCHMARK(FivePieceEvaluation)->Unit(benchmark::kMillisecond);

static void WholeRetrieve(benchmark::State& state) {
    const Result<Derived> derived = evaluate(demo());
    for (auto _ : state) {
        benchmark::DoNotOptimize(computeRun(*derived, {}, kFineRetrieve));
    }
}
BENCHMARK(WholeRetrieve)->Unit(benchmark::kMillisecond);

static void RetrieveWithItsDoubts(benchmark::State& state) {
    const Result<Derived> derived = evaluate(demo());
    for (auto _ : state) {
        benchmark::DoNotOptimize(computeRun(*derived));
    }
}
BENCHMARK(RetrieveWithItsDoubts)->Unit(benchmark::kMillisecond);

// Target 0.1 ms.
static void OneTrim(benchmark::State& state) {
    const Result<Derived> derived = evaluate(demo());
    for (auto _ : state) {
        benchmark::DoNotOptimize(settleTrim(derived->towed, 0.9, 0.0, -0.1));
    }
}
BENCHMARK(OneTrim)->Unit(benchmark::kMicrosecond);

// 40 x 40 values of lip angle and reel speed, two threads. Target 2 s.
static void MapOfDepths(benchmark::State& state) {
    const Result<Derived> derived = evaluate(demo());
    const MapAxis across{"/lip/angle", 0.3, 0.8, 40}, up{"/brief/retrieve_speed", 0.7, 1.2, 40};
    for (auto _ : state) {
        benchmark::DoNotOptimize(mapDepth(*derived, across, up));
    }
}
BENCHMARK(MapOfDepths)->Unit(benchmark::kMillisecond)->UseRealTime();

static void EveryLever(benchmark::State& state) {
    const Result<Derived> derived = evaluate(demo());
    for (auto _ : state) {
        benchmark::DoNotOptimize(leversOf(*derived, 60));
    }
}
BENCHMARK(EveryLever)->Unit(benchmark::kMillisecond);

// 96 throws over the head, in the steps of a set. Target 60 ms.
static void NinetySixThrows(benchmark::State& state) {
    const Result<Derived> derived = evaluate(demo());
    const AirBait bait = airBait(*derived, FlightPlane::Side);
    const CastLine line = castLine(*derived);
    for (auto _ : state) {
        for (int i = 0; i < 96; ++i) {
            benchmark::DoNotOptimize(fly(bait, derived->model, line, Throw{}, 0.008));
        }
    }
}
BENCHMARK(NinetySixThrows)->Unit(benchmark::kMillisecond);

static void CoarseRetrieve(benchmark::State& state) {
    const Result<Derived> derived = evaluate(demo());
    for (auto _ : state) {
        benchmark::DoNotOptimize(computeRun(*derived, {}, kCoarseRetrieve));
    }
}
BENCHMARK(CoarseRetrieve)->Unit(benchmark::kMillisecond);

// One field of the demo changed and reckoned from the design before it. Targets: lead and hooks
// 1 ms, tie and brief 0.3 ms, lip 1.5 ms with the coarse retrieve and 4 ms with the fine one.
static void changeOf(benchmark::State& state, const char* path, double value,
                     std::optional<RetrieveGrid> retrieve = std::nullopt) {
    const Result<Derived> before = evaluate(demo());
    const Result<Design> after = withField(demo(), path, value);
    for (auto _ : state) {
        const Result<Derived> derived = evaluate(*after, &*before);
        benchmark::DoNotOptimize(derived);
        if (retrieve) {
            benchmark::DoNotOptimize(computeRun(*derived, {}, *retrieve));
        }
    }
}
BENCHMARK_CAPTURE(changeOf, lead, "/bores/0/plug_length", 0.004)->Unit(benchmark::kMillisecond);
BENCHMARK_CAPTURE(changeOf, hook, "/fittings/0/size", 0.02)->Unit(benchmark::kMillisecond);
BENCHMARK_CAPTURE(changeOf, tie, "/tie/up_lip", 0.006)->Unit(benchmark::kMillisecond);
BENCHMARK_CAPTURE(changeOf, cast, "/brief/cast_length", 31.0)->Unit(benchmark::kMillisecond);
BENCHMARK_CAPTURE(changeOf, reel_speed, "/brief/retrieve_speed", 1.1)
    ->Unit(benchmark::kMillisecond);
BENCHMARK_CAPTURE(changeOf, lip, "/lip/angle", 0.6)->Unit(benchmark::kMillisecond);
BENCHMARK_CAPTURE(changeOf, lip_and_coarse_retrieve, "/lip/angle", 0.6, kCoarseRetrieve)
    ->Unit(benchmark::kMillisecond);
BENCHMARK_CAPTURE(changeOf, lip_and_fine_retrieve, "/lip/angle", 0.6, kFineRetrieve)
    ->Unit(benchmark::kMillisecond);
BENCHMARK_CAPTURE(changeOf, coat, "/coats/0/thickness", 0.0004)->Unit(benchmark::kMillisecond);
BENCHMARK_CAPTURE(changeOf, station, "/body/stations/3/back", 0.0125)
    ->Unit(benchmark::kMillisecond);

// What lets a plan be met whose bores are three tenths too thin: the demo, the two-piece glide
// bait.
static void WhatMends(benchmark::State& state) {
    Design design = state.range(0) == 0 ? demo() : *readDesign(embedded::glide_bait_wade());
    for (Bore& bore : design.bores) {
        bore.diameter_m *= 0.7;
    }
    const MendShelf shelf = mendShelfOf(starterShelf());
    for (auto _ : state) {
        benchmark::DoNotOptimize(leadMends(design, shelf));
    }
}
BENCHMARK(WhatMends)->Arg(0)->Arg(1)->Unit(benchmark::kMillisecond);

static void PlanLead(benchmark::State& state) {
    for (auto _ : state) {
        benchmark::DoNotOptimize(planLead(demo()));
    }
}
BENCHMARK(PlanLead)->Unit(benchmark::kMillisecond);

static void ReadDesignFile(benchmark::State& state) {
    for (auto _ : state) {
        benchmark::DoNotOptimize(readDesign(embedded::demo_wade()));
    }
}
BENCHMARK(ReadDesignFile)->Unit(benchmark::kMicrosecond);

// Target: 100 ms for 10 000 draws.
static void TenThousandDraws(benchmark::State& state) {
    const Result<Derived> derived = evaluate(demo());
    for (auto _ : state) {
        benchmark::DoNotOptimize(sampleDoubt(demo(), *derived, 10000, 1));
    }
}
BENCHMARK(TenThousandDraws)->Unit(benchmark::kMillisecond);

static void RightingOverAllLeans(benchmark::State& state) {
    const Result<Derived> derived = evaluate(demo());
    const FloatingBody body{derived->mass->coarseShape, derived->mass->mass_kg,
                            derived->mass->centreOfGravity_m, derived->waterDensity_kg_m3};
    for (auto _ : state) {
        benchmark::DoNotOptimize(computeRighting(body));
    }
}
BENCHMARK(RightingOverAllLeans)->Unit(benchmark::kMillisecond);

static void OneOtherWater(benchmark::State& state) {
    const Result<Derived> derived = evaluate(demo());
    for (auto _ : state) {
        benchmark::DoNotOptimize(inWater(demo(), *derived, 277.15, 0.02, 293.15));
    }
}
BENCHMARK(OneOtherWater)->Unit(benchmark::kMillisecond);

static void EveryHookSetOfTheShelf(benchmark::State& state) {
    const Result<Derived> derived = evaluate(demo());
    std::vector<Fitting> hooks;
    for (const auto& row : starterShelf().fittings) {
        hooks.push_back(row.item);
    }
    for (auto _ : state) {
        benchmark::DoNotOptimize(computeHookSwaps(demo(), *derived, hooks));
    }
}
BENCHMARK(EveryHookSetOfTheShelf)->Unit(benchmark::kMillisecond);

static void ThreeLeadChoices(benchmark::State& state) {
    for (auto _ : state) {
        benchmark::DoNotOptimize(leadChoices(demo(), starterShelf().pieces));
    }
}
BENCHMARK(ThreeLeadChoices)->Unit(benchmark::kMillisecond);

static void FourReadingsOfTheTank(benchmark::State& state) {
    for (auto _ : state) {
        benchmark::DoNotOptimize(inferFromTank(demo()));
    }
}
BENCHMARK(FourReadingsOfTheTank)->Unit(benchmark::kMillisecond);

static void ThinWalls(benchmark::State& state) {
    const Result<Derived> derived = evaluate(demo());
    for (auto _ : state) {
        std::vector<Finding> out;
        checkSkinWalls(demo(), *derived, out);
        benchmark::DoNotOptimize(out);
    }
}
BENCHMARK(ThinWalls)->Unit(benchmark::kMillisecond);

// One trial of an aim: another lip and tie, its lead, depth and swim. Target 1.5 ms.
static void OneTrialOfAnAim(benchmark::State& state) {
    const AimBase base = *aimBase(demo());
    const std::vector<AimLever> levers = usualLevers(*base.plan.reached);
    std::vector<double> values;
    for (const AimLever& lever : levers) {
        values.push_back(leverOf(demo(), lever.kind));
    }
    for (auto _ : state) {
        values.front() += 1e-6;  // another each time
        benchmark::DoNotOptimize(tryLevers(base, levers, values, true));
    }
}
BENCHMARK(OneTrialOfAnAim)->Unit(benchmark::kMillisecond);

static void AnAimOfThreeBands(benchmark::State& state) {
    const AimWish wish{{{AimMeasure::Depth, 1.7, 2.1},
                        {AimMeasure::Beats, 4.2, 5.4},
                        {AimMeasure::Swing, 5 * kDegree, 10 * kDegree, 0.5}},
                       {},
                       false};
    for (auto _ : state) {
        benchmark::DoNotOptimize(aim(demo(), wish));
    }
}
BENCHMARK(AnAimOfThreeBands)->Unit(benchmark::kMillisecond)->UseRealTime();
