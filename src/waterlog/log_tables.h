// The tables of the water log in its store: one for each kind of record, by its fields.
#pragma once

#include <QSqlQuery>
#include <algorithm>
#include <cmath>

#include "core/learn/water_log.h"
#include "store/store.h"

namespace wl {

template <class T>
struct Table;
template <>
struct Table<LogBait> {
    static constexpr const char* name = "bait";
    static constexpr const char* unique = ", UNIQUE(bait)";
    static constexpr auto list = &WaterLog::baits;
};
template <>
struct Table<LogCopy> {
    static constexpr const char* name = "copy";
    static constexpr const char* unique = ", UNIQUE(bait, number)";
    static constexpr auto list = &WaterLog::copies;
};
template <>
struct Table<LogOuting> {
    static constexpr const char* name = "outing";
    static constexpr const char* unique = "";
    static constexpr auto list = &WaterLog::outings;
};
template <>
struct Table<LogNote> {
    static constexpr const char* name = "note";
    static constexpr const char* unique = "";
    static constexpr auto list = &WaterLog::notes;
};

template <class F>
SqlOutcome eachTable(F&& f) {
    if (auto fault = f.template operator()<LogBait>()) {
        return fault;
    }
    if (auto fault = f.template operator()<LogCopy>()) {
        return fault;
    }
    if (auto fault = f.template operator()<LogOuting>()) {
        return fault;
    }
    return f.template operator()<LogNote>();
}

template <class T>
QString columnOf(const LogField<T>& field) {
    const bool unit = std::holds_alternative<std::optional<double> T::*>(field.member);
    const std::string key =
        std::string(field.name) + (unit ? std::string(fileSuffix(field.quantity)) : std::string());
    return QLatin1Char('"') + QString::fromStdString(key) + QLatin1Char('"');
}

template <class T>
QString typeOf(const LogField<T>& field) {
    return std::visit(
        [](const auto& member) {
            using M = std::decay_t<decltype(member)>;
            if constexpr (std::is_same_v<M, std::optional<double> T::*>) {
                return QStringLiteral("REAL");
            } else if constexpr (std::is_same_v<M, bool T::*> ||
                                 std::is_same_v<M, std::int64_t T::*>) {
                return QStringLiteral("INTEGER");
            } else {
                return QStringLiteral("TEXT");
            }
        },
        field.member);
}

template <class T>
QVariant valueOf(const T& record, const LogField<T>& field) {
    return std::visit(
        [&](const auto& member) -> QVariant {
            using M = std::decay_t<decltype(member)>;
            if constexpr (std::is_same_v<M, typename LogField<T>::Choice>) {
                const std::string_view name = member.names[member.get(record)];
                return QString::fromUtf8(name.data(), qsizetype(name.size()));
            } else if constexpr (std::is_same_v<M, std::optional<double> T::*>) {
                const auto& value = record.*member;
                return value ? QVariant(toFile(field.quantity, *value)) : QVariant();
            } else if constexpr (std::is_same_v<M, bool T::*>) {
                return record.*member ? 1 : 0;
            } else if constexpr (std::is_same_v<M, std::int64_t T::*>) {
                return qlonglong(record.*member);
            } else {
                const std::string& text = record.*member;  // none where empty: sooner read
                return text.empty() ? QVariant() : QVariant(QString::fromStdString(text));
            }
        },
        field.member);
}

// What cannot be right in a book edited by hand is left as it is in a new record.
template <class T>
void takeValue(T& record, const LogField<T>& field, const QVariant& value) {
    if (value.isNull()) {
        return;
    }
    std::visit(
        [&](const auto& member) {
            using M = std::decay_t<decltype(member)>;
            if constexpr (std::is_same_v<M, typename LogField<T>::Choice>) {
                const std::string name = value.toByteArray().toStdString();
                const auto* end = member.names + member.count;
                const auto* at = std::find(member.names, end, std::string_view(name));
                if (at != end) {
                    member.set(record, int(at - member.names));
                }
            } else if constexpr (std::is_same_v<M, std::optional<double> T::*>) {
                bool number = false;
                const double si = fromFile(field.quantity, value.toDouble(&number));
                constexpr double kRounding = 1e-9;
                const double slack = kRounding * std::max(std::abs(field.min), std::abs(field.max));
                if (number && si >= field.min - slack && si <= field.max + slack) {
                    record.*member = si;
                }
            } else if constexpr (std::is_same_v<M, bool T::*>) {
                record.*member = value.toBool();
            } else if constexpr (std::is_same_v<M, std::int64_t T::*>) {
                record.*member = value.toLongLong();
            } else {
                record.*member = value.toByteArray().toStdString();
            }
        },
        field.member);
}

// Tables, and the fields they lack: a field added takes a rung of its own that does this again.
inline SqlOutcome addTables(Store& store) {
    if (auto fault = store.run(QStringLiteral(
            "CREATE TABLE IF NOT EXISTS draft (field TEXT PRIMARY KEY, text TEXT NOT NULL)"))) {
        return fault;
    }
    return eachTable([&store]<class T>() -> SqlOutcome {
        QStringList columns;
        for (const LogField<T>& field : logFields<T>()) {
            columns << (field.name == "id" ? QStringLiteral("id INTEGER PRIMARY KEY")
                                           : columnOf(field) + QLatin1Char(' ') + typeOf(field));
        }
        if (auto fault = store.run(QStringLiteral("CREATE TABLE IF NOT EXISTS %1 (%2%3)")
                                       .arg(QLatin1String(Table<T>::name),
                                            columns.join(QStringLiteral(", ")),
                                            QLatin1String(Table<T>::unique)))) {
            return fault;
        }
        QStringList there;
        if (auto fault = store.columns(QLatin1String(Table<T>::name), there)) {
            return fault;
        }
        for (const LogField<T>& field : logFields<T>()) {
            const QString column = columnOf(field);
            if (there.contains(column.mid(1, column.size() - 2))) {
                continue;
            }
            if (auto fault =
                    store.run(QStringLiteral("ALTER TABLE %1 ADD COLUMN %2 %3")
                                  .arg(QLatin1String(Table<T>::name), column, typeOf(field)))) {
                return fault;
            }
        }
        return std::nullopt;
    });
}

inline const std::vector<Rung>& logLadder() {
    static const std::vector<Rung> rungs{{1, addTables}};
    return rungs;
}

template <class T>
SqlOutcome readTable(Store& store, std::vector<T>& records) {
    QStringList there;
    if (auto fault = store.columns(QLatin1String(Table<T>::name), there)) {
        return fault;
    }
    // Words as the bytes they are kept as: turned into Qt's and back they took a fifth of the time.
    bool bytes = false;
    if (auto fault = store.ask(QStringLiteral("PRAGMA encoding"), {}, [&bytes](const QSqlQuery& q) {
            bytes = q.value(0).toString() == QLatin1String("UTF-8");
        })) {
        return fault;
    }
    QStringList columns;
    for (const LogField<T>& field : logFields<T>()) {
        const QString column = columnOf(field);
        const bool words = bytes && typeOf(field) == QLatin1String("TEXT");
        columns << (!there.contains(column.mid(1, column.size() - 2)) ? QStringLiteral("NULL")
                    : words ? QStringLiteral("CAST(%1 AS BLOB)").arg(column)
                            : column);
    }
    records.clear();
    return store.ask(QStringLiteral("SELECT %1 FROM %2 ORDER BY id")
                         .arg(columns.join(QStringLiteral(", ")), QLatin1String(Table<T>::name)),
                     {}, [&records](const QSqlQuery& q) {
                         T record;
                         int at = 0;
                         for (const LogField<T>& field : logFields<T>()) {
                             takeValue(record, field, q.value(at++));
                         }
                         if (!faultOf(record)) {
                             records.push_back(std::move(record));
                         }
                     });
}

// By its number: another record of the same bait and copy is never replaced, but a fault (19).
template <class T>
SqlOutcome writeRecord(Store& store, const T& record) {
    static const QString statement = [] {
        QStringList columns, marks, sets;
        for (const LogField<T>& field : logFields<T>()) {
            columns << columnOf(field);
            marks << QStringLiteral("?");
            sets << QStringLiteral("%1 = excluded.%1").arg(columnOf(field));
        }
        return QStringLiteral("INSERT INTO %1 (%2) VALUES (%3) ON CONFLICT(id) DO UPDATE SET %4")
            .arg(QLatin1String(Table<T>::name), columns.join(QStringLiteral(", ")),
                 marks.join(QStringLiteral(", ")), sets.join(QStringLiteral(", ")));
    }();
    QVariantList values;
    for (const LogField<T>& field : logFields<T>()) {
        values << valueOf(record, field);
    }
    return store.run(statement, values);
}

template <class T>
SqlOutcome idsOf(Store& store, const QString& which, const QVariantList& values,
                 std::vector<std::int64_t>& ids) {
    return store.ask(
        QStringLiteral("SELECT id FROM %1 %2").arg(QLatin1String(Table<T>::name), which), values,
        [&ids](const QSqlQuery& q) { ids.push_back(q.value(0).toLongLong()); });
}

}  // namespace wl
