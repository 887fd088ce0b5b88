// A solid let into a bait, for what may not run into what.
#pragma once

#include <optional>
#include <string>
#include <vector>

#include "core/base/record.h"
#include "core/geometry/piece_solid.h"
#include "core/placed/cut_tool.h"

namespace wl {

/// A convex solid let into the body: a straight tool with flat ends, or a length of wire or pin
/// (a capsule: `tool.depth_m` along the axis, round ends of `tool.halfAlong_m`).
struct Embedded {
    enum class Kind {
        Bore,
        Cut,
        Pocket,
        Pin,
        Stem,
        Wire,
        Chamber,
        LipSlot,
        Weight,
        Cavity,
        TieHole
    };
    RecordRef record;
    std::string name;
    Kind kind = Kind::Bore;
    CutTool tool;
    bool moves = false;  ///< its record has an "x" that moves it along the bait
    bool capsule = false;
    bool open = false;  ///< meant to come out of the skin at its ends
    bool lead = false;  ///< a hanger's stem is meant to stand in lead
    size_t piece = 0;
    std::optional<FaceAcross> face = {};  ///< a pocket's cut face: past it there is no stock
    std::vector<RecordRef> meant = {};    ///< what it is meant to meet
    /// Where a wire comes out of the skin: the wall beside it tapers to nothing there, and counts
    /// only further in.
    std::optional<Eigen::Vector3d> exit_m = {};

    std::string path() const { return pathOf(record); }
    Eigen::Vector3d middle() const { return tool.mouth_m + 0.5 * tool.depth_m * tool.inward; }
};

/// A length of round bar from end to end.
Embedded barBetween(const RecordRef& record, std::string name, Embedded::Kind kind,
                    const Eigen::Vector3d& from_m, const Eigen::Vector3d& to_m, double radius_m);

}  // namespace wl
