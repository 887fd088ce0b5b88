#include "app/kit/paper_style.h"

#include <QLabel>
#include <QLineEdit>
#include <QMenu>
#include <QPlainTextEdit>
#include <QScrollArea>
#include <QStackedWidget>
#include <QStyleFactory>
#include <QStyleOption>
#include <QTableView>
#include <algorithm>

#include "app/kit/paper_parts.h"
#include "app/kit/theme.h"

namespace wl {
namespace {

constexpr int kLineEditPad = 5;  // beside a typed text
constexpr int kLineEditHigh = 26;
constexpr int kButtonPadX = 11, kButtonPadY = 4;
constexpr int kTabPadX = 7;
constexpr int kBar = 11;  // of a scroll bar
constexpr int kGrip = 24;

bool named(const QWidget& widget, std::initializer_list<const char*> names) {
    const QString own = widget.objectName();
    return std::any_of(names.begin(), names.end(),
                       [&](const char* name) { return own == QLatin1String(name); });
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
            break;
        case QStyle::SC_ScrollBarSlider:
            found = grip;
            break;
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

}  // namespace wl
