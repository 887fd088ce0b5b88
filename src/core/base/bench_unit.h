// Units of the bench, for what shows amounts and what reads them.
#pragma once

#include "core/base/quantity.h"
#include "core/base/units.h"

namespace wl {

inline constexpr double kFahrenheitScale = 5.0 / 9.0;
inline constexpr double kFahrenheitZero_K = kZeroCelsius_K - 32.0 * kFahrenheitScale;
inline constexpr double kKilogramForce = 9.80665;
inline constexpr double kPoundForce = kPound * kKilogramForce;

/// One unit: its label, the SI value of one and of none of it, decimals it is shown with.
struct BenchUnit {
    const char* label;
    double scale;
    double offset;
    int decimals;
};
const BenchUnit& benchUnit(Quantity quantity, Bench bench);

/// A thickness under half a thousandth of an inch on an inch bench: nothing on a bench is so thin;
/// typed without its unit, inches are meant out of habit.
bool isThinnerThanAny(Quantity quantity, Bench bench, double valueSi);

}  // namespace wl
