// Limits that several fields and readers share.
#pragma once

#include <cstddef>

namespace wl {

inline constexpr size_t kNameBytes = 200;
inline constexpr size_t kNotesBytes = 20000;
inline constexpr size_t kMostTriangles = 400000;
inline constexpr size_t kMostPictureBytes = 8u << 20;
inline constexpr size_t kMostPieces = 5;
inline constexpr double kLongestBait_m = 0.6;
inline constexpr double kHeaviestBait_kg = 5.0;

}  // namespace wl
