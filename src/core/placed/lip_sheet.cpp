#include "core/placed/lip_sheet.h"

#include <algorithm>
#include <cmath>

#include "core/base/units.h"
#include "core/geometry/convex_parts.h"
#include "core/geometry/mesh.h"
#include "core/placed/eyes.h"

namespace wl {

namespace {

// Without the edges that run out along a line and back on it, which a clip between two cheeks
// leaves.
std::vector<Eigen::Vector2d> withoutSpikes(std::vector<Eigen::Vector2d> outline) {
    for (size_t i = 0; i < outline.size() && outline.size() > 2;) {
        const size_t n = outline.size();
        const Eigen::Vector2d in = outline[i] - outline[(i + n - 1) % n];
        const Eigen::Vector2d out = outline[(i + 1) % n] - outline[i];
        const double cross = in.x() * out.y() - in.y() * out.x();
        const bool spike = out.norm() < 1e-12 || (std::abs(cross) < 1e-15 && in.dot(out) < 0);
        if (spike) {
            outline.erase(outline.begin() + long(i));
            i = 0;
        } else {
            ++i;
        }
    }
    return outline;
}

bool bends(const Lip& lip) {
    return lip.bend_rad != 0 && lip.bendAt_m > 0 && lip.bendAt_m < lipSheetLength_m(lip);
}

double holeArea(const Lip& lip) {
    return lip.holeAt_m < lipSheetLength_m(lip) ? kPi / 4 * lip.holeDiameter_m * lip.holeDiameter_m
                                                : 0.0;
}

Eigen::Vector3d rootOf(const Lip& lip) {
    return {lip.slotX_m, lip.slotY_m, lip.slotZ_m};
}

// Area of an outline and its first moment along it.
std::pair<double, double> areaAndMoment(const std::vector<Eigen::Vector2d>& outline) {
    double area = 0, moment = 0;
    for (size_t i = 0; i < outline.size(); ++i) {
        const Eigen::Vector2d& a = outline[i];
        const Eigen::Vector2d& b = outline[(i + 1) % outline.size()];
        const double cross = a.x() * b.y() - b.x() * a.y();
        area += 0.5 * cross;
        moment += cross * (a.x() + b.x()) / 6;
    }
    return {area, moment};
}

}  // namespace

LipAxes lipAxes(const Lip& lip) {
    const double c = std::cos(lip.angle_rad), s = std::sin(lip.angle_rad);
    const LipAxes flat{{-c, 0, -s}, Eigen::Vector3d::UnitY(), {-s, 0, c}};
    const double ct = std::cos(lip.twist_rad), st = std::sin(lip.twist_rad);
    const LipAxes twisted{flat.along, ct * flat.across + st * flat.up,
                          ct * flat.up - st * flat.across};
    const double cn = std::cos(lip.turn_rad), sn = std::sin(lip.turn_rad);
    return {cn * twisted.along - sn * twisted.across, cn * twisted.across + sn * twisted.along,
            twisted.up};
}

std::vector<LipPlane> lipPlanes(const Lip& lip) {
    const LipAxes axes = lipAxes(lip);
    const double length = lipSheetLength_m(lip);
    const std::vector<Eigen::Vector2d> outline = lipOutline(lip);
    if (!bends(lip)) {
        return {{rootOf(lip), axes.along, axes.across, 0.0, length, outline}};
    }
    const double bend = lip.bendAt_m;
    std::vector<Eigen::Vector2d> second =
        clippedOutline(outline, [bend](const Eigen::Vector2d& p) { return bend - p.x(); });
    for (Eigen::Vector2d& p : second) {
        p.x() -= bend;
    }
    const Eigen::Vector3d steeper =
        std::cos(lip.bend_rad) * axes.along - std::sin(lip.bend_rad) * axes.up;
    return {
        {rootOf(lip), axes.along, axes.across, 0.0, bend,
         clippedOutline(outline, [bend](const Eigen::Vector2d& p) { return p.x() - bend; })},
        {rootOf(lip) + bend * axes.along, steeper, axes.across, bend, length, std::move(second)}};
}

TriangleMesh lipMesh(const Lip& lip) {
    TriangleMesh mesh;
    for (const LipPlane& plane : lipPlanes(lip)) {
        std::vector<std::vector<Eigen::Vector2d>> parts{plane.outline};
        if (lip.notchWidth_m > 0 ||
            lip.family == LipFamily::Free) {  // half by half: a bend in the notch leaves two cheeks
            parts.clear();
            for (const double side : {1.0, -1.0}) {
                const auto half =
                    clippedOutline(plane.outline, [side](const auto& p) { return side * p.y(); });
                for (auto& part : convexParts(withoutSpikes(half))) {
                    parts.push_back(std::move(part));
                }
            }
        }
        for (const std::vector<Eigen::Vector2d>& part : parts) {
            const TriangleMesh plate =
                meshPlate(part, plane.root_m, plane.along, plane.across, lip.thickness_m);
            const int first = int(mesh.vertices_m.size());
            mesh.vertices_m.insert(mesh.vertices_m.end(), plate.vertices_m.begin(),
                                   plate.vertices_m.end());
            for (const auto& t : plate.triangles) {
                mesh.triangles.push_back({t[0] + first, t[1] + first, t[2] + first});
            }
        }
    }
    return mesh;
}

Eigen::Vector3d lipPlace(const Lip& lip, double along, double above, double across) {
    const bool second = bends(lip) && along > lip.bendAt_m;
    const double c = second ? std::cos(lip.bend_rad) : 1.0;
    const double s = second ? std::sin(lip.bend_rad) : 0.0;
    const LipAxes axes = lipAxes(lip);
    const double first = second ? lip.bendAt_m : along;
    return rootOf(lip) + first * axes.along + (along - first) * (c * axes.along - s * axes.up) +
           above * (c * axes.up + s * axes.along) + across * axes.across;
}

LipChord lipChord(const Lip& lip) {
    if (!bends(lip)) {
        return {lipSheetLength_m(lip), lip.angle_rad};
    }
    const double second = lipSheetLength_m(lip) - lip.bendAt_m;
    const double along = lip.bendAt_m + second * std::cos(lip.bend_rad);
    const double down = second * std::sin(lip.bend_rad);
    return {std::hypot(along, down), lip.angle_rad + std::atan2(down, along)};
}

Eigen::Vector3d lipDirection(const Lip& lip) {
    return lipAxes(lip).along;
}

LipSheet measureLip(const Lip& lip) {
    LipSheet sheet;
    if (!lip.present) {
        return sheet;
    }
    double moment = 0;
    Eigen::Vector3d centre = Eigen::Vector3d::Zero();
    for (const LipPlane& plane : lipPlanes(lip)) {
        const auto [area, own] = areaAndMoment(plane.outline);
        sheet.area_m2 += area;
        moment += own + area * plane.from_m;
        centre += area * plane.root_m + own * plane.along;
    }
    const double hole = holeArea(lip);
    sheet.area_m2 -= hole;
    moment -= hole * lip.holeAt_m;
    centre -= hole * lipPlace(lip, lip.holeAt_m);
    sheet.centroidAlong_m = sheet.area_m2 > 0 ? moment / sheet.area_m2 : 0.0;
    sheet.outsideVolume_m3 = sheet.area_m2 * lip.thickness_m;
    sheet.insideVolume_m3 = lipRootWidth_m(lip) * lip.slotDepth_m * lip.thickness_m;
    const double volume = sheet.outsideVolume_m3 + sheet.insideVolume_m3;
    sheet.mass_kg = lip.density_kg_m3 * volume;
    sheet.insideCentroid_m = rootOf(lip) - lipDirection(lip) * 0.5 * lip.slotDepth_m;
    sheet.centreOfMass_m =
        (lip.thickness_m * centre + sheet.insideVolume_m3 * sheet.insideCentroid_m) / volume;
    sheet.hole_m3 = hole * lip.thickness_m;
    return sheet;
}

TieWire measureTieWire(const Design& design) {
    constexpr double kPitch = 6.0, kTurnedOver = 3.0;  // in diameters
    const Tie& tie = design.tie;
    TieWire wire;
    if (!design.lip.present || tie.place != TiePlace::Lip || tie.holes == TieHoles::None) {
        return wire;
    }
    const double half = 0.5 * tie.holeSpacing_m, sheet = design.lip.thickness_m;
    switch (tie.holes) {
        case TieHoles::Along:
            wire.holes = {{tie.upLip_m - half, 0}, {tie.upLip_m + half, 0}};
            break;
        case TieHoles::Across:
            wire.holes = {{tie.upLip_m, -half}, {tie.upLip_m, half}};
            break;
        default:
            wire.holes = {{tie.upLip_m, 0}};
    }
    const double d = tie.wire_m;
    wire.holes_m3 =
        double(wire.holes.size()) * kPi / 4 * tie.holeDiameter_m * tie.holeDiameter_m * sheet;
    if (d <= 0) {
        return wire;
    }
    const bool two = wire.holes.size() > 1;
    const double loop = kPi * (tie.loop_m + d);
    const double stem = std::max(0.0, tie.standOff_m - 0.5 * sheet - 0.5 * tie.loop_m - d);
    const double twisted = 2 * stem * std::hypot(1.0, kPi / kPitch);
    const double above = two ? tie.holeSpacing_m : 0.0;  // from the holes to the stem between them
    const double through = 2 * sheet;
    const double back = tie.goesOn() ? 2 * tie.upLip_m : 0.0;  // under the sheet to the skin
    const double under = back > 0 ? 0.0 : two ? tie.holeSpacing_m : 2 * kTurnedOver * d;
    const double legs = tie.goesOn() ? 2 * tie.leg_m : 0.0;
    const double outside = loop + twisted + above + through + under + back;
    const double each = kPi / 4 * d * d;
    wire.length_m = outside + legs;
    wire.volume_m3 = each * wire.length_m;
    wire.legs_m3 = each * legs;
    wire.mass_kg = tie.wireDensity_kg_m3 * wire.volume_m3;
    const double height = (loop * tie.standOff_m + twisted * (0.5 * sheet + 0.5 * stem) +
                           above * 0.5 * (sheet + d) - (under + back) * 0.5 * (sheet + d)) /
                          outside;
    wire.centre_m = lipPlace(design.lip, tie.upLip_m - 0.5 * tie.upLip_m * back / outside, height);
    return wire;
}

std::optional<CutTool> tieLegHole(const Design& design, const BodyCurves& body) {
    const Tie& tie = design.tie;
    if (!design.lip.present || !tie.goesOn()) {
        return std::nullopt;
    }
    const double strands = tie.hasTwoHoles() ? 1.0 : 2.0;
    const double room = std::max(0.0, tie.holeDiameter_m - strands * tie.wire_m);
    const double radius = tie.wire_m + 0.5 * room;
    const LipAxes axes = lipAxes(design.lip);
    CutTool tool;
    tool.inward = -axes.along;
    // The skin curves away from the slot's mouth: back from the bottom to where it is crossed.
    constexpr double kStep_m = 0.0001, kFarthest_m = 0.03;
    const Eigen::Vector3d line = lipPlace(design.lip, 0.0, -0.5 * design.lip.thickness_m - radius);
    const Eigen::Vector3d bottom = line + tie.leg_m * tool.inward;
    if (!body.contains(bottom - kStep_m * tool.inward)) {
        return std::nullopt;
    }
    tool.depth_m = kStep_m + distanceToSkin(body, bottom - kStep_m * tool.inward, axes.along,
                                            tie.leg_m + kFarthest_m);
    tool.mouth_m = bottom - tool.depth_m * tool.inward;
    tool.along = axes.across;
    tool.halfAlong_m = radius;
    tool.halfAcross_m = radius;
    return tool;
}

Eigen::Vector3d tiePoint(const Design& design) {
    if (design.tie.place == TiePlace::Body) {
        if (const auto eye = eyePlace(design, design.tie.eye)) {
            return *eye;
        }
    }
    if (design.tie.place == TiePlace::Lip && design.lip.present) {
        return lipPlace(design.lip, design.tie.upLip_m, design.tie.standOff_m);
    }
    return {design.tie.x_m, 0, design.tie.z_m};
}

}  // namespace wl
