// What every page of the bench sheet is drawn with: millimetres, text, tables, check bars.
#pragma once

#include <QPainter>
#include <QString>
#include <vector>

#include "session/sentence_text.h"

namespace wl {

/// One printable page, one unit = one millimetre from its corner.
class SheetPaper {
  public:
    SheetPaper(QPainter& painter, const QSizeF& size_mm, QString name, Bench bench)
        : p_(painter), size_(size_mm), name_(std::move(name)), bench_(bench) {}

    QPainter& painter() { return p_; }
    const QSizeF& size() const { return size_; }
    Bench bench() const { return bench_; }
    QString q(Quantity quantity, double si, bool unit = true) const {
        return shown(quantity, bench_, si, unit);
    }
    QString length(double m, bool unit = true) const { return q(Quantity::Length, m, unit); }

    static constexpr QColor kInk{20, 20, 20};
    static constexpr QColor kQuiet{90, 90, 90};
    static double mm(double metres);
    static QPen line(double width_mm, Qt::PenStyle style = Qt::SolidLine);
    static QPen centreLine();

    void text(const QRectF& box_mm, const QString& words, double height_mm, bool strong = false,
              int flags = Qt::AlignLeft | Qt::AlignVCenter, const QColor& ink = kInk);
    /// Name of the design left, of the page right, ruled off.
    void header(const QString& title);
    /// 100 mm and 4 in to lay a rule against.
    void checkBars(const QPointF& at);
    /// Titled table; the first column reads left, the others right. Gives the height below it.
    double table(const QPointF& at, const QString& title, const QStringList& head,
                 const std::vector<QStringList>& rows, const std::vector<double>& widths);

  protected:
    QPainter& p_;
    QSizeF size_;
    QString name_;
    Bench bench_;
};

}  // namespace wl
