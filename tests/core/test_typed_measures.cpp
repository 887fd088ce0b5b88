// Typing, showing and storing measures: whatever is shown can be typed again, on any bench and with
// either mark; whatever is stored comes back.
#include <catch2/catch.hpp>
#include <random>

#include "core/base/decimal.h"
#include "core/base/quantity.h"
#include "core/base/units.h"

using namespace wl;

namespace {

const Quantity kAll[] = {Quantity::Length,   Quantity::Thickness, Quantity::Distance,
                         Quantity::Area,     Quantity::Volume,    Quantity::Mass,
                         Quantity::Density,  Quantity::Angle,     Quantity::Temperature,
                         Quantity::Salinity, Quantity::Speed,     Quantity::Time,
                         Quantity::Fraction, Quantity::Force,     Quantity::Moment,
                         Quantity::Number,   Quantity::Strength};

const Bench kBenches[] = {Bench::Metric, Bench::Inch, Bench::Metric.withMark(','),
                          Bench::Inch.withMark(',')};

}  // namespace

TEST_CASE("what a field shows reads back as the value, for every kind of number on every bench") {
    std::mt19937 random(5);
    std::uniform_real_distribution<double> power(-3, 2), sign(-1, 1);
    for (const Quantity quantity : kAll) {
        for (const Bench bench : kBenches) {
            for (int i = 0; i < 60; ++i) {
                // A value of a size met in that unit.
                const double shown = std::copysign(std::pow(10.0, power(random)), sign(random));
                const bool thin = quantity == Quantity::Thickness && !bench.isMetric();
                const ReadAmount typed = readAmount(decimalText(shown, 6) + (thin ? " thou" : ""),
                                                    quantity, bench.withMark('.'));
                REQUIRE(typed.fault == ReadFault::None);
                const std::string text = editText(quantity, bench, typed.valueSi);
                const ReadAmount back = readAmount(text, quantity, bench);
                INFO(text << " " << int(quantity));
                REQUIRE(back.fault == ReadFault::None);
                const ReadAmount zero = readAmount("0", quantity, bench);
                // Shown to a millionth of the unit.
                const double unit =
                    std::abs(readAmount("1", quantity, bench).valueSi - zero.valueSi);
                CHECK(std::abs(back.valueSi - typed.valueSi) <= 0.51e-6 * unit + 1e-12);
            }
        }
    }
}

TEST_CASE("what is shown with its unit reads back with it, on the other bench as well") {
    std::mt19937 random(6);
    std::uniform_real_distribution<double> size(0.5, 90);
    for (const Quantity quantity : {Quantity::Length, Quantity::Mass, Quantity::Distance,
                                    Quantity::Speed, Quantity::Angle, Quantity::Density}) {
        for (const Bench shownOn : kBenches) {
            for (const Bench readOn : kBenches) {
                if (shownOn.decimalMark() != readOn.decimalMark()) {
                    continue;  // a maker's mark does not change between showing and typing
                }
                for (int i = 0; i < 10; ++i) {
                    const double si =
                        readAmount(decimalText(size(random), 3), quantity, shownOn.withMark('.'))
                            .valueSi;
                    const std::string text = formatQuantity(quantity, shownOn, si);
                    const ReadAmount back = readAmount(text, quantity, readOn);
                    INFO(text);
                    REQUIRE(back.fault == ReadFault::None);
                    CHECK(back.valueSi == Approx(si).epsilon(0.11));
                }
            }
        }
    }
}

TEST_CASE("files give every value back, and never know the bench") {
    std::mt19937 random(7);
    std::uniform_real_distribution<double> power(-5, 3);
    for (const Quantity quantity : kAll) {
        for (int i = 0; i < 200; ++i) {
            const double si = std::pow(10.0, power(random));
            const double file = toFile(quantity, si);
            CHECK(fromFile(quantity, file) == Approx(si).epsilon(1e-10).margin(1e-9));
            // Written once, it is the same for good: a round trip moves nothing.
            CHECK(toFile(quantity, fromFile(quantity, file)) == file);
            CHECK(decimalFrom(decimalText(file, 17)) == file);
        }
    }
}

TEST_CASE("any text at all is read or refused, and never as something that is not finite") {
    std::mt19937 random(8);
    const std::string letters = "0123456789.,+-/'\" eEftinmkgozlb°µ½ ";
    int read = 0;
    for (int i = 0; i < 60000; ++i) {
        std::string text;
        for (int k = int(random() % 9); k >= 0; --k) {
            text += letters[random() % letters.size()];
        }
        const Quantity quantity = kAll[random() % std::size(kAll)];
        const ReadAmount amount = readAmount(text, quantity, kBenches[random() % 4]);
        if (amount.fault == ReadFault::None) {
            ++read;
            INFO(text);
            CHECK(std::isfinite(amount.valueSi));
        }
    }
    CHECK(read > 2000);
}

TEST_CASE("decimals of files and devices: whole text, point only, no language") {
    for (const char* good : {"0", "-1", "+2.5", "1e-3", "1E5", ".5", "5.", "-0.0"}) {
        INFO(good);
        CHECK(decimalFrom(good));
    }
    for (const char* bad : {"", " ", "1,5", "1 ", " 1", "1.2.3", "0x10", "nan", "inf", "1e999",
                            "--1", "+-1", "+", "1e", "1_000", "١"}) {
        INFO(bad);
        CHECK_FALSE(decimalFrom(bad));
    }
    CHECK(decimalText(0.1, 12) == "0.1");
    CHECK(decimalText(1234567.5, 12) == "1234567.5");
    CHECK(decimalText(1e-9, 12) == "1e-09");
    CHECK(fixedDecimalText(-1.005, 2) == "-1.00");
    CHECK(fixedDecimalText(82.4, 0) == "82");
}
