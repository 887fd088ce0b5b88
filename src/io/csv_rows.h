// Tables of comma-separated values (RFC 4180), by libcsv.
#pragma once

#include <optional>
#include <string>
#include <string_view>
#include <vector>

namespace wl {

/// The rows of a table; nothing where it is damaged, cut short, empty or has more than `most` of
/// them. A byte order mark is passed over.
std::optional<std::vector<std::vector<std::string>>> csvRows(std::string_view text, size_t most);

/// A text as it stands in a cell.
std::string csvCell(const std::string& text);

}  // namespace wl
