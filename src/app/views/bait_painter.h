// Draws a bait as a drafting sheet would: outline, holes and lead, lip, fittings, marks. Shared by
// the tank on screen and the printed sheet.
#pragma once

#include <QPainter>
#include <functional>

#include "app/kit/theme.h"
#include "core/reckon/evaluate.h"

namespace wl {

/// Which way the bait is looked at. Side: nose to the left. Top: nose to the left, port down.
/// Front: from ahead, port to the right. Solid and Swing are views of their own widgets.
enum class TankView { Side, Top, Front, Solid, Swing };

/// Maps body places (m) to the paper.
using Projection = std::function<QPointF(const Eigen::Vector3d&)>;

/// Draws the bait with its inner features. `pixelsPerMetre` sizes symbols; hooks hang along `down`,
/// a unit vector in the body frame.
void paintBait(QPainter& painter, const Design& design, const Derived& derived, TankView view,
               const Projection& project, double pixelsPerMetre, const Eigen::Vector3d& down,
               const Inks& inks);

/// The quiet fill of a body made that way.
QColor stockColour(MakeKind kind, const Inks& inks);

/// Quartered disc of the centre of gravity; ring with a wave of the centre of buoyancy.
void paintCentreOfGravity(QPainter& painter, const QPointF& at, double radius, const QColor& ink);
void paintCentreOfBuoyancy(QPainter& painter, const QPointF& at, double radius, const QColor& ink);

/// Closed outlines of the pieces of the bare body, then of the appendages, in body places. Side:
/// the profile on the centre plane; top: the greatest breadth; front: the fullest section.
std::vector<std::vector<Eigen::Vector3d>> bodyOutlines(const Derived& derived, TankView view);

/// Width in pixels of lines inside the outline.
inline constexpr double kInner = 1.0;

/// A pen with round ends and joins.
inline QPen inkPen(const QColor& colour, double width, Qt::PenStyle style = Qt::SolidLine) {
    return QPen(colour, width, style, Qt::RoundCap, Qt::RoundJoin);
}

/// `share` of the second colour in the first.
QColor mixed(const QColor& a, const QColor& b, double share);

}  // namespace wl
