// The one description of the design: names, quantities, ranges and order of every field. Reading,
// writing, the published schema, range checks, field paths and the fields on screen all follow it.
//
// A visitor has: number(name, Quantity, double&, min, max), count(name, int&, min, max),
// optional(name, Quantity, optional<double>&, min, max), text(name, string&, maxBytes), flag(name,
// bool&), choice(name, Enum&, names), group(name, T&), list(name, vector<T>&, minCount, maxCount),
// mesh(name, SharedMesh&, maxTriangles), bytes(name, SharedBytes&, maxBytes).
// min and max are SI and inclusive.
#pragma once

#include <array>
#include <string_view>

#include "core/base/quantity.h"
#include "core/base/units.h"
#include "core/design/describe_body.h"
#include "core/design/describe_parts.h"
#include "core/design/design.h"

namespace wl {

inline constexpr std::array<std::string_view, 3> kWantedStates{"float", "suspend", "sink"};
inline constexpr std::array<std::string_view, 3> kLineKinds{"nylon", "fluorocarbon", "braid"};
inline constexpr std::array<std::string_view, 7> kReadingKinds{"showing", "level", "still", "drop",
                                                               "lean",    "nose",  "weighs"};
inline constexpr std::array<std::string_view, 2> kTankStages{"finished", "before_paint"};
inline constexpr std::array<std::string_view, 2> kLogKinds{"tank", "water"};

template <class V>
void describe(V& v, Brief& b) {
    using Q = Quantity;
    v.number("water_depth", Q::Distance, b.waterDepth_m, 0.1, 100.0);
    v.number("temperature", Q::Temperature, b.temperature_K, kZeroCelsius_K - 2.0,
             kZeroCelsius_K + 40.0);
    v.number("salinity", Q::Salinity, b.salinity, 0.0, 0.042);
    v.choice("wanted_state", b.wantedState, kWantedStates);
    v.number("wanted_spare", Q::Fraction, b.wantedSpare, 0.001, 0.9);
    v.number("wanted_sink_speed", Q::Speed, b.wantedSinkSpeed_m_s, 0.005, 2.0);
    v.number("wanted_pitch", Q::Angle, b.wantedPitch_rad, -90.0 * kDegree, 90.0 * kDegree);
    v.number("wanted_depth", Q::Distance, b.wantedDepth_m, 0.05, 30.0);
    v.choice("line_kind", b.lineKind, kLineKinds);
    v.number("line_diameter", Q::Thickness, b.lineDiameter_m, 5e-5, 3e-3);
    v.number("cast_length", Q::Distance, b.castLength_m, 3.0, 120.0);
    v.number("retrieve_speed", Q::Speed, b.retrieveSpeed_m_s, 0.1, 4.0);
    v.number("rod_tip_height", Q::Distance, b.rodTipHeight_m, 0.0, 10.0);
    v.number("countdown", Q::Time, b.countdown_s, 0.0, 120.0);
}

template <class V>
void describe(V& v, MeasuringErrors& e) {
    using Q = Quantity;
    v.number("coat_thickness", Q::Fraction, e.coatThickness, 0.0, 0.9);
    v.number("plug_length", Q::Length, e.plugLength_m, 0.0, 0.005);
    v.number("typical_mass", Q::Fraction, e.typicalMass, 0.0, 0.9);
    v.number("weighed_part", Q::Mass, e.weighedPart_kg, 1e-7, 1e-2);
    v.number("lip_thickness", Q::Fraction, e.lipThickness, 0.0, 0.5);
    v.number("seen_showing", Q::Length, e.seenShowing_m, 1e-5, 0.02);
    v.number("seen_angle", Q::Angle, e.seenAngle_rad, 0.01 * kDegree, 20.0 * kDegree);
    v.number("seen_time", Q::Time, e.seenTime_s, 0.01, 5.0);
    v.number("seen_taped", Q::Mass, e.seenTaped_kg, 1e-6, 0.01);
    v.number("room_temperature", Q::Temperature, e.roomTemperature_K, kZeroCelsius_K - 10.0,
             kZeroCelsius_K + 45.0);
}

template <class V>
void describe(V& v, TankReading& r) {
    using Q = Quantity;
    v.choice("kind", r.kind, kReadingKinds);
    v.choice("stage", r.stage, kTankStages);
    v.number("showing", Q::Length, r.showing_m, 0.0, 0.3);
    v.number("taped", Q::Mass, r.taped_kg, 0.0, 0.5);
    v.number("taped_x", Q::Length, r.tapedX_m, -0.1, kLongestBait_m + 0.1);
    v.number("taped_z", Q::Length, r.tapedZ_m, -0.3, 0.3);
    v.number("taped_density", Q::Density, r.tapedDensity_kg_m3, 500.0, 20000.0);
    v.number("distance", Q::Distance, r.distance_m, -20.0, 20.0);
    v.number("time", Q::Time, r.time_s, 0.1, 3600.0);
    v.number("angle", Q::Angle, r.angle_rad, -kPi, kPi);
    v.number("mass", Q::Mass, r.mass_kg, 1e-4, kHeaviestBait_kg);
    v.number("temperature", Q::Temperature, r.temperature_K, kZeroCelsius_K - 2.0,
             kZeroCelsius_K + 40.0);
    v.number("salinity", Q::Salinity, r.salinity, 0.0, 0.042);
    v.flag("use", r.use);
}

template <class V>
void describe(V& v, TankCorrection& c) {
    using Q = Quantity;
    v.flag("applied", c.applied);
    v.number("mass", Q::Mass, c.mass_kg, -0.1, 0.1);
    v.number("volume", Q::Volume, c.volume_m3, -1e-4, 1e-4);
    v.number("reference_mass", Q::Mass, c.reference_kg, 0.0, kHeaviestBait_kg);
    v.number("gravity_x", Q::Length, c.gravityX_m, -0.05, 0.05);
    v.number("gravity_y", Q::Length, c.gravityY_m, -0.05, 0.05);
    v.number("gravity_z", Q::Length, c.gravityZ_m, -0.05, 0.05);
    v.number("buoyancy_x", Q::Length, c.buoyancyX_m, -0.05, 0.05);
}

template <class V>
void describe(V& v, TankTest& t) {
    using Q = Quantity;
    v.list("readings", t.readings, 0, 40);
    v.group("correction", t.correction);
    v.number("sink_rate_one", Q::Speed, t.sinkRateOne_m_s, 0.001, 2.0);
    v.number("sink_rate_two", Q::Speed, t.sinkRateTwo_m_s, 0.001, 2.0);
    v.number("sink_rate_three", Q::Speed, t.sinkRateThree_m_s, 0.001, 2.0);
}

template <class V>
void describe(V& v, LogEntry& e) {
    using Q = Quantity;
    v.text("date", e.date, 40);
    v.choice("kind", e.kind, kLogKinds);
    v.text("remarks", e.remarks, kNotesBytes);
    v.optional("mass", Q::Mass, e.mass_kg, 1e-4, kHeaviestBait_kg);
    v.optional("pitch", Q::Angle, e.pitch_rad, -kPi / 2, kPi / 2);
    v.optional("showing", Q::Length, e.showing_m, 0.0, 0.3);
    v.optional("sink_height", Q::Distance, e.sinkHeight_m, 0.05, 20.0);
    v.optional("sink_time", Q::Time, e.sinkTime_s, 0.1, 3600.0);
    v.optional("depth", Q::Distance, e.depth_m, 0.0, 100.0);
    v.optional("predicted_mass", Q::Mass, e.predictedMass_kg, 0.0, kHeaviestBait_kg);
    v.optional("predicted_pitch", Q::Angle, e.predictedPitch_rad, -kPi, kPi);
    v.optional("predicted_showing", Q::Length, e.predictedShowing_m, 0.0, 0.6);
    v.optional("predicted_sink_speed", Q::Speed, e.predictedSink_m_s, -5.0, 5.0);
    v.optional("predicted_depth", Q::Distance, e.predictedDepth_m, 0.0, 200.0);
}

template <class V>
void describe(V& v, Design& d) {
    v.text("name", d.name, kNameBytes);
    v.text("notes", d.notes, kNotesBytes);
    v.group("brief", d.brief);
    v.group("body", d.body);
    v.group("trace", d.trace);
    v.group("make", d.make);
    v.list("pieces", d.pieces, 1, kMostPieces);
    v.list("joints", d.joints, 0, kMostPieces - 1);
    v.list("appendages", d.appendages, 0, 4);
    v.list("features", d.features, 0, 40);
    v.list("fittings", d.fittings, 0, 60);
    v.list("bores", d.bores, 0, 20);
    v.list("side_weights", d.sideWeights, 0, 8);
    v.list("build_ups", d.buildUps, 0, 20);
    v.group("through_wire", d.wire);
    v.list("chambers", d.chambers, 0, 8);
    v.list("meetings", d.meetings, 0, kMostMeetings);
    v.list("coats", d.coats, 0, 20);
    v.group("lip", d.lip);
    v.group("tie", d.tie);
    v.group("errors", d.errors);
    v.group("tank", d.tank);
    v.list("log", d.log, 0, 500);
}

}  // namespace wl
