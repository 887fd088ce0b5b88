// Why a lead plan is refused, and what it misses.
#pragma once

#include "core/plan/plan_lead.h"

namespace wl {

/// A plan within these of what is wanted has met it.
inline constexpr double kPlanMet_kg = 0.02e-3;
inline constexpr double kPlanMetMoment_kg_m = 2e-6;

/// The first thing that cannot be drilled or cut as drawn: two that meet, one that comes out
/// through the skin. Errors as in planLead.
std::optional<Error> whyNotCut(const Design& design, const Derived& derived);

/// Adds findings for the mass and moment that `plan` misses, each with edits that bring it nearer.
/// `empty`: the bait without lead.
void tellMisses(const Design& design, const Derived& empty, const PlugProblem& problem,
                LeadPlan& plan);

}  // namespace wl
