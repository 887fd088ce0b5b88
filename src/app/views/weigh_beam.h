// What pulls down against what pushes up, as two stacked bars.
#pragma once

#include <QWidget>

#include "app/kit/workbench.h"

namespace wl {

class WeighBeam : public QWidget {
    Q_OBJECT
  public:
    explicit WeighBeam(Workbench& bench, QWidget* parent = nullptr);
    QSize minimumSizeHint() const override { return {250, 230}; }

  protected:
    void paintEvent(QPaintEvent* event) override;

  private:
    Workbench& bench_;
};

}  // namespace wl
