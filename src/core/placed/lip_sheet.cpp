#include "core/placed/lip_sheet.h"

#include <algorithm>
#include <cmath>

#include "core/base/units.h"
#include "core/placed/eyes.h"

namespace wl {

namespace {

constexpr int kArc = 32;

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

}  // namespace

std::vector<Eigen::Vector2d> lipOutline(const Lip& lip) {
    switch (lip.family) {
        case LipFamily::Cut:
            return cutLip(lip);
        case LipFamily::Oval:
            return ovalLip(lip);
        case LipFamily::Waisted:
            return waistedLip(lip);
        case LipFamily::Rounded:
            break;
    }
    return roundedLip(lip);
}

Eigen::Vector3d lipDirection(const Lip& lip) {
    return {-std::cos(lip.angle_rad), 0.0, -std::sin(lip.angle_rad)};
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
    const std::vector<Eigen::Vector2d> outline = lipOutline(lip);
    for (size_t i = 0; i < outline.size(); ++i) {
        const Eigen::Vector2d& a = outline[i];
        const Eigen::Vector2d& b = outline[(i + 1) % outline.size()];
        const double cross = a.x() * b.y() - b.x() * a.y();
        sheet.area_m2 += 0.5 * cross;
        moment += cross * (a.x() + b.x()) / 6;
    }
    sheet.centroidAlong_m = sheet.area_m2 > 0 ? moment / sheet.area_m2 : 0.0;
    sheet.outsideVolume_m3 = sheet.area_m2 * lip.thickness_m;
    sheet.insideVolume_m3 = lip.rootWidth_m * lip.slotDepth_m * lip.thickness_m;
    const double volume = sheet.outsideVolume_m3 + sheet.insideVolume_m3;
    sheet.mass_kg = lip.density_kg_m3 * volume;
    const Eigen::Vector3d root(lip.slotX_m, 0, lip.slotZ_m);
    const Eigen::Vector3d along = lipDirection(lip);
    sheet.insideCentroid_m = root - along * 0.5 * lip.slotDepth_m;
    sheet.centreOfMass_m = (sheet.outsideVolume_m3 * (root + along * sheet.centroidAlong_m) +
                            sheet.insideVolume_m3 * sheet.insideCentroid_m) /
                           volume;
    return sheet;
}

Eigen::Vector3d tiePoint(const Design& design) {
    if (design.tie.place == TiePlace::Body) {
        if (const auto eye = eyePlace(design, design.tie.eye)) {
            return *eye;
        }
    }
    if (design.tie.place == TiePlace::Lip && design.lip.present) {
        const Eigen::Vector3d root(design.lip.slotX_m, 0, design.lip.slotZ_m);
        return root + lipDirection(design.lip) * design.tie.upLip_m +
               lipUpperNormal(design.lip) * (design.tie.standOff_m);
    }
    return {design.tie.x_m, 0, design.tie.z_m};
}

}  // namespace wl
