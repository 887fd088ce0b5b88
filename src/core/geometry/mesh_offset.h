// The inside of a hollow body.
#pragma once

#include "core/geometry/mesh.h"

namespace wl {

/// The mesh with every face moved `wall_m` inwards: each vertex goes where its faces' moved planes
/// meet (least squares, at most four walls away), so that edges and tips keep a true wall. A mesh
/// thinner than two walls comes out with no or negative volume.
TriangleMesh offsetInward(const TriangleMesh& mesh, double wall_m);

}  // namespace wl
