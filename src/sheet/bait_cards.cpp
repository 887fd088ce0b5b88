#include "sheet/bait_cards.h"

#include <QBuffer>
#include <QPainter>
#include <QPdfWriter>

#include "files/whole_file.h"
#include "sheet/shipped_font.h"

namespace wl {

std::optional<Error> writeCards(const std::vector<QStringList>& cards, const QString& path) {
    constexpr int kAcross = 2, kDown = 4;
    constexpr double kEdge_mm = 10, kInside_mm = 4;
    constexpr double kHead_pt = 11, kText_pt = 8.5;
    QBuffer pdf;
    pdf.open(QIODevice::WriteOnly);
    {
        QPdfWriter writer(&pdf);
        writer.setResolution(600);
        writer.setPageLayout(QPageLayout(QPageSize(QPageSize::A4), QPageLayout::Portrait,
                                         QMarginsF(kEdge_mm, kEdge_mm, kEdge_mm, kEdge_mm),
                                         QPageLayout::Millimeter));
        QPainter p(&writer);
        const double mm = writer.logicalDpiX() / 25.4;
        const QRectF page(QPointF(),
                          writer.pageLayout().paintRect(QPageLayout::Millimeter).size() * mm);
        const QSizeF size(page.width() / kAcross, page.height() / kDown);
        for (size_t i = 0; i < cards.size(); ++i) {
            const int at = int(i % (kAcross * kDown));
            if (i > 0 && at == 0) {
                writer.newPage();
            }
            const QRectF box(QPointF((at % kAcross) * size.width(), (at / kAcross) * size.height()),
                             size);
            p.setPen(QPen(Qt::gray, 0.2 * mm, Qt::DashLine));
            p.drawRect(box);
            p.setPen(Qt::black);
            double y = box.top() + kInside_mm * mm;
            const double wide = box.width() - 2 * kInside_mm * mm;
            for (int line = 0; line < cards[i].size(); ++line) {
                QFont font(loadShippedFont());
                font.setPointSizeF(line == 0 ? kHead_pt : kText_pt);
                font.setBold(line == 0);
                p.setFont(font);
                const QFontMetricsF metrics(font, &writer);
                if (y + metrics.height() > box.bottom() - kInside_mm * mm) {
                    break;
                }
                p.drawText(QPointF(box.left() + kInside_mm * mm, y + metrics.ascent()),
                           metrics.elidedText(cards[i][line], Qt::ElideRight, wide));
                y += (line == 0 ? 1.4 : 1.2) * metrics.height();
            }
        }
    }
    return writeWholeFile(path.toStdU16String(),
                          {pdf.data().constData(), size_t(pdf.data().size())});
}

}  // namespace wl
