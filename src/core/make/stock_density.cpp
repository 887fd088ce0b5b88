#include "core/make/stock_density.h"

#include <cmath>

#include "core/base/units.h"

namespace wl {
DensityEstimate densityFromSample(const SampleBlock& s) {
    DensityEstimate e;
    e.density_kg_m3 = s.mass_kg / (s.length_m * s.width_m * s.height_m);
    const double reading = s.calliperError_m * kHalfWidthToStandard;
    e.lengthShare = reading / s.length_m;
    e.widthShare = reading / s.width_m;
    e.heightShare = reading / s.height_m;
    e.massShare = s.scaleError_kg * kHalfWidthToStandard / s.mass_kg;
    e.uncertainty_kg_m3 =
        e.density_kg_m3 * std::hypot(e.lengthShare + e.widthShare + e.heightShare, e.massShare);
    return e;
}

DensityEstimate densityFromBlank(const RoundBlank& b, const SampleBlock& readings) {
    DensityEstimate e;
    e.density_kg_m3 = b.mass_kg / (0.25 * kPi * b.diameter_m * b.diameter_m * b.length_m);
    const double reading = readings.calliperError_m * kHalfWidthToStandard;
    e.lengthShare = reading / b.length_m;
    e.widthShare = 2 * reading / b.diameter_m;
    e.massShare = readings.scaleError_kg * kHalfWidthToStandard / b.mass_kg;
    e.uncertainty_kg_m3 = e.density_kg_m3 * std::hypot(e.lengthShare + e.widthShare, e.massShare);
    return e;
}

BodyReckoning reckonBody(const Stock& stock, const DensityEstimate& estimate, double drawnVolume_m3,
                         double water_kg_m3) {
    BodyReckoning r;
    r.density = estimate;
    r.drawnVolume_m3 = drawnVolume_m3;
    const double density = r.density.density_kg_m3;
    const double densityShare = r.density.uncertainty_kg_m3 / density;
    const double volumeShare = stock.drawnVolumeError * kHalfWidthToStandard;
    const double weighingError = stock.weighedBodyError_kg * kHalfWidthToStandard;
    r.drawnMass_kg = density * drawnVolume_m3;
    if (stock.weighedBody_kg) {
        r.weighedMass_kg = stock.weighedBody_kg;
        r.weighedVolume_m3 = *stock.weighedBody_kg / density;
        r.disagreement = *r.weighedVolume_m3 / drawnVolume_m3 - 1;
        r.disagreementDoubt = std::hypot(densityShare, volumeShare);
    }
    const BodyTrust trust = r.weighedMass_kg ? stock.trust : BodyTrust::DrawnVolume;
    switch (trust) {
        case BodyTrust::DrawnVolume:
            r.usedVolume_m3 = drawnVolume_m3;
            r.usedMass_kg = r.drawnMass_kg;
            r.netDoubt_kg = std::hypot(density * densityShare * drawnVolume_m3,
                                       (water_kg_m3 - density) * volumeShare * drawnVolume_m3);
            break;
        case BodyTrust::WeighedVolume:
            r.usedVolume_m3 = *r.weighedVolume_m3;
            r.usedMass_kg = *r.weighedMass_kg;
            r.netDoubt_kg = std::hypot(water_kg_m3 * r.usedVolume_m3 * densityShare,
                                       (water_kg_m3 / density - 1) * weighingError);
            break;
        case BodyTrust::WeighedDrawnBoth:
            r.usedVolume_m3 = drawnVolume_m3;
            r.usedMass_kg = *r.weighedMass_kg;
            r.netDoubt_kg = std::hypot(water_kg_m3 * drawnVolume_m3 * volumeShare, weighingError);
            break;
    }
    r.usedDensity_kg_m3 = r.usedMass_kg / r.usedVolume_m3;
    r.breadthScale = std::sqrt(r.usedVolume_m3 / drawnVolume_m3);
    return r;
}

}  // namespace wl
