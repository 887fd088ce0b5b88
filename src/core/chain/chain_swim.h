// What a bait without a lip does: walked with the rod, or drawn through the water in three pieces
// and more.
#pragma once

#include <functional>
#include <optional>
#include <stop_token>

#include "core/base/spread.h"
#include "core/chain/chain_bait.h"
#include "core/chain/glide.h"
#include "core/chain/line_law.h"

namespace wl {

/// What eight pulls make of it.
enum class GlideVerdict {
    Straight,    ///< under 3 degrees a pull
    Arcs,        ///< turns, but mostly to one side
    Walks,       ///< to one side and the other
    TurnsRound,  ///< over 150 degrees a pull
    Stuck,       ///< goes no farther after its first turn
    CannotTell   ///< differs with the share of momentum a joint loses
};

/// A bait walked with the rod. Trends hold between two baits alike; no figure was ever measured.
struct Glide {
    std::optional<Error> untold;  ///< why nothing below counts
    ChainBait chain;
    std::vector<RodPull> pulls;  ///< those of the brief's cadence, or the usual pull
    bool ownCadence = false;
    GlideWalk walk;  ///< in the middle of the band
    GlideVerdict verdict = GlideVerdict::CannotTell;
    Spread turn_rad;  ///< a pull; the band is that of the share lost at a joint
    Spread width_m;
    Spread way_m;  ///< towards the rod, of eight pulls
    std::optional<Spread> radius_m;
    Coast coast;
    double lever_m = 0.0;  ///< centre of gravity ahead of that of the side area
    bool done = false;     ///< false: stopped
};

/// The pulls of a brief: its cadence with each stretch reeled a pull and each pause a wait of ten
/// seconds at most; without one with a pause, the usual pull.
std::vector<RodPull> rodPulls(const Brief& brief, bool& own);

Glide glideOf(const Derived& derived, std::stop_token stop = {});
/// Of a bait already laid out, to compare its joints.
Glide glideOf(ChainBait chain, const Brief& brief, const Model& model, std::stop_token stop = {});
GlideVerdict verdictOf(const GlideWalk& walk);

enum class SnakeVerdict { WillSwim, CannotTell, WillNot };

/// A chain drawn at the brief's speed. Twelve runs: momentum handed on at a joint or half of it,
/// little drag or much, started bent to and fro, in a C and in an S.
struct Snake {
    std::optional<Error> untold;
    ChainBait chain;
    double speed_m_s = 0.0;
    int swims = 0;
    int of = 0;
    SnakeVerdict verdict = SnakeVerdict::CannotTell;
    bool mayStartFolded = false;  ///< fails only when it starts nearly straight
    bool spins = false;           ///< turned past half a circle in one of them
    bool filmed = false;          ///< beats are those counted on a film, gone with the speed
    bool filmRefused = false;     ///< those are under half or over twice the told ones: not used
    Spread beats_1_s;             ///< of the runs that swim; the high end 1.6 times theirs
    /// Half-swing aside at eleven places from nose to tail, over the runs that swim.
    std::vector<Spread> path_m;
    std::vector<Spread> jointSwing_rad;
    std::vector<bool> jointStops;
    SnakeRun shown;  ///< the first run that swims, or the first
    bool done = false;
};

using SnakeTold = std::function<void(double)>;
Snake snakeOf(const Derived& derived, double speed_m_s, std::stop_token stop = {},
              const SnakeTold& told = {});
Snake snakeOf(ChainBait chain, double speed_m_s, const Model& model, std::stop_token stop = {},
              const SnakeTold& told = {});

/// One joint's opening or place otherwise, or one joint fewer: what that makes of the swim.
struct ChainTrial {
    enum class What { AsDrawn, Opening, Place, Held };
    What what = What::AsDrawn;
    size_t joint = 0;    ///< of the design
    double value = 0.0;  ///< opening, radians; place, metres
    std::optional<Error> untold;
    int swims = 0, of = 0;  ///< of a chain
    Spread beats_1_s;
    GlideVerdict verdict = GlideVerdict::CannotTell;  ///< of a walked bait
    double turn_rad = 0.0;
    double width_m = 0.0;
};

/// What a bait in pieces does, as it is: `what` is AsDrawn.
ChainTrial chainTrial(const Derived& derived, double speed_m_s, std::stop_token stop = {});

/// Each joint opened to 12, 20 and 30 degrees, moved by a twentieth of the length either way, and
/// held fast, one at a time.
std::vector<ChainTrial> tryJoints(const Derived& derived, double speed_m_s,
                                  std::stop_token stop = {}, const SnakeTold& told = {});

}  // namespace wl
