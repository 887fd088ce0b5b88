// What one swim and a sweep of them are made of. Internal to the room.
#pragma once

#include "core/swim/swim.h"

namespace wl {

/// A small lean that grows faster than this is told as one that grows.
inline constexpr double kGrows_1_s = 0.3;

/// The model as the film of a bait has it.
Model filmedModel(const Model& model, const FilmFactors& film);
/// A bait got ready swimming as towed; `middleOnly`: the lowest and the highest curve stand at the
/// middle one.
Swim swimWith(const WobbleBody& body, const WobbleTow& tow, const Derived& derived,
              const FilmFactors& film, bool middleOnly = false);
Swim untoldAt(double speed_m_s, const Error& why);
std::optional<Trim> settledAt(const Derived& derived, double speed_m_s);

}  // namespace wl
