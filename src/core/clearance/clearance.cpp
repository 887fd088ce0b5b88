#include "core/clearance/clearance.h"

#include <algorithm>
#include <cmath>

#include <Eigen/Geometry>

#include "core/base/units.h"
#include "core/mass/feature_tool.h"

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
    if (t.round) {
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

Vector3d middleOf(const Embedded& s) {
    return s.tool.mouth_m + 0.5 * s.tool.depth_m * s.tool.inward;
}

double boundingRadius(const Embedded& s) {
    const CutTool& t = s.tool;
    return std::hypot(0.5 * (t.depth_m + t.tip_m) + (s.capsule ? t.halfAlong_m : 0),
                      std::hypot(t.halfAlong_m, t.round ? 0.0 : t.halfAcross_m)) +
           0.5 * t.tip_m;
}

std::string itemPath(const char* list, size_t i) {
    return std::string("/") + list + "/" + std::to_string(i);
}

Embedded capsule(std::string name, std::string path, std::string moveX, Embedded::Kind kind,
                 const Vector3d& from, const Vector3d& to, double radius) {
    Embedded e{std::move(name), std::move(path), 0, std::move(moveX), kind, {}, true};
    e.tool.mouth_m = from;
    e.tool.depth_m = (to - from).norm();
    e.tool.inward = e.tool.depth_m > 0 ? Vector3d((to - from) / e.tool.depth_m) : Vector3d::UnitZ();
    e.tool.along = e.tool.inward.unitOrthogonal();
    e.tool.halfAlong_m = e.tool.halfAcross_m = radius;
    return e;
}

// Pairs that are meant to meet.
bool meantToMeet(const Embedded& a, const Embedded& b) {
    using Kind = Embedded::Kind;
    auto pair = [&](Kind x, Kind y) {
        return (a.kind == x && b.kind == y) || (a.kind == y && b.kind == x);
    };
    if (a.path == b.path) {
        return true;  // two sides of one mirrored cut, two lengths of one wire
    }
    const auto noted = [](const Embedded& x, const Embedded& y) {
        return std::find(x.meant.begin(), x.meant.end(), y.name) != x.meant.end();
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
            if (cut.kind != Kind::Cut || !cut.tool.holds(middleOf(metal))) {
                continue;
            }
            for (Embedded& any : solids) {
                if (any.path == cut.path) {
                    any.meant.push_back(metal.name);
                }
            }
        }
    }
}

}  // namespace

namespace {

// Where the wire next comes out of the skin, to either side of its i-th length.
std::optional<Vector3d> nearestExit(const BodyCurves& curves, const std::vector<Vector3d>& wire,
                                    size_t i) {
    const Vector3d here = 0.5 * (wire[i] + wire[i + 1]);
    std::optional<Vector3d> nearest;
    for (size_t k = 0; k + 1 < wire.size(); ++k) {
        const bool from = curves.contains(wire[k]), to = curves.contains(wire[k + 1]);
        if (from == to) {
            continue;
        }
        Vector3d in = from ? wire[k] : wire[k + 1], out = from ? wire[k + 1] : wire[k];
        for (int round = 0; round < 24; ++round) {
            const Vector3d middle = 0.5 * (in + out);
            (curves.contains(middle) ? in : out) = middle;
        }
        if (!nearest || (in - here).norm() < (*nearest - here).norm()) {
            nearest = in;
        }
    }
    return nearest;
}

}  // namespace

std::vector<Embedded> embeddedIn(const Design& design, const Derived& d) {
    using Kind = Embedded::Kind;
    std::vector<Embedded> out;
    for (size_t i = 0; i < design.bores.size(); ++i) {
        if (d.mass->bores[i].entersBody) {
            const std::string path = itemPath("bores", i);
            out.push_back({design.bores[i].name, path, i, path + "/x", Kind::Bore,
                           toolOf(design.bores[i], d.mass->bores[i])});
        }
    }
    for (size_t i = 0; i < design.features.size(); ++i) {
        const Feature& f = design.features[i];
        const std::string path = itemPath("features", i);
        for (const CutTool& tool : d.mass->features[i].tools) {
            Embedded e{f.name, path, i, path + "/x", Kind::Cut, tool};
            e.open = f.kind == FeatureKind::Slot || f.kind == FeatureKind::SawGroove;
            out.push_back(e);
        }
    }
    for (size_t i = 0; i < design.joints.size(); ++i) {
        const Joint& j = design.joints[i];
        const JointCut& cut = d.shape->joints[i];
        const std::string path = itemPath("joints", i);
        if (j.pocket != PocketIn::None) {
            Embedded e{j.name, path, i, "", Kind::Pocket, pocketTool(j, cut)};
            e.face = j.pocket == PocketIn::FrontPiece ? cut.frontPieceFace : cut.rearPieceFace;
            out.push_back(e);
        }
        if (j.kind == HingeKind::Pin) {
            out.push_back({j.name, path, i, "", Kind::Pin, pinTool(j, cut)});
        }
    }
    for (size_t i = 0; i < design.fittings.size(); ++i) {
        const Fitting& f = design.fittings[i];
        if (!isWireForm(f.kind) || f.shank_m <= 0) {
            continue;
        }
        const std::string path = itemPath("fittings", i);
        for (const double side : {1.0, -1.0}) {
            if (side < 0 && !f.mirrored) {
                continue;
            }
            const auto [from, to] = stemEnds(f, side);
            Embedded e = capsule(f.name, path, path + "/x", Kind::Stem, from, to,
                                 measureEye(f).stemRadius_m);
            e.index = i;
            e.lead = f.kind == FittingKind::Hanger;
            out.push_back(e);
        }
    }
    const std::vector<Vector3d>& wire = d.mass->wire.path_m;
    for (size_t i = 0; i + 1 < wire.size(); ++i) {
        if (d.shape->curves.contains(wire[i]) || d.shape->curves.contains(wire[i + 1])) {
            Embedded e = capsule("through-wire", "/through_wire", "", Kind::Wire, wire[i],
                                 wire[i + 1], 0.5 * design.wire.wire_m);
            e.exit_m = nearestExit(d.shape->curves, wire, i);
            out.push_back(e);
        }
    }
    for (size_t i = 0; i < design.chambers.size(); ++i) {
        const std::string path = itemPath("chambers", i);
        out.push_back({design.chambers[i].name, path, i, path + "/x", Kind::Chamber,
                       d.mass->chambers[i].tool});
    }
    if (design.lip.present && design.lip.slotDepth_m > 0) {
        Embedded e{"lip", "/lip", 0, "", Kind::LipSlot, {}};
        e.tool.mouth_m = {design.lip.slotX_m, 0, design.lip.slotZ_m};
        e.tool.inward = -lipDirection(design.lip);
        e.tool.along = Vector3d::UnitY();
        e.tool.round = false;
        e.tool.halfAlong_m = 0.5 * design.lip.rootWidth_m;
        e.tool.halfAcross_m = 0.5 * design.lip.thickness_m;
        e.tool.depth_m = design.lip.slotDepth_m;
        e.open = true;
        out.push_back(e);
    }
    for (Embedded& e : out) {
        e.piece = pieceAt(design.joints, middleOf(e).x());
        for (const Meeting& m : design.meetings) {
            if (m.first == e.name) {
                e.meant.push_back(m.second);
            }
        }
    }
    noteWhatIsHeld(out);
    return out;
}

double wallBetweenSolids(const Embedded& a, const Embedded& b, Vector3d* between) {
    Vector3d p = middleOf(a), q = middleOf(b);
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
            const double apart = (middleOf(solids[i]) - middleOf(solids[k])).norm();
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
                return solids[o.a].path == solids[c.a].path && solids[o.b].path == solids[c.b].path;
            })) {
            one.push_back(c);
        }
    }

    return one;
}

}  // namespace wl
