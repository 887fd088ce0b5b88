#include <QDate>
#include <QFileDialog>
#include <QHeaderView>
#include <QPushButton>
#include <QRegularExpression>
#include <numeric>

#include "app/kit/flow_layout.h"
#include "app/kit/form.h"
#include "app/kit/learner.h"
#include "app/kit/plain_label.h"
#include "app/kit/plain_table.h"
#include "app/kit/theme.h"
#include "app/pages/log/copy_form.h"
#include "app/pages/log/log_tabs.h"
#include "core/learn/factor_said.h"
#include "core/learn/log_readings.h"
#include "core/making/build_steps.h"
#include "sheet/bait_cards.h"
#include "words/log_words.h"

namespace wl {
namespace {

class CopiesTab : public QWidget {
    Q_DECLARE_TR_FUNCTIONS(wl::CopiesTab)
  public:
    explicit CopiesTab(Workbench& bench)
        : bench_(bench),
          table_(new PlainTable(QStringLiteral("copies"), tr("Copies made of this bait"))),
          words_(plainLabel()),
          form_(new CopyForm(bench)) {
        setObjectName(QStringLiteral("copiesTab"));
        words_->setObjectName(QStringLiteral("copyWords"));
        words_->setWordWrap(true);
        table_->setWhole();
        auto* bar = new QWidget;
        auto* line = new FlowLayout(bar);
        const auto button = [&](const QString& label, const char* name, auto run) {
            auto* made = new QPushButton(label);
            made->setObjectName(QLatin1String(name));
            connect(made, &QPushButton::clicked, this, run);
            line->addWidget(made);
            return made;
        };
        button(tr("Another copy"), "copyAdd", [this] { add(); });
        remove_ = button(tr("Take the copy out"), "copyRemove", [this] { removeCopy(); });
        cards_ = new QLineEdit;
        cards_->setObjectName(QStringLiteral("cardsPath"));
        cards_->setAccessibleName(tr("File for the cards"));
        cards_->setPlaceholderText(tr("file name, or leave empty to choose"));
        cards_->setMinimumWidth(270);
        button(tr("Save cards…"), "copyCards", [this] { printCards(); });
        line->addWidget(cards_);
        connect(table_->horizontalHeader(), &QHeaderView::sectionClicked, this, [this](int column) {
            sortDown_ = column == sortBy_ && !sortDown_;
            sortBy_ = column;
            fill();
        });
        connect(form_, &CopyForm::keepWanted, this, [this] { keep(); });
        auto* whole = new QVBoxLayout(this);
        whole->setContentsMargins(0, 0, 0, 0);
        whole->addWidget(formColumn({table_, bar, words_, form_}));
        connect(table_, &QTableWidget::itemSelectionChanged, this, [this] { show(); });
        connect(&bench.log, &LogBook::changed, this, [this] { fill(); });
        connect(&bench, &Workbench::benchChanged, this, [this] { fill(); });
        connect(&bench.evaluator, &Evaluator::resultsChanged, this, [this] { fill(); });
    }

  protected:
    void showEvent(QShowEvent* event) override {
        QWidget::showEvent(event);
        fill();
    }

  private:
    // Making and measuring explain so much, standard; beyond twice that a copy stands out.
    std::optional<double> toleranceOf(NoteKind kind) const {
        const ResultsPtr r = bench_.results();
        if (!r || !r->derived) {
            return std::nullopt;
        }
        const MeasuringErrors& e = r->design->errors;
        switch (kind) {
            case NoteKind::Mass:
                return 2 * r->derived->mass->netDoubt_kg;
            case NoteKind::Nose:
                return 2 * e.seenAngle_rad;
            case NoteKind::Showing:
                return 2 * e.seenShowing_m;
            default:
                return std::nullopt;
        }
    }

    // Against the design: "17.4 g ▲", with a mark beyond the tolerance.
    QString held(NoteKind kind, const std::optional<double>& value) const {
        if (!value) {
            return QStringLiteral("–");
        }
        const QString text = figureText(kind, *value, bench_.bench());
        const LearntFigure* f = Learner::of(bench_).figure(kind);
        const auto tolerance = toleranceOf(kind);
        return f != nullptr && tolerance && std::abs(*value - f->reckoned) > *tolerance
                   ? text + QStringLiteral(" ▲")
                   : text;
    }

    void fill() {
        if (!isVisible()) {
            return;
        }
        const std::int64_t was = chosen() ? chosen()->number : 0;
        const std::string name = bench_.design().name;
        numbers_.clear();
        QList<QStringList> rows;
        for (const LogCopy& c : bench_.log.log().copies) {
            if (c.bait != name) {
                continue;
            }
            numbers_.push_back(c.number);
            int notes = 0;
            for (const LogNote& n : bench_.log.log().notes) {
                notes += n.bait == name && n.copy == c.number ? 1 : 0;
            }
            rows << QStringList{QString::number(c.number),
                                held(NoteKind::Mass, c.mass_kg),
                                held(NoteKind::Showing, c.showing_m),
                                held(NoteKind::Nose, c.nose_rad),
                                seenOf(NoteKind::Depth, c.number),
                                seenOf(NoteKind::Beats, c.number),
                                copyPlaceWords(c.place),
                                QString::number(notes)};
        }
        sortRows(rows);
        filling_ = true;
        table_->setRows({tr("Copy"), tr("Weighs"), tr("Back"), tr("Nose"), tr("Depth"), tr("Beats"),
                         tr("Where"), tr("Notes")},
                        rows);
        const auto at = std::find(numbers_.begin(), numbers_.end(), was);
        if (!numbers_.empty()) {
            table_->selectRow(at == numbers_.end() ? 0 : int(at - numbers_.begin()));
        }
        filling_ = false;
        table_->setVisible(!rows.isEmpty());
        tellDifferences();
        if (was == 0 || at == numbers_.end()) {
            show();
        } else if (const LogCopy* now = chosen(); now != nullptr && !keeping_) {
            form_->follow(*now);
        }
        form_->setVisible(chosen() != nullptr);
        remove_->setEnabled(chosen() != nullptr);
    }

    // The mean of what was seen of a copy, after what was foretold: "2.2 → 2.1".
    QString seenOf(NoteKind kind, std::int64_t copy) const {
        double sum = 0, told = 0;
        int count = 0, foretold = 0;
        for (const LogNote& n : bench_.log.log().notes) {
            if (n.bait == bench_.design().name && n.copy == copy && n.kind == kind && n.use &&
                n.as == SeenAs::Value && n.low) {
                sum += *n.low;
                ++count;
                told += n.foretold.value_or(0.0);
                foretold += n.foretold ? 1 : 0;
            }
        }
        const LearntFigure* f = Learner::of(bench_).figure(kind);
        const QString before = foretold > 0
                                   ? figureText(kind, told / foretold, bench_.bench(), false)
                               : f != nullptr ? figureText(kind, f->middle(), bench_.bench(), false)
                                              : QStringLiteral("–");
        return count > 0
                   ? tr("%1 → %2").arg(before, figureText(kind, sum / count, bench_.bench(), false))
                   : tr("%1 → –").arg(before);
    }

    // By the column whose head was chosen; numbers by their size.
    void sortRows(QList<QStringList>& rows) {
        std::vector<int> order(size_t(rows.size()));
        std::iota(order.begin(), order.end(), 0);
        const auto number = [](QString cell) {
            cell = cell.section(QStringLiteral("→ "), -1);
            static const QRegularExpression figure(QStringLiteral("[-−]?[0-9]+([.,][0-9]+)?"));
            QString found = figure.match(cell).captured(0);
            found.replace(QChar(0x2212), QLatin1Char('-'))
                .replace(QLatin1Char(','), QLatin1Char('.'));
            bool isOne = false;
            const double value = found.toDouble(&isOne);
            return isOne ? std::optional(value) : std::nullopt;
        };
        std::stable_sort(order.begin(), order.end(), [&](int a, int b) {
            const QString &x = rows[a][sortBy_], &y = rows[b][sortBy_];
            const auto p = number(x), q = number(y);
            const bool less = p && q                           ? *p < *q
                              : p.has_value() != q.has_value() ? p.has_value()
                                                               : x < y;
            const bool more = p && q                           ? *q < *p
                              : p.has_value() != q.has_value() ? q.has_value()
                                                               : y < x;
            return sortDown_ ? more : less;
        });
        QList<QStringList> sorted;
        std::vector<std::int64_t> numbers;
        for (const int at : order) {
            sorted << rows[at];
            numbers.push_back(numbers_[size_t(at)]);
        }
        rows = sorted;
        numbers_ = numbers;
    }

    // A card for each, to lie with the bait in its box; eight to a page.
    void printCards() {
        QString file = cards_->text().trimmed();
        if (file.isEmpty()) {
            file = QFileDialog::getSaveFileName(window(), tr("Cards of the copies"),
                                                QStringLiteral("cards.pdf"), tr("PDF (*.pdf)"));
        }
        if (file.isEmpty()) {
            return;
        }
        const std::string name = bench_.design().name;
        std::vector<QStringList> cards;
        for (const std::int64_t number : numbers_) {
            const LogCopy* c = bench_.log.log().copy(name, number);
            if (c == nullptr) {
                continue;
            }
            QStringList lines{tr("%1, copy %2").arg(QString::fromStdString(name)).arg(c->number)};
            const auto line = [&lines](const QString& label, const QString& text) {
                if (!text.isEmpty()) {
                    lines << QStringLiteral("%1: %2").arg(label, text);
                }
            };
            line(tr("made"), QString::fromStdString(c->made));
            line(tr("weighs"), c->mass_kg ? bench_.text(Quantity::Mass, *c->mass_kg) : QString());
            line(tr("depth, foretold → seen"), seenOf(NoteKind::Depth, number));
            line(tr("beats, foretold → seen"), seenOf(NoteKind::Beats, number));
            line(tr("hooks"), QString::fromStdString(c->hooks));
            line(tr("finish"), QString::fromStdString(c->finish));
            line(tr("came out otherwise"), QString::fromStdString(c->deviates));
            cards.push_back(lines);
        }
        const auto error = writeCards(cards, file);
        bench_.say(error ? QStringLiteral("▲ ") + sentence(*error, bench_.bench())
                         : tr("%n card(s) saved to %1.", nullptr, int(cards.size())).arg(file));
    }

    // Copies side by side by what was read of them at the water.
    void tellDifferences() {
        const WaterLog& log = bench_.log.log();
        const std::string name = bench_.design().name;
        QStringList lines;
        if (numbers_.empty()) {
            lines << tr(
                "No copy is in the log yet. Each bait made from this design has a number; "
                "what is logged at the water goes to that copy.");
        } else {
            lines << tr("▲ marks what making and measuring do not explain of this design.");
        }
        const LogBait* bait = log.bait(name);
        for (const NoteKind kind : {NoteKind::Depth, NoteKind::Beats, NoteKind::Sink}) {
            const auto learnt =
                bait != nullptr ? learntOf(kind, bait->family) : std::optional<Learnt>();
            if (!learnt) {
                continue;
            }
            const LogReadings read = readingsOf(log, *learnt);
            for (size_t i = 0; i < numbers_.size(); ++i) {
                for (size_t j = i + 1; j < numbers_.size(); ++j) {
                    const LearntFigure* f = Learner::of(bench_).figure(kind);
                    const auto of = [&](std::int64_t copy) {
                        return factorOf(log, read, *bait, copy, f != nullptr ? f->usual : 0.0, 0.0);
                    };
                    const FactorOf first = of(numbers_[i]), second = of(numbers_[j]);
                    const auto has = [&](const FactorOf& copy) {
                        return std::any_of(read.readings.begin(), read.readings.end(),
                                           [&](const FactorReading& r) {
                                               return r.bait == copy.bait && r.copy == copy.copy;
                                           });
                    };
                    if (has(first) && has(second)) {
                        lines << tr("%1: %2").arg(
                            noteName(kind),
                            sentence(sayCopies(*learnt,
                                               compareCopies(spreadsOf(*learnt), read.readings,
                                                             first, second),
                                               numbers_[i], numbers_[j]),
                                     bench_.bench()));
                    }
                }
            }
        }
        words_->setText(lines.join(QLatin1Char('\n')));
    }

    const LogCopy* chosen() const {
        const int row = table_->currentRow();
        return row >= 0 && row < int(numbers_.size())
                   ? bench_.log.log().copy(bench_.design().name, numbers_[size_t(row)])
                   : nullptr;
    }

    void show() {
        if (filling_) {
            return;
        }
        const LogCopy* c = chosen();
        form_->setVisible(c != nullptr);
        remove_->setEnabled(c != nullptr);
        if (c == nullptr) {
            return;
        }
        form_->showCopy(*c);
    }

    void keep() {
        if (const LogCopy* there = chosen()) {
            LogCopy c = *there;
            if (!form_->read(c)) {
                return;
            }
            keeping_ = true;
            const auto error = bench_.log.put(c);
            keeping_ = false;
            if (error) {
                form_->tell(error);
            } else {
                form_->showCopy(c);
            }
        }
    }

    // As far as it is known: what the scale read at the bench, coats and hooks of the design.
    void add() {
        LogCopy c;
        c.bait = bench_.design().name;
        for (const LogCopy& there : bench_.log.log().copies) {
            c.number = there.bait == c.bait ? std::max(c.number, there.number + 1) : c.number;
        }
        c.made = QDate::currentDate().toString(Qt::ISODate).toStdString();
        const StepRecord weighed = bench_.builds.recordOf(
            {QString::fromStdString(c.bait), int(c.number) - 1, QStringLiteral("weigh")});
        c.mass_kg = weighed.read_kg;
        QStringList coats, hooks;
        for (const Coat& coat : bench_.design().coats) {
            coats << QString::fromStdString(coat.name);
        }
        for (const Fitting& f : bench_.design().fittings) {
            if (isHook(f.kind)) {
                hooks << QString::fromStdString(f.name);
            }
        }
        c.finish = coats.join(QStringLiteral(", ")).left(180).toStdString();
        c.hooks = hooks.join(QStringLiteral(", ")).left(180).toStdString();
        if (const auto error = keepBait(bench_)) {
            bench_.say(QStringLiteral("▲ ") + sentence(*error, bench_.bench()));
            return;
        }
        if (const auto error = bench_.log.put(c)) {
            bench_.say(QStringLiteral("▲ ") + sentence(*error, bench_.bench()));
            return;
        }
        table_->selectRow(int(numbers_.size()) - 1);
        show();
    }

    void removeCopy() {
        if (const LogCopy* c = chosen()) {
            LogCopy gone = *c;
            if (const auto error = bench_.log.remove<LogCopy>(gone.id)) {
                form_->tell(error);
                return;
            }
            bench_.say(tr("Copy %1 is out of the log; its notes stay.").arg(gone.number),
                       tr("Put it back"), [this, gone]() mutable {
                           gone.id = 0;
                           (void)bench_.log.put(gone);
                       });
        }
    }

    Workbench& bench_;
    std::vector<std::int64_t> numbers_;
    bool filling_ = false, keeping_ = false, sortDown_ = false;
    int sortBy_ = 0;
    QLineEdit* cards_ = nullptr;
    PlainTable* table_;
    QLabel* words_;
    CopyForm* form_;
    QPushButton* remove_ = nullptr;
};

}  // namespace

QWidget* makeCopiesTab(Workbench& bench) {
    return new CopiesTab(bench);
}

}  // namespace wl
