#include "sheet/sheet_paper.h"

#include <QFontMetricsF>
#include <algorithm>
#include <cmath>

#include "core/base/units.h"
#include "session/words.h"
#include "sheet/shipped_font.h"

namespace wl {

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

QFont SheetPaper::font(double height_mm, bool strong) {
    QFont font(loadShippedFont());
    font.setPixelSize(int(height_mm * 50));
    font.setWeight(strong ? QFont::DemiBold : QFont::Normal);
    return font;
}

void SheetPaper::beginPage(const QString& title) {
    page_ = int(titles_.size());
    titles_.push_back(title);
    header(title);
    checkBars({2, size_.height() - 7});
    text({size_.width() - 62, size_.height() - 6.5, 62, 4}, mark_, 2.6, false,
         Qt::AlignRight | Qt::AlignVCenter, kQuiet);
}

void SheetPaper::turnPage() {
    if (page_ + 1 < int(titles_.size())) {
        ++page_;
        return;
    }
    const QString before = titles_[size_t(page_)];
    const QString more = tr("(continued)");
    beginPage(before.endsWith(more) ? before : before + QLatin1Char(' ') + more);
}

double SheetPaper::room(double y, double height) {
    if (y + height <= bottom() || y <= kTop_mm) {
        return y;
    }
    turnPage();
    return kTop_mm;
}

// Text is laid out in a space of tenths of a millimetre, where font hinting does no harm.
QString SheetPaper::bit(double diameter_m) const {
    return bitWords(drills_, diameter_m, bench_);
}

void SheetPaper::text(const QRectF& box_mm, const QString& words, double height_mm, bool strong,
                      int flags, const QColor& ink) {
    drawText(painter(), box_mm, words, height_mm, strong, flags, ink);
}

void SheetPaper::drawText(QPainter& p, const QRectF& box_mm, const QString& words, double height_mm,
                          bool strong, int flags, const QColor& ink) {
    p.save();
    p.scale(0.02, 0.02);
    p.setFont(font(height_mm, strong));
    p.setPen(ink);
    p.drawText(QRectF(box_mm.topLeft() * 50, box_mm.size() * 50), flags, words);
    p.restore();
}

// Words go on in further lines between words, one that is longer than a line within itself. Units
// of the type's drawing: a fiftieth of a millimetre.
static int breaking(const QString& words, double width, const QFontMetricsF& metrics) {
    const QStringList parts = words.split(QLatin1Char(' '));
    return std::any_of(parts.begin(), parts.end(),
                       [&](const QString& part) { return metrics.horizontalAdvance(part) > width; })
               ? Qt::TextWrapAnywhere
               : Qt::TextWordWrap;
}

void SheetPaper::header(const QString& title) {
    constexpr double kTitle = 3.6, kHigh = 7.2, kApart = 4;
    const double titled = QFontMetricsF(font(kTitle, false)).horizontalAdvance(title) / 50;
    const double room = size_.width() - titled - kApart;
    // A long name is set in smaller type, in as many lines as that has room for.
    double type = 5;
    int breaks = 0;
    for (; type > 1; type *= 0.9) {
        const QFontMetricsF metrics(font(type, true));
        breaks = breaking(name_, 50 * room, metrics);
        if (metrics.boundingRect(QRectF(0, 0, 50 * room, 1e6), breaks, name_).height() <=
            50 * kHigh) {
            break;
        }
    }
    text({0, 0, room, kHigh}, name_, type, true, int(Qt::AlignLeft | Qt::AlignVCenter) | breaks);
    text({0, 0, size_.width(), 7}, title, kTitle, false, Qt::AlignRight | Qt::AlignVCenter);
    painter().setPen(line(0.3));
    painter().drawLine(QPointF(0, 8), QPointF(size_.width(), 8));
}

void SheetPaper::checkBars(const QPointF& at) {
    painter().setPen(line(0.35));
    for (int i = 0; i <= 10; ++i) {
        const double h = i % 5 == 0 ? 3.0 : 1.8;
        painter().drawLine(at + QPointF(10 * i, 0), at + QPointF(10 * i, -h));
    }
    painter().drawLine(at, at + QPointF(100, 0));
    const QPointF inch = at + QPointF(112, 0);
    for (int i = 0; i <= 4; ++i) {
        painter().drawLine(inch + QPointF(25.4 * i, 0), inch + QPointF(25.4 * i, -3));
    }
    painter().drawLine(inch, inch + QPointF(101.6, 0));
    text({at.x(), at.y() + 0.5, 110, 4},
         tr("100 mm: measure this bar first; if it is off, print again at 100 %"), 2.6);
    text({inch.x(), inch.y() + 0.5, 100, 4}, tr("4 in"), 2.6);
}

double SheetPaper::table(const QPointF& at, const QString& title, const QStringList& head,
                         const std::vector<QStringList>& rows, std::vector<double> widths) {
    constexpr double kRow = 4.6, kTitle = 5.6, kType = 2.7, kMoreLine = 3.7;
    double total = 0;
    for (double w : widths) {
        total += w;
    }
    if (const double room = size_.width() - at.x(); total > room) {
        for (double& w : widths) {
            w *= room / total;
        }
        total = room;
    }
    double y = room(at.y(), kTitle + (head.isEmpty() ? 1 : 2) * kRow);
    // A name too long for its column goes on in further lines.
    const auto nameBreaks = [&](const QString& name, bool strong) {
        return breaking(name, 50 * (widths[0] - 1.2), QFontMetricsF(font(kType, strong)));
    };
    const auto heightOf = [&](const QStringList& cells, bool strong) {
        if (cells.size() < 2) {
            return kRow;
        }
        const QFontMetricsF metrics(font(kType, strong));
        const QRectF column(0, 0, 50 * (widths[0] - 1.2), 1e6);
        const int breaks = nameBreaks(cells[0], strong);
        const double lines =
            metrics.boundingRect(column, breaks, cells[0]).height() / metrics.lineSpacing();
        return kRow + kMoreLine * std::max(0.0, std::round(lines) - 1);
    };
    auto put = [&](const QStringList& cells, bool strong) {
        double x = at.x();
        const double high = heightOf(cells, strong);
        if (cells.size() == 1 && widths.size() > 1) {  // a line of words between rows
            text({x + 0.8, y, total - 1.2, kRow}, cells[0], kType, true);
        }
        for (int i = 0; cells.size() > 1 && i < cells.size() && i < int(widths.size()); ++i) {
            text(
                {x + 0.8, y, widths[size_t(i)] - 1.2, high}, cells[i], kType, strong,
                (i == 0 ? int(Qt::AlignLeft) | nameBreaks(cells[i], strong) : int(Qt::AlignRight)) |
                    int(Qt::AlignVCenter));
            x += widths[size_t(i)];
        }
        y += high;
    };
    auto begin = [&](const QString& words) {
        text({at.x(), y, size_.width() - at.x(), 5}, words, 3.4, true);
        y += kTitle;
        if (!head.isEmpty()) {
            put(head, true);
        }
        painter().setPen(line(0.25));
        painter().drawLine(QPointF(at.x(), y), QPointF(at.x() + total, y));
    };
    begin(title);
    for (const QStringList& row : rows) {
        if (y + heightOf(row, false) > bottom()) {
            turnPage();
            y = kTop_mm;
            begin(tr("%1 (continued)").arg(title));
        }
        put(row, false);
        painter().setPen(QPen(QColor(190, 190, 190), 0.12));
        painter().drawLine(QPointF(at.x(), y), QPointF(at.x() + total, y));
    }
    return y + 3;
}

double SheetPaper::list(const QPointF& at, double width, const QString& title,
                        const QStringList& entries) {
    constexpr double kText = 2.6, kTitle = 6;
    const QFontMetricsF metrics(font(kText, false));
    const auto heightOf = [&](const QString& words) {
        return metrics.boundingRect(QRectF(0, 0, width * 50, 1e6),
                                    breaking(words, width * 50, metrics), words)
                       .height() /
                   50 +
               0.6;
    };
    double y = room(at.y(), kTitle + (entries.isEmpty() ? 0 : heightOf(entries.front())));
    text({at.x(), y, width, 5}, title, 3.4, true);
    y += kTitle;
    for (const QString& entry : entries) {
        const double height = heightOf(entry);
        y = room(y, height);
        text({at.x(), y, width, height}, entry, kText, false,
             int(Qt::AlignLeft | Qt::AlignTop) | breaking(entry, width * 50, metrics));
        y += height;
    }
    return y;
}

}  // namespace wl
