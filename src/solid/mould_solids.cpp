#include "solid/mould_solids.h"

#include <algorithm>

#include "core/base/units.h"
#include "files/solid_file.h"
#include "solid/boolean.h"

namespace wl {
namespace {

using Eigen::Vector3d;

constexpr double kInto_m = 0.002;  // a channel reaches so far into the cavity
constexpr double kCore_m = 0.006;  // and a core's channel so far out of it
constexpr double kPegHigh_m = 0.003, kPegRadius_m = 0.0025, kPegPlay_m = 0.0001;

CutTool rod(const Vector3d& from, const Vector3d& way, double length_m, double radius_m) {
    CutTool tool;
    tool.mouth_m = from;
    tool.inward = way;
    tool.along = way.cross(Vector3d::UnitY()).norm() > 0.5 ? Vector3d::UnitY() : Vector3d::UnitX();
    tool.halfAlong_m = tool.halfAcross_m = radius_m;
    tool.depth_m = length_m;
    return tool;
}

// Spouts, vents and cores, from inside the bait out.
std::vector<CutTool> channelsOf(const Design& design, const Derived& d, double top_m) {
    const Mould& mould = design.make.mould;
    constexpr double kVentAhead = 0.08, kVentBehind = 0.92;
    std::vector<CutTool> channels;
    const BodyCurves& curves = d.shape->curves;
    for (const BodyPart& part : d.shape->parts) {
        if (part.appendage) {
            continue;
        }
        const double from = part.bounds.front ? part.bounds.front->x_m : 0.0;
        const double to = part.bounds.rear ? part.bounds.rear->x_m : d.shape->sizes.length_m;
        double highest = from;
        for (int i = 5; i <= 95; ++i) {
            const double x = from + (to - from) * i / 100.0;
            if (curves.atX(x).back_m > curves.atX(highest).back_m || highest == from) {
                highest = x;
            }
        }
        const auto up = [&](double x, double across_m) {
            const Section s = curves.atX(x);
            const double into = std::min(kInto_m, 0.3 * (s.back_m - s.belly_m));
            channels.push_back(rod({x, 0, s.back_m - into}, Vector3d::UnitZ(),
                                   top_m - s.back_m + into + kInto_m, 0.5 * across_m));
        };
        up(highest, mould.spout_m);
        for (const double share : {kVentAhead, kVentBehind}) {
            const double x = from + share * (to - from);
            if (std::abs(x - highest) > 0.5 * (mould.spout_m + mould.vent_m) + 1e-3) {
                up(x, mould.vent_m);
            }
        }
    }
    for (const PlacedThing& thing : d.mass->things) {
        for (const Embedded& solid : thing.solids) {
            const CutTool& t = solid.tool;
            const bool middle = std::abs(t.mouth_m.y()) < 1e-4 && std::abs(t.inward.y()) < 1e-6;
            if (solid.kind == Embedded::Kind::Stem && middle) {
                channels.push_back(rod(t.mouth_m + std::min(kInto_m, t.depth_m) * t.inward,
                                       -t.inward, kCore_m + std::min(kInto_m, t.depth_m),
                                       t.halfAlong_m));
            }
        }
    }
    for (size_t i = 0; i < design.joints.size(); ++i) {
        const Joint& j = design.joints[i];
        const JointCut& cut = d.shape->joints[i];
        if (j.kind != HingeKind::Pin) {
            continue;
        }
        // The core lies through the whole height at the pin and in the mould over and under it.
        channels.push_back(rod({cut.pinX_m, 0, cut.midZ_m - 0.5 * cut.depth_m - kCore_m},
                               Vector3d::UnitZ(), cut.depth_m + 2 * kCore_m,
                               0.5 * (j.pinDiameter_m + j.play_m)));
    }
    return channels;
}

}  // namespace

Result<std::vector<FileSolid>> mouldSolids(const Design& design, const Derived& derived,
                                           std::stop_token stop, const SolidTold& told) {
    const double wall = design.make.mould.wall_m;
    Vector3d low = Vector3d::Constant(1e9), high = -low;
    for (const BodyPart& part : derived.shape->parts) {
        for (const Vector3d& v : part.mesh.vertices_m) {
            low = low.cwiseMin(v);
            high = high.cwiseMax(v);
        }
    }
    low -= Vector3d::Constant(wall);
    high += Vector3d::Constant(wall);
    std::vector<FileSolid> halves;
    const auto cannot = [](const std::string& what) {
        return Error{"solid.cannot_cut", "", {what}, {}};
    };
    // One cavity, so that what channels take of it is counted once.
    std::optional<ExactSolid> cavity;
    const auto& parts = derived.shape->parts;
    const std::vector<CutTool> channels = channelsOf(design, derived, high.z());
    const double steps = double(parts.size() + channels.size() + 2);
    double done = 0;
    const auto step = [&] {
        done += 1;
        if (told) {
            told(done / steps);
        }
        return !stop.stop_requested();
    };
    for (const BodyPart& part : parts) {
        Result<ExactSolid> solid = ExactSolid::of(part.mesh);
        if (!solid) {
            return cannot(part.name);
        }
        if (!cavity) {
            cavity.emplace(std::move(solid).value());
        } else if (cavity->add(*solid)) {
            return cannot(part.name);
        }
        if (!step()) {
            return Error{"solid.stopped", "", {}, {}};
        }
    }
    for (const CutTool& channel : channels) {
        const Result<ExactSolid> solid = ExactSolid::of(toolMesh(channel, 0.0));
        if (!solid || cavity->add(*solid)) {
            return cannot("channel");
        }
        if (!step()) {
            return Error{"solid.stopped", "", {}, {}};
        }
    }
    for (const bool port : {true, false}) {
        Vector3d from = low, to = high;
        (port ? from : to).y() = 0.0;
        Result<ExactSolid> block = ExactSolid::of(blockMesh(from, to));
        if (!block) {
            return cannot("mould");
        }
        ExactSolid half = std::move(block).value();
        if (half.subtract(*cavity)) {
            return cannot("mould");
        }
        const double inset = 0.5 * wall;
        for (const double x : {low.x() + inset, high.x() - inset}) {
            for (const double z : {low.z() + inset, high.z() - inset}) {
                const double radius = std::min(kPegRadius_m, 0.35 * wall);
                const CutTool key =
                    port ? rod({x, kInto_m, z}, -Vector3d::UnitY(), kInto_m + kPegHigh_m, radius)
                         : rod({x, kInto_m, z}, -Vector3d::UnitY(),
                               kInto_m + kPegHigh_m + kPegPlay_m, radius + kPegPlay_m);
                const Result<ExactSolid> solid = ExactSolid::of(toolMesh(key, 0.0));
                if (!solid || (port ? half.add(*solid) : half.subtract(*solid))) {
                    return cannot("peg");
                }
            }
        }
        const double aside = port ? 0.0 : 1000.0 * (high.z() - low.z() + wall);
        TriangleMesh mesh = laidFlat(inFileFrame(half.mesh()), !port, aside);
        // On its back: the parting face up.
        double foot = 1e9;
        for (const Vector3d& v : mesh.vertices_m) {
            foot = std::min(foot, v.z());
        }
        for (Vector3d& v : mesh.vertices_m) {
            v.z() -= foot;
        }
        halves.push_back({port ? "mould port" : "mould starboard", std::move(mesh)});
        if (!step()) {
            return Error{"solid.stopped", "", {}, {}};
        }
    }
    return halves;
}

}  // namespace wl
