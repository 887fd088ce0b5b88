#include "core/tank/still_water.h"

#include <cmath>

#include "core/base/units.h"

namespace wl {

ChangedBait unchanged(const Derived& d) {
    return {d.mass.mass_kg,
            d.mass.centreOfGravity_m,
            d.mass.displacedVolume_m3,
            d.mass.centreOfBuoyancy_m,
            d.waterDensity_kg_m3,
            {}};
}

StillWater restInWater(const Derived& d, const ChangedBait& bait) {
    StillWater w;
    const double full_kg = bait.waterDensity_kg_m3 * bait.volume_m3;
    w.net_kg = full_kg - bait.mass_kg;
    w.spare = w.net_kg / full_kg;
    const SubmergedAttitude hang = hangUnderWater(bait.centreOfGravity_m, bait.centreOfBuoyancy_m);
    w.pitch_rad = hang.pitch_rad;
    w.roll_rad = hang.roll_rad;
    w.attitudeDecided = hang.decided;
    TowedBait towed = d.towed;
    towed.mass_kg = bait.mass_kg;
    towed.displacedVolume_m3 = bait.volume_m3;
    towed.waterDensity_kg_m3 = bait.waterDensity_kg_m3;
    towed.centreOfGravity_m = {bait.centreOfGravity_m.x(), bait.centreOfGravity_m.z()};
    towed.centreOfBuoyancy_m = {bait.centreOfBuoyancy_m.x(), bait.centreOfBuoyancy_m.z()};
    const FreeFall fall = computeFreeFall(towed, hang.decided ? hang.pitch_rad : 0.0);
    w.speed_m_s = fall.speed_m_s;
    w.state = std::abs(fall.speed_m_s) <= kSuspendSpeed_m_s ? RestState::Suspends
              : w.net_kg > 0                                ? RestState::Floats
                                                            : RestState::Sinks;
    if (w.net_kg > 0) {
        FloatingShape shape = d.mass.shape;
        double hull_m3 = d.mass.displacedVolume_m3;
        for (const SmallPart& part : bait.more) {
            shape.parts.push_back(part);
            hull_m3 += part.volume_m3;
        }
        const FloatingBody body{std::move(shape), bait.mass_kg, bait.centreOfGravity_m,
                                full_kg / hull_m3};
        const FloatAttitude rest = settleFrom(body, upInBody(d.pitch_rad, d.roll_rad));
        w.pitch_rad = rest.pitch_rad;
        w.roll_rad = rest.roll_rad;
        w.plane = rest.plane;
        w.attitudeDecided = rest.stable;
    } else if (fall.steady && w.state == RestState::Sinks) {
        w.pitch_rad = fall.pitch_rad;
    }
    return w;
}

}  // namespace wl
