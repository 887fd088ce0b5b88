// What was measured comes before what is typical.
#pragma once

#include <string>
#include <vector>

#include "core/design/design.h"

namespace wl {

/// A field that was turned to what was just measured: its path ("/pieces/0/stock/density_from",
/// "/pieces/1/stock/trust") and what it was before, as withField takes it.
struct MeasuredTaken {
    std::string path;
    double was = 0.0;
    bool operator==(const MeasuredTaken&) const = default;
};

/// Turns `next` to what it measures that `before` did not: a sample block or round blank filled in
/// (its mass and a side no longer those of a new design) gives the density, where that came from
/// the shelf; a body weighed for the first time gives the mass, and its density is kept where that
/// was measured too, the drawn volume where not. A field that `next` changes by itself is left.
std::vector<MeasuredTaken> takeMeasured(const Design& before, Design& next);

}  // namespace wl
