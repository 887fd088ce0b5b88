// A cast from the side, to scale: the way of the bait, and how it lies to it.
#pragma once

#include <QWidget>
#include <optional>

#include "app/kit/workbench.h"
#include "core/cast/throws.h"
#include "core/draw/draw_bait.h"

namespace wl {

/// Draws the middle throw of a cast, the band of its distance, and the one before the last edit.
/// The bait itself is drawn larger than it is, at a few places.
class FlightView : public QWidget {
    Q_OBJECT
  public:
    explicit FlightView(Workbench& bench, QWidget* parent = nullptr);
    /// Of the bait so reckoned.
    void show(const Derived& derived, const Cast& cast);
    /// Nothing to draw, and why.
    void showNothing(const QString& why);
    QSize sizeHint() const override { return {360, 170}; }

  protected:
    void paintEvent(QPaintEvent* event) override;

  private:
    Workbench& bench_;
    Drawing bait_;
    MakeKind kind_ = MakeKind::Carved;
    double length_mm_ = 1.0;
    std::optional<Cast> cast_;
    std::optional<Cast> before_;
    QString why_;
};

}  // namespace wl
