// A box that lists what the shelf holds and does something with the chosen one.
#pragma once

#include <QComboBox>
#include <QKeyEvent>
#include <QWheelEvent>
#include <functional>
#include <vector>

#include "app/kit/workbench.h"

namespace wl {

/// Typed into, it shows what has those letters anywhere; what was taken last stands first, also
/// after the program was closed. Its title stands in it while nothing is chosen.
class ShelfPicker : public QComboBox {
    Q_OBJECT
  public:
    /// `names` in the order of the shelf; `take` gets the place of the chosen one in it.
    ShelfPicker(Workbench& bench, const QString& objectName, const QString& title,
                std::function<QStringList()> names, std::function<void(int)> take,
                QWidget* parent = nullptr);

    /// From now on what is chosen stands in it: `chosen` gives its place on the shelf, -1 for none.
    void keep(std::function<int()> chosen);
    /// When what is chosen may be another, or was typed over.
    void showChosen();

  protected:
    /// Turning the wheel over it scrolls the sheet, Up and Down open the list: only a choice takes.
    void wheelEvent(QWheelEvent* event) override { event->ignore(); }
    void keyPressEvent(QKeyEvent* event) override;
    void focusOutEvent(QFocusEvent* event) override;

  private:
    void fill();
    void taken(int row);
    QString recentKey() const { return QStringLiteral("recent/") + objectName(); }

    std::function<QStringList()> names_;
    std::function<void(int)> take_;
    std::function<int()> chosen_ = [] { return -1; };
    std::vector<int> order_;  ///< place on the shelf of each row
};

}  // namespace wl
