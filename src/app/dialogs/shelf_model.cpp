#include "app/dialogs/shelf_model.h"

#include "app/dialogs/shelf_window.h"

namespace wl {
namespace {

QString fieldTitle(std::string_view name) {
    const std::pair<const char*, QString> titles[] = {
        {"mass", ShelfWindow::tr("Mass")},
        {"density", ShelfWindow::tr("Density")},
        {"density_low", ShelfWindow::tr("Lightest")},
        {"density_high", ShelfWindow::tr("Heaviest")},
        {"size", ShelfWindow::tr("Size")},
        {"wire", ShelfWindow::tr("Wire")},
        {"stem", ShelfWindow::tr("Stem")},
        {"twists", ShelfWindow::tr("Twists")},
        {"length", ShelfWindow::tr("Length")},
        {"diameter", ShelfWindow::tr("Diameter")},
        {"span", ShelfWindow::tr("Across")},
        {"thickness", ShelfWindow::tr("Thickness")},
        {"area", ShelfWindow::tr("Area")},
        {"sunk", ShelfWindow::tr("Sunk in")},
        {"weed_guard", ShelfWindow::tr("Weed guard")},
        {"working_min", ShelfWindow::tr("Working, min")},
        {"cure_h", ShelfWindow::tr("Cure, h")},
        {"left", ShelfWindow::tr("Left")},
        {"price", ShelfWindow::tr("Pack costs")},
        {"pack_count", ShelfWindow::tr("Pack of")},
        {"pack_mass", ShelfWindow::tr("Pack of")},
        {"pack_length", ShelfWindow::tr("Pack of")}};
    for (const auto& [key, title] : titles) {
        if (name == key) {
            return title;
        }
    }
    return QString::fromUtf8(name.data(), int(name.size()));
}

}  // namespace

ShelfModel::ShelfModel(Workbench& bench, QObject* parent)
    : QAbstractTableModel(parent), bench_(bench) {
    connect(&bench_.shelf, &ShelfBook::changed, this, &ShelfModel::refresh);
    connect(&bench_, &Workbench::benchChanged, this, &ShelfModel::refresh);
    refresh();
}

void ShelfModel::setKind(ShelfKind kind) {
    kind_ = kind;
    refresh();
}

void ShelfModel::refresh() {
    beginResetModel();
    fields_.clear();
    for (const ShelfField& field : shelfFields()) {
        if (shelfFieldApplies(kind_, field.name)) {
            fields_.push_back(field);
        }
    }
    rows_.clear();
    for (const ShelfEntry& e : bench_.shelf.entries()) {
        if (e.kind == kind_) {
            rows_.push_back(e);
        }
    }
    endResetModel();
}

const ShelfEntry* ShelfModel::entryAt(int row) const {
    return row >= 0 && row < int(rows_.size()) ? &rows_[size_t(row)] : nullptr;
}

int ShelfModel::rowOf(const std::string& name) const {
    for (size_t i = 0; i < rows_.size(); ++i) {
        if (rows_[i].name == name) {
            return int(i);
        }
    }
    return -1;
}

int ShelfModel::columnOf(std::string_view field) const {
    for (size_t i = 0; i < fields_.size(); ++i) {
        if (fields_[i].name == field) {
            return int(i) + 1;
        }
    }
    return -1;
}

QVariant ShelfModel::data(const QModelIndex& index, int role) const {
    const ShelfEntry& e = rows_[size_t(index.row())];
    const int c = index.column();
    const int last = columnCount() - 1;
    if (role == Qt::TextAlignmentRole) {
        return QVariant(c == 0 || c >= last - 1 ? Qt::AlignLeft | Qt::AlignVCenter
                                                : Qt::AlignRight | Qt::AlignVCenter);
    }
    if (role != Qt::DisplayRole && role != Qt::EditRole) {
        return {};
    }
    if (c == 0) {
        return QString::fromStdString(e.name);
    }
    if (c == last) {
        return QString::fromStdString(e.source);
    }
    if (c == last - 1) {
        return e.weighed ? ShelfWindow::tr("weighed") : ShelfWindow::tr("typical");
    }
    const ShelfField& field = fields_[size_t(c - 1)];
    const auto& value = e.*field.member;
    if (!value) {
        return role == Qt::EditRole ? QString() : QStringLiteral("–");
    }
    if (field.name == "weed_guard" && role == Qt::DisplayRole) {
        return *value > 0.5 ? ShelfWindow::tr("yes") : ShelfWindow::tr("no");
    }
    const auto text = role == Qt::EditRole ? editText : fieldText;
    return QString::fromStdString(text(field.quantity, bench_.bench(), *value));
}

QVariant ShelfModel::headerData(int section, Qt::Orientation orientation, int role) const {
    if (role != Qt::DisplayRole) {
        return {};
    }
    if (orientation == Qt::Vertical) {
        return section + 1;
    }
    const int last = columnCount() - 1;
    if (section == 0) {
        return ShelfWindow::tr("Name");
    }
    if (section >= last - 1) {
        return section == last ? ShelfWindow::tr("Source") : ShelfWindow::tr("Mass is");
    }
    const ShelfField& field = fields_[size_t(section - 1)];
    const QString unit = QString::fromStdString(unitLabel(field.quantity, bench_.bench()));
    const QString title = fieldTitle(field.name);
    return unit.isEmpty() ? title : QStringLiteral("%1\n%2").arg(title, unit);
}

Qt::ItemFlags ShelfModel::flags(const QModelIndex& index) const {
    const Qt::ItemFlags flags = Qt::ItemIsSelectable | Qt::ItemIsEnabled;
    const bool fixed =
        index.column() == columnCount() - 2 || bench_.shelf.state() == ShelfBook::State::ReadOnly;
    return fixed ? flags : flags | Qt::ItemIsEditable;
}

bool ShelfModel::setData(const QModelIndex& index, const QVariant& value, int role) {
    if (role != Qt::EditRole || !index.isValid()) {
        return false;
    }
    ShelfEntry e = rows_[size_t(index.row())];
    const QString typed = value.toString().trimmed();
    const int c = index.column();
    if (c == 0) {
        e.name = typed.left(100).toStdString();
    } else if (c == columnCount() - 1) {
        e.source = typed.left(200).toStdString();
    } else {
        const ShelfField& field = fields_[size_t(c - 1)];
        const ReadAmount read = readAmount(typed.toStdString(), field.quantity, bench_.bench());
        const std::string path = "/shelf/" + std::string(field.name);
        if (read.fault == ReadFault::Empty) {
            (e.*field.member).reset();
        } else if (read.fault != ReadFault::None) {
            emit refused(sentence(readFaultError(read.fault, QString::fromStdString(path),
                                                 field.quantity, bench_.bench()),
                                  bench_.bench()));
            return false;
        } else if (read.valueSi < field.min * (1 - 1e-9) || read.valueSi > field.max * (1 + 1e-9)) {
            emit refused(sentence(Error{"field.out_of_range",
                                        path,
                                        {},
                                        {{field.quantity, read.valueSi},
                                         {field.quantity, field.min},
                                         {field.quantity, field.max}}},
                                  bench_.bench()));
            return false;
        } else {
            e.*field.member = read.valueSi;
        }
        if (field.name == "mass") {
            e.weighed = false;  // typed, not weighed: "Weighed" says otherwise
        }
    }
    if (e == rows_[size_t(index.row())]) {
        return true;
    }
    if (const auto error = bench_.shelf.put(e)) {
        emit refused(sentence(*error, bench_.bench()));
        return false;
    }
    emit refused({});
    return true;
}

}  // namespace wl

#include "moc_shelf_model.cpp"
