#include "app/views/bait_insides.h"

#include <QPainterPath>
#include <cmath>

namespace wl {
namespace {

using Places = std::vector<Eigen::Vector3d>;

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

QPolygonF onPaper(const Places& places, const Projection& project) {
    QPolygonF out;
    for (const Eigen::Vector3d& p : places) {
        out << project(p);
    }
    return out;
}

void paintTool(QPainter& p, const CutTool& tool, TankView view, const Projection& project) {
    if (!tool.corners.empty() && view == TankView::Side) {
        Places corners;
        for (const Eigen::Vector2d& corner : tool.corners) {
            corners.push_back(tool.mouth_m + corner.x() * tool.along + corner.y() * tool.across());
        }
        p.drawPolygon(onPaper(corners, project));
        return;
    }
    if (!tool.corners.empty()) {
        // From above or ahead: as far as its corners reach, from mouth to bottom.
        QPolygonF box;
        for (const Eigen::Vector2d& corner : tool.corners) {
            const Eigen::Vector3d at =
                tool.mouth_m + corner.x() * tool.along + corner.y() * tool.across();
            box << project(at) << project(at + tool.depth_m * tool.inward);
        }
        p.drawRect(box.boundingRect());
        return;
    }
    const Eigen::Vector3d a = tool.along * tool.halfAlong_m, c = tool.across() * tool.halfAcross_m;
    const Eigen::Vector3d end = tool.mouth_m + tool.inward * tool.depth_m;
    // Seen along its axis a round hole is a circle; from the side it is its length by its width.
    const int axis = view == TankView::Side ? 1 : view == TankView::Top ? 2 : 0;
    if (tool.round && std::abs(tool.inward[axis]) > 0.9) {
        QPolygonF ring;
        for (int i = 0; i < 24; ++i) {
            const double t = 2 * kPi * i / 24;
            ring << project(tool.mouth_m + std::cos(t) * a + std::sin(t) * c);
        }
        p.drawPolygon(ring);
        return;
    }
    const bool endOn = std::abs(tool.inward[axis]) > 0.9;
    const Eigen::Vector3d wide = std::abs(a[axis]) < std::abs(c[axis]) + 1e-12 || endOn ? a : c;
    if (endOn) {
        p.drawPolygon(onPaper({tool.mouth_m + a + c, tool.mouth_m + a - c, tool.mouth_m - a - c,
                               tool.mouth_m - a + c},
                              project));
    } else {
        p.drawPolygon(
            onPaper({tool.mouth_m + wide, end + wide, end - wide, tool.mouth_m - wide}, project));
    }
}

// Weights from the side and cavities in sheets, with what lies in them.
void paintOutlined(QPainter& p, const Design& design, const Derived& d, TankView view,
                   const Projection& project, const Inks& c) {
    for (const PlacedThing& thing : d.mass->things) {
        for (const Embedded& solid : thing.solids) {
            const bool weight = solid.kind == Embedded::Kind::Weight;
            if (!weight && solid.kind != Embedded::Kind::Cavity) {
                continue;
            }
            const bool seenInto = weight && view == TankView::Side;
            p.setPen(seenInto ? QPen(Qt::NoPen) : inkPen(c.ink, kInner, Qt::DashLine));
            CutTool inside = solid.tool;
            if (weight) {
                const double thick = design.sideWeights[thing.record.index].thickness_m;
                inside.mouth_m += std::max(0.0, inside.depth_m - thick) * inside.inward;
                inside.depth_m = std::min(inside.depth_m, thick);
            }
            const bool filled =
                weight || design.make.cavities[thing.record.index].density_kg_m3 > 0;
            p.setBrush(weight ? c.lead : filled ? c.filler : c.sheet);
            paintTool(p, inside, view, project);
        }
    }
    if (view != TankView::Side) {
        return;
    }
    // The outline over its convex parts, as it was drawn.
    p.setBrush(Qt::NoBrush);
    p.setPen(inkPen(c.ink, kInner));
    for (const SideWeight& w : design.sideWeights) {
        Places corners;
        for (const OutlinePoint& q : w.outline) {
            corners.emplace_back(w.x_m + q.aft_m, 0, w.z_m + q.up_m);
        }
        p.drawPolygon(onPaper(corners, project));
    }
}

// Half an ellipsoid standing on the skin.
void paintBuildUps(QPainter& p, const Design& design, const Derived& d, TankView view,
                   const Projection& project, double scale, const Inks& c) {
    p.setPen(inkPen(c.ink, kInner));
    p.setBrush(c.filler);
    for (const BuildUp& b : design.buildUps) {
        for (const double side : {1.0, -1.0}) {
            if (side < 0 && !(b.mirrored && (b.from == FeatureFrom::Side || b.y_m != 0))) {
                continue;
            }
            const auto entry = entryAt(d.shape->curves, b.from, {b.x_m, b.y_m, b.z_m}, side);
            if (!entry) {
                continue;
            }
            const int seenAlong = view == TankView::Side ? 1 : view == TankView::Top ? 2 : 0;
            const bool end = b.from == FeatureFrom::Nose || b.from == FeatureFrom::Tail;
            if (std::abs(entry->inward[seenAlong]) > 0.7) {
                const double wide = end ? b.width_m : b.length_m,
                             tall = end ? b.length_m : b.width_m;
                p.drawEllipse(project(entry->mouth_m), 0.5 * wide * scale, 0.5 * tall * scale);
                continue;
            }
            const QPointF at = project(entry->mouth_m);
            const QPointF out = project(entry->mouth_m - 0.01 * entry->inward) - at;
            // Seen edge on its base is as long as the view shows of it.
            const double base = seenAlong == (end ? 2 : 0) ? b.width_m : b.length_m;
            p.save();
            p.translate(at);
            p.rotate(std::atan2(out.y(), out.x()) * 180 / kPi + 90);
            QPainterPath dome(QPointF(-0.5 * base * scale, 0));
            dome.arcTo(QRectF(-0.5 * base * scale, -b.thickness_m * scale, base * scale,
                              2 * b.thickness_m * scale),
                       180, -180);
            dome.closeSubpath();
            p.drawPath(dome);
            p.restore();
        }
    }
}

}  // namespace wl
