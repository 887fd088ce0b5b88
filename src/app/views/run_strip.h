// The retrieve seen from the side, to scale, with the bottom of the water in it.
#pragma once

#include <QWidget>

#include "app/kit/workbench.h"

namespace wl {

class RunStrip : public QWidget {
    Q_OBJECT
  public:
    RunStrip(Bait& bait, Workbench& bench, QWidget* parent = nullptr);
    QSize minimumSizeHint() const override { return {320, 110}; }

    /// Headline of the strip, as drawn.
    QString headline() const;

  protected:
    void paintEvent(QPaintEvent* event) override;

  private:
    Bait& bait_;
    Workbench& bench_;
    ResultsPtr shown_;  ///< last results with a run
};

}  // namespace wl
