// Models drawn from the bands of their coefficients.
#pragma once

#include <vector>

#include "core/model/model.h"

namespace wl {

/// The row of a member of Model.
const Coefficient& coefficientOf(double Model::*member);

/// The `index`-th number (0 on) of van der Corput's sequence in a base, in [0, 1): one direction of
/// a Halton set (Halton 1960).
double radicalInverse(int index, int base);

/// The model with each of those coefficients somewhere in its band: the `index`-th (0 on) point of
/// a Halton set (Halton 1960), which fills the bands evenly and is the same every time.
Model drawnIn(Model model, const std::vector<const Coefficient*>& which, int index);

}  // namespace wl
