#include "waterlog/log_book.h"

#include <QDir>
#include <QFileInfo>
#include <QSqlQuery>
#include <QTimer>
#include <algorithm>

#include "io/log_file.h"

namespace wl {
namespace {

constexpr int kSeeEvery_ms = 1000;

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
                const std::string name = value.toString().toStdString();
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
                record.*member = value.toString().toStdString();
            }
        },
        field.member);
}

// Tables, and the fields they lack: a field added takes a rung of its own that does this again.
SqlOutcome addTables(Store& store) {
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

const std::vector<Rung>& logLadder() {
    static const std::vector<Rung> rungs{{1, addTables}};
    return rungs;
}

template <class T>
SqlOutcome readTable(Store& store, std::vector<T>& records) {
    QStringList there;
    if (auto fault = store.columns(QLatin1String(Table<T>::name), there)) {
        return fault;
    }
    QStringList columns;
    for (const LogField<T>& field : logFields<T>()) {
        const QString column = columnOf(field);
        columns << (there.contains(column.mid(1, column.size() - 2)) ? column
                                                                     : QStringLiteral("NULL"));
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

template <class T>
SqlOutcome writeRecord(Store& store, const T& record) {
    QStringList columns, marks;
    QVariantList values;
    for (const LogField<T>& field : logFields<T>()) {
        columns << columnOf(field);
        marks << QStringLiteral("?");
        values << valueOf(record, field);
    }
    return store.run(QStringLiteral("INSERT OR REPLACE INTO %1 (%2) VALUES (%3)")
                         .arg(QLatin1String(Table<T>::name), columns.join(QStringLiteral(", ")),
                              marks.join(QStringLiteral(", "))),
                     values);
}

template <class T>
SqlOutcome idsOf(Store& store, const QString& which, const QVariantList& values,
                 std::vector<std::int64_t>& ids) {
    return store.ask(
        QStringLiteral("SELECT id FROM %1 %2").arg(QLatin1String(Table<T>::name), which), values,
        [&ids](const QSqlQuery& q) { ids.push_back(q.value(0).toLongLong()); });
}

}  // namespace

LogBook::LogBook(const QString& path, QObject* parent)
    : QObject(parent), path_(path), watch_(new QTimer(this)) {
    QDir().mkpath(QFileInfo(path).absolutePath());
    if (const auto fault = openBook(); fault && fault->isBusy()) {
        notices_.push_back({"log.waiting", path.toStdString(), {path.toStdString()}, {}});
    }
    connect(watch_, &QTimer::timeout, this, &LogBook::lookForChanges);
    watch_->start(kSeeEvery_ms);
}

SqlOutcome LogBook::openBook() {
    const bool there = QFileInfo::exists(path_);
    SqlOutcome fault = store_.open(path_, false);
    if (there && !fault) {
        fault = store_.check();
    }
    if (fault && fault->isDamaged()) {
        store_.close();
        if (const auto aside = setFileAside(path_)) {
            notices_.push_back({"log.set_aside", aside->toStdString(), {aside->toStdString()}, {}});
        }
        fault = store_.open(path_, false);
    }
    int version = 0;
    if (!fault) {
        fault = store_.version(version);
    }
    const bool newer = !fault && version > logLadder().back().version;
    if (!fault && !newer) {
        fault = store_.climb(logLadder());
    }
    if (!fault && !newer) {
        fault = load();
        state_ = State::Kept;
    }
    if (fault && fault->isBusy()) {
        state_ = State::Waiting;
        return fault;
    }
    if (!fault && !newer) {
        return std::nullopt;
    }
    if (QFileInfo::exists(path_) && !store_.open(path_, true) && !load()) {
        state_ = State::ReadOnly;
        notices_.push_back({newer ? "log.newer" : "log.cannot_change",
                            path_.toStdString(),
                            {path_.toStdString()},
                            {}});
        return std::nullopt;
    }
    state_ = State::SessionOnly;
    notices_.push_back({"log.session_only", path_.toStdString(), {path_.toStdString()}, {}});
    log_ = {};
    if (!store_.open(QStringLiteral(":memory:"), false) && !store_.climb(logLadder())) {
        (void)load();  // without one, changes are refused with the reason
    }
    return std::nullopt;
}

SqlOutcome LogBook::load() {
    qint64 version = version_;
    if (auto fault = store_.dataVersion(version)) {
        return fault;
    }
    WaterLog read;
    QMap<QString, QString> drafts;
    if (auto fault = eachTable(
            [&]<class T>() -> SqlOutcome { return readTable(store_, read.*Table<T>::list); })) {
        return fault;
    }
    if (auto fault = store_.ask(QStringLiteral("SELECT field, text FROM draft"), {},
                                [&drafts](const QSqlQuery& q) {
                                    drafts[q.value(0).toString()] = q.value(1).toString();
                                })) {
        return fault;
    }
    version_ = version;
    log_ = std::move(read);
    drafts_ = std::move(drafts);
    return std::nullopt;
}

Error LogBook::told(const SqlFault& fault) const {
    return {fault.isBusy() ? "log.busy" : "log.write_failed",
            path_.toStdString(),
            {fault.words.toStdString()},
            {}};
}

template <class Change>
std::optional<Error> LogBook::change(Change&& change) {
    if (state_ == State::ReadOnly || state_ == State::Waiting) {
        return Error{state_ == State::Waiting ? "log.busy" : "log.read_only",
                     path_.toStdString(),
                     {path_.toStdString()},
                     {}};
    }
    if (const auto fault = store_.begin()) {
        return told(*fault);
    }
    std::optional<Error> error = change();
    if (!error) {
        if (const auto fault = store_.commit()) {
            error = told(*fault);
        }
    }
    if (error) {
        store_.rollback();
    }
    return error;
}

template <class T>
std::optional<Error> LogBook::put(T& record) {
    if (const auto fault = faultOf(record)) {
        return Error{*fault, "/log", {}, {}};
    }
    lookForChanges();
    T written = record;
    std::vector<T>& list = log_.*Table<T>::list;
    const auto error = change([&]() -> std::optional<Error> {
        std::vector<std::int64_t> ids;
        const bool added = written.id == 0;
        const auto fault =
            added ? idsOf<T>(store_, QStringLiteral("ORDER BY id DESC LIMIT 1"), {}, ids)
                  : idsOf<T>(store_, QStringLiteral("WHERE id = ?"), {qlonglong(written.id)}, ids);
        if (fault) {
            return told(*fault);
        }
        if (!added && ids.empty()) {
            return Error{"log.gone", "/log", {}, {}};
        }
        if (added) {
            written.id = ids.empty() ? 1 : ids.front() + 1;
        }
        const auto wrote = writeRecord(store_, written);
        return wrote ? std::optional(told(*wrote)) : std::nullopt;
    });
    if (error) {
        return error;
    }
    const auto at =
        std::find_if(list.begin(), list.end(), [&](const T& t) { return t.id == written.id; });
    if (at == list.end()) {
        list.push_back(written);
    } else {
        *at = written;
    }
    record = std::move(written);
    emit changed();
    return std::nullopt;
}

template <class T>
std::optional<Error> LogBook::remove(std::int64_t id) {
    const auto error = change([&]() -> std::optional<Error> {
        const auto fault = store_.run(
            QStringLiteral("DELETE FROM %1 WHERE id = ?").arg(QLatin1String(Table<T>::name)),
            {qlonglong(id)});
        return fault ? std::optional(told(*fault)) : std::nullopt;
    });
    if (!error) {
        std::erase_if(log_.*Table<T>::list, [id](const T& t) { return t.id == id; });
        emit changed();
    }
    return error;
}

template std::optional<Error> LogBook::put(LogBait&);
template std::optional<Error> LogBook::put(LogCopy&);
template std::optional<Error> LogBook::put(LogOuting&);
template std::optional<Error> LogBook::put(LogNote&);
template std::optional<Error> LogBook::remove<LogBait>(std::int64_t);
template std::optional<Error> LogBook::remove<LogCopy>(std::int64_t);
template std::optional<Error> LogBook::remove<LogOuting>(std::int64_t);
template std::optional<Error> LogBook::remove<LogNote>(std::int64_t);

Result<size_t> LogBook::merge(const WaterLog& other) {
    lookForChanges();
    WaterLog merged = log_;
    const size_t count = mergeLog(merged, other);
    const auto error = change([&]() -> std::optional<Error> {
        const auto fault = eachTable([&]<class T>() -> SqlOutcome {
            const std::vector<T>& before = log_.*Table<T>::list;
            const std::vector<T>& after = merged.*Table<T>::list;
            for (size_t i = 0; i < after.size(); ++i) {
                if (i < before.size() && before[i] == after[i]) {
                    continue;
                }
                if (auto wrote = writeRecord(store_, after[i])) {
                    return wrote;
                }
            }
            return std::nullopt;
        });
        return fault ? std::optional(told(*fault)) : std::nullopt;
    });
    if (error) {
        return *error;
    }
    log_ = std::move(merged);
    emit changed();
    return count;
}

std::optional<Error> LogBook::setDraft(const QString& field, const QString& text) {
    if (drafts_.value(field) == text) {
        return std::nullopt;
    }
    const auto error = change([&]() -> std::optional<Error> {
        const auto fault =
            text.isEmpty()
                ? store_.run(QStringLiteral("DELETE FROM draft WHERE field = ?"), {field})
                : store_.run(QStringLiteral("INSERT OR REPLACE INTO draft (field, text) "
                                            "VALUES (?, ?)"),
                             {field, text});
        return fault ? std::optional(told(*fault)) : std::nullopt;
    });
    if (!error) {
        drafts_[field] = text;
    }
    return error;
}

void LogBook::lookForChanges() {
    if (state_ == State::Waiting) {
        if (!openBook()) {
            emit changed();
        }
        return;
    }
    qint64 version = version_;
    if (store_.dataVersion(version) || version == version_) {
        return;
    }
    if (!load()) {  // what was known is better than nothing
        emit changed();
    }
}

}  // namespace wl
