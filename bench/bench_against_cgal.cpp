// The submerged volume and its moment of one mesh below one plane, beside CGAL on the same mesh in
// the same process: polygon-mesh clipping followed by its volume.
#include <CGAL/Exact_predicates_inexact_constructions_kernel.h>
#include <CGAL/Polygon_mesh_processing/clip.h>
#include <CGAL/Polygon_mesh_processing/measure.h>
#include <CGAL/Surface_mesh.h>
#include <benchmark/benchmark.h>

#include "core/reckon/evaluate.h"
#include "io/design_file.h"
#include "io/embedded_data.h"

using namespace wl;
using Kernel = CGAL::Exact_predicates_inexact_constructions_kernel;
using Mesh = CGAL::Surface_mesh<Kernel::Point_3>;

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
    namespace pmp = CGAL::Polygon_mesh_processing;
    Mesh mesh;
    std::vector<Mesh::Vertex_index> index;
    for (const Eigen::Vector3d& v : derived().shape->mesh.vertices_m) {
        index.push_back(mesh.add_vertex({v.x(), v.y(), v.z()}));
    }
    for (const auto& t : derived().shape->mesh.triangles) {
        mesh.add_face(index[size_t(t[0])], index[size_t(t[1])], index[size_t(t[2])]);
    }
    const Eigen::Vector3d up = upInBody(0.05, 0.02);
    const Kernel::Plane_3 plane(up.x(), up.y(), up.z(), -0.003);
    for (auto _ : state) {
        Mesh below = mesh;
        pmp::clip(below, plane, CGAL::parameters::clip_volume(true));
        benchmark::DoNotOptimize(pmp::volume(below));
    }
}
BENCHMARK(SubmergedVolumeCgal)->Unit(benchmark::kMicrosecond);
