// The search of the aim: round trips, every step tried, the lead all at once, trust, the quick
// chain.
#include <catch2/catch.hpp>
#include <cmath>
#include <nlopt.hpp>

#include "core/aim/ways.h"
#include "core/base/units.h"
#include "support/aimed.h"
#include "support/random_bait.h"
#include "support/thorough.h"

using namespace wl;
using namespace wl::test;

namespace {

std::vector<double> somewhere(Dice& dice, const std::vector<AimLever>& levers) {
    std::vector<double> values;
    for (const AimLever& lever : levers) {
        values.push_back(dice.from(lever.low, lever.high));
    }
    return values;
}

}  // namespace

TEST_CASE("forgotten lips, ties and leads are found again, as good or better", "[again]") {
    int trips = 0, aimable = 0;
    for (const Design& bait : {demoDesign(), stubby(), demoNamed("lipless")}) {
        const AimBase base = baseOf(bait);
        const std::vector<AimLever> levers = usualLevers(*base.plan.reached);
        Dice dice(14);
        for (int i = 0, left = 22; left > 0 && i < 200; ++i) {
            const AimTrial seed = tryLevers(base, levers, somewhere(dice, levers), base.swims);
            const auto depth = seed.values.of(AimMeasure::Depth);
            if (seed.fault != AimTrial::Fault::None || !depth || *depth < 0.2) {
                continue;
            }
            --left;
            std::vector<SoughtTarget> targets{about(AimMeasure::Depth, *depth, 0.10)};
            if (base.swims) {
                targets.push_back(
                    about(AimMeasure::Beats, *seed.values.of(AimMeasure::Beats), .12));
                targets.push_back(
                    about(AimMeasure::Swing, *seed.values.of(AimMeasure::Swing), 0.30, 0.5));
            }
            double seedLoss = 0;
            for (const SoughtTarget& t : targets) {
                seedLoss += t.band.weight * lossOf(t.band, *seed.values.of(t.band.what), t.doubt);
            }
            AimSearch search(base, levers, targets, {});
            const AimSearch::Entry& found = search.at(searched(search));
            INFO(bait.name << " " << i << " depth " << *depth << " loss " << found.loss);
            ++trips;
            aimable += found.trial.fault == AimTrial::Fault::None ? 1 : 0;
            // Half a bench step of the lip is 0.02 of the chance.
            CHECK(found.loss < seedLoss + 0.03);
        }
    }
    CHECK(trips >= 60);
    CHECK(aimable == trips);
}

TEST_CASE("on two levers the search finds what trying every step finds", "[again]") {
    const AimBase base = baseOf(demoDesign());
    std::vector<AimLever> levers;
    for (const AimLever& lever : usualLevers(*base.plan.reached)) {
        if (lever.kind == AimLeverKind::LipAngle || lever.kind == AimLeverKind::TieUpLip) {
            levers.push_back(lever);
        }
    }
    levers[1].step = 1e-3;
    const std::vector<SoughtTarget> targets{about(AimMeasure::Depth, 2.6, 0.08),
                                            about(AimMeasure::Swing, 7 * kDegree, 0.3, 0.5)};
    AimSearch all(base, levers, targets, {});
    std::vector<LeverSteps> grid;
    for (int a = -15; a <= 21; ++a) {
        for (int t = -7; t <= 13; ++t) {
            grid.push_back({a, t});
        }
    }
    all.tryAll(grid);
    AimSearch search(base, levers, targets, {});
    const LeverSteps found = searched(search);
    CHECK(search.costOf(found) <= all.costOf(all.best()) + 0.005);
    CHECK(search.trials().size() < 320);
}

TEST_CASE("the lead solved within each trial does better than all at once in as many trials",
          "[again]") {
    const AimBase base = baseOf(demoDesign());
    const std::vector<AimLever> levers = usualLevers(*base.plan.reached);
    const std::vector<SoughtTarget> targets{about(AimMeasure::Depth, 1.9, 0.1)};
    AimSearch nested(base, levers, targets, {});
    const double best = nested.costOf(searched(nested));
    // Plug lengths as two more variables, mass and attitude at rest as penalties (0.1 g, 1 degree).
    struct Problem {
        const AimBase& base;
        const std::vector<AimLever>& levers;
        const AimSearch& search;
        const SoughtTarget& target;
        double least = 1e9;
    } problem{base, levers, nested, targets[0]};
    const auto cost = [](const std::vector<double>& x, std::vector<double>&, void* data) {
        Problem& p = *static_cast<Problem*>(data);
        const size_t n = p.levers.size();
        std::vector<double> values;
        for (size_t i = 0; i < n; ++i) {
            values.push_back(p.levers[i].low + x[i] * (p.levers[i].high - p.levers[i].low));
        }
        Design d = withLevers(p.base, p.levers, values);
        for (size_t j = 0; j < d.bores.size(); ++j) {
            d.bores[j].plugLength_m = x[n + j] * d.bores[j].depth_m;
        }
        const auto derived = evaluate(d, p.base.plan.reached.get());
        if (!derived) {
            return 40.0;
        }
        const Run run = computeRun(*derived, {}, kCoarseRetrieve);
        const double off = (derived->mass->mass_kg - derived->wantedMass_kg) / 1e-4;
        const double turned = (derived->rest->pitch_rad - d.brief.wantedPitch_rad) / kDegree;
        const double lost =
            run.depthKnown ? lossOf(p.target.band, run.path.maxDepth_m, p.target.doubt) : 20.0;
        const double sum = lost + off * off + turned * turned;
        p.least = std::min(p.least, sum);
        return sum;
    };
    nlopt::opt solver(nlopt::LN_COBYLA, unsigned(levers.size() + base.drawn.bores.size()));
    solver.set_lower_bounds(0.0);
    solver.set_upper_bounds(1.0);
    solver.set_min_objective(cost, &problem);
    solver.set_maxeval(int(nested.trials().size()));
    std::vector<double> x(levers.size() + base.drawn.bores.size(), 0.4);
    double least = 0;
    solver.optimize(x, least);
    INFO("all at once " << problem.least << ", nested " << best);
    CHECK(nested.at(nested.best()).loss <= problem.least + 0.01);
}

TEST_CASE("without its trust rules the search would go where the model does worst", "[again]") {
    const AimBase base = baseOf(demoDesign());
    const std::vector<AimLever> levers = usualLevers(*base.plan.reached);
    const std::vector<SoughtTarget> wide{about(AimMeasure::Swing, 26 * kDegree, 0.15)};
    AimSearch search(base, levers, wide, {});
    const LeverSteps found = searched(search);
    CHECK(search.at(found).trial.fault == AimTrial::Fault::None);
    CHECK(*search.at(found).trial.values.of(AimMeasure::Swing) < 20 * kDegree);
    int untrusted = 0;
    for (const auto& [steps, entry] : search.trials()) {
        const auto swing = entry.trial.values.of(AimMeasure::Swing);
        const bool there = swing && inside(wide[0].band, *swing);
        untrusted += there ? 1 : 0;
        CHECK_FALSE((there && entry.trial.fault == AimTrial::Fault::None));
    }
    CHECK(untrusted > 0);
}

TEST_CASE("the quick chain tells the depth the full one tells") {
    for (const Design& bait : {demoDesign(), stubby()}) {
        const AimBase base = baseOf(bait);
        const std::vector<AimLever> levers = usualLevers(*base.plan.reached);
        AimSearch search(base, levers, {about(AimMeasure::Depth, 2.0, 0.1)}, {});
        Dice dice(5);
        int seen = 0;
        for (int i = 0; i < someOf(30); ++i) {
            LeverSteps steps;
            for (size_t k = 0; k < levers.size(); ++k) {
                steps.push_back(int(dice.from(-6, 6)));
            }
            const AimTrial& quick = search.at(steps).trial;
            if (quick.fault != AimTrial::Fault::None) {
                continue;
            }
            const AimWay full = proveWay(search, {AimWay::Kind::Best, 0, steps});
            const auto depth = full.told.of(AimMeasure::Depth);
            REQUIRE(depth);
            CHECK(*quick.values.of(AimMeasure::Depth) == Approx(*depth).epsilon(0.01));
            CHECK(full.leadMet);
            const auto beats = full.told.of(AimMeasure::Beats);
            if (beats && quick.values.of(AimMeasure::Beats)) {
                CHECK(*quick.values.of(AimMeasure::Beats) == Approx(*beats).epsilon(0.01));
            }
            ++seen;
        }
        CHECK(seen >= someOf(8));
    }
}
