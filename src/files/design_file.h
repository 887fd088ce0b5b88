// The design file: JSON with bench units in every key, a format name and a version.
#pragma once

#include <filesystem>
#include <string>
#include <string_view>

#include "core/base/result.h"
#include "core/design/design.h"

namespace wl {

inline constexpr std::string_view kFormatName = "wade-line-design";
inline constexpr int kFormatVersion = 8;
inline constexpr size_t kLargestFileBytes = 32u << 20;

/// The design as file text: two-space JSON, keys in a fixed order, a final newline.
std::string writeDesign(const Design& design);

/// Reads file text of this or an older version. Missing fields keep their defaults. Errors:
/// "file.too_large", "file.not_json" (words: where), "file.not_ours", "file.too_new" (values:
/// found, known), and with the path of the place "file.unknown_key", "file.wrong_type",
/// "file.out_of_range", "file.unknown_choice", "file.bad_solid", "file.too_many", "file.too_few",
/// "file.too_long".
Result<Design> readDesign(std::string_view text);

/// Whole-file reading with errors "file.cannot_open", "file.too_large" and those of readDesign.
Result<Design> loadDesign(const std::filesystem::path& path);

}  // namespace wl
