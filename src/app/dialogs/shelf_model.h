// The shelf as a table of one kind of thing.
#pragma once

#include <QAbstractTableModel>

#include "app/kit/workbench.h"

namespace wl {

/// Entries of one kind with the numbers that mean something for it. A cell that cannot be taken
/// says why and leaves the shelf as it is.
class ShelfModel : public QAbstractTableModel {
    Q_OBJECT
  public:
    explicit ShelfModel(Workbench& bench, QObject* parent = nullptr);

    void setKind(ShelfKind kind);
    ShelfKind kind() const { return kind_; }
    const ShelfEntry* entryAt(int row) const;
    int rowOf(const std::string& name) const;

    int rowCount(const QModelIndex& = {}) const override { return int(rows_.size()); }
    int columnCount(const QModelIndex& = {}) const override { return int(fields_.size()) + 3; }
    QVariant data(const QModelIndex& index, int role) const override;
    QVariant headerData(int section, Qt::Orientation orientation, int role) const override;
    bool setData(const QModelIndex& index, const QVariant& value, int role) override;
    Qt::ItemFlags flags(const QModelIndex& index) const override;
    /// The column of a number by its name in files; -1 when this kind has none.
    int columnOf(std::string_view field) const;

  signals:
    void refused(const QString& message);

  private:
    void refresh();
    Workbench& bench_;
    ShelfKind kind_ = ShelfKind::Stock;
    std::vector<ShelfField> fields_;
    std::vector<ShelfEntry> rows_;
};

}  // namespace wl
