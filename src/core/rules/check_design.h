// The rules a design is held against: each gives findings with a place, numbers and cures.
#pragma once

#include <vector>

#include "core/base/finding.h"
#include "core/reckon/run.h"

namespace wl {

/// Rules on shape, stock, parts, holes, lip and rest.
std::vector<Finding> checkDesign(const Derived& derived);

/// Rules on the tow: attitude, line, depth against the brief.
std::vector<Finding> checkRun(const Derived& derived, const Run& run);

}  // namespace wl
