// Where and when it is fished: the outing notes go to.
#pragma once

#include <QCheckBox>
#include <QPushButton>

#include "app/pages/log/log_fields.h"

namespace wl {

/// Shows the outing in hand; opened, it is changed, or another begun from it.
class OutingForm : public QWidget {
    Q_OBJECT
  public:
    explicit OutingForm(Workbench& bench);

  private:
    void show(const LogOuting& outing);
    /// What stands in the fields; false with the reasons beside them.
    bool read(LogOuting& outing);
    void keep(bool another);
    void follow();
    void open(bool on);

    Workbench& bench_;
    QLabel* words_;
    QPushButton* toggle_;
    QWidget* fields_;
    QLineEdit *date_, *place_, *colour_, *remarks_;
    QCheckBox *tank_, *measured_;
    OpenAmount *temperature_, *depth_, *line_, *cast_, *speed_;
    QLabel* fault_;
    std::int64_t shown_ = -1;
};

}  // namespace wl
