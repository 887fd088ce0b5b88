#include "core/tank/hook_swaps.h"

#include <algorithm>
#include <cmath>

#include "core/base/units.h"

namespace wl {
namespace {

constexpr double kNearSpeed_m_s = 0.03;

HookSet tryHooks(const Design& design, const Derived& d, const std::vector<size_t>& places,
                 const std::vector<Fitting>& shelf, std::vector<size_t> hooks) {
    HookSet set;
    set.hooks = std::move(hooks);
    ChangedBait bait = unchanged(d);
    Eigen::Vector3d moment = bait.mass_kg * bait.centreOfGravity_m;
    Eigen::Vector3d lift = bait.volume_m3 * bait.centreOfBuoyancy_m;
    std::vector<double> lengths;
    for (size_t i = 0; i < places.size(); ++i) {
        const Fitting& old = design.fittings[places[i]];
        const Fitting& now = shelf[set.hooks[i]];
        const double count = old.mirrored ? 2.0 : 1.0;
        const Eigen::Vector3d at = fittingPlace(design, old);
        const double heavier = count * (fittingMass_kg(now) - fittingMass_kg(old));
        const double bigger = count * (fittingMass_kg(now) / now.density_kg_m3 -
                                       fittingMass_kg(old) / old.density_kg_m3);
        bait.mass_kg += heavier;
        moment += heavier * at;
        bait.volume_m3 += bigger;
        lift += bigger * at;
        bait.more.push_back({at, bigger});
        set.hooks_kg += count * fittingMass_kg(now);
        lengths.push_back(now.size_m);
    }
    bait.centreOfGravity_m = moment / bait.mass_kg;
    bait.centreOfBuoyancy_m = lift / bait.volume_m3;
    set.mass_kg = bait.mass_kg;
    static_cast<StillWater&>(set) = restInWater(d, bait);
    set.meetings = hookMeetings(design, places, lengths);
    return set;
}

}  // namespace

HookSwaps computeHookSwaps(const Design& design, const Derived& d,
                           const std::vector<Fitting>& shelf, std::stop_token stop,
                           const std::function<void(double)>& progress) {
    HookSwaps swaps;
    swaps.places = hooksOf(design);
    std::vector<size_t> hooks;
    for (size_t i = 0; i < shelf.size(); ++i) {
        if (isHook(shelf[i].kind)) {
            hooks.push_back(i);
        }
    }
    if (swaps.places.empty() || hooks.empty()) {
        swaps.complete = true;
        return swaps;
    }
    const bool one = swaps.places.size() == 1;
    const size_t all = one ? hooks.size() : hooks.size() * hooks.size();
    size_t done = 0;
    for (const size_t front : hooks) {
        for (const size_t rear : hooks) {
            if ((one && rear != front) || done >= kMostHookSets) {
                continue;
            }
            if (stop.stop_requested()) {
                return swaps;
            }
            std::vector<size_t> set(swaps.places.size(), front);
            set.back() = rear;
            swaps.sets.push_back(tryHooks(design, d, swaps.places, shelf, std::move(set)));
            ++done;
            if (progress && done % 16 == 0) {
                progress(double(done) / double(all));
            }
        }
    }
    std::stable_sort(swaps.sets.begin(), swaps.sets.end(),
                     [](const HookSet& a, const HookSet& b) { return a.mass_kg < b.mass_kg; });
    swaps.complete = true;
    return swaps;
}

std::vector<std::vector<size_t>> setsForSpeeds(const HookSwaps& swaps, double ownPitch,
                                               const std::vector<double>& speeds, size_t most) {
    std::vector<std::vector<size_t>> out;
    for (const double wanted : speeds) {
        std::vector<size_t> order(swaps.sets.size());
        for (size_t i = 0; i < order.size(); ++i) {
            order[i] = i;
        }
        // A hundredth of a radian counts as much as a millimetre a second.
        auto miss = [&](size_t i) {
            return std::abs(swaps.sets[i].speed_m_s - wanted) +
                   0.1 * std::abs(swaps.sets[i].pitch_rad - ownPitch);
        };
        std::stable_sort(order.begin(), order.end(), [&](size_t a, size_t b) {
            const bool clearA = swaps.sets[a].meetings.empty();
            const bool clearB = swaps.sets[b].meetings.empty();
            return clearA != clearB ? clearA : miss(a) < miss(b);
        });
        // What goes the other way, or at another pace altogether, is no answer to the wish.
        const double within = std::max(kNearSpeed_m_s, 0.5 * std::abs(wanted));
        order.erase(std::remove_if(order.begin(), order.end(),
                                   [&](size_t i) {
                                       const double speed = swaps.sets[i].speed_m_s;
                                       return std::abs(speed - wanted) > within ||
                                              (wanted > kNearSpeed_m_s && speed <= 0);
                                   }),
                    order.end());
        order.resize(std::min(most, order.size()));
        out.push_back(std::move(order));
    }
    return out;
}

void putHook(Fitting& place, const Fitting& hook) {
    const Fitting old = place;
    place = hook;
    place.name = old.name;  // others may hang on it
    place.hangsFrom = old.hangsFrom;
    place.x_m = old.x_m;
    place.y_m = old.y_m;
    place.z_m = old.z_m;
    place.mirrored = old.mirrored;
}

Design withHooks(const Design& design, const HookSwaps& swaps, const HookSet& set,
                 const std::vector<Fitting>& shelf) {
    Design next = design;
    for (size_t i = 0; i < swaps.places.size(); ++i) {
        putHook(next.fittings[swaps.places[i]], shelf[set.hooks[i]]);
    }
    return next;
}

}  // namespace wl
