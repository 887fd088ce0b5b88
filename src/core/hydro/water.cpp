#include "core/hydro/water.h"

#include <cmath>

#include "core/base/units.h"

namespace wl {
namespace {

double tanakaDensity_kg_m3(double t) {
    constexpr double a1 = -3.983035, a2 = 301.797, a3 = 522528.9, a4 = 69.34881, a5 = 999.974950;
    return a5 * (1 - (t + a1) * (t + a1) * (t + a2) / (a3 * (t + a4)));
}

double eos80SaltTerm_kg_m3(double s, double t) {
    const double a =
        8.24493e-1 + t * (-4.0899e-3 + t * (7.6438e-5 + t * (-8.2467e-7 + t * 5.3875e-9)));
    const double b = -5.72466e-3 + t * (1.0227e-4 - t * 1.6546e-6);
    return s * (a + b * std::sqrt(s) + 4.8314e-4 * s);
}

}  // namespace

double waterDensity_kg_m3(double temperature_K, double salinity) {
    const double t = temperature_K - kZeroCelsius_K;
    return tanakaDensity_kg_m3(t) + eos80SaltTerm_kg_m3(1000 * salinity, 1.00024 * t);
}

double eos80Density_kg_m3(double s, double t) {
    const double pure =
        999.842594 +
        t * (6.793952e-2 +
             t * (-9.095290e-3 + t * (1.001685e-4 + t * (-1.120083e-6 + t * 6.536332e-9))));
    return pure + eos80SaltTerm_kg_m3(s, t);
}

double pureWaterViscosity_Pa_s(double temperature_K, double density_kg_m3) {
    const double T = temperature_K / 647.096;
    const double rho = density_kg_m3 / 322.0;
    const double dilute =
        100 * std::sqrt(T) / (1.67752 + 2.20462 / T + 0.6366564 / (T * T) - 0.241605 / (T * T * T));
    constexpr double H[6][7] = {
        {5.20094e-1, 2.22531e-1, -2.81378e-1, 1.61913e-1, -3.25372e-2, 0, 0},
        {8.50895e-2, 9.99115e-1, -9.06851e-1, 2.57399e-1, 0, 0, 0},
        {-1.08374, 1.88797, -7.72479e-1, 0, 0, 0, 0},
        {-2.89555e-1, 1.26613, -4.89837e-1, 0, 6.98452e-2, 0, -4.35673e-3},
        {0, 0, -2.57040e-1, 0, 0, 8.72102e-3, 0},
        {0, 1.20573e-1, 0, 0, 0, 0, -5.93264e-4}};
    double sum = 0;
    double x = 1;
    for (const auto& row : H) {
        double y = 1;
        for (const double h : row) {
            sum += h * x * y;
            y *= rho - 1;
        }
        x *= 1 / T - 1;
    }
    return 1e-6 * dilute * std::exp(rho * sum);
}

double waterKinematicViscosity_m2_s(double temperature_K, double salinity) {
    const double t = temperature_K - kZeroCelsius_K;
    const double pure = pureWaterViscosity_Pa_s(temperature_K, tanakaDensity_kg_m3(t));
    const double a = 1.541 + 1.998e-2 * t - 9.52e-5 * t * t;
    const double b = 7.974 - 7.561e-2 * t + 4.724e-4 * t * t;
    const double ratio = 1 + a * salinity + b * salinity * salinity;
    return pure * ratio / waterDensity_kg_m3(temperature_K, salinity);
}

}  // namespace wl
