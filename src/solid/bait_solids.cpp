#include "solid/bait_solids.h"

#include <algorithm>
#include <cmath>

#include "core/base/units.h"
#include "files/solid_file.h"
#include "solid/boolean.h"
#include "solid/mould_solids.h"

namespace wl {
namespace {

using Eigen::Vector3d;

constexpr int kFlats = 40;
constexpr double kHalfApart_mm = 10.0;

Error stopped() {
    return {"solid.stopped", "", {}, {}};
}

struct Hole {
    std::string name;
    TriangleMesh mesh;
    Eigen::AlignedBox3d box;
};

Eigen::AlignedBox3d boxOf(const TriangleMesh& mesh) {
    Eigen::AlignedBox3d box;
    for (const Vector3d& v : mesh.vertices_m) {
        box.extend(v);
    }
    return box;
}

std::vector<Hole> holesOf(const Design& design, const Derived& d) {
    std::vector<Hole> holes;
    for (const PlacedThing& thing : d.mass->things) {
        for (const Embedded& solid : thing.solids) {
            using Kind = Embedded::Kind;
            // Out through the skin, however that curves; a pocket no farther than the gap before
            // it, a closed one not at all.
            double before = d.shape->sizes.maxHeight_m, wider = 0;
            switch (solid.kind) {
                case Kind::Wire:
                    continue;
                case Kind::Pocket:
                    before = 0.5 * design.joints[thing.record.index].gap_m;
                    break;
                case Kind::Pin:
                    before = 0;
                    wider = 0.5 * design.joints[thing.record.index].play_m;
                    break;
                case Kind::Chamber:
                case Kind::Cavity:
                    before = 0;
                    break;
                default:
                    break;
            }
            Hole hole{thing.name, toolMesh(solid.tool, before, wider), {}};
            hole.box = boxOf(hole.mesh);
            holes.push_back(std::move(hole));
        }
    }
    return holes;
}

// Port or starboard half, of a solid within that box of the body frame.
std::optional<ExactSolid> halfOf(ExactSolid half, const Eigen::AlignedBox3d& box, bool port) {
    const Vector3d room = Vector3d::Constant(0.01);
    Vector3d low = box.min() - room, high = box.max() + room;
    (port ? high : low).y() = 0.0;
    const Result<ExactSolid> other = ExactSolid::of(blockMesh(low, high));
    if (!other || half.subtract(*other)) {
        return std::nullopt;
    }
    return half;
}

}  // namespace

TriangleMesh toolMesh(const CutTool& tool, double before_m, double wider_m) {
    std::vector<Vector3d> rim;
    if (!tool.corners.empty()) {
        for (const Eigen::Vector2d& c : tool.corners) {
            rim.emplace_back(c.x() * tool.along + c.y() * tool.across());
        }
    } else if (tool.round) {
        // A polygon of n corners at radius R has the area n R^2 sin(2 pi / n) / 2.
        const double turn = 2 * kPi / kFlats;
        const double out = std::sqrt(turn / std::sin(turn)) * (tool.halfAlong_m + wider_m);
        for (int i = 0; i < kFlats; ++i) {
            const double t = turn * i;
            rim.emplace_back(out * (std::cos(t) * tool.along + std::sin(t) * tool.across()));
        }
    } else {
        const Vector3d a = (tool.halfAlong_m + wider_m) * tool.along;
        const Vector3d c = (tool.halfAcross_m + wider_m) * tool.across();
        rim = {a + c, c - a, -a - c, a - c};
    }
    const Vector3d from = tool.mouth_m - before_m * tool.inward;
    const Vector3d to = tool.mouth_m + tool.depth_m * tool.inward;
    TriangleMesh mesh;
    const int n = int(rim.size());
    for (const Vector3d& end : {from, to}) {
        for (const Vector3d& r : rim) {
            mesh.vertices_m.push_back(end + r);
        }
    }
    for (int i = 0; i < n; ++i) {
        const int j = (i + 1) % n;
        mesh.triangles.push_back({i, j, n + j});
        mesh.triangles.push_back({i, n + j, n + i});
    }
    for (int i = 1; i + 1 < n; ++i) {
        mesh.triangles.push_back({0, i + 1, i});
        mesh.triangles.push_back({n, n + i, n + i + 1});
    }
    return mesh;
}

TriangleMesh blockMesh(const Vector3d& low, const Vector3d& high) {
    CutTool block;
    block.mouth_m = {0.5 * (low.x() + high.x()), 0.5 * (low.y() + high.y()), low.z()};
    block.round = false;
    block.halfAlong_m = 0.5 * (high.x() - low.x());
    block.halfAcross_m = 0.5 * (high.y() - low.y());
    block.depth_m = high.z() - low.z();
    return toolMesh(block, 0.0);
}

TriangleMesh laidFlat(const TriangleMesh& mesh_mm, bool port, double aside_mm) {
    TriangleMesh out = mesh_mm;
    // About x: starboard (y over 0 in a file) up, or port up.
    for (Vector3d& v : out.vertices_m) {
        v = port ? Vector3d(v.x(), v.z(), -v.y()) : Vector3d(v.x(), -v.z(), v.y());
        v.y() += aside_mm;
    }
    return out;
}

Result<std::vector<FileSolid>> baitSolids(const Design& design, const Derived& derived,
                                          const SolidWish& wish, std::stop_token stop,
                                          const SolidTold& told) {
    if (wish.kind == SolidKind::Mould) {
        return mouldSolids(design, derived, stop, told);
    }
    const std::vector<Hole> holes = wish.holes ? holesOf(design, derived) : std::vector<Hole>();
    std::vector<FileSolid> solids;
    double aside = 0;
    const auto& parts = derived.shape->parts;
    for (size_t i = 0; i < parts.size(); ++i) {
        const BodyPart& part = parts[i];
        const bool parted = wish.kind == SolidKind::Halves && !part.appendage;
        const Eigen::AlignedBox3d box = boxOf(part.mesh);
        std::optional<ExactSolid> cut;
        const auto begin = [&] {
            if (!cut) {
                Result<ExactSolid> solid = ExactSolid::of(part.mesh);
                if (solid) {
                    cut.emplace(std::move(solid).value());
                }
            }
            return cut.has_value();
        };
        const Error cannot{"solid.cannot_cut", "", {part.name}, {}};
        for (const Hole& hole : holes) {
            if (stop.stop_requested()) {
                return stopped();
            }
            if (!box.intersects(hole.box) || part.appendage) {
                continue;
            }
            if (!begin()) {
                return cannot;
            }
            const Result<ExactSolid> tool = ExactSolid::of(hole.mesh);
            if (!tool || cut->subtract(*tool)) {
                return Error{"solid.cannot_cut", "", {hole.name}, {}};
            }
        }
        if (told) {
            told(double(i + 1) / double(parts.size()));
        }
        if (!parted) {
            solids.push_back({part.name, inFileFrame(cut ? cut->mesh() : part.mesh)});
            continue;
        }
        if (!begin()) {
            return cannot;
        }
        for (const bool port : {true, false}) {
            const std::optional<ExactSolid> half = halfOf(*cut, box, port);
            if (!half) {
                return cannot;
            }
            solids.push_back({part.name + (port ? " port" : " starboard"),
                              laidFlat(inFileFrame(half->mesh()), port, aside)});
            aside += 1000.0 * derived.shape->sizes.maxHeight_m + kHalfApart_mm;
        }
    }
    return solids;
}

}  // namespace wl
