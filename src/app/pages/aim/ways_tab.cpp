#include <QCoreApplication>

#include "app/kit/beside_page.h"
#include "app/kit/flow_layout.h"
#include "app/kit/plain_label.h"
#include "app/kit/plain_table.h"
#include "app/kit/theme.h"
#include "app/pages/aim/aim_tabs.h"
#include "app/pages/aim/trial_cloud.h"
#include "app/pages/aim/way_words.h"
#include "core/reckon/evaluate.h"

namespace wl {
namespace {

/// Ways in a list, best first, then what else would do; the chosen one in words; every trial as a
/// point of depth against swing, of which one may be chosen as well.
class WaysTab : public BesidePage {
    Q_DECLARE_TR_FUNCTIONS(WaysTab)
  public:
    explicit WaysTab(Workbench& bench)
        : BesidePage(bench),
          take_(new QPushButton(tr("Take it over"))),
          table_(new PlainTable(QStringLiteral("aimWays"), tr("Ways to what is wished"))),
          ceiling_(plainLabel()),
          words_(plainLabel()),
          cloud_(new TrialCloud(bench)) {
        setObjectName(QStringLiteral("waysTab"));
        take_->setObjectName(QStringLiteral("takeWay"));
        take_->setToolTip(tr("The chosen way becomes the bait, as one step to undo"));
        take_->setEnabled(false);
        auto* bar = new QWidget;
        auto* top = new FlowLayout(bar);
        top->addWidget(take_);
        top->addWidget(table_->wideButton(bench));
        table_->setShort({0, 1, 2});
        ceiling_->setObjectName(QStringLiteral("aimCeiling"));
        ceiling_->setProperty("role", "quiet");
        ceiling_->setWordWrap(true);
        words_->setObjectName(QStringLiteral("aimWords"));
        words_->setWordWrap(true);
        words_->setTextInteractionFlags(Qt::TextSelectableByMouse);
        content()->addWidget(bar);
        content()->addWidget(ceiling_);
        content()->addWidget(table_, 3);
        content()->addWidget(scrolling(words_), 3);
        content()->addWidget(cloud_, 2);
        connect(table_, &QTableWidget::itemSelectionChanged, this, [this] {
            if (table_->currentRow() >= 0) {
                point_ = -1;
            }
            tell();
        });
        connect(take_, &QPushButton::clicked, this, [this] { takeOver(); });
        connect(cloud_, &TrialCloud::chosen, this, [this](int trial) { choosePoint(trial); });
        connect(&bench, &Workbench::benchChanged, this, [this] { fill(); });
        connect(&Learner::of(bench), &Learner::changed, this, [this] {
            if (differs(aimLog(this->bench()), log_)) {
                again();
            }
        });
    }

    // A list that goes takes its choice with it, and would tell of it to what is gone already.
    ~WaysTab() override { table_->blockSignals(true); }

  protected:
    void showEvent(QShowEvent* event) override {
        BesidePage::showEvent(event);
        dashes_.reset();  // taken off the bait meanwhile
        tell();
    }
    Beside::Work work(const Results& results) override {
        const auto derived = results.derived;
        const quint64 asked = ++asked_;
        answer_ = {};
        refusal_.clear();
        drawn_ = results.design;
        log_ = aimLog(bench());
        point_ = -1;
        fill();
        if (!derived) {
            return {};
        }
        return [this, derived, asked, log = log_](
                   std::stop_token stop, const Beside::Progress& progress) -> Beside::Finish {
            AimWish wish = wishOf(*derived);
            wish.log = log;
            wish.sinkSeen = derived->sinkSeen;
            // Each way is shown as it is found; one found for an older wish is not.
            const auto found = [this, asked](const AimAnswer& soFar) {
                QMetaObject::invokeMethod(
                    this,
                    [this, asked, soFar] {
                        if (asked == asked_) {
                            answer_ = soFar;
                            fill();
                        }
                    },
                    Qt::QueuedConnection);
            };
            const Result<AimAnswer> made =
                aim(*derived->design, wish, derived->model, stop, found, progress);
            if (stop.stop_requested()) {
                return {};
            }
            std::optional<Error> refusal;
            AimAnswer answer;
            if (made) {
                answer = *made;
            } else {
                refusal = made.error();
            }
            return [this, answer, refusal] {
                ++asked_;  // nothing found on the way comes after it
                answer_ = answer;
                refusal_ = refusal ? QStringLiteral("▲ ") + sentence(*refusal, bench().bench())
                                   : QString();
                fill();
            };
        };
    }

  private:
    int wayCount() const { return int(answer_.ways.size()); }
    // The relaxations that would do come after the ways.
    std::vector<AimRelaxation> offers() const {
        std::vector<AimRelaxation> enough;
        for (const AimRelaxation& relaxation : answer_.relaxations) {
            if (relaxation.met) {
                enough.push_back(relaxation);
            }
        }
        return enough;
    }

    void fill() {
        const bool chosen = table_->currentRow() > 0;
        const int row = table_->currentRow();
        QList<QStringList> rows;
        for (const AimWay& way : answer_.ways) {
            QStringList chances;
            for (const double chance : way.chances) {
                chances << QLocale().toString(int(std::lround(100 * chance)));
            }
            rows << QStringList{
                wayName(way, answer_.levers),
                toldWords(bench(), way.told),
                way.met ? tr("%1 %").arg(chances.join(QStringLiteral(" · "))) : tr("▲ misses"),
                drawn_ ? changeWords(bench(), answer_.levers, way.values, *drawn_) : QString(),
                way.price.slotRecut ? tr("cut anew") : tr("stays"),
                bench().text(Quantity::Mass, way.price.leadMore_kg),
                bench().text(Quantity::Length, way.price.leastWall_m)};
        }
        for (const AimRelaxation& offer : offers()) {
            rows << QStringList{tr("With %1").arg(relaxedWords(bench(), offer)),
                                toldWords(bench(), offer.told),
                                tr("would do"),
                                QString(),
                                QString(),
                                QString(),
                                QString()};
        }
        table_->setRows({tr("Way"), tr("Gives"), tr("Chances"), tr("Change"), tr("Slot"),
                         tr("Lead more"), tr("Least wall")},
                        rows);
        if (!rows.isEmpty() && point_ < 0) {
            table_->selectRow(chosen && row < rows.size() ? row : 0);
        }
        QStringList promised;
        if (!answer_.targets.empty()) {
            promised << ceilingWords(answer_, bench().design().aim.relative) << taughtWords(log_);
            promised.removeAll(QString());
        }
        ceiling_->setText(promised.join(QLatin1Char('\n')));
        tell();
    }

    void tell() {
        const int row = table_->currentRow();
        QStringList lines;
        bool takes = false;
        if (!refusal_.isEmpty()) {
            lines << refusal_;
        } else if (point_ >= 0) {
            const AimPoint& p = answer_.points[size_t(point_)];
            AimValues told;
            told.told[size_t(AimMeasure::Depth)] = p.depth_m;
            told.told[size_t(AimMeasure::Swing)] = p.swing_rad;
            const QString changes = changeWords(bench(), answer_.levers, p.values, *drawn_);
            lines << tr("A trial: %1.").arg(changes.isEmpty() ? tr("as drawn") : changes)
                  << tr("Gives about %1; chance of all %2.")
                         .arg(toldWords(bench(), told), bench().text(Quantity::Fraction, p.chance));
            if (!changes.isEmpty()) {
                lines << provenWords();
                takes = proven_ && !proven_->refusal;
            }
        } else if (row >= 0 && row < wayCount() && drawn_) {
            const AimWay& way = answer_.ways[size_t(row)];
            lines = wayWords(bench(), way, answer_, *drawn_);
            takes = way.fault == AimTrial::Fault::None && !(way.design == *drawn_);
            if (row == 0) {
                lines = shortfallWords(bench(), answer_) + lines;
            }
        } else if (row >= wayCount() && row < wayCount() + int(offers().size())) {
            const AimRelaxation offer = offers()[size_t(row - wayCount())];
            lines << tr("With %1 a trial gives %2: taken over, the ways are looked for again.")
                         .arg(relaxedWords(bench(), offer), toldWords(bench(), offer.told));
            takes = offer.what.front() != AimRelaxation::What::LongerLip;
            if (!takes) {
                lines << tr("Draw the lip longer first: the range goes with it.");
            }
        }
        take_->setEnabled(takes);
        words_->setText(lines.join(QStringLiteral("\n")));
        showCloud();
        dash();
    }

    // What has come of the chosen trial so far.
    QStringList provenWords() {
        if (!proven_) {
            return {tr("Its lead is being planned, and all of it reckoned.")};
        }
        if (proven_->refusal) {
            return {QStringLiteral("▲ ") + sentence(*proven_->refusal, bench().bench())};
        }
        QStringList lines{tr("Its lead planned and all of it reckoned, it gives %1.")
                              .arg(toldWords(bench(), proven_->told))};
        if (!proven_->leadMet) {
            lines << tr("▲ Its bores do not bring it to rest as wanted.");
        }
        return lines;
    }

    /// What is chosen: a way's design, or a trial's with the lead as it is.
    std::optional<Design> chosenDesign() {
        const int row = table_->currentRow();
        const ResultsPtr results = bench().results();
        if (!drawn_ || !results || !results->derived || results->design != drawn_) {
            return std::nullopt;
        }
        if (point_ >= 0) {
            Design design = *drawn_;
            const AimPoint& point = answer_.points[size_t(point_)];
            for (size_t i = 0; i < point.values.size(); ++i) {
                setLever(design, results->derived->shape->curves, answer_.levers[i].kind,
                         point.values[i]);
            }
            return design;
        }
        return row >= 0 && row < wayCount() ? std::optional(answer_.ways[size_t(row)].design)
                                            : std::nullopt;
    }

    // Over the bait, dashed: reckoned beside, the latest choice alone.
    void dash() {
        if (!isVisible()) {
            return;  // what stands dashed is being looked at elsewhere
        }
        const std::optional<Design> chosen = chosenDesign();
        if (!chosen || *chosen == *drawn_) {
            reckoned_.cancel();
            dashes_.reset();
            proven_.reset();
            bench().setDashed({});
            return;
        }
        if (dashes_ == chosen) {
            return;
        }
        dashes_ = chosen;
        const int row = table_->currentRow();
        const QString label =
            point_ >= 0 ? tr("a trial") : wayName(answer_.ways[size_t(row)], answer_.levers);
        const auto near = bench().results()->derived;
        const bool trial = point_ >= 0;
        proven_.reset();
        reckoned_.start([this, design = *chosen, near, label, trial, log = log_](
                            std::stop_token stop, const Beside::Progress&) -> Beside::Finish {
            Proven proven;
            auto other = std::make_shared<OtherBait>();
            other->label = label;
            if (trial) {
                Result<LeadPlan> plan = planLead(design, near.get(), stop);
                proven.refusal = plan ? std::nullopt : std::optional(plan.error());
                if (plan) {
                    proven.design = plan->design;
                    proven.leadMet = isMet(*plan);
                    other->derived = plan->reached;
                }
            } else if (Result<Derived> derived = evaluate(design, near.get(), near->model)) {
                other->derived = std::make_shared<const Derived>(std::move(derived).value());
            }
            if (other->derived) {
                other->run =
                    std::make_shared<const Run>(computeRun(*other->derived, stop, kFineRetrieve));
                const Swim swim = swimOf(*other->derived, *other->run);
                proven.told = asSeen(valuesOf(*other->derived, *other->run, &swim), log);
            }
            if (stop.stop_requested()) {
                return {};
            }
            return [this, other, trial, proven] {
                bench().setDashed(other->derived ? other : nullptr);
                if (trial && point_ >= 0) {
                    proven_ = proven;
                    tell();
                }
            };
        });
    }

    void takeOver() {
        const int row = table_->currentRow();
        bench().document.endGesture();
        // An edit made since would be undone by it without a word.
        if (!drawn_ || !(*drawn_ == bench().design())) {
            bench().say(tr("▲ The bait has changed since: its ways are looked for anew."));
            return;
        }
        if (point_ >= 0) {
            takePoint();
        } else if (row >= 0 && row < wayCount()) {
            const AimWay& way = answer_.ways[size_t(row)];
            bench().document.submit(Design(way.design),
                                    tr("Aim: %1").arg(wayName(way, answer_.levers)));
        } else if (row >= wayCount() && row < wayCount() + int(offers().size())) {
            const AimRelaxation offer = offers()[size_t(row - wayCount())];
            bench().document.submit(withRelaxation(bench().design(), offer),
                                    tr("Aim: %1").arg(relaxedWords(bench(), offer)));
        }
    }

    void takePoint() {
        if (proven_ && !proven_->refusal) {
            bench().document.submit(Design(proven_->design), tr("Aim: a trial"));
        }
    }

    void showCloud() {
        const int row = table_->currentRow();
        const bool way = row >= 0 && row < wayCount();
        cloud_->setTrials(answer_, point_, way ? &answer_.ways[size_t(row)] : nullptr);
    }

    void choosePoint(int point) {
        if (point != point_) {
            proven_.reset();
        }
        point_ = point;
        const QSignalBlocker quiet(table_);
        table_->setCurrentCell(-1, -1);
        table_->clearSelection();
        tell();
    }

    QPushButton* take_;
    PlainTable* table_;
    QLabel* ceiling_;
    QLabel* words_;
    TrialCloud* cloud_;
    AimAnswer answer_;
    QString refusal_;
    DesignPtr drawn_;
    AimLog log_;      ///< what is shown, or being sought, was sought with
    int point_ = -1;  ///< of the cloud, chosen; -1: none
    quint64 asked_ = 0;
    /// The chosen trial with its lead planned, gone through the full chain.
    struct Proven {
        Design design;
        AimValues told;
        bool leadMet = false;
        std::optional<Error> refusal;
    };
    std::optional<Proven> proven_;
    std::optional<Design> dashes_;  ///< what stands dashed, or is being reckoned to
    Beside reckoned_;               // last: its thread ends before what it reports to
};

}  // namespace

QWidget* makeWaysTab(Workbench& bench) {
    return new WaysTab(bench);
}

}  // namespace wl
