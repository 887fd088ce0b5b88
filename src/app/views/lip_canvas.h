// The lip laid flat, with the corners of a free outline to be drawn.
#pragma once

#include <QWidget>

#include "app/kit/workbench.h"

namespace wl {

/// The lip beside the body's width, its holes and tie marked. The corners of a free outline are
/// dragged on either edge, a double click on the edge sets a new one; [ and ] choose a corner,
/// arrows move it by a bench step, Insert adds one after it, Delete takes it away.
class LipCanvas : public QWidget {
    Q_OBJECT
  public:
    explicit LipCanvas(Workbench& bench, QWidget* parent = nullptr);
    QSize sizeHint() const override { return {300, 260}; }
    /// Where a corner of the free outline is drawn, on the edge to starboard.
    QPointF corner(int index) const;

  protected:
    void paintEvent(QPaintEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;
    void mouseReleaseEvent(QMouseEvent* event) override;
    void mouseDoubleClickEvent(QMouseEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;
    void focusInEvent(QFocusEvent* event) override;

  private:
    /// The sheet on the widget: its root, and pixels a metre.
    struct Scale {
        QPointF root;
        double perMetre = 1.0;
    };
    const Lip& lip() const { return bench_.design().lip; }
    std::vector<Eigen::Vector2d> corners() const;
    Scale scale() const;
    int cornerAt(const QPointF& at) const;
    Eigen::Vector2d sheetPlace(const QPointF& at) const;
    void take(std::vector<Eigen::Vector2d> corners, const QString& gesture = {});
    void moveTo(int index, Eigen::Vector2d place);
    void addAfter(int index, const Eigen::Vector2d& place);
    void describe();
    void paintCorners(QPainter& painter) const;

    Workbench& bench_;
    int chosen_ = 0;
    bool dragging_ = false;
    Scale held_;  ///< while a corner is dragged, so that the sheet does not flee the hand
};

}  // namespace wl
