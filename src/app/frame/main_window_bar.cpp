// The top bar: name, saved or not, the water and the line, the scale, units and lamp.
#include <QHBoxLayout>
#include <QToolButton>

#include "app/frame/main_window.h"
#include "app/kit/plain_label.h"
#include "app/kit/scale_fill.h"
#include "app/kit/theme.h"

namespace wl {

QWidget* MainWindow::buildTopBar() {
    auto* bar = new QWidget;
    bar->setObjectName(QStringLiteral("topBar"));
    auto* layout = new QHBoxLayout(bar);
    layout->setContentsMargins(12, 6, 12, 6);
    layout->setSpacing(12);
    name_ = new QLineEdit;
    name_->setObjectName(QStringLiteral("designName"));
    name_->setMinimumHeight(34);
    name_->setAccessibleName(tr("Name of the design"));
    name_->setFont(type(Type::Large));
    name_->setMinimumWidth(340);
    name_->setMaximumWidth(400);
    name_->setMinimumHeight(36);
    connect(name_, &QLineEdit::editingFinished, this, [this] {
        if (name_->isModified()) {
            name_->setModified(false);
            bench_.document.endGesture();
            if (const auto error = bench_.document.setText("/name", name_->text().left(100))) {
                tell(*error);
            }
        }
    });
    saved_ = plainLabel();
    saved_->setObjectName(QStringLiteral("savedState"));
    saved_->setProperty("role", "quiet");
    conditions_ = plainLabel();
    conditions_->setProperty("role", "quiet");
    auto* scale = plainLabel();
    scale->setObjectName(QStringLiteral("scaleReading"));
    scale->setAccessibleName(tr("On the scale"));
    connect(&bench_.scale, &ScaleReader::readingChanged, scale, [this, scale] {
        scale->setVisible(bench_.scale.isOpen());
        scale->setText(scaleWords(bench_));
    });
    connect(&bench_.scale, &ScaleReader::lost, this, [this](const QString& reason) {
        say(QStringLiteral("▲ ") + tr("The scale is gone: %1").arg(reason));
    });
    scale->hide();
    conditions_->setWordWrap(true);
    conditions_->setFont(type(Type::Small));
    conditions_->setAlignment(Qt::AlignRight | Qt::AlignVCenter);
    layout->addWidget(name_);
    layout->addWidget(saved_);
    layout->addWidget(conditions_, 1);
    layout->addWidget(scale);
    auto toggle = [layout](const QString& objectName, const QString& hint) {
        auto* button = new QToolButton;
        button->setObjectName(objectName);
        button->setToolTip(hint);
        button->setAccessibleName(hint);
        button->setToolButtonStyle(Qt::ToolButtonTextOnly);
        layout->addWidget(button);
        return button;
    };
    auto* units =
        toggle(QStringLiteral("unitSwitch"), tr("Switch between metric and inch bench (Ctrl+U)"));
    auto* lamp = toggle(QStringLiteral("themeSwitch"), tr("Switch between day and night (Ctrl+L)"));
    connect(units, &QToolButton::clicked, this, [this] { setInch(bench_.bench().isMetric()); });
    connect(lamp, &QToolButton::clicked, this, [this] { setDark(!inks().dark); });
    connect(&bench_, &Workbench::benchChanged, this, [this, units, lamp] {
        units->setText(bench_.bench().isMetric() ? tr("mm g") : tr("in oz"));
        lamp->setText(inks().dark ? tr("night") : tr("day"));
    });
    return bar;
}

void MainWindow::refreshTitle() {
    const Design& d = bench_.design();
    const QString name = QString::fromStdString(d.name);
    // Set anew it would be painted anew, with every move of a handle.
    if ((!name_->hasFocus() || !name_->isModified()) && name_->text() != name) {
        name_->setText(name);
        name_->setCursorPosition(0);
    }
    const bool modified = bench_.document.isModified();
    saved_->setText(modified ? tr("● not saved") : tr("saved"));
    setWindowTitle(QStringLiteral("%1%2 – Wade Line").arg(modified ? "*" : "", name));
    static const QString lines[] = {tr("nylon"), tr("fluorocarbon"), tr("braid")};
    conditions_->setText(tr("%1 %2, %3 deep   ·   %4 %5, cast %6")
                             .arg(d.brief.salinity > 0.005 ? tr("salt") : tr("fresh"),
                                  bench_.text(Quantity::Temperature, d.brief.temperature_K),
                                  bench_.text(Quantity::Distance, d.brief.waterDepth_m),
                                  bench_.text(Quantity::Thickness, d.brief.lineDiameter_m),
                                  lines[int(d.brief.lineKind)],
                                  bench_.text(Quantity::Distance, d.brief.castLength_m)));
}

}  // namespace wl
