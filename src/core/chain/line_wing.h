// The panels of a bait drawn by the line law and what each does to the others. Internal to the
// room.
#pragma once

#include <vector>

#include <Eigen/Core>

#include "core/chain/planar_chain.h"

namespace wl {

/// One panel of a piece; lengths by that of the bait.
struct WingPanel {
    Eigen::Index piece = 0;
    double lump = 0, match = 0, middle = 0;  ///< from the piece's front pin
    double from = 0;                         ///< of the pin from the nose
    double dx = 0, depth = 0, matchDepth = 0, mass = 0, thick = 0;
};

/// What does not change through a run.
struct Wing {
    std::vector<WingPanel> panels;
    Eigen::VectorXd lengths;  ///< of the pieces
    Eigen::MatrixXd solve;    ///< circulation of the lumps by cross flow at the places of matching
    Eigen::MatrixXd wake;     ///< cross flow there by each lump of the wake
    Eigen::VectorXd newest;   ///< by the one just shed
    Eigen::VectorXd apart;    ///< between neighbouring lumps
    double step = 0;          ///< of time, by that a length takes
};

/// Panels about equal, five at least to a piece; `hand`: share of momentum handed on at a joint.
Wing makeWing(const PlanarBait& bait, double hand, int count);

}  // namespace wl
