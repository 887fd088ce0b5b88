// Fields of what a bait is wished to do. See describe.h.
#pragma once

#include <string_view>

#include "core/base/quantity.h"
#include "core/base/units.h"
#include "core/design/about.h"
#include "core/design/aim_notes.h"

namespace wl {

/// The five fields of a band, in the order they are told in.
struct BandFields {
    /// One end's name in files and its words.
    struct End {
        std::string_view name;
        About about;
    };
    Quantity quantity = Quantity::Number;
    double min = 0.0, max = 0.0;  ///< of a figure
    End low, high;
    Quantity changeQuantity = Quantity::Number;
    double changeMin = 0.1, changeMax = 5.0;  ///< of times, or of what is added
    End lowThanNow, highThanNow;
    End weight;
};

template <class V>
void describeBand(V& v, AimBand& band, bool relative, const BandFields& f) {
    v.optional(f.low.name, f.quantity, band.low, f.min, f.max, f.low.about.when(!relative));
    v.optional(f.high.name, f.quantity, band.high, f.min, f.max, f.high.about.when(!relative));
    v.optional(f.lowThanNow.name, f.changeQuantity, band.lowThanNow, f.changeMin, f.changeMax,
               f.lowThanNow.about.when(relative));
    v.optional(f.highThanNow.name, f.changeQuantity, band.highThanNow, f.changeMin, f.changeMax,
               f.highThanNow.about.when(relative));
    v.number(f.weight.name, Quantity::Number, band.weight, 0.1, 10.0,
             f.weight.about.when(band.asked(relative))
                 .explained("Against the other wishes: 2 counts as much as two of them"));
}

/// What a lever's range is called, in files and in words.
struct RangeFields {
    BandFields::End from, to;
    Quantity quantity = Quantity::Length;
    double min = 0.0, max = 0.0;
};

template <class V>
void describeRange(V& v, AimRange& range, bool moves, const RangeFields& f) {
    constexpr const char* kUsual = said("Empty: as far as is usually cut");
    const auto described = [&](const BandFields::End& end) {
        const About about = end.about.when(moves).explained(kUsual);
        return f.quantity == Quantity::Length ? about.scales() : about;
    };
    v.optional(f.from.name, f.quantity, range.from, f.min, f.max, described(f.from));
    v.optional(f.to.name, f.quantity, range.to, f.min, f.max, described(f.to));
}

template <class V>
void describe(V& v, AimNotes& a) {
    using Q = Quantity;
    constexpr Q kDegrees = Q::Angle;
    constexpr const char* kOpenEnd = said("Empty: a quarter more");
    constexpr const char* kBothSwings = said("Yaw and roll together");
    constexpr const char* kFromNose = said("Centre of gravity from the nose, of the length");
    v.flag("relative", a.relative,
           told("Against what it does now")
               .explained("A change from a bait you know is surer than a figure"));
    describeBand(
        v, a.depth, a.relative,
        {.quantity = Q::Distance,
         .min = 0.05,
         .max = 30.0,
         .low = {"depth_low",
                 told("Depth from").explained("No wish at all: the brief's depth within a tenth")},
         .high = {"depth_high", told("Depth to").explained(kOpenEnd)},
         .lowThanNow = {"depth_low_times",
                        told("Depth, times now, from").explained("1.3: deeper by a third")},
         .highThanNow = {"depth_high_times", told("Depth, times now, to").explained(kOpenEnd)},
         .weight = {"depth_weight", told("Depth counts")}});
    describeBand(
        v, a.beats, a.relative,
        {.quantity = Q::Number,
         .min = 0.2,
         .max = 40.0,
         .low = {"beats_low", told("Beats a second from")},
         .high = {"beats_high", told("Beats a second to").explained(kOpenEnd)},
         .lowThanNow = {"beats_low_times", told("Beats, times now, from")},
         .highThanNow = {"beats_high_times", told("Beats, times now, to").explained(kOpenEnd)},
         .weight = {"beats_weight", told("Beats count")}});
    describeBand(
        v, a.swing, a.relative,
        {.quantity = kDegrees,
         .min = 0.5 * kDegree,
         .max = 60.0 * kDegree,
         .low = {"swing_low", told("Half-swing from").explained(kBothSwings)},
         .high = {"swing_high", told("Half-swing to").explained(kBothSwings)},
         .lowThanNow = {"swing_low_times", told("Swing, times now, from")},
         .highThanNow = {"swing_high_times", told("Swing, times now, to").explained(kOpenEnd)},
         .weight = {"swing_weight", told("Swing counts")}});
    describeBand(
        v, a.rollToYaw, a.relative,
        {.quantity = Q::Number,
         .min = 0.05,
         .max = 20.0,
         .low = {"roll_to_yaw_low", told("Roll to yaw from").explained("1: as much roll as yaw")},
         .high = {"roll_to_yaw_high", told("Roll to yaw to").explained(kOpenEnd)},
         .lowThanNow = {"roll_to_yaw_low_times", told("Roll to yaw, times now, from")},
         .highThanNow = {"roll_to_yaw_high_times",
                         told("Roll to yaw, times now, to").explained(kOpenEnd)},
         .weight = {"roll_to_yaw_weight", told("Roll to yaw counts")}});
    describeBand(
        v, a.pitch, a.relative,
        {.quantity = kDegrees,
         .min = -80.0 * kDegree,
         .max = 80.0 * kDegree,
         .low = {"pitch_low", told("Under way, nose up, from").explained("Nose down is under 0")},
         .high = {"pitch_high", told("Under way, nose up, to").explained("Empty: 5° more")},
         .changeQuantity = kDegrees,
         .changeMin = -40.0 * kDegree,
         .changeMax = 40.0 * kDegree,
         .lowThanNow = {"pitch_low_more", told("Under way, nose higher by, from")},
         .highThanNow = {"pitch_high_more",
                         told("Under way, nose higher by, to").explained("Empty: 5° more")},
         .weight = {"pitch_weight", told("Nose under way counts")}});
    describeBand(
        v, a.balance, a.relative,
        {.quantity = Q::Fraction,
         .min = 0.1,
         .max = 0.9,
         .low = {"balance_low", told("Weight lies from").explained(kFromNose)},
         .high = {"balance_high", told("Weight lies to").explained("Empty: 2 % farther aft")},
         .changeQuantity = Q::Fraction,
         .changeMin = -0.4,
         .changeMax = 0.4,
         .lowThanNow = {"balance_low_more", told("Weight farther aft by, from")},
         .highThanNow = {"balance_high_more",
                         told("Weight farther aft by, to").explained("Empty: 2 % more")},
         .weight = {"balance_weight", told("Weight's place counts")}});
    v.optional("turn_low", Q::Angle, a.turn.low, 5.0 * kDegree, 170.0 * kDegree,
               told("A pull turns it from").explained("Of a bait walked with the rod"));
    v.optional("turn_high", Q::Angle, a.turn.high, 5.0 * kDegree, 170.0 * kDegree,
               told("A pull turns it to").explained(kOpenEnd));
    v.optional("width_low", Q::Distance, a.width.low, 0.02, 3.0,
               told("Walks as wide as, from").explained("Left and right together"));
    v.optional("width_high", Q::Distance, a.width.high, 0.02, 3.0,
               told("Walks as wide as, to").explained(kOpenEnd));
    v.flag("angle_moves", a.angleMoves, told("Lip angle may change"));
    describeRange(v, a.angle, a.angleMoves,
                  {.from = {"angle_from", told("Lip angle from")},
                   .to = {"angle_to", told("Lip angle to")},
                   .quantity = kDegrees,
                   .max = 100.0 * kDegree});
    v.flag("length_moves", a.lengthMoves, told("Lip length may change"));
    describeRange(v, a.length, a.lengthMoves,
                  {.from = {"length_from", told("Lip length from")},
                   .to = {"length_to", told("Lip length to")},
                   .min = 1e-3,
                   .max = 0.3});
    v.flag("width_moves", a.widthMoves, told("Lip width may change"));
    describeRange(v, a.wide, a.widthMoves,
                  {.from = {"width_from", told("Lip width from")},
                   .to = {"width_to", told("Lip width to")},
                   .min = 1e-3,
                   .max = 0.2});
    v.flag("tie_moves", a.tieMoves, told("Tie may move"));
    describeRange(v, a.tie, a.tieMoves,
                  {.from = {"tie_from", told("Tie from")},
                   .to = {"tie_to", told("Tie to")},
                   .min = -0.2,
                   .max = 0.5});
    v.flag("outline_moves", a.outlineMoves,
           told("Lip outline may change")
               .explained("The best way is tried with every other outline as well"));
    v.flag("settled_only", a.settledOnly,
           told("Only with its roll settled")
               .explained("No way whose roll under way grows in the model, or is not settled"));
}

}  // namespace wl
