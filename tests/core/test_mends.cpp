// When a lead plan cannot be met: the smallest change of each kind that mends it.
#include <catch2/catch.hpp>

#include "core/base/decimal.h"
#include "core/clearance/clearance.h"
#include "core/plan/lead_mends.h"
#include "support/sample_bait.h"
#include "text/sentences.h"

using namespace wl;
using namespace wl::test;

namespace {

std::vector<Fitting> hooksOfMass(const std::vector<double>& masses_kg) {
    std::vector<Fitting> hooks;
    for (const double mass : masses_kg) {
        Fitting hook;
        hook.kind = FittingKind::Treble;
        hook.name = "hook of " + fixedDecimalText(mass * 1e3, 6) + " g";
        hook.typicalMass_kg = mass;
        hook.size_m = 0.014;
        hooks.push_back(hook);
    }
    return hooks;
}

}  // namespace

TEST_CASE("when a plan cannot be met, the smallest change of each kind that mends it") {
    const MendShelf shelf{{{"light stock", 260, 0.1},
                           {"middling stock", 520, 0.1},
                           {"heavy stock", 740, 0.1},
                           {"heaviest stock", 980, 0.1}},
                          hooksOfMass({0.2e-3, 0.4e-3, 0.6e-3, 0.9e-3, 1.4e-3})};
    auto of = [](const std::vector<LeadChoice>& mends, const std::string& code) {
        const auto found = std::find_if(mends.begin(), mends.end(),
                                        [&](const LeadChoice& c) { return c.change.code == code; });
        return found == mends.end() ? nullptr : &*found;
    };
    auto meets = [](const Design& d) {
        const Derived e = evaluated(d);
        return std::abs(e.mass->mass_kg - e.wantedMass_kg) < 0.05e-3 &&
               std::abs(e.rest->pitch_rad - d.brief.wantedPitch_rad) < 0.5 * kDegree;
    };
    CHECK(leadMends(demoDesign(), shelf).empty());

    Design thin = demoDesign();
    for (Bore& bore : thin.bores) {
        bore.diameter_m = 0.0055;
    }
    REQUIRE_FALSE(planLead(thin)->findings.empty());
    const std::vector<LeadChoice> mends = leadMends(thin, shelf);
    REQUIRE(mends.size() >= 3);
    for (const LeadChoice& c : mends) {
        INFO(c.change.code);
        CHECK(c.met);
        CHECK(meets(c.design));
        CHECK(c.price.leastWall_m >= kLeastWall_m);
        CHECK(englishFor(c.change.code) != c.change.code);
        // Nothing but the change and the plugs is another.
        Design back = c.design;
        if (c.change.code == "mend.stock") {
            back.pieces = thin.pieces;
        } else if (c.change.code == "mend.hooks") {
            back.fittings = thin.fittings;
        } else if (c.change.code.starts_with("mend.lip")) {
            back.lip = thin.lip;
        }
        for (size_t i = 0; i < back.bores.size(); ++i) {
            back.bores[i].plugLength_m = thin.bores[i].plugLength_m;
            if (c.change.code.starts_with("mend.bore")) {
                back.bores[i] = thin.bores[i];
            }
        }
        CHECK(back == thin);
    }
    // The smallest of its kind is the smallest of every bore and every step tried one by one.
    auto leastByTrial = [&](const Design& from, double Bore::*measure, double sense, double most) {
        for (int step = 1; step * 0.0005 < most; ++step) {
            for (size_t i = 0; i < from.bores.size(); ++i) {
                Design changed = from;
                changed.bores[i].*measure += sense * step * 0.0005;
                const Result<LeadPlan> plan = planLead(changed);
                if (plan.ok() && plan->findings.empty() && meets(plan->design)) {
                    return step * 0.0005;
                }
            }
        }
        return 0.0;
    };
    auto changeOf = [](const Design& from, const LeadChoice& c, double Bore::*measure) {
        double change = 0;
        for (size_t i = 0; i < from.bores.size(); ++i) {
            change += std::abs(c.design.bores[i].*measure - from.bores[i].*measure);
        }
        return change;
    };
    for (const auto& [code, measure] :
         {std::pair{"mend.bore_wider", &Bore::diameter_m}, {"mend.bore_deeper", &Bore::depth_m}}) {
        INFO(code);
        REQUIRE(of(mends, code) != nullptr);
        CHECK(changeOf(thin, *of(mends, code), measure) ==
              Approx(leastByTrial(thin, measure, 1.0, 0.006)).margin(1e-9));
    }
    const LeadChoice* stock = of(mends, "mend.stock");
    REQUIRE(stock != nullptr);
    CHECK(stock->change.words[0] == "middling stock");
    // Where one bore alone would upset the trim, all of them together.
    Design thinner = thin;
    for (Bore& bore : thinner.bores) {
        bore.diameter_m = 0.0045;
    }
    const std::vector<LeadChoice> together = leadMends(thinner, shelf);
    REQUIRE(of(together, "mend.bore_wider_all") != nullptr);
    CHECK(meets(of(together, "mend.bore_wider_all")->design));

    Design heavy = demoDesign();
    heavy.pieces[0].stock = {};
    heavy.pieces[0].stock.shelfDensity_kg_m3 = 700;
    CHECK(planLead(heavy)->findings.front().code == "plan.mass_or_trim");
    const std::vector<LeadChoice> hooked = leadMends(heavy, shelf);
    REQUIRE(of(hooked, "mend.hooks") != nullptr);
    CHECK(meets(of(hooked, "mend.hooks")->design));
    CHECK(of(hooked, "mend.hooks")->design.fittings.size() == heavy.fittings.size());
    heavy.pieces[0].stock.shelfDensity_kg_m3 = 900;
    const std::vector<LeadChoice> lighter = leadMends(heavy, shelf);
    REQUIRE(of(lighter, "mend.stock") != nullptr);
    CHECK(of(lighter, "mend.stock")->design.pieces[0].stock.shelfDensity_kg_m3 < 900);
    CHECK(of(lighter, "mend.bore_wider") == nullptr);
    CHECK(of(lighter, "mend.lip_metal") == nullptr);

    Design tailHeavy = demoDesign();
    for (Bore& bore : tailHeavy.bores) {
        bore.diameter_m = 0.006;
    }
    REQUIRE_FALSE(planLead(tailHeavy)->findings.empty());
    const std::vector<LeadChoice> ahead = leadMends(tailHeavy, shelf);
    const LeadChoice* moved = of(ahead, "mend.bore_moved");
    REQUIRE(moved != nullptr);
    CHECK(meets(moved->design));
    CHECK(moved->price.moved_m > 0);
    CHECK(moved->design.bores[0].x_m < tailHeavy.bores[0].x_m);
    CHECK(moved->price.moved_m == Approx(leastByTrial(tailHeavy, &Bore::x_m, -1.0, 0.01)));

    // The lip that mends it is named as what it is.
    Design aftBores = demoDesign();
    for (Bore& bore : aftBores.bores) {
        bore.x_m += 0.016;
    }
    const std::vector<LeadChoice> metal = leadMends(aftBores, shelf);
    REQUIRE(of(metal, "mend.lip_metal") != nullptr);
    CHECK(meets(of(metal, "mend.lip_metal")->design));
    CHECK(of(metal, "mend.lip_metal")->design.lip.material == "stainless 304");

    // Out of reach of any one change: the nearest is shown as what it is.
    Design never = thin;
    never.brief.wantedState = WantedState::Sink;
    never.brief.wantedSinkSpeed_m_s = 0.9;
    const std::vector<LeadChoice> nearest = leadMends(never, shelf);
    REQUIRE(nearest.size() == 1);
    CHECK_FALSE(nearest[0].met);
    CHECK(nearest[0].missingMass_kg < planLead(never)->missingMass_kg);
    std::stop_source stop;
    stop.request_stop();
    CHECK(leadMends(thin, shelf, stop.get_token()).empty());
}
