#include "core/aim/trial.h"

#include <algorithm>
#include <cmath>

#include "core/base/units.h"
#include "core/reckon/evaluate.h"
#include "core/reckon/tow.h"

namespace wl {
namespace {

constexpr double kMiss = 10.0;
// Bores so nearly full are the planner's to judge.
constexpr double kNearlyFull_m = 0.3e-3;

// The lead of a trial: the drawing's, and what the first and the last bore take more of it so that
// mass and attitude at rest stay as wanted. What a few tenths of a gram do to the floating volume
// and to the height of the weight is taken along; how they are bored is the planner's.
struct TrialLead {
    double mass_kg = 0.0;
    Eigen::Vector3d centreOfGravity_m = Eigen::Vector3d::Zero();
    double short_m = 0.0;  ///< plug length that has no room
};

// A plug as dense as its filler weighs nothing more however long it is.
double lengthFor(double more_kg, double gain_kg_m) {
    constexpr double kWeightless_kg_m = 1e-6, kNothing_kg = 1e-6, kNever_m = 1.0;
    if (std::abs(gain_kg_m) > kWeightless_kg_m) {
        return more_kg / gain_kg_m;
    }
    return std::abs(more_kg) < kNothing_kg ? 0.0 : kNever_m;
}

TrialLead leadFor(const AimBase& base, const Derived& d) {
    const Brief& brief = d.design->brief;
    const Eigen::Vector3d up = upInBody(brief.wantedPitch_rad, 0.0);
    const Eigen::Vector3d aft = planeAxes(up).aft;
    const bool sinks = brief.wantedState == WantedState::Sink;
    const double wanted = sinks ? base.plan.wantedMass_kg : d.wantedMass_kg;
    TrialLead lead;
    lead.mass_kg = d.mass->mass_kg;
    lead.centreOfGravity_m = d.mass->centreOfGravity_m;
    const std::vector<Bore>& bores = d.design->bores;
    const Eigen::Vector3d moment = lead.mass_kg * lead.centreOfGravity_m;
    const double more = wanted - lead.mass_kg;
    const double moreMoment = wantedMomentAft(d, brief, up, wanted) - aft.dot(moment);
    // The two bores farthest apart along the bait.
    size_t fore = 0, rear = 0;
    for (size_t j = 0; j < bores.size(); ++j) {
        fore = bores[j].x_m < bores[fore].x_m ? j : fore;
        rear = bores[j].x_m > bores[rear].x_m ? j : rear;
    }
    std::array<size_t, 2> which{fore, rear};
    std::array<double, 2> gain{}, arm{};
    for (size_t i = 0; i < 2; ++i) {
        const Bore& bore = bores[which[i]];
        gain[i] = kPi / 4 * bore.diameter_m * bore.diameter_m *
                  (bore.plugDensity_kg_m3 - bore.fillerDensity_kg_m3);
        arm[i] = aft.dot(d.mass->bores[which[i]].plugCentroid_m);
    }
    std::array<double, 2> added{};
    if (fore == rear || std::abs(arm[1] - arm[0]) < 1e-4) {
        added[0] = lengthFor(more, gain[0]);
    } else {
        const double last = (moreMoment - more * arm[0]) / (arm[1] - arm[0]);
        added = {lengthFor(more - last, gain[0]), lengthFor(last, gain[1])};
    }
    Eigen::Vector3d sum = moment;
    for (size_t i = 0; i < 2; ++i) {
        const Bore& bore = bores[which[i]];
        const BoreGeometry& g = d.mass->bores[which[i]];
        const double area = kPi / 4 * bore.diameter_m * bore.diameter_m;
        const double most = g.entersBody ? std::min(bore.depth_m, g.removed_m3 / area) : 0.0;
        const double length = std::clamp(bore.plugLength_m + added[i], 0.0, most);
        lead.short_m = std::max(lead.short_m, std::abs(bore.plugLength_m + added[i] - length));
        const double mass = gain[i] * (length - bore.plugLength_m);
        lead.mass_kg += mass;
        sum += mass * g.plugCentroid_m;
    }
    lead.centreOfGravity_m = sum / lead.mass_kg;
    return lead;
}

AimTrial faulty(AimTrial trial, AimTrial::Fault fault, double size) {
    trial.fault = fault;
    trial.faultSize = size;
    return trial;
}

void tell(AimValues& values, AimMeasure what, double value) {
    values.told[size_t(what)] = value;
}

void tellSwim(const Swim& swim, AimValues& values) {
    tell(values, AimMeasure::Beats, swim.beats_1_s.middle);
    tell(values, AimMeasure::Swing, swim.swing_rad.middle);
    tell(values, AimMeasure::RollToYaw, swim.rollToYaw);
}

AimTrial tryUnguarded(const AimBase& base, const std::vector<AimLever>& levers,
                      const std::vector<double>& values, bool wantsSwim,
                      const std::stop_token& stop);

}  // namespace

bool isMet(const LeadPlan& plan) {
    constexpr double kMet_kg = 0.05e-3, kMetMoment_kg_m = 2e-6;
    return std::abs(plan.missingMass_kg) < kMet_kg &&
           std::abs(plan.missingMoment_kg_m) < kMetMoment_kg_m;
}

bool settles(const Swim& swim) {
    constexpr double kGrowing_1_s = 0.3;
    return swim.untold || (!swim.flags.rollUnsettled && swim.growth_1_s <= kGrowing_1_s);
}

bool trusted(const Swim& swim) {
    return !swim.untold && !swim.flags.disagree && !swim.flags.tooQuick &&
           swim.swing_rad.middle < kWidestTrusted_rad && !swim.flags.flatLip;
}

Result<AimBase> aimBase(const Design& design, const Model& model, std::stop_token stop,
                        double sinkSeen) {
    AimBase base;
    base.drawn = design;
    base.model = model;
    std::optional<Derived> seen;
    if (sinkSeen != 1.0) {
        if (Result<Derived> drawn = evaluate(design)) {
            seen = sinkingAsSeen(std::move(drawn).value(), sinkSeen);
        }
    }
    Result<LeadPlan> plan = planLead(design, seen ? &*seen : nullptr, stop);
    if (!plan) {
        return plan.error();
    }
    base.plan = std::move(plan).value();
    if (!(model == Model{})) {
        Result<Derived> there = evaluate(base.plan.design, base.plan.reached.get(), model);
        if (!there) {
            return there.error();
        }
        base.plan.reached = std::make_shared<const Derived>(std::move(there).value());
    }
    base.planMet = isMet(base.plan);
    const Run run = computeRun(*base.plan.reached, stop, kCoarseRetrieve);
    base.film = filmFactors(*base.plan.reached, run);
    const Swim swim = swimOf(*base.plan.reached, run);
    base.swims = !swim.untold && swim.swing_rad.middle >= kDeadSwing_rad;
    base.trustedSwim = base.swims && trusted(swim);
    base.filmed = base.film.beats != 1.0 && !base.film.beatsRefused;
    return base;
}

Design withLevers(const AimBase& base, const std::vector<AimLever>& levers,
                  const std::vector<double>& values) {
    Design design = base.plan.design;
    for (size_t i = 0; i < levers.size(); ++i) {
        if (values[i] != leverOf(base.drawn, levers[i].kind)) {
            setLever(design, base.plan.reached->shape->curves, levers[i].kind, values[i]);
        }
    }
    return design;
}

AimValues valuesOf(const Derived& d, const Run& run, const Swim* swim) {
    AimValues values;
    if (run.depthKnown) {
        tell(values, AimMeasure::Depth, run.path.maxDepth_m);
    }
    if (run.levelTrim) {
        tell(values, AimMeasure::Pitch, run.levelTrim->pitch_rad);
        values.pull_N = run.levelTrim->tension_N;
        values.lineAngle_rad = run.levelTrim->lineAngle_rad;
    }
    tell(values, AimMeasure::CastBalance, d.mass->centreOfGravity_m.x() / d.shape->sizes.length_m);
    if (swim != nullptr && !swim->untold && swim->sheds) {
        tellSwim(*swim, values);
    }
    return values;
}

AimTrial tryLevers(const AimBase& base, const std::vector<AimLever>& levers,
                   const std::vector<double>& values, bool wantsSwim, std::stop_token stop) {
    try {
        return tryUnguarded(base, levers, values, wantsSwim, stop);
    } catch (const std::exception&) {  // root finders and memory are all that can throw
        return faulty({}, AimTrial::Fault::NotReckoned, kMiss);
    }
}

namespace {

AimTrial tryUnguarded(const AimBase& base, const std::vector<AimLever>& levers,
                      const std::vector<double>& values, bool wantsSwim,
                      const std::stop_token& stop) {
    using Fault = AimTrial::Fault;
    AimTrial trial;
    // A tie that slips off the lip, or stands in its edge, is no tie.
    const Design design = withLevers(base, levers, values);
    constexpr double kFromEnd_m = 3e-3;
    if (design.tie.onLip() && design.tie.upLip_m > design.lip.length_m - kFromEnd_m) {
        return faulty(trial, Fault::NotReckoned, kMiss);
    }
    Result<Derived> reckoned = evaluateTow(design, *base.plan.reached, base.model);
    if (!reckoned) {
        return faulty(trial, Fault::NotReckoned, kMiss);
    }
    Derived there = std::move(reckoned).value();
    const TrialLead lead = leadFor(base, there);
    there.towed.mass_kg = lead.mass_kg;
    there.towed.centreOfGravity_m = {lead.centreOfGravity_m.x(), lead.centreOfGravity_m.z()};
    const Run run = computeRun(there, stop, kCoarseRetrieve);
    trial.values = valuesOf(there, run, nullptr);
    tell(trial.values, AimMeasure::CastBalance,
         lead.centreOfGravity_m.x() / there.shape->sizes.length_m);
    if (!run.depthKnown || !run.levelTrim) {
        // No answer is not shallow: lines too steep to be matched are the usual cause.
        return faulty(trial, Fault::NoDepth,
                      kMiss - 0.1 * std::abs(trial.values.lineAngle_rad) / kDegree);
    }
    constexpr double kOnEnd_rad = 65 * kDegree;
    if (std::abs(run.levelTrim->pitch_rad) > kOnEnd_rad) {
        return faulty(
            trial, Fault::NotTrusted,
            kMiss - 2 + 0.1 * (std::abs(run.levelTrim->pitch_rad) - kOnEnd_rad) / kDegree);
    }
    if (wantsSwim || base.swims || base.settledOnly) {
        const Swim swim = middleSwim(there, run, lead.mass_kg, lead.centreOfGravity_m, base.film);
        const double swing = swim.swing_rad.middle;
        if (!swim.untold && swim.sheds) {
            tellSwim(swim, trial.values);
        }
        constexpr double kApart = 2.0;
        if (base.swims && swing < kDeadSwing_rad) {
            return faulty(trial, Fault::NoAction, kApart + (kDeadSwing_rad - swing) / kDegree);
        }
        if ((wantsSwim || base.trustedSwim) && !trusted(swim)) {
            return faulty(trial, Fault::NotTrusted,
                          kApart + std::max(0.0, (swing - kWidestTrusted_rad) / kDegree));
        }
        if (base.settledOnly && !settles(swim)) {
            return faulty(trial, Fault::NotSettled,
                          kApart + std::clamp(swim.growth_1_s, 0.0, kMiss));
        }
    }
    if (lead.short_m > kNearlyFull_m && base.planMet) {
        return faulty(trial, Fault::LeadShort, 2.0 + lead.short_m / kMillimetre);
    }
    return trial;
}

}  // namespace

}  // namespace wl
