#include "app/kit/record_table.h"

#include <QComboBox>
#include <QHeaderView>
#include <QKeyEvent>
#include <QLineEdit>
#include <QPushButton>
#include <QScrollBar>
#include <QShortcut>
#include <QStyledItemDelegate>
#include <QVBoxLayout>

#include "app/kit/fit_columns.h"
#include "app/kit/plain_label.h"
#include "app/kit/scale_fill.h"
#include "app/kit/theme.h"
#include "session/field_words.h"

namespace wl {
namespace {

constexpr int kLeastHeight = 100;
constexpr int kMostRows = 7;  // of the short list; the rest is scrolled to

class RecordDelegate : public QStyledItemDelegate {
  public:
    using QStyledItemDelegate::QStyledItemDelegate;

    QWidget* createEditor(QWidget* parent, const QStyleOptionViewItem& option,
                          const QModelIndex& index) const override {
        const auto* model = static_cast<const RecordModel*>(index.model());
        const RecordColumn& column = model->column(index.column());
        if (column.kind == FieldKind::Choice) {
            auto* box = new QComboBox(parent);
            box->addItems(model->choices(index));
            box->setAccessibleName(column.title);
            return box;
        }
        QWidget* editor = QStyledItemDelegate::createEditor(parent, option, index);
        if (auto* line = qobject_cast<QLineEdit*>(editor)) {
            line->setAccessibleName(column.title);
            line->setObjectName(QStringLiteral("cellEditor"));
        }
        return editor;
    }
    void setEditorData(QWidget* editor, const QModelIndex& index) const override {
        if (auto* box = qobject_cast<QComboBox*>(editor)) {
            // What it names may be gone from the list: looking at the answers does not change it.
            const QString now = index.data(Qt::EditRole).toString();
            if (box->findText(now) < 0) {
                box->insertItem(0, now);
            }
            box->setCurrentText(now);
        } else if (auto* line = qobject_cast<QLineEdit*>(editor); line && !line->isModified()) {
            // Results that arrive meanwhile do not take away what is being typed.
            line->setText(index.data(Qt::EditRole).toString());
        }
    }
    void setModelData(QWidget* editor, QAbstractItemModel* model,
                      const QModelIndex& index) const override {
        const QString text = qobject_cast<QComboBox*>(editor)
                                 ? static_cast<QComboBox*>(editor)->currentText()
                                 : static_cast<QLineEdit*>(editor)->text();
        model->setData(index, text, Qt::EditRole);
    }
};

}  // namespace

RecordTable::RecordTable(Workbench& bench, const QString& objectName, const QString& listPath,
                         std::vector<RecordColumn> columns, std::vector<Action> actions,
                         QWidget* parent)
    : QWidget(parent),
      bench_(bench),
      view_(new QTableView),
      fault_(plainLabel()),
      empty_(plainLabel(tr("None yet."))) {
    model_ = new RecordModel(bench, listPath, std::move(columns), this);
    view_->setModel(model_);
    view_->setItemDelegate(new RecordDelegate(this));
    view_->setObjectName(objectName);
    view_->installEventFilter(this);
    installEventFilter(this);
    const std::vector<Field> known = itemFields(bench.design(), listPath.toStdString());
    view_->setAccessibleName(known.empty() ? tr("List")
                                           : tr("List: %1").arg(fieldPlace(known.front())));
    view_->setEditTriggers(QAbstractItemView::DoubleClicked | QAbstractItemView::SelectedClicked |
                           QAbstractItemView::EditKeyPressed | QAbstractItemView::AnyKeyPressed);
    view_->setSelectionMode(QAbstractItemView::SingleSelection);
    view_->setSelectionBehavior(QAbstractItemView::SelectRows);
    view_->setTabKeyNavigation(false);
    view_->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    view_->verticalHeader()->hide();
    view_->verticalHeader()->setMinimumSectionSize(25);
    view_->horizontalHeader()->setSectionResizeMode(QHeaderView::Fixed);
    view_->horizontalHeader()->setMinimumSectionSize(24);
    view_->horizontalHeader()->setFont(type(Type::Small));
    for (int c = 0; c < model_->columnCount(); ++c) {
        view_->setColumnHidden(c, !model_->column(c).fact);
    }
    fault_->setProperty("role", "fault");
    fault_->setObjectName(objectName + QStringLiteral("Fault"));
    fault_->setWordWrap(true);
    fault_->hide();
    empty_->setProperty("role", "quiet");
    empty_->setWordWrap(true);
    detail_ = new RecordDetail(bench, *model_);

    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(12, 6, 10, 6);
    layout->setSpacing(4);
    auto* bar = new QWidget;
    buttons_ = new FlowLayout(bar);
    for (const Action& action : actions) {
        auto* button = new QPushButton(action.label);
        button->setObjectName(action.name);
        buttons_->addWidget(button);
        connect(button, &QPushButton::clicked, this, [this, action] {
            const int row = currentRow();
            if (!action.needsRow || row >= 0) {
                action.run(row);
            }
        });
        if (action.needsRow) {
            auto enable = [this, button] { button->setEnabled(currentRow() >= 0); };
            connect(view_->selectionModel(), &QItemSelectionModel::currentChanged, button, enable);
            connect(model_, &QAbstractItemModel::modelReset, button, enable);
            enable();
        }
    }
    // A joint once more would be a piece more: that is cut, not copied.
    const auto places = [this](int c) {
        return model_->column(c).field == QLatin1String("x") &&
               model_->listPath() != QLatin1String("/joints");
    };
    for (int c = 0; c < model_->columnCount(); ++c) {
        if (!places(c)) {
            continue;
        }
        auto* copy = new QPushButton(tr("Copy"));
        copy->setObjectName(objectName + QStringLiteral("Copy"));
        copy->setToolTip(
            tr("The chosen one once more, at the next place aft (Ctrl+D); on the other "
               "side of the bait with Ctrl+Shift+D"));
        addTool(copy);
        connect(copy, &QPushButton::clicked, this, &RecordTable::copyChosen);
        auto* key = new QShortcut(QKeySequence(QStringLiteral("Ctrl+D")), this);
        key->setContext(Qt::WidgetWithChildrenShortcut);
        connect(key, &QShortcut::activated, this, &RecordTable::copyChosen);
        break;
    }
    for (int c = 0; c < model_->columnCount(); ++c) {
        if (model_->column(c).field != QLatin1String("y") &&
            model_->listPath() != QLatin1String("/side_weights")) {
            continue;
        }
        auto* key = new QShortcut(QKeySequence(QStringLiteral("Ctrl+Shift+D")), this);
        key->setContext(Qt::WidgetWithChildrenShortcut);
        connect(key, &QShortcut::activated, this, &RecordTable::copyAcross);
        break;
    }
    if (model_->columnCount() > 5) {
        auto* wide = new QPushButton(tr("All side by side"));
        wide->setObjectName(objectName + QStringLiteral("Wide"));
        wide->setToolTip(tr("Every fact of every one in a wide table in the picture's place (F5)"));
        addTool(wide);
        const auto open = [this] {
            emit bench_.wideWanted(model_, view_->itemDelegate(), view_->objectName());
        };
        connect(wide, &QPushButton::clicked, this, open);
        auto* key = new QShortcut(QKeySequence(Qt::Key_F5), this);
        key->setContext(Qt::WidgetWithChildrenShortcut);
        connect(key, &QShortcut::activated, this, open);
    }
    layout->addWidget(bar);
    layout->addWidget(empty_);
    layout->addWidget(view_);
    layout->addWidget(fault_);
    layout->addWidget(detail_, 1);
    layout->addStretch(0);  // takes the room of the form while there is none

    connect(model_, &QAbstractItemModel::modelReset, this, &RecordTable::afterReset);
    connect(model_, &QAbstractItemModel::dataChanged, this, [this, &bench] {
        if (!bench.document.isHeld()) {  // columns stay put under the hand
            fit();
        }
    });
    connect(&bench.document, &Document::released, this, [this] { fit(); });
    connect(&bench, &Workbench::benchChanged, this, [this] { fit(); });
    connect(model_, &RecordModel::faultsChanged, this, [this] {
        const QString message = model_->firstFault();
        fault_->setText(QStringLiteral("▲ ") + message);
        fault_->setVisible(!message.isEmpty());
    });
    connect(view_->selectionModel(), &QItemSelectionModel::currentChanged, this,
            [this](const QModelIndex& now) {
                if (now.isValid()) {
                    lastRow_ = now.row();
                }
                detail_->show(now.isValid() ? now.row() : -1);
            });
    afterReset();
}

// The thing just made is chosen; of those left after one went, its neighbour.
void RecordTable::afterReset() {
    const int rows = model_->rowCount();
    const int row = rows > lastRows_ && lastRows_ > 0 ? rows - 1 : std::min(lastRow_, rows - 1);
    lastRows_ = rows;
    view_->setVisible(rows > 0);
    empty_->setVisible(rows == 0);
    detail_->setVisible(rows > 0);
    if (drawing_ != nullptr) {
        drawing_->setVisible(rows == 0);
    }
    detail_->again(row);
    if (row >= 0) {
        int first = 0;
        while (first + 1 < model_->columnCount() && view_->isColumnHidden(first)) {
            ++first;
        }
        view_->setCurrentIndex(model_->index(row, first));
    }
    fit();
}

void RecordTable::copyChosen() {
    constexpr double kNextPlace_m = 0.01;
    if (const int row = currentRow(); row >= 0) {
        takeCopy(row, withItemCopied(bench_.design(), model_->listPath().toStdString(), size_t(row),
                                     kNextPlace_m));
    }
}

void RecordTable::copyAcross() {
    if (const int row = currentRow(); row >= 0) {
        takeCopy(row,
                 withItemMirrored(bench_.design(), model_->listPath().toStdString(), size_t(row)));
    }
}

void RecordTable::takeCopy(int row, Result<Design> next) {
    if (!next) {
        bench_.say(QStringLiteral("▲ ") + sentence(next.error(), bench_.bench()));
        return;
    }
    bench_.document.endGesture();
    bench_.document.submit(std::move(next).value(), tr("Copy"));
    view_->setCurrentIndex(model_->index(row + 1, view_->currentIndex().column()));
}

void RecordTable::fit() {
    if (!fitting_) {
        fitting_ = true;
        // Before the next painting, which is posted with a lower priority.
        QMetaObject::invokeMethod(
            this,
            [this] {
                fitting_ = false;
                if (!isVisible()) {
                    return;  // fitted when it is looked at: its view is then resized
                }
                fitColumns(*view_);
                int height = view_->horizontalHeader()->sizeHint().height() + 2;
                for (int r = 0; r < std::min(kMostRows, model_->rowCount()); ++r) {
                    height += view_->rowHeight(r);
                }
                // The form below keeps at least as much of the sheet.
                const int share = (this->height() - view_->y()) / 2;
                view_->setFixedHeight(std::min(height, std::max(kLeastHeight, share)));
            },
            Qt::QueuedConnection);
    }
}

// F9 on a cell of mass takes what lies on the scale.
bool RecordTable::eventFilter(QObject* watched, QEvent* event) {
    if ((event->type() == QEvent::Resize || event->type() == QEvent::Show) &&
        (watched == view_ || watched == this)) {
        fit();
    }
    if (event->type() == QEvent::KeyPress && static_cast<QKeyEvent*>(event)->key() == Qt::Key_F9) {
        // The cell it stands on, or the weighed mass of the chosen thing.
        QPersistentModelIndex index = view_->currentIndex();
        const auto takesMass = [this](const QModelIndex& at) {
            return at.isValid() && (model_->flags(at) & Qt::ItemIsEditable) &&
                   model_->column(at.column()).quantity == Quantity::Mass;
        };
        for (int c = 0; index.isValid() && !takesMass(index) && c < model_->columnCount(); ++c) {
            if (takesMass(model_->index(index.row(), c))) {
                index = model_->index(index.row(), c);
            }
        }
        if (takesMass(index)) {
            readScaleOnce(model_->bench(), this, [this, index](double kg) {
                if (index.isValid()) {
                    model_->setData(index,
                                    QString::fromStdString(
                                        editText(Quantity::Mass, model_->bench().bench(), kg)),
                                    Qt::EditRole);
                }
            });
            return true;
        }
    }
    return QWidget::eventFilter(watched, event);
}

void RecordTable::addTool(QWidget* tool) {
    buttons_->addWidget(tool);
}

void RecordTable::showWholeForm() {
    detail_->showWhole();
}

void RecordTable::setEmptyWords(const QString& words) {
    empty_->setText(words);
}

void RecordTable::setEmpty(const QString& words, std::vector<MeasureStroke> drawing) {
    setEmptyWords(words);
    drawing_ = new WhatToMeasure(bench_, std::move(drawing));
    auto* column = static_cast<QVBoxLayout*>(layout());
    column->insertWidget(column->indexOf(empty_) + 1, drawing_);
    drawing_->setVisible(model_->rowCount() == 0);
}

int RecordTable::currentRow() const {
    const QModelIndex index = view_->currentIndex();
    return index.isValid() ? index.row() : -1;
}

bool RecordTable::goTo(const QString& path) {
    const QString& list = model_->listPath();
    for (int row = 0; row < model_->rowCount(); ++row) {
        const QString start = QStringLiteral("%1/%2").arg(list).arg(row);
        if (path != start && !path.startsWith(start + QLatin1Char('/'))) {
            continue;
        }
        const QString field = path.mid(start.size() + 1);
        int shown = -1;
        for (int c = model_->columnCount() - 1; c >= 0; --c) {
            if (!view_->isColumnHidden(c)) {
                shown = shown < 0 || model_->column(shown).field != field ? c : shown;
            }
        }
        view_->setCurrentIndex(model_->index(row, std::max(0, shown)));
        if (auto* there = detail_->findChild<QWidget*>(path);
            there != nullptr && !field.isEmpty()) {
            there->setFocus(Qt::OtherFocusReason);
            detail_->ensureWidgetVisible(there);
        } else {
            view_->setFocus();
        }
        return true;
    }
    return path.startsWith(list + QLatin1Char('/'));
}

}  // namespace wl

#include "moc_record_table.cpp"
