// Lead from the shelf: whole pieces, several plans with their price.
#include <catch2/catch.hpp>
#include <random>

#include "core/design/fields.h"
#include "core/plan/lead_choices.h"
#include "io/shelf.h"
#include "support/sample_bait.h"
#include "support/thorough.h"

using namespace wl;
using namespace wl::test;

namespace {

// Every filling of every bore tried.
double leastByEnumeration(const PieceProblem& p) {
    const size_t kinds = p.kinds.size();
    std::vector<std::vector<double>> gains(p.bores.size());
    std::vector<std::vector<std::vector<int>>> fills(p.bores.size());
    for (size_t j = 0; j < p.bores.size(); ++j) {
        std::vector<int> n(kinds, 0);
        while (true) {
            int pieces = 0;
            double length = 0, gain = 0;
            for (size_t k = 0; k < kinds; ++k) {
                pieces += n[k];
                length += n[k] * p.kinds[k].length_mm;
                gain += n[k] * p.kinds[k].mass_g *
                        (1 - p.bores[j].replaced_g_mm3 / p.kinds[k].density_g_mm3);
            }
            if (pieces <= p.bores[j].most && length <= p.bores[j].depth_mm + 1e-9) {
                gains[j].push_back(gain);
                fills[j].push_back(n);
            }
            size_t k = 0;
            while (k < kinds && ++n[k] > p.bores[j].most) {
                n[k++] = 0;
            }
            if (k == kinds) {
                break;
            }
        }
    }
    double least = 1e9;
    std::vector<size_t> at(p.bores.size(), 0);
    while (true) {
        double mass = 0, mx = 0, my = 0;
        std::vector<int> used(kinds, 0);
        for (size_t j = 0; j < at.size(); ++j) {
            mass += gains[j][at[j]];
            mx += gains[j][at[j]] * p.bores[j].x_mm;
            my += gains[j][at[j]] * p.bores[j].y_mm;
            for (size_t k = 0; k < kinds; ++k) {
                used[k] += fills[j][at[j]][k];
            }
        }
        bool enough = true;
        for (size_t k = 0; k < kinds; ++k) {
            enough = enough && (!p.kinds[k].left || used[k] <= *p.kinds[k].left);
        }
        if (enough) {
            least = std::min(
                least, std::abs(mass - p.wantedGain_g) + (std::abs(mx - p.wantedMomentX_g_mm) +
                                                          std::abs(my - p.wantedMomentY_g_mm)) /
                                                             p.gramsPerMoment_mm);
        }
        size_t j = 0;
        while (j < at.size() && ++at[j] == gains[j].size()) {
            at[j++] = 0;
        }
        if (j == at.size()) {
            return least;
        }
    }
}

PieceProblem shotProblem() {
    PieceProblem p;
    for (const double g : {0.1, 0.2, 0.3, 0.5, 0.8, 1.2, 1.75}) {
        p.kinds.push_back({"shot", g, 1.0, 1.0, 0.01134, {}});
    }
    for (const double x : {25, 40, 58, 70}) {
        p.bores.push_back({x - 45, 0, 3.0, 5.0, 0.0, 3});
    }
    p.wantedGain_g = 4.16;
    p.wantedMomentX_g_mm = 18;
    return p;
}

}  // namespace

TEST_CASE("seven shot sizes, four bores: the optimum of a mixed-integer programme") {
    // Optimum 0.013333333 by exhaustive enumeration and by HiGHS, worked independently.
    const auto choice = choosePieces(shotProblem());
    REQUIRE(choice);
    CHECK(choice->objective == Approx(0.013333333).margin(1e-8));
    CHECK(choice->exact);
}

TEST_CASE("whole pieces equal brute force on thirty seeded shelves, counts left included") {
    std::mt19937 random(42);
    std::uniform_real_distribution<double> unit(0, 1);
    for (int i = 0; i < 30; ++i) {
        PieceProblem p;
        for (int k = 0; k < 4; ++k) {
            PieceKind kind{"slug", 0.2 + 1.5 * unit(random), 1.0 + 3 * unit(random), 1.0, 0.01134,
                           {}};
            if (unit(random) < 0.4) {
                kind.left = int(3 * unit(random));
            }
            p.kinds.push_back(kind);
        }
        for (int j = 0; j < 3; ++j) {
            p.bores.push_back({-20 + 40 * unit(random), 2 * unit(random) - 1, 4 + 6 * unit(random),
                               5.0, 0.0007, 3});
        }
        p.wantedGain_g = 1 + 5 * unit(random);
        p.wantedMomentX_g_mm = 60 * (unit(random) - 0.5);
        const auto choice = choosePieces(p);
        if (choice) {
            INFO(i);
            CHECK(choice->objective == Approx(leastByEnumeration(p)).margin(1e-6));
        }
    }
}

TEST_CASE("two hundred seeded baits: mass within 0.05 g and attitude within half a degree") {
    std::mt19937 random(200);
    std::uniform_real_distribution<double> unit(0, 1);
    const Design demo = demoDesign();
    const int baits = kThorough ? 200 : 40;
    int met = 0, said = 0;
    for (int i = 0; i < 2 * baits && met + said < baits; ++i) {
        Design d = demo;
        // A bait of another size, stock and hooks, with a target its own bores were found for:
        // feasible by construction.
        const double k = 0.8 + 0.5 * unit(random);
        for (Station& s : d.body.stations) {
            s.back_m *= k;
            s.belly_m *= k;
            s.widest_m *= k;
            s.halfWidth_m *= k;
        }
        d.pieces[0].stock.source = DensitySource::Shelf;
        d.pieces[0].stock.shelfDensity_kg_m3 = 250 + 300 * unit(random);
        d.fittings.erase(std::remove_if(d.fittings.begin(), d.fittings.end(),
                                        [](const Fitting& f) { return f.shank_m > 0; }),
                         d.fittings.end());
        d.lip.slotDepth_m = 0;
        d.features.clear();
        d.bores.resize(2);
        d.bores[0].x_m = (0.22 + 0.1 * unit(random)) * 0.08;
        d.bores[1].x_m = (0.55 + 0.2 * unit(random)) * 0.08;
        for (Bore& bore : d.bores) {
            const Result<BodyCurves> curves = BodyCurves::build(d.body, "");
            const Section s = curves->atX(bore.x_m);
            bore.diameter_m = 0.8 * s.halfWidth_m;
            bore.depth_m = 0.55 * (s.back_m - s.belly_m);
            bore.plugLength_m = bore.depth_m * (0.2 + 0.6 * unit(random));
        }
        d.brief.wantedState = WantedState::Float;
        const Result<Derived> made = evaluate(d);
        REQUIRE(made.ok());
        if (made->rest->net_kg <= 0.01 * made->mass->mass_kg || !made->rest->attitudeDecided ||
            std::abs(made->rest->roll_rad) > 1.0 * kDegree) {
            continue;  // its own lead sinks it: not a floating target
        }
        d.brief.wantedSpare = made->rest->spare;
        d.brief.wantedPitch_rad = made->rest->pitch_rad;
        for (Bore& bore : d.bores) {
            bore.plugLength_m = 0;
        }
        const Result<LeadPlan> plan = planLead(d);
        if (!plan) {
            ++said;
            continue;
        }
        const bool ok = std::abs(plan->missingMass_kg) < 0.05e-3 &&
                        std::abs(plan->reachedPitch_rad - plan->wantedPitch_rad) < 0.5 * kDegree;
        INFO(i << " spare " << d.brief.wantedSpare << " pitch " << d.brief.wantedPitch_rad / kDegree
               << " reached " << plan->reachedPitch_rad / kDegree << " missing "
               << plan->missingMass_kg * 1e3);
        CHECK((ok || !plan->findings.empty()));
        met += ok;
        said += !ok;
    }
    CHECK(met + said == baits);
    CHECK(met > 0.95 * baits);
}

TEST_CASE("three plans for the demo, each as good as it says, with its price") {
    const Design demo = demoDesign();
    std::vector<PieceKind> shelf;
    for (const double d : {2.0, 2.5, 3.0, 3.5, 4.0, 4.5, 5.0}) {
        shelf.push_back({"ball", kPi / 6 * d * d * d * 0.01134, 0, d, 0.01134, {}});
    }
    const Result<std::vector<LeadChoice>> choices = leadChoices(demo, shelf);
    REQUIRE(choices.ok());
    REQUIRE(choices->size() == 3);
    for (const LeadChoice& c : *choices) {
        INFO(c.change.code);
        const Derived d = evaluated(c.design);
        CHECK(d.mass->mass_kg == Approx(c.mass_kg).epsilon(1e-12));
        CHECK(d.rest->pitch_rad == c.pitch_rad);
        CHECK(c.price.rollStiffness_N_m > 0);
        CHECK(c.price.pitchInertia_kg_m2 > 0);
        CHECK(c.price.leastWall_m < 0.02);
        double lead = 0;
        for (const BoreGeometry& g : d.mass->bores) {
            lead += g.leadMass_kg;
        }
        CHECK(c.price.lead_kg == Approx(lead));
    }
    CHECK(choices->front().met);
    // The shelf's counts are kept to.
    for (PieceKind& kind : shelf) {
        kind.left = 1;
    }
    const Result<LeadChoice> few = planPieces(demo, shelf);
    REQUIRE(few.ok());
    for (const PieceKind& kind : shelf) {
        double used = 0;
        for (const Bore& bore : few->design.bores) {
            for (const LeadPiece& p : bore.pieces) {
                used += std::abs(p.diameter_m * 1e3 - kind.diameter_mm) < 1e-9 ? p.count : 0;
            }
        }
        CHECK(used <= 1);
    }
    for (PieceKind& kind : shelf) {
        kind.diameter_mm = 50;
    }
    CHECK(planPieces(demo, shelf).error().code == "plan.no_piece_fits");
}

TEST_CASE("a jointed bait with two bores in each piece: every piece level by itself") {
    Design d = demoNamed("glide-bait");
    // A second bore in the tail piece, where the plan could not level it before.
    Bore second = d.bores.back();
    second.name = "aft tail bore";
    second.x_m = 0.098;
    second.depth_m = 0.010;
    second.plugLength_m = 0;
    d.bores.push_back(second);
    for (Fitting& f : d.fittings) {
        f.shank_m = 0;
    }
    const Result<LeadPlan> plan = planLead(d);
    INFO((plan.ok() ? "" : plan.error().code + " " + plan.error().path));
    REQUIRE(plan.ok());
    CHECK(std::abs(plan->missingMass_kg) < 0.1e-3);
    const Derived before = evaluated(demoNamed("glide-bait"));
    REQUIRE(plan->piecePitches_rad.size() == 2);
    CHECK(std::abs(plan->piecePitches_rad[1]) < std::abs(before.rest->alone[1].pitch_rad));
}
