// Joints, lip, putty and fittings of a bait, as a view shows them.
#include <cmath>

#include "core/base/units.h"
#include "core/draw/drafting.h"

namespace wl {
namespace {

using Eigen::Vector2d;
using Eigen::Vector3d;

// Both legs and the points of a hook hanging along a unit vector of the paper.
void draftHook(Drafting& d, const Vector2d& eye, const Vector2d& hang, double length_mm,
               double ring_mm, const Fitting& f) {
    const double wire = 1000.0 * f.wire_m;
    const Vector2d side(-hang.y(), hang.x());
    const Vector2d top = eye + hang * ring_mm;
    const Vector2d bend = eye + hang * (ring_mm + length_mm * 0.82);
    const double gape = length_mm * 0.30;
    const auto steel = [&](Drafting::Points points) {
        d.path(DrawnLayer::Fittings, Stroke::Metal, std::move(points), Fill::None, false).bar_mm =
            wire;
    };
    steel({top, bend});
    if (f.weedGuard) {
        steel({top, bend + side * gape * 0.92 - hang * length_mm * 0.16});
    }
    for (const double s : {1.0, -1.0}) {
        if (s < 0 && f.kind != FittingKind::Treble) {
            continue;
        }
        const Vector2d a = bend + hang * length_mm * 0.24;
        const Vector2d b = bend + side * s * gape + hang * length_mm * 0.24;
        const Vector2d c = bend + side * s * gape - hang * length_mm * 0.02;
        Drafting::Points points;
        for (int i = 0; i <= 12; ++i) {
            const double t = i / 12.0, u = 1 - t;
            points.emplace_back(u * u * u * bend + 3 * u * u * t * a + 3 * u * t * t * b +
                                t * t * t * c);
        }
        points.emplace_back(bend + side * s * gape * 0.92 - hang * length_mm * 0.16);
        steel(std::move(points));
    }
}

// A fin as a kite of its own area, narrow end ahead; bristles as a fan of strokes.
void draftFin(Drafting& d, const Fitting& f, const Vector3d& at) {
    const double half = 0.5 * f.size_m;
    const double tall = f.area_m2 > 0 ? f.area_m2 / f.size_m : 0.4 * f.size_m;
    const auto corner = [&](double x, double across) {
        return d.at(d.frame.view == DrawnView::Top
                        ? Vector3d(at + Vector3d(x, across * f.wire_m / tall, 0))
                        : Vector3d(at + Vector3d(x, 0, across)));
    };
    if (f.kind == FittingKind::BristleTail) {
        for (int i = -4; i <= 4; ++i) {
            const double k = i / 8.0;
            d.path(DrawnLayer::Fittings, Stroke::Inner,
                   {corner(-half, 0.2 * k * tall), corner(half, 1.4 * k * tall)}, Fill::None,
                   false);
        }
        return;
    }
    d.path(DrawnLayer::Fittings, Stroke::Inner,
           {corner(-half, 0.25 * tall), corner(half, 0.75 * tall), corner(0.72 * half, 0),
            corner(half, -0.75 * tall), corner(-half, -0.25 * tall)},
           f.kind == FittingKind::SoftTail ? Fill::Filler : Fill::Sheet);
}

double ringAbove_mm(const Design& design, const Fitting& hook) {
    double ring = 0;
    for (const Fitting& other : design.fittings) {
        if (other.kind == FittingKind::SplitRing && other.hangsFrom == hook.hangsFrom) {
            ring = 1000.0 * other.size_m;
        }
    }
    return ring;
}

// One fitting at one place of its own.
void draftFitting(Drafting& d, const Fitting& f, const Vector3d& place) {
    const Vector2d at = d.at(place);
    Vector2d hang = d.at(Vector3d(place + 0.01 * d.frame.down)) - at;
    hang = hang.norm() > 1e-6 ? Vector2d(hang.normalized()) : Vector2d(0, -1);
    const double size = 1000.0 * f.size_m, wire = 1000.0 * f.wire_m;
    switch (f.kind) {
        case FittingKind::Treble:
        case FittingKind::SingleHook:
            if (d.frame.view == DrawnView::Top) {
                d.disc(DrawnLayer::Fittings, Stroke::Hidden, at, 0.6 * size);
            } else {
                draftHook(d, at, hang, size, ringAbove_mm(d.design, f), f);
            }
            break;
        case FittingKind::SplitRing:
            d.path(DrawnLayer::Fittings, Stroke::Metal,
                   arcOnPaper(at + hang * 0.5 * size, {0.5 * size, 0.42 * size},
                              std::atan2(hang.y(), hang.x()), 0, 2 * kPi))
                .bar_mm = wire;
            break;
        case FittingKind::SheetFin:
        case FittingKind::BristleTail:
        case FittingKind::SoftTail:
            draftFin(d, f, place);
            break;
        case FittingKind::GlassEye:
            d.disc(DrawnLayer::Fittings, Stroke::Inner, at, size, Fill::Hollow);
            d.disc(DrawnLayer::Fittings, Stroke::Inner, at, 0.44 * size, Fill::Dark);
            break;
        default:
            d.disc(DrawnLayer::Fittings, Stroke::Metal, at, 0.72 * size).bar_mm = wire;
    }
}

// The stretches of the lip from its root on, edge on.
void draftLipEdge(Drafting& d) {
    for (const LipPlane& plane : lipPlanes(d.design.lip)) {
        const Vector3d end = plane.root_m + plane.along * (plane.to_m - plane.from_m);
        d.path(DrawnLayer::Lip, Stroke::Inner,
               barOnPaper(d.at(plane.root_m), d.at(end), 1000.0 * d.design.lip.thickness_m),
               Fill::Sheet);
    }
}

}  // namespace

void draftJoints(Drafting& d) {
    const BodyCurves& curves = d.derived.shape->curves;
    const bool side = d.frame.view == DrawnView::Side;
    if (d.frame.view == DrawnView::Front) {
        return;
    }
    const auto upright = [&](double x, DrawnLayer layer, Stroke stroke) {
        const Section s = curves.atX(x);
        d.line(layer, stroke, {s.x_m, 0, s.back_m}, {s.x_m, 0, s.belly_m});
    };
    for (size_t i = 0; i < d.derived.shape->joints.size(); ++i) {
        const JointCut& cut = d.derived.shape->joints[i];
        for (const auto& [face, half] : {std::pair{cut.frontPieceFace, cut.frontEdge_m},
                                         std::pair{cut.rearPieceFace, cut.rearEdge_m}}) {
            const double edge = face.x_m + face.slope * half;
            if (side) {
                // Where the bevels come out at the sides, hidden behind the centre plane.
                upright(edge, DrawnLayer::Saw, Stroke::Hidden);
                if (d.bench()) {
                    upright(face.x_m, DrawnLayer::Saw, Stroke::Saw);
                }
            } else if (d.bench()) {
                for (const double to : {half, -half}) {
                    d.line(DrawnLayer::Saw, Stroke::Saw, {face.x_m, 0, 0}, {edge, to, 0});
                }
            }
        }
        const Joint& j = d.design.joints[i];
        const Vector3d pin(cut.pinX_m, 0, cut.midZ_m);
        const double width = 1000.0 * j.pinDiameter_m;
        if (side) {
            const Vector3d reach(0, 0, 0.5 * j.pinLength_m);
            d.line(DrawnLayer::Hinges, d.bench() ? Stroke::Centre : Stroke::Metal, pin - reach,
                   pin + reach, width);
        }
        if (d.bench() || !side) {
            d.mark(DrawnShape::PinMark, DrawnLayer::Hinges, d.at(pin), {}, width);
        }
    }
    for (const bool front : {true, false}) {
        if (side && d.bench() && curves.endFace(front).present) {
            const FaceCut face = measureEndFace(curves, front);
            d.line(DrawnLayer::Saw, Stroke::Saw, face.foot_m, face.top_m);
        }
    }
}

void draftLip(Drafting& d) {
    const Lip& lip = d.design.lip;
    if (!lip.present) {
        return;
    }
    if (d.frame.view == DrawnView::Side) {
        draftLipEdge(d);
        return;
    }
    for (const LipPlane& plane : lipPlanes(lip)) {
        Drafting::Points outline;
        for (const Vector2d& q : plane.outline) {
            outline.push_back(
                d.at(Vector3d(plane.root_m + plane.along * q.x() + plane.across * q.y())));
        }
        d.path(DrawnLayer::Lip, Stroke::Inner, std::move(outline), Fill::Clear);
    }
    if (lip.holeDiameter_m > 0) {
        const Vector3d middle = lipPlace(lip, lip.holeAt_m);
        const Vector3d out = (lipPlace(lip, lip.holeAt_m + 1e-4) - middle).normalized();
        const Vector3d across = lipAxes(lip).across;
        std::vector<Vector3d> hole;
        constexpr int kSides = 24;
        for (int i = 0; i < kSides; ++i) {
            const double t = 2 * kPi * i / kSides, r = 0.5 * lip.holeDiameter_m;
            hole.push_back(middle + r * std::cos(t) * out + r * std::sin(t) * across);
        }
        d.path(DrawnLayer::Lip, Stroke::Inner, d.at(hole), Fill::Hollow);
    }
}

void draftTieWire(Drafting& d) {
    const TieWire wire = measureTieWire(d.design);
    if (wire.mass_kg <= 0) {
        return;
    }
    const Tie& tie = d.design.tie;
    const double twisted = 2000.0 * tie.wire_m;  // two strands beside each other
    const double top = std::max(0.0, tie.standOff_m - 0.5 * tie.loop_m);
    for (const Vector2d& hole : wire.holes) {
        d.line(DrawnLayer::Tie, Stroke::Metal, lipPlace(d.design.lip, hole.x()),
               lipPlace(d.design.lip, tie.upLip_m, 0.3 * top), 1000.0 * tie.wire_m);
    }
    d.line(DrawnLayer::Tie, Stroke::Metal, lipPlace(d.design.lip, tie.upLip_m, 0.3 * top),
           lipPlace(d.design.lip, tie.upLip_m, top), twisted);
    if (tie.goesOn()) {  // back under the sheet, and in beside the slot
        const double under = -0.5 * (d.design.lip.thickness_m + tie.wire_m);
        const Vector3d skin = lipPlace(d.design.lip, 0.0, under);
        d.line(DrawnLayer::Tie, Stroke::Metal, lipPlace(d.design.lip, wire.holes.back().x(), under),
               skin, 1000.0 * tie.wire_m);
        d.line(DrawnLayer::Tie, Stroke::Metal, skin, lipPlace(d.design.lip, -tie.leg_m, under),
               1000.0 * tie.wire_m);
    }
    d.disc(DrawnLayer::Tie, Stroke::Metal, d.at(tiePoint(d.design)),
           1000.0 * (tie.loop_m + tie.wire_m))
        .bar_mm = 1000.0 * tie.wire_m;
}

void draftBuildUps(Drafting& d) {
    const int seenAlong = d.frame.sightAxis();
    for (const BuildUp& b : d.design.buildUps) {
        for (const double side : {1.0, -1.0}) {
            if (side < 0 && !(b.mirrored && (b.from == FeatureFrom::Side || b.y_m != 0))) {
                continue;
            }
            const auto entry =
                entryAt(d.derived.shape->curves, b.from, {b.x_m, b.y_m, b.z_m}, side);
            if (!entry) {
                continue;
            }
            const bool end = b.from == FeatureFrom::Nose || b.from == FeatureFrom::Tail;
            const Vector2d foot = d.at(entry->mouth_m);
            const auto putty = [&](Drafting::Points points) {
                d.path(DrawnLayer::Putty, Stroke::Inner, std::move(points), Fill::Filler);
            };
            if (std::abs(entry->inward[seenAlong]) > 0.7) {
                const Vector2d size(end ? b.width_m : b.length_m, end ? b.length_m : b.width_m);
                putty(arcOnPaper(foot, 500.0 * size, 0, 0, 2 * kPi));
                continue;
            }
            const Vector2d out = d.at(Vector3d(entry->mouth_m - 0.01 * entry->inward)) - foot;
            // Seen edge on its base is as long as the view shows of it.
            const double base = seenAlong == (end ? 2 : 0) ? b.width_m : b.length_m;
            putty(arcOnPaper(foot, {500.0 * base, 1000.0 * b.thickness_m},
                             std::atan2(out.y(), out.x()) - 0.5 * kPi, 0, kPi));
        }
    }
}

void draftFittings(Drafting& d) {
    for (const Fitting& f : d.design.fittings) {
        Vector3d place = fittingPlace(d.design, f);
        // From beside the near one hides the other.
        const bool both = f.mirrored && place.y() != 0 && d.frame.view != DrawnView::Side;
        for (int twin = 0; twin < (both ? 2 : 1); ++twin) {
            if (!d.bench()) {
                draftFitting(d, f, place);
            } else if (!swings(f.kind)) {
                d.mark(DrawnShape::CrossMark, DrawnLayer::Fittings, d.at(place));
            }
            place.y() = -place.y();
        }
    }
}

}  // namespace wl
