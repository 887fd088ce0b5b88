#include "app/views/bait_insides.h"

#include <cmath>

namespace wl {
namespace {

constexpr int kMostBalls = 40;

}  // namespace

void paintChambers(QPainter& p, const Design& design, const Derived& d, TankView view,
                   const Projection& project, double scale, const Eigen::Vector3d& down,
                   const Inks& c) {
    for (size_t i = 0; i < design.chambers.size() && i < d.mass->chambers.size(); ++i) {
        const RattleChamber& chamber = design.chambers[i];
        const ChamberGeometry& g = d.mass->chambers[i];
        const Eigen::Vector3d middle(chamber.x_m, chamber.y_m, chamber.z_m);
        const int seenAlong = view == TankView::Side ? 1 : view == TankView::Top ? 2 : 0;
        const bool endOn = std::abs(g.axis[seenAlong]) > 0.9;
        const double wide = chamber.diameter_m * scale, longer = chamber.length_m * scale;
        p.setPen(inkPen(c.ink, 1.0));
        p.setBrush(c.sheet);
        const QPointF at = project(middle);
        if (endOn) {
            p.drawEllipse(at, 0.5 * wide, 0.5 * wide);
        } else {
            const QPointF tip = project(middle + 0.5 * chamber.length_m * g.axis);
            p.save();
            p.translate(at);
            p.rotate(std::atan2(tip.y() - at.y(), tip.x() - at.x()) * 180 / kPi);
            p.drawRect(QRectF(-0.5 * longer, -0.5 * wide, longer, wide));
            p.restore();
        }
        // The balls lie at the low end, in a row (their true stacking is in the numbers).
        const double low = g.axis.dot(down) > 1e-3 ? 1.0 : g.axis.dot(down) < -1e-3 ? -1.0 : 0.0;
        const int balls = std::min(kMostBalls, int(std::lround(chamber.ballCount)));
        const double ball = chamber.ballDiameter_m;
        p.setBrush(c.lead);
        for (int k = 0; k < balls && g.fits; ++k) {
            const double span = std::min(double(balls) * ball, chamber.length_m);
            const double along =
                low * 0.5 * (chamber.length_m - span) + span * ((k + 0.5) / balls - 0.5);
            p.drawEllipse(project(middle + along * g.axis), 0.5 * ball * scale, 0.5 * ball * scale);
        }
    }
}

void paintWire(QPainter& p, const Design& design, const Derived& d, const Projection& project,
               double scale, const Inks& c) {
    p.setBrush(Qt::NoBrush);
    for (const Fitting& f : design.fittings) {
        if (!isWireForm(f.kind) || f.shank_m <= 0) {
            continue;
        }
        for (const double side : {1.0, -1.0}) {
            if (side < 0 && !f.mirrored) {
                continue;
            }
            for (const auto& [from, to] : stemBars(f, side)) {
                p.setPen(inkPen(c.steel, std::max(1.2, f.wire_m * scale)));
                p.drawLine(project(from), project(to));
                if (f.kind == FittingKind::TwistedEye) {
                    p.setPen(inkPen(c.sheet, 1.0, Qt::DotLine));
                    p.drawLine(project(from), project(to));
                }
            }
        }
    }
    const WireLayout& wire = d.mass->wire;
    if (wire.path_m.size() < 2) {
        return;
    }
    QPolygonF path;
    for (const Eigen::Vector3d& at : wire.path_m) {
        path << project(at);
    }
    p.setPen(inkPen(c.steel, std::max(1.6, design.wire.wire_m * scale)));
    p.drawPolyline(path);
    const double ring = 0.5 * (design.wire.eyeInner_m + design.wire.wire_m) * scale;
    for (const WireEye& eye : wire.eyes) {
        if (eye.end) {
            p.drawEllipse(project(eye.centre_m), ring, ring);
        }
    }
    int number = 0;
    p.setFont(type(Type::Small));
    for (const WireBend& bend : wire.bends) {
        ++number;
        const QPointF at = project(bend.place_m);
        p.setPen(inkPen(c.ink, 1.0));
        p.drawLine(at - QPointF(0, 4), at + QPointF(0, 4));
        p.drawText(at + QPointF(2, -5), QString::number(number));
    }
}

}  // namespace wl
