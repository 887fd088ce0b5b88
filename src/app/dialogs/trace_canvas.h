// The picture being traced, with its scale, axis and outline points.
#pragma once

#include <QImage>
#include <QWidget>
#include <vector>

#include "core/design/design.h"

namespace wl {

/// The picture with what was set on it. Clicks add to the chosen list, drags move the nearest
/// point, Delete takes the last one away. Points may be given and moved by key: arrows move the
/// last point by a two-hundredth of the picture, Shift ten times finer.
class TraceCanvas : public QWidget {
    Q_OBJECT
  public:
    enum class Tool { Scale, Axis, Back, Belly };
    TraceCanvas(QImage picture, Trace trace, QWidget* parent = nullptr);

    const Trace& trace() const { return trace_; }
    void setTrace(Trace trace);
    void setTool(Tool tool);
    Tool tool() const { return tool_; }
    QPointF toPaper(const PicturePoint& point) const;

  signals:
    void traced();

  protected:
    void paintEvent(QPaintEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;
    void mouseReleaseEvent(QMouseEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;
    QSize sizeHint() const override { return {820, 420}; }
    QSize minimumSizeHint() const override { return {300, 160}; }

  private:
    std::vector<PicturePoint>& list();
    PicturePoint fromPaper(const QPointF& at) const;
    QRectF pictureBox() const;
    QImage picture_;
    Trace trace_;
    Tool tool_ = Tool::Scale;
    int dragged_ = -1;
};

}  // namespace wl
