// A short code by which a printed sheet and its design are known for each other.
#pragma once

#include <string>

#include "core/design/design.h"

namespace wl {

/// Eight letters and digits in two groups ("K7F2-9QDM"), none taken for another (no I, L, O, U):
/// of the text the design is written as, so that any change of it gives another code (FNV-1a, 64
/// bits, forty of them shown; Fowler, Noll & Vo 1991, recalled).
std::string designCode(const Design& design);

}  // namespace wl
