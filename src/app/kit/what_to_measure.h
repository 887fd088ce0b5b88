// A drawing for an empty list: the bait with one such thing in it and what of it is measured.
#pragma once

#include <QWidget>
#include <vector>

#include "app/kit/workbench.h"

namespace wl {

/// One stroke of it. Places are shares: along the bait from the nose tip, and up from belly (0) to
/// back (1) of its tallest section; outside of 0 to 1 they stand beside the bait.
struct MeasureStroke {
    enum class Kind { Hole, Ball, Line, Measure };
    Kind kind = Kind::Hole;
    QPointF from, to;  ///< corners of a hole or of a ball's box, ends of a line or measure
    QString words;     ///< of a measure, level or upright
};

/// Draws them over the outline of the bait in hand, small, from the side.
class WhatToMeasure : public QWidget {
    Q_OBJECT
  public:
    WhatToMeasure(Workbench& bench, std::vector<MeasureStroke> strokes, QWidget* parent = nullptr);

  protected:
    void paintEvent(QPaintEvent*) override;

  private:
    void paintMeasure(QPainter& painter, QPointF from, QPointF to, const QString& words) const;
    Workbench& bench_;
    std::vector<MeasureStroke> strokes_;
};

}  // namespace wl
