#include "core/rest/linked_pieces.h"

#include <algorithm>
#include <cmath>

#include <Eigen/Eigenvalues>

namespace wl {
namespace {

using Eigen::Vector3d;

Vector3d upAt(double pitch) {
    return {-std::sin(pitch), 0, std::cos(pitch)};
}
Vector3d aftAt(double pitch) {
    return {std::cos(pitch), 0, std::sin(pitch)};
}

// Heights and places of the front eyes for given pitches.
void placeFronts(const std::vector<Link>& links, double first, LinkedPose& pose) {
    pose.front_m.assign(links.size(), first);
    pose.frontX_m.assign(links.size(), 0.0);
    for (size_t i = 1; i < links.size(); ++i) {
        const Vector3d span = links[i - 1].rear_m - links[i - 1].front_m;
        pose.front_m[i] = pose.front_m[i - 1] + upAt(pose.pitch_rad[i - 1]).dot(span);
        pose.frontX_m[i] = pose.frontX_m[i - 1] + aftAt(pose.pitch_rad[i - 1]).dot(span);
    }
}

using Slopes = std::vector<double>;  // of the energy by each pitch, kg m (over g)

// How the energy changes with each pitch, when `wet(i)` says what water lifts of each link;
// `behind` comes back as the net weight of all.
template <class Wet>
Slopes slopesAt(const std::vector<Link>& links, const std::vector<double>& pitch, double water,
                const Vector3d& first, double& behind, Wet wet) {
    Slopes slopes(links.size());
    behind = 0;
    for (size_t i = links.size(); i-- > 0;) {
        const Link& link = links[i];
        const Vector3d& held = i == 0 ? first : link.front_m;
        const Submerged lifted = wet(i);
        const Vector3d couple = link.mass_kg * (link.centreOfGravity_m - held) -
                                water * (lifted.moment_m4 - lifted.volume_m3 * held) +
                                behind * (link.rear_m - held);
        slopes[i] = -aftAt(pitch[i]).dot(couple);
        behind += link.mass_kg - water * lifted.volume_m3;
    }
    return slopes;
}

// Unknowns: the height of the first eye in units of `length` (afloat alone), the pitch of the first
// link, then each link's against the one ahead.
struct Problem {
    const std::vector<Link>& links;
    double water, length, mass;
    bool afloat;
    Vector3d first;  // what the first link turns about

    long size() const { return long(links.size()) + (afloat ? 1 : 0); }
    std::vector<double> pitches(const Eigen::VectorXd& x) const {
        std::vector<double> pitch;
        for (long i = afloat ? 1 : 0; i < size(); ++i) {
            pitch.push_back((pitch.empty() ? 0.0 : pitch.back()) + x[i]);
        }
        return pitch;
    }
    Eigen::VectorXd slope(const Eigen::VectorXd& x) const {
        LinkedPose pose;
        pose.pitch_rad = pitches(x);
        placeFronts(links, afloat ? x[0] * length : 0.0, pose);
        double net = 0;
        const Slopes slopes =
            slopesAt(links, pose.pitch_rad, water, first, net, [&](size_t i) -> Submerged {
                const Link& link = links[i];
                if (!afloat) {
                    return {link.volume_m3, link.volume_m3 * link.centreOfBuoyancy_m};
                }
                const Vector3d up = upAt(pose.pitch_rad[i]);
                return computeSubmerged(link.shape, {up, up.dot(link.front_m) - pose.front_m[i]});
            });
        Eigen::VectorXd out(size());
        double sum = 0;
        for (size_t i = links.size(); i-- > 0;) {
            sum += slopes[i];
            out[long(i) + (afloat ? 1 : 0)] = sum / (mass * length);
        }
        if (afloat) {
            out[0] = net / mass;
        }
        return out;
    }
};

// The least energy from a start within the stops.
bool settle(const Problem& problem, Eigen::VectorXd& x) {
    constexpr int kMostSteps = 120;
    constexpr double kDifference = 1e-5, kLongest = 0.15, kSettled = 1e-9, kStiffest = 1e-3;
    const long n = problem.size(), joints = problem.afloat ? 2 : 1;
    const auto low = [&](long i) {
        return i < joints ? -1e9 : -problem.links[size_t(i - joints + 1)].noseDownStop_rad;
    };
    const auto high = [&](long i) {
        return i < joints ? 1e9 : problem.links[size_t(i - joints + 1)].noseUpStop_rad;
    };
    for (long i = 0; i < n; ++i) {
        x[i] = std::clamp(x[i], low(i), high(i));
    }
    Eigen::VectorXd g = problem.slope(x);
    for (int step = 0; step < kMostSteps; ++step) {
        std::vector<long> open;
        for (long i = 0; i < n; ++i) {
            const bool held = (x[i] <= low(i) && g[i] > 0) || (x[i] >= high(i) && g[i] < 0);
            if (!held) {
                open.push_back(i);
            }
        }
        const long m = long(open.size());
        Eigen::MatrixXd second(m, m);
        Eigen::VectorXd own(m);
        for (long k = 0; k < m; ++k) {
            Eigen::VectorXd aside = x;
            aside[open[size_t(k)]] += kDifference;
            const Eigen::VectorXd there = problem.slope(aside);
            own[k] = g[open[size_t(k)]];
            for (long r = 0; r < m; ++r) {
                second(r, k) = (there[open[size_t(r)]] - g[open[size_t(r)]]) / kDifference;
            }
        }
        if (m == 0) {
            return true;
        }
        const Eigen::SelfAdjointEigenSolver<Eigen::MatrixXd> eigen(0.5 *
                                                                   (second + second.transpose()));
        if (own.norm() < kSettled && eigen.eigenvalues().minCoeff() > 0) {
            return true;
        }
        Eigen::VectorXd move = Eigen::VectorXd::Zero(m);
        for (long k = 0; k < m; ++k) {
            const Eigen::VectorXd axis = eigen.eigenvectors().col(k);
            move -= axis * axis.dot(own) / std::max(kStiffest, std::abs(eigen.eigenvalues()[k]));
        }
        if (move.norm() > kLongest) {
            move *= kLongest / move.norm();
        }
        for (long k = 0; k < m; ++k) {
            const long i = open[size_t(k)];
            x[i] = std::clamp(x[i] + move[k], low(i), high(i));
        }
        g = problem.slope(x);
    }
    return false;
}

LinkedPose poseOf(const Problem& problem, const Eigen::VectorXd& x, bool settled) {
    LinkedPose pose;
    pose.pitch_rad = problem.pitches(x);
    pose.settled = settled;
    const double first =
        problem.afloat ? x[0] * problem.length
                       : upAt(pose.pitch_rad[0]).dot(problem.links[0].front_m - problem.first);
    placeFronts(problem.links, first, pose);
    for (double& pitch : pose.pitch_rad) {
        pitch = std::remainder(pitch, 2 * std::acos(-1.0));
    }
    return pose;
}

}  // namespace

double pitchStop_rad(double ahead, double behind, double heightAhead, double heightBehind) {
    constexpr double kNone_rad = 3.0;
    const bool own = heightBehind <= heightAhead;
    const double height = own ? heightBehind : heightAhead;
    const double a = own ? ahead : behind, b = own ? behind : ahead;
    const double reach = std::hypot(height, b);
    if (height <= 0 || a >= reach) {
        return kNone_rad;
    }
    return std::clamp(std::atan2(b, height) + std::asin(std::max(-1.0, a / reach)), 0.0, kNone_rad);
}

std::optional<LinkedPose> floatLinked(const std::vector<Link>& links, double water, double pitch) {
    double mass = 0, volume = 0, length = 0;
    for (const Link& link : links) {
        mass += link.mass_kg;
        volume += link.volume_m3;
        length = std::max(length, (link.rear_m - link.front_m).norm());
    }
    if (mass >= water * volume || links.empty()) {
        return std::nullopt;
    }
    const Problem problem{links, water, std::max(length, 0.01), mass, true, links[0].front_m};
    Eigen::VectorXd x = Eigen::VectorXd::Zero(problem.size());
    x[1] = pitch;
    const bool settled = settle(problem, x);
    return poseOf(problem, x, settled);
}

LinkedPose hangLinked(const std::vector<Link>& links, double water,
                      const std::optional<Vector3d>& tie) {
    double mass = 0, volume = 0;
    for (const Link& link : links) {
        mass += link.mass_kg;
        volume += link.volume_m3;
    }
    const double lift = tie || volume <= 0 ? water : mass / volume;
    double length = 0.01, behind = 0;
    const Vector3d first = tie.value_or(links[0].front_m);
    // Where each would hang with no stop.
    std::vector<double> pitch(links.size(), 0.0);
    double weakest = mass;
    for (size_t i = links.size(); i-- > 0;) {
        const Link& link = links[i];
        const Vector3d& held = i == 0 ? first : link.front_m;
        const Vector3d couple = link.mass_kg * (link.centreOfGravity_m - held) -
                                lift * link.volume_m3 * (link.centreOfBuoyancy_m - held) +
                                behind * (link.rear_m - held);
        weakest = std::min(weakest, std::hypot(couple.x(), couple.z()));
        pitch[i] = std::atan2(couple.x(), -couple.z());
        behind += link.mass_kg - lift * link.volume_m3;
        length = std::max(length, (link.rear_m - link.front_m).norm());
    }
    const Problem problem{links, lift, length, mass, false, first};
    Eigen::VectorXd x(problem.size());
    for (size_t i = 0; i < pitch.size(); ++i) {
        x[long(i)] = std::remainder(pitch[i] - (i > 0 ? pitch[i - 1] : 0.0), 2 * std::acos(-1.0));
    }
    constexpr double kNone_kg_m = 1e-9;
    const bool settled = settle(problem, x) && weakest > kNone_kg_m;
    return poseOf(problem, x, settled);
}

}  // namespace wl
