// What every page of the bench sheet is drawn with: millimetres, text, tables, check bars.
#pragma once

#include <QCoreApplication>
#include <QImage>
#include <QPainter>
#include <QString>
#include <vector>

#include "session/sentence_text.h"
#include "session/words.h"
#include "sheet/sheet_bench.h"

namespace wl {

/// Printable pages, one unit = one millimetre from the corner. The whole content is walked through
/// for every page: what does not fit goes on to the next one, and only the page asked for is drawn.
class SheetPaper {
    Q_DECLARE_TR_FUNCTIONS(wl::SheetPaper)
  public:
    /// `shown`: the page to draw, counted from 0; -1: none, to count them.
    SheetPaper(QPainter& painter, const QSizeF& size_mm, QString name, const SheetBench& bench,
               int shown)
        : real_(painter),
          size_(size_mm),
          name_(std::move(name)),
          mark_(bench.mark),
          bench_(bench.bench),
          drills_(bench.drills),
          shown_(shown),
          unseen_(&nowhere_) {}

    /// Of the page the walk is at: ask again after a page was turned.
    QPainter& painter() { return page_ == shown_ ? real_ : unseen_; }
    const QSizeF& size() const { return size_; }
    int page() const { return page_; }
    int pages() const { return int(titles_.size()); }
    /// Begins a page after all others, with its header and the bars to measure.
    void beginPage(const QString& title);
    /// To the next page, begun as the continuation of this one if there is none.
    void turnPage();
    /// Back to a page already begun, for the next column.
    void goToPage(int page) { page_ = page; }
    static constexpr double kTop_mm = 11;
    double bottom() const { return size_.height() - 13; }
    /// `y` where so much still fits below it, else the top of the next page.
    double room(double y, double height);
    Bench bench() const { return bench_; }
    QString q(Quantity quantity, double si, bool unit = true) const {
        return shown(quantity, bench_, si, unit);
    }
    QString length(double m, bool unit = true) const { return q(Quantity::Length, m, unit); }
    /// The bit for a hole, and by how much it is wider or narrower where that can be measured; a
    /// dash where the set has none.
    QString bit(double diameter_m) const;

    static constexpr QColor kInk{20, 20, 20};
    static constexpr QColor kQuiet{90, 90, 90};
    static double mm(double metres);
    static QPen line(double width_mm, Qt::PenStyle style = Qt::SolidLine);
    static QPen centreLine();

    void text(const QRectF& box_mm, const QString& words, double height_mm, bool strong = false,
              int flags = Qt::AlignLeft | Qt::AlignVCenter, const QColor& ink = kInk);
    /// The same with any painter whose unit is the millimetre.
    static void drawText(QPainter& painter, const QRectF& box_mm, const QString& words,
                         double height_mm, bool strong, int flags, const QColor& ink);
    /// Titled table; a row of one cell is a line of words; the first column reads left, the others
    /// right. Rows that do not fit go on to the next page under the same head; columns that do not
    /// are all made narrower alike. Gives the height below it.
    double table(const QPointF& at, const QString& title, const QStringList& head,
                 const std::vector<QStringList>& rows, std::vector<double> widths);
    /// Titled list, each entry broken into lines of that width and kept whole on a page. Gives the
    /// height below it.
    double list(const QPointF& at, double width, const QString& title, const QStringList& entries);

  private:
    /// Name of the design left, of the page right, ruled off.
    void header(const QString& title);
    /// 100 mm and 4 in to lay a rule against.
    void checkBars(const QPointF& at);
    static QFont font(double height_mm, bool strong);

    QPainter& real_;

  protected:
    QSizeF size_;
    QString name_;
    QString mark_;
    Bench bench_;

  private:
    std::vector<DrillBit> drills_;
    int shown_ = 0;
    int page_ = -1;
    std::vector<QString> titles_;
    QImage nowhere_{1, 1, QImage::Format_RGB32};
    QPainter unseen_;
};

}  // namespace wl
