// What differs between two designs, as a JSON answer.
#pragma once

#include "io/answers.h"

namespace wl {

/// Every field that is not the same in both, in file order, with what each holds (units in the
/// keys) and its words. A field of a list one design has more of has only that design's side.
Answer compareAnswer(const Design& before, const Design& after);

}  // namespace wl
