// A number typed in a dialog, in any unit, with its message beneath it.
#pragma once

#include <QLabel>
#include <QLineEdit>
#include <QWidget>
#include <optional>

#include "app/kit/workbench.h"

namespace wl {

class AmountField : public QWidget {
    Q_OBJECT
  public:
    /// `least` and `most` are what makes sense, SI.
    AmountField(Workbench& bench, const QString& name, const QString& label, Quantity quantity,
                double least, double most, QWidget* parent = nullptr);
    void set(double valueSi);
    /// What was set or typed, in whatever units it is shown since; nothing, with the reason shown,
    /// when it is no such measure.
    std::optional<double> value();
    /// Words beneath a measure that does not go with the others, until it is read again.
    void sayAgainst(const QString& words);
    QLineEdit* line() { return line_; }

  private:
    Workbench& bench_;
    Quantity quantity_;
    double least_, most_;
    std::optional<double> last_;  ///< the measure last set or read, SI
    QString shown_;               ///< and its words: while they stand, it stands, rounded or not
    QLineEdit* line_;
    QLabel* unit_;
    QLabel* fault_;
};

}  // namespace wl
