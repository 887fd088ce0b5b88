#include "scale/scale_line.h"

#include <cctype>
#include <cmath>
#include <cstdlib>
#include <string>

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
               (std::isdigit(static_cast<unsigned char>(lower[to])) != 0 || lower[to] == '.')) {
            ++to;
        }
        if (to == from) {
            ++at;
            continue;
        }
        char* end = nullptr;
        const std::string digits = lower.substr(from, to - from);
        const double value = sign * std::strtod(digits.c_str(), &end);
        size_t unitFrom = lower.find_first_not_of(' ', to);
        std::string unit;
        while (unitFrom != std::string::npos && unitFrom < lower.size() &&
               std::isalpha(static_cast<unsigned char>(lower[unitFrom])) != 0) {
            unit += lower[unitFrom++];
        }
        const auto factor = unitOf(unit);
        if (*end == '\0' && factor && std::abs(value * *factor) < kHeaviest_kg) {
            found = ScaleLine{value * *factor, false};
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
