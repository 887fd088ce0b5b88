// The retrieve seen from the side, to scale, with the bottom of the water in it.
#pragma once

#include <QWidget>

#include "app/kit/workbench.h"
#include "core/learn/factor_told.h"

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
    /// As the log makes them, where it teaches the depth of the bait on the bench.
    std::optional<FactorBand> taught() const;
    Run seen(const Run& run) const;
    /// What stands dashed, by what the log teaches of that.
    Run seenDashed() const;

    Bait& bait_;
    Workbench& bench_;
    ResultsPtr shown_;  ///< last results with a run
};

}  // namespace wl
