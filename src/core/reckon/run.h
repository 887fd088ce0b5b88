// The bait on its line: how it is towed, and the whole retrieve.
#pragma once

#include <optional>
#include <stop_token>
#include <vector>

#include "core/motion/retrieve.h"
#include "core/reckon/derived.h"

namespace wl {

/// What one source of doubt may do to the depth. `Rest`: what no coefficient of the model stands
/// for (the bait's own swing beyond its roll, waves and air at the surface, the plunge), judged.
struct DepthDoubt {
    enum class Source { Line, Body, Lip, Fins, Hooks, Roll, Rest };
    Source source = Source::Rest;
    double shallower_m = 0.0;  ///< both 0 or more
    double deeper_m = 0.0;
};

/// How a bait gets on at a place of a cadence.
enum class CadenceState { Drawn, Slack, Swings, OnBottom };

struct CadencePoint {
    double fromRod_m = 0.0;
    double depth_m = 0.0;
    double time_s = 0.0;
    CadenceState state = CadenceState::Drawn;
    size_t part = 0;  ///< of the brief's cadence
};

/// The way of a bait reeled in by a cadence.
struct CadencePath {
    std::vector<CadencePoint> points;
    bool told = false;  ///< false: line and bait could not be matched on the way, or stopped
    double deepest_m = 0.0;
    double shareInBand = 0.0;     ///< of its time within a tenth of the wanted depth
    double shareOnBottom = 0.0;   ///< of its time
    double longestPause_m = 0.0;  ///< most it rises (-) or sinks (+) in one pause
};

/// Share of the wanted depth, either way, that counts as at it.
inline constexpr double kWantedBand = 0.1;

/// Share of the time a path spends within kWantedBand of a depth.
double shareOfTimeAt(const RetrievePath& path, double wanted_m);

/// Results of towing.
struct Run {
    std::optional<Trim> levelTrim;
    std::vector<Trim> trims;  ///< all stable attitudes at level tow
    RetrievePath path;
    double depthLow_m = 0.0;   ///< band of the deepest point: the root of the doubts' squares, each
    double depthHigh_m = 0.0;  ///< way by itself
    std::vector<DepthDoubt> doubts;  ///< one for each source that can be named for this bait
    bool depthKnown = false;
    /// Same line out, steady tow; nothing where it does not hold a depth (the line would leave the
    /// tie downward).
    std::optional<double> trolledDepth_m;
    /// How far from the rod the line comes taut: nearer than the cast where it hangs too slack to
    /// be reckoned before. The depth is that of the way from there.
    double tautFrom_m = 0.0;
    /// Where no depth can be given at this speed: the least at which it can.
    std::optional<double> tellableFrom_m_s;
    bool floatsSlack = false;  ///< a floating line that leaves the tie downward: no depth
    double startDepth_m = 0.0;
    std::optional<CadencePath> cadence;  ///< of a brief with one
    std::optional<Error> fault;          ///< "internal.numeric": nothing above counts
};

/// What leaves the depth of a run open, source by source, and its band from that: three times the
/// work of the fine retrieve. Stopped, the run stays as it was.
void addDoubts(const Derived& derived, Run& run, const std::stop_token& stop);

/// The doubts of the run before, as shares of its depth, in their place until they are worked out;
/// nothing where either has no depth.
void carryDoubts(Run& run, const Run& before);

/// The fine grid takes some 3 ms, the coarse one a fifth of it and is within 1 % of the depth. A
/// grid without doubts leaves the depth's band to the judged rest alone.
Run computeRun(const Derived& derived, std::stop_token stop = {},
               const RetrieveGrid& grid = kWithDoubts);

}  // namespace wl
