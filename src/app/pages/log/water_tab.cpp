#include <QComboBox>
#include <QDateTime>
#include <QFileDialog>
#include <QGridLayout>
#include <QPushButton>
#include <QSpinBox>

#include "app/dialogs/float_photo_dialog.h"
#include "app/dialogs/logger_dialog.h"
#include "app/dialogs/small_water_dialog.h"
#include "app/kit/flow_layout.h"
#include "app/kit/form.h"
#include "app/kit/learner.h"
#include "app/kit/plain_label.h"
#include "app/kit/plain_table.h"
#include "app/kit/scale_fill.h"
#include "app/kit/theme.h"
#include "app/pages/log/log_tabs.h"
#include "app/pages/log/note_helper.h"
#include "app/pages/log/outing_form.h"
#include "files/design_code.h"
#include "files/whole_file.h"
#include "words/log_words.h"

namespace wl {
namespace {

constexpr int kBigButton = 42;
constexpr NoteKind kOnButtons[] = {
    NoteKind::Depth,   NoteKind::Beats,     NoteKind::Sink,   NoteKind::Cast, NoteKind::Swing,
    NoteKind::BlowOut, NoteKind::RunsAside, NoteKind::Mass,   NoteKind::Nose, NoteKind::Showing,
    NoteKind::Lean,    NoteKind::Catch,     NoteKind::Follow, NoteKind::Miss, NoteKind::Snag,
    NoteKind::Lost,    NoteKind::Tuned,     NoteKind::Remark};

class WaterTab : public QWidget {
    Q_DECLARE_TR_FUNCTIONS(wl::WaterTab)
  public:
    explicit WaterTab(Workbench& bench)
        : bench_(bench),
          learner_(Learner::of(bench)),
          copy_(new QSpinBox),
          entry_(new QWidget),
          asks_(plainLabel()),
          as_(new QComboBox),
          low_(new OpenAmount(bench, QStringLiteral("noteLow"), tr("What was seen"),
                              Quantity::Distance, 0, 1)),
          high_(new OpenAmount(bench, QStringLiteral("noteHigh"), tr("at most"), Quantity::Distance,
                               0, 1)),
          helper_(new NoteHelper(bench)),
          words_(new QLineEdit),
          foretold_(plainLabel()),
          fault_(plainLabel()),
          table_(new PlainTable(QStringLiteral("baitNotes"), tr("Notes of this bait"))) {
        setObjectName(QStringLiteral("waterTab"));
        auto* column = new QWidget;
        auto* layout = new QVBoxLayout(column);
        layout->addWidget(makeNameBefore(bench));
        layout->addWidget(new OutingForm(bench));
        auto* head = new QWidget;
        auto* line = new FlowLayout(head);
        copy_->setObjectName(QStringLiteral("noteCopy"));
        copy_->setAccessibleName(tr("Which copy of it"));
        copy_->setPrefix(tr("copy "));
        copy_->setRange(1, 9999);
        copy_->setMinimumHeight(kBigButton);
        line->addWidget(copy_);
        line->addWidget(smallWaterButton());
        layout->addWidget(head);
        layout->addWidget(buttonGrid());
        layout->addWidget(entryForm());
        table_->setWhole();
        layout->addWidget(table_);
        layout->addWidget(noteTools());
        layout->addStretch(1);
        auto* whole = new QVBoxLayout(this);
        whole->setContentsMargins(0, 0, 0, 0);
        whole->addWidget(formColumn({column}));
        connect(copy_, &QSpinBox::valueChanged, this, [this](int copy) { learner_.setCopy(copy); });
        connect(&learner_, &Learner::changed, this, [this] { tellForetold(); });
        connect(&bench.log, &LogBook::changed, this, [this] { fill(); });
        connect(&bench, &Workbench::benchChanged, this, [this] { fill(); });
        connect(&bench.document, &Document::designChanged, this, [this] { fill(); });
        restoreDraft();
        fill();
    }

  private:
    QWidget* smallWaterButton() {
        auto* button = new QPushButton(tr("In a bath or tank…"));
        button->setObjectName(QStringLiteral("noteSmallWater"));
        button->setToolTip(tr("What a bath or a small tank shows of it, and what that is worth"));
        button->setMinimumHeight(kBigButton);
        connect(button, &QPushButton::clicked, this, [this] {
            SmallWaterDialog dialog(bench_, window());
            if (dialog.exec() == QDialog::Accepted && !dialog.said().isEmpty()) {
                ask(NoteKind::Remark);
                words_->setText(dialog.said());
                keepDraft();
            }
        });
        return button;
    }

    QWidget* buttonGrid() {
        auto* box = new QWidget;
        auto* grid = new QGridLayout(box);
        grid->setContentsMargins(0, 0, 0, 0);
        grid->setSpacing(4);
        int at = 0;
        for (const NoteKind kind : kOnButtons) {
            auto* button = new QPushButton(noteAsks(kind));
            button->setObjectName(QStringLiteral("note_") +
                                  QString::fromLatin1(kNoteKinds[size_t(kind)].data()));
            button->setMinimumHeight(kBigButton);
            connect(button, &QPushButton::clicked, this, [this, kind] { ask(kind); });
            grid->addWidget(button, at / 3, at % 3);
            ++at;
        }
        return box;
    }

    QWidget* entryForm() {
        entry_->setObjectName(QStringLiteral("noteEntry"));
        asks_->setFont(type(Type::Large, true));
        foretold_->setObjectName(QStringLiteral("noteForetold"));
        foretold_->setWordWrap(true);
        fault_->setObjectName(QStringLiteral("noteFault"));
        fault_->setProperty("role", "fault");
        fault_->setWordWrap(true);
        fault_->hide();
        as_->setObjectName(QStringLiteral("noteAs"));
        as_->setAccessibleName(tr("How it was seen"));
        as_->addItems({tr("just so"), tr("at least (it ticked)"), tr("at most (no tick)"),
                       tr("between two")});
        words_->setObjectName(QStringLiteral("noteWords"));
        words_->setAccessibleName(tr("Words"));
        words_->setPlaceholderText(tr("in a few words, or nothing"));
        words_->setMaxLength(4000);
        for (QLineEdit* big : {low_->line(), high_->line(), words_}) {
            big->setMinimumHeight(kBigButton - 6);
            big->setFont(type(Type::Figure));
            connect(big, &QLineEdit::returnPressed, this, [this] { log(); });
            connect(big, &QLineEdit::textEdited, this, [this] { keepDraft(); });
        }
        connect(as_, &QComboBox::activated, this, [this] {
            arrange();
            keepDraft();
        });
        log_ = new QPushButton(tr("Log it"));
        log_->setObjectName(QStringLiteral("logIt"));
        log_->setMinimumHeight(kBigButton);
        connect(log_, &QPushButton::clicked, this, [this] { log(); });
        auto* scale = scaleButton(bench_, [this] {
            readScaleOnce(bench_, this, [this](double kg) {
                low_->set(kg);
                keepDraft();
            });
        });
        scale_ = new QWidget;  // the button itself shows only while a scale is connected
        auto* around = new QVBoxLayout(scale_);
        around->setContentsMargins(0, 0, 0, 0);
        around->addWidget(scale);
        connect(helper_, &NoteHelper::reckoned, this, [this](double si) {
            low_->set(si);
            keepDraft();
        });
        auto* layout = new QVBoxLayout(entry_);
        layout->setContentsMargins(0, 4, 0, 4);
        layout->addWidget(asks_);
        layout->addWidget(as_);
        auto* figures = new QWidget;
        auto* row = new FlowLayout(figures);
        row->addWidget(low_);
        row->addWidget(high_);
        row->addWidget(scale_);
        layout->addWidget(figures);
        layout->addWidget(helper_);
        layout->addWidget(fileTools());
        layout->addWidget(foretold_);
        layout->addWidget(words_);
        layout->addWidget(fault_);
        layout->addWidget(log_);
        entry_->hide();
        return entry_;
    }

    QWidget* fileTools() {
        files_ = new QWidget;
        auto* line = new FlowLayout(files_);
        fromFile_ = new QPushButton(tr("By a photograph…"));
        fromFile_->setObjectName(QStringLiteral("noteFromFile"));
        connect(fromFile_, &QPushButton::clicked, this, [this] { readFile(); });
        file_ = new QLineEdit;
        file_->setObjectName(QStringLiteral("noteFile"));
        file_->setAccessibleName(tr("File to read it from"));
        file_->setPlaceholderText(tr("file name, or leave empty to choose"));
        file_->setMinimumWidth(270);
        line->addWidget(fromFile_);
        line->addWidget(file_);
        return files_;
    }

    void readFile() {
        const bool depth = kind_ == NoteKind::Depth;
        QString path = file_->text().trimmed();
        if (path.isEmpty()) {
            path = depth ? QFileDialog::getOpenFileName(window(), tr("A depth logger's table"), {},
                                                        tr("Tables (*.csv *.txt *.tsv)"))
                         : QFileDialog::getOpenFileName(window(), tr("Photograph of it afloat"), {},
                                                        tr("Pictures (*.png *.jpg *.jpeg *.webp)"));
        }
        if (path.isEmpty()) {
            return;
        }
        depth ? readLogger(path) : readPhoto(path);
    }

    void readLogger(const QString& path) {
        constexpr size_t kMostBytes = 64u << 20;
        const auto text = readRegularFile(path.toStdU16String(), kMostBytes);
        if (!text) {
            tellFault(text.error());
            return;
        }
        LoggerDialog dialog(bench_, *text, window());
        if (dialog.exec() == QDialog::Accepted && dialog.depth_m()) {
            as_->setCurrentIndex(0);
            arrange();
            low_->set(dialog.depth_m());
            words_->setText(tr("by a logger, %n cast(s)", nullptr, int(dialog.casts())));
            keepDraft();
        }
    }

    void readPhoto(const QString& path) {
        const QImage picture = loadPicture(path);
        if (picture.isNull()) {
            fault_->setText(tr("▲ This file is no picture that can be shown."));
            fault_->show();
            return;
        }
        FloatPhotoDialog dialog(bench_, picture, window());
        if (dialog.exec() != QDialog::Accepted || !dialog.seen()) {
            return;
        }
        const FloatSeen seen = *dialog.seen();
        words_->setText(tr("by a photograph"));
        if (dialog.fromAhead()) {
            takeFigure(NoteKind::Lean, seen.angle_rad);
            return;
        }
        takeFigure(NoteKind::Nose, seen.angle_rad);
        if (seen.showing_m && *seen.showing_m >= 0) {
            takeFigure(NoteKind::Showing, *seen.showing_m);
        }
    }

    // Logged at once: it was read, not typed.
    void takeFigure(NoteKind kind, double si) {
        const QString words = words_->text();
        ask(kind);
        low_->set(si);
        words_->setText(words);
        log();
        words_->setText(words);
    }

    QWidget* noteTools() {
        auto* bar = new QWidget;
        auto* line = new FlowLayout(bar);
        const auto button = [&](const QString& label, const char* name, auto run) {
            auto* made = new QPushButton(label);
            made->setObjectName(QLatin1String(name));
            connect(made, &QPushButton::clicked, this, run);
            line->addWidget(made);
            return made;
        };
        leave_ = button(tr("Leave out of what is learnt"), "noteLeave", [this] { leaveOut(); });
        remove_ = button(tr("Take it out of the log"), "noteRemove", [this] { removeNote(); });
        connect(table_, &QTableWidget::itemSelectionChanged, this, [this] { tellTools(); });
        return bar;
    }

    void ask(NoteKind kind) {
        kind_ = kind;
        as_->setCurrentIndex(0);
        if (kind == NoteKind::BlowOut || kind == NoteKind::Beats) {
            learner_.wantSlow();
        }
        const NoteRange range = rangeOf(kind);
        for (OpenAmount* field : {low_, high_}) {
            field->setRange(quantityOf(kind), range.least, range.most);
        }
        words_->clear();
        arrange();
        keepDraft();
        (isMeasured(kind) ? low_->line() : words_)->setFocus();
    }

    void arrange() {
        entry_->show();
        asks_->setText(noteAsks(kind_));
        const bool measured = isMeasured(kind_);
        const SeenAs as = SeenAs(as_->currentIndex());
        as_->setVisible(measured && kind_ != NoteKind::Mass);
        low_->setVisible(measured && as != SeenAs::AtMost);
        high_->setVisible(measured && (as == SeenAs::AtMost || as == SeenAs::Between));
        scale_->setVisible(kind_ == NoteKind::Mass);
        helper_->ask(kind_, as == SeenAs::Value);
        const bool photo =
            kind_ == NoteKind::Nose || kind_ == NoteKind::Showing || kind_ == NoteKind::Lean;
        files_->setVisible(photo || kind_ == NoteKind::Depth);
        fromFile_->setText(photo ? tr("By a photograph…") : tr("By a depth logger…"));
        fault_->hide();
        tellForetold();
    }

    void tellForetold() {
        const LearntFigure* f = learner_.figure(kind_);
        if (!isMeasured(kind_)) {
            foretold_->setText({});
        } else if (f == nullptr) {
            foretold_->setText(learner_.isCurrent() ? tr("Nothing is foretold of that.")
                                                    : tr("Reckoning what is foretold…"));
        } else if (f->learnt) {
            foretold_->setText(tr("Foretold: %1, nine times in ten from %2 to %3.")
                                   .arg(figureText(kind_, f->middle(), bench_.bench()),
                                        figureText(kind_, f->low(), bench_.bench(), false),
                                        figureText(kind_, f->high(), bench_.bench())));
        } else {
            foretold_->setText(
                tr("Foretold: %1.").arg(figureText(kind_, f->reckoned, bench_.bench())));
        }
    }

    void tellFault(const Error& error) {
        fault_->setText(QStringLiteral("▲ ") + sentence(error, bench_.bench()));
        fault_->show();
    }

    void log() {
        if (!entry_->isVisibleTo(this)) {
            return;
        }
        LogNote note;
        note.bait = bench_.design().name;
        note.copy = copy_->value();
        note.outing = learner_.outing();
        note.kind = kind_;
        note.words = words_->text().trimmed().toStdString();
        note.at_s = QDateTime::currentSecsSinceEpoch();
        note.code = designCode(bench_.design());
        if (isMeasured(kind_)) {
            note.as = SeenAs(as_->currentIndex());
            const bool least = note.as != SeenAs::AtMost;
            const bool most = note.as == SeenAs::AtMost || note.as == SeenAs::Between;
            if ((least && !low_->read(note.low)) || (most && !high_->read(note.high))) {
                return;
            }
            if (note.as == SeenAs::Value) {
                note.high = note.low;
            }
            foretell(note);
        }
        if (const auto fault = faultOf(note)) {
            tellFault({*fault, "/log", {}, {}});
            return;
        }
        if (const auto error = keepBait(bench_)) {
            tellFault(*error);
            return;
        }
        if (const auto error = bench_.log.put(note)) {
            tellFault(*error);
            return;
        }
        entry_->hide();
        low_->set({});
        high_->set({});
        words_->clear();
        keepDraft();
        const QString figure = noteFigure(note, bench_.bench());
        bench_.say(tr("Logged: %1 %2").arg(noteName(note.kind), figure));
    }

    // What stands with it: as reckoned here and now, and what the log made of it.
    void foretell(LogNote& note) {
        note.model = kReckoningVersion;
        if (!learner_.isCurrent()) {
            const LogOuting* outing = bench_.log.log().outing(learner_.outing());
            const Design there =
                outing != nullptr ? onOuting(bench_.design(), *outing) : bench_.design();
            const auto raw = wl::foretell(there, nullptr, kind_ == NoteKind::BlowOut);
            const auto usual = wl::foretell(bench_.design(), nullptr, kind_ == NoteKind::BlowOut);
            if (raw && usual) {
                note.reckoned = raw->of(kind_);
                note.usual = usual->of(kind_);
            }
            return;
        }
        if (const LearntFigure* f = learner_.figure(kind_)) {
            note.reckoned = f->reckoned;
            note.usual = f->usual;
            note.foretold = f->learnt ? f->middle() : f->reckoned;
            if (f->learnt) {
                note.foretoldLow = f->low();
                note.foretoldHigh = f->high();
            }
        }
    }

    // Unfinished entries survive.
    void keepDraft() {
        const bool open = entry_->isVisibleTo(this);
        const auto put = [&](const char* field, const QString& text) {
            (void)bench_.log.setDraft(QLatin1String(field), open ? text : QString());
        };
        put("kind", QString::fromLatin1(kNoteKinds[size_t(kind_)].data()));
        put("as", QString::number(as_->currentIndex()));
        put("low", low_->line()->text());
        put("high", high_->line()->text());
        put("words", words_->text());
    }
    void restoreDraft() {
        const LogBook& log = bench_.log;
        const std::string kind = log.draft(QStringLiteral("kind")).toStdString();
        const auto at = std::find(kNoteKinds.begin(), kNoteKinds.end(), kind);
        if (at == kNoteKinds.end()) {
            return;
        }
        const QString low = log.draft(QStringLiteral("low")),
                      high = log.draft(QStringLiteral("high")),
                      words = log.draft(QStringLiteral("words")),
                      as = log.draft(QStringLiteral("as"));
        kind_ = NoteKind(at - kNoteKinds.begin());
        const NoteRange range = rangeOf(kind_);
        for (OpenAmount* field : {low_, high_}) {
            field->setRange(quantityOf(kind_), range.least, range.most);
        }
        as_->setCurrentIndex(std::clamp(as.toInt(), 0, 3));
        low_->line()->setText(low);
        high_->line()->setText(high);
        words_->setText(words);
        arrange();
    }

    void fill() {
        const std::string name = bench_.design().name;
        rows_.clear();
        QList<QStringList> rows;
        const WaterLog& log = bench_.log.log();
        for (auto n = log.notes.rbegin(); n != log.notes.rend() && rows.size() < 200; ++n) {
            if (n->bait != name) {
                continue;
            }
            const LogOuting* outing = log.outing(n->outing);
            rows_.push_back(n->id);
            QString band = noteInBand(*n);
            if (isMeasured(n->kind) && !n->use) {
                band = tr("left out");
            }
            rows << QStringList{
                outing ? outingWords(*outing) : QStringLiteral("–"),
                n->copy > 1 ? tr("%1, copy %2").arg(noteName(n->kind)).arg(n->copy)
                            : noteName(n->kind),
                noteFigure(*n, bench_.bench()).isEmpty() ? QString::fromStdString(n->words)
                                                         : noteFigure(*n, bench_.bench()),
                isMeasured(n->kind) ? noteForetold(*n, bench_.bench()) : QString(), band};
        }
        table_->setRows({tr("When"), tr("What"), tr("Seen"), tr("Foretold"), tr("In its band")},
                        rows);
        table_->setVisible(!rows.isEmpty());
        tellTools();
    }

    const LogNote* chosen() const {
        const int row = table_->currentRow();
        if (row < 0 || row >= int(rows_.size())) {
            return nullptr;
        }
        const auto& notes = bench_.log.log().notes;
        const auto at = std::find_if(notes.begin(), notes.end(),
                                     [&](const LogNote& n) { return n.id == rows_[size_t(row)]; });
        return at == notes.end() ? nullptr : &*at;
    }

    void tellTools() {
        const LogNote* n = chosen();
        leave_->setEnabled(n != nullptr && isMeasured(n->kind));
        leave_->setText(n != nullptr && !n->use ? tr("Learn from it again")
                                                : tr("Leave out of what is learnt"));
        remove_->setEnabled(n != nullptr);
    }

    void leaveOut() {
        if (const LogNote* n = chosen()) {
            LogNote changed = *n;
            changed.use = !changed.use;
            if (const auto error = bench_.log.put(changed)) {
                bench_.say(QStringLiteral("▲ ") + sentence(*error, bench_.bench()));
            }
        }
    }

    void removeNote() {
        if (const LogNote* n = chosen()) {
            LogNote gone = *n;
            if (const auto error = bench_.log.remove<LogNote>(gone.id)) {
                bench_.say(QStringLiteral("▲ ") + sentence(*error, bench_.bench()));
                return;
            }
            bench_.say(tr("Taken out of the log: %1 %2")
                           .arg(noteName(gone.kind), noteFigure(gone, bench_.bench())),
                       tr("Put it back"), [this, gone]() mutable {
                           gone.id = 0;
                           (void)bench_.log.put(gone);
                       });
        }
    }

    Workbench& bench_;
    Learner& learner_;
    NoteKind kind_ = NoteKind::Depth;
    std::vector<std::int64_t> rows_;
    QSpinBox* copy_;
    QWidget* entry_;
    QLabel* asks_;
    QComboBox* as_;
    OpenAmount *low_, *high_;
    QWidget* scale_ = nullptr;
    NoteHelper* helper_;
    QWidget* files_ = nullptr;
    QPushButton* fromFile_ = nullptr;
    QLineEdit* file_ = nullptr;
    QLineEdit* words_;
    QLabel* foretold_;
    QLabel* fault_;
    QPushButton* log_ = nullptr;
    PlainTable* table_;
    QPushButton *leave_ = nullptr, *remove_ = nullptr;
};

}  // namespace

QWidget* makeWaterTab(Workbench& bench) {
    return new WaterTab(bench);
}

}  // namespace wl
