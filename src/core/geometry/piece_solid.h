// Pieces of a body between V-cut faces across it: exact volume properties and meshes.
#pragma once

#include <optional>

#include "core/geometry/body_curves.h"
#include "core/geometry/mesh.h"

namespace wl {

/// A face right across the body, folded on the centre line: x = x_m + slope |y|. A front face has
/// slope >= 0 (cut back from the centre line), a rear face slope <= 0.
struct FaceAcross {
    double x_m = 0.0;
    double slope = 0.0;
};

/// The part of a body between two faces; an absent face is the body's own end. A slab between two
/// breadths (a sheet of a layered body) may be taken of it.
struct PieceBounds {
    std::optional<FaceAcross> front;
    std::optional<FaceAcross> rear;
    double fromY_m = -1e9;
    double toY_m = 1e9;
};

/// Half the breadth at which the line x = face.x + slope |y| leaves the body (0 where it misses).
double faceHalfWidth(const BodyCurves& curves, const FaceAcross& face);

/// Exact properties of the part of the body within the bounds: section strips (incomplete Beta
/// functions) by Gauss-Legendre between stations, face edges and where a face leaves the side. The
/// body's own sloped nose or tail face and its cup are taken off too. Second moments about the
/// centroid, density 1; products of inertia with y are left out of a slab's.
SolidProperties integratePiece(const BodyCurves& curves, const PieceBounds& bounds);

/// What a joint takes out: between the rear face of one piece and the front face of the next.
SolidProperties integrateJointGap(const BodyCurves& curves, const FaceAcross& rearOfFront,
                                  const FaceAcross& frontOfRear);

/// Closed mesh of the part, scaled to its exact volume. `around` is a multiple of four.
TriangleMesh meshPiece(const BodyCurves& curves, const PieceBounds& bounds, double exactVolume_m3,
                       int lengthwise, int around);

}  // namespace wl
