// What beside the lead would let a plan be met: a bore, the stock, the lip or the hooks changed,
// and the lead planned anew.
#pragma once

#include <stop_token>
#include <string>
#include <vector>

#include "core/plan/lead_choices.h"

namespace wl {

/// A stock to choose from; `spread` is the half-width of its usual range as a share.
struct StockOffer {
    std::string name;
    double density_kg_m3 = 0.0;
    double spread = 0.0;
};

/// What the shelf has to change a bait with; `hooks` with their own masses, places left at the
/// origin.
struct MendShelf {
    std::vector<StockOffer> stocks;
    std::vector<Fitting> hooks;
};

/// Of each kind of change the smallest that lets the lead plan meet mass and attitude, with walls
/// of kLeastWall_m left: "mend.bore_deeper", "mend.bore_wider", "mend.bore_moved" (of
/// one bore, the measure to set; with "_all", where no one bore does it, every bore by the same
/// way), "mend.lip_metal", "mend.lip_plastic", "mend.stock", "mend.resin_filler" (its share in a
/// cast body), "mend.infill" (of a printed one), "mend.hooks". Steps of the bench: 0.5 mm, 5 % of
/// filler or infill, what lies on the shelf. When no single change does it, the one that comes
/// nearest in mass and attitude, `met` false. Empty when the plan is met as it is, cannot be made
/// at all, or on stop.
std::vector<LeadChoice> leadMends(const Design& design, const MendShelf& shelf,
                                  std::stop_token stop = {}, const Derived* near = nullptr);

}  // namespace wl
