#include "store/store.h"

#include <QAtomicInteger>
#include <QDateTime>
#include <QFile>
#include <QSqlDatabase>
#include <QSqlError>
#include <QSqlQuery>

namespace wl {
namespace {

SqlFault faultOf(const QSqlError& error) {
    bool number = false;
    const int code = error.nativeErrorCode().toInt(&number) & 0xff;
    return {number && code != 0 ? code : 1, error.databaseText()};
}

}  // namespace

std::optional<QString> setFileAside(const QString& path) {
    const QString stamp = QDateTime::currentDateTime().toString(QStringLiteral("yyyyMMdd-hhmmss"));
    for (int i = 0; i < 100; ++i) {
        const QString aside = QStringLiteral("%1.damaged-%2%3")
                                  .arg(path, stamp, i ? QStringLiteral("-%1").arg(i) : QString());
        if (!QFile::exists(aside) && QFile::rename(path, aside)) {
            QFile::rename(path + QStringLiteral("-journal"), aside + QStringLiteral("-journal"));
            return aside;
        }
    }
    return std::nullopt;
}

Store::Store() {
    static QAtomicInteger<int> count;
    connection_ = QStringLiteral("store-%1").arg(count.fetchAndAddRelaxed(1));
}

Store::~Store() {
    close();
    QSqlDatabase::removeDatabase(connection_);
}

SqlOutcome Store::open(const QString& path, bool readOnly) {
    QSqlDatabase db = QSqlDatabase::contains(connection_)
                          ? QSqlDatabase::database(connection_, false)
                          : QSqlDatabase::addDatabase(QStringLiteral("QSQLITE"), connection_);
    kept_.reset();
    db.close();
    db.setDatabaseName(path);
    db.setConnectOptions(QStringLiteral("QSQLITE_BUSY_TIMEOUT=0%1")
                             .arg(readOnly ? QStringLiteral(";QSQLITE_OPEN_READONLY") : QString()));
    return db.open() ? SqlOutcome() : faultOf(db.lastError());
}

void Store::close() {
    kept_.reset();
    if (QSqlDatabase::contains(connection_)) {
        QSqlDatabase::database(connection_, false).close();
    }
}

SqlOutcome Store::ask(const QString& statement, const QVariantList& values,
                      const std::function<void(const QSqlQuery&)>& row) {
    QSqlQuery query(QSqlDatabase::database(connection_, false));
    query.setForwardOnly(true);
    if (!query.prepare(statement)) {
        return faultOf(query.lastError());
    }
    for (const QVariant& value : values) {
        query.addBindValue(value);
    }
    if (!query.exec()) {
        return faultOf(query.lastError());
    }
    while (query.next()) {
        row(query);
    }
    return query.lastError().isValid() ? faultOf(query.lastError()) : SqlOutcome();
}

SqlOutcome Store::run(const QString& statement, const QVariantList& values) {
    if (values.isEmpty()) {
        return ask(statement, values, [](const QSqlQuery&) {});
    }
    if (!kept_ || keptAs_ != statement) {
        kept_ = std::make_unique<QSqlQuery>(QSqlDatabase::database(connection_, false));
        keptAs_ = statement;
        kept_->setForwardOnly(true);
        if (!kept_->prepare(statement)) {
            const SqlFault fault = faultOf(kept_->lastError());
            kept_.reset();
            return fault;
        }
    }
    for (qsizetype i = 0; i < values.size(); ++i) {
        kept_->bindValue(int(i), values[i]);
    }
    const SqlOutcome fault = kept_->exec() ? SqlOutcome() : faultOf(kept_->lastError());
    kept_->finish();  // holds nothing while it is kept
    return fault;
}

SqlOutcome Store::check() {
    QString said;
    if (auto fault = ask(QStringLiteral("PRAGMA quick_check(1)"), {},
                         [&said](const QSqlQuery& q) { said = q.value(0).toString(); })) {
        return fault;
    }
    return said == QLatin1String("ok") ? SqlOutcome() : SqlFault{11, said};
}

SqlOutcome Store::version(int& version) {
    return ask(QStringLiteral("PRAGMA user_version"), {},
               [&version](const QSqlQuery& q) { version = q.value(0).toInt(); });
}

SqlOutcome Store::dataVersion(qint64& version) {
    return ask(QStringLiteral("PRAGMA data_version"), {},
               [&version](const QSqlQuery& q) { version = q.value(0).toLongLong(); });
}

SqlOutcome Store::climb(const std::vector<Rung>& ladder) {
    // Written through to the disk before it counts.
    if (auto fault = run(QStringLiteral("PRAGMA synchronous = FULL"))) {
        return fault;
    }
    if (auto fault = begin()) {
        return fault;
    }
    int stands = 0;
    SqlOutcome fault = version(stands);
    for (const Rung& rung : ladder) {
        if (fault || rung.version <= stands) {
            continue;
        }
        fault = rung.climb(*this);
        stands = rung.version;
    }
    // Written even where it stood already: a file that cannot be written says so here.
    if (!fault) {
        fault = run(QStringLiteral("PRAGMA user_version = %1").arg(stands));
    }
    if (!fault) {
        fault = commit();
    }
    if (fault) {
        rollback();
    }
    return fault;
}

SqlOutcome Store::begin() {
    return run(QStringLiteral("BEGIN IMMEDIATE"));
}

SqlOutcome Store::commit() {
    return run(QStringLiteral("COMMIT"));
}

void Store::rollback() {
    // Failing, it was rolled back already.
    (void)run(QStringLiteral("ROLLBACK"));
}

SqlOutcome Store::columns(const QString& table, QStringList& columns) {
    columns.clear();
    return ask(QStringLiteral("PRAGMA table_info(%1)").arg(table), {},
               [&columns](const QSqlQuery& q) { columns << q.value(1).toString(); });
}

SqlOutcome Store::addColumns(const QString& table, const QStringList& wanted) {
    QStringList there;
    if (auto fault = columns(table, there)) {
        return fault;
    }
    for (const QString& column : wanted) {
        if (there.contains(column.section(QLatin1Char(' '), 0, 0))) {
            continue;
        }
        if (auto fault = run(QStringLiteral("ALTER TABLE %1 ADD COLUMN %2").arg(table, column))) {
            return fault;
        }
    }
    return std::nullopt;
}

}  // namespace wl
