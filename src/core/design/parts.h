// What is put on and into a body: fittings, wire, lead, rattles, coats, lip and line tie.
// Frames and units as in design/design.h.
#pragma once

#include <optional>
#include <string>
#include <vector>

#include "core/base/meeting.h"
#include "core/base/units.h"
#include "core/design/joint.h"
#include "core/design/outline.h"

namespace wl {

enum class FittingKind {
    Treble,
    SplitRing,
    ScrewEye,
    TwistedEye,
    GlassEye,
    Other,
    SheetFin,
    BristleTail,
    SoftTail,
    SingleHook,
    Hanger,  ///< an eye cast into the lead of a bore
    Clip     ///< wire bent double, both legs side by side in one bore or one slot
};

constexpr bool isHook(FittingKind kind) {
    return kind == FittingKind::Treble || kind == FittingKind::SingleHook;
}
/// True for hooks and rings.
constexpr bool swings(FittingKind kind) {
    return isHook(kind) || kind == FittingKind::SplitRing;
}
/// True for an eye that can be reckoned from its wire.
constexpr bool isWireForm(FittingKind kind) {
    return kind == FittingKind::ScrewEye || kind == FittingKind::TwistedEye ||
           kind == FittingKind::Hanger || kind == FittingKind::Clip;
}

/// True for what is made to work as a surface in the stream.
constexpr bool isFin(FittingKind kind) {
    return kind == FittingKind::SheetFin || kind == FittingKind::BristleTail ||
           kind == FittingKind::SoftTail;
}

/// A bought or bent part. Hooks and rings with `hangsFrom` set act at that eye.
struct Fitting {
    FittingKind kind = FittingKind::Other;
    std::string name = "part";
    double typicalMass_kg = 0.0005;
    std::optional<double> weighedMass_kg;  ///< of one, replaces the typical mass
    double density_kg_m3 = 7850.0;
    std::string hangsFrom;  ///< name of an eye in this design, empty: own place
    double x_m = 0.0;
    double y_m = 0.0;
    double z_m = 0.0;
    bool mirrored = false;  ///< a second one at -y
    double sunk = 0.0;      ///< share of its volume let into the body, unless it is bent from wire
    double size_m = 0.01;   ///< length of a hook, outer diameter of a ring, eye or part
    double wire_m = 0.001;  ///< wire diameter of a hook, ring or eye, thickness of a fin
    double area_m2 = 0.0;   ///< seen from the side, of a fin or tail
    /// Of a fin or tail out of the level, tips up: 0 flat, 90 degrees upright. Empty: a pair lies
    /// flat, a single one stands upright.
    std::optional<double> cant_rad;
    std::optional<double> modulus_Pa;  ///< of a soft tail; none: the usual of soft plastic
    double span_m = 0.0;               ///< of a hook across its points, 0: half its length
    bool weedGuard = false;
    bool fromWire = false;      ///< mass worked out from the wire below instead of typical
    double shank_m = 0.0;       ///< length of an eye's stem let into the body, 0: not known
    double twists = 0.0;        ///< turns of a twisted stem
    double legGap_m = 0.004;    ///< between the middle lines of a clip's legs, along the bait
    double stemLean_rad = 0.0;  ///< of the stem from straight in, positive: deep end further aft
    FeatureFrom stemFrom = FeatureFrom::Belly;  ///< skin the stem goes in at
    bool operator==(const Fitting&) const = default;
};

enum class BoreFrom { Belly, Back };

/// How the lead gets into a bore: one plug cut to length, metal poured in, or whole pieces.
enum class BoreLead { Plug, Poured, Pieces };

/// Whole pieces of one size in a bore: balls, shot, slugs, cast weights.
struct LeadPiece {
    std::string name = "ball";
    int count = 1;
    double mass_kg = 0.001;  ///< of one
    double length_m = 0.0;   ///< it takes of the bore; 0: a ball, stacked by its diameter
    double diameter_m = 0.005;
    bool operator==(const LeadPiece&) const = default;
};

/// A flat-bottomed hole with a plug at its deep end and filler from the plug to the skin.
struct Bore {
    std::string name = "bore";
    BoreFrom from = BoreFrom::Belly;
    double x_m = 0.0;
    double y_m = 0.0;
    double diameter_m = 0.006;
    double depth_m = 0.01;  ///< along the axis, from the skin
    double lean_rad = 0.0;  ///< of the axis in the side view, positive: deep end further aft
    std::string plugMaterial = "lead";
    double plugDensity_kg_m3 = 11340.0;
    double plugLength_m = 0.0;
    double fillerDensity_kg_m3 = 700.0;
    BoreLead lead = BoreLead::Plug;
    std::vector<LeadPiece> pieces;  ///< deep end first; count only when lead is Pieces
    bool operator==(const Bore&) const = default;
};

/// A loop of the through-wire that comes out of the belly (or the back) as an eye.
struct WireDrop {
    std::string name = "belly eye";
    double x_m = 0.03;
    bool back = false;
    double standOff_m = 0.0025;  ///< of the eye's middle outside the skin
    bool operator==(const WireDrop&) const = default;
};

/// One wire bent from nose to tail, so that a fish pulls on metal alone. It lies in a slot sawn
/// into the belly or back, closed with filler, or in the groove of a body made of halves.
struct ThroughWire {
    bool present = false;
    double wire_m = 0.001;  ///< diameter
    double density_kg_m3 = 7930.0;
    double z_m = 0.0;              ///< height of its straight run
    double eyeInner_m = 0.003;     ///< inner diameter of every eye
    double bendRadius_m = 0.0015;  ///< inside the bends
    double wrap_m = 0.006;         ///< of each end wound on the wire behind its eye
    bool noseEye = true;
    bool tailEye = true;
    std::vector<WireDrop> drops;  ///< nose first
    double slotWidth_m = 0.0;     ///< sawn for it along the whole run, 0: none (halves)
    bool slotFromBack = false;
    double slotDensity_kg_m3 = 1150.0;  ///< of what closes the slot
    bool operator==(const ThroughWire&) const = default;
};

enum class ChamberAxis { Along, Across, Upright };

/// A closed tube or hole with loose balls.
struct RattleChamber {
    std::string name = "rattle";
    ChamberAxis axis = ChamberAxis::Along;
    double x_m = 0.04;  ///< of its middle
    double y_m = 0.0;
    double z_m = 0.0;
    double lean_rad = 0.0;      ///< of an axis along the bait, positive: aft end higher
    double length_m = 0.012;    ///< inside
    double diameter_m = 0.005;  ///< inside
    double wall_m = 0.0;        ///< of a tube, 0: a bare hole
    double wallDensity_kg_m3 = 1200.0;
    double ballDiameter_m = 0.004;
    int ballCount = 2;
    double ballDensity_kg_m3 = 7800.0;
    bool operator==(const RattleChamber&) const = default;
};

/// Side of a bait.
enum class Flank { Port, Starboard };

/// A weight cast to an outline of its own and let in from one side: a flat-bottomed pocket of that
/// outline is cut from the flank, the weight lies on its bottom, filler closes it to the skin.
struct SideWeight {
    std::string name = "side weight";
    Flank from = Flank::Port;
    std::string material = "lead";
    double x_m = 0.03;  ///< the place its outline is drawn from
    double z_m = -0.003;
    std::vector<OutlinePoint> outline;
    double bottom_m = 0.0;  ///< of the pocket, from the middle plane towards its flank; under 0:
                            ///< past the middle
    double thickness_m = 0.003;
    double density_kg_m3 = 11340.0;
    std::optional<double> weighedMass_kg;  ///< replaces what outline and thickness make
    double fillerDensity_kg_m3 = 700.0;
    bool operator==(const SideWeight&) const = default;
};

/// Putty built up on the skin, or a drip of a coat: half an ellipsoid standing on it.
struct BuildUp {
    std::string name = "putty";
    FeatureFrom from = FeatureFrom::Belly;
    double x_m = 0.02;  ///< of its middle: found on the skin as a feature's place is
    double y_m = 0.0;
    double z_m = 0.0;
    double length_m = 0.008;  ///< along the bait, or up at the ends
    double width_m = 0.006;   ///< across that
    double thickness_m = 0.001;
    double density_kg_m3 = 1700.0;
    std::optional<double> weighedMass_kg;
    bool mirrored = false;
    bool operator==(const BuildUp&) const = default;
};

enum class CoatKind { Sealer, Paint, Clear };

/// Where a coat is thicker than on average: baits hang to dry, and paint runs.
enum class ThickerOn { Nowhere, Belly, Back, Port, Starboard, Nose, Tail };

/// Where on the skin a coat lies: all over; on what looks up, sideways or down, parted where the
/// skin leans 30 degrees; on the first quarter or the last fifth of the bait.
enum class CoatPlace { AllOver, Back, Flanks, Belly, Head, Tail };

/// How it covers its place. By hand: eyes, gills, a word; drawn by nobody but the maker.
enum class CoatPattern { Plain, Band, Bars, Dots, ByHand };

/// One layer of the finish: what it is, where it lies, how it is put on.
struct Coat {
    CoatKind kind = CoatKind::Clear;
    std::string name = "clear coat";
    double thickness_m = 0.0002;  ///< of one coat, on average
    int count = 1;
    double density_kg_m3 = 1150.0;
    ThickerOn thickerOn = ThickerOn::Nowhere;
    double thickerBy = 0.3;  ///< share more where the skin faces that side, less on the other
    double solids = 1.0;     ///< of the thickness that is left when dry, by volume
    CoatPlace place = CoatPlace::AllOver;
    CoatPattern pattern = CoatPattern::Plain;
    double covers = 1.0;     ///< share of its place
    bool innerFace = false;  ///< of a layered body: on the inner faces of the outer sheets
    std::string colour;      ///< "#rrggbb"; empty: clear, or as the stock
    std::string medium;      ///< what it is put on with
    std::string stencil;     ///< mesh or stencil laid over for it
    std::string masked;      ///< what is kept free of it
    double cure_s = 3600.0;  ///< before the next one
    bool operator==(const Coat&) const = default;
};

/// Outline of a lip from its dimensions. Rounded: straight sides, then a half-elliptic tip. Cut:
/// straight sides and end, the corners cut off by the tip length. Oval: part of one ellipse.
/// Waisted: a narrow neck that swings out to the full width, then a rounded tip. Disc: a round one
/// of the full width, as wide at the skin as its length outside leaves it. Free: drawn by corners.
enum class LipFamily { Rounded, Cut, Oval, Waisted, Disc, Free };

/// A corner of a free outline on its starboard edge, mirrored to port: shares of the length outside
/// and of half the full width, so that a lip made longer or wider keeps its shape. The greatest
/// shares stand for the whole length and width, whatever they are. The first corner lies on the
/// skin; the last is carried straight across, or closes a point or a fork on the middle line.
struct LipCorner {
    double along = 0.0;
    double across = 0.0;
    bool operator==(const LipCorner&) const = default;
};

inline constexpr size_t kMostLipCorners = 40;

/// A lip of sheet. Angle from the body axis: 0 in line with the body, 90 deg straight down. Bent,
/// it goes on in a second plane from a straight line across it.
struct Lip {
    bool present = true;
    LipFamily family = LipFamily::Rounded;
    std::string material = "polycarbonate";
    double density_kg_m3 = 1200.0;
    double thickness_m = 0.0015;
    double length_m = 0.02;      ///< from the skin to the tip
    double rootWidth_m = 0.012;  ///< where it leaves the body
    double width_m = 0.018;      ///< at its widest
    double tipRound_m = 0.006;   ///< length of the rounded end, or of the corners cut off
    double angle_rad = 30.0 * kDegree;
    double slotX_m = 0.005;  ///< where the middle of the sheet leaves the skin
    double slotZ_m = -0.005;
    double slotDepth_m = 0.007;  ///< length let into the body
    double bend_rad = 0.0;       ///< of the second plane from the first, positive: steeper
    double bendAt_m = 0.010;     ///< from the skin along the sheet
    double notchWidth_m = 0.0;   ///< of a square notch in the middle of the tip, 0: none
    double notchDepth_m = 0.004;
    double holeDiameter_m = 0.0;          ///< of a hole on the middle line, 0: none
    double holeAt_m = 0.006;              ///< its middle, from the skin along the sheet
    std::vector<LipCorner> outline = {};  ///< of a free one
    double slotY_m = 0.0;                 ///< of the slot's middle to port
    double twist_rad = 0.0;  ///< about its own length, positive: starboard edge back and down
    double turn_rad = 0.0;   ///< in its own plane, positive: tip to starboard
    std::optional<double> modulus_Pa = {};  ///< of elasticity; none: the usual of its density
    bool operator==(const Lip&) const = default;
};

enum class TiePlace { Body, Lip };

/// Holes a wire tie stands in through the sheet of a lip, round the tie's place on it.
enum class TieHoles { None, One, Along, Across };

/// Where the line ties. On a lip it may be a wire through one hole or two, twisted up to a loop.
struct Tie {
    TiePlace place = TiePlace::Body;
    double x_m = 0.0;
    double z_m = 0.0;
    double upLip_m = 0.008;     ///< from the skin along the lip, for a tie on the lip
    double standOff_m = 0.002;  ///< of the loop above the lip's upper face
    std::string eye = {};       ///< on the body: name of the eye that carries it, empty: the place
    TieHoles holes = TieHoles::None;
    double holeSpacing_m = 0.004;  ///< between the middles of two
    double holeDiameter_m = 0.0012;
    double wire_m = 0.0;    ///< diameter, 0: no wire of its own
    double loop_m = 0.003;  ///< inside diameter of the loop
    double wireDensity_kg_m3 = 7900.0;
    double leg_m = 0.0;  ///< past the skin line, both strands; 0: they end at the lip
    bool onLip() const { return place == TiePlace::Lip; }
    bool isDrilled() const { return onLip() && holes != TieHoles::None; }
    bool hasTwoHoles() const { return onLip() && holes >= TieHoles::Along; }
    bool isWired() const { return isDrilled() && wire_m > 0; }
    bool goesOn() const { return isWired() && leg_m > 0; }
    bool operator==(const Tie&) const = default;
};

}  // namespace wl
