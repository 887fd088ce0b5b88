#include "core/chain/chain_motion.h"

#include <algorithm>
#include <array>
#include <cmath>

#include <Eigen/Dense>

namespace wl {
namespace {

constexpr int kMost = int(kMostChainPieces) + 2;
using Square = Eigen::Matrix<double, Eigen::Dynamic, Eigen::Dynamic, 0, kMost, kMost>;
using Column = Eigen::Matrix<double, Eigen::Dynamic, 1, 0, kMost, 1>;
using Rows = Eigen::Matrix<double, 3, Eigen::Dynamic, 0, 3, kMost>;

// A piece's pin as it moves: speeds along and across it and its turning.
struct PinMotion {
    double u = 0, v = 0, r = 0;
    double cosine = 1, sine = 0;
    Eigen::Vector2d bias = Eigen::Vector2d::Zero();  // acceleration of its pin by turning ahead
};

std::array<PinMotion, kMostChainPieces> pinMotions(const PlanarChain& chain, const ChainState& y) {
    const auto n = Eigen::Index(chain.pieces.size());
    std::array<PinMotion, kMostChainPieces> pins;
    Eigen::Vector2d velocity = y.segment<2>(n + 2), bias = Eigen::Vector2d::Zero();
    for (Eigen::Index i = 0; i < n; ++i) {
        PinMotion& p = pins[size_t(i)];
        p.cosine = std::cos(y[2 + i]);
        p.sine = std::sin(y[2 + i]);
        p.r = y[n + 4 + i];
        const Eigen::Vector2d ahead(p.cosine, p.sine), port(-p.sine, p.cosine);
        p.u = velocity.dot(ahead);
        p.v = velocity.dot(port);
        p.bias = {bias.dot(ahead), bias.dot(port)};
        const double length = chain.pieces[size_t(i)].length_m;
        velocity -= length * p.r * port;
        bias += length * p.r * p.r * ahead;
    }
    return pins;
}

// What the water does on one piece: along it, across it, and about its pin.
Eigen::Vector3d waterLoads(const ChainPiece& piece, const PinMotion& p) {
    Eigen::Vector3d load(-piece.axial_kg_m * std::abs(p.u) * p.u, 0, 0);
    for (const ChainPiece::Lump& l : piece.crossFlow) {
        const double w = p.v + p.r * l.at_m, force = -l.factor * std::abs(w) * w;
        load.y() += force;
        load.z() += l.at_m * force;
    }
    const double ahead = std::max(p.u, 0.0);
    for (const ChainPiece::Lump& e : piece.edges) {
        const double w = p.v + p.r * e.at_m, force = -e.factor * ahead * w;
        load.x() += 0.5 * e.factor * std::abs(w) * std::min(std::abs(w), ahead);
        load.y() += force;
        load.z() += e.at_m * force;
    }
    for (const ChainPiece::Lump& d : piece.drags) {
        const double w = p.v + p.r * d.at_m, speed = std::hypot(p.u, w);
        load.x() -= d.factor * speed * p.u;
        load.y() -= d.factor * speed * w;
        load.z() -= d.at_m * d.factor * speed * w;
    }
    return load;
}

Rows pinRows(const PlanarChain& chain, const ChainState& y, Eigen::Index i) {
    const auto n = Eigen::Index(chain.pieces.size());
    Rows j = Rows::Zero(3, n + 2);
    const double c = std::cos(y[2 + i]), s = std::sin(y[2 + i]);
    j(0, 0) = c;
    j(0, 1) = s;
    j(1, 0) = -s;
    j(1, 1) = c;
    for (Eigen::Index k = 0; k < i; ++k) {
        const double turn = y[2 + k] - y[2 + i], length = chain.pieces[size_t(k)].length_m;
        j(0, 2 + k) = length * std::sin(turn);
        j(1, 2 + k) = -length * std::cos(turn);
    }
    j(2, 2 + i) = 1;
    return j;
}

Eigen::Matrix3d pieceMass(const ChainPiece& p) {
    Eigen::Matrix3d m;
    m << p.surge_kg, 0, 0, 0, p.sway_kg, p.first_kg_m, 0, p.first_kg_m, p.second_kg_m2;
    return m;
}

double jointCouple(const PlanarJoint& joint, double stiffness, double theta, double rate) {
    double couple = -joint.spring_N_m * theta - joint.damping_N_m_s * rate;
    const double past = std::abs(theta) - joint.opening_rad;
    if (past > 0) {
        const double side = theta > 0 ? 1.0 : -1.0;
        couple -= side * std::max(0.0, stiffness * past * (1 + 0.5 * side * rate));
    }
    return couple;
}

struct Pull {
    double force_N = 0;
    Eigen::Vector2d towards = Eigen::Vector2d::UnitX();
};

Pull pullOf(const PlanarChain& chain, const ChainState& y, const ChainLine& line) {
    const auto n = Eigen::Index(chain.pieces.size());
    Pull pull;
    if (!line.pulls) {
        return pull;
    }
    const Eigen::Vector2d ahead(std::cos(y[2]), std::sin(y[2])), port(-ahead.y(), ahead.x());
    const Eigen::Vector2d tie = y.head<2>() + chain.tieAt_m * ahead;
    const Eigen::Vector2d velocity = y.segment<2>(n + 2) + chain.tieAt_m * y[n + 4] * port;
    const Eigen::Vector2d gap = line.rod_m - tie;
    const double distance = gap.norm();
    if (distance <= line.out_m || distance < 1e-9) {
        return pull;
    }
    pull.towards = gap / distance;
    const double opening = -velocity.dot(pull.towards) + line.shortens_m_s;
    pull.force_N =
        std::max(0.0, line.spring_N_m * (distance - line.out_m) + line.damping_N_s_m * opening);
    return pull;
}

ChainState rates(const PlanarChain& chain, const ChainState& y, const ChainLine& line) {
    const auto n = Eigen::Index(chain.pieces.size());
    ChainState out(2 * (n + 2));
    out.head(n + 2) = y.tail(n + 2);
    out.tail(n + 2) = chainAcceleration(chain, y, line);
    return out;
}

}  // namespace

Eigen::VectorXd chainAcceleration(const PlanarChain& chain, const ChainState& y,
                                  const ChainLine& line) {
    const auto n = Eigen::Index(chain.pieces.size());
    const auto pins = pinMotions(chain, y);
    Square h = Square::Zero(n + 2, n + 2);
    Column load = Column::Zero(n + 2);
    for (Eigen::Index i = 0; i < n; ++i) {
        const ChainPiece& piece = chain.pieces[size_t(i)];
        const PinMotion& p = pins[size_t(i)];
        const Rows j = pinRows(chain, y, i);
        const Eigen::Matrix3d m = pieceMass(piece);
        const double apart = piece.surge_kg - piece.sway_kg;
        const Eigen::Vector3d carried(apart * p.r * p.v - piece.first_kg_m * p.r * p.r,
                                      apart * p.r * p.u, -apart * p.u * p.v);
        Eigen::Vector3d water = waterLoads(piece, p);
        if (i == 0) {
            const Pull pull = pullOf(chain, y, line);
            const double along =
                pull.force_N * (p.cosine * pull.towards.x() + p.sine * pull.towards.y());
            const double across =
                pull.force_N * (p.cosine * pull.towards.y() - p.sine * pull.towards.x());
            water += Eigen::Vector3d(along, across, chain.tieAt_m * across);
        }
        const Eigen::Vector3d bias(p.bias.x(), p.bias.y(), 0);
        load += j.transpose() * (water - m * bias - carried);
        h += j.transpose() * m * j;
    }
    for (Eigen::Index k = 0; k + 1 < n; ++k) {
        const double couple = jointCouple(chain.joints[size_t(k)], chain.stop_N_m[size_t(k)],
                                          y[3 + k] - y[2 + k], y[n + 5 + k] - y[n + 4 + k]);
        load[3 + k] += couple;
        load[2 + k] -= couple;
    }
    return h.llt().solve(load);
}

double linePull_N(const PlanarChain& chain, const ChainState& state, const ChainLine& line) {
    return pullOf(chain, state, line).force_N;
}

void stepChain(const PlanarChain& chain, const ChainLine& line, double step, ChainState& y) {
    ChainLine half = line, end = line;
    half.out_m -= 0.5 * step * line.shortens_m_s;
    end.out_m -= step * line.shortens_m_s;
    const ChainState a = rates(chain, y, line);
    const ChainState b = rates(chain, y + 0.5 * step * a, half);
    const ChainState c = rates(chain, y + 0.5 * step * b, half);
    const ChainState d = rates(chain, y + step * c, end);
    y += step / 6 * (a + 2 * b + 2 * c + d);
}

double chainEnergy_J(const PlanarChain& chain, const ChainState& y) {
    const auto n = Eigen::Index(chain.pieces.size());
    double energy = 0;
    for (Eigen::Index i = 0; i < n; ++i) {
        const Eigen::Vector3d v = pinRows(chain, y, i) * y.tail(n + 2);
        energy += 0.5 * v.dot(pieceMass(chain.pieces[size_t(i)]) * v);
    }
    return energy;
}

ChainState chainAt(const PlanarChain& chain, const std::vector<double>& headings, double speed) {
    const auto n = Eigen::Index(chain.pieces.size());
    ChainState y = ChainState::Zero(2 * (n + 2));
    for (Eigen::Index i = 0; i < n; ++i) {
        y[2 + i] = headings[size_t(i)];
    }
    y[n + 2] = speed;
    return y;
}

Eigen::Vector2d chainPlace(const PlanarChain& chain, const ChainState& y, double aft) {
    Eigen::Vector2d place = y.head<2>();
    for (size_t i = 0; i < chain.pieces.size(); ++i) {
        const bool last = i + 1 == chain.pieces.size();
        const double part = last ? aft : std::min(aft, chain.pieces[i].length_m);
        const double heading = y[2 + Eigen::Index(i)];
        place -= part * Eigen::Vector2d(std::cos(heading), std::sin(heading));
        aft -= part;
        if (aft <= 0) {
            break;
        }
    }
    return place;
}

}  // namespace wl
