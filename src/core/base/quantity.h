// What a number on a screen or in a file measures, and how it is typed, shown and stored.
#pragma once

#include <string>
#include <string_view>

namespace wl {

/// The kinds of number a maker meets. Inside the core every one is SI (fractions 0..1).
enum class Quantity {
    Length,       ///< bench length; mm or in
    Thickness,    ///< films, wire, line; mm or thousandths of an inch
    Distance,     ///< water depth, cast; m or ft
    Area,         ///< cm2 or in2
    Volume,       ///< cm3 or in3
    Mass,         ///< g or oz
    Density,      ///< g/cm3 on both benches
    Angle,        ///< deg
    Temperature,  ///< degC or degF
    Salinity,     ///< g of salt per kg of water
    Speed,        ///< m/s or ft/s
    Time,         ///< s
    Hours,        ///< of work, of drying; h
    Fraction,     ///< percent
    Force,        ///< N or lbf
    Strength,     ///< what a line is sold by: kg or lb of pull
    Moment,       ///< mass moment, g mm or oz in
    Stiffness,    ///< of a material (modulus of elasticity), MPa on both benches
    Number        ///< plain
};

/// How a maker reads and writes numbers on screen and paper: the units fields are shown in (what is
/// typed may use any unit on either bench), the decimal mark, '.' or ',', and whether inches are
/// read as fractions. Files know none of these.
class Bench {
  public:
    static const Bench Metric;  ///< mm, g, m; decimal point
    static const Bench Inch;    ///< in, oz, ft; decimal point, no fractions

    constexpr bool isMetric() const { return metric_; }
    constexpr char decimalMark() const { return mark_; }
    /// The same units with that mark; anything but ',' gives the point.
    constexpr Bench withMark(char mark) const {
        return Bench(metric_, mark == ',' ? ',' : '.', fractions_);
    }
    /// Inches of Length shown to the nearest 64th, reduced ("1 3/8"), from a 16th up; the value
    /// itself stays as it is.
    constexpr bool hasFractions() const { return fractions_; }
    constexpr Bench withFractions(bool on) const { return Bench(metric_, mark_, on); }
    constexpr bool operator==(const Bench&) const = default;

  private:
    constexpr Bench(bool metric, char mark, bool fractions)
        : metric_(metric), mark_(mark), fractions_(fractions) {}
    bool metric_;
    char mark_;
    bool fractions_;
};
inline constexpr Bench Bench::Metric{true, '.', false};
inline constexpr Bench Bench::Inch{false, '.', false};

/// A value with what it measures, SI inside.
struct Amount {
    Quantity quantity = Quantity::Number;
    double value = 0.0;
    bool operator==(const Amount&) const = default;
};

/// A length in metres as a sentence's figure.
inline Amount lengthAmount(double metres) {
    return {Quantity::Length, metres};
}

/// Unit label for the bench, e.g. "mm"; empty for Number.
std::string unitLabel(Quantity quantity, Bench bench);

/// The value in the bench's unit, as the decimals of a bench measurement deserve, with the unit
/// after it when asked. A value that is not finite gives "–", never "nan".
std::string formatQuantity(Quantity quantity, Bench bench, double valueSi, bool withUnit = true);

/// The value in the bench's unit with every digit that was typed (for editing, at most 12
/// significant digits), without the unit.
std::string editText(Quantity quantity, Bench bench, double valueSi);

/// The value as a field shows it: enough decimals for what a bench can measure (two more than
/// formatQuantity on the metric bench, one more in inches), trailing zeros dropped.
std::string fieldText(Quantity quantity, Bench bench, double valueSi);

/// What reading a typed amount can say.
enum class ReadFault {
    None,
    Empty,
    NotANumber,
    WrongUnit,
    DividesByZero,
    Ambiguous,           ///< "1,234": a thousand and more, or a little over one?
    ThousandthsOrInches  ///< a thickness under half a thousandth without its unit
};
struct ReadAmount {
    double valueSi = 0.0;
    ReadFault fault = ReadFault::None;
};

/// Reads what a maker types: decimals with point or comma, fractions ("1 3/4"), feet and inches
/// ("5 ft 6 in"), any unit of that kind; without a unit the bench's own is meant. A mark that is
/// not the bench's own and could part thousands ("1,234" where the point is the decimal mark) is
/// Ambiguous. At most 64 characters are looked at. The result is finite whenever the fault is None.
ReadAmount readAmount(std::string_view text, Quantity quantity, Bench bench);

/// Key ending used in files, e.g. "_mm"; files always use the metric bench unit.
std::string_view fileSuffix(Quantity quantity);

/// Conversion between SI and the file unit. toFile rounds to 12 significant digits, so that a
/// decimal typed by a person survives a round trip unchanged.
double toFile(Quantity quantity, double valueSi);
double fromFile(Quantity quantity, double valueInFileUnit);

}  // namespace wl
