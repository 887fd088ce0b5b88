// The part of a section between two breadths or two heights, exactly.
#pragma once

#include "core/geometry/section.h"

namespace wl {

/// Area and area moments of a part of a section about the body axes.
struct StripMoments {
    double area_m2 = 0.0;
    double y_m3 = 0.0;
    double z_m3 = 0.0;
    double yy_m4 = 0.0;
    double zz_m4 = 0.0;

    StripMoments& operator+=(const StripMoments& other);
};

/// Part with y in [from, to], both held within the half-width; from <= to. Incomplete Beta
/// functions (Abramowitz & Stegun 1964, 6.6.1), closed forms for round sections.
StripMoments momentsBetweenBreadths(const Section& section, double fromY_m, double toY_m);

/// Part with z in [from, to], both held between belly and back.
StripMoments momentsBetweenHeights(const Section& section, double fromZ_m, double toZ_m);

/// Part within both, by a 20-point Gauss rule over the breadth (for the few sections where a slab
/// meets a sloped end).
StripMoments momentsWithin(const Section& section, double fromY_m, double toY_m, double fromZ_m,
                           double toZ_m);

/// Half the breadth of the section at height z, 0 above the back and under the belly.
double halfBreadthAt(const Section& section, double z_m);

}  // namespace wl
