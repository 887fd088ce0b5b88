// Stations from outlines traced on a picture or read from a drawing.
#pragma once

#include <optional>
#include <vector>

#include <Eigen/Core>

#include "core/base/result.h"
#include "core/design/body.h"

namespace wl {

/// Side-view places of a trace in the body frame (x aft, z up, m), from its scale and axis. Errors:
/// "trace.no_scale", "trace.no_axis", "trace.too_few" (three points of back and of belly at least).
struct TracedProfile {
    double length_m = 0.0;
    std::vector<Eigen::Vector2d> back;  ///< sorted by x, ends on the axis
    std::vector<Eigen::Vector2d> belly;
};
Result<TracedProfile> profileOf(const Trace& trace);

/// Back and belly of a closed outline drawn at any size and place, nose at its smaller x (y down as
/// in drawings), scaled to a length. Error: "trace.too_few".
Result<TracedProfile> profileOfOutline(const std::vector<Eigen::Vector2d>& outline,
                                       double length_m);

/// Body with the profile's back and belly at `count` stations, closer at the ends; half-widths and
/// sections follow the old body's at the same share of its length, its width kept in proportion to
/// its height.
Body bodyFromProfile(const TracedProfile& profile, const Body& like, int count);

/// Where a body-frame place (x, z) of the side view lies on the picture, and back. Nothing without
/// scale or axis.
std::optional<PicturePoint> onPicture(const Trace& trace, const Eigen::Vector2d& place_m);
std::optional<Eigen::Vector2d> onBody(const Trace& trace, const PicturePoint& point);

}  // namespace wl
