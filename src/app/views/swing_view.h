// The chain seen from above, its pieces swung about their pins by hand.
#pragma once

#include <QWidget>
#include <vector>

#include "app/kit/workbench.h"
#include "core/draw/draw_swung.h"

namespace wl {

/// Each piece behind a joint is dragged by its own body, or chosen with [ and ] and swung with Left
/// and Right (Shift: ten degrees); it stops where the joint stops it, and the angle, what touches
/// and the clearance left are read out. Swings are a trial of the hand, not part of the design.
class SwingView : public QWidget {
    Q_OBJECT
  public:
    SwingView(Bait& bait, Workbench& bench, QWidget* parent = nullptr);

    /// Swing of each joint now, radians, tail to port positive.
    const std::vector<double>& swings() const { return swings_; }
    /// Place on the widget of the middle of a piece (0 is the head).
    QPointF pieceMiddle(int piece) const;
    QString readout() const;

    QSize minimumSizeHint() const override { return {320, 180}; }

  protected:
    void paintEvent(QPaintEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;
    void mouseReleaseEvent(QMouseEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;

  private:
    std::vector<SwungPiece> pieces() const;
    QPointF onPaper(const Eigen::Vector2d& mm) const;
    QPointF place(const SwungPiece& piece, double x, double y) const;
    void swingTo(int joint, double angle);
    void frame(const Drawing& drawing);
    void paintMarks(QPainter& painter) const;
    void paintSidePieces(QPainter& painter) const;

    Bait& bait_;
    Workbench& bench_;
    ResultsPtr shown_;
    std::vector<double> swings_;
    double scale_ = 4;  // pixels to a millimetre
    QPointF nose_;
    int dragged_ = -1;
    int chosen_ = 0;
};

}  // namespace wl
