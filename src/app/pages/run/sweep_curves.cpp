#include "app/pages/run/sweep_curves.h"

#include <QVBoxLayout>
#include <cmath>

#include "app/kit/plot.h"
#include "app/kit/theme.h"
#include "core/design/fields.h"
#include "session/field_words.h"

namespace wl {

SweepCurves::SweepCurves(Workbench& bench, QWidget* parent) : QWidget(parent), bench_(bench) {
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(0, 0, 0, 0);
    const std::array<std::pair<QString, QString>, 3> names{
        {{QStringLiteral("sweepDepth"), tr("Depth over what is varied")},
         {QStringLiteral("sweepNose"), tr("Nose under way over what is varied")},
         {QStringLiteral("sweepPull"), tr("Pull over what is varied")}}};
    for (size_t i = 0; i < curves_.size(); ++i) {
        auto* plot = new QCustomPlot;
        plot->setObjectName(names[i].first);
        plot->setAccessibleName(names[i].second);
        plot->setMinimumSize(240, i == 0 ? 200 : 130);
        curves_[i].plot = plot;
        column->addWidget(plot, i == 0 ? 3 : 2);
    }
}

void SweepCurves::show(const std::string& path, const std::vector<SweptPoint>& points) {
    const auto field = findField(bench_.design(), path);
    if (!field) {
        return;
    }
    path_ = path;
    across_ = field->quantity;
    const auto unit = [this](Quantity q) {
        return QString::fromUtf8(unitLabel(q, bench_.bench()).c_str());
    };
    const QString across = tr("%1, %2").arg(undoWords(*field), unit(across_));
    draw(curves_[0], across, tr("deepest, %1").arg(unit(Quantity::Distance)), Quantity::Distance,
         points, &SweptPoint::depth_m);
    draw(curves_[1], across, tr("nose up, %1").arg(unit(Quantity::Angle)), Quantity::Angle, points,
         &SweptPoint::pitch_rad);
    draw(curves_[2], across, tr("pull, %1").arg(unit(Quantity::Force)), Quantity::Force, points,
         &SweptPoint::pull_N);
    QCPAxis* depth = curves_[0].plot->yAxis;
    depth->setRange(0, std::max(0.1, depth->range().upper * 1.1));
    depth->setRangeReversed(true);
    QCPAxis* pull = curves_[2].plot->yAxis;
    pull->setRange(0, std::max(0.01, pull->range().upper * 1.1));
    for (Curve& curve : curves_) {
        curve.plot->replot(QCustomPlot::rpQueuedReplot);
    }
    ghostPath_ = path;
}

void SweepCurves::draw(Curve& curve, const QString& across, const QString& title, Quantity quantity,
                       const std::vector<SweptPoint>& points,
                       std::optional<double> SweptPoint::*value) {
    const Inks& c = inks();
    QCustomPlot& plot = *curve.plot;
    plot.clearPlottables();
    plot.clearItems();
    dressPlot(plot, across, title);
    QVector<double> x, y;
    for (const SweptPoint& p : points) {
        x << onAxis(across_, bench_.bench(), p.value);
        y << (p.*value ? onAxis(quantity, bench_.bench(), *(p.*value)) : std::nan(""));
    }
    QCPGraph* now = plot.addGraph();
    now->setPen(QPen(c.ink, 1.8));
    now->setData(x, y);
    if (ghostPath_ == path_) {
        QCPGraph* before = plot.addGraph();
        before->setPen(QPen(c.quiet, 1.2, Qt::DashLine));
        before->setData(curve.x, curve.y);
    }
    markNow(plot);
    plot.rescaleAxes();
    curve.x = x;
    curve.y = y;
}

void SweepCurves::markNow(QCustomPlot& plot) const {
    const auto field = findField(bench_.design(), path_);
    if (!field || !field->value) {
        return;
    }
    auto* now = new QCPItemStraightLine(&plot);
    now->setPen(QPen(inks().signal, 1.2, Qt::DotLine));
    const double at = onAxis(across_, bench_.bench(), *field->value);
    now->point1->setCoords(at, 0);
    now->point2->setCoords(at, 1);
}

}  // namespace wl

#include "moc_sweep_curves.cpp"
