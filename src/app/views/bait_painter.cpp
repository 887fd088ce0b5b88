#include "app/views/bait_painter.h"

#include <QPainterPath>
#include <cmath>

#include "app/views/bait_fittings.h"
#include "app/views/bait_insides.h"

namespace wl {
namespace {

constexpr double kOutline = 1.6;

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
    for (size_t i = 0; i < design.bores.size() && i < d.mass->bores.size(); ++i) {
        const Bore& bore = design.bores[i];
        const BoreGeometry& g = d.mass->bores[i];
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
            for (const LipPlane& plane : lipPlanes(lip)) {
                const Eigen::Vector3d end =
                    plane.root_m + plane.along * (plane.to_m - plane.from_m);
                p.drawPolygon(rod(project(plane.root_m), project(end),
                                  std::max(2.5, lip.thickness_m * scale)));
            }
        }
        return;
    }
    if (inside) {
        return;
    }
    p.setPen(inkPen(c.ink, kInner));
    QColor fill = c.lip;
    fill.setAlpha(170);
    for (const LipPlane& plane : lipPlanes(lip)) {
        QPolygonF outline;
        for (const Eigen::Vector2d& q : plane.outline) {
            outline << project(plane.root_m + plane.along * q.x() + Eigen::Vector3d(0, q.y(), 0));
        }
        p.setBrush(fill);
        p.drawPolygon(outline);
    }
    if (lip.holeDiameter_m > 0) {
        const Eigen::Vector3d middle = lipPlace(lip, lip.holeAt_m);
        const Eigen::Vector3d out = lipPlace(lip, lip.holeAt_m + 1e-4) - middle;
        QPolygonF hole;
        for (int i = 0; i < 24; ++i) {
            const double t = 2 * kPi * i / 24, r = 0.5 * lip.holeDiameter_m;
            hole << project(middle + r * std::cos(t) * out.normalized() +
                            Eigen::Vector3d(0, r * std::sin(t), 0));
        }
        p.setBrush(c.sheet);
        p.drawPolygon(hole);
    }
}

}  // namespace

namespace {

using Places = std::vector<Eigen::Vector3d>;

void paintJoints(QPainter& p, const Design& design, const Derived& d, TankView view,
                 const Projection& project, double scale, const Inks& c) {
    for (size_t i = 0; i < d.shape->joints.size() && i < design.joints.size(); ++i) {
        const JointCut& cut = d.shape->joints[i];
        const Joint& j = design.joints[i];
        const Eigen::Vector3d pin(cut.pinX_m, 0, cut.midZ_m);
        if (view == TankView::Side) {
            // Where the bevels come out at the sides, hidden behind the centre plane.
            p.setPen(inkPen(c.quiet, kInner, Qt::DashLine));
            for (const auto& [face, half] : {std::pair{cut.frontPieceFace, cut.frontEdge_m},
                                             std::pair{cut.rearPieceFace, cut.rearEdge_m}}) {
                const Section s = d.shape->curves.atX(face.x_m + face.slope * half);
                p.drawLine(project({s.x_m, 0, s.back_m}), project({s.x_m, 0, s.belly_m}));
            }
            const Eigen::Vector3d reach(0, 0, 0.5 * j.pinLength_m);
            p.setPen(inkPen(c.steel, std::max(1.6, j.pinDiameter_m * scale)));
            p.drawLine(project(pin - reach), project(pin + reach));
            if (j.pocket != PocketIn::None) {
                const bool front = j.pocket == PocketIn::FrontPiece;
                const double face = front ? cut.frontPieceFace.x_m : cut.rearPieceFace.x_m;
                const double end = face + (front ? -1 : 1) * j.pocketDepth_m;
                const double h = 0.5 * j.pocketHeight_m;
                p.setPen(inkPen(c.ink, kInner, Qt::DashLine));
                p.setBrush(Qt::NoBrush);
                p.drawPolygon(onPaper({{face, 0, cut.midZ_m + h},
                                       {end, 0, cut.midZ_m + h},
                                       {end, 0, cut.midZ_m - h},
                                       {face, 0, cut.midZ_m - h}},
                                      project));
            }
        } else if (view == TankView::Top) {
            p.setPen(inkPen(c.steel, 1.2));
            p.setBrush(c.sheet);
            p.drawEllipse(project(pin), std::max(2.5, 0.5 * j.pinDiameter_m * scale),
                          std::max(2.5, 0.5 * j.pinDiameter_m * scale));
        }
    }
}

}  // namespace

QColor stockColour(MakeKind kind, const Inks& c) {
    switch (kind) {
        case MakeKind::Cast:
            return c.resin;
        case MakeKind::Layered:
            return c.clear;
        case MakeKind::Printed:
            return c.plastic;
        default:
            return c.wood;
    }
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
    QPainterPath body;
    for (const Places& outline : bodyOutlines(d, view)) {
        QPainterPath piece;
        piece.setFillRule(Qt::WindingFill);  // the arms of a V lie over each other
        piece.addPolygon(onPaper(outline, project));
        piece.closeSubpath();
        body = body.united(piece);
    }
    p.setPen(Qt::NoPen);
    p.setBrush(stockColour(design.make.kind, c));
    p.drawPath(body);
    // A hint of what it is made of: grain along the bait, hatching of a print, seams of sheets.
    p.save();
    p.setClipPath(body);
    QColor grain = c.quiet;
    grain.setAlpha(38);
    p.setPen(inkPen(grain, 1));
    const bool wood = design.make.kind == MakeKind::Carved || design.make.kind == MakeKind::Turned;
    if (design.make.kind == MakeKind::Printed) {
        p.fillPath(body, QBrush(grain, Qt::BDiagPattern));
    }
    if (wood && design.make.grain != GrainDirection::Along) {
        // Across or upright: end grain as short strokes seen end on, lines seen from beside.
        const bool upright = design.make.grain == GrainDirection::Upright;
        const bool endOn = upright ? view == TankView::Top : view == TankView::Side;
        p.fillPath(body, QBrush(grain, endOn ? Qt::Dense6Pattern : Qt::VerPattern));
    }
    if (wood && design.make.grain == GrainDirection::Along && view != TankView::Front) {
        for (int line = -3; line <= 3; ++line) {
            const double k = line * 0.3;
            QPolygonF fibre;
            for (int i = 0; i <= 24; ++i) {
                const Section s = d.shape->curves.at(i / 24.0);
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
    p.setBrush(c.sheet);
    for (size_t i = 0; i < design.features.size() && i < d.mass->features.size(); ++i) {
        p.setPen(inkPen(c.ink, kInner, view == TankView::Front ? Qt::DashLine : Qt::SolidLine));
        for (const CutTool& tool : d.mass->features[i].tools) {
            paintTool(p, tool, view, project);
        }
    }
    paintOutlined(p, design, d, view, project, c);
    paintChambers(p, design, d, view, project, scale, down, c);
    paintJoints(p, design, d, view, project, scale, c);
    paintLip(p, design, view, project, scale, c, true);
    paintWire(p, design, d, project, scale, c);
    p.setPen(inkPen(c.ink, kOutline));
    p.setBrush(Qt::NoBrush);
    p.drawPath(body);
    if (view != TankView::Side) {  // centre line, long and short
        QPen centre(c.quiet, 0.8);
        centre.setDashPattern({12, 4, 3, 4});
        p.setPen(centre);
        if (view == TankView::Top) {
            p.drawLine(project({-0.004, 0, 0}), project({d.shape->sizes.length_m + 0.004, 0, 0}));
        } else {
            const Section s = d.shape->curves.atX(d.shape->sizes.widestAt_m);
            p.drawLine(project({0, 0, s.back_m + 0.003}), project({0, 0, s.belly_m - 0.003}));
        }
    }
    if (view == TankView::Front) {
        paintLip(p, design, view, project, scale, c, false);
    }
    paintBuildUps(p, design, d, view, project, scale, c);
    paintFittings(p, design, view, project, scale, down, c);
    const QPointF tie = project(tiePoint(design));
    p.setPen(inkPen(c.ink, 1.6));
    p.setBrush(Qt::NoBrush);
    p.drawEllipse(tie, 3.2, 3.2);
    p.restore();
}

QColor mixed(const QColor& a, const QColor& b, double share) {
    return QColor::fromRgbF(float(a.redF() * (1 - share) + b.redF() * share),
                            float(a.greenF() * (1 - share) + b.greenF() * share),
                            float(a.blueF() * (1 - share) + b.blueF() * share));
}

}  // namespace wl
