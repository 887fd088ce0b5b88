// A reckoned bait as the wobble's equations take it.
#pragma once

#include "core/base/result.h"
#include "core/reckon/run.h"
#include "core/swim/wobble_motion.h"

namespace wl {

/// The bait in the frame of swimming, on as much line as it has at its deepest, its weight as high
/// as a bowl says where one was timed. Errors say why it
/// cannot be reckoned so: "swim.jointed" (a jointed bait without a lip glides or snakes: another
/// model), "swim.lip_out_of_proportion" (words none; values: span, width of the body),
/// "swim.no_mass".
Result<WobbleBody> wobbleBody(const Derived& derived, const Run& run);

/// What a bowl says of the stiffness in roll of a body: rolls a second timed under water, no line
/// on it, against those told. The height of the weight that gives them stands for what was seen.
struct BowlRoll {
    double told_1_s = 0.0;  ///< 0: does not sit upright
    double seen_1_s = 0.0;
    double lower_m = 0.0;  ///< of the weight than reckoned, to roll as seen
    bool refused = false;  ///< under half or over twice the told rolls: another bait or count
};
std::optional<BowlRoll> bowlRoll(const WobbleBody& body, const SwimNotes& notes,
                                 const Model& model);

/// How it is towed level in its run. Errors: "swim.no_trim", "swim.stays_on_top" (value: line
/// angle), "swim.too_slow" (value: speed).
Result<WobbleTow> wobbleTow(const std::optional<Trim>& level, double speed_m_s);

/// The roll couple of weight, lift and line about running straight, N m per radian: over 0 they
/// turn it over, as the pull on a tie under the axis does.
double rollCouple_N_m(const WobbleBody& body, const WobbleTow& tow);

}  // namespace wl
