#include "core/reckon/lean.h"

#include <algorithm>
#include <cmath>
#include <map>

#include "core/base/units.h"
#include "core/motion/added_mass.h"

namespace wl {

double leanStiffness_kg_m(const Derived& d) {
    return d.mass->mass_kg * (d.rest->attitudes.empty()
                                  ? d.rest->hang.arm_m
                                  : d.rest->attitudes.front().metacentricHeightRoll_m);
}

std::vector<LeanShare> leanShares(const Derived& d) {
    const double stiffness = leanStiffness_kg_m(d);
    std::map<std::string, LeanShare> byPath;
    for (const MassItem& item : d.mass->items) {
        const double outside =
            item.kind == PartKind::Body ? 0.0 : d.waterDensity_kg_m3 * item.displaced_m3;
        LeanShare& share = byPath[item.path];
        share.name = item.name;
        share.path = item.path;
        share.moment_kg_m += (item.mass_kg - outside) * item.centre_m.y();
    }
    std::vector<LeanShare> shares;
    for (auto& [path, share] : byPath) {
        if (std::abs(share.moment_kg_m) > 1e-9) {
            share.lean_rad = stiffness > 1e-9 ? -share.moment_kg_m / stiffness : 0.0;
            shares.push_back(share);
        }
    }
    std::stable_sort(shares.begin(), shares.end(), [](const LeanShare& a, const LeanShare& b) {
        return std::abs(a.moment_kg_m) > std::abs(b.moment_kg_m);
    });
    return shares;
}

std::optional<double> leanBeyondDrawn_rad(const Derived& d) {
    double seen = 0;
    int times = 0;
    for (const TankReading& r : d.design->tank.readings) {
        if (r.use && r.kind == ReadingKind::Lean && r.stage == TankStage::Finished) {
            seen += r.angle_rad;
            ++times;
        }
    }
    if (times == 0) {
        return std::nullopt;
    }
    double drawn = 0;
    for (const LeanShare& share : leanShares(d)) {
        drawn += share.path == "/tank/correction" ? 0 : share.lean_rad;
    }
    return seen / times - drawn;
}

FreeFallTimes freeFallTimes(const Derived& d) {
    FreeFallTimes fall;
    fall.steadySpeed_m_s = d.rest->fall.speed_m_s;
    const Eigen::Vector3d added = addedMassCoefficients(
        d.shape->sizes.length_m, d.shape->sizes.maxWidth_m, d.shape->sizes.maxHeight_m);
    fall.added_kg = added.z() * d.waterDensity_kg_m3 * d.shape->solid.volume_m3;
    const double weight = std::abs(d.rest->net_kg) * kGravity_m_s2;
    if (weight > 0) {
        fall.timeConstant_s =
            (d.mass->mass_kg + fall.added_kg) * std::abs(fall.steadySpeed_m_s) / weight;
    }
    return fall;
}

double depthAfter_m(const FreeFallTimes& fall, double time_s) {
    if (fall.timeConstant_s <= 0) {
        return 0.0;
    }
    return std::abs(fall.steadySpeed_m_s) * fall.timeConstant_s *
           std::log(std::cosh(time_s / fall.timeConstant_s));
}

double timeToFall_s(const FreeFallTimes& fall, double depth_m) {
    const double reach = std::abs(fall.steadySpeed_m_s) * fall.timeConstant_s;
    if (reach <= 0 || depth_m <= 0) {
        return 0.0;
    }
    const double k = depth_m / reach;
    // acosh(e^k) without overflow: ln(e^k + sqrt(e^2k - 1)) = k + ln(1 + sqrt(1 - e^-2k)).
    return fall.timeConstant_s * (k + std::log(1 + std::sqrt(-std::expm1(-2 * k))));
}

}  // namespace wl
