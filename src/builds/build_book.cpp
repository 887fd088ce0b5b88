#include "builds/build_book.h"

#include <QDateTime>
#include <QDir>
#include <QFileInfo>
#include <QSqlQuery>
#include <QTimer>

#include "builds/desktop_notice.h"
#include "core/making/mould_steps.h"

namespace wl {
namespace {

constexpr int kLookEvery_ms = 1000;

const std::vector<Rung>& ladder() {
    static const std::vector<Rung> rungs{
        {1, [](Store& store) {
             if (auto fault = store.run(QStringLiteral(
                     "CREATE TABLE steps (build TEXT NOT NULL, bait INTEGER NOT NULL, step TEXT "
                     "NOT NULL, state INTEGER NOT NULL, worked_s REAL NOT NULL, since_s INTEGER "
                     "NOT NULL, cure_s REAL NOT NULL, read_kg REAL, told INTEGER NOT NULL, words "
                     "TEXT NOT NULL, PRIMARY KEY (build, bait, step))"))) {
                 return fault;
             }
             return store.run(QStringLiteral(
                 "CREATE TABLE recipes (name TEXT PRIMARY KEY, coats TEXT NOT NULL)"));
         }}};
    return rungs;
}

}  // namespace

BuildBook::BuildBook(const QString& path, Clock clock, Notify notify, QObject* parent)
    : QObject(parent),
      clock_(clock ? std::move(clock) : [] { return QDateTime::currentSecsSinceEpoch(); }),
      notify_(notify ? std::move(notify) : showDesktopNotice),
      watch_(new QTimer(this)) {
    QDir().mkpath(QFileInfo(path).absolutePath());
    SqlOutcome fault = store_.open(path, false);
    if (!fault) {
        fault = store_.check();
    }
    if (!fault) {
        fault = store_.climb(ladder());
    }
    if (!fault) {
        fault = load();
    }
    if (fault) {
        notices_.push_back({"builds.session_only",
                            path.toStdString(),
                            {path.toStdString(), fault->words.toStdString()},
                            {}});
        records_.clear();
        recipes_.clear();
        if (!store_.open(QStringLiteral(":memory:"), false)) {
            (void)store_.climb(ladder());  // without one, changes are refused with the reason
        }
    }
    connect(watch_, &QTimer::timeout, this, &BuildBook::lookAtClocks);
    watch_->start(kLookEvery_ms);
    QTimer::singleShot(0, this, &BuildBook::lookAtClocks);
}

SqlOutcome BuildBook::load() {
    records_.clear();
    recipes_.clear();
    if (auto fault = store_.dataVersion(version_)) {
        return fault;
    }
    if (auto fault = store_.ask(
            QStringLiteral("SELECT build, bait, step, state, worked_s, since_s, cure_s, read_kg, "
                           "told, words FROM steps"),
            {}, [this](const QSqlQuery& q) {
                StepRecord r;
                const int state = q.value(3).toInt();
                r.state = state >= 0 && state <= int(StepRecord::State::Done)
                              ? StepRecord::State(state)
                              : StepRecord::State::Waiting;
                r.worked_s = std::max(0.0, q.value(4).toDouble());
                r.since_s = q.value(5).toLongLong();
                r.cure_s = std::max(0.0, q.value(6).toDouble());
                if (!q.value(7).isNull()) {
                    r.read_kg = q.value(7).toDouble();
                }
                r.told = q.value(8).toBool();
                r.words = q.value(9).toString();
                records_[{q.value(0).toString(), q.value(1).toInt(), q.value(2).toString()}] = r;
            })) {
        return fault;
    }
    return store_.ask(
        QStringLiteral("SELECT name, coats FROM recipes"), {},
        [this](const QSqlQuery& q) { recipes_[q.value(0).toString()] = q.value(1).toString(); });
}

std::optional<Error> BuildBook::written(const SqlOutcome& fault) {
    if (fault) {
        return Error{"builds.write_failed", "", {fault->words.toStdString()}, {}};
    }
    return std::nullopt;
}

StepRecord BuildBook::recordOf(const Key& key) const {
    const auto at = records_.find(key);
    return at == records_.end() ? StepRecord{} : at->second;
}

std::optional<Error> BuildBook::put(const Key& key, const StepRecord& r) {
    const QVariant read = r.read_kg ? QVariant(*r.read_kg) : QVariant();
    if (auto error = written(store_.run(
            QStringLiteral("INSERT OR REPLACE INTO steps (build, bait, step, state, worked_s, "
                           "since_s, cure_s, read_kg, told, words) VALUES "
                           "(?, ?, ?, ?, ?, ?, ?, ?, ?, ?)"),
            {key.build, key.bait, key.step, int(r.state), r.worked_s, r.since_s, r.cure_s, read,
             r.told, r.words.isNull() ? QStringLiteral("") : r.words}))) {
        return error;
    }
    records_[key] = r;
    emit changed();
    return std::nullopt;
}

std::optional<Error> BuildBook::begin(const Key& key) {
    StepRecord r = recordOf(key);
    if (r.state == StepRecord::State::Working) {
        return std::nullopt;
    }
    r.state = StepRecord::State::Working;
    r.since_s = now();
    r.told = false;
    return put(key, r);
}

std::optional<Error> BuildBook::pause(const Key& key) {
    StepRecord r = recordOf(key);
    if (r.state != StepRecord::State::Working) {
        return std::nullopt;
    }
    r.worked_s = r.workedBy_s(now());
    r.state = StepRecord::State::Paused;
    r.since_s = now();
    return put(key, r);
}

std::optional<Error> BuildBook::finish(const Key& key, double cure_s, const QString& words) {
    StepRecord r = recordOf(key);
    r.worked_s = r.workedBy_s(now());
    r.state = StepRecord::State::Done;
    r.since_s = now();
    r.cure_s = cure_s;
    r.words = words;
    r.told = cure_s <= 0;
    return put(key, r);
}

std::optional<Error> BuildBook::reset(const Key& key) {
    StepRecord r;
    r.read_kg = recordOf(key).read_kg;
    return put(key, r);
}

std::optional<Error> BuildBook::setReading(const Key& key, double read_kg) {
    StepRecord r = recordOf(key);
    r.read_kg = read_kg;
    return put(key, r);
}

std::optional<Error> BuildBook::forget(const QString& build, bool mould) {
    const auto goes = [&build, mould](const auto& entry) {
        return entry.first.build == build && (entry.first.bait == kMould) == mould;
    };
    if (auto error = written(
            store_.run(QStringLiteral("DELETE FROM steps WHERE build = ? AND (bait = ?) = ?"),
                       {build, kMould, mould}))) {
        return error;
    }
    std::erase_if(records_, goes);
    emit changed();
    return std::nullopt;
}

std::optional<Error> BuildBook::rename(const QString& from, const QString& to) {
    const auto isOf = [](const QString& build) {
        return [&build](const auto& entry) { return entry.first.build == build; };
    };
    if (std::any_of(records_.begin(), records_.end(), isOf(to)) ||
        std::none_of(records_.begin(), records_.end(), isOf(from))) {
        return std::nullopt;
    }
    if (auto error = written(
            store_.run(QStringLiteral("UPDATE steps SET build = ? WHERE build = ?"), {to, from}))) {
        return error;
    }
    std::map<Key, StepRecord> renamed;
    for (auto& [key, record] : records_) {
        Key named = key;
        named.build = key.build == from ? to : key.build;
        renamed[named] = std::move(record);
    }
    records_ = std::move(renamed);
    emit changed();
    return std::nullopt;
}

std::optional<Error> BuildBook::putRecipe(const QString& name, const QString& text) {
    if (auto error = written(
            store_.run(QStringLiteral("INSERT OR REPLACE INTO recipes (name, coats) VALUES (?, ?)"),
                       {name, text}))) {
        return error;
    }
    recipes_[name] = text;
    emit changed();
    return std::nullopt;
}

std::optional<Error> BuildBook::removeRecipe(const QString& name) {
    if (auto error =
            written(store_.run(QStringLiteral("DELETE FROM recipes WHERE name = ?"), {name}))) {
        return error;
    }
    recipes_.remove(name);
    emit changed();
    return std::nullopt;
}

void BuildBook::readOthers() {
    qint64 version = version_;
    if (store_.dataVersion(version) || version == version_) {
        return;
    }
    const auto records = records_;
    const auto recipes = recipes_;
    if (load()) {  // what was known is better than nothing
        records_ = records;
        recipes_ = recipes;
        return;
    }
    emit changed();
}

void BuildBook::lookAtClocks() {
    readOthers();
    std::vector<Key> due;
    for (const auto& [key, record] : records_) {
        if (record.state == StepRecord::State::Done && !record.told && !record.cures(now())) {
            due.push_back(key);
        }
    }
    for (const Key& key : due) {
        StepRecord r = recordOf(key);
        r.told = true;
        if (!put(key, r)) {  // said once, and only what is kept as said
            notify_(r.words);
            emit cured(r.words);
        }
    }
}

bool mouldStands(const BuildBook& book, const Design& design) {
    const QString build = QString::fromStdString(design.name);
    const auto isDone = [&](int bait, const std::string& key) {
        return book.recordOf({build, bait, QString::fromStdString(key)}).state ==
               StepRecord::State::Done;
    };
    const std::vector<BuildStep> steps = mouldSteps(design);
    if (std::all_of(steps.begin(), steps.end(),
                    [&](const BuildStep& step) { return isDone(BuildBook::kMould, step.key()); })) {
        return true;
    }
    BuildStep pour;
    pour.kind = StepKind::Pour;
    for (int bait = 0; bait < design.building.baits; ++bait) {
        if (isDone(bait, pour.key())) {
            return true;
        }
    }
    return false;
}

}  // namespace wl

#include "moc_build_book.cpp"
