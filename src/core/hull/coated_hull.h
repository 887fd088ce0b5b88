// The solid parts as they float: each with its coats on.
#pragma once

#include <vector>

#include "core/design/parts.h"
#include "core/hydro/wetted_hull.h"
#include "core/make/body_parts.h"

namespace wl {

/// The painted skin of a part: what shows of the bait, not the faces inside its joints.
struct PaintedSkin {
    double area_m2 = 0.0;
    Eigen::Vector3d centre_m = Eigen::Vector3d::Zero();
    Eigen::Vector3d facing_m2 = Eigen::Vector3d::Zero();  ///< integral of the normal n over it
    Eigen::Matrix3d lean_m3 = Eigen::Matrix3d::Zero();    ///< integral of r n^T over it
};

/// One part's hull.
struct CoatedHull {
    WettedHull fine, coarse;  ///< same volume; coarse has fewer faces, for searching
    PaintedSkin painted;
};

/// One coat on one part: its volume and centre.
struct CoatOnHull {
    double volume_m3 = 0.0;
    Eigen::Vector3d centre_m = Eigen::Vector3d::Zero();
};

/// What a coat of thickness t (1 + a n.u) makes on a painted skin, u the way its thicker side
/// looks: t (A + a u.F) and t (A c + a M u) with the integrals above; on a closed skin F = 0 and
/// M = V, so that the volume stays and the centre moves by a V / A.
CoatOnHull coatOn(const PaintedSkin& skin, const Coat& coat);

/// Unit vector of the side a coat is thicker on; zero for an even one.
Eigen::Vector3d thickerWay(ThickerOn side);

/// One for each part. A hull of many small flats has its centre a hair off that of the curved body
/// it stands for and is shifted onto it; coats move its skin out along the normals, as thick as
/// they are there (a coat lies where there is skin, not where there is volume), to the exact volume
/// skin x thickness.
std::vector<CoatedHull> coatHulls(const std::vector<BodyPart>& parts,
                                  const std::vector<Coat>& coats);

}  // namespace wl
