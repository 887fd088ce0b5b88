#include "core/hydro/equilibrium.h"

#include <algorithm>
#include <cmath>

#include <Eigen/Eigenvalues>
#include <Eigen/Geometry>

#include "core/base/units.h"

namespace wl {
namespace {

constexpr double kLargestTilt_rad = 0.2;
constexpr double kLargestRoughTilt_rad = 0.4;  // while looking for attitudes
constexpr double kSettledArm_m = 1e-9;
constexpr double kSettledTilt_rad = 1e-7;
constexpr double kSettledHeave_m = 1e-10;
constexpr double kNearWaterline = 0.02;
constexpr double kUndecidedArm_m = 0.3e-3;

struct Energy {
    double value;              // E/g, kg m
    Eigen::Vector3d gradient;  // d, tilt aft axis, tilt port axis
    Eigen::Matrix3d hessian;
    Submerged wet;
};

Energy evaluateEnergy(const FloatingBody& body, const WaterPlane& plane) {
    const double rho = body.waterDensity_kg_m3;
    const PlaneAxes axes = planeAxes(plane.normal);
    Energy e;
    e.wet = computeSubmerged(body.shape, plane);
    const Submerged& w = e.wet;
    const Eigen::Vector3d balance = body.mass_kg * body.centreOfGravity_m - rho * w.moment_m4;
    const double lift = body.mass_kg - rho * w.volume_m3;
    e.value = plane.normal.dot(balance) - plane.offset_m * lift;
    e.gradient = {-lift, axes.aft.dot(balance), axes.port.dot(balance)};
    const Eigen::Vector2d first = rho * w.waterplaneMoment_m3;
    const Eigen::Matrix2d second =
        rho * w.waterplaneSecond_m4 - plane.normal.dot(balance) * Eigen::Matrix2d::Identity();
    e.hessian << rho * w.waterplaneArea_m2, -first.x(), -first.y(),  //
        -first.x(), second(0, 0), second(0, 1),                      //
        -first.y(), second(1, 0), second(1, 1);
    return e;
}

WaterPlane stepped(const WaterPlane& plane, const Eigen::Vector3d& step) {
    const PlaneAxes axes = planeAxes(plane.normal);
    const Eigen::Vector3d moved = plane.normal + step.y() * axes.aft + step.z() * axes.port;
    // Keeping the offset along the normalised direction turns the plane about the body origin.
    return {moved.normalized(), plane.offset_m + step.x()};
}

// Tilt stiffness with heave free to follow: Schur complement of the heave term.
Eigen::Matrix2d tiltStiffness(const Energy& e) {
    const double heave = e.hessian(0, 0);
    const Eigen::Vector2d coupling = e.hessian.block<2, 1>(1, 0);
    Eigen::Matrix2d tilt = e.hessian.block<2, 2>(1, 1);
    if (heave > 0) {
        tilt -= coupling * coupling.transpose() / heave;
    }
    return tilt;
}

}  // namespace

Eigen::Vector3d upInBody(double pitch, double roll) {
    return {-std::sin(pitch), std::cos(pitch) * std::sin(roll), std::cos(pitch) * std::cos(roll)};
}

double pitchOf(const Eigen::Vector3d& up) {
    return std::asin(std::clamp(-up.x(), -1.0, 1.0));
}

double rollOf(const Eigen::Vector3d& up) {
    return std::atan2(up.y(), up.z());
}

// How deep a ball with that share of its volume under water lies, in its diameters: 3 t^2 - 2 t^3.
static double floatingShare(double volumeShare) {
    const double wanted = std::clamp(volumeShare, 0.0, 1.0);
    double t = wanted;
    for (int i = 0; i < 4; ++i) {
        t -= (t * t * (3 - 2 * t) - wanted) / std::max(6 * t * (1 - t), 0.3);
        t = std::clamp(t, 0.02, 0.98);
    }
    return t;
}

Waterline findWaterline(const FloatingBody& body, const Eigen::Vector3d& up, double within_m3) {
    const double whole = computeDisplaced(body.shape).volume_m3;
    double low = 1e9, high = -1e9, foot = 1e9, top = -1e9;
    for (const WettedHull& hull : body.shape.hulls) {
        const auto [from, to] = hull.range(up);
        low = std::min(low, from);
        high = std::max(high, to);
        if (hull.volume_m3() > 0.05 * whole) {  // what carries it
            foot = std::min(foot, from);
            top = std::max(top, to);
        }
    }
    for (const SmallPart& part : body.shape.parts) {
        const double radius = std::cbrt(3 * std::abs(part.volume_m3) / (4 * kPi));
        low = std::min(low, up.dot(part.centre_m) - radius);
        high = std::max(high, up.dot(part.centre_m) + radius);
    }
    constexpr int kMostLooks = 60;
    constexpr double kSamePlane_m = 1e-13;
    const double wanted = body.mass_kg / body.waterDensity_kg_m3;
    // Newton on a monotone function, kept inside a shrinking bracket, from where a ball of that
    // height would float.
    double offset =
        foot < top ? foot + floatingShare(wanted / whole) * (top - foot) : 0.5 * (low + high);
    for (int i = 0;; ++i) {
        const Submerged wet = computeSubmerged(body.shape, {up, offset});
        const double error = wet.volume_m3 - wanted;
        (error > 0 ? high : low) = offset;
        if (std::abs(error) < within_m3 || i >= kMostLooks || high - low <= kSamePlane_m) {
            return {offset, wet};
        }
        double next = wet.waterplaneArea_m2 > 0 ? offset - error / wet.waterplaneArea_m2 : low;
        if (!(next > low && next < high)) {
            next = 0.5 * (low + high);
        }
        offset = next;
    }
}

namespace {

// How far a search goes: to rest, or until it is as near as `enough` or enters a known place.
struct Search {
    double enough_rad = kSettledTilt_rad;
    const std::vector<FloatAttitude>* known = nullptr;
};

bool isOneOf(const std::vector<FloatAttitude>& known, const Eigen::Vector3d& up) {
    constexpr double kSame_rad = 2.0 * kDegree;
    static const double same = std::cos(kSame_rad);
    return std::any_of(known.begin(), known.end(),
                       [&up](const FloatAttitude& a) { return a.plane.normal.dot(up) > same; });
}

// Nothing when it came into a known place.
std::optional<FloatAttitude> settle(const FloatingBody& body, const Eigen::Vector3d& up,
                                    std::optional<double> nearOffset_m, const Search& search) {
    // A nudge of a twentieth of a degree off any exact balance.
    const PlaneAxes startAxes = planeAxes(up);
    WaterPlane plane;
    plane.normal = (up + 7e-4 * startAxes.aft + 9e-4 * startAxes.port).normalized();
    // Newton finds the waterline itself; it only needs to start near it.
    plane.offset_m = nearOffset_m
                         ? *nearOffset_m
                         : findWaterline(body, plane.normal,
                                         kNearWaterline * body.mass_kg / body.waterDensity_kg_m3)
                               .offset_m;

    Energy now = evaluateEnergy(body, plane);
    const double massScale = std::max(body.mass_kg, 1e-9);
    const double largest = search.known != nullptr ? kLargestRoughTilt_rad : kLargestTilt_rad;
    bool settled = false;
    for (int iteration = 0; iteration < 80 && !settled; ++iteration) {
        // Scale heave to the tilt's size so that the eigenvectors mean the same in any bait.
        const double length = 0.02;
        Eigen::Matrix3d scaled = now.hessian;
        scaled.row(0) *= length;
        scaled.col(0) *= length;
        Eigen::Vector3d gradient = now.gradient;
        gradient.x() *= length;
        const Eigen::SelfAdjointEigenSolver<Eigen::Matrix3d> eigen(scaled);
        const Eigen::Vector3d values =
            eigen.eigenvalues().cwiseAbs().cwiseMax(1e-6 * massScale * length);
        Eigen::Vector3d step = -eigen.eigenvectors() *
                               (eigen.eigenvectors().transpose() * gradient).cwiseQuotient(values);
        step.x() *= length;
        const double tilt = step.tail<2>().norm();
        if (tilt > largest) {
            step *= largest / tilt;
        }
        if (step.tail<2>().norm() < kSettledTilt_rad && std::abs(step.x()) < kSettledHeave_m) {
            break;
        }
        const bool near = tilt < search.enough_rad;
        // Where the energy is a bowl whose bottom is a place already known, it would end there.
        if (search.known != nullptr && tilt <= largest && eigen.eigenvalues().minCoeff() > 0 &&
            isOneOf(*search.known, stepped(plane, step).normal)) {
            return std::nullopt;
        }
        bool improved = false;
        for (int halving = 0; halving < 10; ++halving) {
            const WaterPlane next = stepped(plane, step);
            const Energy there = evaluateEnergy(body, next);
            if (there.value <= now.value + 1e-18) {
                improved = true;
                plane = next;
                now = there;
                break;
            }
            step *= 0.5;
        }
        settled =
            near || !improved || now.gradient.cwiseAbs().maxCoeff() < kSettledArm_m * massScale;
    }
    if (search.known == nullptr && std::abs(now.gradient.x()) > 1e-9 * massScale) {
        plane.offset_m = findWaterline(body, plane.normal).offset_m;
        now = evaluateEnergy(body, plane);
    }

    FloatAttitude rest;
    rest.plane = plane;
    rest.pitch_rad = pitchOf(plane.normal);
    rest.roll_rad = rollOf(plane.normal);
    rest.energy_J = kGravity_m_s2 * now.value;
    if (now.wet.volume_m3 > 0) {
        rest.centreOfBuoyancy_m = now.wet.moment_m4 / now.wet.volume_m3;
    }
    const Eigen::Matrix2d stiffness = tiltStiffness(now);
    rest.metacentricHeightPitch_m = stiffness(0, 0) / massScale;
    rest.metacentricHeightRoll_m = stiffness(1, 1) / massScale;
    Eigen::SelfAdjointEigenSolver<Eigen::Matrix2d> eigen;
    eigen.computeDirect(stiffness, Eigen::EigenvaluesOnly);
    const bool balanced = now.gradient.tail<2>().norm() < 1e-5 * massScale;
    rest.stable = balanced && eigen.eigenvalues().minCoeff() > 1e-7 * massScale;
    return rest;
}

}  // namespace

FloatAttitude settleFrom(const FloatingBody& body, const Eigen::Vector3d& up,
                         std::optional<double> nearOffset_m) {
    return *settle(body, up, nearOffset_m, {});
}

namespace {

// The same on both sides: what one side comes to, the other does too.
bool isMirrored(const FloatingShape& shape, const Eigen::Vector3d& centreOfGravity_m) {
    constexpr double kSame_m = 1e-9;
    if (std::abs(centreOfGravity_m.y()) > kSame_m) {
        return false;
    }
    const auto same = [](std::vector<Eigen::Vector4d> port,
                         std::vector<Eigen::Vector4d> starboard) {
        const auto order = [](const Eigen::Vector4d& a, const Eigen::Vector4d& b) {
            return std::lexicographical_compare(a.data(), a.data() + 4, b.data(), b.data() + 4);
        };
        std::sort(port.begin(), port.end(), order);
        std::sort(starboard.begin(), starboard.end(), order);
        return port.size() == starboard.size() &&
               std::equal(port.begin(), port.end(), starboard.begin(),
                          [](const Eigen::Vector4d& a, const Eigen::Vector4d& b) {
                              return (a - b).cwiseAbs().maxCoeff() <= kSame_m;
                          });
    };
    std::vector<Eigen::Vector4d> port, starboard;
    const auto note = [&](const Eigen::Vector3d& at, double size) {
        if (std::abs(at.y()) > kSame_m) {
            (at.y() > 0 ? port : starboard).emplace_back(at.x(), std::abs(at.y()), at.z(), size);
        }
    };
    for (const WettedHull& hull : shape.hulls) {
        for (const Eigen::Vector3d& v : hull.mesh().vertices_m) {
            note(v, 0.0);
        }
    }
    for (const SmallPart& part : shape.parts) {
        note(part.centre_m, std::cbrt(part.volume_m3));
    }
    return same(std::move(port), std::move(starboard));
}

}  // namespace

std::vector<FloatAttitude> findStableAttitudes(const FloatingBody& body,
                                               const FloatingShape& search) {
    constexpr double kRough_rad = 1e-3;
    FloatingBody coarse = body;
    coarse.shape = search;
    // The same mass must float in the coarse shape too.
    const double full = computeDisplaced(search).volume_m3 * body.waterDensity_kg_m3;
    coarse.mass_kg = std::min(body.mass_kg, full * (1 - 1e-9));

    const bool mirrored = isMirrored(search, body.centreOfGravity_m);
    std::vector<Eigen::Vector3d> starts{upInBody(0, 0)};
    for (const double roll : {45.0, -45.0, 90.0, -90.0, 135.0, -135.0, 180.0}) {
        if (roll > 0 || !mirrored) {
            starts.push_back(upInBody(0, roll * kDegree));
        }
    }
    for (const double pitch : {60.0, -60.0, 88.0, -88.0}) {
        starts.push_back(upInBody(pitch * kDegree, 0));
    }
    std::vector<FloatAttitude> found;
    const auto finish = [&](const Eigen::Vector3d& up, double offset) {
        const FloatAttitude rest = settleFrom(body, up, offset);
        if (rest.stable && !isOneOf(found, rest.plane.normal)) {
            found.push_back(rest);
        }
    };
    for (const Eigen::Vector3d& start : starts) {
        if (isOneOf(found, start)) {
            continue;
        }
        const auto rough = settle(coarse, start, std::nullopt, {kRough_rad, &found});
        if (!rough || !rough->stable) {
            continue;
        }
        Eigen::Vector3d up = rough->plane.normal;
        finish(up, rough->plane.offset_m);
        up.y() = -up.y();
        if (mirrored && !isOneOf(found, up)) {
            finish(up, rough->plane.offset_m);
        }
    }
    if (found.size() > 1) {
        std::stable_sort(
            found.begin() + 1, found.end(),
            [](const FloatAttitude& a, const FloatAttitude& b) { return a.energy_J < b.energy_J; });
        const double deepest = std::min_element(found.begin(), found.end(),
                                                [](const FloatAttitude& a, const FloatAttitude& b) {
                                                    return a.energy_J < b.energy_J;
                                                })
                                   ->energy_J;
        for (FloatAttitude& attitude : found) {
            attitude.energy_J -= deepest;
        }
    } else if (found.size() == 1) {
        found.front().energy_J = 0;
    }
    return found;
}

SubmergedAttitude hangUnderWater(const Eigen::Vector3d& centreOfGravity_m,
                                 const Eigen::Vector3d& centreOfBuoyancy_m) {
    SubmergedAttitude attitude;
    const Eigen::Vector3d arm = centreOfBuoyancy_m - centreOfGravity_m;
    attitude.arm_m = arm.norm();
    attitude.decided = attitude.arm_m >= kUndecidedArm_m;
    if (attitude.arm_m > 0) {
        const Eigen::Vector3d up = arm / attitude.arm_m;
        attitude.pitch_rad = pitchOf(up);
        attitude.roll_rad = rollOf(up);
    }
    return attitude;
}

}  // namespace wl
