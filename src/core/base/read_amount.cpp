#include <cctype>
#include <charconv>
#include <cmath>
#include <regex>
#include <vector>

#include "core/base/bench_unit.h"

namespace wl {
namespace {

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
        {Quantity::Volume, "l", 1000 * kCubicCentimetre, 0},
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
        {Quantity::Time, "h", 3600.0, 0},
        {Quantity::Time, "d", 86400.0, 0},
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
           : quantity == Quantity::Hours                                     ? Quantity::Time
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

}  // namespace

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
        const BenchUnit& unit = benchUnit(quantity, bench);
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

}  // namespace wl
