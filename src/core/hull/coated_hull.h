// The solid parts as they float: each with its coats on.
#pragma once

#include <array>
#include <vector>

#include "core/design/design.h"
#include "core/hydro/wetted_hull.h"
#include "core/make/body_parts.h"

namespace wl {

/// The painted skin of a part: what shows of the bait, not the faces inside its joints.
struct PaintedSkin {
    double area_m2 = 0.0;
    Eigen::Vector3d centre_m = Eigen::Vector3d::Zero();
    Eigen::Vector3d facing_m2 = Eigen::Vector3d::Zero();  ///< integral of the normal n over it
    Eigen::Matrix3d lean_m3 = Eigen::Matrix3d::Zero();    ///< integral of r n^T over it
    struct Part {
        double area_m2 = 0.0;
        Eigen::Vector3d moment_m3 = Eigen::Vector3d::Zero();  ///< integral of r
    };
    std::array<Part, 6> places;  ///< of each CoatPlace; all over is the whole

    const Part& at(CoatPlace place) const { return places[size_t(place)]; }
};

/// The coats of a bait: only one made of sheets has inner faces to paint.
std::vector<Coat> coatsOf(const Design& design);

/// How thick a coat is where it lies when all of it is on and dry, before what it is thicker by.
double dryThickness_m(const Coat& coat);

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
/// M = V, so that the volume stays and the centre moves by a V / A. One that lies on a part of the
/// skin is even there, as is one that covers only a share of it. Nothing of one on inner faces.
CoatOnHull coatOn(const PaintedSkin& skin, const Coat& coat);

/// Unit vector of the side a coat is thicker on; zero for an even one.
Eigen::Vector3d thickerWay(ThickerOn side);

/// One for each part. A hull of many small flats has its centre a hair off that of the curved body
/// it stands for and is shifted onto it; coats move its skin out along the normals, as thick as
/// they are there (a coat lies where there is skin, not where there is volume), to the exact volume
/// skin x thickness. `length_m`: of the bait, for what lies on its head or tail.
std::vector<CoatedHull> coatHulls(const std::vector<BodyPart>& parts,
                                  const std::vector<Coat>& coats, double length_m);

}  // namespace wl
