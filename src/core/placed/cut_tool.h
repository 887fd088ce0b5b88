// What a drill, a saw or a chisel takes out of the body.
#pragma once

#include <vector>

#include "core/geometry/body_curves.h"

namespace wl {

/// A straight-sided tool: a disc, a rectangle or a convex outline carried `depth` inwards from its
/// mouth on the skin, flat-bottomed, with a drill's cone beyond when `tip` is over 0.
struct CutTool {
    Eigen::Vector3d mouth_m = Eigen::Vector3d::Zero();
    Eigen::Vector3d inward = Eigen::Vector3d::UnitZ();  ///< unit vector along the axis
    Eigen::Vector3d along = Eigen::Vector3d::UnitX();   ///< unit vector across it
    bool round = true;
    double halfAlong_m = 0.0;  ///< radius when round
    double halfAcross_m = 0.0;
    double depth_m = 0.0;
    double tip_m = 0.0;
    /// Of a convex outline: (along, across) from the axis, which lies inside it, counter-clockwise.
    /// The halves are then those of the largest disc round the axis in it.
    std::vector<Eigen::Vector2d> corners;

    Eigen::Vector3d across() const { return inward.cross(along); }
    /// Whether a place lies in the tool or in the air it came through.
    bool holds(const Eigen::Vector3d& place_m) const;
    /// Distance of its farthest rim from the axis.
    double rim_m() const;
    /// A place of its rim, `share` of the way round from 0 to 1, from the axis.
    Eigen::Vector3d onRim(double share) const;
    double leastHalf_m() const { return round ? halfAlong_m : std::min(halfAlong_m, halfAcross_m); }
};

/// A tool of a convex outline given round the mouth: its axis goes through the outline's middle.
CutTool outlineTool(const std::vector<Eigen::Vector2d>& outline_m, const Eigen::Vector3d& mouth_m,
                    const Eigen::Vector3d& inward, const Eigen::Vector3d& along, double depth_m);

/// Height of a drill point's cone, 118 deg: r / tan(59 deg).
double drillTip(double radius_m);

struct CutVolume {
    double removed_m3 = 0.0;
    Eigen::Vector3d centroid_m = Eigen::Vector3d::Zero();
    double wallBeyond_m = 0.0;  ///< skin left past the bottom, negative: comes out
    double wallBeside_m = 0.0;  ///< least skin beside the rim of the bottom where the tool is
                                ///< not open to its mouth (see isRim), negative: comes out
};

/// Where a tool goes through less stock than this, and the skin there looks towards its mouth, it
/// is at its open rim: what is left beside it tapers to nothing in any curved skin, and is no wall.
/// Skin that looks within 66 degrees of the mouth leaves a millimetre beside a tool 2.3 mm deep.
inline constexpr double kRimDepth_m = 0.0023;

/// Volume of body within the tool and not in any of the `earlier` ones, by Gauss rules over the
/// tool's cross-section (disc: 5 radii x 8 angles; rectangle: 8 x 4; outline: up to 48 places in
/// each of its triangles, at most 1 mm2 apiece; its walls are not looked for), each column measured
/// to the curved skin. Where an earlier tool crosses, columns are sampled at 32 places.
CutVolume measureCut(const BodyCurves& body, const CutTool& tool,
                     const std::vector<CutTool>& earlier = {});

/// Least wall between two tools, taken as capsules round their axes (exact for round tools side by
/// side, on the safe side at flat ends), metres; negative where they meet.
double wallBetween(const CutTool& a, const CutTool& b);

/// Whether a place of the tool's side is at its open rim.
bool isRim(const BodyCurves& body, const CutTool& tool, const Eigen::Vector3d& place_m);

/// How much stock the tool went through above a place in it: the length inside the body on the way
/// out through its mouth, metres.
double stockAbove(const BodyCurves& body, const CutTool& tool, const Eigen::Vector3d& place_m);

/// Distance from a place inside the body along a direction to the skin, at most `reach`.
double distanceToSkin(const BodyCurves& body, const Eigen::Vector3d& from_m,
                      const Eigen::Vector3d& direction, double reach_m);

}  // namespace wl
