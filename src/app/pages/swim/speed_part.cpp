// The swim over speed: beats and swing, where it wakes, where it hunts, how often it rolls over.
#include "app/kit/beside_page.h"
#include "app/kit/plain_label.h"
#include "app/kit/plot.h"
#include "app/pages/swim/swim_tabs.h"
#include "core/chain/chain_bait.h"
#include "session/words.h"
#include "words/chain_words.h"
#include "words/swim_words.h"

namespace wl {
namespace {

/// Beats and swing over speed, where it wakes and where it hunts, and how often it rolls over.
class SpeedPart : public BesidePage {
    Q_DECLARE_TR_FUNCTIONS(SpeedPart)
  public:
    explicit SpeedPart(Workbench& bench)
        : BesidePage(bench),
          beats_(new QCustomPlot),
          swing_(new QCustomPlot),
          taught_(bench),
          words_(plainLabel()) {
        setObjectName(QStringLiteral("swimSpeedPart"));
        beats_->setObjectName(QStringLiteral("swimBeats"));
        beats_->setAccessibleName(tr("Beats over speed"));
        swing_->setObjectName(QStringLiteral("swimSwing"));
        swing_->setAccessibleName(tr("Swing over speed"));
        for (QCustomPlot* plot : {beats_, swing_}) {
            plot->setMinimumSize(240, 160);
            content()->addWidget(plot, 1);
        }
        connect(&Learner::of(bench), &Learner::changed, this, [this] {
            if (taught_.differs(Learner::of(this->bench()))) {
                again();
            } else if (!said_.isEmpty() &&
                       Learner::of(this->bench()).showsOtherwise(NoteKind::BlowOut, blows_)) {
                say();
            }
        });
        words_->setObjectName(QStringLiteral("swimSpeedWords"));
        words_->setWordWrap(true);
        content()->addWidget(words_);
    }

  protected:
    Beside::Work work(const Results& results) override {
        taught_ = SwimTaught(bench());
        const auto reckoned = results.derived;
        const auto known = results.run;
        if (swimKind(*reckoned) != SwimKind::Wobble) {
            return [this, kind = swimKind(*reckoned)](std::stop_token, const Beside::Progress&) {
                return Beside::Finish([this, kind] { showPieces(kind); });
            };
        }
        return [this, reckoned, known, taught = taught_](
                   std::stop_token stop, const Beside::Progress& progress) -> Beside::Finish {
            const auto run = runFor(*reckoned, known, stop);
            const auto derived = taught.of(reckoned, *run);
            const SwimSweep sweep = sweepSwim(*derived, *run, 20, stop);
            progress(0.4);
            const Swim swim = swimOf(*derived, *run);
            const auto rolled = rollOvers(*derived, *run, swim, stop);
            if (stop.stop_requested()) {
                return {};
            }
            return [this, sweep, swim, rolled] { show(sweep, swim, rolled); };
        };
    }

  private:
    void showPieces(SwimKind kind) {
        beats_->hide();
        swing_->hide();
        said_.clear();
        words_->setText(piecesOverSpeed(kind));
    }
    void line(QCustomPlot& plot, const QPen& pen, const QString& name, const QVector<double>& x,
              const QVector<double>& y) {
        QCPGraph* graph = plot.addGraph();
        graph->setPen(pen);
        graph->setName(name);
        graph->setData(x, y);
    }
    void show(const SwimSweep& sweep, const Swim& swim, const std::optional<RollOvers>& rolled) {
        const Inks& c = inks();
        const auto unit = [this](Quantity q) {
            return QString::fromUtf8(unitLabel(q, bench().bench()).c_str());
        };
        QVector<double> x, beats, yaw, roll;
        for (const Swim& s : sweep.speeds) {
            const bool told = !s.untold && s.sheds;
            x << onAxis(Quantity::Speed, bench().bench(), s.speed_m_s);
            beats << (told ? s.beats_1_s.middle : std::nan(""));
            yaw << (told ? s.yaw_rad.middle / kDegree : std::nan(""));
            roll << (told ? s.roll_rad.middle / kDegree : std::nan(""));
        }
        for (QCustomPlot* plot : {beats_, swing_}) {
            plot->show();
            plot->clearPlottables();
            plot->clearItems();
            dressPlot(*plot, tr("speed, %1").arg(unit(Quantity::Speed)),
                      plot == beats_ ? tr("beats a second") : tr("half-swing, °"));
        }
        line(*beats_, QPen(c.ink, 1.8), tr("beats"), x, beats);
        line(*swing_, QPen(c.ink, 1.8), tr("yaw"), x, yaw);
        line(*swing_, QPen(c.water, 1.8, Qt::DashDotLine), tr("roll"), x, roll);
        swing_->legend->setVisible(true);
        swing_->legend->setFont(type(Type::Small));
        swing_->legend->setTextColor(c.ink);
        swing_->legend->setBrush(c.sheet);
        swing_->legend->setBorderPen(QPen(c.rule));
        for (QCustomPlot* plot : {beats_, swing_}) {
            auto* now = new QCPItemStraightLine(plot);
            now->setPen(QPen(c.signal, 1.2, Qt::DotLine));
            const double at = onAxis(Quantity::Speed, bench().bench(), swim.speed_m_s);
            now->point1->setCoords(at, 0);
            now->point2->setCoords(at, 1);
            plot->rescaleAxes();
            plot->yAxis->setRange(0, std::max(1.0, plot->yAxis->range().upper * 1.15));
            plot->replot(QCustomPlot::rpQueuedReplot);
        }
        said_ = overSpeedWords(sweep, swim, rolled, bench().bench());
        say();
    }
    void say() {
        QStringList said = said_;
        const LearntFigure* f = Learner::of(bench()).figure(NoteKind::BlowOut);
        blows_ = Learner::of(bench()).taught(NoteKind::BlowOut);
        if (f != nullptr && blows_) {
            said << tr("By your log it blows out at %1 (%2 to %3); %4 is reckoned.")
                        .arg(bench().text(Quantity::Speed, blows_->middle * f->usual),
                             bench().text(Quantity::Speed, blows_->low * f->usual, false),
                             bench().text(Quantity::Speed, blows_->high * f->usual),
                             bench().text(Quantity::Speed, f->usual));
        }
        words_->setText(said.join(QStringLiteral("\n")));
    }

    QCustomPlot* beats_;
    QCustomPlot* swing_;
    SwimTaught taught_;                ///< what is shown, or being reckoned, was made with
    std::optional<FactorBand> blows_;  ///< what is said was made with
    QStringList said_;                 ///< as reckoned
    QLabel* words_;
};

}  // namespace

QWidget* makeSpeedPart(Workbench& bench) {
    return new SpeedPart(bench);
}

}  // namespace wl
