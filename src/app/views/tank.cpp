#include "app/views/tank.h"

#include <QStyle>
#include <cmath>

#include "app/kit/learner.h"
#include "app/kit/quantity_edit.h"
#include "app/views/trace_picture.h"
#include "core/design/fields.h"
#include "core/reckon/free_body.h"

namespace wl {
namespace {

constexpr int kSettle_ms = 150;
constexpr double kEdge = 12;

}  // namespace

Tank::Tank(Bait& bait, Workbench& bench, QWidget* parent)
    : QWidget(parent), bait_(bait), bench_(bench) {
    setObjectName(QStringLiteral("tank"));
    setAccessibleName(tr("The tank: the bait in the water"));
    setFocusPolicy(Qt::StrongFocus);
    setMouseTracking(true);
    setAttribute(Qt::WA_OpaquePaintEvent);
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
    connect(&bench_, &Workbench::markChanged, this, qOverload<>(&Tank::update));
    connect(&bench_, &Workbench::dashedChanged, this, qOverload<>(&Tank::update));
    if (&bait_ == &bench_.bait) {
        connect(&Learner::of(bench_), &Learner::changed, this, qOverload<>(&Tank::update));
    }
}

// What the hand held is let go with the picture it was on.
void Tank::letHandlesGo() {
    chosen_ = dragged_ = hovered_ = -1;
    bait_.document.letGo();
}

void Tank::setStep(Step step) {
    step_ = step;
    bench_.setMark({});
    letHandlesGo();
    settle_.stop();
    pose_ = wantedPose();
    update();
}

void Tank::setView(TankView view) {
    view_ = view;
    letHandlesGo();
    settle_.stop();
    pose_ = wantedPose();
    update();
}

void Tank::setApart(bool apart) {
    apart_ = apart;
    letHandlesGo();
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
    if (isUnderWay()) {
        Pose pose;
        pose.up = upInBody(towed_->pitch_rad, 0.0);
        pose.offset_m = pose.up.dot(d.mass->centreOfBuoyancy_m) + 1.3 * d.shape->sizes.maxHeight_m;
        return pose;
    }
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
    // The run that comes after the rest of it does not show here.
    const bool same = shown_ && dragged_ >= 0 && shown_->derived == results->derived;
    poseFrom_ = pose_;
    shown_ = results;
    if (results->run) {
        towed_ = results->run->levelTrim;
    }
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
    if (placeMarks_.take(*shown_) || !same) {
        // The ruler stays put under a drag of what is held still, as the sheet does.
        update(rect().adjusted(0, 0, 0, dragged_ >= 0 && isStill() ? -kRulerHeight : 0));
    }
}

bool Tank::takesMark() const {
    return (step_ == Step::Fittings || step_ == Step::Ballast) && view_ == TankView::Side &&
           shown_ && !showsApart();
}

bool Tank::isUnderWay() const {
    return (step_ == Step::Run || step_ == Step::Swim) && view_ == TankView::Side && towed_ &&
           shown_ && !showsApart();
}

bool Tank::isStill() const {
    switch (step_) {
        case Step::Body:
        case Step::Stock:
        case Step::Fittings:
        case Step::Ballast:
        case Step::LipAndTie:
        case Step::Joints:
            return true;
        default:
            return view_ == TankView::Top;
    }
}

void Tank::updateFrame() {
    if (!shown_ || dragged_ >= 0) {
        return;  // the sheet stays put under a drag
    }
    // All that is drawn has room, as it will lie when it has come to rest.
    const Pose pose = wantedPose();
    const std::array<double, 4> box =
        extent_mm(drawBait(*shown_->design, *shown_->derived, viewFrame(pose), DrawnFor::Picture));
    double low = box[1] / 1000, high = box[3] / 1000;
    if (!isStill() && !isUnderWay() && shown_->derived->rest->state != RestState::Sinks) {
        constexpr double kOverWater_m = 0.003;
        high = std::max(high, pose.offset_m + kOverWater_m);
    }
    const double top = kCaptionHeight, free = height() - kRulerHeight - top - kEdge;
    const double wide = std::max(1e-3, (box[2] - box[0]) / 1000), tall = std::max(1e-3, high - low);
    pixelsPerMetre_ = std::min((width() - 2 * kEdge) / wide, free / tall);
    const double spare = free - tall * pixelsPerMetre_;
    origin_ = {0.5 * width() - 0.5 * (box[0] + box[2]) / 1000 * pixelsPerMetre_,
               top + 0.5 * spare + high * pixelsPerMetre_};
    waterlineY_ = origin_.y() - pose.offset_m * pixelsPerMetre_;
}

ViewFrame Tank::viewFrame(const Pose& pose) const {
    ViewFrame frame = levelFrame(drawnView(view_));
    if (!isStill()) {
        const PlaneAxes axes = planeAxes(pose.up);
        frame.right = view_ == TankView::Side ? axes.aft : axes.port;
        frame.up = pose.up;
        frame.down = -pose.up;
        if (isUnderWay()) {
            const Eigen::Vector2d trail = hooksTrail(*shown_->derived);
            frame.down = trail.x() * frame.right - trail.y() * frame.up;
        }
    }
    return frame;
}

double Tank::zeroY() const {
    return isStill() ? origin_.y() : waterlineY_ + pose_.offset_m * pixelsPerMetre_;
}

QPointF Tank::toPaper(const Eigen::Vector3d& r) const {
    const Eigen::Vector2d mm = viewFrame().onPaper_mm(r);
    const double s = pixelsPerMetre_ / 1000;
    return {origin_.x() + mm.x() * s, zeroY() - mm.y() * s};
}

Eigen::Vector3d Tank::fromPaper(const QPointF& at, const Eigen::Vector3d& like) const {
    const ViewFrame frame = viewFrame();
    const Eigen::Vector3d sight = frame.right.cross(frame.up);
    return frame.right * ((at.x() - origin_.x()) / pixelsPerMetre_) +
           frame.up * ((zeroY() - at.y()) / pixelsPerMetre_) + sight * sight.dot(like);
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

#include "moc_tank.cpp"
