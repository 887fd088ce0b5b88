#include "shelf/shelf_book.h"

#include <QDir>
#include <QFileInfo>
#include <QTimer>
#include <algorithm>

namespace wl {
namespace {

constexpr int kWatchEvery_ms = 1000;

// `theirs` with what `mine` changed of `before`; nothing when both changed the same thing to
// different ends.
std::optional<ShelfEntry> joined(const ShelfEntry& before, const ShelfEntry& mine,
                                 const ShelfEntry& theirs) {
    ShelfEntry out = theirs;
    bool clash = false;
    const auto take = [&](auto member) {
        if (mine.*member == before.*member) {
            return;
        }
        clash = clash || (theirs.*member != before.*member && theirs.*member != mine.*member);
        out.*member = mine.*member;
    };
    take(&ShelfEntry::kind);
    take(&ShelfEntry::name);
    take(&ShelfEntry::weighed);
    take(&ShelfEntry::source);
    for (const ShelfField& field : shelfFields()) {
        take(field.member);
    }
    return clash ? std::nullopt : std::optional(out);
}

}  // namespace

ShelfBook::ShelfBook(const QString& path, QObject* parent)
    : QObject(parent), path_(path), watch_(new QTimer(this)) {
    QDir().mkpath(QFileInfo(path).absolutePath());
    if (const auto fault = openBook(); fault && fault->isBusy()) {
        notices_.push_back({"shelf.waiting", path.toStdString(), {path.toStdString()}, {}});
        show(starterEntries());
    }
    connect(watch_, &QTimer::timeout, this, &ShelfBook::lookForChanges);
    watch_->start(kWatchEvery_ms);
}

// Settles the state unless the book is held by another program: then that fault.
SqlOutcome ShelfBook::openBook() {
    const bool there = QFileInfo::exists(path_);
    SqlOutcome fault = store_.open(path_, false);
    if (there && !fault) {
        fault = store_.check();
    }
    if (fault && fault->isDamaged()) {
        store_.close();
        if (const auto aside = setFileAside(path_)) {
            notices_.push_back(
                {"shelf.set_aside", aside->toStdString(), {aside->toStdString()}, {}});
        }
        fault = store_.open(path_, false);
    }
    int version = 0;
    if (!fault) {
        fault = store_.version(version);
    }
    const bool newer = !fault && version > ShelfTable::ladder().back().version;
    if (!fault && !newer) {
        fault = store_.climb(ShelfTable::ladder());
    }
    if (!fault && !newer) {
        fault = load();
        state_ = State::Kept;
    }
    if (fault && fault->isBusy()) {
        state_ = State::Waiting;
        return fault;
    }
    if (fault || newer) {
        state_ = State::ReadOnly;
        const bool readable = QFileInfo::exists(path_) && !store_.open(path_, true) && !load();
        if (readable) {
            notices_.push_back({newer ? "shelf.newer" : "shelf.cannot_change",
                                path_.toStdString(),
                                {path_.toStdString()},
                                {}});
            return std::nullopt;
        }
        state_ = State::SessionOnly;
        notices_.push_back({"shelf.session_only", path_.toStdString(), {path_.toStdString()}, {}});
        if (store_.open(QStringLiteral(":memory:"), false) || store_.climb(ShelfTable::ladder()) ||
            load()) {
            show(starterEntries());
        }
    }
    return std::nullopt;
}

SqlOutcome ShelfBook::load() {
    std::vector<ShelfEntry> entries;
    qint64 version = version_;
    SqlOutcome fault = store_.dataVersion(version);
    if (!fault) {
        fault = table_.read(entries);
    }
    if (!fault) {
        version_ = version;
        show(std::move(entries));
    }
    return fault;
}

void ShelfBook::show(std::vector<ShelfEntry> entries) {
    entries_ = std::move(entries);
    std::stable_sort(entries_.begin(), entries_.end(),
                     [](const ShelfEntry& a, const ShelfEntry& b) { return a.kind < b.kind; });
    shelf_ = arrangeShelf(entries_);
}

const ShelfEntry* ShelfBook::entryOf(std::int64_t id) const {
    const auto found = std::find_if(entries_.begin(), entries_.end(),
                                    [id](const ShelfEntry& e) { return e.id == id; });
    return found == entries_.end() ? nullptr : &*found;
}

Error ShelfBook::told(const SqlFault& fault) const {
    return {fault.isBusy() ? "shelf.busy" : "shelf.write_failed",
            path_.toStdString(),
            {fault.words.toStdString()},
            {}};
}

template <class Change>
std::optional<Error> ShelfBook::change(Change&& change) {
    if (state_ == State::ReadOnly) {
        return Error{"shelf.read_only", path_.toStdString(), {path_.toStdString()}, {}};
    }
    if (state_ == State::Waiting) {
        return Error{"shelf.busy", path_.toStdString(), {}, {}};
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
    if (const auto fault = load(); fault && !error) {
        error = told(*fault);
    }
    emit changed();
    return error;
}

std::optional<Error> ShelfBook::putOne(const ShelfEntry& entry) {
    if (entry.name.empty()) {
        return Error{"text.empty", "/shelf/name", {}, {}};
    }
    ShelfEntry written = entry;
    if (entry.id != 0) {
        std::optional<ShelfEntry> theirs;
        if (const auto fault = table_.find(entry.id, theirs)) {
            return told(*fault);
        }
        const ShelfEntry* before = entryOf(entry.id);
        const auto both = before && theirs ? joined(*before, entry, *theirs) : std::nullopt;
        if (!both) {
            return Error{"shelf.changed_elsewhere", "/shelf", {entry.name}, {}};
        }
        written = *both;
    }
    std::optional<ShelfEntry> taken;
    if (const auto fault = table_.find(written.kind, written.name, taken)) {
        return told(*fault);
    }
    if (taken && taken->id != written.id) {
        return Error{"shelf.name_taken", "/shelf/name", {}, {}};
    }
    const auto fault = table_.write(written);
    return fault ? std::optional(told(*fault)) : std::nullopt;
}

std::optional<Error> ShelfBook::putAll(const std::vector<ShelfEntry>& entries) {
    return change([&]() -> std::optional<Error> {
        for (const ShelfEntry& entry : entries) {
            if (auto error = putOne(entry)) {
                return error;
            }
        }
        return std::nullopt;
    });
}

std::optional<Error> ShelfBook::remove(std::int64_t id) {
    return change([&]() -> std::optional<Error> {
        std::optional<ShelfEntry> theirs;
        if (const auto fault = table_.find(id, theirs)) {
            return told(*fault);
        }
        const ShelfEntry* before = entryOf(id);
        if (theirs && before && !(*theirs == *before)) {
            return Error{"shelf.changed_elsewhere", "/shelf", {before->name}, {}};
        }
        const auto fault = table_.remove(id);
        return fault ? std::optional(told(*fault)) : std::nullopt;
    });
}

std::optional<Error> ShelfBook::merge(const std::vector<ShelfEntry>& entries) {
    return change([&]() -> std::optional<Error> {
        for (ShelfEntry e : entries) {
            std::optional<ShelfEntry> there;
            auto fault = table_.find(e.kind, e.name, there);
            if (!fault) {
                e.id = there ? there->id : 0;
                fault = table_.write(e);
            }
            if (fault) {
                return told(*fault);
            }
        }
        return std::nullopt;
    });
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
    if (state_ == State::Waiting) {
        if (!openBook()) {
            emit changed();
        }
        return;
    }
    qint64 version = version_;
    // Held by another for a moment: the next look comes in a second.
    if (!store_.dataVersion(version) && version != version_ && !load()) {
        emit changed();
    }
}

}  // namespace wl

#include "moc_shelf_book.cpp"
