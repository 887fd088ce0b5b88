// Marks where two things let into a bait meet or a wall is thin: they blink until mended.
#pragma once

#include <QPainter>
#include <QTimer>
#include <QWidget>
#include <vector>

#include "session/evaluator.h"

namespace wl {

/// The marked places of a view. Blinks the view while there are any, and stands still when the
/// desktop asks for less motion.
class PlaceMarks {
  public:
    explicit PlaceMarks(QWidget& view);

    /// Takes the findings that have a place and are more than a note; whether they are others.
    bool take(const Results& results);
    const std::vector<Finding>& findings() const { return findings_; }
    static Eigen::Vector3d placeOf(const Finding& finding);
    bool isLit() const { return lit_; }
    void paint(QPainter& painter, const QPointF& at) const;

  private:
    QWidget& view_;
    QTimer blink_;
    bool lit_ = true;
    std::vector<Finding> findings_;
};

}  // namespace wl
