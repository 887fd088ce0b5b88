#include <QCoreApplication>
#include "app/kit/beside_page.h"
#include "app/kit/plain_label.h"
#include "app/kit/plain_table.h"
#include "app/kit/plot.h"
#include "app/pages/tank/tank_tabs.h"
#include "core/base/units.h"
#include "core/hydro/righting.h"
#include "core/reckon/lean.h"

namespace wl {
namespace {

constexpr size_t kMostShares = 4;

class RightingTab : public BesidePage {
    Q_DECLARE_TR_FUNCTIONS(RightingTab)
  public:
    explicit RightingTab(Workbench& bench)
        : BesidePage(bench), plot_(new QCustomPlot), words_(plainLabel()) {
        setObjectName(QStringLiteral("rightingTab"));
        plot_->setAccessibleName(tr("Righting arm against lean"));
        plot_->setMinimumSize(300, 180);
        words_->setObjectName(QStringLiteral("rightingWords"));
        words_->setWordWrap(true);
        words_->setAlignment(Qt::AlignTop | Qt::AlignLeft);
        words_->setTextInteractionFlags(Qt::TextSelectableByMouse);
        content()->addWidget(plot_, 3);
        content()->addWidget(scrolling(words_), 2);
    }

  protected:
    Beside::Work work(const Results& results) override {
        const auto derived = results.derived;
        return [this, derived](std::stop_token stop, const Beside::Progress&) -> Beside::Finish {
            const FloatingBody body{derived->mass->shape, derived->mass->mass_kg,
                                    derived->mass->centreOfGravity_m, derived->waterDensity_kg_m3};
            const RightingCurve curve = computeRighting(body, 36, stop);
            if (!curve.complete) {
                return {};
            }
            return [this, derived, curve] { show(*derived, curve); };
        };
    }

  private:
    QString angle(double rad) const {
        return const_cast<RightingTab*>(this)->bench().text(Quantity::Angle, rad);
    }

    void show(const Derived& d, const RightingCurve& curve) {
        const Inks& c = inks();
        const bool metric = bench().bench().isMetric();
        const double unit = metric ? kMillimetre : kInch;
        plot_->clearGraphs();
        plot_->clearItems();
        dressPlot(*plot_, tr("lean, degrees"),
                  metric ? tr("righting arm, mm") : tr("righting arm, in"));
        QVector<double> x, y;
        for (size_t i = 0; i < curve.roll_rad.size(); ++i) {
            x << curve.roll_rad[i] / kDegree;
            y << curve.arm_m[i] / unit;
        }
        QCPGraph* graph = plot_->addGraph();
        graph->setPen(QPen(c.water, 2));
        graph->setBrush(c.waterFill);
        graph->setData(x, y, true);
        const auto [low, high] = std::minmax_element(y.begin(), y.end());
        const double room = 0.08 * std::max(1e-6, *high - *low);
        plot_->xAxis->setRange(0, 180);
        plot_->yAxis->setRange(std::min(0.0, *low) - room, *high + room);
        const QSharedPointer<QCPAxisTickerFixed> ticker(new QCPAxisTickerFixed);
        ticker->setTickStep(30);
        plot_->xAxis->setTicker(ticker);
        auto* zero = new QCPItemStraightLine(plot_);
        zero->point1->setCoords(0, 0);
        zero->point2->setCoords(1, 0);
        zero->setPen(QPen(c.ink, 1));
        if (curve.vanish_rad > 0 && curve.vanish_rad < kPi) {
            auto* mark = new QCPItemText(plot_);
            mark->position->setCoords(curve.vanish_rad / kDegree, *high * 0.5);
            mark->setText(tr("ends at %1").arg(angle(curve.vanish_rad)));
            mark->setFont(type(Type::Small));
            mark->setColor(c.signal);
            auto* line = new QCPItemStraightLine(plot_);
            line->point1->setCoords(curve.vanish_rad / kDegree, 0);
            line->point2->setCoords(curve.vanish_rad / kDegree, 1);
            line->setPen(QPen(c.signal, 1, Qt::DashLine));
        }
        plot_->replot();
        words_->setText(words(d, curve).join(QStringLiteral("\n")));
        plot_->setAccessibleDescription(words_->text());
    }

    QStringList words(const Derived& d, const RightingCurve& curve) {
        QStringList lines;
        const double perDegree = curve.stiffness_N_m / kGravity_m_s2 * kDegree;
        lines << tr("Roll stiffness: %1 for each degree.")
                     .arg(bench().text(Quantity::Moment, perDegree));
        if (curve.vanish_rad <= 0) {
            lines << tr("▲ It does not stand upright: the least knock lays it over.");
        } else if (curve.vanish_rad >= kPi) {
            lines << tr("It comes back from any lean.");
        } else {
            lines << tr("It comes back from any lean up to %1.").arg(angle(curve.vanish_rad));
            double stays = 0;
            for (size_t i = 1; i < curve.zeros_rad.size(); i += 2) {
                stays = curve.zeros_rad[i];
            }
            lines << (stays > 0
                          ? tr("▲ Knocked further it rolls over and stays at %1.").arg(angle(stays))
                          : tr("▲ Knocked further it rolls over and floats belly up."));
        }
        if (d.rest->attitudes.empty()) {
            lines << tr("Under water it hangs with its weight %1 below its lift.")
                         .arg(bench().text(Quantity::Length, d.rest->hang.arm_m));
        }
        const std::vector<LeanShare> shares = leanShares(d);
        if (std::abs(d.rest->roll_rad) < 0.05 * kDegree) {
            lines << tr("It stands straight: nothing pulls it to one side.");
            return lines;
        }
        lines << QString()
              << tr("It leans %1 to %2 because of:")
                     .arg(angle(std::abs(d.rest->roll_rad)),
                          d.rest->roll_rad > 0 ? tr("starboard") : tr("port"));
        for (size_t i = 0; i < std::min(kMostShares, shares.size()); ++i) {
            const LeanShare& s = shares[i];
            lines << tr("  %1: %2 to %3, %4 of lean")
                         .arg(QString::fromStdString(s.name),
                              bench().text(Quantity::Moment, std::abs(s.moment_kg_m)),
                              s.moment_kg_m > 0 ? tr("port") : tr("starboard"),
                              angle(std::abs(s.lean_rad)));
        }
        return lines;
    }

    QCustomPlot* plot_;
    QLabel* words_;
};

}  // namespace

QWidget* makeRightingTab(Workbench& bench) {
    return new RightingTab(bench);
}

}  // namespace wl
