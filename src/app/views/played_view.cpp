#include "app/views/played_view.h"

#include <QStyle>
#include <algorithm>
#include <cmath>

namespace wl {

PlayedView::PlayedView(QWidget* parent) : QWidget(parent) {
    constexpr int kFrame_ms = 16;
    playing_ = style()->styleHint(QStyle::SH_Widget_Animation_Duration) != 0;
    timer_.setInterval(kFrame_ms);
    connect(&timer_, &QTimer::timeout, this, &PlayedView::tick);
}

void PlayedView::setPlaying(bool on) {
    playing_ = on;
    if (on && isVisible() && loop_s() > 0) {
        clock_.start();
        timer_.start();
    } else {
        timer_.stop();
    }
    emit playingChanged(on);
}

void PlayedView::setTime(double share) {
    time_ = std::clamp(share, 0.0, 1.0);
    emit timeChanged(time_);
    update();
}

void PlayedView::tick() {
    if (loop_s() <= 0) {
        timer_.stop();
        return;
    }
    time_ += rate_ * double(clock_.restart()) / 1000 / loop_s();
    time_ -= std::floor(time_);
    emit timeChanged(time_);
    update();
}

void PlayedView::showEvent(QShowEvent* event) {
    QWidget::showEvent(event);
    setPlaying(playing_);
}

void PlayedView::hideEvent(QHideEvent* event) {
    timer_.stop();
    QWidget::hideEvent(event);
}

}  // namespace wl

#include "moc_played_view.cpp"
