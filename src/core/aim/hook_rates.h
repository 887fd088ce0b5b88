// One lead that gives three hook sets three sink rates.
#pragma once

#include <stop_token>
#include <vector>

#include "core/plan/plan_lead.h"
#include "core/reckon/what_if.h"
#include "core/tank/hook_swaps.h"

namespace wl {

/// One wanted rate and the hooks that come nearest to it.
struct RatedHooks {
    double wanted_m_s = 0.0;
    std::vector<Fitting> hooks;  ///< at each place, nose first
    double speed_m_s = 0.0;      ///< by the full reckoning, as it will be seen
    double pitch_rad = 0.0;
    double tilt_rad = 0.0;  ///< off the attitude the brief wants
    bool clear = false;     ///< hooks keep off one another
    bool level = false;     ///< within 10 degrees of that attitude
    bool met = false;       ///< within a fifth of the rate, or 1 cm/s, clear and level
    Design design;          ///< the bait with that lead and those hooks
};

/// One lead, and a hook set for each rate.
struct HookRates {
    std::vector<RatedHooks> rates;  ///< in the order asked
    double lead_kg = 0.0;
    double more_kg = 0.0;  ///< than drawn
    bool met = false;      ///< every rate
};

/// Sets of `shelf` whose weights stand as far apart as the rates ask, and the lead that puts them
/// there: every set's need is told from one let go with other lead, the six leads that miss least
/// are planned for the middle rate and every set is let go anew; the best by its worst miss, a tilt
/// of a radian counted as a speed wholly missed. The
/// attitude is the brief's with the middle set on. Errors: "plan.stopped"; "hooks.none" (no hook on
/// the bait, or none on the shelf); "aim.rates" (not all of them over 0); those of planLead.
/// `sinkSeen`: sink rates seen by those reckoned, as a log has it; rates asked for are those seen.
Result<HookRates> hooksForRates(const Design& design, const std::vector<Fitting>& shelf,
                                const std::vector<double>& rates_m_s, std::stop_token stop = {},
                                const Told& told = {}, double sinkSeen = 1.0);

}  // namespace wl
