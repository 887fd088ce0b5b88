// The forces on a bait under way, and what they would have to be.
#pragma once

#include <optional>
#include <stop_token>
#include <vector>

#include "core/placed/lip_flex.h"
#include "core/reckon/run.h"

namespace wl {

/// One force on the bait towed level, in its plane of symmetry: (aft, up) in the body frame.
struct BodyForce {
    enum class On { Body, Lip, Fins, Hooks, Weight, Lift, Line };
    On on = On::Body;
    Eigen::Vector2d place_m = Eigen::Vector2d::Zero();  ///< it acts through here
    Eigen::Vector2d force_N = Eigen::Vector2d::Zero();
    /// What is left of its moment where its line of action misses the bait, positive nose up.
    double couple_N_m = 0.0;
};

/// All of them at a steady attitude of the bait reeled in level (a level trim of its Run); together
/// they leave no force and no moment. Forces that are not there are left out.
std::vector<BodyForce> freeBody(const Derived& derived, const Trim& trim);

/// Which way hooks and rings hang on a bait reeled in level, (aft, down), unit: between their
/// weight in water and the drag of the stream, all of them alike. Straight down without any.
Eigen::Vector2d hooksTrail(const Derived& derived);

/// How the lip gives under the water's push at a steady attitude; nothing without a lip.
std::optional<LipFlex> lipFlexUnderWay(const Derived& derived, const Trim& trim);

/// The speeds through the water, m/s, between which the bait has a steady attitude no steeper than
/// 50 degrees and pulls the line down; empty when at none from 0.1 to 4 m/s.
struct SpeedRange {
    double from_m_s = 0.0;
    double to_m_s = 0.0;
    bool openAbove = false;  ///< still runs at 4 m/s
};
std::optional<SpeedRange> runningSpeeds(const Derived& derived);

/// The pull, N, with which a bait whose line leaves it at the angle this one's does would run at
/// the wanted depth of the brief: pull growing with the square of the speed, the angle between
/// path and line held. Empty where no pull up to 20 N does.
std::optional<double> pullForWantedDepth_N(const Derived& derived, const Trim& level,
                                           std::stop_token stop = {});

}  // namespace wl
