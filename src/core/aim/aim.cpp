#include "core/aim/aim.h"

#include <algorithm>
#include <cmath>

#include "core/aim/cannot.h"
#include "core/aim/search.h"
#include "core/aim/ways.h"
#include "core/design/fields.h"
#include "core/reckon/evaluate.h"

namespace wl {
namespace {

// The field of a design's own wish a target stands in.
std::string pathOf(const AimTarget& target) {
    static const char* const low[kAimMeasures] = {"/aim/depth_low", "/aim/beats_low",
                                                  "/aim/swing_low", "/aim/roll_to_yaw_low",
                                                  "/aim/pitch_low", "/aim/balance_low"};
    const char* change = !target.relative ? "" : isPlain(target.what) ? "_more" : "_times";
    return std::string(low[size_t(target.what)]) + change;
}

std::vector<AimLever> leversOf(const AimWish& wish, const Derived& derived) {
    return wish.levers.empty() && !wish.onlyLevers ? usualLevers(derived) : wish.levers;
}

std::optional<Error> whyNot(const AimWish& wish, const std::vector<AimLever>& levers,
                            const Design& drawn) {
    if (wish.targets.empty()) {
        return Error{"aim.no_target", "/aim/depth_low", {}, {}};
    }
    for (const AimTarget& target : wish.targets) {
        const bool finite = std::isfinite(target.low) && std::isfinite(target.high);
        if (!finite || !(target.low < target.high) || !(target.weight > 0)) {
            const Quantity q = target.relative ? Quantity::Number : quantityOf(target.what);
            return Error{"aim.band", pathOf(target), {}, {{q, target.low}, {q, target.high}}};
        }
    }
    if (levers.empty()) {
        return Error{"aim.no_lever", "/aim/tie_moves", {}, {}};
    }
    for (const AimLever& lever : levers) {
        const std::string path = pathOf(lever.kind);
        const auto field = findField(drawn, path);
        const bool held = field && lever.low >= field->min && lever.high <= field->max;
        if (!held || !(lever.low < lever.high) || !(lever.step > 0) ||
            !hasStep(lever, leverOf(drawn, lever.kind))) {
            return Error{"aim.lever_range", rangePathOf(lever.kind), {}, {}};
        }
    }
    return std::nullopt;
}

bool better(const AimWay& a, const AimWay& b) {
    constexpr double kSameLoss = 1e-3;
    if (a.met != b.met) {
        return a.met;
    }
    // The same bait with its lead otherwise, its attitude perhaps less near, is never the first.
    const bool aOther = a.kind >= AimWay::Kind::OneBore, bOther = b.kind >= AimWay::Kind::OneBore;
    if (aOther != bOther) {
        return bOther;
    }
    if (std::abs(a.loss - b.loss) > kSameLoss) {
        return a.loss < b.loss;
    }
    return a.price.fields < b.price.fields;
}

std::vector<AimPoint> pointsOf(const AimSearch& search) {
    std::vector<AimPoint> points;
    for (const auto& [steps, entry] : search.trials()) {
        const AimValues& values = entry.trial.values;
        const auto depth = values.of(AimMeasure::Depth);
        if (!depth || entry.trial.fault != AimTrial::Fault::None) {
            continue;
        }
        AimPoint point{search.valuesAt(steps), *depth, values.of(AimMeasure::Swing), 1.0};
        for (const SoughtTarget& target : search.targets()) {
            const auto told = values.of(target.band.what);
            point.chance *= told ? chanceOf(target.band, *told, target.doubt) : 0.0;
        }
        points.push_back(std::move(point));
    }
    return points;
}

}  // namespace

Design withRelaxation(Design design, const AimRelaxation& relaxation) {
    using What = AimRelaxation::What;
    for (size_t i = 0; i < relaxation.what.size(); ++i) {
        const double value = relaxation.becomes[i];
        switch (relaxation.what[i]) {
            case What::ThinnerLine:
                design.brief.lineDiameter_m = value;
                break;
            case What::LongerCast:
                design.brief.castLength_m = value;
                break;
            case What::Faster:
            case What::Slower:
                design.brief.retrieveSpeed_m_s = value;
                break;
            case What::LessLead:
                design.brief.wantedSpare = value;
                break;
            case What::LongerLip:
                break;
        }
    }
    return design;
}

namespace {

AimTarget targetOf(AimMeasure what, const AimBand& band, bool relative) {
    constexpr double kOpenEnd = 1.25, kOpenPitch = 5 * kDegree, kOpenBalance = 0.02;
    const auto& low = relative ? band.lowThanNow : band.low;
    const auto& high = relative ? band.highThanNow : band.high;
    AimTarget target{what, low.value_or(0.0), high.value_or(0.0), band.weight, relative};
    if (isPlain(what)) {
        const double open = what == AimMeasure::Pitch ? kOpenPitch : kOpenBalance;
        target.low = low ? *low : *high - open;
        target.high = high ? *high : *low + open;
    } else {
        target.low = low ? *low : *high / kOpenEnd;
        target.high = high ? *high : *low * kOpenEnd;
    }
    return target;
}

// Whether a lever may move, and how far.
std::pair<bool, AimRange> saidOf(const AimNotes& notes, AimLeverKind kind) {
    switch (kind) {
        case AimLeverKind::LipAngle:
            return {notes.angleMoves, notes.angle};
        case AimLeverKind::LipLength:
            return {notes.lengthMoves, notes.length};
        case AimLeverKind::LipWidth:
            return {notes.widthMoves, notes.wide};
        default:
            return {notes.tieMoves, notes.tie};
    }
}

}  // namespace

AimWish wishOf(const Derived& derived) {
    const AimNotes& notes = derived.design->aim;
    const double depth = derived.design->brief.wantedDepth_m;
    AimWish wish;
    wish.settledOnly = notes.settledOnly;
    wish.outlines = notes.outlineMoves;
    wish.onlyLevers = true;
    for (size_t i = 0; i < kAimMeasures; ++i) {
        const AimBand& band = bandOf(notes, AimMeasure(i));
        if (band.asked(notes.relative)) {
            wish.targets.push_back(targetOf(AimMeasure(i), band, notes.relative));
        }
    }
    if (wish.targets.empty()) {
        wish.targets.push_back(
            {AimMeasure::Depth, (1 - kWantedBand) * depth, (1 + kWantedBand) * depth, 1.0, false});
    }
    for (AimLever lever : usualLevers(derived)) {
        const auto [moves, range] = saidOf(notes, lever.kind);
        if (moves) {
            lever.low = range.from.value_or(lever.low);
            lever.high = range.to.value_or(lever.high);
            wish.levers.push_back(lever);
        }
    }
    return wish;
}

AimBand swingCalled(ActionWord word, const SwimNotes& limits) {
    const double ends[] = {limits.tightFrom_rad, limits.mediumFrom_rad, limits.wideFrom_rad,
                           std::max(limits.wideFrom_rad + kDegree, kWidestTrusted_rad)};
    AimBand band;
    band.low = ends[size_t(word)];
    band.high = ends[size_t(word) + 1];
    band.weight = AimNotes::kSwingWeight;
    return band;
}

std::vector<AimTarget> likeTargets(const AimValues& other) {
    constexpr double kNear = 0.1, kSwingNear = 0.25;
    std::vector<AimTarget> targets;
    for (const AimMeasure what : {AimMeasure::Depth, AimMeasure::Beats, AimMeasure::Swing}) {
        const bool swing = what == AimMeasure::Swing;
        const double wide = swing ? kSwingNear : kNear;
        if (other.of(what).value_or(0.0) > 0.0) {
            targets.push_back(
                {what, 1 - wide, 1 + wide, swing ? AimNotes::kSwingWeight : 1.0, true});
        }
    }
    return targets;
}

Design withWishLike(Design design, const AimValues& other) {
    AimNotes& notes = design.aim;
    notes.relative = false;
    for (AimBand* band : {&notes.depth, &notes.beats, &notes.swing, &notes.rollToYaw, &notes.pitch,
                          &notes.balance}) {
        band->low = band->high = std::nullopt;
    }
    for (const AimTarget& target : likeTargets(other)) {
        const AimTarget figures = *absoluteOf(target, other);
        AimBand& band = target.what == AimMeasure::Depth   ? notes.depth
                        : target.what == AimMeasure::Beats ? notes.beats
                                                           : notes.swing;
        const std::string low = pathOf(figures);
        const std::string high = low.substr(0, low.size() - 3) + "high";
        band.low = heldToField(design, low, figures.low);
        band.high = heldToField(design, high, figures.high);
    }
    return design;
}

namespace {

Result<AimValues> valuesUnguarded(const Design& design, const Model& model,
                                  const std::stop_token& stop) {
    const Result<Derived> derived = evaluate(design, nullptr, model);
    if (!derived) {
        return derived.error();
    }
    const Run run = computeRun(*derived, stop, kFineRetrieve);
    const Swim swim = swimOf(*derived, run);
    if (stop.stop_requested()) {
        return Error{"aim.stopped", "", {}, {}};
    }
    return valuesOf(*derived, run, &swim);
}

// The band to be reckoned for what is wished to be seen.
AimTarget reckonedFor(AimTarget seen, const AimLog& log) {
    if (const auto& taught = log[size_t(seen.what)]) {
        seen.low /= taught->factor;
        seen.high /= taught->factor;
    }
    return seen;
}

double factorOf(const AimLog& log, AimMeasure what) {
    const auto& taught = log[size_t(what)];
    return taught ? taught->factor : 1.0;
}

// All that was reckoned, told as it will be seen.
AimAnswer asSeen(AimAnswer answer, const AimLog& log) {
    const auto target = [&log](AimTarget& t) {
        t.low *= factorOf(log, t.what);
        t.high *= factorOf(log, t.what);
    };
    std::for_each(answer.targets.begin(), answer.targets.end(), target);
    answer.drawn = asSeen(answer.drawn, log);
    for (AimWay& way : answer.ways) {
        way.told = asSeen(way.told, log);
    }
    for (AimPoint& point : answer.points) {
        point.depth_m *= factorOf(log, AimMeasure::Depth);
        if (point.swing_rad) {
            *point.swing_rad *= factorOf(log, AimMeasure::Swing);
        }
    }
    for (AimShortfall& miss : answer.shortfalls) {
        target(miss.target);
        miss.nearest *= factorOf(log, miss.target.what);
        if (miss.depthBound_m) {
            *miss.depthBound_m *= factorOf(log, AimMeasure::Depth);
        }
    }
    for (AimRelaxation& relaxation : answer.relaxations) {
        relaxation.told = asSeen(relaxation.told, log);
    }
    return answer;
}

Result<AimAnswer> aimUnguarded(const Design& design, const AimWish& wish, const Model& model,
                               const std::stop_token& stop, const AimFound& found,
                               const Told& told) {
    const auto tell = [&told](double share) {
        if (told) {
            told(share);
        }
    };
    Result<AimBase> made = aimBase(design, model, stop, wish.sinkSeen);
    if (!made) {
        return made.error();
    }
    AimBase base = std::move(made).value();
    base.settledOnly = wish.settledOnly;
    AimAnswer answer;
    answer.levers = leversOf(wish, *base.plan.reached);
    if (const auto error = whyNot(wish, answer.levers, design)) {
        return *error;
    }
    const Run run = computeRun(*base.plan.reached, stop, kFineRetrieve);
    const Swim swim = swimOf(*base.plan.reached, run);
    answer.drawn = valuesOf(*base.plan.reached, run, &swim);
    const AimValues seen = asSeen(answer.drawn, wish.log);
    std::vector<SoughtTarget> sought;
    for (const AimTarget& target : wish.targets) {
        const AimValues& held = wish.like ? *wish.like : seen;
        const auto absolute = absoluteOf(target, held);
        if (!absolute) {
            return Error{"aim.not_told", pathOf(target), {}, {}};
        }
        const auto& taught = wish.log[size_t(target.what)];
        const auto now = seen.of(target.what);
        const double doubt = target.relative && wish.like
                                 ? likeDoubt(*absolute, *held.of(target.what))
                             : target.relative ? relativeDoubt(*absolute, *held.of(target.what))
                             : taught && now   ? taughtDoubt(*absolute, *now, *taught)
                                               : aimDoubt(target.what, base.filmed);
        sought.push_back({reckonedFor(*absolute, wish.log), doubt});
        answer.targets.push_back(sought.back().band);
        answer.doubts.push_back(doubt);
        answer.ceilings.push_back(bestChance(*absolute, doubt));
    }
    AimSearch search(base, answer.levers, std::move(sought), stop);
    search.scan();
    for (const SoughtTarget& target : search.targets()) {
        const auto tells = [&target](const auto& tried) {
            return tried.second.trial.values.of(target.band.what).has_value();
        };
        if (std::none_of(search.trials().begin(), search.trials().end(), tells)) {
            return stop.stop_requested() ? Error{"aim.stopped", "", {}, {}}
                                         : Error{"aim.untold", pathOf(target.band), {}, {}};
        }
    }
    tell(0.15);
    const auto give = [&](const WaySought& way) {
        answer.ways.push_back(proveWay(search, way));
        if (found && !stop.stop_requested()) {
            found(answer);
        }
    };
    if (!wish.bestOnly) {
        give({AimWay::Kind::Best, 0, search.best()});
    }
    search.spread();
    tell(0.25);
    search.refine();
    tell(0.5);
    search.descend();
    tell(0.6);
    const std::vector<WaySought> ways = seekWays(search, wish.bestOnly);
    tell(0.8);
    answer.ways.clear();
    for (const WaySought& way : ways) {
        if (stop.stop_requested()) {
            return Error{"aim.stopped", "", {}, {}};
        }
        give(way);
    }
    if (!wish.bestOnly) {
        std::vector<AimWay> others = otherLead(search, answer.ways.front());
        if (wish.outlines) {
            for (AimWay& way : otherOutlines(search, ways.front().at)) {
                others.push_back(std::move(way));
            }
        }
        for (AimWay& way : others) {
            answer.ways.push_back(std::move(way));
            if (found && !stop.stop_requested()) {
                found(answer);
            }
        }
    }
    std::stable_sort(answer.ways.begin(), answer.ways.end(), better);
    answer.points = pointsOf(search);
    answer.trials = search.trials().size();
    if (!answer.ways.front().met) {
        answer.shortfalls = shortfallsOf(search, answer.ways.front());
        if (wish.outlines) {  // the bound is the drawn outline's alone
            for (AimShortfall& shortfall : answer.shortfalls) {
                shortfall.depthBound_m.reset();
                shortfall.provenImpossible = false;
            }
        }
        tell(0.9);
        if (!wish.bestOnly) {
            answer.relaxations = relaxationsFor(search, ways.front().at);
        }
    }
    if (stop.stop_requested()) {
        return Error{"aim.stopped", "", {}, {}};
    }
    tell(1.0);
    return answer;
}

}  // namespace

Result<AimValues> aimValuesOf(const Design& design, const Model& model, std::stop_token stop) {
    try {
        return valuesUnguarded(design, model, stop);
    } catch (const std::exception&) {
        return Error{"internal.numeric", "", {}, {}};
    }
}

Result<AimAnswer> aim(const Design& design, const AimWish& wish, const Model& model,
                      std::stop_token stop, const AimFound& found, const Told& told) {
    try {
        const AimFound seen =
            !found ? found : [&](const AimAnswer& soFar) { found(asSeen(soFar, wish.log)); };
        Result<AimAnswer> answer = aimUnguarded(design, wish, model, stop, seen, told);
        return answer ? Result<AimAnswer>(asSeen(std::move(answer).value(), wish.log)) : answer;
    } catch (const std::exception&) {  // root finders and memory are all that can throw
        return Error{"internal.numeric", "", {}, {}};
    }
}

std::optional<Error> wishFault(const Derived& derived) {
    const AimWish wish = wishOf(derived);
    return whyNot(wish, leversOf(wish, derived), *derived.design);
}

}  // namespace wl
