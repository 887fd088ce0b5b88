#include "io/csv_rows.h"

#include <csv.h>

namespace wl {

std::optional<std::vector<std::vector<std::string>>> csvRows(std::string_view text, size_t most) {
    if (text.starts_with("\xEF\xBB\xBF")) {
        text.remove_prefix(3);  // byte order mark of spreadsheets
    }
    csv_parser parser;
    if (csv_init(&parser, CSV_STRICT | CSV_STRICT_FINI) != 0) {
        return std::nullopt;
    }
    using Rows = std::vector<std::vector<std::string>>;
    Rows rows{{}};
    auto onField = [](void* data, size_t size, void* into) {
        static_cast<Rows*>(into)->back().emplace_back(
            data == nullptr ? std::string() : std::string(static_cast<char*>(data), size));
    };
    auto onRow = [](int, void* into) { static_cast<Rows*>(into)->emplace_back(); };
    const bool whole =
        csv_parse(&parser, text.data(), text.size(), onField, onRow, &rows) == text.size() &&
        csv_fini(&parser, onField, onRow, &rows) == 0;
    csv_free(&parser);
    rows.pop_back();
    return whole && !rows.empty() && rows.size() <= most ? std::optional(std::move(rows))
                                                         : std::nullopt;
}

std::string csvCell(const std::string& text) {
    if (text.find_first_of(",\"\r\n") == std::string::npos) {
        return text;
    }
    // The library writes a quote for each end and doubles those inside.
    std::string out(csv_write(nullptr, 0, text.data(), text.size()), '\0');
    csv_write(out.data(), out.size(), text.data(), text.size());
    return out;
}

}  // namespace wl
