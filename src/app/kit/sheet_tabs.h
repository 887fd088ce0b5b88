// The parts of a worksheet, one looked at at a time.
#pragma once

#include <QButtonGroup>
#include <QStackedWidget>
#include <QWidget>

#include "app/kit/flow_layout.h"

namespace wl {

/// Parts by their names in a line over them, going on in a second line where the sheet is narrow:
/// no name is ever cut or scrolled away. Left and right choose among the names.
class SheetTabs : public QWidget {
    Q_OBJECT
  public:
    explicit SheetTabs(const QString& objectName, QWidget* parent = nullptr);

    void addTab(QWidget* part, const QString& name);
    int count() const { return stack_->count(); }
    int currentIndex() const { return stack_->currentIndex(); }
    QWidget* widget(int index) const { return stack_->widget(index); }
    QString tabText(int index) const { return names_->button(index)->text(); }
    void setCurrentIndex(int index);
    /// Brings the part that holds `inside` to the front; false when none does.
    bool reveal(const QWidget* inside);

  signals:
    void currentChanged(int index);

  private:
    QButtonGroup* names_;
    FlowLayout* line_;
    QStackedWidget* stack_;
};

/// Brings everything that holds `part` to the front of its tabs.
void revealInTabs(const QWidget* part);

}  // namespace wl
