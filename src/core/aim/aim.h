// Backward design: from what a bait should do to the lip, the tie and the lead to cut.
#pragma once

#include <array>
#include <functional>
#include <optional>
#include <stop_token>
#include <vector>

#include "core/aim/trial.h"
#include "core/reckon/what_if.h"

namespace wl {

/// What a way costs at the bench, against the bait as drawn.
struct AimPrice {
    int fields = 0;            ///< changed, plug lengths apart
    bool slotRecut = false;    ///< the lip's slot stands at another angle or is wider
    int bores = 0;             ///< with lead in them
    double leadMore_kg = 0.0;  ///< than drawn; under 0: less
    double mass_kg = 0.0;
    double leastWall_m = 0.0;        ///< round any bore
    double rollStiffness_N_m = 0.0;  ///< at rest, righting moment per radian
    double rollStiffer_N_m = 0.0;    ///< than as drawn
    double restPitch_rad = 0.0;
    double spare = 0.0;
};

/// One way to what is wanted, gone through the lead planner and the full chain.
struct AimWay {
    enum class Kind {
        Best,
        OneLever,
        LeastChange,
        Steepest,
        InLine,
        SmallestLip,
        OtherTie,
        OtherOutline,  ///< the lip sawn to another outline, the levers set anew
        OneBore,       ///< as the best, its lead all in one bore
        NoTungsten     ///< as the best, its lead no denser than lead
    };
    Kind kind = Kind::Best;
    size_t lever = 0;            ///< of OneLever: which of the wish's
    std::vector<double> values;  ///< of the levers, SI
    Design design;               ///< lead planned
    AimValues told;
    std::vector<double> chances;  ///< of each target
    bool met = false;             ///< every target's figure in its band, lead and all as wanted
    bool leadMet = false;
    AimTrial::Fault fault =
        AimTrial::Fault::None;  ///< the rule it breaks where none keeps them all
    bool settled = true;        ///< roll under way neither grows nor is unsettled in the model
    double loss = 0.0;  ///< of chance by the best any bait could have, as a sum of logarithms
    AimPrice price;
    std::vector<Finding> against;  ///< errors of the design, and what the lead misses
};

/// A trial made on the way, for a picture of depth against swing.
struct AimPoint {
    std::vector<double> values;  ///< of the levers
    double depth_m = 0.0;
    std::optional<double> swing_rad;
    double chance = 0.0;  ///< of all targets together
};

/// What one thing outside the levers, or two, would have to become for the targets to be met; or
/// how near its farthest step comes.
struct AimRelaxation {
    enum class What { ThinnerLine, LongerCast, Faster, Slower, LongerLip, LessLead };
    std::vector<What> what;       ///< one, or a pair
    std::vector<double> becomes;  ///< SI: line diameter, cast, speed, lip length, spare
    AimValues told;               ///< by trial
    bool met = false;
};

/// Why the targets are not met, most certain first.
struct AimShortfall {
    AimTarget target;
    double nearest = 0.0;  ///< what the best way does
    /// No design of the levers' ranges runs deeper on this tackle: the largest pull and the
    /// steepest line found apart, put together on a bait that pulls so, and 5 % more.
    std::optional<double> depthBound_m;
    bool provenImpossible = false;  ///< beyond the bound by more than the model's own doubt
};

struct AimAnswer {
    std::vector<AimTarget> targets;  ///< in figures
    std::vector<double> ceilings;    ///< best chance of each
    std::vector<double> doubts;
    std::vector<AimLever> levers;
    AimValues drawn;  ///< of the bait as it is, lead planned
    /// Those that meet all first, of them the best's with its lead otherwise last; then by loss.
    std::vector<AimWay> ways;
    std::vector<AimPoint> points;
    std::vector<AimShortfall> shortfalls;
    std::vector<AimRelaxation> relaxations;
    size_t trials = 0;
};

/// The design with what a relaxation changes of its brief; a longer lip is drawn by hand.
Design withRelaxation(Design design, const AimRelaxation& relaxation);

/// The wish a design carries: its bands, or the brief's depth within a tenth, and the levers set
/// free.
AimWish wishOf(const Derived& derived);

/// Why that wish cannot be sought at all, at the field that is at fault: "aim.band" (values: its
/// ends), "aim.lever_range", "aim.no_lever". Nothing where it can.
std::optional<Error> wishFault(const Derived& derived);

/// Words for a swing, by the design's own limits.
enum class ActionWord { Tight, Medium, Wide };
inline constexpr std::array<ActionWord, 3> kActionWords{ActionWord::Tight, ActionWord::Medium,
                                                        ActionWord::Wide};
/// The half-swings called so; wide ends where the model is not trusted farther.
AimBand swingCalled(ActionWord word, const SwimNotes& limits);

/// What the full chain says of a bait as it is drawn, for one that shall be like it. Errors: those
/// of the evaluation, "aim.stopped".
Result<AimValues> aimValuesOf(const Design& design, const Model& model = {},
                              std::stop_token stop = {});

/// Like a bait of which these are told: its depth and its beats within a tenth, its swing within a
/// quarter, as far as they are told, relative to it.
std::vector<AimTarget> likeTargets(const AimValues& other);

/// The design with another's figures for its wish, as `likeTargets` has them, and no other wish.
Design withWishLike(Design design, const AimValues& other);

/// Called as ways are found, with all known so far: first the best of single levers alone, then the
/// ways in the order they are sought. No trials counted, no points yet. From the thread that aims,
/// the last time before `aim` returns.
using AimFound = std::function<void(const AimAnswer&)>;

/// Looks for lip and tie by trials on two threads, the lead solved anew for each, and takes what is
/// found through the full chain. Same wish, same answer, whatever the threads. Errors: those of
/// planLead; "aim.no_target", "aim.band" (a band whose low end is not under its high one),
/// "aim.no_lever", "aim.lever_range" (path: a range no bench step lies in, or
/// beyond its field), "aim.not_told" (a relative target of something
/// the bait as drawn does not tell), "aim.untold" (of which no bait tried tells anything: a jointed
/// one without a lip has no beats here), "aim.stopped".
Result<AimAnswer> aim(const Design& design, const AimWish& wish, const Model& model = {},
                      std::stop_token stop = {}, const AimFound& found = {}, const Told& told = {});

}  // namespace wl
