#include "app/views/bait_painter.h"

#include <QPainterPath>

namespace wl {
namespace {

constexpr double kOutline = 1.6, kInner = 1.0;
constexpr double kLeastBar = 1.2;
constexpr double kGrain = 0.9;  // under a pixel a stroke takes half the time of one over it

QPen windowPen(Stroke stroke, double barWidth, const Inks& c) {
    switch (stroke) {
        case Stroke::None:
            return Qt::NoPen;
        case Stroke::Outline:
            return inkPen(c.ink, kOutline);
        case Stroke::Hidden:
            return inkPen(c.ink, kInner, Qt::DashLine);
        case Stroke::Fine:
            return inkPen(c.quiet, 0.8);
        case Stroke::Fibre: {
            QColor fibre = c.quiet;
            fibre.setAlpha(38);
            return inkPen(fibre, kGrain);
        }
        case Stroke::Centre: {
            QPen centre(c.quiet, 0.8);
            centre.setDashPattern({12, 4, 3, 4});
            return centre;
        }
        case Stroke::Metal:
            return inkPen(c.steel, std::max(kLeastBar, barWidth));
        case Stroke::Twist:
            return inkPen(c.sheet, kInner, Qt::DotLine);
        case Stroke::Saw:
        case Stroke::Inner:
            break;
    }
    return inkPen(c.ink, kInner);
}

QBrush windowBrush(Fill fill, MakeKind kind, const Inks& c) {
    QColor grain = c.quiet, clear = c.lip;
    grain.setAlpha(38);
    clear.setAlpha(170);
    switch (fill) {
        case Fill::None:
            return Qt::NoBrush;
        case Fill::Stock:
            return stockColour(kind, c);
        case Fill::Hollow:
            return c.sheet;
        case Fill::Lead:
            return c.lead;
        case Fill::Steel:
            return c.steel;
        case Fill::Filler:
            return c.filler;
        case Fill::Sheet:
            return c.lip;
        case Fill::Clear:
            return clear;
        case Fill::Dark:
            return c.ink;
        case Fill::Dots:
            return QBrush(c.quiet, Qt::Dense6Pattern);
        case Fill::Print:
            return QBrush(grain, Qt::BDiagPattern);
        case Fill::EndGrain:
            return QBrush(grain, Qt::Dense6Pattern);
        case Fill::CrossGrain:
            return QBrush(grain, Qt::VerPattern);
    }
    return Qt::NoBrush;
}

}  // namespace

DrawnView drawnView(TankView view) {
    return view == TankView::Top     ? DrawnView::Top
           : view == TankView::Front ? DrawnView::Front
                                     : DrawnView::Side;
}

DrawnStyle windowStyle(MakeKind kind, const Inks& inks) {
    DrawnStyle style;
    style.pen = [&inks](Stroke stroke, double bar) { return windowPen(stroke, bar, inks); };
    style.brush = [&inks, kind](Fill fill) { return windowBrush(fill, kind, inks); };
    style.facet = [&inks, kind](Fill fill, double light) {
        constexpr double kBright = 0.85;
        const QColor base = windowBrush(fill, kind, inks).color();
        return light > kBright ? mixed(base, Qt::white, 1.2 * (light - kBright))
                               : mixed(base, inks.dark ? QColor(Qt::black) : inks.ink,
                                       0.75 * (kBright - light));
    };
    style.words = [&inks](QPainter& painter, const QPointF& at, const QString& words) {
        painter.setFont(type(Type::Small));
        painter.setPen(inks.ink);
        painter.drawText(QRectF(at.x() - 20, at.y() - 8, 40, 16), Qt::AlignCenter, words);
    };
    style.mark = 3.2;
    style.armByArm = true;
    return style;
}

QColor stockColour(MakeKind kind, const Inks& c) {
    switch (kind) {
        case MakeKind::Cast:
            return c.resin;
        case MakeKind::Layered:
            return c.clear;
        case MakeKind::Printed:
            return c.plastic;
        default:
            return c.wood;
    }
}

void paintCentreOfGravity(QPainter& p, const QPointF& at, double r, const QColor& ink) {
    p.setPen(inkPen(ink, 1.2));
    p.setBrush(Qt::white);
    p.drawEllipse(at, r, r);
    p.setBrush(ink);
    const QRectF box(at.x() - r, at.y() - r, 2 * r, 2 * r);
    p.drawPie(box, 0, 90 * 16);
    p.drawPie(box, 180 * 16, 90 * 16);
}

void paintCentreOfBuoyancy(QPainter& p, const QPointF& at, double r, const QColor& ink) {
    p.setPen(inkPen(ink, 1.6));
    p.setBrush(Qt::NoBrush);
    p.drawEllipse(at, r, r);
    QPainterPath wave(at + QPointF(-0.65 * r, 0));
    wave.cubicTo(at + QPointF(-0.3 * r, -0.7 * r), at + QPointF(0.3 * r, 0.7 * r),
                 at + QPointF(0.65 * r, 0));
    p.drawPath(wave);
}

QColor mixed(const QColor& a, const QColor& b, double share) {
    return QColor::fromRgbF(float(a.redF() * (1 - share) + b.redF() * share),
                            float(a.greenF() * (1 - share) + b.greenF() * share),
                            float(a.blueF() * (1 - share) + b.blueF() * share));
}

}  // namespace wl
