// The water's work on a fin, tail, claw or cut face: one law for tow, fall and what swims.
#pragma once

#include <Eigen/Core>

#include "core/model/model.h"

namespace wl {

/// A plate in the stream, in the body frame (x aft, z up). What is thicker than a third of its
/// chord is a lump and only drags. `aspectFactor`: 2 where the body's skin mirrors the whole of its
/// root, 1 clear of the body.
struct TowedSurface {
    enum class Kind { Fin, Bristles, Lump, NoseFace, TailFace };
    Kind kind = Kind::Fin;
    Eigen::Vector3d centre_m = Eigen::Vector3d::Zero();
    Eigen::Vector3d along = Eigen::Vector3d::UnitX();   ///< unit, from its root or leading edge
    Eigen::Vector3d normal = Eigen::Vector3d::UnitY();  ///< unit, across `along`
    double chord_m = 0.0;                               ///< along `along`
    double span_m = 0.0;                                ///< its area by its chord
    double thickness_m = 0.0;
    double aspectFactor = 1.0;
    double cupShare = 0.0;  ///< of a face: depth of its dish by the radius it reaches
    bool operator==(const TowedSurface&) const = default;
};

/// Force and moment about the origin of the body frame (r x F by components).
struct Wrench {
    Eigen::Vector3d force_N = Eigen::Vector3d::Zero();
    Eigen::Vector3d moment_N_m = Eigen::Vector3d::Zero();
};

/// Aspect ratios the slope is held to.
inline constexpr double kLeastFinAspect = 0.2;
inline constexpr double kMostFinAspect = 4.0;

/// Slope of a plate's normal force over incidence, per radian: Helmbold 1942, 2 pi A / (2 +
/// sqrt(A^2 + 4)) (recalled), A within the limits above.
double finSlope(double aspect, const Model& model = {});

/// What the water does to a surface of a bait moving at `velocity_m_s` over the water and turning
/// at `turning_rad_s` (a place r moves at velocity + turning x r, by components). At three levels
/// of the span, a third of the area each, -1/2 rho A/3 (a Vt w + Cn |w| w) along the normal, w the
/// normal part of the speed there, Vt the speed along the plate in its middle (Helmbold's slope and
/// Polhamus' split; broadside drag: Hoerner; both recalled). It acts a quarter of the chord behind
/// the leading edge in line, half of it broadside (judged). Along the chord friction and the drag
/// of a square edge. Bristles are a fin of less slope, a lump drags, a face across the flow drags
/// by its area and what its cup adds, or by the suction behind it: rules, not calculation.
Wrench surfaceLoads(const TowedSurface& surface, const Eigen::Vector3d& velocity_m_s,
                    const Eigen::Vector3d& turning_rad_s, double waterDensity_kg_m3,
                    const Model& model = {});

}  // namespace wl
