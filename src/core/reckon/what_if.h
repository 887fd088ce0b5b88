// One field or two varied: what that does to depth, attitude and pull, and how sure the sign is.
#pragma once

#include <functional>
#include <stop_token>
#include <string>
#include <vector>

#include "core/base/quantity.h"
#include "core/reckon/run.h"

namespace wl {

/// What comes of a bait at one value. Empty: the design cannot be reckoned there, or that is not
/// told there.
struct SweptPoint {
    double value = 0.0;
    std::optional<double> depth_m;
    std::optional<double> pitch_rad;  ///< under way, level
    std::optional<double> pull_N;
    std::optional<double> lineAngle_rad;
};

/// How far a longer work is, 0 to 1.
using Told = std::function<void(double)>;

/// `count` values from `from` to `to` (SI) of the number at `path`, evenly, by the coarse retrieve.
/// Errors: "field.unknown"; "sweep.no_number" (not a number), "sweep.cancelled".
Result<std::vector<SweptPoint>> sweepField(const Derived& near, const std::string& path,
                                           double from, double to, int count,
                                           std::stop_token stop = {}, const Told& told = {});

/// A range of one field of a map.
struct MapAxis {
    std::string path;
    double from = 0.0;
    double to = 0.0;
    int count = 24;
    double at(int i) const { return from + (to - from) * i / std::max(1, count - 1); }
};

/// Depths over two fields, row by row of the second (`depth_m[y * across.count + x]`); empty where
/// none is told. On two threads; the same whatever their number. Errors as of sweepField.
struct DepthMap {
    MapAxis across, up;
    std::vector<std::optional<double>> depth_m;
};
Result<DepthMap> mapDepth(const Derived& near, const MapAxis& across, const MapAxis& up,
                          std::stop_token stop = {}, const Told& told = {});

/// Pieces of the line on which a map has that depth, in values of its two fields: of each square
/// between four told points the straight cut, saddles by their middle.
std::vector<std::array<Eigen::Vector2d, 2>> contourOf(const DepthMap& map, double depth_m);

/// What a step of one thing a maker can change is worth: half the difference between a step more
/// and a step less.
struct Lever {
    enum class What { LipAngle, LipLength, LipWidth, Tie, Spare, Speed, Line, Cast, RodTip };
    What what = What::LipAngle;
    double step = 0.0;  ///< SI, of the quantity
    Quantity quantity = Quantity::Length;
    std::optional<double> depth_m, pitch_rad, pull_N;
    std::optional<double> beats_1_s, swing_rad;  ///< of half-swing
    /// Share of draws of the coefficients in their bands in which depth, beats or swing change the
    /// same way; empty where that is not told, or does not change so that one would see it.
    std::optional<double> sure, sureBeats, sureSwing;
};

/// Beats and half-swing of a bait as it is reckoned for towing, where it has them.
struct SwimTold {
    double beats_1_s = 0.0;
    double swing_rad = 0.0;
};
using SwimOf = std::function<std::optional<SwimTold>(const Derived& towed)>;

/// Each lever the bait has (the tie only with a lip: without one its direction is not known), with
/// `draws` draws of every coefficient of hull, lip, fins, hooks and line (a Halton set, the same
/// for every bait), and those of the swim where `swimOf` is given. The spare is a hundredth of the
/// displacement more or less weight, put at the centre of gravity. On two threads; the same
/// whatever their number. Stopped, some tell nothing.
std::vector<Lever> leversOf(const Derived& derived, int draws, std::stop_token stop = {},
                            const Told& told = {}, const SwimOf& swimOf = {});

}  // namespace wl
