// The wood a bore takes out of the body.
#pragma once

#include "core/design/design.h"
#include "core/placed/cut_tool.h"

namespace wl {

/// A bore measured in the body. The axis starts on the skin and runs `depth` inwards; only the part
/// inside the body counts, its curved mouth included (polar Gauss rule over the disc, 5 x 8 nodes).
/// The bottom is flat; a drill point is not counted.
struct BoreGeometry {
    bool entersBody = false;  ///< false: there is no skin at this place
    Eigen::Vector3d mouth_m = Eigen::Vector3d::Zero();
    Eigen::Vector3d inward = Eigen::Vector3d::UnitZ();  ///< unit vector along the axis
    double removed_m3 = 0.0;
    Eigen::Vector3d removedCentroid_m = Eigen::Vector3d::Zero();
    double wallBeyond_m = 0.0;   ///< skin left past the bottom, negative: comes out
    double wallBeside_m = 0.0;   ///< least skin beside the bottom rim, negative: comes out
    double plugLength_m = 0.0;   ///< held to the depth of the bore
    double plugVolume_m3 = 0.0;  ///< of metal: pieces leave room for filler between them
    double leadMass_kg = 0.0;
    Eigen::Vector3d plugCentroid_m = Eigen::Vector3d::Zero();
    double fillerVolume_m3 = 0.0;
    Eigen::Vector3d fillerCentroid_m = Eigen::Vector3d::Zero();
};

/// A bore in a body with its lead and filler. `drilled`: the same hole measured in that body
/// before, whatever it held.
BoreGeometry measureBore(const BodyCurves& body, const Bore& bore,
                         const BoreGeometry* drilled = nullptr);

/// Both go the same way into a body, whatever they hold.
bool sameHole(const Bore& a, const Bore& b);

/// The bore as a tool, from its measured mouth and axis.
CutTool toolOf(const Bore& bore, const BoreGeometry& measured);

/// Centroid of a plug of the given length at the bottom of the bore.
Eigen::Vector3d plugCentroid(const BoreGeometry& bore, double depth_m, double plugLength_m);

}  // namespace wl
