// One bait tried in place of the drawn one, by a quicker chain than the full reckoning.
#pragma once

#include <stop_token>
#include <vector>

#include "core/aim/wish.h"
#include "core/base/result.h"
#include "core/base/units.h"
#include "core/plan/plan_lead.h"

namespace wl {

/// The drawn bait with its lead planned, and what a trial takes over from it.
struct AimBase {
    Design drawn;
    LeadPlan plan;
    Model model;
    FilmFactors film;
    bool filmed = false;       ///< its film counts
    bool swims = false;        ///< as drawn it has action: what is aimed at shall have it too
    bool trustedSwim = false;  ///< and the model is sure of its rhythm
    bool settledOnly = false;  ///< a trial whose roll under way is not settled breaks a rule
    bool planMet = false;      ///< the drawn bores take the lead for the brief
};

/// Whether a plan reaches mass and attitude.
bool isMet(const LeadPlan& plan);

/// Errors: those of planLead.
Result<AimBase> aimBase(const Design& design, const Model& model = {}, std::stop_token stop = {},
                        double sinkSeen = 1.0);

/// What comes of a trial, or what is wrong with it.
struct AimTrial {
    enum class Fault {
        None,
        NotReckoned,  ///< cannot be drawn or reckoned so
        NoDepth,      ///< does not dive, or no depth can be told
        LeadShort,    ///< the bores do not take the lead
        NoAction,     ///< does not swim, as the drawn one does
        NotSettled,   ///< its roll under way grows or is not settled, where that is asked for
        NotTrusted    ///< swings by a rhythm of which the model is not sure, or hangs on end
    };
    AimValues values;
    Fault fault = Fault::None;
    double faultSize = 0.0;  ///< how far from well, 0 to some 10: keeps a slope for the search
};

/// The bait with those levers, its lead set for the brief by the foremost and the aftmost bore
/// alone, pulled in by the coarse retrieve, its swim by the middle curve of the wake: depth within
/// 1 % of the full chain. Two threads may try at once. `swim`: beats and swing are asked for.
AimTrial tryLevers(const AimBase& base, const std::vector<AimLever>& levers,
                   const std::vector<double>& values, bool swim, std::stop_token stop = {});

/// The drawn design with those levers, its lead as planned for the drawn one.
Design withLevers(const AimBase& base, const std::vector<AimLever>& levers,
                  const std::vector<double>& values);

/// What the full chain says of a reckoned bait and its run.
AimValues valuesOf(const Derived& derived, const Run& run, const Swim* swim);

/// Half-swings wider than this are of rhythms the model was never held against.
inline constexpr double kWidestTrusted_rad = 20 * kDegree;

/// Whether its roll under way is settled and a small lean does not grow. Of what tells nothing of
/// its swim nothing is known against it.
bool settles(const Swim& swim);

/// Whether a swim is one the model may be led by: of one rhythm, under 20 degrees of swing, a lip
/// not flat to the water.
bool trusted(const Swim& swim);

}  // namespace wl
