// A closed outline drawn freely in the side view.
#pragma once

#include <string>
#include <string_view>
#include <vector>

#include "core/base/quantity.h"
#include "core/base/result.h"

namespace wl {

/// A corner, from the place the outline belongs to. The sides between corners are straight.
struct OutlinePoint {
    double aft_m = 0.0;
    double up_m = 0.0;
    bool operator==(const OutlinePoint&) const = default;
};

inline constexpr size_t kMostCorners = 40;
inline constexpr double kFarthestCorner_m = 0.3;

/// "0 0; 12 0; 12 4.5": aft and up of each corner in the bench's lengths, read back by readOutline.
std::string outlineText(const std::vector<OutlinePoint>& outline, Bench bench);

/// The corners written so, in any unit the bench reads; an empty text is no outline. Errors:
/// "outline.not_pairs" (word: what stands there), "outline.corners" (values: found, least, most),
/// "outline.too_far" (values: found, most).
Result<std::vector<OutlinePoint>> readOutline(std::string_view text, Bench bench);

/// An ellipse of `corners` corners, as large as given, round its middle.
std::vector<OutlinePoint> ovalOutline(double length_m, double height_m, int corners = 10);

}  // namespace wl
