#include "core/motion/line_shape.h"

#include <algorithm>
#include <array>
#include <bit>
#include <boost/numeric/odeint/stepper/runge_kutta4_classic.hpp>
#include <cmath>
#include <cstdint>
#include <optional>
#include <utility>

#include "core/base/units.h"

namespace wl {
namespace {

using State = std::array<double, 4>;  // place (to rod, down), tension vector
using StateStepper = boost::numeric::odeint::runge_kutta4_classic<State>;

constexpr double kLeastReynolds = 1e-6, kMostUnder = 1e4;  // the latter: the former to -2/3
constexpr double kLeastPulled = 1e-30;
constexpr int kMostLandings = 4;
constexpr double kLanded_m = 1e-7;

// Cube root to 1e-12 for x in [1e-8, 1e12]: a start from the exponent within 4 %, then Halley's
// steps, each of which cubes the error. The library's own was a fifth of a retrieve's time.
double cubeRoot(double x) {
    auto bits = std::bit_cast<std::uint64_t>(x);
    constexpr std::uint64_t kThirdOfBias = 0x2A9F7893782DA1CEULL;
    bits = bits / 3 + kThirdOfBias;
    double r = std::bit_cast<double>(bits);
    for (int i = 0; i < 2; ++i) {
        const double cube = r * r * r;
        r *= (cube + 2 * x) / (2 * cube + x);
    }
    return r;
}

// x^(-2/3) to 1e-14, as the root above: two steps that each leave the fourth power of the error,
// and divide nowhere.
double twoThirdsUnder(double x) {
    constexpr std::uint64_t kStart = 0x6A8EC00000000000ULL;
    const double square = x * x;
    double y = std::bit_cast<double>(kStart - std::bit_cast<std::uint64_t>(x) / 3 * 2);
    for (int i = 0; i < 2; ++i) {
        const double e = 1 - square * (y * y * y);
        y *= (1 + e * (1.0 / 3)) + (e * e) * (2.0 / 9 + e * (14.0 / 81));
    }
    return y;
}

class LineEquations {
  public:
    LineEquations(const Line& line, const LineMotion& motion)
        : v_(motion.atBait_m_s),
          m_(motion.perMetre_1_s),
          weight_(line.submergedWeight_N_m()),
          toReynolds_(line.diameter_m / line.waterViscosity_m2_s) {
        const double half = 0.5 * line.waterDensity_kg_m3 * line.diameter_m;
        const bool fixed = line.fixedNormalDrag > 0;
        far_ = half * (fixed ? line.fixedNormalDrag : line.strumming * line.normalFar);
        slow_ = fixed ? 0.0 : half * line.strumming * line.normalSlow;
        tangential_ = half * kPi * line.tangentialDrag;
    }

    void operator()(const State& y, State& dy, double) const {
        // No root waits for another, nor for the division: such a chain was most of a retrieve.
        const double square = y[2] * y[2] + y[3] * y[3];
        const double inverse = 1 / std::max(std::sqrt(square), 1e-12);
        const double tx = y[2] * inverse, tz = y[3] * inverse;
        const double vx = v_.x() + m_(0, 0) * y[0] + m_(0, 1) * y[1];
        const double vz = v_.y() + m_(1, 0) * y[0] + m_(1, 1) * y[1];
        const double pulled = vz * y[2] - vx * y[3];  // across, times the tension
        const double along = (vx * y[2] + vz * y[3]) * inverse;
        const double across = pulled * inverse;  // to the left of the line's way
        const double under =
            std::min(twoThirdsUnder(std::max(std::abs(pulled) * toReynolds_, kLeastPulled)) *
                         cubeRoot(square),
                     kMostUnder);
        const double normal = (far_ + slow_ * under) * std::abs(across) * across;
        const double tangent = tangential_ * std::abs(along) * along;
        dy = {tx, tz, tangent * tx - normal * tz, tangent * tz + normal * tx - weight_};
    }

  private:
    Eigen::Vector2d v_;
    Eigen::Matrix2d m_;
    double weight_, toReynolds_, far_, slow_, tangential_;
};

// A length of one kind of line and the steps it is integrated in.
struct Stretch {
    double length_m = 0.0;
    int steps = 0;
};

std::pair<Stretch, Stretch> stretchesOf(const Line& line, double length_m, int steps) {
    if (line.leaderLength_m <= 0) {
        return {{}, {length_m, steps}};
    }
    constexpr int kLeast = 4;
    const double leader = std::min(line.leaderLength_m, length_m);
    const int own = std::max(kLeast, static_cast<int>(std::ceil(steps * leader / length_m)));
    if (leader >= length_m) {
        return {{leader, std::max(own, steps)}, {}};
    }
    return {{leader, own}, {length_m - leader, std::max(kLeast, steps - own)}};
}

// Steps grow along the line, by as much each: by the bait it lies across the water and bends most.
double stepOf(const Stretch& stretch, int i) {
    constexpr double kGrowth = 0.6;
    return stretch.length_m / stretch.steps * (1 + kGrowth * ((2 * i + 1.0) / stretch.steps - 1));
}

// Apart from its callers: copied into them it ran at half the speed with one order of their lines
// and not with another.
[[gnu::noinline]] void advance(const LineEquations& equations, State& y, double ds) {
    StateStepper stepper;
    stepper.do_step(equations, y, 0.0, ds);
}

// How much deeper a metre of line ends than it begins.
double rise(const State& y) {
    return y[3] / std::max(std::hypot(y[2], y[3]), 1e-12);
}

// The share of a step at which the line leaves the water: of the parabola through the depths at
// both ends with the slope, a step long, at the first. Over 1: not within the step.
double shareUnder(double before, double after, double slope) {
    const double bend = after - before - slope;
    const double root = slope * slope - 4 * bend * before;
    if (!(before > 0)) {
        return 0.0;
    }
    const double q = std::sqrt(std::max(root, 0.0)) - slope;
    return root < 0 || q <= 0 ? 2.0 : 2 * before / q;
}

// The share of a step from `before` to `y` at which the line comes out of the water, and y there; 1
// where it stays under. It may come out and, were it in the water still, be under again at the end.
double shareToAir(const LineEquations& equations, const State& before, State& y, double depth_m,
                  double ds) {
    const double from = depth_m + before[1], to = depth_m + y[1];
    if (to >= 0 && (before[3] >= 0 || from > 0.5 * ds)) {
        return 1;
    }
    const State under = y;
    double share = shareUnder(from, to, rise(before) * ds);
    if (to >= 0 && share >= 1) {
        return 1;
    }
    share = std::min(share, 1.0);
    for (int landing = 0; landing < kMostLandings; ++landing) {
        y = before;
        advance(equations, y, ds * share);
        const double left = depth_m + y[1], slope = rise(y) * ds;
        if (std::abs(left) < kLanded_m || (slope >= 0 && to < 0)) {
            return std::min(share, std::nextafter(1.0, 0.0));
        }
        if (slope >= 0) {
            break;
        }
        share = std::clamp(share - left / slope, 0.0, 1.0);
    }
    if (to < 0) {
        return std::min(share, std::nextafter(1.0, 0.0));
    }
    y = under;
    return 1;
}

}  // namespace

Line Line::leader() const {
    Line other = *this;
    other.diameter_m = leaderDiameter_m;
    other.density_kg_m3 = leaderDensity_kg_m3;
    other.leaderLength_m = 0;
    return other;
}

double Line::submergedWeight_N_m() const {
    return (density_kg_m3 - waterDensity_kg_m3) * kPi / 4 * diameter_m * diameter_m * kGravity_m_s2;
}

double Line::airWeight_N_m() const {
    return density_kg_m3 * kPi / 4 * diameter_m * diameter_m * kGravity_m_s2;
}

double Line::normalDrag(double normalSpeed_m_s) const {
    if (fixedNormalDrag > 0) {
        return fixedNormalDrag;
    }
    const double re = std::max(normalSpeed_m_s * diameter_m / waterViscosity_m2_s, kLeastReynolds);
    const double root = cubeRoot(re);
    return strumming * (normalFar + normalSlow / (root * root));
}

double lineDensity_kg_m3(LineKind kind) {
    switch (kind) {
        case LineKind::Nylon:
            return 1140.0;
        case LineKind::Fluorocarbon:
            return 1780.0;
        case LineKind::Braid:
            return 970.0;
    }
    return 1140.0;
}

LineEnd integrateLine(const Line& line, double tension_N, double lineAngle_rad, double length_m,
                      double depth_m, int steps, const LineMotion& motion,
                      std::vector<Eigen::Vector2d>* trace) {
    State y{0, 0, tension_N * std::cos(lineAngle_rad), -tension_N * std::sin(lineAngle_rad)};
    double s = 0;
    auto note = [trace](double x, double z) {
        if (trace != nullptr) {
            trace->emplace_back(x, z);
        }
    };
    note(0, 0);
    std::optional<LineEnd> inAir;
    const auto run = [&](const LineEquations& equations, const Stretch& stretch) {
        for (int i = 0; i < stretch.steps; ++i) {
            const double ds = stepOf(stretch, i);
            const State before = y;
            advance(equations, y, ds);
            const double share = shareToAir(equations, before, y, depth_m, ds);
            if (share < 1) {
                s += ds * share;
                note(y[0], y[1]);
                const double rest = std::max(0.0, length_m - s);
                const Eigen::Vector2d pull(y[2], y[3] - 0.5 * line.airWeight_N_m() * rest);
                const Eigen::Vector2d end =
                    Eigen::Vector2d(y[0], y[1]) + rest * pull / std::max(pull.norm(), 1e-12);
                note(end.x(), end.y());
                inAir = LineEnd{end, {y[2], y[3]}, s};
                return;
            }
            s += ds;
            note(y[0], y[1]);
        }
    };
    const auto [leader, main] = stretchesOf(line, length_m, steps);
    if (leader.steps > 0) {
        run(LineEquations(line.leader(), motion), leader);
    }
    if (main.steps > 0 && !inAir) {
        run(LineEquations(line, motion), main);
    }
    return inAir.value_or(LineEnd{{y[0], y[1]}, {y[2], y[3]}, s});
}

double trolledDepth_m(const Line& line, double tension_N, double lineAngle_rad, double speed_m_s,
                      double length_m, double height_m) {
    const LineMotion level{{speed_m_s, 0}};
    const double curl = 0.5 * line.waterDensity_kg_m3 * line.diameter_m;
    const int steps = std::max(
        200, static_cast<int>(6 * length_m * curl * 1.3 * speed_m_s * speed_m_s / tension_N));
    std::vector<Eigen::Vector2d> points;
    integrateLine(line, tension_N, lineAngle_rad, length_m, 1e6, steps, level, &points);
    // The rest above the surface is straight at the line's angle there: the wet length is the one
    // whose remaining line just spans the height of the rod tip.
    const auto [leader, main] = stretchesOf(line, length_m, steps);
    double lastGap = 0, s = 0;
    for (size_t i = 1; i < points.size(); ++i) {
        const Stretch& in = i <= size_t(leader.steps) ? leader : main;
        const double ds = stepOf(in, int(i) - 1 - (&in == &main ? leader.steps : 0));
        s += ds;
        const Eigen::Vector2d t = (points[i] - points[i - 1]) / ds;
        const double rest = length_m - s;
        const double gap = -t.y() * rest - height_m;
        if (gap <= 0) {
            const double share = i == 1 || lastGap == gap ? 1.0 : lastGap / (lastGap - gap);
            return -(points[i - 1].y() + share * (points[i].y() - points[i - 1].y()));
        }
        lastGap = gap;
    }
    return -points.back().y();
}

}  // namespace wl
