// What the tank shows: water, trace, ruler, centres, handles, marks.
#include <QPaintEvent>
#include <QPainter>
#include <cmath>

#include "app/kit/quantity_edit.h"
#include "app/views/tank.h"
#include "core/shape/trace_profile.h"

namespace wl {
namespace {

constexpr double kUnitWidth = 30;  // of the ruler's end, where its unit stands

}  // namespace

// The pieces side by side on one waterline, each at the attitude it takes alone.
void Tank::paintApart(QPainter& p) const {
    const Inks& c = inks();
    const Derived& d = *shown_->derived;
    const auto outlines = bodyOutlines(d, DrawnView::Side);
    const size_t count = std::min(outlines.size(), d.rest->alone.size());
    constexpr double kBetween_m = 0.022;
    std::vector<std::pair<double, double>> reach(count);  // along, from the piece's own centre
    double total = kBetween_m;
    for (size_t i = 0; i < count; ++i) {
        const PlaneAxes axes = planeAxes(d.rest->alone[i].plane.normal);
        double low = 1e9, high = -1e9;
        for (const Eigen::Vector3d& v : outlines[i]) {
            low = std::min(low, axes.aft.dot(v));
            high = std::max(high, axes.aft.dot(v));
        }
        reach[i] = {low, high};
        total += high - low + kBetween_m;
    }
    const double free = height() - kRulerHeight - kCaptionHeight;
    const double s =
        std::min(width() / total, (free - 24) / (2.7 * d.shape->sizes.maxHeight_m + 0.01));
    double x = 0.5 * (width() - total * s) + kBetween_m * s;
    for (size_t i = 0; i < count; ++i) {
        const PieceAlone& alone = d.rest->alone[i];
        const PlaneAxes axes = planeAxes(alone.plane.normal);
        const double deeper = alone.net_kg > 0 ? 0.0 : 0.85 * d.shape->sizes.maxHeight_m;
        auto at = [&](const Eigen::Vector3d& v) {
            const double high = alone.plane.normal.dot(v) - alone.plane.offset_m - deeper;
            return QPointF(x + (axes.aft.dot(v) - reach[i].first) * s, waterlineY_ - high * s);
        };
        QPolygonF shape;
        for (const Eigen::Vector3d& v : outlines[i]) {
            shape << at(v);
        }
        p.setPen(QPen(c.ink, 1.6));
        p.setBrush(stockColour(shown_->design->make.kind, c));
        p.drawPolygon(shape, Qt::WindingFill);
        const PieceBalance& piece = d.mass->pieces[i];
        paintCentreOfBuoyancy(p, at(piece.centreOfBuoyancy_m), 7, c.water);
        paintCentreOfGravity(p, at(piece.centreOfGravity_m), 4.5, c.ink);
        const QString words = tr("%1: %2 %3")
                                  .arg(QString::fromStdString(piece.name),
                                       bench_.text(Quantity::Mass, std::abs(alone.net_kg)),
                                       alone.net_kg > 0 ? tr("spare") : tr("heavy, sinks"));
        const double wide = (reach[i].second - reach[i].first) * s;
        p.setFont(type(Type::Small));
        p.setPen(c.ink);
        p.drawText(QRectF(x - 40, height() - kRulerHeight - 20, wide + 80, 18), Qt::AlignCenter,
                   words);
        x += wide + kBetween_m * s;
    }
}

// A chain of linked eyes on the water, or under it: each length at its own pitch.
void Tank::paintLinked(QPainter& p) const {
    const Inks& c = inks();
    const Derived& d = *shown_->derived;
    const LinkedRest& chain = *d.rest->linked;
    const auto outlines = bodyOutlines(d, DrawnView::Side);
    const size_t count = std::min(outlines.size(), chain.linkOf.size());
    const auto place = [&](size_t part, const Eigen::Vector3d& v) {
        const size_t link = chain.linkOf[part];
        const Eigen::Vector3d up = upInBody(chain.pose.pitch_rad[link], 0.0);
        const Eigen::Vector3d from = v - chain.links[link].front_m;
        return QPointF(chain.pose.frontX_m[link] + planeAxes(up).aft.dot(from),
                       -chain.pose.front_m[link] - up.dot(from));
    };
    QRectF box;
    std::vector<QPolygonF> shapes;
    for (size_t i = 0; i < count; ++i) {
        QPolygonF shape;
        for (const Eigen::Vector3d& v : outlines[i]) {
            shape << place(i, v);
        }
        box = box.united(shape.boundingRect());
        shapes.push_back(shape);
    }
    // Afloat, heights count from the waterline; else the chain hangs a little under it.
    const double deep = chain.afloat ? 0.0 : 0.2 * box.height() - box.top();
    const double above = waterlineY_ - kCaptionHeight - 4;
    const double below = height() - kRulerHeight - 24 - waterlineY_;
    const double s =
        std::min({(width() - 60) / box.width(), above / std::max(1e-4, -box.top() - deep),
                  below / std::max(1e-4, box.bottom() + deep)});
    QStringList words;
    const QTransform toScreen(s, 0, 0, s, 0.5 * width() - box.center().x() * s,
                              waterlineY_ + deep * s);
    for (size_t i = 0; i < count; ++i) {
        p.setPen(QPen(c.ink, 1.6));
        p.setBrush(stockColour(shown_->design->make.kind, c));
        p.drawPolygon(toScreen.map(shapes[i]), Qt::WindingFill);
        const PieceBalance& piece = d.mass->pieces[i];
        paintCentreOfBuoyancy(p, toScreen.map(place(i, piece.centreOfBuoyancy_m)), 7, c.water);
        paintCentreOfGravity(p, toScreen.map(place(i, piece.centreOfGravity_m)), 4.5, c.ink);
        words << tr("%1: %2").arg(QString::fromStdString(piece.name),
                                  noseWords(chain.pose.pitch_rad[chain.linkOf[i]], bench_.bench()));
    }
    p.setFont(type(Type::Small));
    p.setPen(c.ink);
    p.drawText(QRectF(0, height() - kRulerHeight - 20, width(), 18), Qt::AlignCenter,
               words.join(QStringLiteral("  ·  ")));
    for (size_t i = 1; i < chain.links.size(); ++i) {
        p.setPen(QPen(c.steel, 1.6));
        p.setBrush(c.sheet);
        p.drawEllipse(toScreen.map(QPointF(chain.pose.frontX_m[i], -chain.pose.front_m[i])), 3.5,
                      3.5);
    }
}

// The traced picture lies under the bait at true scale while the body is worked on.
void Tank::paintTrace(QPainter& p) const {
    const Trace& trace = shown_->design->trace;
    if (step_ != Step::Body || view_ != TankView::Side || !trace.shown || picture_.isNull()) {
        return;
    }
    const auto origin = onBody(trace, {0, 0}), across = onBody(trace, {1, 0}),
               down = onBody(trace, {0, 1});
    if (!origin || !across || !down) {
        return;
    }
    auto at = [this](const Eigen::Vector2d& place) { return toPaper({place.x(), 0, place.y()}); };
    const QPointF o = at(*origin), a = at(*across) - o, d = at(*down) - o;
    const double pixel = 1.0 / picture_.width();
    p.save();
    p.setOpacity(0.45);
    p.setTransform(
        QTransform(a.x() * pixel, a.y() * pixel, d.x() * pixel, d.y() * pixel, o.x(), o.y()), true);
    p.setRenderHint(QPainter::SmoothPixmapTransform);
    p.drawImage(0, 0, picture_);
    p.restore();
}

void Tank::paintRuler(QPainter& p) const {
    const Inks& c = inks();
    const bool metric = bench_.bench().isMetric();
    const double unit = metric ? 0.001 : kInch / 8;
    const int major = metric ? 10 : 8;
    const double top = height() - kRulerHeight;
    p.fillRect(QRectF(0, top, width(), kRulerHeight), c.ground);
    p.setPen(QPen(c.quiet, 1));
    p.setFont(type(Type::Small));
    p.drawLine(QPointF(0, top), QPointF(width(), top));
    const double zero = view_ == TankView::Front ? origin_.x() : toPaper({0, 0, 0}).x();
    const double step = unit * pixelsPerMetre_;
    if (step < 1) {
        return;
    }
    const double widest =
        p.fontMetrics().horizontalAdvance(metric ? QStringLiteral("-100") : QStringLiteral("-10"));
    int every = 1;  // numbers must not run into each other
    for (const int next : {2, 5, 10}) {
        every = step * major * every < widest + 10 ? next : every;
    }
    const int first = int(std::ceil(-zero / step)), last = int(std::floor((width() - zero) / step));
    for (int i = first; i <= last; ++i) {
        const double x = zero + i * step;
        const bool big = i % major == 0;
        if (!big && step < 3) {
            continue;
        }
        p.drawLine(QPointF(x, top), QPointF(x, top + (big ? 9 : (i % (major / 2) == 0 ? 6 : 3))));
        const QString label = metric ? QString::number(i) : QString::number(i / major);
        if (big && (i / major) % every == 0 &&
            x + 4 + p.fontMetrics().horizontalAdvance(label) < width() - kUnitWidth) {
            p.drawText(QRectF(x + 2, top + 4, 60, 16), Qt::AlignLeft | Qt::AlignVCenter, label);
        }
    }
    const QRectF unitBox(width() - kUnitWidth, top + 1, kUnitWidth, kRulerHeight - 1);
    p.fillRect(unitBox, c.ground);
    p.drawText(unitBox, Qt::AlignCenter, metric ? QStringLiteral("mm") : QStringLiteral("in"));
}

void Tank::paintCentres(QPainter& p) const {
    const Inks& c = inks();
    const Derived& d = *shown_->derived;
    const bool afloat =
        !isUnderWay() && d.rest->state != RestState::Sinks && !d.rest->attitudes.empty();
    const Eigen::Vector3d lift =
        afloat ? d.rest->attitudes.front().centreOfBuoyancy_m : d.mass->centreOfBuoyancy_m;
    const QPointF g = toPaper(d.mass->centreOfGravity_m);
    const QPointF b = toPaper(lift);
    p.setPen(QPen(c.ink, 1));
    p.drawLine(g, b);
    paintCentreOfBuoyancy(p, b, 8.5, c.water);
    paintCentreOfGravity(p, g, 5, c.ink);
    if (step_ == Step::Tank) {
        p.setFont(type(Type::Small));
        p.setPen(c.ink);
        const double side = g.x() >= b.x() ? 1.0 : -1.0;
        auto label = [&](const QPointF& at, const QString& text, double dir) {
            const double wide = p.fontMetrics().horizontalAdvance(text) + 10;
            const QRectF box(dir > 0 ? at.x() + 14 : at.x() - 14 - wide, at.y() - 9, wide, 18);
            p.fillRect(box, c.sheet);
            p.drawText(box, Qt::AlignCenter, text);
        };
        label(g, tr("weight"), side);
        p.setPen(c.water);
        label(b, tr("lift"), -side);
    }
}

void Tank::paintMark(QPainter& p) const {
    if (!takesMark() || !bench_.mark()) {
        return;
    }
    const Inks& c = inks();
    const QPointF at = toPaper(*bench_.mark());
    p.setPen(QPen(c.signal, 1.6));
    for (const QPointF& arm : {QPointF(9, 0), QPointF(0, 9)}) {
        p.drawLine(at - arm, at + arm);
    }
    p.setFont(type(Type::Small));
    const QString text = tr("the next one goes here");
    const double wide = p.fontMetrics().horizontalAdvance(text) + 10;
    QRectF box(at + QPointF(10, -24), QSizeF(wide, 18));
    box.moveLeft(std::clamp(box.left(), 2.0, std::max(2.0, width() - wide - 2)));
    p.fillRect(box, c.sheet);
    p.drawText(box, Qt::AlignCenter, text);
}

void Tank::paintHandles(QPainter& p) const {
    const Inks& c = inks();
    const auto all = handles();
    for (int i = 0; i < int(all.size()); ++i) {
        const QPointF at = toPaper(all[size_t(i)].place_m);
        const bool live = i == dragged_ || i == chosen_;
        p.setPen(QPen(live ? c.signal : c.water, live ? 2.0 : 1.3));
        p.setBrush(c.sheet);
        const double r = live || i == hovered_ ? 5.5 : 4.0;
        p.setRenderHint(QPainter::Antialiasing, live);  // a square is sharp without, and soon drawn
        p.drawRect(QRectF(at.x() - r, at.y() - r, 2 * r, 2 * r));
        p.setRenderHint(QPainter::Antialiasing);
        if (!live && i != hovered_) {
            continue;
        }
        QStringList values;
        for (const auto& [path, quantity] : all[size_t(i)].fields) {
            if (const auto field = findField(bait_.design(), path.toStdString())) {
                values << bench_.text(quantity, field->value.value_or(0));
            }
        }
        const QString text =
            QStringLiteral("%1: %2").arg(all[size_t(i)].name, values.join(QStringLiteral(", ")));
        p.setFont(type(Type::Body, true));
        const QSizeF size = p.fontMetrics().boundingRect(text).size() + QSizeF(16, 8);
        QRectF box(at + QPointF(12, -size.height() - 8), size);
        box.moveLeft(std::clamp(box.left(), 2.0, std::max(2.0, width() - box.width() - 2)));
        box.moveTop(std::max(box.top(), 2.0));
        p.setPen(QPen(c.rule, 1));
        p.setBrush(c.sheet);
        p.drawRect(box);
        p.setPen(c.ink);
        p.drawText(box, Qt::AlignCenter, text);
    }
}

// What the way looked at has otherwise: its lip, lead and tie, held as the bait is.
void Tank::paintDashed(QPainter& p, const ViewFrame& frame) const {
    const auto& other = bench_.dashed();
    if (!other || &bait_ != &bench_.bait) {
        return;
    }
    Drawing dashed = drawBait(*other->derived->design, *other->derived, frame, DrawnFor::Picture);
    std::erase_if(dashed, [](const Primitive& shape) {
        const bool lead = shape.layer == DrawnLayer::Bores && shape.fill == Fill::Lead;
        return !lead && shape.layer != DrawnLayer::Lip && shape.layer != DrawnLayer::Tie;
    });
    for (Primitive& shape : dashed) {
        shape.insideBody = false;  // there is no body in it to be inside of
    }
    const Inks& c = inks();
    DrawnStyle style = windowStyle(other->derived->design->make.kind, c);
    style.pen = [&c](Stroke, double) { return inkPen(c.signal, 1.4, Qt::DashLine); };
    style.brush = [](Fill) { return QBrush(Qt::NoBrush); };
    paintDrawing(p, dashed, QPointF(origin_.x(), zeroY()), pixelsPerMetre_ / 1000, style);
}

void Tank::paintEvent(QPaintEvent* event) {
    QPainter p(this);
    p.setRenderHint(QPainter::Antialiasing);
    const Inks& c = inks();
    p.fillRect(rect(), c.sheet);
    if (!shown_) {
        const ResultsPtr results = bait_.results();
        p.setPen(c.quiet);
        p.setFont(type(Type::Body));
        const QString why = results && results->error ? sentence(*results->error, bench_.bench())
                                                      : tr("Reckoning…");
        p.drawText(rect().adjusted(40, 20, -40, -20), Qt::AlignCenter | Qt::TextWordWrap, why);
        return;
    }
    updateFrame();
    if (showsApart()) {
        waterlineY_ = kCaptionHeight + 0.42 * (height() - kRulerHeight - kCaptionHeight);
        paintWater(p);
        const bool linked = shown_->derived->rest->linked != nullptr;
        linked ? paintLinked(p) : paintApart(p);
        paintCaption(p);
        return;
    }
    paintWater(p);
    paintTrace(p);
    const Derived& d = *shown_->derived;
    const ViewFrame frame = viewFrame();
    paintDrawing(p, drawBait(*shown_->design, d, frame, DrawnFor::Picture),
                 QPointF(origin_.x(), zeroY()), pixelsPerMetre_ / 1000,
                 windowStyle(shown_->design->make.kind, c));
    paintDashed(p, frame);
    paintLine(p);
    paintCentres(p);
    if (event->rect().bottom() >= height() - kRulerHeight) {
        paintRuler(p);
    }
    paintHandles(p);
    paintMark(p);
    for (const QPointF& at : marks()) {
        placeMarks_.paint(p, at);
    }
    paintSmallFront(p);
    paintCaption(p);
    if (hasFocus()) {
        p.setPen(QPen(c.water, 1));
        p.setBrush(Qt::NoBrush);
        p.drawRect(QRectF(rect()).adjusted(0.5, 0.5, -0.5, -0.5));
    }
}

}  // namespace wl
