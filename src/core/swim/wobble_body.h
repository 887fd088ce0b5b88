// A towed bait as the wobble's equations see it.
#pragma once

#include <optional>
#include <vector>

#include <Eigen/Core>

#include "core/motion/surface_loads.h"

namespace wl {

using Vector6 = Eigen::Matrix<double, 6, 1>;
using Matrix6 = Eigen::Matrix<double, 6, 6>;

/// The frame of swimming is right-handed: x forward, y starboard, z down, from mid-length on the
/// axis. A place of the body frame (x aft from the nose, y port, z up: left-handed) is turned over
/// in all three; forces and velocities change sign with it, moments and rates keep their
/// components (the cross product of two vectors turned over is the same), so do roll, pitch and
/// tensors of inertia. Yaw here is positive nose to starboard, in the body frame nose to port.
Eigen::Vector3d toSwim(const Eigen::Vector3d& bodyPlace_m, double length_m);
Eigen::Vector3d toSwimVector(const Eigen::Vector3d& bodyVector);

/// A slice of the hull.
struct WobbleStrip {
    double x_m = 0.0;  ///< its middle, forward of mid-length
    double dx_m = 0.0;
    double height_m = 0.0;  ///< back to belly
    double width_m = 0.0;
    double area_m2 = 0.0;
    double middle_m = 0.0;  ///< of back and belly, down from the axis
};

/// The plate the wake is shed from: a lip, a sloped nose face, or the back between tie and nose of
/// a bait without either.
struct WobblePlate {
    Eigen::Vector3d root_m = Eigen::Vector3d::Zero();
    Eigen::Vector3d along = Eigen::Vector3d::UnitX();   ///< root to tip
    Eigen::Vector3d across = Eigen::Vector3d::UnitY();  ///< to starboard
    Eigen::Vector3d normal = -Eigen::Vector3d::UnitZ();
    double chord_m = 0.0;
    double span_m = 0.0;      ///< area by chord
    double centroid_m = 0.0;  ///< of its area, along it
    double loadShare = 1.0;
    bool oneSided = false;  ///< the water loads the side of its normal alone
    bool isLip = true;      ///< moves water of its own, and sheds from its root
    Eigen::Vector3d centre_m() const { return root_m + centroid_m * along; }
    double area_m2() const { return chord_m * span_m; }
};

/// A hook or ring that trails: drag area at the place it hangs from.
struct WobbleDrag {
    Eigen::Vector3d place_m = Eigen::Vector3d::Zero();
    double area_m2 = 0.0;
};

/// Water held in a cupped end face.
struct WobbleCup {
    Eigen::Vector3d place_m = Eigen::Vector3d::Zero();
    double mass_kg = 0.0;
};

/// All that swims, in the frame of swimming.
struct WobbleBody {
    double length_m = 0.0;
    double height_m = 0.0;    ///< greatest
    double width_m = 0.0;     ///< greatest
    double squareness = 0.0;  ///< 0 elliptic sections, 1 boxes
    double greatestAt = 0.5;  ///< place of the greatest section, share of the length from the nose
    std::vector<WobbleStrip> strips;  ///< from the nose, of equal length
    double mass_kg = 0.0;
    Eigen::Vector3d centreOfGravity_m = Eigen::Vector3d::Zero();
    Eigen::Matrix3d inertia_kg_m2 = Eigen::Matrix3d::Zero();  ///< about the centre of gravity
    double volume_m3 = 0.0;                                   ///< displaced
    Eigen::Vector3d centreOfBuoyancy_m = Eigen::Vector3d::Zero();
    std::vector<WobbleDrag> drags;
    std::vector<WobbleCup> cups;
    std::optional<WobblePlate> plate;
    std::vector<TowedSurface> fins;  ///< in this frame
    Eigen::Vector3d tie_m = Eigen::Vector3d::Zero();
    double lineLength_m = 15.0;     ///< bait to rod tip
    double lineMass_kg_m = 1.6e-4;  ///< with the water it moves
    double waterDensity_kg_m3 = 998.0;
    double gravity_m_s2 = 9.81;

    double rollStiffness_N_m() const;  ///< per radian, at rest: weight and lift, W z_G - B z_B
};

/// Water that moves with a hull, and where it leaves it.
struct WobbleHull {
    Matrix6 carried = Matrix6::Zero();      ///< rigid and hull's water: in the Kirchhoff terms
    Matrix6 accelerated = Matrix6::Zero();  ///< with the water of lip and fins
    std::vector<double> sway;               ///< a22 of each strip, kg/m
    std::vector<double> heave;              ///< a33
    double sectionLift = 1.1;               ///< a_s, edge-on lift of a section, per radian
    double sectionLiftUp = 1.1;             ///< a_z
    double sectionCouple = 1.0;     ///< mu: share of the ideal couple of a section that is there
    double swayOverHeave_kg = 0.0;  ///< A22 - A33
    // Afterbody: where the flow leaves it, and what moves ahead of there.
    double leftY_m = 0.0, leftZ_m = 0.0;               ///< x_T
    double leftSway_kg_m = 0.0, leftHeave_kg_m = 0.0;  ///< m_T
    double leftRoll_kg_m = 0.0;                        ///< a44 there
    double aftSway_kg = 0.0, aftSwayX_kg_m = 0.0;      ///< of a22 aft of there, and its moment
    double aftHeave_kg = 0.0, aftHeaveX_kg_m = 0.0;
};

/// Strips with the ellipsoid's three-dimensional factor (Lamb 1932, art. 114; Munk), slender-body
/// theory aft (Jones 1946, NACA TR 835; Hopkins 1951, NACA RM A51C14); all recalled.
WobbleHull measureHull(const WobbleBody& body, const Model& model = {});

/// Normal added mass of a rectangular plate (Patton 1965, Blevins 1979, recalled), kg.
double plateAddedMass_kg(double side_m, double otherSide_m, double waterDensity_kg_m3);

/// Slope of a plate's or section's normal force at low aspect: 2 pi A / (2 + sqrt(A^2 + 4)).
double lowAspectSlope(double aspect);

}  // namespace wl
