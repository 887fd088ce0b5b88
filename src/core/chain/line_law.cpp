#include "core/chain/line_law.h"

#include <algorithm>
#include <cmath>
#include <utility>

#include <Eigen/Dense>

#include "core/base/dense.h"
#include "core/base/units.h"
#include "core/chain/line_wing.h"

namespace wl {
namespace {

constexpr double kSettled = 0.4;

using Eigen::Index;
using Eigen::MatrixXd;
using Eigen::VectorXd;

// Of (Y, headings): small enough to stand without the heap, thousands of times a run.
constexpr int kMostOfShape = int(kMostChainPieces) + 1;
using SideRows = Eigen::Matrix<double, 2, Eigen::Dynamic, 0, 2, kMostOfShape>;
using SmallSquare =
    Eigen::Matrix<double, Eigen::Dynamic, Eigen::Dynamic, 0, kMostOfShape, kMostOfShape>;
using SmallColumn = Eigen::Matrix<double, Eigen::Dynamic, 1, 0, kMostOfShape, 1>;

// Sums from the nose aft, column by column.
MatrixXd summedAft(MatrixXd m) {
    for (Index r = 1; r < m.rows(); ++r) {
        m.row(r) += m.row(r - 1);
    }
    return m;
}

class MovingChain {
  public:
    MovingChain(const PlanarBait& bait, const SnakeCase& run, int panels, double side, double speed)
        : bait_(bait),
          case_(run),
          wing_(makeWing(bait, run.hand, panels)),
          n_(Index(wing_.panels.size())),
          q_(VectorXd::Zero(wing_.lengths.size() + 1)),
          rate_(VectorXd::Zero(q_.size())),
          momentum_(VectorXd::Zero(n_)),
          sines_(wing_.lengths.size()),
          cosines_(wing_.lengths.size()),
          speeds_(MatrixXd::Zero(2, n_)),
          wake_(VectorXd::Zero(wing_.wake.cols())),
          side_(side) {
        for (Index i = 0; i < wing_.lengths.size(); ++i) {
            q_[1 + i] = run.start_rad[size_t(i)];
        }
        const double unit = bait.waterDensity_kg_m3 * speed * speed * std::pow(bait.length_m, 3);
        const double time = bait.length_m / speed;
        for (const PlanarJoint& j : bait.joints) {
            springs_.push_back(j.spring_N_m / unit);
            dampings_.push_back(j.damping_N_m_s / unit / time);
        }
    }
    double step() const { return wing_.step; }
    const VectorXd& shape() const { return q_; }
    const VectorXd& rate() const { return rate_; }
    double tail() const {
        double y = q_[0];
        for (Index i = 0; i < wing_.lengths.size(); ++i) {
            y += wing_.lengths[i] * std::sin(q_[1 + i]);
        }
        return y;
    }
    void advance();

  private:
    // Velocity of a place of a piece by (Y', headings'): along the way, aside.
    void velocityRows(Index piece, double from, SideRows& rows) const {
        rows.setZero();
        rows(1, 0) = 1;
        for (Index j = 0; j <= piece; ++j) {
            const double arm = j < piece ? wing_.lengths[j] : from;
            rows(0, 1 + j) = -arm * sines_[j];
            rows(1, 1 + j) = arm * cosines_[j];
        }
    }
    void holdStops(const Eigen::PartialPivLU<SmallSquare>& lu, SmallColumn& rate) const;

    const PlanarBait& bait_;
    const SnakeCase& case_;
    Wing wing_;
    Index n_;
    VectorXd q_, rate_, momentum_;
    SmallColumn sines_, cosines_;  // of the headings
    MatrixXd speeds_;              // of the panels' middles, world axes
    VectorXd wake_;
    double shed_ = 0, side_;
    std::vector<double> springs_, dampings_;
};

// Stops without bounce: no joint may end the step past its opening.
void MovingChain::holdStops(const Eigen::PartialPivLU<SmallSquare>& lu, SmallColumn& rate) const {
    constexpr int kSweeps = 60;
    const auto joints = Index(bait_.joints.size());
    if (joints == 0) {
        return;
    }
    SmallSquare d = SmallSquare::Zero(joints, q_.size());
    for (Index j = 0; j < joints; ++j) {
        d(j, 1 + j) = -1;
        d(j, 2 + j) = 1;
    }
    const SmallSquare pushed = lu.solve(d.transpose());
    const SmallSquare give = d * pushed;
    const SmallColumn free = d * rate;
    SmallColumn push = SmallColumn::Zero(joints);
    for (int sweep = 0; sweep < kSweeps; ++sweep) {
        const SmallColumn before = push;
        for (Index j = 0; j < joints; ++j) {
            const double theta = q_[2 + j] - q_[1 + j], open = bait_.joints[size_t(j)].opening_rad;
            const double without = free[j] + give.row(j).dot(push) - give(j, j) * push[j];
            push[j] =
                (std::clamp(without, (-open - theta) / wing_.step, (open - theta) / wing_.step) -
                 without) /
                give(j, j);
        }
        if (push == before) {
            break;  // further sweeps change nothing
        }
    }
    rate += pushed * push;
}

void MovingChain::advance() {
    const double dt = wing_.step;
    const Index m = q_.size();
    q_ += dt * rate_;
    for (Index k = wake_.size() - 1; k > 0; --k) {
        wake_[k] = wake_[k - 1];
    }
    wake_[0] = shed_;
    const double old = wake_.sum();
    MatrixXd lumps(n_, m), matches(n_, m);
    SideRows rows(2, m);
    SmallSquare mass = SmallSquare::Zero(m, m);
    VectorXd ahead(n_), slope(n_);
    SmallColumn load = SmallColumn::Zero(m), carried = SmallColumn::Zero(m);
    const SmallColumn rate = rate_;
    for (Index i = 0; i < wing_.lengths.size(); ++i) {
        sines_[i] = std::sin(q_[1 + i]);
        cosines_[i] = std::cos(q_[1 + i]);
    }
    for (Index k = 0; k < n_; ++k) {
        const WingPanel& p = wing_.panels[size_t(k)];
        const Eigen::Vector2d along(cosines_[p.piece], sines_[p.piece]);
        const Eigen::Vector2d across(-along.y(), along.x());
        velocityRows(p.piece, p.lump, rows);
        lumps.row(k) = across.transpose() * rows;
        ahead[k] = std::max(0.0, along.x() - along.dot(rows * rate));
        velocityRows(p.piece, p.match, rows);
        matches.row(k) = across.transpose() * rows;
        slope[k] = along.y();
        velocityRows(p.piece, p.middle, rows);
        mass += p.mass * rows.transpose() * rows;
        carried += rows.transpose() * (p.mass * speeds_.col(k));
        const double turning = p.mass * p.thick * p.thick / 12;
        mass(1 + p.piece, 1 + p.piece) += turning;
        carried[1 + p.piece] += turning * rate[1 + p.piece];
        const Eigen::Vector2d moving = rows * rate;
        const double w = moving.dot(across) + along.y(), u = along.x() - moving.dot(along);
        const double area = p.depth * p.dx;
        load += rows.transpose() * (-0.5 * case_.cross * area * std::abs(w) * w * across +
                                    case_.skin * area * std::abs(u) * u * along);
    }
    load[0] -= side_ * q_[0];
    for (size_t j = 0; j < springs_.size(); ++j) {
        const auto at = Index(j);
        const double theta = q_[2 + at] - q_[1 + at];
        const double couple = springs_[j] * theta;
        load[2 + at] -= couple;
        load[1 + at] += couple;
        const double held = springs_[j] * dt * dt + dampings_[j] * dt;
        mass(1 + at, 1 + at) += held;
        mass(2 + at, 2 + at) += held;
        mass(1 + at, 2 + at) -= held;
        mass(2 + at, 1 + at) -= held;
    }
    const MatrixXd byRate = product(wing_.solve, matches);
    const VectorXd still = wing_.solve * (slope - wing_.wake * wake_ + wing_.newest * old);
    const MatrixXd summed = summedAft(byRate);
    const VectorXd summedStill = summedAft(still);
    const VectorXd arm = wing_.apart / dt;
    mass += dt * (turnedProduct(lumps, ahead.asDiagonal() * byRate) +
                  turnedProduct(matches, arm.asDiagonal() * summed));
    const SmallColumn right =
        carried + dt * (load - lumps.transpose() * ahead.cwiseProduct(still) -
                        matches.transpose() * arm.cwiseProduct(summedStill - momentum_));
    const Eigen::PartialPivLU<SmallSquare> lu(mass);
    SmallColumn next = lu.solve(right);
    holdStops(lu, next);
    rate_ = next;
    const VectorXd bound = still + byRate * rate_;
    momentum_ = summedAft(bound);
    shed_ = -(bound.sum() + old);
    for (Index k = 0; k < n_; ++k) {
        const WingPanel& p = wing_.panels[size_t(k)];
        velocityRows(p.piece, p.middle, rows);
        speeds_.col(k) = rows * next;
    }
}

// What is left of a track when its slow drift, a parabola, is taken off.
VectorXd withoutDrift(const std::vector<double>& track) {
    const auto n = Index(track.size());
    MatrixXd a(n, 3);
    for (Index i = 0; i < n; ++i) {
        const double t = double(i) / double(n) - 0.5;
        a.row(i) << 1, t, t * t;
    }
    const Eigen::Map<const VectorXd> y(track.data(), n);
    return y - a * leastSquares(a, y);
}

// From side to side without the fiftieth farthest out on each: one stroke wider than the rest is
// not its swing.
double swingWithin(std::vector<double> track) {
    constexpr double kOut = 0.02;
    std::sort(track.begin(), track.end());
    const auto at = [&track](double share) {
        const double place = share * double(track.size() - 1);
        const auto i = size_t(place);
        const size_t next = std::min(i + 1, track.size() - 1);
        return track[i] + (place - double(i)) * (track[next] - track[i]);
    };
    return at(1 - kOut) - at(kOut);
}

double beatOf(const VectorXd& track, double step) {
    constexpr int kLeast = 3;
    int crossings = 0;
    double first = 0, last = 0;
    for (Index i = 1; i < track.size(); ++i) {
        if (track[i - 1] < 0 && track[i] >= 0) {
            const double at = double(i) - track[i] / (track[i] - track[i - 1]);
            first = crossings == 0 ? at : first;
            last = at;
            ++crossings;
        }
    }
    return crossings >= kLeast ? (crossings - 1) / ((last - first) * step) : 0.0;
}

void sumUp(const PlanarBait& bait, const std::vector<double>& tails, SnakeRun& run) {
    constexpr double kSlowest = 0.12, kWidest_rad = 60 * kDegree, kStraight_rad = 20 * kDegree,
                     kMoves_rad = 3 * kDegree, kAtStop_rad = 0.5 * kDegree;
    const auto pieces = Index(bait.pieces.size());
    std::vector<double> noses, heads;
    double mean = 0;
    for (const VectorXd& q : run.shapes) {
        noses.push_back(q[0]);
        heads.push_back(q[1]);
        for (Index i = 0; i < pieces; ++i) {
            mean += q[1 + i] * bait.pieces[size_t(i)].length_m / bait.length_m;
        }
    }
    run.beat = beatOf(withoutDrift(tails), run.step);
    run.tailPath = swingOf(tails);
    run.nosePath = swingOf(noses);
    run.headYaw_rad = 0.5 * swingWithin(std::move(heads));
    run.meanHeading_rad = mean / double(run.shapes.size());
    bool allMove = true;
    for (Index j = 0; j + 1 < pieces; ++j) {
        double least = 1e9, most = -1e9;
        for (const VectorXd& q : run.shapes) {
            const double theta = q[2 + j] - q[1 + j];
            least = std::min(least, theta);
            most = std::max(most, theta);
        }
        const double open = bait.joints[size_t(j)].opening_rad;
        run.jointSwing_rad.push_back(0.5 * (most - least));
        run.jointStops.push_back(std::max(most, -least) > open - kAtStop_rad);
        allMove = allMove && 0.5 * (most - least) > kMoves_rad;
    }
    run.swims = run.beat > kSlowest && run.headYaw_rad < kWidest_rad &&
                std::abs(run.meanHeading_rad) < kStraight_rad && allMove;
}

}  // namespace

double swingOf(const std::vector<double>& track) {
    const VectorXd left = withoutDrift(track);
    return swingWithin({left.data(), left.data() + left.size()});
}

SnakeRun runSnake(const PlanarBait& bait, const SnakeCase& how, double speed_m_s,
                  const SnakeGrid& grid, std::stop_token stop) {
    SnakeRun run;
    MovingChain snake(bait, how, grid.panels, grid.side, speed_m_s);
    run.step = snake.step();
    const auto steps = long(std::lround(grid.lengths / run.step));
    const auto settled = long(kSettled * double(steps));
    std::vector<double> tails;
    for (long s = 0; s < steps; ++s) {
        if (stop.stop_requested()) {
            return run;
        }
        snake.advance();
        if (snake.shape().tail(snake.shape().size() - 1).cwiseAbs().maxCoeff() > kPi ||
            !snake.shape().allFinite()) {
            run.spins = true;
            break;
        }
        if (s >= settled) {
            run.shapes.push_back(snake.shape());
            tails.push_back(snake.tail());
        }
    }
    run.done = true;
    run.last.resize(2 * snake.shape().size());
    run.last << snake.shape(), snake.rate();
    if (!run.spins && run.shapes.size() > 2) {
        sumUp(bait, tails, run);
    }
    return run;
}

}  // namespace wl
