// From what a bait does to what may be behind it: causes with their chances, and the check that
// tells most.
#pragma once

#include <array>
#include <optional>
#include <stop_token>
#include <vector>

#include "core/base/quantity.h"
#include "core/reckon/run.h"

namespace wl {

/// What may be wrong with one copy of a design.
enum class Cause {
    LipTurned,
    LipTwisted,
    LipAngle,
    LipLength,
    TieAside,
    TieHeight,
    LeadAside,
    LeadAlong,
    LeadMass,
    CoatsThick,
    StockHeavy,
    Waterlogged,
    HooksHeavy
};
inline constexpr size_t kCauses = 13;
inline constexpr std::array<const char*, kCauses> kCauseNames{
    "lip_turned",  "lip_twisted", "lip_angle",  "lip_length", "tie_aside",
    "tie_height",  "lead_aside",  "lead_along", "lead_mass",  "coats_thick",
    "stock_heavy", "waterlogged", "hooks_heavy"};

/// What is seen, each as a difference from what is reckoned.
enum class SymptomAxis {
    RunsAside,  ///< off the line to starboard, rad
    Lean,       ///< port side up, rad
    Nose,       ///< up at rest, rad
    Spare,      ///< share of displacement
    Depth,      ///< ln of seen by reckoned, as the next three
    Beats,
    Swing,
    Cast,
    MassOver,   ///< of a dry bait over the drawing, kg
    MassGained  ///< in half an hour's soak, kg
};
inline constexpr size_t kAxes = 10;

/// One cause of this very design: what making allows of it, what it is when it is a fault, and what
/// one tolerance of it does on each axis.
struct CauseEffect {
    Cause cause = Cause::LipTurned;
    Quantity quantity = Quantity::Length;
    double tolerance = 0.0;  ///< standard, of its quantity
    double fault = 4.0;      ///< in tolerances, mean of one at fault; either way unless `oneWay`
    double faultSpread = 1.5;
    bool oneWay = false;
    double chanceNew = 0.05, chanceBefore = 0.01;  ///< of being at fault: judged
    std::array<double, kAxes> effect{};            ///< of one tolerance
};

/// What a bait is reckoned to do on each axis: that of depth, beats, swing and cast in ln, the mass
/// as it is; none where it is not told. The way it runs aside is not in it.
using SymptomFigures = std::array<std::optional<double>, kAxes>;
SymptomFigures symptomFigures(const Derived& derived, std::stop_token stop = {});

struct CauseModel {
    std::vector<CauseEffect> causes;
    std::array<bool, kAxes> told{};  ///< axes that are reckoned for this bait
    bool sidesKnown = false;         ///< without: nothing is said of which side it runs off to
};
/// Each cause put into the design by one tolerance and reckoned again; some 0.2 s. `confirmed`: how
/// often each was found before, which moves the chances (ten cases stand behind those judged).
CauseModel causesOf(const Derived& derived, const Run& run,
                    const std::array<int, kCauses>& confirmed = {}, std::stop_token stop = {});

/// The design with one cause in it, so many tolerances; for the model and its tests.
Design withCause(const Design& design, const CauseEffect& cause, double tolerances);

/// What was seen on an axis, with its standard error.
struct SymptomSeen {
    SymptomAxis axis = SymptomAxis::Depth;
    double value = 0.0;
    double error = 0.0;
};
/// A cause measured itself (in its quantity, over the drawing).
struct CauseSeen {
    Cause cause = Cause::LipTurned;
    double value = 0.0;
    double error = 0.0;
};

struct CauseRanked {
    Cause cause = Cause::LipTurned;
    double chance = 0.0;
    double size = 0.0;                  ///< in its quantity, as likeliest where it is at fault
    std::array<double, kAxes> share{};  ///< of each symptom seen, expected
};

/// What to look at next: a cause itself, or an axis not yet seen.
struct CauseCheck {
    std::optional<Cause> cause;
    std::optional<SymptomAxis> axis;
    double bits = 0.0;
    double minutes = 1.0;
};

struct CauseAnswer {
    std::vector<CauseRanked> ranked;  ///< likeliest first
    double somethingElse = 0.0;
    double nothing = 0.0;
    std::vector<CauseCheck> checks;  ///< most bits a minute first
};

/// Chances over one fault, two faults, something else and none, each hypothesis normal with the
/// tolerances of all, the model's own trust and the readings' errors, the likelihood a Student t of
/// six degrees of freedom over all symptoms together. `before`: it swam right before.
CauseAnswer rankCauses(const CauseModel& model, const std::vector<SymptomSeen>& seen,
                       const std::vector<CauseSeen>& measured, bool before);

}  // namespace wl
