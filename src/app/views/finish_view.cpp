#include "app/views/finish_view.h"

#include <QPainter>
#include <QPainterPath>
#include <algorithm>
#include <cmath>

#include "app/kit/theme.h"
#include "core/draw/finish_regions.h"
#include "core/making/build_steps.h"

namespace wl {
namespace {

constexpr int kBars = 7;

QPainterPath pathOf(const std::vector<std::vector<Eigen::Vector2d>>& outlines) {
    QPainterPath path;
    for (const auto& outline : outlines) {
        QPolygonF corners;
        for (const Eigen::Vector2d& q : outline) {
            corners << QPointF(q.x(), -q.y());
        }
        QPainterPath one;
        one.addPolygon(corners);
        one.closeSubpath();
        path |= one;
    }
    return path;
}

// What of its place a pattern covers.
QPainterPath patternOn(const Coat& coat, const QRectF& box) {
    QPainterPath pattern;
    switch (coat.pattern) {
        case CoatPattern::Plain:
            pattern.addRect(box);
            break;
        case CoatPattern::Band: {
            const double high = coat.covers * box.height();
            pattern.addRect(box.left(), box.center().y() - 0.5 * high, box.width(), high);
            break;
        }
        case CoatPattern::Bars: {
            const double pitch = box.width() / kBars;
            for (int k = 0; k < kBars; ++k) {
                const double wide = coat.covers * pitch;
                pattern.addRect(box.left() + (k + 0.5) * pitch - 0.5 * wide, box.top(), wide,
                                box.height());
            }
            break;
        }
        case CoatPattern::Dots: {
            // In a net of squares a disc of radius r covers pi r^2 of each.
            const double net = std::max(2.0, box.height() / 4);
            const double r = net * std::sqrt(std::min(coat.covers, 0.75) / kPi);
            for (double y = box.top() + 0.5 * net; y < box.bottom(); y += net) {
                for (double x = box.left() + 0.5 * net; x < box.right(); x += net) {
                    pattern.addEllipse(QPointF(x, y), r, r);
                }
            }
            break;
        }
        case CoatPattern::ByHand:
            break;
    }
    return pattern;
}

}  // namespace

FinishView::FinishView(Workbench& bench, QWidget* parent) : QWidget(parent), bench_(bench) {
    setObjectName(QStringLiteral("finishView"));
    setAccessibleName(tr("Side view in the colours of the finish"));
    setMinimumHeight(90);
    connect(&bench.evaluator, &Evaluator::resultsChanged, this, [this] { update(); });
    connect(&bench, &Workbench::benchChanged, this, [this] { update(); });
}

void FinishView::paintEvent(QPaintEvent*) {
    const ResultsPtr r = bench_.results();
    if (!r || !r->derived) {
        return;
    }
    QPainter p(this);
    p.setRenderHint(QPainter::Antialiasing);
    const QPainterPath whole = pathOf(finishRegion(*r->derived, CoatPlace::AllOver));
    const QRectF box = whole.boundingRect();
    constexpr double kMargin = 10;
    const double scale =
        std::min((width() - 2 * kMargin) / box.width(), (height() - 2 * kMargin) / box.height());
    p.translate(0.5 * width(), 0.5 * height());
    p.scale(scale, scale);
    p.translate(-box.center());
    p.fillPath(whole, inks().wood);
    // On a clear body what is painted inside lies under everything, the first painted nearest.
    std::vector<size_t> order = coatOrder(*r->design);
    const bool layered = r->design->make.kind == MakeKind::Layered;
    const auto inside = std::stable_partition(order.begin(), order.end(), [&](size_t k) {
        return layered && r->design->coats[k].innerFace;
    });
    std::reverse(order.begin(), inside);
    for (const size_t k : order) {
        const Coat& coat = r->design->coats[k];
        const QColor colour(QString::fromStdString(coat.colour));
        if (coat.colour.empty() || !colour.isValid()) {
            continue;
        }
        const QPainterPath place = pathOf(
            finishRegion(*r->derived, coat.innerFace && layered ? CoatPlace::AllOver : coat.place));
        p.fillPath(place & patternOn(coat, place.boundingRect()), colour);
    }
    p.setPen(QPen(inks().ink, 1.5 / scale));
    p.drawPath(whole);
}

}  // namespace wl

#include "moc_finish_view.cpp"
