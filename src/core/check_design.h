// The rules a design is held against: each gives findings with a place, numbers and cures.
#pragma once

#include <vector>

#include "core/evaluate.h"

namespace wl {

/// Rules on shape, stock, parts, holes, lip and rest. `derived` complete but for its findings.
std::vector<Finding> checkDesign(const Design& design, const Derived& derived);

/// Rules on the tow: attitude, line, depth against the brief.
std::vector<Finding> checkRun(const Design& design, const Derived& derived, const Run& run);

}  // namespace wl
