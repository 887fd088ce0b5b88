// Backward design as a JSON answer, and in words.
#pragma once

#include "core/aim/joints.h"
#include "core/aim/sizes.h"
#include "io/answers.h"

namespace wl {

/// What a measure and a lever are called in answers: "depth", "lip_angle".
const char* nameOf(AimMeasure what);
const char* nameOf(AimLeverKind kind);

/// Ways to what is wished, best first; where the best misses, what it misses and what else would
/// have to give. `met`: the best way meets every target.
Answer aimAnswer(const Design& design, const AimWish& wish);

/// The same as lines of words, metric.
std::string readableAim(const Answer& answer);

/// The wish at each of some lengths, the best way of each; `designs` has those there are. `met`:
/// all of them meet every target.
Answer sizesAnswer(const Design& design, const AimWish& wish, const std::vector<double>& lengths_m,
                   const Shelf& shelf);
std::string readableSizes(const Answer& answer);

/// Joints cut for a wished walk or beat, best first, at most `most`. `met`: the first is as wished.
Answer jointsAnswer(const Design& design, const JointWish& wish, size_t most);
std::string readableJoints(const Answer& answer);

}  // namespace wl
