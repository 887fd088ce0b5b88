// Wire, stems and rattles drawn inside a bait.
#pragma once

#include "app/views/bait_painter.h"

namespace wl {

/// Chambers with their balls at the low end along `down`.
void paintChambers(QPainter& painter, const Design& design, const Derived& derived, TankView view,
                   const Projection& project, double pixelsPerMetre, const Eigen::Vector3d& down,
                   const Inks& inks);
/// The through-wire with its bends marked, and the stems of eyes.
void paintWire(QPainter& painter, const Design& design, const Derived& derived,
               const Projection& project, double pixelsPerMetre, const Inks& inks);

}  // namespace wl
