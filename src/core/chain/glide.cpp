#include "core/chain/glide.h"

#include <algorithm>
#include <cmath>
#include <iterator>

#include "core/base/units.h"

namespace wl {
namespace {

constexpr double kSeed_rad = 8 * kDegree, kSlackLeft_m = 0.03, kGiveBack_s = 0.2;
constexpr double kMoment_s = 0.01, kLastLine_m = 1.0;
constexpr int kLeftOut = 2;  // pulls till it has its way of going

// How much a stroke has drawn in at a time from its beginning, and how fast: half a cosine, half of
// it given back.
struct Drawn {
    double in_m = 0, speed_m_s = 0;
};
Drawn drawnAt(const RodPull& pull, double t) {
    if (t < pull.time_s) {
        const double w = kPi / pull.time_s;
        return {0.5 * pull.stroke_m * (1 - std::cos(w * t)),
                0.5 * pull.stroke_m * w * std::sin(w * t)};
    }
    if (!pull.givesBack) {
        return {pull.stroke_m, 0};
    }
    const double back = t - pull.time_s, half = 0.5 * pull.stroke_m;
    if (back >= kGiveBack_s) {
        return {half, 0};
    }
    const double w = kPi / kGiveBack_s;
    return {pull.stroke_m - 0.5 * half * (1 - std::cos(w * back)),
            -0.5 * half * w * std::sin(w * back)};
}

double tieDistance(const PlanarChain& chain, const ChainState& y, const Eigen::Vector2d& rod) {
    const Eigen::Vector2d ahead(std::cos(y[2]), std::sin(y[2]));
    return (rod - y.head<2>() - chain.tieAt_m * ahead).norm();
}

// The way a bait goes from side to side, its own slow drift taken off.
double widthOf(const std::vector<GlideMoment>& all, double from_s) {
    std::vector<GlideMoment> moments;
    std::copy_if(all.begin(), all.end(), std::back_inserter(moments),
                 [from_s](const GlideMoment& m) { return m.time_s >= from_s; });
    if (moments.size() < 3) {
        return 0;
    }
    double sx = 0, sy = 0, sxx = 0, sxy = 0;
    for (const GlideMoment& m : moments) {
        sx += m.middle_m.x();
        sy += m.middle_m.y();
        sxx += m.middle_m.x() * m.middle_m.x();
        sxy += m.middle_m.x() * m.middle_m.y();
    }
    const double n = double(moments.size()), spread = n * sxx - sx * sx;
    const double slope = spread > 1e-9 ? (n * sxy - sx * sy) / spread : 0;
    double low = 1e9, high = -1e9;
    for (const GlideMoment& m : moments) {
        const double off = m.middle_m.y() - slope * m.middle_m.x();
        low = std::min(low, off);
        high = std::max(high, off);
    }
    return high - low;
}

// How far each piece goes askew, by the ways of the pieces' middles between moments.
void sumUpPieces(const PlanarChain& chain, double from_s, GlideWalk& walk) {
    constexpr double kGoes_m_s = 0.05;
    const size_t n = chain.pieces.size();
    walk.pieces.resize(n);
    std::vector<double> slip(n, 0.0), gone(n, 0.0);
    std::vector<Eigen::Vector2d> last(n);
    double lastTime = from_s;
    for (const GlideMoment& m : walk.moments) {
        Eigen::Vector2d front = m.nose_m;
        for (size_t i = 0; i < n; ++i) {
            const Eigen::Vector2d ahead(std::cos(m.headings_rad[i]), std::sin(m.headings_rad[i]));
            const Eigen::Vector2d middle = front - 0.5 * chain.pieces[i].length_m * ahead;
            front -= chain.pieces[i].length_m * ahead;
            const Eigen::Vector2d way = middle - last[i];
            const double time = m.time_s - lastTime;
            if (lastTime > from_s && time > 0 && way.norm() > kGoes_m_s * time) {
                slip[i] += time * std::abs(std::atan2(ahead.x() * way.y() - ahead.y() * way.x(),
                                                      ahead.dot(way)));
                gone[i] += time;
            }
            last[i] = middle;
        }
        lastTime = m.time_s;
    }
    const size_t counted = walk.pulls.size() > size_t(kLeftOut) ? walk.pulls.size() - kLeftOut : 0;
    for (size_t i = 0; i < n; ++i) {
        walk.pieces[i].slip_rad = gone[i] > 0 ? slip[i] / gone[i] : 0;
        for (size_t p = size_t(kLeftOut); p < walk.pulls.size(); ++p) {
            walk.pieces[i].turn_rad += std::abs(walk.pulls[p].turned_rad[i]) / double(counted);
        }
    }
}

void sumUp(const PlanarChain& chain, GlideWalk& walk, double settled_s) {
    constexpr double kStraight_rad = 3 * kDegree, kStuck = 0.2;
    size_t turns = 0, counted = 0;
    for (size_t i = 0; i < walk.pulls.size(); ++i) {
        walk.way_m += walk.pulls[i].way_m;
        if (i >= size_t(kLeftOut)) {
            const double turned = walk.pulls[i].turned_rad[0];
            walk.turn_rad += std::abs(turned);
            turns += turned * walk.pulls[i - 1].turned_rad[0] < 0 ? 1 : 0;
            ++counted;
        }
    }
    if (counted > 0) {
        walk.turn_rad /= double(counted);
        walk.alternates = double(turns) / double(counted);
    }
    double path = 0, turned = 0;
    for (size_t i = 1; i < walk.moments.size(); ++i) {
        path += (walk.moments[i].middle_m - walk.moments[i - 1].middle_m).norm();
        turned += std::abs(walk.moments[i].headings_rad[0] - walk.moments[i - 1].headings_rad[0]);
    }
    if (walk.turn_rad > kStraight_rad && turned > 0) {
        walk.radius_m = path / turned;
    }
    if (!walk.pulls.empty() && walk.pulls.size() > size_t(kLeftOut)) {
        double later = 0;
        for (size_t i = size_t(kLeftOut); i < walk.pulls.size(); ++i) {
            later += walk.pulls[i].way_m;
        }
        const double each = later / double(walk.pulls.size() - size_t(kLeftOut));
        walk.stuck = walk.turn_rad < kStraight_rad && each < kStuck * walk.pulls[0].way_m;
    }
    walk.width_m = widthOf(walk.moments, settled_s);
    sumUpPieces(chain, settled_s, walk);
}

// Past a stop, or turning faster than any bait: a shorter step may be needed.
bool isWild(const PlanarChain& chain, const ChainState& y) {
    constexpr double kPast_rad = 3 * kDegree, kFastest_rad_s = 100;
    const auto n = Eigen::Index(chain.pieces.size());
    if (y.tail(n).cwiseAbs().maxCoeff() > kFastest_rad_s) {
        return true;
    }
    for (Eigen::Index j = 0; j + 1 < n; ++j) {
        if (std::abs(y[3 + j] - y[2 + j]) > chain.joints[size_t(j)].opening_rad + kPast_rad) {
            return true;
        }
    }
    return false;
}

bool isLost(const ChainState& y) {
    constexpr double kNoBait = 1e4;
    return !y.allFinite() || y.cwiseAbs().maxCoeff() > kNoBait;
}

}  // namespace

GlideWalk walkSafely(const PlanarChain& chain, const std::vector<RodPull>& pulls, int count,
                     double rodAway, const Model& model, std::stop_token stop) {
    constexpr double kStep_s = 0.002, kShortest_s = 0.0005;
    GlideWalk result;
    for (double step = kStep_s; step >= kShortest_s; step /= 2) {
        result = walk(chain, pulls, count, rodAway, model, stop, step);
        if (!result.wild && !result.lost) {
            break;
        }
    }
    return result;
}

GlideWalk walk(const PlanarChain& chain, const std::vector<RodPull>& pulls, int count,
               double rodAway_m, const Model& model, std::stop_token stop, double step) {
    GlideWalk result;
    ChainState y = chainAt(chain, std::vector<double>(chain.pieces.size(), kSeed_rad), 0.0);
    ChainLine line;
    line.pulls = true;
    line.rod_m = {rodAway_m, 0};
    line.spring_N_m = model.rodSpring_N_m;
    line.damping_N_s_m = model.rodDamping_N_s_m;
    double out = tieDistance(chain, y, line.rod_m), time = 0, next = 0, settled = 0;
    const auto n = Eigen::Index(chain.pieces.size());
    const auto keep = [&](bool pulled) {
        GlideMoment m;
        m.time_s = time;
        m.nose_m = y.head<2>();
        m.middle_m = chainPlace(chain, y, chain.gravity_m);
        m.headings_rad.assign(y.data() + 2, y.data() + 2 + n);
        m.pulled = pulled;
        result.moments.push_back(std::move(m));
        next += kMoment_s;
    };
    for (int i = 0; i < count && !pulls.empty(); ++i) {
        const RodPull& pull = pulls[size_t(i) % pulls.size()];
        out = std::min(out, tieDistance(chain, y, line.rod_m) + kSlackLeft_m);
        if (out - pull.stroke_m < kLastLine_m) {
            break;  // it is at the rod
        }
        settled = i == kLeftOut ? time : settled;
        const Eigen::VectorXd headings = y.segment(2, n);
        const double along = y[0];
        std::vector<bool> touched(chain.joints.size(), false);
        const auto steps = std::max(1L, std::lround(pull.period_s / step));
        for (long k = 0; k < steps; ++k) {
            if (stop.stop_requested()) {
                return result;
            }
            const double t = double(k) * step;
            if (time >= next - 1e-9) {
                keep(t < pull.time_s);
            }
            const Drawn drawn = drawnAt(pull, t), then = drawnAt(pull, t + step);
            line.out_m = out - drawn.in_m;
            line.shortens_m_s = (then.in_m - drawn.in_m) / step;
            stepChain(chain, line, step, y);
            time += step;
            if (isLost(y)) {
                result.lost = result.done = true;
                return result;
            }
            result.wild = result.wild || isWild(chain, y);
            for (Eigen::Index j = 0; j + 1 < n; ++j) {
                const double bent = std::abs(y[3 + j] - y[2 + j]);
                if (bent >= chain.joints[size_t(j)].opening_rad) {
                    touched[size_t(j)] = true;
                }
            }
        }
        out -= drawnAt(pull, pull.period_s).in_m;
        const Eigen::VectorXd turned = y.segment(2, n) - headings;
        result.pulls.push_back({{turned.data(), turned.data() + n}, y[0] - along, touched});
    }
    keep(false);
    result.done = true;
    sumUp(chain, result, settled);
    return result;
}

Coast coast(const PlanarChain& chain) {
    constexpr double kStep_s = 0.004, kLeft_m_s = 0.05, kLongest_s = 20;
    ChainState y = chainAt(chain, std::vector<double>(chain.pieces.size(), 0.0), 1.0);
    const auto n = Eigen::Index(chain.pieces.size());
    Coast c;
    while (c.time_s < kLongest_s && y.segment<2>(n + 2).norm() > kLeft_m_s) {
        stepChain(chain, {}, kStep_s, y);
        c.way_m += kStep_s * y.segment<2>(n + 2).norm();
        c.time_s += kStep_s;
    }
    return std::isfinite(c.way_m) ? c : Coast{};
}

}  // namespace wl
