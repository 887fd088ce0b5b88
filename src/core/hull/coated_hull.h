// The solid parts as they float: each with its coats on.
#pragma once

#include <vector>

#include "core/design/parts.h"
#include "core/hydro/wetted_hull.h"
#include "core/make/body_parts.h"

namespace wl {

/// One part's hull. The painted skin is what shows of the bait, not the faces inside its joints.
struct CoatedHull {
    WettedHull fine, coarse;  ///< same volume; coarse has fewer faces, for searching
    double painted_m2 = 0.0;
    Eigen::Vector3d paintedCentre_m = Eigen::Vector3d::Zero();
};

/// One for each part. A hull of many small flats has its centre a hair off that of the curved body
/// it stands for and is shifted onto it; coats move its skin out along the normals (a coat lies
/// where there is skin, not where there is volume), to the exact volume skin x thickness.
std::vector<CoatedHull> coatHulls(const std::vector<BodyPart>& parts,
                                  const std::vector<Coat>& coats);

}  // namespace wl
