// Rules on what is cut into the body and how it is made.
#pragma once

#include <vector>

#include "core/base/finding.h"
#include "core/reckon/derived.h"

namespace wl {

/// Bores, sockets, slots, grooves, pilot holes, pockets: through the skin, thin walls, into each
/// other.
void checkCuts(const Design& design, const Derived& derived, std::vector<Finding>& out);

/// The chosen way of making the body.
void checkMake(const Design& design, const Derived& derived, std::vector<Finding>& out);

/// Joints and pieces.
void checkJoints(const Design& design, const Derived& derived, std::vector<Finding>& out);

/// What hangs on the outside: fittings, the tie, the lip, and what has no drag in the reckoning
/// yet.
void checkOutside(const Design& design, const Derived& derived, std::vector<Finding>& out);

/// Rattles, lead in pieces, the through-wire, hooks that can catch each other.
void checkParts(const Design& design, const Derived& derived, std::vector<Finding>& out);

/// Findings about weights let in from the side, putty on the skin and clips.
void checkOutlined(const Design& design, const Derived& derived, std::vector<Finding>& out);

/// Findings about cavities in sheets.
void checkCavities(const Design& design, const Derived& derived, std::vector<Finding>& out);

}  // namespace wl
