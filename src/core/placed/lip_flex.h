// How a lip of thin sheet gives under the water's push.
#pragma once

#include "core/design/parts.h"

namespace wl {

/// Bending of the sheet outside the body, held at the skin.
struct LipFlex {
    double tipAngle_rad = 0.0;
    double tip_m = 0.0;          ///< off its straight line
    double meanAngle_rad = 0.0;  ///< over its area: what the water sees it turned by
};

/// Usual modulus of elasticity of a sheet so dense, Pa: plastic to 1600 kg/m3, glass laminate to
/// 2400, aluminium to 4000, titanium to 6000, steel to 8200, brass and copper above (handbook
/// figures, from memory).
double typicalModulus_Pa(double density_kg_m3);

/// Under a force across the sheet, N, spread evenly over its area: a slender cantilever of the
/// sheet's own width along it and small angles (Euler-Bernoulli; Timoshenko 1955, Strength of
/// Materials I, chapter V). A bent sheet is taken as flat, stiffening by the bend left out. Zero
/// without a force or a lip.
LipFlex lipFlex(const Lip& lip, double force_N);

}  // namespace wl
