// The parts of a report that say what a bait is: body, stock, masses, surfaces, joints.
#pragma once

#include "core/reckon/derived.h"
#include "io/json_answer.h"

namespace wl {

AnswerJson bodyJson(const Derived& derived);  ///< sizes, volumes, areas, inertia
AnswerJson stockJson(
    const Derived& derived);  ///< density and what drawing and scale say of the body
/// Every surface beside the skin's own, lengths in mm; unit vectors as three numbers.
AnswerJson surfacesJson(const std::vector<Surface>& surfaces);
/// Every mass with its origin and place, what the scale should read, and each piece by itself.
AnswerJson massJson(const Derived& derived);
AnswerJson jointsJson(const Design& design,
                      const Derived& derived);  ///< as cut, with their opening

}  // namespace wl
