#include "app/views/bait_fittings.h"

#include <QPainterPath>
#include <cmath>

namespace wl {
namespace {

void paintHook(QPainter& p, const QPointF& eye, const QPointF& down, double length, double ring,
               bool treble, bool weedGuard) {
    const QPointF side(-down.y(), down.x());
    const QPointF top = eye + down * ring;
    const QPointF bend = eye + down * (ring + length * 0.82);
    p.drawLine(top, bend);
    const double gape = length * 0.30;
    if (weedGuard) {
        p.drawLine(top, bend + side * gape * 0.92 - down * length * 0.16);
    }
    for (const double s : {1.0, -1.0}) {
        if (s < 0 && !treble) {
            continue;
        }
        QPainterPath path(bend);
        path.cubicTo(bend + down * length * 0.24, bend + side * s * gape + down * length * 0.24,
                     bend + side * s * gape - down * length * 0.02);
        path.lineTo(bend + side * s * gape * 0.92 - down * length * 0.16);
        p.drawPath(path);
    }
}

// A fin as a kite of its own area, narrow end ahead; bristles as a fan of strokes.
void paintFin(QPainter& p, const Fitting& f, const Eigen::Vector3d& at, TankView view,
              const Projection& project, const Inks& c) {
    const double half = 0.5 * f.size_m;
    const double tall = f.area_m2 > 0 ? f.area_m2 / f.size_m : 0.4 * f.size_m;
    auto corner = [&](double x, double across) {
        return view == TankView::Top ? project(at + Eigen::Vector3d(x, across * f.wire_m / tall, 0))
                                     : project(at + Eigen::Vector3d(x, 0, across));
    };
    p.setPen(inkPen(c.ink, kInner));
    if (f.kind == FittingKind::BristleTail) {
        for (int i = -4; i <= 4; ++i) {
            const double k = i / 8.0;
            p.drawLine(corner(-half, 0.2 * k * tall), corner(half, 1.4 * k * tall));
        }
        return;
    }
    p.setBrush(f.kind == FittingKind::SoftTail ? c.filler : c.lip);
    p.drawPolygon(
        QPolygonF({corner(-half, 0.25 * tall), corner(half, 0.75 * tall), corner(0.72 * half, 0),
                   corner(half, -0.75 * tall), corner(-half, -0.25 * tall)}));
}

}  // namespace

void paintFittings(QPainter& p, const Design& design, TankView view, const Projection& project,
                   double scale, const Eigen::Vector3d& down, const Inks& c) {
    for (const Fitting& f : design.fittings) {
        const Eigen::Vector3d place = fittingPlace(design, f);
        const QPointF at = project(place);
        QPointF hang = project(place + 0.01 * down) - at;
        const double norm = std::hypot(hang.x(), hang.y());
        hang = norm > 1e-6 ? hang / norm : QPointF(0, 1);
        p.setBrush(Qt::NoBrush);
        p.setPen(inkPen(c.steel, std::max(1.2, f.wire_m * scale)));
        const double size = f.size_m * scale;
        switch (f.kind) {
            case FittingKind::Treble:
            case FittingKind::SingleHook:
                if (view != TankView::Top) {
                    double ring = 0;
                    for (const Fitting& other : design.fittings) {
                        if (other.kind == FittingKind::SplitRing &&
                            other.hangsFrom == f.hangsFrom) {
                            ring = other.size_m * scale;
                        }
                    }
                    paintHook(p, at, hang, size, ring, f.kind == FittingKind::Treble, f.weedGuard);
                } else {
                    p.setPen(inkPen(c.steel, kInner, Qt::DashLine));
                    p.drawEllipse(at, 0.3 * size, 0.3 * size);
                }
                break;
            case FittingKind::SplitRing:
                p.drawEllipse(at + hang * 0.5 * size, 0.42 * size, 0.5 * size);
                break;
            case FittingKind::SheetFin:
            case FittingKind::BristleTail:
            case FittingKind::SoftTail:
                paintFin(p, f, place, view, project, c);
                break;
            case FittingKind::GlassEye:
                for (const double sideY : {1.0, -1.0}) {
                    if (sideY < 0 && (!f.mirrored || view == TankView::Side)) {
                        continue;
                    }
                    const QPointF eye = project({place.x(), sideY * place.y(), place.z()});
                    p.setPen(inkPen(c.ink, kInner));
                    p.setBrush(c.sheet);
                    p.drawEllipse(eye, 0.5 * size, 0.5 * size);
                    p.setBrush(c.ink);
                    p.drawEllipse(eye, 0.22 * size, 0.22 * size);
                }
                break;
            default:
                p.drawEllipse(at, 0.36 * size, 0.36 * size);
        }
    }
}

}  // namespace wl
