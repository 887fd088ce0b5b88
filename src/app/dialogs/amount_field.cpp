#include "app/dialogs/amount_field.h"

#include <QGridLayout>
#include <QStyle>

#include "app/kit/plain_label.h"
#include "session/sentence_text.h"

namespace wl {

AmountField::AmountField(Workbench& bench, const QString& name, const QString& label,
                         Quantity quantity, double least, double most, QWidget* parent)
    : QWidget(parent),
      bench_(bench),
      quantity_(quantity),
      least_(least),
      most_(most),
      line_(new QLineEdit),
      unit_(plainLabel()),
      fault_(plainLabel()) {
    line_->setObjectName(name);
    line_->setAccessibleName(label);
    line_->setMaximumWidth(110);
    setFocusProxy(line_);
    fault_->setObjectName(name + QStringLiteral("/fault"));
    fault_->setProperty("role", "fault");
    fault_->setWordWrap(true);
    fault_->hide();
    unit_->setProperty("role", "quiet");
    auto* grid = new QGridLayout(this);
    grid->setContentsMargins(0, 0, 0, 0);
    grid->setVerticalSpacing(1);
    grid->addWidget(line_, 0, 0);
    grid->addWidget(unit_, 0, 1);
    grid->addWidget(fault_, 1, 0, 1, 3);
    grid->setColumnStretch(2, 1);
    const auto follow = [this] {
        unit_->setText(QString::fromStdString(unitLabel(quantity_, bench_.bench())));
        if (last_) {
            set(*last_);
        }
    };
    connect(&bench, &Workbench::benchChanged, this, follow);
    connect(line_, &QLineEdit::editingFinished, this, &AmountField::value);
    follow();
}

void AmountField::set(double valueSi) {
    last_ = valueSi;
    shown_ = QString::fromStdString(fieldText(quantity_, bench_.bench(), valueSi));
    line_->setText(shown_);
}

void AmountField::sayAgainst(const QString& words) {
    fault_->setText(words.isEmpty() ? words : QStringLiteral("▲ ") + words);
    fault_->setVisible(!words.isEmpty());
    line_->setProperty("faulty", !words.isEmpty());
    line_->setAccessibleDescription(fault_->text());
    line_->style()->unpolish(line_);
    line_->style()->polish(line_);
}

std::optional<double> AmountField::value() {
    const QString path = line_->objectName();
    ReadAmount read = readAmount(line_->text().toStdString(), quantity_, bench_.bench());
    if (last_ && line_->text() == shown_) {
        read = {*last_, ReadFault::None};
    }
    std::optional<Error> error;
    if (read.fault != ReadFault::None) {
        error = readFaultError(read.fault, path, quantity_, bench_.bench());
    } else if (!(read.valueSi >= least_ && read.valueSi <= most_)) {
        error = Error{"field.out_of_range",
                      path.toStdString(),
                      {},
                      {{quantity_, read.valueSi}, {quantity_, least_}, {quantity_, most_}}};
    }
    sayAgainst(error ? sentence(*error, bench_.bench()) : QString());
    if (error) {
        return std::nullopt;
    }
    last_ = read.valueSi;
    shown_ = line_->text();
    return last_;
}

}  // namespace wl

#include "moc_amount_field.cpp"
