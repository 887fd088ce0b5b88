#include "core/motion/line_strength.h"

#include <algorithm>
#include <array>
#include <cmath>

#include "core/base/units.h"

namespace wl {
namespace {

constexpr double kPoundForce_N = kPound * 9.80665;

struct Sold {
    double strength_lb;
    double diameter_mm;
};

// Common practice, no source.
constexpr std::array<Sold, 10> kNylon{{{2, 0.15},
                                       {4, 0.20},
                                       {6, 0.23},
                                       {8, 0.26},
                                       {10, 0.29},
                                       {12, 0.32},
                                       {17, 0.39},
                                       {20, 0.42},
                                       {30, 0.52},
                                       {40, 0.61}}};
constexpr std::array<Sold, 10> kFluorocarbon{{{2, 0.15},
                                              {4, 0.19},
                                              {6, 0.22},
                                              {8, 0.25},
                                              {10, 0.28},
                                              {12, 0.31},
                                              {15, 0.35},
                                              {20, 0.41},
                                              {30, 0.51},
                                              {40, 0.60}}};
constexpr std::array<Sold, 10> kBraid{{{6, 0.10},
                                       {8, 0.13},
                                       {10, 0.15},
                                       {15, 0.19},
                                       {20, 0.23},
                                       {30, 0.28},
                                       {40, 0.33},
                                       {50, 0.36},
                                       {65, 0.41},
                                       {80, 0.45}}};

const std::array<Sold, 10>& tableOf(LineKind kind) {
    return kind == LineKind::Nylon          ? kNylon
           : kind == LineKind::Fluorocarbon ? kFluorocarbon
                                            : kBraid;
}

// y at x along the logarithms of the table; beyond its ends with `slope`.
double along(const std::array<Sold, 10>& table, double Sold::*xOf, double Sold::*yOf, double x,
             double slope) {
    const Sold& low = table.front();
    const Sold& high = table.back();
    if (x <= low.*xOf || x >= high.*xOf) {
        const Sold& end = x <= low.*xOf ? low : high;
        return end.*yOf * std::pow(x / (end.*xOf), slope);
    }
    const auto above =
        std::find_if(table.begin(), table.end(), [&](const Sold& row) { return row.*xOf > x; });
    const Sold& a = *(above - 1);
    const Sold& b = *above;
    const double share = std::log(x / (a.*xOf)) / std::log(b.*xOf / (a.*xOf));
    return a.*yOf * std::pow(b.*yOf / (a.*yOf), share);
}

}  // namespace

double typicalLineDiameter_m(LineKind kind, double strength_N) {
    return kMillimetre * along(tableOf(kind), &Sold::strength_lb, &Sold::diameter_mm,
                               strength_N / kPoundForce_N, 0.5);
}

double typicalLineStrength_N(LineKind kind, double diameter_m) {
    return kPoundForce_N * along(tableOf(kind), &Sold::diameter_mm, &Sold::strength_lb,
                                 diameter_m / kMillimetre, 2.0);
}

}  // namespace wl
