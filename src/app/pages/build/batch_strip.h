// A batch over the days, bait by bait.
#pragma once

#include <QWidget>

#include "core/making/schedule.h"

namespace wl {

/// A row for each bait: work as solid bars, drying as hatched ones behind them, days ruled off and
/// named, now marked. Times in seconds since 1970.
class BatchStrip : public QWidget {
    Q_OBJECT
  public:
    explicit BatchStrip(QWidget* parent = nullptr);
    /// `mould`: tasks of the bait after the last are of the mould, shown first.
    void setSchedule(const Schedule& schedule, size_t baits, bool mould, double now_s);
    QSize sizeHint() const override;

  protected:
    void paintEvent(QPaintEvent* event) override;

  private:
    Schedule schedule_;
    size_t baits_ = 0;
    bool mould_ = false;
    double now_s_ = 0.0;
};

}  // namespace wl
