#include "core/tank/waters.h"

#include <cmath>

#include "core/base/units.h"
#include "core/hydro/water.h"

namespace wl {

double bodyExpansion_per_K(const Design& design) {
    constexpr double kWood = 6e-5, kPlastic = 3 * 7e-5;
    const bool wood = design.make.kind == MakeKind::Carved || design.make.kind == MakeKind::Turned;
    return wood ? kWood : kPlastic;
}

double suspendBand_kg(const Derived& d) {
    return 0.5 * d.waterDensity_kg_m3 * d.fallArea_m2 * kSuspendSpeed_m_s * kSuspendSpeed_m_s /
           kGravity_m_s2;
}

InWater inWater(const Design& design, const Derived& d, double temperature_K, double salinity,
                double measured_K) {
    InWater w;
    w.temperature_K = temperature_K;
    w.salinity = salinity;
    w.waterDensity_kg_m3 = waterDensity_kg_m3(temperature_K, salinity);
    const double swell = 1 + bodyExpansion_per_K(design) * (temperature_K - measured_K);
    const double volume = d.mass.displacedVolume_m3 + d.solid.volume_m3 * (swell - 1);
    const double full_kg = w.waterDensity_kg_m3 * volume;
    w.net_kg = full_kg - d.mass.mass_kg;
    w.spare = w.net_kg / full_kg;
    const double v =
        std::sqrt(2 * std::abs(w.net_kg) * kGravity_m_s2 / (w.waterDensity_kg_m3 * d.fallArea_m2));
    w.speed_m_s = w.net_kg > 0 ? -v : v;
    w.state = v <= kSuspendSpeed_m_s ? RestState::Suspends
              : w.net_kg > 0         ? RestState::Floats
                                     : RestState::Sinks;
    w.pitch_rad = d.hang.pitch_rad;
    w.roll_rad = d.hang.roll_rad;
    w.attitudeDecided = d.hang.decided;
    if (w.net_kg > 0) {
        // A volume a little larger in water of the same density floats as the same volume does in
        // water that much denser.
        const FloatingBody body{d.mass.coarseShape, d.mass.mass_kg, d.mass.centreOfGravity_m,
                                full_kg / d.mass.displacedVolume_m3};
        const FloatAttitude rest = settleFrom(body, upInBody(d.pitch_rad, d.roll_rad));
        w.pitch_rad = rest.pitch_rad;
        w.roll_rad = rest.roll_rad;
        w.attitudeDecided = rest.stable;
    }
    return w;
}

std::vector<std::vector<InWater>> computeWaters(const Design& design, const Derived& derived,
                                                const std::vector<double>& temperatures_K,
                                                const std::vector<double>& salinities,
                                                std::stop_token stop) {
    std::vector<std::vector<InWater>> rows;
    for (const double t : temperatures_K) {
        std::vector<InWater> row;
        for (const double s : salinities) {
            if (stop.stop_requested()) {
                return rows;
            }
            row.push_back(inWater(design, derived, t, s, design.errors.roomTemperature_K));
        }
        rows.push_back(std::move(row));
    }
    return rows;
}

}  // namespace wl
