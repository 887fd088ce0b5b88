#include "app/dialogs/trace_canvas.h"

#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>
#include <cmath>

#include "app/kit/theme.h"
#include "core/shape/trace_profile.h"

namespace wl {
namespace {

constexpr double kReach = 9;

}  // namespace

TraceCanvas::TraceCanvas(QImage picture, Trace trace, QWidget* parent)
    : QWidget(parent), picture_(std::move(picture)), trace_(std::move(trace)) {
    setObjectName(QStringLiteral("traceView"));
    setAccessibleName(tr("The picture being traced"));
    setFocusPolicy(Qt::StrongFocus);
}

void TraceCanvas::setTrace(Trace trace) {
    trace_ = std::move(trace);
    update();
    emit traced();
}

void TraceCanvas::setTool(Tool tool) {
    tool_ = tool;
    update();
}

std::vector<PicturePoint>& TraceCanvas::list() {
    return tool_ == Tool::Scale  ? trace_.scale
           : tool_ == Tool::Axis ? trace_.axis
           : tool_ == Tool::Back ? trace_.back
                                 : trace_.belly;
}

QRectF TraceCanvas::pictureBox() const {
    QSizeF size = picture_.size();
    size.scale(QSizeF(width() - 16, height() - 16), Qt::KeepAspectRatio);
    return {QPointF(0.5 * (width() - size.width()), 0.5 * (height() - size.height())), size};
}

QPointF TraceCanvas::toPaper(const PicturePoint& p) const {
    const QRectF box = pictureBox();
    return box.topLeft() + box.width() * QPointF(p.across, p.down);
}

PicturePoint TraceCanvas::fromPaper(const QPointF& at) const {
    const QRectF box = pictureBox();
    const double most = box.height() / box.width();
    return {std::clamp((at.x() - box.left()) / box.width(), 0.0, 1.0),
            std::clamp((at.y() - box.top()) / box.width(), 0.0, most)};
}

void TraceCanvas::paintEvent(QPaintEvent*) {
    QPainter p(this);
    const Inks& c = inks();
    p.fillRect(rect(), c.ground);
    p.setRenderHints(QPainter::Antialiasing | QPainter::SmoothPixmapTransform);
    p.drawImage(pictureBox(), picture_);
    auto draw = [&](const std::vector<PicturePoint>& points, const QString& name, Tool tool,
                    bool joined) {
        const bool live = tool == tool_;
        p.setPen(QPen(live ? c.signal : c.water, live ? 2.0 : 1.4,
                      joined ? Qt::SolidLine : Qt::DashLine));
        QPolygonF line;
        for (const PicturePoint& q : points) {
            line << toPaper(q);
        }
        p.setBrush(Qt::NoBrush);
        p.drawPolyline(line);
        p.setBrush(c.sheet);
        for (const QPointF& q : line) {
            p.drawRect(QRectF(q.x() - 3.5, q.y() - 3.5, 7, 7));
        }
        if (!line.isEmpty()) {
            p.setFont(type(Type::Small));
            const QRectF tag(line.front() + QPointF(8, -20),
                             QSizeF(p.fontMetrics().horizontalAdvance(name) + 10, 17));
            p.fillRect(tag, c.sheet);
            p.drawText(tag, Qt::AlignCenter, name);
        }
    };
    auto sorted = [this](std::vector<PicturePoint> points) {
        std::sort(points.begin(), points.end(),
                  [this](const PicturePoint& a, const PicturePoint& b) {
                      const auto first = onBody(trace_, a), second = onBody(trace_, b);
                      return first && second ? first->x() < second->x() : a.across < b.across;
                  });
        return points;
    };
    draw(trace_.scale, tr("known length"), Tool::Scale, false);
    draw(trace_.axis, tr("axis"), Tool::Axis, false);
    draw(sorted(trace_.back), tr("back"), Tool::Back, true);
    draw(sorted(trace_.belly), tr("belly"), Tool::Belly, true);
}

void TraceCanvas::mousePressEvent(QMouseEvent* event) {
    setFocus(Qt::MouseFocusReason);
    std::vector<PicturePoint>& points = list();
    dragged_ = -1;
    for (size_t i = 0; i < points.size(); ++i) {
        const QPointF gap = toPaper(points[i]) - event->position();
        if (std::hypot(gap.x(), gap.y()) < kReach) {
            dragged_ = int(i);
        }
    }
    const size_t most = tool_ == Tool::Scale || tool_ == Tool::Axis ? 2 : 60;
    if (dragged_ < 0) {
        if (points.size() >= most) {
            if (most > 2) {
                return;
            }
            points.clear();  // a third click begins the pair again
        }
        points.push_back(fromPaper(event->position()));
        dragged_ = int(points.size()) - 1;
    }
    update();
    emit traced();
}

void TraceCanvas::mouseMoveEvent(QMouseEvent* event) {
    if (dragged_ >= 0 && dragged_ < int(list().size())) {
        list()[size_t(dragged_)] = fromPaper(event->position());
        update();
        emit traced();
    }
}

void TraceCanvas::mouseReleaseEvent(QMouseEvent*) {
    dragged_ = -1;
}

void TraceCanvas::keyPressEvent(QKeyEvent* event) {
    std::vector<PicturePoint>& points = list();
    const double step = event->modifiers().testFlag(Qt::ShiftModifier) ? 0.0005 : 0.005;
    double across = 0, down = 0;
    switch (event->key()) {
        case Qt::Key_Delete:
        case Qt::Key_Backspace:
            if (!points.empty()) {
                points.pop_back();
            }
            break;
        case Qt::Key_Insert:
            if (points.size() < (tool_ == Tool::Scale || tool_ == Tool::Axis ? 2u : 60u)) {
                points.push_back(points.empty() ? PicturePoint{0.5, 0.5 * pictureBox().height() /
                                                                        pictureBox().width()}
                                                : points.back());
            }
            break;
        case Qt::Key_Left:
            across = -step;
            break;
        case Qt::Key_Right:
            across = step;
            break;
        case Qt::Key_Up:
            down = -step;
            break;
        case Qt::Key_Down:
            down = step;
            break;
        default:
            QWidget::keyPressEvent(event);
            return;
    }
    if (!points.empty()) {
        points.back().across += across;
        points.back().down += down;
    }
    update();
    emit traced();
}

}  // namespace wl

#include "moc_trace_canvas.cpp"
