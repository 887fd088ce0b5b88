#include "app/kit/quantity_edit.h"

#include <QGridLayout>
#include <QKeyEvent>
#include <QSignalBlocker>
#include <QStyle>
#include <cmath>
#include <utility>

#include "app/kit/plain_label.h"
#include "app/kit/scale_fill.h"
#include "app/kit/theme.h"
#include "core/base/units.h"
#include "core/design/fields.h"
#include "session/field_words.h"

namespace wl {

double benchStep(Quantity quantity, Bench bench) {
    const bool metric = bench.isMetric();
    switch (quantity) {
        case Quantity::Length:
            return metric ? 0.0005 : kInch / 64;
        case Quantity::Thickness:
            return metric ? 0.00001 : kThou;
        case Quantity::Distance:
            return metric ? 0.1 : kFoot / 2;
        case Quantity::Mass:
            return metric ? 0.01 * kGram : 0.001 * kOunce;
        case Quantity::Density:
            return 5.0;
        case Quantity::Angle:
            return kDegree;
        case Quantity::Fraction:
            return 0.01;
        case Quantity::Salinity:
            return 0.001;
        case Quantity::Speed:
            return 0.05;
        default:
            return quantity == Quantity::Number ? 0.1 : 1.0;
    }
}

QuantityEdit::QuantityEdit(Workbench& bench, const QString& path, QWidget* parent)
    : QWidget(parent),
      bench_(bench),
      path_(path),
      line_(new QLineEdit),
      unit_(plainLabel()),
      was_(plainLabel()),
      fault_(plainLabel()) {
    if (const auto known = field()) {
        quantity_ = known->quantity;
        title_ = fieldLabel(*known);
        line_->setToolTip(fieldTip(*known));
    }
    build();
}

QuantityEdit::QuantityEdit(Workbench& bench, const QString& path, const QString& title,
                           Binding binding, QWidget* parent)
    : QWidget(parent),
      bench_(bench),
      path_(path),
      title_(title),
      quantity_(binding.quantity),
      binding_(std::move(binding)),
      line_(new QLineEdit),
      unit_(plainLabel()),
      was_(plainLabel()),
      fault_(plainLabel()) {
    build();
}

std::optional<Field> QuantityEdit::field() const {
    if (!binding_) {
        return findField(bench_.design(), path_.toStdString());
    }
    Field bound;
    bound.path = path_.toStdString();
    bound.quantity = binding_->quantity;
    bound.min = binding_->min;
    bound.max = binding_->max;
    bound.value = binding_->read(bench_.design());
    return bound;
}

std::optional<double> QuantityEdit::valueIn(const Design& design) const {
    if (binding_) {
        return binding_->read(design);
    }
    const std::optional<Field> field = findField(design, path_.toStdString());
    return field ? field->value : std::nullopt;
}

std::optional<Error> QuantityEdit::assign(std::optional<double> value) {
    if (!binding_) {
        return bench_.document.setField(path_, value);
    }
    if (!value || !(*value >= binding_->min && *value <= binding_->max)) {
        return Error{"field.out_of_range",
                     path_.toStdString(),
                     {},
                     {{quantity_, value.value_or(0)},
                      {quantity_, binding_->min},
                      {quantity_, binding_->max}}};
    }
    if (binding_->refuse) {
        if (auto error = binding_->refuse(*value)) {
            return error;
        }
    }
    Design next = bench_.design();
    binding_->write(next, *value);
    bench_.document.submit(std::move(next), title_, path_);
    return std::nullopt;
}

void QuantityEdit::build() {
    line_->setObjectName(path_);
    line_->setAccessibleName(title_);
    line_->setMinimumWidth(58);
    line_->setMaximumWidth(96);
    line_->installEventFilter(this);
    unit_->setProperty("role", "quiet");
    unit_->setMinimumWidth(30);
    fault_->setProperty("role", "fault");
    fault_->setObjectName(path_ + QStringLiteral("/fault"));
    fault_->setWordWrap(true);
    fault_->setMaximumWidth(190);
    fault_->hide();
    setFocusProxy(line_);
    auto* grid = new QGridLayout(this);
    grid->setContentsMargins(0, 0, 0, 0);
    grid->setHorizontalSpacing(5);
    grid->setVerticalSpacing(1);
    grid->addWidget(line_, 0, 0);
    grid->addWidget(unit_, 0, 1);
    was_->setProperty("role", "quiet");
    was_->setFont(type(Type::Small));
    was_->setObjectName(path_ + QStringLiteral("/was"));
    was_->hide();
    grid->addWidget(was_, 0, 3);
    grid->addWidget(fault_, 1, 0, 1, 4);
    if (quantity_ == Quantity::Mass) {
        scale_ = scaleButton(bench_, [this] { takeFromScale(); });
        scale_->setObjectName(path_ + QStringLiteral("/scale"));
        grid->addWidget(scale_, 0, 2);
    }
    grid->setColumnStretch(4, 1);
    connect(line_, &QLineEdit::editingFinished, this, &QuantityEdit::commit);
    connect(&bench_.document, &Document::designChanged, this, &QuantityEdit::refresh);
    connect(&bench_, &Workbench::benchChanged, this, &QuantityEdit::refresh);
    refresh();
}

void QuantityEdit::refresh() {
    const auto field = this->field();
    unit_->setText(QString::fromStdString(unitLabel(quantity_, bench_.bench())));
    if (!field || faulty_ || (line_->hasFocus() && line_->isModified())) {
        return;
    }
    const QSignalBlocker blocker(line_);
    const auto text = [this](std::optional<double> value) {
        return value ? QString::fromStdString(fieldText(quantity_, bench_.bench(), *value))
                     : QString();
    };
    // Set anew it would be painted anew, with every move of a handle.
    if (const QString now = text(field->value); line_->text() != now || line_->isModified()) {
        line_->setText(now);
        line_->setCursorPosition(0);
    }
    const DesignPtr before = bench_.document.before();
    const QString was = before ? text(valueIn(*before)) : QString();
    was_->setText(Workbench::was(was, line_->text()));
    was_->setVisible(!was_->text().isEmpty());
    line_->setPlaceholderText(field->mayBeEmpty ? QStringLiteral("–") : QString());
}

void QuantityEdit::showFault(const QString& message) {
    faulty_ = !message.isEmpty();
    const QString said = faulty_ ? message : against_;
    fault_->setText(said.isEmpty() ? said : QStringLiteral("▲ ") + said);
    fault_->setVisible(!said.isEmpty());
    line_->setProperty("faulty", faulty_);
    line_->setAccessibleDescription(said);
    line_->style()->unpolish(line_);
    line_->style()->polish(line_);
}

void QuantityEdit::sayAgainst(const QString& words) {
    if (std::exchange(against_, words) != words && !faulty_) {
        showFault({});
    }
}

void QuantityEdit::commit() {
    if (!line_->isModified() && !faulty_) {
        return;
    }
    const auto field = this->field();
    if (!field) {
        return;
    }
    const ReadAmount read = readAmount(line_->text().toStdString(), quantity_, bench_.bench());
    std::optional<double> value = read.valueSi;
    if (read.fault == ReadFault::Empty && field->mayBeEmpty) {
        value.reset();
    } else if (read.fault != ReadFault::None) {
        showFault(
            sentence(readFaultError(read.fault, path_, quantity_, bench_.bench()), bench_.bench()));
        return;
    }
    bench_.document.endGesture();
    if (const auto error = assign(value)) {
        showFault(sentence(*error, bench_.bench()));
        return;
    }
    line_->setModified(false);
    showFault({});
    refresh();
}

void QuantityEdit::stepBy(int steps) {
    const auto field = this->field();
    if (!field || !field->value) {
        return;
    }
    const double step = benchStep(quantity_, bench_.bench());
    const double snapped = std::round(*field->value / step) * step;
    const double next = std::clamp(snapped + steps * step, field->min, field->max);
    line_->setModified(false);
    showFault({});
    assign(next);
    refresh();
}

void QuantityEdit::takeFromScale() {
    readScaleOnce(bench_, this, [this](double kg) {
        line_->setText(QString::fromStdString(editText(Quantity::Mass, bench_.bench(), kg)));
        line_->setModified(true);
        commit();
    });
}

bool QuantityEdit::eventFilter(QObject* watched, QEvent* event) {
    if (watched == line_ && event->type() == QEvent::KeyPress) {
        const auto* key = static_cast<QKeyEvent*>(event);
        if (key->key() == Qt::Key_F9 && quantity_ == Quantity::Mass) {
            takeFromScale();
            return true;
        }
        if (key->key() == Qt::Key_Up || key->key() == Qt::Key_Down) {
            const int size = key->modifiers().testFlag(Qt::ShiftModifier) ? 10 : 1;
            stepBy(key->key() == Qt::Key_Up ? size : -size);
            return true;
        }
        if (key->key() == Qt::Key_Escape && (faulty_ || line_->isModified())) {
            line_->setModified(false);
            showFault({});
            refresh();
            return true;
        }
    }
    if (watched == line_ && event->type() == QEvent::FocusIn) {
        bench_.document.endGesture();
    }
    return QWidget::eventFilter(watched, event);
}

}  // namespace wl

#include "moc_quantity_edit.cpp"
