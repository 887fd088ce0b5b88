// What is seen of a bait in a bath or a small tank, and what that is worth.
#pragma once

#include <QDialog>

#include "app/kit/workbench.h"

class QComboBox;
class QLabel;
class QPushButton;

namespace wl {

class AmountField;

/// What is typed is kept for the next time.
class SmallWaterDialog : public QDialog {
    Q_OBJECT
  public:
    explicit SmallWaterDialog(Workbench& bench, QWidget* parent = nullptr);
    /// In a few words, for the log, when it was accepted.
    const QString& said() const { return said_; }

  private:
    AmountField* field(QWidget* page, const char* name, const QString& label, Quantity quantity,
                       double least, double most, double usual);
    void reckon();
    void tellBath(const Results& results);
    void tellTank(const Results& results);

    Workbench& bench_;
    QComboBox* where_;
    QWidget *bath_, *tank_;
    AmountField *speed_, *hand_, *line_;
    AmountField *filled_, *fillTime_, *outlet_, *away_, *beats_;
    QLabel* words_;
    QPushButton* take_;
    QString said_;
};

}  // namespace wl
