#include "app/kit/paper_style.h"

#include <QAbstractButton>
#include <QIcon>
#include <QLabel>
#include <QLineEdit>
#include <QMenu>
#include <QPainter>
#include <QPlainTextEdit>
#include <QScrollArea>
#include <QStackedWidget>
#include <QStyleFactory>
#include <QStyleOption>
#include <QTableView>
#include <algorithm>

#include "app/kit/theme.h"

namespace wl {
namespace {

constexpr int kLine = 1;         // of a frame, pixels
constexpr int kLineEditPad = 5;  // beside a typed text
constexpr int kLineEditHigh = 26;
constexpr int kArrowWide = 18;  // of a list that opens
constexpr int kButtonPadX = 11, kButtonPadY = 4;
constexpr int kTabPadX = 7, kTabPadTop = 3, kTabPadBottom = 5;
constexpr int kBar = 11;  // of a scroll bar
constexpr int kGrip = 24;

bool named(const QWidget& widget, std::initializer_list<const char*> names) {
    const QString own = widget.objectName();
    return std::any_of(names.begin(), names.end(),
                       [&](const char* name) { return own == QLatin1String(name); });
}

bool isMain(const QWidget* widget) {
    return widget != nullptr && widget->property("main").toBool();
}

bool isTab(const QWidget* widget) {
    return widget != nullptr && widget->property("role") == QLatin1String("tab");
}

// Only these colours: the others go on following the theme.
void colour(QWidget& widget,
            std::initializer_list<std::pair<QPalette::ColorRole, QColor>> colours) {
    QPalette palette;
    palette.setResolveMask(0);
    for (const auto& [role, ink] : colours) {
        palette.setColor(role, ink);
    }
    widget.setPalette(palette);
}

void fill(QWidget& widget, const QColor& ground) {
    colour(widget, {{QPalette::Window, ground}});
    widget.setAutoFillBackground(true);
}

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

void drawArrow(QPainter& painter, const QRect& place) {
    const QIcon arrow(inks().dark ? QStringLiteral(":/arrow-night.svg")
                                  : QStringLiteral(":/arrow-day.svg"));
    arrow.paint(&painter, QRect(place.center() - QPoint(4, 2), QSize(10, 6)));
}

// What of a scroll bar is held, in pixels along it.
QRect gripOf(const QStyleOptionSlider& bar) {
    const bool flat = bar.orientation == Qt::Horizontal;
    const int length = flat ? bar.rect.width() : bar.rect.height();
    const int range = bar.maximum - bar.minimum;
    int grip = length;
    if (range > 0) {
        const double share = double(bar.pageStep) / (double(range) + bar.pageStep);
        grip = std::min(length, std::max(kGrip, int(length * share)));
    }
    const int from = QStyle::sliderPositionFromValue(bar.minimum, bar.maximum, bar.sliderPosition,
                                                     length - grip, bar.upsideDown);
    return flat ? QRect(from, 0, grip, bar.rect.height()) : QRect(0, from, bar.rect.width(), grip);
}

QRect partOfBar(const QStyleOptionSlider& bar, QStyle::SubControl part) {
    const bool flat = bar.orientation == Qt::Horizontal;
    const QRect all(QPoint(), bar.rect.size());
    const QRect grip = gripOf(bar);
    QRect found = all;
    switch (part) {
        case QStyle::SC_ScrollBarGroove:
            return all;
        case QStyle::SC_ScrollBarSlider:
            return grip;
        case QStyle::SC_ScrollBarSubPage:
            flat ? found.setRight(grip.left() - 1) : found.setBottom(grip.top() - 1);
            break;
        case QStyle::SC_ScrollBarAddPage:
            flat ? found.setLeft(grip.right() + 1) : found.setTop(grip.bottom() + 1);
            break;
        default:
            return {};
    }
    return QStyle::visualRect(bar.direction, all, found);
}

}  // namespace

PaperStyle::PaperStyle() : QProxyStyle(QStyleFactory::create(QStringLiteral("Fusion"))) {}

void PaperStyle::polish(QWidget* widget) {
    QProxyStyle::polish(widget);
    const Inks& c = inks();
    if (named(*widget, {"centre", "topBar", "rightColumn", "sheetTabs"})) {
        fill(*widget, c.ground);
    } else if (named(*widget, {"rail"})) {
        colour(*widget, {{QPalette::Base, c.ground}});
    } else if (named(*widget, {"sheetPage", "worksheet", "findingsBody", "tank", "solidView",
                               "swingView", "traceView", "runStrip", "weighBeam"}) ||
               qobject_cast<QStackedWidget*>(widget) != nullptr) {
        fill(*widget, c.sheet);
    } else if (auto* area = qobject_cast<QScrollArea*>(widget)) {
        area->setFrameShape(QFrame::NoFrame);
        colour(*area, {{QPalette::Window, c.sheet}});
    } else if (qobject_cast<QTableView*>(widget) != nullptr) {
        colour(*widget, {{QPalette::AlternateBase, c.sheet},
                         {QPalette::Highlight, c.ground},
                         {QPalette::HighlightedText, c.ink}});
    } else if (qobject_cast<QMenu*>(widget) != nullptr) {
        colour(*widget, {{QPalette::Highlight, c.rule}, {QPalette::HighlightedText, c.ink}});
    } else if (qobject_cast<QLabel*>(widget) != nullptr) {
        const QVariant role = widget->property("role");
        if (role == QLatin1String("quiet") || role == QLatin1String("fault")) {
            colour(*widget,
                   {{QPalette::WindowText, role == QLatin1String("quiet") ? c.quiet : c.signal}});
        }
    } else if (qobject_cast<QLineEdit*>(widget) != nullptr) {
        widget->update();  // it may be faulty now, or no longer
    }
}

int PaperStyle::pixelMetric(PixelMetric metric, const QStyleOption* option,
                            const QWidget* widget) const {
    switch (metric) {
        case PM_ScrollBarExtent:
            return kBar;
        case PM_ScrollBarSliderMin:
            return kGrip;
        case PM_DefaultFrameWidth:
            return qobject_cast<const QPlainTextEdit*>(widget) != nullptr ? kLine + kLineEditPad
                                                                          : kLine;
        case PM_ToolTipLabelFrameWidth:
            return kLine + 4;
        default:
            return QProxyStyle::pixelMetric(metric, option, widget);
    }
}

int PaperStyle::styleHint(StyleHint hint, const QStyleOption* option, const QWidget* widget,
                          QStyleHintReturn* returned) const {
    if (hint == SH_Table_GridLineColor) {
        return int(inks().rule.rgb());
    }
    if (hint == SH_ScrollView_FrameOnlyAroundContents || hint == SH_ScrollBar_Transient) {
        return 0;
    }
    return QProxyStyle::styleHint(hint, option, widget, returned);
}

QSize PaperStyle::sizeFromContents(ContentsType type, const QStyleOption* option, const QSize& size,
                                   const QWidget* widget) const {
    switch (type) {
        case CT_LineEdit: {
            const auto* frame = qstyleoption_cast<const QStyleOptionFrame*>(option);
            if (frame != nullptr && frame->lineWidth == 0) {
                break;
            }
            return {size.width() + 2 * (kLine + kLineEditPad),
                    std::max(size.height() + 2 * kLine + 4, kLineEditHigh)};
        }
        case CT_ComboBox:
            return {size.width() + 2 * (kLine + kLineEditPad) + kArrowWide + 2,
                    std::max(size.height() + 2 * kLine + 4, kLineEditHigh)};
        case CT_PushButton:
            return size + QSize(2 * kButtonPadX, 2 * kButtonPadY);
        case CT_ToolButton:
            return isTab(widget) ? size + QSize(2 * kTabPadX + 3, kTabPadTop + kTabPadBottom + 3)
                                 : size + QSize(2 * kButtonPadX, 2 * kButtonPadY);
        case CT_CheckBox:
            return QProxyStyle::sizeFromContents(type, option, size, widget) - QSize(0, 5);
        case CT_HeaderSection:
            return QProxyStyle::sizeFromContents(type, option, size, widget) + QSize(11, 5);
        default:
            break;
    }
    return QProxyStyle::sizeFromContents(type, option, size, widget);
}

QRect PaperStyle::subElementRect(SubElement element, const QStyleOption* option,
                                 const QWidget* widget) const {
    if (element == SE_LineEditContents) {
        const auto* frame = qstyleoption_cast<const QStyleOptionFrame*>(option);
        if (frame != nullptr && frame->lineWidth > 0) {
            const int x = kLine + kLineEditPad, y = kLine + 2;
            return option->rect.adjusted(x, y, -x, -y);
        }
    }
    return QProxyStyle::subElementRect(element, option, widget);
}

QRect PaperStyle::subControlRect(ComplexControl control, const QStyleOptionComplex* option,
                                 SubControl part, const QWidget* widget) const {
    if (control == CC_ComboBox && part == SC_ComboBoxEditField) {
        const int x = kLine + kLineEditPad, y = kLine + 2;
        return visualRect(option->direction, option->rect,
                          option->rect.adjusted(x, y, -kLine - kArrowWide, -y));
    }
    if (control == CC_ComboBox && part == SC_ComboBoxArrow) {
        QRect arrow = option->rect.adjusted(0, kLine, -kLine, -kLine);
        arrow.setLeft(arrow.right() - kArrowWide + 1);
        return visualRect(option->direction, option->rect, arrow);
    }
    if (control == CC_ScrollBar) {
        if (const auto* bar = qstyleoption_cast<const QStyleOptionSlider*>(option)) {
            return partOfBar(*bar, part);
        }
    }
    return QProxyStyle::subControlRect(control, option, part, widget);
}

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
                painter->setPen(on ? c.ink : c.quiet);
                painter->drawText(place, int(Qt::AlignVCenter | Qt::AlignLeft), combo->currentText);
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
        painter->drawRoundedRect(partOfBar(*bar, SC_ScrollBarSlider), 3, 3);
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
