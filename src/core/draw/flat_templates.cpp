#include "core/draw/flat_templates.h"

#include <algorithm>
#include <cmath>

#include "core/base/units.h"
#include "core/geometry/section.h"

namespace wl {
namespace {

using Eigen::Vector2d;
using Eigen::Vector3d;
using What = FlatTemplate::What;

void write(Drawing& drawing, const Vector2d& at, std::string words) {
    Primitive& p = layPath(drawing, DrawnLayer::Stations, Stroke::Inner, {at});
    p.shape = DrawnShape::Words;
    p.words = std::move(words);
}

Drawing halfOf(const BodyCurves& curves) {
    constexpr int kPoints = 160;
    std::vector<Vector2d> edge;
    for (int i = 0; i <= kPoints; ++i) {
        const Section s = curves.at(double(i) / kPoints);
        edge.emplace_back(1000.0 * s.x_m, 1000.0 * s.halfWidth_m);
    }
    const double length = 1000.0 * curves.length_m();
    Drawing drawing;
    layPath(drawing, DrawnLayer::Body, Stroke::Outline, {{0, 0}, {length, 0}});
    layPath(drawing, DrawnLayer::Body, Stroke::Outline, std::move(edge));
    for (const double knot : curves.knots()) {
        const Section s = curves.at(knot);
        layPath(drawing, DrawnLayer::Stations, Stroke::Fine,
                {{1000.0 * s.x_m, 0}, {1000.0 * s.x_m, 1000.0 * s.halfWidth_m}});
    }
    return drawing;
}

// From ahead, port to the right, in a card that is slit where it is widest.
Drawing sectionCard(const Section& s, size_t number) {
    constexpr double kCard_mm = 6.0, kSlit = 1.0;
    std::vector<Vector2d> ring;
    sectionRing(s, 24, ring);
    for (Vector2d& q : ring) {
        q *= 1000.0;
    }
    const double half = 1000.0 * s.halfWidth_m, top = 1000.0 * s.back_m, foot = 1000.0 * s.belly_m;
    const double side = half + kCard_mm, widest = 1000.0 * s.widest_m;
    Drawing drawing;
    layPath(drawing, DrawnLayer::Body, Stroke::Outline, std::move(ring), true);
    layPath(drawing, DrawnLayer::Stations, Stroke::Fine,
            {{-side, foot - kCard_mm},
             {side, foot - kCard_mm},
             {side, top + kCard_mm},
             {-side, top + kCard_mm}},
            true);
    layPath(drawing, DrawnLayer::CentreLine, Stroke::Centre,
            {{0, foot - kCard_mm}, {0, top + kCard_mm}});
    for (const double out : {-1.0, 1.0}) {
        layPath(drawing, DrawnLayer::Stations, Stroke::Saw,
                {{out * half, widest}, {out * (half + kSlit * kCard_mm), widest}});
    }
    write(drawing, {-side + 3.0, top + kCard_mm - 2.5}, std::to_string(number));
    return drawing;
}

Drawing ownOutline(const BodyCurves& curves, DrawnView view) {
    const ViewFrame frame = levelFrame(view);
    std::vector<Vector2d> points;
    for (const Vector3d& place : templateOutline(curves, view)) {
        points.push_back(frame.onPaper_mm(place));
    }
    Drawing drawing;
    layPath(drawing, DrawnLayer::Body, Stroke::Outline, std::move(points), true);
    constexpr double kBeyond_mm = 4.0;
    layPath(drawing, DrawnLayer::CentreLine, Stroke::Centre,
            {{-kBeyond_mm, 0}, {1000.0 * curves.length_m() + kBeyond_mm, 0}});
    Primitive& hinge = layPath(drawing, DrawnLayer::Hinges, Stroke::Inner, {{0, 0}});
    hinge.shape = DrawnShape::PinMark;
    return drawing;
}

// The kite the fin is reckoned by: its area over its length, narrow end ahead.
Drawing finOf(const Fitting& f) {
    const double half = 500.0 * f.size_m;
    const double tall = 1000.0 * (f.area_m2 > 0 ? f.area_m2 / f.size_m : 0.4 * f.size_m);
    Drawing drawing;
    layPath(drawing, DrawnLayer::Fittings, Stroke::Outline,
            {{-half, 0.25 * tall},
             {half, 0.75 * tall},
             {0.72 * half, 0},
             {half, -0.75 * tall},
             {-half, -0.25 * tall}},
            true);
    return drawing;
}

bool cutAway(const Derived& d, double x_m) {
    return std::any_of(d.shape->joints.begin(), d.shape->joints.end(), [x_m](const JointCut& cut) {
        return x_m > cut.frontPieceFace.x_m && x_m < cut.rearPieceFace.x_m;
    });
}

// How far the outline reaches to one side at a height, or nothing where it is not.
std::optional<double> reachAt(const std::vector<Vector2d>& outline, double y, double sign) {
    std::optional<double> reach;
    for (size_t i = 0; i < outline.size(); ++i) {
        const Vector2d &p = outline[i], &q = outline[(i + 1) % outline.size()];
        if ((p.y() - y) * (q.y() - y) > 0) {
            continue;
        }
        const double span = q.y() - p.y();
        for (const double t :
             span == 0 ? std::vector<double>{0.0, 1.0} : std::vector<double>{(y - p.y()) / span}) {
            const double x = sign * (p.x() + t * (q.x() - p.x()));
            reach = std::max(reach.value_or(x), x);
        }
    }
    return reach;
}

// Least distance between two outlines' origins, the second to the right of the first.
double pitchOf(const std::vector<Vector2d>& left, const std::vector<Vector2d>& right) {
    constexpr int kHeights = 400;
    double low = 1e9, high = -1e9;
    for (const Vector2d& p : left) {
        low = std::min(low, p.y());
        high = std::max(high, p.y());
    }
    double pitch = 0;
    for (int i = 0; i <= kHeights; ++i) {
        const double y = low + (high - low) * i / kHeights;
        const auto a = reachAt(left, y, 1.0), b = reachAt(right, y, -1.0);
        if (a && b) {
            pitch = std::max(pitch, *a + *b);
        }
    }
    return pitch;
}

}  // namespace

Drawing nestLips(const Design& design, int count, double widest_mm) {
    constexpr double kKerf_mm = 2.0;
    const Drawing one = drawFlatLip(design);
    Drawing all;
    if (one.empty()) {
        return all;
    }
    const auto [left, low, right, high] = extent_mm(one);
    const double middle = 0.5 * (low + high), tall = high - low;
    const auto turned = [middle](const Vector2d& p) {
        return Vector2d(-p.x(), 2 * middle - p.y());
    };
    // Of sheet and of what goes into the slot, whichever reaches farther.
    std::vector<Vector2d> up;
    const double root = 500.0 * lipRootWidth_m(design.lip);
    const double slot = 1000.0 * design.lip.slotDepth_m;
    for (const Vector2d& v : lipOutline(design.lip)) {
        up.emplace_back(1000.0 * v.y(), -1000.0 * v.x());
    }
    const std::vector<Vector2d> tongue{{-root, 0}, {-root, slot}, {root, slot}, {root, 0}};
    const auto reach = [&](const std::vector<Vector2d>& a, const std::vector<Vector2d>& b) {
        return pitchOf(a, b);
    };
    std::vector<Vector2d> upTurned, tongueTurned;
    for (const Vector2d& p : up) {
        upTurned.push_back(turned(p));
    }
    for (const Vector2d& p : tongue) {
        tongueTurned.push_back(turned(p));
    }
    const double pitch = std::max({reach(up, upTurned), reach(up, tongueTurned),
                                   reach(tongue, upTurned), reach(tongue, tongueTurned)}) +
                         kKerf_mm;
    const double wide = right - left;
    const int inRow = std::max(1, 1 + int(std::floor((widest_mm - wide) / pitch)));
    for (int k = 0; k < count; ++k) {
        const Vector2d at((k % inRow) * pitch, -(k / inRow) * (tall + kKerf_mm));
        for (Primitive p : one) {
            for (Vector2d& q : p.points_mm) {
                q = (k % inRow % 2 == 1 ? turned(q) : q) + at;
            }
            all.push_back(std::move(p));
        }
    }
    return all;
}

std::vector<FlatTemplate> flatTemplates(const Design& design, const Derived& derived) {
    constexpr double kSheetStock_mm = 120.0, kLeastHalf_m = 0.0005;
    std::vector<FlatTemplate> all;
    const auto add = [&all](What what, size_t index, std::string name, Drawing drawing) -> auto& {
        return all.emplace_back(
            FlatTemplate{what, index, 0.0, 1, std::move(name), std::move(drawing)});
    };
    const BodyCurves& curves = derived.shape->curves;
    add(What::Half, 0, {}, halfOf(curves));
    for (size_t k = 0; k < curves.knots().size(); ++k) {
        const Section s = curves.at(curves.knots()[k]);
        if (s.halfWidth_m > kLeastHalf_m && s.back_m - s.belly_m > 2 * kLeastHalf_m &&
            !cutAway(derived, s.x_m)) {
            add(What::Section, k, {}, sectionCard(s, k + 1)).at_m = s.x_m;
        }
    }
    if (design.lip.present) {
        add(What::Lips, 0, design.lip.material,
            nestLips(design, design.building.baits, kSheetStock_mm))
            .count = design.building.baits;
    }
    if (design.make.kind == MakeKind::Layered) {
        for (size_t k = 0; k < design.make.layers.size(); ++k) {
            add(What::Sheet, k, design.make.layers[k].material, drawSheet(design, derived, k));
        }
    }
    for (size_t k = 0; k < design.sideWeights.size(); ++k) {
        const SideWeight& w = design.sideWeights[k];
        add(What::Weight, k, w.name, drawOutline(w.outline, w.from));
    }
    for (size_t k = 0; k < design.appendages.size(); ++k) {
        const Appendage& a = design.appendages[k];
        const Result<BodyCurves> own =
            BodyCurves::build(a.body, pathOf({RecordList::Appendages, k}) + "/body");
        if (own) {
            const int count = a.mirrored || a.joined ? 2 : 1;
            add(What::SidePiece, k, a.name, ownOutline(*own, DrawnView::Side)).count = count;
            add(What::SidePieceAbove, k, a.name, ownOutline(*own, DrawnView::Top)).count = count;
        }
    }
    for (size_t k = 0; k < design.fittings.size(); ++k) {
        const Fitting& f = design.fittings[k];
        if (f.kind == FittingKind::SheetFin) {
            add(What::Fin, k, f.name, finOf(f)).count = f.mirrored ? 2 : 1;
        }
    }
    return all;
}

}  // namespace wl
