// The design value: everything a maker decides or measures about one bait, and nothing derived.
//
// SI units. Body frame: x aft from the nose tip, y to port, z up, origin at the nose on the
// reference line. Pitch is positive nose up, roll positive port side up. Ranges of every field are
// in design/describe.h, which also drives the file format, the fields on screen and validation.
#pragma once

#include <optional>
#include <string>
#include <vector>

#include "core/base/units.h"
#include "core/design/body.h"
#include "core/design/joint.h"
#include "core/design/stock.h"

namespace wl {

enum class WantedState { Float, Suspend, Sink };
enum class LineKind { Nylon, Fluorocarbon, Braid };

/// What the bait is wanted to do, in which water and on which tackle.
struct Brief {
    double waterDepth_m = 3.0;
    double temperature_K = kZeroCelsius_K + 15.0;
    double salinity = 0.0;  ///< kg salt per kg water
    WantedState wantedState = WantedState::Float;
    double wantedSpare = 0.15;         ///< (displaced mass - mass) / displaced mass, for Float
    double wantedSinkSpeed_m_s = 0.1;  ///< for Sink
    double wantedPitch_rad = 0.0;      ///< attitude at rest, positive nose up
    double wantedDepth_m = 1.5;        ///< deepest point of the retrieve
    LineKind lineKind = LineKind::Nylon;
    double lineDiameter_m = 0.00028;
    double castLength_m = 25.0;
    double retrieveSpeed_m_s = 0.9;
    double rodTipHeight_m = 0.5;
    double countdown_s = 0.0;  ///< seconds a sinking bait is let down before the retrieve
    bool operator==(const Brief&) const = default;
};

enum class FittingKind {
    Treble,
    SplitRing,
    ScrewEye,
    TwistedEye,
    GlassEye,
    Other,
    SheetFin,
    BristleTail,
    SoftTail
};

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
    double sunk = 0.0;      ///< share of its volume let into the body
    double size_m = 0.01;   ///< length of a hook, outer diameter of a ring, eye or part
    double wire_m = 0.001;  ///< wire diameter of a hook, ring or eye, thickness of a fin
    double area_m2 = 0.0;   ///< seen from the side, of a fin or tail
    bool operator==(const Fitting&) const = default;
};

enum class BoreFrom { Belly, Back };

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
    bool operator==(const Bore&) const = default;
};

enum class CoatKind { Sealer, Paint, Clear };

struct Coat {
    CoatKind kind = CoatKind::Clear;
    std::string name = "clear coat";
    double thickness_m = 0.0002;  ///< of one coat
    double count = 1.0;
    double density_kg_m3 = 1150.0;
    bool operator==(const Coat&) const = default;
};

/// A flat lip. Angle from the body axis: 0 in line with the body, 90 deg straight down.
struct Lip {
    bool present = true;
    std::string material = "polycarbonate";
    double density_kg_m3 = 1200.0;
    double thickness_m = 0.0015;
    double length_m = 0.02;      ///< from the skin to the tip
    double rootWidth_m = 0.012;  ///< where it leaves the body
    double width_m = 0.018;      ///< at its widest
    double tipRound_m = 0.006;   ///< length of the rounded end
    double angle_rad = 30.0 * kDegree;
    double slotX_m = 0.005;  ///< where the middle of the sheet leaves the skin
    double slotZ_m = -0.005;
    double slotDepth_m = 0.007;  ///< length let into the body
    bool operator==(const Lip&) const = default;
};

enum class TiePlace { Body, Lip };

struct Tie {
    TiePlace place = TiePlace::Body;
    double x_m = 0.0;
    double z_m = 0.0;
    double upLip_m = 0.008;     ///< from the skin along the lip, for a tie on the lip
    double standOff_m = 0.002;  ///< of the loop above the lip's upper face
    bool operator==(const Tie&) const = default;
};

enum class LogKind { Tank, Water };

/// One test: what was seen, and what the program had said when it was written down.
struct LogEntry {
    std::string date;
    LogKind kind = LogKind::Tank;
    std::string remarks;
    std::optional<double> mass_kg;
    std::optional<double> pitch_rad;
    std::optional<double> showing_m;  ///< height of the highest point of the body above the water
    std::optional<double> sinkHeight_m;
    std::optional<double> sinkTime_s;
    std::optional<double> depth_m;
    std::optional<double> predictedMass_kg;
    std::optional<double> predictedPitch_rad;
    std::optional<double> predictedShowing_m;
    std::optional<double> predictedSink_m_s;
    std::optional<double> predictedDepth_m;
    bool operator==(const LogEntry&) const = default;
};

struct Design {
    std::string name = "untitled bait";
    std::string notes;
    Brief brief;
    Body body;
    Trace trace;
    Make make;
    std::vector<Piece> pieces{Piece{}};  ///< one more than joints
    std::vector<Joint> joints;           ///< nose first
    std::vector<Appendage> appendages;
    std::vector<Feature> features;
    std::vector<Fitting> fittings;
    std::vector<Bore> bores;
    std::vector<Coat> coats;
    Lip lip;
    Tie tie;
    std::vector<LogEntry> log;
    bool operator==(const Design&) const = default;
};

}  // namespace wl
