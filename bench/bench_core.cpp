// Time of the work behind one edit of the demo. Targets: evaluation 8 ms, retrieve 20 ms.
#include <benchmark/benchmark.h>

#include "core/plan/plan_lead.h"
#include "io/design_file.h"
#include "io/embedded_data.h"

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

static void WholeRetrieve(benchmark::State& state) {
    const Result<Derived> derived = evaluate(demo());
    for (auto _ : state) {
        benchmark::DoNotOptimize(computeRun(demo(), *derived));
    }
}
BENCHMARK(WholeRetrieve)->Unit(benchmark::kMillisecond);

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
