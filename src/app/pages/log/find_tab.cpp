#include <QComboBox>
#include <QFileDialog>
#include <QPushButton>

#include "app/kit/flow_layout.h"
#include "app/kit/plain_label.h"
#include "app/kit/plain_table.h"
#include "app/kit/plot.h"
#include "app/pages/log/log_fields.h"
#include "app/pages/log/log_tabs.h"
#include "core/learn/log_search.h"
#include "files/whole_file.h"
#include "io/log_file.h"
#include "words/log_words.h"

namespace wl {
namespace {

constexpr int kMostRows = 400;

class FindTab : public QWidget {
    Q_DECLARE_TR_FUNCTIONS(wl::FindTab)
  public:
    explicit FindTab(Workbench& bench)
        : bench_(bench),
          words_(new QLineEdit),
          kind_(new QComboBox),
          deeper_(new OpenAmount(bench, QStringLiteral("findDeeper"), tr("ran at least at"),
                                 Quantity::Distance, 0, 200)),
          found_(plainLabel()),
          table_(new PlainTable(QStringLiteral("foundNotes"), tr("Notes found"))),
          plot_(new QCustomPlot),
          path_(new QLineEdit) {
        setObjectName(QStringLiteral("findTab"));
        words_->setObjectName(QStringLiteral("findWords"));
        words_->setAccessibleName(tr("Find notes with these words"));
        words_->setPlaceholderText(tr("words: bait, water, colour, what was caught"));
        words_->setClearButtonEnabled(true);
        kind_->setObjectName(QStringLiteral("findKind"));
        kind_->setAccessibleName(tr("Of which kind"));
        kind_->addItem(tr("all kinds"));
        for (int i = 0; i < int(kNoteKinds.size()); ++i) {
            kind_->addItem(noteName(NoteKind(i)));
        }
        deeper_->line()->setPlaceholderText(tr("deeper than"));
        found_->setObjectName(QStringLiteral("foundCount"));
        plot_->setObjectName(QStringLiteral("logPlot"));
        plot_->setAccessibleName(tr("Depth, catches and losses over the outings"));
        plot_->setMinimumHeight(150);
        path_->setObjectName(QStringLiteral("logPath"));
        path_->setAccessibleName(tr("File to save to or to take in"));
        path_->setPlaceholderText(tr("file name, or leave empty to choose"));
        auto* bar = new QWidget;
        auto* line = new FlowLayout(bar);
        line->addWidget(kind_);
        line->addWidget(deeper_);
        auto* files = new QWidget;
        auto* fileLine = new FlowLayout(files);
        const auto button = [&](const QString& label, const char* name, auto run) {
            auto* made = new QPushButton(label);
            made->setObjectName(QLatin1String(name));
            connect(made, &QPushButton::clicked, this, run);
            fileLine->addWidget(made);
        };
        button(tr("Save the log…"), "logSave", [this] { save(); });
        button(tr("Take in a log…"), "logTake", [this] { takeIn(); });
        auto* layout = new QVBoxLayout(this);
        layout->setContentsMargins(8, 6, 8, 6);
        layout->addWidget(words_);
        layout->addWidget(bar);
        layout->addWidget(found_);
        layout->addWidget(table_, 3);
        layout->addWidget(plot_, 2);
        layout->addWidget(path_);
        layout->addWidget(files);
        connect(words_, &QLineEdit::textChanged, this, [this] { fill(); });
        connect(kind_, &QComboBox::currentIndexChanged, this, [this] { fill(); });
        connect(deeper_->line(), &QLineEdit::editingFinished, this, [this] { fill(); });
        connect(&bench.log, &LogBook::changed, this, [this] {
            index_.reset();
            fill();
        });
        connect(&bench, &Workbench::benchChanged, this, [this] { fill(); });
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
        const WaterLog& log = bench_.log.log();
        if (!index_) {
            index_ = std::make_unique<LogIndex>(log);
        }
        LogQuery query;
        query.words = words_->text().toStdString();
        if (kind_->currentIndex() > 0) {
            query.kind = NoteKind(kind_->currentIndex() - 1);
        }
        if (!deeper_->read(query.deeperThan_m)) {
            return;
        }
        const std::vector<size_t> found = index_->find(query);
        QList<QStringList> rows;
        for (const size_t i : found) {
            if (rows.size() >= kMostRows) {
                break;
            }
            const LogNote& n = log.notes[i];
            const LogOuting* outing = log.outing(n.outing);
            QString words = QString::fromStdString(n.words);
            const QString figure = noteFigure(n, bench_.bench());
            rows << QStringList{outing ? outingWords(*outing) : QStringLiteral("–"),
                                QString::fromStdString(n.bait), noteName(n.kind),
                                figure.isEmpty()  ? words
                                : words.isEmpty() ? figure
                                                  : figure + QStringLiteral("; ") + words};
        }
        table_->setRows({tr("When, where"), tr("Bait"), tr("What"), tr("Seen")}, rows);
        found_->setText(rows.size() < int(found.size())
                            ? tr("The newest %1 of %2 notes.").arg(rows.size()).arg(found.size())
                            : tr("%n note(s)", nullptr, int(found.size())));
        draw(log, found);
    }

    // Depths as points, catches up and losses down, outing by outing from the left.
    void draw(const WaterLog& log, const std::vector<size_t>& found) {
        const bool metric = bench_.bench().isMetric();
        plot_->clearPlottables();
        dressPlot(*plot_, tr("outing; bars: caught up, lost down"),
                  metric ? tr("depth, m") : tr("depth, ft"));
        std::vector<std::pair<std::string, std::int64_t>> days;
        for (const LogOuting& o : log.outings) {
            days.emplace_back(o.date, o.id);
        }
        std::sort(days.begin(), days.end());
        std::map<std::int64_t, double> place;
        for (const auto& [date, id] : days) {
            place.emplace(id, double(place.size()) + 1);
        }
        QVector<double> x, y;
        QMap<double, double> caught, lost;
        for (const size_t i : found) {
            const LogNote& n = log.notes[i];
            const auto at = place.find(n.outing);
            if (at == place.end()) {
                continue;
            }
            if (n.kind == NoteKind::Depth) {
                x << at->second;
                y << n.low.value_or(n.high.value_or(0.0)) / (metric ? 1.0 : kFoot);
            }
            caught[at->second] += n.kind == NoteKind::Catch ? 1 : 0;
            lost[at->second] += n.kind == NoteKind::Lost ? 1 : 0;
        }
        plot_->yAxis->setNumberFormat(QStringLiteral("g"));
        auto* depths = plot_->addGraph();
        depths->setLineStyle(QCPGraph::lsNone);
        depths->setScatterStyle(QCPScatterStyle(QCPScatterStyle::ssCircle, inks().ink, 6));
        depths->setData(x, y);
        plot_->yAxis2->setVisible(true);
        const QSharedPointer<QCPAxisTickerFixed> whole(new QCPAxisTickerFixed);
        whole->setTickStep(1);
        whole->setScaleStrategy(QCPAxisTickerFixed::ssMultiples);
        plot_->yAxis2->setTicker(whole);
        plot_->yAxis2->setSubTicks(false);
        plot_->yAxis2->setTickLabelColor(inks().ink);
        plot_->yAxis2->setTickLabelFont(type(Type::Small));
        double most = 1;
        const auto bars = [&](const QMap<double, double>& counts, double sign, const QBrush& fill) {
            auto* made = new QCPBars(plot_->xAxis, plot_->yAxis2);
            made->setWidth(0.35);
            made->setBrush(fill);
            made->setPen(QPen(inks().ink));
            for (auto it = counts.begin(); it != counts.end(); ++it) {
                if (it.value() > 0) {
                    made->addData(it.key() + 0.25 * sign, sign * it.value());
                    most = std::max(most, it.value());
                }
            }
        };
        bars(caught, 1, QBrush(inks().water));
        bars(lost, -1, QBrush(inks().signal, Qt::BDiagPattern));
        plot_->xAxis->setRange(0.3, double(std::max<size_t>(place.size(), 1)) + 0.7);
        double deepest = 1;
        for (const double d : y) {
            deepest = std::max(deepest, d);
        }
        plot_->yAxis->setRange(0, 1.15 * deepest);
        plot_->yAxis->setRangeReversed(true);
        plot_->yAxis2->setRange(-most - 0.5, most + 0.5);
        plot_->replot(QCustomPlot::rpQueuedReplot);
    }

    QString fileFor(bool saving) {
        const QString typed = path_->text().trimmed();
        if (!typed.isEmpty()) {
            return typed;
        }
        const QString filter = tr("Table (*.csv);;JSON (*.json)");
        return saving ? QFileDialog::getSaveFileName(window(), tr("Save the log"),
                                                     QStringLiteral("water-log.csv"), filter)
                      : QFileDialog::getOpenFileName(window(), tr("Take in a log"), QString(),
                                                     tr("Logs (*.csv *.json)"));
    }

    void save() {
        const QString file = fileFor(true);
        if (file.isEmpty()) {
            return;
        }
        const WaterLog& log = bench_.log.log();
        const bool json = file.endsWith(QLatin1String(".json"), Qt::CaseInsensitive);
        const auto error =
            writeWholeFile(file.toStdU16String(), json ? writeLogJson(log) : writeLogCsv(log));
        bench_.say(error ? QStringLiteral("▲ ") + sentence(*error, bench_.bench())
                         : tr("%n note(s) saved to %1.", nullptr, int(log.notes.size())).arg(file));
    }

    void takeIn() {
        constexpr size_t kMostBytes = 256u << 20;
        const QString file = fileFor(false);
        if (file.isEmpty()) {
            return;
        }
        const auto refuse = [&](const Error& error) {
            bench_.say(QStringLiteral("▲ ") + sentence(error, bench_.bench()));
        };
        const auto text = readRegularFile(file.toStdU16String(), kMostBytes);
        if (!text) {
            return refuse(text.error());
        }
        const auto log = readLog(*text);
        if (!log) {
            return refuse(log.error());
        }
        const auto count = bench_.log.merge(*log);
        if (!count) {
            return refuse(count.error());
        }
        bench_.say(tr("%n entry(s) taken in; what was there already was left as it is.", nullptr,
                      int(*count)));
    }

    Workbench& bench_;
    std::unique_ptr<LogIndex> index_;
    QLineEdit* words_;
    QComboBox* kind_;
    OpenAmount* deeper_;
    QLabel* found_;
    PlainTable* table_;
    QCustomPlot* plot_;
    QLineEdit* path_;
};

}  // namespace

QWidget* makeFindTab(Workbench& bench) {
    return new FindTab(bench);
}

}  // namespace wl
