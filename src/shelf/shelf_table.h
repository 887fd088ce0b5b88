// The table of the shelf in its store: how entries are written and read, and its rungs.
#pragma once

#include <vector>

#include "io/shelf.h"
#include "store/store.h"

namespace wl {

/// What of the store is the shelf's. Use from the thread that made the store.
class ShelfTable {
  public:
    explicit ShelfTable(Store& store) : store_(store) {}

    /// The shelf's rungs; the last is the version this program knows.
    static const std::vector<Rung>& ladder();

    /// All entries in the order they were made. What cannot be right in a hand-edited book is left
    /// out; columns that are missing are empty.
    SqlOutcome read(std::vector<ShelfEntry>& entries);
    SqlOutcome find(std::int64_t id, std::optional<ShelfEntry>& found);
    SqlOutcome find(ShelfKind kind, const std::string& name, std::optional<ShelfEntry>& found);
    /// Adds (id 0) or rewrites one.
    SqlOutcome write(const ShelfEntry& entry);
    SqlOutcome remove(std::int64_t id);

  private:
    SqlOutcome select(const QString& which, const QVariantList& values,
                      std::vector<ShelfEntry>& entries);
    SqlOutcome findOne(const QString& which, const QVariantList& values,
                       std::optional<ShelfEntry>& found);

    Store& store_;
    QStringList columns_;  ///< of the open file's table
};

}  // namespace wl
