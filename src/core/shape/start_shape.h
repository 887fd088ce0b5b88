// Shapes to begin from, one for each kind of bait.
#pragma once

#include <array>

#include "core/design/body.h"

namespace wl {

enum class StartKind { Diver, Lipless, Glider, JointedSwimmer, TurnedPlug, Crawler };
inline constexpr std::array<StartKind, 6> kStartKinds{
    StartKind::Diver,          StartKind::Lipless,    StartKind::Glider,
    StartKind::JointedSwimmer, StartKind::TurnedPlug, StartKind::Crawler};

/// A body of that kind at a wanted length (m), stations to a tenth of a millimetre. A starting
/// point only: proportions are this program's own, near common practice (no source).
Body startBody(StartKind kind, double length_m);

}  // namespace wl
