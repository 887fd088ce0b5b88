// The side of a bait as its finish colours it.
#pragma once

#include <QWidget>

#include "app/kit/workbench.h"

namespace wl {

/// Flat colours, coat over coat in the order they are seen, each on its place and in its pattern
/// over the share it covers. A coat without a swatch shows nothing.
class FinishView : public QWidget {
    Q_OBJECT
  public:
    explicit FinishView(Workbench& bench, QWidget* parent = nullptr);
    QSize sizeHint() const override { return {400, 130}; }

  protected:
    void paintEvent(QPaintEvent* event) override;

  private:
    Workbench& bench_;
};

}  // namespace wl
