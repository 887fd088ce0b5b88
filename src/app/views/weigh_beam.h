// What pulls down against what pushes up, as two stacked bars.
#pragma once

#include <QWidget>

#include "app/kit/workbench.h"

namespace wl {

class WeighBeam : public QWidget {
    Q_OBJECT
  public:
    WeighBeam(Bait& bait, Workbench& bench, QWidget* parent = nullptr);
    QSize minimumSizeHint() const override { return {250, 230}; }

  protected:
    void paintEvent(QPaintEvent* event) override;

  private:
    Bait& bait_;
    Workbench& bench_;
};

}  // namespace wl
