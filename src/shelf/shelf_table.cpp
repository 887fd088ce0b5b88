#include "shelf/shelf_table.h"

#include <QSqlQuery>
#include <algorithm>

namespace wl {
namespace {

QString columnOf(const ShelfField& field) {
    const std::string name = std::string(field.name) + std::string(fileSuffix(field.quantity));
    return QString::fromStdString(name);
}

QString kindName(ShelfKind kind) {
    return QString::fromStdString(std::string(kShelfKinds[size_t(kind)]));
}

SqlOutcome beginTable(Store& store) {
    return store.run(
        QStringLiteral("CREATE TABLE IF NOT EXISTS entry (id INTEGER PRIMARY KEY, kind TEXT NOT "
                       "NULL, name TEXT NOT NULL, UNIQUE(kind, name))"));
}

// Every figure an entry has; a table just begun gets the entries to start with. A field added to
// shelfFields() takes a rung of its own that does this again.
SqlOutcome addFigures(Store& store) {
    QStringList there;
    if (auto fault = store.columns(QStringLiteral("entry"), there)) {
        return fault;
    }
    QStringList wanted;
    for (const ShelfField& field : shelfFields()) {
        wanted << columnOf(field) + QStringLiteral(" REAL");
    }
    wanted << QStringLiteral("weighed INTEGER NOT NULL DEFAULT 0")
           << QStringLiteral("source TEXT NOT NULL DEFAULT ''");
    if (auto fault = store.addColumns(QStringLiteral("entry"), wanted)) {
        return fault;
    }
    const bool isNew = there.size() == 3;
    ShelfTable table(store);
    for (const ShelfEntry& e : isNew ? starterEntries() : std::vector<ShelfEntry>()) {
        if (auto fault = table.write(e)) {
            return fault;
        }
    }
    return std::nullopt;
}

// The sets of bits came later: a shelf without any gets the usual ones.
SqlOutcome addDrills(Store& store) {
    ShelfTable table(store);
    std::vector<ShelfEntry> there;
    if (auto fault = table.read(there)) {
        return fault;
    }
    const auto isDrill = [](const ShelfEntry& e) {
        return e.kind == ShelfKind::MetricDrill || e.kind == ShelfKind::InchDrill;
    };
    if (std::any_of(there.begin(), there.end(), isDrill)) {
        return std::nullopt;
    }
    for (const ShelfEntry& e : starterEntries()) {
        if (isDrill(e)) {
            if (auto fault = table.write(e)) {
                return fault;
            }
        }
    }
    return std::nullopt;
}

}  // namespace

const std::vector<Rung>& ShelfTable::ladder() {
    static const std::vector<Rung> rungs{
        {1, beginTable}, {2, addFigures}, {3, addDrills}, {4, addFigures}};
    return rungs;
}

SqlOutcome ShelfTable::select(const QString& which, const QVariantList& values,
                              std::vector<ShelfEntry>& entries) {
    QString list = QStringLiteral("SELECT id, kind, name");
    for (const ShelfField& field : shelfFields()) {
        const QString column = columnOf(field);
        list +=
            QStringLiteral(", ") + (columns_.contains(column) ? column : QStringLiteral("NULL"));
    }
    for (const auto& [column, otherwise] :
         {std::pair{QStringLiteral("weighed"), QStringLiteral("0")},
          {QStringLiteral("source"), QStringLiteral("''")}}) {
        list += QStringLiteral(", ") + (columns_.contains(column) ? column : otherwise);
    }
    entries.clear();
    return store_.ask(
        list + QStringLiteral(" FROM entry ") + which, values, [&entries](const QSqlQuery& q) {
            ShelfEntry e;
            int at = 0;
            e.id = q.value(at++).toLongLong();
            const std::string kind = q.value(at++).toString().toStdString();
            const auto known = std::find(kShelfKinds.begin(), kShelfKinds.end(), kind);
            e.kind = known == kShelfKinds.end()
                         ? ShelfKind::Other
                         : static_cast<ShelfKind>(known - kShelfKinds.begin());
            e.name = q.value(at++).toString().toStdString();
            for (const ShelfField& field : shelfFields()) {
                const QVariant value = q.value(at++);
                bool number = false;
                const double si = fromFile(field.quantity, value.toDouble(&number));
                if (!value.isNull() && number && si >= field.min * (1 - 1e-9) &&
                    si <= field.max * (1 + 1e-9)) {
                    e.*field.member = si;
                }
            }
            e.weighed = q.value(at++).toBool();
            e.source = q.value(at++).toString().toStdString();
            entries.push_back(std::move(e));
        });
}

SqlOutcome ShelfTable::read(std::vector<ShelfEntry>& entries) {
    if (auto fault = store_.columns(QStringLiteral("entry"), columns_)) {
        return fault;
    }
    return select(QStringLiteral("ORDER BY id"), {}, entries);
}

SqlOutcome ShelfTable::findOne(const QString& which, const QVariantList& values,
                               std::optional<ShelfEntry>& found) {
    std::vector<ShelfEntry> rows;
    SqlOutcome fault = select(which, values, rows);
    found = rows.empty() ? std::nullopt : std::optional(rows.front());
    return fault;
}

SqlOutcome ShelfTable::find(std::int64_t id, std::optional<ShelfEntry>& found) {
    return findOne(QStringLiteral("WHERE id = ?"), {qlonglong(id)}, found);
}

SqlOutcome ShelfTable::find(ShelfKind kind, const std::string& name,
                            std::optional<ShelfEntry>& found) {
    return findOne(QStringLiteral("WHERE kind = ? AND name = ?"),
                   {kindName(kind), QString::fromStdString(name)}, found);
}

SqlOutcome ShelfTable::write(const ShelfEntry& e) {
    QString names, marks, sets;
    QVariantList values{kindName(e.kind), QString::fromStdString(e.name)};
    for (const ShelfField& field : shelfFields()) {
        names += QStringLiteral(", ") + columnOf(field);
        marks += QStringLiteral(", ?");
        sets += QStringLiteral(", %1 = ?").arg(columnOf(field));
        const auto& value = e.*field.member;
        values << (value ? QVariant(toFile(field.quantity, *value)) : QVariant());
    }
    values << (e.weighed ? 1 : 0) << QString::fromStdString(e.source);
    if (e.id == 0) {
        return store_.run(QStringLiteral("INSERT INTO entry (kind, name%1, weighed, source) "
                                         "VALUES (?, ?%2, ?, ?)")
                              .arg(names, marks),
                          values);
    }
    values << qlonglong(e.id);
    return store_.run(QStringLiteral("UPDATE entry SET kind = ?, name = ?%1, weighed = ?, "
                                     "source = ? WHERE id = ?")
                          .arg(sets),
                      values);
}

SqlOutcome ShelfTable::remove(std::int64_t id) {
    return store_.run(QStringLiteral("DELETE FROM entry WHERE id = ?"), {qlonglong(id)});
}

}  // namespace wl
