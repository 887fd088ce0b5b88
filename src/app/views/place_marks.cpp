#include "app/views/place_marks.h"

#include <QStyle>

#include "app/kit/theme.h"

namespace wl {
namespace {

constexpr int kBlink_ms = 500;
constexpr double kRing = 9.0;

}  // namespace

PlaceMarks::PlaceMarks(QWidget& view) : view_(view) {
    QObject::connect(&blink_, &QTimer::timeout, &view, [this] {
        lit_ = !lit_;
        view_.update();
    });
}

bool PlaceMarks::take(const Results& results) {
    std::vector<Finding> placed;
    for (const Finding& f : results.findings) {
        if (f.place_m && f.severity != Severity::Note) {
            placed.push_back(f);
        }
    }
    const bool others = placed != findings_;
    findings_ = std::move(placed);
    const bool moves = view_.style()->styleHint(QStyle::SH_Widget_Animation_Duration) > 0;
    if (findings_.empty() || !moves) {
        blink_.stop();
        lit_ = true;
    } else if (!blink_.isActive()) {
        blink_.start(kBlink_ms);
    }
    return others;
}

Eigen::Vector3d PlaceMarks::placeOf(const Finding& f) {
    return {(*f.place_m)[0], (*f.place_m)[1], (*f.place_m)[2]};
}

void PlaceMarks::paint(QPainter& p, const QPointF& at) const {
    p.setBrush(Qt::NoBrush);
    p.setPen(QPen(inks().signal, lit_ ? 3.0 : 1.2));
    p.drawEllipse(at, kRing, kRing);
    p.drawLine(at - QPointF(kRing + 4, 0), at - QPointF(kRing - 3, 0));
    p.drawLine(at + QPointF(kRing - 3, 0), at + QPointF(kRing + 4, 0));
}

}  // namespace wl
