#include <QSpinBox>
#include <QTimer>
#include <QVBoxLayout>

#include "app/kit/ask.h"
#include "app/kit/flow_layout.h"
#include "app/kit/plain_label.h"
#include "app/kit/plain_table.h"
#include "app/kit/scale_fill.h"
#include "app/kit/theme.h"
#include "app/pages/build/build_tabs.h"
#include "app/pages/pages.h"
#include "core/draw/draw_bait.h"
#include "core/making/mould_steps.h"
#include "core/plan/plan_lead.h"
#include "words/build_words.h"

namespace wl {
namespace {

constexpr int kTick_ms = 1000;

// "1 h 05 min", "12 min", "0 min".
QString span(double seconds) {
    const long minutes = std::lround(std::abs(seconds) / 60);
    return minutes < 60
               ? tr("%1 min").arg(minutes)
               : tr("%1 h %2 min").arg(minutes / 60).arg(minutes % 60, 2, 10, QLatin1Char('0'));
}

class StepsTab : public QWidget {
    Q_DECLARE_TR_FUNCTIONS(wl::StepsTab)
  public:
    explicit StepsTab(Workbench& bench)
        : bench_(bench),
          bait_(new QSpinBox),
          progress_(plainLabel()),
          table_(new PlainTable(QStringLiteral("buildSteps"), tr("Steps"))),
          clock_(plainLabel()),
          words_(plainLabel()),
          verdict_(plainLabel()),
          read_(new QLineEdit),
          fault_(plainLabel()) {
        setObjectName(QStringLiteral("stepsTab"));
        bait_->setObjectName(QStringLiteral("buildBait"));
        bait_->setAccessibleName(tr("Which of the baits"));
        bait_->setPrefix(tr("bait "));
        bait_->setMinimum(1);
        constexpr int kButtons = 56;
        bait_->setMinimumWidth(bait_->fontMetrics().horizontalAdvance(tr("the mould")) + kButtons);
        clock_->setObjectName(QStringLiteral("stepClock"));
        clock_->setFont(type(Type::Figure, true));
        words_->setObjectName(QStringLiteral("stepWords"));
        verdict_->setObjectName(QStringLiteral("stepVerdict"));
        fault_->setObjectName(QStringLiteral("stepFault"));
        for (QLabel* label : {clock_, words_, verdict_, fault_}) {
            label->setWordWrap(true);
        }
        read_->setObjectName(QStringLiteral("stepReading"));
        read_->setAccessibleName(tr("The scale reads"));
        auto* buttons = new QWidget;
        auto* line = new FlowLayout(buttons);
        begin_ = button(
            tr("Start"), "stepStart", [this] { tell(builds().begin(key())); }, line);
        pause_ = button(
            tr("Pause"), "stepPause", [this] { tell(builds().pause(key())); }, line);
        done_ = button(
            tr("Done"), "stepDone", [this] { finish(); }, line);
        back_ = button(
            tr("Not done after all"), "stepBack", [this] { tell(builds().reset(key())); }, line);
        anew_ = button(
            tr("Begin all anew"), "buildAnew", [this] { anew(); }, line);
        there_ = button(
            tr("The mould is there"), "mouldThere", [this] { mouldIsThere(); }, line);
        reading_ = new QWidget;
        auto* scale = new FlowLayout(reading_);
        scale->addWidget(read_);
        button(
            tr("Take the reading"), "takeReading", [this] { take(); }, scale);
        scale->addWidget(scaleButton(bench, [this] {
            readScaleOnce(bench_, this, [this](double kg) {
                read_->setText(bench_.text(Quantity::Mass, kg));
                take();
            });
        }));
        plan_ = button(
            tr("Plan the lead again"), "planAgain", [this] { planTheLead(bench_); }, scale);
        connect(read_, &QLineEdit::returnPressed, this, [this] { take(); });
        auto* layout = new QVBoxLayout(this);
        layout->setContentsMargins(12, 8, 12, 8);
        layout->addWidget(bait_, 0, Qt::AlignLeft);
        progress_->setObjectName(QStringLiteral("buildProgress"));
        layout->addWidget(progress_);
        layout->addWidget(table_, 1);
        layout->addWidget(clock_);
        layout->addWidget(buttons);
        layout->addWidget(words_);
        layout->addWidget(reading_);
        layout->addWidget(fault_);
        layout->addWidget(verdict_);
        connect(&bench.evaluator, &Evaluator::resultsChanged, this, [this] { fill(); });
        connect(&bench, &Workbench::benchChanged, this, [this] { fill(); });
        connect(&bench.builds, &BuildBook::changed, this, [this] { fill(); });
        connect(bait_, &QSpinBox::valueChanged, this, [this] { fill(); });
        connect(table_, &QTableWidget::currentCellChanged, this, [this] {
            if (!filling_) {
                showStep();
            }
        });
        auto* tick = new QTimer(this);
        connect(tick, &QTimer::timeout, this, [this] { showClock(); });
        tick->start(kTick_ms);
    }

  protected:
    void showEvent(QShowEvent* event) override {
        QWidget::showEvent(event);
        fill();
        // Where the work stands.
        if (casts() && !mouldStands(builds(), *design_)) {
            bait_->setValue(0);
        }
        for (size_t i = 0; i < steps_.size(); ++i) {
            if (recordOf(steps_[i]).state != StepRecord::State::Done) {
                table_->selectRow(int(i));
                break;
            }
        }
    }

  private:
    BuildBook& builds() { return bench_.builds; }
    bool casts() const { return design_ && design_->make.kind == MakeKind::Cast; }
    bool ofMould() const { return casts() && bait_->value() == 0; }
    QPushButton* button(const QString& label, const char* name, std::function<void()> run,
                        FlowLayout* line) {
        auto* made = new QPushButton(label);
        made->setObjectName(QLatin1String(name));
        connect(made, &QPushButton::clicked, this, std::move(run));
        line->addWidget(made);
        return made;
    }
    BuildBook::Key keyOf(const BuildStep& step) const {
        return {QString::fromStdString(bench_.design().name), bait_->value() - 1,
                QString::fromStdString(step.key())};
    }
    StepRecord recordOf(const BuildStep& step) { return builds().recordOf(keyOf(step)); }
    const BuildStep* chosen() const {
        const int row = table_->currentRow();
        return row >= 0 && row < int(steps_.size()) ? &steps_[size_t(row)] : nullptr;
    }
    BuildBook::Key key() const { return chosen() ? keyOf(*chosen()) : BuildBook::Key{}; }
    void tell(const std::optional<Error>& error) {
        if (error) {
            bench_.say(QStringLiteral("▲ ") + sentence(*error, bench_.bench()));
        }
    }
    QString titled(const BuildStep& step) const { return stepTitle(step, *design_); }

    QString stateWords(const BuildStep& step) {
        const StepRecord r = recordOf(step);
        switch (r.state) {
            case StepRecord::State::Waiting:
                return QString();
            case StepRecord::State::Working:
                return tr("in hand");
            case StepRecord::State::Paused:
                return tr("paused");
            case StepRecord::State::Done:
                return r.cures(builds().now()) ? tr("drying") : tr("✓ done");
        }
        return {};
    }

    void fill() {
        const ResultsPtr r = bench_.results();
        if (!r || !r->derived || filling_) {
            return;
        }
        filling_ = true;
        design_ = r->design;
        // The words for the least value are the mould's only where there is one.
        bait_->setSpecialValueText(casts() ? tr("the mould") : QString());
        bait_->setRange(casts() ? 0 : 1, r->design->building.baits);
        bait_->setVisible(casts() || r->design->building.baits > 1);
        there_->setVisible(ofMould());
        steps_ = ofMould() ? mouldSteps(*r->design) : buildSteps(*r->design, *r->derived);
        const int row = std::max(0, table_->currentRow());
        QList<QStringList> rows;
        int number = 0, done = 0;
        double worked = 0, left = 0;
        for (const BuildStep& step : steps_) {
            const StepRecord record = recordOf(step);
            const double so = record.workedBy_s(builds().now());
            const bool isDone = record.state == StepRecord::State::Done;
            done += isDone ? 1 : 0;
            worked += so;
            left += isDone ? 0.0 : std::max(0.0, step.work_s - so);
            rows << QStringList{QString::number(++number), titled(step), span(step.work_s),
                                step.cure_s > 0 ? span(step.cure_s) : QStringLiteral("–"),
                                stateWords(step)};
        }
        progress_->setText(tr("%1 of %2 done, %3 of work so far, about %4 to go")
                               .arg(done)
                               .arg(steps_.size())
                               .arg(span(worked), span(left)));
        table_->setRows({tr("no."), tr("Step"), tr("Hands on"), tr("Dries"), tr("State")}, rows);
        table_->selectRow(std::min(row, int(rows.size()) - 1));
        filling_ = false;
        showStep();
    }

    void showStep() {
        const BuildStep* step = chosen();
        const ResultsPtr r = bench_.results();
        if (step == nullptr || !r || !r->derived || r->design != design_) {
            return;
        }
        QStringList lines;
        for (const QString& line :
             {stepReason(*step, *design_), stepHow(*step, *design_, *r->derived, bench_.bench())}) {
            if (!line.isEmpty()) {
                lines << line;
            }
        }
        if (const QString caution = stepCaution(*step); !caution.isEmpty()) {
            lines << QStringLiteral("⚠ ") + caution;
        }
        words_->setText(lines.join(QLatin1Char('\n')));
        const StepRecord record = recordOf(*step);
        reading_->setVisible(step->reading.has_value());
        fault_->clear();
        verdict_->clear();
        if (step->reading) {
            read_->setPlaceholderText(
                tr("should read %1").arg(bench_.text(Quantity::Mass, step->reading->expected_kg)));
            if (!read_->hasFocus()) {
                read_->setText(record.read_kg ? bench_.text(Quantity::Mass, *record.read_kg)
                                              : QString());
            }
            plan_->setVisible(step->reading->what == ReadingOf::Body && record.read_kg &&
                              bait_->value() == 1);
        }
        verdict_->setText(record.read_kg && step->reading ? said_.value({key().bait, key().step})
                                                          : QString());
        begin_->setEnabled(record.state != StepRecord::State::Working &&
                           record.state != StepRecord::State::Done);
        pause_->setEnabled(record.state == StepRecord::State::Working);
        done_->setEnabled(record.state != StepRecord::State::Done);
        back_->setEnabled(record.state != StepRecord::State::Waiting);
        showClock();
    }

    // Work counts down, drying counts up.
    void showClock() {
        const BuildStep* step = chosen();
        if (step == nullptr) {
            clock_->clear();
            return;
        }
        const StepRecord r = recordOf(*step);
        const qint64 now = builds().now();
        const double left = step->work_s - r.workedBy_s(now);
        switch (r.state) {
            case StepRecord::State::Waiting:
                clock_->setText(tr("about %1 of work").arg(span(step->work_s)));
                break;
            case StepRecord::State::Working:
                clock_->setText(left >= 0 ? tr("%1 left").arg(span(left))
                                          : tr("%1 over").arg(span(left)));
                break;
            case StepRecord::State::Paused:
                clock_->setText(tr("paused after %1").arg(span(r.worked_s)));
                break;
            case StepRecord::State::Done:
                clock_->setText(r.cures(now)
                                    ? tr("dries since %1, of %2")
                                          .arg(span(double(now - r.since_s)), span(r.cure_s))
                                : r.worked_s > 0 ? tr("done in %1").arg(span(r.worked_s))
                                                 : tr("done"));
                break;
        }
    }

    void finish() {
        const BuildStep* step = chosen();
        if (step == nullptr) {
            return;
        }
        const QString bait = ofMould()                     ? tr("mould: ")
                             : design_->building.baits > 1 ? tr("bait %1: ").arg(bait_->value())
                                                           : QString();
        const QString cured = tr("%1, %2%3 has dried: go on.")
                                  .arg(QString::fromStdString(design_->name), bait, titled(*step));
        const int next = table_->currentRow() + 1;
        const auto error = builds().finish(key(), step->cure_s, cured);
        tell(error);
        if (!error && next < int(steps_.size())) {
            table_->selectRow(next);
        }
    }

    void take() {
        const BuildStep* step = chosen();
        const ResultsPtr r = bench_.results();
        if (step == nullptr || !step->reading || !r || !r->derived || r->design != design_) {
            return;
        }
        const ReadAmount read =
            readAmount(read_->text().toStdString(), Quantity::Mass, bench_.bench());
        if (read.fault != ReadFault::None) {
            fault_->setText(QStringLiteral("▲ ") +
                            sentence(readFaultError(read.fault, QStringLiteral("/tank/mass"),
                                                    Quantity::Mass, bench_.bench()),
                                     bench_.bench()));
            return;
        }
        constexpr double kLeast_kg = 1e-4, kMost_kg = 5.0;
        if (!(read.valueSi >= kLeast_kg && read.valueSi <= kMost_kg)) {
            fault_->setText(QStringLiteral("▲ ") + tr("A bait weighs between %1 and %2.")
                                                       .arg(bench_.text(Quantity::Mass, kLeast_kg),
                                                            bench_.text(Quantity::Mass, kMost_kg)));
            return;
        }
        const BuildBook::Key at = key();
        const StepReading reading = *step->reading;
        said_[{at.bait, at.step}] =
            verdictWords(judgeReading(*design_, *r->derived, reading, read.valueSi), reading,
                         *design_, bench_.bench());
        read_->clearFocus();
        if (const auto error = builds().setReading(at, read.valueSi)) {
            tell(error);
            return;
        }
        Design next = withReading(*design_, *r->derived, reading, read.valueSi);
        if (at.bait > 0) {
            if (reading.what == ReadingOf::Body) {
                said_[{at.bait, at.step}] += QLatin1Char(' ') + ownLead(next);
            }
        } else if (next != *design_) {
            bench_.document.endGesture();
            bench_.document.submit(std::move(next), tr("Take the reading of the scale"));
        }
        showStep();
    }

    // Made for an earlier batch, or lent.
    void mouldIsThere() {
        const std::vector<BuildStep> steps = steps_;  // each change makes the list anew
        for (const BuildStep& step : steps) {
            if (recordOf(step).state != StepRecord::State::Done) {
                tell(builds().finish(keyOf(step), 0.0, QString()));
            }
        }
        bait_->setValue(1);
    }

    void anew() {
        const QString name = QString::fromStdString(bench_.design().name);
        if (ofMould()) {
            tell(builds().forget(name, true));
            return;
        }
        const Answer answer =
            ask(this, {tr("Begin all anew"),
                       tr("All clocks and readings of “%1” are forgotten, of every bait of it. The "
                          "design stays, and a mould that is made.")
                           .arg(name),
                       tr("Keep them"), tr("Begin anew"), tr("Cancel")});
        if (answer == Answer::Second) {
            tell(builds().forget(name));
        }
    }

    // One of several whose body is lighter or heavier: the design stays that of the first, and its
    // own lead is told here.
    QString ownLead(const Design& read) const {
        const ResultsPtr r = bench_.results();
        const Result<LeadPlan> plan = planLead(read, r ? r->derived.get() : nullptr);
        if (!plan) {
            return QStringLiteral("▲ ") + sentence(plan.error(), bench_.bench());
        }
        QStringList plugs;
        for (size_t i = 0; i < plan->plugLengths_m.size(); ++i) {
            plugs << tr("%1: %2 (%3)")
                         .arg(QString::fromStdString(boreLetter(i)),
                              bench_.text(Quantity::Mass, plan->plugMasses_kg[i]),
                              bench_.text(Quantity::Length, plan->plugLengths_m[i]));
        }
        return tr("Lead for this one: %1. The design stays that of bait 1.")
            .arg(plugs.join(QStringLiteral(", ")));
    }

    Workbench& bench_;
    DesignPtr design_;
    std::vector<BuildStep> steps_;
    bool filling_ = false;
    QMap<QPair<int, QString>, QString> said_;  ///< of readings taken in this session
    QSpinBox* bait_;
    QLabel* progress_;
    PlainTable* table_;
    QLabel* clock_;
    QLabel* words_;
    QLabel* verdict_;
    QLineEdit* read_;
    QLabel* fault_;
    QWidget* reading_ = nullptr;
    QPushButton *begin_, *pause_, *done_, *back_, *anew_, *there_, *plan_;
};

}  // namespace

QWidget* makeStepsTab(Workbench& bench) {
    return new StepsTab(bench);
}

}  // namespace wl
