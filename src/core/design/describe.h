// The one description of the design: names, quantities, ranges and order of every field. Reading,
// writing, the published schema, range checks, field paths and the fields on screen all follow it.
//
// A visitor has: number(name, Quantity, double&, min, max), optional(name, Quantity,
// optional<double>&, min, max), text(name, string&, maxBytes), flag(name, bool&),
// choice(name, Enum&, names), group(name, T&), list(name, vector<T>&, minCount, maxCount),
// mesh(name, SharedMesh&, maxTriangles), bytes(name, SharedBytes&, maxBytes).
// min and max are SI and inclusive.
#pragma once

#include <array>
#include <string_view>

#include "core/base/quantity.h"
#include "core/base/units.h"
#include "core/design/design.h"

namespace wl {

inline constexpr std::array<std::string_view, 3> kWantedStates{"float", "suspend", "sink"};
inline constexpr std::array<std::string_view, 3> kLineKinds{"nylon", "fluorocarbon", "braid"};
inline constexpr std::array<std::string_view, 2> kEndShapes{"round", "pointed"};
inline constexpr std::array<std::string_view, 4> kDensitySources{"sample", "shelf", "blank", "mix"};
inline constexpr std::array<std::string_view, 3> kBodyTrusts{"drawn_volume", "weighed_volume",
                                                             "weighed_and_drawn"};
inline constexpr std::array<std::string_view, 9> kFittingKinds{
    "treble", "split_ring", "screw_eye",    "twisted_eye", "glass_eye",
    "other",  "sheet_fin",  "bristle_tail", "soft_tail"};
inline constexpr std::array<std::string_view, 5> kMakeKinds{"carved", "turned", "layered", "cast",
                                                            "printed"};
inline constexpr std::array<std::string_view, 3> kGrains{"along", "across", "upright"};
inline constexpr std::array<std::string_view, 2> kMixBys{"volume", "mass"};
inline constexpr std::array<std::string_view, 2> kHingeKinds{"pin", "linked_eyes"};
inline constexpr std::array<std::string_view, 3> kPocketIns{"none", "front_piece", "rear_piece"};
inline constexpr std::array<std::string_view, 5> kFeatureKinds{"eye_socket", "slot", "saw_groove",
                                                               "pilot_hole", "pocket"};
inline constexpr std::array<std::string_view, 5> kFeatureFroms{"belly", "back", "side", "nose",
                                                               "tail"};
inline constexpr std::array<std::string_view, 3> kFeatureFills{"water", "air", "glue"};
inline constexpr std::array<std::string_view, 2> kBoreFrom{"belly", "back"};
inline constexpr std::array<std::string_view, 3> kCoatKinds{"sealer", "paint", "clear"};
inline constexpr std::array<std::string_view, 2> kTiePlaces{"body", "lip"};
inline constexpr std::array<std::string_view, 2> kLogKinds{"tank", "water"};

inline constexpr size_t kNameBytes = 200;
inline constexpr size_t kNotesBytes = 20000;
inline constexpr size_t kMostTriangles = 400000;
inline constexpr size_t kMostPictureBytes = 8u << 20;
inline constexpr size_t kMostPieces = 5;
inline constexpr double kLongestBait_m = 0.6;
inline constexpr double kHeaviestBait_kg = 5.0;

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
    v.number("wanted_pitch", Q::Angle, b.wantedPitch_rad, -80.0 * kDegree, 80.0 * kDegree);
    v.number("wanted_depth", Q::Distance, b.wantedDepth_m, 0.05, 30.0);
    v.choice("line_kind", b.lineKind, kLineKinds);
    v.number("line_diameter", Q::Thickness, b.lineDiameter_m, 5e-5, 3e-3);
    v.number("cast_length", Q::Distance, b.castLength_m, 3.0, 120.0);
    v.number("retrieve_speed", Q::Speed, b.retrieveSpeed_m_s, 0.1, 4.0);
    v.number("rod_tip_height", Q::Distance, b.rodTipHeight_m, 0.0, 10.0);
    v.number("countdown", Q::Time, b.countdown_s, 0.0, 120.0);
}

template <class V>
void describe(V& v, Station& s) {
    using Q = Quantity;
    v.number("position", Q::Length, s.position_m, 0.0, kLongestBait_m);
    v.number("back", Q::Length, s.back_m, -0.3, 0.3);
    v.number("belly", Q::Length, s.belly_m, -0.3, 0.3);
    v.number("half_width", Q::Length, s.halfWidth_m, 0.0, 0.2);
    v.number("widest", Q::Length, s.widest_m, -0.3, 0.3);
    v.number("fullness_above", Q::Number, s.fullnessAbove, 1.0, 20.0);
    v.number("fullness_below", Q::Number, s.fullnessBelow, 1.0, 20.0);
}

template <class V>
void describe(V& v, EndFace& f) {
    using Q = Quantity;
    v.flag("present", f.present);
    v.number("x", Q::Length, f.x_m, 0.0, kLongestBait_m);
    v.number("angle", Q::Angle, f.angle_rad, 20.0 * kDegree, 160.0 * kDegree);
    v.number("cup_depth", Q::Length, f.cupDepth_m, 0.0, 0.05);
    v.number("cup_reach", Q::Fraction, f.cupShare, 0.05, 0.98);
}

template <class V>
void describe(V& v, SizeLocks& l) {
    v.flag("length", l.length);
    v.flag("width", l.width);
    v.flag("height", l.height);
}

template <class V>
void describe(V& v, Body& b) {
    v.choice("nose", b.nose, kEndShapes);
    v.choice("tail", b.tail, kEndShapes);
    v.list("stations", b.stations, 4, 60);
    v.group("nose_face", b.noseFace);
    v.group("tail_face", b.tailFace);
    v.group("locks", b.locks);
    v.flag("use_solid", b.useSolid);
    v.mesh("solid", b.solid, kMostTriangles);
}

template <class V>
void describe(V& v, PicturePoint& p) {
    using Q = Quantity;
    v.number("across", Q::Fraction, p.across, -1.0, 2.0);
    v.number("down", Q::Fraction, p.down, -10.0, 10.0);
}

template <class V>
void describe(V& v, Trace& t) {
    v.text("picture_path", t.picturePath, 4096);
    v.bytes("picture", t.picture, kMostPictureBytes);
    v.number("known_length", Quantity::Length, t.knownLength_m, 0.001, 2.0);
    v.list("scale", t.scale, 0, 2);
    v.list("axis", t.axis, 0, 2);
    v.list("back", t.back, 0, 60);
    v.list("belly", t.belly, 0, 60);
    v.flag("shown", t.shown);
}

template <class V>
void describe(V& v, SampleBlock& s) {
    using Q = Quantity;
    v.number("length", Q::Length, s.length_m, 0.002, 2.0);
    v.number("width", Q::Length, s.width_m, 0.002, 1.0);
    v.number("height", Q::Length, s.height_m, 0.002, 1.0);
    v.number("mass", Q::Mass, s.mass_kg, 1e-5, 20.0);
    v.number("calliper_error", Q::Thickness, s.calliperError_m, 1e-6, 2e-3);
    v.number("scale_error", Q::Mass, s.scaleError_kg, 1e-7, 1e-2);
}

template <class V>
void describe(V& v, RoundBlank& b) {
    using Q = Quantity;
    v.number("length", Q::Length, b.length_m, 0.005, 2.0);
    v.number("diameter", Q::Length, b.diameter_m, 0.002, 0.3);
    v.number("mass", Q::Mass, b.mass_kg, 1e-5, 20.0);
}

template <class V>
void describe(V& v, Stock& s) {
    using Q = Quantity;
    v.text("material", s.material, kNameBytes);
    v.choice("density_from", s.source, kDensitySources);
    v.number("shelf_density", Q::Density, s.shelfDensity_kg_m3, 20.0, 3000.0);
    v.number("shelf_spread", Q::Fraction, s.shelfSpread, 0.0, 0.9);
    v.group("sample", s.sample);
    v.group("blank", s.blank);
    v.number("moisture_spread", Q::Fraction, s.moistureSpread, 0.0, 0.3);
    v.optional("weighed_body", Q::Mass, s.weighedBody_kg, 1e-4, kHeaviestBait_kg);
    v.number("weighed_body_error", Q::Mass, s.weighedBodyError_kg, 1e-7, 1e-2);
    v.choice("trust", s.trust, kBodyTrusts);
    v.number("drawn_volume_error", Q::Fraction, s.drawnVolumeError, 0.0, 0.5);
}

template <class V>
void describe(V& v, Piece& p) {
    v.text("name", p.name, kNameBytes);
    v.flag("own_stock", p.ownStock);
    v.group("stock", p.stock);
}

template <class V>
void describe(V& v, Halves& h) {
    using Q = Quantity;
    v.flag("used", h.used);
    v.number("groove_width", Q::Length, h.grooveWidth_m, 0.0, 0.02);
    v.number("groove_height", Q::Length, h.grooveHeight_m, 0.0, 0.05);
    v.number("groove_from", Q::Length, h.grooveFrom_m, 0.0, kLongestBait_m);
    v.number("groove_to", Q::Length, h.grooveTo_m, 0.0, kLongestBait_m);
    v.number("groove_z", Q::Length, h.grooveZ_m, -0.3, 0.3);
    v.number("groove_filler_density", Q::Density, h.grooveDensity_kg_m3, 0.0, 12000.0);
}

template <class V>
void describe(V& v, Layer& l) {
    using Q = Quantity;
    v.text("material", l.material, kNameBytes);
    v.number("thickness", Q::Length, l.thickness_m, 2e-4, 0.05);
    v.number("density", Q::Density, l.density_kg_m3, 20.0, 12000.0);
}

template <class V>
void describe(V& v, Cavity& c) {
    using Q = Quantity;
    v.number("layer", Q::Number, c.layer, 1.0, 40.0);
    v.number("x", Q::Length, c.x_m, 0.0, kLongestBait_m);
    v.number("z", Q::Length, c.z_m, -0.3, 0.3);
    v.number("length", Q::Length, c.length_m, 5e-4, 0.3);
    v.number("height", Q::Length, c.height_m, 5e-4, 0.2);
    v.number("filler_density", Q::Density, c.density_kg_m3, 0.0, 20000.0);
}

template <class V>
void describe(V& v, ResinMix& m) {
    using Q = Quantity;
    v.number("resin_density", Q::Density, m.resinDensity_kg_m3, 500.0, 3000.0);
    v.number("filler_density", Q::Density, m.fillerDensity_kg_m3, 30.0, 12000.0);
    v.number("filler_share", Q::Fraction, m.fillerShare, 0.0, 0.75);
    v.choice("by", m.by, kMixBys);
    v.number("trapped_air", Q::Fraction, m.trappedAir, 0.0, 0.3);
    v.number("share_error", Q::Fraction, m.shareError, 0.0, 0.3);
    v.number("trapped_air_error", Q::Fraction, m.trappedAirError, 0.0, 0.3);
    v.number("wanted_density", Q::Density, m.wantedDensity_kg_m3, 100.0, 3000.0);
}

template <class V>
void describe(V& v, Print& p) {
    using Q = Quantity;
    v.text("material", p.material, kNameBytes);
    v.number("density", Q::Density, p.density_kg_m3, 500.0, 8000.0);
    v.number("shell", Q::Length, p.shell_m, 2e-4, 0.02);
    v.number("infill", Q::Fraction, p.infill, 0.0, 1.0);
    v.flag("leaks", p.leaks);
    v.number("dry_mass", Q::Mass, p.dryMass_kg, 1e-4, kHeaviestBait_kg);
    v.number("wet_mass", Q::Mass, p.wetMass_kg, 1e-4, kHeaviestBait_kg);
    v.number("soak", Q::Time, p.soak_s, 1.0, 86400.0);
}

template <class V>
void describe(V& v, Make& m) {
    using Q = Quantity;
    v.choice("kind", m.kind, kMakeKinds);
    v.choice("grain", m.grain, kGrains);
    v.group("halves", m.halves);
    v.number("glue_film", Q::Thickness, m.glueFilm_m, 0.0, 0.002);
    v.number("glue_density", Q::Density, m.glueDensity_kg_m3, 500.0, 3000.0);
    v.list("layers", m.layers, 0, 40);
    v.list("cavities", m.cavities, 0, 40);
    v.group("mix", m.mix);
    v.group("print", m.print);
}

template <class V>
void describe(V& v, Joint& j) {
    using Q = Quantity;
    v.text("name", j.name, kNameBytes);
    v.choice("kind", j.kind, kHingeKinds);
    v.number("x", Q::Length, j.x_m, 0.0, kLongestBait_m);
    v.number("gap", Q::Length, j.gap_m, 0.0, 0.03);
    v.number("bevel_front", Q::Angle, j.bevelFront_rad, 0.0, 60.0 * kDegree);
    v.number("bevel_rear", Q::Angle, j.bevelRear_rad, 0.0, 60.0 * kDegree);
    v.number("pin_aft", Q::Length, j.pinAft_m, -0.02, 0.02);
    v.number("pin_diameter", Q::Length, j.pinDiameter_m, 2e-4, 0.01);
    v.number("pin_length", Q::Length, j.pinLength_m, 1e-3, 0.2);
    v.choice("pocket", j.pocket, kPocketIns);
    v.number("pocket_width", Q::Length, j.pocketWidth_m, 2e-4, 0.1);
    v.number("pocket_height", Q::Length, j.pocketHeight_m, 2e-4, 0.2);
    v.number("pocket_depth", Q::Length, j.pocketDepth_m, 2e-4, 0.05);
    v.number("shank_width", Q::Length, j.shankWidth_m, 1e-4, 0.02);
    v.number("hardware_stop", Q::Angle, j.hardwareStop_rad, 0.0, 170.0 * kDegree);
    v.number("play", Q::Length, j.play_m, 0.0, 0.005);
    v.number("typical_mass", Q::Mass, j.typicalMass_kg, 0.0, 0.2);
    v.optional("weighed_mass", Q::Mass, j.weighedMass_kg, 0.0, 0.2);
    v.number("hardware_density", Q::Density, j.hardwareDensity_kg_m3, 500.0, 20000.0);
}

template <class V>
void describe(V& v, Appendage& a) {
    using Q = Quantity;
    v.text("name", a.name, kNameBytes);
    v.flag("mirrored", a.mirrored);
    v.group("body", a.body);
    v.flag("own_stock", a.ownStock);
    v.group("stock", a.stock);
    v.number("hinge_x", Q::Length, a.hingeX_m, -0.05, kLongestBait_m);
    v.number("hinge_y", Q::Length, a.hingeY_m, -0.2, 0.2);
    v.number("hinge_z", Q::Length, a.hingeZ_m, -0.3, 0.3);
    v.number("splay", Q::Angle, a.splay_rad, -90.0 * kDegree, 180.0 * kDegree);
    v.number("droop", Q::Angle, a.droop_rad, -80.0 * kDegree, 80.0 * kDegree);
    v.number("swing", Q::Angle, a.swing_rad, 0.0, 120.0 * kDegree);
    v.number("hardware_mass", Q::Mass, a.hardwareMass_kg, 0.0, 0.2);
    v.number("hardware_density", Q::Density, a.hardwareDensity_kg_m3, 500.0, 20000.0);
}

template <class V>
void describe(V& v, Feature& f) {
    using Q = Quantity;
    v.text("name", f.name, kNameBytes);
    v.choice("kind", f.kind, kFeatureKinds);
    v.choice("from", f.from, kFeatureFroms);
    v.number("x", Q::Length, f.x_m, -0.02, kLongestBait_m);
    v.number("y", Q::Length, f.y_m, -0.2, 0.2);
    v.number("z", Q::Length, f.z_m, -0.3, 0.3);
    v.number("diameter", Q::Length, f.diameter_m, 2e-4, 0.05);
    v.number("length", Q::Length, f.length_m, 2e-4, kLongestBait_m);
    v.number("width", Q::Length, f.width_m, 1e-4, 0.1);
    v.number("depth", Q::Length, f.depth_m, 2e-4, 0.3);
    v.number("lean", Q::Angle, f.lean_rad, -60.0 * kDegree, 60.0 * kDegree);
    v.flag("mirrored", f.mirrored);
    v.choice("fill", f.fill, kFeatureFills);
    v.number("fill_density", Q::Density, f.fillDensity_kg_m3, 20.0, 12000.0);
}

template <class V>
void describe(V& v, Fitting& f) {
    using Q = Quantity;
    v.choice("kind", f.kind, kFittingKinds);
    v.text("name", f.name, kNameBytes);
    v.number("typical_mass", Q::Mass, f.typicalMass_kg, 1e-6, 0.5);
    v.optional("weighed_mass", Q::Mass, f.weighedMass_kg, 1e-6, 0.5);
    v.number("density", Q::Density, f.density_kg_m3, 500.0, 20000.0);
    v.text("hangs_from", f.hangsFrom, kNameBytes);
    v.number("x", Q::Length, f.x_m, -0.1, kLongestBait_m + 0.1);
    v.number("y", Q::Length, f.y_m, -0.2, 0.2);
    v.number("z", Q::Length, f.z_m, -0.3, 0.3);
    v.flag("mirrored", f.mirrored);
    v.number("sunk", Q::Fraction, f.sunk, 0.0, 1.0);
    v.number("size", Q::Length, f.size_m, 0.001, 0.2);
    v.number("wire", Q::Thickness, f.wire_m, 1e-4, 0.006);
    v.number("area", Q::Area, f.area_m2, 0.0, 0.02);
}

template <class V>
void describe(V& v, Bore& b) {
    using Q = Quantity;
    v.text("name", b.name, kNameBytes);
    v.choice("from", b.from, kBoreFrom);
    v.number("x", Q::Length, b.x_m, 0.0, kLongestBait_m);
    v.number("y", Q::Length, b.y_m, -0.2, 0.2);
    v.number("diameter", Q::Length, b.diameter_m, 5e-4, 0.05);
    v.number("depth", Q::Length, b.depth_m, 1e-3, 0.3);
    v.number("lean", Q::Angle, b.lean_rad, -60.0 * kDegree, 60.0 * kDegree);
    v.text("plug_material", b.plugMaterial, kNameBytes);
    v.number("plug_density", Q::Density, b.plugDensity_kg_m3, 500.0, 20000.0);
    v.number("plug_length", Q::Length, b.plugLength_m, 0.0, 0.3);
    v.number("filler_density", Q::Density, b.fillerDensity_kg_m3, 20.0, 5000.0);
}

template <class V>
void describe(V& v, Coat& c) {
    using Q = Quantity;
    v.choice("kind", c.kind, kCoatKinds);
    v.text("name", c.name, kNameBytes);
    v.number("thickness", Q::Thickness, c.thickness_m, 1e-6, 3e-3);
    v.number("count", Q::Number, c.count, 1.0, 30.0);
    v.number("density", Q::Density, c.density_kg_m3, 300.0, 5000.0);
}

template <class V>
void describe(V& v, Lip& l) {
    using Q = Quantity;
    v.flag("present", l.present);
    v.text("material", l.material, kNameBytes);
    v.number("density", Q::Density, l.density_kg_m3, 500.0, 12000.0);
    v.number("thickness", Q::Thickness, l.thickness_m, 2e-4, 8e-3);
    v.number("length", Q::Length, l.length_m, 1e-3, 0.3);
    v.number("root_width", Q::Length, l.rootWidth_m, 1e-3, 0.2);
    v.number("width", Q::Length, l.width_m, 1e-3, 0.2);
    v.number("tip_round", Q::Length, l.tipRound_m, 0.0, 0.2);
    v.number("angle", Q::Angle, l.angle_rad, 0.0, 100.0 * kDegree);
    v.number("slot_x", Q::Length, l.slotX_m, -0.02, kLongestBait_m);
    v.number("slot_z", Q::Length, l.slotZ_m, -0.3, 0.3);
    v.number("slot_depth", Q::Length, l.slotDepth_m, 0.0, 0.1);
}

template <class V>
void describe(V& v, Tie& t) {
    using Q = Quantity;
    v.choice("place", t.place, kTiePlaces);
    v.number("x", Q::Length, t.x_m, -0.1, kLongestBait_m);
    v.number("z", Q::Length, t.z_m, -0.3, 0.3);
    v.number("up_lip", Q::Length, t.upLip_m, 0.0, 0.3);
    v.number("stand_off", Q::Length, t.standOff_m, 0.0, 0.03);
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
    v.list("coats", d.coats, 0, 20);
    v.group("lip", d.lip);
    v.group("tie", d.tie);
    v.list("log", d.log, 0, 500);
}

}  // namespace wl
