// The table of the shelf in its SQLite file: statements, their faults, and the ladder of versions.
#pragma once

#include <QString>
#include <QStringList>
#include <optional>
#include <vector>

#include "io/shelf.h"

class QSqlQuery;

namespace wl {

/// What SQLite said when a statement could not be carried out.
struct SqlFault {
    int code = 0;  ///< primary result code
    QString words;
    bool isBusy() const { return code == 5 || code == 6; }       ///< BUSY, LOCKED: held by others
    bool isDamaged() const { return code == 11 || code == 26; }  ///< CORRUPT, NOTADB
};
using SqlOutcome = std::optional<SqlFault>;  ///< nothing: all is well

/// One connection. Nothing here waits for another program: what is held by others is a busy fault
/// at once. Use from the thread that made it.
class ShelfTable {
  public:
    static constexpr int kVersion = 2;

    ShelfTable();
    ~ShelfTable();
    ShelfTable(const ShelfTable&) = delete;
    ShelfTable& operator=(const ShelfTable&) = delete;

    /// Opens the file, made when missing unless `readOnly`.
    SqlOutcome open(const QString& path, bool readOnly);
    void close();
    /// A damaged fault when the pages do not hang together.
    SqlOutcome check();
    SqlOutcome version(int& version);
    /// Brings the table to kVersion in one transaction: makes it, with the starter entries, when
    /// there is none; adds the columns an older one lacks. Finds out as well whether the file can
    /// be written.
    SqlOutcome migrate();
    /// Changes whenever another connection wrote.
    SqlOutcome dataVersion(qint64& version);

    SqlOutcome begin();
    SqlOutcome commit();
    void rollback();

    /// All entries in the order they were made. What cannot be right in a hand-edited book is left
    /// out; columns that are missing are empty.
    SqlOutcome read(std::vector<ShelfEntry>& entries);
    SqlOutcome find(std::int64_t id, std::optional<ShelfEntry>& found);
    SqlOutcome find(ShelfKind kind, const std::string& name, std::optional<ShelfEntry>& found);
    /// Adds (id 0) or rewrites one.
    SqlOutcome write(const ShelfEntry& entry);
    SqlOutcome remove(std::int64_t id);

  private:
    SqlOutcome select(QSqlQuery& query, std::vector<ShelfEntry>& entries);
    SqlOutcome findOne(QSqlQuery& query, std::optional<ShelfEntry>& found);
    SqlOutcome ask(const char* pragma, qint64& answer);
    SqlOutcome columnsThere(QStringList& columns);
    QString selection();

    QString connection_;
    QStringList columns_;  ///< of the open file's table
};

}  // namespace wl
