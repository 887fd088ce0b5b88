// The solid parts of a bait: pieces of the chain and appendages, each with its mesh and material.
#pragma once

#include <string>
#include <vector>

#include <Eigen/Geometry>

#include "core/base/result.h"
#include "core/joint/joint_layout.h"
#include "core/make/material.h"

namespace wl {

/// A flat area and its centre.
struct ProfileArea {
    double area_m2 = 0.0;
    Eigen::Vector3d centroid_m = Eigen::Vector3d::Zero();
};

/// One solid part, placed in the body frame, holes not yet cut.
struct BodyPart {
    std::string name;
    std::string path;  ///< "/pieces/1", "/appendages/0"
    size_t index = 0;  ///< among the pieces, or the appendages
    bool appendage = false;
    double side = 0.0;     ///< of an appendage: 1 port, -1 starboard, 0 both arms of a V
    size_t secondArm = 0;  ///< of a V: its first vertex of the starboard arm
    PieceBounds bounds;    ///< of a piece
    SolidProperties solid;
    ProfileArea lateral;  ///< seen from the side; of an appendage along its own breadth, one arm
    TriangleMesh mesh;
    TriangleMesh coarse;  ///< same volume, fewer faces
    PartMaterial material;
    Eigen::Affine3d place = Eigen::Affine3d::Identity();  ///< of an appendage's own frame
    Eigen::Vector3d pivot_m = Eigen::Vector3d::Zero();    ///< hinge it hangs on
};

/// The chain as made, before weighing corrects it.
struct AsMade {
    double volume_m3 = 0.0;  ///< uncut, unless pieces are made apart (own stock, print)
    double mass_kg = 0.0;
    double doubtShare = 0.0;
};

/// Meshes and materials of every part. An imported solid in use gives the mesh of a bait without
/// joints; cut into pieces, the pieces are those of its slices, scaled to its volume.
/// `breadthScale` is what `curves` were already scaled by, for the imported solid. Errors: those of
/// BodyCurves::build for an appendage's body; "make.no_layers".
Result<std::vector<BodyPart>> makeParts(const Design& design, const BodyCurves& curves,
                                        const std::vector<JointCut>& cuts,
                                        double breadthScale = 1.0);

/// What the chain weighs and holds as made.
AsMade chainAsMade(const Design& design, const BodyCurves& curves,
                   const std::vector<BodyPart>& parts);

/// Stock of a part: its own, or the first piece's.
const Stock& stockOf(const Design& design, const BodyPart& part);

/// The body cut lengthwise at that breadth, between two lengths.
ProfileArea profileAt(const BodyCurves& curves, double y_m, double fromX_m, double toX_m);

}  // namespace wl
