#include "app/views/swing_view.h"

#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>
#include <QPainterPath>
#include <algorithm>
#include <cmath>

#include "app/views/bait_painter.h"
#include "core/shape/edit_body.h"

namespace wl {
namespace {

constexpr double kTouching_rad = 0.02 * kDegree;

}  // namespace

SwingView::SwingView(Bait& bait, Workbench& bench, QWidget* parent)
    : QWidget(parent), bait_(bait), bench_(bench) {
    setObjectName(QStringLiteral("swingView"));
    setAccessibleName(tr("The chain from above, pieces swinging to their stops"));
    setFocusPolicy(Qt::StrongFocus);
    connect(&bait_.evaluator, &Evaluator::resultsChanged, this, [this] {
        const ResultsPtr r = bait_.results();
        if (r && r->derived) {
            shown_ = r;
            swings_.resize(r->derived->shape->joints.size(), 0.0);
            for (size_t i = 0; i < swings_.size(); ++i) {
                const double stop = r->derived->shape->joints[i].opening.opening_rad;
                swings_[i] = std::clamp(swings_[i], -stop, stop);
            }
            chosen_ = std::clamp(chosen_, 0, std::max(0, int(swings_.size()) - 1));
            setAccessibleDescription(readout());
        }
        update();
    });
    connect(&bench_, &Workbench::benchChanged, this, qOverload<>(&SwingView::update));
}

double SwingView::pinX(int joint) const {
    return shown_->derived->shape->joints[size_t(joint)].pinX_m;
}

QPointF SwingView::place(const Pose& pose, double fromPinX, double y) const {
    const double c = std::cos(pose.turned), s = std::sin(pose.turned);
    return pose.pin + scale_ * QPointF(c * fromPinX - s * y, s * fromPinX + c * y);
}

std::vector<SwingView::Pose> SwingView::poses() const {
    std::vector<Pose> all{{nose_, 0.0}};
    double from = 0;
    for (size_t i = 0; i < swings_.size(); ++i) {
        const QPointF pin = place(all.back(), pinX(int(i)) - from, 0);
        all.push_back({pin, all.back().turned + swings_[i]});
        from = pinX(int(i));
    }
    return all;
}

// The whole chain as it is swung now fits the pane; the paper stays put under a drag.
void SwingView::frame() {
    if (!shown_ || dragged_ >= 0) {
        return;
    }
    scale_ = 1000;
    nose_ = QPointF(0, 0);
    const auto all = poses();
    const double half = 0.5 * shown_->derived->shape->sizes.maxWidth_m;
    QRectF box(0, -half * scale_, 1, 2 * half * scale_);
    for (size_t i = 0; i < all.size(); ++i) {
        const double from = i == 0 ? 0.0 : pinX(int(i) - 1);
        const double to =
            i < swings_.size() ? pinX(int(i)) : shown_->derived->shape->sizes.length_m;
        for (const double y : {-half, half}) {
            const QPointF end = place(all[i], to - from, y);
            box = box.united(QRectF(end - QPointF(0.5, 0.5), QSizeF(1, 1)));
        }
    }
    constexpr double kTop = 48, kBottom = 40, kSide = 40;
    const double fit =
        std::min((width() - 2 * kSide) / box.width(), (height() - kTop - kBottom) / box.height());
    scale_ *= fit;
    nose_ = QPointF(0.5 * width() - fit * box.center().x(),
                    kTop + 0.5 * (height() - kTop - kBottom) - fit * box.center().y());
}

QPointF SwingView::pieceMiddle(int piece) const {
    const auto all = poses();
    const double from = piece == 0 ? 0.0 : pinX(piece - 1);
    const double to =
        piece < int(swings_.size()) ? pinX(piece) : shown_->derived->shape->sizes.length_m;
    return place(all.at(size_t(piece)), 0.5 * (to - from), 0);
}

QString SwingView::readout() const {
    if (!shown_ || shown_->derived->shape->joints.empty()) {
        return {};
    }
    QStringList lines;
    for (size_t i = 0; i < swings_.size(); ++i) {
        const JointCut& cut = shown_->derived->shape->joints[i];
        const double left = clearanceAt(cut.plan, swings_[i]);
        const bool atStop =
            std::abs(std::abs(swings_[i]) - cut.opening.opening_rad) < kTouching_rad;
        QString touch;
        if (atStop) {
            touch = cut.opening.stop == JointStop::Pocket     ? tr("metal touches its pocket")
                    : cut.opening.stop == JointStop::Hardware ? tr("the hardware binds")
                                                              : tr("the faces touch");
        } else {
            touch = tr("%1 clear").arg(bench_.text(Quantity::Length, left));
        }
        lines << tr("%1: %2 of ±%3, %4")
                     .arg(QString::fromStdString(shown_->design->joints[i].name),
                          bench_.text(Quantity::Angle, swings_[i]),
                          bench_.text(Quantity::Angle, cut.opening.opening_rad), touch);
    }
    return lines.join(QStringLiteral("   ·   "));
}

void SwingView::swingTo(int joint, double angle) {
    if (!shown_ || joint < 0 || joint >= int(swings_.size())) {
        return;
    }
    const double stop = shown_->derived->shape->joints[size_t(joint)].opening.opening_rad;
    swings_[size_t(joint)] = std::clamp(angle, -stop, stop);
    setAccessibleDescription(readout());
    update();
}

void SwingView::paintEvent(QPaintEvent*) {
    QPainter p(this);
    p.setRenderHint(QPainter::Antialiasing);
    const Inks& c = inks();
    p.fillRect(rect(), c.sheet);
    p.fillRect(rect(), c.waterFill);
    p.setFont(type(Type::Body, true));
    p.setPen(c.ink);
    if (!shown_) {
        return;
    }
    const Derived& d = *shown_->derived;
    if (d.shape->joints.empty() && d.shape->parts.size() == 1) {
        p.setFont(type(Type::Body));
        p.setPen(c.quiet);
        p.drawText(rect().adjusted(40, 10, -40, -10), Qt::AlignCenter | Qt::TextWordWrap,
                   tr("One piece. “Cut a joint” below parts the bait; its pieces can then be swung "
                      "here to see how far they open."));
        return;
    }
    frame();
    p.drawText(QRectF(10, 4, width() - 20, 40), Qt::AlignLeft | Qt::AlignTop | Qt::TextWordWrap,
               readout());
    const auto outlines = bodyOutlines(d, DrawnView::Top);
    const auto all = poses();
    double from = 0;
    for (size_t i = 0; i < all.size() && i < outlines.size(); ++i) {
        if (i > 0) {
            from = pinX(int(i) - 1);
        }
        QPolygonF shape;
        for (const Eigen::Vector3d& v : outlines[i]) {
            shape << place(all[i], v.x() - from, v.y());
        }
        const bool live = (dragged_ >= 0 && int(i) == dragged_ + 1) ||
                          (dragged_ < 0 && hasFocus() && int(i) == chosen_ + 1);
        p.setPen(QPen(live ? c.water : c.ink, live ? 2.2 : 1.6));
        p.setBrush(stockColour(shown_->design->make.kind, c));
        p.drawPolygon(shape, Qt::WindingFill);
        const double to = i < swings_.size() ? pinX(int(i)) : d.shape->sizes.length_m;
        QPen centre(c.quiet, 0.8);
        centre.setDashPattern({12, 4, 3, 4});
        p.setPen(centre);
        p.drawLine(place(all[i], 0, 0), place(all[i], to - from, 0));
    }
    // Side pieces ride on the piece they hang on, drawn at rest with the fan of their swing.
    for (size_t k = swings_.size() + 1; k < d.shape->parts.size() && k < outlines.size(); ++k) {
        const BodyPart& part = d.shape->parts[k];
        const size_t on = pieceAt(shown_->design->joints, part.pivot_m.x());
        const double base = on == 0 ? 0.0 : pinX(int(on) - 1);
        QPolygonF shape;
        for (const Eigen::Vector3d& v : outlines[k]) {
            shape << place(all[on], v.x() - base, v.y());
        }
        p.setPen(QPen(c.ink, 1.2));
        p.setBrush(stockColour(shown_->design->make.kind, c));
        p.drawPolygon(shape, Qt::WindingFill);
        const Appendage& a = shown_->design->appendages[part.index];
        const QPointF pin = place(all[on], part.pivot_m.x() - base, part.pivot_m.y());
        p.setPen(QPen(c.water, 1, Qt::DotLine));
        for (const double side : {1.0, -1.0}) {
            for (const double end : {-1.0, 1.0}) {
                const double turn = all[on].turned + side * a.splay_rad + end * a.swing_rad;
                if (part.side == 0 || part.side == side) {
                    p.drawLine(pin, pin + overallSize(a.body).length_m * scale_ *
                                              QPointF(std::cos(turn), std::sin(turn)));
                }
            }
        }
    }
    for (size_t i = 0; i < swings_.size(); ++i) {
        const Pose& pose = all[i + 1];
        const JointCut& cut = d.shape->joints[i];
        const double stop = cut.opening.opening_rad;
        // The fan the piece may sweep, from where it hangs.
        const double reach = 0.16 * d.shape->sizes.length_m * scale_;
        p.setPen(QPen(c.water, 1, Qt::DotLine));
        for (const double side : {-1.0, 1.0}) {
            const double a = all[i].turned + side * std::min(stop, kPi);
            p.drawLine(pose.pin, pose.pin + reach * QPointF(std::cos(a), std::sin(a)));
        }
        const bool atStop = std::abs(std::abs(swings_[i]) - stop) < kTouching_rad && stop > 0;
        p.setPen(QPen(atStop ? c.signal : c.steel, 1.6));
        p.setBrush(c.sheet);
        p.drawEllipse(pose.pin, 4, 4);
        if (atStop) {
            const double side = swings_[i] > 0 ? 1 : -1;
            const QPointF touch =
                place(all[i],
                      cut.frontPieceFace.x_m + cut.frontPieceFace.slope * cut.frontEdge_m -
                          (i > 0 ? pinX(int(i) - 1) : 0.0),
                      side * cut.frontEdge_m);
            p.setBrush(Qt::NoBrush);
            p.drawEllipse(touch, 7, 7);
        }
        p.setFont(type(Type::Small));
        p.setPen(c.ink);
        p.drawText(QRectF(pose.pin.x() - 40,
                          pose.pin.y() + 0.6 * d.shape->sizes.maxWidth_m * scale_ + 4, 80, 16),
                   Qt::AlignCenter, bench_.text(Quantity::Angle, swings_[i]));
    }
    p.setPen(c.quiet);
    p.setFont(type(Type::Small));
    p.drawText(QRectF(10, height() - 20, width() - 20, 18), Qt::AlignLeft | Qt::AlignVCenter,
               tr("drag a piece, or [ ] to choose and ← → to swing, Shift for ten degrees"));
}

void SwingView::mousePressEvent(QMouseEvent* event) {
    setFocus(Qt::MouseFocusReason);
    if (!shown_) {
        return;
    }
    const auto all = poses();
    dragged_ = -1;
    for (int i = int(swings_.size()); i > 0; --i) {
        const Pose& pose = all[size_t(i)];
        const QPointF d = event->position() - pose.pin;
        const double along = std::cos(pose.turned) * d.x() + std::sin(pose.turned) * d.y();
        const double across = -std::sin(pose.turned) * d.x() + std::cos(pose.turned) * d.y();
        const double to =
            i < int(swings_.size()) ? pinX(i) : shown_->derived->shape->sizes.length_m;
        if (along > 0 && along < (to - pinX(i - 1)) * scale_ &&
            std::abs(across) < 0.6 * shown_->derived->shape->sizes.maxWidth_m * scale_) {
            dragged_ = i - 1;
            chosen_ = dragged_;
            break;
        }
    }
    update();
}

void SwingView::mouseMoveEvent(QMouseEvent* event) {
    if (dragged_ < 0 || !shown_) {
        return;
    }
    const auto all = poses();
    const QPointF d = event->position() - all[size_t(dragged_) + 1].pin;
    swingTo(dragged_,
            std::remainder(std::atan2(d.y(), d.x()) - all[size_t(dragged_)].turned, 2 * kPi));
}

void SwingView::mouseReleaseEvent(QMouseEvent*) {
    dragged_ = -1;
    update();
}

void SwingView::keyPressEvent(QKeyEvent* event) {
    const int count = int(swings_.size());
    if (count == 0) {
        QWidget::keyPressEvent(event);
        return;
    }
    const double step = (event->modifiers().testFlag(Qt::ShiftModifier) ? 10 : 1) * kDegree;
    switch (event->key()) {
        case Qt::Key_BracketLeft:
        case Qt::Key_BracketRight:
            chosen_ = (chosen_ + (event->key() == Qt::Key_BracketRight ? 1 : count - 1)) % count;
            update();
            break;
        case Qt::Key_Left:
        case Qt::Key_Up:
            swingTo(chosen_, swings_[size_t(chosen_)] - step);
            break;
        case Qt::Key_Right:
        case Qt::Key_Down:
            swingTo(chosen_, swings_[size_t(chosen_)] + step);
            break;
        case Qt::Key_Home:
            swingTo(chosen_, 0.0);
            break;
        default:
            QWidget::keyPressEvent(event);
    }
}

}  // namespace wl
