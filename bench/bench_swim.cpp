// Time of a bait's swim. Targets: the answer at one speed 2 ms, ten seconds of motion 50 ms, twenty
// speeds 0.5 s, twenty seconds of a glide 100 ms, the grid of twelve 1 s.
#include <benchmark/benchmark.h>

#include "core/chain/chain_swim.h"
#include "core/reckon/evaluate.h"
#include "core/swim/mean_forces.h"
#include "core/swim/symptoms.h"
#include "core/swim/tuning.h"
#include "files/design_file.h"
#include "files/embedded_data.h"

using namespace wl;

namespace {

// Tied so, the diver does not roll over and its motion runs its time.
Design tiedOnItsAxis() {
    Design design = *readDesign(embedded::demo_wade());
    design.tie = Tie{};
    design.tie.x_m = 0;
    design.tie.z_m = 0;
    return design;
}

struct Swimmer {
    Derived derived = *evaluate(tiedOnItsAxis());
    Run run = computeRun(derived, {}, kFineRetrieve);
};

const Swimmer& swimmer() {
    static const Swimmer all;
    return all;
}

void SwimAtOneSpeed(benchmark::State& state) {
    for (auto _ : state) {
        benchmark::DoNotOptimize(swimOf(swimmer().derived, swimmer().run));
    }
}
BENCHMARK(SwimAtOneSpeed)->Unit(benchmark::kMillisecond);

void TenSecondsOfWobble(benchmark::State& state) {
    const Swim swim = swimOf(swimmer().derived, swimmer().run);
    const auto motion = motionOf(swimmer().derived, swimmer().run, swim);
    for (auto _ : state) {
        benchmark::DoNotOptimize(runWobble(*motion, WobbleClock{}, smallStart()));
    }
}
BENCHMARK(TenSecondsOfWobble)->Unit(benchmark::kMillisecond);

void TwentySpeeds(benchmark::State& state) {
    for (auto _ : state) {
        benchmark::DoNotOptimize(sweepSwim(swimmer().derived, swimmer().run));
    }
}
BENCHMARK(TwentySpeeds)->Unit(benchmark::kMillisecond);

void NineRuns(benchmark::State& state) {
    const Swim swim = swimOf(swimmer().derived, swimmer().run);
    for (auto _ : state) {
        benchmark::DoNotOptimize(rollOvers(swimmer().derived, swimmer().run, swim));
    }
}
BENCHMARK(NineRuns)->Unit(benchmark::kMillisecond);

void FiveFaults(benchmark::State& state) {
    for (auto _ : state) {
        benchmark::DoNotOptimize(tuningOf(swimmer().derived, swimmer().run));
    }
}
BENCHMARK(FiveFaults)->Unit(benchmark::kMillisecond);

void TwentySecondsOfGlide(benchmark::State& state) {
    const Derived derived = *evaluate(*readDesign(embedded::glide_bait_wade()));
    const PlanarChain chain =
        layOutChain(chainBait(derived, 1.0)->bait, derived.model, derived.model.chainGapLoss);
    const RodPull pull;
    const int pulls = int(20 / pull.period_s) + 1;
    for (auto _ : state) {
        benchmark::DoNotOptimize(walk(chain, {pull}, pulls, 20, derived.model));
    }
}
BENCHMARK(TwentySecondsOfGlide)->Unit(benchmark::kMillisecond);

void GridOfTwelve(benchmark::State& state) {
    const Derived derived = *evaluate(*readDesign(embedded::swimmer_wade()));
    for (auto _ : state) {
        benchmark::DoNotOptimize(snakeOf(derived, 0.6));
    }
}
BENCHMARK(GridOfTwelve)->Unit(benchmark::kMillisecond);

void MeansOfASwing(benchmark::State& state) {
    const Swim swim = swimOf(swimmer().derived, swimmer().run);
    for (auto _ : state) {
        benchmark::DoNotOptimize(meanForces(swimmer().derived, swimmer().run, swim));
    }
}
BENCHMARK(MeansOfASwing)->Unit(benchmark::kMillisecond);

void ASymptom(benchmark::State& state) {
    for (auto _ : state) {
        benchmark::DoNotOptimize(diagnose(swimmer().derived, swimmer().run, Symptom::RollsOver));
    }
}
BENCHMARK(ASymptom)->Unit(benchmark::kMillisecond);

}  // namespace
