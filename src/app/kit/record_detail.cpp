#include "app/kit/record_detail.h"

#include <QSignalBlocker>

#include "core/design/fields.h"

namespace wl {
namespace {

// Several lines of text put into the design when they are left.
class LinesEdit : public QPlainTextEdit {
  public:
    std::function<void()> left;

  protected:
    void focusOutEvent(QFocusEvent* event) override {
        QPlainTextEdit::focusOutEvent(event);
        left();
    }
};

}  // namespace

RecordDetail::RecordDetail(Workbench& bench, RecordModel& model, QWidget* parent)
    : QScrollArea(parent), bench_(bench), model_(model) {
    setWidgetResizable(true);
    setFocusPolicy(Qt::NoFocus);
    setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    setSizeAdjustPolicy(QAbstractScrollArea::AdjustToContents);
    setMinimumHeight(110);
}

void RecordDetail::show(int row) {
    if (row != row_) {
        again(row);
    }
}

void RecordDetail::again(int row) {
    row_ = row;
    // What is typed in it is put away first; it goes when nothing of it runs any more.
    if (QWidget* old = takeWidget()) {
        old->hide();
        old->deleteLater();
    }
    if (row < 0 || row >= model_.rowCount()) {
        return;
    }
    auto* form = new Form(bench_, {});
    form->setObjectName(QStringLiteral("sheetPage"));
    form->setContentsMargins(0, 4, 6, 4);
    form->hideIdle();
    for (int c = 0; c < model_.columnCount(); ++c) {
        const QModelIndex at = model_.index(row, c);
        const RecordColumn& column = model_.column(c);
        if (column.derived) {
            form->readout(column.title, [this, row, &column](const Results& r) {
                const std::string list = model_.listPath().toStdString();
                if (size_t(row) >= listSize(*r.design, list) ||
                    (column.applies && !column.applies(*r.design, row))) {
                    return QStringLiteral("–");
                }
                const QString unit =
                    QString::fromStdString(unitLabel(column.quantity, bench_.bench()));
                const QString text = column.derived(r, row);
                return unit.isEmpty() ? text : text + QLatin1Char(' ') + unit;
            });
        } else if (column.read) {
            addOwn(*form, at);
        } else {
            form->field(model_.pathOf(at));
        }
        if (column.applies && !column.derived) {
            form->enableLastWhen(
                [&column, row](const Design& d) { return column.applies(d, row); });
        }
    }
    form->finish();
    setWidget(form);
}

// A field whose answers are the maker's own, or that is written in words.
void RecordDetail::addOwn(Form& form, const QPersistentModelIndex& at) {
    const RecordColumn& column = model_.column(at.column());
    const QString path = model_.pathOf(at);
    const auto write = [this, at](const QString& text) {
        if (at.isValid()) {
            model_.setData(at, text, Qt::EditRole);
        }
    };
    const int row = at.row();
    const auto now = [this, &column, row](const Design& d) {
        return size_t(row) < listSize(d, model_.listPath().toStdString()) ? column.read(d, row)
                                                                          : QString();
    };
    if (column.choices) {
        form.words(column.title, path, column.choices, now, write);
    } else if (!column.take) {
        form.line(column.title, path, now, write);
    } else {
        auto* lines = new LinesEdit;
        lines->setObjectName(path);
        lines->setAccessibleName(column.title);
        lines->setTabChangesFocus(true);
        lines->setMaximumHeight(72);
        lines->left = [lines, write] {
            if (lines->document()->isModified()) {
                lines->document()->setModified(false);
                write(lines->toPlainText());
            }
        };
        const auto refresh = [this, lines, now] {
            if (!lines->document()->isModified()) {
                lines->setPlainText(now(bench_.design()));
                lines->document()->setModified(false);
            }
        };
        connect(&bench_.document, &Document::designChanged, lines, refresh);
        connect(&bench_, &Workbench::benchChanged, lines, refresh);
        refresh();
        form.under(column.title, lines);
    }
}

}  // namespace wl

#include "moc_record_detail.cpp"
