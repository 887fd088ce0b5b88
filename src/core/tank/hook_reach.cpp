#include "core/tank/hook_reach.h"

#include <algorithm>
#include <limits>

#include "core/mass/mass_balance.h"

namespace wl {
namespace {

double ringReach(const Design& design, const Fitting& hook) {
    for (const Fitting& ring : design.fittings) {
        if (ring.kind == FittingKind::SplitRing && ring.hangsFrom == hook.hangsFrom &&
            !hook.hangsFrom.empty()) {
            return ring.size_m;
        }
    }
    return 0.0;
}

// From a place to the middle line of the lip, root to tip.
double distanceToLip(const Lip& lip, const Eigen::Vector3d& at) {
    double least = std::numeric_limits<double>::max();
    for (const LipPlane& plane : lipPlanes(lip)) {
        const double along =
            std::clamp((at - plane.root_m).dot(plane.along), 0.0, plane.to_m - plane.from_m);
        least = std::min(least, (plane.root_m + along * plane.along - at).norm());
    }
    return least;
}

}  // namespace

double hookReach_m(const Design& design, const Fitting& hook) {
    return hook.size_m + ringReach(design, hook);
}

std::vector<size_t> hooksOf(const Design& design) {
    std::vector<size_t> hooks;
    for (size_t i = 0; i < design.fittings.size(); ++i) {
        if (isHook(design.fittings[i].kind)) {
            hooks.push_back(i);
        }
    }
    std::stable_sort(hooks.begin(), hooks.end(), [&](size_t a, size_t b) {
        return fittingPlace(design, design.fittings[a]).x() <
               fittingPlace(design, design.fittings[b]).x();
    });
    return hooks;
}

std::vector<HookMeeting> hookMeetings(const Design& design, const std::vector<size_t>& hooks,
                                      const std::vector<double>& lengths) {
    std::vector<HookMeeting> out;
    const Eigen::Vector3d tie = tiePoint(design);
    std::vector<Eigen::Vector3d> at;
    std::vector<double> reach;
    for (size_t i = 0; i < hooks.size(); ++i) {
        const Fitting& hook = design.fittings[hooks[i]];
        at.push_back(fittingPlace(design, hook));
        reach.push_back(lengths[i] + ringReach(design, hook));
    }
    for (size_t i = 0; i < hooks.size(); ++i) {
        for (size_t k = i + 1; k < hooks.size(); ++k) {
            const double apart = (at[i] - at[k]).norm();
            if (apart > 1e-6 && apart < reach[i] + reach[k]) {
                out.push_back({hooks[i], HookMeets::Hook, hooks[k], reach[i] + reach[k] - apart});
            }
        }
        const double toTie = (at[i] - tie).norm();
        if (toTie > 1e-6 && toTie < reach[i]) {
            out.push_back({hooks[i], HookMeets::Tie, 0, reach[i] - toTie});
        }
        if (design.lip.present) {
            const double toLip = distanceToLip(design.lip, at[i]);
            if (toLip < reach[i]) {
                out.push_back({hooks[i], HookMeets::Lip, 0, reach[i] - toLip});
            }
        }
    }
    return out;
}

std::vector<HookMeeting> hookMeetings(const Design& design) {
    const std::vector<size_t> hooks = hooksOf(design);
    std::vector<double> lengths;
    lengths.reserve(hooks.size());
    for (const size_t i : hooks) {
        lengths.push_back(design.fittings[i].size_m);
    }
    return hookMeetings(design, hooks, lengths);
}

}  // namespace wl
