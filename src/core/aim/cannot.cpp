#include "core/aim/cannot.h"

#include <algorithm>
#include <cmath>
#include <nlopt.hpp>

#include "core/base/units.h"
#include "core/reckon/evaluate.h"
#include "core/reckon/tow.h"

namespace wl {
namespace {

constexpr double kSteepestLine_rad = 50 * kDegree;

struct LevelPull {
    double perSpeed_kg_m = 0.0;  ///< pull by the square of the speed
    double line_rad = 0.0;
};

std::optional<LevelPull> levelPull(const AimSearch& search, const std::vector<double>& values) {
    const AimBase& base = search.base();
    const Result<Derived> there =
        evaluate(withLevers(base, search.levers(), values), base.plan.reached.get(), base.model);
    if (!there) {
        return std::nullopt;
    }
    const double speed = towSpeed_m_s(*there);
    const auto trim = settleTrim(there->towed, speed, 0.0, towStart_rad(*there));
    return trim ? std::optional(LevelPull{trim->tension_N / (speed * speed), trim->lineAngle_rad})
                : std::nullopt;
}

// The most of something over the ranges.
double mostOf(const AimSearch& search, const std::function<double(const LevelPull&)>& of) {
    constexpr int kTows = 150;
    struct Sought {
        const AimSearch& search;
        const std::function<double(const LevelPull&)>& of;
        double most = 0.0;
    } sought{search, of};
    const auto objective = [](const std::vector<double>& x, std::vector<double>&, void* data) {
        Sought& s = *static_cast<Sought*>(data);
        if (s.search.stopped()) {
            throw nlopt::forced_stop();
        }
        const auto pull = levelPull(s.search, x);
        const double value = pull ? s.of(*pull) : 0.0;
        s.most = std::max(s.most, value);
        return -value;
    };
    std::vector<double> low, high, x;
    for (const AimLever& lever : search.levers()) {
        low.push_back(lever.low);
        high.push_back(lever.high);
        x.push_back(0.5 * (lever.low + lever.high));
    }
    try {
        nlopt::opt solver(nlopt::GN_DIRECT_L, unsigned(x.size()));
        solver.set_lower_bounds(low);
        solver.set_upper_bounds(high);
        solver.set_min_objective(objective, &sought);
        solver.set_maxeval(kTows);
        double least = 0;
        solver.optimize(x, least);
    } catch (const std::exception&) {
        // Stopped: what was found so far stands.
    }
    return sought.most;
}

struct Rung {
    AimRelaxation::What what;
    double share;  ///< of what it is; of a spare: more of it
};

// What it becomes, held to what its field may hold; nothing where that is what it is.
std::optional<double> relax(Design& design, std::vector<AimLever>& levers, const Rung& rung) {
    using What = AimRelaxation::What;
    constexpr double kBought_m = 0.01e-3, kReeled_m_s = 0.05;
    Brief& brief = design.brief;
    const auto change = [&design](double& value, const char* path, double to) {
        const double held = heldToField(design, path, to);
        const bool changed = held != value;
        value = held;
        return changed ? std::optional(held) : std::nullopt;
    };
    const auto rounded = [](double value, double step) { return step * std::round(value / step); };
    switch (rung.what) {
        case What::ThinnerLine:
            return change(brief.lineDiameter_m, "/brief/line_diameter",
                          rounded(rung.share * brief.lineDiameter_m, kBought_m));
        case What::LongerCast:
            return change(brief.castLength_m, "/brief/cast_length",
                          rounded(rung.share * brief.castLength_m, 1.0));
        case What::Faster:
        case What::Slower:
            return change(brief.retrieveSpeed_m_s, "/brief/retrieve_speed",
                          rounded(rung.share * brief.retrieveSpeed_m_s, kReeled_m_s));
        case What::LongerLip:
            for (AimLever& lever : levers) {
                if (lever.kind == AimLeverKind::LipLength) {
                    return change(lever.high, "/lip/length", rung.share * lever.high);
                }
            }
            return std::nullopt;
        case What::LessLead:
            return change(brief.wantedSpare, "/brief/wanted_spare", brief.wantedSpare + rung.share);
    }
    return std::nullopt;
}

// The nearest trial's bait as a base of its own, with something relaxed.
std::optional<AimBase> relaxedBase(const AimSearch& search, Design design, bool lead) {
    if (lead) {
        Result<AimBase> made = aimBase(design, search.base().model, search.stop(),
                                       search.base().plan.reached->sinkSeen);
        if (!made) {
            return std::nullopt;
        }
        AimBase base = std::move(made).value();
        base.settledOnly = search.base().settledOnly;
        return base;
    }
    AimBase base = search.base();
    base.drawn.brief = design.brief;
    base.plan.design.brief = design.brief;
    Result<Derived> there =
        evaluate(base.plan.design, search.base().plan.reached.get(), base.model);
    if (!there) {
        return std::nullopt;
    }
    base.plan.reached = std::make_shared<const Derived>(std::move(there).value());
    return base;
}

struct Relaxed {
    AimRelaxation relaxation;
    double cost = 1e300;
};

Relaxed tryRungs(const AimSearch& search, const LeverSteps& nearest,
                 const std::vector<Rung>& rungs) {
    constexpr int kMoves = 3;
    Design design = search.base().drawn;
    std::vector<AimLever> levers = search.levers();
    Relaxed relaxed;
    bool lead = false;
    for (const Rung& rung : rungs) {
        relaxed.relaxation.what.push_back(rung.what);
        const auto becomes = relax(design, levers, rung);
        if (!becomes) {
            return relaxed;
        }
        relaxed.relaxation.becomes.push_back(*becomes);
        lead = lead || rung.what == AimRelaxation::What::LessLead;
    }
    const std::optional<AimBase> base = relaxedBase(search, design, lead);
    if (!base) {
        return relaxed;
    }
    AimSearch again(*base, levers, search.targets(), search.stop());
    LeverSteps at = again.walk(
        nearest, [&](const LeverSteps& steps) { return again.costOf(steps); }, kMoves);
    for (const auto& [steps, entry] : again.trials()) {
        const bool met = within(search.targets(), entry.trial);
        if (met && !(relaxed.relaxation.met && again.at(at).cost <= entry.cost)) {
            at = steps;
            relaxed.relaxation.met = true;
        }
    }
    relaxed.relaxation.told = again.at(at).trial.values;
    relaxed.cost = again.at(at).cost;
    return relaxed;
}

}  // namespace

std::optional<double> depthBound_m(AimSearch& search) {
    constexpr double kMargin = 1.05;
    LevelPull most;
    const double speed = towSpeed_m_s(*search.base().plan.reached);
    for (const auto& [steps, entry] : search.trials()) {
        if (entry.trial.values.of(AimMeasure::Depth)) {
            most.perSpeed_kg_m =
                std::max(most.perSpeed_kg_m, entry.trial.values.pull_N / (speed * speed));
            most.line_rad = std::max(most.line_rad, entry.trial.values.lineAngle_rad);
        }
    }
    if (most.perSpeed_kg_m <= 0) {
        return std::nullopt;
    }
    most.perSpeed_kg_m = std::max(
        most.perSpeed_kg_m, mostOf(search, [](const LevelPull& p) { return p.perSpeed_kg_m; }));
    most.line_rad =
        std::max(most.line_rad, mostOf(search, [](const LevelPull& p) { return p.line_rad; }));
    most.line_rad = std::min(most.line_rad, kSteepestLine_rad);
    const Derived& d = *search.base().plan.reached;
    const Brief& brief = d.design->brief;
    const auto pull = [&most](double through_m_s, double path, double) -> std::optional<Trim> {
        Trim trim;
        trim.tension_N = most.perSpeed_kg_m * through_m_s * through_m_s;
        trim.lineAngle_rad = most.line_rad - path;
        return trim;
    };
    const RetrievePath path =
        computeRetrieve(pull, lineOf(d),
                        {brief.castLength_m, brief.retrieveSpeed_m_s, brief.rodTipHeight_m,
                         startDepth_m(d), brief.current_m_s},
                        0.0, search.stop(), kCoarseRetrieve);
    return path.maxDepth_m > 0 ? std::optional(kMargin * path.maxDepth_m) : std::nullopt;
}

std::vector<AimShortfall> shortfallsOf(AimSearch& search, const AimWay& best) {
    std::vector<AimShortfall> shortfalls;
    for (const SoughtTarget& target : search.targets()) {
        const auto told = best.told.of(target.band.what);
        if (!told || (*told >= target.band.low && *told <= target.band.high)) {
            continue;
        }
        AimShortfall shortfall;
        shortfall.target = target.band;
        shortfall.nearest = *told;
        if (target.band.what == AimMeasure::Depth && *told < target.band.low) {
            shortfall.depthBound_m = depthBound_m(search);
            shortfall.provenImpossible =
                shortfall.depthBound_m &&
                target.band.low > *shortfall.depthBound_m * std::exp(2 * target.doubt);
        }
        shortfalls.push_back(shortfall);
    }
    return shortfalls;
}

std::vector<AimRelaxation> relaxationsFor(AimSearch& search, const LeverSteps& nearest) {
    using What = AimRelaxation::What;
    std::vector<std::vector<Rung>> ladders{
        {{What::ThinnerLine, 0.9}, {What::ThinnerLine, 0.8}, {What::ThinnerLine, 0.7}},
        {{What::LongerCast, 1.15}, {What::LongerCast, 1.3}, {What::LongerCast, 1.5}},
        {{What::Faster, 1.15}, {What::Faster, 1.3}, {What::Faster, 1.5}},
        {{What::Slower, 0.85}, {What::Slower, 0.7}},
    };
    for (const AimLever& lever : search.levers()) {
        if (lever.kind == AimLeverKind::LipLength) {
            ladders.push_back({{What::LongerLip, 1.2}, {What::LongerLip, 1.4}});
        }
    }
    if (search.base().drawn.brief.wantedState == WantedState::Float) {
        ladders.push_back({{What::LessLead, 0.03}, {What::LessLead, 0.06}});
    }
    // The farthest step of each: where that is not enough, none before it is.
    const double least = search.at(nearest).cost;
    std::vector<std::pair<double, size_t>> nearing;
    std::vector<AimRelaxation> met, nearer;
    for (size_t i = 0; i < ladders.size() && !search.stopped(); ++i) {
        Relaxed farthest = tryRungs(search, nearest, {ladders[i].back()});
        if (farthest.cost >= least) {
            continue;
        }
        nearing.emplace_back(farthest.cost, i);
        if (!farthest.relaxation.met) {
            nearer.push_back(std::move(farthest.relaxation));
            continue;
        }
        for (size_t k = 0; k + 1 < ladders[i].size(); ++k) {
            Relaxed step = tryRungs(search, nearest, {ladders[i][k]});
            if (step.relaxation.met) {
                farthest = std::move(step);
                break;
            }
        }
        met.push_back(std::move(farthest.relaxation));
    }
    std::sort(nearing.begin(), nearing.end());
    constexpr size_t kPaired = 3;
    for (size_t i = 0; i < nearing.size() && i < kPaired && met.empty(); ++i) {
        for (size_t j = i + 1; j < nearing.size() && j < kPaired && !search.stopped(); ++j) {
            Relaxed pair =
                tryRungs(search, nearest,
                         {ladders[nearing[i].second].back(), ladders[nearing[j].second].back()});
            if (pair.relaxation.met) {
                nearer.insert(nearer.begin(), std::move(pair.relaxation));
            }
        }
    }
    met.insert(met.end(), nearer.begin(), nearer.end());
    return met;
}

}  // namespace wl
