// A bait as a lit solid.
#pragma once

#include <vector>

#include "core/base/triangle_mesh.h"
#include "core/draw/draw_bait.h"

namespace wl {

/// A closed surface, its triangles counter-clockwise from outside, with what fills it.
struct SolidPart {
    TriangleMesh mesh;
    DrawnLayer layer = DrawnLayer::Body;
    Fill fill = Fill::Stock;
};

/// The pieces, and the lip of a whole bait. Cut at `cutAt_m` over 0: what is aft of it.
std::vector<SolidPart> solidParts(const Design& design, const Derived& derived, double cutAt_m);

/// Unit vectors of the frame the surfaces are in: the paper's right and up, and towards the eye.
struct SolidFrame {
    Eigen::Vector3d right = Eigen::Vector3d::UnitX();
    Eigen::Vector3d up = Eigen::Vector3d::UnitZ();
    Eigen::Vector3d towards = Eigen::Vector3d::UnitY();

    Eigen::Vector2d onPaper_mm(const Eigen::Vector3d& place_m) const {
        return 1000.0 * Eigen::Vector2d(right.dot(place_m), up.dot(place_m));
    }
};

/// The facets that face the eye, farthest first, lit from above over the left shoulder.
Drawing drawSolid(const std::vector<SolidPart>& parts, const SolidFrame& frame);

}  // namespace wl
