// Plug lengths for the given bores that meet a wanted mass and attitude.
#pragma once

#include <stop_token>
#include <vector>

#include <Eigen/Core>

#include "core/base/finding.h"
#include "core/base/result.h"
#include "core/design/design.h"
#include "core/reckon/derived.h"

namespace wl {

/// Columns of a plug problem, in grams and millimetres so that weights read as bench figures:
/// gain[j] g of net mass per mm of plug, momentX[j] g mm per mm along the bait, momentY[j]
/// sideways.
struct PlugProblem {
    Eigen::VectorXd gain_g_mm;
    Eigen::VectorXd momentX_g;
    Eigen::VectorXd momentY_g;
    Eigen::VectorXd mostLength_mm;
    double wantedGain_g = 0.0;
    double wantedMomentX_g_mm = 0.0;
    double wantedMomentY_g_mm = 0.0;
    double gramsPerMoment_mm = 15.0;  ///< one gram counts as this many g mm
    double massWeight = 1.0;          ///< of the mass against the moments
    /// Added to the objective times length^2: picks one of several equal answers.
    Eigen::VectorXd preference;
    /// Rows [n pieces x n bores] of g mm per mm and what each should come to: each piece of a
    /// jointed bait level by itself. Counted at `levelWeight` of a moment of the whole: so little
    /// that only what mass and attitude leave free goes to it.
    Eigen::MatrixXd levelRows_g;
    Eigen::VectorXd levelWanted_g_mm;
    double levelWeight = 0.003;
};

/// Lengths in mm within [0, most] with the least sum of squares of the three misses (SLSQP, Kraft
/// 1988, by NLopt). Deterministic.
Eigen::VectorXd solvePlugLengths(const PlugProblem& problem);

/// What the plan reaches and what it cannot.
struct LeadPlan {
    std::vector<double> plugLengths_m;
    std::vector<double> plugMasses_kg;
    double wantedMass_kg = 0.0;
    double reachedMass_kg = 0.0;
    double wantedPitch_rad = 0.0;
    double reachedPitch_rad = 0.0;
    double reachedSpare = 0.0;
    double missingMass_kg = 0.0;             ///< positive: too light however full the bores are
    double missingMoment_kg_m = 0.0;         ///< positive: more needed towards the tail
    double emptyMass_kg = 0.0;               ///< without any lead
    std::vector<double> piecePitches_rad;    ///< of each piece let go alone, for jointed baits
    std::vector<Finding> findings;           ///< what cannot be met and what would help
    ProposedEdit edit;                       ///< the plug lengths as one edit
    Design design;                           ///< with the plan carried out
    std::shared_ptr<const Derived> reached;  ///< that design reckoned
};

/// What sinks is planned for the attitude it takes while it sinks: with the water's moment there.
/// Mass goes before trim: where both cannot be had, lead is left out rather than put in beyond the
/// wanted mass. The plan is for the lengths alone: bores stay where they are, at most as full as
/// their depth; bores with whole pieces get plugs instead. For jointed baits each piece is brought
/// level by itself as far as the mass and attitude of the whole allow. Errors: "plan.no_bores";
/// "plan.clash" (words: the two) when two things let into the body meet; "plan.comes_out" of a bore
/// and "plan.pin_out", "plan.pocket_out", "plan.through_skin" of anything else (word: which);
/// "plan.stopped"; whatever stops the evaluation. Stages of `near` are taken over where they fit.
Result<LeadPlan> planLead(const Design& design, const Derived* near = nullptr,
                          std::stop_token stop = {});

/// The moment along the bait (kg m, horizontally aft of the nose at the attitude wanted) that all
/// its weight together should have: that of the lift, and for what is wanted to sink and weighs
/// `wanted_kg` that of the water flowing past it.
double wantedMomentAft(const Derived& derived, const Brief& brief, const Eigen::Vector3d& up,
                       double wanted_kg);

/// Centre of buoyancy when `wanted_kg` floats (or hangs) with world up at `up` in the body frame.
Eigen::Vector3d buoyancyAtWanted(const Derived& derived, const Eigen::Vector3d& up,
                                 double wanted_kg);

}  // namespace wl
