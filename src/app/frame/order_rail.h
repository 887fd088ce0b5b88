// The order of work: each step with its live verdict.
#pragma once

#include <QListWidget>

#include "app/kit/workbench.h"

namespace wl {

class OrderRail : public QListWidget {
    Q_OBJECT
  public:
    explicit OrderRail(Workbench& bench, QWidget* parent = nullptr);
    void choose(Step step) { setCurrentRow(int(step)); }
    QString verdict(Step step) const;
    /// "was 1.2 m" where the last edit changed the verdict of a step.
    QString was(Step step) const { return item(int(step))->toolTip(); }

  signals:
    void stepChosen(Step step);

  protected:
    void paintEvent(QPaintEvent* event) override;

  private:
    void refresh();
    void takeBefore();
    // Verdicts before the last edit: worked out once, not at every move of a drag.
    ResultsPtr before_;
    QStringList verdictsBefore_;
    Workbench& bench_;
    QRegion painted_;
};

}  // namespace wl
