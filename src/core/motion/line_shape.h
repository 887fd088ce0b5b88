// The line between bait and rod tip: its shape under drag and weight.
#pragma once

#include <vector>

#include <Eigen/Core>

#include "core/design/design.h"
#include "core/model/model.h"

namespace wl {

/// A line in a water. strumming multiplies the normal drag (1 still, about 1.5 strumming).
/// Coefficients: Model's.
struct Line {
    double diameter_m = 0.0003;
    double density_kg_m3 = 1140.0;
    double waterDensity_kg_m3 = 998.0;
    double waterViscosity_m2_s = 1.0e-6;
    double tangentialDrag = Model{}.lineTangential;
    double strumming = Model{}.strumming;
    double normalFar = Model{}.lineNormal;  ///< drag across it far from rest
    double normalSlow = Model{}.lineSlow;   ///< what slowness adds
    double fixedNormalDrag = 0.0;           ///< over 0: used instead of White's curve (for checks)
    double leaderLength_m = 0.0;            ///< of other stuff next to the bait
    double leaderDiameter_m = 0.0003;
    double leaderDensity_kg_m3 = 1140.0;

    /// The leader as a line of its own, in the same water.
    Line leader() const;
    double submergedWeight_N_m() const;
    double airWeight_N_m() const;
    /// (far + slow Re^(-2/3)) times strumming (White, Viscous Fluid Flow, recalled: 1 and 10).
    double normalDrag(double normalSpeed_m_s) const;
};

/// Specific gravity of a line kind (typical, recalled): nylon 1.14, fluorocarbon 1.78, braid 0.97.
double lineDensity_kg_m3(LineKind kind);

/// Velocity of the line over the water, affine in the place: (towards the rod, down) in m/s at a
/// place (towards the rod, down) from the bait.
struct LineMotion {
    Eigen::Vector2d atBait_m_s = Eigen::Vector2d::Zero();
    Eigen::Matrix2d perMetre_1_s = Eigen::Matrix2d::Zero();
};

/// Where the line gets to: positions (towards the rod, down) from the bait, and the tension vector
/// (pulling on towards the rod) at the end.
struct LineEnd {
    Eigen::Vector2d place_m = Eigen::Vector2d::Zero();
    Eigen::Vector2d tension_N = Eigen::Vector2d::Zero();
    double inWater_m = 0.0;
};

/// Integrates d(T t)/ds = 1/2 rho d Cn |vn| vn + 1/2 rho pi d Ct |vt| vt t - w down from the bait
/// over `length_m` in `steps` fourth-order Runge-Kutta steps that grow along the line. At the
/// surface (down = -depth) it lands with short ones, and the rest hangs straight in air. A leader
/// takes its share of the steps, four at least. `trace`, when given, receives the points.
LineEnd integrateLine(const Line& line, double tension_N, double lineAngle_rad, double length_m,
                      double depth_m, int steps, const LineMotion& motion,
                      std::vector<Eigen::Vector2d>* trace = nullptr);

/// Depth of a bait trolled at a steady speed with `length_m` of line from a rod tip at `height_m`.
double trolledDepth_m(const Line& line, double tension_N, double lineAngle_rad, double speed_m_s,
                      double length_m, double height_m);

}  // namespace wl
