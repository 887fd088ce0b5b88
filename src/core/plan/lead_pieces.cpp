#include "core/plan/lead_pieces.h"

#include <algorithm>
#include <cmath>
#include <limits>
#include <map>

#include "core/mass/rattle.h"

namespace wl {
namespace {

constexpr size_t kMostFillings = 3000;     // of one bore before it is thinned
constexpr size_t kMostOfHalf = 4'000'000;  // of half the bores together
constexpr double kPiecePrice_g = 1e-7;     // fewer pieces win among equals

struct Filling {
    std::vector<int> counts;
    double gain_g = 0.0;
    double length_mm = 0.0;
    int pieces = 0;
};

double lengthOf(const std::vector<PieceKind>& kinds, const std::vector<int>& counts, double bore) {
    double length = 0;
    for (size_t k = 0; k < kinds.size(); ++k) {
        length += kinds[k].length_mm > 0 ? counts[k] * kinds[k].length_mm
                                         : stackLength_m(counts[k], kinds[k].diameter_mm, bore);
    }
    return length;
}

void listFillings(const PieceProblem& p, const PieceBore& bore, size_t kind, Filling& now,
                  std::vector<Filling>& out) {
    if (kind == p.kinds.size()) {
        out.push_back(now);
        return;
    }
    listFillings(p, bore, kind + 1, now, out);
    const PieceKind& k = p.kinds[kind];
    if (!ballFits(k.diameter_mm, bore.diameter_mm)) {
        return;
    }
    const Filling before = now;
    const int left = k.left.value_or(bore.most);
    for (int n = 1; n <= left && before.pieces + n <= bore.most; ++n) {
        now = before;
        now.counts[kind] = n;
        now.pieces += n;
        now.gain_g += n * (k.mass_g - bore.replaced_g_mm3 * k.mass_g / k.density_g_mm3);
        now.length_mm = lengthOf(p.kinds, now.counts, bore.diameter_mm);
        if (now.length_mm > bore.depth_mm * (1 + 1e-9)) {
            break;
        }
        listFillings(p, bore, kind + 1, now, out);
    }
    now = before;
}

// Of fillings with the same mass the one with fewest pieces stays; past kMostFillings "the same"
// is widened.
std::vector<Filling> thinned(std::vector<Filling> all, bool& exact) {
    double bin = 1e-9;
    while (true) {
        std::map<long long, Filling> kept;
        for (const Filling& f : all) {
            const auto key = static_cast<long long>(std::llround(f.gain_g / bin));
            const auto [at, fresh] = kept.try_emplace(key, f);
            if (!fresh && f.pieces < at->second.pieces) {
                at->second = f;
            }
        }
        if (kept.size() <= kMostFillings) {
            std::vector<Filling> out;
            out.reserve(kept.size());
            for (auto& [key, f] : kept) {
                out.push_back(std::move(f));
            }
            return out;
        }
        exact = false;
        bin = std::max(bin * 2, 0.0005);
    }
}

struct Sum {
    double gain = 0, mx = 0, my = 0;
    int pieces = 0;
    std::vector<int> index;
};

std::vector<Sum> combine(const std::vector<std::vector<Filling>>& fillings, const PieceProblem& p,
                         size_t from, size_t to, bool& exact) {
    std::vector<Sum> sums{Sum{}};
    for (size_t j = from; j < to; ++j) {
        std::vector<Sum> next;
        const size_t room = kMostOfHalf / std::max<size_t>(1, sums.size());
        const size_t step = 1 + (fillings[j].size() - 1) / std::max<size_t>(1, room);
        exact = exact && step == 1;
        for (const Sum& s : sums) {
            for (size_t f = 0; f < fillings[j].size(); f += step) {
                Sum sum = s;
                const double gain = fillings[j][f].gain_g;
                sum.gain += gain;
                sum.mx += gain * p.bores[j].x_mm;
                sum.my += gain * p.bores[j].y_mm;
                sum.pieces += fillings[j][f].pieces;
                sum.index.push_back(int(f));
                next.push_back(std::move(sum));
            }
        }
        sums = std::move(next);
    }
    return sums;
}

}  // namespace

std::optional<PieceChoice> choosePieces(const PieceProblem& p) {
    PieceChoice best;
    std::vector<std::vector<Filling>> fillings;
    bool any = false;
    for (const PieceBore& bore : p.bores) {
        std::vector<Filling> all;
        Filling none;
        none.counts.assign(p.kinds.size(), 0);
        listFillings(p, bore, 0, none, all);
        any = any || all.size() > 1;
        fillings.push_back(thinned(std::move(all), best.exact));
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
                const int f = j < half ? a.index[j] : b.index[j - half];
                used += fillings[j][size_t(f)].counts[k];
            }
            if (used > *p.kinds[k].left) {
                return false;
            }
        }
        return true;
    };
    auto consider = [&](const Sum& a, const Sum& b) {
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
        const int f = j < half ? bestFirst->index[j] : bestSecond->index[j - half];
        best.counts.push_back(fillings[j][size_t(f)].counts);
    }
    best.gain_g = bestFirst->gain + bestSecond->gain;
    best.momentX_g_mm = bestFirst->mx + bestSecond->mx;
    best.momentY_g_mm = bestFirst->my + bestSecond->my;
    best.objective = least - kPiecePrice_g * (bestFirst->pieces + bestSecond->pieces);
    return best;
}

}  // namespace wl
