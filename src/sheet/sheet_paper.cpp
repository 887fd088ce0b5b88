#include "sheet/sheet_paper.h"

#include <QCoreApplication>

#include "core/base/units.h"
#include "sheet/shipped_font.h"

namespace wl {
namespace {

QString tr(const char* text) {
    return QCoreApplication::translate("BenchSheet", text);
}

}  // namespace

double SheetPaper::mm(double metres) {
    return metres / kMillimetre;
}

QPen SheetPaper::line(double width_mm, Qt::PenStyle style) {
    return QPen(kInk, width_mm, style, Qt::FlatCap, Qt::MiterJoin);
}

QPen SheetPaper::centreLine() {
    QPen centre = line(0.15);
    centre.setDashPattern({40, 10, 8, 10});
    return centre;
}

// Text is laid out in a space of tenths of a millimetre, where font hinting does no harm.
void SheetPaper::text(const QRectF& box_mm, const QString& words, double height_mm, bool strong,
                      int flags, const QColor& ink) {
    p_.save();
    p_.scale(0.02, 0.02);
    QFont font(loadShippedFont());
    font.setPixelSize(int(height_mm * 50));
    font.setWeight(strong ? QFont::DemiBold : QFont::Normal);
    p_.setFont(font);
    p_.setPen(ink);
    p_.drawText(QRectF(box_mm.topLeft() * 50, box_mm.size() * 50), flags, words);
    p_.restore();
}

void SheetPaper::header(const QString& title) {
    text({0, 0, size_.width(), 7}, name_, 5, true);
    text({0, 0, size_.width(), 7}, title, 3.6, false, Qt::AlignRight | Qt::AlignVCenter);
    p_.setPen(line(0.3));
    p_.drawLine(QPointF(0, 8), QPointF(size_.width(), 8));
}

void SheetPaper::checkBars(const QPointF& at) {
    p_.setPen(line(0.35));
    for (int i = 0; i <= 10; ++i) {
        const double h = i % 5 == 0 ? 3.0 : 1.8;
        p_.drawLine(at + QPointF(10 * i, 0), at + QPointF(10 * i, -h));
    }
    p_.drawLine(at, at + QPointF(100, 0));
    const QPointF inch = at + QPointF(112, 0);
    for (int i = 0; i <= 4; ++i) {
        p_.drawLine(inch + QPointF(25.4 * i, 0), inch + QPointF(25.4 * i, -3));
    }
    p_.drawLine(inch, inch + QPointF(101.6, 0));
    text({at.x(), at.y() + 0.5, 110, 4},
         tr("100 mm: measure this bar first; if it is off, print again at 100 %"), 2.6);
    text({inch.x(), inch.y() + 0.5, 100, 4}, tr("4 in"), 2.6);
}

double SheetPaper::table(const QPointF& at, const QString& title, const QStringList& head,
                         const std::vector<QStringList>& rows, const std::vector<double>& widths) {
    constexpr double kRow = 4.6;
    double y = at.y();
    text({at.x(), y, size_.width() - at.x(), 5}, title, 3.4, true);
    y += 5.6;
    double total = 0;
    for (double w : widths) {
        total += w;
    }
    auto put = [&](const QStringList& cells, bool strong) {
        double x = at.x();
        for (int i = 0; i < cells.size() && i < int(widths.size()); ++i) {
            text({x + 0.8, y, widths[size_t(i)] - 1.2, kRow}, cells[i], 2.7, strong,
                 (i == 0 ? Qt::AlignLeft : Qt::AlignRight) | Qt::AlignVCenter);
            x += widths[size_t(i)];
        }
        y += kRow;
    };
    if (!head.isEmpty()) {
        put(head, true);
    }
    p_.setPen(line(0.25));
    p_.drawLine(QPointF(at.x(), y), QPointF(at.x() + total, y));
    for (const QStringList& row : rows) {
        put(row, false);
        p_.setPen(QPen(QColor(190, 190, 190), 0.12));
        p_.drawLine(QPointF(at.x(), y), QPointF(at.x() + total, y));
    }
    return y + 3;
}

}  // namespace wl
