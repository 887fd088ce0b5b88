// The bits a maker has for a hole of a wanted diameter.
#pragma once

#include <optional>
#include <string>
#include <vector>

namespace wl {

/// One bit of a set, named as it is stamped ("3.5 mm", "9/64 in").
struct DrillBit {
    std::string name;
    double diameter_m = 0.0;
    bool operator==(const DrillBit&) const = default;
};

/// The bit nearest to the diameter; of two equally near the smaller, since a hole can be opened and
/// not closed. None when the set is empty, the diameter is not over 0, or the nearest is more than
/// a twelfth of the diameter off: that hole is not drilled with this set.
std::optional<DrillBit> nearestBit(const std::vector<DrillBit>& set, double diameter_m);

}  // namespace wl
