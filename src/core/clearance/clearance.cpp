#include "core/clearance/clearance.h"

#include <algorithm>
#include <cmath>

#include <Eigen/Geometry>

#include "core/base/units.h"
#include "core/design/records.h"
#include "core/geometry/convex_parts.h"

namespace wl {
namespace {

using Eigen::Vector3d;
constexpr double kNear_m = 1e-8;
constexpr int kMostRounds = 600;

Vector3d nearestIn(const Embedded& solid, const Vector3d& p) {
    const CutTool& t = solid.tool;
    const Vector3d from = p - t.mouth_m;
    const double reach = t.depth_m + t.tip_m;
    const double depth = std::clamp(from.dot(t.inward), 0.0, reach);
    if (solid.capsule) {
        const Vector3d axis = t.mouth_m + depth * t.inward;
        const Vector3d aside = p - axis;
        const double r = aside.norm();
        return r > t.halfAlong_m ? Vector3d(axis + aside * (t.halfAlong_m / r)) : p;
    }
    double a = from.dot(t.along), c = from.dot(t.across());
    if (!t.corners.empty()) {
        const Eigen::Vector2d in = nearestInConvex(t.corners, {a, c});
        a = in.x();
        c = in.y();
    } else if (t.round) {
        const double r = std::hypot(a, c);
        if (r > t.halfAlong_m) {
            a *= t.halfAlong_m / r;
            c *= t.halfAlong_m / r;
        }
    } else {
        a = std::clamp(a, -t.halfAlong_m, t.halfAlong_m);
        c = std::clamp(c, -t.halfAcross_m, t.halfAcross_m);
    }
    return t.mouth_m + depth * t.inward + a * t.along + c * t.across();
}

double boundingRadius(const Embedded& s) {
    const CutTool& t = s.tool;
    return std::hypot(0.5 * (t.depth_m + t.tip_m) + (s.capsule ? t.halfAlong_m : 0), t.rim_m()) +
           0.5 * t.tip_m;
}

// Pairs that are meant to meet.
bool meantToMeet(const Embedded& a, const Embedded& b) {
    using Kind = Embedded::Kind;
    auto pair = [&](Kind x, Kind y) {
        return (a.kind == x && b.kind == y) || (a.kind == y && b.kind == x);
    };
    if (a.record == b.record) {
        return true;  // two sides of one mirrored cut, two lengths of one wire
    }
    const auto noted = [](const Embedded& x, const Embedded& y) {
        return std::find(x.meant.begin(), x.meant.end(), y.record) != x.meant.end();
    };
    if (noted(a, b) || noted(b, a)) {
        return true;
    }
    if (pair(Kind::Pin, Kind::Pocket)) {
        return true;
    }
    if (pair(Kind::Stem, Kind::Bore) && (a.lead || b.lead)) {
        return true;
    }
    return false;
}

// An eye's stem stands in its own pilot hole, a wire in the slot cut for it: any length of either
// that lies in the cut says so for all of it, since it has to come out somewhere.
void noteWhatIsHeld(std::vector<Embedded>& solids) {
    using Kind = Embedded::Kind;
    for (const Embedded& metal : solids) {
        if (metal.kind != Kind::Stem && metal.kind != Kind::Wire) {
            continue;
        }
        for (const Embedded& cut : solids) {
            if (cut.kind != Kind::Cut || !cut.tool.holds(metal.middle())) {
                continue;
            }
            for (Embedded& any : solids) {
                if (any.record == cut.record) {
                    any.meant.push_back(metal.record);
                }
            }
        }
    }
}

}  // namespace

std::vector<Embedded> embeddedIn(const Design& design, const Derived& d) {
    std::vector<Embedded> out;
    for (const PlacedThing& thing : d.mass->things) {
        out.insert(out.end(), thing.solids.begin(), thing.solids.end());
    }
    std::stable_sort(out.begin(), out.end(),
                     [](const Embedded& a, const Embedded& b) { return a.record < b.record; });
    for (const Meeting& m : design.meetings) {
        for (Embedded& first : out) {
            if (!means(design, m.first, first.record)) {
                continue;
            }
            for (const PlacedThing& second : d.mass->things) {
                if (means(design, m.second, second.record)) {
                    first.meant.push_back(second.record);
                }
            }
        }
    }
    noteWhatIsHeld(out);
    return out;
}

double wallBetweenSolids(const Embedded& a, const Embedded& b, Vector3d* between) {
    Vector3d p = a.middle(), q = b.middle();
    for (int i = 0; i < kMostRounds; ++i) {
        const Vector3d nextP = nearestIn(a, q);
        const Vector3d nextQ = nearestIn(b, nextP);
        const double moved = (nextP - p).norm() + (nextQ - q).norm();
        p = nextP;
        q = nextQ;
        if (moved < kNear_m) {
            break;
        }
    }
    if (between != nullptr) {
        *between = 0.5 * (p + q);
    }
    const double apart = (p - q).norm();
    return apart > 10 * kNear_m ? apart : std::min(0.0, wallBetween(a.tool, b.tool));
}

std::vector<Clearance> findThinWalls(const std::vector<Embedded>& solids, double under_m) {
    std::vector<Clearance> out;
    for (size_t i = 0; i < solids.size(); ++i) {
        for (size_t k = 0; k < i; ++k) {
            const double apart = (solids[i].middle() - solids[k].middle()).norm();
            if (apart > boundingRadius(solids[i]) + boundingRadius(solids[k]) + under_m ||
                meantToMeet(solids[i], solids[k])) {
                continue;
            }
            Clearance c{i, k};
            c.wall_m = wallBetweenSolids(solids[i], solids[k], &c.place_m);
            if (c.wall_m < under_m) {
                out.push_back(c);
            }
        }
    }
    // One line for each pair of records: a wire of many lengths would repeat itself.
    std::stable_sort(out.begin(), out.end(),
                     [](const Clearance& a, const Clearance& b) { return a.wall_m < b.wall_m; });
    std::vector<Clearance> one;
    for (const Clearance& c : out) {
        if (std::none_of(one.begin(), one.end(), [&](const Clearance& o) {
                return solids[o.a].record == solids[c.a].record &&
                       solids[o.b].record == solids[c.b].record;
            })) {
            one.push_back(c);
        }
    }

    return one;
}

}  // namespace wl
