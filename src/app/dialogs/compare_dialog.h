// What differs between the bait worked on and another design.
#pragma once

#include <QDialog>

#include "app/kit/plain_table.h"

namespace wl {

/// Every field the two do not share, in the maker's words and units. Choosing a row and pressing
/// the button goes to that field.
class CompareDialog : public QDialog {
    Q_OBJECT
  public:
    CompareDialog(Workbench& bench, const Design& other, QWidget* parent = nullptr);
    QTableWidget* table() { return table_; }

  private:
    PlainTable* table_;
};

}  // namespace wl
