#include "app/views/motion_view.h"

#include <QPainter>
#include <QPainterPath>
#include <cmath>

#include <Eigen/Geometry>

#include "app/kit/fit_text.h"
#include "app/kit/theme.h"

namespace wl {
namespace {

QPen ghostPen(const Inks& c) {
    return {c.quiet, 1.2, Qt::DashLine};
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
    if (has_ && results_ && results_->revision != results->revision) {
        before_ = swim_;
        hasBefore_ = true;
    }
    results_ = results;
    swim_ = swim;
    states_ = std::move(states);
    step_s_ = step_s;
    has_ = swim.sheds && !swim.untold;
    why_.clear();
    setPlaying(isPlaying());
    update();
}

void MotionView::showNothing(const QString& why) {
    has_ = false;
    why_ = why;
    setPlaying(isPlaying());
    update();
}

double MotionView::loop_s() const {
    if (!has_) {
        return 0;
    }
    if (!states_.empty()) {
        return step_s_ * double(states_.size());
    }
    return swim_.beats_1_s.middle > 0 ? 1 / swim_.beats_1_s.middle : 1.0;
}

Eigen::Vector3d MotionView::poseAt(const Swim& swim, double share) const {
    const std::complex<double> turn = std::polar(1.0, 2 * kPi * share);
    return {(swim.harmonic[0] * turn).real(), (swim.harmonic[1] * turn).real(),
            (swim.harmonic[2] * turn).real()};
}

Eigen::Vector3d MotionView::pose() const {
    if (states_.empty()) {
        return poseAt(swim_, time());
    }
    const size_t i = std::min(size_t(time() * double(states_.size())), states_.size() - 1);
    return states_[i].head<3>();
}

void MotionView::paintAbove(QPainter& p, const Eigen::Vector3d& at, const QRectF& box, double scale,
                            bool ghost) const {
    const Inks& c = inks();
    const Derived& d = *results_->derived;
    const BodyCurves& curves = d.shape->curves;
    const double length = curves.length_m();
    const double cosine = std::cos(at[2]), sine = std::sin(at[2]);
    // Forward to the left, starboard up.
    const auto place = [&](double x, double y) {
        const double ahead = cosine * x - sine * y, side = at[0] + sine * x + cosine * y;
        return box.center() + scale * QPointF(-ahead, -side);
    };
    QPolygonF outline;
    constexpr int kPoints = 40;
    for (const int side : {1, -1}) {
        for (int i = 0; i <= kPoints; ++i) {
            const double u = double(side > 0 ? i : kPoints - i) / kPoints;
            const Section s = curves.at(u);
            outline << place(0.5 * length - s.x_m, side * s.halfWidth_m);
        }
    }
    p.setPen(ghost ? ghostPen(c) : QPen(c.ink, 1.4));
    p.setBrush(ghost ? QBrush(Qt::NoBrush) : QBrush(c.sheet));
    p.drawPolygon(outline);
    if (results_->design->lip.present) {
        QPolygonF lip;
        for (const LipPlane& plane : lipPlanes(results_->design->lip)) {
            for (const Eigen::Vector2d& q : plane.outline) {
                const Eigen::Vector3d r = plane.root_m + plane.along * q.x() + plane.across * q.y();
                lip << place(0.5 * length - r.x(), -r.y());
            }
        }
        p.setBrush(Qt::NoBrush);
        p.drawPolygon(lip);
    }
    p.drawLine(place(0.5 * length, 0), place(-0.5 * length, 0));
}

void MotionView::paintAhead(QPainter& p, const Eigen::Vector3d& at, const QRectF& box, double scale,
                            bool ghost) const {
    const Inks& c = inks();
    const Derived& d = *results_->derived;
    const Section s = d.shape->curves.atX(d.shape->sizes.widestAt_m);
    const double cosine = std::cos(at[1]), sine = std::sin(at[1]);
    // Seen from ahead: starboard to the left; roll is starboard down.
    const auto place = [&](double y, double up) {
        const double side = cosine * y + sine * up, high = -sine * y + cosine * up;
        return box.center() + scale * QPointF(-(at[0] + side), -high);
    };
    QPolygonF outline;
    for (const int side : {1, -1}) {
        for (int i = 0; i <= 40; ++i) {
            const double t = std::cos(kPi * (side > 0 ? i : 40 - i) / 40);
            const double y = side * s.halfWidth_m * std::sqrt(std::max(0.0, 1 - t * t));
            outline << place(y, skinHeight(s, std::min(std::abs(y), 0.999 * s.halfWidth_m), t > 0));
        }
    }
    p.setPen(ghost ? ghostPen(c) : QPen(c.ink, 1.4));
    p.setBrush(ghost ? QBrush(Qt::NoBrush) : QBrush(c.sheet));
    p.drawPolygon(outline);
    const Lip& lip = results_->design->lip;
    if (lip.present) {
        const Eigen::Vector3d tip = lipPlace(lip, lipPlanes(lip).back().to_m);
        p.drawLine(place(-0.5 * lip.width_m, tip.z()), place(0.5 * lip.width_m, tip.z()));
    }
    p.drawLine(place(0, s.back_m), place(0, s.belly_m));
}

QPolygonF MotionView::seenFromSide(const Swim& swim, const Eigen::Vector3d& at) const {
    constexpr int kPoints = 40;
    const BodyCurves& curves = results_->derived->shape->curves;
    const double length = curves.length_m();
    const Eigen::Matrix3d turned =
        (Eigen::AngleAxisd(at[2], Eigen::Vector3d::UnitZ()) *
         Eigen::AngleAxisd(swim.tow.pitch_rad, Eigen::Vector3d::UnitY()) *
         Eigen::AngleAxisd(at[1], Eigen::Vector3d::UnitX()))
            .toRotationMatrix();
    QPolygonF outline;
    const auto put = [&](const Eigen::Vector3d& r) {
        const Eigen::Vector3d there = turned * toSwim(r, length);
        outline << QPointF(-there.x(), there.z());
    };
    for (const bool back : {true, false}) {
        for (int i = 0; i <= kPoints; ++i) {
            const Section s = curves.at(double(back ? i : kPoints - i) / kPoints);
            put({s.x_m, 0, back ? s.back_m : s.belly_m});
        }
    }
    const Lip& lip = results_->design->lip;
    if (lip.present) {  // down the sheet and back: a line
        const double tip = lipPlanes(lip).back().to_m;
        put(lipPlace(lip, 0));
        put(lipPlace(lip, tip));
        put(lipPlace(lip, 0));
    }
    return outline;
}

void MotionView::paintSide(QPainter& p, const Swim& swim, const Eigen::Vector3d& at,
                           const QRectF& box, double scale, bool ghost) const {
    const Inks& c = inks();
    const QPointF middle = seenFromSide(swim_, Eigen::Vector3d::Zero()).boundingRect().center();
    QPolygonF outline = seenFromSide(swim, at);
    for (QPointF& q : outline) {
        q = box.center() + scale * (q - middle);
    }
    p.setPen(ghost ? ghostPen(c) : QPen(c.ink, 1.4));
    p.setBrush(ghost ? QBrush(Qt::NoBrush) : QBrush(c.sheet));
    p.drawPolygon(outline);
}

void MotionView::paintEvent(QPaintEvent*) {
    QPainter p(this);
    p.setRenderHint(QPainter::Antialiasing);
    const Inks& c = inks();
    p.fillRect(rect(), c.waterFill);
    if (!has_ || !results_ || !results_->derived) {
        p.setPen(c.ink);
        p.setFont(type(Type::Body));
        p.drawText(rect().adjusted(12, 8, -12, -8), Qt::AlignCenter | Qt::TextWordWrap,
                   why_.isEmpty() ? tr("Reckoning…") : why_);
        return;
    }
    const BodySizes& sizes = results_->derived->shape->sizes;
    constexpr double kAbove = 0.42, kSide = 0.64;  // of the height; of the width
    const double half = kAbove * height(), third = kSide * (width() - 2 * kEdge);
    const QRectF above(kEdge, kText, width() - 2 * kEdge, half - kText);
    const QRectF side(kEdge, half + kText, third, height() - half - kText - kEdge);
    const QRectF ahead(side.right(), side.top(), width() - kEdge - side.right(), side.height());
    const double reach = std::max(swim_.nosePath_m, swim_.tailPath_m);
    const Lip& lip = results_->design->lip;
    const double ahead_m = lip.present ? lip.length_m * std::cos(lip.angle_rad) : 0.0;
    const double deep =
        sizes.maxHeight_m + (lip.present ? lip.length_m * std::sin(lip.angle_rad) : 0.0);
    const QRectF still = seenFromSide(swim_, Eigen::Vector3d::Zero()).boundingRect();
    const double scale = std::min({above.width() / (1.05 * (sizes.length_m + 2 * ahead_m)),
                                   above.height() / (1.1 * (sizes.maxWidth_m + 2 * reach) + 1e-3),
                                   side.width() / (1.05 * still.width() + 1e-3),
                                   side.height() / (1.1 * still.height() + 1e-3),
                                   ahead.height() / (1.15 * deep + 1e-3)});
    const Eigen::Vector3d at = pose();
    if (hasBefore_ && before_.sheds) {
        const double beats = time() * loop_s() * before_.beats_1_s.middle;
        const Eigen::Vector3d was = poseAt(before_, beats - std::floor(beats));
        paintAbove(p, was, above, scale, true);
        paintSide(p, before_, was, side, scale, true);
        paintAhead(p, was, ahead, scale, true);
    }
    paintAbove(p, at, above, scale, false);
    paintSide(p, swim_, at, side, scale, false);
    paintAhead(p, at, ahead, scale, false);
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
               tr("swing to scale, %1").arg(bench_.text(Quantity::Speed, swim_.speed_m_s)));
}

}  // namespace wl
