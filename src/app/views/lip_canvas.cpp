#include "app/views/lip_canvas.h"

#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>
#include <cmath>

#include "app/kit/quantity_edit.h"
#include "app/views/bait_painter.h"
#include "core/placed/lip_sheet.h"

namespace wl {
namespace {

constexpr double kLipGrip = 5, kReach = 10;

double onSteps(double m, double step) {
    return std::round(m / step) * step;
}

}  // namespace

LipCanvas::LipCanvas(Workbench& bench, QWidget* parent) : QWidget(parent), bench_(bench) {
    setObjectName(QStringLiteral("lipCanvas"));
    setAccessibleName(tr("The lip laid flat"));
    setMinimumSize(150, 180);
    setFocusPolicy(Qt::StrongFocus);
    setMouseTracking(true);
    connect(&bench.document, &Document::designChanged, this, [this] {
        describe();
        update();
    });
    connect(&bench, &Workbench::benchChanged, this, [this] {
        describe();  // in the other units
        update();
    });
    describe();
}

std::vector<Eigen::Vector2d> LipCanvas::corners() const {
    return lip().present && lip().family == LipFamily::Free ? lipEdge_m(lip())
                                                            : std::vector<Eigen::Vector2d>{};
}

LipCanvas::Scale LipCanvas::scale() const {
    if (dragging_) {
        return held_;
    }
    const ResultsPtr r = bench_.results();
    const double body = r && r->derived ? r->derived->shape->sizes.maxWidth_m : 0.0;
    const double wide = std::max({lip().width_m, lipRootWidth_m(lip()), body});
    const double tall = lip().length_m + lip().slotDepth_m;
    const double s = std::min((width() - 40) / wide, (height() - 60) / tall);
    return {{0.5 * width(), 30 + lip().slotDepth_m * s}, s};
}

QPointF LipCanvas::corner(int index) const {
    const Eigen::Vector2d at = corners()[size_t(index)];
    const Scale s = scale();
    return s.root + QPointF(-at.y(), at.x()) * s.perMetre;
}

Eigen::Vector2d LipCanvas::sheetPlace(const QPointF& at) const {
    const Scale s = scale();
    const QPointF off = (at - s.root) / s.perMetre;
    return {std::max(0.0, off.y()), std::abs(off.x())};
}

int LipCanvas::cornerAt(const QPointF& at) const {
    const double axis = scale().root.x();
    const QPointF starboard(axis - std::abs(at.x() - axis), at.y());
    int nearest = -1;
    double least = kReach;
    for (int i = 0; i < int(corners().size()); ++i) {
        const double away = std::hypot(corner(i).x() - starboard.x(), corner(i).y() - at.y());
        if (away < least) {
            least = away;
            nearest = i;
        }
    }
    return nearest;
}

void LipCanvas::take(std::vector<Eigen::Vector2d> corners, const QString& gesture) {
    Design next = bench_.design();
    next.lip = withLipEdge(next.lip, corners);
    if (!isLipOutline(next.lip.outline)) {
        return;  // corners that would cross stay where they are
    }
    if (gesture.isEmpty()) {
        bench_.document.endGesture();
    }
    bench_.document.submit(std::move(next), tr("Lip's outline"), gesture);
}

void LipCanvas::moveTo(int index, Eigen::Vector2d place) {
    constexpr double kWidest_m = 0.1, kLongest_m = 0.3;
    const double step = benchStep(Quantity::Length, bench_.bench());
    std::vector<Eigen::Vector2d> all = corners();
    if (index < 0 || index >= int(all.size())) {
        return;
    }
    place = {std::clamp(onSteps(place.x(), step), 0.0, kLongest_m),
             std::clamp(onSteps(place.y(), step), 0.0, kWidest_m)};
    if (index == 0) {
        place.x() = 0;
    }
    all[size_t(index)] = place;
    take(std::move(all), QStringLiteral("lip/outline/%1").arg(index));
}

void LipCanvas::addAfter(int index, const Eigen::Vector2d& place) {
    std::vector<Eigen::Vector2d> all = corners();
    if (all.size() >= kMostLipCorners) {
        bench_.say(QStringLiteral("▲ ") +
                   tr("An outline has at most %1 corners.").arg(kMostLipCorners));
        return;
    }
    all.insert(all.begin() + index + 1, place);
    take(std::move(all));
    chosen_ = index + 1;
    describe();
}

void LipCanvas::describe() {
    const std::vector<Eigen::Vector2d> all = corners();
    chosen_ = std::clamp(chosen_, 0, std::max(0, int(all.size()) - 1));
    setToolTip(all.empty() ? QString()
                           : tr("Drag a corner; double click on the edge for a new one. Keys: [ ] "
                                "choose, arrows move, Insert adds, Delete takes away."));
    setAccessibleDescription(
        all.empty() ? tr("drawn from its sizes")
                    : tr("corner %1 of %2: %3 from the skin, %4 off the middle")
                          .arg(chosen_ + 1)
                          .arg(all.size())
                          .arg(bench_.text(Quantity::Length, all[size_t(chosen_)].x()),
                               bench_.text(Quantity::Length, all[size_t(chosen_)].y())));
}

void LipCanvas::mousePressEvent(QMouseEvent* event) {
    const int at = cornerAt(event->position());
    if (at < 0 || event->button() != Qt::LeftButton) {
        return;
    }
    chosen_ = at;
    held_ = scale();
    dragging_ = true;
    bench_.document.endGesture();
    bench_.document.hold();
    describe();
    update();
}

void LipCanvas::mouseMoveEvent(QMouseEvent* event) {
    if (dragging_) {
        moveTo(chosen_, sheetPlace(event->position()));
        return;
    }
    setCursor(cornerAt(event->position()) >= 0 ? Qt::SizeAllCursor : Qt::ArrowCursor);
}

void LipCanvas::mouseReleaseEvent(QMouseEvent*) {
    if (dragging_) {
        dragging_ = false;
        bench_.document.letGo();
        update();
    }
}

void LipCanvas::mouseDoubleClickEvent(QMouseEvent* event) {
    const std::vector<Eigen::Vector2d> all = corners();
    if (cornerAt(event->position()) >= 0) {
        return;
    }
    const Eigen::Vector2d place = sheetPlace(event->position());
    int after = -1;
    double least = kReach / scale().perMetre;
    for (size_t i = 0; i + 1 < all.size(); ++i) {
        const Eigen::Vector2d along = all[i + 1] - all[i];
        const double t = std::clamp((place - all[i]).dot(along) / along.squaredNorm(), 0.0, 1.0);
        const double away = (all[i] + t * along - place).norm();
        if (away < least) {
            least = away;
            after = int(i);
        }
    }
    if (after >= 0) {
        addAfter(after, place);
    }
}

void LipCanvas::keyPressEvent(QKeyEvent* event) {
    const std::vector<Eigen::Vector2d> all = corners();
    if (all.empty()) {
        QWidget::keyPressEvent(event);
        return;
    }
    const int count = int(all.size());
    const double step = benchStep(Quantity::Length, bench_.bench());
    const Eigen::Vector2d at = all[size_t(chosen_)];
    switch (event->key()) {
        case Qt::Key_BracketLeft:
        case Qt::Key_BracketRight:
            chosen_ = (chosen_ + (event->key() == Qt::Key_BracketRight ? 1 : count - 1)) % count;
            bench_.document.endGesture();
            describe();
            update();
            return;
        case Qt::Key_Up:
            return moveTo(chosen_, at - Eigen::Vector2d(step, 0));
        case Qt::Key_Down:
            return moveTo(chosen_, at + Eigen::Vector2d(step, 0));
        case Qt::Key_Left:
            return moveTo(chosen_, at + Eigen::Vector2d(0, step));
        case Qt::Key_Right:
            return moveTo(chosen_, at - Eigen::Vector2d(0, step));
        case Qt::Key_Insert: {
            const int from = std::min(chosen_, count - 2);
            return addAfter(from, 0.5 * (all[size_t(from)] + all[size_t(from) + 1]));
        }
        case Qt::Key_Delete:
            if (count > 2) {
                std::vector<Eigen::Vector2d> fewer = all;
                fewer.erase(fewer.begin() + chosen_);
                take(std::move(fewer));
            }
            return;
        default:
            QWidget::keyPressEvent(event);
    }
}

void LipCanvas::focusInEvent(QFocusEvent* event) {
    describe();
    QWidget::focusInEvent(event);
}

void LipCanvas::paintEvent(QPaintEvent*) {
    QPainter p(this);
    p.setRenderHint(QPainter::Antialiasing);
    const Inks& c = inks();
    p.setFont(type(Type::Small));
    if (!lip().present) {
        p.setPen(c.quiet);
        p.drawText(rect(), Qt::AlignCenter, tr("no lip"));
        return;
    }
    const Scale s = scale();
    const ResultsPtr r = bench_.results();
    const double body = r && r->derived ? r->derived->shape->sizes.maxWidth_m : 0.0;
    if (body > 0) {
        p.setPen(QPen(c.quiet, 1, Qt::DashLine));
        for (const double side : {-0.5, 0.5}) {
            p.drawLine(s.root + QPointF(side * body, -lip().slotDepth_m) * s.perMetre,
                       s.root + QPointF(side * body, lip().length_m) * s.perMetre);
        }
        p.setPen(c.quiet);
        p.drawText(QRectF(0, 0, width(), 18), Qt::AlignCenter, tr("dashed: body"));
    }
    paintDrawing(p, drawFlatLip(bench_.design()), s.root, s.perMetre / 1000,
                 windowStyle(bench_.design().make.kind, c));
    if (bench_.design().tie.place == TiePlace::Lip) {
        p.setPen(c.ink);
        p.drawText(s.root + QPointF(10, bench_.design().tie.upLip_m * s.perMetre + 4), tr("tie"));
    }
    paintCorners(p);
    p.setPen(c.quiet);
    p.drawText(QRectF(0, height() - 20, width(), 18), Qt::AlignCenter,
               bench_.text(Quantity::Area, measureLip(lip()).area_m2));
    if (hasFocus()) {
        p.setPen(QPen(c.water, 1));
        p.setBrush(Qt::NoBrush);
        p.drawRect(QRectF(rect()).adjusted(0.5, 0.5, -0.5, -0.5));
    }
}

void LipCanvas::paintCorners(QPainter& p) const {
    const Inks& c = inks();
    const std::vector<Eigen::Vector2d> all = corners();
    for (int i = 0; i < int(all.size()); ++i) {
        const QPointF at = corner(i);
        const QPointF twin(2 * scale().root.x() - at.x(), at.y());
        const bool chosen = i == chosen_ && (hasFocus() || dragging_);
        p.setPen(QPen(chosen ? c.signal : c.ink, chosen ? 2 : 1));
        p.setBrush(c.sheet);
        for (const QPointF& place : {at, twin}) {
            p.drawRect(
                QRectF(place - QPointF(kLipGrip, kLipGrip), QSizeF(2 * kLipGrip, 2 * kLipGrip)));
        }
        if (chosen) {
            p.setPen(c.ink);
            const QString words = QStringLiteral("%1 · %2").arg(
                bench_.text(Quantity::Length, all[size_t(i)].x(), false),
                bench_.text(Quantity::Length, all[size_t(i)].y()));
            const bool low = at.y() > height() - 50;
            p.drawText(QRectF(0, at.y() + (low ? -24 : 8), width(), 16), Qt::AlignHCenter, words);
        }
    }
}

}  // namespace wl

#include "moc_lip_canvas.cpp"
