// What is done at the bench, step by step, from the design and the way it is made.
#pragma once

#include <optional>
#include <string>
#include <vector>

#include "core/reckon/evaluate.h"

namespace wl {

enum class StepKind {
    Pour,
    Trim,
    Print,
    Turn,
    SawGroove,
    GlueHalves,
    CutSheets,
    PaintInside,
    GlueSheets,
    DrillUpright,
    DrillBores,
    DrillFlanks,
    DrillEnds,
    SawSlots,
    Shape,
    SawJoints,
    CutPockets,
    WeighBody,
    Seal,
    ClearHoles,
    BendWire,
    Lead,
    FitEyes,
    JoinPieces,
    Putty,
    TankTest,
    Paint,
    SetLip,
    ClearCoat,
    Hooks,
    Weigh,
    BedMaster,  ///< from here on of a mould, once for all baits of it
    PourFirstHalf,
    TurnMould,
    PourSecondHalf,
    OpenMould
};

/// Where a bait stays while something dries or cures on it.
enum class WaitPlace { None, Clamp, Mould, Rack, Turner, Printer };
inline constexpr size_t kWaitPlaces = size_t(WaitPlace::Printer) + 1;

/// What the scale is asked at the end of a step. Body: bare, drilled and slotted. WithLead: with
/// the through-wire as well. BeforePaint: everything but paint and clear coats, lip and hooks put
/// on for it.
enum class ReadingOf { Body, Sealed, WithLead, BeforePaint, Finished };

struct StepReading {
    ReadingOf what = ReadingOf::Body;
    double expected_kg = 0.0;
    double within_kg = 0.0;  ///< half-width of what the measuring allows
};

/// One step of one bait. Times are the usual ones of a careful beginner (judged); those taken
/// replace them.
struct BuildStep {
    StepKind kind = StepKind::Shape;
    size_t coat = 0;      ///< of the design's coats, for Seal, Paint, PaintInside, ClearCoat
    int pass = 0;         ///< which coat of several, from 0
    double work_s = 0.0;  ///< hands on
    double cure_s = 0.0;  ///< before the next step
    WaitPlace place = WaitPlace::None;
    bool splits = false;  ///< may be left and gone on with another evening
    std::optional<StepReading> reading;

    /// What it is called where it is kept: "seal/0/1" is the second coat of the first record.
    std::string key() const;
};

/// In order: holes before the flats are carved away; what is uncoated in a joint sealed before
/// paint; lead before paint, for the tank to show; the lip before the clear coats, which hold its
/// edge; colours under outer sheets last seen first, before gluing. A carved bait begins at its
/// squared blank.
std::vector<BuildStep> buildSteps(const Design& design, const Derived& derived);

/// Coats in the order they go on a bench: those under outer sheets turned round (what is seen
/// nearest is painted first), then the rest as listed. Places in design.coats.
std::vector<size_t> coatOrder(const Design& design);

/// What a reading does to the design. Body: the chain's share of it, made up for what was drilled
/// out, is the stock's weighed body from then on (takeMeasured). BeforePaint and Finished: a
/// reading of the tank test, in place of an earlier one by the scale of that stage. Sealed and
/// WithLead change nothing: what they differ by is told.
Design withReading(const Design& design, const Derived& derived, const StepReading& reading,
                   double read_kg);

/// How a reading stands against what was expected, and the cheapest mend while it can be had.
struct ReadingVerdict {
    double off_kg = 0.0;  ///< read less expected
    bool within = true;
    /// Of lead to put in (positive) or drill out: in which bore, how much, how long a plug. None
    /// where nothing is off, there is no bore, or none has the room.
    std::optional<size_t> bore;
    double lead_kg = 0.0;
    double plug_m = 0.0;
};
ReadingVerdict judgeReading(const Design& design, const Derived& derived,
                            const StepReading& reading, double read_kg);

}  // namespace wl
