#include "core/base/quantity.h"

#include <array>
#include <cctype>
#include <charconv>
#include <cmath>
#include <numeric>
#include <regex>
#include <vector>

#include "core/base/units.h"

namespace wl {
namespace {

struct Unit {
    const char* label;
    double scale;   // SI value of one unit
    double offset;  // SI value of zero units
    int decimals;
};

struct Row {
    Quantity quantity;
    std::string_view suffix;
    Unit metric;
    Unit inch;
};

constexpr double kFahrenheitScale = 5.0 / 9.0;
constexpr double kFahrenheitZero_K = kZeroCelsius_K - 32.0 * kFahrenheitScale;
constexpr double kKilogramForce = 9.80665;
constexpr double kPoundForce = kPound * kKilogramForce;

const std::array<Row, 18> kRows{{
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

const Unit& unitOf(Quantity quantity, Bench bench) {
    return bench.isMetric() ? rowOf(quantity).metric : rowOf(quantity).inch;
}

struct TypedUnit {
    Quantity quantity;
    const char* text;
    double scale;
    double offset;
};

const std::vector<TypedUnit>& typedUnits() {
    static const std::vector<TypedUnit> table = {
        {Quantity::Length, "mm", kMillimetre, 0},
        {Quantity::Length, "cm", kCentimetre, 0},
        {Quantity::Length, "m", 1.0, 0},
        {Quantity::Length, "um", 1e-6, 0},
        {Quantity::Length, "in", kInch, 0},
        {Quantity::Length, "inch", kInch, 0},
        {Quantity::Length, "inches", kInch, 0},
        {Quantity::Length, "\"", kInch, 0},
        {Quantity::Length, "''", kInch, 0},
        {Quantity::Length, "ft", kFoot, 0},
        {Quantity::Length, "'", kFoot, 0},
        {Quantity::Length, "thou", kThou, 0},
        {Quantity::Length, "mil", kThou, 0},
        {Quantity::Area, "cm2", 1e-4, 0},
        {Quantity::Area, "mm2", 1e-6, 0},
        {Quantity::Area, "in2", kInch * kInch, 0},
        {Quantity::Volume, "cm3", kCubicCentimetre, 0},
        {Quantity::Volume, "cc", kCubicCentimetre, 0},
        {Quantity::Volume, "ml", kCubicCentimetre, 0},
        {Quantity::Volume, "in3", kCubicInch, 0},
        {Quantity::Mass, "g", kGram, 0},
        {Quantity::Mass, "mg", 1e-6, 0},
        {Quantity::Mass, "kg", 1.0, 0},
        {Quantity::Mass, "oz", kOunce, 0},
        {Quantity::Mass, "lb", kPound, 0},
        {Quantity::Mass, "gr", kGrain, 0},
        {Quantity::Density, "g/cm3", 1000.0, 0},
        {Quantity::Density, "g/cm³", 1000.0, 0},
        {Quantity::Density, "g/cc", 1000.0, 0},
        {Quantity::Density, "g/ml", 1000.0, 0},
        {Quantity::Density, "kg/m3", 1.0, 0},
        {Quantity::Density, "kg/m³", 1.0, 0},
        {Quantity::Density, "lb/ft3", kPound / (kFoot * kFoot * kFoot), 0},
        {Quantity::Angle, "deg", kDegree, 0},
        {Quantity::Angle, "°", kDegree, 0},
        {Quantity::Angle, "rad", 1.0, 0},
        {Quantity::Temperature, "c", 1.0, kZeroCelsius_K},
        {Quantity::Temperature, "°c", 1.0, kZeroCelsius_K},
        {Quantity::Temperature, "degc", 1.0, kZeroCelsius_K},
        {Quantity::Temperature, "f", kFahrenheitScale, kFahrenheitZero_K},
        {Quantity::Temperature, "°f", kFahrenheitScale, kFahrenheitZero_K},
        {Quantity::Temperature, "degf", kFahrenheitScale, kFahrenheitZero_K},
        {Quantity::Salinity, "g/kg", 1e-3, 0},
        {Quantity::Salinity, "ppt", 1e-3, 0},
        {Quantity::Salinity, "%", 1e-2, 0},
        {Quantity::Speed, "m/s", 1.0, 0},
        {Quantity::Speed, "cm/s", 1e-2, 0},
        {Quantity::Speed, "km/h", 1.0 / 3.6, 0},
        {Quantity::Speed, "ft/s", kFoot, 0},
        {Quantity::Speed, "mph", 5280.0 * kFoot / 3600.0, 0},
        {Quantity::Speed, "kn", 1852.0 / 3600.0, 0},
        {Quantity::Time, "s", 1.0, 0},
        {Quantity::Time, "sec", 1.0, 0},
        {Quantity::Time, "min", 60.0, 0},
        {Quantity::Fraction, "%", 0.01, 0},
        {Quantity::Force, "n", 1.0, 0},
        {Quantity::Strength, "kg", kKilogramForce, 0},
        {Quantity::Strength, "lb", kPoundForce, 0},
        {Quantity::Strength, "lbs", kPoundForce, 0},
        {Quantity::Strength, "#", kPoundForce, 0},
        {Quantity::Strength, "n", 1.0, 0},
        {Quantity::Moment, "g·mm", 1e-6, 0},
        {Quantity::Stiffness, "mpa", 1e6, 0},
        {Quantity::Stiffness, "gpa", 1e9, 0},
    };
    return table;
}

Quantity unitFamily(Quantity quantity) {
    return quantity == Quantity::Thickness || quantity == Quantity::Distance ? Quantity::Length
                                                                             : quantity;
}

bool readDecimal(std::string text, double& value) {
    for (char& c : text) {
        if (c == ',') {
            c = '.';
        }
    }
    const char* first = text.data();
    if (*first == '+') {
        ++first;
    }
    const auto read = std::from_chars(first, text.data() + text.size(), value);
    return read.ec == std::errc() && read.ptr == text.data() + text.size() && std::isfinite(value);
}

double wholeNumber(const std::string& digits) {
    long number = 0;
    std::from_chars(digits.data(), digits.data() + digits.size(), number);
    return double(number);
}

// The mark that is not the maker's own, between one to three digits (no leading zero) and exactly
// three: "1,234" is a thousand and more to one reader and a little over one to another.
bool mayPartThousands(std::string_view digits, char decimalMark) {
    if (!digits.empty() && (digits.front() == '-' || digits.front() == '+')) {
        digits.remove_prefix(1);
    }
    const size_t at = digits.find(decimalMark == ',' ? '.' : ',');
    return at != std::string_view::npos && at >= 1 && at <= 3 && digits.front() != '0' &&
           digits.size() - at - 1 == 3 &&
           digits.find_first_not_of("0123456789", at + 1) == std::string_view::npos;
}

std::string marked(std::string text, Bench bench) {
    if (const size_t at = text.find('.'); at != std::string::npos) {
        text[at] = bench.decimalMark();
    }
    return text;
}

std::string tidied(std::string_view text) {
    std::string out;
    for (char c : text.substr(0, 64)) {
        const auto byte = static_cast<unsigned char>(c);
        out += byte < 0x80 ? static_cast<char>(std::tolower(byte)) : c;
    }
    auto replaceAll = [&out](std::string_view from, std::string_view to) {
        for (size_t at = out.find(from); at != std::string::npos; at = out.find(from, at)) {
            out.replace(at, from.size(), to);
        }
    };
    replaceAll("\xE2\x80\xB3", "\"");  // double prime
    replaceAll("\xE2\x80\x9D", "\"");  // closing quote
    replaceAll("\xE2\x80\xB2", "'");   // prime
    replaceAll("\xE2\x80\x99", "'");   // apostrophe
    replaceAll("\xE2\x88\x92", "-");   // minus sign
    replaceAll("\xC2\xA0", " ");       // no-break space
    replaceAll("\xC2\xBD", " 1/2");
    replaceAll("\xC2\xBC", " 1/4");
    replaceAll("\xC2\xBE", " 3/4");
    const size_t first = out.find_first_not_of(" \t");
    const size_t last = out.find_last_not_of(" \t");
    return first == std::string::npos ? std::string() : out.substr(first, last - first + 1);
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

std::string unitLabel(Quantity quantity, Bench bench) {
    return unitOf(quantity, bench).label;
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
    const Unit& unit = unitOf(quantity, bench);
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
    const Unit& unit = unitOf(quantity, bench);
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

// Nothing on a bench is so thin: typed without its unit, inches out of habit.
static bool isThinnerThanAny(Quantity quantity, Bench bench, double valueSi) {
    constexpr double kThinnest_m = 0.5 * kThou;
    return quantity == Quantity::Thickness && !bench.isMetric() && valueSi != 0 &&
           std::abs(valueSi) < kThinnest_m;
}

// What reads back as it is meant.
static std::string toType(Quantity quantity, Bench bench, double valueSi, int decimals) {
    std::string text = shortestText(quantity, bench, valueSi, decimals);
    if (isThinnerThanAny(quantity, bench, valueSi)) {
        text += std::string(" ") + unitOf(quantity, bench).label;
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
    return toType(quantity, bench, valueSi, unitOf(quantity, bench).decimals + more);
}

ReadAmount readAmount(std::string_view typed, Quantity quantity, Bench bench) {
    const std::string text = tidied(typed);
    if (text.empty()) {
        return {0.0, ReadFault::Empty};
    }
    const Quantity family = unitFamily(quantity);
    std::smatch match;

    static const std::regex feetAndInches(R"(^(\d{1,6})\s*(?:ft|')\s*(\d.*)$)");
    if (family == Quantity::Length && std::regex_match(text, match, feetAndInches)) {
        const ReadAmount inches =
            readAmount(match[2].str(), Quantity::Length, Bench::Inch.withMark(bench.decimalMark()));
        if (inches.fault == ReadFault::None) {
            return {wholeNumber(match[1].str()) * kFoot + inches.valueSi, ReadFault::None};
        }
        return inches;
    }

    static const std::regex fraction(
        R"(^([+-]?)\s*(?:(\d{1,6})[\s-]+)?(\d{1,6})\s*/\s*(\d{1,6})\s*([^\d\s].*)?$)");
    static const std::regex decimal(
        R"(^([+-]?(?:\d{1,12}(?:[.,]\d{0,12})?|[.,]\d{1,12})(?:e[+-]?\d{1,2})?)\s*([^\d\s.,].*)?$)");
    double number = 0.0;
    std::string unitText;
    if (std::regex_match(text, match, fraction)) {
        const double whole = match[2].matched ? wholeNumber(match[2].str()) : 0.0;
        const double over = wholeNumber(match[4].str());
        if (over == 0.0) {
            return {0.0, ReadFault::DividesByZero};
        }
        number = whole + wholeNumber(match[3].str()) / over;
        if (match[1].str() == "-") {
            number = -number;
        }
        unitText = match[5].str();
        if (unitText.empty() && quantity == Quantity::Thickness && !bench.isMetric()) {
            unitText = "in";  // no one means a share of a thousandth
        }
    } else if (std::regex_match(text, match, decimal)) {
        std::string digits = match[1].str();
        if (mayPartThousands(digits, bench.decimalMark())) {
            return {0.0, ReadFault::Ambiguous};
        }
        if (digits.back() == '.' || digits.back() == ',') {
            digits.pop_back();
        }
        if (!readDecimal(digits, number)) {
            return {0.0, ReadFault::NotANumber};
        }
        unitText = match[2].str();
    } else {
        return {0.0, ReadFault::NotANumber};
    }

    if (unitText.empty()) {
        const Unit& unit = unitOf(quantity, bench);
        const double value = number * unit.scale + unit.offset;
        return isThinnerThanAny(quantity, bench, value)
                   ? ReadAmount{0.0, ReadFault::ThousandthsOrInches}
                   : ReadAmount{value, ReadFault::None};
    }
    for (const TypedUnit& unit : typedUnits()) {
        if (unit.quantity == family && unitText == unit.text) {
            return {number * unit.scale + unit.offset, ReadFault::None};
        }
    }
    return {0.0, ReadFault::WrongUnit};
}

std::string_view fileSuffix(Quantity quantity) {
    return rowOf(quantity).suffix;
}

double toFile(Quantity quantity, double valueSi) {
    const Unit& unit = rowOf(quantity).metric;
    const double shown = roundSignificant((valueSi - unit.offset) / unit.scale, 12);
    return std::abs(shown) < 1e-12 ? 0.0 : shown;
}

double fromFile(Quantity quantity, double valueInFileUnit) {
    const Unit& unit = rowOf(quantity).metric;
    return valueInFileUnit * unit.scale + unit.offset;
}

}  // namespace wl
