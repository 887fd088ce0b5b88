// The bait as a drawing.
#pragma once

#include <array>

#include "core/draw/outlines.h"

namespace wl {

/// Picture: a cutaway with its fills, pieces as cut, hooks hanging. Bench: what one marks, saws and
/// drills, in lines, side or top: the uncut outline, stations, saw lines, holes with their letters.
enum class DrawnFor { Picture, Bench };

/// The bait looked at that way. `derived` is the reckoning of this very design.
Drawing drawBait(const Design& design, const Derived& derived, const ViewFrame& frame,
                 DrawnFor purpose);

/// What a bore is called on the sheet: A to Z, then AA, AB and on.
std::string boreLetter(size_t index);

/// The lip cut out flat: its outline, the part in the slot above the skin line (y 0; the free edge
/// is down), hole, bend, tie. Empty without a lip.
Drawing drawFlatLip(const Design& design);

/// The face of one sheet, from 0 at starboard, with the cavities cut into it and the two register
/// holes beyond nose and tail; places as from port.
Drawing drawSheet(const Design& design, const Derived& derived, size_t sheet);

/// An outline of its own round (0, 0), as looked at from that flank.
Drawing drawOutline(const std::vector<OutlinePoint>& outline, Flank from);

/// All templates of a bait one under the other: side, from above, and the flat ones.
Drawing drawTemplates(const Design& design, const Derived& derived);

/// The room a drawing's points take, mm: least x, least y, greatest x, greatest y. Zeros when
/// empty.
std::array<double, 4> extent_mm(const Drawing& drawing);

}  // namespace wl
