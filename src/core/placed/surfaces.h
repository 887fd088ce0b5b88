// What the water presses on beside the body's skin.
#pragma once

#include <string>
#include <vector>

#include "core/base/record.h"
#include "core/design/design.h"
#include "core/make/body_parts.h"

namespace wl {

/// A flat surface in the stream, in the body frame. A bent lip is the flat sheet between its root
/// and its tip, whose vector area is that of both its planes; a claw, its area seen from its side.
struct Surface {
    enum class Kind { Lip, NoseFace, TailFace, Fin, Bristles, SoftTail, SidePiece };
    Kind kind = Kind::Lip;
    RecordRef record;
    std::string name;
    Eigen::Vector3d root_m = Eigen::Vector3d::Zero();   ///< middle of the edge it is held by
    Eigen::Vector3d along = Eigen::Vector3d::UnitX();   ///< unit vector from there to its free edge
    Eigen::Vector3d normal = Eigen::Vector3d::UnitY();  ///< unit; of a lip or face out of the bait
    Eigen::Vector3d centre_m = Eigen::Vector3d::Zero();  ///< of its area
    double chord_m = 0.0;                                ///< along it
    double span_m = 0.0;                                 ///< its area by its chord
    double thickness_m = 0.0;
    /// What its aspect ratio is worth more for the skin that mirrors it: 2 where its whole root
    /// lies on a skin as broad beside it as it is long, 1.5 where part of it does, 1 clear of it.
    double aspectFactor = 1.0;
    double cupShare = 0.0;  ///< depth of a face's dish by the radius it reaches
    bool swings = false;    ///< on a hinge of its own

    double area_m2() const { return chord_m * span_m; }
    /// Whether it only drags.
    bool isLump() const { return thickness_m > chord_m / 3; }
    /// Whether tow and fall know nothing of it, for want of an area or a length.
    bool leftOut() const { return area_m2() <= 0; }
};

/// Every one a design has; mirrored fins and both arms of a V each by itself. A fin without an area
/// typed has none of it. `parts` are those made of the design.
std::vector<Surface> surfacesOf(const Design& design, const BodyCurves& curves,
                                const std::vector<BodyPart>& parts);

/// Names of those tow and fall leave out, each once.
std::vector<std::string> leftOut(const std::vector<Surface>& surfaces);

/// The sheet that dives the bait: the lip, or without one a nose face leaning back; null for none.
const Surface* divingSurface(const std::vector<Surface>& surfaces);

}  // namespace wl
