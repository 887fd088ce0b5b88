// Shape, place and mass of a lip and its line tie.
#pragma once

#include <vector>

#include <Eigen/Core>

#include "core/base/triangle_mesh.h"
#include "core/design/design.h"

namespace wl {

/// Outline of the lip outside the body laid flat, counter-clockwise, (along, across) from the
/// middle of its root, metres, by the lip's family (see LipFamily) and with its notch; the hole
/// apart.
std::vector<Eigen::Vector2d> lipOutline(const Lip& lip);

/// Width where it leaves the skin: as typed, of a disc what its length outside leaves.
double lipRootWidth_m(const Lip& lip);

/// A flat part of the lip in its place: all of it, or to either side of the bend.
struct LipPlane {
    Eigen::Vector3d root_m;
    Eigen::Vector3d along;  ///< unit vector towards the tip
    double from_m = 0.0;    ///< of the sheet, from the skin
    double to_m = 0.0;
    std::vector<Eigen::Vector2d> outline;  ///< (along, across) from its own root
};
std::vector<LipPlane> lipPlanes(const Lip& lip);

/// The sheet outside the body as closed plates, its hole not cut.
TriangleMesh lipMesh(const Lip& lip);

/// A place on the middle line of the sheet, so far from the skin along it, and so far above the
/// middle of its thickness.
Eigen::Vector3d lipPlace(const Lip& lip, double along_m, double above_m = 0.0);

/// The straight line from where the lip leaves the skin to its tip, seen from the side. The vector
/// area of both planes of a bent lip is that of a flat sheet of its width between the two: the
/// water meets it as that sheet.
struct LipChord {
    double length_m = 0.0;
    double angle_rad = 0.0;
};
LipChord lipChord(const Lip& lip);

struct LipSheet {
    double area_m2 = 0.0;  ///< outside the body
    double centroidAlong_m = 0.0;
    double mass_kg = 0.0;  ///< with the part let into the slot
    double outsideVolume_m3 = 0.0;
    double insideVolume_m3 = 0.0;
    double hole_m3 = 0.0;
    Eigen::Vector3d centreOfMass_m = Eigen::Vector3d::Zero();
    Eigen::Vector3d insideCentroid_m = Eigen::Vector3d::Zero();
};
LipSheet measureLip(const Lip& lip);

/// Unit vector from the root to the tip: forward and, for angles over 0, down.
Eigen::Vector3d lipDirection(const Lip& lip);
/// Unit normal of the face that looks up (towards the line).
Eigen::Vector3d lipUpperNormal(const Lip& lip);

/// Where the line pulls, body frame.
Eigen::Vector3d tiePoint(const Design& design);

}  // namespace wl
