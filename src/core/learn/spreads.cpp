#include "core/learn/spreads.h"

#include <cmath>

namespace wl {

double Spreads::bookLn() const {
    return std::log1p(book);
}

const Spreads& spreadsOf(Learnt quantity) {
    static const std::array<Spreads, kLearntCount> all{{
        {0.35, 0.25, 0.40, 0.35, 0.05, 0.05, 0.05, 0.05},
        {0.50, 0.20, 0.45, 0.35, 0.06, 0.06, 0.06, 0.06},
        {0.30, 0.20, 0.50, 0.30, 0.03, 0.05, 0.02, 0.03},
        {1.50, 0.15, 0.55, 0.30, 0.12, 0.08, 0.08, 0.10},
        {0.40, 0.20, 0.40, 0.40, 0.08, 0.06, 0.06, 0.07},
        {0.25, 0.20, 0.40, 0.40, 0.05, 0.03, 0.03, 0.05},
        {0.45, 0.75, 0.10, 0.15, 0.03, 0.08, 0.08, 0.06},
    }};
    return all[size_t(quantity)];
}

}  // namespace wl
