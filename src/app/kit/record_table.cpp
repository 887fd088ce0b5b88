#include "app/kit/record_table.h"

#include <QComboBox>
#include <QHBoxLayout>
#include <QHeaderView>
#include <QKeyEvent>
#include <QLineEdit>
#include <QPushButton>
#include <QStyledItemDelegate>
#include <QVBoxLayout>

#include "app/kit/plain_label.h"
#include "app/kit/scale_fill.h"
#include "app/kit/theme.h"
#include "session/field_words.h"

namespace wl {
namespace {

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

RecordModel::RecordModel(Workbench& bench, QString listPath, std::vector<RecordColumn> columns,
                         QObject* parent)
    : QAbstractTableModel(parent),
      bench_(bench),
      listPath_(std::move(listPath)),
      columns_(std::move(columns)) {
    const std::string list = listPath_.toStdString();
    for (const Field& field : itemFields(bench_.design(), list)) {
        for (RecordColumn& column : columns_) {
            if (field.path == list + "/0/" + column.field.toStdString()) {
                const bool own = column.read != nullptr;
                column.kind = !own             ? field.kind
                              : column.choices ? FieldKind::Choice
                                               : FieldKind::Text;
                column.quantity = own ? column.quantity : field.quantity;
                column.title = column.title.isEmpty() ? fieldLabel(field) : column.title;
                column.tip = fieldTip(field);
            }
        }
    }
    for (RecordColumn& column : columns_) {
        if (column.choices) {
            column.kind = FieldKind::Choice;
        }
    }
    rows_ = count(bench_.design());
    connect(&bench_.document, &Document::designChanged, this, &RecordModel::refresh);
    connect(&bench_, &Workbench::benchChanged, this, &RecordModel::refresh);
    connect(&bench_.evaluator, &Evaluator::resultsChanged, this, &RecordModel::refresh);
}

void RecordModel::refresh() {
    const int now = count(bench_.design());
    if (now != rows_) {
        beginResetModel();
        rows_ = now;
        faults_.clear();
        endResetModel();
        emit faultsChanged();
    } else if (rows_ > 0) {
        emit dataChanged(index(0, 0), index(rows_ - 1, columnCount() - 1));
        emit headerDataChanged(Qt::Horizontal, 0, columnCount() - 1);
    }
}

QString RecordModel::pathOf(const QModelIndex& index) const {
    return QStringLiteral("%1/%2/%3")
        .arg(listPath_)
        .arg(index.row())
        .arg(columns_[size_t(index.column())].field);
}

QString RecordModel::faultAt(const QModelIndex& index) const {
    return faults_.value(pathOf(index)).message;
}

QString RecordModel::firstFault() const {
    return faults_.isEmpty() ? QString() : faults_.first().message;
}

std::optional<Field> RecordModel::fieldAt(const QModelIndex& index) const {
    return findField(bench_.design(), pathOf(index).toStdString());
}

bool RecordModel::applies(const QModelIndex& index) const {
    const RecordColumn& column = columns_[size_t(index.column())];
    if (column.applies) {
        return column.applies(bench_.design(), index.row());
    }
    const std::optional<Field> field = column.field.isEmpty() ? std::nullopt : fieldAt(index);
    return !field || field->about.applies;
}

QStringList RecordModel::choices(const QModelIndex& index) const {
    const RecordColumn& column = columns_[size_t(index.column())];
    if (column.choices) {
        return column.choices(bench_.design());
    }
    const std::optional<Field> field = fieldAt(index);
    return field ? fieldAnswers(*field) : QStringList();
}

QVariant RecordModel::data(const QModelIndex& index, int role) const {
    const RecordColumn& column = columns_[size_t(index.column())];
    const auto fault = faults_.constFind(pathOf(index));
    const bool faulty = fault != faults_.constEnd();
    if (!applies(index)) {
        return role == Qt::DisplayRole         ? QVariant(QStringLiteral("–"))
               : role == Qt::ForegroundRole    ? QVariant(inks().quiet)
               : role == Qt::TextAlignmentRole ? QVariant(Qt::AlignRight | Qt::AlignVCenter)
                                               : QVariant();
    }
    const bool number = column.kind == FieldKind::Number || column.kind == FieldKind::Count;
    switch (role) {
        case Qt::ToolTipRole:
            return faulty ? fault->message : QVariant();
        case Qt::ForegroundRole:
            return faulty ? inks().signal : column.derived ? QVariant(inks().quiet) : QVariant();
        case Qt::TextAlignmentRole:
            return QVariant(number ? Qt::AlignRight | Qt::AlignVCenter
                                   : Qt::AlignLeft | Qt::AlignVCenter);
        case Qt::CheckStateRole:
            if (column.kind == FieldKind::Flag) {
                const std::optional<Field> field = fieldAt(index);
                return field && field->value == 1.0 ? Qt::Checked : Qt::Unchecked;
            }
            return {};
        case Qt::DisplayRole:
        case Qt::EditRole:
            break;
        default:
            return {};
    }
    if (faulty) {
        return role == Qt::EditRole ? fault->typed : QStringLiteral("▲ ") + fault->typed;
    }
    if (column.derived) {
        const ResultsPtr results = bench_.results();
        const bool fits = results && results->derived && count(*results->design) == rows_;
        return fits ? column.derived(*results, index.row()) : QStringLiteral("–");
    }
    if (column.read) {
        return column.read(bench_.design(), index.row());
    }
    const std::optional<Field> field = fieldAt(index);
    if (!field || column.kind == FieldKind::Flag) {
        return field ? QVariant() : QVariant(QString());
    }
    if (!number) {
        return fieldValue(*field, bench_.bench());
    }
    const auto text = role == Qt::EditRole ? editText : fieldText;
    return field->value
               ? QString::fromStdString(text(column.quantity, bench_.bench(), *field->value))
               : QString();
}

QVariant RecordModel::headerData(int section, Qt::Orientation orientation, int role) const {
    if (role == Qt::ToolTipRole && orientation == Qt::Horizontal) {
        const QString& tip = columns_[size_t(section)].tip;
        return tip.isEmpty() ? QVariant() : tip;
    }
    if (role != Qt::DisplayRole) {
        return {};
    }
    if (orientation == Qt::Vertical) {
        return section + 1;
    }
    const RecordColumn& column = columns_[size_t(section)];
    const QString unit = QString::fromStdString(unitLabel(column.quantity, bench_.bench()));
    return unit.isEmpty() ? column.title : QStringLiteral("%1\n%2").arg(column.title, unit);
}

Qt::ItemFlags RecordModel::flags(const QModelIndex& index) const {
    const RecordColumn& column = columns_[size_t(index.column())];
    Qt::ItemFlags flags = Qt::ItemIsSelectable | Qt::ItemIsEnabled;
    if (!applies(index)) {
        return flags;
    }
    if (column.kind == FieldKind::Flag) {
        return flags | Qt::ItemIsUserCheckable;
    }
    return column.derived ? flags : flags | Qt::ItemIsEditable;
}

// Puts what was typed or chosen into the design, as one undo step; the reason when it is refused.
std::optional<Error> RecordModel::taken(const QModelIndex& index, const QVariant& value) {
    const RecordColumn& column = columns_[size_t(index.column())];
    const QString path = pathOf(index);
    const QString typed = value.toString();
    if (column.read) {
        Design next = bench_.design();
        if (column.take) {
            if (auto error = column.take(next, index.row(), typed)) {
                return error;
            }
        } else {
            column.write(next, index.row(), typed.left(100));
        }
        bench_.document.submit(std::move(next), column.title);
        return std::nullopt;
    }
    switch (column.kind) {
        case FieldKind::Flag:
            return bench_.document.setField(path, value.toInt() == Qt::Checked ? 1 : 0);
        case FieldKind::Choice:
            return bench_.document.setField(path, std::max(0, int(choices(index).indexOf(typed))));
        case FieldKind::Text:
            return bench_.document.setText(path, typed);
        default:
            break;
    }
    const std::optional<Field> field = fieldAt(index);
    const ReadAmount read = readAmount(typed.toStdString(), column.quantity, bench_.bench());
    if (field && field->mayBeEmpty && read.fault == ReadFault::Empty) {
        return bench_.document.setField(path, std::nullopt);
    }
    if (read.fault != ReadFault::None) {
        return readFaultError(read.fault, path, column.quantity, bench_.bench());
    }
    return bench_.document.setField(path, read.valueSi);
}

bool RecordModel::setData(const QModelIndex& index, const QVariant& value, int role) {
    const bool flag = columns_[size_t(index.column())].kind == FieldKind::Flag;
    if (role != (flag ? Qt::CheckStateRole : Qt::EditRole)) {
        return false;
    }
    bench_.document.endGesture();
    faults_.remove(pathOf(index));
    const std::optional<Error> error = taken(index, value);
    if (error) {
        faults_[pathOf(index)] = {value.toString(), sentence(*error, bench_.bench())};
        emit dataChanged(index, index);
    }
    emit faultsChanged();
    return !error;
}

RecordTable::RecordTable(Workbench& bench, const QString& objectName, const QString& listPath,
                         std::vector<RecordColumn> columns, std::vector<Action> actions,
                         QWidget* parent)
    : QWidget(parent), view_(new QTableView), fault_(plainLabel()), listPath_(listPath) {
    model_ = new RecordModel(bench, listPath, std::move(columns), this);
    view_->setModel(model_);
    view_->setItemDelegate(new RecordDelegate(this));
    view_->setObjectName(objectName);
    view_->installEventFilter(this);
    view_->setAccessibleName(objectName);
    view_->setEditTriggers(QAbstractItemView::DoubleClicked | QAbstractItemView::SelectedClicked |
                           QAbstractItemView::EditKeyPressed | QAbstractItemView::AnyKeyPressed);
    view_->setSelectionMode(QAbstractItemView::SingleSelection);
    view_->setTabKeyNavigation(false);
    view_->verticalHeader()->setDefaultSectionSize(25);
    view_->verticalHeader()->setMinimumWidth(22);
    view_->horizontalHeader()->setMinimumSectionSize(40);
    view_->setMinimumHeight(90);
    view_->horizontalHeader()->setFont(type(Type::Small));
    fault_->setProperty("role", "fault");
    fault_->setObjectName(objectName + QStringLiteral("Fault"));
    fault_->setWordWrap(true);
    fault_->hide();
    auto fit = [this] {
        view_->resizeColumnsToContents();
        for (int c = 0; c < model_->columnCount(); ++c) {
            view_->setColumnWidth(c, std::clamp(view_->columnWidth(c) + 2, 44, 190));
        }
    };
    connect(model_, &QAbstractItemModel::modelReset, this, fit);
    connect(&bench, &Workbench::benchChanged, this, fit);
    connect(model_, &RecordModel::faultsChanged, this, [this] {
        const QString message = model_->firstFault();
        fault_->setText(QStringLiteral("▲ ") + message);
        fault_->setVisible(!message.isEmpty());
    });
    fit();

    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(4);
    buttons_ = new QHBoxLayout;
    QHBoxLayout* buttons = buttons_;
    buttons->setSpacing(6);
    for (const Action& action : actions) {
        auto* button = new QPushButton(action.label);
        button->setObjectName(action.name);
        buttons->addWidget(button);
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
    buttons->addStretch();
    layout->addLayout(buttons);
    layout->addWidget(view_, 1);
    layout->addWidget(fault_);
}

// F9 on a cell of mass takes what lies on the scale.
bool RecordTable::eventFilter(QObject* watched, QEvent* event) {
    if (event->type() == QEvent::KeyPress && static_cast<QKeyEvent*>(event)->key() == Qt::Key_F9) {
        const QPersistentModelIndex index = view_->currentIndex();
        if (index.isValid() && (model_->flags(index) & Qt::ItemIsEditable) &&
            model_->column(index.column()).quantity == Quantity::Mass) {
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
    buttons_->insertWidget(buttons_->count() - 1, tool);  // before the stretch
}

int RecordTable::currentRow() const {
    const QModelIndex index = view_->currentIndex();
    return index.isValid() ? index.row() : -1;
}

bool RecordTable::goTo(const QString& path) {
    for (int row = 0; row < model_->rowCount(); ++row) {
        const QString start = QStringLiteral("%1/%2").arg(listPath_).arg(row);
        if (path != start && !path.startsWith(start + QLatin1Char('/'))) {
            continue;
        }
        const QString field = path.mid(start.size() + 1);
        for (int c = 0; c < model_->columnCount(); ++c) {
            if (field.isEmpty() || model_->column(c).field == field) {
                view_->setCurrentIndex(model_->index(row, c));
                view_->setFocus();
                return true;
            }
        }
        view_->setCurrentIndex(model_->index(row, 0));
        return true;
    }
    return path.startsWith(listPath_ + QLatin1Char('/'));
}

}  // namespace wl
