// Belly weights for several waters, and one lead for three sink rates.
#include <catch2/catch.hpp>

#include "core/aim/belly_weights.h"
#include "core/aim/hook_rates.h"
#include "core/hydro/water.h"
#include "core/reckon/evaluate.h"
#include "io/shelf.h"
#include "support/sample_bait.h"

using namespace wl;
using namespace wl::test;

namespace {

std::vector<Fitting> shelfHooks() {
    std::vector<Fitting> hooks;
    for (const auto& row : starterShelf().fittings) {
        hooks.push_back(row.item);
    }
    return hooks;
}

StillWater restOf(const Design& design) {
    const Derived d = evaluated(design);
    return restInWater(d, unchanged(d));
}

}  // namespace

TEST_CASE("a weight for each water: rests there as wished, heavier by the denser water") {
    const std::vector<FishedWater> waters{
        {277.15, 0.0}, {288.15, 0.0}, {298.15, 0.0}, {288.15, 0.035}};
    for (const char* name : {"lipless", "diver"}) {
        Design design = demoNamed(name);
        const auto weights = bellyWeights(design, waters, {});
        REQUIRE(weights);
        REQUIRE(weights->size() == waters.size() + 3);
        std::vector<const BellyWeight*> byWater(waters.size());
        for (const BellyWeight& weight : *weights) {
            if (weight.what == BellyWeight::For::Brief) {
                REQUIRE_FALSE(weight.refusal);
                byWater[weight.water] = &weight;
                INFO(name << " water " << weight.water);
                CHECK(weight.leadMet);
                CHECK(weight.asWished[weight.water]);
            }
        }
        for (size_t i = 1; i < weights->size(); ++i) {
            CHECK((*weights)[i - 1].lead_kg <= (*weights)[i].lead_kg);
        }
        // Archimedes: as much more net weight as the denser water lifts more.
        const BellyWeight &fresh = *byWater[1], &sea = *byWater[3];
        const Derived d = evaluated(design);
        const double lift = d.mass->displacedVolume_m3 *
                            (waterDensity_kg_m3(288.15, 0.035) - waterDensity_kg_m3(288.15, 0.0));
        const double wanted = design.brief.wantedState == WantedState::Float
                                  ? lift * (1 - design.brief.wantedSpare)
                                  : lift;
        const double net =
            evaluated(sea.design).mass->mass_kg - evaluated(fresh.design).mass->mass_kg;
        CHECK(net == Approx(wanted).margin(0.03e-3));  // a plan meets mass within 0.02 g
        CHECK(byWater[2]->lead_kg < fresh.lead_kg);    // warm water carries less
    }
}

TEST_CASE("a weight typed is what goes in, and does in each water what its design then does") {
    Design design = demoNamed("lipless");
    const std::vector<FishedWater> waters{{design.errors.roomTemperature_K, 0.0},
                                          {design.errors.roomTemperature_K, 0.03}};
    const auto weights = bellyWeights(design, waters, {0.9e-3, 2.5e-3, 0.09});
    REQUIRE(weights);
    REQUIRE(weights->size() == 3);
    for (size_t i = 0; i < 2; ++i) {
        const BellyWeight& weight = (*weights)[i];
        REQUIRE_FALSE(weight.refusal);
        CHECK(weight.lead_kg == Approx(weight.asked).epsilon(1e-9));
        for (size_t w = 0; w < waters.size(); ++w) {
            Design there = weight.design;
            there.brief.temperature_K = waters[w].temperature_K;
            there.brief.salinity = waters[w].salinity;
            const StillWater rest = restOf(there);
            INFO(i << " in " << w);
            CHECK(weight.in[w].state == rest.state);
            CHECK(weight.in[w].speed_m_s == Approx(rest.speed_m_s).epsilon(0.01).margin(1e-3));
            CHECK(weight.in[w].net_kg == Approx(rest.net_kg).margin(1e-6));
        }
    }
    CHECK((*weights)[0].in[0].speed_m_s < (*weights)[1].in[0].speed_m_s);
    REQUIRE(weights->back().refusal);
    CHECK(weights->back().refusal->code == "aim.weight_room");
    design.bores.clear();
    CHECK(bellyWeights(design, waters, {}).error().code == "plan.no_bores");
}

TEST_CASE("one lead and three hook sets: nearer to the rates than hooks alone, as reckoned") {
    const std::vector<Fitting> hooks = shelfHooks();
    for (const char* name : {"lipless", "glide-bait"}) {
        const Design design = demoNamed(name);
        const std::vector<double> rates{0.05, 0.1, 0.16};
        const auto found = hooksForRates(design, hooks, rates);
        REQUIRE(found);
        REQUIRE(found->rates.size() == 3);
        double worst = 0;
        for (const RatedHooks& rate : found->rates) {
            INFO(name << " " << rate.wanted_m_s);
            REQUIRE_FALSE(rate.hooks.empty());
            CHECK(rate.clear);
            CHECK(restOf(rate.design).speed_m_s == Approx(rate.speed_m_s).margin(1e-9));
            for (size_t b = 0; b < design.bores.size(); ++b) {
                CHECK(rate.design.bores[b] == found->rates.front().design.bores[b]);
            }
            worst = std::max(worst, std::abs(rate.speed_m_s - rate.wanted_m_s) / rate.wanted_m_s);
        }
        CHECK(found->rates[0].speed_m_s < found->rates[1].speed_m_s);
        CHECK(found->rates[1].speed_m_s < found->rates[2].speed_m_s);
        // The drawn lead with whatever hooks there are.
        std::vector<Fitting> only;
        std::copy_if(hooks.begin(), hooks.end(), std::back_inserter(only),
                     [](const Fitting& f) { return isHook(f.kind); });
        const Derived d = evaluated(design);
        const HookSwaps swaps = computeHookSwaps(design, d, only);
        double alone = 0;
        for (const double rate : rates) {
            double least = 10;
            for (const HookSet& set : swaps.sets) {
                if (set.meetings.empty()) {
                    least = std::min(least, std::abs(set.speed_m_s - rate) / rate);
                }
            }
            alone = std::max(alone, least);
        }
        CHECK(worst <= std::max(alone, 0.25));
    }
    // Hooks so long that all of them meet: shown, and said.
    std::vector<Fitting> longHooks = hooks;
    for (Fitting& hook : longHooks) {
        hook.size_m = std::max(hook.size_m, 0.045);
    }
    const auto meet = hooksForRates(demoNamed("lipless"), longHooks, {0.1});
    REQUIRE(meet);
    REQUIRE_FALSE(meet->rates.front().hooks.empty());
    CHECK_FALSE(meet->rates.front().clear);
    CHECK_FALSE(meet->met);
    Design bare = demoNamed("lipless");
    std::erase_if(bare.fittings, [](const Fitting& f) { return isHook(f.kind); });
    CHECK(hooksForRates(bare, hooks, {0.1}).error().code == "hooks.none");
    CHECK(hooksForRates(demoNamed("lipless"), hooks, {0.1, 0.0}).error().code == "aim.rates");
}
