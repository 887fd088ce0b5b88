// A bait in pieces moving in the plane: Kirchhoff's loads of an ideal fluid on every piece, pins
// between them, shedding, cross-flow and axial drag, a line that only pulls. Equations: Kanso,
// Marsden, Rowley & Melli-Huber 2005 (chains in an ideal fluid), Lighthill 1971; stops: Hunt &
// Crossley 1975; all from memory. Headings are seen from above, nose to port positive, x ahead.
#pragma once

#include <Eigen/Core>

#include "core/chain/planar_chain.h"

namespace wl {

/// Nose, then headings; the same again in time: (X, Y, psi_1 ..., X', Y', psi_1' ...).
using ChainState = Eigen::Matrix<double, Eigen::Dynamic, 1, 0, 2 * (kMostChainPieces + 2), 1>;

/// The line at a moment.
struct ChainLine {
    bool pulls = false;
    Eigen::Vector2d rod_m = Eigen::Vector2d::Zero();
    double out_m = 0.0;  ///< between rod and tie when it just pulls
    double shortens_m_s = 0.0;
    double spring_N_m = 100.0;
    double damping_N_s_m = 3.0;
};

/// Accelerations of the nose and the headings.
Eigen::VectorXd chainAcceleration(const PlanarChain& chain, const ChainState& state,
                                  const ChainLine& line);

/// What line pulls with, N; 0 when slack.
double linePull_N(const PlanarChain& chain, const ChainState& state, const ChainLine& line);

/// One step of the classical Runge-Kutta method, the line drawn in within it.
void stepChain(const PlanarChain& chain, const ChainLine& line, double step_s, ChainState& state);

/// Energy and momentum of bait and fluid where nothing sheds or drags: for tests.
double chainEnergy_J(const PlanarChain& chain, const ChainState& state);

/// A bait at rest or under way with its nose at the origin: headings of its pieces and speed ahead.
ChainState chainAt(const PlanarChain& chain, const std::vector<double>& headings_rad,
                   double speed_m_s);

/// Place of a point of the chain, by its length aft of the nose along the straight bait.
Eigen::Vector2d chainPlace(const PlanarChain& chain, const ChainState& state, double aft_m);

}  // namespace wl
