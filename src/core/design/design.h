// The design value: everything a maker decides or measures about one bait, and nothing derived.
//
// SI units. Body frame: x aft from the nose tip, y to port, z up, origin at the nose on the
// reference line. Pitch is positive nose up, roll positive port side up. Ranges of every field are
// in design/describe.h, which also drives the file format, the fields on screen and validation.
#pragma once

#include <optional>
#include <string>
#include <vector>

#include "core/base/meeting.h"
#include "core/base/units.h"
#include "core/design/aim_notes.h"
#include "core/design/body.h"
#include "core/design/building.h"
#include "core/design/joint.h"
#include "core/design/parts.h"
#include "core/design/stock.h"
#include "core/design/swim_notes.h"
#include "core/design/tank_test.h"

namespace wl {

enum class WantedState { Float, Suspend, Sink };
enum class LineKind { Nylon, Fluorocarbon, Braid };

/// What the bait is wanted to do, in which water and on which tackle.
/// How the line leaves the reel in a cast: over the rim of a spool that stands, or off one that
/// turns and is braked.
enum class ReelKind { Fixed, Turning };

/// One part of a way of reeling in: at a speed (0: a pause) for a time.
struct CadenceStep {
    double speed_m_s = 0.9;
    double time_s = 2.0;
    bool operator==(const CadenceStep&) const = default;
};

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
    double countdown_s = 0.0;     ///< seconds a sinking bait is let down before the retrieve
    double current_m_s = 0.0;     ///< of the water along the cast, towards the rod positive
    double leaderLength_m = 0.0;  ///< of the other line between line and bait, 0: none
    LineKind leaderKind = LineKind::Fluorocarbon;
    double leaderDiameter_m = 0.00035;
    std::vector<CadenceStep> cadence;     ///< over and over from the splash on; empty: at one speed
    std::optional<double> trolledLine_m;  ///< line out when trolled; empty: as far as it is cast
    ReelKind reel = ReelKind::Fixed;
    std::optional<double> throwSpeed_m_s;  ///< the maker gives a bait of 20 g; empty: not known
    double wind_m_s = 0.0;                 ///< along the cast, from behind positive
    bool operator==(const Brief&) const = default;
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

/// The whole bait, SI. What copies and drops one is compiled once: it is in every file that holds a
/// design, and half of what some of them compile to.
struct Design {
    Design();
    Design(const Design&);
    Design(Design&&) noexcept;
    Design& operator=(const Design&);
    Design& operator=(Design&&) noexcept;
    ~Design();

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
    std::vector<SideWeight> sideWeights;
    std::vector<BuildUp> buildUps;
    ThroughWire wire;
    std::vector<RattleChamber> chambers;
    std::vector<Meeting> meetings;  ///< things let in that are meant to meet
    std::vector<Coat> coats;
    Lip lip;
    Tie tie;
    MeasuringErrors errors;
    TankTest tank;
    SwimNotes swim;
    AimNotes aim;
    Building building;
    std::vector<LogEntry> log;
    bool operator==(const Design&) const;
};

}  // namespace wl
