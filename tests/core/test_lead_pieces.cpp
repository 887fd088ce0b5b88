// Which whole pieces go into which bores: the best there is, found within bounds.
#include <catch2/catch.hpp>
#include <functional>
#include <limits>
#include <stop_token>

#include "core/placed/rattle.h"
#include "core/plan/lead_pieces.h"
#include "io/shelf.h"
#include "support/random_bait.h"

using namespace wl;
using namespace wl::test;

namespace {

double lengthOf(const PieceProblem& p, const std::vector<int>& counts, double bore_mm) {
    double length = 0;
    for (size_t k = 0; k < p.kinds.size(); ++k) {
        const PieceKind& kind = p.kinds[k];
        length += kind.length_mm > 0 ? counts[k] * kind.length_mm
                                     : stackLength_m(counts[k], kind.diameter_mm, bore_mm);
    }
    return length;
}

// Every filling of every bore, tried one by one.
double bestByTrying(const PieceProblem& p) {
    double best = std::numeric_limits<double>::max();
    std::vector<std::vector<int>> counts(p.bores.size(), std::vector<int>(p.kinds.size(), 0));
    const std::function<void(size_t, size_t)> fill = [&](size_t bore, size_t kind) {
        if (bore == p.bores.size()) {
            double gain = 0, mx = 0, my = 0;
            for (size_t k = 0; k < p.kinds.size(); ++k) {
                int used = 0;
                for (size_t j = 0; j < p.bores.size(); ++j) {
                    const double g = counts[j][k] * p.kinds[k].mass_g *
                                     (1 - p.bores[j].replaced_g_mm3 / p.kinds[k].density_g_mm3);
                    gain += g;
                    mx += g * p.bores[j].x_mm;
                    my += g * p.bores[j].y_mm;
                    used += counts[j][k];
                }
                if (p.kinds[k].left && used > *p.kinds[k].left) {
                    return;
                }
            }
            best = std::min(
                best, std::abs(gain - p.wantedGain_g) + (std::abs(mx - p.wantedMomentX_g_mm) +
                                                         std::abs(my - p.wantedMomentY_g_mm)) /
                                                            p.gramsPerMoment_mm);
            return;
        }
        if (kind == p.kinds.size()) {
            fill(bore + 1, 0);
            return;
        }
        int pieces = 0;
        for (size_t k = 0; k < kind; ++k) {
            pieces += counts[bore][k];
        }
        for (int n = 0; pieces + n <= p.bores[bore].most; ++n) {
            counts[bore][kind] = n;
            const bool fits =
                n == 0 || (ballFits(p.kinds[kind].diameter_mm, p.bores[bore].diameter_mm) &&
                           lengthOf(p, counts[bore], p.bores[bore].diameter_mm) <=
                               p.bores[bore].depth_mm * (1 + 1e-9));
            if (!fits) {
                break;
            }
            fill(bore, kind + 1);
        }
        counts[bore][kind] = 0;
    };
    fill(0, 0);
    return best;
}

}  // namespace

TEST_CASE("forty seeded shelves and bores: as good as trying every filling one by one") {
    Dice dice(51);
    int exact = 0;
    for (int i = 0; i < 40; ++i) {
        PieceProblem p;
        const int kinds = 2 + dice.upTo(2);
        for (int k = 0; k < kinds; ++k) {
            PieceKind kind;
            kind.name = "kind " + std::to_string(k);
            kind.diameter_mm = dice.from(2.5, 6.5);
            kind.length_mm = dice.chance(0.5) ? dice.from(3, 9) : 0.0;
            kind.mass_g = dice.from(0.1, 2.5);
            if (dice.chance(0.3)) {
                kind.left = dice.upTo(3);
            }
            p.kinds.push_back(kind);
        }
        for (int j = 1 + dice.upTo(1); j >= 0; --j) {
            p.bores.push_back({dice.from(-30, 30), dice.from(-2, 2), dice.from(8, 20),
                               dice.from(5, 8), dice.from(0, 0.002), 4});
        }
        p.wantedGain_g = dice.from(0.5, 8);
        p.wantedMomentX_g_mm = dice.from(-60, 60);
        const auto chosen = choosePieces(p);
        const double best = bestByTrying(p);
        INFO(i);
        if (!chosen) {
            // Nothing goes in: then leaving all out is all there is.
            CHECK(best ==
                  Approx(p.wantedGain_g + std::abs(p.wantedMomentX_g_mm) / p.gramsPerMoment_mm));
            continue;
        }
        CHECK(chosen->objective >= best - 1e-9);
        if (chosen->exact) {
            ++exact;
            CHECK(chosen->objective == Approx(best).margin(1e-6));
        }
    }
    CHECK(exact > 30);
}

TEST_CASE("two wide bores and the whole starter shelf: bounded, near the best, and stoppable") {
    // Once 27 s and 1.2 GB. Every ball, shot and belly weight may go into bores 12 wide, 36 deep.
    PieceProblem p;
    p.kinds = starterShelf().pieces;
    REQUIRE(p.kinds.size() > 20);
    p.bores = {{-15, 0, 36, 12, 0.0007}, {20, 0, 36, 12, 0.0007}};
    p.wantedGain_g = 21.3;
    p.wantedMomentX_g_mm = 35;
    const auto best = choosePieces(p);
    REQUIRE(best);
    CHECK(best->objective < 0.05);
    double gain = 0, moment = 0;
    for (size_t j = 0; j < p.bores.size(); ++j) {
        int pieces = 0;
        for (size_t k = 0; k < p.kinds.size(); ++k) {
            const PieceKind& kind = p.kinds[k];
            const double g =
                best->counts[j][k] *
                (kind.mass_g - p.bores[j].replaced_g_mm3 * kind.mass_g / kind.density_g_mm3);
            gain += g;
            moment += g * p.bores[j].x_mm;
            pieces += best->counts[j][k];
        }
        CHECK(pieces <= p.bores[j].most);
    }
    CHECK(gain == Approx(best->gain_g));
    CHECK(moment == Approx(best->momentX_g_mm));
    std::stop_source stop;
    stop.request_stop();
    CHECK_FALSE(choosePieces(p, stop.get_token()));
}
