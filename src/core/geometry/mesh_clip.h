// Closed meshes cut by a plane, with the cut closed again.
#pragma once

#include "core/geometry/mesh.h"

namespace wl {

/// A dish in the cut face: depth at its middle falling as a paraboloid to nothing at `share` of the
/// way to the rim, so that it takes out area x depth x share^2 / 2.
struct Cup {
    double depth_m = 0.0;
    double share = 0.0;
};

/// The part with normal . r <= offset, closed by a fan over each loop of the cut (exact in volume
/// for any loop). `normal` is a unit vector.
TriangleMesh clipMesh(const TriangleMesh& mesh, const Eigen::Vector3d& normal, double offset_m,
                      const Cup& cup = {});

/// The body's mesh without what its sloped nose or tail face takes off, its cup hollowed.
TriangleMesh clippedAtEndFace(const TriangleMesh& mesh, const BodyCurves& curves, bool nose);

/// Scales evenly about the centroid to a wanted volume; a mesh without volume is left alone.
void scaleMeshToVolume(TriangleMesh& mesh, double volume_m3);

}  // namespace wl
