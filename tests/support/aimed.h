// What the tests of the aim share.
#pragma once

#include <catch2/catch.hpp>

#include "core/aim/search.h"
#include "support/sample_bait.h"

namespace wl::test {

inline AimBase baseOf(const Design& design) {
    Result<AimBase> base = aimBase(design);
    REQUIRE(base);
    return std::move(base).value();
}

// A steep short lip on a stubby bait of our own, tied on the nose.
inline Design stubby() {
    Design d = demoDesign();
    d.lip.angle_rad = 48 * kDegree;
    d.lip.length_m = 0.016;
    d.lip.width_m = 0.017;
    d.lip.rootWidth_m = 0.011;
    d.tie.place = TiePlace::Body;
    d.tie.x_m = -0.003;
    d.tie.z_m = 0.002;
    return d;
}

inline SoughtTarget about(AimMeasure what, double middle, double share, double weight = 1.0) {
    return {{what, middle * (1 - share), middle * (1 + share), weight, false},
            aimDoubt(what, false)};
}

inline LeverSteps searched(AimSearch& search) {
    search.scan();
    search.spread();
    search.refine();
    return search.descend();
}

inline bool inside(const AimTarget& band, double value) {
    return value >= band.low && value <= band.high;
}

}  // namespace wl::test
