#include "core/aim/ways.h"

#include <algorithm>
#include <cmath>

#include "core/base/units.h"
#include "core/placed/lip_outline.h"
#include "core/plan/lead_choices.h"
#include "core/plan/plan_metals.h"
#include "core/reckon/evaluate.h"
#include "core/rules/check_design.h"

namespace wl {
namespace {

constexpr double kSame = 0.08;    // of the ranges: nearer ways are one way
constexpr double kDenser = 1.05;  // times lead: no alloy of lead, but another metal

double apart(const AimSearch& search, const LeverSteps& a, const LeverSteps& b) {
    const std::vector<double> x = search.movedAt(a), y = search.movedAt(b);
    double most = 0;
    for (size_t i = 0; i < x.size(); ++i) {
        most = std::max(most, std::abs(x[i] - y[i]));
    }
    return most;
}

// No step of the bench either way jumps to another rhythm.
bool standsFirm(AimSearch& search, const LeverSteps& at) {
    constexpr double kJump = 1.3;
    std::vector<LeverSteps> near;
    for (size_t i = 0; i < at.size(); ++i) {
        for (const int by : {-1, 1}) {
            LeverSteps beside = at;
            beside[i] += by;
            if (search.inRange(beside)) {
                near.push_back(beside);
            }
        }
    }
    search.tryAll(near);
    const AimValues middle = search.at(at).trial.values;
    for (const LeverSteps& steps : near) {
        for (const AimMeasure what : {AimMeasure::Beats, AimMeasure::Swing}) {
            const auto here = middle.of(what), there = search.at(steps).trial.values.of(what);
            if (here && there && std::abs(std::log(*here / *there)) > std::log(kJump)) {
                return false;
            }
        }
    }
    return true;
}

LeverSteps firmBest(AimSearch& search) {
    constexpr size_t kTries = 8;
    constexpr double kAlike = 0.05;
    std::vector<std::pair<double, LeverSteps>> order;
    for (const auto& [steps, entry] : search.trials()) {
        order.emplace_back(entry.cost, steps);
    }
    std::sort(order.begin(), order.end());
    // What lies inside every band comes before what has hardly more of a chance and does not.
    const double alike = order.front().first + kAlike;
    std::stable_partition(order.begin(), order.end(), [&](const auto& next) {
        return next.first < alike &&
               within(search.targets(), search.trials().at(next.second).trial);
    });
    for (size_t i = 0; i < order.size() && i < kTries && !search.stopped(); ++i) {
        if (standsFirm(search, order[i].second)) {
            return order[i].second;
        }
    }
    return order.front().second;
}

std::optional<size_t> leverFor(const AimSearch& search, std::initializer_list<AimLeverKind> kinds) {
    for (size_t i = 0; i < search.levers().size(); ++i) {
        if (std::find(kinds.begin(), kinds.end(), search.levers()[i].kind) != kinds.end()) {
            return i;
        }
    }
    return std::nullopt;
}

bool sameWay(const AimSearch& search, const std::vector<WaySought>& ways, const LeverSteps& at) {
    return std::any_of(ways.begin(), ways.end(),
                       [&](const WaySought& way) { return apart(search, way.at, at) < kSame; });
}

AimPrice priceFor(const AimSearch& search, const Design& design, const Derived& reached,
                  const std::vector<double>& values) {
    const Design& drawn = search.base().drawn;
    AimPrice price;
    for (size_t i = 0; i < values.size(); ++i) {
        const AimLeverKind kind = search.levers()[i].kind;
        const bool changed = values[i] != leverOf(drawn, kind);
        price.fields += changed ? 1 : 0;
        price.slotRecut = price.slotRecut || (changed && kind == AimLeverKind::LipAngle);
    }
    price.slotRecut = price.slotRecut || design.lip.rootWidth_m != drawn.lip.rootWidth_m;
    const LeadPrice lead = priceOf(design, reached);
    const LeadPrice before = priceOf(search.base().plan.design, *search.base().plan.reached);
    price.bores = lead.bores;
    price.leadMore_kg = lead.lead_kg - before.lead_kg;
    price.mass_kg = reached.mass->mass_kg;
    price.leastWall_m = lead.leastWall_m;
    price.rollStiffness_N_m = lead.rollStiffness_N_m;
    price.rollStiffer_N_m = lead.rollStiffness_N_m - before.rollStiffness_N_m;
    price.restPitch_rad = reached.rest->pitch_rad;
    price.spare = reached.rest->spare;
    return price;
}

}  // namespace

double printedDoubt(const SoughtTarget& target, const Design& design) {
    constexpr double kFrom = 25 * kDegree, kTo = 45 * kDegree, kSteep = 0.25 / 0.175;
    if (target.band.what != AimMeasure::Depth || target.band.relative) {
        return target.doubt;
    }
    const double steep = design.lip.present
                             ? std::clamp((design.lip.angle_rad - kFrom) / (kTo - kFrom), 0.0, 1.0)
                             : 1.0;
    return target.doubt * (1 + steep * (kSteep - 1));
}

namespace {

// What the design of a way does, by the full chain, and whether that is what was wished.
void prove(const AimSearch& search, std::shared_ptr<const Derived> reached, AimWay& way) {
    constexpr double kLossUntold = 100.0;
    const AimBase& base = search.base();
    if (!(base.model == Model{})) {
        Result<Derived> there = evaluate(way.design, reached.get(), base.model);
        if (there) {
            reached = std::make_shared<const Derived>(std::move(there).value());
        }
    }
    for (Finding& finding : checkDesign(*reached)) {
        if (finding.severity == Severity::Error) {
            way.against.push_back(std::move(finding));
        }
    }
    const Run run = computeRun(*reached, search.stop(), kFineRetrieve);
    const Swim swim = swimOf(*reached, run);
    way.told = valuesOf(*reached, run, &swim);
    way.settled = settles(swim);
    // A trial's want of room for lead is the planner's to judge; every other rule is the trial's.
    using Fault = AimTrial::Fault;
    if (way.fault == Fault::LeadShort && way.leadMet) {
        way.fault = Fault::None;
    }
    way.met = way.fault == Fault::None && way.leadMet &&
              std::none_of(way.against.begin(), way.against.end(),
                           [](const auto& f) { return f.severity == Severity::Error; });
    for (const SoughtTarget& target : search.targets()) {
        const auto told = way.told.of(target.band.what);
        const double doubt = printedDoubt(target, way.design);
        way.chances.push_back(told ? chanceOf(target.band, *told, doubt) : 0.0);
        way.met = way.met && told && *told >= target.band.low && *told <= target.band.high;
        way.loss +=
            target.band.weight * (told ? lossOf(target.band, *told, target.doubt) : kLossUntold);
    }
    way.price = priceFor(search, way.design, *reached, way.values);
}

}  // namespace

std::vector<WaySought> seekWays(AimSearch& search, bool bestOnly) {
    using Kind = AimWay::Kind;
    constexpr int kTrials = 60;
    constexpr double kMayLose = 0.2, kPerLost = 30.0, kOutside = 10.0;
    std::vector<WaySought> ways{{Kind::Best, 0, firmBest(search)}};
    if (bestOnly) {
        return ways;
    }
    const LeverSteps best = ways.front().at;
    const double least = search.at(best).cost;
    const LeverSteps start = search.start();
    const bool insideAll = within(search.targets(), search.at(best).trial);
    for (size_t i = 0; i < search.levers().size() && search.levers().size() > 1; ++i) {
        LeverSteps alone = start;
        for (const auto& [steps, entry] : search.trials()) {
            bool only = true;
            for (size_t j = 0; j < steps.size(); ++j) {
                only = only && (j == i || steps[j] == start[j]);
            }
            if (only && entry.cost < search.trials().at(alone).cost) {
                alone = steps;
            }
        }
        if (!sameWay(search, ways, alone) && alone != start &&
            (!insideAll || within(search.targets(), search.at(alone).trial))) {
            ways.push_back({Kind::OneLever, i, alone});
        }
    }
    const auto angle = leverFor(search, {AimLeverKind::LipAngle});
    const auto length = leverFor(search, {AimLeverKind::LipLength});
    const auto width = leverFor(search, {AimLeverKind::LipWidth});
    const auto tie =
        leverFor(search, {AimLeverKind::TieUpLip, AimLeverKind::TieAlong, AimLeverKind::TieUp});
    const auto seek = [&](Kind kind, const std::function<double(const LeverSteps&)>& own) {
        if (search.stopped()) {
            return;
        }
        const auto key = [&](const LeverSteps& steps) {
            const double lost = search.at(steps).cost - least - kMayLose;
            return own(steps) + kPerLost * std::max(0.0, lost) +
                   (insideAll && !within(search.targets(), search.at(steps).trial) ? kOutside
                                                                                   : 0.0);
        };
        const LeverSteps at = search.minimise(best, kTrials, key);
        const bool asGood = search.at(at).cost - least < 2 * kMayLose &&
                            (!insideAll || within(search.targets(), search.at(at).trial));
        if (asGood && !sameWay(search, ways, at) && standsFirm(search, at)) {
            ways.push_back({kind, 0, at});
        }
    };
    seek(Kind::LeastChange, [&](const LeverSteps& steps) {
        double sum = 0;
        for (const double moved : search.movedAt(steps)) {
            sum += std::min(1.0, 8 * std::abs(moved)) + 2 * std::abs(moved);
        }
        return sum;
    });
    const auto share = [&](const LeverSteps& steps, size_t lever) {
        return search.movedAt(steps)[lever];
    };
    if (angle) {
        seek(Kind::Steepest, [&](const LeverSteps& steps) { return -share(steps, *angle); });
        seek(Kind::InLine, [&](const LeverSteps& steps) { return share(steps, *angle); });
    }
    if (length && width) {
        seek(Kind::SmallestLip, [&](const LeverSteps& steps) {
            const std::vector<double> values = search.valuesAt(steps);
            return values[*length] * values[*width] /
                   (search.levers()[*length].high * search.levers()[*width].high);
        });
    }
    if (tie) {
        seek(Kind::OtherTie,
             [&](const LeverSteps& steps) { return -std::abs(share(steps, *tie)); });
    }
    return ways;
}

AimWay proveWay(const AimSearch& search, const WaySought& sought) {
    const AimBase& base = search.base();
    AimWay way;
    way.kind = sought.kind;
    way.lever = sought.lever;
    way.values = search.valuesAt(sought.at);
    way.fault = search.trials().at(sought.at).trial.fault;
    way.design = withLevers(base, search.levers(), way.values);
    const Result<LeadPlan> plan = planLead(way.design, base.plan.reached.get(), search.stop());
    if (!plan) {
        way.against.push_back({plan.error().code, Severity::Error, plan.error().path,
                               plan.error().values, plan.error().words});
        return way;
    }
    way.design = plan->design;
    way.leadMet = isMet(*plan);
    way.against = plan->findings;
    prove(search, plan->reached, way);
    return way;
}

std::vector<AimWay> otherOutlines(const AimSearch& search, const LeverSteps& best) {
    constexpr int kMoves = 6;
    constexpr size_t kShown = 2;
    constexpr double kMayLose = 0.4;
    struct Cut {
        AimBase base;
        LeverSteps at;
        double cost = 0.0;
        bool inside = false;
    };
    const AimBase& drawn = search.base();
    const AimSearch::Entry& held = search.trials().at(best);
    const bool inside = within(search.targets(), held.trial);
    std::vector<Cut> cuts;
    for (const LipFamily family : {LipFamily::Rounded, LipFamily::Cut, LipFamily::Oval,
                                   LipFamily::Waisted, LipFamily::Disc}) {
        if (!drawn.drawn.lip.present || family == drawn.drawn.lip.family || search.stopped()) {
            continue;
        }
        Cut cut{drawn, best};
        cut.base.drawn.lip.family = cut.base.plan.design.lip.family = family;
        Result<Derived> there =
            evaluate(cut.base.plan.design, drawn.plan.reached.get(), drawn.model);
        if (!there) {
            continue;
        }
        cut.base.plan.reached = std::make_shared<const Derived>(std::move(there).value());
        AimSearch again(cut.base, search.levers(), search.targets(), search.stop());
        cut.at = again.walk(
            best, [&](const LeverSteps& steps) { return again.costOf(steps); }, kMoves);
        const AimSearch::Entry& found = again.at(cut.at);
        cut.cost = found.cost;
        cut.inside = within(search.targets(), found.trial);
        if (cut.cost - held.cost < kMayLose && (cut.inside || !inside)) {
            cuts.push_back(std::move(cut));
        }
    }
    std::stable_sort(cuts.begin(), cuts.end(),
                     [](const Cut& a, const Cut& b) { return a.cost < b.cost; });
    cuts.resize(std::min(cuts.size(), kShown));
    std::vector<AimWay> ways;
    for (const Cut& cut : cuts) {
        AimSearch again(cut.base, search.levers(), search.targets(), search.stop());
        again.at(cut.at);
        AimWay way = proveWay(again, {AimWay::Kind::OtherOutline, 0, cut.at});
        way.price.fields += 1;
        way.price.slotRecut = way.price.slotRecut ||
                              lipRootWidth_m(way.design.lip) != lipRootWidth_m(drawn.drawn.lip);
        if (way.met || !inside) {
            ways.push_back(std::move(way));
        }
    }
    return ways;
}

std::vector<AimWay> otherLead(const AimSearch& search, const AimWay& way) {
    std::vector<AimWay> others;
    const auto add = [&](AimWay::Kind kind, const Design& design,
                         const std::shared_ptr<const Derived>& reached) {
        AimWay other;
        other.kind = kind;
        other.values = way.values;
        other.fault = way.fault;
        other.design = design;
        other.leadMet = true;
        prove(search, reached, other);
        if (other.met) {
            others.push_back(std::move(other));
        }
    };
    if (!way.met || search.stopped()) {
        return others;
    }
    const auto leads = std::count_if(way.design.bores.begin(), way.design.bores.end(),
                                     [](const Bore& bore) { return bore.plugLength_m > 0; });
    const std::optional<LeadChoice> single =
        leads > 1 ? planOneBore(way.design, search.stop(), search.base().plan.reached.get())
                  : std::nullopt;
    if (single && single->met) {
        if (Result<Derived> there =
                evaluate(single->design, search.base().plan.reached.get(), search.base().model)) {
            add(AimWay::Kind::OneBore, single->design,
                std::make_shared<const Derived>(std::move(there).value()));
        }
    }
    Design plain = way.design;
    for (Bore& bore : plain.bores) {
        if (bore.plugDensity_kg_m3 > kDenser * kLead.density_kg_m3) {
            bore.plugMaterial = kLead.name;
            bore.plugDensity_kg_m3 = kLead.density_kg_m3;
        }
    }
    if (!(plain == way.design)) {
        const Result<LeadPlan> plan =
            planLead(plain, search.base().plan.reached.get(), search.stop());
        if (plan && isMet(*plan)) {
            add(AimWay::Kind::NoTungsten, plan->design, plan->reached);
        }
    }
    return others;
}

}  // namespace wl
