// Typed measures: exact by the definition of the units (international yard and pound, 1959).
#include <catch2/catch.hpp>
#include <limits>

#include "core/base/quantity.h"

using namespace wl;

static double read(const char* text, Quantity q, Bench b = Bench::Metric) {
    const ReadAmount r = readAmount(text, q, b);
    INFO(text);
    REQUIRE(r.fault == ReadFault::None);
    return r.valueSi;
}

TEST_CASE("a length is read in any unit a maker writes") {
    const double inch = 0.0254;
    CHECK(read("1 3/4\"", Quantity::Length) == Approx(1.75 * inch).epsilon(1e-15));
    CHECK(read("1-3/4 in", Quantity::Length) == Approx(1.75 * inch));
    CHECK(read("3/8", Quantity::Length, Bench::Inch) == Approx(0.375 * inch));
    CHECK(read("1½\"", Quantity::Length) == Approx(1.5 * inch));
    CHECK(read("44.5", Quantity::Length) == Approx(0.0445));
    CHECK(read("44,5 mm", Quantity::Length) == Approx(0.0445));
    CHECK(read("4.45 cm", Quantity::Length) == Approx(0.0445));
    CHECK(read("0.04 in", Quantity::Thickness) == Approx(0.04 * inch));
    CHECK(read("40 thou", Quantity::Thickness) == Approx(0.04 * inch));
    CHECK(read(".5", Quantity::Length) == Approx(0.0005));
    CHECK(read("5 ft 6 in", Quantity::Distance) == Approx(66 * inch));
    CHECK(read("5' 6 1/2\"", Quantity::Distance) == Approx(66.5 * inch));
    CHECK(read("6 ft", Quantity::Distance) == Approx(72 * inch));
    CHECK(read("-3/4 in", Quantity::Length) == Approx(-0.75 * inch));
}

TEST_CASE("masses, densities and temperatures are read in their units") {
    CHECK(read("1.5 oz", Quantity::Mass) == Approx(0.042524246875));
    CHECK(read("650 gr", Quantity::Mass) == Approx(0.04211934215));
    CHECK(read("42 g", Quantity::Mass, Bench::Inch) == Approx(0.042));
    CHECK(read("415 kg/m3", Quantity::Density) == Approx(415.0));
    CHECK(read("0.415", Quantity::Density) == Approx(415.0));
    CHECK(read("68 F", Quantity::Temperature) == Approx(293.15));
    CHECK(read("14", Quantity::Temperature) == Approx(287.15));
    CHECK(read("15 %", Quantity::Fraction) == Approx(0.15));
}

TEST_CASE("what cannot be read is named, and never becomes a number") {
    auto fault = [](const char* text, Quantity q) {
        return readAmount(text, q, Bench::Metric).fault;
    };
    CHECK(fault("", Quantity::Length) == ReadFault::Empty);
    CHECK(fault("   ", Quantity::Length) == ReadFault::Empty);
    CHECK(fault("3 g", Quantity::Length) == ReadFault::WrongUnit);
    CHECK(fault("1/0", Quantity::Length) == ReadFault::DividesByZero);
    for (const char* text : {"nan", "inf", "--4", "1..2", "four", "1 2 3", "mm", "/2"}) {
        INFO(text);
        CHECK(fault(text, Quantity::Length) == ReadFault::NotANumber);
    }
    CHECK(fault(std::string(5000, '9').c_str(), Quantity::Length) == ReadFault::NotANumber);
}

TEST_CASE("what is shown carries its unit and the decimals the measurement deserves") {
    CHECK(formatQuantity(Quantity::Mass, Bench::Metric, 0.01234567) == "12.35\u00A0g");
    CHECK(formatQuantity(Quantity::Mass, Bench::Metric, 0.1234567) == "123.5\u00A0g");
    CHECK(formatQuantity(Quantity::Length, Bench::Inch, 0.0445) == "1.752\u00A0in");
    CHECK(formatQuantity(Quantity::Angle, Bench::Metric, -0.5235987755982988) == "−30.0°");
    CHECK(formatQuantity(Quantity::Length, Bench::Metric, -1e-9) == "0.0\u00A0mm");
    CHECK(formatQuantity(Quantity::Length, Bench::Metric,
                         std::numeric_limits<double>::quiet_NaN()) == "–");
    CHECK(formatQuantity(Quantity::Length, Bench::Metric,
                         std::numeric_limits<double>::infinity()) == "–");
    for (const double mm : {44.5, 0.28, 12.7, 1e-3, 333.3}) {
        CHECK(editText(Quantity::Length, Bench::Metric, mm / 1000) ==
              editText(Quantity::Number, Bench::Metric, mm));
        CHECK(toFile(Quantity::Length, fromFile(Quantity::Length, mm)) == mm);
    }
}

TEST_CASE("inches are read as fractions of a 64th at most, and the value stays") {
    const Bench inch = Bench::Inch.withFractions(true);
    // 24 mm is 60.47 64ths.
    CHECK(fieldText(Quantity::Length, inch, 0.024) == "15/16");
    CHECK(formatQuantity(Quantity::Length, inch, 0.024) == "15/16\u00A0in");
    CHECK(fieldText(Quantity::Length, inch, 0.0254) == "1");
    CHECK(fieldText(Quantity::Length, inch, 0.0254 * 2.515625) == "2 33/64");
    CHECK(formatQuantity(Quantity::Length, inch, -0.00635) == "−1/4\u00A0in");
    CHECK(fieldText(Quantity::Length, inch, 0.0253999) == "1");  // no 64/64
    // What is thinner than a 16th is read in thousandths; films and wire always are.
    CHECK(fieldText(Quantity::Length, inch, 0.001) == "0.0394");
    CHECK(fieldText(Quantity::Thickness, inch, 0.01) == "393.7");
    CHECK(read("28", Quantity::Thickness, inch) == Approx(0.028 * 0.0254));
    CHECK(read("1/16", Quantity::Thickness, inch) == Approx(0.0254 / 16));
    CHECK(readAmount("0.028", Quantity::Thickness, inch).fault == ReadFault::ThousandthsOrInches);
    CHECK(read("0.028 in", Quantity::Thickness, inch) == Approx(0.028 * 0.0254));
    CHECK(fieldText(Quantity::Thickness, inch, 1e-5) == "0.39 thou");
    // To edit it, all its decimals.
    CHECK(read(editText(Quantity::Length, inch, 0.024).c_str(), Quantity::Length, inch) ==
          Approx(0.024).epsilon(1e-6));
    for (int parts = 4; parts < 400; ++parts) {
        const double si = parts / 64.0 * 0.0254;
        CHECK(read(fieldText(Quantity::Length, inch, si).c_str(), Quantity::Length, inch) ==
              Approx(si).epsilon(1e-12));
        CHECK(read(fieldText(Quantity::Length, inch, -si).c_str(), Quantity::Length, inch) ==
              Approx(-si).epsilon(1e-12));
    }
}

TEST_CASE("the maker's own decimal mark is shown and read - what may be thousands is asked back") {
    const Bench comma = Bench::Metric.withMark(',');
    CHECK(formatQuantity(Quantity::Mass, comma, 0.01234) == "12,34\xC2\xA0g");
    CHECK(formatQuantity(Quantity::Length, Bench::Inch.withMark(','), 0.0254) == "1,000\xC2\xA0in");
    CHECK(editText(Quantity::Length, comma, 0.0445) == "44,5");
    CHECK(fieldText(Quantity::Density, comma, 415.5) == "0,4155");
    CHECK(read("44,5", Quantity::Length, comma) == Approx(0.0445));
    CHECK(read("44.5", Quantity::Length, comma) == Approx(0.0445));
    CHECK(read("5 ft 6,5 in", Quantity::Distance, comma) == Approx(66.5 * 0.0254));
    // What a field shows can be read again, whatever the mark.
    for (const Bench bench : {Bench::Metric, Bench::Inch, comma, Bench::Inch.withMark(',')}) {
        for (const double si : {0.001234, 0.0123456, 1.234, 0.5, 12.345}) {
            const std::string text = fieldText(Quantity::Length, bench, si);
            CHECK(read(text.c_str(), Quantity::Length, bench) == Approx(si).epsilon(1e-2));
        }
    }
    auto fault = [](const char* text, Bench bench) {
        return readAmount(text, Quantity::Length, bench).fault;
    };
    for (const char* text : {"1,234", "12,345 mm", "-123,456"}) {
        CHECK(fault(text, Bench::Metric) == ReadFault::Ambiguous);
        CHECK(fault(text, comma) == ReadFault::None);
    }
    CHECK(fault("1.234", comma) == ReadFault::Ambiguous);
    CHECK(fault("1.234", Bench::Metric) == ReadFault::None);
    for (const char* text : {"0,234", "1,23", "1,2345", "1234,5", ",234", "1234,567"}) {
        CHECK(fault(text, Bench::Metric) == ReadFault::None);
    }
    CHECK(fault("5 ft 1,234 in", Bench::Metric) == ReadFault::Ambiguous);
    CHECK(fault("1,234,567", Bench::Metric) == ReadFault::NotANumber);
}
