#include "core/placed/lip_sheet.h"

#include <algorithm>
#include <cmath>

#include "core/base/units.h"
#include "core/geometry/convex_parts.h"
#include "core/geometry/mesh.h"
#include "core/placed/eyes.h"

namespace wl {

namespace {

constexpr int kArc = 32;

// Of a disc more than this share of its width cannot be outside: nothing would hold it.
constexpr double kDiscOutside = 0.98;

double discLength(const Lip& lip) {
    return std::min(lip.length_m, kDiscOutside * lip.width_m);
}

// Mirrors a starboard edge (root to tip, across under 0) into a closed outline.
std::vector<Eigen::Vector2d> bothSides(const std::vector<Eigen::Vector2d>& starboard) {
    std::vector<Eigen::Vector2d> outline = starboard;
    for (auto it = starboard.rbegin(); it != starboard.rend(); ++it) {
        if (it->y() < -1e-12) {
            outline.emplace_back(it->x(), -it->y());
        }
    }
    return outline;
}

std::vector<Eigen::Vector2d> roundedLip(const Lip& lip) {
    const double round = std::min(lip.tipRound_m, lip.length_m);
    const double straight = lip.length_m - round;
    std::vector<Eigen::Vector2d> outline{{0.0, 0.5 * lip.rootWidth_m},
                                         {0.0, -0.5 * lip.rootWidth_m}};
    if (straight > 1e-9 || round < 1e-9) {
        outline.emplace_back(straight, -0.5 * lip.width_m);
    }
    if (round >= 1e-9) {
        // A polygon on the ellipse is small by its chord error; push it out to equal area.
        const double chord = std::sin(kPi / kArc) / (kPi / kArc);
        const double grow = 1.0 / std::sqrt(chord);
        const int first = straight > 1e-9 ? 1 : 0;
        for (int i = first; i <= kArc - first; ++i) {
            const double t = -0.5 * kPi + kPi * i / kArc;
            const double g = i == 0 || i == kArc ? 1.0 : grow;
            outline.emplace_back(straight + round * std::cos(t) * g,
                                 0.5 * lip.width_m * std::sin(t) * g);
        }
    }
    if (straight > 1e-9 || round < 1e-9) {
        outline.emplace_back(straight, 0.5 * lip.width_m);
    }
    return outline;
}

std::vector<Eigen::Vector2d> cutLip(const Lip& lip) {
    const double corner = std::min({lip.tipRound_m, lip.length_m, 0.5 * lip.width_m});
    std::vector<Eigen::Vector2d> edge{{0.0, -0.5 * lip.rootWidth_m},
                                      {lip.length_m - corner, -0.5 * lip.width_m}};
    if (corner > 1e-9) {
        edge.emplace_back(lip.length_m, -(0.5 * lip.width_m - corner));
    }
    return bothSides(edge);
}

// One ellipse, cut at the root where it is as wide as the root (its middle when it never is).
std::vector<Eigen::Vector2d> ovalLip(const Lip& lip) {
    const double half = 0.5 * lip.width_m;
    const double root = std::min(lip.rootWidth_m / lip.width_m, 1.0);
    const double ahead = std::sqrt(1 - root * root);  // root to middle, in half-lengths
    const double a = lip.length_m / (1 + ahead);
    const double from = std::acos(std::clamp(-ahead, -1.0, 1.0));
    const double chord = std::sin(from / kArc) / (from / kArc);
    const double grow = 1.0 / std::sqrt(chord);
    std::vector<Eigen::Vector2d> edge{{0.0, -half * root}};
    for (int i = 1; i <= kArc; ++i) {
        const double t = from * (1 - double(i) / kArc);
        const double g = i == kArc ? 1.0 : grow;
        edge.emplace_back(a * ahead + a * std::cos(t), -half * std::sin(t) * g);
    }
    return bothSides(edge);
}

std::vector<Eigen::Vector2d> waistedLip(const Lip& lip) {
    const double round = std::min(lip.tipRound_m, 0.6 * lip.length_m);
    const double straight = lip.length_m - round;
    std::vector<Eigen::Vector2d> edge;
    for (int i = 0; i <= kArc; ++i) {
        const double u = double(i) / kArc;
        const double swing = 0.5 * (1 - std::cos(kPi * u));
        edge.emplace_back(straight * u,
                          -0.5 * (lip.rootWidth_m + (lip.width_m - lip.rootWidth_m) * swing));
    }
    for (int i = 1; i <= kArc; ++i) {
        const double t = 0.5 * kPi * i / kArc;
        edge.emplace_back(straight + round * std::sin(t), -0.5 * lip.width_m * std::cos(t));
    }
    return bothSides(edge);
}

// An arc of the full width from skin to skin.
std::vector<Eigen::Vector2d> discLip(const Lip& lip) {
    const double r = 0.5 * lip.width_m, middle = discLength(lip) - r;
    const double from = std::acos(std::clamp(-middle / r, -1.0, 1.0));
    std::vector<Eigen::Vector2d> edge{{0.0, -0.5 * lipRootWidth_m(lip)}};
    const double chord = std::sin(from / kArc) / (from / kArc);
    const double grow = 1.0 / std::sqrt(chord);
    for (int i = 1; i <= kArc; ++i) {
        const double t = from * (1 - double(i) / kArc);
        const double g = i == kArc ? 1.0 : grow;
        edge.emplace_back(middle + r * std::cos(t), -r * std::sin(t) * g);
    }
    return bothSides(edge);
}

std::vector<Eigen::Vector2d> familyOutline(const Lip& lip) {
    switch (lip.family) {
        case LipFamily::Cut:
            return cutLip(lip);
        case LipFamily::Oval:
            return ovalLip(lip);
        case LipFamily::Waisted:
            return waistedLip(lip);
        case LipFamily::Disc:
            return discLip(lip);
        case LipFamily::Rounded:
            break;
    }
    return roundedLip(lip);
}

// What of an outline lies on one side of a straight line: value(p) <= 0 (Sutherland & Hodgman
// 1974).
template <class Value>
std::vector<Eigen::Vector2d> clipped(const std::vector<Eigen::Vector2d>& outline, Value value) {
    std::vector<Eigen::Vector2d> in;
    for (size_t i = 0; i < outline.size(); ++i) {
        const Eigen::Vector2d &p = outline[i], &q = outline[(i + 1) % outline.size()];
        const double a = value(p), b = value(q);
        if (a <= 0) {
            in.push_back(p);
        }
        if ((a < 0 && b > 0) || (a > 0 && b < 0)) {
            in.push_back(p + a / (a - b) * (q - p));
        }
    }
    return in;
}

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

// A square notch of that width from the tip down to so far from the skin.
std::vector<Eigen::Vector2d> notched(const std::vector<Eigen::Vector2d>& outline, double width,
                                     double from) {
    const double side = -0.5 * width;
    std::vector<Eigen::Vector2d> edge;
    for (size_t i = 0; i < outline.size(); ++i) {
        const Eigen::Vector2d &p = outline[i], &q = outline[(i + 1) % outline.size()];
        if (p.y() < side) {
            edge.push_back(p);
            const double share = (side - p.y()) / (q.y() - p.y());
            const Eigen::Vector2d mouth = p + share * (q - p);
            if (q.y() >= side && mouth.x() > 0) {
                if (mouth.x() <= from) {  // the tip falls away faster: it is cut off straight
                    return clipped(outline,
                                   [from](const Eigen::Vector2d& v) { return v.x() - from; });
                }
                edge.push_back(mouth);
                edge.emplace_back(from, side);
                return bothSides(edge);
            }
        }
    }
    return outline;
}

double sheetLength(const Lip& lip) {
    return lip.family == LipFamily::Disc ? discLength(lip) : lip.length_m;
}

bool bends(const Lip& lip) {
    return lip.bend_rad != 0 && lip.bendAt_m > 0 && lip.bendAt_m < sheetLength(lip);
}

double holeArea(const Lip& lip) {
    return lip.holeAt_m < sheetLength(lip) ? kPi / 4 * lip.holeDiameter_m * lip.holeDiameter_m
                                           : 0.0;
}

Eigen::Vector3d directionAt(double angle) {
    return {-std::cos(angle), 0.0, -std::sin(angle)};
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

double lipRootWidth_m(const Lip& lip) {
    if (lip.family != LipFamily::Disc) {
        return lip.rootWidth_m;
    }
    const double r = 0.5 * lip.width_m, middle = discLength(lip) - r;
    return 2 * std::sqrt(std::max(0.0, r * r - middle * middle));
}

std::vector<Eigen::Vector2d> lipOutline(const Lip& lip) {
    const std::vector<Eigen::Vector2d> whole = familyOutline(lip);
    const double depth = std::min(lip.notchDepth_m, 0.95 * sheetLength(lip));
    if (lip.notchWidth_m <= 0 || depth <= 0) {
        return whole;
    }
    return notched(whole, std::min(lip.notchWidth_m, 0.9 * lip.width_m), sheetLength(lip) - depth);
}

std::vector<LipPlane> lipPlanes(const Lip& lip) {
    const Eigen::Vector3d root(lip.slotX_m, 0, lip.slotZ_m);
    const double length = sheetLength(lip);
    const std::vector<Eigen::Vector2d> outline = lipOutline(lip);
    if (!bends(lip)) {
        return {{root, lipDirection(lip), 0.0, length, outline}};
    }
    const double bend = lip.bendAt_m;
    std::vector<Eigen::Vector2d> second =
        clipped(outline, [bend](const Eigen::Vector2d& p) { return bend - p.x(); });
    for (Eigen::Vector2d& p : second) {
        p.x() -= bend;
    }
    return {{root, lipDirection(lip), 0.0, bend,
             clipped(outline, [bend](const Eigen::Vector2d& p) { return p.x() - bend; })},
            {root + bend * lipDirection(lip), directionAt(lip.angle_rad + lip.bend_rad), bend,
             length, std::move(second)}};
}

TriangleMesh lipMesh(const Lip& lip) {
    TriangleMesh mesh;
    for (const LipPlane& plane : lipPlanes(lip)) {
        std::vector<std::vector<Eigen::Vector2d>> parts{plane.outline};
        if (lip.notchWidth_m > 0) {  // half by half: a bend in the notch leaves two cheeks
            parts.clear();
            for (const double side : {1.0, -1.0}) {
                const auto half =
                    clipped(plane.outline, [side](const auto& p) { return side * p.y(); });
                for (auto& part : convexParts(withoutSpikes(half))) {
                    parts.push_back(std::move(part));
                }
            }
        }
        for (const std::vector<Eigen::Vector2d>& part : parts) {
            const TriangleMesh plate = meshPlate(part, plane.root_m, plane.along,
                                                 Eigen::Vector3d::UnitY(), lip.thickness_m);
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

Eigen::Vector3d lipPlace(const Lip& lip, double along, double above) {
    const bool second = bends(lip) && along > lip.bendAt_m;
    const double angle = lip.angle_rad + (second ? lip.bend_rad : 0.0);
    const Eigen::Vector3d root(lip.slotX_m, 0, lip.slotZ_m);
    const double first = second ? lip.bendAt_m : along;
    return root + first * lipDirection(lip) + (along - first) * directionAt(angle) +
           above * Eigen::Vector3d(-std::sin(angle), 0.0, std::cos(angle));
}

LipChord lipChord(const Lip& lip) {
    if (!bends(lip)) {
        return {sheetLength(lip), lip.angle_rad};
    }
    const Eigen::Vector3d line =
        lipPlace(lip, sheetLength(lip)) - Eigen::Vector3d(lip.slotX_m, 0, lip.slotZ_m);
    return {line.norm(), std::atan2(-line.z(), -line.x())};
}

Eigen::Vector3d lipDirection(const Lip& lip) {
    return directionAt(lip.angle_rad);
}

Eigen::Vector3d lipUpperNormal(const Lip& lip) {
    return {-std::sin(lip.angle_rad), 0.0, std::cos(lip.angle_rad)};
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
    const Eigen::Vector3d root(lip.slotX_m, 0, lip.slotZ_m);
    sheet.insideCentroid_m = root - lipDirection(lip) * 0.5 * lip.slotDepth_m;
    sheet.centreOfMass_m =
        (lip.thickness_m * centre + sheet.insideVolume_m3 * sheet.insideCentroid_m) / volume;
    sheet.hole_m3 = hole * lip.thickness_m;
    return sheet;
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
