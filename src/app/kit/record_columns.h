// Columns of the usual kinds, made from a row accessor and a member.
#pragma once

#include <QCoreApplication>

#include "app/kit/record_table.h"

namespace wl {

inline RecordColumn numberColumn(const QString& title, const QString& field, Quantity q) {
    return {RecordColumn::Kind::Number, title, field, q, {}, {}, {}, {}};
}

inline RecordColumn derivedColumn(const QString& title, Quantity q,
                                  std::function<QString(const Results&, int)> derived) {
    return {RecordColumn::Kind::Text, title, {}, q, {}, {}, {}, std::move(derived)};
}

template <class Row>
using RowOf = Row& (*)(Design&, int);

template <class Row>
RecordColumn textColumn(const QString& title, const QString& field, RowOf<Row> row,
                        std::string Row::*member) {
    return {
        RecordColumn::Kind::Text,
        title,
        field,
        Quantity::Number,
        [row, member](const Design& d, int r) {
            return QString::fromStdString(row(const_cast<Design&>(d), r).*member);
        },
        [row, member](Design& d, int r, const QString& t) { row(d, r).*member = t.toStdString(); },
        {},
        {}};
}

/// A free outline, written as corners "aft up; aft up; …" in the bench's lengths.
template <class Row>
RecordColumn outlineColumn(Workbench& bench, RowOf<Row> row,
                           std::vector<OutlinePoint> Row::*member) {
    RecordColumn column{RecordColumn::Kind::Text,
                        QCoreApplication::translate("RecordColumns", "Outline: aft up; aft up; …"),
                        "outline",
                        Quantity::Length,
                        [&bench, row, member](const Design& d, int r) {
                            return QString::fromStdString(
                                outlineText(row(const_cast<Design&>(d), r).*member, bench.bench()));
                        },
                        {},
                        {},
                        {}};
    column.take = [&bench, row, member](Design& d, int r,
                                        const QString& t) -> std::optional<Error> {
        auto outline = readOutline(t.toStdString(), bench.bench());
        if (!outline) {
            return outline.error();
        }
        row(d, r).*member = std::move(outline).value();
        return std::nullopt;
    };
    return column;
}

template <class Row, class E>
RecordColumn choiceColumn(const QString& title, const QString& field, RowOf<Row> row,
                          E Row::*member, const QStringList& names) {
    return {RecordColumn::Kind::Choice,
            title,
            field,
            Quantity::Number,
            [row, member, names](const Design& d, int r) {
                return names.value(int(row(const_cast<Design&>(d), r).*member));
            },
            [row, member, names](Design& d, int r, const QString& t) {
                row(d, r).*member = E(std::max(0, int(names.indexOf(t))));
            },
            [names](const Design&) { return names; },
            {}};
}

template <class Row>
RecordColumn flagColumn(const QString& title, const QString& field, RowOf<Row> row,
                        bool Row::*member) {
    return {RecordColumn::Kind::Flag,
            title,
            field,
            Quantity::Number,
            [row, member](const Design& d, int r) {
                return QString(row(const_cast<Design&>(d), r).*member ? "1" : "0");
            },
            [row, member](Design& d, int r, const QString& t) {
                row(d, r).*member = t == QLatin1String("1");
            },
            {},
            {}};
}

/// Button that takes the chosen row out of a list of the design.
template <class Row>
RecordTable::Action removeAction(Workbench& bench, const QString& name, const QString& undoText,
                                 std::vector<Row> Design::*list) {
    return {name, QCoreApplication::translate("RecordColumns", "Remove"),
            [&bench, undoText, list](int row) {
                Design next = bench.design();
                (next.*list).erase((next.*list).begin() + row);
                bench.document.endGesture();
                bench.document.submit(std::move(next), undoText);
            }};
}

}  // namespace wl
