#include "app/kit/fit_columns.h"

#include <QEvent>
#include <QHeaderView>
#include <algorithm>
#include <vector>

namespace wl {
namespace {

constexpr int kAround = 11;  // a cell's own margins and grid

struct Column {
    int at = 0;
    int full = 0;   // longest text in one line
    int least = 0;  // longest word
    int width = 0;
    bool words = true;
};

int longest(const QFontMetrics& metrics, const QString& text, QLatin1Char between) {
    int most = 0;
    for (const QString& part : text.split(between, Qt::SkipEmptyParts)) {
        most = std::max(most, metrics.horizontalAdvance(part));
    }
    return most;
}

int longestWord(const QFontMetrics& metrics, QString text) {
    return longest(metrics, text.replace(QLatin1Char('\n'), QLatin1Char(' ')), QLatin1Char(' '));
}

// Fits a table after the burst of events that asked for it.
class Fitter : public QObject {
  public:
    explicit Fitter(QTableView& table) : QObject(&table), table_(table) {
        table.installEventFilter(this);
        table.setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
        table.horizontalHeader()->setSectionResizeMode(QHeaderView::Fixed);
        table.horizontalHeader()->setMinimumSectionSize(24);
        table.verticalHeader()->setMinimumSectionSize(25);
        connect(table.model(), &QAbstractItemModel::modelReset, this, &Fitter::ask);
        connect(table.model(), &QAbstractItemModel::dataChanged, this, &Fitter::ask);
        connect(table.model(), &QAbstractItemModel::headerDataChanged, this, &Fitter::ask);
        ask();
    }

  protected:
    bool eventFilter(QObject* watched, QEvent* event) override {
        if (event->type() == QEvent::Resize || event->type() == QEvent::Show) {
            ask();
        }
        return QObject::eventFilter(watched, event);
    }

  private:
    void ask() {
        if (!asked_) {
            asked_ = true;
            // Before the next painting, which is posted with a lower priority.
            QMetaObject::invokeMethod(
                this,
                [this] {
                    asked_ = false;
                    fitColumns(table_);
                },
                Qt::QueuedConnection);
        }
    }
    QTableView& table_;
    bool asked_ = false;
};

}  // namespace

void keepFitted(QTableView& table) {
    new Fitter(table);
}

void fitColumns(QTableView& table) {
    QAbstractItemModel* model = table.model();
    if (model == nullptr) {
        return;
    }
    const QFontMetrics cell(table.font()), head(table.horizontalHeader()->font());
    std::vector<Column> columns;
    int all = 0;
    bool lines = false;
    for (int c = 0; c < model->columnCount(); ++c) {
        if (table.isColumnHidden(c)) {
            continue;
        }
        Column column;
        column.at = c;
        const QString title = model->headerData(c, Qt::Horizontal).toString();
        column.full = longest(head, title, QLatin1Char('\n'));
        column.least = column.full;
        for (int r = 0; r < model->rowCount(); ++r) {
            const QModelIndex index = model->index(r, c);
            const QString text = index.data().toString();
            lines = lines || text.contains(QLatin1Char('\n'));
            const int tick = index.data(Qt::CheckStateRole).isValid() ? 20 : 0;
            column.full = std::max(column.full, longest(cell, text, QLatin1Char('\n')) + tick);
            column.least = std::max(column.least, longestWord(cell, text) + tick);
            const int aligned = index.data(Qt::TextAlignmentRole).toInt();
            column.words = column.words && (aligned & Qt::AlignRight) == 0;
        }
        const int narrowest = table.horizontalHeader()->minimumSectionSize();
        column.width = std::max(narrowest, column.full + kAround);
        column.least = std::max(narrowest, column.least + kAround);
        all += column.width;
        columns.push_back(column);
    }
    const int room = table.viewport()->width() - 1;
    while (all > room) {
        const auto widest =
            std::max_element(columns.begin(), columns.end(), [](const Column& a, const Column& b) {
                return (a.width > a.least ? a.width : 0) < (b.width > b.least ? b.width : 0);
            });
        if (widest == columns.end() || widest->width <= widest->least) {
            break;
        }
        const int less = std::min(all - room, std::max(1, (widest->width - widest->least) / 4));
        widest->width -= less;
        all -= less;
    }
    if (all < room && !columns.empty()) {
        const auto words =
            std::find_if(columns.begin(), columns.end(), [](const Column& c) { return c.words; });
        if (words != columns.end()) {
            words->width += room - all;
        } else {
            const int each = (room - all) / int(columns.size());
            for (Column& column : columns) {
                column.width += each;
            }
        }
    }
    // Rows are measured only where something may have got another height: that costs milliseconds.
    bool changed = false, wrapped = false;
    for (const Column& column : columns) {
        changed = changed || table.columnWidth(column.at) != column.width;
        wrapped = wrapped || column.width < column.full + kAround;
        table.setColumnWidth(column.at, column.width);
    }
    const int rows = model->rowCount();
    const QVariant known = table.property("fittedRows");
    if (changed || wrapped || lines || known.toInt() != rows || !known.isValid()) {
        table.resizeRowsToContents();
        table.setProperty("fittedRows", rows);
    }
}

}  // namespace wl
