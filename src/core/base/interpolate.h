// Straight-line interpolation in a small table, held at its ends.
#pragma once

#include <array>
#include <cstddef>
#include <utility>

namespace wl {

/// y at x from (x, y) pairs with rising x; the first and last y outside.
template <size_t N>
double interpolate(const std::array<std::pair<double, double>, N>& table, double x) {
    if (x <= table.front().first) {
        return table.front().second;
    }
    for (size_t i = 1; i < N; ++i) {
        if (x <= table[i].first) {
            const auto& [x0, y0] = table[i - 1];
            const auto& [x1, y1] = table[i];
            return y0 + (y1 - y0) * (x - x0) / (x1 - x0);
        }
    }
    return table.back().second;
}

}  // namespace wl
