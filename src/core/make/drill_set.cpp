#include "core/make/drill_set.h"

#include <cmath>

namespace wl {

std::optional<DrillBit> nearestBit(const std::vector<DrillBit>& set, double diameter_m) {
    constexpr double kFarthest = 1.0 / 12, kSame_m = 1e-9;
    std::optional<DrillBit> best;
    if (!(diameter_m > 0)) {
        return best;
    }
    for (const DrillBit& bit : set) {
        const double off = std::abs(bit.diameter_m - diameter_m);
        const double least = best ? std::abs(best->diameter_m - diameter_m) : INFINITY;
        const bool nearer = off < least - kSame_m;
        const bool smaller = best && off < least + kSame_m && bit.diameter_m < best->diameter_m;
        if (off <= kFarthest * diameter_m && (nearer || smaller)) {
            best = bit;
        }
    }
    return best;
}

}  // namespace wl
