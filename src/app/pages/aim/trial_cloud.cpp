#include "app/pages/aim/trial_cloud.h"

#include <QKeyEvent>
#include <QMouseEvent>
#include <numeric>

namespace wl {

TrialCloud::TrialCloud(Workbench& bench) : bench_(bench) {
    setObjectName(QStringLiteral("aimCloud"));
    setAccessibleName(tr("Every trial: depth and swing; larger dots are likelier"));
    setToolTip(tr("Click, drag, or Left and Right: a trial is told, and can be taken over"));
    setMinimumSize(220, 150);
    setFocusPolicy(Qt::StrongFocus);
    const auto pointed = [this](QMouseEvent* event) {
        if (event->buttons() & Qt::LeftButton) {
            chooseAt(event->position());
        }
    };
    connect(this, &QCustomPlot::mousePress, this, pointed);
    connect(this, &QCustomPlot::mouseMove, this, pointed);
    new KeptPlot(bench, this, [this] { drawAll(); });
}

void TrialCloud::setTrials(const AimAnswer& answer, int trial, const AimWay* way) {
    trials_ = answer.points;
    targets_ = answer.targets;
    trial_ = trial;
    swings_ = std::any_of(trials_.begin(), trials_.end(),
                          [](const AimPoint& p) { return p.swing_rad.has_value(); });
    way_.reset();
    if (way != nullptr && way->told.of(AimMeasure::Depth)) {
        double chance = 1;
        for (const double one : way->chances) {
            chance *= one;
        }
        way_ = AimPoint{way->values, *way->told.of(AimMeasure::Depth),
                        way->told.of(AimMeasure::Swing), chance};
    }
    drawAll();
}

void TrialCloud::keyPressEvent(QKeyEvent* event) {
    if (event->key() == Qt::Key_Left || event->key() == Qt::Key_Right) {
        chooseBeside(event->key() == Qt::Key_Right ? 1 : -1);
        return;
    }
    QCustomPlot::keyPressEvent(event);
}

QPointF TrialCloud::placeOf(const AimPoint& trial) const {
    const Bench bench = bench_.bench();
    return {onAxis(Quantity::Distance, bench, trial.depth_m),
            swings_ ? onAxis(Quantity::Angle, bench, trial.swing_rad.value_or(0.0))
                    : 100 * trial.chance};
}

std::optional<QPointF> TrialCloud::ring() const {
    if (trial_ >= 0) {
        return placeOf(trials_[size_t(trial_)]);
    }
    return way_ && !trials_.empty() ? std::optional(placeOf(*way_)) : std::nullopt;
}

void TrialCloud::drawAll() {
    dressPlot(*this, bench_.bench().isMetric() ? tr("depth, m") : tr("depth, ft"),
              swings_ ? tr("swing, °") : tr("chance, %"));
    clearGraphs();
    clearItems();
    drawTrials();
    for (const AimTarget& target : targets_) {
        drawBand(target);
    }
    if (const auto at = ring()) {
        QCPGraph* graph = addGraph();
        graph->setLineStyle(QCPGraph::lsNone);
        graph->setScatterStyle(QCPScatterStyle(QCPScatterStyle::ssCircle, QPen(inks().signal, 2.4),
                                               Qt::NoBrush, 13.0));
        graph->setData({at->x()}, {at->y()});
    }
    rescaleAxes();
    xAxis->scaleRange(1.06);
    yAxis->scaleRange(1.1);
    replot(QCustomPlot::rpQueuedReplot);
}

void TrialCloud::drawTrials() {
    constexpr double kLikeliest = 0.8, kLikely = 0.3;
    double most = 0;
    for (const AimPoint& p : trials_) {
        most = std::max(most, p.chance);
    }
    std::array<QVector<double>, 3> x, y;
    for (const AimPoint& p : trials_) {
        const double share = most > 0 ? p.chance / most : 0.0;
        const size_t level = share > kLikeliest ? 2 : share > kLikely ? 1 : 0;
        const QPointF at = placeOf(p);
        x[level] << at.x();
        y[level] << at.y();
    }
    for (size_t level = 0; level < x.size(); ++level) {
        QCPGraph* graph = addGraph();
        graph->setLineStyle(QCPGraph::lsNone);
        graph->setScatterStyle(
            QCPScatterStyle(level == 0 ? QCPScatterStyle::ssCircle : QCPScatterStyle::ssDisc,
                            level == 2 ? inks().ink : inks().quiet, 3.0 + 1.5 * double(level)));
        graph->setData(x[level], y[level]);
    }
}

// What is wished, as lines at its ends.
void TrialCloud::drawBand(const AimTarget& target) {
    const bool across = target.what == AimMeasure::Depth;
    if (!across && !(target.what == AimMeasure::Swing && swings_)) {
        return;
    }
    for (const double end : {target.low, target.high}) {
        const double at = onAxis(quantityOf(target.what), bench_.bench(), end);
        auto* line = new QCPItemStraightLine(this);
        line->setPen(QPen(inks().target, 1, Qt::DashLine));
        line->point1->setCoords(across ? QPointF(at, 0) : QPointF(0, at));
        line->point2->setCoords(across ? QPointF(at, 1) : QPointF(1, at));
    }
}

void TrialCloud::chooseAt(const QPointF& pixel) {
    double nearest = 1e300;
    int found = -1;
    for (size_t i = 0; i < trials_.size(); ++i) {
        const QPointF at = placeOf(trials_[i]);
        const double apart = std::hypot(xAxis->coordToPixel(at.x()) - pixel.x(),
                                        yAxis->coordToPixel(at.y()) - pixel.y());
        if (apart < nearest) {
            nearest = apart;
            found = int(i);
        }
    }
    if (found >= 0) {
        emit chosen(found);
    }
}

// Through the trials by their depth, from the chosen one or the way that is shown.
void TrialCloud::chooseBeside(int by) {
    if (trials_.empty()) {
        return;
    }
    std::vector<int> order(trials_.size());
    std::iota(order.begin(), order.end(), 0);
    std::stable_sort(order.begin(), order.end(), [this](int a, int b) {
        return trials_[size_t(a)].depth_m < trials_[size_t(b)].depth_m;
    });
    const auto here = std::find_if(order.begin(), order.end(), [this](int i) {
        return trial_ >= 0 ? i == trial_ : way_ && trials_[size_t(i)].depth_m >= way_->depth_m;
    });
    const int at = int(here - order.begin()) + by;
    emit chosen(order[size_t(std::clamp(at, 0, int(order.size()) - 1))]);
}

}  // namespace wl

#include "moc_trial_cloud.cpp"
