#include <algorithm>
#include <cmath>

#include "core/base/units.h"
#include "core/clearance.h"
#include "core/design/fields.h"

namespace wl {
namespace {

constexpr double kMoveStep_m = 0.0005;
constexpr double kFarthestMove_m = 0.015;

// What it costs to move a thing already marked on the blank, least first.
double moveCost(const Embedded& e) {
    switch (e.kind) {
        case Embedded::Kind::Bore:
            return 1.0;
        case Embedded::Kind::Chamber:
            return 1.5;
        case Embedded::Kind::Cut:
            return 2.0;
        case Embedded::Kind::Stem:
            return 3.0;
        default:
            return 100.0;
    }
}

const char* moveCode(const Embedded& e) {
    switch (e.kind) {
        case Embedded::Kind::Bore:
            return "edit.move_bore";
        case Embedded::Kind::Chamber:
            return "edit.move_chamber";
        case Embedded::Kind::Stem:
            return "edit.move_eye";
        default:
            return "edit.move_cut";
    }
}

// The number to look at for a thing that has none along the bait.
std::string fieldOf(const Embedded& e) {
    if (!e.moveX.empty()) {
        return e.moveX;
    }
    switch (e.kind) {
        case Embedded::Kind::Pocket:
            return e.path + "/pocket_depth";
        case Embedded::Kind::Pin:
            return e.path + "/pin_length";
        case Embedded::Kind::LipSlot:
            return e.path + "/slot_depth";
        default:
            return e.path + "/z";
    }
}

Finding placed(Finding f, const Eigen::Vector3d& at) {
    f.place_m = {at.x(), at.y(), at.z()};
    return f;
}

}  // namespace

std::optional<ProposedEdit> cheapestMove(const Design& design, const Derived& d,
                                         const std::vector<Embedded>& solids, size_t a, size_t b) {
    std::vector<size_t> order{a, b};
    if (moveCost(solids[b]) < moveCost(solids[a])) {
        std::swap(order[0], order[1]);
    }
    for (const size_t index : order) {
        const Embedded& moved = solids[index];
        const auto field = findField(design, moved.moveX);
        if (moved.moveX.empty() || !field || !field->value) {
            continue;
        }
        for (double way = kMoveStep_m; way <= kFarthestMove_m; way += kMoveStep_m) {
            for (const double sense : {1.0, -1.0}) {
                const double x =
                    std::round((*field->value + sense * way) / kMoveStep_m) * kMoveStep_m;
                const double shift = x - *field->value;
                bool clear = true;
                for (const Embedded& part : solids) {
                    if (part.path != moved.path) {
                        continue;
                    }
                    Embedded trial = part;
                    trial.tool.mouth_m.x() += shift;
                    const Eigen::Vector3d bottom =
                        trial.tool.mouth_m + trial.tool.depth_m * trial.tool.inward;
                    clear = clear && d.curves.contains(bottom);
                    for (const Embedded& other : solids) {
                        clear = clear && (other.path == moved.path ||
                                          wallBetweenSolids(trial, other) >= kLeastWall_m);
                    }
                }
                if (clear && moved.kind == Embedded::Kind::Bore) {
                    Bore bore = design.bores[size_t(
                        std::stoul(moved.path.substr(moved.path.rfind('/') + 1)))];
                    bore.x_m = x;
                    const BoreGeometry g = measureBore(d.curves, bore);
                    clear =
                        g.entersBody && std::min(g.wallBeyond_m, g.wallBeside_m) >= kLeastWall_m;
                }
                if (clear) {
                    return ProposedEdit{
                        moveCode(moved), {{moved.moveX, x}}, {{Quantity::Length, x}}};
                }
            }
        }
    }
    return std::nullopt;
}

void checkClashes(const Design& design, const Derived& d, std::vector<Finding>& out) {
    const std::vector<Embedded> solids = embeddedIn(design, d);
    for (const Clearance& c : findThinWalls(solids)) {
        const Embedded& a = solids[c.a];
        const Embedded& b = solids[c.b];
        using Kind = Embedded::Kind;
        const char* code = a.kind == Kind::Pocket || b.kind == Kind::Pocket ? "joint.pocket_into"
                           : a.kind == Kind::Bore && b.kind == Kind::Bore   ? "bore.meets_bore"
                                                                            : "cut.meets_cut";
        Finding f{code,
                  c.wall_m <= 0 ? Severity::Error : Severity::Warning,
                  fieldOf(a),
                  {{Quantity::Length, c.wall_m}},
                  {a.name, b.name}};
        if (const auto move = cheapestMove(design, d, solids, c.a, c.b)) {
            f.edits.push_back(*move);
        }
        out.push_back(placed(std::move(f), c.place_m));
    }
}

void checkSkinWalls(const Design& design, const Derived& d, std::vector<Finding>& out) {
    const std::vector<Embedded> solids = embeddedIn(design, d);
    std::vector<std::unique_ptr<SkinSearch>> skins(d.parts.size());
    std::vector<std::string> done;
    for (const Embedded& e : solids) {
        const bool said = std::find(done.begin(), done.end(), e.path) != done.end() ||
                          std::any_of(d.findings.begin(), d.findings.end(), [&](const Finding& f) {
                              const bool wall = f.code.starts_with("bore.") || f.code.starts_with("feature.");
                return wall && f.path.starts_with(e.path + "/");
                          });
        // Pins and pockets stand in their joint's faces; the joint's own checks watch their walls.
        if (said || e.kind == Embedded::Kind::Pin || e.kind == Embedded::Kind::Pocket) {
            continue;
        }
        const size_t piece = std::min(e.piece, d.parts.size() - 1);
        if (!skins[piece]) {
            skins[piece] = std::make_unique<SkinSearch>(d.parts[piece].mesh, d.curves);
        }
        const SkinWall wall = wallToSkin(e, *skins[piece]);
        if (wall.known && wall.wall_m < kLeastWall_m) {
            done.push_back(e.path);
            out.push_back(
                placed({wall.wall_m <= 0 ? "wall.comes_out" : "wall.thin",
                        wall.wall_m <= 0 ? Severity::Error : Severity::Warning,
                        fieldOf(e),
                        {{Quantity::Length, wall.wall_m}, {Quantity::Length, kLeastWall_m}},
                        {e.name}},
                       wall.place_m));
        }
    }
}

}  // namespace wl
