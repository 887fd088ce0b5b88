// The one description of the design: names, quantities, ranges, order, words and ways of every
// field. Reading, writing, the published schema, range checks, field paths, forms and tables, undo
// words, the comparing of two designs and the sizes of a series all follow it.
//
// A visitor has: number(name, Quantity, double&, min, max, about), count(name, int&, min, max,
// about), optional(name, Quantity, optional<double>&, min, max, about), text(name, string&,
// maxBytes, about), flag(name, bool&, about), choice(name, Enum&, answers, about), group(name, T&,
// about), list(name, vector<T>&, minCount, maxCount, about), mesh(name, SharedMesh&, maxTriangles,
// about), bytes(name, SharedBytes&, maxBytes, about).
// min and max are SI and inclusive; about is an About (about.h), of a list that of one in it. A
// visitor's functions are called from hundreds of places, once a field: they are kept out of line,
// for inlined they took most of the time a visitor compiles.
#pragma once

#include <array>

#include "core/base/quantity.h"
#include "core/base/units.h"
#include "core/design/about.h"
#include "core/design/describe_aim.h"
#include "core/design/describe_body.h"
#include "core/design/describe_lip.h"
#include "core/design/describe_parts.h"
#include "core/design/design.h"

namespace wl {

inline constexpr std::array<Choice, 3> kWantedStates{
    {{"float", said("floats")}, {"suspend", said("suspends")}, {"sink", said("sinks")}}};
inline constexpr std::array<Choice, 3> kLineKinds{
    {{"nylon", said("nylon")}, {"fluorocarbon", said("fluorocarbon")}, {"braid", said("braid")}}};
inline constexpr std::array<Choice, 2> kReelKinds{
    {{"fixed", said("spool stands")}, {"turning", said("spool turns")}}};
inline constexpr std::array<Choice, 7> kReadingKinds{
    {{"showing", said("back out of the water")},
     {"level", said("level with lead taped on")},
     {"still", said("hangs still with lead taped on")},
     {"drop", said("timed way")},
     {"lean", said("leans (port up +)")},
     {"nose", said("nose up +")},
     {"weighs", said("weighs")}}};
inline constexpr std::array<Choice, 2> kTankStages{
    {{"finished", said("finished")}, {"before_paint", said("before paint")}}};
inline constexpr std::array<Choice, 2> kLipGlues{
    {{"slow_epoxy", said("slow epoxy")}, {"instant", said("instant glue")}}};
inline constexpr std::array<Choice, 2> kLogKinds{
    {{"tank", said("tank")}, {"water", said("water")}}};

template <class V>
void describe(V& v, CadenceStep& s) {
    v.number("speed", Quantity::Speed, s.speed_m_s, 0.0, 4.0,
             told("Reeled at").explained("0: a pause"));
    v.number("time", Quantity::Time, s.time_s, 0.1, 60.0, told("For"));
}

template <class V>
void describe(V& v, Brief& b) {
    using Q = Quantity;
    v.number("water_depth", Q::Distance, b.waterDepth_m, 0.1, 100.0, told("Depth of the water"));
    v.number("temperature", Q::Temperature, b.temperature_K, kZeroCelsius_K - 2.0,
             kZeroCelsius_K + 40.0, told("Temperature"));
    v.number("salinity", Q::Salinity, b.salinity, 0.0, 0.042, told("Salt (0 fresh, 35 sea)"));
    v.choice("wanted_state", b.wantedState, kWantedStates, told("At rest"));
    v.number(
        "wanted_spare", Q::Fraction, b.wantedSpare, 0.001, 0.9,
        told("Spare")
            .when(b.wantedState == WantedState::Float)
            .explained("(displaced mass − mass) / displaced mass: a bait at 85 % has 15 % spare"));
    v.number("wanted_sink_speed", Q::Speed, b.wantedSinkSpeed_m_s, 0.005, 2.0,
             told("Sink speed").when(b.wantedState == WantedState::Sink));
    v.number("wanted_pitch", Q::Angle, b.wantedPitch_rad, -90.0 * kDegree, 90.0 * kDegree,
             told("Attitude, nose up +"));
    v.number("wanted_depth", Q::Distance, b.wantedDepth_m, 0.05, 30.0, told("Running depth"));
    v.choice("line_kind", b.lineKind, kLineKinds, told("Line"));
    v.number("line_diameter", Q::Thickness, b.lineDiameter_m, 5e-5, 3e-3, told("Line diameter"));
    v.number("cast_length", Q::Distance, b.castLength_m, 3.0, 120.0, told("Cast"));
    v.number("retrieve_speed", Q::Speed, b.retrieveSpeed_m_s, 0.1, 4.0, told("Reeled in at"));
    v.number("rod_tip_height", Q::Distance, b.rodTipHeight_m, 0.0, 10.0,
             told("Rod tip over water"));
    v.number("countdown", Q::Time, b.countdown_s, 0.0, 120.0, told("Counted down"));
    v.number("current", Q::Speed, b.current_m_s, -3.0, 3.0,
             told("Current").explained("Along the cast: towards the rod +, away from it -"));
    v.number("leader_length", Q::Distance, b.leaderLength_m, 0.0, 10.0,
             told("Leader").explained("Other line between the line and the bait, 0: none"));
    const bool leader = b.leaderLength_m > 0;
    v.choice("leader_kind", b.leaderKind, kLineKinds, told("Leader of").when(leader));
    v.number("leader_diameter", Q::Thickness, b.leaderDiameter_m, 5e-5, 3e-3,
             told("Leader diameter").when(leader));
    v.list("cadence", b.cadence, 0, 12, told("Part"));
    v.optional("trolled_line", Q::Distance, b.trolledLine_m, 3.0, 200.0,
               told("Line out, trolled").explained("Empty: as far as it is cast"));
    v.choice("reel", b.reel, kReelKinds, told("Reel"));
    v.optional(
        "throw_speed", Q::Speed, b.throwSpeed_m_s, 8.0, 70.0,
        told("Your throw")
            .explained("Speed at which a bait of 20 g leaves your rod: from a measured cast"));
    v.number("wind", Q::Speed, b.wind_m_s, -15.0, 15.0,
             told("Wind").explained("Along the cast: from behind +, against it -"));
}

template <class V>
void describe(V& v, MeasuringErrors& e) {
    using Q = Quantity;
    v.number("coat_thickness", Q::Fraction, e.coatThickness, 0.0, 0.9, told("Coat thickness ±"));
    v.number("plug_length", Q::Length, e.plugLength_m, 0.0, 0.005, told("Plug length ±"));
    v.number("typical_mass", Q::Fraction, e.typicalMass, 0.0, 0.9, told("Parts not weighed ±"));
    v.number("weighed_part", Q::Mass, e.weighedPart_kg, 1e-7, 1e-2, told("Parts weighed ±"));
    v.number("lip_thickness", Q::Fraction, e.lipThickness, 0.0, 0.5, told("Lip sheet ±"));
    v.number("seen_showing", Q::Length, e.seenShowing_m, 1e-5, 0.02,
             told("Back showing seen to ±"));
    v.number("seen_angle", Q::Angle, e.seenAngle_rad, 0.01 * kDegree, 20.0 * kDegree,
             told("Angles seen to ±"));
    v.number("seen_time", Q::Time, e.seenTime_s, 0.01, 5.0, told("Times taken to ±"));
    v.number("seen_taped", Q::Mass, e.seenTaped_kg, 1e-6, 0.01, told("Taped lead to ±"));
    v.number("room_temperature", Q::Temperature, e.roomTemperature_K, kZeroCelsius_K - 10.0,
             kZeroCelsius_K + 45.0, told("Room"));
}

template <class V>
void describe(V& v, TankReading& r) {
    using Q = Quantity;
    v.choice("kind", r.kind, kReadingKinds, told("Seen"));
    v.choice("stage", r.stage, kTankStages, told("Bait"));
    v.number("showing", Q::Length, r.showing_m, 0.0, 0.3,
             told("Out").when(r.kind == ReadingKind::Showing));
    v.number("taped", Q::Mass, r.taped_kg, 0.0, 0.5, told("Taped").when(isTaped(r.kind)));
    v.number("taped_x", Q::Length, r.tapedX_m, -0.1, kLongestBait_m + 0.1,
             told("Taped aft").when(isTaped(r.kind)));
    v.number("taped_z", Q::Length, r.tapedZ_m, -0.3, 0.3, told("Taped up").when(isTaped(r.kind)));
    v.number("taped_density", Q::Density, r.tapedDensity_kg_m3, 500.0, 20000.0,
             told("Taped density").when(isTaped(r.kind)));
    v.number("distance", Q::Distance, r.distance_m, -20.0, 20.0,
             told("Way down").when(r.kind == ReadingKind::Drop));
    v.number("time", Q::Time, r.time_s, 0.1, 3600.0,
             told("Time").when(r.kind == ReadingKind::Drop));
    v.number("angle", Q::Angle, r.angle_rad, -kPi, kPi,
             told("Angle").when(r.kind == ReadingKind::Lean || r.kind == ReadingKind::Nose));
    v.number("mass", Q::Mass, r.mass_kg, 1e-4, kHeaviestBait_kg,
             told("Mass").when(r.kind == ReadingKind::Weighs));
    v.number("temperature", Q::Temperature, r.temperature_K, kZeroCelsius_K - 2.0,
             kZeroCelsius_K + 40.0, told("Water"));
    v.number("salinity", Q::Salinity, r.salinity, 0.0, 0.042, told("Salt"));
    v.flag("use", r.use, told("Use"));
}

template <class V>
void describe(V& v, TankCorrection& c) {
    using Q = Quantity;
    v.flag("applied", c.applied, told("Taken over"));
    v.number("mass", Q::Mass, c.mass_kg, -0.1, 0.1, told("Mass"));
    v.number("volume", Q::Volume, c.volume_m3, -1e-4, 1e-4, told("Volume"));
    v.number("reference_mass", Q::Mass, c.reference_kg, 0.0, kHeaviestBait_kg, told("Found at"));
    v.number("gravity_x", Q::Length, c.gravityX_m, -0.05, 0.05, told("Weight aft"));
    v.number("gravity_y", Q::Length, c.gravityY_m, -0.05, 0.05, told("Weight to port"));
    v.number("gravity_z", Q::Length, c.gravityZ_m, -0.05, 0.05, told("Weight up"));
    v.number("buoyancy_x", Q::Length, c.buoyancyX_m, -0.05, 0.05, told("Lift aft"));
}

template <class V>
void describe(V& v, TankTest& t) {
    using Q = Quantity;
    v.list("readings", t.readings, 0, 40, told("Reading").leftOut());
    v.group("correction", t.correction, told("Tank").leftOut());
    v.number("sink_rate_one", Q::Speed, t.sinkRateOne_m_s, 0.001, 2.0, told("First hooks sink at"));
    v.number("sink_rate_two", Q::Speed, t.sinkRateTwo_m_s, 0.001, 2.0,
             told("Second hooks sink at"));
    v.number("sink_rate_three", Q::Speed, t.sinkRateThree_m_s, 0.001, 2.0,
             told("Third hooks sink at"));
}

template <class V>
void describe(V& v, SwimNotes& s) {
    using Q = Quantity;
    v.number("slow_below", Q::Number, s.slowBelow_1_s, 0.5, 30.0,
             told("Slow below").explained("Full beats a second"));
    v.number("quick_from", Q::Number, s.quickFrom_1_s, 0.5, 40.0,
             told("Quick from").explained("Full beats a second"));
    v.number("tight_from", Q::Angle, s.tightFrom_rad, 0.5 * kDegree, 30.0 * kDegree,
             told("Tight from").explained("Half-swing of yaw and roll together; under it, dead"));
    v.number("medium_from", Q::Angle, s.mediumFrom_rad, 1.0 * kDegree, 45.0 * kDegree,
             told("Medium from").explained("Half-swing of yaw and roll together"));
    v.number("wide_from", Q::Angle, s.wideFrom_rad, 2.0 * kDegree, 60.0 * kDegree,
             told("Wide from").explained("Half-swing of yaw and roll together"));
    v.optional("film_frames", Q::Number, s.filmFrames, 1.0, 1e5,
               told("Frames counted")
                   .leftOut()
                   .explained("From the first beat to the last; empty: no film"));
    v.number("film_rate", Q::Number, s.filmRate_1_s, 10.0, 2000.0,
             told("Frames a second").when(s.filmFrames.has_value()));
    v.count("film_beats", s.filmBeats, 1, 500,
            told("Full beats in them").when(s.filmFrames.has_value()));
    v.number("film_speed", Q::Speed, s.filmSpeed_m_s, 0.1, 4.0,
             told("Pulled at").when(s.filmFrames.has_value()));
    v.optional("seen_yaw", Q::Angle, s.seenYaw_rad, 0.2 * kDegree, 60.0 * kDegree,
               told("Nose swings by")
                   .leftOut()
                   .when(s.filmFrames.has_value())
                   .explained("To one side from straight, at that speed; empty: not seen"));
    v.optional("bowl_rolls", Q::Number, s.bowlRolls, 1.0, 1000.0,
               told("Rolls counted")
                   .leftOut()
                   .explained("Tipped to a side wholly under water and let go, there and back "
                              "again; empty: not timed"));
    v.number("bowl_time", Q::Time, s.bowlTime_s, 0.2, 120.0,
             told("In").when(s.bowlRolls.has_value()));
}

template <class V>
void describe(V& v, Building& b) {
    using Q = Quantity;
    v.count("baits", b.baits, 1, 60, told("Baits built together").leftOut());
    v.choice("lip_glue", b.lipGlue, kLipGlues,
             told("Lip set in").explained("Slow epoxy leaves the time to sight it straight"));
    v.number("slow_cure", Q::Hours, b.slowCure_s, 600.0, 7 * 86400.0,
             told("Slow epoxy cures in").explained("From its own sheet, as all of these"));
    v.number("quick_cure", Q::Hours, b.quickCure_s, 30.0, 86400.0, told("Quick glue cures in"));
    v.number("seal_cure", Q::Hours, b.sealCure_s, 60.0, 7 * 86400.0, told("Sealer dries in"));
    v.number("seal_tightens", Q::Length, b.sealTightens_m, 0.0, 0.002,
             told("Sealing tightens holes by"));
    v.number("clamp_time", Q::Hours, b.clampTime_s, 60.0, 7 * 86400.0,
             told("Glued halves stay clamped for"));
    v.number("resin_cure", Q::Hours, b.resinCure_s, 60.0, 7 * 86400.0,
             told("Resin stays in the mould for"));
    v.number("print_time", Q::Hours, b.printTime_s, 60.0, 7 * 86400.0,
             told("The printer works on one for"));
}

template <class V>
void describe(V& v, LogEntry& e) {
    using Q = Quantity;
    v.text("date", e.date, 40, told("Date"));
    v.choice("kind", e.kind, kLogKinds, told("Where"));
    v.text("remarks", e.remarks, kNotesBytes, told("Remarks"));
    v.optional("mass", Q::Mass, e.mass_kg, 1e-4, kHeaviestBait_kg, told("Mass"));
    v.optional("pitch", Q::Angle, e.pitch_rad, -kPi / 2, kPi / 2, told("Nose angle"));
    v.optional("showing", Q::Length, e.showing_m, 0.0, 0.3, told("Back showing"));
    v.optional("sink_height", Q::Distance, e.sinkHeight_m, 0.05, 20.0, told("Sank over"));
    v.optional("sink_time", Q::Time, e.sinkTime_s, 0.1, 3600.0, told("Took"));
    v.optional("depth", Q::Distance, e.depth_m, 0.0, 100.0, told("Ran at"));
    v.optional("predicted_mass", Q::Mass, e.predictedMass_kg, 0.0, kHeaviestBait_kg,
               told("Mass foretold"));
    v.optional("predicted_pitch", Q::Angle, e.predictedPitch_rad, -kPi, kPi,
               told("Nose angle foretold"));
    v.optional("predicted_showing", Q::Length, e.predictedShowing_m, 0.0, 0.6,
               told("Back showing foretold"));
    v.optional("predicted_sink_speed", Q::Speed, e.predictedSink_m_s, -5.0, 5.0,
               told("Sink speed foretold"));
    v.optional("predicted_depth", Q::Distance, e.predictedDepth_m, 0.0, 200.0,
               told("Depth foretold"));
}

template <class V>
void describe(V& v, Design& d) {
    v.text("name", d.name, kNameBytes, told("Name"));
    v.text("notes", d.notes, kNotesBytes, told("Notes"));
    v.group("brief", d.brief, told("Brief"));
    v.group("body", d.body, told("Body"));
    v.group("trace", d.trace, told("Traced picture").leftOut());
    v.group("make", d.make, told("Making"));
    v.list("pieces", d.pieces, 1, kMostPieces, told("Piece"));
    v.list("joints", d.joints, 0, kMostPieces - 1, told("Joint"));
    v.list("appendages", d.appendages, 0, 4, told("Side piece"));
    v.list("features", d.features, 0, 40, told("Hole"));
    v.list("fittings", d.fittings, 0, 60, told("Fitting"));
    v.list("bores", d.bores, 0, 20, told("Bore"));
    v.list("side_weights", d.sideWeights, 0, 8, told("Side weight"));
    v.list("build_ups", d.buildUps, 0, 20, told("Built up"));
    v.group("through_wire", d.wire, told("Through-wire"));
    v.list("chambers", d.chambers, 0, 8, told("Rattle"));
    v.list("meetings", d.meetings, 0, kMostMeetings, told("Meant to meet"));
    v.list("coats", d.coats, 0, 20, told("Coat"));
    v.group("lip", d.lip, told("Lip"));
    v.group("tie", d.tie, told("Tie"));
    v.group("errors", d.errors, told("Measuring"));
    v.group("tank", d.tank, told("Tank"));
    v.group("swim", d.swim, told("Swim"));
    v.group("aim", d.aim, told("Aim"));
    v.group("building", d.building, told("Building"));
    v.list("log", d.log, 0, 500, told("Test").leftOut());
}

}  // namespace wl
