// How a drawn bait looks in the window.
#pragma once

#include <QPainter>

#include "app/kit/theme.h"
#include "core/draw/draw_bait.h"
#include "sheet/drawing_paint.h"

namespace wl {

/// Which way the bait is looked at. Side: nose to the left. Top: nose to the left, port down.
/// Front: from ahead, port to the right. Solid and Swing are views of their own widgets.
enum class TankView { Side, Top, Front, Solid, Swing };

/// The drawn view of a side, top or front.
DrawnView drawnView(TankView view);

/// The colours of the window on a body made that way.
DrawnStyle windowStyle(MakeKind kind, const Inks& inks);

/// The quiet fill of a body made that way.
QColor stockColour(MakeKind kind, const Inks& inks);

/// Quartered disc of the centre of gravity; ring with a wave of the centre of buoyancy.
void paintCentreOfGravity(QPainter& painter, const QPointF& at, double radius, const QColor& ink);
void paintCentreOfBuoyancy(QPainter& painter, const QPointF& at, double radius, const QColor& ink);

/// A pen with round ends and joins.
inline QPen inkPen(const QColor& colour, double width, Qt::PenStyle style = Qt::SolidLine) {
    return QPen(colour, width, style, Qt::RoundCap, Qt::RoundJoin);
}

/// `share` of the second colour in the first.
QColor mixed(const QColor& a, const QColor& b, double share);

}  // namespace wl
