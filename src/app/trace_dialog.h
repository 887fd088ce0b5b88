// A photograph or scan traced into stations.
#pragma once

#include <QCheckBox>
#include <QDialog>
#include <QImage>
#include <QLabel>
#include <QLineEdit>

#include "app/workbench.h"

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

class TraceDialog : public QDialog {
    Q_OBJECT
  public:
    TraceDialog(Workbench& bench, QWidget* parent = nullptr);
    /// Loads a picture file; false (and a message) when it is no picture.
    bool loadPicture(const QString& path);
    TraceCanvas* canvas() { return canvas_; }
    QString message() const { return message_->text(); }
    /// Makes stations of what was traced and keeps the trace with the design: one undo step.
    bool take();

  private:
    void showCanvas(QImage picture, Trace trace);
    void refresh();
    Workbench& bench_;
    TraceCanvas* canvas_ = nullptr;
    QWidget* holder_;
    QLabel* message_;
    QLineEdit* known_;
    QCheckBox* keep_;
    QString path_;
    QByteArray bytes_;
};

/// The design's picture: kept with it, or read again from where it was.
QImage tracePicture(const Trace& trace);

}  // namespace wl
