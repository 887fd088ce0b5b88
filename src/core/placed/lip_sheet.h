// Shape, place and mass of a lip and its line tie.
#pragma once

#include <optional>
#include <vector>

#include <Eigen/Core>

#include "core/base/triangle_mesh.h"
#include "core/design/design.h"
#include "core/placed/cut_tool.h"
#include "core/placed/lip_outline.h"

namespace wl {

/// A flat part of the lip in its place: all of it, or to either side of the bend.
struct LipPlane {
    Eigen::Vector3d root_m;
    Eigen::Vector3d along;   ///< unit vector towards the tip
    Eigen::Vector3d across;  ///< unit vector to port
    double from_m = 0.0;     ///< of the sheet, from the skin
    double to_m = 0.0;
    std::vector<Eigen::Vector2d> outline;  ///< (along, across) from its own root
};
std::vector<LipPlane> lipPlanes(const Lip& lip);

/// The sheet outside the body as closed plates, its hole not cut.
TriangleMesh lipMesh(const Lip& lip);

/// A place on the sheet, so far from the skin along it, so far above the middle of its thickness
/// and so far to port of its middle line.
Eigen::Vector3d lipPlace(const Lip& lip, double along_m, double above_m = 0.0,
                         double across_m = 0.0);

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

/// Unit vectors of the sheet at the skin: `along` from the root to the tip (forward and, for angles
/// over 0, down), `across` to port, `up` the normal of the face that looks towards the line. Twist
/// and turn are in them: about `along` first, then about `up`.
struct LipAxes {
    Eigen::Vector3d along, across, up;
};
LipAxes lipAxes(const Lip& lip);
Eigen::Vector3d lipDirection(const Lip& lip);

/// The wire of a tie on the lip: two strands up from the holes, twisted round each other to the
/// loop. Its holes are there without a wire as well.
struct TieWire {
    std::vector<Eigen::Vector2d> holes;  ///< (along, across) on the sheet
    double holes_m3 = 0.0;               ///< of sheet drilled out
    double length_m = 0.0;               ///< of straight wire, no end to hold it by
    double mass_kg = 0.0;
    double volume_m3 = 0.0;
    Eigen::Vector3d centre_m = Eigen::Vector3d::Zero();  ///< of what is outside the body
    double legs_m3 = 0.0;                                ///< of `volume_m3` in the body
};
/// Nothing drilled and no wire where the line does not tie to a lip. A strand twisted round the
/// other at six diameters a turn is 13 % longer than its height; under the sheet two strands meet
/// between the holes, through one hole each is turned over for three diameters; strands that go on
/// into the body lie under the sheet from their holes to the skin instead (rules of this project).
TieWire measureTieWire(const Design& design);

/// The hole both strands of a tie's wire go on into the body by: beside the slot's lower wall and
/// along it, as wide as two strands side by side with the room one has in the sheet, from the skin
/// to where they end. None where they end at the lip, or before they come to the skin.
std::optional<CutTool> tieLegHole(const Design& design, const BodyCurves& body);

/// Where the line pulls, body frame.
Eigen::Vector3d tiePoint(const Design& design);

}  // namespace wl
