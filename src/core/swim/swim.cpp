#include "core/swim/swim.h"

#include <algorithm>
#include <cmath>

#include <Eigen/Eigenvalues>

#include "core/base/units.h"
#include "core/reckon/tow.h"
#include "core/swim/swim_parts.h"

namespace wl {
namespace {

constexpr double kBeatDoubt = 0.30, kBeatDoubtFilmed = 0.12, kLeastLow = 0.5, kLeastHigh = 1.6,
                 kUnsure = 3.0;

// Nearly round over the middle half.
bool isRound(const WobbleBody& body) {
    double most = 0;
    for (const WobbleStrip& s : body.strips) {
        if (std::abs(s.x_m) < 0.25 * body.length_m) {
            const double ratio = s.width_m / s.height_m;
            most = std::max(most, std::abs(1 - ratio * ratio));
        }
    }
    return most < 0.2;
}

// The largest real root that is no swing.
double realGrowth(const WobbleLinear& l) {
    double growth = -1e9;
    for (int i = 0; i < 6; ++i) {
        if (std::abs(l.roots[i].imag()) < 1e-9) {
            growth = std::max(growth, l.roots[i].real());
        }
    }
    return growth;
}

double fastestBeat(const WobbleLinear& l) {
    return l.roots.imag().maxCoeff() / (2 * kPi);
}

Spread spreadOf(double low, double middle, double high, bool unsure) {
    const double down = unsure ? 1 / kUnsure : kLeastLow, up = unsure ? kUnsure : kLeastHigh;
    return {std::min(low, down * middle), middle, std::max(high, up * middle)};
}

void describe(const WobbleMotion& motion, const Wobble& w, Swim& swim) {
    const WobbleBody& body = motion.body();
    swim.harmonic = w.swing;
    swim.wake = w.wake;
    const std::complex<double> sway = w.swing[0], yaw = w.swing[2];
    const double across = std::norm(yaw);
    swim.stillPoint_m =
        0.5 * body.length_m - (across > 1e-12 ? -(sway * std::conj(yaw)).real() / across : 0.0);
    swim.nosePath_m = std::abs(sideSwing(motion, w, {0.5 * body.length_m, 0, 0}));
    swim.tailPath_m = std::abs(sideSwing(motion, w, {-0.5 * body.length_m, 0, 0}));
}

// What the bowl says of the body as reckoned: its weight put back to where it was.
std::optional<BowlRoll> bowlSaid(const Derived& d, const WobbleBody& taken) {
    WobbleBody body = taken;
    body.centreOfGravity_m.z() = toSwim(d.mass->centreOfGravity_m, body.length_m).z();
    return bowlRoll(body, d.design->swim, d.model);
}

}  // namespace

Swim swimWith(const WobbleBody& body, const WobbleTow& tow, const Derived& d,
              const FilmFactors& film, bool middleOnly) {
    constexpr double kQuick_1_s = 40.0;
    Swim swim;
    swim.speed_m_s = tow.speed_m_s;
    swim.tow = tow;
    swim.film = film;
    const Model model = filmedModel(d.model, film);
    WobbleMotion motion(body, tow, model);
    WobbleLinear linear = linearise(motion);
    swim.growth_1_s = growth_1_s(linear);
    // A tie under the axis of roll: the line's pull outweighs what holds it upright. Makers' baits
    // tied so do run; the couple is held at nothing and that is told.
    if (body.plate && body.plate->isLip && realGrowth(linear) > kGrows_1_s) {
        const double couple = rollCouple_N_m(body, tow);
        if (couple > 0) {
            WobbleTuning tuning;
            tuning.rollCoupleHeld = couple;
            swim.heldCouple_N_m = couple;
            swim.flags.rollUnsettled = true;
            motion.setTuning(tuning);
            linear = linearise(motion);
        }
    }
    swim.ownBeat_1_s = fastestBeat(linear);
    swim.bowl = d.design->swim.bowlRolls ? bowlSaid(d, body) : std::nullopt;
    swim.flags.liesOver = body.rollStiffness_N_m() <= 0;
    swim.flags.round = isRound(body);
    swim.flags.jointed = !d.design->joints.empty();
    swim.plateIncidence_rad = std::asin(std::min(1.0, motion.plateIncidence()));
    swim.flags.flatLip = body.plate && body.plate->isLip && motion.plateIncidence() < 0.5;
    swim.hasPlate = body.plate.has_value();
    swim.sheds = motion.hasWake();
    if (!swim.sheds) {
        return swim;
    }
    const auto curves = wakeCurves(model);
    std::array<Wobble, 3> w;
    for (size_t i = 0; i < 3; ++i) {
        if (i == 1 || !middleOnly) {
            w[i] = balanceWobble(motion, curves[i]);
        }
    }
    if (!w[1].found) {
        swim.untold = Error{"swim.no_rhythm", "/brief/retrieve_speed", {}, {}};
        return swim;
    }
    const Wobble& low = w[0].found ? w[0] : w[1];
    const Wobble& high = w[2].found ? w[2] : w[1];
    swim.flags.disagree = !w[1].coupled;
    constexpr double kMostlyPlate = 0.6;
    swim.flags.twoRhythms = w[1].ambiguous || w[1].coupling > kMostlyPlate;
    swim.flags.tooQuick = w[1].beats_1_s > kQuick_1_s;
    const bool unsure =
        swim.flags.disagree || swim.flags.rollUnsettled || swim.flags.flatLip || !body.plate->isLip;
    const double doubt = swim.flags.disagree ? 0.40
                         : film.beats != 1.0 ? kBeatDoubtFilmed
                                             : kBeatDoubt;
    swim.beats_1_s = {(1 - doubt) * w[1].beats_1_s, w[1].beats_1_s, (1 + doubt) * w[1].beats_1_s};
    swim.yaw_rad = spreadOf(low.yaw_rad(), w[1].yaw_rad(), high.yaw_rad(), unsure);
    swim.roll_rad = spreadOf(low.roll_rad(), w[1].roll_rad(), high.roll_rad(), unsure);
    const auto swing = [](const Wobble& one) { return std::hypot(one.yaw_rad(), one.roll_rad()); };
    swim.swing_rad = spreadOf(swing(low), swing(w[1]), swing(high), unsure);
    swim.rollToYaw = w[1].yaw_rad() > 1e-9 ? w[1].roll_rad() / w[1].yaw_rad() : 0.0;
    swim.tuning = w[1].shedding_1_s > 0 ? swim.ownBeat_1_s / w[1].shedding_1_s : 0.0;
    swim.swings = swim.swing_rad.high >= kDeadSwing_rad;
    swim.excitation = w[1].excitation;
    swim.couplingShare = w[1].couplingShare;
    describe(motion, w[1], swim);
    return swim;
}

Swim untoldAt(double speed, const Error& why) {
    Swim swim;
    swim.speed_m_s = speed;
    swim.untold = why;
    return swim;
}

std::optional<Trim> settledAt(const Derived& d, double speed) {
    return settleTrim(d.towed, speed, 0.0, towStart_rad(d));
}

std::optional<Error> whyNoAction(const Swim& swim) {
    constexpr double kFar = 1.6, kNear = 0.6;
    const auto tenths = [](double beats) { return std::round(10 * beats) / 10; };
    if (swim.untold || swim.swings) {
        return std::nullopt;
    }
    if (!swim.hasPlate) {
        return Error{"swim.nothing_sheds", "/lip/present", {}, {}};
    }
    if (!swim.sheds || std::sin(swim.plateIncidence_rad) < 0.5) {
        return Error{
            "swim.lip_flat", "/lip/angle", {}, {{Quantity::Angle, swim.plateIncidence_rad}}};
    }
    if (swim.tuning > kFar || swim.tuning < kNear) {
        return Error{"swim.far_from_own",
                     "/lip/width",
                     {},
                     {{Quantity::Number, tenths(swim.ownBeat_1_s / std::max(1e-9, swim.tuning))},
                      {Quantity::Number, tenths(swim.ownBeat_1_s)}}};
    }
    return Error{"swim.damped", "/fittings", {}, {}};
}

Swim swimAt(const Derived& d, const Run& run, double speed) {
    const Result<WobbleBody> body = wobbleBody(d, run);
    if (!body) {
        return untoldAt(speed, body.error());
    }
    const Result<WobbleTow> tow = wobbleTow(settledAt(d, speed), speed);
    return tow ? swimWith(*body, *tow, d, filmFactors(d, run)) : untoldAt(speed, tow.error());
}

Swim swimOf(const Derived& d, const Run& run) {
    const double speed = towSpeed_m_s(d);
    const Result<WobbleBody> body = wobbleBody(d, run);
    if (!body) {
        return untoldAt(speed, body.error());
    }
    const Result<WobbleTow> tow = wobbleTow(run.levelTrim, speed);
    return tow ? swimWith(*body, *tow, d, filmFactors(d, run)) : untoldAt(speed, tow.error());
}

Swim swimTowed(const Derived& d, const Run& run, const Trim& trim, double path, double speed) {
    const Result<WobbleBody> body = wobbleBody(d, run);
    if (!body) {
        return untoldAt(speed, body.error());
    }
    Trim along = trim;
    along.pitch_rad = trim.pitch_rad + path;
    along.lineAngle_rad += path;
    const Result<WobbleTow> tow = wobbleTow(along, speed);
    return tow ? swimWith(*body, *tow, d, filmFactors(d, run)) : untoldAt(speed, tow.error());
}

Swim middleSwim(const Derived& d, const Run& run, double mass_kg,
                const Eigen::Vector3d& centreOfGravity_m, const FilmFactors& film) {
    const double speed = towSpeed_m_s(d);
    Result<WobbleBody> ready = wobbleBody(d, run);
    if (!ready) {
        return untoldAt(speed, ready.error());
    }
    const Result<WobbleTow> tow = wobbleTow(run.levelTrim, speed);
    if (!tow) {
        return untoldAt(speed, tow.error());
    }
    WobbleBody body = std::move(ready).value();
    // As far as a bowl has put the weight, it stays put.
    const Eigen::Vector3d moved = centreOfGravity_m - d.mass->centreOfGravity_m;
    body.centreOfGravity_m += toSwimVector(moved);
    body.mass_kg = mass_kg;
    return swimWith(body, *tow, d, film, true);
}

std::optional<WobbleMotion> motionOf(const Derived& d, const Run& run, const Swim& swim) {
    const Result<WobbleBody> body = wobbleBody(d, run);
    if (!body || swim.untold) {
        return std::nullopt;
    }
    WobbleTuning tuning;
    tuning.excitation = swim.excitation;
    tuning.couplingShare = swim.couplingShare;
    tuning.rollCoupleHeld = swim.heldCouple_N_m;
    return WobbleMotion(*body, swim.tow, filmedModel(d.model, swim.film), tuning);
}

}  // namespace wl
