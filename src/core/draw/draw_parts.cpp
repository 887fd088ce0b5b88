// Parts of a bait that are cut out flat.
#include <cmath>

#include "core/base/units.h"
#include "core/draw/draw_bait.h"
#include "core/draw/flat_templates.h"
#include "core/geometry/section_strip.h"

namespace wl {

using Eigen::Vector2d;
using Points = std::vector<Vector2d>;

namespace {

Points outlinePoints(const std::vector<OutlinePoint>& outline, double aft_m, double up_m) {
    Points points;
    for (const OutlinePoint& q : outline) {
        points.emplace_back(1000.0 * (aft_m + q.aft_m), 1000.0 * (up_m + q.up_m));
    }
    return points;
}

}  // namespace

Drawing drawFlatLip(const Design& design) {
    constexpr double kBeyond_mm = 3.0, kWide = 0.6;
    const Lip& lip = design.lip;
    Drawing drawing;
    if (!lip.present) {
        return drawing;
    }
    Points outline;
    for (const Vector2d& v : lipOutline(lip)) {
        outline.emplace_back(1000.0 * v.y(), -1000.0 * v.x());
    }
    layPath(drawing, DrawnLayer::Lip, Stroke::Outline, std::move(outline), true).fill = Fill::Sheet;
    const double root = 500.0 * lipRootWidth_m(lip), slot = 1000.0 * lip.slotDepth_m;
    layPath(drawing, DrawnLayer::Lip, Stroke::Outline,
            {{-root, 0}, {-root, slot}, {root, slot}, {root, 0}}, true)
        .fill = Fill::Clear;
    if (lip.holeDiameter_m > 0) {
        Primitive& hole =
            layPath(drawing, DrawnLayer::Lip, Stroke::Outline, {{0, -1000.0 * lip.holeAt_m}}, true);
        hole.shape = DrawnShape::Disc;
        hole.fill = Fill::Hollow;
        hole.diameter_mm = 1000.0 * lip.holeDiameter_m;
    }
    const double wide = kWide * 1000.0 * lip.width_m;
    if (lipPlanes(lip).size() > 1) {
        const double bend = -1000.0 * lip.bendAt_m;
        layPath(drawing, DrawnLayer::Lip, Stroke::Fine, {{-wide, bend}, {wide, bend}}, false);
    }
    layPath(drawing, DrawnLayer::CentreLine, Stroke::Centre,
            {{0, slot + kBeyond_mm}, {0, -1000.0 * lip.length_m - kBeyond_mm}}, false);
    layPath(drawing, DrawnLayer::Lip, Stroke::Hidden, {{-wide, 0}, {wide, 0}}, false);
    const std::vector<Eigen::Vector2d> holes = measureTieWire(design).holes;
    for (const Eigen::Vector2d& at : holes) {
        Primitive& hole = layPath(drawing, DrawnLayer::Tie, Stroke::Outline,
                                  {{1000.0 * at.y(), -1000.0 * at.x()}}, true);
        hole.shape = DrawnShape::Disc;
        hole.fill = Fill::Hollow;
        hole.diameter_mm = 1000.0 * design.tie.holeDiameter_m;
    }
    if (design.tie.place == TiePlace::Lip && holes.size() != 1) {
        layPath(drawing, DrawnLayer::Tie, Stroke::Saw, {{0, -1000.0 * design.tie.upLip_m}}, false)
            .shape = DrawnShape::CrossMark;
    }
    return drawing;
}

Drawing drawSheet(const Design& design, const Derived& derived, size_t sheet) {
    double stack = 0, from = 0;
    for (size_t k = 0; k < design.make.layers.size(); ++k) {
        from += k < sheet ? design.make.layers[k].thickness_m : 0.0;
        stack += design.make.layers[k].thickness_m;
    }
    const double middle = from - 0.5 * stack + 0.5 * design.make.layers[sheet].thickness_m;
    Points back, belly;
    constexpr int kPoints = 160;
    for (int i = 0; i <= kPoints; ++i) {
        const Section s = derived.shape->curves.at(double(i) / kPoints);
        if (s.halfWidth_m > std::abs(middle)) {
            back.emplace_back(1000.0 * s.x_m, 1000.0 * skinHeight(s, middle, true));
            belly.emplace_back(1000.0 * s.x_m, 1000.0 * skinHeight(s, middle, false));
        }
    }
    back.insert(back.end(), belly.rbegin(), belly.rend());
    Drawing drawing;
    layPath(drawing, DrawnLayer::Body, Stroke::Outline, std::move(back), true);
    // Register holes in what is cut off afterwards, the same in every sheet.
    constexpr double kRegister_mm = 2.0, kBeyond_mm = 7.0;
    for (const double x : {-kBeyond_mm, 1000.0 * derived.shape->sizes.length_m + kBeyond_mm}) {
        Primitive& hole = layPath(drawing, DrawnLayer::Cuts, Stroke::Outline, {{x, 0}}, true);
        hole.shape = DrawnShape::Disc;
        hole.diameter_mm = kRegister_mm;
    }
    for (const Cavity& c : design.make.cavities) {
        if (int(sheet) + 1 < c.layer || int(sheet) + 1 >= c.layer + c.sheets) {
            continue;
        }
        Points corners = outlinePoints(c.outline, c.x_m, c.z_m);
        if (corners.empty()) {
            const double l = 500.0 * c.length_m, h = 500.0 * c.height_m;
            const Vector2d at(1000.0 * c.x_m, 1000.0 * c.z_m);
            corners = {at + Vector2d(-l, -h), at + Vector2d(l, -h), at + Vector2d(l, h),
                       at + Vector2d(-l, h)};
        }
        layPath(drawing, DrawnLayer::Cavities, Stroke::Hidden, std::move(corners), true);
    }
    return drawing;
}

Drawing drawOutline(const std::vector<OutlinePoint>& outline, Flank from) {
    Points corners = outlinePoints(outline, 0, 0);
    if (from == Flank::Starboard) {  // looked at from there the nose is to the right
        for (Vector2d& p : corners) {
            p.x() = -p.x();
        }
    }
    Drawing drawing;
    layPath(drawing, DrawnLayer::Weights, Stroke::Outline, std::move(corners), true);
    return drawing;
}

Drawing drawTemplates(const Design& design, const Derived& derived) {
    constexpr double kBetween_mm = 10.0;
    Drawing all;
    double top = 0;
    const auto below = [&](Drawing part) {
        const auto [left, low, right, high] = extent_mm(part);
        for (Primitive& p : part) {
            for (Vector2d& q : p.points_mm) {
                q.y() += top - high;
            }
        }
        top -= high - low + kBetween_mm;
        all.insert(all.end(), part.begin(), part.end());
    };
    below(drawBait(design, derived, levelFrame(DrawnView::Side), DrawnFor::Bench));
    below(drawBait(design, derived, levelFrame(DrawnView::Top), DrawnFor::Bench));
    for (FlatTemplate& flat : flatTemplates(design, derived)) {
        below(std::move(flat.drawing));
    }
    return all;
}

}  // namespace wl
