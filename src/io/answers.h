// What the window can work out about a design, as JSON answers for the command line and scripts.
// Their schema: data/answers.schema.json.
#pragma once

#include <cstdint>
#include <optional>
#include <string>
#include <vector>

#include "core/base/result.h"
#include "core/design/design.h"
#include "io/shelf.h"

namespace wl {

/// `json`: {"format": "wade-line-answer", "about": ..., "design": ...} and what was asked, or
/// "error" in its place. `met`: nothing stops the maker (no error, no target missed). `designs`:
/// where the answer offers designs, each as it would be, in the order told.
struct Answer {
    std::string json;
    bool met = false;
    std::vector<Design> designs;
};

/// Plug lengths for the wanted mass and attitude.
Answer planAnswer(const Design& design, double sinkSeen = 1.0);
/// At most three ways to the target with the shelf's pieces, each with its price.
Answer waysAnswer(const Design& design, const Shelf& shelf, double sinkSeen = 1.0);
/// What beside the lead would let a plan be met; none when it is met as it is.
Answer mendsAnswer(const Design& design, const Shelf& shelf, double sinkSeen = 1.0);
/// The shelf's hook sets, by mass, at most `most`; or, with speeds wanted (m/s, sinking positive),
/// those nearest to each.
Answer swapsAnswer(const Design& design, const Shelf& shelf, const std::vector<double>& speeds_m_s,
                   size_t most);
/// The bait in other waters: temperatures in K, salinities as shares.
Answer watersAnswer(const Design& design, const std::vector<double>& temperatures_K,
                    const std::vector<double>& salinities);
/// What the tank readings of the design say of it; the design offered carries the correction.
Answer schoolAnswer(const Design& design);
/// The same shape in other lengths (m), lead planned for each.
Answer seriesAnswer(const Design& design, const std::vector<double>& lengths_m);
/// How sure it is: sources, chances, what to measure better; with `draws` over 0 sampled as well.
Answer doubtAnswer(const Design& design, size_t draws, std::uint64_t seed);

}  // namespace wl
