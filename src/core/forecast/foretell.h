// What is reckoned of a bait, as a log holds it against what is seen.
#pragma once

#include <array>
#include <stop_token>

#include "core/chain/chain_swim.h"
#include "core/learn/water_log.h"
#include "core/reckon/run.h"
#include "core/swim/swim.h"

namespace wl {

/// By which readings of one bait tell of another: "in_line_lip" (30 degrees or less to the axis),
/// "steep_lip", "sloped_face", "lipless", "glide", "chain", "jointed" (pieces and a lip), and
/// "_slender" (as high as 1.3 times the width, or more) or "_stout".
std::string familyOf(const Derived& derived);

/// The version of the reckoning forecasts are made with; goes up when figures change by more than
/// their digits.
inline constexpr const char* kReckoningVersion = "1";

/// One figure for each measured kind of note, SI, without any factor of a log or a film; none where
/// it is not told.
struct RawForecast {
    std::array<std::optional<double>, size_t(NoteKind::RunsAside) + 1> figure;
    std::string family;
    double filmBeats = 1.0;  ///< times which the design's film has the beats told
    const std::optional<double>& of(NoteKind kind) const { return figure[size_t(kind)]; }
};

/// From results that are there. `swim` and `cast_m` may be missing; `huntsAbove_m_s` is the speed
/// the bait is taken to blow out at.
RawForecast rawForecast(const Derived& derived, const Run* run, const Swim* swim,
                        std::optional<double> cast_m, std::optional<double> huntsAbove_m_s);

/// A chain drawn at the brief's speed, whatever beats its design's film counts.
Snake unfilmedSnake(const Derived& derived, std::stop_token stop = {}, const SnakeTold& told = {});

/// The design on an outing: its line, cast, speed and water, where they were noted.
Design onOuting(const Design& design, const LogOuting& outing);

/// The same from the design alone: some 20 ms; with `slow` the speed it blows out at as well, some
/// 300, and the beats of a chain, up to a second on two cores.
std::optional<RawForecast> foretell(const Design& design, const Derived* near, bool slow,
                                    std::stop_token stop = {});

/// A log of a design that held one of its own: an outing a test, its figures and remarks as notes
/// of copy 1, with what was foretold then. Nothing of it is lost: a date that is none stands in the
/// words.
WaterLog logOf(const Design& design);

}  // namespace wl
