#include "app/views/flight_view.h"

#include <QPainter>

#include "app/kit/fit_text.h"
#include "app/views/bait_painter.h"
#include "core/base/units.h"

namespace wl {
namespace {

constexpr double kLong_px = 34;

// From starboard, its nose the way it is thrown, without what is too fine at that size.
Drawing thrownBait(const Design& design, const Derived& derived) {
    ViewFrame frame;
    frame.right = -Eigen::Vector3d::UnitX();
    Drawing bait = drawBait(design, derived, frame, DrawnFor::Picture);
    std::erase_if(bait, [](const Primitive& shape) {
        return shape.layer != DrawnLayer::Body && shape.layer != DrawnLayer::Lip &&
               shape.layer != DrawnLayer::Fittings;
    });
    return bait;
}

DrawnStyle thinStyle(MakeKind kind, const Inks& inks) {
    DrawnStyle style = windowStyle(kind, inks);
    style.pen = [wide = style.pen](Stroke stroke, double bar) {
        QPen pen = wide(stroke, bar);
        pen.setWidthF(std::min(0.8, pen.widthF()));
        return pen;
    };
    return style;
}

}  // namespace

FlightView::FlightView(Workbench& bench, QWidget* parent) : QWidget(parent), bench_(bench) {
    setObjectName(QStringLiteral("flightView"));
    setAccessibleName(tr("The cast from the side"));
    setMinimumSize(220, 120);
    connect(&bench_, &Workbench::benchChanged, this, qOverload<>(&FlightView::update));
}

void FlightView::show(const Derived& derived, const Cast& cast) {
    kind_ = derived.design->make.kind;
    length_mm_ = 1000.0 * derived.shape->sizes.length_m;
    bait_ = thrownBait(*derived.design, derived);
    if (cast_ && std::abs(cast_->middle.distance_m - cast.middle.distance_m) > 1e-9) {
        before_ = cast_;
    }
    cast_ = cast;
    update();
}

void FlightView::showNothing(const QString& why) {
    cast_.reset();
    before_.reset();
    why_ = why;
    update();
}

void FlightView::paintEvent(QPaintEvent*) {
    QPainter p(this);
    p.setRenderHint(QPainter::Antialiasing);
    const Inks& c = inks();
    p.fillRect(rect(), c.sheet);
    if (!cast_) {
        p.setPen(c.ink);
        drawFitted(p, QRectF(rect()).adjusted(8, 8, -8, -8), Qt::AlignCenter, why_,
                   {type(Type::Body), type(Type::Small)});
        return;
    }
    const Flight& flight = cast_->middle;
    double top = 0;
    for (const FlightPoint& q : flight.path) {
        top = std::max(top, q.height_m);
    }
    constexpr double kLeft = 24, kRight = 14, kTop = 22, kBottom = 34;
    const double farthest = std::max(cast_->high_m, before_ ? before_->distance_m : 0.0) * 1.02;
    const double s =
        std::min((width() - kLeft - kRight) / farthest, (height() - kTop - kBottom) / top);
    const double water = height() - kBottom;
    const auto at = [&](double range, double h) {
        return QPointF(kLeft + range * s, water - h * s);
    };
    p.fillRect(QRectF(0, water, width(), height() - water), c.waterFill);
    // The band of the distance, hatched in the water, its middle marked.
    const QRectF band(at(cast_->low_m, 0), QSizeF((cast_->high_m - cast_->low_m) * s, 7));
    p.setPen(QPen(c.ink, 1));
    p.setBrush(QBrush(c.ink, Qt::BDiagPattern));
    p.drawRect(band);
    const auto wayOf = [&](const Flight& f) {
        QPolygonF way;
        for (const FlightPoint& q : f.path) {
            way << at(q.range_m, std::max(0.0, q.height_m));
        }
        return way;
    };
    p.setBrush(Qt::NoBrush);
    if (before_) {
        p.setPen(QPen(c.quiet, 1, Qt::DashLine));
        p.drawPolyline(wayOf(before_->middle));
    }
    p.setPen(QPen(c.ink, 1.4));
    p.drawPolyline(wayOf(flight));
    p.setPen(QPen(c.water, 1.4));
    p.drawLine(QPointF(0, water), QPointF(width(), water));
    p.setPen(QPen(c.ink, 2.2));
    p.drawLine(at(0, flight.path.front().height_m), QPointF(4, water + 4));
    constexpr int kShown = 7;
    const DrawnStyle style = thinStyle(kind_, c);
    for (int i = 0; i < kShown; ++i) {
        const FlightPoint& q = flight.path[(flight.path.size() - 1) * size_t(i) / (kShown - 1)];
        const double scale = kLong_px / length_mm_;
        p.save();
        p.translate(at(q.range_m, std::max(0.0, q.height_m)));
        p.rotate(-q.pitch_rad / kDegree);
        paintDrawing(p, bait_, {0.5 * kLong_px, 0}, scale, style);
        p.restore();
    }
    p.setPen(c.quiet);
    p.setFont(type(Type::Small));
    p.drawText(QRectF(4, 2, width() - 8, 18), Qt::AlignRight | Qt::AlignVCenter,
               tr("way to scale, bait enlarged"));
    const bool metric = bench_.bench().isMetric();
    const double unit = metric ? 1.0 : kFoot;
    const int every = farthest / unit > 60 ? 20 : farthest / unit > 15 ? 5 : 1;
    for (int tick = every; tick * unit <= farthest; tick += every) {
        const double x = at(tick * unit, 0).x();
        p.drawLine(QPointF(x, water + 9), QPointF(x, water + 13));
        p.drawText(QRectF(x - 30, water + 14, 60, 16), Qt::AlignCenter,
                   QStringLiteral("%1 %2").arg(tick).arg(metric ? "m" : "ft"));
    }
}

}  // namespace wl

#include "moc_flight_view.cpp"
