// One SQLite file: its statements, their faults, and the ladder its tables climb from version to
// version.
#pragma once

#include <QString>
#include <QStringList>
#include <QVariant>
#include <functional>
#include <memory>
#include <optional>
#include <vector>

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

class Store;

/// One rung of the ladder: brings the tables from the version before it to `version`.
struct Rung {
    int version = 1;
    std::function<SqlOutcome(Store&)> climb;
};

/// Renames a damaged file, and its journal (it may be what heals it), to a name of its own beside
/// it, which is given; nothing where it could not be.
std::optional<QString> setFileAside(const QString& path);

/// One connection. Nothing here waits for another program: what is held by others is a busy fault
/// at once. Every statement's outcome is given back. Use from the thread that made it.
class Store {
  public:
    Store();
    ~Store();
    Store(const Store&) = delete;
    Store& operator=(const Store&) = delete;

    /// Opens the file, made when missing unless `readOnly`.
    SqlOutcome open(const QString& path, bool readOnly);
    void close();
    /// A damaged fault when the pages do not hang together.
    SqlOutcome check();
    /// The rung the file stands on; 0 for a new one.
    SqlOutcome version(int& version);
    /// Changes whenever another connection wrote.
    SqlOutcome dataVersion(qint64& version);
    /// Climbs the rungs above the file's own, in one transaction: all or none. Finds out as well
    /// whether the file can be written. `ladder`: in rising order.
    SqlOutcome climb(const std::vector<Rung>& ladder);

    SqlOutcome begin();
    SqlOutcome commit();
    void rollback();

    /// Carries out a statement, its ?s taken from `values` in order.
    SqlOutcome run(const QString& statement, const QVariantList& values = {});
    /// The same, for one that answers: `row` is called with each row of the answer.
    SqlOutcome ask(const QString& statement, const QVariantList& values,
                   const std::function<void(const QSqlQuery&)>& row);

    /// The names of the table's columns; none when there is no such table.
    SqlOutcome columns(const QString& table, QStringList& columns);
    /// Adds those of the columns ("name TYPE …") the table lacks.
    SqlOutcome addColumns(const QString& table, const QStringList& wanted);

  private:
    QString connection_;
    /// Prepared last, and done with: of thousands of records written one after the other most of
    /// the time went into preparing the same words again.
    std::unique_ptr<QSqlQuery> kept_;
    QString keptAs_;
};

}  // namespace wl
