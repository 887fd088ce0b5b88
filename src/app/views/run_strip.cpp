#include "app/views/run_strip.h"

#include <QPainter>
#include <QPainterPath>
#include <functional>

#include "app/kit/fit_text.h"
#include "app/kit/learner.h"
#include "core/forecast/by_log.h"
#include "sheet/drawing_paint.h"

namespace wl {
namespace {

constexpr double kHeadline = 26;

// Drawn where the line draws it, dashed where it is let go, a mark where it lies on the bottom.
void drawCadence(QPainter& p, const std::vector<CadencePoint>& points,
                 const std::function<QPointF(double, double)>& at) {
    const Inks& c = inks();
    const auto drawn = [](const CadencePoint& q) { return q.state == CadenceState::Drawn; };
    for (size_t i = 0; i + 1 < points.size();) {
        const bool taut = drawn(points[i + 1]);
        QPolygonF stretch{at(points[i].fromRod_m, points[i].depth_m)};
        for (++i; i < points.size() && drawn(points[i]) == taut; ++i) {
            stretch << at(points[i].fromRod_m, points[i].depth_m);
        }
        --i;
        p.setPen(taut ? QPen(c.ink, 1.8) : QPen(c.ink, 1.4, Qt::DotLine));
        p.drawPolyline(stretch);
    }
    p.setPen(Qt::NoPen);
    p.setBrush(c.signal);
    bool lay = false;
    for (const CadencePoint& q : points) {
        const bool lies = q.state == CadenceState::OnBottom;
        if (lies && !lay) {
            const QPointF tick = at(q.fromRod_m, q.depth_m);
            p.drawPolygon(QPolygonF{tick, tick + QPointF(-4, -7), tick + QPointF(4, -7)});
        }
        lay = lies;
    }
    p.setBrush(Qt::NoBrush);
}

}  // namespace

RunStrip::RunStrip(Bait& bait, Workbench& bench, QWidget* parent)
    : QWidget(parent), bait_(bait), bench_(bench) {
    setObjectName(QStringLiteral("runStrip"));
    setAttribute(Qt::WA_OpaquePaintEvent);
    setAccessibleName(tr("Run strip: the retrieve from the side"));
    connect(&bait_.evaluator, &Evaluator::resultsChanged, this, [this] {
        const ResultsPtr results = bait_.results();
        if (results && results->run) {  // what comes before it shows nothing here
            shown_ = results;
            setAccessibleDescription(headline());
            update();
        }
    });
    connect(&bench_, &Workbench::benchChanged, this, qOverload<>(&RunStrip::update));
    connect(&bench_, &Workbench::dashedChanged, this, qOverload<>(&RunStrip::update));
    if (&bait_ == &bench_.bait) {
        connect(&Learner::of(bench_), &Learner::changed, this, [this] {
            setAccessibleDescription(headline());
            update();
        });
    }
}

std::optional<FactorBand> RunStrip::taught() const {
    return &bait_ == &bench_.bait ? Learner::of(bench_).taught(NoteKind::Depth) : std::nullopt;
}

Run RunStrip::seenDashed() const {
    const OtherBait& other = *bench_.dashed();
    const auto depth = other.shownBy({taught(), {}, {}}).depth;
    return depth ? runByLog(*other.run, *depth) : *other.run;
}

Run RunStrip::seen(const Run& run) const {
    const auto log = taught();
    return log ? runByLog(run, *log) : run;
}

QString RunStrip::headline() const {
    if (!shown_) {
        return tr("Reckoning the run…");
    }
    const Run run = seen(*shown_->run);
    const Brief& b = shown_->design->brief;
    auto depth = [this](double m) { return bench_.text(Quantity::Distance, m); };
    if (!run.depthKnown) {
        return run.path.end == RetrieveEnd::NoTrim ? tr("No steady swimming attitude at this speed")
               : run.tellableFrom_m_s
                   ? tr("Too slack to tell below %1")
                         .arg(bench_.text(Quantity::Speed, *run.tellableFrom_m_s))
                   : tr("No depth can be given for this retrieve");
    }
    if (run.path.end == RetrieveEnd::StaysOnTop) {
        return tr("Stays at the surface at %1")
            .arg(bench_.text(Quantity::Speed, b.retrieveSpeed_m_s));
    }
    const QString told =
        tr("Deepest %1 (%2 to %3), wanted %4")
            .arg(depth(run.path.maxDepth_m), bench_.text(Quantity::Distance, run.depthLow_m, false),
                 depth(run.depthHigh_m), depth(b.wantedDepth_m));
    return taught()
               ? tr("%1; by your log, reckoned %2").arg(told, depth(shown_->run->path.maxDepth_m))
               : told;
}

void RunStrip::paintEvent(QPaintEvent*) {
    QPainter p(this);
    p.setRenderHint(QPainter::Antialiasing);
    const Inks& c = inks();
    p.fillRect(rect(), c.sheet);
    p.setPen(c.ink);
    QString head = headline();
    const ResultsPtr before = shown_ ? bait_.before() : nullptr;
    if (before && before->run->depthKnown && shown_->run->depthKnown) {
        const QString was =
            Workbench::was(bench_.text(Quantity::Distance, seen(*before->run).path.maxDepth_m),
                           bench_.text(Quantity::Distance, seen(*shown_->run).path.maxDepth_m));
        head += was.isEmpty() ? was : QStringLiteral("; ") + was;
    }
    const auto dashed =
        &bait_ == &bench_.bait && bench_.dashed() && bench_.dashed()->run->depthKnown
            ? std::optional(seenDashed())
            : std::nullopt;
    if (dashed) {
        head += tr("; dashed %1").arg(bench_.text(Quantity::Distance, dashed->path.maxDepth_m));
    }
    drawFitted(p, QRectF(10, 2, width() - 20, kHeadline), Qt::AlignLeft | Qt::AlignVCenter, head,
               {type(Type::Figure, true), type(Type::Body, true), type(Type::Small)});
    if (!shown_) {
        return;
    }
    const Brief& b = shown_->design->brief;
    const Run run = seen(*shown_->run);
    const double left = 44, right = 58, top = kHeadline + 6, bottom = 10;
    const double most = std::max({b.waterDepth_m * 1.08, b.wantedDepth_m * 1.1,
                                  std::min(run.depthHigh_m, 1.6 * b.waterDepth_m) * 1.05});
    const double s = std::min((width() - left - right) / (b.castLength_m * 1.04),
                              (height() - top - bottom) / (most + b.rodTipHeight_m));
    // To scale both ways; the rod stands on the left.
    const double x0 = left, surface = top + b.rodTipHeight_m * s;
    const double x1 = std::min(double(width()) - right, x0 + b.castLength_m * 1.04 * s);
    auto at = [&](double fromRod, double depth) {
        return QPointF(x0 + fromRod * s, surface + depth * s);
    };
    const double bed = surface + b.waterDepth_m * s;
    p.fillRect(QRectF(x0, surface, x1 - x0, std::min(bed, double(height())) - surface),
               c.waterFill);

    // Wanted depth as a hatched zone, a tenth either way.
    const QRectF wanted(x0, surface + 0.9 * b.wantedDepth_m * s, x1 - x0,
                        0.2 * b.wantedDepth_m * s);
    p.setPen(Qt::NoPen);
    p.setBrush(QBrush(c.target, Qt::SolidPattern));
    p.drawRect(wanted);
    p.setBrush(QBrush(c.water, Qt::BDiagPattern));
    p.setOpacity(0.35);
    p.drawRect(wanted);
    p.setOpacity(1);

    p.save();
    p.setClipRect(QRectF(x0, 0, x1 - x0, height()));
    if (run.depthKnown && run.path.points.size() > 2) {
        const double low = run.path.maxDepth_m > 0 ? run.depthLow_m / run.path.maxDepth_m : 1;
        const double high = run.path.maxDepth_m > 0 ? run.depthHigh_m / run.path.maxDepth_m : 1;
        QPolygonF band, path;
        for (const RetrievePoint& q : run.path.points) {
            band << at(q.fromRod_m, q.depth_m * high);
            path << at(q.fromRod_m, q.depth_m);
        }
        for (auto it = run.path.points.rbegin(); it != run.path.points.rend(); ++it) {
            band << at(it->fromRod_m, it->depth_m * low);
        }
        QColor tint = c.ink;
        tint.setAlpha(28);
        p.setPen(Qt::NoPen);
        p.setBrush(tint);
        p.drawPolygon(band);
        p.setBrush(Qt::NoBrush);
        const auto ghost = [&](const Run& other, const QPen& pen) {
            QPolygonF way;
            for (const RetrievePoint& q : other.path.points) {
                way << at(q.fromRod_m, q.depth_m);
            }
            p.setPen(pen);
            p.drawPolyline(way);
        };
        if (dashed) {
            ghost(*dashed, QPen(c.signal, 1, Qt::DashLine));
        } else if (before && before->run->depthKnown) {  // the path before the last edit
            ghost(seen(*before->run), QPen(c.quiet, 1, Qt::DashLine));
        }
        if (taught()) {
            ghost(*shown_->run, QPen(c.quiet, 1, Qt::DotLine));
        }
        const bool byCadence = run.cadence && run.cadence->points.size() > 2;
        p.setPen(byCadence ? QPen(c.quiet, 1, Qt::DotLine) : QPen(c.ink, 1.8));
        byCadence ? p.drawPolyline(path) : drawArms(p, path);
        if (byCadence) {
            drawCadence(p, run.cadence->points, at);
        }
        const QPointF deepest = at(run.path.maxDepthFromRod_m, run.path.maxDepth_m);
        p.setPen(QPen(c.signal, 1.6));
        p.setBrush(c.sheet);
        p.drawEllipse(deepest, 4, 4);
        p.setPen(QPen(c.quiet, 1, Qt::DotLine));
        p.drawLine(at(0, -b.rodTipHeight_m), deepest);
    }
    p.restore();

    p.setPen(QPen(c.water, 1.4));
    p.drawLine(QPointF(x0, surface), QPointF(x1, surface));
    p.setPen(QPen(c.ink, 1.4));
    p.drawLine(QPointF(x0, bed), QPointF(x1, bed));
    p.setPen(QPen(c.quiet, 1));
    for (int i = 0; x0 + 12 * i < x1 - 4; ++i) {
        const double x = x0 + 12 * i;
        p.drawLine(QPointF(x + 8, bed + 1), QPointF(x + 2, bed + 6));
    }
    p.setPen(QPen(c.ink, 2.2));
    p.drawLine(at(0, -b.rodTipHeight_m), QPointF(x0 - 18, surface + 2));

    p.setFont(type(Type::Small));
    p.setPen(c.quiet);
    const double label = x1 + 4;
    p.drawText(QRectF(label, bed - 9, right, 18), Qt::AlignLeft | Qt::AlignVCenter,
               bench_.text(Quantity::Distance, b.waterDepth_m));
    const double wantedY = surface + b.wantedDepth_m * s;
    if (std::abs(wantedY - bed) > 14) {
        p.setPen(c.water);
        p.drawText(QRectF(label, wantedY - 9, right, 18), Qt::AlignLeft | Qt::AlignVCenter,
                   tr("wanted"));
    }
    p.setPen(c.quiet);
    p.drawText(QRectF(2, surface - 9, left - 22, 18), Qt::AlignRight | Qt::AlignVCenter, tr("rod"));
    const bool metric = bench_.bench().isMetric();
    const double unit = metric ? 1.0 : kFoot;
    const int every = b.castLength_m / unit > 60 ? 20 : b.castLength_m / unit > 15 ? 5 : 1;
    for (int tick = every; tick * unit <= b.castLength_m + 1e-9; tick += every) {
        const double x = x0 + tick * unit * s;
        p.drawLine(QPointF(x, surface - 3), QPointF(x, surface + 3));
        if (surface - 16 > top - 6) {
            p.drawText(QRectF(x - 30, surface - 19, 60, 14), Qt::AlignCenter,
                       QStringLiteral("%1 %2").arg(tick).arg(metric ? "m" : "ft"));
        }
    }
}

}  // namespace wl

#include "moc_run_strip.cpp"
