// The maker's shelf on screen: look, change, weigh, import, export.
#pragma once

#include <QComboBox>
#include <QDialog>
#include <QLabel>
#include <QLineEdit>
#include <QPushButton>
#include <QTableView>

#include "app/dialogs/shelf_model.h"

namespace wl {

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
