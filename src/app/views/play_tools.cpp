#include "app/views/play_tools.h"

#include <cmath>

#include "app/kit/flow_layout.h"

namespace wl {

PlayTools::PlayTools(const QList<PlayedView*>& views, QWidget* parent)
    : QWidget(parent),
      play_(new QPushButton),
      scrub_(new QSlider(Qt::Horizontal)),
      rate_(new QComboBox) {
    auto* row = new FlowLayout(this);
    play_->setObjectName(QStringLiteral("playSwim"));
    play_->setCheckable(true);
    scrub_->setObjectName(QStringLiteral("scrubSwim"));
    scrub_->setAccessibleName(tr("Place in the motion"));
    scrub_->setRange(0, kPlaces);
    scrub_->setMinimumWidth(140);
    rate_->setObjectName(QStringLiteral("swimRate"));
    rate_->setAccessibleName(tr("How fast it is played"));
    rate_->addItem(tr("in its own time"), 1.0);
    rate_->addItem(tr("a quarter as fast"), 0.25);
    rate_->addItem(tr("a tenth as fast"), 0.1);
    rate_->setCurrentIndex(1);
    row->addWidget(play_);
    row->addWidget(scrub_);
    row->addWidget(rate_);
    for (PlayedView* view : views) {
        connect(play_, &QPushButton::toggled, view, &PlayedView::setPlaying);
        connect(view, &PlayedView::playingChanged, this, [this, view](bool on) {
            if (view->isHidden()) {
                return;
            }
            const QSignalBlocker blocker(play_);
            play_->setChecked(on);
            play_->setText(on ? tr("Pause") : tr("Play"));
        });
        connect(view, &PlayedView::timeChanged, this, [this, view](double share) {
            if (!view->isHidden()) {
                const QSignalBlocker blocker(scrub_);
                scrub_->setValue(int(std::lround(share * kPlaces)));
            }
        });
        connect(scrub_, &QSlider::valueChanged, view, [this, view](int value) {
            play_->setChecked(false);
            view->setTime(double(value) / kPlaces);
        });
        connect(rate_, &QComboBox::currentIndexChanged, view,
                [this, view] { view->setRate(rate_->currentData().toDouble()); });
    }
    play_->setText(tr("Pause"));
    if (!views.isEmpty()) {
        views.front()->setPlaying(views.front()->isPlaying());
    }
}

}  // namespace wl

#include "moc_play_tools.cpp"
