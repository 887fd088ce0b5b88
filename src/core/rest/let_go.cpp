#include "core/rest/let_go.h"

#include <cmath>

namespace wl {

TowedBait fallingBait(const LooseBait& bait) {
    TowedBait towed;
    towed.loads = bait.loads;
    towed.mass_kg = bait.mass_kg;
    towed.displacedVolume_m3 = bait.volume_m3;
    towed.waterDensity_kg_m3 = bait.waterDensity_kg_m3;
    towed.centreOfGravity_m = {bait.centreOfGravity_m.x(), bait.centreOfGravity_m.z()};
    towed.centreOfBuoyancy_m = {bait.centreOfBuoyancy_m.x(), bait.centreOfBuoyancy_m.z()};
    return towed;
}

namespace {

bool floats(const LooseBait& bait) {
    return bait.waterDensity_kg_m3 * bait.volume_m3 - bait.mass_kg > 0;
}

FloatingBody floatingBody(const LooseBait& bait) {
    return {bait.shape, bait.mass_kg, bait.centreOfGravity_m, bait.shapeDensity_kg_m3};
}

}  // namespace

std::vector<FloatAttitude> floatingAttitudes(const LooseBait& bait) {
    return floats(bait) ? findStableAttitudes(floatingBody(bait), bait.coarseShape)
                        : std::vector<FloatAttitude>{};
}

std::vector<FloatAttitude> floatingAttitudes(const LooseBait& bait, const Eigen::Vector3d& near) {
    return floats(bait) ? std::vector{settleFrom(floatingBody(bait), near)}
                        : std::vector<FloatAttitude>{};
}

StillWater letGo(const LooseBait& bait, std::vector<FloatAttitude> attitudes) {
    StillWater w;
    const double full_kg = bait.waterDensity_kg_m3 * bait.volume_m3;
    w.net_kg = full_kg - bait.mass_kg;
    w.spare = w.net_kg / full_kg;
    w.hang = hangUnderWater(bait.centreOfGravity_m, bait.centreOfBuoyancy_m);
    w.fall = computeFreeFall(fallingBait(bait), w.hang.decided ? w.hang.pitch_rad : 0.0);
    w.speed_m_s = w.fall.speed_m_s;
    w.state = std::abs(w.speed_m_s) <= bait.suspendSpeed_m_s ? RestState::Suspends
              : w.net_kg > 0                                 ? RestState::Floats
                                                             : RestState::Sinks;
    w.pitch_rad = w.hang.pitch_rad;
    w.roll_rad = w.hang.roll_rad;
    w.attitudeDecided = w.hang.decided;
    w.attitudes = std::move(attitudes);
    if (w.net_kg > 0) {
        if (!w.attitudes.empty()) {
            const FloatAttitude& rest = w.attitudes.front();
            w.pitch_rad = rest.pitch_rad;
            w.roll_rad = rest.roll_rad;
            w.plane = rest.plane;
            w.attitudeDecided = rest.stable;
        }
    } else if (w.fall.steady) {
        w.pitch_rad = w.fall.pitch_rad;
    }
    return w;
}

}  // namespace wl
