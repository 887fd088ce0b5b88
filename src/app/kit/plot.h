// A plot in the look of the sheet.
#pragma once

#include <qcustomplot.h>

#include "app/kit/theme.h"
#include "app/kit/workbench.h"

namespace wl {

/// Sets colours, type and margins; call again after a theme change, before replot.
inline void dressPlot(QCustomPlot& plot, const QString& xTitle, const QString& yTitle) {
    const Inks& c = inks();
    plot.setBackground(c.sheet);
    QLocale locale;
    locale.setNumberOptions(QLocale::OmitGroupSeparator);
    plot.setLocale(locale);
    plot.axisRect()->setMinimumMargins(QMargins(8, 8, 12, 8));
    for (QCPAxis* axis : {plot.xAxis, plot.yAxis}) {
        axis->setBasePen(QPen(c.quiet));
        axis->setTickPen(QPen(c.quiet));
        axis->setSubTicks(false);
        axis->setTickLabelColor(c.ink);
        axis->setLabelColor(c.ink);
        axis->setTickLabelFont(type(Type::Small));
        axis->setLabelFont(type(Type::Small));
        axis->grid()->setPen(QPen(c.rule, 1));
        axis->grid()->setZeroLinePen(QPen(c.rule, 1));
        axis->ticker()->setTickCount(5);
    }
    plot.xAxis->setLabel(xTitle);
    plot.yAxis->setLabel(yTitle);
}

/// A value as it stands on an axis: in the unit a bare number is read in on this bench.
inline double onAxis(Quantity quantity, Bench bench, double valueSi) {
    const double zero = readAmount("0", quantity, bench).valueSi;
    return (valueSi - zero) / (readAmount("1", quantity, bench).valueSi - zero);
}

/// Draws a plot anew with the results and the bench, but only while it is looked at: a plot costs
/// as much as the picture of the bait.
class KeptPlot : public QObject {
  public:
    KeptPlot(Workbench& bench, QCustomPlot* plot, std::function<void()> draw)
        : QObject(plot), plot_(plot), draw_(std::move(draw)) {
        plot->installEventFilter(this);
        connect(&bench.evaluator, &Evaluator::resultsChanged, this, [this] { look(); });
        connect(&bench, &Workbench::benchChanged, this, [this] { look(); });
    }

  protected:
    bool eventFilter(QObject* watched, QEvent* event) override {
        if (event->type() == QEvent::Show) {
            draw_();
        }
        return QObject::eventFilter(watched, event);
    }

  private:
    void look() {
        if (plot_->isVisible()) {
            draw_();
        }
    }
    QCustomPlot* plot_;
    std::function<void()> draw_;
};

}  // namespace wl
