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

std::vector<SwungPiece> SwingView::pieces() const {
    return swungPieces(*shown_->derived, swings_);
}

QPointF SwingView::onPaper(const Eigen::Vector2d& mm) const {
    return nose_ + scale_ * QPointF(mm.x(), -mm.y());
}

QPointF SwingView::place(const SwungPiece& piece, double x, double y) const {
    return onPaper(piece.at_mm(x, y));
}

// The whole chain as it is swung now fits the pane; the paper stays put under a drag.
void SwingView::frame(const Drawing& drawing) {
    if (dragged_ >= 0) {
        return;
    }
    const auto [left, low, right, high] = extent_mm(drawing);
    constexpr double kTop = 48, kBottom = 40, kSide = 40;
    scale_ = std::min((width() - 2 * kSide) / std::max(1.0, right - left),
                      (height() - kTop - kBottom) / std::max(1.0, high - low));
    nose_ = QPointF(0.5 * width() - scale_ * 0.5 * (left + right),
                    kTop + 0.5 * (height() - kTop - kBottom) + scale_ * 0.5 * (low + high));
}

QPointF SwingView::pieceMiddle(int piece) const {
    const SwungPiece at = pieces().at(size_t(piece));
    return place(at, 0.5 * (at.fromX_m + at.toX_m), 0);
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
    const Drawing drawing = drawSwung(*shown_->design, d, pieces());
    frame(drawing);
    p.drawText(QRectF(10, 4, width() - 20, 40), Qt::AlignLeft | Qt::AlignTop | Qt::TextWordWrap,
               readout());
    paintDrawing(p, drawing, nose_, scale_, windowStyle(shown_->design->make.kind, c));
    paintSidePieces(p);
    paintMarks(p);
    p.setPen(c.quiet);
    p.setFont(type(Type::Small));
    p.drawText(QRectF(10, height() - 20, width() - 20, 18), Qt::AlignLeft | Qt::AlignVCenter,
               tr("drag a piece, or [ ] to choose and ← → to swing, Shift for ten degrees"));
}

// The fan of what hangs at the sides, about its pin.
void SwingView::paintSidePieces(QPainter& p) const {
    const Derived& d = *shown_->derived;
    const auto all = pieces();
    p.setPen(QPen(inks().water, 1, Qt::DotLine));
    for (const BodyPart& part : d.shape->parts) {
        if (!part.appendage) {
            continue;
        }
        const Appendage& a = shown_->design->appendages[part.index];
        const SwungPiece& on = all[pieceAt(shown_->design->joints, part.pivot_m.x())];
        const QPointF pin = place(on, part.pivot_m.x(), part.pivot_m.y());
        const double reach = 1000.0 * scale_ * overallSize(a.body).length_m;
        for (const double side : {1.0, -1.0}) {
            for (const double end : {-1.0, 1.0}) {
                const double turn = on.turned_rad + side * a.splay_rad + end * a.swing_rad;
                if (part.side == 0 || part.side == side) {
                    p.drawLine(pin, pin + reach * QPointF(std::cos(turn), std::sin(turn)));
                }
            }
        }
    }
}

// The piece in hand, the fan each may sweep, how far it is swung and where it touches.
void SwingView::paintMarks(QPainter& p) const {
    const Inks& c = inks();
    const Derived& d = *shown_->derived;
    const auto all = pieces();
    const int live = dragged_ >= 0 ? dragged_ : hasFocus() ? chosen_ : -1;
    for (size_t i = 0; i < swings_.size(); ++i) {
        const SwungPiece &before = all[i], &piece = all[i + 1];
        const JointCut& cut = d.shape->joints[i];
        const double stop = cut.opening.opening_rad;
        const QPointF pin = onPaper(piece.pin_mm);
        const double reach = 0.16 * d.shape->sizes.length_m * 1000.0 * scale_;
        p.setPen(QPen(c.water, 1, Qt::DotLine));
        for (const double side : {-1.0, 1.0}) {
            const double a = before.turned_rad + side * std::min(stop, kPi);
            p.drawLine(pin, pin + reach * QPointF(std::cos(a), std::sin(a)));
        }
        const bool atStop = std::abs(std::abs(swings_[i]) - stop) < kTouching_rad && stop > 0;
        p.setPen(QPen(atStop ? c.signal : c.steel, 1.6));
        p.setBrush(c.sheet);
        p.drawEllipse(pin, 4, 4);
        p.setBrush(Qt::NoBrush);
        if (int(i) == live) {
            p.setPen(QPen(c.water, 2.2));
            p.drawLine(place(piece, piece.fromX_m, 0), place(piece, piece.toX_m, 0));
            p.drawEllipse(pin, 6, 6);
        }
        if (atStop) {
            const double side = swings_[i] > 0 ? 1 : -1;
            p.setPen(QPen(c.signal, 1.6));
            p.drawEllipse(
                place(before, cut.frontPieceFace.x_m + cut.frontPieceFace.slope * cut.frontEdge_m,
                      side * cut.frontEdge_m),
                7, 7);
        }
        p.setFont(type(Type::Small));
        p.setPen(c.ink);
        p.drawText(
            QRectF(pin.x() - 40, pin.y() + 600.0 * d.shape->sizes.maxWidth_m * scale_ + 4, 80, 16),
            Qt::AlignCenter, bench_.text(Quantity::Angle, swings_[i]));
    }
}

void SwingView::mousePressEvent(QMouseEvent* event) {
    setFocus(Qt::MouseFocusReason);
    if (!shown_) {
        return;
    }
    const auto all = pieces();
    dragged_ = -1;
    for (int i = int(swings_.size()); i > 0; --i) {
        const SwungPiece& piece = all[size_t(i)];
        const QPointF from = event->position() - onPaper(piece.pin_mm);
        const double cosine = std::cos(piece.turned_rad), sine = std::sin(piece.turned_rad);
        const double along = cosine * from.x() + sine * from.y();
        const double across = cosine * from.y() - sine * from.x();
        if (along > 0 && along < 1000.0 * scale_ * (piece.toX_m - piece.fromX_m) &&
            std::abs(across) < 600.0 * scale_ * shown_->derived->shape->sizes.maxWidth_m) {
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
    const auto all = pieces();
    const QPointF from = event->position() - onPaper(all[size_t(dragged_) + 1].pin_mm);
    swingTo(
        dragged_,
        std::remainder(std::atan2(from.y(), from.x()) - all[size_t(dragged_)].turned_rad, 2 * kPi));
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

#include "moc_swing_view.cpp"
