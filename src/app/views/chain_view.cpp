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

void ChainView::take(const ResultsPtr& results, const PlanarBait& bait) {
    if (results_ && results_->revision != results->revision && stream_m_s_ == 0) {
        before_ = frames_;
    }
    results_ = results;
    bait_ = bait;
    frames_.clear();
    why_.clear();
}

void ChainView::show(const ResultsPtr& results, const Glide& glide) {
    stream_m_s_ = 0;
    take(results, glide.chain.bait);
    for (const GlideMoment& m : glide.walk.moments) {
        frames_.push_back({{m.nose_m.x(), m.nose_m.y()},
                           m.headings_rad,
                           {m.middle_m.x(), m.middle_m.y()},
                           m.pulled});
    }
    step_s_ = frames_.size() > 1 ? glide.walk.moments[1].time_s - glide.walk.moments[0].time_s : 0;
    setPlaying(isPlaying());
    update();
}

void ChainView::show(const ResultsPtr& results, const Snake& snake) {
    constexpr double kBeats = 4;
    take(results, snake.chain.bait);
    before_.clear();
    stream_m_s_ = snake.speed_m_s;
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
        frame.nose_m = {0, -(q[0] - drift) * bait_.length_m};
        for (Eigen::Index i = 1; i < q.size(); ++i) {
            frame.headings_rad.push_back(q[i]);
        }
        frames_.push_back(frame);
    }
    step_s_ = run.step * bait_.length_m / std::max(0.01, snake.speed_m_s);
    setPlaying(isPlaying());
    update();
}

void ChainView::showNothing(const QString& why) {
    frames_.clear();
    before_.clear();
    why_ = why;
    setPlaying(isPlaying());
    update();
}

double ChainView::loop_s() const {
    return step_s_ * double(frames_.size());
}

const ChainView::Frame& ChainView::now() const {
    return frames_[std::min(size_t(time() * double(frames_.size())), frames_.size() - 1)];
}

void ChainView::paintBait(QPainter& p, const Frame& frame, const QPointF& noseAt,
                          double scale) const {
    QPointF pin = noseAt;
    for (size_t i = 0; i < bait_.pieces.size() && i < frame.headings_rad.size(); ++i) {
        const PlanarPiece& piece = bait_.pieces[i];
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
    for (const std::vector<Frame>* frames : {&frames_, &before_}) {
        for (const Frame& f : *frames) {
            const QPointF at = onPage(f.middle_m.x(), f.middle_m.y());
            all |= QRectF(at - QPointF(bait_.length_m, bait_.length_m),
                          2 * QSizeF(bait_.length_m, bait_.length_m));
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
    if (!before_.empty()) {
        p.setPen(QPen(c.quiet, 1.2, Qt::DashLine));
        p.drawPolyline(track(before_));
    }
    p.setPen(QPen(c.ink, 1.6));
    p.drawPolyline(track(frames_));
    p.setBrush(c.signal);
    p.setPen(Qt::NoPen);
    for (size_t k = 0; k < frames_.size(); ++k) {
        if (frames_[k].pulled && (k == 0 || !frames_[k - 1].pulled)) {
            p.drawEllipse(place(frames_[k].middle_m), 3, 3);
        }
    }
    p.setPen(QPen(c.ink, 1.2));
    p.setBrush(c.sheet);
    paintBait(p, now(), place(now().nose_m), scale);
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
    for (const Frame& f : frames_) {
        const std::vector<double> turned = turnedOf(f);
        double y = 0, low = 0, high = 0;
        for (size_t i = 0; i < bait_.pieces.size(); ++i) {
            y -= bait_.pieces[i].length_m * std::sin(turned[i]);
            low = std::min(low, y);
            high = std::max(high, y);
        }
        aside = std::max(aside, high - low);
    }
    const double across = aside + bait_.greatestWidth_m() + kRoom * bait_.length_m;
    const double scale = std::min(box.width() / (kAlong * bait_.length_m), box.height() / across);
    Frame frame = now();
    frame.headings_rad = turnedOf(frame);
    QRectF taken(0, 0, 0, 0);
    QPointF pin;
    for (size_t i = 0; i < bait_.pieces.size(); ++i) {
        const double h = frame.headings_rad[i];
        pin += bait_.pieces[i].length_m * onPage(-std::cos(h), -std::sin(h));
        taken.setTop(std::min(taken.top(), pin.y()));
        taken.setBottom(std::max(taken.bottom(), pin.y()));
        taken.setRight(std::max(taken.right(), pin.x()));
    }
    paintBait(p, frame, box.center() - scale * taken.center(), scale);
}

std::vector<double> ChainView::turnedOf(const Frame& frame) const {
    std::vector<double> turned = frame.headings_rad;
    double mean = 0;
    for (size_t i = 0; i < turned.size(); ++i) {
        mean += turned[i] * bait_.pieces[i].length_m / bait_.length_m;
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
    for (const Frame& f : frames_) {
        aside = std::max({aside, std::abs(f.nose_m.y()), std::abs(tailOf(f).y())});
    }
    const double scale = std::min(box.width() / (kAlong * bait_.length_m),
                                  box.height() / (2 * aside + 0.2 * bait_.length_m));
    const QPointF origin(box.left() + kAhead * box.width(), box.center().y());
    QPolygonF track;
    const auto index = size_t(&now() - frames_.data());
    for (size_t back = 0; back < frames_.size(); ++back) {
        const QPointF tail = tailOf(frames_[(index + frames_.size() - back) % frames_.size()]);
        track << origin + scale * onPage(tail.x() - double(back) * step_s_ * stream_m_s_, tail.y());
    }
    p.save();
    p.setClipRect(box);
    p.setPen(QPen(c.quiet, 1.2, Qt::DashLine));
    p.drawPolyline(track);
    p.restore();
    p.setPen(QPen(c.ink, 1.4));
    paintBait(p, now(), origin + scale * onPage(0, now().nose_m.y()), scale);
}

QPointF ChainView::tailOf(const Frame& frame) const {
    QPointF tail(0, frame.nose_m.y());
    for (size_t i = 0; i < bait_.pieces.size(); ++i) {
        const double h = frame.headings_rad[i];
        tail -= bait_.pieces[i].length_m * QPointF(std::cos(h), std::sin(h));
    }
    return tail;
}

void ChainView::paintEvent(QPaintEvent*) {
    QPainter p(this);
    p.setRenderHint(QPainter::Antialiasing);
    const Inks& c = inks();
    p.fillRect(rect(), c.waterFill);
    if (frames_.empty()) {
        p.setPen(c.ink);
        p.setFont(type(Type::Body));
        p.drawText(rect().adjusted(12, 8, -12, -8), Qt::AlignCenter | Qt::TextWordWrap,
                   why_.isEmpty() ? tr("Reckoning…") : why_);
        return;
    }
    p.setBrush(c.sheet);
    const bool walked = stream_m_s_ == 0;
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
                   : tr("from above, to scale; dashed: the way of its tail"));
    if (walked) {
        line(half, tr("close by, from above, turned with it"));
    }
}

}  // namespace wl
