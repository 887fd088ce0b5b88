// A closed outline cut into convex parts.
#pragma once

#include <vector>

#include <Eigen/Core>

namespace wl {

/// Area of a closed outline, m2; positive when it runs counter-clockwise.
double outlineArea_m2(const std::vector<Eigen::Vector2d>& outline);

/// Whether a closed outline of three corners or more encloses something and crosses itself nowhere.
bool isSimpleOutline(const std::vector<Eigen::Vector2d>& outline);

/// Convex outlines, counter-clockwise, that together are the given one: ears are cut off and joined
/// again across the diagonals that can go (Meisters 1975; Hertel & Mehlhorn 1983, recalled). Empty
/// when the outline is not simple.
std::vector<std::vector<Eigen::Vector2d>> convexParts(std::vector<Eigen::Vector2d> outline);

/// How far a place lies from the edge of a simple outline, m; under 0 outside it.
double insideBy_m(const std::vector<Eigen::Vector2d>& outline, const Eigen::Vector2d& place);

/// The point of a convex outline (counter-clockwise) nearest to `place`: itself when inside.
Eigen::Vector2d nearestInConvex(const std::vector<Eigen::Vector2d>& corners,
                                const Eigen::Vector2d& place);

}  // namespace wl
