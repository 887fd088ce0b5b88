// Hooks, rings, eyes, fins and tails drawn on a bait.
#pragma once

#include "app/views/bait_painter.h"

namespace wl {

/// Every fitting at its place; hooks and rings hang along `down`, a unit vector in the body frame.
void paintFittings(QPainter& painter, const Design& design, TankView view,
                   const Projection& project, double pixelsPerMetre, const Eigen::Vector3d& down,
                   const Inks& inks);

}  // namespace wl
