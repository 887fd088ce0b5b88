// What is cut out of card or drawn on stock beside the side and the top of a bait.
#pragma once

#include <string>
#include <vector>

#include "core/draw/draw_bait.h"

namespace wl {

/// One of them. Half: the top view folded on its centre line, for both sides to come out alike.
/// Section: the bait across at a place, to cut out of card and slip over it. Lips: as many as baits
/// are built, nested head to tail on their sheet. Sheet, Weight: see draw_bait.h. SidePiece: a claw
/// or fin of stock in its own frame, from beside and from above. Fin: of sheet.
struct FlatTemplate {
    enum class What { Half, Section, Lips, Sheet, Weight, SidePiece, SidePieceAbove, Fin };
    What what = What::Half;
    size_t index = 0;   ///< among the stations, sheets, weights, side pieces or fittings
    double at_m = 0.0;  ///< of a section, from the nose
    int count = 1;      ///< of lips, of a side piece or fin: how many of it a bait has
    std::string name;   ///< the record's own
    Drawing drawing;
};

/// All a bait needs, in that order. Sections stand at the drawn stations inside the bait that no
/// joint cuts away.
std::vector<FlatTemplate> flatTemplates(const Design& design, const Derived& derived);

/// Lips of one outline in a row, every other one turned about, as close as a saw cut between them
/// lets them stand, in rows no wider than that; mm.
Drawing nestLips(const Design& design, int count, double widest_mm);

}  // namespace wl
