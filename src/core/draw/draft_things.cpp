// What is let into a bait, thing by thing, as a view shows it.
#include <cmath>

#include "core/base/units.h"
#include "core/draw/drafting.h"

namespace wl {
namespace {

using Eigen::Vector2d;
using Eigen::Vector3d;

constexpr int kMostBalls = 40;
constexpr double kEndOn = 0.9;  // of the cosine between an axis and the line of sight

bool endOn(const Drafting& d, const Vector3d& axis) {
    return std::abs(axis[d.frame.sightAxis()]) > kEndOn;
}

// The least box round some points of the paper.
Drafting::Points boxOf(const Drafting::Points& points) {
    Vector2d low = points.front(), high = low;
    for (const Vector2d& p : points) {
        low = low.cwiseMin(p);
        high = high.cwiseMax(p);
    }
    return {low, {high.x(), low.y()}, high, {low.x(), high.y()}};
}

Drafting::Points toolOnPaper(const Drafting& d, const CutTool& tool) {
    const Vector3d end = tool.mouth_m + tool.inward * tool.depth_m;
    if (!tool.corners.empty()) {
        std::vector<Vector3d> mouth, both;
        for (const Vector2d& corner : tool.corners) {
            mouth.push_back(tool.mouth_m + corner.x() * tool.along + corner.y() * tool.across());
            both.push_back(mouth.back());
            both.push_back(mouth.back() + tool.depth_m * tool.inward);
        }
        // From above or ahead: as far as its corners reach, from mouth to bottom.
        return d.frame.view == DrawnView::Side ? d.at(mouth) : boxOf(d.at(both));
    }
    const Vector3d a = tool.along * tool.halfAlong_m, c = tool.across() * tool.halfAcross_m;
    const bool round = tool.round && endOn(d, tool.inward);
    if (round) {
        std::vector<Vector3d> ring;
        constexpr int kSides = 32;
        for (int i = 0; i < kSides; ++i) {
            const double t = 2 * kPi * i / kSides;
            const Vector3d across = tool.halfAlong_m * tool.across();
            ring.push_back(tool.mouth_m + std::cos(t) * a + std::sin(t) * across);
        }
        return d.at(ring);
    }
    const int axis = d.frame.sightAxis();
    if (endOn(d, tool.inward)) {
        return d.at(std::vector<Vector3d>{tool.mouth_m + a + c, tool.mouth_m + a - c,
                                          tool.mouth_m - a - c, tool.mouth_m - a + c});
    }
    if (tool.round) {
        return barOnPaper(d.at(tool.mouth_m), d.at(end), 2000.0 * tool.halfAlong_m);
    }
    const Vector3d wide = std::abs(a[axis]) < std::abs(c[axis]) + 1e-12 ? a : c;
    return d.at(
        std::vector<Vector3d>{tool.mouth_m + wide, end + wide, end - wide, tool.mouth_m - wide});
}

void draftBore(Drafting& d, size_t index, const CutTool& tool) {
    const BoreGeometry& g = d.derived.mass->bores[index];
    const double width = 2000.0 * tool.halfAlong_m;
    const Vector3d bottom = tool.mouth_m + tool.inward * tool.depth_m;
    if (d.frame.view == DrawnView::Top) {
        d.disc(DrawnLayer::Bores, Stroke::Hidden, d.at(tool.mouth_m), width).insideBody = true;
        return;
    }
    if (d.bench()) {
        // Open at the skin.
        d.path(DrawnLayer::Bores, Stroke::Hidden,
               barOnPaper(d.at(tool.mouth_m), d.at(bottom), width), Fill::None, false);
        constexpr double kOver_mm = 2.5;
        const double out = tool.inward.z() > 0 ? kOver_mm : -kOver_mm;
        d.mark(DrawnShape::Words, DrawnLayer::Bores, d.at(bottom) + Vector2d(0, out),
               boreLetter(index));
        return;
    }
    const Vector3d plugTop = bottom - tool.inward * g.plugLength_m;
    if (g.plugLength_m < tool.depth_m) {
        const Drafting::Points filler = barOnPaper(d.at(tool.mouth_m), d.at(plugTop), width);
        d.path(DrawnLayer::Bores, Stroke::Inner, filler, Fill::Filler).insideBody = true;
        d.path(DrawnLayer::Bores, Stroke::None, filler, Fill::Dots).insideBody = true;
    }
    if (g.plugLength_m > 0) {
        d.path(DrawnLayer::Bores, Stroke::Inner, barOnPaper(d.at(plugTop), d.at(bottom), width),
               Fill::Lead)
            .insideBody = true;
    }
}

void draftCut(Drafting& d, const CutTool& tool) {
    constexpr double kStraight = 0.9999;
    const Stroke stroke =
        d.bench() || d.frame.view == DrawnView::Front ? Stroke::Hidden : Stroke::Inner;
    if (tool.round && std::abs(tool.inward[d.frame.sightAxis()]) > kStraight) {
        d.disc(DrawnLayer::Cuts, stroke, d.at(tool.mouth_m), 2000.0 * tool.halfAlong_m,
               Fill::Hollow);
        if (d.bench()) {  // pricked through, the template turns over on it
            d.mark(DrawnShape::CrossMark, DrawnLayer::Cuts, d.at(tool.mouth_m));
        }
    } else {
        d.path(DrawnLayer::Cuts, stroke, toolOnPaper(d, tool), Fill::Hollow);
    }
}

void draftChamber(Drafting& d, size_t index) {
    const RattleChamber& chamber = d.design.chambers[index];
    const ChamberGeometry& g = d.derived.mass->chambers[index];
    const Vector3d middle(chamber.x_m, chamber.y_m, chamber.z_m);
    const Vector3d half = 0.5 * chamber.length_m * g.axis;
    const double width = 1000.0 * chamber.diameter_m;
    if (endOn(d, g.axis)) {
        d.disc(DrawnLayer::Rattles, d.inside(), d.at(middle), width, Fill::Hollow);
    } else {
        d.path(DrawnLayer::Rattles, d.inside(),
               barOnPaper(d.at(Vector3d(middle - half)), d.at(Vector3d(middle + half)), width),
               Fill::Hollow);
    }
    if (d.bench()) {
        return;
    }
    // The balls lie at the low end, in a row (their true stacking is in the numbers).
    const double steep = g.axis.dot(d.frame.down);
    const double low = steep > 1e-3 ? 1.0 : steep < -1e-3 ? -1.0 : 0.0;
    const int balls = std::min(kMostBalls, chamber.ballCount);
    const double ball = chamber.ballDiameter_m;
    for (int k = 0; k < balls && g.fits; ++k) {
        const double span = std::min(double(balls) * ball, chamber.length_m);
        const double along =
            low * 0.5 * (chamber.length_m - span) + span * ((k + 0.5) / balls - 0.5);
        d.disc(DrawnLayer::Rattles, Stroke::Inner, d.at(Vector3d(middle + along * g.axis)),
               1000.0 * ball, Fill::Lead);
    }
}

void draftWeight(Drafting& d, size_t index, CutTool tool) {
    // What is inside of it, under the filler.
    const double thick = d.design.sideWeights[index].thickness_m;
    tool.mouth_m += std::max(0.0, tool.depth_m - thick) * tool.inward;
    tool.depth_m = std::min(tool.depth_m, thick);
    const bool seenInto = d.frame.view == DrawnView::Side;
    if (!(seenInto && d.bench())) {
        d.path(DrawnLayer::Weights, seenInto ? Stroke::None : Stroke::Hidden, toolOnPaper(d, tool),
               Fill::Lead);
    }
}

// Outlines as they were drawn, over the convex parts they are reckoned by.
void draftWeightOutlines(Drafting& d) {
    if (d.frame.view != DrawnView::Side) {
        return;
    }
    for (const SideWeight& w : d.design.sideWeights) {
        std::vector<Vector3d> corners;
        for (const OutlinePoint& q : w.outline) {
            corners.emplace_back(w.x_m + q.aft_m, 0, w.z_m + q.up_m);
        }
        d.path(DrawnLayer::Weights, d.inside(), d.at(corners));
    }
}

void draftStem(Drafting& d, const PlacedThing& thing, const CutTool& tool) {
    const Vector3d end = tool.mouth_m + tool.inward * tool.depth_m;
    const double width = 2000.0 * tool.halfAlong_m;
    if (d.bench()) {
        d.path(DrawnLayer::Fittings, Stroke::Hidden,
               barOnPaper(d.at(tool.mouth_m), d.at(end), width));
        return;
    }
    d.line(DrawnLayer::Fittings, Stroke::Metal, tool.mouth_m, end, width);
    if (thing.record.list == RecordList::Fittings &&
        d.design.fittings[thing.record.index].kind == FittingKind::TwistedEye) {
        d.line(DrawnLayer::Fittings, Stroke::Twist, tool.mouth_m, end);
    }
}

}  // namespace

void draftThings(Drafting& d) {
    for (const PlacedThing& thing : d.derived.mass->things) {
        const size_t index = thing.record.index;
        for (const Embedded& solid : thing.solids) {
            switch (solid.kind) {
                case Embedded::Kind::Bore:
                    draftBore(d, index, solid.tool);
                    break;
                case Embedded::Kind::Cut:
                    draftCut(d, solid.tool);
                    break;
                case Embedded::Kind::Weight:
                    draftWeight(d, index, solid.tool);
                    break;
                case Embedded::Kind::Cavity:
                    if (!d.bench()) {
                        const bool filled = d.design.make.cavities[index].density_kg_m3 > 0;
                        d.path(DrawnLayer::Cavities, Stroke::Hidden, toolOnPaper(d, solid.tool),
                               filled ? Fill::Filler : Fill::Hollow);
                    }
                    break;
                case Embedded::Kind::Chamber:
                    draftChamber(d, index);
                    break;
                case Embedded::Kind::Pocket:
                    if (d.frame.view == DrawnView::Side) {
                        d.path(DrawnLayer::Hinges, Stroke::Hidden, toolOnPaper(d, solid.tool));
                    }
                    break;
                case Embedded::Kind::LipSlot:
                    if (d.frame.view == DrawnView::Side) {
                        d.path(DrawnLayer::Lip, Stroke::Hidden, toolOnPaper(d, solid.tool));
                    }
                    break;
                case Embedded::Kind::TieHole:
                    d.path(DrawnLayer::Tie, Stroke::Hidden, toolOnPaper(d, solid.tool));
                    break;
                case Embedded::Kind::Stem:
                    draftStem(d, thing, solid.tool);
                    break;
                case Embedded::Kind::Pin:   // with the joints: every hinge has one place
                case Embedded::Kind::Wire:  // with its bends
                    break;
            }
        }
    }
    draftWeightOutlines(d);
}

void draftWire(Drafting& d) {
    const WireLayout& wire = d.derived.mass->wire;
    if (wire.path_m.size() < 2) {
        return;
    }
    const double width = 1000.0 * d.design.wire.wire_m;
    const Stroke stroke = d.bench() ? Stroke::Hidden : Stroke::Metal;
    Primitive& path = d.path(DrawnLayer::Wire, stroke, d.at(wire.path_m), Fill::None, false);
    path.bar_mm = width;
    const double ring = 1000.0 * (d.design.wire.eyeInner_m + d.design.wire.wire_m);
    for (const WireEye& eye : wire.eyes) {
        if (eye.end) {
            d.disc(DrawnLayer::Wire, stroke, d.at(eye.centre_m), ring).bar_mm = width;
        }
    }
    int number = 0;
    for (const WireBend& bend : wire.bends) {
        d.mark(DrawnShape::BendMark, DrawnLayer::Wire, d.at(bend.place_m),
               std::to_string(++number));
    }
}

}  // namespace wl
