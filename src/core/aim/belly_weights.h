// Belly weights: one body, several weights and several waters.
#pragma once

#include <optional>
#include <stop_token>
#include <vector>

#include "core/plan/plan_lead.h"
#include "core/reckon/what_if.h"
#include "core/tank/waters.h"

namespace wl {

struct FishedWater {
    double temperature_K = 0.0;
    double salinity = 0.0;  ///< kg/kg
};

/// One weight of lead in the body, and what the bait does with it in each water.
struct BellyWeight {
    enum class For {
        Brief,  ///< planned for the brief in one of the waters
        Rate,   ///< planned to sink at one of the three rates in the brief's own water
        Typed   ///< as heavy as the maker says, shared out as the plan for the brief has it
    };
    For what = For::Brief;
    size_t water = 0;    ///< of Brief
    double asked = 0.0;  ///< sink rate (m/s), or mass (kg) typed
    double lead_kg = 0.0;
    double more_kg = 0.0;  ///< than drawn
    bool leadMet = false;  ///< the bores take it, mass and attitude as wanted
    Design design;         ///< with that lead, in the drawn water
    std::optional<Error> refusal;
    std::vector<InWater> in;     ///< of each water; empty when refused
    std::vector<bool> asWished;  ///< rests there as the brief wants it
};

/// Lead in the bores of a bait as reckoned.
double leadIn_kg(const Derived& derived);

/// Whether it rests as the brief wants it: spare within a hundredth, sinking within a tenth of the
/// speed, hanging when it shall hang; its nose within 2 degrees in any case (judged).
bool restsAsWished(const Brief& brief, const StillWater& rest);

/// Weights for the brief in every water and for the three rates of the tank sheet, or those of
/// `leads_kg`; by rising lead, those refused last. The body swells from the temperature of the
/// design's room, as in the table of waters. Errors: those of planLead for the drawn water;
/// "plan.stopped". A weight of its own that fails carries its reason, "aim.weight_room" (values:
/// asked, the most the bores take) among them. `sinkSeen`: sink rates seen by those reckoned, as a
/// log has it; rates asked for and told are those seen.
Result<std::vector<BellyWeight>> bellyWeights(const Design& design,
                                              const std::vector<FishedWater>& waters,
                                              const std::vector<double>& leads_kg,
                                              std::stop_token stop = {}, const Told& told = {},
                                              double sinkSeen = 1.0);

}  // namespace wl
