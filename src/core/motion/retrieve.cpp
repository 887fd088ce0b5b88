#include "core/motion/retrieve.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <complex>

#include <Eigen/LU>

#include "core/base/units.h"

namespace wl {
namespace {

constexpr double kMostStep = 0.4;  // of ln speed and of the path angle, in one go
// A line that grazes the surface leaves it of a sudden: there no shorter step leads on.
constexpr int kMostHalvings = 6;
constexpr double kFailure = 3e-3;
constexpr double kRoughLimit = 0.35;
constexpr double kPoorStart = 0.05;  // from where on another start is looked for
constexpr double kRoughShare = 0.15;
constexpr double kEndShare = 0.03;

using Complex = std::complex<double>;
using Slopes = Eigen::Matrix2d;  // of the gap, by ln speed and by path

struct Unknowns {
    double lnSpeed;
    double path;
};

Unknowns ahead(const Unknowns& now, const Unknowns& last) {
    return {2 * now.lnSpeed - last.lnSpeed, 2 * now.path - last.path};
}
Unknowns ahead(const Unknowns& now, const Unknowns& last, const Unknowns& before) {
    return {3 * (now.lnSpeed - last.lnSpeed) + before.lnSpeed,
            3 * (now.path - last.path) + before.path};
}

struct Match {
    Eigen::Vector2d gap{1e9, 1e9};  // end of line minus rod tip, per line length
    std::optional<Trim> trim;
    double rodAngle_rad = 0.0;
    double size() const { return trim ? gap.norm() : 1e9; }
};

class RetrieveStepper {
  public:
    RetrieveStepper(const PullModel& pull, const Line& line, const Retrieve& retrieve,
                    const RetrieveGrid& grid)
        : pull_(pull), line_(line), retrieve_(retrieve), grid_(grid) {}

    Match tryAt(const Complex& place, const Unknowns& x, double alpha) const {
        Match match;
        const double speed = std::exp(std::clamp(x.lnSpeed, -6.0, 4.0));
        const double current = retrieve_.current_m_s;
        const double toRod = speed * std::cos(x.path) - current, sinking = speed * std::sin(x.path);
        // Carried by the current faster than it is drawn, the line hangs slack.
        if (current != 0 && toRod <= 0) {
            return match;
        }
        match.trim = current == 0
                         ? pull_(speed, x.path, alpha)
                         : pull_(std::hypot(toRod, sinking), std::atan2(sinking, toRod), alpha);
        if (!match.trim) {
            return match;
        }
        const Complex velocity = speed * Complex(-std::cos(x.path), std::sin(x.path));
        const Complex mu = velocity / place;
        if (mu.real() >= -1e-9) {
            match.trim.reset();
            return match;
        }
        const double lengthOut =
            std::min(retrieve_.reelSpeed_m_s / -mu.real(), 4 * std::abs(place) + 1.0);
        // v(p) = mu p, with x counted towards the rod.
        LineMotion turning;
        turning.atBait_m_s = {-velocity.real() - current, velocity.imag()};
        turning.perMetre_1_s << mu.real(), mu.imag(), -mu.imag(), mu.real();
        const LineEnd end =
            integrateLine(line_, match.trim->tension_N, match.trim->lineAngle_rad, lengthOut,
                          place.imag() - retrieve_.rodTipHeight_m, grid_.lineSteps, turning);
        const Complex tip = place + Complex(-end.place_m.x(), end.place_m.y());
        match.rodAngle_rad = std::atan2(-end.tension_N.y(), end.tension_N.x());
        const double scale = std::abs(place);
        match.gap = {tip.real() / scale, tip.imag() / scale};
        if (!match.gap.allFinite()) {
            match.trim.reset();
        }
        return match;
    }

    // Damped Newton from x, where the best unknowns found are left; by the slopes given, mended as
    // it goes (Broyden 1965), for as long as a step by them pays, else by slopes taken anew.
    Match solve(const Complex& place, Unknowns& x, double alpha,
                std::optional<Slopes>& slopes) const {
        constexpr int kMostRounds = 25;
        constexpr double kPays = 0.5;  // what is left of the gap
        Match best = tryAt(place, x, alpha);
        bool known = slopes.has_value();
        for (int i = 0; i < kMostRounds && best.trim && best.size() > grid_.tolerance; ++i) {
            const bool fresh = !known;
            if (fresh && !takeSlopes(place, x, alpha, best, slopes)) {
                break;
            }
            known = std::abs(slopes->determinant()) >= 1e-14;
            if (!known) {
                if (fresh) {
                    break;
                }
                continue;
            }
            Eigen::Vector2d step =
                (-slopes->inverse() * best.gap).cwiseMax(-kMostStep).cwiseMin(kMostStep);
            Unknowns next{x.lnSpeed + step.x(), x.path + step.y()};
            Match there = tryAt(place, next, alpha);
            known = there.size() < kPays * best.size();
            if (known) {
                *slopes +=
                    (there.gap - best.gap - *slopes * step) * step.transpose() / step.squaredNorm();
            }
            for (int halving = 1; fresh && halving < kMostHalvings && there.size() >= best.size();
                 ++halving) {
                step *= 0.5;
                next = {x.lnSpeed + step.x(), x.path + step.y()};
                there = tryAt(place, next, alpha);
            }
            if (there.size() < best.size()) {
                x = next;
                best = there;
            } else if (fresh) {
                break;
            }
        }
        return best;
    }

  private:
    bool takeSlopes(const Complex& place, const Unknowns& x, double alpha, const Match& at,
                    std::optional<Slopes>& slopes) const {
        constexpr double h = 1e-6;
        const Match bySpeed = tryAt(place, {x.lnSpeed + h, x.path}, alpha);
        const Match byPath = tryAt(place, {x.lnSpeed, x.path + h}, alpha);
        if (!bySpeed.trim || !byPath.trim) {
            return false;
        }
        slopes.emplace();
        slopes->col(0) = (bySpeed.gap - at.gap) / h;
        slopes->col(1) = (byPath.gap - at.gap) / h;
        return true;
    }

    const PullModel& pull_;
    const Line& line_;
    const Retrieve& retrieve_;
    const RetrieveGrid& grid_;
};

// From several starts, when the neighbour's has led nowhere: paths from rising to steep, speeds
// from under the reel's to well over it, on the branch it is on and on that of a level tow.
void searchAgain(const RetrieveStepper& stepper, const Complex& place, double lnReel,
                 const std::array<double, 2>& alphas, bool everyStart,
                 std::optional<Slopes>& slopes, Match& match, Unknowns& x) {
    for (const double alpha : alphas) {
        for (const double faster : {0.0, 0.3, -0.2}) {
            for (const double path : {0.0, 0.2, 0.4, 0.7, -0.2, 1.0, -0.5}) {
                if (!everyStart && (faster != 0 || path > 0.8)) {
                    return;
                }
                Unknowns other{lnReel + faster, path};
                std::optional<Slopes> taken;
                const Match attempt = stepper.solve(place, other, alpha, taken);
                if (attempt.size() < match.size()) {
                    match = attempt;
                    x = other;
                    slopes = taken;
                }
                if (match.size() <= kFailure) {
                    return;
                }
            }
        }
    }
}

void summarise(RetrievePath& path) {
    for (const RetrievePoint& p : path.points) {
        if (p.depth_m > path.maxDepth_m) {
            path.maxDepth_m = p.depth_m;
            path.maxDepthFromRod_m = p.fromRod_m;
            path.maxDepthRodAngle_rad = p.rodAngle_rad;
        }
    }
    const auto deep = std::count_if(
        path.points.begin(), path.points.end(),
        [&path](const RetrievePoint& p) { return p.depth_m >= 0.9 * path.maxDepth_m; });
    path.shareNearDeepest = path.points.empty() ? 0.0 : double(deep) / double(path.points.size());
}

}  // namespace

RetrievePath computeRetrieve(const PullModel& pull, const Line& line, const Retrieve& retrieve,
                             double startAlpha, std::stop_token stop, const RetrieveGrid& grid) {
    RetrievePath path;
    const RetrieveStepper stepper(pull, line, retrieve, grid);
    const double height = retrieve.rodTipHeight_m;
    double down = height + retrieve.startDepth_m;
    const double taut = retrieve.cast_m * retrieve.cast_m - down * down;
    double away = std::sqrt(std::max(taut, 0.25 * retrieve.cast_m * retrieve.cast_m));

    // First guess: a straight line to the tip, at reel speed along the pull of a level tow.
    constexpr double kSlowest_m_s = 0.05;
    const double through = std::max(retrieve.reelSpeed_m_s - retrieve.current_m_s,
                                    std::min(retrieve.reelSpeed_m_s, kSlowest_m_s));
    const std::optional<Trim> level = pull(through, 0.0, startAlpha);
    if (!level) {
        path.end = RetrieveEnd::NoTrim;
        return path;
    }
    double alpha = level->alpha_rad;
    Unknowns x{std::log(retrieve.reelSpeed_m_s), level->lineAngle_rad - std::atan2(down, away)};
    std::vector<Unknowns> before;  // the last points, newest first, while they were matched well
    std::optional<Slopes> slopes;
    double lastPath = 0;
    double time = 0;
    const double stepLength = grid.stepShare * retrieve.cast_m;
    int count = 0;
    path.end = RetrieveEnd::ReachedRod;
    while (away > kEndShare * retrieve.cast_m && count < 400) {
        if (stop.stop_requested()) {
            path.end = RetrieveEnd::Cancelled;
            break;
        }
        const Complex place(away, down);
        const Unknowns here = x;
        if (slopes && !before.empty()) {
            // On along a straight line or a parabola through the last points.
            x = before.size() > 1 ? ahead(here, before[0], before[1]) : ahead(here, before[0]);
        }
        Match match = stepper.solve(place, x, alpha, slopes);
        if (match.size() > kFailure && !before.empty()) {
            x = here;
            slopes.reset();
            match = stepper.solve(place, x, alpha, slopes);
        }
        if (match.size() <= grid.tolerance && count > 0) {
            before.insert(before.begin(), here);
            before.resize(std::min<size_t>(before.size(), 2));
        } else {
            before.clear();
        }
        // Once at the start, which has no neighbour, and before a run is given up.
        const bool early = away > (1 - kRoughShare) * retrieve.cast_m;
        const bool last = !early || match.size() > kRoughLimit;
        if ((count == 0 && match.size() > kPoorStart) ||
            (match.size() > kFailure && grid.searches && last)) {
            searchAgain(stepper, place, std::log(retrieve.reelSpeed_m_s), {alpha, level->alpha_rad},
                        grid.searches, slopes, match, x);
        }
        if (match.size() > kFailure) {
            if (last) {
                // Near the rod the line is short and steep; a run that has passed its deepest point
                // and is within a tenth of the cast has told all it can.
                const bool nearlyIn = away < 0.1 * retrieve.cast_m;
                path.end = nearlyIn     ? RetrieveEnd::ReachedRod
                           : match.trim ? RetrieveEnd::NoSolution
                                        : RetrieveEnd::NoTrim;
                break;
            }
            ++path.roughStarts;
        }
        if (count == 0 && x.path <= 0 && retrieve.startDepth_m < 0.1) {
            path.end = RetrieveEnd::StaysOnTop;
            path.points.push_back({away, 0.0, 0.0, match.trim->pitch_rad, match.trim->tension_N,
                                   std::exp(x.lnSpeed), match.trim->lineAngle_rad,
                                   match.rodAngle_rad});
            break;
        }
        alpha = match.trim->alpha_rad;
        const double speed = std::exp(x.lnSpeed);
        path.points.push_back({away, down - height, time, match.trim->pitch_rad,
                               match.trim->tension_N, speed, match.trim->lineAngle_rad,
                               match.rodAngle_rad});
        const double steered = count == 0 ? x.path : x.path + 0.5 * (x.path - lastPath);
        lastPath = x.path;
        away -= stepLength * std::cos(steered);
        down += stepLength * std::sin(steered);
        time += stepLength / speed;
        ++count;
        if (time > retrieve.longest_s) {
            path.points.push_back({away, std::max(0.0, down - height), time, match.trim->pitch_rad,
                                   match.trim->tension_N, speed, match.trim->lineAngle_rad,
                                   match.rodAngle_rad});
            break;
        }
        if (down <= height) {
            path.end = count < 5 ? RetrieveEnd::StaysOnTop : RetrieveEnd::Surfaced;
            path.points.push_back({away, 0.0, time, match.trim->pitch_rad, match.trim->tension_N,
                                   speed, match.trim->lineAngle_rad, match.rodAngle_rad});
            break;
        }
    }
    summarise(path);
    return path;
}

}  // namespace wl
