#include "core/shape/section_family.h"

#include <cmath>

namespace wl {
namespace {

// Fullness above, below, and how high the widest line stands (share of the depth from the belly).
struct Recipe {
    double above, below, widest;
};

Recipe recipeOf(SectionFamily family) {
    switch (family) {
        case SectionFamily::Wedge:
            return {2.2, 1.2, 0.68};
        case SectionFamily::FlatBelly:
            return {2.0, 6.0, 0.35};
        case SectionFamily::SlabSided:
            return {6.0, 6.0, 0.5};
        default:
            return {2.0, 2.0, 0.5};
    }
}

bool near(double a, double b, double within) {
    return std::abs(a - b) <= within;
}

}  // namespace

SectionFamily familyOf(const Station& s) {
    const double half = 0.5 * (s.back_m - s.belly_m), middle = 0.5 * (s.back_m + s.belly_m);
    if (near(s.fullnessAbove, 2, 0.05) && near(s.fullnessBelow, 2, 0.05)) {
        const bool round =
            near(s.halfWidth_m, half, 1e-5 + 0.01 * half) && near(s.widest_m, middle, 1e-5);
        return round ? SectionFamily::Round : SectionFamily::Oval;
    }
    if (s.fullnessBelow <= 1.5 && s.fullnessAbove >= 1.8) {
        return SectionFamily::Wedge;
    }
    if (s.fullnessBelow >= 4 && s.fullnessAbove < 4) {
        return SectionFamily::FlatBelly;
    }
    if (s.fullnessBelow >= 4 && s.fullnessAbove >= 4) {
        return SectionFamily::SlabSided;
    }
    return SectionFamily::Own;
}

Station withFamily(const Station& station, SectionFamily family) {
    Station s = station;
    if (family == SectionFamily::Own) {
        return s;
    }
    const Recipe r = recipeOf(family);
    s.fullnessAbove = r.above;
    s.fullnessBelow = r.below;
    s.widest_m = s.belly_m + r.widest * (s.back_m - s.belly_m);
    if (family == SectionFamily::Round) {
        s.halfWidth_m = 0.5 * (s.back_m - s.belly_m);
    }
    return s;
}

}  // namespace wl
