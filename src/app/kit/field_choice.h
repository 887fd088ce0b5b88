// A number of the design, found by typing a part of its name.
#pragma once

#include <QComboBox>

#include "app/kit/workbench.h"

namespace wl {

/// Every number that bears on how the bait rests and runs, in file order; the list is made anew
/// each time it is opened. What is typed and names none stays as typed, and `unknown` tells it.
class FieldChoice : public QComboBox {
    Q_OBJECT
  public:
    /// `mayBeNone`: the first answer is none, with an empty path.
    FieldChoice(Workbench& bench, const QString& name, const QString& first, bool mayBeNone,
                QWidget* parent = nullptr);
    /// Of the field chosen; empty for none.
    QString path() const { return currentData().toString(); }
    void showPopup() override;
    /// The list anew, on the same field or, where the design has it no more, on the first.
    void renew() { fill(path()); }

  signals:
    void unknown(const QString& typed);

  private:
    void fill(const QString& wanted);
    void look();
    Workbench& bench_;
    bool none_;
};

}  // namespace wl
