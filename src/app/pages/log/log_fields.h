// Fields of the log's forms: a number that may be left empty, with its message beside it.
#pragma once

#include <QGridLayout>
#include <QLabel>
#include <QLineEdit>
#include <QStyle>

#include "app/kit/plain_label.h"
#include "app/kit/workbench.h"

namespace wl {

class OpenAmount : public QWidget {
  public:
    /// `least` and `most` are what is taken, SI.
    OpenAmount(Workbench& bench, const QString& name, const QString& label, Quantity quantity,
               double least, double most)
        : bench_(bench),
          quantity_(quantity),
          least_(least),
          most_(most),
          line_(new QLineEdit),
          unit_(plainLabel()),
          fault_(plainLabel()) {
        line_->setObjectName(name);
        line_->setAccessibleName(label);
        line_->setMaximumWidth(120);
        setFocusProxy(line_);
        unit_->setProperty("role", "quiet");
        fault_->setProperty("role", "fault");
        fault_->setObjectName(name + QStringLiteral("/fault"));
        fault_->setWordWrap(true);
        fault_->hide();
        auto* grid = new QGridLayout(this);
        grid->setContentsMargins(0, 0, 0, 0);
        grid->setVerticalSpacing(1);
        grid->addWidget(line_, 0, 0);
        grid->addWidget(unit_, 0, 1);
        grid->addWidget(fault_, 1, 0, 1, 3);
        grid->setColumnStretch(2, 1);
        connect(&bench, &Workbench::benchChanged, this, [this] {
            if (line_->text() == shown_) {
                set(kept_);
            } else {  // typed and not yet taken: it stands, for the new unit
                unit_->setText(QString::fromStdString(unitLabel(quantity_, bench_.bench())));
            }
        });
        connect(line_, &QLineEdit::textEdited, this, [this] { tell({}); });
        set({});
    }
    QLineEdit* line() { return line_; }
    QString label() const { return line_->accessibleName(); }
    /// Whether something else stands there than what was set.
    bool isTouched() const { return line_->text() != shown_; }
    /// As it stands, with its unit; empty when nothing does.
    QString typed() const {
        const QString text = line_->text().trimmed();
        return text.isEmpty() ? text : text + QLatin1Char(' ') + unit_->text();
    }
    void setRange(Quantity quantity, double least, double most) {
        quantity_ = quantity;
        least_ = least;
        most_ = most;
        set({});
    }
    void set(std::optional<double> value) {
        kept_ = value;
        unit_->setText(QString::fromStdString(unitLabel(quantity_, bench_.bench())));
        shown_ = value ? QString::fromStdString(fieldText(quantity_, bench_.bench(), *value))
                       : QString();
        line_->setText(shown_);
        tell({});
    }
    /// False, with the reason shown, when what is typed is no such measure; nothing typed is none.
    bool read(std::optional<double>& value) {
        const QString typed = line_->text().trimmed();
        if (typed.isEmpty() || typed == shown_) {
            value = typed.isEmpty() ? std::nullopt : kept_;
            return true;
        }
        const ReadAmount amount = readAmount(typed.toStdString(), quantity_, bench_.bench());
        const std::string path = line_->objectName().toStdString();
        if (amount.fault != ReadFault::None) {
            tell(readFaultError(amount.fault, line_->objectName(), quantity_, bench_.bench()));
            return false;
        }
        if (!(amount.valueSi >= least_ && amount.valueSi <= most_)) {
            tell(Error{"field.out_of_range",
                       path,
                       {},
                       {{quantity_, amount.valueSi}, {quantity_, least_}, {quantity_, most_}}});
            return false;
        }
        value = kept_ = amount.valueSi;
        shown_ = typed;
        return true;
    }

  private:
    void tell(const std::optional<Error>& error) {
        fault_->setText(error ? QStringLiteral("▲ ") + sentence(*error, bench_.bench())
                              : QString());
        fault_->setVisible(error.has_value());
        line_->setProperty("faulty", error.has_value());
        line_->setAccessibleDescription(fault_->text());
        line_->style()->unpolish(line_);
        line_->style()->polish(line_);
    }

    Workbench& bench_;
    Quantity quantity_;
    double least_, most_;
    std::optional<double> kept_;
    QString shown_;
    QLineEdit* line_;
    QLabel* unit_;
    QLabel* fault_;
};

}  // namespace wl
