#include "core/aim/belly_weights.h"

#include <algorithm>
#include <cmath>

#include "core/aim/trial.h"
#include "core/base/units.h"
#include "core/reckon/evaluate.h"

namespace wl {
namespace {

// The plan's plugs made longer or shorter alike until they weigh so much; what one bore does not
// take goes to the others.
Result<Design> heavierBy(const LeadPlan& plan, const Derived& reached, double lead_kg) {
    constexpr int kRounds = 40;
    Design design = plan.design;
    std::vector<double> perLength, most;
    double room = 0;
    for (size_t i = 0; i < design.bores.size(); ++i) {
        const Bore& bore = design.bores[i];
        perLength.push_back(bore.plugDensity_kg_m3 * kPi / 4 * bore.diameter_m * bore.diameter_m);
        const double area = kPi / 4 * bore.diameter_m * bore.diameter_m;
        const BoreGeometry& g = reached.mass->bores[i];
        most.push_back(g.entersBody ? std::min(bore.depth_m, g.removed_m3 / area) : 0.0);
        room += perLength[i] * most[i];
    }
    if (lead_kg > room) {
        return Error{
            "aim.weight_room", "/bores", {}, {{Quantity::Mass, lead_kg}, {Quantity::Mass, room}}};
    }
    std::vector<double> length;
    for (const Bore& bore : design.bores) {
        length.push_back(std::max(bore.plugLength_m, 1e-5));
    }
    for (int round = 0; round < kRounds; ++round) {
        double full = 0, free = 0;
        for (size_t i = 0; i < length.size(); ++i) {
            (length[i] >= most[i] ? full : free) += perLength[i] * std::min(length[i], most[i]);
        }
        if (free <= 0) {
            break;
        }
        const double times = std::max(0.0, lead_kg - full) / free;
        bool over = false;
        for (size_t i = 0; i < length.size(); ++i) {
            if (length[i] < most[i]) {
                length[i] *= times;
                over = over || length[i] > most[i];
            }
        }
        if (!over) {
            break;
        }
    }
    for (size_t i = 0; i < length.size(); ++i) {
        design.bores[i].plugLength_m = std::min(length[i], most[i]);
    }
    return design;
}

void letGoInEach(BellyWeight& weight, const Derived& derived,
                 const std::vector<FishedWater>& waters, const Brief& brief, double sinkSeen) {
    for (const FishedWater& water : waters) {
        weight.in.push_back(inWater(*derived.design, derived, water.temperature_K, water.salinity,
                                    derived.design->errors.roomTemperature_K));
        if (weight.in.back().state == RestState::Sinks) {
            weight.in.back().speed_m_s *= sinkSeen;
        }
        weight.asWished.push_back(restsAsWished(brief, weight.in.back()));
    }
}

// A plan for another brief than the drawn one, let go in every water with the drawn brief on it.
void planFor(BellyWeight& weight, const Design& drawn, const Brief& brief,
             const std::vector<FishedWater>& waters, double drawnLead, const Derived& near,
             double sinkSeen, const std::stop_token& stop) {
    Design asked = drawn;
    asked.brief = brief;
    asked.brief.wantedSinkSpeed_m_s /= sinkSeen;
    Result<LeadPlan> plan = planLead(asked, &near, stop);
    if (!plan) {
        weight.refusal = plan.error();
        return;
    }
    weight.leadMet = isMet(*plan);
    weight.lead_kg = leadIn_kg(*plan->reached);
    weight.more_kg = weight.lead_kg - drawnLead;
    weight.design = plan->design;
    weight.design.brief = drawn.brief;
    const Result<Derived> there = evaluate(weight.design, plan->reached.get(), near.model);
    if (!there) {
        weight.refusal = there.error();
        return;
    }
    letGoInEach(weight, *there, waters, drawn.brief, sinkSeen);
}

}  // namespace

double leadIn_kg(const Derived& d) {
    double lead = 0;
    for (const MassItem& item : d.mass->items) {
        lead += item.kind == PartKind::Plug ? item.mass_kg : 0.0;
    }
    return lead;
}

bool restsAsWished(const Brief& brief, const StillWater& rest) {
    constexpr double kSpare = 0.01, kSpeed = 0.1, kPitch_rad = 2 * kDegree;
    if (rest.attitudeDecided && std::abs(rest.pitch_rad - brief.wantedPitch_rad) > kPitch_rad) {
        return false;
    }
    switch (brief.wantedState) {
        case WantedState::Float:
            return rest.state == RestState::Floats &&
                   std::abs(rest.spare - brief.wantedSpare) <= kSpare;
        case WantedState::Suspend:
            return rest.state == RestState::Suspends;
        default:
            return rest.state == RestState::Sinks &&
                   std::abs(rest.speed_m_s - brief.wantedSinkSpeed_m_s) <=
                       kSpeed * brief.wantedSinkSpeed_m_s;
    }
}

Result<std::vector<BellyWeight>> bellyWeights(const Design& design,
                                              const std::vector<FishedWater>& waters,
                                              const std::vector<double>& leads_kg,
                                              std::stop_token stop, const Told& told,
                                              double sinkSeen) {
    const Result<Derived> drawn = evaluate(design);
    if (!drawn) {
        return drawn.error();
    }
    const double drawnLead = leadIn_kg(*drawn);
    const Result<LeadPlan> plan = planLead(design, &*drawn, stop);
    if (!plan) {
        return plan.error();
    }
    std::vector<BellyWeight> weights;
    const TankTest& tank = design.tank;
    const double rates[] = {tank.sinkRateOne_m_s, tank.sinkRateTwo_m_s, tank.sinkRateThree_m_s};
    const size_t all = leads_kg.empty() ? waters.size() + std::size(rates) : leads_kg.size();
    const auto done = [&](BellyWeight weight) {
        weights.push_back(std::move(weight));
        if (told) {
            told(double(weights.size()) / double(all));
        }
        return !stop.stop_requested();
    };
    bool going = true;
    for (const double lead : leads_kg) {
        BellyWeight weight;
        weight.what = BellyWeight::For::Typed;
        weight.asked = lead;
        if (Result<Design> heavier = heavierBy(*plan, *plan->reached, lead)) {
            weight.design = std::move(heavier).value();
            const Result<Derived> there =
                evaluate(weight.design, plan->reached.get(), drawn->model);
            if (there) {
                weight.lead_kg = leadIn_kg(*there);
                weight.more_kg = weight.lead_kg - drawnLead;
                weight.leadMet = true;
                letGoInEach(weight, *there, waters, design.brief, sinkSeen);
            } else {
                weight.refusal = there.error();
            }
        } else {
            weight.refusal = heavier.error();
        }
        going = going && done(std::move(weight));
    }
    for (size_t w = 0; leads_kg.empty() && going && w < waters.size(); ++w) {
        BellyWeight weight;
        weight.water = w;
        Brief brief = design.brief;
        brief.temperature_K = waters[w].temperature_K;
        brief.salinity = waters[w].salinity;
        planFor(weight, design, brief, waters, drawnLead, *plan->reached, sinkSeen, stop);
        going = done(std::move(weight));
    }
    for (size_t r = 0; leads_kg.empty() && going && r < std::size(rates); ++r) {
        BellyWeight weight;
        weight.what = BellyWeight::For::Rate;
        weight.asked = rates[r];
        Brief brief = design.brief;
        brief.wantedState = WantedState::Sink;
        brief.wantedSinkSpeed_m_s = rates[r];
        planFor(weight, design, brief, waters, drawnLead, *plan->reached, sinkSeen, stop);
        going = done(std::move(weight));
    }
    if (!going) {
        return Error{"plan.stopped", "/bores", {}, {}};
    }
    std::stable_sort(weights.begin(), weights.end(),
                     [](const BellyWeight& a, const BellyWeight& b) {
                         if (a.refusal.has_value() != b.refusal.has_value()) {
                             return b.refusal.has_value();
                         }
                         return a.lead_kg < b.lead_kg;
                     });
    return weights;
}

}  // namespace wl
