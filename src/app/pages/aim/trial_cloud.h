// Every trial of an aim as a point, to be looked over and chosen from.
#pragma once

#include <optional>

#include "app/kit/plot.h"
#include "core/aim/aim.h"

namespace wl {

/// Depth across and swing up (where nothing swings, the chance); likelier trials are larger and
/// darker, the wished bands dashed, a ring round what is chosen. Clicking, dragging, Left and Right
/// choose a trial.
class TrialCloud : public QCustomPlot {
    Q_OBJECT
  public:
    explicit TrialCloud(Workbench& bench);

    /// The trials and bands to show, and the ring: round a trial, or where a way stands.
    void setTrials(const AimAnswer& answer, int trial, const AimWay* way);

  signals:
    void chosen(int trial);

  protected:
    void keyPressEvent(QKeyEvent* event) override;

  private:
    QPointF placeOf(const AimPoint& trial) const;
    std::optional<QPointF> ring() const;
    void drawAll();
    void drawTrials();
    void drawBand(const AimTarget& target);
    void chooseAt(const QPointF& pixel);
    void chooseBeside(int by);

    Workbench& bench_;
    std::vector<AimPoint> trials_;
    std::vector<AimTarget> targets_;
    bool swings_ = false;
    int trial_ = -1;
    std::optional<AimPoint> way_;
};

}  // namespace wl
