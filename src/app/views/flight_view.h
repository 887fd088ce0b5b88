// A cast from the side, to scale: the way of the bait, and how it lies to it.
#pragma once

#include <QWidget>
#include <optional>

#include "app/kit/workbench.h"
#include "core/cast/throws.h"

namespace wl {

/// Draws the middle throw of a cast, the band of its distance, and the one before the last edit.
/// The bait itself is drawn larger than it is, at a few places, its nose marked.
class FlightView : public QWidget {
    Q_OBJECT
  public:
    explicit FlightView(Workbench& bench, QWidget* parent = nullptr);
    void show(const Cast& cast);
    /// Nothing to draw, and why.
    void showNothing(const QString& why);
    QSize sizeHint() const override { return {360, 170}; }

  protected:
    void paintEvent(QPaintEvent* event) override;

  private:
    Workbench& bench_;
    std::optional<Cast> cast_;
    std::optional<Cast> before_;
    QString why_;
};

}  // namespace wl
