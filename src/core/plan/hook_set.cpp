#include "core/plan/hook_set.h"

#include <algorithm>
#include <cmath>

namespace wl {
namespace {

// Of a kind, the one whose size is nearest to that wanted; null when there is none.
const Fitting* nearest(const std::vector<Fitting>& all, FittingKind kind, double size_m,
                       double longestStem_m = 1.0) {
    const Fitting* best = nullptr;
    for (const Fitting& f : all) {
        if (f.kind == kind && f.shank_m <= longestStem_m &&
            (best == nullptr || std::abs(f.size_m - size_m) < std::abs(best->size_m - size_m))) {
            best = &f;
        }
    }
    return best;
}

Fitting usualEye(double longestStem_m) {
    Fitting f;
    f.kind = FittingKind::ScrewEye;
    f.typicalMass_kg = 0.00015;
    f.size_m = 0.005;
    f.shank_m = std::min(0.012, longestStem_m);
    return f;
}

}  // namespace

SkinPlace skinPlaceNear(const BodyCurves& curves, double x_m, double z_m) {
    constexpr double kTip = 1.0 / 30;
    const double length = curves.length_m();
    if (x_m < kTip * length) {
        return {0.0, 0.0, FeatureFrom::Nose};
    }
    if (x_m > (1 - kTip) * length) {
        const Section tip = curves.atX(0.995 * length);
        return {length, 0.5 * (tip.back_m + tip.belly_m), FeatureFrom::Tail};
    }
    const Section s = curves.atX(x_m);
    const bool back = std::abs(z_m - s.back_m) < std::abs(z_m - s.belly_m);
    return {x_m, back ? s.back_m : s.belly_m, back ? FeatureFrom::Back : FeatureFrom::Belly};
}

std::string freeFittingName(const Design& design, const std::string& wanted) {
    for (int i = 1;; ++i) {
        const std::string name = i == 1 ? wanted : wanted + " " + std::to_string(i);
        if (std::none_of(design.fittings.begin(), design.fittings.end(),
                         [&name](const Fitting& f) { return f.name == name; })) {
            return name;
        }
    }
}

Design withHookSet(const Design& design, const std::vector<Fitting>& shelf,
                   const HookSetWish& wish) {
    Design d = design;
    std::string name = wish.onEye;
    if (name.empty()) {
        const Fitting* known =
            nearest(shelf, FittingKind::ScrewEye, wish.eyeSize_m, wish.longestStem_m);
        Fitting eye = known != nullptr ? *known : usualEye(wish.longestStem_m);
        eye.name = freeFittingName(d, wish.where + " eye");
        eye.stemFrom = wish.at.from;
        const double out = 0.5 * eye.size_m;
        eye.x_m = wish.at.x_m + (wish.at.from == FeatureFrom::Tail   ? out
                                 : wish.at.from == FeatureFrom::Nose ? -out
                                                                     : 0.0);
        eye.z_m = wish.at.z_m + (wish.at.from == FeatureFrom::Belly  ? -out
                                 : wish.at.from == FeatureFrom::Back ? out
                                                                     : 0.0);
        name = eye.name;
        d.fittings.push_back(std::move(eye));
    }
    if (!wish.hook) {
        return d;
    }
    const bool ringed = std::any_of(d.fittings.begin(), d.fittings.end(), [&](const Fitting& f) {
        return f.kind == FittingKind::SplitRing && f.hangsFrom == name;
    });
    const Fitting* ring = nearest(shelf, FittingKind::SplitRing, wish.ringSize_m);
    if (ring != nullptr && !ringed) {
        Fitting r = *ring;
        r.name = freeFittingName(d, wish.where + " ring");
        r.hangsFrom = name;
        d.fittings.push_back(std::move(r));
    }
    Fitting h = *wish.hook;
    h.name = freeFittingName(d, wish.where + (h.kind == FittingKind::Treble ? " treble" : " hook"));
    h.hangsFrom = name;
    d.fittings.push_back(std::move(h));
    return d;
}

}  // namespace wl
