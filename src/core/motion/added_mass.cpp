#include "core/motion/added_mass.h"

#include <boost/math/special_functions/ellint_rd.hpp>
#include <cmath>

namespace wl {
namespace {

// Lamb's alpha, beta, gamma of the ellipsoid with these half axes.
Eigen::Vector3d lambCoefficients(const Eigen::Vector3d& half) {
    const double volumeTerm = 2.0 / 3.0 * half.prod();
    const auto of = [&](int axis) {
        const double p = half[(axis + 1) % 3], q = half[(axis + 2) % 3], own = half[axis];
        return volumeTerm * boost::math::ellint_rd(p * p, q * q, own * own);
    };
    return {of(0), of(1), of(2)};
}

}  // namespace

Eigen::Vector3d addedMassCoefficients(double length_m, double width_m, double height_m) {
    const Eigen::Array3d a = lambCoefficients({0.5 * length_m, 0.5 * width_m, 0.5 * height_m});
    return a / (2 - a);
}

Eigen::Vector3d addedInertiaCoefficients(double length_m, double width_m, double height_m) {
    const Eigen::Vector3d half(0.5 * length_m, 0.5 * width_m, 0.5 * height_m);
    const Eigen::Vector3d lamb = lambCoefficients(half);
    Eigen::Vector3d k;
    for (int axis = 0; axis < 3; ++axis) {
        const int b = (axis + 1) % 3, c = (axis + 2) % 3;
        const double difference = half[b] * half[b] - half[c] * half[c];
        const double sum = half[b] * half[b] + half[c] * half[c];
        const double steeper = lamb[c] - lamb[b];
        const bool round = std::abs(difference) < 1e-9 * sum;
        k[axis] =
            round ? 0.0
                  : difference * difference * steeper / (sum * (2 * difference - sum * steeper));
    }
    return k;
}

}  // namespace wl
