#include "waterlog/log_book.h"

#include <QDir>
#include <QFileInfo>
#include <QSqlQuery>
#include <QTimer>
#include <algorithm>

#include "io/log_file.h"
#include "waterlog/log_tables.h"

namespace wl {
namespace {

constexpr int kSeeEvery_ms = 1000;

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
        constexpr int kConstraint = 19;
        if (wrote && wrote->code == kConstraint) {
            return Error{"log.there_already", "/log", {}, {}};
        }
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
    WaterLog merged;
    size_t count = 0;
    const auto error = change([&]() -> std::optional<Error> {
        // As it stands now: another window may have written since it was last looked at.
        if (const auto fault = load()) {
            return told(*fault);
        }
        merged = log_;
        count = mergeLog(merged, other);
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

std::optional<Error> LogBook::rename(const std::string& from, const std::string& to) {
    LogBait checked;
    checked.bait = to;
    if (const auto fault = faultOf(checked)) {
        return Error{*fault, "/log", {}, {}};
    }
    const auto error = change([&]() -> std::optional<Error> {
        if (const auto fault = load()) {
            return told(*fault);
        }
        const auto isOf = [](const std::string& bait) {
            return [&bait](const auto& record) { return record.bait == bait; };
        };
        if (std::any_of(log_.notes.begin(), log_.notes.end(), isOf(to)) ||
            std::any_of(log_.copies.begin(), log_.copies.end(), isOf(to))) {
            return Error{"log.there_already", "/log", {}, {}};
        }
        const QString old = QString::fromStdString(from), name = QString::fromStdString(to);
        // Of the other nothing but that it is there was known.
        if (std::any_of(log_.baits.begin(), log_.baits.end(), isOf(from))) {
            if (const auto fault =
                    store_.run(QStringLiteral("DELETE FROM bait WHERE bait = ?"), {name})) {
                return told(*fault);
            }
        }
        for (const char* table :
             {Table<LogBait>::name, Table<LogCopy>::name, Table<LogNote>::name}) {
            if (const auto fault =
                    store_.run(QStringLiteral("UPDATE %1 SET bait = ? WHERE bait = ?")
                                   .arg(QLatin1String(table)),
                               {name, old})) {
                return told(*fault);
            }
        }
        const auto fault = load();
        return fault ? std::optional(told(*fault)) : std::nullopt;
    });
    if (error) {
        (void)load();  // as it stands without it
        return error;
    }
    emit changed();
    return std::nullopt;
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

#include "moc_log_book.cpp"
