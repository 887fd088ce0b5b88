// A bait in the air: what it is made of for its flight, and the air's work on it.
#pragma once

#include <array>
#include <vector>

#include "core/reckon/derived.h"

namespace wl {

/// The plane a bait flies and turns in: its side view (thrown over the head) or its plan (thrown
/// from the side, where breadths become heights and the lip is edge-on).
enum class FlightPlane { Side, Plan };

/// A line off a reel.
struct CastLine {
    double massPerMetre_kg_m = 0.0;
    double diameter_m = 0.0003;
    double restPull_N =
        0.03;  ///< at any speed: the rub of a fixed spool, the brake of a turning one
    double momentumShare = 1.5;  ///< of mu v^2; 1 is the line's own, the rest rubs in the guides
};

/// The bait, in one plane. Lengths aft of the nose, heights up (or to port, in plan).
struct AirBait {
    static constexpr int kStrips = 12;
    struct Strip {
        double at_m = 0.0;
        double area_m2 = 0.0;  ///< seen across the flow
    };
    struct Drag {
        Eigen::Vector2d place_m = Eigen::Vector2d::Zero();
        double area_m2 = 0.0;
    };
    struct Lip {
        Eigen::Vector2d root_m = Eigen::Vector2d::Zero();
        Eigen::Vector2d along = Eigen::Vector2d::UnitX();
        double chord_m = 0.0;
        double area_m2 = 0.0;
        double edge_m2 = 0.0;  ///< friction and edge, along it
        double angle_rad = 0.0;
        double pressure = 0.0, pressureShift = 0.0;  ///< Model's lipPressure, lipPressureShift
        double flatDrag_m2 = 0.0;                    ///< in plan, where it only drags
        std::array<double, 181> normal{};            ///< coefficient each half degree of incidence
    };
    FlightPlane plane = FlightPlane::Side;
    double length_m = 0.0;
    double mass_kg = 0.0;
    double inertia_kg_m2 = 0.0;
    Eigen::Vector2d centre_m = Eigen::Vector2d::Zero();  ///< of gravity
    double middle_m = 0.0;                               ///< centroid of the volume, aft
    double planCentroid_m = 0.0;
    std::array<Strip, kStrips> strips;
    double crossDrag = 0.0;   ///< finite-length factor times the section's drag
    double munk_m3 = 0.0;     ///< (k_across - k_along) V
    double frontal_m2 = 0.0;  ///< pi/4 width height
    double slender_m2 = 0.0;  ///< pi/4 breadth^2
    double bareLift_m2 = 0.0;
    double axial_m2 = 0.0;
    double axialHeight_m = 0.0;
    std::optional<Lip> lip;
    std::vector<Drag> hooks;
    std::vector<TowedSurface> surfaces;
    Eigen::Vector2d tie_m = Eigen::Vector2d::Zero();
};

/// From what is known of a bait. Jointed baits are flown stretched, as drawn: see throws.h.
AirBait airBait(const Derived& derived, FlightPlane plane);

/// The line of a brief and what its reel takes.
CastLine castLine(const Derived& derived);

/// Force (down range, up) and moment about the centre of gravity, positive nose up.
struct AirLoads {
    Eigen::Vector2d force_N = Eigen::Vector2d::Zero();
    double moment_N_m = 0.0;
};

/// The air's work, by the model's "cast" coefficients, on a bait moving at `velocity_m_s` (down
/// range, up) over the air, at `pitch_rad` (nose over the level), turning at `turn_rad_s` (nose
/// up). Every part feels its own speed, so turning is damped. Sources of the terms: docs/theory.md.
AirLoads airLoads(const AirBait& bait, const Model& model, const Eigen::Vector2d& velocity_m_s,
                  double pitch_rad, double turn_rad_s);
/// The same, the nose's heading given by its parts (down range, up), of length one.
AirLoads airLoads(const AirBait& bait, const Model& model, const Eigen::Vector2d& velocity_m_s,
                  const Eigen::Vector2d& heading, double turn_rad_s);

/// Density of air taken, kg/m3, and its kinematic viscosity, m2/s, at 20 degrees at the sea.
inline constexpr double kAirDensity_kg_m3 = 1.2;
inline constexpr double kAirViscosity_m2_s = 1.5e-5;

}  // namespace wl
