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
#include "core/design/fields.h"

namespace wl {
namespace {

class RecordDelegate : public QStyledItemDelegate {
  public:
    using QStyledItemDelegate::QStyledItemDelegate;

    QWidget* createEditor(QWidget* parent, const QStyleOptionViewItem& option,
                          const QModelIndex& index) const override {
        const auto* model = static_cast<const RecordModel*>(index.model());
        const RecordColumn& column = model->column(index.column());
        if (column.kind == RecordColumn::Kind::Choice) {
            auto* box = new QComboBox(parent);
            box->addItems(column.choices(const_cast<RecordModel*>(model)->bench().design()));
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
            box->setCurrentText(index.data(Qt::EditRole).toString());
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

RecordModel::RecordModel(Workbench& bench, QString listPath,
                         std::function<int(const Design&)> count, std::vector<RecordColumn> columns,
                         QObject* parent)
    : QAbstractTableModel(parent),
      bench_(bench),
      listPath_(std::move(listPath)),
      count_(std::move(count)),
      columns_(std::move(columns)) {
    rows_ = count_(bench_.design());
    connect(&bench_.document, &Document::designChanged, this, &RecordModel::refresh);
    connect(&bench_, &Workbench::benchChanged, this, &RecordModel::refresh);
    connect(&bench_.evaluator, &Evaluator::resultsChanged, this, &RecordModel::refresh);
}

void RecordModel::refresh() {
    const int now = count_(bench_.design());
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

QVariant RecordModel::data(const QModelIndex& index, int role) const {
    const RecordColumn& column = columns_[size_t(index.column())];
    const QString path = pathOf(index);
    const auto fault = faults_.constFind(path);
    const bool faulty = fault != faults_.constEnd();
    if (column.applies && !column.applies(bench_.design(), index.row())) {
        return role == Qt::DisplayRole         ? QVariant(QStringLiteral("–"))
               : role == Qt::ForegroundRole    ? QVariant(inks().quiet)
               : role == Qt::TextAlignmentRole ? QVariant(Qt::AlignRight | Qt::AlignVCenter)
                                               : QVariant();
    }
    if (role == Qt::ToolTipRole) {
        return faulty ? fault->message : QVariant();
    }
    if (role == Qt::ForegroundRole) {
        if (faulty) {
            return inks().signal;
        }
        return column.derived ? QVariant(inks().quiet) : QVariant();
    }
    if (role == Qt::TextAlignmentRole) {
        const bool right = column.kind == RecordColumn::Kind::Number;
        return QVariant(right ? Qt::AlignRight | Qt::AlignVCenter
                              : Qt::AlignLeft | Qt::AlignVCenter);
    }
    if (column.kind == RecordColumn::Kind::Flag) {
        if (role == Qt::CheckStateRole) {
            return column.read(bench_.design(), index.row()) == QLatin1String("1") ? Qt::Checked
                                                                                   : Qt::Unchecked;
        }
        return {};
    }
    if (role != Qt::DisplayRole && role != Qt::EditRole) {
        return {};
    }
    if (faulty) {
        return role == Qt::EditRole ? fault->typed : QStringLiteral("▲ ") + fault->typed;
    }
    if (column.derived) {
        const ResultsPtr results = bench_.results();
        const bool fits = results && results->derived && count_(*results->design) == rows_;
        return fits ? column.derived(*results, index.row()) : QStringLiteral("–");
    }
    if (column.kind != RecordColumn::Kind::Number) {
        return column.read(bench_.design(), index.row());
    }
    const auto field = findField(bench_.design(), path.toStdString());
    if (!field || !field->value) {
        return QString();
    }
    const auto text = role == Qt::EditRole ? editText : fieldText;
    return QString::fromStdString(text(column.quantity, bench_.bench(), *field->value));
}

QVariant RecordModel::headerData(int section, Qt::Orientation orientation, int role) const {
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
    if (column.applies && !column.applies(bench_.design(), index.row())) {
        return flags;
    }
    if (column.kind == RecordColumn::Kind::Flag) {
        return flags | Qt::ItemIsUserCheckable;
    }
    return column.derived ? flags : flags | Qt::ItemIsEditable;
}

bool RecordModel::setData(const QModelIndex& index, const QVariant& value, int role) {
    const RecordColumn& column = columns_[size_t(index.column())];
    const QString path = pathOf(index);
    bench_.document.endGesture();
    if (column.kind != RecordColumn::Kind::Number) {
        Design next = bench_.design();
        if (column.take) {
            const QString typed = value.toString();
            const auto error = column.take(next, index.row(), typed);
            faults_.remove(path);
            if (error) {
                faults_[path] = {typed, sentence(*error, bench_.bench())};
                emit dataChanged(index, index);
            } else {
                bench_.document.submit(std::move(next), column.title);
            }
            emit faultsChanged();
            return !error;
        }
        const QString text = role == Qt::CheckStateRole
                                 ? QString::number(value.toInt() == Qt::Checked ? 1 : 0)
                                 : value.toString().left(100);
        column.write(next, index.row(), text);
        bench_.document.submit(std::move(next), column.title);
        return true;
    }
    if (role != Qt::EditRole) {
        return false;
    }
    const auto field = findField(bench_.design(), path.toStdString());
    if (!field) {
        return false;
    }
    const QString typed = value.toString();
    const ReadAmount read = readAmount(typed.toStdString(), column.quantity, bench_.bench());
    std::optional<double> amount = read.valueSi;
    std::optional<Error> error;
    if (read.fault == ReadFault::Empty && field->mayBeEmpty) {
        amount.reset();
    } else if (read.fault != ReadFault::None) {
        error = readFaultError(read.fault, path, column.quantity, bench_.bench());
    }
    faults_.remove(path);
    if (!error) {
        error = bench_.document.setField(path, amount, column.title);
    }
    if (error) {
        faults_[path] = {typed, sentence(*error, bench_.bench())};
        emit dataChanged(index, index);
    }
    emit faultsChanged();
    return !error;
}

RecordTable::RecordTable(Workbench& bench, const QString& objectName, const QString& listPath,
                         std::function<int(const Design&)> count, std::vector<RecordColumn> columns,
                         std::vector<Action> actions, QWidget* parent)
    : QWidget(parent), view_(new QTableView), fault_(plainLabel()), listPath_(listPath) {
    model_ = new RecordModel(bench, listPath, std::move(count), std::move(columns), this);
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
    if (!path.startsWith(listPath_ + QLatin1Char('/'))) {
        return false;
    }
    const QStringList rest = path.mid(listPath_.size() + 1).split(QLatin1Char('/'));
    const int row = rest.value(0).toInt();
    for (int c = 0; c < model_->columnCount(); ++c) {
        if (rest.size() < 2 || model_->column(c).field == rest.value(1)) {
            view_->setCurrentIndex(model_->index(row, c));
            view_->setFocus();
            return true;
        }
    }
    view_->setCurrentIndex(model_->index(row, 0));
    return true;
}

}  // namespace wl
