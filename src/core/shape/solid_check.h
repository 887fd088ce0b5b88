// Whether an imported surface is a solid, and its slices as stations.
#pragma once

#include <optional>

#include "core/base/result.h"
#include "core/design/body.h"
#include "core/geometry/mesh.h"

namespace wl {

/// Joins vertices nearer than `within_m` and drops triangles that then have no area.
TriangleMesh welded(const TriangleMesh& mesh, double within_m);

/// The mesh ready to be used: outward (turned when it was inside out as a whole), closed, one
/// shell, or hollow shells within it. Errors: "solid.empty", "solid.holes" (values: open edges),
/// "solid.not_manifold" (values: edges shared by more than two faces or run along twice),
/// "solid.nested" (a shell inside another, both outward), "solid.crossing" (shells cut each other),
/// "solid.too_many", "solid.too_many_shells". `turned` tells whether it was inside out. Shells that
/// cut themselves are not looked for.
struct CheckedSolid {
    TriangleMesh mesh;
    bool turned = false;
    int shells = 1;
};
Result<CheckedSolid> checkSolid(const TriangleMesh& mesh);

/// Unit a file without one was likely drawn in, by its longest side: a bait is 15 to 400 mm long.
enum class FileUnit { Millimetre, Centimetre, Inch, Metre };
FileUnit guessUnit(double longestInFileUnits);
double metresPer(FileUnit unit);

/// Turns and shifts the solid so that the nose picked lies at x = 0 on the reference line, the tail
/// aft of it and the back up: x from nose to tail, y to port, z towards the picked back. The mesh
/// is right-handed as files are; a mark on its left is on the left after it. Error:
/// "solid.places_in_line" when the three do not span a plane.
Result<TriangleMesh> oriented(const TriangleMesh& mesh, const Eigen::Vector3d& nose,
                              const Eigen::Vector3d& tail, const Eigen::Vector3d& back);

/// Stations of an oriented solid: slices with the true back, belly, half-width and widest line, and
/// the fullness that gives each slice its true area. Error: "solid.no_slices".
Result<Body> stationsOf(const TriangleMesh& mesh, int count);

}  // namespace wl
