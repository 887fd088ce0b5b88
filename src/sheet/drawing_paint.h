// Paints a drawing with Qt: on screen, on the bench sheet, into a picture file.
#pragma once

#include <QPainter>
#include <functional>

#include "core/draw/drawing.h"

namespace wl {

/// How the shapes of a drawing look. Sizes in the painter's units.
struct DrawnStyle {
    std::function<QPen(Stroke stroke, double barWidth)> pen;
    std::function<QBrush(Fill fill)> brush;
    /// Of a facet so lit; without it facets are left out.
    std::function<QColor(Fill fill, double light)> facet;
    /// Words with their middle at a place.
    std::function<void(QPainter& painter, const QPointF& at, const QString& words)> words;
    double mark = 1.0;  ///< radius of a tie's ring; other marks go by it
    /// Strokes of one to two units are laid arm by arm: on a screen a fifth of the time, and the
    /// same to the eye. On paper they are whole paths, as bars are everywhere.
    bool armByArm = false;
};

/// The drawing with its (0, 0) at `origin`, so many units of the painter to a millimetre. Shapes of
/// the body that touch are painted as one.
void paintDrawing(QPainter& painter, const Drawing& drawing, const QPointF& origin,
                  double unitsPerMm, const DrawnStyle& style);

/// A line through points arm by arm, for pens one or two pixels wide of an ink one does not see
/// through: a fifth of the time a stroke of the whole takes.
void drawArms(QPainter& painter, const QPolygonF& corners);

/// Lines in ink, mm to the unit, as a template is printed; words at 2.6 mm.
DrawnStyle benchStyle();

}  // namespace wl
