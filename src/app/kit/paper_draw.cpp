// How the widgets are drawn.
#include <QIcon>
#include <QPainter>
#include <QPlainTextEdit>
#include <QStyleOption>

#include "app/kit/paper_parts.h"
#include "app/kit/paper_style.h"
#include "app/kit/theme.h"

namespace wl {
namespace {

void drawBox(QPainter& painter, const QRect& box, const QColor& fill, const QColor& rule,
             double width = kLine) {
    painter.save();
    painter.setRenderHint(QPainter::Antialiasing);
    painter.setPen(QPen(rule, width));
    painter.setBrush(fill);
    const double half = width / 2;
    painter.drawRoundedRect(QRectF(box).adjusted(half, half, -half, -half), 2, 2);
    painter.restore();
}

void drawDottedBox(QPainter& painter, const QRect& box, const QColor& fill, const QColor& rule) {
    painter.save();
    painter.setPen(QPen(rule, kLine, Qt::DotLine));
    painter.setBrush(fill);
    painter.drawRect(box.adjusted(0, 0, -1, -1));
    painter.restore();
}

void drawButton(QPainter& painter, const QStyleOption& option, const QWidget* widget) {
    const Inks& c = inks();
    const QStyle::State state = option.state;
    if (!(state & QStyle::State_Enabled)) {
        drawDottedBox(painter, option.rect, isMain(widget) ? c.sheet : c.ground, c.rule);
    } else if (isMain(widget)) {
        const bool focused = state & QStyle::State_HasFocus;
        drawBox(painter, option.rect, c.water, focused ? c.ink : c.water, focused ? 2 : kLine);
    } else {
        const bool marked =
            state & (QStyle::State_MouseOver | QStyle::State_HasFocus | QStyle::State_On);
        const bool held = state & QStyle::State_Sunken;
        drawBox(painter, option.rect, held ? c.sheet : c.ground, marked ? c.water : c.rule);
    }
}

// Of the words on a button.
QColor buttonInk(QStyle::State state, const QWidget* widget) {
    const Inks& c = inks();
    if (!(state & QStyle::State_Enabled)) {
        return c.quiet;
    }
    if (isMain(widget)) {
        return c.sheet;
    }
    const bool told =
        state & QStyle::State_On || (isTab(widget) && state & QStyle::State_MouseOver);
    return told ? c.water : c.ink;
}

// A box to tick or a ring to choose by: Fusion's are hardly seen at night.
void drawTick(QPainter& painter, const QStyleOption& option, bool ring) {
    const Inks& c = inks();
    const QStyle::State state = option.state;
    const bool on = state & QStyle::State_Enabled;
    const bool marked = state & (QStyle::State_MouseOver | QStyle::State_HasFocus);
    const QColor ink = on ? c.ink : c.quiet, fill = on ? c.sheet : c.ground;
    const QRectF box = QRectF(option.rect).adjusted(0.5, 0.5, -0.5, -0.5);
    painter.save();
    painter.setRenderHint(QPainter::Antialiasing);
    painter.setPen(QPen(on && marked ? c.water : c.quiet, kLine));
    painter.setBrush(fill);
    ring ? painter.drawEllipse(box) : painter.drawRoundedRect(box, 2, 2);
    const auto at = [&](double x, double y) {
        return QPointF(box.left() + x * box.width(), box.top() + y * box.height());
    };
    if (ring && state & QStyle::State_On) {
        painter.setPen(Qt::NoPen);
        painter.setBrush(ink);
        painter.drawEllipse(box.center(), 0.25 * box.width(), 0.25 * box.height());
    } else if (state & QStyle::State_On) {
        painter.setPen(QPen(ink, 2));
        painter.drawPolyline(QPolygonF{at(0.2, 0.55), at(0.42, 0.76), at(0.8, 0.26)});
    } else if (state & QStyle::State_NoChange) {
        painter.setPen(QPen(ink, 2));
        painter.drawLine(at(0.25, 0.5), at(0.75, 0.5));
    }
    painter.restore();
}

void drawArrow(QPainter& painter, const QRect& place) {
    const QIcon arrow(inks().dark ? QStringLiteral(":/arrow-night.svg")
                                  : QStringLiteral(":/arrow-day.svg"));
    arrow.paint(&painter, QRect(place.center() - QPoint(4, 2), QSize(10, 6)));
}

}  // namespace

void PaperStyle::drawPrimitive(PrimitiveElement element, const QStyleOption* option,
                               QPainter* painter, const QWidget* widget) const {
    const Inks& c = inks();
    const bool focused = option->state & State_HasFocus;
    switch (element) {
        case PE_PanelLineEdit: {
            const auto* frame = qstyleoption_cast<const QStyleOptionFrame*>(option);
            const bool off = !(option->state & State_Enabled);
            const QColor ground = off ? c.ground : c.sheet;
            if (frame != nullptr && frame->lineWidth == 0) {
                painter->fillRect(option->rect, ground);
            } else if (widget != nullptr && widget->property("faulty").toBool()) {
                drawBox(*painter, option->rect, ground, c.signal, 2);
            } else {
                drawBox(*painter, option->rect, ground, focused ? c.water : c.rule);
            }
            return;
        }
        case PE_FrameLineEdit:
            return;  // the panel has it
        case PE_Frame: {
            const bool typed = qobject_cast<const QPlainTextEdit*>(widget) != nullptr;
            drawBox(*painter, option->rect, typed ? QColor(c.sheet) : QColor(Qt::transparent),
                    typed && widget->hasFocus() ? c.water : c.rule);
            return;
        }
        case PE_IndicatorCheckBox:
        case PE_IndicatorRadioButton:
            drawTick(*painter, *option, element == PE_IndicatorRadioButton);
            return;
        case PE_PanelMenu:
            painter->fillRect(option->rect, c.ground);
            return;
        case PE_FrameMenu:
            drawBox(*painter, option->rect, Qt::transparent, c.rule);
            return;
        case PE_PanelTipLabel:
            painter->fillRect(option->rect, c.rule);
            painter->fillRect(option->rect.adjusted(kLine, kLine, -kLine, -kLine), c.sheet);
            return;
        default:
            QProxyStyle::drawPrimitive(element, option, painter, widget);
    }
}

void PaperStyle::drawControl(ControlElement element, const QStyleOption* option, QPainter* painter,
                             const QWidget* widget) const {
    const Inks& c = inks();
    switch (element) {
        case CE_PushButton:
            if (const auto* button = qstyleoption_cast<const QStyleOptionButton*>(option)) {
                drawButton(*painter, *button, widget);
                QStyleOptionButton words = *button;
                words.palette.setColor(QPalette::ButtonText, buttonInk(button->state, widget));
                words.state &= ~State_HasFocus;
                QProxyStyle::drawControl(CE_PushButtonLabel, &words, painter, widget);
            }
            return;
        case CE_HeaderSection: {
            painter->fillRect(option->rect, c.ground);
            const QRect r = option->rect;
            painter->fillRect(QRect(r.left(), r.bottom(), r.width(), kLine), c.rule);
            painter->fillRect(QRect(r.right(), r.top(), kLine, r.height()), c.rule);
            return;
        }
        case CE_HeaderEmptyArea:
            painter->fillRect(option->rect, c.ground);
            return;
        case CE_HeaderLabel:
            if (const auto* header = qstyleoption_cast<const QStyleOptionHeader*>(option)) {
                QStyleOptionHeader words = *header;
                words.version = QStyleOptionHeader::Version;  // a later one may have been cut
                words.palette.setColor(QPalette::ButtonText, c.quiet);
                words.rect.adjust(2, 0, -2, 0);
                QProxyStyle::drawControl(element, &words, painter, widget);
                return;
            }
            break;
        case CE_Splitter:
            painter->fillRect(option->rect, c.rule);
            return;
        case CE_MenuBarEmptyArea:
            painter->fillRect(option->rect, c.ground);
            return;
        case CE_MenuBarItem:
            if (const auto* item = qstyleoption_cast<const QStyleOptionMenuItem*>(option)) {
                const bool chosen = item->state & State_Selected;
                painter->fillRect(item->rect, chosen ? c.rule : c.ground);
                const int flags = int(Qt::AlignCenter) | Qt::TextShowMnemonic | Qt::TextDontClip |
                                  Qt::TextSingleLine;
                drawItemText(painter, item->rect, flags, item->palette, item->state & State_Enabled,
                             item->text, QPalette::ButtonText);
            }
            return;
        case CE_ComboBoxLabel:
            if (const auto* combo = qstyleoption_cast<const QStyleOptionComboBox*>(option)) {
                if (combo->editable) {
                    return;  // its line has the text
                }
                const QRect place =
                    subControlRect(CC_ComboBox, combo, SC_ComboBoxEditField, widget);
                const bool on = combo->state & State_Enabled;
                painter->save();
                painter->setClipRect(place);
                // What stands for no choice has an ink of its own.
                painter->setPen(on ? combo->palette.color(QPalette::ButtonText) : c.quiet);
                const auto side =
                    visualAlignment(combo->direction, Qt::AlignVCenter | Qt::AlignLeft);
                painter->drawText(place, int(side), combo->currentText);
                painter->restore();
            }
            return;
        default:
            break;
    }
    QProxyStyle::drawControl(element, option, painter, widget);
}

void PaperStyle::drawComplexControl(ComplexControl control, const QStyleOptionComplex* option,
                                    QPainter* painter, const QWidget* widget) const {
    const Inks& c = inks();
    if (const auto* combo = qstyleoption_cast<const QStyleOptionComboBox*>(option);
        control == CC_ComboBox && combo != nullptr) {
        const bool on = option->state & State_Enabled;
        const bool focused = option->state & State_HasFocus;
        drawBox(*painter, option->rect, on ? c.sheet : c.ground, focused ? c.water : c.rule);
        drawArrow(*painter, subControlRect(control, option, SC_ComboBoxArrow, widget));
        return;
    }
    if (const auto* bar = qstyleoption_cast<const QStyleOptionSlider*>(option);
        control == CC_ScrollBar && bar != nullptr) {
        painter->fillRect(option->rect, c.ground);
        painter->save();
        painter->setRenderHint(QPainter::Antialiasing);
        painter->setPen(Qt::NoPen);
        painter->setBrush(c.rule);
        painter->drawRoundedRect(subControlRect(control, option, SC_ScrollBarSlider, widget), 3, 3);
        painter->restore();
        return;
    }
    if (const auto* button = qstyleoption_cast<const QStyleOptionToolButton*>(option);
        control == CC_ToolButton && button != nullptr) {
        const bool focused = button->state & State_HasFocus;
        if (!isTab(widget)) {
            drawButton(*painter, *button, widget);
        } else if (focused || button->state & State_On) {
            const QRect under(button->rect.left(), button->rect.bottom() - 1, button->rect.width(),
                              2);
            painter->fillRect(under, focused ? c.ink : c.water);
        }
        QStyleOptionToolButton words = *button;
        words.palette.setColor(QPalette::ButtonText, buttonInk(button->state, widget));
        words.state &= ~State_Sunken;
        if (isTab(widget)) {
            words.rect.adjust(0, 0, 0, kTabPadTop - kTabPadBottom);
        }
        QProxyStyle::drawControl(CE_ToolButtonLabel, &words, painter, widget);
        if (button->features & QStyleOptionToolButton::HasMenu) {
            drawArrow(*painter,
                      QRect(button->rect.right() - 12, button->rect.bottom() - 10, 12, 8));
        }
        return;
    }
    QProxyStyle::drawComplexControl(control, option, painter, widget);
}

}  // namespace wl
