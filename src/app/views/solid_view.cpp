#include "app/views/solid_view.h"

#include <QHBoxLayout>
#include <QKeyEvent>
#include <QLabel>
#include <QMouseEvent>
#include <QPainter>
#include <QSignalBlocker>
#include <QVBoxLayout>
#include <algorithm>
#include <cmath>

#include <Eigen/Geometry>

#include "app/kit/plain_label.h"
#include "app/views/bait_painter.h"

namespace wl {
namespace {

constexpr int kSliderSteps = 200;
constexpr double kTurnPerPixel = 0.008;

}  // namespace

SolidCanvas::SolidCanvas(Bait& bait, Workbench& bench, QWidget* parent)
    : QWidget(parent), bait_(bait), bench_(bench) {
    setObjectName(QStringLiteral("solidView"));
    setAccessibleName(tr("The bait as a solid"));
    setFocusPolicy(Qt::StrongFocus);
    connect(&bait_.evaluator, &Evaluator::resultsChanged, this, [this] {
        takeResults();
        update();
    });
    connect(&bench_, &Workbench::benchChanged, this, qOverload<>(&SolidCanvas::update));
    takeResults();
}

void SolidCanvas::takeResults() {
    if (const ResultsPtr r = bait_.results(); r && r->derived) {
        shown_ = r;
        placeMarks_.take(*r);
    }
}

void SolidCanvas::setSection(double share) {
    section_ = std::clamp(share, 0.0, 0.995);
    setAccessibleDescription(sectionWords().join(QStringLiteral("; ")));
    emit sectionMoved(section_);
    update();
}

void SolidCanvas::showMesh(std::optional<TriangleMesh> mesh) {
    other_ = std::move(mesh);
    update();
}

void SolidCanvas::setMarks(std::vector<std::pair<QString, Eigen::Vector3d>> marks) {
    marks_ = std::move(marks);
    update();
}

void SolidCanvas::lookFrom(double turn_rad, double tilt_rad) {
    turn_ = turn_rad;
    tilt_ = tilt_rad;
    update();
}

double SolidCanvas::sectionX() const {
    return shown_ ? section_ * shown_->derived->shape->sizes.length_m : 0.0;
}

std::vector<SolidPart> SolidCanvas::parts() const {
    if (other_) {
        return {{*other_}};
    }
    return shown_ ? solidParts(*shown_->design, *shown_->derived, sectionX())
                  : std::vector<SolidPart>();
}

// Cut open, the words stand in a column of their own.
QRectF SolidCanvas::drawingBox() const {
    constexpr double kWords = 0.34;
    const double left = section_ > 0 && shown_ && !other_ ? kWords * width() : 0.0;
    return {left + 20, 26, width() - left - 40, std::max(20.0, height() - 56.0)};
}

SolidCanvas::Camera SolidCanvas::camera() const {
    // From port with the nose to the left, as the side view, when turned by nothing.
    const Eigen::Vector3d eye(std::sin(turn_) * std::cos(tilt_), -std::cos(turn_) * std::cos(tilt_),
                              std::sin(tilt_));
    const Eigen::Vector3d right = Eigen::Vector3d(-eye.y(), eye.x(), 0).normalized();
    Camera c;
    c.seen = {right, eye.cross(right), eye};
    if (!other_) {
        // The bait's own frame (aft, port, up) is left-handed.
        for (Eigen::Vector3d* axis : {&c.seen.right, &c.seen.up, &c.seen.towards}) {
            axis->y() = -axis->y();
        }
    }
    // Fitted to what is seen at this turn.
    Eigen::Vector2d low = Eigen::Vector2d::Constant(1e9), high = -low;
    Eigen::Vector3d least = Eigen::Vector3d::Constant(1e9), most = -least;
    auto take = [&](const TriangleMesh& mesh) {
        for (const Eigen::Vector3d& v : mesh.vertices_m) {
            const Eigen::Vector2d seen = c.seen.onPaper_mm(v);
            low = low.cwiseMin(seen);
            high = high.cwiseMax(seen);
            least = least.cwiseMin(v);
            most = most.cwiseMax(v);
        }
    };
    if (other_) {
        take(*other_);
    } else if (shown_) {
        for (const BodyPart& part : shown_->derived->shape->parts) {
            take(part.coarse);
        }
    }
    if (low.x() > high.x()) {
        low = Eigen::Vector2d::Zero();
        high = Eigen::Vector2d::Constant(100.0);
        least = most = Eigen::Vector3d::Zero();
    }
    const Eigen::Vector2d middle = 0.5 * (low + high), size = (high - low).cwiseMax(1e-3);
    const double near = c.seen.towards.dot(0.5 * (least + most));
    c.centre =
        1e-3 * middle.x() * c.seen.right + 1e-3 * middle.y() * c.seen.up + near * c.seen.towards;
    const QRectF box = drawingBox();
    c.scale = zoom_ * std::min(box.width() / size.x(), box.height() / size.y());
    return c;
}

QPointF SolidCanvas::project(const Camera& c, const Eigen::Vector3d& place) const {
    const Eigen::Vector2d v = c.scale * c.seen.onPaper_mm(place - c.centre);
    return drawingBox().center() + QPointF(v.x(), -v.y());
}

std::optional<Eigen::Vector3d> SolidCanvas::pick(const QPointF& at) const {
    const Camera c = camera();
    const QPointF from = (at - drawingBox().center()) / (1000.0 * c.scale);
    const Eigen::Vector2d p(from.x(), -from.y());
    std::optional<Eigen::Vector3d> nearest;
    double height = -1e9;
    for (const SolidPart& part : parts()) {
        for (const auto& t : part.mesh.triangles) {
            std::array<Eigen::Vector2d, 3> v;
            std::array<double, 3> near;
            for (size_t k = 0; k < 3; ++k) {
                const Eigen::Vector3d off = part.mesh.vertices_m[size_t(t[k])] - c.centre;
                v[k] = 1e-3 * c.seen.onPaper_mm(off);
                near[k] = c.seen.towards.dot(off);
            }
            auto cross = [](const Eigen::Vector2d& a, const Eigen::Vector2d& b) {
                return a.x() * b.y() - a.y() * b.x();
            };
            const double whole = cross(v[1] - v[0], v[2] - v[0]);
            if (std::abs(whole) < 1e-18) {
                continue;
            }
            const double s = cross(p - v[0], v[2] - v[0]) / whole,
                         u = cross(v[1] - v[0], p - v[0]) / whole;
            if (s < 0 || u < 0 || s + u > 1) {
                continue;
            }
            const double z = near[0] + s * (near[1] - near[0]) + u * (near[2] - near[0]);
            if (z > height) {
                height = z;
                nearest = c.centre + p.x() * c.seen.right + p.y() * c.seen.up + z * c.seen.towards;
            }
        }
    }
    return nearest;
}

void SolidCanvas::paintEvent(QPaintEvent*) {
    QPainter p(this);
    const Inks& c = inks();
    p.fillRect(rect(), c.sheet);
    const Camera cam = camera();
    const MakeKind kind = other_ || !shown_ ? MakeKind::Cast : shown_->design->make.kind;
    const Eigen::Vector2d middle = cam.scale * cam.seen.onPaper_mm(cam.centre);
    paintDrawing(p, drawSolid(parts(), cam.seen),
                 drawingBox().center() - QPointF(middle.x(), -middle.y()), cam.scale,
                 windowStyle(kind, c));
    p.setRenderHint(QPainter::Antialiasing);
    if (section_ > 0 && shown_ && !other_) {
        paintSection(p, cam, sectionX());
    }
    for (const QPointF& at : marks()) {
        placeMarks_.paint(p, at);
    }
    p.setFont(type(Type::Body, true));
    for (const auto& [name, at] : marks_) {
        const QPointF q = project(cam, at);
        p.setPen(QPen(c.signal, 1.8));
        p.setBrush(Qt::NoBrush);
        p.drawEllipse(q, 5, 5);
        p.drawText(q + QPointF(9, -6), name);
    }
    p.setPen(c.ink);
    p.drawText(QRectF(10, 6, drawingBox().left() - 20, height() - 30),
               Qt::AlignLeft | Qt::AlignTop | Qt::TextWordWrap,
               sectionWords().join(QLatin1Char('\n')));
    p.setFont(type(Type::Small));
    p.setPen(c.quiet);
    p.drawText(
        QRectF(10, height() - 20, width() - 20, 18), Qt::AlignLeft | Qt::AlignVCenter,
        placeMarks_.findings().empty()
            ? tr("drag or arrows turn, wheel or + − zoom, Page Up and Down cut")
            : tr("drag or arrows turn, wheel or + − zoom, Page Up and Down cut, M cuts at a mark"));
    if (hasFocus()) {
        p.setPen(QPen(c.water, 1));
        p.setBrush(Qt::NoBrush);
        p.drawRect(QRectF(rect()).adjusted(0.5, 0.5, -0.5, -0.5));
    }
}

void SolidCanvas::mousePressEvent(QMouseEvent* event) {
    last_ = event->position();
    moved_ = false;
}

void SolidCanvas::mouseMoveEvent(QMouseEvent* event) {
    if (!(event->buttons() & Qt::LeftButton)) {
        return;
    }
    const QPointF by = event->position() - last_;
    if (!moved_ && std::hypot(by.x(), by.y()) < 4) {
        return;
    }
    moved_ = true;
    turn_ -= by.x() * kTurnPerPixel;
    tilt_ = std::clamp(tilt_ + by.y() * kTurnPerPixel, -1.5, 1.5);
    last_ = event->position();
    update();
}

void SolidCanvas::mouseReleaseEvent(QMouseEvent* event) {
    if (!moved_) {
        emit picked(event->position());
    }
}

void SolidCanvas::wheelEvent(QWheelEvent* event) {
    zoom_ = std::clamp(zoom_ * std::pow(1.0015, event->angleDelta().y()), 0.3, 12.0);
    update();
}

void SolidCanvas::keyPressEvent(QKeyEvent* event) {
    switch (event->key()) {
        case Qt::Key_Left:
            turn_ -= 0.1;
            break;
        case Qt::Key_Right:
            turn_ += 0.1;
            break;
        case Qt::Key_Up:
            tilt_ = std::min(1.5, tilt_ + 0.1);
            break;
        case Qt::Key_Down:
            tilt_ = std::max(-1.5, tilt_ - 0.1);
            break;
        case Qt::Key_Plus:
        case Qt::Key_Equal:
            zoom_ = std::min(12.0, zoom_ * 1.15);
            break;
        case Qt::Key_Minus:
            zoom_ = std::max(0.3, zoom_ / 1.15);
            break;
        case Qt::Key_PageUp:
        case Qt::Key_PageDown:
            setSection(section_ + (event->key() == Qt::Key_PageDown ? 0.02 : -0.02));
            break;
        case Qt::Key_M:
            sectionAtNextMark();
            break;
        case Qt::Key_Home:
            turn_ = tilt_ = 0;
            zoom_ = 1;
            break;
        default:
            QWidget::keyPressEvent(event);
            return;
    }
    update();
}

SolidView::SolidView(Bait& bait, Workbench& bench, QWidget* parent)
    : QWidget(parent), canvas_(new SolidCanvas(bait, bench)), slider_(new QSlider(Qt::Horizontal)) {
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(0);
    layout->addWidget(canvas_, 1);
    auto* row = new QHBoxLayout;
    row->setContentsMargins(10, 2, 10, 4);
    auto* label = plainLabel(tr("Cut open at"));
    label->setBuddy(slider_);
    row->addWidget(label);
    slider_->setObjectName(QStringLiteral("sectionSlider"));
    slider_->setAccessibleName(tr("Section plane, nose to tail"));
    slider_->setRange(0, kSliderSteps);
    row->addWidget(slider_, 1);
    layout->addLayout(row);
    connect(slider_, &QSlider::valueChanged, this,
            [this](int value) { canvas_->setSection(double(value) / kSliderSteps); });
    connect(canvas_, &SolidCanvas::sectionMoved, this, [this](double share) {
        const QSignalBlocker blocker(slider_);
        slider_->setValue(int(std::lround(share * kSliderSteps)));
    });
}

}  // namespace wl

#include "moc_solid_view.cpp"
