#include "core/motion/trim.h"

#include <algorithm>
#include <boost/math/tools/roots.hpp>
#include <cmath>
#include <utility>

#include "core/base/units.h"

namespace wl {
namespace {

struct Pull {
    double moment;  // about the tie, N m
    double aft;     // body axes, N
    double up;
};

Pull pullAt(const TowedBait& bait, double q, double alpha, double pitch) {
    const Loads loads = bait.loads->at(alpha);
    const double upX = -std::sin(pitch);
    const double upZ = std::cos(pitch);
    const double lift = bait.waterDensity_kg_m3 * bait.displacedVolume_m3 * kGravity_m_s2;
    const double weight = bait.mass_kg * kGravity_m_s2;
    auto moment = [](const Eigen::Vector2d& at, double aft, double up) {
        return at.y() * aft - at.x() * up;
    };
    Pull p;
    p.aft = q * loads.aft_m2 + (lift - weight) * upX;
    p.up = q * loads.up_m2 + (lift - weight) * upZ;
    p.moment = q * loads.moment_m3 + moment(bait.centreOfBuoyancy_m, lift * upX, lift * upZ) -
               moment(bait.centreOfGravity_m, weight * upX, weight * upZ) -
               moment(bait.tie_m, p.aft, p.up);
    return p;
}

Trim trimAt(const TowedBait& bait, double q, double alpha, double path) {
    Trim t;
    t.alpha_rad = alpha;
    t.pitch_rad = alpha - path;
    const Pull p = pullAt(bait, q, alpha, t.pitch_rad);
    // World axes: towards the rod and down.
    const double toRod = -p.aft * std::cos(t.pitch_rad) - p.up * std::sin(t.pitch_rad);
    const double down = p.aft * std::sin(t.pitch_rad) - p.up * std::cos(t.pitch_rad);
    t.tension_N = std::hypot(toRod, down);
    t.lineAngle_rad = std::atan2(down, -toRod);
    return t;
}

template <class F>
double rootBetween(F f, double a, double b, double fa, double fb) {
    std::uintmax_t iterations = 60;
    const auto bracket = boost::math::tools::toms748_solve(
        f, a, b, fa, fb, boost::math::tools::eps_tolerance<double>(40), iterations);
    return 0.5 * (bracket.first + bracket.second);
}

}  // namespace

std::vector<Trim> findTrims(const TowedBait& bait, double speed_m_s, double path_rad) {
    const double q = 0.5 * bait.waterDensity_kg_m3 * speed_m_s * speed_m_s;
    auto moment = [&](double alpha) { return pullAt(bait, q, alpha, alpha - path_rad).moment; };
    std::vector<Trim> trims;
    double last = moment(-kPi / 2);
    for (int i = -89; i <= 90; ++i) {
        const double alpha = i * kDegree;
        const double now = moment(alpha);
        if (last > 0 && now <= 0) {
            const double root =
                now == 0 ? alpha : rootBetween(moment, alpha - kDegree, alpha, last, now);
            trims.push_back(trimAt(bait, q, root, path_rad));
        }
        last = now;
    }
    return trims;
}

std::optional<Trim> settleTrim(const TowedBait& bait, double speed_m_s, double path_rad,
                               double startAlpha_rad) {
    const double q = 0.5 * bait.waterDensity_kg_m3 * speed_m_s * speed_m_s;
    auto moment = [&](double alpha) { return pullAt(bait, q, alpha, alpha - path_rad).moment; };
    double alpha = std::clamp(startAlpha_rad, -kPi / 2, kPi / 2);
    double last = moment(alpha);
    const double step = last > 0 ? kDegree : -kDegree;
    for (int i = 0; i < 200; ++i) {
        const double next = alpha + step;
        if (std::abs(next) > kPi / 2 + kDegree) {
            return std::nullopt;
        }
        const double now = moment(next);
        if ((last > 0) != (now > 0)) {
            const double root = step > 0 ? rootBetween(moment, alpha, next, last, now)
                                         : rootBetween(moment, next, alpha, now, last);
            return trimAt(bait, q, root, path_rad);
        }
        alpha = next;
        last = now;
    }
    return std::nullopt;
}

std::optional<FallAt> fallAt(const TowedBait& bait, double pitch, bool sinking) {
    const double sense = sinking ? 1.0 : -1.0;
    const auto sideForce = [&](double path) {
        const Loads l = bait.loads->at(pitch + path);
        return l.aft_m2 * std::cos(pitch) + l.up_m2 * std::sin(pitch);
    };
    // The path with no sideways force nearest to vertical.
    std::optional<double> path;
    constexpr double kStep = 4 * kDegree;
    double last = sideForce(sense * 10 * kDegree);
    for (int i = 1; i <= 40; ++i) {
        const double at = sense * (10 * kDegree + kStep * i), before = at - sense * kStep;
        const double now = sideForce(at);
        if ((last > 0) != (now > 0)) {
            const double root = sense > 0 ? rootBetween(sideForce, before, at, last, now)
                                          : rootBetween(sideForce, at, before, now, last);
            if (!path || std::abs(root - sense * kPi / 2) < std::abs(*path - sense * kPi / 2)) {
                path = root;
            }
        }
        last = now;
    }
    if (!path) {
        return std::nullopt;
    }
    const Loads l = bait.loads->at(pitch + *path);
    const double drag = sense * (-l.aft_m2 * std::sin(pitch) + l.up_m2 * std::cos(pitch));
    if (drag <= 0) {
        return std::nullopt;
    }
    const double steep = std::abs(std::sin(*path));
    return FallAt{*path, drag, drag / (steep * steep), l};
}

FreeFall computeFreeFall(const TowedBait& bait, double restPitch_rad) {
    FreeFall fall;
    const double heavy_N =
        (bait.mass_kg - bait.waterDensity_kg_m3 * bait.displacedVolume_m3) * kGravity_m_s2;
    const double sense = heavy_N >= 0 ? 1.0 : -1.0;
    const double lift = bait.waterDensity_kg_m3 * bait.displacedVolume_m3 * kGravity_m_s2;
    fall.pathAngle_rad = sense * kPi / 2;
    fall.pitch_rad = restPitch_rad;
    if (std::abs(heavy_N) < 1e-9) {
        return fall;
    }
    struct State {
        double moment;
        double speed;
        double path;
    };
    auto stateFor = [&](double pitch) -> std::optional<State> {
        const auto there = fallAt(bait, pitch, sense > 0);
        if (!there) {
            return std::nullopt;
        }
        const double q = std::abs(heavy_N) / there->drag_m2;
        const Eigen::Vector2d arm = bait.centreOfBuoyancy_m - bait.centreOfGravity_m;
        const double righting = lift * (arm.y() * -std::sin(pitch) - arm.x() * std::cos(pitch));
        const Eigen::Vector2d& g = bait.centreOfGravity_m;
        const Loads& l = there->loads;
        const double water = q * (l.moment_m3 - (g.y() * l.aft_m2 - g.x() * l.up_m2));
        return State{water + righting, std::sqrt(2 * q / bait.waterDensity_kg_m3),
                     there->pathAngle_rad};
    };

    // From the way it hangs the moment turns it, through any attitude, to the first one where it
    // falls through nought; a jump of it (the path leaps to another way of gliding) is no rest.
    constexpr double kPitchStep = 3 * kDegree;
    constexpr int kOnceRound = 120;
    const auto restBetween = [&](double low, double high, const State& below,
                                 const State& above) -> std::optional<std::pair<double, State>> {
        double from = low, to = high, width = below.moment - above.moment;
        State at = above;
        for (int k = 0; k < 24; ++k) {
            const double middle = 0.5 * (from + to);
            const std::optional<State> there = stateFor(middle);
            if (!there) {
                return std::nullopt;
            }
            at = *there;
            (there->moment > 0 ? from : to) = middle;
        }
        const std::optional<State> left = stateFor(from), right = stateFor(to);
        if (!left || !right || left->moment - right->moment > 0.05 * width) {
            return std::nullopt;
        }
        return std::pair(std::remainder(0.5 * (from + to), 2 * kPi), at);
    };
    std::optional<State> here = stateFor(restPitch_rad);
    const double way = here && here->moment <= 0 ? -1.0 : 1.0;
    double pitch = restPitch_rad;
    for (int i = 0; here && i < kOnceRound; ++i) {
        const double next = pitch + way * kPitchStep;
        const std::optional<State> now = stateFor(next);
        if (!now) {
            break;
        }
        const bool passed =
            way > 0 ? here->moment > 0 && now->moment <= 0 : here->moment <= 0 && now->moment > 0;
        if (passed) {
            const auto rest = way > 0 ? restBetween(pitch, next, *here, *now)
                                      : restBetween(next, pitch, *now, *here);
            if (rest) {
                const State& at = rest->second;
                fall = {sense * at.speed * std::abs(std::sin(at.path)), rest->first, at.path, true};
            }
            break;
        }
        pitch = next;
        here = now;
    }
    if (!fall.steady) {
        // It tumbles: as fast as the mean of the attitudes it passes through, held each.
        double sum = 0;
        int count = 0;
        for (int i = 0; i < kOnceRound; ++i) {
            if (const auto there = stateFor(restPitch_rad + i * kPitchStep)) {
                sum += there->speed * std::abs(std::sin(there->path));
                ++count;
            }
        }
        fall.speed_m_s = count > 0 ? sense * sum / count : 0.0;
    }
    return fall;
}

}  // namespace wl
