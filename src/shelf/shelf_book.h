// The maker's shelf as kept between sessions: one SQLite book, shared by every window.
#pragma once

#include <QObject>
#include <QString>
#include <optional>
#include <vector>

#include "io/shelf.h"

class QSqlDatabase;
class QTimer;

namespace wl {

/// Opens (or makes, with the starter entries) the book. Every change is one transaction, written
/// through to the disk before it counts: a killed program leaves the old or the new entry, never
/// half of one. Other windows' changes are noticed within a second. A damaged book is set aside
/// under a name of its own and a new one begun; a folder that cannot be written gives a shelf that
/// lasts for the session, or one that can only be read. Call from the thread that owns it.
class ShelfBook : public QObject {
    Q_OBJECT
  public:
    /// `path`: of the book; its folder is made when missing.
    explicit ShelfBook(const QString& path, QObject* parent = nullptr);
    ~ShelfBook() override;

    enum class State {
        Kept,        ///< on the disk
        ReadOnly,    ///< on the disk, but cannot be changed
        SessionOnly  ///< nowhere to keep it
    };
    State state() const { return state_; }
    /// What opening came upon, empty when all is well: codes "shelf.set_aside" (word: where),
    /// "shelf.session_only", "shelf.cannot_change".
    const std::vector<Error>& notices() const { return notices_; }

    const std::vector<ShelfEntry>& entries() const { return entries_; }
    /// The entries arranged for the worksheets.
    const Shelf& shelf() const { return shelf_; }

    /// Adds (id 0) or changes one entry. Errors: "shelf.name_taken" (another of its kind has that
    /// name), "shelf.read_only", "shelf.write_failed", "text.empty" (no name).
    std::optional<Error> put(const ShelfEntry& entry);
    std::optional<Error> remove(std::int64_t id);
    /// Takes in a table: entries of a kind and name already there are replaced, others added. All
    /// or nothing.
    std::optional<Error> merge(const std::vector<ShelfEntry>& entries);
    /// A free name for another of that kind.
    std::string freeName(ShelfKind kind, const std::string& wanted) const;

  signals:
    void changed();

  private:
    bool open(const QString& path, bool readOnly);
    bool prepare();
    bool soundBook();
    void setAside();
    void load();
    bool writeEntry(const ShelfEntry& entry, QString& reason);
    void lookForChanges();

    QString path_;
    QString connection_;
    State state_ = State::Kept;
    std::vector<Error> notices_;
    std::vector<ShelfEntry> entries_;
    Shelf shelf_;
    qint64 version_ = -1;
    QTimer* watch_;
};

}  // namespace wl
