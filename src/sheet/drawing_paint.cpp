#include "sheet/drawing_paint.h"

#include <QPainterPath>

#include "sheet/sheet_paper.h"

namespace wl {
namespace {

class DrawingPainter {
  public:
    DrawingPainter(QPainter& painter, const Drawing& drawing, const QPointF& origin, double scale,
                   const DrawnStyle& style)
        : p_(painter), drawing_(drawing), origin_(origin), scale_(scale), style_(style) {}

    void paint() {
        for (const Primitive& shape : drawing_) {
            if (isOutline(shape)) {
                unite(body_, pathOf(shape));
            }
        }
        for (size_t i = 0; i < drawing_.size(); ++i) {
            const Primitive& shape = drawing_[i];
            clip(shape.insideBody);
            if (!isOutline(shape)) {
                one(shape);
                continue;
            }
            QPainterPath whole = pathOf(shape);
            while (i + 1 < drawing_.size() && isOutline(drawing_[i + 1])) {
                unite(whole, pathOf(drawing_[++i]));
            }
            use(shape);
            path(whole);
        }
        clip(false);
    }

  private:
    static bool isOutline(const Primitive& shape) {
        return shape.layer == DrawnLayer::Body && shape.shape == DrawnShape::Path;
    }

    QPointF at(const Eigen::Vector2d& mm) const {
        return origin_ + QPointF(mm.x() * scale_, -mm.y() * scale_);
    }

    QPainterPath pathOf(const Primitive& shape) const {
        QPolygonF points;
        for (const Eigen::Vector2d& q : shape.points_mm) {
            points << at(q);
        }
        QPainterPath path;
        path.setFillRule(Qt::WindingFill);  // the arms of a V lie over each other
        path.addPolygon(points);
        if (shape.closed) {
            path.closeSubpath();
        }
        return path;
    }

    // One outline is its own union: joining paths costs more than painting them.
    static void unite(QPainterPath& all, const QPainterPath& one) {
        all = all.isEmpty() ? one : all.united(one);
    }

    // Set once for all the shapes in a row that are inside the body.
    void clip(bool inside) {
        if (inside && !clipped_) {
            p_.save();
            p_.setClipPath(body_);
        } else if (!inside && clipped_) {
            p_.restore();
        }
        clipped_ = inside;
    }

    void use(const Primitive& shape) {
        p_.setPen(style_.pen(shape.stroke, shape.bar_mm * scale_));
        p_.setBrush(style_.brush(shape.fill));
    }

    void path(const QPainterPath& whole) {
        QPen pen = p_.pen();
        const bool plain = pen.style() == Qt::SolidLine && pen.color().alpha() == 255;
        constexpr double kThin = 1.0, kThick = 2.0;  // a bar's bends would look beaded
        if (!style_.armByArm || !plain || pen.widthF() <= kThin || pen.widthF() > kThick) {
            p_.drawPath(whole);
            return;
        }
        if (p_.brush() != Qt::NoBrush) {
            p_.setPen(Qt::NoPen);
            p_.drawPath(whole);
        }
        p_.setPen(pen);
        for (const QPolygonF& corners : whole.toSubpathPolygons()) {
            drawArms(p_, corners);
        }
    }

    void one(const Primitive& shape) {
        if (shape.points_mm.empty()) {
            return;
        }
        const QPointF place = at(shape.points_mm.front());
        const double radius = 0.5 * shape.diameter_mm * scale_, m = style_.mark;
        use(shape);
        switch (shape.shape) {
            case DrawnShape::Path:
                path(pathOf(shape));
                break;
            case DrawnShape::Disc:
                p_.drawEllipse(place, radius, radius);
                break;
            case DrawnShape::TieMark:
                p_.drawEllipse(place, m, m);
                break;
            case DrawnShape::PinMark:
                p_.setBrush(style_.brush(Fill::Hollow));
                p_.drawEllipse(place, std::max(0.8 * m, radius), std::max(0.8 * m, radius));
                break;
            case DrawnShape::CrossMark:
                p_.drawLine(place - QPointF(1.5 * m, 0), place + QPointF(1.5 * m, 0));
                p_.drawLine(place - QPointF(0, 1.5 * m), place + QPointF(0, 1.5 * m));
                break;
            case DrawnShape::BendMark:
                p_.drawLine(place - QPointF(0, 1.25 * m), place + QPointF(0, 1.25 * m));
                style_.words(p_, place + QPointF(1.9 * m, -2.8 * m),
                             QString::fromStdString(shape.words));
                break;
            case DrawnShape::Words:
                style_.words(p_, place, QString::fromStdString(shape.words));
                break;
            case DrawnShape::Facet:
                facet(shape);
                break;
        }
    }

    // Edges of facets that touch would show through softened ones.
    void facet(const Primitive& shape) {
        if (!style_.facet || shape.points_mm.size() != 3) {
            return;
        }
        const QColor colour = style_.facet(shape.fill, shape.light);
        const std::array<QPointF, 3> corners{at(shape.points_mm[0]), at(shape.points_mm[1]),
                                             at(shape.points_mm[2])};
        p_.setRenderHint(QPainter::Antialiasing, false);
        p_.setPen(QPen(colour, 0.6));
        p_.setBrush(colour);
        p_.drawPolygon(corners.data(), 3);
        p_.setRenderHint(QPainter::Antialiasing);
    }

    QPainter& p_;
    const Drawing& drawing_;
    const QPointF origin_;
    const double scale_;
    const DrawnStyle& style_;
    QPainterPath body_;
    bool clipped_ = false;
};

QPen benchPen(Stroke stroke) {
    switch (stroke) {
        case Stroke::None:
            return Qt::NoPen;
        case Stroke::Outline:
            return SheetPaper::line(0.4);
        case Stroke::Saw:
            return SheetPaper::line(0.3);
        case Stroke::Fine:
            return SheetPaper::line(0.12);
        case Stroke::Hidden:
            return SheetPaper::line(0.25, Qt::DashLine);
        case Stroke::Centre:
            return SheetPaper::centreLine();
        default:
            return SheetPaper::line(0.25);
    }
}

}  // namespace

void drawArms(QPainter& painter, const QPolygonF& corners) {
    QPen pen = painter.pen();
    pen.setCapStyle(Qt::SquareCap);  // fills the corners
    painter.setPen(pen);
    QList<QLineF> arms;
    for (qsizetype i = 1; i < corners.size(); ++i) {
        arms << QLineF(corners[i - 1], corners[i]);
    }
    painter.drawLines(arms);
}

void paintDrawing(QPainter& painter, const Drawing& drawing, const QPointF& origin,
                  double unitsPerMm, const DrawnStyle& style) {
    painter.save();
    painter.setRenderHint(QPainter::Antialiasing);
    DrawingPainter(painter, drawing, origin, unitsPerMm, style).paint();
    painter.restore();
}

DrawnStyle benchStyle() {
    DrawnStyle style;
    style.pen = [](Stroke stroke, double) { return benchPen(stroke); };
    style.brush = [](Fill) { return QBrush(Qt::NoBrush); };
    style.words = [](QPainter& painter, const QPointF& at, const QString& words) {
        SheetPaper::drawText(painter, {at.x() - 5, at.y() - 2, 10, 4}, words, 2.6, true,
                             Qt::AlignCenter, SheetPaper::kInk);
    };
    return style;
}

}  // namespace wl
