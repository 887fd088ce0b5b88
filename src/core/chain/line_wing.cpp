#include "core/chain/line_wing.h"

#include <algorithm>
#include <cmath>

#include "core/base/dense.h"
#include "core/base/units.h"
#include "core/chain/line_law.h"

namespace wl {
namespace {

constexpr double kLumpAt = 0.25, kMatchAt = 0.75, kMiddleAt = 0.5, kWakeAt = 0.3,
                 kWakeLengths = 6.0;

using Eigen::Index;
using Eigen::MatrixXd;

double sampled(const PlanarPiece& piece, double at, double PlanarStrip::*what) {
    const std::vector<PlanarStrip>& s = piece.strips;
    const auto next =
        std::find_if(s.begin(), s.end(), [at](const PlanarStrip& one) { return one.at_m >= at; });
    if (next == s.begin() || next == s.end()) {
        return next == s.end() ? s.back().*what : s.front().*what;
    }
    const PlanarStrip &a = *(next - 1), &b = *next;
    return a.*what + (at - a.at_m) / (b.at_m - a.at_m) * (b.*what - a.*what);
}

// A fin makes the bait deeper over its chord.
double depthWithFins(const PlanarPiece& piece, double aft) {
    double depth = sampled(piece, piece.pin_m + aft, &PlanarStrip::depth_m);
    for (const PlanarFin& f : piece.fins) {
        if (aft >= -f.leadAt_m && aft <= -f.leadAt_m + f.chord_m) {
            depth += f.span_m;
        }
    }
    return depth;
}

// Spreads a piece's mass over its panels by section, tilted so that it lies where it is weighed.
void spreadMass(const PlanarPiece& p, double unit_kg, double length, Index from,
                std::vector<WingPanel>& panels) {
    double sum = 0, first = 0, second = 0;
    for (size_t k = size_t(from); k < panels.size(); ++k) {
        sum += panels[k].mass;
        first += panels[k].mass * panels[k].middle;
        second += panels[k].mass * panels[k].middle * panels[k].middle;
    }
    const double centre = first / sum, spread = second / sum - centre * centre;
    const double wanted = -p.gravityAt_m / length;
    const double tilt = spread > 0 ? (wanted - centre) / spread : 0;
    double spreadOut =
        0;  // no panel weighs less than nothing: then its place is kept as far as may be
    for (size_t k = size_t(from); k < panels.size(); ++k) {
        panels[k].mass *= std::max(0.0, 1 + tilt * (panels[k].middle - centre));
        spreadOut += panels[k].mass;
    }
    for (size_t k = size_t(from); k < panels.size(); ++k) {
        panels[k].mass *= p.mass_kg / unit_kg / spreadOut;
    }
}

std::vector<WingPanel> layPanels(const PlanarBait& bait, int count) {
    constexpr int kLeast = 5;
    const double length = bait.length_m;
    const double unit = bait.waterDensity_kg_m3 * length * length * length;
    std::vector<WingPanel> panels;
    for (size_t i = 0; i < bait.pieces.size(); ++i) {
        const PlanarPiece& p = bait.pieces[i];
        const auto first = Index(panels.size());
        const int n = std::max(kLeast, int(std::lround(count * p.length_m / length)));
        const double dx = p.length_m / length / n;
        for (int k = 0; k < n; ++k) {
            WingPanel one;
            one.piece = Index(i);
            one.from = p.pin_m / length;
            one.dx = dx;
            one.lump = (k + kLumpAt) * dx;
            one.match = (k + kMatchAt) * dx;
            one.middle = (k + kMiddleAt) * dx;
            const double middle = p.pin_m + one.middle * length;
            one.depth = depthWithFins(p, one.middle * length) / length;
            one.matchDepth = depthWithFins(p, one.match * length) / length;
            one.thick = sampled(p, middle, &PlanarStrip::width_m) / length;
            one.mass = sampled(p, middle, &PlanarStrip::area_m2) * dx;
            panels.push_back(one);
        }
        spreadMass(p, unit, length, first, panels);
    }
    return panels;
}

}  // namespace

Wing makeWing(const PlanarBait& bait, double hand, int count) {
    Wing w;
    w.panels = layPanels(bait, count);
    const auto n = Index(w.panels.size());
    w.step = 1.0 / double(n);
    w.lengths.resize(Index(bait.pieces.size()));
    for (Index i = 0; i < w.lengths.size(); ++i) {
        w.lengths[i] = bait.pieces[size_t(i)].length_m / bait.length_m;
    }
    const auto lumps = Index(kWakeLengths / w.step);
    MatrixXd influence(n, n);
    w.wake.resize(n, lumps);
    w.newest.resize(n);
    w.apart.resize(n);
    for (Index r = 0; r < n; ++r) {
        const WingPanel& at = w.panels[size_t(r)];
        const double place = at.from + at.match;
        for (Index c = 0; c < n; ++c) {
            const WingPanel& of = w.panels[size_t(c)];
            influence(r, c) = lineInfluence(place - of.from - of.lump, at.matchDepth) *
                              std::pow(hand, double(std::max<Index>(0, at.piece - of.piece)));
        }
        w.newest[r] = lineInfluence(place - 1 - kWakeAt * w.step, at.matchDepth);
        for (Index c = 0; c < lumps; ++c) {
            w.wake(r, c) =
                lineInfluence(place - 1 - (kWakeAt + 1 + double(c)) * w.step, at.matchDepth);
        }
        const WingPanel& next = w.panels[size_t(std::min(r + 1, n - 1))];
        w.apart[r] = r + 1 < n ? next.from + next.lump - at.from - at.lump : kMatchAt * at.dx;
    }
    w.solve = inverseOf(influence - w.newest * Eigen::RowVectorXd::Ones(n));
    return w;
}

double lineInfluence(double behind, double depth) {
    return (2 + std::sqrt(4 * behind * behind + depth * depth / 4) / behind) /
           (kPi * depth * depth);
}

}  // namespace wl
