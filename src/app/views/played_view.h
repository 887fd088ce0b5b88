// A motion played in a loop: at its own pace or slower, paused, scrubbed.
#pragma once

#include <QElapsedTimer>
#include <QTimer>
#include <QWidget>

namespace wl {

/// What stands dashed beside a motion.
enum class Ghost { Before, Other, None };

/// Still where the desktop asks for no movement, until it is played. Time is the loop's, 0 to 1.
class PlayedView : public QWidget {
    Q_OBJECT
  public:
    explicit PlayedView(QWidget* parent = nullptr);
    void setPlaying(bool on);
    bool isPlaying() const { return playing_; }
    /// Of its own time: 1, 1/4, 1/10.
    void setRate(double rate) { rate_ = rate; }
    void setTime(double share);
    double time() const { return time_; }

  signals:
    void timeChanged(double share);
    void playingChanged(bool on);

  protected:
    /// Margin, and height of a line of words over the picture, pixels.
    static constexpr double kEdge = 10, kText = 18;
    /// How long the loop takes in its own time; 0: nothing to play.
    virtual double loop_s() const = 0;
    void showEvent(QShowEvent* event) override;
    void hideEvent(QHideEvent* event) override;

  private:
    void tick();

    QTimer timer_;
    QElapsedTimer clock_;
    bool playing_ = true;
    double rate_ = 0.25;
    double time_ = 0.0;
};

}  // namespace wl
