// The only place with unit conversion factors and physical constants. Exact by definition unless
// said otherwise (international yard and pound agreement, 1959).
#pragma once

#include <numbers>

namespace wl {

inline constexpr double kPi = std::numbers::pi;
inline constexpr double kDegree = kPi / 180.0;
inline constexpr double kMillimetre = 1e-3;
inline constexpr double kCentimetre = 1e-2;
inline constexpr double kInch = 0.0254;
inline constexpr double kFoot = 0.3048;
inline constexpr double kThou = 0.0254e-3;
inline constexpr double kGram = 1e-3;
inline constexpr double kPound = 0.45359237;
inline constexpr double kOunce = kPound / 16.0;
inline constexpr double kGrain = kPound / 7000.0;
inline constexpr double kCubicCentimetre = 1e-6;
inline constexpr double kCubicInch = kInch * kInch * kInch;
inline constexpr double kGramPerCubicCentimetre = 1000.0;

/// Half-width of a reading to its standard uncertainty (a rectangular spread).
inline constexpr double kHalfWidthToStandard = std::numbers::inv_sqrt3;

inline constexpr double kZeroCelsius_K = 273.15;

/// Standard gravity, m/s2 (3rd CGPM, 1901); local g differs by under 0.3 % and drops out of every
/// floating attitude.
inline constexpr double kGravity_m_s2 = 9.80665;

}  // namespace wl
