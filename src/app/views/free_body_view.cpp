#include "app/views/free_body_view.h"

#include <QPainter>
#include <cmath>

#include "app/kit/fit_text.h"
#include "app/views/bait_painter.h"
#include "core/base/units.h"

namespace wl {
namespace {

constexpr double kLongest_px = 78;
constexpr double kMargin = 44;

QColor colourOf(BodyForce::On on, const Inks& c) {
    switch (on) {
        case BodyForce::On::Line:
            return c.signal;
        case BodyForce::On::Weight:
        case BodyForce::On::Lift:
            return c.water;
        default:
            return c.ink;
    }
}

void drawArrow(QPainter& p, const QPointF& from, const QPointF& to, const QColor& ink) {
    p.setPen(inkPen(ink, 2));
    p.setBrush(ink);
    p.drawLine(from, to);
    const QPointF way = to - from;
    const double length = std::hypot(way.x(), way.y());
    if (length < 1) {
        return;
    }
    const QPointF along = way / length, across(-along.y(), along.x());
    const double head = std::min(9.0, length);
    p.setPen(Qt::NoPen);
    p.drawPolygon(QPolygonF{to, to - head * along + 0.45 * head * across,
                            to - head * along - 0.45 * head * across});
    p.drawEllipse(from, 2.5, 2.5);
}

// Labels go where none stands yet: pushed down a line at a time.
QRectF freePlace(QRectF wanted, const QList<QRectF>& taken, const QRectF& room) {
    const double line = wanted.height();
    for (int i = 0; i < 12; ++i) {
        const double shift = (i % 2 == 0 ? 1 : -1) * ((i + 1) / 2) * line;
        const QRectF there = wanted.translated(0, shift);
        if (room.contains(there) && std::none_of(taken.begin(), taken.end(), [&](const QRectF& t) {
                return t.intersects(there);
            })) {
            return there;
        }
    }
    return wanted;
}

}  // namespace

FreeBodyView::FreeBodyView(Workbench& bench, QWidget* parent) : QWidget(parent), bench_(bench) {
    setObjectName(QStringLiteral("freeBodyView"));
    setAccessibleName(tr("Forces on the bait under way"));
    setMinimumSize(240, 320);
    connect(&bench_, &Workbench::benchChanged, this, qOverload<>(&FreeBodyView::update));
}

QString FreeBodyView::nameOf(BodyForce::On on) {
    using On = BodyForce::On;
    switch (on) {
        case On::Body:
            return tr("body");
        case On::Lip:
            return tr("lip");
        case On::Fins:
            return tr("fins");
        case On::Hooks:
            return tr("hooks");
        case On::Weight:
            return tr("weight");
        case On::Lift:
            return tr("lift of the water");
        case On::Line:
            return tr("line");
    }
    return {};
}

void FreeBodyView::show(const ResultsPtr& results, const Trim& trim,
                        std::vector<BodyForce> forces) {
    shown_ = results;
    trim_ = trim;
    forces_ = std::move(forces);
    QStringList said;
    for (const BodyForce& f : forces_) {
        said << tr("%1 %2").arg(nameOf(f.on), bench_.text(Quantity::Force, f.force_N.norm()));
    }
    setAccessibleDescription(said.join(QStringLiteral(", ")));
    update();
}

void FreeBodyView::showNothing(const QString& why) {
    shown_.reset();
    why_ = why;
    update();
}

void FreeBodyView::paintEvent(QPaintEvent*) {
    QPainter p(this);
    p.setRenderHint(QPainter::Antialiasing);
    const Inks& c = inks();
    p.fillRect(rect(), c.sheet);
    if (!shown_) {
        p.setPen(c.ink);
        drawFitted(p, QRectF(rect()).adjusted(8, 8, -8, -8), Qt::AlignCenter, why_,
                   {type(Type::Body), type(Type::Small)});
        return;
    }
    const double cosine = std::cos(trim_.pitch_rad), sine = std::sin(trim_.pitch_rad);
    ViewFrame frame;
    frame.right = {cosine, 0, sine};
    frame.up = {-sine, 0, cosine};
    const Eigen::Vector2d trail = hooksTrail(*shown_->derived);
    frame.down = trail.x() * frame.right - trail.y() * frame.up;
    const Drawing drawing = drawBait(*shown_->design, *shown_->derived, frame, DrawnFor::Picture);
    const std::array<double, 4> box = extent_mm(drawing);
    const double wide = std::max(1.0, box[2] - box[0]), high = std::max(1.0, box[3] - box[1]);
    const double scale = std::min((width() - 2 * kMargin) / wide, (height() - 2 * kMargin) / high);
    const QPointF origin(width() / 2.0 - scale * 0.5 * (box[0] + box[2]),
                         height() / 2.0 + scale * 0.5 * (box[1] + box[3]));
    p.setOpacity(0.55);
    paintDrawing(p, drawing, origin, scale, windowStyle(shown_->design->make.kind, c));
    p.setOpacity(1);
    double most = 0;
    for (const BodyForce& f : forces_) {
        most = std::max(most, f.force_N.norm());
    }
    const double perNewton = kLongest_px / std::max(most, 1e-9);
    const auto onPaper = [&](const Eigen::Vector2d& place) {
        const Eigen::Vector2d mm = frame.onPaper_mm({place.x(), 0, place.y()});
        return origin + QPointF(scale * mm.x(), -scale * mm.y());
    };
    const auto turned = [&](const Eigen::Vector2d& force) {
        return QPointF(force.x() * cosine + force.y() * sine,
                       force.x() * sine - force.y() * cosine);
    };
    QList<QRectF> taken;
    p.setFont(type(Type::Small));
    const QFontMetricsF metrics(p.font());
    const auto said = [this](const BodyForce& f) {
        return tr("%1 %2").arg(nameOf(f.on), bench_.text(Quantity::Force, f.force_N.norm()));
    };
    const auto tipOf = [&](const BodyForce& f) {
        return onPaper(f.place_m) + perNewton * turned(f.force_N);
    };
    for (const BodyForce& f : forces_) {
        const QPointF from = onPaper(f.place_m), to = tipOf(f);
        const double textWide = metrics.horizontalAdvance(said(f)) + 4, line = metrics.height();
        const bool left = to.x() < from.x();
        QRectF label(left ? to.x() - textWide - 4 : to.x() + 4, to.y() - line / 2, textWide, line);
        if (label.left() < 2 || label.right() > width() - 2) {  // no room beside its tip: over it
            label.moveTop(to.y() - line - 3);
        }
        label.moveLeft(std::clamp(label.left(), 2.0, std::max(2.0, width() - textWide - 2)));
        label = freePlace(label, taken, QRectF(rect()));
        taken << label;
        QColor ground = c.sheet;
        ground.setAlpha(210);
        p.fillRect(label, ground);
    }
    for (qsizetype i = 0; i < taken.size(); ++i) {
        const BodyForce& f = forces_[size_t(i)];
        const QColor ink = colourOf(f.on, c);
        drawArrow(p, onPaper(f.place_m), tipOf(f), ink);
        p.setPen(ink);
        p.drawText(taken[i], Qt::AlignLeft | Qt::AlignVCenter, said(f));
    }
    p.setPen(c.quiet);
    p.drawText(QRectF(6, 2, width() - 12, 18), Qt::AlignLeft | Qt::AlignVCenter,
               tr("under way, to the left; arrows to scale"));
}

}  // namespace wl

#include "moc_free_body_view.cpp"
