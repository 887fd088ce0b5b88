#include <QFileDialog>
#include <QListWidget>
#include <QPushButton>
#include <set>

#include "app/kit/beside_page.h"
#include "app/kit/flow_layout.h"
#include "app/kit/form.h"
#include "app/kit/learner.h"
#include "app/kit/plain_label.h"
#include "app/kit/plain_table.h"
#include "app/kit/theme.h"
#include "app/kit/typed_lengths.h"
#include "app/pages/log/log_tabs.h"
#include "core/cast/throws.h"
#include "core/design/fields.h"
#include "core/plan/size_series.h"
#include "core/reckon/evaluate.h"
#include "files/design_file.h"
#include "session/field_words.h"
#include "session/words.h"
#include "words/log_words.h"

namespace wl {
namespace {

// A number of a bait beside those of others; `matters` is a difference one would notice.
struct Figure {
    QString name;
    Quantity quantity;
    double matters;  // of the figure, or of its ln where `ratio`
    bool ratio;
    std::function<std::optional<double>(const Derived&, const Run&, const RawForecast&)> of;
    std::optional<NoteKind> kind = {};  // the log may teach of it
};

const std::vector<Figure>& figures() {
    using D = Derived;
    using R = Run;
    using F = RawForecast;
    static const std::vector<Figure> all{
        {tr("weighs"), Quantity::Mass, 0.2e-3, false,
         [](const D& d, const R&, const F&) { return std::optional(d.mass->mass_kg); }},
        {tr("long"), Quantity::Length, 1e-3, false,
         [](const D& d, const R&, const F&) { return std::optional(d.shape->sizes.length_m); }},
        {tr("spare"), Quantity::Fraction, 0.01, false,
         [](const D& d, const R&, const F&) { return std::optional(d.rest->spare); }},
        {tr("nose up at rest"), Quantity::Angle, 1.5 * kDegree, false,
         [](const D&, const R&, const F& f) { return f.of(NoteKind::Nose); }},
        {tr("sinks at"), Quantity::Speed, 0.02, false,
         [](const D&, const R&, const F& f) { return f.of(NoteKind::Sink); }, NoteKind::Sink},
        {tr("runs at"), Quantity::Distance, 0.08, true,
         [](const D&, const R&, const F& f) { return f.of(NoteKind::Depth); }, NoteKind::Depth},
        {tr("pulls, level"), Quantity::Force, 0.1, true,
         [](const D&, const R& r, const F&) {
             return r.levelTrim ? std::optional(r.levelTrim->tension_N) : std::nullopt;
         }},
        {tr("beats a second"), Quantity::Number, 0.06, true,
         [](const D&, const R&, const F& f) { return f.of(NoteKind::Beats); }, NoteKind::Beats},
        {tr("swings to a side"), Quantity::Angle, 0.15, true,
         [](const D&, const R&, const F& f) { return f.of(NoteKind::Swing); }, NoteKind::Swing},
        {tr("flies"), Quantity::Distance, 0.06, true,
         [](const D&, const R&, const F& f) { return f.of(NoteKind::Cast); }, NoteKind::Cast}};
    return all;
}

struct Compared {
    std::shared_ptr<const Derived> derived;
    std::shared_ptr<const Run> run;
    RawForecast raw;
    std::vector<LearntFigure> learnt;
    // As it will be seen, and whether the log says so.
    std::optional<double> seen(const Figure& f, bool& byLog) const {
        const std::optional<double> told = f.of(*derived, *run, raw);
        const auto factor = f.kind ? taughtOf(learnt, *f.kind) : std::nullopt;
        byLog = told && factor;
        return byLog ? std::optional(*told * factor->middle) : told;
    }
};

// `place`: what the log calls it.
std::optional<Compared> reckoned(const Design& design, LogFits& fits, const LogPlace& place,
                                 const std::stop_token& stop) {
    Result<Derived> derived = evaluate(design);
    if (!derived) {
        return std::nullopt;
    }
    Compared c;
    c.derived = std::make_shared<const Derived>(std::move(derived).value());
    c.run = std::make_shared<const Run>(computeRun(*c.derived, stop));
    const Swim swim = swimOf(*c.derived, *c.run);
    c.raw = rawForecast(*c.derived, c.run.get(), &swim, middleDistance_m(*c.derived), {});
    c.learnt = learntFigures(c.raw, c.raw, fits, place, stop);
    return c;
}

class CompareTab : public BesidePage {
    Q_DECLARE_TR_FUNCTIONS(wl::CompareTab)
  public:
    explicit CompareTab(Workbench& bench)
        : BesidePage(bench),
          list_(new QListWidget),
          table_(
              new PlainTable(QStringLiteral("heldAgainst"), tr("Numbers held against each other"))),
          words_(plainLabel()),
          changes_(new PlainTable(QStringLiteral("whatChanged"), tr("What changed in the design"))),
          path_(new QLineEdit),
          lengths_(new QLineEdit),
          fault_(plainLabel()) {
        setObjectName(QStringLiteral("compareTab"));
        list_->setObjectName(QStringLiteral("compareList"));
        list_->setAccessibleName(tr("Baits to hold it against"));
        list_->setMaximumHeight(130);
        words_->setObjectName(QStringLiteral("compareSaid"));
        words_->setWordWrap(true);
        path_->setObjectName(QStringLiteral("comparePath"));
        path_->setAccessibleName(tr("Design file to hold it against"));
        path_->setPlaceholderText(tr("file name, or leave empty to choose"));
        table_->setWhole();
        changes_->setWhole();
        auto* add = new QPushButton(tr("A design from a file…"));
        add->setObjectName(QStringLiteral("compareAdd"));
        connect(add, &QPushButton::clicked, this, [this] { addFile(); });
        lengths_->setObjectName(QStringLiteral("compareLengths"));
        lengths_->setAccessibleName(tr("Other lengths of this bait, parted by semicolons"));
        lengths_->setPlaceholderText(tr("lengths, parted by semicolons"));
        connect(lengths_, &QLineEdit::returnPressed, this, [this] { addSizes(); });
        fault_->setObjectName(QStringLiteral("compareLengths/fault"));
        fault_->setWordWrap(true);
        fault_->hide();
        auto* sizes = new QPushButton(tr("Other lengths of this bait"));
        sizes->setObjectName(QStringLiteral("compareSizes"));
        connect(sizes, &QPushButton::clicked, this, [this] { addSizes(); });
        auto* hint = plainLabel(
            tr("Tick baits of the log, designs from files, or other lengths of this one. The first "
               "ticked stands dashed in "
               "picture, run and swim, in the same water; what matters most stands first."));
        hint->setProperty("role", "quiet");
        hint->setWordWrap(true);
        content()->addWidget(formColumn(
            {hint, add, path_, sizes, lengths_, fault_, list_, table_, words_, changes_}));
        connect(list_, &QListWidget::itemChanged, this, [this] {
            if (!filling_) {
                again();
            }
        });
        connect(&bench.log, &LogBook::changed, this, [this] { fillList(); });
        connect(&Learner::of(bench), &Learner::changed, this, [this] {
            if (shownBy_ && shownBy_ != Learner::of(this->bench()).fits()) {
                again();
            }
        });
    }

  protected:
    void showEvent(QShowEvent* event) override {
        fillList();
        BesidePage::showEvent(event);
    }

    Beside::Work work(const Results& results) override {
        std::vector<Design> others;
        std::vector<LogPlace> places;
        for (int i = 0; i < list_->count(); ++i) {
            if (list_->item(i)->checkState() == Qt::Checked) {
                Design other = designs_[size_t(i)];
                places.push_back({called_[size_t(i)], 1, 0});
                // In the same water, on the same line.
                other.brief = results.design->brief;
                others.push_back(std::move(other));
            }
        }
        const Learner& learner = Learner::of(bench());
        return [this, design = results.design, others, places, fits = learner.fits(),
                own = LogPlace{results.design->name, learner.copy(), 0}](
                   std::stop_token stop, const Beside::Progress& told) -> Beside::Finish {
            std::vector<Compared> held;
            std::vector<size_t> which;
            const auto mine = reckoned(*design, *fits, own, stop);
            for (size_t i = 0; mine && i < others.size() && !stop.stop_requested(); ++i) {
                if (const auto other = reckoned(others[i], *fits, places[i], stop)) {
                    held.push_back(*other);
                    which.push_back(i);
                }
                told(double(i + 1) / double(others.size()));
            }
            if (stop.stop_requested() || !mine) {
                return {};
            }
            return [this, own = *mine, held, others, design, fits,
                    failed = others.size() - held.size()] {
                shownBy_ = fits;
                show(own, held, *design, others, failed);
            };
        };
    }

  private:
    void fillList() {
        filling_ = true;
        std::set<QString> ticked;
        for (int i = 0; i < list_->count(); ++i) {
            if (list_->item(i)->checkState() == Qt::Checked) {
                ticked.insert(list_->item(i)->text());
            }
        }
        list_->clear();
        designs_.clear();
        called_.clear();
        const auto add = [&](const Design& design, const std::string& called) {
            const QString name = QString::fromStdString(design.name);
            auto* item = new QListWidgetItem(name, list_);
            item->setFlags(Qt::ItemIsEnabled | Qt::ItemIsUserCheckable | Qt::ItemIsSelectable);
            item->setCheckState(ticked.count(name) ? Qt::Checked : Qt::Unchecked);
            designs_.push_back(design);
            called_.push_back(called);
        };
        for (const LogBait& bait : bench().log.log().baits) {
            const Result<Design> design = readDesign(bait.design);
            if (!bait.design.empty() && design) {
                Design other = *design;
                if (bait.bait == bench().design().name) {
                    other.name += tr(" (as last logged)").toStdString();
                }
                add(other, bait.bait);
            }
        }
        for (const Design& design : files_) {
            add(design, design.name);
        }
        list_->setVisible(list_->count() > 0);
        filling_ = false;
    }

    QString cellOf(const Figure& f, const std::optional<double>& seen, bool byLog) {
        const QString value = seen ? bench().text(f.quantity, *seen) : QStringLiteral("–");
        return byLog ? tr("%1 by the log").arg(value) : value;
    }

    void addFile() {
        QString file = path_->text().trimmed();
        if (file.isEmpty()) {
            file = QFileDialog::getOpenFileName(window(), tr("Design to hold it against"), {},
                                                tr("Wade Line designs (*.wade)"));
        }
        if (file.isEmpty()) {
            return;
        }
        const Result<Design> design = loadDesign(file.toStdString());
        if (!design) {
            bench().say(QStringLiteral("▲ ") + sentence(design.error(), bench().bench()));
            return;
        }
        files_.push_back(*design);
        fillList();
        list_->item(list_->count() - 1)->setCheckState(Qt::Checked);
    }

    // Scaled, their lead planned anew; each ticked.
    void addSizes() {
        const ResultsPtr r = bench().results();
        const TypedLengths typed = typedLengths(lengths_->text(), bench().bench());
        QStringList faults{typed.fault};
        const size_t before = files_.size();
        for (const double length : typed.lengths_m) {
            const SizeRow row =
                evaluateSize(bench().design(), length, r ? r->derived.get() : nullptr);
            if (row.known) {
                files_.push_back(row.design);
            } else {
                faults
                    << tr("▲ %1 cannot be reckoned.").arg(bench().text(Quantity::Length, length));
            }
        }
        faults.removeAll(QString());
        fault_->setText(faults.join(QLatin1Char(' ')));
        fault_->setVisible(!faults.isEmpty());
        const size_t added = files_.size() - before;
        fillList();
        filling_ = true;
        for (int i = list_->count() - int(added); i < list_->count(); ++i) {
            list_->item(i)->setCheckState(Qt::Checked);
        }
        filling_ = false;
        if (added > 0) {
            again();
        }
    }

    void show(const Compared& own, const std::vector<Compared>& held, const Design& design,
              const std::vector<Design>& others, size_t failed) {
        if (held.empty()) {
            if (dashes_) {
                bench().setDashed({});
                dashes_ = false;
            }
            table_->hide();
            changes_->hide();
            words_->setText(failed > 0 ? tr("▲ It cannot be reckoned.")
                                       : tr("Nothing is ticked yet."));
            return;
        }
        bench().setDashed(std::make_shared<const OtherBait>(OtherBait{
            held.front().derived, held.front().run, {}, taughtFactors(held.front().learnt)}));
        dashes_ = true;
        struct Line {
            double weight;
            QStringList cells;
        };
        std::vector<Line> lines;
        for (const Figure& f : figures()) {
            bool byLog = false;
            const auto mine = own.seen(f, byLog);
            Line line{0, {f.name, cellOf(f, mine, byLog)}};
            for (const Compared& other : held) {
                const auto theirs = other.seen(f, byLog);
                QString cell = cellOf(f, theirs, byLog);
                if (mine && theirs) {
                    const double off = f.ratio && *mine * *theirs > 0 ? std::log(*theirs / *mine)
                                                                      : *theirs - *mine;
                    const double weight = std::abs(off) / f.matters;
                    line.weight = std::max(line.weight, weight);
                    if (weight > 1) {
                        cell += off > 0 ? QStringLiteral(" ▲") : QStringLiteral(" ▼");
                    }
                } else if (mine.has_value() != theirs.has_value()) {
                    line.weight = 100;
                }
                line.cells << cell;
            }
            lines.push_back(line);
        }
        std::stable_sort(lines.begin(), lines.end(),
                         [](const Line& a, const Line& b) { return a.weight > b.weight; });
        QStringList header{tr("What"), tr("This bait")};
        for (const Compared& other : held) {
            header << QString::fromStdString(other.derived->design->name);
        }
        QList<QStringList> rows;
        for (const Line& line : lines) {
            rows << line.cells;
        }
        table_->setRows(header, rows);
        table_->show();
        QList<QStringList> changed;
        constexpr int kMostChanges = 60;
        for (const FieldDifference& d : compareFields(design, others.front())) {
            const Field& field = d.before ? *d.before : *d.after;
            const QString place = fieldPlace(field);
            const auto value = [&](const std::optional<Field>& f) {
                return f ? fieldValue(*f, bench().bench()) : tr("not there");
            };
            if (changed.size() < kMostChanges) {
                changed << QStringList{place.isEmpty() ? tr("the bait") : place, fieldLabel(field),
                                       value(d.before), value(d.after)};
            }
        }
        changes_->setRows({tr("Of"), tr("Field"), tr("This bait"), header[2]}, changed);
        changes_->setVisible(!changed.isEmpty());
        words_->setText(changed.isEmpty()
                            ? tr("The two designs are the same in every field.")
                            : tr("What changed between this bait and the first ticked:"));
    }

    QListWidget* list_;
    PlainTable* table_;
    QLabel* words_;
    PlainTable* changes_;
    QLineEdit* path_;
    QLineEdit* lengths_;
    QLabel* fault_;
    std::vector<Design> designs_, files_;
    std::vector<std::string> called_;   ///< what the log calls each of them
    std::shared_ptr<LogFits> shownBy_;  ///< what the log taught when that was reckoned
    bool filling_ = false, dashes_ = false;
};

}  // namespace

QWidget* makeCompareTab(Workbench& bench) {
    return new CompareTab(bench);
}

}  // namespace wl
