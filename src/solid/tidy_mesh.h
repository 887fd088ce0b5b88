// Meshes without the slivers rounding leaves.
#pragma once

#include "core/base/triangle_mesh.h"

namespace wl {

/// A closed mesh with corners nearer than `least` to each other made one, and triangles lower than
/// that taken away: the edge opposite such a flat corner is turned, so that the mesh stays closed.
/// What cannot be turned without closing it twice stays. `least` in the mesh's own unit.
TriangleMesh tidyMesh(const TriangleMesh& mesh, double least);

}  // namespace wl
