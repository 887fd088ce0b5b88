// Pieces that hang on each other by linked eyes: each lies at a pitch of its own.
#pragma once

#include <optional>
#include <vector>

#include "core/hydro/submerged.h"

namespace wl {

/// A length of the chain between two linked eyes, with all that is on and in it. Places in the body
/// frame, as drawn.
struct Link {
    FloatingShape shape;
    double mass_kg = 0.0;
    Eigen::Vector3d centreOfGravity_m = Eigen::Vector3d::Zero();
    double volume_m3 = 0.0;  ///< displaced when under water
    Eigen::Vector3d centreOfBuoyancy_m = Eigen::Vector3d::Zero();
    Eigen::Vector3d front_m =
        Eigen::Vector3d::Zero();                       ///< eye to the link ahead; of the first: any
    Eigen::Vector3d rear_m = Eigen::Vector3d::Zero();  ///< eye to the link behind
    double noseUpStop_rad = 3.0;    ///< how far it pitches against the link ahead until they touch
    double noseDownStop_rad = 3.0;  ///< and the other way, over 0
};

/// Pitch at which two faces across a chain touch: `ahead_m` and `behind_m` from the eye to each,
/// the sum over 0; heights from the eye to the ends of the faces on the side that closes. The lower
/// end meets the other face: H sin p = a + b cos p, a the other face's distance and b its own.
double pitchStop_rad(double ahead_m, double behind_m, double heightAhead_m, double heightBehind_m);

/// How a chain lies: the pitch of each link, and the height over the water (or over the tie) of the
/// place its link stands on: its front eye.
struct LinkedPose {
    std::vector<double> pitch_rad;
    std::vector<double> front_m;   ///< height
    std::vector<double> frontX_m;  ///< aft of the first link's
    bool settled = true;
};

/// Afloat: least energy of the whole chain over its height and each pitch, upright, within the
/// stops, from `pitch_rad` on (Newton steps on the gradient along the eigenvectors of its
/// differences, downhill along each, over what no stop holds; Nocedal & Wright 2006, 3.4 and 16.7,
/// recalled). Nothing when the chain does not float.
std::optional<LinkedPose> floatLinked(const std::vector<Link>& links, double waterDensity_kg_m3,
                                      double pitch_rad);

/// Wholly under water: hung up by `tie_m`, a place of the first link; or on no line, where the
/// water it drifts through bears what is over, by each link's share of the volume. All forces are
/// upright, so that each link's couple about its front eye is a fixed arrow in it, which comes to
/// point down as far as the stops let it.
LinkedPose hangLinked(const std::vector<Link>& links, double waterDensity_kg_m3,
                      const std::optional<Eigen::Vector3d>& tie_m);

}  // namespace wl
