// The same bait at several lengths, each row a design of its own.
#pragma once

#include <QDialog>
#include <QLabel>
#include <QLineEdit>
#include <QProgressBar>
#include <QTableWidget>
#include <vector>

#include "app/kit/workbench.h"
#include "core/plan/size_series.h"
#include "session/beside.h"

namespace wl {

class SeriesDialog : public QDialog {
    Q_OBJECT
  public:
    SeriesDialog(Workbench& bench, QWidget* parent = nullptr);
    /// Reads the lengths typed and fills the table beside the window, each row when it is reckoned.
    void reckon();
    bool isReckoning() const { return beside_.isRunning(); }
    QTableWidget* table() { return table_; }
    QString message() const { return message_->text(); }
    /// The chosen row as a new, unsaved design in this window; false when there is none.
    bool openRow();

  private:
    void showRow(size_t i, const SizeRow& row);
    Workbench& bench_;
    QLineEdit* lengths_;
    QTableWidget* table_;
    QLabel* message_;
    QProgressBar* progress_;
    std::vector<SizeRow> rows_;
    Beside beside_;  // last: stopped before what it fills is gone
};

}  // namespace wl
