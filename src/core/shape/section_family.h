// Kinds of section a maker names, as settings of a station.
#pragma once

#include "core/design/body.h"

namespace wl {

enum class SectionFamily { Round, Oval, Wedge, FlatBelly, SlabSided, Own };

/// The kind a station's numbers make; Own when none of the named ones.
SectionFamily familyOf(const Station& station);

/// The station as that kind: back and belly are kept; Round takes its half-width from them, the
/// others keep the half-width. Own changes nothing.
Station withFamily(const Station& station, SectionFamily family);

}  // namespace wl
