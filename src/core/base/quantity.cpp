#include <array>
#include <charconv>
#include <cmath>
#include <numeric>

#include "core/base/bench_unit.h"

namespace wl {
namespace {

struct Row {
    Quantity quantity;
    std::string_view suffix;
    BenchUnit metric;
    BenchUnit inch;
};

const std::array<Row, 19> kRows{{
    {Quantity::Length, "_mm", {"mm", kMillimetre, 0, 1}, {"in", kInch, 0, 3}},
    {Quantity::Thickness, "_mm", {"mm", kMillimetre, 0, 3}, {"thou", kThou, 0, 1}},
    {Quantity::Distance, "_m", {"m", 1.0, 0, 1}, {"ft", kFoot, 0, 1}},
    {Quantity::Area, "_cm2", {"cm²", 1e-4, 0, 1}, {"in²", kInch* kInch, 0, 2}},
    {Quantity::Volume, "_cm3", {"cm³", 1e-6, 0, 2}, {"in³", kCubicInch, 0, 3}},
    {Quantity::Mass, "_g", {"g", kGram, 0, 2}, {"oz", kOunce, 0, 3}},
    {Quantity::Density, "_g_cm3", {"g/cm³", 1000.0, 0, 3}, {"g/cm³", 1000.0, 0, 3}},
    {Quantity::Angle, "_deg", {"°", kDegree, 0, 1}, {"°", kDegree, 0, 1}},
    {Quantity::Temperature,
     "_degC",
     {"°C", 1.0, kZeroCelsius_K, 1},
     {"°F", kFahrenheitScale, kFahrenheitZero_K, 1}},
    {Quantity::Salinity, "_g_kg", {"g/kg", 1e-3, 0, 1}, {"g/kg", 1e-3, 0, 1}},
    {Quantity::Speed, "_m_s", {"m/s", 1.0, 0, 2}, {"ft/s", kFoot, 0, 2}},
    {Quantity::Time, "_s", {"s", 1.0, 0, 1}, {"s", 1.0, 0, 1}},
    {Quantity::Hours, "_h", {"h", 3600.0, 0, 1}, {"h", 3600.0, 0, 1}},
    {Quantity::Fraction, "_percent", {"%", 0.01, 0, 1}, {"%", 0.01, 0, 1}},
    {Quantity::Force, "_N", {"N", 1.0, 0, 2}, {"lbf", kPoundForce, 0, 3}},
    {Quantity::Strength, "_kg", {"kg", kKilogramForce, 0, 1}, {"lb", kPoundForce, 0, 0}},
    {Quantity::Moment, "_g_mm", {"g·mm", 1e-6, 0, 1}, {"oz·in", kOunce* kInch, 0, 4}},
    {Quantity::Stiffness, "_MPa", {"MPa", 1e6, 0, 2}, {"MPa", 1e6, 0, 2}},
    {Quantity::Number, "", {"", 1.0, 0, 2}, {"", 1.0, 0, 2}},
}};

const Row& rowOf(Quantity quantity) {
    return kRows[static_cast<size_t>(quantity)];
}

std::string marked(std::string text, Bench bench) {
    if (const size_t at = text.find('.'); at != std::string::npos) {
        text[at] = bench.decimalMark();
    }
    return text;
}

double roundSignificant(double value, int digits) {
    char text[64];
    const auto end =
        std::to_chars(text, text + sizeof text, value, std::chars_format::scientific, digits - 1);
    double rounded = value;
    std::from_chars(text, end.ptr, rounded);
    return rounded;
}

}  // namespace

const BenchUnit& benchUnit(Quantity quantity, Bench bench) {
    return bench.isMetric() ? rowOf(quantity).metric : rowOf(quantity).inch;
}

bool isThinnerThanAny(Quantity quantity, Bench bench, double valueSi) {
    constexpr double kThinnest_m = 0.5 * kThou;
    return quantity == Quantity::Thickness && !bench.isMetric() && valueSi != 0 &&
           std::abs(valueSi) < kThinnest_m;
}

std::string unitLabel(Quantity quantity, Bench bench) {
    return benchUnit(quantity, bench).label;
}

// Empty where a length is not read as a fraction: on a metric bench, under a 16th, or by a maker
// who wants decimals.
static std::string inchFraction(Quantity quantity, Bench bench, double valueSi) {
    constexpr double kLeast_in = 1.0 / 16, kMost_in = 1000;
    const double inches = std::abs(valueSi) / kInch;
    if (quantity != Quantity::Length || bench.isMetric() || !bench.hasFractions() ||
        !(inches > kLeast_in - 1e-9 && inches < kMost_in)) {
        return {};
    }
    const long parts = std::lround(64 * inches);
    const long whole = parts / 64, rest = parts % 64;
    const long common = std::gcd(rest, 64L);
    std::string text = valueSi < 0 ? "-" : "";
    if (whole > 0 || rest == 0) {
        text += std::to_string(whole);
    }
    if (rest > 0) {
        text += (whole > 0 ? " " : "") + std::to_string(rest / common) + "/" +
                std::to_string(64 / common);
    }
    return text;
}

static std::string shortestText(Quantity quantity, Bench bench, double valueSi, int decimals) {
    if (!std::isfinite(valueSi)) {
        return {};
    }
    const BenchUnit& unit = benchUnit(quantity, bench);
    const double power = std::pow(10.0, decimals);
    double shown = roundSignificant((valueSi - unit.offset) / unit.scale, 12);
    shown = std::round(shown * power) / power;
    char text[400];
    const auto end = std::to_chars(text, text + sizeof text, shown == 0.0 ? 0.0 : shown,
                                   std::chars_format::fixed);
    return marked({text, end.ptr}, bench);
}

std::string formatQuantity(Quantity quantity, Bench bench, double valueSi, bool withUnit) {
    if (!std::isfinite(valueSi)) {
        return "–";
    }
    if (quantity == Quantity::Time && withUnit && std::abs(valueSi) >= 120.0) {
        // As one says it: minutes, then hours; to a tenth where it is not whole.
        const bool hours = std::abs(valueSi) >= 7200.0;
        return shortestText(quantity, bench, valueSi / (hours ? 3600.0 : 60.0), 1) +
               (hours ? "\xC2\xA0h" : "\xC2\xA0min");
    }
    const BenchUnit& unit = benchUnit(quantity, bench);
    double shown = (valueSi - unit.offset) / unit.scale;
    int decimals = unit.decimals;
    if (quantity == Quantity::Mass && bench.isMetric() && std::abs(shown) >= 99.995) {
        decimals = 1;
    }
    if (quantity == Quantity::Distance && std::abs(shown) < 1.0) {
        decimals += 1;
    }
    if (std::abs(shown) < 0.5 * std::pow(10.0, -decimals)) {
        shown = 0.0;
    }
    std::string out = inchFraction(quantity, bench, valueSi);
    if (out.empty()) {
        char text[400];
        const auto end =
            std::to_chars(text, text + sizeof text, shown, std::chars_format::fixed, decimals);
        out = marked({text, end.ptr}, bench);
    }
    if (out[0] == '-') {
        out.replace(0, 1, "\xE2\x88\x92");
    }
    if (withUnit && unit.label[0] != '\0') {
        if (quantity != Quantity::Angle) {
            out += "\xC2\xA0";
        }
        out += unit.label;
    }
    return out;
}

// What reads back as it is meant.
static std::string toType(Quantity quantity, Bench bench, double valueSi, int decimals) {
    std::string text = shortestText(quantity, bench, valueSi, decimals);
    if (isThinnerThanAny(quantity, bench, valueSi)) {
        text += std::string(" ") + benchUnit(quantity, bench).label;
    }
    return text;
}

std::string editText(Quantity quantity, Bench bench, double valueSi) {
    return toType(quantity, bench, valueSi, 6);
}

std::string fieldText(Quantity quantity, Bench bench, double valueSi) {
    if (std::string fraction = inchFraction(quantity, bench, valueSi); !fraction.empty()) {
        return fraction;
    }
    // What a line is sold by is never known that closely.
    const int more = quantity == Quantity::Strength ? 0 : bench.isMetric() ? 2 : 1;
    return toType(quantity, bench, valueSi, benchUnit(quantity, bench).decimals + more);
}

std::string_view fileSuffix(Quantity quantity) {
    return rowOf(quantity).suffix;
}

double toFile(Quantity quantity, double valueSi) {
    const BenchUnit& unit = rowOf(quantity).metric;
    const double shown = roundSignificant((valueSi - unit.offset) / unit.scale, 12);
    return std::abs(shown) < 1e-12 ? 0.0 : shown;
}

double fromFile(Quantity quantity, double valueInFileUnit) {
    const BenchUnit& unit = rowOf(quantity).metric;
    return valueInFileUnit * unit.scale + unit.offset;
}

}  // namespace wl
