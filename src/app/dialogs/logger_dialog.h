// A depth logger's table, its columns told once, and the casts in it.
#pragma once

#include <QDialog>

#include "app/kit/workbench.h"
#include "io/depth_trace.h"

class QComboBox;
class QCustomPlot;
class QLabel;
class QPushButton;

namespace wl {

/// Which columns are time and depth is kept for the next time.
class LoggerDialog : public QDialog {
    Q_OBJECT
  public:
    LoggerDialog(Workbench& bench, std::string text, QWidget* parent = nullptr);
    /// The middle of the casts' deepest places, when it was accepted.
    std::optional<double> depth_m() const { return depth_m_; }
    size_t casts() const { return casts_; }

  private:
    void read();

    Workbench& bench_;
    std::string text_;
    QComboBox *time_, *timeIn_, *depth_, *depthIn_;
    QCustomPlot* plot_;
    QLabel* words_;
    QPushButton* take_;
    std::optional<double> depth_m_;
    size_t casts_ = 0;
};

}  // namespace wl
