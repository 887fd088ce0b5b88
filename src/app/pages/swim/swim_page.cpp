// How the bait swims: its motion with beats and swing, over speed, and what a film says of it.
#include <QCheckBox>
#include <QComboBox>
#include <QSlider>

#include "app/kit/beside_page.h"
#include "app/kit/flow_layout.h"
#include "app/kit/form.h"
#include "app/kit/plain_label.h"
#include "app/kit/plot.h"
#include "app/kit/sheet_tabs.h"
#include "app/pages/pages.h"
#include "app/pages/swim/swim_tabs.h"
#include "app/views/motion_view.h"
#include "session/swim_words.h"
#include "session/words.h"

namespace wl {
namespace {

/// The motion, played, and its figures in words.
class SwimPart : public BesidePage {
    Q_DECLARE_TR_FUNCTIONS(SwimPart)
  public:
    explicit SwimPart(Workbench& bench)
        : BesidePage(bench),
          view_(new MotionView(bench)),
          play_(new QPushButton),
          scrub_(new QSlider(Qt::Horizontal)),
          rate_(new QComboBox),
          words_(plainLabel()) {
        setObjectName(QStringLiteral("swimPart"));
        content()->addWidget(view_, 1);
        auto* tools = new QWidget;
        auto* row = new FlowLayout(tools);
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
        content()->addWidget(tools);
        words_->setObjectName(QStringLiteral("swimWords"));
        words_->setWordWrap(true);
        content()->addWidget(words_);
        connect(play_, &QPushButton::toggled, view_, &MotionView::setPlaying);
        connect(view_, &MotionView::playingChanged, this, [this](bool on) {
            const QSignalBlocker blocker(play_);
            play_->setChecked(on);
            play_->setText(on ? tr("Pause") : tr("Play"));
        });
        connect(view_, &MotionView::timeChanged, this, [this](double share) {
            const QSignalBlocker blocker(scrub_);
            scrub_->setValue(int(std::lround(share * kPlaces)));
        });
        connect(scrub_, &QSlider::valueChanged, this, [this](int value) {
            play_->setChecked(false);
            view_->setTime(double(value) / kPlaces);
        });
        connect(rate_, &QComboBox::currentIndexChanged, this,
                [this] { view_->setRate(rate_->currentData().toDouble()); });
        view_->setPlaying(view_->isPlaying());
    }

  protected:
    Beside::Work work(const Results& results) override {
        const auto derived = results.derived;
        const auto known = results.run;
        const ResultsPtr shared = bench().results();
        return [this, derived, known, shared](std::stop_token stop,
                                              const Beside::Progress& progress) -> Beside::Finish {
            const auto run = runFor(*derived, known, stop);
            const Swim swim = swimOf(*derived, *run);
            progress(0.2);
            std::vector<WobbleState> states;
            double step = 0;
            std::optional<double> rolled;
            const auto motion = motionOf(*derived, *run, swim);
            if (motion && swim.sheds) {
                const double shed = motion->loads(WobbleState::Zero()).shedding_1_s / (2 * kPi);
                WobbleRun full =
                    runWobble(*motion, WobbleClock::usual(shed), smallStart(), true, stop);
                rolled = full.rolledOver_s;
                if (full.done && !rolled) {
                    states = lastBeats(full, swim.beats_1_s.middle);
                    step = full.step_s;
                }
            }
            if (stop.stop_requested()) {
                return {};
            }
            return [this, shared, swim, states, step, rolled] {
                show(shared, swim, states, step, rolled);
            };
        };
    }

  private:
    static constexpr int kPlaces = 1000;

    // Whole beats from the end, so that the loop closes.
    static std::vector<WobbleState> lastBeats(const WobbleRun& run, double beats) {
        constexpr double kBeats = 4;
        const auto count = size_t(std::lround(kBeats / std::max(0.1, beats) / run.step_s));
        if (count < 8 || count > run.states.size()) {
            return {};
        }
        return {run.states.end() - long(count), run.states.end()};
    }
    void show(const ResultsPtr& results, const Swim& swim, std::vector<WobbleState> states,
              double step, const std::optional<double>& rolled) {
        const QStringList said = swimWords(swim, results->design->swim, rolled, bench().bench());
        words_->setText(said.join(QStringLiteral("\n")));
        if (!swim.untold && swim.sheds) {
            view_->show(results, swim, std::move(states), step);
        } else {
            view_->showNothing(said.value(0));
        }
        view_->setAccessibleDescription(words_->text());
    }

    MotionView* view_;
    QPushButton* play_;
    QSlider* scrub_;
    QComboBox* rate_;
    QLabel* words_;
};

/// Beats and swing over speed, where it wakes and where it hunts, and how often it rolls over.
class SpeedPart : public BesidePage {
    Q_DECLARE_TR_FUNCTIONS(SpeedPart)
  public:
    explicit SpeedPart(Workbench& bench)
        : BesidePage(bench),
          beats_(new QCustomPlot),
          swing_(new QCustomPlot),
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
        words_->setObjectName(QStringLiteral("swimSpeedWords"));
        words_->setWordWrap(true);
        content()->addWidget(words_);
    }

  protected:
    Beside::Work work(const Results& results) override {
        const auto derived = results.derived;
        const auto known = results.run;
        return [this, derived, known](std::stop_token stop,
                                      const Beside::Progress& progress) -> Beside::Finish {
            const auto run = runFor(*derived, known, stop);
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
        words_->setText(
            overSpeedWords(sweep, swim, rolled, bench().bench()).join(QStringLiteral("\n")));
    }

    QCustomPlot* beats_;
    QCustomPlot* swing_;
    QLabel* words_;
};

QWidget* filmTab(Workbench& bench) {
    auto* film = new Form(bench, tr("Counted on a film"));
    film->fields({"/swim/film_frames", "/swim/film_rate", "/swim/film_beats", "/swim/film_speed",
                  "/swim/seen_yaw"});
    film->readout(tr("Film says"), [](const Results& r) {
        const auto seen = r.design->swim.seenBeats_1_s();
        return seen ? filmWords(*seen, r.design->swim.filmRate_1_s) : QString();
    });
    film->hideLastWhenEmpty();
    film->note(
        tr("Film it from above beside a rule, pulled steadily; count frames from one nose-left "
           "to the same ten beats on. The factor found holds for this bait until it is "
           "emptied here."));
    auto* words = new Form(bench, tr("What it is called"));
    words->fields({"/swim/slow_below", "/swim/quick_from", "/swim/tight_from", "/swim/medium_from",
                   "/swim/wide_from"});
    words->note(tr("These limits are a judgement: move them to what you call so."));
    return formColumn({film, words});
}

}  // namespace

QWidget* makeSwimPage(Workbench& bench) {
    auto* tabs = new SheetTabs(QStringLiteral("swimTabs"));
    tabs->addTab(formColumn({new SwimPart(bench)}), tr("Motion"));
    tabs->addTab(formColumn({new SpeedPart(bench)}), tr("Over speed"));
    tabs->addTab(formColumn({makeTuningPart(bench)}), tr("Tuning"));
    tabs->addTab(filmTab(bench), tr("Film and words"));
    return tabs;
}

}  // namespace wl
