// The submerged volume and its moment of one mesh below one plane, beside CGAL on the same mesh in
// the same process: polygon-mesh clipping followed by its volume.
#include <benchmark/benchmark.h>

#include "core/reckon/evaluate.h"
#include "files/design_file.h"
#include "files/embedded_data.h"
#include "reference/cgal_solid.h"

using namespace wl;
static const Derived& derived() {
    static const Derived d = *evaluate(*readDesign(embedded::demo_wade()));
    return d;
}

static void SubmergedVolume(benchmark::State& state) {
    const FloatingShape shape{{derived().shape->mesh}, {}};
    const WaterPlane plane{upInBody(0.05, 0.02), 0.003};
    for (auto _ : state) {
        benchmark::DoNotOptimize(computeSubmerged(shape, plane));
    }
}
BENCHMARK(SubmergedVolume)->Unit(benchmark::kMicrosecond);

static void SubmergedVolumeCgal(benchmark::State& state) {
    const test::CgalSolid whole(derived().shape->mesh);
    const Eigen::Vector3d up = upInBody(0.05, 0.02);
    for (auto _ : state) {
        benchmark::DoNotOptimize(whole.within({{up, 0.003}}).volume_m3());
    }
}
BENCHMARK(SubmergedVolumeCgal)->Unit(benchmark::kMicrosecond);
