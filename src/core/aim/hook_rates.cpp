#include "core/aim/hook_rates.h"

#include <algorithm>
#include <cmath>
#include <limits>

#include "core/aim/belly_weights.h"
#include "core/base/units.h"
#include "core/reckon/evaluate.h"
#include "core/rest/let_go.h"
#include "core/tank/hook_reach.h"

namespace wl {
namespace {

// Lead more or less at the place of the lead there is.
StillWater withLead(const Derived& d, const Eigen::Vector3d& at, double more_kg) {
    ChangedBait bait = unchanged(d);
    const Eigen::Vector3d moment = bait.mass_kg * bait.centreOfGravity_m + more_kg * at;
    bait.mass_kg += more_kg;
    bait.centreOfGravity_m = moment / bait.mass_kg;
    return restInWater(d, bait);
}

Eigen::Vector3d leadPlace(const Derived& d) {
    Eigen::Vector3d moment = Eigen::Vector3d::Zero();
    double lead = 0;
    for (const MassItem& item : d.mass->items) {
        if (item.kind == PartKind::Plug) {
            lead += item.mass_kg;
            moment += item.mass_kg * item.centre_m;
        }
    }
    return lead > 0 ? Eigen::Vector3d(moment / lead) : d.mass->centreOfGravity_m;
}

// How much heavier under water it must be to sink so fast.
double heavierFor(const Derived& d, const Eigen::Vector3d& at, double rate) {
    constexpr int kHalvings = 30;
    double low = -0.5 * d.mass->mass_kg, high = d.mass->mass_kg;
    for (int i = 0; i < kHalvings; ++i) {
        const double middle = 0.5 * (low + high);
        (withLead(d, at, middle).speed_m_s < rate ? low : high) = middle;
    }
    return 0.5 * (low + high);
}

struct LeadMiss {
    double more_kg = 0.0;  ///< net, than drawn
    size_t middle = 0;     ///< set that sinks at the middle rate with it
    double miss = 0.0;
};

// The leads, best first, at which each rate has a set near to it.
std::vector<LeadMiss> promising(const HookSwaps& swaps, const std::vector<double>& heavier,
                                size_t middleRate, double drawnNet, double drawnPitch) {
    constexpr size_t kTried = 6;
    constexpr double kApart_kg = 0.1e-3;
    struct Clear {
        double net_kg, tilt_rad;
        size_t set;
    };
    std::vector<Clear> clear;
    // Where no set keeps clear the nearest are shown all the same, and told to meet.
    const bool none = std::none_of(swaps.sets.begin(), swaps.sets.end(),
                                   [](const HookSet& set) { return set.meetings.empty(); });
    for (size_t i = 0; i < swaps.sets.size(); ++i) {
        const HookSet& set = swaps.sets[i];
        if (none || set.meetings.empty()) {
            clear.push_back({set.net_kg, std::abs(set.pitch_rad - drawnPitch), i});
        }
    }
    std::vector<LeadMiss> all;
    for (const Clear& own : clear) {
        LeadMiss one;
        one.middle = own.set;
        one.more_kg = own.net_kg - drawnNet + heavier[middleRate];
        for (size_t r = 0; r < heavier.size(); ++r) {
            // Speed goes with the root of the weight under water; a radian of tilt counts as a
            // speed wholly missed.
            const double under = std::max(1e-5, heavier[r] - drawnNet);
            double least = own.tilt_rad;
            if (r != middleRate) {
                least = std::numeric_limits<double>::infinity();
                for (const Clear& other : clear) {
                    const double off = std::abs(other.net_kg - (one.more_kg - under));
                    least = std::min(least, off / (2 * under) + other.tilt_rad);
                }
            }
            one.miss = std::max(one.miss, least);
        }
        all.push_back(one);
    }
    std::stable_sort(all.begin(), all.end(),
                     [](const LeadMiss& a, const LeadMiss& b) { return a.miss < b.miss; });
    std::vector<LeadMiss> chosen;
    for (const LeadMiss& one : all) {
        const bool known = std::any_of(chosen.begin(), chosen.end(), [&](const LeadMiss& c) {
            return std::abs(c.more_kg - one.more_kg) < kApart_kg;
        });
        if (!known && chosen.size() < kTried) {
            chosen.push_back(one);
        }
    }
    return chosen;
}

double missOf(const HookRates& rates) {
    double worst = 0;
    for (const RatedHooks& one : rates.rates) {
        const double off = one.hooks.empty() ? 10.0
                                             : std::abs(one.speed_m_s - one.wanted_m_s) /
                                                   std::max(0.01, one.wanted_m_s);
        const double tilt = one.hooks.empty() ? 0.0 : one.tilt_rad;
        worst = std::max(worst, off + tilt + (one.clear || one.hooks.empty() ? 0.0 : 1.0));
    }
    return worst;
}

HookRates ratedWith(const LeadPlan& plan, const std::vector<Fitting>& shelf,
                    const std::vector<double>& rates, double drawnLead, double sinkSeen,
                    const std::stop_token& stop) {
    constexpr double kShare = 0.2, kLeast_m_s = 0.01, kTilt_rad = 10 * kDegree;
    const Derived& d = *plan.reached;
    const HookSwaps swaps = computeHookSwaps(plan.design, d, shelf, stop);
    const auto near = setsForSpeeds(swaps, d.rest->pitch_rad, rates, 1);
    HookRates out;
    out.lead_kg = leadIn_kg(d);
    out.more_kg = out.lead_kg - drawnLead;
    out.met = true;
    for (size_t i = 0; i < rates.size(); ++i) {
        RatedHooks one;
        one.wanted_m_s = rates[i] * sinkSeen;
        if (!near[i].empty()) {
            const HookSet& set = swaps.sets[near[i].front()];
            one.design = withHooks(plan.design, swaps, set, shelf);
            if (const Result<Derived> there = evaluate(one.design, &d, d.model)) {
                const StillWater rest = restInWater(*there, unchanged(*there));
                one.speed_m_s = rest.speed_m_s * sinkSeen;
                one.pitch_rad = rest.pitch_rad;
                one.tilt_rad = std::abs(rest.pitch_rad - plan.design.brief.wantedPitch_rad);
                one.clear = set.meetings.empty();
                for (const size_t hook : set.hooks) {
                    one.hooks.push_back(shelf[hook]);
                }
            }
        }
        one.level = one.tilt_rad <= kTilt_rad;
        one.met = !one.hooks.empty() && one.clear && one.level &&
                  std::abs(one.speed_m_s - one.wanted_m_s) <=
                      std::max(kLeast_m_s, kShare * one.wanted_m_s);
        out.met = out.met && one.met;
        out.rates.push_back(std::move(one));
    }
    return out;
}

}  // namespace

Result<HookRates> hooksForRates(const Design& design, const std::vector<Fitting>& all,
                                const std::vector<double>& asSeen, std::stop_token stop,
                                const Told& told, double sinkSeen) {
    constexpr double kNearEnough = 0.05;
    std::vector<Fitting> shelf;
    std::copy_if(all.begin(), all.end(), std::back_inserter(shelf),
                 [](const Fitting& f) { return isHook(f.kind); });
    if (hooksOf(design).empty() || shelf.empty()) {
        return Error{"hooks.none", "/fittings", {}, {}};
    }
    if (asSeen.empty() || *std::min_element(asSeen.begin(), asSeen.end()) <= 0) {
        return Error{"aim.rates", "/tank/sink_rate_one", {}, {}};
    }
    const Result<Derived> drawn = evaluate(design);
    if (!drawn) {
        return drawn.error();
    }
    std::vector<double> rates = asSeen;
    for (double& rate : rates) {
        rate /= sinkSeen;
    }
    const double drawnLead = leadIn_kg(*drawn);
    const Eigen::Vector3d at = leadPlace(*drawn);
    const double drawnNet = restInWater(*drawn, unchanged(*drawn)).net_kg;
    std::vector<double> heavier;
    for (const double rate : rates) {
        heavier.push_back(heavierFor(*drawn, at, rate));
    }
    std::vector<size_t> order(rates.size());
    for (size_t i = 0; i < order.size(); ++i) {
        order[i] = i;
    }
    std::stable_sort(order.begin(), order.end(),
                     [&](size_t a, size_t b) { return rates[a] < rates[b]; });
    const size_t middle = order[order.size() / 2];
    const HookSwaps swaps = computeHookSwaps(design, *drawn, shelf, stop);
    const std::vector<LeadMiss> leads =
        promising(swaps, heavier, middle, drawnNet, drawn->rest->pitch_rad);
    std::optional<HookRates> best;
    std::optional<Error> refusal;
    double least = std::numeric_limits<double>::infinity();
    for (size_t i = 0; i < leads.size() && least > kNearEnough && !stop.stop_requested(); ++i) {
        Design asked = withHooks(design, swaps, swaps.sets[leads[i].middle], shelf);
        asked.brief.wantedState = WantedState::Sink;
        asked.brief.wantedSinkSpeed_m_s = rates[middle];
        const Result<LeadPlan> plan = planLead(asked, &*drawn, stop);
        if (!plan) {
            refusal = plan.error();
            continue;
        }
        HookRates rated = ratedWith(*plan, shelf, rates, drawnLead, sinkSeen, stop);
        if (const double miss = missOf(rated); miss < least) {
            least = miss;
            best = std::move(rated);
        }
        if (told) {
            told(double(i + 1) / double(leads.size()));
        }
    }
    if (stop.stop_requested()) {
        return Error{"plan.stopped", "/bores", {}, {}};
    }
    if (!best) {
        return refusal ? *refusal : Error{"hooks.none", "/fittings", {}, {}};
    }
    return *best;
}

}  // namespace wl
