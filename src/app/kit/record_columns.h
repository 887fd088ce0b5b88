// Columns of the usual kinds.
#pragma once

#include <QCoreApplication>

#include "app/kit/record_table.h"

namespace wl {

/// A field of the list's items by its name in the description ("depth", "stock/shelf_density"),
/// which says all else.
inline RecordColumn fieldColumn(const QString& name) {
    RecordColumn column;
    column.field = name;
    return column;
}

inline std::vector<RecordColumn> fieldColumns(const QStringList& names) {
    std::vector<RecordColumn> columns;
    for (const QString& name : names) {
        columns.push_back(fieldColumn(name));
    }
    return columns;
}

/// One of the facts of the short list.
inline RecordColumn fact(RecordColumn column) {
    column.fact = true;
    return column;
}

/// Fields of which the first `facts` stand in the short list.
inline std::vector<RecordColumn> fieldColumns(const QStringList& names, int facts) {
    std::vector<RecordColumn> columns = fieldColumns(names);
    for (int i = 0; i < facts; ++i) {
        columns[size_t(i)].fact = true;
    }
    return columns;
}

/// Read-only, from the results.
inline RecordColumn derivedColumn(const QString& title, Quantity q,
                                  std::function<QString(const Results&, int)> derived) {
    RecordColumn column;
    column.title = title;
    column.quantity = q;
    column.derived = std::move(derived);
    return column;
}

/// A field whose answers are the maker's own (names of eyes, materials of the shelf) or whose
/// change takes others along.
inline RecordColumn ownColumn(const QString& name, std::function<QString(const Design&, int)> read,
                              std::function<void(Design&, int, const QString&)> write,
                              std::function<QStringList(const Design&)> choices = {}) {
    RecordColumn column = fieldColumn(name);
    column.read = std::move(read);
    column.write = std::move(write);
    column.choices = std::move(choices);
    return column;
}

/// The bit of the maker's set for a round hole; a dash where `diameter` gives none.
inline RecordColumn bitColumn(Workbench& bench,
                              std::function<std::optional<double>(const Design&, int)> diameter) {
    return derivedColumn(QCoreApplication::translate("RecordColumns", "Nearest bit"),
                         Quantity::Number,
                         [&bench, diameter = std::move(diameter)](const Results& r, int row) {
                             return bitWords(bench.shelf.shelf().drills(bench.bench()),
                                             diameter(*r.design, row).value_or(0.0), bench.bench());
                         });
}

/// A free outline, written as corners "aft up; aft up; …" in the bench's lengths.
inline RecordColumn outlineColumn(Workbench& bench,
                                  std::function<std::vector<OutlinePoint>&(Design&, int)> outline) {
    RecordColumn column = fieldColumn(QStringLiteral("outline"));
    column.title = QCoreApplication::translate("RecordColumns", "Outline: aft up; aft up; …");
    column.quantity = Quantity::Length;
    column.read = [&bench, outline](const Design& d, int r) {
        return QString::fromStdString(
            outlineText(outline(const_cast<Design&>(d), r), bench.bench()));
    };
    column.take = [&bench, outline](Design& d, int r, const QString& t) -> std::optional<Error> {
        auto read = readOutline(t.toStdString(), bench.bench());
        if (!read) {
            return read.error();
        }
        outline(d, r) = std::move(read).value();
        return std::nullopt;
    };
    return column;
}

/// Button that takes the chosen row out of a list of the design.
inline RecordTable::Action removeAction(
    Workbench& bench, const QString& name, const QString& undoText, const std::string& listPath,
    const QString& label = QCoreApplication::translate("RecordColumns", "Remove")) {
    return {name, label, [&bench, undoText, listPath](int row) {
                if (Result<Design> next = withoutItem(bench.design(), listPath, size_t(row))) {
                    bench.document.endGesture();
                    bench.document.submit(std::move(next).value(), undoText);
                }
            }};
}

}  // namespace wl
