// Joints between pieces, side appendages, and holes and slots.
#pragma once

#include <optional>
#include <string>

#include "core/base/units.h"
#include "core/design/body.h"
#include "core/design/stock.h"

namespace wl {

enum class HingeKind { Pin, LinkedEyes };
enum class PocketIn { None, FrontPiece, RearPiece };

/// A joint of the chain, between piece i and i + 1. The faces are cut back in a V from the centre
/// line; the pin (or the touching point of linked eyes) stands on the centre line.
struct Joint {
    std::string name = "joint";
    HingeKind kind = HingeKind::Pin;
    double x_m = 0.05;                       ///< middle of the gap on the centre line
    double gap_m = 0.002;                    ///< between the faces on the centre line
    double bevelFront_rad = 15.0 * kDegree;  ///< of the front piece's rear face
    double bevelRear_rad = 15.0 * kDegree;   ///< of the rear piece's front face
    double pinAft_m = 0.0;                   ///< of the pin, aft of the middle of the gap
    double pinDiameter_m = 0.0012;
    double pinLength_m = 0.015;  ///< upright, centred on the middle of the body's depth
    PocketIn pocket = PocketIn::FrontPiece;
    double pocketWidth_m = 0.005;  ///< across the bait
    double pocketHeight_m = 0.008;
    double pocketDepth_m = 0.004;    ///< from the face into the piece
    double shankWidth_m = 0.0012;    ///< of what swings in the pocket
    double hardwareStop_rad = 0.0;   ///< where the hardware itself binds, 0: it does not
    double play_m = 0.0001;          ///< of the pin in its eye
    double typicalMass_kg = 0.0006;  ///< pin, eyes and sleeve together
    std::optional<double> weighedMass_kg;
    double hardwareDensity_kg_m3 = 7930.0;
    bool operator==(const Joint&) const = default;
};

/// A claw, fin or leg hung on a hinge of its own: at the side, or in the middle plane (a hinged
/// tail fin). Its body is drawn in its own frame, x from the hinge to its tip.
struct Appendage {
    std::string name = "claw";
    bool mirrored = true;  ///< a second one on the other side
    bool joined = false;   ///< both are one V that swings on one rivet in the middle plane
    Body body;
    bool ownStock = false;
    Stock stock;
    double hingeX_m = 0.02;
    double hingeY_m = 0.008;
    double hingeZ_m = 0.0;
    double splay_rad = 30.0 * kDegree;  ///< of its axis from straight aft, outward
    double droop_rad = 0.0;             ///< of its axis below level
    double swing_rad = 20.0 * kDegree;  ///< each way about its rest
    double hardwareMass_kg = 0.0002;
    double hardwareDensity_kg_m3 = 7930.0;
    bool operator==(const Appendage&) const = default;
};

enum class FeatureKind { EyeSocket, Slot, SawGroove, PilotHole, Pocket };
enum class FeatureFrom { Belly, Back, Side, Nose, Tail };
enum class FeatureFill { Water, Air, Glue };

constexpr bool isRound(FeatureKind kind) {
    return kind == FeatureKind::EyeSocket || kind == FeatureKind::PilotHole;
}
constexpr bool isEnd(FeatureFrom from) {
    return from == FeatureFrom::Nose || from == FeatureFrom::Tail;
}

/// A socket, slot, groove, pilot hole or pocket. It enters at (x, y, z) on the skin: from belly and
/// back z, from the side y, from the ends x is found on the skin itself.
struct Feature {
    std::string name = "socket";
    FeatureKind kind = FeatureKind::EyeSocket;
    FeatureFrom from = FeatureFrom::Side;
    double x_m = 0.012;
    double y_m = 0.0;
    double z_m = 0.0;
    double diameter_m = 0.006;  ///< of sockets and pilot holes
    double length_m = 0.01;     ///< of slots, grooves and pockets, along the bait or up at the ends
    double width_m = 0.002;     ///< of slots, grooves and pockets
    double depth_m = 0.002;
    double lean_rad = 0.0;  ///< of the axis in the side view, deep end further aft (from belly or
                            ///< back) or higher (from nose or tail)
    bool mirrored = false;
    FeatureFill fill = FeatureFill::Water;
    double fillDensity_kg_m3 = 1150.0;  ///< of glue
    bool operator==(const Feature&) const = default;
};

}  // namespace wl
