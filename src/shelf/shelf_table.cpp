#include "shelf/shelf_table.h"

#include <QAtomicInteger>
#include <QSqlDatabase>
#include <QSqlError>
#include <QSqlQuery>
#include <QVariant>
#include <algorithm>

namespace wl {
namespace {

QString columnOf(const ShelfField& field) {
    const std::string name = std::string(field.name) + std::string(fileSuffix(field.quantity));
    return QString::fromStdString(name);
}

QString kindName(ShelfKind kind) {
    return QString::fromStdString(std::string(kShelfKinds[size_t(kind)]));
}

SqlFault faultOf(const QSqlError& error) {
    bool number = false;
    const int code = error.nativeErrorCode().toInt(&number) & 0xff;
    return {number && code != 0 ? code : 1, error.databaseText()};
}

SqlOutcome carryOut(QSqlQuery& query, const QString& statement) {
    return query.exec(statement) ? SqlOutcome() : faultOf(query.lastError());
}

SqlOutcome carryOut(QSqlQuery& query) {
    return query.exec() ? SqlOutcome() : faultOf(query.lastError());
}

}  // namespace

ShelfTable::ShelfTable() {
    static QAtomicInteger<int> count;
    connection_ = QStringLiteral("shelf-%1").arg(count.fetchAndAddRelaxed(1));
}

ShelfTable::~ShelfTable() {
    close();
    QSqlDatabase::removeDatabase(connection_);
}

SqlOutcome ShelfTable::open(const QString& path, bool readOnly) {
    QSqlDatabase db = QSqlDatabase::contains(connection_)
                          ? QSqlDatabase::database(connection_, false)
                          : QSqlDatabase::addDatabase(QStringLiteral("QSQLITE"), connection_);
    db.close();
    columns_.clear();
    db.setDatabaseName(path);
    db.setConnectOptions(QStringLiteral("QSQLITE_BUSY_TIMEOUT=0%1")
                             .arg(readOnly ? QStringLiteral(";QSQLITE_OPEN_READONLY") : QString()));
    return db.open() ? SqlOutcome() : faultOf(db.lastError());
}

void ShelfTable::close() {
    if (QSqlDatabase::contains(connection_)) {
        QSqlDatabase::database(connection_, false).close();
    }
}

SqlOutcome ShelfTable::check() {
    QSqlQuery q(QSqlDatabase::database(connection_, false));
    if (auto fault = carryOut(q, QStringLiteral("PRAGMA quick_check(1)"))) {
        return fault;
    }
    if (!q.next()) {
        return faultOf(q.lastError());
    }
    const QString said = q.value(0).toString();
    return said == QLatin1String("ok") ? SqlOutcome() : SqlFault{11, said};
}

SqlOutcome ShelfTable::ask(const char* pragma, qint64& answer) {
    QSqlQuery q(QSqlDatabase::database(connection_, false));
    if (auto fault = carryOut(q, QStringLiteral("PRAGMA %1").arg(QLatin1String(pragma)))) {
        return fault;
    }
    if (!q.next()) {
        return faultOf(q.lastError());
    }
    answer = q.value(0).toLongLong();
    return std::nullopt;
}

SqlOutcome ShelfTable::version(int& version) {
    qint64 answer = version;
    SqlOutcome fault = ask("user_version", answer);
    version = int(answer);
    return fault;
}

SqlOutcome ShelfTable::columnsThere(QStringList& columns) {
    QSqlQuery q(QSqlDatabase::database(connection_, false));
    if (auto fault = carryOut(q, QStringLiteral("PRAGMA table_info(entry)"))) {
        return fault;
    }
    columns.clear();
    while (q.next()) {
        columns << q.value(1).toString();
    }
    return q.lastError().isValid() ? faultOf(q.lastError()) : SqlOutcome();
}

SqlOutcome ShelfTable::migrate() {
    QSqlQuery q(QSqlDatabase::database(connection_, false));
    // Written through to the disk before it counts.
    if (auto fault = carryOut(q, QStringLiteral("PRAGMA synchronous = FULL"))) {
        return fault;
    }
    if (auto fault = begin()) {
        return fault;
    }
    const auto climb = [&]() -> SqlOutcome {
        QStringList there;
        if (auto fault = columnsThere(there)) {
            return fault;
        }
        const bool isNew = there.isEmpty();
        if (isNew) {
            if (auto fault = carryOut(
                    q, QStringLiteral("CREATE TABLE entry (id INTEGER PRIMARY KEY, kind TEXT NOT "
                                      "NULL, name TEXT NOT NULL, UNIQUE(kind, name))"))) {
                return fault;
            }
        }
        QStringList wanted;
        for (const ShelfField& field : shelfFields()) {
            wanted << columnOf(field) + QStringLiteral(" REAL");
        }
        wanted << QStringLiteral("weighed INTEGER NOT NULL DEFAULT 0")
               << QStringLiteral("source TEXT NOT NULL DEFAULT ''");
        for (const QString& column : wanted) {
            if (there.contains(column.section(QLatin1Char(' '), 0, 0))) {
                continue;
            }
            if (auto fault =
                    carryOut(q, QStringLiteral("ALTER TABLE entry ADD COLUMN %1").arg(column))) {
                return fault;
            }
        }
        for (const ShelfEntry& e : isNew ? starterEntries() : std::vector<ShelfEntry>()) {
            if (auto fault = write(e)) {
                return fault;
            }
        }
        if (auto fault =
                carryOut(q, QStringLiteral("PRAGMA user_version = %1").arg(int(kVersion)))) {
            return fault;
        }
        return commit();
    };
    SqlOutcome fault = climb();
    if (fault) {
        rollback();
    }
    return fault;
}

SqlOutcome ShelfTable::dataVersion(qint64& version) {
    return ask("data_version", version);
}

SqlOutcome ShelfTable::begin() {
    QSqlQuery q(QSqlDatabase::database(connection_, false));
    return carryOut(q, QStringLiteral("BEGIN IMMEDIATE"));
}

SqlOutcome ShelfTable::commit() {
    QSqlQuery q(QSqlDatabase::database(connection_, false));
    return carryOut(q, QStringLiteral("COMMIT"));
}

void ShelfTable::rollback() {
    QSqlQuery q(QSqlDatabase::database(connection_, false));
    q.exec(QStringLiteral("ROLLBACK"));  // failing, it was rolled back already
}

QString ShelfTable::selection() {
    QString list = QStringLiteral("SELECT id, kind, name");
    for (const ShelfField& field : shelfFields()) {
        const QString column = columnOf(field);
        list +=
            QStringLiteral(", ") + (columns_.contains(column) ? column : QStringLiteral("NULL"));
    }
    for (const auto& [column, otherwise] :
         {std::pair{QStringLiteral("weighed"), QStringLiteral("0")},
          {QStringLiteral("source"), QStringLiteral("''")}}) {
        list += QStringLiteral(", ") + (columns_.contains(column) ? column : otherwise);
    }
    return list + QStringLiteral(" FROM entry ");
}

SqlOutcome ShelfTable::select(QSqlQuery& q, std::vector<ShelfEntry>& entries) {
    entries.clear();
    while (q.next()) {
        ShelfEntry e;
        int at = 0;
        e.id = q.value(at++).toLongLong();
        const std::string kind = q.value(at++).toString().toStdString();
        const auto known = std::find(kShelfKinds.begin(), kShelfKinds.end(), kind);
        e.kind = known == kShelfKinds.end() ? ShelfKind::Other
                                            : static_cast<ShelfKind>(known - kShelfKinds.begin());
        e.name = q.value(at++).toString().toStdString();
        for (const ShelfField& field : shelfFields()) {
            const QVariant value = q.value(at++);
            bool number = false;
            const double si = fromFile(field.quantity, value.toDouble(&number));
            if (!value.isNull() && number && si >= field.min * (1 - 1e-9) &&
                si <= field.max * (1 + 1e-9)) {
                e.*field.member = si;
            }
        }
        e.weighed = q.value(at++).toBool();
        e.source = q.value(at++).toString().toStdString();
        entries.push_back(std::move(e));
    }
    return q.lastError().isValid() ? faultOf(q.lastError()) : SqlOutcome();
}

SqlOutcome ShelfTable::read(std::vector<ShelfEntry>& entries) {
    if (auto fault = columnsThere(columns_)) {
        return fault;
    }
    QSqlQuery q(QSqlDatabase::database(connection_, false));
    if (auto fault = carryOut(q, selection() + QStringLiteral("ORDER BY id"))) {
        return fault;
    }
    return select(q, entries);
}

SqlOutcome ShelfTable::findOne(QSqlQuery& q, std::optional<ShelfEntry>& found) {
    std::vector<ShelfEntry> rows;
    SqlOutcome fault = carryOut(q);
    if (!fault) {
        fault = select(q, rows);
    }
    found = rows.empty() ? std::nullopt : std::optional(rows.front());
    return fault;
}

SqlOutcome ShelfTable::find(std::int64_t id, std::optional<ShelfEntry>& found) {
    QSqlQuery q(QSqlDatabase::database(connection_, false));
    q.prepare(selection() + QStringLiteral("WHERE id = ?"));
    q.addBindValue(qlonglong(id));
    return findOne(q, found);
}

SqlOutcome ShelfTable::find(ShelfKind kind, const std::string& name,
                            std::optional<ShelfEntry>& found) {
    QSqlQuery q(QSqlDatabase::database(connection_, false));
    q.prepare(selection() + QStringLiteral("WHERE kind = ? AND name = ?"));
    q.addBindValue(kindName(kind));
    q.addBindValue(QString::fromStdString(name));
    return findOne(q, found);
}

SqlOutcome ShelfTable::write(const ShelfEntry& e) {
    QSqlQuery q(QSqlDatabase::database(connection_, false));
    QString names, marks, sets;
    for (const ShelfField& field : shelfFields()) {
        names += QStringLiteral(", ") + columnOf(field);
        marks += QStringLiteral(", ?");
        sets += QStringLiteral(", %1 = ?").arg(columnOf(field));
    }
    const bool ready =
        q.prepare(e.id == 0 ? QStringLiteral("INSERT INTO entry (kind, name%1, weighed, source) "
                                             "VALUES (?, ?%2, ?, ?)")
                                  .arg(names, marks)
                            : QStringLiteral("UPDATE entry SET kind = ?, name = ?%1, weighed = ?, "
                                             "source = ? WHERE id = ?")
                                  .arg(sets));
    if (!ready) {
        return faultOf(q.lastError());
    }
    q.addBindValue(kindName(e.kind));
    q.addBindValue(QString::fromStdString(e.name));
    for (const ShelfField& field : shelfFields()) {
        const auto& value = e.*field.member;
        q.addBindValue(value ? QVariant(toFile(field.quantity, *value)) : QVariant());
    }
    q.addBindValue(e.weighed ? 1 : 0);
    q.addBindValue(QString::fromStdString(e.source));
    if (e.id != 0) {
        q.addBindValue(qlonglong(e.id));
    }
    return carryOut(q);
}

SqlOutcome ShelfTable::remove(std::int64_t id) {
    QSqlQuery q(QSqlDatabase::database(connection_, false));
    q.prepare(QStringLiteral("DELETE FROM entry WHERE id = ?"));
    q.addBindValue(qlonglong(id));
    return carryOut(q);
}

}  // namespace wl
