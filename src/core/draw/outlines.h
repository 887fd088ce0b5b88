// The outlines of a bait's pieces.
#pragma once

#include <vector>

#include "core/draw/drawing.h"
#include "core/reckon/evaluate.h"

namespace wl {

/// Closed outlines of the pieces of the bare body, then of the appendages, in body places (m).
/// Side: the profile on the centre plane; top: the greatest breadth; front: the fullest section.
/// The arms of a V follow each other in one outline that crosses itself: filled by its winding.
std::vector<std::vector<Eigen::Vector3d>> bodyOutlines(const Derived& derived, DrawnView view);

/// The uncut body the same way, as a template of it is sawn: side or top.
std::vector<Eigen::Vector3d> templateOutline(const BodyCurves& curves, DrawnView view);

}  // namespace wl
