// One wish at several lengths.
#pragma once

#include <functional>
#include <optional>
#include <vector>

#include "core/aim/aim.h"

namespace wl {

/// What comes of the wish at one length: an answer of one way, or why there is none.
struct AimedSize {
    double length_m = 0.0;
    Design scaled;  ///< the drawn bait at that length, its hooks chosen, before it was aimed
    std::vector<std::string> hooks;  ///< their names, nose first
    std::optional<AimAnswer> answer;
    std::optional<Error> refusal;
    bool met() const { return answer && answer->ways.front().met; }
};

/// Called as each is found, in their order, from the thread that aims.
using SizeFound = std::function<void(size_t index, const AimedSize& size)>;

/// The drawn bait scaled to each length (scaledDesign), its lip, tie and lead aimed anew by the
/// levers the wish leaves free, over the ranges usual at that length. Depth and swing are wished as
/// for the drawn bait, what is wished by times in the figures it comes to; beats go with one by the
/// length, as the wake's do (one Strouhal number at one speed): the band is that of the drawn
/// length. Each hook becomes the one of `shelf` and its kind whose length is nearest to the drawn
/// one's scaled, unless the drawn one is nearer. No relaxations are looked for. Errors: those of
/// aim for the drawn bait; a length that cannot be aimed carries its own.
Result<std::vector<AimedSize>> aimSizes(const Design& design, const AimWish& wish,
                                        const std::vector<double>& lengths_m,
                                        const std::vector<Fitting>& shelf, const Model& model = {},
                                        std::stop_token stop = {}, const SizeFound& found = {},
                                        const Told& told = {});

}  // namespace wl
