// What the program noticed: place, reason, and cures with what they would do.
#pragma once

#include <QLabel>
#include <QScrollArea>
#include <QVBoxLayout>

#include "app/kit/workbench.h"

namespace wl {

class FindingsPanel : public QWidget {
    Q_OBJECT
  public:
    FindingsPanel(Bait& bait, Workbench& bench, QWidget* parent = nullptr);
    /// What it has to say, or a third of the column it stands in.
    QSize sizeHint() const override;

  protected:
    void resizeEvent(QResizeEvent* event) override;

  private:
    void refresh();
    void fitButtons();
    QWidget* card(const Finding& finding, const Results& results);

    Bait& bait_;
    Workbench& bench_;
    QLabel* title_;
    QVBoxLayout* list_;
    ResultsPtr shown_;
};

}  // namespace wl
