// What is told of a cast: a set of throws, the steady angles, the throw a maker has.
#pragma once

#include <optional>
#include <stop_token>
#include <string>
#include <vector>

#include "core/cast/flight.h"

namespace wl {

/// How a bait lies to its way: within 50 degrees of tail first or nose first, or between.
enum class FlightWay { TailFirst, SideOn, NoseFirst };
FlightWay flightWay(double attitude_rad);

/// The angle to its way at which the air turns a bait no further, and will turn it back: of its
/// moment about the centre of gravity at `speed_m_s`, the line pulling back along its track with
/// `pull_N`. Empty only for a bait that turns all the way round.
std::vector<double> steadyAttitudes(const AirBait& bait, const Model& model,
                                    double speed_m_s = 20.0, double pull_N = 0.06);

/// Share of a set of throws in each manner of flight, judged over the last two fifths of it.
struct FlightShares {
    double tailFirst = 0.0;
    double sideOn = 0.0;
    double noseFirst = 0.0;
    double swings = 0.0;    ///< keeps to no direction
    double wentOver = 0.0;  ///< a full turn at least once
};

struct Cast {
    double distance_m = 0.0;  ///< of the middle throw
    double median_m = 0.0;    ///< of the set
    double low_m = 0.0;       ///< band: the model's, the throw's own, and the rod's where not known
    double high_m = 0.0;
    bool measured = false;  ///< the maker's own throw is known
    double straightness = 0.0;
    FlightShares over;  ///< thrown over the head
    FlightShares side;  ///< from the side, turning in plan
    double splashSteepness_rad = 0.0;
    double splashSpeed_m_s = 0.0;
    Flight middle;  ///< one throw with everything in the middle of its band, with its path
    std::vector<double> steady_rad;
};

/// Speed at which a bait leaves the rod: one throw does the same work on bait and moving rod,
/// v = v20 sqrt((20 g + rod)/(m + rod)).
double throwSpeed_m_s(const Model& model, double speedOf20g_m_s, double mass_kg);

/// 96 throws over the head and 96 from the side, a Halton set (1960) over the speed, elevation,
/// attitude and turn at release and the nine coefficients of the air and line, the same for every
/// bait so that two are compared throw by throw; in steps of 8 ms (within 0.1 %). Errors:
/// "cast.joints" (joints fold in the air: not reckoned), "cast.no_mass", "cast.cancelled".
Result<Cast> computeCast(const Derived& derived, std::stop_token stop = {});

/// Distances of both baits throw by throw, over the head: the median of the second by the first,
/// and the share of throws in which the second goes farther.
struct CastPair {
    double ratio = 1.0;
    double farther = 0.5;
};
Result<CastPair> compareCasts(const Derived& first, const Derived& second,
                              std::stop_token stop = {});

/// Distance of one throw over the head with everything in the middle of its band, in half
/// the steps (within 0.1 %): for what must keep up with an edit. Empty where computeCast has none.
std::optional<double> middleDistance_m(const Derived& derived);

/// The throw (speed of a bait of 20 g) with which this bait flies that far, everything else in the
/// middle of its band, by bisection. Errors: "cast.joints", "cast.no_mass", "cast.out_of_reach"
/// (least, most distance in metres).
Result<double> throwFromDistance(const Derived& derived, double distance_m);

}  // namespace wl
