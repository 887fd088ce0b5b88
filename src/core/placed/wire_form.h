// Wire bent into eyes, and one wire bent from nose to tail: lengths, bends, place and mass.
#pragma once

#include <string>
#include <utility>
#include <vector>

#include "core/design/design.h"
#include "core/geometry/body_curves.h"

namespace wl {

/// Length of wire in a closed eye of that inner diameter: 330 degrees of the ring's middle line
/// (the gap where it meets its stem is left out).
double eyeRingLength_m(double innerDiameter_m, double wire_m);

/// Length of one strand of a twisted stem: two strands of diameter d wound on each other run as
/// helices of radius d/2, sqrt(stem^2 + (pi d turns)^2).
double twistedStrand_m(double stem_m, double wire_m, double turns);

/// Wire of one screw eye, twisted eye or hanger by its dimensions, metal volumes in m3. A screw's
/// thread is left out (it is rolled, not added).
struct EyeWire {
    double ring_m3 = 0.0;  ///< outside the body
    double stem_m3 = 0.0;  ///< inside; of both legs of a clip
    double stemRadius_m = 0.0;
    double length_m = 0.0;  ///< of wire to cut
};
EyeWire measureEye(const Fitting& eye);

/// Unit vector of an eye's stem, into the body.
Eigen::Vector3d stemDirection(const Fitting& eye);

/// Ends of an eye's stem in the body frame, ring end first; `side` is -1 for the mirrored one. The
/// ring stands half its size out from where the stem begins.
std::pair<Eigen::Vector3d, Eigen::Vector3d> stemEnds(const Fitting& eye, double side);

/// A straight length of wire.
using WireBar = std::pair<Eigen::Vector3d, Eigen::Vector3d>;

/// The lengths of metal in an eye's stem, ring end first: one, or both legs of a clip.
std::vector<WireBar> stemBars(const Fitting& eye, double side);

/// One bend of the through-wire, in the order it is made.
struct WireBend {
    double at_m = 0.0;       ///< along the straight wire, where the bend begins
    double angle_rad = 0.0;  ///< positive: the free end turns up in the side view
    double radius_m = 0.0;   ///< inside
    std::string what;        ///< code of the kind: "eye", "down", "up", "round"
    Eigen::Vector3d place_m = Eigen::Vector3d::Zero();
};

struct WireEye {
    std::string name;  ///< "nose eye", "tail eye", or the drop's own
    Eigen::Vector3d centre_m = Eigen::Vector3d::Zero();
    bool end = false;  ///< at the nose or the tail, not a drop's
};

/// The wire laid out in the bait's middle plane.
struct WireLayout {
    std::vector<Eigen::Vector3d> path_m;  ///< middle line, nose to tail, bends and eyes as chords
    std::vector<WireBend> bends;
    std::vector<WireEye> eyes;
    double cutLength_m = 0.0;
    double mass_kg = 0.0;
    double volume_m3 = 0.0;
};

/// Lays the wire out: nose eye ahead of the nose, a straight run at its height, down and round at
/// every drop, tail eye behind the tail. Bends are arcs of the bend radius; eyes are rings with
/// `wrap_m` wound behind. Empty when not present. The cut length is that of the middle line.
WireLayout layOutWire(const BodyCurves& body, const ThroughWire& wire);

}  // namespace wl
