#include "app/views/chain_view.h"

#include <QPainter>
#include <cmath>

#include "app/kit/theme.h"

namespace wl {
namespace {

QPointF onPage(double ahead, double port) {
    return {-ahead, port};
}

}  // namespace

ChainView::ChainView(Workbench& bench, QWidget* parent) : PlayedView(parent), bench_(bench) {
    setObjectName(QStringLiteral("chainView"));
    setAccessibleName(tr("The bait in pieces, moving"));
    setMinimumSize(260, 220);
    connect(&bench, &Workbench::benchChanged, this, qOverload<>(&QWidget::update));
}

const ChainView::Frame& ChainView::Moving::at(double time_s) const {
    const auto step = size_t(std::max(0.0, time_s / std::max(1e-9, step_s)));
    return frames[step % frames.size()];
}

ChainView::Moving ChainView::movingOf(const Glide& glide) {
    Moving moving;
    moving.bait = glide.chain.bait;
    for (const GlideMoment& m : glide.walk.moments) {
        moving.frames.push_back({{m.nose_m.x(), m.nose_m.y()},
                                 m.headings_rad,
                                 {m.middle_m.x(), m.middle_m.y()},
                                 m.pulled});
    }
    moving.step_s =
        moving.frames.size() > 1 ? glide.walk.moments[1].time_s - glide.walk.moments[0].time_s : 0;
    return moving;
}

ChainView::Moving ChainView::movingOf(const Snake& snake) {
    constexpr double kBeats = 4;
    Moving moving;
    moving.bait = snake.chain.bait;
    moving.stream_m_s = snake.speed_m_s;
    const SnakeRun& run = snake.shown;
    // Whole beats from the end, so that the loop closes.
    const double steps = run.beat > 0 ? kBeats / run.beat / run.step : double(run.shapes.size());
    const size_t count = std::min(run.shapes.size(), size_t(std::lround(steps)));
    double drift = 0;
    for (size_t k = run.shapes.size() - count; k < run.shapes.size(); ++k) {
        drift += run.shapes[k][0] / double(count);
    }
    for (size_t k = run.shapes.size() - count; k < run.shapes.size(); ++k) {
        const Eigen::VectorXd& q = run.shapes[k];
        Frame frame;
        // A heading there puts the tail to port, here the nose: the picture is mirrored.
        frame.nose_m = {0, -(q[0] - drift) * moving.bait.length_m};
        for (Eigen::Index i = 1; i < q.size(); ++i) {
            frame.headings_rad.push_back(q[i]);
        }
        moving.frames.push_back(frame);
    }
    moving.step_s = run.step * moving.bait.length_m / std::max(0.01, snake.speed_m_s);
    return moving;
}

void ChainView::take(const ResultsPtr& results, Moving moving) {
    if (revision_ != results->revision && !now_.frames.empty()) {
        before_ = std::move(now_);
    }
    revision_ = results->revision;
    now_ = std::move(moving);
    why_.clear();
    setPlaying(isPlaying());
    update();
}

void ChainView::show(const ResultsPtr& results, const Glide& glide) {
    take(results, movingOf(glide));
}

void ChainView::show(const ResultsPtr& results, const Snake& snake) {
    take(results, movingOf(snake));
}

void ChainView::showNothing(const QString& why) {
    now_ = before_ = {};
    why_ = why;
    setPlaying(isPlaying());
    update();
}

void ChainView::setOther(const Glide& glide) {
    other_ = movingOf(glide);
    update();
}

void ChainView::setOther(const Snake& snake) {
    other_ = movingOf(snake);
    update();
}

void ChainView::setNoOther() {
    other_ = {};
    update();
}

void ChainView::setGhost(Ghost ghost) {
    ghost_ = ghost;
    update();
}

const ChainView::Moving* ChainView::ghost() const {
    const Moving* dashed = ghost_ == Ghost::Before  ? &before_
                           : ghost_ == Ghost::Other ? &other_
                                                    : nullptr;
    const bool alike = dashed && (dashed->stream_m_s == 0) == (now_.stream_m_s == 0);
    return alike && !dashed->frames.empty() ? dashed : nullptr;
}

double ChainView::loop_s() const {
    return now_.step_s * double(now_.frames.size());
}

const ChainView::Frame& ChainView::now() const {
    const size_t count = now_.frames.size();
    return now_.frames[std::min(size_t(time() * double(count)), count - 1)];
}

void ChainView::paintBait(QPainter& p, const PlanarBait& bait, const Frame& frame,
                          const QPointF& noseAt, double scale) {
    QPointF pin = noseAt;
    for (size_t i = 0; i < bait.pieces.size() && i < frame.headings_rad.size(); ++i) {
        const PlanarPiece& piece = bait.pieces[i];
        const double c = std::cos(frame.headings_rad[i]), s = std::sin(frame.headings_rad[i]);
        const auto place = [&](double aft, double port) {
            return pin + scale * onPage(-aft * c - port * s, -aft * s + port * c);
        };
        QPolygonF outline;
        for (const int side : {1, -1}) {
            const size_t n = piece.strips.size();
            for (size_t k = 0; k < n; ++k) {
                const PlanarStrip& strip = piece.strips[side > 0 ? k : n - 1 - k];
                outline << place(strip.at_m - piece.pin_m, side * 0.5 * strip.width_m);
            }
        }
        p.drawPolygon(outline);
        const QPointF next = place(piece.length_m, 0);
        p.drawLine(pin, next);
        pin = next;
    }
}

void ChainView::paintWay(QPainter& p, const QRectF& whole) const {
    const Inks& c = inks();
    const QRectF box = whole.adjusted(0, 0, 0, -kText);  // its measure stands under it
    QRectF all;
    const Moving* dashed = ghost();
    for (const Moving* moving : {&now_, dashed}) {
        for (const Frame& f : moving ? moving->frames : std::vector<Frame>()) {
            const double length = moving->bait.length_m;
            const QPointF at = onPage(f.middle_m.x(), f.middle_m.y());
            all |= QRectF(at - QPointF(length, length), 2 * QSizeF(length, length));
        }
    }
    const double scale = std::min(box.width() / all.width(), box.height() / all.height());
    const auto place = [&](const QPointF& m) {
        return box.center() + scale * (onPage(m.x(), m.y()) - all.center());
    };
    const auto track = [&](const std::vector<Frame>& frames) {
        QPolygonF line;
        for (const Frame& f : frames) {
            line << place(f.middle_m);
        }
        return line;
    };
    if (dashed) {
        p.setPen(QPen(c.quiet, 1.2, Qt::DashLine));
        p.drawPolyline(track(dashed->frames));
        p.setBrush(Qt::NoBrush);
        const Frame& there = dashed->at(time() * loop_s());
        paintBait(p, dashed->bait, there, place(there.nose_m), scale);
    }
    p.setPen(QPen(c.ink, 1.6));
    p.drawPolyline(track(now_.frames));
    p.setBrush(c.signal);
    p.setPen(Qt::NoPen);
    for (size_t k = 0; k < now_.frames.size(); ++k) {
        if (now_.frames[k].pulled && (k == 0 || !now_.frames[k - 1].pulled)) {
            p.drawEllipse(place(now_.frames[k].middle_m), 3, 3);
        }
    }
    p.setPen(QPen(c.ink, 1.2));
    p.setBrush(c.sheet);
    paintBait(p, now_.bait, now(), place(now().nose_m), scale);
    // A length to measure by, round in the maker's units.
    const bool inches = !bench_.bench().isMetric();
    const double unit = inches ? 12 * 0.0254 : 0.1;
    double bar = unit;
    while (bar * scale < 50) {
        bar *= 2;
    }
    const QPointF from(box.left(), whole.bottom() - 0.5 * kText);
    p.setPen(QPen(c.ink, 2));
    p.drawLine(from, from + QPointF(bar * scale, 0));
    p.setFont(type(Type::Small));
    p.setPen(c.ink);
    p.drawText(QRectF(from.x() + bar * scale + 6, from.y() - 8, 120, 16),
               Qt::AlignLeft | Qt::AlignVCenter, bench_.text(Quantity::Distance, bar));
}

// Turned with it, so that one sees how it bends: nose to the left, as large as its widest bend
// allows.
void ChainView::paintTurned(QPainter& p, const QRectF& box) const {
    constexpr double kAlong = 1.15, kRoom = 0.15;
    double aside = 0;
    for (const Frame& f : now_.frames) {
        const std::vector<double> turned = turnedOf(f);
        double y = 0, low = 0, high = 0;
        for (size_t i = 0; i < now_.bait.pieces.size(); ++i) {
            y -= now_.bait.pieces[i].length_m * std::sin(turned[i]);
            low = std::min(low, y);
            high = std::max(high, y);
        }
        aside = std::max(aside, high - low);
    }
    const double across = aside + now_.bait.greatestWidth_m() + kRoom * now_.bait.length_m;
    const double scale =
        std::min(box.width() / (kAlong * now_.bait.length_m), box.height() / across);
    Frame frame = now();
    frame.headings_rad = turnedOf(frame);
    QRectF taken(0, 0, 0, 0);
    QPointF pin;
    for (size_t i = 0; i < now_.bait.pieces.size(); ++i) {
        const double h = frame.headings_rad[i];
        pin += now_.bait.pieces[i].length_m * onPage(-std::cos(h), -std::sin(h));
        taken.setTop(std::min(taken.top(), pin.y()));
        taken.setBottom(std::max(taken.bottom(), pin.y()));
        taken.setRight(std::max(taken.right(), pin.x()));
    }
    paintBait(p, now_.bait, frame, box.center() - scale * taken.center(), scale);
}

std::vector<double> ChainView::turnedOf(const Frame& frame) const {
    std::vector<double> turned = frame.headings_rad;
    double mean = 0;
    for (size_t i = 0; i < turned.size(); ++i) {
        mean += turned[i] * now_.bait.pieces[i].length_m / now_.bait.length_m;
    }
    for (double& h : turned) {
        h -= mean;
    }
    return turned;
}

// In the stream, with where its tail was carried aft.
void ChainView::paintInStream(QPainter& p, const QRectF& box) const {
    constexpr double kAlong = 1.9, kAhead = 0.1;
    const Inks& c = inks();
    double aside = 0;
    for (const Frame& f : now_.frames) {
        aside = std::max({aside, std::abs(f.nose_m.y()), std::abs(tailOf(now_.bait, f).y())});
    }
    double longest = now_.bait.length_m;
    const Moving* dashed = ghost();
    if (dashed) {
        longest = std::max(longest, dashed->bait.length_m);
        for (const Frame& f : dashed->frames) {
            const double tail = tailOf(dashed->bait, f).y();
            aside = std::max({aside, std::abs(f.nose_m.y()), std::abs(tail)});
        }
    }
    const double scale =
        std::min(box.width() / (kAlong * longest), box.height() / (2 * aside + 0.2 * longest));
    const QPointF origin(box.left() + kAhead * box.width(), box.center().y());
    QPolygonF track;
    const auto index = size_t(&now() - now_.frames.data());
    for (size_t back = 0; back < now_.frames.size(); ++back) {
        const QPointF tail = tailOf(
            now_.bait, now_.frames[(index + now_.frames.size() - back) % now_.frames.size()]);
        track << origin + scale * onPage(tail.x() - double(back) * now_.step_s * now_.stream_m_s,
                                         tail.y());
    }
    p.save();
    p.setClipRect(box);
    p.setPen(QPen(c.quiet, 1.4, Qt::DotLine));
    p.drawPolyline(track);
    p.restore();
    if (dashed) {
        p.setPen(QPen(c.quiet, 1.2, Qt::DashLine));
        p.setBrush(Qt::NoBrush);
        const Frame& there = dashed->at(time() * loop_s());
        paintBait(p, dashed->bait, there, origin + scale * onPage(0, there.nose_m.y()), scale);
    }
    p.setPen(QPen(c.ink, 1.4));
    p.setBrush(c.sheet);
    paintBait(p, now_.bait, now(), origin + scale * onPage(0, now().nose_m.y()), scale);
}

QPointF ChainView::tailOf(const PlanarBait& bait, const Frame& frame) {
    QPointF tail(0, frame.nose_m.y());
    for (size_t i = 0; i < bait.pieces.size(); ++i) {
        const double h = frame.headings_rad[i];
        tail -= bait.pieces[i].length_m * QPointF(std::cos(h), std::sin(h));
    }
    return tail;
}

void ChainView::paintEvent(QPaintEvent*) {
    QPainter p(this);
    p.setRenderHint(QPainter::Antialiasing);
    const Inks& c = inks();
    p.fillRect(rect(), c.waterFill);
    if (now_.frames.empty()) {
        p.setPen(c.ink);
        p.setFont(type(Type::Body));
        p.drawText(rect().adjusted(12, 8, -12, -8), Qt::AlignCenter | Qt::TextWordWrap,
                   why_.isEmpty() ? tr("Reckoning…") : why_);
        return;
    }
    p.setBrush(c.sheet);
    const bool walked = now_.stream_m_s == 0;
    constexpr double kWay = 0.6;  // of the height
    const double half = walked ? kWay * height() : 0;
    const QRectF close(kEdge, half + kText, width() - 2 * kEdge, height() - half - kText - kEdge);
    if (walked) {
        paintWay(p, {kEdge, kText, width() - 2 * kEdge, half - kText});
        p.setPen(QPen(c.ink, 1.4));
        paintTurned(p, close);
    } else {
        paintInStream(p, close);
    }
    p.setPen(c.ink);
    p.setFont(type(Type::Small));
    const auto line = [&](double y, const QString& text) {
        p.drawText(QRectF(kEdge, y, width() - 2 * kEdge, kText), Qt::AlignLeft | Qt::AlignVCenter,
                   text);
    };
    line(0, walked ? tr("its way from above, to scale; a dot at each pull")
                   : tr("from above, to scale; dotted: the way of its tail"));
    if (walked) {
        line(half, tr("close by, from above, turned with it"));
    }
}

}  // namespace wl

#include "moc_chain_view.cpp"
