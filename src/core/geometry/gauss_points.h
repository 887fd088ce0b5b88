// Ten Gauss-Legendre points between each two knots.
#pragma once

#include <boost/math/quadrature/gauss.hpp>
#include <vector>

namespace wl {

/// visit(u, weight) at each; weights add up to the length of the knots' range.
template <class F>
void forEachGaussPoint(const std::vector<double>& knots, F visit) {
    using Rule = boost::math::quadrature::gauss<double, 10>;
    for (size_t i = 0; i + 1 < knots.size(); ++i) {
        const double middle = 0.5 * (knots[i] + knots[i + 1]);
        const double half = 0.5 * (knots[i + 1] - knots[i]);
        for (size_t k = 0; k < Rule::abscissa().size(); ++k) {
            const double offset = half * Rule::abscissa()[k];
            const double weight = half * Rule::weights()[k];
            visit(middle - offset, weight);
            visit(middle + offset, weight);
        }
    }
}

}  // namespace wl
