// What a bench scale sends, read.
#include <catch2/catch.hpp>
#include <random>

#include "core/base/units.h"
#include "scale/scale_line.h"

using namespace wl;

TEST_CASE("lines of a scale: numbers, units, signs, marks - everything else is nothing") {
    auto grams = [](const char* line) {
        const auto read = readScaleLine(line);
        return read ? read->mass_kg * 1e3 : -999.0;
    };
    CHECK(grams("    +12.34 g") == Approx(12.34));
    CHECK(grams("net  - 0.05 g") == Approx(-0.05));
    CHECK(grams("weight 0.5 oz stable") == Approx(14.174762));
    CHECK(grams("1.2kg") == Approx(1200));
    CHECK(grams("250 mg") == Approx(0.25));
    CHECK(grams("100.0 gr") == Approx(6.479891));
    CHECK(grams("5.00 ct") == Approx(1.0));
    CHECK(grams("0.1 lb") == Approx(45.359237));
    CHECK(grams("No 17   8.25 g") == Approx(8.25));  // the last number with a unit
    CHECK(grams("+ 12,34 g") == Approx(12.34));      // a scale with a decimal comma
    CHECK(grams("ST,GS,+0012.34 g") == Approx(12.34));
    CHECK(grams("01,8.25 g") == Approx(8.25));  // a comma between fields
    CHECK_FALSE(readScaleLine("12.34"));
    CHECK_FALSE(readScaleLine("OVERLOAD"));
    CHECK_FALSE(readScaleLine("12.34 mm"));
    CHECK_FALSE(readScaleLine("999999 kg"));
    CHECK_FALSE(readScaleLine("1.2.3 g"));
    CHECK_FALSE(readScaleLine(""));
    CHECK_FALSE(readScaleLine("-"));
    CHECK(readScaleLine("12.3 g ?")->moving);
    CHECK(readScaleLine("12.3 g unstable")->moving);
    CHECK_FALSE(readScaleLine("12.3 g")->moving);
    std::mt19937 random(3);
    for (int i = 0; i < 20000; ++i) {
        std::string noise(random() % 90, ' ');
        for (char& c : noise) {
            c = char(random() % 256);
        }
        const auto read = readScaleLine(noise);
        CHECK((!read || std::abs(read->mass_kg) < 200.0));
    }
}
