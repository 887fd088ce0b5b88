#include "app/views/cadence_strip.h"

#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>
#include <cmath>
#include <numeric>

#include "app/kit/fit_text.h"

namespace wl {
namespace {

constexpr double kLeft = 8, kRight = 8, kTop = 20, kBottom = 22, kGrip = 7, kPause = 4;
constexpr double kSpeedStep_m_s = 0.05, kTimeStep_s = 0.1;
constexpr double kFastest_m_s = 4.0, kLongest_s = 60.0;

}  // namespace

CadenceStrip::CadenceStrip(Workbench& bench, QWidget* parent) : QWidget(parent), bench_(bench) {
    setObjectName(QStringLiteral("cadenceStrip"));
    setAccessibleName(tr("Cadence: speed and time of each part"));
    setMinimumSize(200, 100);
    setFocusPolicy(Qt::StrongFocus);
    setMouseTracking(true);
    setToolTip(
        tr("Drag the top of a bar for its speed, its right edge for its time. Keys: [ ] "
           "choose, arrows change."));
    connect(&bench_.document, &Document::designChanged, this, [this] {
        describe();
        update();
    });
    connect(&bench_, &Workbench::benchChanged, this, qOverload<>(&CadenceStrip::update));
}

double CadenceStrip::fastest() const {
    double most = 1.0;
    for (const CadenceStep& s : parts()) {
        most = std::max(most, s.speed_m_s);
    }
    return grip_ == Grip::None ? most : heldFastest_;
}

double CadenceStrip::longest() const {
    const double sum =
        std::accumulate(parts().begin(), parts().end(), 0.0,
                        [](double all, const CadenceStep& s) { return all + s.time_s; });
    return grip_ == Grip::None ? std::max(sum, 0.1) : heldLongest_;
}

QRectF CadenceStrip::bar(int part) const {
    double before = 0;
    for (int i = 0; i < part; ++i) {
        before += parts()[size_t(i)].time_s;
    }
    const CadenceStep& s = parts()[size_t(part)];
    const double perSecond = (width() - kLeft - kRight) / longest();
    const double room = height() - kTop - kBottom;
    const double high =
        s.speed_m_s > 0 ? std::max(kPause + 1, room * s.speed_m_s / fastest()) : kPause;
    return {kLeft + before * perSecond, height() - kBottom - high, s.time_s * perSecond, high};
}

CadenceStrip::Grip CadenceStrip::gripAt(const QPointF& at, int& part) const {
    for (int i = 0; i < int(parts().size()); ++i) {
        const QRectF b = bar(i);
        if (std::abs(at.x() - b.right()) < kGrip) {
            part = i;
            return Grip::Edge;
        }
        if (at.x() >= b.left() && at.x() < b.right()) {
            part = i;
            return std::abs(at.y() - b.top()) < kGrip + 3 ? Grip::Top : Grip::None;
        }
    }
    part = -1;
    return Grip::None;
}

void CadenceStrip::change(int part, double speed, double time) {
    Design next = bench_.design();
    CadenceStep& s = next.brief.cadence[size_t(part)];
    s.speed_m_s =
        std::clamp(std::round(speed / kSpeedStep_m_s) * kSpeedStep_m_s, 0.0, kFastest_m_s);
    s.time_s = std::clamp(std::round(time / kTimeStep_s) * kTimeStep_s, kTimeStep_s, kLongest_s);
    bench_.document.submit(std::move(next), tr("Cadence"), QStringLiteral("cadence/%1").arg(part));
}

void CadenceStrip::describe() {
    chosen_ = std::clamp(chosen_, 0, std::max(0, int(parts().size()) - 1));
    if (parts().empty()) {
        setAccessibleDescription(tr("reeled in at one speed"));
        return;
    }
    const CadenceStep& s = parts()[size_t(chosen_)];
    setAccessibleDescription(
        tr("part %1: %2 for %3")
            .arg(chosen_ + 1)
            .arg(bench_.text(Quantity::Speed, s.speed_m_s), bench_.text(Quantity::Time, s.time_s)));
}

void CadenceStrip::mousePressEvent(QMouseEvent* event) {
    int part = -1;
    const Grip grip = gripAt(event->position(), part);
    if (part >= 0) {
        chosen_ = part;
        describe();
    }
    heldFastest_ = fastest();
    heldLongest_ = longest();
    bench_.document.endGesture();
    if (grip != Grip::None) {
        bench_.document.hold();
    }
    grip_ = grip;
    update();
}

void CadenceStrip::mouseMoveEvent(QMouseEvent* event) {
    if (grip_ == Grip::None) {
        int part = -1;
        const Grip over = gripAt(event->position(), part);
        setCursor(over == Grip::Top    ? Qt::SizeVerCursor
                  : over == Grip::Edge ? Qt::SizeHorCursor
                                       : Qt::ArrowCursor);
        return;
    }
    if (chosen_ >= int(parts().size())) {
        return;
    }
    const CadenceStep& s = parts()[size_t(chosen_)];
    if (grip_ == Grip::Top) {
        const double room = height() - kTop - kBottom;
        change(chosen_, (height() - kBottom - event->position().y()) / room * heldFastest_,
               s.time_s);
    } else {
        const double perSecond = (width() - kLeft - kRight) / heldLongest_;
        change(chosen_, s.speed_m_s, (event->position().x() - bar(chosen_).left()) / perSecond);
    }
}

void CadenceStrip::mouseReleaseEvent(QMouseEvent*) {
    grip_ = Grip::None;
    bench_.document.letGo();
    update();
}

void CadenceStrip::keyPressEvent(QKeyEvent* event) {
    if (parts().empty()) {
        QWidget::keyPressEvent(event);
        return;
    }
    const int count = int(parts().size());
    const CadenceStep s = parts()[size_t(std::min(chosen_, count - 1))];
    switch (event->key()) {
        case Qt::Key_BracketLeft:
        case Qt::Key_BracketRight:
            chosen_ = (chosen_ + (event->key() == Qt::Key_BracketRight ? 1 : count - 1)) % count;
            bench_.document.endGesture();
            describe();
            update();
            return;
        case Qt::Key_Up:
            change(chosen_, s.speed_m_s + kSpeedStep_m_s, s.time_s);
            return;
        case Qt::Key_Down:
            change(chosen_, s.speed_m_s - kSpeedStep_m_s, s.time_s);
            return;
        case Qt::Key_Right:
            change(chosen_, s.speed_m_s, s.time_s + kTimeStep_s);
            return;
        case Qt::Key_Left:
            change(chosen_, s.speed_m_s, s.time_s - kTimeStep_s);
            return;
        default:
            QWidget::keyPressEvent(event);
    }
}

void CadenceStrip::focusInEvent(QFocusEvent* event) {
    describe();
    QWidget::focusInEvent(event);
}

void CadenceStrip::paintEvent(QPaintEvent*) {
    QPainter p(this);
    p.setRenderHint(QPainter::Antialiasing);
    const Inks& c = inks();
    p.fillRect(rect(), c.sheet);
    p.setFont(type(Type::Small));
    if (parts().empty()) {
        p.setPen(c.quiet);
        drawFitted(p, QRectF(rect()).adjusted(8, 4, -8, -4), Qt::AlignCenter,
                   tr("Reeled in at one speed. Choose a way below, or add a part."),
                   {type(Type::Body), type(Type::Small)});
        return;
    }
    const double floor = height() - kBottom;
    for (int i = 0; i < int(parts().size()); ++i) {
        const CadenceStep& s = parts()[size_t(i)];
        const QRectF b = bar(i);
        const bool chosen = i == chosen_;
        p.setPen(QPen(chosen ? c.signal : c.ink, chosen ? 2 : 1));
        p.setBrush(s.speed_m_s > 0 ? QBrush(c.waterFill) : QBrush(c.quiet, Qt::BDiagPattern));
        p.drawRect(b.adjusted(0.5, 0, -0.5, 0));
        p.setPen(c.ink);
        const QString speed =
            s.speed_m_s > 0 ? bench_.text(Quantity::Speed, s.speed_m_s) : tr("pause");
        const auto put = [&](double y, const QString& text) {
            if (p.fontMetrics().horizontalAdvance(text) + 4 <= b.width()) {
                p.drawText(QRectF(b.left(), y, b.width(), 17), Qt::AlignCenter, text);
            }
        };
        put(b.top() - 18, speed);
        put(floor + 3, bench_.text(Quantity::Time, s.time_s));
    }
    p.setPen(QPen(c.rule, 1));
    p.drawLine(QPointF(kLeft, floor), QPointF(width() - kRight, floor));
    if (hasFocus()) {
        p.setPen(QPen(c.water, 1));
        p.setBrush(Qt::NoBrush);
        p.drawRect(QRectF(rect()).adjusted(0.5, 0.5, -0.5, -0.5));
    }
}

}  // namespace wl

#include "moc_cadence_strip.cpp"
