#include "app/kit/beside_page.h"

#include <QHBoxLayout>
#include <QTimer>
#include <utility>

namespace wl {
namespace {

constexpr int kBlink_ms = 250;

}  // namespace

BesidePage::BesidePage(Workbench& bench, QWidget* parent)
    : QWidget(parent),
      bench_(bench),
      content_(new QVBoxLayout),
      bar_(new QWidget),
      progress_(new QProgressBar) {
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(6, 4, 6, 4);
    layout->setSpacing(4);
    layout->addLayout(content_, 1);
    auto* row = new QHBoxLayout(bar_);
    row->setContentsMargins(0, 0, 0, 0);
    progress_->setRange(0, 1000);
    progress_->setTextVisible(false);
    progress_->setMaximumHeight(8);
    progress_->setAccessibleName(tr("How far the reckoning is"));
    auto* cancel = new QPushButton(tr("Cancel"));
    cancel->setObjectName(QStringLiteral("cancelBeside"));
    row->addWidget(progress_, 1);
    row->addWidget(cancel);
    bar_->hide();
    layout->addWidget(bar_);
    connect(cancel, &QPushButton::clicked, this, [this] { beside_.cancel(); });
    connect(&beside_, &Beside::progressed, this,
            [this](double share) { progress_->setValue(int(1000 * share)); });
    connect(&beside_, &Beside::runningChanged, this, [this] {
        if (!beside_.isRunning()) {
            bar_->hide();
            return;
        }
        QTimer::singleShot(kBlink_ms, this, [this] { bar_->setVisible(beside_.isRunning()); });
    });
    connect(&beside_, &Beside::failed, this, [this](const Error& fault) {
        bench_.say(QStringLiteral("▲ ") + sentence(fault, bench_.bench()));
    });
    connect(&bench_.evaluator, &Evaluator::resultsChanged, this, &BesidePage::look);
    connect(&bench_, &Workbench::benchChanged, this, &BesidePage::tellAgain);
}

bool BesidePage::isCurrent() const {
    const ResultsPtr r = bench_.results();
    return r && done_ == r->revision && !beside_.isRunning();
}

void BesidePage::showEvent(QShowEvent* event) {
    QWidget::showEvent(event);
    look();
    if (std::exchange(told_, true) == false) {
        tellAgain();
    }
}

// What was reckoned stays: only its words and colours are those of another bench or lamp.
void BesidePage::tellAgain() {
    if (!isVisible()) {
        told_ = false;
    } else if (show_ && isCurrent()) {
        show_();
    } else {
        again();
    }
}

void BesidePage::again() {
    started_ = 0;
    look();
}

void BesidePage::look() {
    const ResultsPtr results = bench_.results();
    if (!isVisible() || !results || !results->derived ||
        (results->revision == started_ && results->derived->sinkSeen == sinkSeen_)) {
        return;
    }
    started_ = results->revision;
    sinkSeen_ = results->derived->sinkSeen;
    const quint64 revision = started_;
    Beside::Work job = work(*results);
    show_ = {};
    told_ = true;
    if (!job) {
        done_ = revision;
        emit finished();
        return;
    }
    progress_->setValue(0);
    beside_.start([job, revision, this](std::stop_token stop, const Beside::Progress& progress) {
        Beside::Finish show = job(stop, progress);
        return Beside::Finish([this, revision, show] {
            if (show) {
                show();
            }
            show_ = show;
            done_ = revision;
            emit finished();
        });
    });
}

}  // namespace wl

#include "moc_beside_page.cpp"
