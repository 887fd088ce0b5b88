// Fields of what a bait is wished to do. See describe.h.
#pragma once

#include "core/base/quantity.h"
#include "core/base/units.h"
#include "core/design/about.h"
#include "core/design/aim_notes.h"

namespace wl {

template <class V>
void describe(V& v, AimNotes& a) {
    using Q = Quantity;
    constexpr double kMostTimes = 5.0, kLeastTimes = 0.1;
    const bool figures = !a.relative;
    v.flag("relative", a.relative,
           told("Times what it does now")
               .explained("A change from a bait you know is surer than a figure"));
    v.optional("depth_low", Q::Distance, a.depthLow_m, 0.05, 30.0,
               told("Depth from")
                   .when(figures)
                   .explained("No wish at all: the brief's depth within a tenth"));
    v.optional("depth_high", Q::Distance, a.depthHigh_m, 0.05, 30.0,
               told("Depth to").when(figures).explained("Empty: a quarter more"));
    v.optional("beats_low", Q::Number, a.beatsLow_1_s, 0.2, 40.0,
               told("Beats a second from").when(figures));
    v.optional("beats_high", Q::Number, a.beatsHigh_1_s, 0.2, 40.0,
               told("Beats a second to").when(figures));
    v.optional("swing_low", Q::Angle, a.swingLow_rad, 0.5 * kDegree, 60.0 * kDegree,
               told("Half-swing from").when(figures).explained("Yaw and roll together"));
    v.optional("swing_high", Q::Angle, a.swingHigh_rad, 0.5 * kDegree, 60.0 * kDegree,
               told("Half-swing to").when(figures).explained("Yaw and roll together"));
    v.optional("depth_low_times", Q::Number, a.depthLowTimes, kLeastTimes, kMostTimes,
               told("Depth, times now, from").when(a.relative).explained("1.3: deeper by a third"));
    v.optional("depth_high_times", Q::Number, a.depthHighTimes, kLeastTimes, kMostTimes,
               told("Depth, times now, to").when(a.relative).explained("Empty: a quarter more"));
    v.optional("beats_low_times", Q::Number, a.beatsLowTimes, kLeastTimes, kMostTimes,
               told("Beats, times now, from").when(a.relative));
    v.optional("beats_high_times", Q::Number, a.beatsHighTimes, kLeastTimes, kMostTimes,
               told("Beats, times now, to").when(a.relative));
    v.optional("swing_low_times", Q::Number, a.swingLowTimes, kLeastTimes, kMostTimes,
               told("Swing, times now, from").when(a.relative));
    v.optional("swing_high_times", Q::Number, a.swingHighTimes, kLeastTimes, kMostTimes,
               told("Swing, times now, to").when(a.relative));
    v.flag("angle_moves", a.angleMoves, told("Lip angle may change"));
    v.flag("length_moves", a.lengthMoves, told("Lip length may change"));
    v.flag("width_moves", a.widthMoves, told("Lip width may change"));
    v.flag("tie_moves", a.tieMoves, told("Tie may move"));
    v.flag("settled_only", a.settledOnly,
           told("Only with its roll settled")
               .explained("No way whose roll under way grows in the model, or is not settled"));
}

}  // namespace wl
