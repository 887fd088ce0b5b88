#include "core/placed/lip_outline.h"

#include <algorithm>
#include <cmath>

#include "core/base/units.h"
#include "core/geometry/convex_parts.h"

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

std::vector<Eigen::Vector2d> freeLip(const Lip& lip) {
    std::vector<Eigen::Vector2d> edge = lipEdge_m(lip);
    for (Eigen::Vector2d& p : edge) {
        p.y() = -p.y();
    }
    return bothSides(edge);
}

std::vector<Eigen::Vector2d> familyOutline(const Lip& lip) {
    switch (lip.family) {
        case LipFamily::Free:
            return isLipOutline(lip.outline) ? freeLip(lip) : roundedLip(lip);
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
                    return clippedOutline(
                        outline, [from](const Eigen::Vector2d& v) { return v.x() - from; });
                }
                edge.push_back(mouth);
                edge.emplace_back(from, side);
                return bothSides(edge);
            }
        }
    }
    return outline;
}

// The fewest of a line's points that leave none further off than `within` (Douglas & Peucker 1973,
// recalled).
void keepCorners(const std::vector<Eigen::Vector2d>& line, size_t from, size_t to, double within,
                 std::vector<size_t>& kept) {
    const Eigen::Vector2d chord = line[to] - line[from];
    double far = 0;
    size_t farthest = from;
    for (size_t i = from + 1; i < to; ++i) {
        const Eigen::Vector2d v = line[i] - line[from];
        const double t =
            chord.squaredNorm() > 0 ? std::clamp(v.dot(chord) / chord.squaredNorm(), 0.0, 1.0) : 0;
        const double away = (v - t * chord).norm();
        if (away > far) {
            far = away;
            farthest = i;
        }
    }
    if (far > within) {
        keepCorners(line, from, farthest, within, kept);
        kept.push_back(farthest);
        keepCorners(line, farthest, to, within, kept);
    }
}

}  // namespace

bool isLipOutline(const std::vector<LipCorner>& corners) {
    constexpr double kNarrowest = 0.02;  // of half the width: nothing holds what is past it
    if (corners.size() < 2 || corners.size() > kMostLipCorners) {
        return false;
    }
    std::vector<Eigen::Vector2d> edge;
    double along = 0;
    for (size_t i = 0; i < corners.size(); ++i) {
        const bool last = i + 1 == corners.size();
        if ((!last && corners[i].across < kNarrowest) || (i > 0 && corners[i].along <= 0)) {
            return false;
        }
        along = std::max(along, corners[i].along);
        edge.emplace_back(i == 0 ? 0.0 : corners[i].along, -corners[i].across);
    }
    const std::vector<Eigen::Vector2d> outline = bothSides(edge);
    return along > 0.02 && isSimpleOutline(outline) && outlineArea_m2(outline) > 0;
}

Lip asFreeLip(const Lip& lip) {
    // Corners a bench can hold.
    const auto onBench = [](double m) { return std::round(m * 1e4) / 1e4; };
    Lip plain = lip;
    plain.notchWidth_m = 0;
    std::vector<Eigen::Vector2d> edge;
    for (const Eigen::Vector2d& p : lipOutline(plain)) {
        if (p.y() <= 1e-12 && (!edge.empty() || p.x() < 1e-12)) {
            edge.push_back(p);
        }
    }
    std::vector<size_t> kept{0};
    keepCorners(edge, 0, edge.size() - 1, 0.01 * lip.length_m, kept);
    kept.push_back(edge.size() - 1);
    std::vector<Eigen::Vector2d> corners;
    for (const size_t i : kept) {
        corners.emplace_back(onBench(edge[i].x()), onBench(-edge[i].y()));
    }
    Lip free = withLipEdge(lip, corners);
    free.family = LipFamily::Free;
    return free;
}

std::vector<Eigen::Vector2d> lipEdge_m(const Lip& lip) {
    double along = 0, across = 0;
    for (const LipCorner& c : lip.outline) {
        along = std::max(along, c.along);
        across = std::max(across, c.across);
    }
    std::vector<Eigen::Vector2d> edge;
    for (const LipCorner& c : lip.outline) {
        edge.emplace_back(along > 0 ? c.along / along * lip.length_m : 0.0,
                          across > 0 ? 0.5 * c.across / across * lip.width_m : 0.0);
    }
    if (!edge.empty()) {
        edge.front().x() = 0;
    }
    return edge;
}

Lip withLipEdge(Lip lip, const std::vector<Eigen::Vector2d>& edge) {
    constexpr double kLeast_m = 1e-3;
    double along = kLeast_m, across = 0.5 * kLeast_m;
    for (const Eigen::Vector2d& p : edge) {
        along = std::max(along, p.x());
        across = std::max(across, p.y());
    }
    lip.length_m = along;
    lip.width_m = 2 * across;
    lip.outline.clear();
    for (const Eigen::Vector2d& p : edge) {
        lip.outline.push_back({lip.outline.empty() ? 0.0 : std::clamp(p.x() / along, 0.0, 1.0),
                               std::clamp(p.y() / across, 0.0, 1.0)});
    }
    return lip;
}

double lipSheetLength_m(const Lip& lip) {
    return lip.family == LipFamily::Disc ? discLength(lip) : lip.length_m;
}

double lipRootWidth_m(const Lip& lip) {
    if (lip.family == LipFamily::Free && isLipOutline(lip.outline)) {
        return 2 * std::abs(freeLip(lip).front().y());
    }
    if (lip.family != LipFamily::Disc) {
        return lip.rootWidth_m;
    }
    const double r = 0.5 * lip.width_m, middle = discLength(lip) - r;
    return 2 * std::sqrt(std::max(0.0, r * r - middle * middle));
}

std::vector<Eigen::Vector2d> lipOutline(const Lip& lip) {
    const std::vector<Eigen::Vector2d> whole = familyOutline(lip);
    const double depth = std::min(lip.notchDepth_m, 0.95 * lipSheetLength_m(lip));
    if (lip.notchWidth_m <= 0 || depth <= 0) {
        return whole;
    }
    return notched(whole, std::min(lip.notchWidth_m, 0.9 * lip.width_m),
                   lipSheetLength_m(lip) - depth);
}

}  // namespace wl
