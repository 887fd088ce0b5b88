// Several ways to the same mass and attitude, each with its price.
#pragma once

#include <optional>
#include <stop_token>
#include <string>
#include <vector>

#include "core/base/result.h"
#include "core/plan/lead_pieces.h"
#include "core/plan/plan_lead.h"

namespace wl {

/// What a plan costs and what it does to the bait beyond mass and attitude.
struct LeadPrice {
    double lead_kg = 0.0;
    int bores = 0;                    ///< with lead in them
    double moved_m = 0.0;             ///< bores moved along the bait, together
    double leastWall_m = 0.0;         ///< round any bore: to another thing let in, or to the skin
    double rollStiffness_N_m = 0.0;   ///< righting moment per radian
    double pitchInertia_kg_m2 = 0.0;  ///< about the centre of gravity, nose up and down
};

/// `change.code`: "choice.cut_plugs" (the bores as they are), "choice.whole_pieces" (from the
/// shelf), "choice.one_bore" (a single bore at the balance point), "choice.heavier" (plugs of
/// tungsten), or one of leadMends.
struct LeadChoice {
    Finding change;  ///< what is done, as a sentence
    Design design;
    double mass_kg = 0.0;
    double missingMass_kg = 0.0;
    double spare = 0.0;
    double pitch_rad = 0.0;
    LeadPrice price;
    std::vector<Finding> findings;
    bool met = false;  ///< mass within 0.05 g (pieces: 0.15 g) and attitude within 0.5 (2) degrees
    bool exact = true;
};

/// At most three, those that meet the target first, else in the order above. `pieces` are the
/// shelf's; none: no choice of whole pieces. Errors: those of planLead.
Result<std::vector<LeadChoice>> leadChoices(const Design& design,
                                            const std::vector<PieceKind>& pieces,
                                            std::stop_token stop = {},
                                            const Derived* near = nullptr);

/// Whole pieces for the bores as they are. Errors: those of planLead; "plan.no_piece_fits".
Result<LeadChoice> planPieces(const Design& design, const std::vector<PieceKind>& pieces,
                              const std::stop_token& stop = {}, const Derived* near = nullptr);

/// Plugs cut to length for a design's bores as they are. Errors: those of planLead.
Result<LeadChoice> planPlugs(Finding change, const Design& design, const Derived* near = nullptr);

/// All the lead in one bore where the moments want it, on a half-millimetre mark, wider where it
/// would not hold it. None: for a bait in pieces, or with a single bore, and where it cannot be
/// planned or leaves no wall.
std::optional<LeadChoice> planOneBore(const Design& design, const std::stop_token& stop = {},
                                      const Derived* near = nullptr);

/// Price of a design as it stands.
LeadPrice priceOf(const Design& design, const Derived& derived);

}  // namespace wl
