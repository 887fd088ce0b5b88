#include "core/swim/symptoms.h"

#include <algorithm>
#include <cmath>

#include "core/reckon/evaluate.h"
#include "core/reckon/lean.h"
#include "core/reckon/tow.h"

namespace wl {
namespace {

using What = Remedy::What;

// A usual tolerance of each fault.
double tolerance(FaultRun::Fault fault) {
    const bool angle = fault == FaultRun::Fault::LipTwist || fault == FaultRun::Fault::LipTurn;
    return angle ? kDegree : 0.5e-3;
}

// Lead off the middle by a lean in the tank, starboard over 0; nothing within what can be read.
double leadOff_m(const Derived& d, double lean_rad) {
    double lead = 0;
    for (const MassItem& item : d.mass->items) {
        lead += item.kind == PartKind::Plug ? item.mass_kg : 0;
    }
    const double stiffness = leanStiffness_kg_m(d);
    return std::abs(lean_rad) <= d.design->errors.seenAngle_rad || lead <= 0 || stiffness <= 0
               ? 0
               : lean_rad * stiffness / lead;
}

void suspect(const Derived& d, const Run& run, TwoSpeeds speeds, Diagnosis& out) {
    const Result<Tuning> tuning = tuningOf(d, run);
    if (!tuning) {
        out.untold = tuning.error();
        return;
    }
    if (tuning->faults.empty()) {
        out.untold = Error{"swim.side_not_known", "/tie/x", {}, {}};
        return;
    }
    out.sidesKnown = tuning->signsKnown && !tuning->rollUnsettled;
    double all = 0;
    for (const FaultRun& f : tuning->faults) {
        const bool lead = f.fault == FaultRun::Fault::Lead;
        if (f.rollsOver || (lead && speeds == TwoSpeeds::WorseFaster) ||
            (!lead && speeds == TwoSpeeds::SameAtBoth)) {
            continue;
        }
        double size = tolerance(f.fault);
        const bool right = (f.run_rad > 0) == (out.symptom == Symptom::RunsRight);
        if (lead && leanStiffness_kg_m(d) > 0) {
            out.leanSeen_rad = leanBeyondDrawn_rad(d);
        }
        if (lead && out.leanSeen_rad) {
            const double off = leadOff_m(d, *out.leanSeen_rad);
            size = std::abs(off);
            out.leadExcluded = size <= 0 || (off > 0) != right;
            if (out.leadExcluded) {
                continue;
            }
        }
        const double effect = std::abs(f.run_rad) * size / f.size;
        out.suspects.push_back({f.fault, right, size, effect});
        all += effect;
    }
    for (Suspect& s : out.suspects) {
        s.share = all > 0 ? s.share / all : 0;
    }
    std::sort(out.suspects.begin(), out.suspects.end(),
              [](const Suspect& a, const Suspect& b) { return a.share > b.share; });
}

// Growth of the slowest swing; a real root of the line's pull back to the middle is none.
double slowestSwing(const WobbleMotion& motion) {
    const WobbleLinear l = linearise(motion);
    double growth = 0, rate = 1e9;
    for (int i = 0; i < 6; ++i) {
        const double beat = std::abs(l.roots[i].imag());
        if (beat > 1e-6 && beat < rate) {
            rate = beat;
            growth = l.roots[i].real();
        }
    }
    return growth;
}

struct Tried {
    Derived derived;
    Run run;
    double lower_m = 0;  // of the weight
    double speed = 0;
};

std::optional<double> figureOf(const Tried& t, Symptom symptom) {
    constexpr double kHard = 1.5;
    if (symptom == Symptom::BuriesHead || symptom == Symptom::TailHeavy) {
        return t.run.levelTrim ? std::optional(t.run.levelTrim->pitch_rad) : std::nullopt;
    }
    Result<WobbleBody> body = wobbleBody(t.derived, t.run);
    if (!body) {
        return std::nullopt;
    }
    WobbleBody moved = *body;
    moved.centreOfGravity_m.z() += t.lower_m;
    if (symptom == Symptom::RollsOver) {
        const double fast = kHard * t.speed;
        const auto trim = settleTrim(t.derived.towed, fast, 0.0, towStart_rad(t.derived));
        const Result<WobbleTow> tow = wobbleTow(trim, fast);
        return tow ? std::optional(rollCouple_N_m(moved, *tow)) : std::nullopt;
    }
    const Swim swim = swimOf(t.derived, t.run);
    if (swim.untold) {
        return std::nullopt;
    }
    if (symptom == Symptom::Dead) {
        return swim.swing_rad.middle;
    }
    WobbleTuning tuning;
    tuning.rollCoupleHeld = swim.heldCouple_N_m;
    return slowestSwing(WobbleMotion(moved, swim.tow, t.derived.model, tuning));
}

// How much better a figure is than another.
double better(Symptom symptom, double after, double before) {
    switch (symptom) {
        case Symptom::BuriesHead:
        case Symptom::Dead:
            return after - before;
        case Symptom::TailHeavy:
        case Symptom::RollsOver:
        case Symptom::Hunts:
        default:
            return before - after;
    }
}

struct Step {
    What what;
    double step;
    void (*change)(Design&, double);
    bool lipOnly;
};

// Tie up: where it is on the lip, up the lip.
void raiseTie(Design& d, double by) {
    if (d.lip.present && d.tie.onLip()) {
        d.tie.upLip_m -= by;
    } else {
        d.tie.z_m += by;
    }
}

const std::vector<Step>& steps() {
    static const std::vector<Step> all{
        {What::TieUp, 1e-3, [](Design& d, double s) { raiseTie(d, s); }, false},
        {What::TieDown, 1e-3, [](Design& d, double s) { raiseTie(d, -s); }, false},
        {What::TieForward, 2e-3,
         [](Design& d, double s) {
             if (!(d.lip.present && d.tie.onLip())) {
                 d.tie.x_m -= s;
             }
         },
         false},
        {What::LipSteeper, 5 * kDegree, [](Design& d, double s) { d.lip.angle_rad += s; }, true},
        {What::LipFlatter, 5 * kDegree, [](Design& d, double s) { d.lip.angle_rad -= s; }, true},
        {What::LipWider, 0.15, [](Design& d, double s) { d.lip.width_m *= 1 + s; }, true},
        {What::LipNarrower, 0.15, [](Design& d, double s) { d.lip.width_m *= 1 - s; }, true},
        {What::LipShorter, 0.15, [](Design& d, double s) { d.lip.length_m *= 1 - s; }, true},
        {What::Slower, 0.2, [](Design& d, double s) { d.brief.retrieveSpeed_m_s *= 1 - s; },
         false}};
    return all;
}

}  // namespace

Diagnosis diagnose(const Derived& d, const Run& run, Symptom symptom, TwoSpeeds speeds,
                   std::stop_token stop) {
    constexpr double kBuried_rad = -45 * kDegree, kLower_m = 1e-3, kSlack = 0.02;
    Diagnosis out;
    out.symptom = symptom;
    if (symptom == Symptom::RunsLeft || symptom == Symptom::RunsRight) {
        suspect(d, run, speeds, out);
        return out;
    }
    Tried now{d, run, 0, towSpeed_m_s(d)};
    out.restPitch_rad = d.rest->pitch_rad;
    const auto before = figureOf(now, symptom);
    if (!before) {
        const Swim swim = swimOf(d, run);
        out.untold = swim.untold ? *swim.untold : Error{"swim.no_trim", "/tie/x", {}, {}};
        return out;
    }
    out.figure = *before;
    switch (symptom) {
        case Symptom::RollsOver:
        case Symptom::Hunts:
            out.expected = *before > 0;
            break;
        case Symptom::BuriesHead:
            out.expected = *before < kBuried_rad;
            break;
        case Symptom::TailHeavy:
            out.expected = *before > 0 || out.restPitch_rad > 0;
            break;
        case Symptom::Dead:
        default:
            out.expected = *before < kDeadSwing_rad;
    }
    const auto weigh = [&](What what, double step, const Tried& tried) {
        const auto after = figureOf(tried, symptom);
        if (after &&
            better(symptom, *after, *before) > kSlack * std::max(std::abs(*before), 1e-9)) {
            out.remedies.push_back({what, step, *after});
        }
    };
    if (symptom == Symptom::RollsOver || symptom == Symptom::Hunts) {
        now.lower_m = kLower_m;
        weigh(What::WeightLower, kLower_m, now);
    }
    for (const Step& step : steps()) {
        if (stop.stop_requested()) {
            return out;
        }
        if (step.lipOnly && !d.design->lip.present) {
            continue;
        }
        Design changed = *d.design;
        step.change(changed, step.step);
        if (changed == *d.design) {
            continue;
        }
        const Result<Derived> there = evaluate(changed, &d, d.model);
        if (there) {
            weigh(step.what, step.step,
                  {*there, computeRun(*there, stop, kCoarseRetrieve), 0, towSpeed_m_s(*there)});
        }
    }
    std::stable_sort(
        out.remedies.begin(), out.remedies.end(),
        [&](const Remedy& a, const Remedy& b) { return better(symptom, a.after, b.after) > 0; });
    return out;
}

std::optional<double> leastDisc_m(const Derived& d, std::stop_token stop) {
    constexpr double kFrom_m = 4e-3, kStep_m = 1e-3, kBodies = 3, kAngle_rad = 55 * kDegree;
    const double most = kBodies * d.shape->sizes.maxWidth_m;
    for (double size = kFrom_m; size <= most && !stop.stop_requested(); size += kStep_m) {
        Design with = *d.design;
        with.lip.present = true;
        with.lip.family = LipFamily::Disc;
        with.lip.length_m = with.lip.width_m = size;
        with.lip.angle_rad = kAngle_rad;
        const Result<Derived> there = evaluate(with, &d, d.model);
        if (!there) {
            continue;
        }
        const Swim swim = swimOf(*there, computeRun(*there, stop, kCoarseRetrieve));
        if (!swim.untold && swim.swing_rad.middle >= kDeadSwing_rad) {
            return size;
        }
    }
    return std::nullopt;
}

}  // namespace wl
