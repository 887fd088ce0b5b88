// The maker's shelf as kept between sessions: one SQLite book, shared by every window.
#pragma once

#include <QObject>
#include <QString>
#include <optional>
#include <vector>

#include "io/shelf.h"
#include "shelf/shelf_table.h"

class QTimer;

namespace wl {

/// Opens (or makes, with the starter entries) the book. Every change is one transaction, written
/// through to the disk before it counts: a killed program leaves the old or the new entry, never
/// half of one. Other windows' changes are noticed within a second. Only a book SQLite itself calls
/// corrupt or none at all is set aside under a name of its own and a new one begun; one that
/// another program holds is waited for beside the window, with the starting values meanwhile; an
/// older one is brought up to date, a newer one only read; a folder that cannot be written gives a
/// shelf that lasts for the session, or one that can only be read. Call from the thread that owns
/// it.
class ShelfBook : public QObject {
    Q_OBJECT
  public:
    /// `path`: of the book; its folder is made when missing.
    explicit ShelfBook(const QString& path, QObject* parent = nullptr);

    enum class State {
        Kept,         ///< on the disk
        ReadOnly,     ///< on the disk, but cannot be changed
        SessionOnly,  ///< nowhere to keep it
        Waiting       ///< another program holds it
    };
    State state() const { return state_; }
    /// What opening came upon, empty when all is well: codes "shelf.set_aside" (word: where),
    /// "shelf.session_only", "shelf.cannot_change", "shelf.newer", "shelf.waiting".
    const std::vector<Error>& notices() const { return notices_; }

    const std::vector<ShelfEntry>& entries() const { return entries_; }
    /// The entries arranged for the worksheets.
    const Shelf& shelf() const { return shelf_; }

    /// Adds (id 0) or changes one entry; of a changed one only what differs from entries() is
    /// written. Errors: "shelf.name_taken" (another of its kind has that name),
    /// "shelf.changed_elsewhere" (another window changed the same figure, or the entry is gone:
    /// entries() then shows theirs), "shelf.read_only", "shelf.busy", "shelf.write_failed",
    /// "text.empty" (no name).
    std::optional<Error> put(const ShelfEntry& entry) { return putAll({entry}); }
    /// The same for several: all or nothing.
    std::optional<Error> putAll(const std::vector<ShelfEntry>& entries);
    std::optional<Error> remove(std::int64_t id);
    /// Takes in a table: entries of a kind and name already there are replaced, others added. All
    /// or nothing.
    std::optional<Error> merge(const std::vector<ShelfEntry>& entries);
    /// A free name for another of that kind.
    std::string freeName(ShelfKind kind, const std::string& wanted) const;

  signals:
    void changed();

  private:
    SqlOutcome openBook();
    SqlOutcome load();
    void show(std::vector<ShelfEntry> entries);
    void lookForChanges();
    const ShelfEntry* entryOf(std::int64_t id) const;
    /// Runs `change` in a transaction of its own and reloads; what it returns rolls it back.
    template <class Change>
    std::optional<Error> change(Change&& change);
    std::optional<Error> putOne(const ShelfEntry& entry);
    Error told(const SqlFault& fault) const;

    QString path_;
    Store store_;
    ShelfTable table_{store_};
    State state_ = State::Waiting;
    std::vector<Error> notices_;
    std::vector<ShelfEntry> entries_;
    Shelf shelf_;
    qint64 version_ = -1;
    QTimer* watch_;
};

}  // namespace wl
