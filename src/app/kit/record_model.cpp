#include "app/kit/record_model.h"

#include <algorithm>

#include "app/kit/theme.h"
#include "session/field_words.h"

namespace wl {

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
    told_ = tellAll();
    connect(&bench_.document, &Document::designChanged, this, &RecordModel::refresh);
    connect(&bench_, &Workbench::benchChanged, this, [this] {
        told_.clear();  // in other units or colours: all of it
        refresh();
        emit headerDataChanged(Qt::Horizontal, 0, columnCount() - 1);  // other units
    });
    if (std::any_of(columns_.begin(), columns_.end(),
                    [](const RecordColumn& c) { return c.derived != nullptr; })) {
        connect(&bench_.evaluator, &Evaluator::resultsChanged, this, &RecordModel::refresh);
    }
}

void RecordModel::refresh() {
    const int now = count(bench_.design());
    if (now != rows_) {
        beginResetModel();
        rows_ = now;
        faults_.clear();
        endResetModel();
        told_ = tellAll();
        emit faultsChanged();
        return;
    }
    // Cell by cell: a view paints the whole of itself for a range of more than one.
    std::vector<QString> told = tellAll();
    std::swap(told, told_);
    for (size_t at = 0; at < told_.size(); ++at) {
        if (at >= told.size() || told[at] != told_[at]) {
            const QModelIndex cell = cellAt(at);
            emit dataChanged(cell, cell);
        }
    }
}

QModelIndex RecordModel::cellAt(size_t place) const {
    return index(int(place / columns_.size()), int(place % columns_.size()));
}

std::vector<QString> RecordModel::tellAll() const {
    std::vector<QString> told(size_t(rows_) * columns_.size());
    for (size_t at = 0; at < told.size(); ++at) {
        const QModelIndex cell = cellAt(at);
        told[at] =
            data(cell, Qt::DisplayRole).toString() + data(cell, Qt::CheckStateRole).toString();
    }
    return told;
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

// A painted cell asks for its field half a dozen times: it is looked up once for each design.
const std::optional<Field>& RecordModel::fieldAt(const QModelIndex& index) const {
    if (known_.empty() || knownRevision_ != bench_.document.revision()) {
        known_.assign(size_t(rowCount()) * columns_.size(), std::nullopt);
        knownRevision_ = bench_.document.revision();
    }
    const size_t at = size_t(index.row()) * columns_.size() + size_t(index.column());
    if (at >= known_.size()) {
        static const std::optional<Field> none;
        return none;
    }
    if (!known_[at]) {
        known_[at] = findField(bench_.design(), pathOf(index).toStdString());
    }
    return known_[at];
}

bool RecordModel::applies(const QModelIndex& index) const {
    const RecordColumn& column = columns_[size_t(index.column())];
    if (column.applies) {
        return column.applies(bench_.design(), index.row());
    }
    if (column.field.isEmpty()) {
        return true;
    }
    const std::optional<Field>& field = fieldAt(index);
    return !field || field->about.applies;
}

QStringList RecordModel::choices(const QModelIndex& index) const {
    const RecordColumn& column = columns_[size_t(index.column())];
    if (column.choices) {
        return column.choices(bench_.design());
    }
    const std::optional<Field>& field = fieldAt(index);
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
    const bool right = number || (column.derived && column.quantity != Quantity::Number);
    switch (role) {
        case Qt::ToolTipRole:
            return faulty ? fault->message : QVariant();
        case Qt::ForegroundRole:
            return faulty ? inks().signal : column.derived ? QVariant(inks().quiet) : QVariant();
        case Qt::TextAlignmentRole:
            return QVariant(right ? Qt::AlignRight | Qt::AlignVCenter
                                  : Qt::AlignLeft | Qt::AlignVCenter);
        case Qt::CheckStateRole:
            if (column.kind == FieldKind::Flag) {
                const std::optional<Field>& field = fieldAt(index);
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
    const std::optional<Field>& field = fieldAt(index);
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
    const std::optional<Field>& field = fieldAt(index);
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

}  // namespace wl

#include "moc_record_model.cpp"
