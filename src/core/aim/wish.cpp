#include "core/aim/wish.h"

#include <algorithm>
#include <cmath>

#include "core/base/units.h"
#include "core/design/fields.h"
#include "core/geometry/body_curves.h"
#include "core/placed/surfaces.h"

namespace wl {
namespace {

constexpr double kLeastChance = 1e-8;

double normal(double x) {
    return 0.5 * std::erfc(-x / std::sqrt(2.0));
}

// Where a value stands on the scale its doubt is told in.
double scaled(AimMeasure what, double value) {
    return isPlain(what) ? value : std::log(std::max(1e-12, value));
}

}  // namespace

Quantity quantityOf(AimMeasure measure) {
    switch (measure) {
        case AimMeasure::Depth:
            return Quantity::Distance;
        case AimMeasure::Beats:
        case AimMeasure::RollToYaw:
            return Quantity::Number;
        case AimMeasure::Swing:
        case AimMeasure::Pitch:
            return Quantity::Angle;
        case AimMeasure::CastBalance:
            return Quantity::Fraction;
    }
    return Quantity::Number;
}

const AimBand& bandOf(const AimNotes& notes, AimMeasure measure) {
    switch (measure) {
        case AimMeasure::Depth:
            return notes.depth;
        case AimMeasure::Beats:
            return notes.beats;
        case AimMeasure::Swing:
            return notes.swing;
        case AimMeasure::RollToYaw:
            return notes.rollToYaw;
        case AimMeasure::Pitch:
            return notes.pitch;
        case AimMeasure::CastBalance:
            break;
    }
    return notes.balance;
}

double heldToField(const Design& design, const std::string& path, double value) {
    const auto field = findField(design, path);
    return field ? std::clamp(value, field->min, field->max) : value;
}

std::string pathOf(AimLeverKind kind) {
    switch (kind) {
        case AimLeverKind::LipAngle:
            return "/lip/angle";
        case AimLeverKind::LipLength:
            return "/lip/length";
        case AimLeverKind::LipWidth:
            return "/lip/width";
        case AimLeverKind::TieUpLip:
            return "/tie/up_lip";
        case AimLeverKind::TieAlong:
            return "/tie/x";
        case AimLeverKind::TieUp:
            return "/tie/z";
    }
    return {};
}

std::string rangePathOf(AimLeverKind kind) {
    switch (kind) {
        case AimLeverKind::LipAngle:
            return "/aim/angle_from";
        case AimLeverKind::LipLength:
            return "/aim/length_from";
        case AimLeverKind::LipWidth:
            return "/aim/width_from";
        default:
            return "/aim/tie_from";
    }
}

double leverOf(const Design& design, AimLeverKind kind) {
    switch (kind) {
        case AimLeverKind::LipAngle:
            return design.lip.angle_rad;
        case AimLeverKind::LipLength:
            return design.lip.length_m;
        case AimLeverKind::LipWidth:
            return design.lip.width_m;
        case AimLeverKind::TieUpLip:
            return design.tie.upLip_m;
        case AimLeverKind::TieAlong:
            return tiePoint(design).x();
        case AimLeverKind::TieUp:
            return tiePoint(design).z();
    }
    return 0.0;
}

namespace {

void moveTie(Design& design, const Eigen::Vector3d& at) {
    for (Fitting& eye : design.fittings) {
        if (!design.tie.eye.empty() && eye.name == design.tie.eye && !swings(eye.kind)) {
            eye.x_m = at.x();
            eye.z_m = at.z();
            return;
        }
    }
    design.tie.x_m = at.x();
    design.tie.z_m = at.z();
    design.tie.eye.clear();
}

void putLever(Design& design, const BodyCurves& body, AimLeverKind kind, double value) {
    constexpr double kLongestTip = 0.45;  // of the lip: a longer one leaves no sides
    Lip& lip = design.lip;
    Eigen::Vector3d tie = tiePoint(design);
    switch (kind) {
        case AimLeverKind::LipAngle:
            lip.angle_rad = value;
            break;
        case AimLeverKind::LipLength:
            lip.bendAt_m *= value / lip.length_m;
            lip.tipRound_m = std::min(lip.tipRound_m, kLongestTip * value);
            lip.length_m = value;
            break;
        case AimLeverKind::LipWidth:
            lip.rootWidth_m = std::min(lip.rootWidth_m, value);
            lip.width_m = value;
            break;
        case AimLeverKind::TieUpLip:
            design.tie.upLip_m = value;
            break;
        case AimLeverKind::TieAlong:
            tie.z() += body.atX(value).back_m - body.atX(tie.x()).back_m;
            tie.x() = value;
            moveTie(design, tie);
            break;
        case AimLeverKind::TieUp:
            tie.z() = value;
            moveTie(design, tie);
            break;
    }
}

}  // namespace

std::vector<size_t> lineEyes(const Design& design) {
    const Eigen::Vector3d tie = tiePoint(design);
    std::vector<size_t> eyes;
    for (size_t i = 0; i < design.fittings.size(); ++i) {
        const Fitting& eye = design.fittings[i];
        if (isWireForm(eye.kind) && std::hypot(eye.x_m - tie.x(), eye.z_m - tie.z()) < eye.size_m) {
            eyes.push_back(i);
        }
    }
    return eyes;
}

void setLever(Design& design, const BodyCurves& body, AimLeverKind kind, double value) {
    // A wire up a lip is bent anew where it stands; an eye in the body is set anew.
    const Eigen::Vector3d before = tiePoint(design);
    const std::vector<size_t> eyes = design.tie.onLip() ? std::vector<size_t>{} : lineEyes(design);
    putLever(design, body, kind, value);
    const Eigen::Vector3d moved = tiePoint(design) - before;
    for (const size_t i : eyes) {
        if (design.fittings[i].name != design.tie.eye) {
            design.fittings[i].x_m += moved.x();
            design.fittings[i].z_m += moved.z();
        }
    }
}

namespace {

std::vector<AimLever> leversOfBait(const Derived& d) {
    constexpr double kFlattest = 8 * kDegree, kSteepest = 75 * kDegree, kHalf_m = 0.5e-3;
    constexpr double kWidest = 1.3;  // of the body
    const Design& design = *d.design;
    const Lip& lip = design.lip;
    std::vector<AimLever> levers;
    if (lip.present) {
        levers.push_back(
            {AimLeverKind::LipAngle,
             std::min(lip.angle_rad, std::max(kFlattest, lip.angle_rad - 15 * kDegree)),
             std::max(lip.angle_rad, std::min(kSteepest, lip.angle_rad + 21 * kDegree)), kDegree});
        levers.push_back(
            {AimLeverKind::LipLength, 0.62 * lip.length_m, 1.4 * lip.length_m, kHalf_m});
        levers.push_back({AimLeverKind::LipWidth, 0.67 * lip.width_m,
                          std::max(lip.width_m, std::min(1.33 * lip.width_m,
                                                         kWidest * d.shape->sizes.maxWidth_m)),
                          kHalf_m});
    }
    if (design.tie.onLip() && lip.present) {
        constexpr double kFromSkin_m = 2e-3, kFromEnd_m = 4e-3;
        levers.push_back({AimLeverKind::TieUpLip, std::min(kFromSkin_m, design.tie.upLip_m),
                          std::max(design.tie.upLip_m, lip.length_m - kFromEnd_m), kHalf_m});
        return levers;
    }
    const bool onFitting = std::any_of(
        design.fittings.begin(), design.fittings.end(),
        [&](const Fitting& eye) { return eye.name == design.tie.eye && !swings(eye.kind); });
    if (!design.tie.eye.empty() && !onFitting) {
        return levers;  // the loop it hangs on is bent with the wire
    }
    // Tied at the nose, or to a lip's bait, its height is what is moved; a tie on the back goes
    // along.
    constexpr double kNose = 0.1;
    const double length = d.shape->sizes.length_m;
    const Eigen::Vector3d at = tiePoint(design);
    if (lip.present || divingSurface(d.mass->surfaces) != nullptr || at.x() < kNose * length) {
        const double half = 0.5 * d.shape->sizes.maxHeight_m;
        levers.push_back({AimLeverKind::TieUp, std::min(at.z(), -0.6 * half),
                          std::max(at.z(), 0.6 * half), kHalf_m});
    } else {
        levers.push_back({AimLeverKind::TieAlong, std::min(at.x(), 0.2 * length),
                          std::max(at.x(), 0.5 * length), kHalf_m});
    }
    return levers;
}

}  // namespace

std::vector<AimLever> usualLevers(const Derived& d) {
    std::vector<AimLever> levers = leversOfBait(d);
    for (AimLever& lever : levers) {
        lever.low = heldToField(*d.design, pathOf(lever.kind), lever.low);
        lever.high = heldToField(*d.design, pathOf(lever.kind), lever.high);
    }
    return levers;
}

double aimDoubt(AimMeasure what, bool filmed) {
    switch (what) {
        case AimMeasure::Depth:
            return 0.175;
        case AimMeasure::Beats:
            return filmed ? 0.06 : 0.15;
        case AimMeasure::Swing:
            return filmed ? 0.2 : 0.46;
        case AimMeasure::RollToYaw:
            return 0.46;
        case AimMeasure::Pitch:
            return 2.5 * kDegree;
        case AimMeasure::CastBalance:
            return 0.005;
    }
    return 1.0;
}

double relativeDoubt(const AimTarget& absolute, double drawn) {
    constexpr double kOfChange = 0.2;
    const AimMeasure what = absolute.what;
    const double least = what == AimMeasure::Depth         ? 0.03
                         : what == AimMeasure::Beats       ? 0.07
                         : what == AimMeasure::Pitch       ? 1.0 * kDegree
                         : what == AimMeasure::CastBalance ? 0.005
                                                           : 0.12;
    const double middle = 0.5 * (scaled(what, absolute.low) + scaled(what, absolute.high));
    const double doubt = std::hypot(least, kOfChange * (middle - scaled(what, drawn)));
    return std::min(doubt, aimDoubt(what, false));
}

double likeDoubt(const AimTarget& absolute, double other) {
    constexpr double kNotShared = 0.5;
    const double own = aimDoubt(absolute.what, false);
    return std::min(own, std::hypot(relativeDoubt(absolute, other), kNotShared * own));
}

AimValues asSeen(AimValues values, const AimLog& log) {
    for (size_t i = 0; i < kAimMeasures; ++i) {
        if (values.told[i] && log[i]) {
            *values.told[i] *= log[i]->factor;
        }
    }
    return values;
}

double taughtDoubt(const AimTarget& absolute, double drawn, const AimTaught& taught) {
    return std::min(aimDoubt(absolute.what, false),
                    std::hypot(relativeDoubt(absolute, drawn), taught.doubt));
}

double chanceOf(const AimTarget& target, double value, double doubt) {
    const double y = scaled(target.what, value);
    return normal((scaled(target.what, target.high) - y) / doubt) -
           normal((scaled(target.what, target.low) - y) / doubt);
}

double bestChance(const AimTarget& target, double doubt) {
    const double wide = scaled(target.what, target.high) - scaled(target.what, target.low);
    return 2 * normal(0.5 * wide / doubt) - 1;
}

double lossOf(const AimTarget& target, double value, double doubt) {
    const double best = std::max(kLeastChance, bestChance(target, doubt));
    const double chance = chanceOf(target, value, doubt);
    if (chance > kLeastChance) {
        return std::log(best / chance);
    }
    const double y = scaled(target.what, value);
    const double off = std::max({0.0, (y - scaled(target.what, target.high)) / doubt,
                                 (scaled(target.what, target.low) - y) / doubt});
    // Where the chance of a far band, its near edge alone, is the least that is told.
    constexpr double kEdge = 5.6;
    return std::log(best / kLeastChance) + 0.5 * std::max(0.0, off * off - kEdge * kEdge);
}

std::optional<AimTarget> absoluteOf(const AimTarget& target, const AimValues& of) {
    if (!target.relative) {
        return target;
    }
    const auto now = of.of(target.what);
    if (!now) {
        return std::nullopt;
    }
    AimTarget absolute = target;
    const bool plain = isPlain(target.what);
    absolute.low = plain ? *now + target.low : *now * target.low;
    absolute.high = plain ? *now + target.high : *now * target.high;
    return absolute;
}

}  // namespace wl
