#include "shelf/shelf_book.h"

#include <QAtomicInteger>
#include <QDateTime>
#include <QDir>
#include <QFile>
#include <QFileInfo>
#include <QSqlDatabase>
#include <QSqlError>
#include <QSqlQuery>
#include <QTimer>
#include <QVariant>
#include <algorithm>

namespace wl {
namespace {

constexpr int kSchema = 1;
constexpr int kWatchEvery_ms = 1000;
constexpr int kBusy_ms = 4000;

QString columnOf(const ShelfField& field) {
    const std::string name = std::string(field.name) + std::string(fileSuffix(field.quantity));
    return QString::fromStdString(name);
}

QString columns() {
    QString out;
    for (const ShelfField& field : shelfFields()) {
        out += QStringLiteral(", ") + columnOf(field);
    }
    return out;
}

}  // namespace

ShelfBook::ShelfBook(const QString& path, QObject* parent)
    : QObject(parent), path_(path), watch_(new QTimer(this)) {
    static QAtomicInteger<int> count;
    connection_ = QStringLiteral("shelf-%1").arg(count.fetchAndAddRelaxed(1));
    QDir().mkpath(QFileInfo(path).absolutePath());
    const bool there = QFileInfo::exists(path);
    if (there && open(path, false) && !soundBook()) {
        setAside();
    }
    bool ready = open(path, false) && prepare();
    if (!ready && QFileInfo::exists(path) && open(path, true) && soundBook()) {
        state_ = State::ReadOnly;
        notices_.push_back({"shelf.cannot_change", path.toStdString(), {path.toStdString()}, {}});
        ready = true;
    }
    if (!ready) {
        state_ = State::SessionOnly;
        notices_.push_back({"shelf.session_only", path.toStdString(), {path.toStdString()}, {}});
        open(QStringLiteral(":memory:"), false);
        prepare();
    }
    load();
    connect(watch_, &QTimer::timeout, this, &ShelfBook::lookForChanges);
    watch_->start(kWatchEvery_ms);
}

ShelfBook::~ShelfBook() {
    { QSqlDatabase::database(connection_, false).close(); }
    QSqlDatabase::removeDatabase(connection_);
}

bool ShelfBook::open(const QString& path, bool readOnly) {
    QSqlDatabase db = QSqlDatabase::contains(connection_)
                          ? QSqlDatabase::database(connection_, false)
                          : QSqlDatabase::addDatabase(QStringLiteral("QSQLITE"), connection_);
    db.close();
    db.setDatabaseName(path);
    db.setConnectOptions(QStringLiteral("QSQLITE_BUSY_TIMEOUT=%1%2")
                             .arg(kBusy_ms)
                             .arg(readOnly ? QStringLiteral(";QSQLITE_OPEN_READONLY") : QString()));
    return db.open();
}

// A book that is no SQLite file at all, or whose pages do not hang together, is damaged.
bool ShelfBook::soundBook() {
    QSqlQuery check(QSqlDatabase::database(connection_));
    return check.exec(QStringLiteral("PRAGMA quick_check(1)")) && check.next() &&
           check.value(0).toString() == QLatin1String("ok");
}

void ShelfBook::setAside() {
    QSqlDatabase::database(connection_, false).close();
    const QString stamp = QDateTime::currentDateTime().toString(QStringLiteral("yyyyMMdd-hhmmss"));
    QString aside;
    for (int i = 0; i < 100; ++i) {
        aside = QStringLiteral("%1.damaged-%2%3")
                    .arg(path_, stamp, i ? QStringLiteral("-%1").arg(i) : QString());
        if (!QFileInfo::exists(aside) && QFile::rename(path_, aside)) {
            QFile::remove(path_ + QStringLiteral("-journal"));
            notices_.push_back({"shelf.set_aside", aside.toStdString(), {aside.toStdString()}, {}});
            return;
        }
    }
}

bool ShelfBook::prepare() {
    QSqlDatabase db = QSqlDatabase::database(connection_);
    QSqlQuery q(db);
    q.exec(QStringLiteral("PRAGMA synchronous = FULL"));
    if (!q.exec(QStringLiteral("PRAGMA user_version")) || !q.next()) {
        return false;
    }
    const int version = q.value(0).toInt();
    q.finish();
    if (version == kSchema) {
        // A book that cannot be written is found out now, not at the first change.
        const bool writable = q.exec(QStringLiteral("BEGIN IMMEDIATE")) &&
                              q.exec(QStringLiteral("PRAGMA user_version = %1").arg(kSchema));
        q.exec(QStringLiteral("ROLLBACK"));
        return writable;
    }
    if (version > kSchema || !q.exec(QStringLiteral("BEGIN IMMEDIATE"))) {
        return false;
    }
    QString create = QStringLiteral(
        "CREATE TABLE IF NOT EXISTS entry (id INTEGER PRIMARY KEY, kind TEXT NOT NULL, "
        "name TEXT NOT NULL");
    for (const ShelfField& field : shelfFields()) {
        create += QStringLiteral(", %1 REAL").arg(columnOf(field));
    }
    create += QStringLiteral(
        ", weighed INTEGER NOT NULL DEFAULT 0, source TEXT NOT NULL DEFAULT '', "
        "UNIQUE(kind, name))");
    bool good = q.exec(create);
    // Two windows opened at once: the second finds the first one's entries.
    good = good && q.exec(QStringLiteral("SELECT count(*) FROM entry")) && q.next();
    const bool empty = good && q.value(0).toInt() == 0;
    q.finish();
    if (empty) {
        for (const ShelfEntry& e : starterEntries()) {
            QString reason;
            good = good && writeEntry(e, reason);
        }
    }
    good = good && q.exec(QStringLiteral("PRAGMA user_version = %1").arg(kSchema)) &&
           q.exec(QStringLiteral("COMMIT"));
    if (!good) {
        q.exec(QStringLiteral("ROLLBACK"));
    }
    return good;
}

void ShelfBook::load() {
    entries_.clear();
    QSqlQuery q(QSqlDatabase::database(connection_));
    if (q.exec(QStringLiteral("PRAGMA data_version")) && q.next()) {
        version_ = q.value(0).toLongLong();
    }
    q.exec(QStringLiteral("SELECT id, kind, name%1, weighed, source FROM entry ORDER BY id")
               .arg(columns()));
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
            // A hand-edited book may hold anything: what cannot be right is left out.
            if (!value.isNull() && number && si >= field.min * (1 - 1e-9) &&
                si <= field.max * (1 + 1e-9)) {
                e.*field.member = si;
            }
        }
        e.weighed = q.value(at++).toBool();
        e.source = q.value(at++).toString().toStdString();
        entries_.push_back(std::move(e));
    }
    std::stable_sort(entries_.begin(), entries_.end(),
                     [](const ShelfEntry& a, const ShelfEntry& b) { return a.kind < b.kind; });
    shelf_ = arrangeShelf(entries_);
}

bool ShelfBook::writeEntry(const ShelfEntry& e, QString& reason) {
    QSqlQuery q(QSqlDatabase::database(connection_));
    QString names, marks, sets;
    for (const ShelfField& field : shelfFields()) {
        names += QStringLiteral(", ") + columnOf(field);
        marks += QStringLiteral(", ?");
        sets += QStringLiteral(", %1 = ?").arg(columnOf(field));
    }
    q.prepare(e.id == 0 ? QStringLiteral("INSERT INTO entry (kind, name%1, weighed, source) "
                                         "VALUES (?, ?%2, ?, ?)")
                              .arg(names, marks)
                        : QStringLiteral("UPDATE entry SET kind = ?, name = ?%1, weighed = ?, "
                                         "source = ? WHERE id = ?")
                              .arg(sets));
    q.addBindValue(QString::fromUtf8(kShelfKinds[size_t(e.kind)].data(),
                                     int(kShelfKinds[size_t(e.kind)].size())));
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
    if (!q.exec()) {
        reason = q.lastError().databaseText();
        return false;
    }
    return true;
}

std::optional<Error> ShelfBook::put(const ShelfEntry& entry) {
    if (state_ == State::ReadOnly) {
        return Error{"shelf.read_only", path_.toStdString(), {path_.toStdString()}, {}};
    }
    if (entry.name.empty()) {
        return Error{"text.empty", "/shelf/name", {}, {}};
    }
    for (const ShelfEntry& other : entries_) {
        if (other.id != entry.id && other.kind == entry.kind && other.name == entry.name) {
            return Error{"shelf.name_taken", "/shelf/name", {}, {}};
        }
    }
    QString reason;
    if (!writeEntry(entry, reason)) {
        return Error{"shelf.write_failed", path_.toStdString(), {reason.toStdString()}, {}};
    }
    load();
    emit changed();
    return std::nullopt;
}

std::optional<Error> ShelfBook::remove(std::int64_t id) {
    if (state_ == State::ReadOnly) {
        return Error{"shelf.read_only", path_.toStdString(), {path_.toStdString()}, {}};
    }
    QSqlQuery q(QSqlDatabase::database(connection_));
    q.prepare(QStringLiteral("DELETE FROM entry WHERE id = ?"));
    q.addBindValue(qlonglong(id));
    if (!q.exec()) {
        return Error{"shelf.write_failed",
                     path_.toStdString(),
                     {q.lastError().databaseText().toStdString()},
                     {}};
    }
    load();
    emit changed();
    return std::nullopt;
}

std::optional<Error> ShelfBook::merge(const std::vector<ShelfEntry>& entries) {
    if (state_ == State::ReadOnly) {
        return Error{"shelf.read_only", path_.toStdString(), {path_.toStdString()}, {}};
    }
    QSqlQuery q(QSqlDatabase::database(connection_));
    QString reason;
    bool good = q.exec(QStringLiteral("BEGIN IMMEDIATE"));
    for (const ShelfEntry& entry : entries) {
        ShelfEntry e = entry;
        e.id = 0;
        QSqlQuery find(QSqlDatabase::database(connection_));
        find.prepare(QStringLiteral("SELECT id FROM entry WHERE kind = ? AND name = ?"));
        find.addBindValue(QString::fromStdString(std::string(kShelfKinds[size_t(e.kind)])));
        find.addBindValue(QString::fromStdString(e.name));
        if (find.exec() && find.next()) {
            e.id = find.value(0).toLongLong();
        }
        find.finish();
        good = good && writeEntry(e, reason);
    }
    good = good && q.exec(QStringLiteral("COMMIT"));
    if (!good) {
        const QString why = reason.isEmpty() ? q.lastError().databaseText() : reason;
        q.exec(QStringLiteral("ROLLBACK"));
        return Error{"shelf.write_failed", path_.toStdString(), {why.toStdString()}, {}};
    }
    load();
    emit changed();
    return std::nullopt;
}

std::string ShelfBook::freeName(ShelfKind kind, const std::string& wanted) const {
    for (int i = 1;; ++i) {
        std::string name = i == 1 ? wanted : wanted + " " + std::to_string(i);
        if (std::none_of(entries_.begin(), entries_.end(),
                         [&](const ShelfEntry& e) { return e.kind == kind && e.name == name; })) {
            return name;
        }
    }
}

void ShelfBook::lookForChanges() {
    QSqlQuery q(QSqlDatabase::database(connection_));
    if (q.exec(QStringLiteral("PRAGMA data_version")) && q.next() &&
        q.value(0).toLongLong() != version_) {
        q.finish();
        load();
        emit changed();
    }
}

}  // namespace wl
