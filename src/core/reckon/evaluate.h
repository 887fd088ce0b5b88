// The one front door: a design in, everything derived out.
#pragma once

#include "core/base/result.h"
#include "core/reckon/derived.h"

namespace wl {

/// Shape, hulls, mass, loads, rest, in that order. Stages of `near` whose inputs are the same are
/// taken over: a change of lead or hooks does not mesh again, one of tie or brief redoes next to
/// nothing. The result is the same bit for bit with and without it, but for how fast it is seen to
/// sink: that is taken over too, and what is wanted to sink is wanted as it will be seen. Errors:
/// those of BodyCurves::build, layOutJoints and makeParts; "stock.weighed_absurd";
/// "internal.numeric".
Result<Derived> evaluate(const Design& design, const Derived* near = nullptr,
                         const Model& model = {});

/// The same bait, seen to sink `times` (over 0) as fast as reckoned; as it was where its wanted mass
/// cannot be found so.
Derived sinkingAsSeen(Derived derived, double times);

/// As evaluate(), but how it rests and falls is taken over from `near`: half the work, for trials
/// whose lead is set so that they rest as `near` does.
Result<Derived> evaluateTow(const Design& design, const Derived& near, const Model& model = {});

}  // namespace wl
