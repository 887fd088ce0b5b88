#include "scale/scale_line.h"

#include <algorithm>
#include <cctype>
#include <cmath>
#include <string>

#include "core/base/decimal.h"
#include "core/base/units.h"

namespace wl {
namespace {

constexpr size_t kMostChars = 80;
constexpr double kTroyOunce = 0.0311034768;  // 480 grains
constexpr double kCarat = 0.0002;
constexpr double kHeaviest_kg = 200.0;

std::optional<double> unitOf(const std::string& word) {
    const std::pair<const char*, double> units[] = {
        {"g", kGram},   {"kg", 1.0},    {"mg", 1e-6},   {"oz", kOunce}, {"ozt", kTroyOunce},
        {"ct", kCarat}, {"gr", kGrain}, {"gn", kGrain}, {"lb", kPound}};
    for (const auto& [name, factor] : units) {
        if (word == name) {
            return factor;
        }
    }
    return std::nullopt;
}

// A comma between digits with no other mark behind it; else it parts the fields of a line.
bool isDecimalComma(const std::string& line, size_t at) {
    const size_t behind = std::min(line.find_first_not_of("0123456789", at + 1), line.size());
    return line[at] == ',' && behind > at + 1 &&
           (behind == line.size() || (line[behind] != '.' && line[behind] != ','));
}

}  // namespace

std::optional<ScaleLine> readScaleLine(std::string_view text) {
    const std::string line(text.substr(0, kMostChars));
    std::string lower;
    for (const char c : line) {
        lower += static_cast<char>(std::tolower(static_cast<unsigned char>(c)));
    }
    std::optional<ScaleLine> found;
    size_t at = 0;
    while (at < lower.size()) {
        const char c = lower[at];
        const bool starts = std::isdigit(static_cast<unsigned char>(c)) != 0 ||
                            ((c == '+' || c == '-' || c == '.') && at + 1 < lower.size());
        if (!starts) {
            ++at;
            continue;
        }
        // A sign may stand apart from its number.
        double sign = 1.0;
        size_t from = at;
        if (c == '+' || c == '-') {
            sign = c == '-' ? -1.0 : 1.0;
            from = lower.find_first_not_of(' ', at + 1);
            if (from == std::string::npos) {
                break;
            }
        }
        size_t to = from;
        while (to < lower.size() &&
               (std::isdigit(static_cast<unsigned char>(lower[to])) != 0 || lower[to] == '.' ||
                (to > from && isDecimalComma(lower, to)))) {
            ++to;
        }
        if (to == from) {
            ++at;
            continue;
        }
        // A scale sold where the comma is the decimal mark may send it.
        std::string digits = lower.substr(from, to - from);
        std::replace(digits.begin(), digits.end(), ',', '.');
        const std::optional<double> value = decimalFrom(digits);
        size_t unitFrom = lower.find_first_not_of(' ', to);
        std::string unit;
        while (unitFrom != std::string::npos && unitFrom < lower.size() &&
               std::isalpha(static_cast<unsigned char>(lower[unitFrom])) != 0) {
            unit += lower[unitFrom++];
        }
        const auto factor = unitOf(unit);
        if (value && factor && std::abs(*value * *factor) < kHeaviest_kg) {
            found = ScaleLine{sign * *value * *factor, false};
        }
        at = to;
    }
    if (found) {
        found->moving =
            line.find('?') != std::string::npos || lower.find("unstable") != std::string::npos;
    }
    return found;
}

}  // namespace wl
