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

// Energy of the chain afloat, by parts: how it changes with the height of the first eye and with
// each pitch, in kg and kg m (over g).
Eigen::VectorXd gradientAt(const std::vector<Link>& links, double water,
                           const Eigen::VectorXd& at) {
    const size_t n = links.size();
    LinkedPose pose;
    for (size_t i = 0; i < n; ++i) {
        pose.pitch_rad.push_back(at[long(i) + 1]);
    }
    placeFronts(links, at[0], pose);
    Eigen::VectorXd gradient = Eigen::VectorXd::Zero(long(n) + 1);
    double behind = 0;  // net weight of the links behind
    for (size_t i = n; i-- > 0;) {
        const Link& link = links[i];
        const Vector3d up = upAt(pose.pitch_rad[i]);
        const Submerged wet =
            computeSubmerged(link.shape, {up, up.dot(link.front_m) - pose.front_m[i]});
        const Vector3d couple =
            link.mass_kg * (link.centreOfGravity_m - link.front_m) -
            water * (wet.moment_m4 - wet.volume_m3 * link.front_m) +
            behind * (link.rear_m - link.front_m);
        gradient[long(i) + 1] = -aftAt(pose.pitch_rad[i]).dot(couple);
        behind += link.mass_kg - water * wet.volume_m3;
    }
    gradient[0] = behind;
    return gradient;
}

}  // namespace

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
    length = std::max(length, 0.01);
    const long n = long(links.size()) + 1;
    Eigen::VectorXd at = Eigen::VectorXd::Constant(n, pitch);
    at[0] = 0.0;
    // Heights count in lengths of a link and energies in its weight, so that all steps compare.
    Eigen::VectorXd unit = Eigen::VectorXd::Ones(n);
    unit[0] = length;
    const auto slope = [&](const Eigen::VectorXd& x) {
        return Eigen::VectorXd(gradientAt(links, water, x).cwiseProduct(unit) / (mass * length));
    };
    constexpr int kMostSteps = 80;
    constexpr double kDifference = 1e-5, kLongest = 0.15, kSettled = 1e-9, kStiffest = 1e-3;
    Eigen::VectorXd g = slope(at);
    bool settled = false;
    for (int step = 0; step < kMostSteps && !settled; ++step) {
        Eigen::MatrixXd second(n, n);
        for (long k = 0; k < n; ++k) {
            Eigen::VectorXd aside = at;
            aside[k] += kDifference * unit[k];
            second.col(k) = (slope(aside) - g) / kDifference;
        }
        const Eigen::SelfAdjointEigenSolver<Eigen::MatrixXd> eigen(
            0.5 * (second + second.transpose()));
        Eigen::VectorXd move = Eigen::VectorXd::Zero(n);
        for (long k = 0; k < n; ++k) {
            const Eigen::VectorXd axis = eigen.eigenvectors().col(k);
            move -= axis * axis.dot(g) / std::max(kStiffest, std::abs(eigen.eigenvalues()[k]));
        }
        if (move.norm() > kLongest) {
            move *= kLongest / move.norm();
        }
        at += move.cwiseProduct(unit);
        g = slope(at);
        settled = g.norm() < kSettled && eigen.eigenvalues().minCoeff() > 0;
    }
    LinkedPose pose;
    for (long i = 1; i < n; ++i) {
        pose.pitch_rad.push_back(std::remainder(at[i], 2 * std::acos(-1.0)));
    }
    pose.settled = settled;
    placeFronts(links, at[0], pose);
    return pose;
}

LinkedPose hangLinked(const std::vector<Link>& links, double water,
                      const std::optional<Vector3d>& tie) {
    double mass = 0, volume = 0;
    for (const Link& link : links) {
        mass += link.mass_kg;
        volume += link.volume_m3;
    }
    const double lift = tie || volume <= 0 ? water : mass / volume;
    LinkedPose pose;
    pose.pitch_rad.assign(links.size(), 0.0);
    double behind = 0;
    for (size_t i = links.size(); i-- > 0;) {
        const Link& link = links[i];
        const Vector3d held = i == 0 && tie ? *tie : link.front_m;
        const Vector3d couple =
            link.mass_kg * (link.centreOfGravity_m - held) -
            lift * link.volume_m3 * (link.centreOfBuoyancy_m - held) +
            behind * (link.rear_m - held);
        const Vector3d inPlane(couple.x(), 0, couple.z());
        constexpr double kNone_kg_m = 1e-9;
        pose.settled = pose.settled && inPlane.norm() > kNone_kg_m;
        pose.pitch_rad[i] = std::atan2(couple.x(), -couple.z());
        behind += link.mass_kg - lift * link.volume_m3;
    }
    placeFronts(links, 0.0, pose);
    if (tie && !links.empty()) {
        const double first = upAt(pose.pitch_rad[0]).dot(links[0].front_m - *tie);
        for (double& height : pose.front_m) {
            height += first;
        }
    }
    return pose;
}

}  // namespace wl
