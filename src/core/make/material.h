// What each way of making a body weighs before any hole is cut.
#pragma once

#include <functional>
#include <optional>

#include "core/design/design.h"
#include "core/geometry/mesh.h"
#include "core/geometry/piece_solid.h"
#include "core/make/stock_density.h"

namespace wl {

/// Density of resin with filler: (1 - air) of the blend by volume, or of 1 / sum(w / rho) by mass.
double mixDensity_kg_m3(const ResinMix& mix);

/// Filler share that gives the wanted density; nothing when no share from 0 to 75 % does.
std::optional<double> fillerShareFor(const ResinMix& mix, double density_kg_m3);

/// Density in force for solid stock: sample, shelf, blank or mix, with moisture's part added for
/// wood (a point of moisture moves density by 0.6 of itself: common practice, no source). Layers
/// and prints have none of their own: this is then the density a weighed body is set against.
DensityEstimate densityInForce(const Stock& stock, const Make& make);

/// Mass of one part as made, holes not yet cut.
struct PartMaterial {
    double mass_kg = 0.0;
    Eigen::Vector3d centre_m = Eigen::Vector3d::Zero();
    double doubtShare = 0.0;  ///< relative standard uncertainty of the mass
    double hollow_m3 = 0.0;   ///< air inside a print
    TriangleMesh inside;      ///< of a print: the inner surface of its shell
};

/// A solid part of one density.
PartMaterial solidMaterial(const SolidProperties& solid, const DensityEstimate& density);

/// A layered part: each sheet of the make between its breadths, the stack centred on the bait. What
/// the sheets do not reach is not there; what reaches past the skin is cut away.
PartMaterial layeredMaterial(const BodyCurves& curves, const PieceBounds& bounds, const Make& make);

/// A printed part: shell of even wall and infill. The inside is the mesh moved inwards by the wall;
/// where the body is thinner than two walls, the walls meet and nothing is hollow. `midHeight_m`
/// gives the middle of the part's depth at x.
PartMaterial printedMaterial(const TriangleMesh& mesh, const SolidProperties& solid,
                             const Print& print,
                             const std::function<double(double x_m)>& midHeight_m);

/// Water a leaking print has taken after a time: V (1 - exp(-t / tau)), tau from one soak weighed
/// before and after. Nothing when the two weighings do not fit the hollow.
std::optional<double> waterTaken_m3(const Print& print, double hollow_m3, double waterDensity_kg_m3,
                                    double after_s);

}  // namespace wl
