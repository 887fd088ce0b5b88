// A way of reeling in as a strip of bars: how fast, for how long.
#pragma once

#include <QWidget>

#include "app/kit/workbench.h"

namespace wl {

/// The parts of the brief's cadence in order, each as wide as it lasts and as high as it is fast; a
/// pause lies flat. The top of a bar is dragged for its speed, its right edge for its time; [ and ]
/// choose a part, Up and Down change its speed, Left and Right its time.
class CadenceStrip : public QWidget {
    Q_OBJECT
  public:
    explicit CadenceStrip(Workbench& bench, QWidget* parent = nullptr);
    QSize sizeHint() const override { return {320, 110}; }
    /// The bar of a part, in the widget's places.
    QRectF bar(int part) const;

  protected:
    void paintEvent(QPaintEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;
    void mouseReleaseEvent(QMouseEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;
    void focusInEvent(QFocusEvent* event) override;

  private:
    enum class Grip { None, Top, Edge };
    const std::vector<CadenceStep>& parts() const { return bench_.design().brief.cadence; }
    double fastest() const;
    double longest() const;
    Grip gripAt(const QPointF& at, int& part) const;
    void change(int part, double speed_m_s, double time_s);
    void describe();

    Workbench& bench_;
    int chosen_ = 0;
    Grip grip_ = Grip::None;
    /// What a pixel is worth while a grip is held, so that the bar does not flee the hand.
    double heldFastest_ = 0, heldLongest_ = 0;
};

}  // namespace wl
