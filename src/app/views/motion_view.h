// A bait swimming: from above and from ahead, to scale, in its own time or slower.
#pragma once

#include <QElapsedTimer>
#include <QTimer>
#include <QWidget>

#include "app/kit/workbench.h"
#include "core/swim/swim.h"

namespace wl {

/// The motion last shown, looped; dashed that of before. Still where the desktop asks for no
/// movement, until it is played. Time is the loop's, 0 to 1.
class MotionView : public QWidget {
    Q_OBJECT
  public:
    explicit MotionView(Workbench& bench, QWidget* parent = nullptr);
    /// Plays a swim by its steady swing; the states of a full motion, once there, take its place.
    void show(const ResultsPtr& results, const Swim& swim, std::vector<WobbleState> states,
              double step_s);
    void showNothing(const QString& why);
    void setPlaying(bool on);
    bool isPlaying() const { return playing_; }
    /// Of its own time: 1, 1/4, 1/10.
    void setRate(double rate) { rate_ = rate; }
    void setTime(double share);
    double time() const { return time_; }
    QSize sizeHint() const override { return {380, 260}; }

  signals:
    void timeChanged(double share);
    void playingChanged(bool on);

  protected:
    void paintEvent(QPaintEvent* event) override;
    void showEvent(QShowEvent* event) override;
    void hideEvent(QHideEvent* event) override;

  private:
    /// (sideways, roll, yaw) at a share of a beat.
    Eigen::Vector3d poseAt(const Swim& swim, double share) const;
    Eigen::Vector3d pose() const;
    double loop_s() const;
    void tick();
    void paintAbove(QPainter& painter, const Eigen::Vector3d& pose, const QRectF& box, double scale,
                    bool ghost) const;
    void paintAhead(QPainter& painter, const Eigen::Vector3d& pose, const QRectF& box, double scale,
                    bool ghost) const;

    Workbench& bench_;
    ResultsPtr results_;
    Swim swim_, before_;
    bool has_ = false, hasBefore_ = false;
    std::vector<WobbleState> states_;
    double step_s_ = 0.0;
    QString why_;
    QTimer timer_;
    QElapsedTimer clock_;
    bool playing_ = true;
    double rate_ = 0.25;
    double time_ = 0.0;
};

}  // namespace wl
