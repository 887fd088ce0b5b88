// How a bait swims: beats, swing, roll, how sure that is, and over which speeds.
#pragma once

#include <stop_token>

#include "core/base/spread.h"
#include "core/swim/swim_bait.h"
#include "core/swim/wobble_linear.h"
#include "core/swim/wobble_run.h"

namespace wl {

/// What makes a swim less sure, told beside it.
struct SwimFlags {
    bool rollUnsettled = false;  ///< turns over by the line's pull in the model, as good baits do:
                                 ///< shown with that couple held at nothing, no verdict
    bool liesOver = false;       ///< does not sit upright at rest
    bool round = false;          ///< nearly round over its middle: roll hardly held by the water
    bool disagree = false;       ///< wake and body keep different times
    bool twoRhythms = false;  ///< another beat would do as well, or the wake is mostly the plate's
    bool flatLip = false;     ///< lip at less than 30 degrees to the water
    bool tooQuick = false;    ///< over 40 beats a second: beyond any retrieve
    bool jointed = false;     ///< the tail's own swing is not in it
    bool operator==(const SwimFlags&) const = default;
};

/// What a film says of the model.
struct FilmFactors {
    double beats = 1.0;         ///< counted by those told without it, at its speed; 1: no film
    double strouhal = 1.0;      ///< of the wake, by the model's: gives those beats
    double force = 1.0;         ///< of the wake, by the curve's: gives the swing seen
    bool beatsRefused = false;  ///< under 0.4 or over 2.5 times what is told: another bait or count
    bool forceRefused = false;  ///< a swing was seen, but no force of the wake gives it
};

/// A bait swimming at one speed.
struct Swim {
    double speed_m_s = 0.0;
    std::optional<Error> untold;  ///< why nothing below counts
    WobbleTow tow;
    bool hasPlate = false;  ///< a lip, a sloped face or a back that hangs in the stream
    bool sheds = false;     ///< something on it sheds a wake by turns
    bool swings = false;    ///< may swing by 3 degrees or more: else there is no action
    Spread beats_1_s;       ///< full cycles
    Spread yaw_rad, roll_rad, swing_rad;  ///< half-swings; swing: hypot of both
    double rollToYaw = 0.0;
    double ownBeat_1_s = 0.0;   ///< of the bait's fastest mode, 0: none
    double tuning = 0.0;        ///< that by the wake's own beat
    double stillPoint_m = 0.0;  ///< from the nose: where it does not go from side to side
    double nosePath_m = 0.0;    ///< half-swings sideways
    double tailPath_m = 0.0;
    double growth_1_s = 0.0;  ///< of a small lean left to itself
    double plateIncidence_rad = 0.0;
    double excitation = 1.0;  ///< of the middle curve, for the full motion
    double couplingShare = 1.0;
    double heldCouple_N_m = 0.0;           ///< taken off the roll couple where rollUnsettled
    FilmFactors film;                      ///< what it was told with
    std::optional<BowlRoll> bowl;          ///< roll timed in a bowl
    Complex6 harmonic = Complex6::Zero();  ///< of (Y, roll, yaw, rates) at the middle
    double wake = 0.0;                     ///< q0 at the middle
    SwimFlags flags;
};

/// The least half-swing that counts as action, radians.
inline constexpr double kDeadSwing_rad = 3.0 * kDegree;

/// Why a told swim is no action: "swim.nothing_sheds", "swim.lip_flat" (value: incidence),
/// "swim.far_from_own" (values: beats of the wake, of the bait), "swim.damped". Nothing where it
/// swings or is not told.
std::optional<Error> whyNoAction(const Swim& swim);

/// What the film of the design says of the model: nothing changed without one. The wake's Strouhal
/// number is found that gives the beats counted, at the film's speed, and the force between 0.3 and
/// 4 times the curve's that gives the swing seen, refused where wake and body disagree or the swing
/// does not go with the force. Both together are told as seen to 0.1 %, but for a count that falls
/// between two rhythms and where wake and body disagree: there the number goes with the count.
FilmFactors filmFactors(const Derived& derived, const Run& run);

/// The bait of a run swimming at the run's speed: harmonic balance with the three curves of the
/// wake. Beats are sure to 30 %, swing to what the curves give and no less than half and 1.6 times,
/// a factor of 3 without a lip, with one flat to the water, where wake and body disagree or roll
/// under tow is not settled.
Swim swimOf(const Derived& derived, const Run& run);
/// At another speed, its tow settled anew.
Swim swimAt(const Derived& derived, const Run& run, double speed_m_s);

/// Towed on a path of its own, `path_rad` down from the level, in the attitude found there. The
/// motion is told about that path; that weight and lift lean against it is left out.
Swim swimTowed(const Derived& derived, const Run& run, const Trim& trim, double path_rad,
               double speed_m_s);

/// The same by the middle curve of the wake alone, a third of the work, of a bait whose lead is not
/// drawn yet: with that mass and centre of gravity (body frame) in place of its own.
Swim middleSwim(const Derived& derived, const Run& run, double mass_kg,
                const Eigen::Vector3d& centreOfGravity_m, const FilmFactors& film);

/// The motion of a swim, to be followed in time or played.
std::optional<WobbleMotion> motionOf(const Derived& derived, const Run& run, const Swim& swim);

/// A bait over the speeds it may be pulled at.
struct SwimSweep {
    std::vector<Swim> speeds;
    std::optional<double> wakesAt_m_s;     ///< first speed with action
    std::optional<double> huntsAbove_m_s;  ///< a small lean grows from here on: likely; not told
                                           ///< where the roll under tow is not settled
    std::optional<double> notBefore_m_s;   ///< least of nine: pitch 6 degrees either way, centre of
                                           ///< gravity 0.3 mm higher and lower
};
/// From 0.2 m/s or the least at which it dives to 2.5 or twice the wanted speed.
SwimSweep sweepSwim(const Derived& derived, const Run& run, int count = 20,
                    std::stop_token stop = {});

/// In how many of nine full motions at the wanted speed it rolls over: pitch and centre of gravity
/// as in SwimSweep. Nothing where the swim is not told.
struct RollOvers {
    int rolled = 0;
    int of = 0;
};
std::optional<RollOvers> rollOvers(const Derived& derived, const Run& run, const Swim& swim,
                                   std::stop_token stop = {});

}  // namespace wl
