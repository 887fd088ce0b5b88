#include "core/learn/mixture.h"

#include <algorithm>
#include <cmath>
#include <cstdint>
#include <numbers>

#include <boost/math/tools/toms748_solve.hpp>

namespace wl {

double normalBelow(double z) {
    return 0.5 * std::erfc(-z / std::numbers::sqrt2);
}

double Mixture::below(double x) const {
    double sum = 0;
    for (size_t i = 0; i < weight.size(); ++i) {
        sum += weight[i] * normalBelow((x - mean[i]) / std::sqrt(variance[i]));
    }
    return sum;
}

double Mixture::mean_() const {
    double sum = 0;
    for (size_t i = 0; i < weight.size(); ++i) {
        sum += weight[i] * mean[i];
    }
    return sum;
}

double Mixture::sd() const {
    const double middle = mean_();
    double sum = 0;
    for (size_t i = 0; i < weight.size(); ++i) {
        sum += weight[i] * (variance[i] + (mean[i] - middle) * (mean[i] - middle));
    }
    return std::sqrt(sum);
}

double Mixture::quantile(double share) const {
    if (weight.empty()) {
        return 0;
    }
    std::vector<double> spread(weight.size());
    double low = 1e9, high = -1e9;
    for (size_t i = 0; i < weight.size(); ++i) {
        spread[i] = std::sqrt(variance[i]);
        low = std::min(low, mean[i] - 12 * spread[i]);
        high = std::max(high, mean[i] + 12 * spread[i]);
    }
    const auto over = [&](double x) {
        double sum = -share;
        for (size_t i = 0; i < weight.size(); ++i) {
            sum += weight[i] * normalBelow((x - mean[i]) / spread[i]);
        }
        return sum;
    };
    const double atLow = over(low), atHigh = over(high);
    if (!(atLow < 0 && atHigh > 0)) {
        return atLow >= 0 ? low : high;
    }
    const auto close = [](double a, double b) { return b - a <= 1e-13 * (1 + std::abs(a)); };
    std::uintmax_t most = 100;
    const auto [below, above] =
        boost::math::tools::toms748_solve(over, low, high, atLow, atHigh, close, most);
    return 0.5 * (below + above);
}

}  // namespace wl
