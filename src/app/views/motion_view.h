// A bait swimming: from above, from the side and from ahead, to scale, in its own time or slower.
#pragma once

#include "app/kit/workbench.h"
#include "app/views/played_view.h"
#include "core/swim/swim.h"

namespace wl {

/// The motion last shown, looped; dashed that of before.
class MotionView : public PlayedView {
    Q_OBJECT
  public:
    explicit MotionView(Workbench& bench, QWidget* parent = nullptr);
    /// Plays a swim by its steady swing; the states of a full motion, once there, take its place.
    void show(const ResultsPtr& results, const Swim& swim, std::vector<WobbleState> states,
              double step_s);
    void showNothing(const QString& why);
    QSize sizeHint() const override { return {380, 260}; }

  protected:
    double loop_s() const override;
    void paintEvent(QPaintEvent* event) override;

  private:
    /// (sideways, roll, yaw) at a share of a beat.
    Eigen::Vector3d poseAt(const Swim& swim, double share) const;
    Eigen::Vector3d pose() const;
    void paintAbove(QPainter& painter, const Eigen::Vector3d& pose, const QRectF& box, double scale,
                    bool ghost) const;
    /// Outline and lip at the attitude of the tow, nose to the left, metres from mid-length.
    QPolygonF seenFromSide(const Swim& swim, const Eigen::Vector3d& pose) const;
    void paintSide(QPainter& painter, const Swim& swim, const Eigen::Vector3d& pose,
                   const QRectF& box, double scale, bool ghost) const;
    void paintAhead(QPainter& painter, const Eigen::Vector3d& pose, const QRectF& box, double scale,
                    bool ghost) const;

    Workbench& bench_;
    ResultsPtr results_;
    Swim swim_, before_;
    bool has_ = false, hasBefore_ = false;
    std::vector<WobbleState> states_;
    double step_s_ = 0.0;
    QString why_;
};

}  // namespace wl
