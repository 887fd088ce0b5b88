// The water of the picture, and what is said over it.
#include <cmath>

#include "app/kit/fit_text.h"
#include "app/kit/learner.h"
#include "app/views/tank.h"
#include "core/geometry/section.h"

namespace wl {
namespace {

// Beyond these a bait no longer swims the way it is drawn: that is said before all else.
constexpr double kOnItsSide = 60 * kDegree, kOnItsBack = 120 * kDegree, kOnEnd = 60 * kDegree;
constexpr double kSmallFront = 22;  // radius of the small front view, px

}  // namespace

void Tank::paintWater(QPainter& p) const {
    if (isStill()) {
        paintTiltedWater(p);
        return;
    }
    const Inks& c = inks();
    if (isUnderWay()) {
        p.fillRect(rect(), c.waterFill);
        return;
    }
    p.fillRect(QRectF(0, waterlineY_, width(), height() - waterlineY_), c.waterFill);
    p.setPen(QPen(c.water, 1.6));
    p.drawLine(QPointF(0, waterlineY_), QPointF(width(), waterlineY_));
}

// The water as it would stand on the bait held upright: every place of the paper on the wet side
// of the plane it floats at.
void Tank::paintTiltedWater(QPainter& p) const {
    const Inks& c = inks();
    const Derived& d = *shown_->derived;
    const bool afloat = d.rest->state != RestState::Sinks && !d.rest->attitudes.empty();
    const Eigen::Vector3d middle = d.shape->solid.centroid_m;
    if (view_ == TankView::Top || !afloat) {
        p.fillRect(rect(), c.waterFill);
        if (view_ != TankView::Top) {  // level through its weight, for one sees no waterline
            const ViewFrame frame = viewFrame();
            const QPointF along(-pose_.up.dot(frame.up), -pose_.up.dot(frame.right));
            const double size = std::hypot(along.x(), along.y());
            if (size > 0.1) {
                const QPointF at = toPaper(d.mass->centreOfGravity_m);
                p.setPen(QPen(c.water, 1, Qt::DashLine));
                p.drawLine(at - 2.0 * width() / size * along, at + 2.0 * width() / size * along);
            }
        }
        return;
    }
    const auto over = [&](const QPointF& at) {
        return pose_.up.dot(fromPaper(at, middle)) - pose_.offset_m;
    };
    const QPointF corners[] = {rect().topLeft(), rect().topRight() + QPoint(1, 0),
                               rect().bottomRight() + QPoint(1, 1),
                               rect().bottomLeft() + QPoint(0, 1)};
    QPolygonF wet, line;
    for (int i = 0; i < 4; ++i) {
        const QPointF a = corners[i], b = corners[(i + 1) % 4];
        const double ha = over(a), hb = over(b);
        if (ha <= 0) {
            wet << a;
        }
        if ((ha <= 0) != (hb <= 0)) {
            const QPointF cross = a + ha / (ha - hb) * (b - a);
            wet << cross;
            line << cross;
        }
    }
    p.setPen(Qt::NoPen);
    p.setBrush(c.waterFill);
    p.setRenderHint(QPainter::Antialiasing, false);  // the waterline lies over its edge
    p.drawPolygon(wet);
    p.setRenderHint(QPainter::Antialiasing);
    if (line.size() == 2) {
        p.setPen(QPen(c.water, 1.6));
        p.drawLine(line[0], line[1]);
    }
}

// The line as it leaves the tie of a bait reeled in level.
void Tank::paintLine(QPainter& p) const {
    if (!isUnderWay()) {
        return;
    }
    const QPointF tie = toPaper(tiePoint(*shown_->design));
    const QPointF ahead(-std::cos(towed_->lineAngle_rad), -std::sin(towed_->lineAngle_rad));
    p.setPen(QPen(inks().ink, 1));
    p.drawLine(tie, tie + (width() + height()) * ahead);
}

// How it stands seen from ahead: the fullest section in the water, and a word for it.
void Tank::paintSmallFront(QPainter& p) const {
    constexpr double kRadius = kSmallFront;
    const Derived& d = *shown_->derived;
    if (view_ != TankView::Side || !d.rest->attitudeDecided || width() < 420 || isUnderWay()) {
        return;
    }
    const Inks& c = inks();
    const QPointF centre(width() - kRadius - 10, 4 + kRadius);
    const Section s = d.shape->curves.atX(d.shape->sizes.widestAt_m);
    const double scale =
        0.86 * kRadius / std::max({s.back_m - s.belly_m, 2 * s.halfWidth_m, 1e-4}) * 2 / 1.2;
    // Up in the plane of the section; where it stands on end, as it is held.
    const double flat = std::hypot(pose_.up.y(), pose_.up.z());
    const double uy = flat > 0.2 ? pose_.up.y() / flat : 0.0;
    const double uz = flat > 0.2 ? pose_.up.z() / flat : 1.0;
    const double middle = 0.5 * (s.back_m + s.belly_m);
    const auto place = [&](double y, double z) {
        const double up = y * uy + (z - middle) * uz, across = y * uz - (z - middle) * uy;
        return centre + scale * QPointF(across, -up);
    };
    QPolygonF outline;
    for (int side : {1, -1}) {
        for (int i = 0; i <= 40; ++i) {
            const double t = std::cos(kPi * (side > 0 ? i : 40 - i) / 40);
            const double y = side * s.halfWidth_m * std::sqrt(std::max(0.0, 1 - t * t));
            outline << place(y, skinHeight(s, std::min(std::abs(y), 0.999 * s.halfWidth_m), t > 0));
        }
    }
    p.setPen(QPen(c.rule, 1));
    p.setBrush(c.sheet);
    p.drawEllipse(centre, kRadius, kRadius);
    const bool afloat = d.rest->state != RestState::Sinks && !d.rest->attitudes.empty();
    const double height =
        flat > 0.2 ? (pose_.offset_m - pose_.up.x() * s.x_m) / flat - middle * uz : 0.0;
    const double y =
        afloat ? std::clamp(centre.y() - scale * height, centre.y() - kRadius, centre.y() + kRadius)
               : centre.y() - kRadius;
    p.save();
    p.setClipRect(QRectF(centre.x() - kRadius, y, 2 * kRadius, centre.y() + kRadius - y));
    p.setPen(Qt::NoPen);
    p.setBrush(c.waterFill);
    p.drawEllipse(centre, kRadius, kRadius);
    p.restore();
    p.setPen(QPen(c.ink, 1.3));
    p.setBrush(stockColour(shown_->design->make.kind, c));
    p.drawPolygon(outline);
    if (afloat) {
        p.setPen(QPen(c.water, 1.4));
        p.drawLine(QPointF(centre.x() - kRadius, y), QPointF(centre.x() + kRadius, y));
    }
    const QString lean = leanWords(d.rest->roll_rad, bench_.bench());
    p.setPen(c.quiet);
    p.setFont(type(Type::Small));
    p.drawText(QRectF(centre.x() - kRadius - 246, 29, 240, 18), Qt::AlignRight | Qt::AlignVCenter,
               lean.isEmpty() ? tr("upright") : lean);
}

QString Tank::summary(const Results& results) const {
    const Derived& d = *results.derived;
    // What is most wrong with how it lies comes first.
    const QString lean = leanWords(d.rest->roll_rad, bench_.bench());
    const QString nose = noseWords(d.rest->pitch_rad, bench_.bench());
    QString how;
    if (d.rest->attitudeDecided && std::abs(d.rest->pitch_rad) > kOnEnd) {
        how = tr("Stands on end");
    } else if (d.rest->attitudeDecided && std::abs(d.rest->roll_rad) > kOnItsBack) {
        how = tr("Lies belly up");
    } else if (d.rest->attitudeDecided && std::abs(d.rest->roll_rad) > kOnItsSide) {
        how = tr("Lies on its side");
    }
    const QString lies = !how.isEmpty() || lean.isEmpty() ? nose : tr("%1, %2").arg(lean, nose);
    switch (d.rest->state) {
        case RestState::Floats:
            return how.isEmpty()
                       ? tr("Floats %1, %2 of the back out")
                             .arg(lies, bench_.text(Quantity::Length, d.rest->showing_m))
                       : tr("%1, floats %2, %3 of the back out")
                             .arg(how, lies, bench_.text(Quantity::Length, d.rest->showing_m));
        case RestState::Suspends:
            return how.isEmpty()
                       ? tr("Suspends %1, drifting at %2 or less")
                             .arg(lies, bench_.text(Quantity::Speed, d.model.suspendSpeed_m_s))
                       : tr("%1, suspends %2, drifting at %3 or less")
                             .arg(how, lies,
                                  bench_.text(Quantity::Speed, d.model.suspendSpeed_m_s));
        case RestState::Sinks: {
            const double falls = d.rest->fall.speed_m_s;
            const QString speed = bench_.text(
                Quantity::Speed,
                &bait_ == &bench_.bait ? Learner::of(bench_).seen(NoteKind::Sink, falls) : falls);
            return how.isEmpty() ? tr("Sinks at %1, %2").arg(speed, lies)
                                 : tr("%1, sinks at %2, %3").arg(how, speed, lies);
        }
    }
    return {};
}

void Tank::paintCaption(QPainter& p) const {
    const Inks& c = inks();
    const double right = 2 * kSmallFront + 24;
    const QRectF line(12, 3, width() - 12 - right, 27), under(12, 29, width() - 24, 18);
    if (const ResultsPtr results = bait_.results(); results && results->error) {
        p.setPen(c.signal);
        drawFitted(p, QRectF(12, 4, width() - 24, kCaptionHeight + 30),
                   Qt::AlignLeft | Qt::AlignTop,
                   QStringLiteral("▲ ") + sentence(*results->error, bench_.bench()) +
                       tr(" Shown: the last bait that could be reckoned."),
                   {type(Type::Body, true)});
        return;
    }
    p.setPen(c.ink);
    QString says = summary(*shown_);
    QString how = isStill() ? tr("held still while you shape it; the water is tilted")
                            : tr("as it lies in the water");
    if (isUnderWay()) {
        how = tr("at rest – %1").arg(says);
        says = tr("Under way it swims %1").arg(noseWords(towed_->pitch_rad, bench_.bench()));
    }
    if (takesMark()) {
        how = tr("held still; click where the next part is to go");
    }
    if (view_ == TankView::Top) {
        how = tr("from above, port down");
    }
    if (showsApart()) {
        says = shown_->derived->rest->linked ? tr("Linked eyes: each piece at its own pitch")
                                             : tr("Each piece let go alone");
        how.clear();
    }
    if (const ResultsPtr before = bait_.before(); before && !showsApart() && !isUnderWay()) {
        if (const QString was = summary(*before); was != says) {
            how = tr("before: %1").arg(was);
        }
    }
    if (const auto& other = bench_.dashed(); other && &bait_ == &bench_.bait && !showsApart()) {
        how = tr("dashed: %1").arg(other->name());
    }
    drawFitted(p, line, Qt::AlignLeft | Qt::AlignVCenter, says,
               {type(Type::Large, true), type(Type::Figure, true), type(Type::Body, true),
                type(Type::Small, true)});
    p.setFont(type(Type::Small));
    p.setPen(c.quiet);
    // What it was, or how it is shown, where the small front view leaves room for it.
    const QString lean = leanWords(shown_->derived->rest->roll_rad, bench_.bench());
    const int beside =
        isUnderWay() ? 0 : p.fontMetrics().horizontalAdvance(lean.isEmpty() ? tr("upright") : lean);
    if (p.fontMetrics().horizontalAdvance(how) < under.width() - right - beside) {
        p.drawText(under, Qt::AlignLeft | Qt::AlignVCenter, how);
    }
}

}  // namespace wl
