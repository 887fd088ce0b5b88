#include "core/aim/sizes.h"

#include <algorithm>
#include <cmath>

#include "core/plan/size_series.h"
#include "core/reckon/evaluate.h"
#include "core/tank/hook_swaps.h"

namespace wl {
namespace {

// The wish of the drawn bait in figures, and its levers.
Result<AimWish> inFigures(const Design& design, const AimWish& wish, const Model& model,
                          const std::stop_token& stop) {
    const Result<AimBase> base = aimBase(design, model, stop, wish.sinkSeen);
    if (!base) {
        return base.error();
    }
    const Run run = computeRun(*base->plan.reached, stop, kFineRetrieve);
    const Swim swim = swimOf(*base->plan.reached, run);
    const AimValues drawn = asSeen(valuesOf(*base->plan.reached, run, &swim), wish.log);
    AimWish told = wish;
    if (told.levers.empty() && !told.onlyLevers) {
        told.levers = usualLevers(*base->plan.reached);
    }
    for (AimTarget& target : told.targets) {
        const auto absolute = absoluteOf(target, wish.like ? *wish.like : drawn);
        if (!absolute) {
            return Error{"aim.not_told", "/aim/relative", {}, {}};
        }
        target = *absolute;
        target.relative = false;
    }
    return told;
}

// How far a hook is from that length.
double farFrom(const Fitting& hook, double size_m) {
    return hook.size_m > 0 && size_m > 0 ? std::abs(std::log(hook.size_m / size_m)) : 1e9;
}

void chooseHooks(AimedSize& size, double times, const std::vector<Fitting>& shelf) {
    for (const size_t place : hooksOf(size.scaled)) {
        Fitting& hung = size.scaled.fittings[place];
        const double wanted = hung.size_m * times;
        const Fitting* best = nullptr;
        for (const Fitting& hook : shelf) {
            if (hook.kind == hung.kind &&
                farFrom(hook, wanted) < farFrom(best != nullptr ? *best : hung, wanted)) {
                best = &hook;
            }
        }
        size.hooks.push_back(best != nullptr ? best->name : hung.name);
        if (best != nullptr) {
            putHook(hung, *best);
        }
    }
}

AimedSize aimedAt(const Design& design, const AimWish& drawn, double length_m, double times,
                  const std::vector<Fitting>& shelf, const Model& model,
                  const std::stop_token& stop) {
    AimedSize size;
    size.length_m = length_m;
    size.scaled = scaledDesign(design, length_m);
    chooseHooks(size, times, shelf);
    const Result<Derived> derived = evaluate(size.scaled, nullptr, model);
    if (!derived) {
        size.refusal = derived.error();
        return size;
    }
    AimWish wish = drawn;
    wish.bestOnly = true;
    wish.onlyLevers = true;
    wish.levers.clear();
    for (const AimLever& lever : wishOf(*derived).levers) {
        const bool free = std::any_of(drawn.levers.begin(), drawn.levers.end(),
                                      [&](const AimLever& of) { return of.kind == lever.kind; });
        if (free) {
            wish.levers.push_back(lever);
        }
    }
    for (AimTarget& target : wish.targets) {
        if (target.what == AimMeasure::Beats) {
            target.low /= times;
            target.high /= times;
        }
    }
    Result<AimAnswer> answer = aim(size.scaled, wish, model, stop);
    if (answer) {
        size.answer = std::move(answer).value();
    } else {
        size.refusal = answer.error();
    }
    return size;
}

}  // namespace

Result<std::vector<AimedSize>> aimSizes(const Design& design, const AimWish& wish,
                                        const std::vector<double>& lengths_m,
                                        const std::vector<Fitting>& shelf, const Model& model,
                                        std::stop_token stop, const SizeFound& found,
                                        const Told& told) {
    const Result<Derived> drawn = evaluate(design, nullptr, model);
    if (!drawn) {
        return drawn.error();
    }
    const Result<AimWish> figures = inFigures(design, wish, model, stop);
    if (!figures) {
        return figures.error();
    }
    std::vector<AimedSize> sizes;
    for (const double length : lengths_m) {
        const double times = length / drawn->shape->sizes.length_m;
        sizes.push_back(aimedAt(design, *figures, length, times, shelf, model, stop));
        if (stop.stop_requested()) {
            return Error{"aim.stopped", "", {}, {}};
        }
        if (found) {
            found(sizes.size() - 1, sizes.back());
        }
        if (told) {
            told(double(sizes.size()) / double(lengths_m.size()));
        }
    }
    return sizes;
}

}  // namespace wl
