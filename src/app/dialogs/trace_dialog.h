// A photograph or scan traced into stations.
#pragma once

#include <QCheckBox>
#include <QDialog>
#include <QLabel>
#include <QLineEdit>
#include <QPushButton>
#include <QSet>

#include "app/dialogs/trace_canvas.h"
#include "app/kit/workbench.h"
#include "app/views/trace_picture.h"

namespace wl {

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
    QPushButton* named_;  ///< opens the picture the design names, once asked to
    QCheckBox* keep_;
    QString path_;
    QByteArray bytes_;
};

}  // namespace wl
