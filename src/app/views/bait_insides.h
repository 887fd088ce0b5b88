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

/// Places of the bait as a polygon on the paper.
QPolygonF onPaper(const std::vector<Eigen::Vector3d>& places, const Projection& project);

/// A tool as the view shows it, with the pen and brush that are set.
void paintTool(QPainter& painter, const CutTool& tool, TankView view, const Projection& project);

/// Weights from the side and cavities in sheets, with what lies in them.
void paintOutlined(QPainter& painter, const Design& design, const Derived& derived, TankView view,
                   const Projection& project, const Inks& inks);

/// Putty and drips: half an ellipsoid standing on the skin.
void paintBuildUps(QPainter& painter, const Design& design, const Derived& derived, TankView view,
                   const Projection& project, double pixelsPerMetre, const Inks& inks);

}  // namespace wl
