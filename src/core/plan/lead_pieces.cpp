#include "core/plan/lead_pieces.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <cstdint>
#include <limits>
#include <tuple>

#include "core/placed/rattle.h"

namespace wl {
namespace {

// Bounds in memory and time; past them the answer is near the best, not surely the best.
constexpr size_t kMostFillings = 3000;     // of one bore, whole
constexpr size_t kMostPartial = 8000;      // of one bore, with some sizes still to come
constexpr size_t kMostOfHalf = 120'000;    // of half the bores together
constexpr size_t kMostTries = 40'000'000;  // of one half against the other
constexpr double kPiecePrice_g = 1e-7;     // fewer pieces win among equals
constexpr double kSameGain_g = 1e-9;
constexpr size_t kMostBoresOfHalf = 10;

struct Filling {
    std::vector<int> counts;
    double gain_g = 0.0;
    int pieces = 0;
};

// So many of one size on top of what the sizes before it came to.
struct Partial {
    double gain_g = 0.0;
    double length_mm = 0.0;
    int pieces = 0;
    int parent = -1;  // in the list of the size before
    int count = 0;    // of this size
};

double lengthOf(const PieceKind& kind, int count, double bore) {
    return kind.length_mm > 0 ? count * kind.length_mm
                              : stackLength_m(count, kind.diameter_mm, bore);
}

// Of partial fillings of the same gain those stay that no other beats in both pieces and length;
// past `most`, "the same gain" is widened.
void merge(std::vector<Partial>& all, size_t most, bool& exact) {
    std::sort(all.begin(), all.end(), [](const Partial& a, const Partial& b) {
        return std::tie(a.gain_g, a.pieces, a.length_mm, a.parent, a.count) <
               std::tie(b.gain_g, b.pieces, b.length_mm, b.parent, b.count);
    });
    double bin = kSameGain_g;
    while (true) {
        std::vector<Partial> kept;
        size_t from = 0;
        for (size_t i = 0; i < all.size(); ++i) {
            if (all[i].gain_g - all[from].gain_g > bin) {
                from = i;
            }
            const size_t known = kept.size();
            bool beaten = false;
            for (size_t k = known; k-- > 0 && kept[k].gain_g >= all[from].gain_g && !beaten;) {
                beaten =
                    kept[k].pieces <= all[i].pieces && kept[k].length_mm <= all[i].length_mm + 1e-9;
            }
            if (!beaten) {
                kept.push_back(all[i]);
            }
        }
        all = std::move(kept);
        if (all.size() <= most) {
            return;
        }
        exact = false;
        bin = std::max(bin * 2, 0.0005);
    }
}

std::vector<Filling> fillingsOf(const PieceProblem& p, const PieceBore& bore, bool& exact,
                                const std::stop_token& stop) {
    std::vector<std::vector<Partial>> bySize{{Partial{}}};
    for (const PieceKind& kind : p.kinds) {
        if (stop.stop_requested()) {
            return {};
        }
        const std::vector<Partial>& before = bySize.back();
        const double gain = kind.mass_g - bore.replaced_g_mm3 * kind.mass_g / kind.density_g_mm3;
        const int left = ballFits(kind.diameter_mm, bore.diameter_mm)
                             ? std::min(bore.most, kind.left.value_or(bore.most))
                             : 0;
        std::vector<Partial> next;
        for (size_t i = 0; i < before.size(); ++i) {
            const Partial& b = before[i];
            for (int n = 0; n <= left && b.pieces + n <= bore.most; ++n) {
                const double length =
                    b.length_mm + (n > 0 ? lengthOf(kind, n, bore.diameter_mm) : 0.0);
                if (n > 0 && length > bore.depth_mm * (1 + 1e-9)) {
                    break;
                }
                next.push_back({b.gain_g + n * gain, length, b.pieces + n, int(i), n});
            }
        }
        if (left > 0) {
            merge(next, kMostPartial, exact);
        }
        bySize.push_back(std::move(next));
    }
    // Now length no longer matters: the fewest pieces of a gain stay.
    std::vector<Partial> whole = bySize.back();
    for (size_t i = 0; i < whole.size(); ++i) {
        whole[i].length_mm = 0;
        whole[i].parent = int(i);
    }
    merge(whole, kMostFillings, exact);
    std::vector<Filling> out;
    for (const Partial& w : whole) {
        Filling f{std::vector<int>(p.kinds.size(), 0), w.gain_g, w.pieces};
        int at = w.parent;
        for (size_t k = p.kinds.size(); k-- > 0;) {
            const Partial& step = bySize[k + 1][size_t(at)];
            f.counts[k] = step.count;
            at = step.parent;
        }
        out.push_back(std::move(f));
    }
    return out;
}

struct Sum {
    double gain = 0, mx = 0, my = 0;
    int pieces = 0;
    std::array<std::uint16_t, kMostBoresOfHalf> index{};  // of each bore's filling
};

std::vector<Sum> combine(const std::vector<std::vector<Filling>>& fillings, const PieceProblem& p,
                         size_t from, size_t to, bool& exact) {
    std::vector<Sum> sums{Sum{}};
    for (size_t j = from; j < to; ++j) {
        std::vector<Sum> next;
        const size_t room = std::max<size_t>(1, kMostOfHalf / sums.size());
        const size_t step = 1 + (fillings[j].size() - 1) / room;
        exact = exact && step == 1;
        for (const Sum& s : sums) {
            for (size_t f = 0; f < fillings[j].size(); f += step) {
                Sum sum = s;
                const double gain = fillings[j][f].gain_g;
                sum.gain += gain;
                sum.mx += gain * p.bores[j].x_mm;
                sum.my += gain * p.bores[j].y_mm;
                sum.pieces += fillings[j][f].pieces;
                sum.index[j - from] = std::uint16_t(f);
                next.push_back(sum);
            }
        }
        sums = std::move(next);
    }
    return sums;
}

}  // namespace

std::optional<PieceChoice> choosePieces(const PieceProblem& p, const std::stop_token& stop) {
    if (p.bores.size() > 2 * kMostBoresOfHalf) {
        return std::nullopt;
    }
    PieceChoice best;
    std::vector<std::vector<Filling>> fillings;
    bool any = false;
    for (const PieceBore& bore : p.bores) {
        fillings.push_back(fillingsOf(p, bore, best.exact, stop));
        if (stop.stop_requested()) {
            return std::nullopt;
        }
        any = any || fillings.back().size() > 1;
    }
    if (!any) {
        return std::nullopt;
    }
    const size_t half = (p.bores.size() + 1) / 2;
    const std::vector<Sum> first = combine(fillings, p, 0, half, best.exact);
    std::vector<Sum> second = combine(fillings, p, half, p.bores.size(), best.exact);
    std::stable_sort(second.begin(), second.end(),
                     [](const Sum& a, const Sum& b) { return a.gain < b.gain; });

    double least = std::numeric_limits<double>::max();
    const Sum* bestFirst = nullptr;
    const Sum* bestSecond = nullptr;
    auto enoughLeft = [&](const Sum& a, const Sum& b) {
        for (size_t k = 0; k < p.kinds.size(); ++k) {
            if (!p.kinds[k].left) {
                continue;
            }
            int used = 0;
            for (size_t j = 0; j < p.bores.size(); ++j) {
                const std::uint16_t f = j < half ? a.index[j] : b.index[j - half];
                used += fillings[j][f].counts[k];
            }
            if (used > *p.kinds[k].left) {
                return false;
            }
        }
        return true;
    };
    size_t tries = 0;
    auto consider = [&](const Sum& a, const Sum& b) {
        ++tries;
        const double objective = std::abs(a.gain + b.gain - p.wantedGain_g) +
                                 (std::abs(a.mx + b.mx - p.wantedMomentX_g_mm) +
                                  std::abs(a.my + b.my - p.wantedMomentY_g_mm)) /
                                     p.gramsPerMoment_mm +
                                 kPiecePrice_g * (a.pieces + b.pieces);
        if (objective < least && enoughLeft(a, b)) {
            least = objective;
            bestFirst = &a;
            bestSecond = &b;
        }
    };
    for (const Sum& a : first) {
        if (stop.stop_requested()) {
            return std::nullopt;
        }
        if (tries > kMostTries) {
            best.exact = false;
            break;
        }
        const double want = p.wantedGain_g - a.gain;
        const auto middle =
            std::lower_bound(second.begin(), second.end(), want,
                             [](const Sum& s, double value) { return s.gain < value; });
        for (auto it = middle; it != second.end() && it->gain - want < least; ++it) {
            consider(a, *it);
        }
        for (auto it = middle; it != second.begin() && want - std::prev(it)->gain < least; --it) {
            consider(a, *std::prev(it));
        }
    }
    if (bestFirst == nullptr) {
        return std::nullopt;
    }
    for (size_t j = 0; j < p.bores.size(); ++j) {
        const std::uint16_t f = j < half ? bestFirst->index[j] : bestSecond->index[j - half];
        best.counts.push_back(fillings[j][f].counts);
    }
    best.gain_g = bestFirst->gain + bestSecond->gain;
    best.momentX_g_mm = bestFirst->mx + bestSecond->mx;
    best.momentY_g_mm = bestFirst->my + bestSecond->my;
    best.objective = least - kPiecePrice_g * (bestFirst->pieces + bestSecond->pieces);
    return best;
}

}  // namespace wl
