#include "core/swim/wobble_run.h"

#include <algorithm>
#include <cmath>

#include <Eigen/LU>

#include "core/base/dense.h"
#include "core/base/units.h"

namespace wl {
namespace {

constexpr double kRolledOver_rad = 1.4;

// Half of the range from 0.5 to 99.5 % of values, a quadratic drift taken off.
double halfSwing(const std::vector<double>& values) {
    const auto n = Eigen::Index(values.size());
    if (n < 8) {
        return 0;
    }
    Eigen::MatrixXd terms(n, 3);
    Eigen::VectorXd y(n);
    for (Eigen::Index i = 0; i < n; ++i) {
        const double t = 2 * double(i) / double(n - 1) - 1;
        terms.row(i) << 1, t, t * t;
        y[i] = values[size_t(i)];
    }
    const Eigen::Vector3d drift = leastSquares(terms, y);
    y -= terms * drift;
    std::vector<double> sorted(y.data(), y.data() + n);
    std::sort(sorted.begin(), sorted.end());
    const auto at = [&](double share) {
        const double place = share * double(n - 1);
        const size_t i = std::min(size_t(place), size_t(n) - 2);
        return sorted[i] + (place - double(i)) * (sorted[i + 1] - sorted[i]);
    };
    return 0.5 * (at(0.995) - at(0.005));
}

// Full cycles a second, by the times it comes up through its middle.
double beatsOf(const std::vector<double>& values, double step) {
    double sum = 0;
    for (const double v : values) {
        sum += v;
    }
    const double middle = sum / double(std::max<size_t>(1, values.size()));
    double first = -1, last = -1;
    int count = 0;
    for (size_t i = 1; i < values.size(); ++i) {
        const double a = values[i - 1] - middle, b = values[i] - middle;
        if (a < 0 && b >= 0) {
            last = (double(i - 1) + a / (a - b)) * step;
            first = count == 0 ? last : first;
            ++count;
        }
    }
    return count > 1 ? (count - 1) / (last - first) : 0.0;
}

}  // namespace

WobbleClock WobbleClock::usual(double shedding) {
    constexpr double kQuick_1_s = 10.0;
    WobbleClock clock;
    if (shedding > kQuick_1_s) {
        clock.seconds = 60 / shedding;
        clock.stepsPerBeat = 24;
    }
    return clock;
}

WobbleState smallStart() {
    WobbleState s = WobbleState::Zero();
    s[1] = s[2] = 0.02;
    s[6] = 0.2;
    return s;
}

WobbleState stepWobble(const WobbleMotion& motion, const WobbleState& s, double h) {
    const WobbleState a = motion.derivative(s);
    const WobbleState b = motion.derivative(s + 0.5 * h * a);
    const WobbleState c = motion.derivative(s + 0.5 * h * b);
    const WobbleState d = motion.derivative(s + h * c);
    return s + h / 6 * (a + 2 * b + 2 * c + d);
}

WobbleRun runWobble(const WobbleMotion& motion, const WobbleClock& clock, const WobbleState& start,
                    bool keep, std::stop_token stop) {
    WobbleRun run;
    const double shed =
        motion.hasWake() ? motion.loads(WobbleState::Zero()).shedding_1_s / (2 * kPi) : 0.0;
    run.step_s =
        shed > 0 ? std::min(1 / (clock.stepsPerBeat * shed), clock.longest_s) : clock.longest_s;
    const int steps = int(std::floor(clock.seconds / run.step_s));
    WobbleState state = start;
    std::vector<double> roll, yaw, wake;
    if (keep) {
        run.states.push_back(state);
    }
    for (int i = 0; i < steps; ++i) {
        if (stop.stop_requested()) {
            return run;
        }
        state = stepWobble(motion, state, run.step_s);
        if (!state.allFinite()) {
            return run;
        }
        if (keep) {
            run.states.push_back(state);
        }
        if (std::abs(state[1]) > kRolledOver_rad || std::abs(state[2]) > kRolledOver_rad) {
            run.rolledOver_s = (i + 1) * run.step_s;
            run.done = true;
            return run;
        }
        if (i >= steps / 2) {
            roll.push_back(state[1]);
            yaw.push_back(state[2]);
            wake.push_back(state[6]);
        }
    }
    run.yaw_rad = halfSwing(yaw);
    run.roll_rad = halfSwing(roll);
    run.beats_1_s = motion.hasWake() ? beatsOf(wake, run.step_s) : 0.0;
    run.done = true;
    return run;
}

std::optional<Eigen::Vector3d> swimsSideways(const WobbleMotion& motion) {
    constexpr double kMostStep = 0.2, kWide_rad = 60 * kDegree, kStill = 1e-9;
    constexpr double h = 1e-6;
    const auto at = [&](const Eigen::Vector3d& x) {
        WobbleState s = WobbleState::Zero();
        s.head<3>() = x;
        return motion.accelerations(s).free;
    };
    Eigen::Vector3d x = Eigen::Vector3d::Zero();
    for (int i = 0; i < 200; ++i) {
        const Eigen::Vector3d f = at(x);
        Eigen::Matrix3d slope;
        for (int k = 0; k < 3; ++k) {
            Eigen::Vector3d more = x, less = x;
            more[k] += h;
            less[k] -= h;
            slope.col(k) = (at(more) - at(less)) / (2 * h);
        }
        Eigen::Vector3d step = -slope.fullPivLu().solve(f);
        if (!step.allFinite()) {
            return std::nullopt;
        }
        const double turn = std::max(std::abs(step[1]), std::abs(step[2]));
        if (turn > kMostStep) {
            step *= kMostStep / turn;
        }
        x += step;
        if (std::abs(x[1]) > kWide_rad || std::abs(x[2]) > kWide_rad) {
            return std::nullopt;
        }
        if (step.norm() < kStill) {
            return x;
        }
    }
    return std::nullopt;
}

}  // namespace wl
