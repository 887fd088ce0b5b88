#include "core/draw/draw_section.h"

#include <algorithm>
#include <cmath>

#include "core/base/units.h"
#include "core/draw/drafting.h"

namespace wl {
namespace {

using Eigen::Vector2d;
using Eigen::Vector3d;

// A tool from one depth to another, as it shows on the plane at x: convex, and empty where the
// plane misses it.
Drafting::Points acrossAt(const Drafting& d, const CutTool& tool, double from_m, double to_m,
                          double x_m) {
    if (to_m <= from_m) {
        return {};
    }
    constexpr int kRound = 32;
    constexpr double kBeside_m = 1e-9;  // no corner lies on the plane
    const double x = x_m + kBeside_m;
    std::vector<Vector3d> rim;
    if (!tool.corners.empty()) {
        for (const Vector2d& corner : tool.corners) {
            rim.emplace_back(corner.x() * tool.along + corner.y() * tool.across());
        }
    } else if (tool.round) {
        for (int i = 0; i < kRound; ++i) {
            rim.push_back(tool.onRim(double(i) / kRound));
        }
    } else {
        const Vector3d a = tool.along * tool.halfAlong_m, c = tool.across() * tool.halfAcross_m;
        rim = {a + c, c - a, -a - c, a - c};
    }
    Drafting::Points points;
    const auto edge = [&](const Vector3d& a, const Vector3d& b) {
        if ((a.x() < x) != (b.x() < x)) {
            points.push_back(d.at(Vector3d(a + (x - a.x()) / (b.x() - a.x()) * (b - a))));
        }
    };
    const Vector3d from = tool.mouth_m + from_m * tool.inward;
    const Vector3d to = tool.mouth_m + to_m * tool.inward;
    for (size_t i = 0; i < rim.size(); ++i) {
        const Vector3d& next = rim[(i + 1) % rim.size()];
        edge(from + rim[i], to + rim[i]);
        edge(from + rim[i], from + next);
        edge(to + rim[i], to + next);
    }
    if (points.size() < 3) {
        return {};
    }
    Vector2d middle = Vector2d::Zero();
    for (const Vector2d& p : points) {
        middle += p / double(points.size());
    }
    std::sort(points.begin(), points.end(), [&](const Vector2d& a, const Vector2d& b) {
        return std::atan2(a.y() - middle.y(), a.x() - middle.x()) <
               std::atan2(b.y() - middle.y(), b.x() - middle.x());
    });
    return points;
}

class SectionDraft {
  public:
    SectionDraft(Drafting& d, double x_m) : d_(d), x_(x_m), s_(d.derived.shape->curves.atX(x_m)) {}

    void stock() {
        std::vector<Vector2d> ring;
        sectionRing(s_, 24, ring);
        const auto [low, high] = d_.derived.shape->curves.heightsKept(true, x_);
        const auto [low2, high2] = d_.derived.shape->curves.heightsKept(false, x_);
        for (const Vector2d& q : ring) {
            const double z = std::clamp(q.y(), std::max(low, low2),
                                        std::max({low, low2, std::min(high, high2)}));
            ring_.push_back(d_.at(Vector3d(x_, q.x(), z)));
        }
        d_.path(DrawnLayer::Body, Stroke::None, ring_, Fill::Stock);
        if (d_.design.make.kind == MakeKind::Printed) {
            infill();
        } else if (d_.design.make.kind == MakeKind::Layered) {
            seams();
        }
    }

    void letIn() {
        for (const PlacedThing& thing : d_.derived.mass->things) {
            for (const Embedded& solid : thing.solids) {
                one(solid);
            }
        }
    }

    void skin() { d_.path(DrawnLayer::Body, Stroke::Outline, ring_); }

  private:
    void inside(DrawnLayer layer, Stroke stroke, Drafting::Points points, Fill fill,
                bool closed = true) {
        if (!points.empty()) {
            d_.path(layer, stroke, std::move(points), fill, closed).insideBody = true;
        }
    }

    // What is within the wall of a print.
    void infill() {
        constexpr int kAcross = 24;
        const double wall = d_.design.make.print.shell_m, half = s_.halfWidth_m - wall;
        Drafting::Points upper, lower;
        for (int i = 0; i <= kAcross && half > 0; ++i) {
            const double y = half * (2.0 * i / kAcross - 1);
            const double top = skinHeight(s_, y, true) - wall;
            const double foot = skinHeight(s_, y, false) + wall;
            if (top > foot) {
                upper.push_back(d_.at(Vector3d(x_, y, top)));
                lower.push_back(d_.at(Vector3d(x_, y, foot)));
            }
        }
        upper.insert(upper.end(), lower.rbegin(), lower.rend());
        inside(DrawnLayer::Grain, Stroke::Fine, upper, Fill::Hollow);
        inside(DrawnLayer::Grain, Stroke::None, upper, Fill::Print);
    }

    void seams() {
        double stack = 0;
        for (const Layer& layer : d_.design.make.layers) {
            stack += layer.thickness_m;
        }
        double y = -0.5 * stack;
        for (size_t k = 0; k + 1 < d_.design.make.layers.size(); ++k) {
            y += d_.design.make.layers[k].thickness_m;
            inside(DrawnLayer::Grain, Stroke::Fine,
                   {d_.at(Vector3d(x_, y, s_.back_m)), d_.at(Vector3d(x_, y, s_.belly_m))},
                   Fill::None, false);
        }
    }

    void one(const Embedded& solid) {
        using Kind = Embedded::Kind;
        const Design& design = d_.design;
        const CutTool& tool = solid.tool;
        const size_t index = solid.record.index;
        // What is open goes out through the skin, however that curves.
        const double out = -d_.derived.shape->sizes.maxHeight_m, bottom = tool.depth_m;
        const auto hole = [&](DrawnLayer layer, double from, double to, Fill fill) {
            inside(layer, Stroke::Inner, acrossAt(d_, tool, from, to, x_), fill);
        };
        switch (solid.kind) {
            case Kind::Bore: {
                const double lead = bottom - d_.derived.mass->bores[index].plugLength_m;
                hole(DrawnLayer::Bores, out, lead, Fill::Filler);
                hole(DrawnLayer::Bores, std::max(0.0, lead), bottom, Fill::Lead);
                break;
            }
            case Kind::Cut:
                hole(
                    DrawnLayer::Cuts, out, bottom,
                    design.features[index].fill == FeatureFill::Glue ? Fill::Filler : Fill::Hollow);
                break;
            case Kind::Pocket:
                hole(DrawnLayer::Hinges, out, bottom, Fill::Hollow);
                break;
            case Kind::Pin:
                hole(DrawnLayer::Hinges, 0, bottom, Fill::Steel);
                break;
            case Kind::Stem:
                hole(DrawnLayer::Fittings, 0, bottom, Fill::Steel);
                break;
            case Kind::Wire:
                hole(DrawnLayer::Wire, 0, bottom, Fill::Steel);
                break;
            case Kind::Chamber:
                hole(DrawnLayer::Rattles, 0, bottom, Fill::Hollow);
                break;
            case Kind::Weight: {
                const double lead = bottom - design.sideWeights[index].thickness_m;
                hole(DrawnLayer::Weights, out, lead, Fill::Filler);
                hole(DrawnLayer::Weights, std::max(0.0, lead), bottom, Fill::Lead);
                break;
            }
            case Kind::Cavity:
                hole(DrawnLayer::Cavities, 0, bottom,
                     design.make.cavities[index].density_kg_m3 > 0 ? Fill::Filler : Fill::Hollow);
                break;
            case Kind::TieHole:
                hole(DrawnLayer::Tie, out, bottom, Fill::Steel);
                break;
            case Kind::LipSlot:
                hole(DrawnLayer::Lip, out, bottom, Fill::Sheet);
                break;
        }
    }

    Drafting& d_;
    const double x_;
    const Section s_;
    Drafting::Points ring_;
};

}  // namespace

Drawing drawSection(const Design& design, const Derived& derived, double x_m) {
    const ViewFrame frame = levelFrame(DrawnView::Front);
    Drafting d{design, derived, frame, DrawnFor::Picture, {}};
    const Section s = derived.shape->curves.atX(x_m);
    const bool gap = std::any_of(
        derived.shape->joints.begin(), derived.shape->joints.end(), [&](const JointCut& cut) {
            return x_m > cut.frontPieceFace.x_m && x_m < cut.rearPieceFace.x_m;
        });
    if (gap || s.halfWidth_m <= 0 || s.back_m <= s.belly_m) {
        return {};
    }
    SectionDraft draft(d, x_m);
    draft.stock();
    draft.letIn();
    draft.skin();
    return std::move(d.drawing);
}

}  // namespace wl
