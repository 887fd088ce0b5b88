#include "app/views/motion_view.h"

#include <QPainter>
#include <QTransform>
#include <cmath>

#include <Eigen/Geometry>

#include "app/views/bait_painter.h"
#include "core/draw/draw_bait.h"
#include "core/reckon/free_body.h"

namespace wl {
namespace {

// The bait dashed: its edges, nothing inside.
DrawnStyle ghostStyle(const Inks& c) {
    DrawnStyle style;
    style.pen = [&c](Stroke stroke, double) {
        return stroke == Stroke::Outline || stroke == Stroke::Metal
                   ? QPen(c.quiet, 1.2, Qt::DashLine)
                   : QPen(Qt::NoPen);
    };
    style.brush = [](Fill) { return QBrush(Qt::NoBrush); };
    style.words = [](QPainter&, const QPointF&, const QString&) {};
    style.mark = 0;
    return style;
}

// Where the middle of a drawing lies on the paper, pixels.
QPointF middleOf(const Drawing& drawing, double scale) {
    const auto box = extent_mm(drawing);
    return scale * QPointF(0.5 * (box[0] + box[2]), -0.5 * (box[1] + box[3]));
}

}  // namespace

MotionView::MotionView(Workbench& bench, QWidget* parent) : PlayedView(parent), bench_(bench) {
    setObjectName(QStringLiteral("motionView"));
    setAccessibleName(tr("The bait swimming"));
    setMinimumSize(260, 290);
    connect(&bench, &Workbench::benchChanged, this, qOverload<>(&QWidget::update));
}

void MotionView::show(const ResultsPtr& results, const Swim& swim, std::vector<WobbleState> states,
                      double step_s) {
    if (now_.isSeen() && revision_ != results->revision) {
        before_ = now_;
    }
    revision_ = results->revision;
    now_ = swimmer(results->derived, swim);
    states_ = std::move(states);
    step_s_ = step_s;
    why_.clear();
    setPlaying(isPlaying());
    update();
}

void MotionView::showNothing(const QString& why) {
    now_ = {};
    why_ = why;
    setPlaying(isPlaying());
    update();
}

void MotionView::setOther(std::shared_ptr<const Derived> derived, const Swim& swim) {
    other_ = swimmer(std::move(derived), swim);
    update();
}

void MotionView::setGhost(Ghost ghost) {
    ghost_ = ghost;
    update();
}

const MotionView::Swimmer& MotionView::ghost() const {
    return ghost_ == Ghost::Before ? before_ : ghost_ == Ghost::Other ? other_ : none_;
}

double MotionView::loop_s() const {
    if (!now_.isSeen()) {
        return 0;
    }
    if (!states_.empty()) {
        return step_s_ * double(states_.size());
    }
    const double beats = now_.swim.beats_1_s.middle;
    return beats > 0 ? 1 / beats : 1.0;
}

Eigen::Vector3d MotionView::poseAt(const Swim& swim, double share) {
    const std::complex<double> turn = std::polar(1.0, 2 * kPi * share);
    return {(swim.harmonic[0] * turn).real(), (swim.harmonic[1] * turn).real(),
            (swim.harmonic[2] * turn).real()};
}

Eigen::Vector3d MotionView::pose() const {
    if (states_.empty()) {
        return poseAt(now_.swim, time());
    }
    const size_t i = std::min(size_t(time() * double(states_.size())), states_.size() - 1);
    return states_[i].head<3>();
}

MotionView::Swimmer MotionView::swimmer(std::shared_ptr<const Derived> derived, const Swim& swim) {
    Swimmer who{std::move(derived), swim, {}, {}, {}};
    if (!who.isSeen()) {
        return who;
    }
    const Derived& d = *who.derived;
    const double cosine = std::cos(swim.tow.pitch_rad), sine = std::sin(swim.tow.pitch_rad);
    const Eigen::Vector2d trail = hooksTrail(d);
    const Eigen::Vector3d hangs = trail.x() * Eigen::Vector3d(cosine, 0, sine) -
                                  trail.y() * Eigen::Vector3d(-sine, 0, cosine);
    const auto drawn = [&](DrawnView view) {
        ViewFrame frame = levelFrame(view);
        frame.down = view == DrawnView::Top ? frame.down : hangs;
        return drawBait(*d.design, d, frame, DrawnFor::Picture);
    };
    who.above = drawn(DrawnView::Top);
    who.side = drawn(DrawnView::Side);
    who.ahead = drawn(DrawnView::Front);
    return who;
}

QTransform MotionView::sideTurned(const Swim& swim, const Eigen::Vector3d& at) {
    const Eigen::Matrix3d r = (Eigen::AngleAxisd(at[2], Eigen::Vector3d::UnitZ()) *
                               Eigen::AngleAxisd(swim.tow.pitch_rad, Eigen::Vector3d::UnitY()) *
                               Eigen::AngleAxisd(at[1], Eigen::Vector3d::UnitX()))
                                  .toRotationMatrix();
    // Ahead is to the left of the paper, down is down.
    return {r(0, 0), -r(2, 0), -r(0, 2), r(2, 2), 0, 0};
}

double MotionView::scaleFor(const Swimmer& who, const QRectF& above, const QRectF& side,
                            const QRectF& ahead) {
    constexpr double kRoom = 0.94;
    const double reach = 2000 * std::max(who.swim.nosePath_m, who.swim.tailPath_m);
    const auto fits = [](const QRectF& box, const QRectF& taken) {
        return std::min(box.width() / std::max(1.0, taken.width()),
                        box.height() / std::max(1.0, taken.height()));
    };
    const auto boxOf = [](const Drawing& drawing) {
        const auto e = extent_mm(drawing);
        return QRectF(e[0], -e[3], e[2] - e[0], e[3] - e[1]);
    };
    const QRectF fromAbove = boxOf(who.above), fromAhead = boxOf(who.ahead);
    const QTransform still = sideTurned(who.swim, Eigen::Vector3d::Zero());
    const double leans = std::abs(std::sin(std::min(0.5 * kPi, who.swim.roll_rad.middle)));
    return kRoom *
           std::min({fits(above, fromAbove.adjusted(0, 0, 0, reach)),
                     fits(side, still.mapRect(boxOf(who.side))),
                     fits(ahead, fromAhead.adjusted(0, 0, leans * fromAhead.height() + reach,
                                                    leans * fromAhead.width()))});
}

void MotionView::paint(QPainter& p, const Swimmer& who, const Eigen::Vector3d& at,
                       const QRectF& above, const QRectF& side, const QRectF& ahead,
                       double scale) const {
    const Inks& c = inks();
    const DrawnStyle style =
        &who == &now_ ? windowStyle(who.derived->design->make.kind, c) : ghostStyle(c);
    const double aside = -1000 * at[0] * scale;  // starboard is up from above, left from ahead
    const double half = 500 * who.derived->shape->sizes.length_m * scale;
    const auto turned = [&](const QTransform& by, const Drawing& drawing, const QPointF& origin) {
        p.save();
        p.setTransform(by, true);
        paintDrawing(p, drawing, origin, scale, style);
        p.restore();
    };
    QTransform on;
    on.translate(above.center().x(), above.center().y() + aside);
    on.rotateRadians(at[2]);
    turned(on, who.above, {-half, 0});
    const QTransform still = sideTurned(now_.swim, Eigen::Vector3d::Zero());
    const QPointF level(-half, 0);
    const QPointF shift = side.center() - still.map(middleOf(now_.side, scale) + level);
    turned(sideTurned(who.swim, at) * QTransform::fromTranslate(shift.x(), shift.y()), who.side,
           level);
    const QPointF middle = ahead.center() - middleOf(now_.ahead, scale);
    QTransform rolled;
    rolled.translate(middle.x() + aside, middle.y());
    rolled.rotateRadians(-at[1]);
    turned(rolled, who.ahead, {0, 0});
}

void MotionView::paintEvent(QPaintEvent*) {
    QPainter p(this);
    p.setRenderHint(QPainter::Antialiasing);
    const Inks& c = inks();
    p.fillRect(rect(), c.waterFill);
    if (!now_.isSeen()) {
        p.setPen(c.ink);
        p.setFont(type(Type::Body));
        p.drawText(rect().adjusted(12, 8, -12, -8), Qt::AlignCenter | Qt::TextWordWrap,
                   why_.isEmpty() ? tr("Reckoning…") : why_);
        return;
    }
    constexpr double kAbove = 0.42, kSide = 0.64;  // of the height; of the width
    const double half = kAbove * height(), third = kSide * (width() - 2 * kEdge);
    const QRectF above(kEdge, kText, width() - 2 * kEdge, half - kText);
    const QRectF side(kEdge, half + kText, third, height() - half - kText - kEdge);
    const QRectF ahead(side.right(), side.top(), width() - kEdge - side.right(), side.height());
    const Swimmer& dashed = ghost();
    double scale = scaleFor(now_, above, side, ahead);
    if (dashed.isSeen()) {
        scale = std::min(scale, scaleFor(dashed, above, side, ahead));
        const double beats = time() * loop_s() * dashed.swim.beats_1_s.middle;
        paint(p, dashed, poseAt(dashed.swim, beats - std::floor(beats)), above, side, ahead, scale);
    }
    paint(p, now_, pose(), above, side, ahead, scale);
    p.setPen(c.ink);
    p.setFont(type(Type::Small));
    p.drawText(QRectF(kEdge, 0, width() - 2 * kEdge, kText), Qt::AlignLeft | Qt::AlignVCenter,
               tr("from above"));
    p.drawText(QRectF(kEdge, half, third, kText), Qt::AlignLeft | Qt::AlignVCenter,
               tr("from the side"));
    p.drawText(QRectF(ahead.left(), half, ahead.width(), kText), Qt::AlignRight | Qt::AlignVCenter,
               tr("from ahead"));
    p.setPen(c.quiet);
    p.drawText(QRectF(kEdge, 0, width() - 2 * kEdge, kText), Qt::AlignRight | Qt::AlignVCenter,
               tr("swing to scale, %1").arg(bench_.text(Quantity::Speed, now_.swim.speed_m_s)));
}

}  // namespace wl

#include "moc_motion_view.cpp"
