#include "core/tank/waters.h"

#include <cmath>

#include "core/base/units.h"
#include "core/hydro/water.h"

namespace wl {

double bodyExpansion_per_K(const Make& make, const Model& model) {
    const bool wood = make.kind == MakeKind::Carved || make.kind == MakeKind::Turned;
    return wood ? model.woodExpansion_1_K : model.plasticExpansion_1_K;
}

double suspendBand_kg(const Derived& d) {
    return 0.5 * d.waterDensity_kg_m3 * d.rest->fallArea_m2 * d.model.suspendSpeed_m_s *
           d.model.suspendSpeed_m_s / kGravity_m_s2;
}

InWater inWater(const Design& design, const Derived& d, double temperature_K, double salinity,
                double measured_K) {
    InWater w;
    w.temperature_K = temperature_K;
    w.salinity = salinity;
    w.waterDensity_kg_m3 = waterDensity_kg_m3(temperature_K, salinity);
    const double swell =
        1 + bodyExpansion_per_K(design.make, d.model) * (temperature_K - measured_K);
    const double volume = d.mass->displacedVolume_m3 + d.shape->solid.volume_m3 * (swell - 1);
    ChangedBait bait = unchanged(d);
    bait.volume_m3 = volume;
    bait.waterDensity_kg_m3 = w.waterDensity_kg_m3;
    static_cast<StillWater&>(w) = restInWater(d, bait);
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
