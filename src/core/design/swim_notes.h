// What a maker calls a swim, and what was seen of one.
#pragma once

#include <optional>

#include "core/base/units.h"

namespace wl {

/// From where on a swim is called so (this project's own limits, the maker's to move), and what
/// was counted on a film.
struct SwimNotes {
    double slowBelow_1_s = 3.0;  ///< full beats a second
    double quickFrom_1_s = 6.0;
    double tightFrom_rad = 3.0 * kDegree;  ///< half-swings; under it dead
    double mediumFrom_rad = 8.0 * kDegree;
    double wideFrom_rad = 15.0 * kDegree;
    std::optional<double> filmFrames;  ///< counted over `filmBeats`; none: no film
    double filmRate_1_s = 120.0;       ///< frames a second
    int filmBeats = 10;
    double filmSpeed_m_s = 0.7;
    std::optional<double> seenYaw_rad;  ///< half-swing from side to side at that speed
    std::optional<double> bowlRolls;    ///< full rolls counted in a bowl; none: not timed
    double bowlTime_s = 5.0;            ///< they took
    bool operator==(const SwimNotes&) const = default;

    /// Beats a second on the film; nothing without one.
    std::optional<double> seenBeats_1_s() const {
        return filmFrames ? std::optional(filmBeats * filmRate_1_s / *filmFrames) : std::nullopt;
    }
    /// Rolls a second in the bowl; nothing without them.
    std::optional<double> seenRolls_1_s() const {
        return bowlRolls ? std::optional(*bowlRolls / bowlTime_s) : std::nullopt;
    }
};

}  // namespace wl
