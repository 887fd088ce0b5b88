#include "app/kit/sheet_tabs.h"

#include <QScrollArea>
#include <QToolButton>
#include <QVBoxLayout>

namespace wl {

SheetTabs::SheetTabs(const QString& objectName, QWidget* parent)
    : QWidget(parent), names_(new QButtonGroup(this)), stack_(new QStackedWidget) {
    setObjectName(objectName);
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(0);
    auto* bar = new QWidget;
    bar->setObjectName(QStringLiteral("sheetTabs"));
    line_ = new FlowLayout(bar, 2);
    line_->setContentsMargins(8, 4, 8, 4);
    layout->addWidget(bar);
    layout->addWidget(stack_, 1);
    names_->setExclusive(true);
    connect(names_, &QButtonGroup::idClicked, this, &SheetTabs::setCurrentIndex);
}

void SheetTabs::addTab(QWidget* part, const QString& name) {
    auto* button = new QToolButton;
    button->setText(name);
    button->setProperty("role", "tab");
    button->setCheckable(true);
    button->setToolButtonStyle(Qt::ToolButtonTextOnly);
    button->setFocusPolicy(Qt::StrongFocus);
    button->setAccessibleName(name);
    // A part too high for a small window is scrolled down.
    if (qobject_cast<QScrollArea*>(part) == nullptr) {
        auto* area = new QScrollArea;
        area->setWidgetResizable(true);
        area->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
        area->setFocusPolicy(Qt::NoFocus);
        area->setWidget(part);
        part = area;
    }
    const int index = stack_->addWidget(part);
    names_->addButton(button, index);
    line_->addWidget(button);
    button->setChecked(index == stack_->currentIndex());
}

void SheetTabs::setCurrentIndex(int index) {
    if (index < 0 || index >= count()) {
        return;
    }
    names_->button(index)->setChecked(true);
    if (index != stack_->currentIndex()) {
        stack_->setCurrentIndex(index);
        emit currentChanged(index);
    }
}

bool SheetTabs::reveal(const QWidget* inside) {
    for (int i = 0; i < count(); ++i) {
        if (widget(i) == inside || widget(i)->isAncestorOf(inside)) {
            setCurrentIndex(i);
            return true;
        }
    }
    return false;
}

void revealInTabs(const QWidget* part) {
    for (QWidget* up = part->parentWidget(); up != nullptr; up = up->parentWidget()) {
        if (auto* tabs = qobject_cast<SheetTabs*>(up)) {
            tabs->reveal(part);
        }
    }
}

}  // namespace wl

#include "moc_sheet_tabs.cpp"
