#include <QCheckBox>
#include <QComboBox>

#include "app/kit/form.h"
#include "app/kit/learner.h"
#include "app/kit/plain_label.h"
#include "app/kit/plain_table.h"
#include "app/kit/theme.h"
#include "app/pages/log/log_tabs.h"
#include "core/learn/factor_said.h"
#include "core/learn/log_readings.h"
#include "words/log_words.h"

namespace wl {
namespace {

class ForecastTab : public QWidget {
    Q_DECLARE_TR_FUNCTIONS(wl::ForecastTab)
  public:
    explicit ForecastTab(Workbench& bench)
        : bench_(bench),
          learner_(Learner::of(bench)),
          learns_(new QCheckBox(tr("Learn from the log"))),
          table_(
              new PlainTable(QStringLiteral("learntTable"), tr("What is foretold of this bait"))),
          said_(plainLabel()),
          next_(plainLabel()),
          odd_(plainLabel()),
          board_(new PlainTable(QStringLiteral("scoreBoard"), tr("Foretold against seen"))),
          family_(new QComboBox) {
        setObjectName(QStringLiteral("forecastTab"));
        learns_->setObjectName(QStringLiteral("learns"));
        learns_->setChecked(learner_.learns());
        learns_->setToolTip(tr("Off: only the book's bands, whatever was logged"));
        said_->setObjectName(QStringLiteral("learntSaid"));
        next_->setObjectName(QStringLiteral("learntNext"));
        odd_->setObjectName(QStringLiteral("learntOdd"));
        family_->setObjectName(QStringLiteral("learntFamily"));
        family_->setAccessibleName(tr("Learns with baits of this kind"));
        family_->setToolTip(
            tr("Which baits tell of this one; sort it otherwise where you know better"));
        for (const char* kind :
             {"in_line_lip", "steep_lip", "sloped_face", "lipless", "glide", "chain", "jointed"}) {
            for (const char* body : {"_slender", "_stout"}) {
                const std::string code = std::string(kind) + body;
                family_->addItem(tr("Learns with: %1").arg(familyWords(code)),
                                 QString::fromStdString(code));
            }
        }
        connect(family_, &QComboBox::activated, this, [this] { sortInto(); });
        said_->setFont(type(Type::Body, true));
        for (QLabel* label : {said_, next_, odd_}) {
            label->setWordWrap(true);
        }
        table_->setWhole();
        board_->setWhole();
        auto* hint = plainLabel(
            tr("Bands hold the next reading on another day nine times in ten. Every factor is made "
               "anew from the notes, so leaving one out undoes it."));
        hint->setProperty("role", "quiet");
        hint->setWordWrap(true);
        auto* whole = new QVBoxLayout(this);
        whole->setContentsMargins(0, 0, 0, 0);
        whole->addWidget(formColumn({learns_, family_, table_, said_, odd_, next_, hint, board_}));
        connect(learns_, &QCheckBox::toggled, this, [this](bool on) { learner_.setLearns(on); });
        connect(&learner_, &Learner::changed, this, [this] { fill(); });
        connect(&bench, &Workbench::benchChanged, this, [this] { fill(); });
        connect(table_, &QTableWidget::itemSelectionChanged, this, [this] { tell(); });
        fill();
    }

  protected:
    void showEvent(QShowEvent* event) override {
        QWidget::showEvent(event);
        fill();
    }

  private:
    void fill() {
        if (!isVisible()) {
            return;
        }
        const int chosen = std::max(0, table_->currentRow());
        QList<QStringList> rows;
        rows_.clear();
        for (const LearntFigure& f : learner_.figures()) {
            if (!f.learnt) {
                continue;
            }
            rows_.push_back(f.kind);
            const auto figure = [&](double si, bool unit = true) {
                return figureText(f.kind, si, bench_.bench(), unit);
            };
            const double a = f.reckoned * f.told.book.low, b = f.reckoned * f.told.book.high;
            rows << QStringList{
                noteName(f.kind),
                figure(f.middle()),
                tr("%1 to %2").arg(figure(f.low(), false), figure(f.high(), false)),
                tr("%1 to %2").arg(figure(std::min(a, b), false), figure(std::max(a, b), false)),
                QString::number(f.told.readings),
                QString::number(f.told.outings)};
        }
        table_->setRows(
            {tr("What"), tr("Foretold"), tr("Band"), tr("The book's"), tr("Readings"), tr("Days")},
            rows);
        table_->selectRow(std::min(chosen, int(rows.size()) - 1));
        const LogBait* bait = bench_.log.log().bait(bench_.design().name);
        family_->setCurrentIndex(family_->findData(
            QString::fromStdString(bait != nullptr ? bait->family : learner_.family())));
        fillBoard();
        tell();
    }

    void sortInto() {
        auto error = keepBait(bench_);
        const LogBait* there = bench_.log.log().bait(bench_.design().name);
        if (!error && there != nullptr) {
            LogBait bait = *there;
            bait.family = family_->currentData().toString().toStdString();
            error = bench_.log.put(bait);
        }
        if (error) {
            bench_.say(QStringLiteral("▲ ") + sentence(*error, bench_.bench()));
        }
    }

    void fillBoard() {
        QList<QStringList> rows;
        for (const NoteKind kind : {NoteKind::Depth, NoteKind::Beats, NoteKind::Swing,
                                    NoteKind::BlowOut, NoteKind::Sink, NoteKind::Cast}) {
            const Scoreboard score = scoreOf(bench_.log.log(), kind);
            if (score.told > 0) {
                rows << QStringList{noteName(kind),
                                    tr("%1 of %2").arg(score.inside).arg(score.told),
                                    bench_.text(Quantity::Fraction, score.offBook),
                                    bench_.text(Quantity::Fraction, score.offTold)};
            }
        }
        board_->setRows({tr("All baits"), tr("Inside the band"), tr("Off the reckoning"),
                         tr("Off what was foretold")},
                        rows);
        board_->setVisible(!rows.isEmpty());
    }

    void tell() {
        const int row = table_->currentRow();
        const LearntFigure* f =
            row >= 0 && row < int(rows_.size()) ? learner_.figure(rows_[size_t(row)]) : nullptr;
        QStringList said, odd, next;
        if (f != nullptr && !learner_.learns()) {
            said << tr("Learning is off: these are the book's bands.");
        } else if (f != nullptr) {
            for (const Error& error : f->said) {
                said << sentence(error, bench_.bench());
            }
            for (const auto& [id, reading] : f->odd) {
                const auto& notes = bench_.log.log().notes;
                const auto at = std::find_if(notes.begin(), notes.end(),
                                             [id = id](const LogNote& n) { return n.id == id; });
                if (at == notes.end()) {
                    continue;
                }
                const LogOuting* outing = bench_.log.log().outing(at->outing);
                odd << tr("▲ %1, %2: %3")
                           .arg(outing ? outingWords(*outing) : tr("a note of no outing"),
                                noteFigure(*at, bench_.bench()),
                                sentence(sayOdd(reading), bench_.bench()));
            }
            for (size_t i = 0; i < f->worth.size() && i < 3; ++i) {
                next << sentence(sayWorth(f->worth[i]), bench_.bench());
            }
        }
        said_->setText(said.join(QLatin1Char('\n')));
        odd_->setText(odd.join(QLatin1Char('\n')));
        odd_->setVisible(!odd.isEmpty());
        next_->setText(next.isEmpty()
                           ? QString()
                           : tr("What next:") + QLatin1Char('\n') + next.join(QLatin1Char('\n')));
    }

    Workbench& bench_;
    Learner& learner_;
    std::vector<NoteKind> rows_;
    QCheckBox* learns_;
    PlainTable* table_;
    QLabel *said_, *next_, *odd_;
    PlainTable* board_;
    QComboBox* family_;
};

}  // namespace

QWidget* makeForecastTab(Workbench& bench) {
    return new ForecastTab(bench);
}

}  // namespace wl
