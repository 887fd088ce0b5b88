// A bait swimming: from above, from the side and from ahead, to scale, in its own time or slower.
#pragma once

#include "app/kit/workbench.h"
#include "app/views/played_view.h"
#include "core/draw/drawing.h"
#include "core/swim/swim.h"

namespace wl {

/// The motion last shown, looped; dashed a ghost: that of before, or another bait's.
class MotionView : public PlayedView {
    Q_OBJECT
  public:
    explicit MotionView(Workbench& bench, QWidget* parent = nullptr);
    /// Plays a swim by its steady swing; the states of a full motion, once there, take its place.
    void show(const ResultsPtr& results, const Swim& swim, std::vector<WobbleState> states,
              double step_s);
    void showNothing(const QString& why);
    /// Another bait for a ghost; nothing: no other.
    void setOther(std::shared_ptr<const Derived> derived, const Swim& swim);
    void setGhost(Ghost ghost);
    QSize sizeHint() const override { return {380, 260}; }

  protected:
    double loop_s() const override;
    void paintEvent(QPaintEvent* event) override;

  private:
    /// A bait, how it swims, and its drawing level, from above, from the side and from ahead.
    struct Swimmer {
        std::shared_ptr<const Derived> derived;
        Swim swim;
        Drawing above, side, ahead;
        bool isSeen() const { return derived && swim.sheds && !swim.untold; }
    };
    static Swimmer swimmer(std::shared_ptr<const Derived> derived, const Swim& swim);
    const Swimmer& ghost() const;
    /// (sideways, roll, yaw) at a share of a beat.
    static Eigen::Vector3d poseAt(const Swim& swim, double share);
    Eigen::Vector3d pose() const;
    /// How the level side is turned on the paper.
    static QTransform sideTurned(const Swim& swim, const Eigen::Vector3d& pose);
    /// Pixels a millimetre at which the three pictures of it fit their boxes, whatever its pose.
    static double scaleFor(const Swimmer& who, const QRectF& above, const QRectF& side,
                           const QRectF& ahead);
    void paint(QPainter& painter, const Swimmer& who, const Eigen::Vector3d& pose,
               const QRectF& above, const QRectF& side, const QRectF& ahead, double scale) const;

    Workbench& bench_;
    quint64 revision_ = 0;
    Swimmer now_, before_, other_, none_;
    Ghost ghost_ = Ghost::Before;
    std::vector<WobbleState> states_;
    double step_s_ = 0.0;
    QString why_;
};

}  // namespace wl
