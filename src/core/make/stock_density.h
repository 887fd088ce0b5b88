// Density of the stock and which body the rest is computed from.
#pragma once

#include <optional>

#include "core/design/design.h"

namespace wl {

/// A density with its standard uncertainty, and the share each reading has in it (relative standard
/// uncertainties). A half-width a counts as a/sqrt(3). The three sides share one calliper, so their
/// parts add instead of averaging out.
struct DensityEstimate {
    double density_kg_m3 = 0.0;
    double uncertainty_kg_m3 = 0.0;
    double lengthShare = 0.0;
    double widthShare = 0.0;
    double heightShare = 0.0;
    double massShare = 0.0;
};

/// mass / (length x width x height) of a measured block.
DensityEstimate densityFromSample(const SampleBlock& sample);

/// mass / (pi/4 diameter^2 length) of a round blank, read with the sample's calliper and scale. The
/// diameter counts twice. Shares: length and width (diameter).
DensityEstimate densityFromBlank(const RoundBlank& blank, const SampleBlock& readings);

/// What drawing, density and scale together say about the body. All before any hole is drilled.
struct BodyReckoning {
    DensityEstimate density;  ///< as measured or from the shelf
    double drawnVolume_m3 = 0.0;
    double drawnMass_kg = 0.0;  ///< density x drawn volume
    std::optional<double> weighedMass_kg;
    std::optional<double> weighedVolume_m3;  ///< weighed mass / density
    double disagreement = 0.0;       ///< weighed volume / drawn volume - 1, 0 without weighing
    double disagreementDoubt = 0.0;  ///< standard uncertainty of it
    double usedVolume_m3 = 0.0;
    double usedMass_kg = 0.0;
    double usedDensity_kg_m3 = 0.0;
    double breadthScale = 1.0;  ///< factor on drawn breadths and heights that gives usedVolume
    double netDoubt_kg =
        0.0;  ///< standard uncertainty of (water displaced - body mass), fresh water
};

/// Chooses by stock.trust; a trust that needs a weighed body falls back to DrawnVolume without one.
/// `density` is the body's as made, over its drawn volume.
BodyReckoning reckonBody(const Stock& stock, const DensityEstimate& density, double drawnVolume_m3,
                         double waterDensity_kg_m3);

}  // namespace wl
