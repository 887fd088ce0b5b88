#include <QFileDialog>
#include <QGridLayout>
#include <QSpinBox>
#include <QTimeEdit>

#include "app/kit/beside_page.h"
#include "app/kit/flow_layout.h"
#include "app/kit/form.h"
#include "app/kit/plain_label.h"
#include "app/kit/plain_table.h"
#include "app/kit/theme.h"
#include "app/pages/build/batch_strip.h"
#include "app/pages/build/build_tabs.h"
#include "builds/calendar.h"
#include "builds/evenings.h"
#include "core/making/mould_steps.h"
#include "files/whole_file.h"
#include "words/build_words.h"

namespace wl {
namespace {

constexpr int kWeeks = 16;
constexpr std::uint32_t kBatchSeed = 1;

class BatchTab : public BesidePage {
    Q_DECLARE_TR_FUNCTIONS(wl::BatchTab)
  public:
    explicit BatchTab(Workbench& bench)
        : BesidePage(bench),
          hours_(readBenchHours()),
          tonight_(plainLabel()),
          when_(plainLabel()),
          strip_(new BatchStrip),
          table_(new PlainTable(QStringLiteral("batchSteps"), tr("The batch, step by step"))) {
        setObjectName(QStringLiteral("batchTab"));
        tonight_->setObjectName(QStringLiteral("tonight"));
        tonight_->setFont(type(Type::Body, true));
        when_->setObjectName(QStringLiteral("batchDone"));
        for (QLabel* label : {tonight_, when_}) {
            label->setWordWrap(true);
        }
        auto* baits = new Form(bench, tr("How many"));
        baits->field("/building/baits");
        calendar_ = new QPushButton(tr("Save for a calendar…"));
        calendar_->setObjectName(QStringLiteral("saveCalendar"));
        calendar_->setToolTip(tr("The steps as an iCalendar file"));
        calendar_->setEnabled(false);  // before there is a plan
        connect(calendar_, &QPushButton::clicked, this, [this] { saveCalendar(); });
        path_ = new QLineEdit;
        path_->setObjectName(QStringLiteral("calendarPath"));
        path_->setAccessibleName(tr("File to save to"));
        path_->setPlaceholderText(tr("file name, or leave empty to choose"));
        table_->setWhole();
        content()->addWidget(
            formColumn({tonight_, when_, strip_, baits, hoursSheet(), calendar_, path_, table_}));
        connect(&bench.builds, &BuildBook::changed, this, [this] { again(); });
    }

  protected:
    Beside::Work work(const Results& results) override {
        if (!results.derived) {
            return {};
        }
        Plan plan;
        plan.design = results.design;
        const auto steps = buildSteps(*results.design, *results.derived);
        const QString build = QString::fromStdString(results.design->name);
        const qint64 now = bench().builds.now();
        // What is left of the steps of one bait or of the mould.
        const auto add = [&](int bait, const std::vector<BuildStep>& of) {
            std::vector<BatchTask> tasks;
            std::vector<BuildStep> left;
            double ready = 0;
            for (const BuildStep& step : of) {
                const StepRecord r =
                    bench().builds.recordOf({build, bait, QString::fromStdString(step.key())});
                if (r.state == StepRecord::State::Done) {
                    ready = std::max(ready, double(r.since_s) + r.cure_s - double(now));
                    continue;
                }
                const double worked = r.workedBy_s(now);
                tasks.push_back(
                    {std::max(60.0, step.work_s - worked), step.cure_s, step.place, step.splits});
                left.push_back(step);
            }
            // What still dries of the last one is a wait before the next.
            plan.wait.push_back(std::max(0.0, ready));
            plan.tasks.push_back(std::move(tasks));
            plan.steps.push_back(std::move(left));
        };
        plan.baits = size_t(results.design->building.baits);
        for (int b = 0; b < int(plan.baits); ++b) {
            add(b, steps);
        }
        plan.mould = !mouldStands(bench().builds, *results.design);
        if (plan.mould) {
            add(BuildBook::kMould, mouldSteps(*results.design));
        }
        plan.now_s = double(now);
        plan.shop = workshopOf(hours_, QDateTime::fromSecsSinceEpoch(now), kWeeks);
        return
            [this, plan](std::stop_token stop, const Beside::Progress&) mutable -> Beside::Finish {
                for (size_t b = 0; b < plan.tasks.size(); ++b) {
                    if (plan.wait[b] > 0 && !plan.tasks[b].empty()) {
                        // No hands: it only cures, from now on.
                        plan.tasks[b].insert(plan.tasks[b].begin(),
                                             {0.0, plan.wait[b], WaitPlace::None, false});
                        plan.steps[b].insert(plan.steps[b].begin(), BuildStep{});
                        plan.waits.push_back(b);
                    }
                }
                std::vector<std::vector<BatchTask>> baits = plan.tasks;
                std::vector<BatchTask> mould;
                if (plan.mould) {
                    mould = baits.back();
                    baits.pop_back();
                }
                plan.schedule = scheduleAfter(mould, baits, plan.shop, kBatchSeed, stop);
                if (stop.stop_requested()) {
                    return {};
                }
                return [this, plan] { show(plan); };
            };
    }

  private:
    struct Plan {
        DesignPtr design;
        std::vector<std::vector<BatchTask>> tasks;
        std::vector<std::vector<BuildStep>> steps;
        std::vector<double> wait;
        std::vector<size_t> waits;  ///< baits whose first task is but a wait
        size_t baits = 0;
        bool mould = false;  ///< to be made first: the list after the baits'
        Workshop shop;
        Schedule schedule;
        double now_s = 0.0;
        bool isWait(const PlacedTask& t) const {
            return t.task == 0 && std::find(waits.begin(), waits.end(), t.bait) != waits.end();
        }
    };

    QWidget* hoursSheet() {
        auto* sheet = new QWidget;
        auto* grid = new QGridLayout(sheet);
        grid->setContentsMargins(0, 0, 0, 0);
        auto* head = plainLabel(tr("Evenings at the bench"));
        head->setFont(type(Type::Body, true));
        grid->addWidget(head, 0, 0, 1, 4);
        auto* days = new QWidget;
        auto* line = new FlowLayout(days);
        for (int day = 0; day < 7; ++day) {
            auto* tick = new QCheckBox(QLocale().dayName(day + 1, QLocale::ShortFormat));
            tick->setObjectName(QStringLiteral("benchDay%1").arg(day));
            tick->setChecked(hours_.days[size_t(day)]);
            connect(tick, &QCheckBox::toggled, this, [this, day](bool on) {
                hours_.days[size_t(day)] = on;
                keep();
            });
            line->addWidget(tick);
        }
        grid->addWidget(days, 1, 0, 1, 4);
        auto* from = new QTimeEdit(hours_.from);
        from->setObjectName(QStringLiteral("benchFrom"));
        from->setAccessibleName(tr("From"));
        from->setDisplayFormat(QStringLiteral("HH:mm"));
        connect(from, &QTimeEdit::timeChanged, this, [this](QTime time) {
            hours_.from = time;
            keep();
        });
        auto* hours = new QDoubleSpinBox;
        hours->setObjectName(QStringLiteral("benchHours"));
        hours->setAccessibleName(tr("Hours"));
        hours->setRange(0.25, 12);
        hours->setSingleStep(0.25);
        hours->setSuffix(tr(" h"));
        hours->setValue(hours_.long_s / 3600);
        connect(hours, &QDoubleSpinBox::valueChanged, this, [this](double h) {
            hours_.long_s = 3600 * h;
            keep();
        });
        grid->addWidget(plainLabel(tr("From")), 2, 0);
        grid->addWidget(from, 2, 1);
        grid->addWidget(plainLabel(tr("for")), 2, 2);
        grid->addWidget(hours, 2, 3);
        int row = 3;
        const auto places = [&](const QString& label, const char* name, int& value) {
            auto* box = new QSpinBox;
            box->setObjectName(QLatin1String(name));
            box->setAccessibleName(label);
            box->setRange(1, 200);
            box->setValue(value);
            connect(box, &QSpinBox::valueChanged, this, [this, &value](int places_) {
                value = places_;
                keep();
            });
            grid->addWidget(plainLabel(label), row, 0, 1, 3);
            grid->addWidget(box, row++, 3);
        };
        places(tr("Places on the turner"), "placesTurner", hours_.turner);
        places(tr("Places on the drying rack"), "placesRack", hours_.rack);
        places(tr("Clamps"), "placesClamps", hours_.clamps);
        places(tr("Moulds"), "placesMoulds", hours_.moulds);
        places(tr("Printers"), "placesPrinters", hours_.printers);
        return sheet;
    }

    void keep() {
        keepBenchHours(hours_);
        again();
    }

    static QString timeWords(double seconds) {
        return QLocale().toString(QDateTime::fromSecsSinceEpoch(qint64(seconds)),
                                  QStringLiteral("ddd d MMM HH:mm"));
    }

    QString titled(const Plan& plan, const PlacedTask& t) const {
        const QString title = stepTitle(plan.steps[t.bait][t.task], *plan.design);
        return plan.baits > 1 && t.bait < plan.baits ? tr("%1 (bait %2)").arg(title).arg(t.bait + 1)
                                                     : title;
    }

    void show(const Plan& plan) {
        plan_ = plan;
        strip_->setSchedule(plan.schedule, plan.baits, plan.mould, plan.now_s);
        QList<QStringList> rows;
        QStringList tonight;
        double evening = 0;
        for (const PlacedTask& t : plan.schedule.tasks) {
            if (plan.isWait(t)) {
                continue;
            }
            if (rows.isEmpty()) {
                for (const Evening& e : plan.shop.evenings) {
                    evening = t.from_s >= e.from_s - 1 && t.from_s <= e.to_s ? e.to_s : evening;
                }
            }
            if (t.from_s < evening) {
                tonight << titled(plan, t);
            }
            rows << QStringList{timeWords(t.from_s), titled(plan, t), timeWords(t.ready_s)};
        }
        const bool none = rows.isEmpty();
        const auto first = std::find_if(plan.schedule.tasks.begin(), plan.schedule.tasks.end(),
                                        [&plan](const PlacedTask& t) { return !plan.isWait(t); });
        tonight_->setText(
            none ? (plan.schedule.whole ? tr("All is done.") : tr("▲ No evening to work on."))
                 : tr("%1: %2").arg(QLocale().toString(
                                        QDateTime::fromSecsSinceEpoch(qint64(first->from_s)).date(),
                                        QStringLiteral("dddd d MMMM")),
                                    joined(tonight)));
        when_->setText(none ? QString()
                       : plan.schedule.whole
                           ? tr("Done %1.").arg(timeWords(plan.schedule.done_s))
                           : tr("▲ %n week(s) of these evenings are not enough.", nullptr, kWeeks));
        table_->setRows({tr("From"), tr("Step"), tr("Ready")}, rows);
        calendar_->setEnabled(!none);
    }

    // The same step of several baits is said once.
    static QString joined(const QStringList& steps) {
        constexpr qsizetype kMost = 6;
        QStringList list = steps;
        list.removeDuplicates();
        const qsizetype more = list.size() - kMost;
        if (more > 0) {
            list = list.mid(0, kMost);
            list << tr("and %n more", nullptr, int(more));
        }
        return list.join(QStringLiteral("; "));
    }

    void saveCalendar() {
        QString file = path_->text().trimmed();
        if (file.isEmpty()) {
            file =
                QFileDialog::getSaveFileName(window(), tr("Save for a calendar"),
                                             QStringLiteral("bench.ics"), tr("iCalendar (*.ics)"));
        }
        if (file.isEmpty()) {
            return;
        }
        std::vector<CalendarEntry> entries;
        for (const PlacedTask& t : plan_.schedule.tasks) {
            if (!plan_.isWait(t)) {
                entries.push_back({titled(plan_, t), t.from_s, t.to_s});
            }
        }
        const std::string text = calendarOf(QString::fromStdString(plan_.design->name), entries);
        if (const auto error = writeWholeFile(file.toStdU16String(), text)) {
            bench().say(QStringLiteral("▲ ") + sentence(*error, bench().bench()));
        } else {
            bench().say(tr("%n step(s) saved to %1.", nullptr, int(entries.size())).arg(file));
        }
    }

    BenchHours hours_;
    Plan plan_;
    QLabel* tonight_;
    QLabel* when_;
    BatchStrip* strip_;
    PlainTable* table_;
    QPushButton* calendar_ = nullptr;
    QLineEdit* path_ = nullptr;
};

}  // namespace

QWidget* makeBatchTab(Workbench& bench) {
    return new BatchTab(bench);
}

}  // namespace wl
