#include <QCheckBox>
#include <QComboBox>
#include <QDateTime>
#include <QFormLayout>
#include <QPushButton>

#include "app/kit/beside_page.h"
#include "app/kit/flow_layout.h"
#include "app/kit/form.h"
#include "app/kit/learner.h"
#include "app/kit/plain_label.h"
#include "app/kit/plain_table.h"
#include "app/kit/theme.h"
#include "app/pages/log/log_fields.h"
#include "app/pages/log/log_tabs.h"
#include "core/base/units.h"
#include "core/forecast/causes.h"
#include "words/cause_words.h"
#include "words/log_words.h"

namespace wl {
namespace {

// What one says of a bait at the water, as a figure with its error.
struct Said {
    QString words;
    double value;
    double error;
};

class TroubleTab : public BesidePage {
    Q_DECLARE_TR_FUNCTIONS(wl::TroubleTab)
  public:
    explicit TroubleTab(Workbench& bench)
        : BesidePage(bench),
          before_(new QCheckBox(tr("It swam right before"))),
          dry_(new OpenAmount(bench, QStringLiteral("troubleDry"), tr("Weighs dry"), Quantity::Mass,
                              1e-4, 5.0)),
          soaked_(new OpenAmount(bench, QStringLiteral("troubleSoaked"),
                                 tr("Weighs after half an hour under water"), Quantity::Mass, 1e-4,
                                 5.0)),
          table_(new PlainTable(QStringLiteral("causes"), tr("What may be behind it"))),
          words_(plainLabel()),
          next_(plainLabel()) {
        setObjectName(QStringLiteral("troubleTab"));
        before_->setObjectName(QStringLiteral("swamRight"));
        words_->setObjectName(QStringLiteral("causeWords"));
        next_->setObjectName(QStringLiteral("causeNext"));
        for (QLabel* label : {words_, next_}) {
            label->setWordWrap(true);
        }
        auto* sheet = new QWidget;
        auto* rows = new QFormLayout(sheet);
        rows->setRowWrapPolicy(QFormLayout::WrapLongRows);
        rows->addRow(before_);
        addAxis(rows, SymptomAxis::RunsAside, "troubleAside", tr("Runs"),
                {{tr("straight"), 0, 1.5 * kDegree},
                 {tr("a little to the left"), -3 * kDegree, 2 * kDegree},
                 {tr("a little to the right"), 3 * kDegree, 2 * kDegree},
                 {tr("hard to the left"), -10 * kDegree, 5 * kDegree},
                 {tr("hard to the right"), 10 * kDegree, 5 * kDegree}});
        addAxis(rows, SymptomAxis::Lean, "troubleLean", tr("Lies in the tub"),
                {{tr("upright"), 0, kDegree},
                 {tr("left side a little down"), -3 * kDegree, 2 * kDegree},
                 {tr("right side a little down"), 3 * kDegree, 2 * kDegree},
                 {tr("left side far down"), -10 * kDegree, 5 * kDegree},
                 {tr("right side far down"), 10 * kDegree, 5 * kDegree}});
        addAxis(rows, SymptomAxis::Nose, "troubleNose", tr("Nose in the tub"),
                {{tr("as foretold"), 0, kDegree},
                 {tr("a little low"), -3 * kDegree, 2 * kDegree},
                 {tr("a little high, tail-heavy"), 3 * kDegree, 2 * kDegree},
                 {tr("far down"), -10 * kDegree, 5 * kDegree},
                 {tr("far up, tail-heavy"), 10 * kDegree, 5 * kDegree}});
        addAxis(rows, SymptomAxis::Spare, "troubleSpare", tr("Floats"),
                {{tr("as foretold"), 0, 0.006},
                 {tr("a bit low"), -0.02, 0.01},
                 {tr("a bit high"), 0.02, 0.01},
                 {tr("far too low, or sinks"), -0.06, 0.03},
                 {tr("far too high"), 0.06, 0.03}});
        addAxis(rows, SymptomAxis::Depth, "troubleDepth", tr("Runs at a depth"),
                {{tr("as foretold"), 0, 0.07},
                 {tr("shallower"), -0.25, 0.12},
                 {tr("deeper"), 0.25, 0.12}});
        addAxis(
            rows, SymptomAxis::Beats, "troubleBeats", tr("Beats"),
            {{tr("as foretold"), 0, 0.06}, {tr("slower"), -0.2, 0.1}, {tr("quicker"), 0.2, 0.1}});
        addAxis(rows, SymptomAxis::Swing, "troubleSwing", tr("Swings"),
                {{tr("as foretold"), 0, 0.2},
                 {tr("weakly, dead"), -0.8, 0.4},
                 {tr("wildly"), 0.6, 0.3}});
        addAxis(
            rows, SymptomAxis::Cast, "troubleCast", tr("Flies"),
            {{tr("as foretold"), 0, 0.06}, {tr("shorter"), -0.2, 0.1}, {tr("farther"), 0.2, 0.1}});
        rows->addRow(tr("Weighs dry"), dry_);
        rows->addRow(tr("After ½ h under water"), soaked_);
        table_->setWhole();
        auto* bar = new QWidget;
        auto* line = new FlowLayout(bar);
        was_ = new QPushButton(tr("It was this: log it"));
        was_->setObjectName(QStringLiteral("causeWas"));
        was_->setToolTip(tr("The log learns how often each comes about"));
        clear_ = new QPushButton(tr("Begin anew"));
        clear_->setObjectName(QStringLiteral("troubleClear"));
        line->addWidget(was_);
        line->addWidget(clear_);
        auto* hint = plainLabel(tr(
            "Chances are for this very design: each cause is put into it and reckoned again. "
            "What is not seen tells as well: say so where you looked. What would mend the design "
            "itself stands under Swim, Tuning."));
        hint->setProperty("role", "quiet");
        hint->setWordWrap(true);
        content()->addWidget(formColumn({sheet, words_, table_, bar, next_, hint}));
        for (QLineEdit* edit : {dry_->line(), soaked_->line()}) {
            connect(edit, &QLineEdit::editingFinished, this, [this] { rank(); });
        }
        connect(before_, &QCheckBox::toggled, this, [this] { rank(); });
        connect(was_, &QPushButton::clicked, this, [this] { logCause(); });
        connect(clear_, &QPushButton::clicked, this, [this] {
            for (auto& [axis, box] : boxes_) {
                box->setCurrentIndex(0);
            }
            dry_->set({});
            soaked_->set({});
            rank();
        });
        connect(table_, &QTableWidget::itemSelectionChanged, this,
                [this] { was_->setEnabled(table_->currentRow() >= 0); });
        connect(&bench.log, &LogBook::changed, this, [this] { again(); });
    }

  protected:
    Beside::Work work(const Results& results) override {
        const auto derived = results.derived;
        const auto run = results.run;
        std::array<int, kCauses> confirmed{};
        for (const LogNote& n : bench().log.log().notes) {
            const auto* at = std::find(kCauseNames.begin(), kCauseNames.end(), n.cause);
            if (n.kind == NoteKind::Tuned && at != kCauseNames.end()) {
                ++confirmed[size_t(at - kCauseNames.begin())];
            }
        }
        if (!derived) {
            return {};
        }
        return [this, derived, run, confirmed](std::stop_token stop,
                                               const Beside::Progress&) -> Beside::Finish {
            const Run towed = run ? *run : computeRun(*derived, stop, kCoarseRetrieve);
            const CauseModel model = causesOf(*derived, towed, confirmed, stop);
            if (stop.stop_requested()) {
                return {};
            }
            return [this, model, mass = derived->mass->mass_kg] {
                model_ = model;
                mass_kg_ = mass;
                enableAxes();
                rank();
            };
        };
    }

  private:
    void addAxis(QFormLayout* rows, SymptomAxis axis, const char* name, const QString& label,
                 const std::vector<Said>& said) {
        auto* box = new QComboBox;
        box->setObjectName(QLatin1String(name));
        box->setAccessibleName(label);
        box->addItem(tr("not looked"));
        for (const Said& s : said) {
            box->addItem(s.words);
        }
        said_[axis] = said;
        boxes_[axis] = box;
        rows->addRow(label, box);
        connect(box, &QComboBox::currentIndexChanged, this, [this] { rank(); });
    }

    void enableAxes() {
        for (auto& [axis, box] : boxes_) {
            const bool told = model_.told[size_t(axis)];
            box->setEnabled(told);
            box->setToolTip(told ? QString() : tr("Nothing is reckoned of that for this bait"));
        }
    }

    void rank() {
        constexpr double kScale_kg = 0.00003;
        std::vector<SymptomSeen> seen;
        for (const auto& [axis, box] : boxes_) {
            const int at = box->currentIndex();
            if (at > 0 && box->isEnabled()) {
                const Said& s = said_[axis][size_t(at - 1)];
                seen.push_back({axis, s.value, s.error});
            }
        }
        std::optional<double> dry, soaked;
        const bool read = dry_->read(dry) && soaked_->read(soaked);
        if (dry && read) {
            seen.push_back({SymptomAxis::MassOver, *dry - mass_kg_, kScale_kg});
        }
        if (dry && soaked && read) {
            seen.push_back({SymptomAxis::MassGained, *soaked - *dry, 1.4 * kScale_kg});
        }
        const CauseAnswer answer = rankCauses(model_, seen, {}, before_->isChecked());
        QList<QStringList> rows;
        shown_.clear();
        for (const CauseRanked& c : answer.ranked) {
            if (rows.size() >= 3 && c.chance < 0.1) {
                break;
            }
            shown_.push_back(c);
            rows << QStringList{causeName(c, model_, bench().bench()), chanceWords(c.chance),
                                causeCure(c)};
        }
        table_->setRows({tr("Cause"), tr("Chance"), tr("What cures it")}, rows);
        was_->setEnabled(table_->currentRow() >= 0);
        QStringList lines;
        if (seen.empty()) {
            lines << tr(
                "Say what it does, and what you looked at and found right; till then the "
                "list is what comes about oftenest.");
        }
        if (!model_.sidesKnown) {
            lines << tr(
                "To which side this bait runs by a fault is not known to the reckoning: "
                "nothing is told of that.");
        }
        if (answer.somethingElse > 0.2) {
            lines << tr("Something else than these: %1.").arg(chanceWords(answer.somethingElse));
        }
        if (answer.nothing > 0.3) {
            lines << tr("Nothing at all, a good bait on a bad day: %1.")
                         .arg(chanceWords(answer.nothing));
        }
        if (!seen.empty() && !answer.ranked.empty() && answer.ranked.front().chance < 0.2 &&
            answer.nothing < 0.3) {
            lines << tr("No single cause stands out: it may be several small ones.");
        }
        words_->setText(lines.join(QLatin1Char('\n')));
        QStringList checks;
        for (const CauseCheck& check : answer.checks) {
            constexpr double kWorth_bits = 0.02;
            if (checks.size() >= 3 || check.bits < kWorth_bits) {
                break;
            }
            checks << tr("%1 (%n minute(s))", nullptr, int(std::lround(check.minutes)))
                          .arg(checkWords(check));
        }
        next_->setText(checks.isEmpty() ? QString()
                                        : tr("Look at next:") + QLatin1Char('\n') +
                                              checks.join(QLatin1Char('\n')));
    }

    // "Floats: a bit low, Weighs dry: 18.9 g".
    QString seenWords() const {
        QStringList words;
        for (const auto& [axis, box] : boxes_) {
            if (box->currentIndex() > 0 && box->isEnabled()) {
                words << QStringLiteral("%1: %2").arg(box->accessibleName(), box->currentText());
            }
        }
        for (const OpenAmount* field : {dry_, soaked_}) {
            if (!field->typed().isEmpty()) {
                words << QStringLiteral("%1: %2").arg(field->label(), field->typed());
            }
        }
        return words.join(QStringLiteral(", "));
    }

    void logCause() {
        const int row = table_->currentRow();
        if (row < 0 || row >= int(shown_.size())) {
            return;
        }
        const CauseRanked& c = shown_[size_t(row)];
        LogNote note;
        note.bait = bench().design().name;
        note.copy = Learner::of(bench()).copy();
        note.outing = Learner::of(bench()).outing();
        note.at_s = QDateTime::currentSecsSinceEpoch();
        LogNote trouble = note;
        trouble.kind = NoteKind::Symptom;
        trouble.words = seenWords().toStdString();
        note.kind = NoteKind::Tuned;
        note.cause = kCauseNames[size_t(c.cause)];
        note.words = causeName(c, model_, bench().bench()).toStdString();
        auto error = keepBait(bench());
        if (!error && !trouble.words.empty()) {
            error = bench().log.put(trouble);
        }
        if (!error) {
            error = bench().log.put(note);
        }
        bench().say(error ? QStringLiteral("▲ ") + sentence(*error, bench().bench())
                          : tr("Logged: it was %1").arg(QString::fromStdString(note.words)));
    }

    CauseModel model_;
    double mass_kg_ = 0.0;
    std::map<SymptomAxis, std::vector<Said>> said_;
    std::map<SymptomAxis, QComboBox*> boxes_;
    std::vector<CauseRanked> shown_;
    QCheckBox* before_;
    OpenAmount *dry_, *soaked_;
    PlainTable* table_;
    QLabel *words_, *next_;
    QPushButton *was_ = nullptr, *clear_ = nullptr;
};

}  // namespace

QWidget* makeTroubleTab(Workbench& bench) {
    return new TroubleTab(bench);
}

}  // namespace wl
