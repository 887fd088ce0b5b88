// The whole retrieve after a cast: where the bait swims, from the splash to the rod.
#pragma once

#include <functional>
#include <optional>
#include <stop_token>
#include <string>
#include <vector>

#include "core/motion/line_shape.h"
#include "core/motion/trim.h"

namespace wl {

/// The cast and reel.
struct Retrieve {
    double cast_m = 25.0;
    double reelSpeed_m_s = 0.9;
    double rodTipHeight_m = 0.5;
    double startDepth_m = 0.02;
    double current_m_s = 0.0;  ///< of the water, towards the rod positive
    double longest_s = 1e9;    ///< broken off after this time
};

/// How the bait pulls at a speed and path angle over the water; `startAlpha` names the branch it is
/// on. Nothing when it has no steady attitude.
using PullModel =
    std::function<std::optional<Trim>(double speed_m_s, double path_rad, double startAlpha_rad)>;

struct RetrievePoint {
    double fromRod_m = 0.0;  ///< horizontal distance from the rod tip
    double depth_m = 0.0;
    double time_s = 0.0;
    double pitch_rad = 0.0;
    double tension_N = 0.0;
    double speed_m_s = 0.0;      ///< over the ground
    double lineAngle_rad = 0.0;  ///< at the tie, over the level
    double rodAngle_rad = 0.0;   ///< at the rod tip, down from the level
};

enum class RetrieveEnd {
    ReachedRod,  ///< ran to within 3 % of the cast, or out of its time
    Surfaced,    ///< came up on the way
    StaysOnTop,  ///< will not go down from the start
    NoTrim,      ///< no steady attitude at this speed
    NoSolution,  ///< line and bait could not be matched: no number can be given
    Cancelled
};

struct RetrievePath {
    std::vector<RetrievePoint> points;
    RetrieveEnd end = RetrieveEnd::NoSolution;
    double maxDepth_m = 0.0;
    double maxDepthFromRod_m = 0.0;
    double maxDepthRodAngle_rad = 0.0;  ///< of the line at the rod tip there, down from the level
    double shareNearDeepest = 0.0;      ///< share of the way run below 90 % of the deepest point
    int roughStarts = 0;  ///< points in the first 15 % matched only to 35 % of the line
};

/// How finely a retrieve is worked out: steps of the bait as shares of the cast, steps along the
/// line, how near its end must come to the rod tip, in line lengths, whether a run is searched for
/// from many starts before it is given up, and whether what leaves its depth open is worked out
/// source by source.
struct RetrieveGrid {
    double stepShare = 0.01;
    int lineSteps = 16;
    double tolerance = 1e-10;
    bool searches = true;
    bool doubts = false;
};
inline constexpr RetrieveGrid kFineRetrieve{};
inline constexpr RetrieveGrid kCoarseRetrieve{0.04, 12, 1e-4, false};
inline constexpr RetrieveGrid kWithDoubts{0.01, 16, 1e-10, true, true};

/// Steps the bait in by a share of the cast. At each point the line keeps its shape up to
/// similarity about the rod tip: with complex places p from the tip, v(p) = mu p, mu = bait's
/// velocity / its place, and the line out is L = reel speed / -Re(mu). Unknown bait speed and path
/// angle are found from the neighbouring point's slopes, else by damped Newton, on the line ending
/// at the rod tip (to the grid's tolerance). This closure was worked out for this program; it
/// agrees with a slow simulation of the full string within 1.5 % of the depth for line angles up to
/// 39 degrees.
RetrievePath computeRetrieve(const PullModel& pull, const Line& line, const Retrieve& retrieve,
                             double startAlpha_rad, std::stop_token stop = {},
                             const RetrieveGrid& grid = kFineRetrieve);

}  // namespace wl
