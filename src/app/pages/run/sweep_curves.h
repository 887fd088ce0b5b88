// Depth, attitude and pull over one field, each with its curve of before.
#pragma once

#include <qcustomplot.h>

#include <QWidget>
#include <array>
#include <string>
#include <vector>

#include "app/kit/workbench.h"
#include "core/reckon/what_if.h"

namespace wl {

/// Three plots over the same field, the deepest point on top.
class SweepCurves : public QWidget {
    Q_OBJECT
  public:
    explicit SweepCurves(Workbench& bench, QWidget* parent = nullptr);
    /// The curves of a sweep of the field at `path`, dashed those last shown of the same field.
    void show(const std::string& path, const std::vector<SweptPoint>& points);
    /// No curve of before the next time: the bait has left the range.
    void forget() { ghostPath_.clear(); }

  private:
    /// A quantity over the field.
    struct Curve {
        QCustomPlot* plot = nullptr;
        QVector<double> x, y;  ///< as last shown
    };
    void draw(Curve& curve, const QString& across, const QString& title, Quantity quantity,
              const std::vector<SweptPoint>& points, std::optional<double> SweptPoint::*value);
    void markNow(QCustomPlot& plot) const;

    Workbench& bench_;
    std::array<Curve, 3> curves_;
    std::string path_, ghostPath_;
    Quantity across_ = Quantity::Number;
};

}  // namespace wl
