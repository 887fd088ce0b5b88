#include <algorithm>

#include "core/base/units.h"
#include "core/reckon/tow.h"
#include "core/swim/swim_parts.h"

namespace wl {
namespace {

// Nine baits as alike as one can tell them: nose 6 degrees up and down, the centre of gravity 0.3
// mm up and down.
template <class Each>
void nineAlike(const WobbleBody& body, const WobbleTow& tow, Each each) {
    for (const double pitch : {-6 * kDegree, 0.0, 6 * kDegree}) {
        for (const double lower : {-0.3e-3, 0.0, 0.3e-3}) {
            WobbleBody other = body;
            other.centreOfGravity_m.z() += lower;
            WobbleTow turned = tow;
            turned.pitch_rad += pitch;
            each(other, turned, pitch == 0 && lower == 0);
        }
    }
}

// Whether a small lean grows at a speed: of the bait, of any of nine alike.
struct Hunting {
    double speed_m_s = 0.0;
    bool middle = false, any = false;
};

// The speed between two at which something begins, to a centimetre a second.
template <class Holds>
double beginsAt(double low, double high, Holds holds) {
    constexpr double kFine_m_s = 0.01;
    while (high - low > kFine_m_s) {
        const double middle = 0.5 * (low + high);
        (holds(middle) ? high : low) = middle;
    }
    return high;
}

// From where on it grows: the last speed at which that begins. What does so at low speeds alone,
// before the water holds it, is no onset.
template <class Hunts>
std::optional<double> onsetOf(const std::vector<Hunting>& all, bool Hunting::*grows, Hunts hunts) {
    if (all.empty() || !(all.back().*grows)) {
        return std::nullopt;
    }
    size_t i = all.size() - 1;
    while (i > 0 && all[i - 1].*grows) {
        --i;
    }
    return i == 0 ? all[i].speed_m_s
                  : beginsAt(all[i - 1].speed_m_s, all[i].speed_m_s,
                             [&](double speed) { return hunts(speed).*grows; });
}

}  // namespace

SwimSweep sweepSwim(const Derived& d, const Run& run, int count, std::stop_token stop) {
    constexpr double kFrom_m_s = 0.2, kTo_m_s = 2.5;
    SwimSweep sweep;
    const double to = std::max(kTo_m_s, 2 * towSpeed_m_s(d));
    const FilmFactors film = filmFactors(d, run);
    const Model model = filmedModel(d.model, film);
    const Result<WobbleBody> body = wobbleBody(d, run);
    const auto swimHere = [&](double speed) {
        if (!body) {
            return untoldAt(speed, body.error());
        }
        const Result<WobbleTow> tow = wobbleTow(settledAt(d, speed), speed);
        return tow ? swimWith(*body, *tow, d, film) : untoldAt(speed, tow.error());
    };
    const auto wakes = [](const Swim& swim) {
        return !swim.untold && swim.swing_rad.middle >= kDeadSwing_rad;
    };
    const auto huntsHere = [&](const WobbleTow& tow) {
        Hunting here{tow.speed_m_s, false, false};
        nineAlike(*body, tow, [&](const WobbleBody& other, const WobbleTow& turned, bool middle) {
            const bool grows =
                growth_1_s(linearise(WobbleMotion(other, turned, model))) > kGrows_1_s;
            here.any = here.any || grows;
            here.middle = here.middle || (middle && grows);
        });
        return here;
    };
    std::vector<Hunting> hunting;
    for (int i = 0; i < count && !stop.stop_requested(); ++i) {
        const double speed = kFrom_m_s + (to - kFrom_m_s) * i / std::max(1, count - 1);
        const Swim swim = swimHere(speed);
        if (!sweep.wakesAt_m_s && wakes(swim)) {
            sweep.wakesAt_m_s = sweep.speeds.empty()
                                    ? speed
                                    : beginsAt(sweep.speeds.back().speed_m_s, speed,
                                               [&](double v) { return wakes(swimHere(v)); });
        }
        // Where the line's pull turns it over in the model, growth says nothing of the bait.
        if (!swim.untold && !swim.flags.rollUnsettled) {
            hunting.push_back(huntsHere(swim.tow));
        }
        sweep.speeds.push_back(swim);
    }
    const auto hunts = [&](double speed) {
        const Result<WobbleTow> tow = wobbleTow(settledAt(d, speed), speed);
        return tow ? huntsHere(*tow) : Hunting{speed, false, false};
    };
    sweep.huntsAbove_m_s = onsetOf(hunting, &Hunting::middle, hunts);
    sweep.notBefore_m_s = onsetOf(hunting, &Hunting::any, hunts);
    return sweep;
}

std::optional<RollOvers> rollOvers(const Derived& d, const Run& run, const Swim& swim,
                                   std::stop_token stop) {
    const Result<WobbleBody> body = wobbleBody(d, run);
    if (!body || swim.untold) {
        return std::nullopt;
    }
    RollOvers count;
    WobbleTuning tuning;
    tuning.excitation = swim.excitation;
    tuning.couplingShare = swim.couplingShare;
    tuning.rollCoupleHeld = swim.heldCouple_N_m;
    nineAlike(*body, swim.tow, [&](const WobbleBody& other, const WobbleTow& turned, bool) {
        const WobbleMotion motion(other, turned, filmedModel(d.model, swim.film), tuning);
        const double shed = motion.loads(WobbleState::Zero()).shedding_1_s / (2 * kPi);
        const WobbleRun one =
            runWobble(motion, WobbleClock::usual(shed), smallStart(), false, stop);
        count.of += one.done ? 1 : 0;
        count.rolled += one.rolledOver_s ? 1 : 0;
    });
    return count;
}

}  // namespace wl
