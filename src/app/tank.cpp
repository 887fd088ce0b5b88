#include "app/tank.h"

#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>
#include <QStyle>
#include <cmath>

#include "app/quantity_edit.h"
#include "app/trace_dialog.h"
#include "core/design/fields.h"
#include "core/shape/trace_profile.h"

namespace wl {
namespace {

constexpr double kHandleReach = 11.0;
constexpr int kSettle_ms = 150;
constexpr int kRulerHeight = 20;
constexpr int kCaptionHeight = 22;

}  // namespace

Tank::Tank(Workbench& bench, QWidget* parent) : QWidget(parent), bench_(bench) {
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
    connect(&bench_.evaluator, &Evaluator::resultsChanged, this, &Tank::takeResults);
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

Tank::Pose Tank::wantedPose() const {
    if (!shown_ || !shown_->derived) {
        return {};
    }
    const Derived& d = *shown_->derived;
    if (d.state != RestState::Sinks && !d.attitudes.empty()) {
        return {d.attitudes.front().plane.normal, d.attitudes.front().plane.offset_m};
    }
    Pose pose;
    pose.up = upInBody(d.pitch_rad, d.attitudeDecided ? d.roll_rad : 0.0);
    pose.offset_m = pose.up.dot(d.mass.centreOfBuoyancy_m) + 1.3 * d.sizes.maxHeight_m;
    return pose;
}

void Tank::takeResults() {
    const ResultsPtr results = bench_.results();
    if (!results || !results->derived) {
        update();
        return;
    }
    const bool first = !shown_;
    poseFrom_ = pose_;
    shown_ = results;
    const Trace& trace = shown_->design->trace;
    if (!(trace.picture == pictureOf_.picture) || trace.picturePath != pictureOf_.picturePath) {
        pictureOf_ = trace;
        picture_ = tracePicture(trace);
    }
    const Pose to = wantedPose();
    if (first || settle_.duration() == 0 || dragged_ >= 0) {
        settle_.stop();
        pose_ = to;
    } else if ((to.up - pose_.up).norm() > 1e-4 || std::abs(to.offset_m - pose_.offset_m) > 1e-5) {
        settle_.start();
    }
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
    const double length = d.sizes.length_m + lipAhead + 0.03;
    // Room above for the back and below for whatever hangs lowest, from the body's middle.
    const double middle = pose_.up.dot(d.solid.centroid_m);
    double above = 0.62 * d.sizes.maxHeight_m, below = above;
    for (const Fitting& f : shown_->design->fittings) {
        if (swings(f.kind)) {
            const double hang = f.kind == FittingKind::Treble ? 1.25 * f.size_m : f.size_m;
            below = std::max(below, middle - pose_.up.dot(fittingPlace(*shown_->design, f)) + hang);
        }
    }
    above = std::max(above, pose_.offset_m - middle + 0.003);
    const double tall =
        view_ == TankView::Top ? 1.5 * d.sizes.maxWidth_m + 0.01 : above + below + 0.003;
    const double free = height() - kRulerHeight - kCaptionHeight - 8;
    const double wide = view_ == TankView::Front ? 2.4 * d.sizes.maxWidth_m + 0.03 : length;
    pixelsPerMetre_ = std::min(width() / wide, free / tall);
    const double middleX = view_ == TankView::Front ? 0.0 : 0.5 * (d.sizes.length_m - lipAhead);
    origin_ = {0.5 * width() - middleX * pixelsPerMetre_, 0.0};
    if (view_ == TankView::Top) {
        origin_.setY(kCaptionHeight + 0.5 * free);
    } else {
        const double spare = free - tall * pixelsPerMetre_;
        waterlineY_ = kCaptionHeight + 0.4 * spare + above * pixelsPerMetre_ +
                      (middle - pose_.offset_m) * pixelsPerMetre_;
    }
}

QPointF Tank::toPaper(const Eigen::Vector3d& r) const {
    const double s = pixelsPerMetre_;
    if (view_ == TankView::Top) {
        return {origin_.x() + r.x() * s, origin_.y() + r.y() * s};
    }
    const double height = pose_.up.dot(r) - pose_.offset_m;
    const PlaneAxes axes = planeAxes(pose_.up);
    const double across = view_ == TankView::Side ? axes.aft.dot(r) : axes.port.dot(r);
    return {origin_.x() + across * s, waterlineY_ - height * s};
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
    if (!shown_) {
        return {};
    }
    return tankHandles(bench_.design(), *shown_->derived, step_, view_);
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
    Design next = bench_.design();
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
    bench_.document.submit(std::move(next), handle.name, handle.fields.front().first);
}

void Tank::paintWater(QPainter& p) const {
    const Inks& c = inks();
    if (view_ == TankView::Top) {
        p.fillRect(rect(), c.waterFill);
        return;
    }
    p.fillRect(QRectF(0, waterlineY_, width(), height() - waterlineY_), c.waterFill);
    p.setPen(QPen(c.water, 1.6));
    p.drawLine(QPointF(0, waterlineY_), QPointF(width(), waterlineY_));
    p.setFont(type(Type::Small));
    p.setPen(c.water);
    if (waterlineY_ > kCaptionHeight + 6) {
        p.drawText(QPointF(8, waterlineY_ - 4), tr("waterline"));
    }
}

// The traced picture lies under the bait at true scale while the body is worked on.
void Tank::paintTrace(QPainter& p) const {
    const Trace& trace = shown_->design->trace;
    if (step_ != Step::Body || view_ != TankView::Side || !trace.shown || picture_.isNull()) {
        return;
    }
    const auto origin = onBody(trace, {0, 0}), across = onBody(trace, {1, 0}),
               down = onBody(trace, {0, 1});
    if (!origin || !across || !down) {
        return;
    }
    auto at = [this](const Eigen::Vector2d& place) { return toPaper({place.x(), 0, place.y()}); };
    const QPointF o = at(*origin), a = at(*across) - o, d = at(*down) - o;
    const double pixel = 1.0 / picture_.width();
    p.save();
    p.setOpacity(0.45);
    p.setTransform(
        QTransform(a.x() * pixel, a.y() * pixel, d.x() * pixel, d.y() * pixel, o.x(), o.y()), true);
    p.setRenderHint(QPainter::SmoothPixmapTransform);
    p.drawImage(0, 0, picture_);
    p.restore();
}

void Tank::paintRuler(QPainter& p) const {
    const Inks& c = inks();
    const bool metric = bench_.bench() == Bench::Metric;
    const double unit = metric ? 0.001 : kInch / 8;
    const int major = metric ? 10 : 8;
    const double top = height() - kRulerHeight;
    p.fillRect(QRectF(0, top, width(), kRulerHeight), c.ground);
    p.setPen(QPen(c.quiet, 1));
    p.setFont(type(Type::Small));
    p.drawLine(QPointF(0, top), QPointF(width(), top));
    const double zero = view_ == TankView::Front ? origin_.x() : toPaper({0, 0, 0}).x();
    const double step = unit * pixelsPerMetre_;
    if (step < 1) {
        return;
    }
    const double widest =
        p.fontMetrics().horizontalAdvance(metric ? QStringLiteral("-100") : QStringLiteral("-10"));
    int every = 1;  // numbers must not run into each other
    for (const int next : {2, 5, 10}) {
        every = step * major * every < widest + 10 ? next : every;
    }
    const int first = int(std::ceil(-zero / step)), last = int(std::floor((width() - zero) / step));
    for (int i = first; i <= last; ++i) {
        const double x = zero + i * step;
        const bool big = i % major == 0;
        if (!big && step < 3) {
            continue;
        }
        p.drawLine(QPointF(x, top), QPointF(x, top + (big ? 9 : (i % (major / 2) == 0 ? 6 : 3))));
        if (big && (i / major) % every == 0) {
            const QString label = metric ? QString::number(i) : QString::number(i / major);
            p.drawText(QRectF(x + 2, top + 4, 60, 16), Qt::AlignLeft | Qt::AlignVCenter, label);
        }
    }
    const QRectF unitBox(width() - 30, top + 1, 30, kRulerHeight - 1);
    p.fillRect(unitBox, c.ground);
    p.drawText(unitBox, Qt::AlignCenter, metric ? QStringLiteral("mm") : QStringLiteral("in"));
}

void Tank::paintCentres(QPainter& p) const {
    const Inks& c = inks();
    const Derived& d = *shown_->derived;
    const bool afloat = d.state != RestState::Sinks && !d.attitudes.empty();
    const Eigen::Vector3d lift =
        afloat ? d.attitudes.front().centreOfBuoyancy_m : d.mass.centreOfBuoyancy_m;
    const QPointF g = toPaper(d.mass.centreOfGravity_m);
    const QPointF b = toPaper(lift);
    p.setPen(QPen(c.ink, 1));
    p.drawLine(g, b);
    paintCentreOfBuoyancy(p, b, 8.5, c.water);
    paintCentreOfGravity(p, g, 5, c.ink);
    if (step_ == Step::Tank) {
        p.setFont(type(Type::Small));
        p.setPen(c.ink);
        const double side = g.x() >= b.x() ? 1.0 : -1.0;
        auto label = [&](const QPointF& at, const QString& text, double dir) {
            const double wide = p.fontMetrics().horizontalAdvance(text) + 10;
            const QRectF box(dir > 0 ? at.x() + 14 : at.x() - 14 - wide, at.y() - 9, wide, 18);
            p.fillRect(box, c.sheet);
            p.drawText(box, Qt::AlignCenter, text);
        };
        label(g, tr("weight"), side);
        p.setPen(c.water);
        label(b, tr("lift"), -side);
    }
}

void Tank::paintHandles(QPainter& p) const {
    const Inks& c = inks();
    const auto all = handles();
    for (int i = 0; i < int(all.size()); ++i) {
        const QPointF at = toPaper(all[size_t(i)].place_m);
        const bool live = i == dragged_ || i == chosen_;
        p.setPen(QPen(live ? c.signal : c.water, live ? 2.0 : 1.3));
        p.setBrush(c.sheet);
        const double r = live || i == hovered_ ? 5.5 : 4.0;
        p.drawRect(QRectF(at.x() - r, at.y() - r, 2 * r, 2 * r));
        if (!live && i != hovered_) {
            continue;
        }
        QStringList values;
        for (const auto& [path, quantity] : all[size_t(i)].fields) {
            if (const auto field = findField(bench_.design(), path.toStdString())) {
                values << bench_.text(quantity, field->value.value_or(0));
            }
        }
        const QString text =
            QStringLiteral("%1: %2").arg(all[size_t(i)].name, values.join(QStringLiteral(", ")));
        p.setFont(type(Type::Body, true));
        const QSizeF size = p.fontMetrics().boundingRect(text).size() + QSizeF(16, 8);
        QRectF box(at + QPointF(12, -size.height() - 8), size);
        box.moveLeft(std::clamp(box.left(), 2.0, std::max(2.0, width() - box.width() - 2)));
        box.moveTop(std::max(box.top(), 2.0));
        p.setPen(QPen(c.rule, 1));
        p.setBrush(c.sheet);
        p.drawRect(box);
        p.setPen(c.ink);
        p.drawText(box, Qt::AlignCenter, text);
    }
}

QString Tank::summary() const {
    const Derived& d = *shown_->derived;
    const QString pitch = bench_.text(Quantity::Angle, std::abs(d.pitch_rad));
    const QString nose = std::abs(d.pitch_rad) < 0.5 * kDegree ? tr("level")
                         : d.pitch_rad > 0                     ? tr("nose up %1").arg(pitch)
                                                               : tr("nose down %1").arg(pitch);
    switch (d.state) {
        case RestState::Floats:
            return tr("Floats, %1, %2 of the back showing")
                .arg(nose, bench_.text(Quantity::Length, d.showing_m));
        case RestState::Suspends:
            return tr("Suspends, %1, drifting at %2 or less")
                .arg(nose, bench_.text(Quantity::Speed, kSuspendSpeed_m_s));
        case RestState::Sinks:
            return tr("Sinks at %1, %2")
                .arg(bench_.text(Quantity::Speed, d.freeFall.speed_m_s), nose);
    }
    return {};
}

void Tank::paintEvent(QPaintEvent*) {
    QPainter p(this);
    p.setRenderHint(QPainter::Antialiasing);
    const Inks& c = inks();
    p.fillRect(rect(), c.sheet);
    const ResultsPtr results = bench_.results();
    const QRectF caption(10, 4, width() - 20, kCaptionHeight);
    if (!shown_) {
        p.setPen(c.quiet);
        p.setFont(type(Type::Body));
        const QString why = results && results->error ? sentence(*results->error, bench_.bench())
                                                      : tr("Reckoning…");
        p.drawText(rect().adjusted(40, 20, -40, -20), Qt::AlignCenter | Qt::TextWordWrap, why);
        return;
    }
    updateFrame();
    paintWater(p);
    paintTrace(p);
    const Derived& d = *shown_->derived;
    const Eigen::Vector3d down =
        view_ == TankView::Top ? Eigen::Vector3d(1, 0, 0) : Eigen::Vector3d(-pose_.up);
    paintBait(
        p, *shown_->design, d, view_, [this](const Eigen::Vector3d& r) { return toPaper(r); },
        pixelsPerMetre_, down, c);
    paintCentres(p);
    paintRuler(p);
    paintHandles(p);
    p.setFont(type(Type::Body, true));
    if (results && results->error) {
        p.setPen(c.signal);
        p.drawText(rect().adjusted(10, 4, -10, 0), Qt::AlignLeft | Qt::AlignTop | Qt::TextWordWrap,
                   QStringLiteral("▲ ") + sentence(*results->error, bench_.bench()) +
                       tr(" Shown: the last bait that could be reckoned."));
        return;
    }
    p.setPen(c.ink);
    p.drawText(caption, Qt::AlignLeft | Qt::AlignVCenter, summary());
    if (hasFocus()) {
        p.setPen(QPen(c.water, 1));
        p.setBrush(Qt::NoBrush);
        p.drawRect(QRectF(rect()).adjusted(0.5, 0.5, -0.5, -0.5));
    }
}

void Tank::mousePressEvent(QMouseEvent* event) {
    const auto all = handles();
    double nearest = kHandleReach;
    for (int i = 0; i < int(all.size()); ++i) {
        const QPointF gap = toPaper(all[size_t(i)].place_m) - event->position();
        if (std::hypot(gap.x(), gap.y()) < nearest) {
            nearest = std::hypot(gap.x(), gap.y());
            dragged_ = i;
        }
    }
    chosen_ = dragged_;
    bench_.document.endGesture();
    update();
}

void Tank::mouseMoveEvent(QMouseEvent* event) {
    const auto all = handles();
    if (dragged_ >= 0 && dragged_ < int(all.size())) {
        moveHandle(dragged_, fromPaper(event->position(), all[size_t(dragged_)].place_m));
        update();
        return;
    }
    int over = -1;
    for (int i = 0; i < int(all.size()); ++i) {
        const QPointF gap = toPaper(all[size_t(i)].place_m) - event->position();
        if (std::hypot(gap.x(), gap.y()) < kHandleReach) {
            over = i;
        }
    }
    if (over != hovered_) {
        hovered_ = over;
        setCursor(over >= 0 ? Qt::SizeAllCursor : Qt::ArrowCursor);
        update();
    }
}

void Tank::mouseReleaseEvent(QMouseEvent*) {
    dragged_ = -1;
    bench_.document.endGesture();
    takeResults();
}

void Tank::keyPressEvent(QKeyEvent* event) {
    const auto all = handles();
    const int count = int(all.size());
    if (count > 0 &&
        (event->key() == Qt::Key_BracketRight || event->key() == Qt::Key_BracketLeft)) {
        const int move = event->key() == Qt::Key_BracketRight ? 1 : -1;
        chosen_ = chosen_ < 0 ? 0 : (chosen_ + move + count) % count;
        bench_.document.endGesture();
        setAccessibleDescription(all[size_t(chosen_)].name);
        update();
        return;
    }
    Eigen::Vector3d way = Eigen::Vector3d::Zero();
    switch (event->key()) {
        case Qt::Key_Left:
            way.x() = -1;
            break;
        case Qt::Key_Right:
            way.x() = 1;
            break;
        case Qt::Key_Up:
            (view_ == TankView::Top ? way.y() : way.z()) = view_ == TankView::Top ? -1 : 1;
            break;
        case Qt::Key_Down:
            (view_ == TankView::Top ? way.y() : way.z()) = view_ == TankView::Top ? 1 : -1;
            break;
        default:
            QWidget::keyPressEvent(event);
            return;
    }
    if (chosen_ < 0 || chosen_ >= count) {
        return;
    }
    const TankHandle& handle = all[size_t(chosen_)];
    // An angle handle moves along its arc: a step of length there is a step of the field.
    const bool angle = handle.fields.front().second == Quantity::Angle;
    double step = benchStep(Quantity::Length, bench_.bench());
    if (angle) {
        const Lip& lip = bench_.design().lip;
        step = lip.length_m * benchStep(Quantity::Angle, bench_.bench());
        const Eigen::Vector3d round(std::sin(lip.angle_rad), 0, -std::cos(lip.angle_rad));
        way = -way.z() * round;
    }
    if (event->modifiers().testFlag(Qt::ShiftModifier)) {
        step *= 10;
    }
    const Eigen::Vector3d free = angle ? Eigen::Vector3d::Ones().eval() : handle.freedom;
    // Steps count from the fields as they are now: the drawing may be an edit behind a held key.
    const std::vector<double> from = handle.follow(handle.place_m);
    const std::vector<double> to = handle.follow(handle.place_m + step * way.cwiseProduct(free));
    std::vector<double> values;
    for (size_t i = 0; i < handle.fields.size(); ++i) {
        const auto field = findField(bench_.design(), handle.fields[i].first.toStdString());
        values.push_back((field ? field->value.value_or(0.0) : 0.0) + to[i] - from[i]);
    }
    setHandle(handle, values);
    update();
}

}  // namespace wl
