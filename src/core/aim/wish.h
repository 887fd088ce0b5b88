// What a bait is wanted to do, how near a model can tell it, and what may be changed to get there.
#pragma once

#include <array>
#include <optional>
#include <string>
#include <vector>

#include "core/base/quantity.h"
#include "core/reckon/derived.h"
#include "core/swim/swim.h"

namespace wl {

/// Depth: deepest of the retrieve; beats: full cycles a second; swing: half-swing, root of the
/// squares of yaw and roll; pitch under way; cast balance: centre of gravity from the nose by the
/// length.
enum class AimMeasure { Depth, Beats, Swing, RollToYaw, Pitch, CastBalance };
inline constexpr size_t kAimMeasures = 6;

/// Told as it stands, its doubt of the value and not of its logarithm.
constexpr bool isPlain(AimMeasure measure) {
    return measure == AimMeasure::Pitch || measure == AimMeasure::CastBalance;
}

/// The unit a measure is told in.
Quantity quantityOf(AimMeasure measure);

/// A band, inclusive, SI. Relative: `low` and `high` are times what the bait as drawn, or the one
/// it shall be like, does (of a pitch and a balance: so much more than it).
struct AimTarget {
    AimMeasure what = AimMeasure::Depth;
    double low = 0.0;
    double high = 0.0;
    double weight = 1.0;
    bool relative = false;
};

/// What a maker may cut or place anew. Tie: along the lip, or on the body along (x) and up (z).
enum class AimLeverKind { LipAngle, LipLength, LipWidth, TieUpLip, TieAlong, TieUp };

/// One of them: the range it may take and the step a bench can hold (SI).
struct AimLever {
    AimLeverKind kind = AimLeverKind::LipAngle;
    double low = 0.0;
    double high = 0.0;
    double step = 0.0;
    bool operator==(const AimLever&) const = default;
};

/// What the wish says of a measure.
const AimBand& bandOf(const AimNotes& notes, AimMeasure measure);

/// What a bait does by the model.
struct AimValues {
    std::array<std::optional<double>, kAimMeasures> told;
    double pull_N = 0.0;
    double lineAngle_rad = 0.0;
    std::optional<double> of(AimMeasure what) const { return told[size_t(what)]; }
};

/// What a log teaches of a measure of this bait: what is seen by what is reckoned (over 0), and how
/// far that is open, one standard deviation of its logarithm.
struct AimTaught {
    double factor = 1.0;
    double doubt = 0.0;
    bool operator==(const AimTaught&) const = default;
};
using AimLog = std::array<std::optional<AimTaught>, kAimMeasures>;
/// What a bait reckoned so will be seen to do, as far as the log teaches it.
AimValues asSeen(AimValues reckoned, const AimLog& log);

/// Targets besides those of rest, which are the brief's and are met by the lead of every answer.
/// No levers: the usual ones. `settledOnly`: no answer whose roll under way grows, or is not
/// settled.
struct AimWish {
    std::vector<AimTarget> targets;
    std::vector<AimLever> levers;
    bool settledOnly = false;
    bool onlyLevers = false;  ///< no levers means none
    bool bestOnly = false;    ///< one way, and no relaxations
    bool outlines = false;    ///< the best way with other outlines of the lip as well
    /// Of another bait: what is relative is relative to it.
    std::optional<AimValues> like = {};
    /// Targets are what shall be seen; ways, trials and what is nearest are told as they will be.
    AimLog log = {};
    /// It is seen to sink so many times as fast as reckoned; over 0.
    double sinkSeen = 1.0;
};

/// Held to what the field at `path` may hold, so that what is found can be kept in a file.
double heldToField(const Design& design, const std::string& path, double value);

/// What a lever's field is called in files: "/lip/angle".
std::string pathOf(AimLeverKind kind);
/// What the low end of its range is called in a wish: "/aim/angle_from".
std::string rangePathOf(AimLeverKind kind);
/// Where it stands.
double leverOf(const Design& design, AimLeverKind kind);
/// Fittings of bent wire with the tie in their loop, whether the tie names them or not.
std::vector<size_t> lineEyes(const Design& design);

/// Puts a lever and what must follow it: a lip's root, tip and bend stay within the lip, a tie
/// moved along keeps its height over the back, and the eyes of a tie on the body go where it goes.
void setLever(Design& design, const BodyCurves& body, AimLeverKind kind, double value);

/// The levers a bait has, over the ranges usually cut (judged): the lip 15 degrees flatter to 21
/// steeper within 8 to 75, 0.62 to 1.4 times as long, 0.67 to 1.33 as wide, a tie on the lip from
/// 2 mm to 4 mm short of its end, on the nose by its height between belly and back, on the back
/// along it; none for a tie on a loop of the through-wire. All within what
/// their fields may hold.
std::vector<AimLever> usualLevers(const Derived& derived);

/// How far the truth may lie from the model, one standard deviation: of the logarithm, or of the
/// value itself for a pitch and a balance. Judged from the model's own bands: two standard
/// deviations make the 35 % of a depth and the factor 2.5 of a swing. A change from the bait in
/// hand is surer, the less the smaller it is: 3 % of a depth and a fifth of the change, as
/// coefficients drawn from their bands have it.
double aimDoubt(AimMeasure what, bool filmed);
/// `absolute`: the band a relative target comes to; `drawn`: what the bait in hand is told to do.
double relativeDoubt(const AimTarget& absolute, double drawn);
/// Of a bait beside another one: what the model has wrong it has wrong of both, by half (judged),
/// and no surer than a change of one bait.
double likeDoubt(const AimTarget& absolute, double other);

/// Of a bait the log has readings of: what they leave open, and what changing it to there adds.
double taughtDoubt(const AimTarget& absolute, double drawn, const AimTaught& taught);

/// Chance of landing in a target's band when the model says `value`.
double chanceOf(const AimTarget& absolute, double value, double doubt);
/// The best chance any bait could have in it: that of the band's middle.
double bestChance(const AimTarget& absolute, double doubt);
/// Minus the logarithm of the chance by the best there is: 0 at the band's middle, and still rising
/// where the chance is too small for a number.
double lossOf(const AimTarget& absolute, double value, double doubt);

/// A relative target's band in figures; nothing when the bait it is relative to does not tell that.
std::optional<AimTarget> absoluteOf(const AimTarget& target, const AimValues& of);

}  // namespace wl
