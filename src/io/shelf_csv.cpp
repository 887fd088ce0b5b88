#include <algorithm>

#include "core/base/decimal.h"
#include "io/csv_rows.h"
#include "io/shelf.h"

namespace wl {
namespace {

constexpr size_t kMostBytes = 8u << 20;
constexpr size_t kMostEntries = 20000;
constexpr size_t kMostText = 200;

std::string keyOf(const ShelfField& field) {
    return std::string(field.name) + std::string(fileSuffix(field.quantity));
}

// One line into an entry; what is wrong with it, or nothing.
std::string readCell(ShelfEntry& entry, const std::string& key, const std::string& cell) {
    if (key == "kind") {
        const auto kind = std::find(kShelfKinds.begin(), kShelfKinds.end(), cell);
        if (kind == kShelfKinds.end()) {
            return "kind \"" + cell.substr(0, 40) + "\"";
        }
        entry.kind = static_cast<ShelfKind>(kind - kShelfKinds.begin());
        return {};
    }
    if (key == "name" || key == "source") {
        (key == "name" ? entry.name : entry.source) = cell.substr(0, kMostText);
        return {};
    }
    if (cell.empty()) {
        return {};
    }
    const auto number = decimalFrom(cell);
    if (key == "weighed") {
        entry.weighed = number.value_or(0.0) > 0.5;
        return number ? "" : "weighed";
    }
    for (const ShelfField& field : shelfFields()) {
        if (keyOf(field) == key) {
            const double value = number ? fromFile(field.quantity, *number) : 0.0;
            constexpr double kRounding = 1e-9;
            if (!number || value < field.min * (1 - kRounding) ||
                value > field.max * (1 + kRounding)) {
                return key + " " + cell.substr(0, 40);
            }
            entry.*field.member = value;
        }
    }
    return {};
}

}  // namespace

std::string writeShelfCsv(const std::vector<ShelfEntry>& entries) {
    std::string out = "kind,name";
    for (const ShelfField& field : shelfFields()) {
        out += "," + keyOf(field);
    }
    out += ",weighed,source\n";
    for (const ShelfEntry& e : entries) {
        out += std::string(kShelfKinds[size_t(e.kind)]) + "," + csvCell(e.name);
        for (const ShelfField& field : shelfFields()) {
            out += ",";
            if (const auto& value = e.*field.member) {
                out += decimalText(toFile(field.quantity, *value), 12);
            }
        }
        out += std::string(",") + (e.weighed ? "1" : "") + "," + csvCell(e.source) + "\n";
    }
    return out;
}

Result<std::vector<ShelfEntry>> readShelfCsv(std::string_view text) {
    if (text.size() > kMostBytes) {
        return Error{"file.too_large", "", {}, {}};
    }
    const auto rows = csvRows(text, kMostEntries);
    if (!rows) {
        return Error{"shelf.csv_damaged", "", {}, {}};
    }
    const std::vector<std::string>& header = rows->front();
    for (const std::string& key : header) {
        const bool known =
            key == "kind" || key == "name" || key == "source" || key == "weighed" ||
            std::any_of(shelfFields().begin(), shelfFields().end(),
                        [&](const ShelfField& field) { return keyOf(field) == key; });
        if (!known) {
            return Error{"shelf.csv_header", "", {key.substr(0, 40)}, {}};
        }
    }
    std::vector<ShelfEntry> entries;
    for (size_t i = 1; i < rows->size(); ++i) {
        const std::vector<std::string>& row = (*rows)[i];
        if (row.empty() || (row.size() == 1 && row[0].empty())) {
            continue;
        }
        const std::string line = std::to_string(i + 1);
        if (row.size() > header.size()) {
            return Error{"shelf.csv_line", "", {line, row.back().substr(0, 40)}, {}};
        }
        ShelfEntry entry;
        for (size_t k = 0; k < row.size(); ++k) {
            const std::string wrong = readCell(entry, header[k], row[k]);
            if (!wrong.empty()) {
                return Error{"shelf.csv_line", "", {line, wrong}, {}};
            }
        }
        if (entry.name.empty()) {
            return Error{"shelf.csv_line", "", {line, "name"}, {}};
        }
        entries.push_back(std::move(entry));
    }
    return entries;
}

}  // namespace wl
