#include "core/making/holes.h"

#include <algorithm>
#include <cmath>
#include <tuple>

#include "core/draw/draw_bait.h"
#include "core/placed/cut_tool.h"

namespace wl {
namespace {

using Eigen::Vector3d;

HoleSide sideOf(const Vector3d& inward) {
    const Vector3d size = inward.cwiseAbs();
    if (size.z() >= size.x() && size.z() >= size.y()) {
        return inward.z() > 0 ? HoleSide::Belly : HoleSide::Back;
    }
    if (size.y() >= size.x()) {
        return inward.y() < 0 ? HoleSide::Port : HoleSide::Starboard;
    }
    return inward.x() > 0 ? HoleSide::Nose : HoleSide::Tail;
}

// From the mouth on the finished skin back along the tool to the blank's face.
double wasteOver_m(const Derived& d, const Vector3d& mouth, const Vector3d& inward, HoleSide side) {
    const Section widest = d.shape->curves.atX(d.shape->sizes.widestAt_m);
    double top = widest.back_m, foot = widest.belly_m;
    for (int i = 0; i <= 100; ++i) {
        const Section s = d.shape->curves.at(i / 100.0);
        top = std::max(top, s.back_m);
        foot = std::min(foot, s.belly_m);
    }
    const double half = 0.5 * d.shape->sizes.maxWidth_m;
    double waste = 0;
    switch (side) {
        case HoleSide::Belly:
            waste = (mouth.z() - foot) / inward.z();
            break;
        case HoleSide::Back:
            waste = (mouth.z() - top) / inward.z();
            break;
        case HoleSide::Port:
            waste = (mouth.y() - half) / inward.y();
            break;
        case HoleSide::Starboard:
            waste = (mouth.y() + half) / inward.y();
            break;
        case HoleSide::Nose:
            waste = mouth.x() / inward.x();
            break;
        case HoleSide::Tail:
            waste = (mouth.x() - d.shape->sizes.length_m) / inward.x();
            break;
        case HoleSide::JointFace:
            break;
    }
    return std::max(0.0, waste);
}

HoleTurn turnOf(Embedded::Kind kind, HoleSide side) {
    switch (kind) {
        case Embedded::Kind::Pin:
            return HoleTurn::Upright;
        case Embedded::Kind::Pocket:
            return HoleTurn::JointFaces;
        case Embedded::Kind::LipSlot:
            return HoleTurn::Slots;
        default:
            break;
    }
    switch (side) {
        case HoleSide::Belly:
        case HoleSide::Back:
            return HoleTurn::BellyAndBack;
        case HoleSide::Port:
        case HoleSide::Starboard:
            return HoleTurn::Flanks;
        default:
            return HoleTurn::Ends;
    }
}

}  // namespace

bool hasFlats(const Design& design) {
    return design.make.kind == MakeKind::Carved || design.make.kind == MakeKind::Layered;
}

std::vector<BenchHole> holesInOrder(const Design& design, const Derived& derived) {
    const bool flats = hasFlats(design);
    std::vector<BenchHole> holes;
    for (const PlacedThing& thing : derived.mass->things) {
        for (const Embedded& solid : thing.solids) {
            using Kind = Embedded::Kind;
            if (solid.kind == Kind::Wire || solid.kind == Kind::Cavity ||
                solid.kind == Kind::Chamber) {
                continue;
            }
            BenchHole hole;
            hole.record = thing.record;
            hole.name = solid.name;
            if (thing.record.list == RecordList::Bores) {
                hole.letter = boreLetter(thing.record.index);
            }
            hole.mouth_m = solid.tool.mouth_m;
            hole.inward = solid.tool.inward;
            hole.round = solid.tool.round && solid.tool.corners.empty();
            hole.diameter_m = 2 * solid.tool.halfAlong_m;
            hole.width_m = hole.round ? 0.0 : 2 * solid.tool.halfAcross_m;
            hole.depth_m = solid.tool.depth_m;
            hole.side = solid.kind == Kind::Pocket ? HoleSide::JointFace : sideOf(hole.inward);
            hole.turn = turnOf(solid.kind, hole.side);
            hole.fromFlat = flats && hole.turn != HoleTurn::JointFaces;
            hole.stop_m = hole.depth_m;
            if (hole.fromFlat) {
                hole.stop_m += wasteOver_m(derived, hole.mouth_m, hole.inward, hole.side);
            }
            holes.push_back(std::move(hole));
        }
    }
    std::stable_sort(holes.begin(), holes.end(), [](const BenchHole& a, const BenchHole& b) {
        return std::pair(a.turn, a.mouth_m.x()) < std::pair(b.turn, b.mouth_m.x());
    });
    return holes;
}

}  // namespace wl
