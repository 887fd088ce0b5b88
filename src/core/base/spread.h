// A figure and how sure it is.
#pragma once

#include <algorithm>

namespace wl {

/// Low, middle and high of a figure.
struct Spread {
    double low = 0.0;
    double middle = 0.0;
    double high = 0.0;
    void take(double value) {
        low = std::min(low, value);
        high = std::max(high, value);
    }
    bool operator==(const Spread&) const = default;
};

/// All of it times a factor over 0.
inline Spread operator*(double times, const Spread& spread) {
    return {times * spread.low, times * spread.middle, times * spread.high};
}

}  // namespace wl
