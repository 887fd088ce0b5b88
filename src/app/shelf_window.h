// The maker's shelf on screen: look, change, weigh, import, export.
#pragma once

#include <QAbstractTableModel>
#include <QComboBox>
#include <QDialog>
#include <QLabel>
#include <QLineEdit>
#include <QPushButton>
#include <QTableView>

#include "app/workbench.h"

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

class ShelfWindow : public QDialog {
    Q_OBJECT
  public:
    explicit ShelfWindow(Workbench& bench, QWidget* parent = nullptr);

    static QString kindName(ShelfKind kind);
    /// Reads or writes a table; the outcome is said in the window. True on success.
    bool importCsv(const QString& path);
    bool exportCsv(const QString& path);

  private:
    void choose(int kind);
    void add();
    void removeRow();
    void weigh();
    void say(const QString& text);
    void refresh();
    bool tell(const std::optional<Error>& error);

    Workbench& bench_;
    ShelfModel* model_;
    QComboBox* kind_;
    QTableView* view_;
    QLineEdit *count_, *mass_;
    QPushButton *weigh_, *remove_;
    QLabel* message_;
};

}  // namespace wl
