#include "app/dialogs/logger_dialog.h"

#include <QComboBox>
#include <QDialogButtonBox>
#include <QFormLayout>
#include <QPushButton>
#include <QSettings>
#include <QVBoxLayout>
#include <algorithm>

#include "app/kit/plain_label.h"
#include "app/kit/plot.h"
#include "core/base/units.h"
#include "session/sentence_text.h"

namespace wl {
namespace {

QString loggerKey(const char* what) {
    return QStringLiteral("logger/") + QLatin1String(what);
}

}  // namespace

LoggerDialog::LoggerDialog(Workbench& bench, std::string text, QWidget* parent)
    : QDialog(parent),
      bench_(bench),
      text_(std::move(text)),
      time_(new QComboBox),
      timeIn_(new QComboBox),
      depth_(new QComboBox),
      depthIn_(new QComboBox),
      plot_(new QCustomPlot),
      words_(plainLabel()) {
    setWindowTitle(tr("Depth by a logger"));
    setObjectName(QStringLiteral("loggerDialog"));
    resize(720, 560);
    const auto named = [](QComboBox* box, const char* name, const QString& label) {
        box->setObjectName(QLatin1String(name));
        box->setAccessibleName(label);
    };
    named(time_, "loggerTime", tr("Column of the time"));
    named(timeIn_, "loggerTimeIn", tr("Time is in"));
    named(depth_, "loggerDepth", tr("Column of the depth"));
    named(depthIn_, "loggerDepthIn", tr("Depth is in"));
    timeIn_->addItems({tr("seconds"), tr("milliseconds"), tr("hours:minutes:seconds")});
    depthIn_->addItems({tr("metres"), tr("feet"), tr("bar"), tr("millibar")});
    words_->setObjectName(QStringLiteral("loggerWords"));
    words_->setWordWrap(true);
    plot_->setAccessibleName(tr("Depth over the time"));
    plot_->setMinimumHeight(180);
    auto* buttons = new QDialogButtonBox(QDialogButtonBox::Cancel);
    take_ = buttons->addButton(tr("Take this depth"), QDialogButtonBox::AcceptRole);
    take_->setObjectName(QStringLiteral("loggerTake"));
    take_->setEnabled(false);
    auto* rows = new QFormLayout;
    rows->addRow(tr("Time stands in"), time_);
    rows->addRow(tr("and is in"), timeIn_);
    rows->addRow(tr("Depth stands in"), depth_);
    rows->addRow(tr("and is in"), depthIn_);
    auto* layout = new QVBoxLayout(this);
    layout->addLayout(rows);
    layout->addWidget(plot_, 1);
    layout->addWidget(words_);
    layout->addWidget(buttons);
    const Result<TraceHead> head = headOfTrace(text_);
    if (!head) {
        words_->setText(QStringLiteral("▲ ") + sentence(head.error(), bench_.bench()));
    } else {
        for (const std::string& name : head->names) {
            time_->addItem(QString::fromStdString(name));
            depth_->addItem(QString::fromStdString(name));
        }
        TraceColumns columns = head->guess;
        const QSettings kept;
        // As told for a table with these very columns.
        QStringList names;
        for (int i = 0; i < time_->count(); ++i) {
            names << time_->itemText(i);
        }
        if (kept.value(loggerKey("names")).toStringList() == names) {
            columns.time = kept.value(loggerKey("time")).toInt();
            columns.depth = kept.value(loggerKey("depth")).toInt();
            columns.timeIn = TraceTime(std::clamp(kept.value(loggerKey("time_in")).toInt(), 0, 2));
            columns.depthIn =
                TraceDepth(std::clamp(kept.value(loggerKey("depth_in")).toInt(), 0, 3));
        }
        time_->setCurrentIndex(std::clamp(columns.time, 0, time_->count() - 1));
        depth_->setCurrentIndex(std::clamp(columns.depth, 0, depth_->count() - 1));
        timeIn_->setCurrentIndex(int(columns.timeIn));
        depthIn_->setCurrentIndex(int(columns.depthIn));
        read();
    }
    for (QComboBox* box : {time_, timeIn_, depth_, depthIn_}) {
        connect(box, &QComboBox::currentIndexChanged, this, [this] { read(); });
    }
    connect(buttons, &QDialogButtonBox::rejected, this, &QDialog::reject);
    connect(buttons, &QDialogButtonBox::accepted, this, [this] {
        QSettings kept;
        QStringList names;
        for (int i = 0; i < time_->count(); ++i) {
            names << time_->itemText(i);
        }
        kept.setValue(loggerKey("names"), names);
        kept.setValue(loggerKey("time"), time_->currentIndex());
        kept.setValue(loggerKey("depth"), depth_->currentIndex());
        kept.setValue(loggerKey("time_in"), timeIn_->currentIndex());
        kept.setValue(loggerKey("depth_in"), depthIn_->currentIndex());
        accept();
    });
}

void LoggerDialog::read() {
    const TraceColumns columns{time_->currentIndex(), depth_->currentIndex(),
                               TraceTime(timeIn_->currentIndex()),
                               TraceDepth(depthIn_->currentIndex())};
    const ResultsPtr r = bench_.results();
    const double density = r && r->derived ? r->derived->waterDensity_kg_m3 : 1000.0;
    const Result<DepthTrace> trace = readDepthTrace(text_, columns, density);
    depth_m_.reset();
    casts_ = 0;
    take_->setEnabled(false);
    plot_->clearPlottables();
    if (!trace) {
        words_->setText(QStringLiteral("▲ ") + sentence(trace.error(), bench_.bench()));
        plot_->replot();
        return;
    }
    const bool metric = bench_.bench().isMetric();
    const double unit = metric ? 1.0 : kFoot;
    dressPlot(*plot_, tr("seconds"), metric ? tr("depth, m") : tr("depth, ft"));
    plot_->yAxis->setRangeReversed(true);
    auto* graph = plot_->addGraph();
    graph->setPen(QPen(inks().ink, 1.4));
    QVector<double> x, y;
    for (size_t i = 0; i < trace->time_s.size(); ++i) {
        x << trace->time_s[i];
        y << trace->depth_m[i] / unit;
    }
    graph->setData(x, y);
    plot_->rescaleAxes();
    plot_->replot();
    std::vector<double> deepest;
    for (const LoggedCast& cast : castsIn(*trace)) {
        deepest.push_back(cast.deepest_m);
    }
    if (deepest.empty()) {
        words_->setText(tr("▲ No cast is in it: nothing goes under for five seconds or more."));
        return;
    }
    std::sort(deepest.begin(), deepest.end());
    casts_ = deepest.size();
    depth_m_ = deepest[deepest.size() / 2];
    take_->setEnabled(true);
    words_->setText(
        tr("%n cast(s), in the middle %1 deep, from %2 to %3; at the surface it read %4.", nullptr,
           int(casts_))
            .arg(bench_.text(Quantity::Distance, *depth_m_),
                 bench_.text(Quantity::Distance, deepest.front()),
                 bench_.text(Quantity::Distance, deepest.back()),
                 bench_.text(Quantity::Distance, trace->surface_m)));
}

}  // namespace wl

#include "moc_logger_dialog.cpp"
