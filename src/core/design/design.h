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

/// One cross-section of the body. The section is two superellipse halves that meet at the widest
/// line: |y/b|^n + |(z - widest)/h|^n = 1, n = fullness (2 is round, 1 straight flanks, 8 square).
struct Station {
    double position_m = 0.0;   ///< x
    double back_m = 0.0;       ///< z of the back
    double belly_m = 0.0;      ///< z of the belly
    double halfWidth_m = 0.0;  ///< y of the widest line
    double widest_m = 0.0;     ///< z of the widest line, between belly and back
    double fullnessAbove = 2.0;
    double fullnessBelow = 2.0;
    bool operator==(const Station&) const = default;
};

/// How an outline closes: Round leaves the tip at right angles to the axis (y ~ sqrt(x)), Pointed
/// leaves it at a finite slope.
enum class EndShape { Round, Pointed };

struct Body {
    EndShape nose = EndShape::Round;
    EndShape tail = EndShape::Round;
    std::vector<Station> stations;  ///< at least four, nose first, positions rising
    bool operator==(const Body&) const = default;
};

/// A block of the same stock, measured and weighed.
struct SampleBlock {
    double length_m = 0.05;
    double width_m = 0.025;
    double height_m = 0.0124;
    double mass_kg = 0.006;
    double calliperError_m = 0.0001;  ///< half-width of the reading, the same on all three sides
    double scaleError_kg = 0.00001;   ///< half-width of the reading
    bool operator==(const SampleBlock&) const = default;
};

enum class DensitySource { Sample, Shelf };

/// Which of two disagreeing truths the rest is computed from.
enum class BodyTrust {
    DrawnVolume,       ///< drawn volume; mass = density x drawn volume
    WeighedVolume,     ///< weighed mass; volume = mass / density, drawn breadth and height rescaled
    WeighedDrawnBoth,  ///< weighed mass and drawn volume; density follows
};

struct Stock {
    std::string material = "basswood";
    DensitySource source = DensitySource::Shelf;
    double shelfDensity_kg_m3 = 415.0;
    double shelfSpread = 0.15;  ///< half-width of the species' range as a share of its density
    SampleBlock sample;
    std::optional<double> weighedBody_kg;  ///< shaped body before any hole is drilled
    double weighedBodyError_kg = 0.00001;  ///< half-width of that reading
    BodyTrust trust = BodyTrust::DrawnVolume;
    double drawnVolumeError = 0.02;  ///< share by which hand shaping misses the drawn volume
    bool operator==(const Stock&) const = default;
};

/// One length of the bait between joints. A bait without joints has exactly one.
struct Piece {
    std::string name = "body";
    Body body;
    Stock stock;
    bool operator==(const Piece&) const = default;
};

enum class FittingKind { Treble, SplitRing, ScrewEye, TwistedEye, GlassEye, Other };

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
    double wire_m = 0.001;  ///< wire diameter of a hook, ring or eye
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
    std::vector<Piece> pieces{Piece{}};
    std::vector<Fitting> fittings;
    std::vector<Bore> bores;
    std::vector<Coat> coats;
    Lip lip;
    Tie tie;
    std::vector<LogEntry> log;
    bool operator==(const Design&) const = default;
};

}  // namespace wl
