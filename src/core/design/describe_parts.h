// Fields of joints, holes, fittings, lead, wire, coats, lip and tie. See describe.h.
#pragma once

#include <array>
#include <string_view>

#include "core/base/quantity.h"
#include "core/base/units.h"
#include "core/design/joint.h"
#include "core/design/limits.h"
#include "core/design/parts.h"

namespace wl {

inline constexpr std::array<std::string_view, 12> kFittingKinds{
    "treble",    "split_ring",   "screw_eye", "twisted_eye", "glass_eye", "other",
    "sheet_fin", "bristle_tail", "soft_tail", "single_hook", "hanger",    "clip"};
inline constexpr std::array<std::string_view, 2> kHingeKinds{"pin", "linked_eyes"};
inline constexpr std::array<std::string_view, 3> kPocketIns{"none", "front_piece", "rear_piece"};
inline constexpr std::array<std::string_view, 5> kFeatureKinds{"eye_socket", "slot", "saw_groove",
                                                               "pilot_hole", "pocket"};
inline constexpr std::array<std::string_view, 5> kFeatureFroms{"belly", "back", "side", "nose",
                                                               "tail"};
inline constexpr std::array<std::string_view, 3> kFeatureFills{"water", "air", "glue"};
inline constexpr std::array<std::string_view, 2> kBoreFrom{"belly", "back"};
inline constexpr std::array<std::string_view, 3> kBoreLeads{"plug", "poured", "pieces"};
inline constexpr std::array<std::string_view, 3> kChamberAxes{"along", "across", "upright"};
inline constexpr std::array<std::string_view, 5> kLipFamilies{"rounded", "cut", "oval", "waisted",
                                                              "disc"};
inline constexpr std::array<std::string_view, 3> kCoatKinds{"sealer", "paint", "clear"};
inline constexpr std::array<std::string_view, 7> kThickerOn{"nowhere",   "belly", "back", "port",
                                                            "starboard", "nose",  "tail"};
inline constexpr std::array<std::string_view, 2> kFlanks{"port", "starboard"};
inline constexpr std::array<std::string_view, 2> kTiePlaces{"body", "lip"};
inline constexpr size_t kMostMeetings = 40;

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
    v.flag("joined", a.joined);
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
    v.number("span", Q::Length, f.span_m, 0.0, 0.1);
    v.flag("weed_guard", f.weedGuard);
    v.flag("from_wire", f.fromWire);
    v.number("stem", Q::Length, f.shank_m, 0.0, 0.2);
    v.number("twists", Q::Number, f.twists, 0.0, 60.0);
    v.number("leg_gap", Q::Length, f.legGap_m, 5e-4, 0.05);
    v.number("stem_lean", Q::Angle, f.stemLean_rad, -80.0 * kDegree, 80.0 * kDegree);
    v.choice("stem_from", f.stemFrom, kFeatureFroms);
}

template <class V>
void describe(V& v, LeadPiece& p) {
    using Q = Quantity;
    v.text("name", p.name, kNameBytes);
    v.count("count", p.count, 1, 200);
    v.number("mass", Q::Mass, p.mass_kg, 1e-6, 0.5);
    v.number("length", Q::Length, p.length_m, 0.0, 0.3);
    v.number("diameter", Q::Length, p.diameter_m, 5e-4, 0.05);
}

template <class V>
void describe(V& v, WireDrop& d) {
    using Q = Quantity;
    v.text("name", d.name, kNameBytes);
    v.number("x", Q::Length, d.x_m, 0.0, kLongestBait_m);
    v.flag("back", d.back);
    v.number("stand_off", Q::Length, d.standOff_m, -0.02, 0.03);
}

template <class V>
void describe(V& v, ThroughWire& w) {
    using Q = Quantity;
    v.flag("present", w.present);
    v.number("wire", Q::Thickness, w.wire_m, 2e-4, 0.004);
    v.number("density", Q::Density, w.density_kg_m3, 500.0, 20000.0);
    v.number("z", Q::Length, w.z_m, -0.3, 0.3);
    v.number("eye_inner", Q::Length, w.eyeInner_m, 5e-4, 0.02);
    v.number("bend_radius", Q::Length, w.bendRadius_m, 0.0, 0.02);
    v.number("wrap", Q::Length, w.wrap_m, 0.0, 0.1);
    v.flag("nose_eye", w.noseEye);
    v.flag("tail_eye", w.tailEye);
    v.list("drops", w.drops, 0, 8);
    v.number("slot_width", Q::Length, w.slotWidth_m, 0.0, 0.01);
    v.flag("slot_from_back", w.slotFromBack);
    v.number("slot_filler_density", Q::Density, w.slotDensity_kg_m3, 20.0, 12000.0);
}

template <class V>
void describe(V& v, RattleChamber& c) {
    using Q = Quantity;
    v.text("name", c.name, kNameBytes);
    v.choice("axis", c.axis, kChamberAxes);
    v.number("x", Q::Length, c.x_m, 0.0, kLongestBait_m);
    v.number("y", Q::Length, c.y_m, -0.2, 0.2);
    v.number("z", Q::Length, c.z_m, -0.3, 0.3);
    v.number("lean", Q::Angle, c.lean_rad, -60.0 * kDegree, 60.0 * kDegree);
    v.number("length", Q::Length, c.length_m, 1e-3, 0.2);
    v.number("diameter", Q::Length, c.diameter_m, 5e-4, 0.05);
    v.number("wall", Q::Thickness, c.wall_m, 0.0, 0.005);
    v.number("wall_density", Q::Density, c.wallDensity_kg_m3, 20.0, 12000.0);
    v.number("ball_diameter", Q::Length, c.ballDiameter_m, 5e-4, 0.05);
    v.count("ball_count", c.ballCount, 0, 500);
    v.number("ball_density", Q::Density, c.ballDensity_kg_m3, 500.0, 20000.0);
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
    v.choice("lead", b.lead, kBoreLeads);
    v.list("pieces", b.pieces, 0, 12);
}

template <class V>
void describe(V& v, SideWeight& w) {
    using Q = Quantity;
    v.text("name", w.name, kNameBytes);
    v.choice("from", w.from, kFlanks);
    v.text("material", w.material, kNameBytes);
    v.number("x", Q::Length, w.x_m, 0.0, kLongestBait_m);
    v.number("z", Q::Length, w.z_m, -0.3, 0.3);
    v.list("outline", w.outline, 0, kMostCorners);
    v.number("bottom", Q::Length, w.bottom_m, -0.1, 0.2);
    v.number("thickness", Q::Length, w.thickness_m, 2e-4, 0.1);
    v.number("density", Q::Density, w.density_kg_m3, 500.0, 20000.0);
    v.optional("weighed_mass", Q::Mass, w.weighedMass_kg, 1e-6, 0.5);
    v.number("filler_density", Q::Density, w.fillerDensity_kg_m3, 20.0, 5000.0);
}

template <class V>
void describe(V& v, BuildUp& b) {
    using Q = Quantity;
    v.text("name", b.name, kNameBytes);
    v.choice("from", b.from, kFeatureFroms);
    v.number("x", Q::Length, b.x_m, -0.02, kLongestBait_m);
    v.number("y", Q::Length, b.y_m, -0.2, 0.2);
    v.number("z", Q::Length, b.z_m, -0.3, 0.3);
    v.number("length", Q::Length, b.length_m, 5e-4, 0.2);
    v.number("width", Q::Length, b.width_m, 5e-4, 0.2);
    v.number("thickness", Q::Length, b.thickness_m, 1e-4, 0.03);
    v.number("density", Q::Density, b.density_kg_m3, 100.0, 12000.0);
    v.optional("weighed_mass", Q::Mass, b.weighedMass_kg, 1e-6, 0.5);
    v.flag("mirrored", b.mirrored);
}

template <class V>
void describe(V& v, Coat& c) {
    using Q = Quantity;
    v.choice("kind", c.kind, kCoatKinds);
    v.text("name", c.name, kNameBytes);
    v.number("thickness", Q::Thickness, c.thickness_m, 1e-6, 3e-3);
    v.count("count", c.count, 1, 30);
    v.choice("thicker_on", c.thickerOn, kThickerOn);
    v.number("thicker_by", Q::Fraction, c.thickerBy, 0.0, 0.95);
    v.number("density", Q::Density, c.density_kg_m3, 300.0, 5000.0);
}

template <class V>
void describe(V& v, Lip& l) {
    using Q = Quantity;
    v.flag("present", l.present);
    v.choice("family", l.family, kLipFamilies);
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
    v.number("bend", Q::Angle, l.bend_rad, -60.0 * kDegree, 60.0 * kDegree);
    v.number("bend_at", Q::Length, l.bendAt_m, 0.0, 0.3);
    v.number("notch_width", Q::Length, l.notchWidth_m, 0.0, 0.1);
    v.number("notch_depth", Q::Length, l.notchDepth_m, 0.0, 0.1);
    v.number("hole_diameter", Q::Length, l.holeDiameter_m, 0.0, 0.05);
    v.number("hole_at", Q::Length, l.holeAt_m, 0.0, 0.3);
}

template <class V>
void describe(V& v, Meeting& m) {
    v.choice("kind", m.kind, kMeetingKinds);
    v.text("first", m.first, kNameBytes);
    v.text("second", m.second, kNameBytes);
}

template <class V>
void describe(V& v, Tie& t) {
    using Q = Quantity;
    v.choice("place", t.place, kTiePlaces);
    v.text("eye", t.eye, kNameBytes);
    v.number("x", Q::Length, t.x_m, -0.1, kLongestBait_m);
    v.number("z", Q::Length, t.z_m, -0.3, 0.3);
    v.number("up_lip", Q::Length, t.upLip_m, 0.0, 0.3);
    v.number("stand_off", Q::Length, t.standOff_m, 0.0, 0.03);
}

}  // namespace wl
