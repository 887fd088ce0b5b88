#include "app/bait_painter.h"

#include <QPainterPath>
#include <cmath>

namespace wl {
namespace {

constexpr double kOutline = 1.6, kInner = 1.0;

QPen inkPen(const QColor& colour, double width, Qt::PenStyle style = Qt::SolidLine) {
    return QPen(colour, width, style, Qt::RoundCap, Qt::RoundJoin);
}

// A rod between two places as a rectangle on paper.
QPolygonF rod(const QPointF& a, const QPointF& b, double width) {
    const QPointF d = b - a;
    const double length = std::hypot(d.x(), d.y());
    if (length < 1e-6) {
        const double h = 0.5 * width;
        return QPolygonF(QRectF(a.x() - h, a.y() - h, width, width));
    }
    const QPointF n(-d.y() / length * 0.5 * width, d.x() / length * 0.5 * width);
    return QPolygonF({a + n, b + n, b - n, a - n});
}

void paintBores(QPainter& p, const Design& design, const Derived& d, TankView view,
                const Projection& project, double scale, const Inks& c) {
    for (size_t i = 0; i < design.bores.size() && i < d.mass.bores.size(); ++i) {
        const Bore& bore = design.bores[i];
        const BoreGeometry& g = d.mass.bores[i];
        if (!g.entersBody) {
            continue;
        }
        const Eigen::Vector3d bottom = g.mouth_m + g.inward * bore.depth_m;
        const Eigen::Vector3d plugTop = bottom - g.inward * g.plugLength_m;
        const double width = bore.diameter_m * scale;
        if (view == TankView::Top) {
            const QPointF at = project(g.mouth_m);
            p.setPen(inkPen(c.ink, kInner, Qt::DashLine));
            p.setBrush(Qt::NoBrush);
            p.drawEllipse(at, 0.5 * width, 0.5 * width);
            continue;
        }
        p.setPen(inkPen(c.ink, kInner));
        p.setBrush(c.filler);
        p.drawPolygon(rod(project(g.mouth_m), project(plugTop), width));
        p.setBrush(QBrush(c.quiet, Qt::Dense6Pattern));
        p.setPen(Qt::NoPen);
        p.drawPolygon(rod(project(g.mouth_m), project(plugTop), width));
        if (g.plugLength_m > 0) {
            p.setPen(inkPen(c.ink, kInner));
            p.setBrush(c.lead);
            p.drawPolygon(rod(project(plugTop), project(bottom), width));
        }
    }
}

void paintHook(QPainter& p, const QPointF& eye, const QPointF& down, double length, double ring) {
    const QPointF side(-down.y(), down.x());
    const QPointF top = eye + down * ring;
    const QPointF bend = eye + down * (ring + length * 0.82);
    p.drawLine(top, bend);
    const double gape = length * 0.30;
    for (const double s : {1.0, -1.0}) {
        QPainterPath path(bend);
        path.cubicTo(bend + down * length * 0.24, bend + side * s * gape + down * length * 0.24,
                     bend + side * s * gape - down * length * 0.02);
        path.lineTo(bend + side * s * gape * 0.92 - down * length * 0.16);
        p.drawPath(path);
    }
}

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
                if (view != TankView::Top) {
                    double ring = 0;
                    for (const Fitting& other : design.fittings) {
                        if (other.kind == FittingKind::SplitRing &&
                            other.hangsFrom == f.hangsFrom) {
                            ring = other.size_m * scale;
                        }
                    }
                    paintHook(p, at, hang, size, ring);
                } else {
                    p.setPen(inkPen(c.steel, kInner, Qt::DashLine));
                    p.drawEllipse(at, 0.3 * size, 0.3 * size);
                }
                break;
            case FittingKind::SplitRing:
                p.drawEllipse(at + hang * 0.5 * size, 0.42 * size, 0.5 * size);
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

void paintLip(QPainter& p, const Design& design, TankView view, const Projection& project,
              double scale, const Inks& c, bool inside) {
    const Lip& lip = design.lip;
    if (!lip.present) {
        return;
    }
    const Eigen::Vector3d root(lip.slotX_m, 0, lip.slotZ_m);
    const Eigen::Vector3d along = lipDirection(lip);
    if (view == TankView::Side) {
        if (inside) {
            p.setPen(inkPen(c.quiet, kInner, Qt::DashLine));
            p.setBrush(Qt::NoBrush);
            p.drawPolygon(rod(project(root), project(root - along * lip.slotDepth_m),
                              std::max(2.0, lip.thickness_m * scale)));
        } else {
            p.setPen(inkPen(c.ink, kInner));
            p.setBrush(c.lip);
            p.drawPolygon(rod(project(root), project(root + along * lip.length_m),
                              std::max(2.5, lip.thickness_m * scale)));
        }
        return;
    }
    if (inside) {
        return;
    }
    QPolygonF outline;
    for (const Eigen::Vector2d& q : lipOutline(lip)) {
        outline << project(root + along * q.x() + Eigen::Vector3d(0, q.y(), 0));
    }
    p.setPen(inkPen(c.ink, kInner));
    QColor fill = c.lip;
    fill.setAlpha(170);
    p.setBrush(fill);
    p.drawPolygon(outline);
}

}  // namespace

QPolygonF bodyOutline(const Derived& d, TankView view, const Projection& project) {
    QPolygonF outline;
    constexpr int kPoints = 96;
    if (view == TankView::Front) {
        std::vector<Eigen::Vector2d> ring;
        const Section s = d.curves.atX(d.sizes.widestAt_m);
        sectionRing(s, 20, ring);
        for (const Eigen::Vector2d& q : ring) {
            outline << project({s.x_m, q.x(), q.y()});
        }
        return outline;
    }
    auto edge = [&](double u, bool first) {
        const Section s = d.curves.at(u);
        return view == TankView::Side
                   ? project({s.x_m, 0, first ? s.back_m : s.belly_m})
                   : project({s.x_m, first ? s.halfWidth_m : -s.halfWidth_m, s.widest_m});
    };
    for (int i = 0; i <= kPoints; ++i) {
        outline << edge(double(i) / kPoints, true);
    }
    for (int i = kPoints; i >= 0; --i) {
        outline << edge(double(i) / kPoints, false);
    }
    return outline;
}

void paintCentreOfGravity(QPainter& p, const QPointF& at, double r, const QColor& ink) {
    p.setPen(inkPen(ink, 1.2));
    p.setBrush(Qt::white);
    p.drawEllipse(at, r, r);
    p.setBrush(ink);
    const QRectF box(at.x() - r, at.y() - r, 2 * r, 2 * r);
    p.drawPie(box, 0, 90 * 16);
    p.drawPie(box, 180 * 16, 90 * 16);
}

void paintCentreOfBuoyancy(QPainter& p, const QPointF& at, double r, const QColor& ink) {
    p.setPen(inkPen(ink, 1.6));
    p.setBrush(Qt::NoBrush);
    p.drawEllipse(at, r, r);
    QPainterPath wave(at + QPointF(-0.65 * r, 0));
    wave.cubicTo(at + QPointF(-0.3 * r, -0.7 * r), at + QPointF(0.3 * r, 0.7 * r),
                 at + QPointF(0.65 * r, 0));
    p.drawPath(wave);
}

void paintBait(QPainter& p, const Design& design, const Derived& d, TankView view,
               const Projection& project, double scale, const Eigen::Vector3d& down,
               const Inks& c) {
    p.save();
    p.setRenderHint(QPainter::Antialiasing);
    if (view != TankView::Front) {
        paintLip(p, design, view, project, scale, c, false);
    }
    const QPolygonF outline = bodyOutline(d, view, project);
    QPainterPath body;
    body.addPolygon(outline);
    p.setPen(Qt::NoPen);
    p.setBrush(c.wood);
    p.drawPath(body);
    // A hint of grain along the bait.
    p.save();
    p.setClipPath(body);
    QColor grain = c.quiet;
    grain.setAlpha(38);
    p.setPen(inkPen(grain, 1));
    if (view != TankView::Front) {
        for (double k = -0.9; k < 1.0; k += 0.3) {
            QPolygonF fibre;
            for (int i = 0; i <= 24; ++i) {
                const Section s = d.curves.at(i / 24.0);
                fibre << (view == TankView::Side ? project({s.x_m, 0,
                                                            0.5 * (s.back_m + s.belly_m) +
                                                                0.5 * k * (s.back_m - s.belly_m)})
                                                 : project({s.x_m, k * s.halfWidth_m, s.widest_m}));
            }
            p.drawPolyline(fibre);
        }
    }
    paintBores(p, design, d, view, project, scale, c);
    p.restore();
    paintLip(p, design, view, project, scale, c, true);
    p.setPen(inkPen(c.ink, kOutline));
    p.setBrush(Qt::NoBrush);
    p.drawPath(body);
    if (view != TankView::Side) {  // centre line, long and short
        QPen centre(c.quiet, 0.8);
        centre.setDashPattern({12, 4, 3, 4});
        p.setPen(centre);
        if (view == TankView::Top) {
            p.drawLine(project({-0.004, 0, 0}), project({d.sizes.length_m + 0.004, 0, 0}));
        } else {
            const Section s = d.curves.atX(d.sizes.widestAt_m);
            p.drawLine(project({0, 0, s.back_m + 0.003}), project({0, 0, s.belly_m - 0.003}));
        }
    }
    if (view == TankView::Front) {
        paintLip(p, design, view, project, scale, c, false);
    }
    paintFittings(p, design, view, project, scale, down, c);
    const QPointF tie = project(tiePoint(design));
    p.setPen(inkPen(c.ink, 1.6));
    p.setBrush(Qt::NoBrush);
    p.drawEllipse(tie, 3.2, 3.2);
    p.restore();
}

}  // namespace wl
