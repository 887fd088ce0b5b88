// A reckoned bait as the wobble's equations take it.
#pragma once

#include "core/base/result.h"
#include "core/reckon/run.h"
#include "core/swim/wobble_motion.h"

namespace wl {

/// The bait in the frame of swimming, on as much line as it has at its deepest. Errors say why it
/// cannot be reckoned so: "swim.jointed" (a jointed bait without a lip glides or snakes: another
/// model), "swim.lip_out_of_proportion" (words none; values: span, width of the body),
/// "swim.no_mass".
Result<WobbleBody> wobbleBody(const Derived& derived, const Run& run);

/// How it is towed level in its run. Errors: "swim.no_trim", "swim.stays_on_top" (value: line
/// angle), "swim.too_slow" (value: speed).
Result<WobbleTow> wobbleTow(const std::optional<Trim>& level, double speed_m_s);

/// The roll couple of weight, lift and line about running straight, N m per radian: over 0 they
/// turn it over, as the pull on a tie under the axis does.
double rollCouple_N_m(const WobbleBody& body, const WobbleTow& tow);

}  // namespace wl
