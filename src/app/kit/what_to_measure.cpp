#include "app/kit/what_to_measure.h"

#include <QPainter>
#include <algorithm>
#include <cmath>

#include "app/kit/fit_text.h"
#include "core/draw/outlines.h"

namespace wl {
namespace {

constexpr int kHeight = 168;
constexpr double kBeside = 34;  // over and under the bait, for the measures
constexpr double kTick = 3;

}  // namespace

WhatToMeasure::WhatToMeasure(Workbench& bench, std::vector<MeasureStroke> strokes, QWidget* parent)
    : QWidget(parent), bench_(bench), strokes_(std::move(strokes)) {
    setFixedHeight(kHeight);
    setAccessibleName(tr("What to measure"));
    QStringList measured;
    for (const MeasureStroke& stroke : strokes_) {
        if (!stroke.words.isEmpty()) {
            measured << stroke.words;
        }
    }
    setAccessibleDescription(measured.join(QStringLiteral(", ")));
    connect(&bench.evaluator, &Evaluator::resultsChanged, this, [this] {
        if (isVisible()) {
            update();
        }
    });
    connect(&bench, &Workbench::benchChanged, this, qOverload<>(&QWidget::update));
}

void WhatToMeasure::paintMeasure(QPainter& p, QPointF from, QPointF to,
                                 const QString& words) const {
    const Inks& c = inks();
    p.setPen(QPen(c.water, 1));
    p.drawLine(from, to);
    const bool level = std::abs(to.x() - from.x()) > std::abs(to.y() - from.y());
    const QPointF tick = level ? QPointF(0, kTick) : QPointF(kTick, 0);
    for (const QPointF& end : {from, to}) {
        p.drawLine(end - tick, end + tick);
    }
    const double wide = QFontMetricsF(type(Type::Small)).horizontalAdvance(words) + 6;
    const QPointF middle = 0.5 * (from + to);
    const double over = middle.y() < 0.5 * height() ? -18 : 2;
    QRectF box = level ? QRectF(middle.x() - 0.5 * wide, middle.y() + over, wide, 16)
                       : QRectF(std::max(from.x(), to.x()) + 4, middle.y() - 8, wide, 16);
    box.moveLeft(std::clamp(box.left(), 0.0, std::max(0.0, width() - box.width())));
    p.fillRect(box, c.ground);
    p.setPen(c.ink);
    drawFitted(p, box, Qt::AlignCenter, words, {type(Type::Small)});
}

void WhatToMeasure::paintEvent(QPaintEvent*) {
    QPainter p(this);
    p.setRenderHint(QPainter::Antialiasing);
    const Inks& c = inks();
    const ResultsPtr r = bench_.results();
    if (!r || !r->derived) {
        return;
    }
    QPolygonF outline;
    for (const Eigen::Vector3d& v : templateOutline(r->derived->shape->curves, DrawnView::Side)) {
        outline << QPointF(v.x(), -v.z());
    }
    const QRectF box = outline.boundingRect();
    if (box.width() <= 0 || box.height() <= 0) {
        return;
    }
    const double s =
        std::min((width() - 60) / box.width(), (height() - 2 * kBeside) / box.height());
    const QPointF corner(0.5 * (width() - s * box.width()), 0.5 * (height() - s * box.height()));
    const QTransform place(s, 0, 0, s, corner.x() - s * box.left(), corner.y() - s * box.top());
    p.setPen(QPen(c.quiet, 1.2));
    p.setBrush(Qt::NoBrush);
    p.drawPolygon(place.map(outline));
    const auto at = [&](const QPointF& share) {
        return corner + QPointF(share.x() * s * box.width(), (1 - share.y()) * s * box.height());
    };
    for (const MeasureStroke& stroke : strokes_) {
        const QPointF from = at(stroke.from), to = at(stroke.to);
        p.setPen(QPen(c.ink, 1.4));
        switch (stroke.kind) {
            case MeasureStroke::Kind::Hole:
                p.setBrush(c.sheet);
                p.drawRect(QRectF(from, to).normalized());
                break;
            case MeasureStroke::Kind::Ball:
                p.setBrush(c.lead);
                p.drawEllipse(QRectF(from, to).normalized());
                break;
            case MeasureStroke::Kind::Line:
                p.drawLine(from, to);
                break;
            case MeasureStroke::Kind::Measure:
                paintMeasure(p, from, to, stroke.words);
                break;
        }
    }
}

}  // namespace wl

#include "moc_what_to_measure.cpp"
