#include "app/views/tank.h"

#include <QStyle>
#include <cmath>

#include "app/kit/quantity_edit.h"
#include "app/views/trace_picture.h"
#include "core/design/fields.h"

namespace wl {
namespace {

constexpr int kSettle_ms = 150;

}  // namespace

Tank::Tank(Bait& bait, Workbench& bench, QWidget* parent)
    : QWidget(parent), bait_(bait), bench_(bench) {
    setObjectName(QStringLiteral("tank"));
    setAccessibleName(tr("The tank: the bait in the water"));
    setFocusPolicy(Qt::StrongFocus);
    setMouseTracking(true);
    const bool still = style()->styleHint(QStyle::SH_Widget_Animation_Duration) == 0;
    settle_.setDuration(still ? 0 : kSettle_ms);
    settle_.setStartValue(0.0);
    settle_.setEndValue(1.0);
    connect(&settle_, &QVariantAnimation::valueChanged, this, [this](const QVariant& v) {
        const Pose to = wantedPose();
        const double t = v.toDouble();
        pose_.up = ((1 - t) * poseFrom_.up + t * to.up).normalized();
        pose_.offset_m = (1 - t) * poseFrom_.offset_m + t * to.offset_m;
        update();
    });
    connect(&bait_.evaluator, &Evaluator::resultsChanged, this, &Tank::takeResults);
    connect(&bench_, &Workbench::benchChanged, this, qOverload<>(&Tank::update));
}

void Tank::setStep(Step step) {
    step_ = step;
    chosen_ = dragged_ = hovered_ = -1;
    update();
}

void Tank::setView(TankView view) {
    view_ = view;
    chosen_ = dragged_ = hovered_ = -1;
    update();
}

void Tank::setApart(bool apart) {
    apart_ = apart;
    chosen_ = dragged_ = hovered_ = -1;
    update();
}

bool Tank::showsApart() const {
    return apart_ && view_ == TankView::Side && shown_ && shown_->derived->rest->alone.size() > 1;
}

std::vector<QPointF> Tank::marks() const {
    std::vector<QPointF> out;
    for (const Finding& f : placeMarks_.findings()) {
        if (!showsApart()) {
            out.push_back(toPaper(PlaceMarks::placeOf(f)));
        }
    }
    return out;
}

Tank::Pose Tank::wantedPose() const {
    if (!shown_ || !shown_->derived) {
        return {};
    }
    const Derived& d = *shown_->derived;
    if (d.rest->state != RestState::Sinks && !d.rest->attitudes.empty()) {
        return {d.rest->attitudes.front().plane.normal, d.rest->attitudes.front().plane.offset_m};
    }
    Pose pose;
    pose.up = upInBody(d.rest->pitch_rad, d.rest->attitudeDecided ? d.rest->roll_rad : 0.0);
    pose.offset_m = pose.up.dot(d.mass->centreOfBuoyancy_m) + 1.3 * d.shape->sizes.maxHeight_m;
    return pose;
}

void Tank::takeResults() {
    const ResultsPtr results = bait_.results();
    if (!results || !results->derived) {
        update();
        return;
    }
    const bool first = !shown_;
    poseFrom_ = pose_;
    shown_ = results;
    const Trace& trace = shown_->design->trace;
    if (!(trace.picture == pictureOf_.picture) || trace.picturePath != pictureOf_.picturePath ||
        (picture_.isNull() &&
         bench_.picturesAgreed.contains(QString::fromStdString(trace.picturePath)))) {
        pictureOf_ = trace;
        picture_ = tracePicture(trace, bench_.picturesAgreed);
    }
    const Pose to = wantedPose();
    if (first || settle_.duration() == 0 || dragged_ >= 0) {
        settle_.stop();
        pose_ = to;
    } else if ((to.up - pose_.up).norm() > 1e-4 || std::abs(to.offset_m - pose_.offset_m) > 1e-5) {
        settle_.start();
    }
    placeMarks_.take(*shown_);
    update();
}

void Tank::updateFrame() {
    if (!shown_) {
        return;
    }
    const Derived& d = *shown_->derived;
    if (dragged_ >= 0) {
        return;  // the sheet stays put under a drag
    }
    const double lipAhead =
        shown_->design->lip.present
            ? std::max(0.0, -(tiePoint(*shown_->design).x()) + shown_->design->lip.length_m)
            : 0.01;
    const double length = d.shape->sizes.length_m + lipAhead + 0.03;
    // Room above for the back and below for whatever hangs lowest, from the body's middle.
    const double middle = pose_.up.dot(d.shape->solid.centroid_m);
    double above = 0.62 * d.shape->sizes.maxHeight_m, below = above;
    for (const Fitting& f : shown_->design->fittings) {
        if (swings(f.kind)) {
            const double hang = f.kind == FittingKind::Treble ? 1.25 * f.size_m : f.size_m;
            below = std::max(below, middle - pose_.up.dot(fittingPlace(*shown_->design, f)) + hang);
        }
    }
    above = std::max(above, pose_.offset_m - middle + 0.003);
    const double tall =
        view_ == TankView::Top ? 1.5 * d.shape->sizes.maxWidth_m + 0.01 : above + below + 0.003;
    const double free = height() - kRulerHeight - kCaptionHeight - 8;
    const double wide = view_ == TankView::Front ? 2.4 * d.shape->sizes.maxWidth_m + 0.03 : length;
    pixelsPerMetre_ = std::min(width() / wide, free / tall);
    const double middleX =
        view_ == TankView::Front ? 0.0 : 0.5 * (d.shape->sizes.length_m - lipAhead);
    origin_ = {0.5 * width() - middleX * pixelsPerMetre_, 0.0};
    if (view_ == TankView::Top) {
        origin_.setY(kCaptionHeight + 0.5 * free);
    } else {
        const double spare = free - tall * pixelsPerMetre_;
        waterlineY_ = kCaptionHeight + 0.4 * spare + above * pixelsPerMetre_ +
                      (middle - pose_.offset_m) * pixelsPerMetre_;
    }
}

ViewFrame Tank::viewFrame() const {
    ViewFrame frame = levelFrame(drawnView(view_));
    if (view_ != TankView::Top) {
        const PlaneAxes axes = planeAxes(pose_.up);
        frame.right = view_ == TankView::Side ? axes.aft : axes.port;
        frame.up = pose_.up;
        frame.down = -pose_.up;
    }
    return frame;
}

QPointF Tank::toPaper(const Eigen::Vector3d& r) const {
    const Eigen::Vector2d mm = viewFrame().onPaper_mm(r);
    const double s = pixelsPerMetre_ / 1000;
    const double zero =
        view_ == TankView::Top ? origin_.y() : waterlineY_ + pose_.offset_m * pixelsPerMetre_;
    return {origin_.x() + mm.x() * s, zero - mm.y() * s};
}

Eigen::Vector3d Tank::fromPaper(const QPointF& at, const Eigen::Vector3d& like) const {
    const double s = pixelsPerMetre_;
    if (view_ == TankView::Top) {
        return {(at.x() - origin_.x()) / s, (at.y() - origin_.y()) / s, like.z()};
    }
    const PlaneAxes axes = planeAxes(pose_.up);
    const double across = (at.x() - origin_.x()) / s;
    const double height = (waterlineY_ - at.y()) / s + pose_.offset_m;
    const double port = axes.port.dot(like);
    return axes.aft * across + pose_.up * height + axes.port * port;
}

std::vector<TankHandle> Tank::handles() const {
    if (!shown_ || showsApart()) {
        return {};
    }
    return tankHandles(bait_.design(), *shown_->derived, step_, view_);
}

QPointF Tank::handlePosition(int index) const {
    const auto all = handles();
    return toPaper(all.at(size_t(index)).place_m);
}

void Tank::moveHandle(int index, const Eigen::Vector3d& to) {
    const auto all = handles();
    if (index < 0 || index >= int(all.size())) {
        return;
    }
    setHandle(all[size_t(index)], all[size_t(index)].follow(to));
}

void Tank::setHandle(const TankHandle& handle, const std::vector<double>& values) {
    Design next = bait_.design();
    for (size_t i = 0; i < handle.fields.size(); ++i) {
        const auto& [path, quantity] = handle.fields[i];
        const double step = benchStep(quantity, bench_.bench());
        const double value = std::round(values[i] / step) * step;
        const auto field = findField(next, path.toStdString());
        if (!field) {
            return;
        }
        Result<Design> changed =
            withField(next, path.toStdString(), std::clamp(value, field->min, field->max));
        if (!changed) {
            return;
        }
        next = std::move(changed).value();
    }
    bait_.document.submit(std::move(next), handle.name, handle.fields.front().first);
}

}  // namespace wl
