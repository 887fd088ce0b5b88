// A photograph of a floating bait, marked and read.
#pragma once

#include <QDialog>
#include <QImage>
#include <array>

#include "app/kit/workbench.h"
#include "core/forecast/float_photo.h"

class QComboBox;
class QLabel;
class QPushButton;

namespace wl {

class AmountField;

/// The picture with its marks: a click sets the next of the chosen pair, a drag moves one, arrows
/// move the last set (Shift finer), Delete takes it away.
class MarkCanvas : public QWidget {
    Q_OBJECT
  public:
    enum class Pair { Scale, Water, Axis, Back };
    explicit MarkCanvas(QImage picture, QWidget* parent = nullptr);

    void setPair(Pair pair);
    const std::vector<PicturePoint>& marks(Pair pair) const { return marks_[size_t(pair)]; }
    void setMarks(Pair pair, std::vector<PicturePoint> marks);
    QPointF toPaper(const PicturePoint& point) const;
    int pictureWidth() const { return picture_.width(); }

  signals:
    void marked();

  protected:
    void paintEvent(QPaintEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;
    void mouseReleaseEvent(QMouseEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;
    QSize sizeHint() const override { return {760, 430}; }
    QSize minimumSizeHint() const override { return {300, 160}; }

  private:
    size_t most() const { return pair_ == Pair::Back ? 1 : 2; }
    PicturePoint fromPaper(const QPointF& at) const;
    QRectF pictureBox() const;
    QImage picture_;
    std::array<std::vector<PicturePoint>, 4> marks_;
    Pair pair_ = Pair::Scale;
    int dragged_ = -1;
};

class FloatPhotoDialog : public QDialog {
    Q_OBJECT
  public:
    FloatPhotoDialog(Workbench& bench, QImage picture, QWidget* parent = nullptr);
    MarkCanvas& canvas() { return *canvas_; }
    /// What was read when it was accepted.
    const std::optional<FloatSeen>& seen() const { return seen_; }
    bool fromAhead() const;

  private:
    void read();

    Workbench& bench_;
    MarkCanvas* canvas_;
    QComboBox* view_;
    QComboBox* pair_;
    AmountField* length_;
    QLabel* words_;
    QPushButton* take_;
    std::optional<FloatSeen> seen_;
};

/// Reads a picture as it is meant to stand, within what a screen can show; null when it is none.
QImage loadPicture(const QString& path);

}  // namespace wl
