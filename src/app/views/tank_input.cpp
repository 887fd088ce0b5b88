// Mouse and keys of the tank.
#include <QKeyEvent>
#include <QMouseEvent>
#include <cmath>

#include "app/kit/quantity_edit.h"
#include "app/views/tank.h"
#include "core/design/fields.h"

namespace wl {
namespace {

constexpr double kHandleReach = 11.0;

}  // namespace

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
    bait_.document.endGesture();
    if (dragged_ >= 0) {
        bait_.document.hold();
    }
    // Beside every handle: the place for the next thing to be added.
    if (dragged_ < 0 && takesMark() && event->button() == Qt::LeftButton) {
        bench_.setMark(fromPaper(event->position(), Eigen::Vector3d::Zero()));
    }
    update();
}

void Tank::mouseMoveEvent(QMouseEvent* event) {
    const auto all = handles();
    if (dragged_ >= 0 && dragged_ < int(all.size())) {
        // Painted when its bait is reckoned, a few milliseconds on, and not before.
        moveHandle(dragged_, fromPaper(event->position(), all[size_t(dragged_)].place_m));
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
    bait_.document.letGo();
    takeResults();
}

void Tank::keyPressEvent(QKeyEvent* event) {
    const auto all = handles();
    const int count = int(all.size());
    if (count > 0 &&
        (event->key() == Qt::Key_BracketRight || event->key() == Qt::Key_BracketLeft)) {
        const int move = event->key() == Qt::Key_BracketRight ? 1 : -1;
        chosen_ = chosen_ < 0 ? 0 : (chosen_ + move + count) % count;
        bait_.document.endGesture();
        setAccessibleDescription(all[size_t(chosen_)].name);
        update();
        return;
    }
    Eigen::Vector3d way = Eigen::Vector3d::Zero();
    switch (event->key()) {
        case Qt::Key_Escape:
            bench_.setMark({});
            return;
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
        const Lip& lip = bait_.design().lip;
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
        const auto field = findField(bait_.design(), handle.fields[i].first.toStdString());
        values.push_back((field ? field->value.value_or(0.0) : 0.0) + to[i] - from[i]);
    }
    setHandle(handle, values);
    update();
}

}  // namespace wl
