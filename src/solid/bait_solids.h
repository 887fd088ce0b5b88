// The pieces of a bait as solids to print or to machine.
#pragma once

#include <functional>
#include <stop_token>
#include <string>
#include <vector>

#include "core/reckon/evaluate.h"

namespace wl {

/// A solid as it stands in a file: millimetres, right-handed (x aft, y to starboard, z up), its
/// triangles counter-clockwise from outside, so that what is on the left of the bait stays there.
struct FileSolid {
    std::string name;
    TriangleMesh mesh_mm;
};

/// Whole: the pieces and side pieces in their places. Halves: each parted along the middle plane
/// and laid on its cut face, ready to print, port halves first. Mould: see mould_solids.h.
enum class SolidKind { Whole, Halves, Mould };

struct SolidWish {
    SolidKind kind = SolidKind::Whole;
    bool holes = false;  ///< bores, sockets, slots, pockets, pins with their play, chambers
};

using SolidTold = std::function<void(double share)>;

/// The solids of a design. Errors: "solid.cannot_cut" (word: what), "solid.stopped".
Result<std::vector<FileSolid>> baitSolids(const Design& design, const Derived& derived,
                                          const SolidWish& wish, std::stop_token stop = {},
                                          const SolidTold& told = {});

/// A straight tool as a closed mesh in the body frame, begun so far before its mouth; a round one
/// of as many flats as keep its own section's area.
TriangleMesh toolMesh(const CutTool& tool, double before_m, double wider_m = 0.0);

/// A block between two corners.
TriangleMesh blockMesh(const Eigen::Vector3d& low, const Eigen::Vector3d& high);

/// The solid turned about the x axis onto its cut face in the middle plane, which lies at z 0, and
/// set beside the others; mm, file frame. `port`: it lies on that side of the plane.
TriangleMesh laidFlat(const TriangleMesh& mesh_mm, bool port, double aside_mm);

}  // namespace wl
