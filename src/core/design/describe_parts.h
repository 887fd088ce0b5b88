// Fields of joints, holes, fittings, lead, wire and coats. See describe.h.
#pragma once

#include <array>

#include "core/base/quantity.h"
#include "core/base/units.h"
#include "core/design/about.h"
#include "core/design/joint.h"
#include "core/design/limits.h"
#include "core/design/parts.h"

namespace wl {

inline constexpr std::array<Choice, 12> kFittingKinds{{{"treble", said("treble")},
                                                       {"split_ring", said("split ring")},
                                                       {"screw_eye", said("screw eye")},
                                                       {"twisted_eye", said("twisted eye")},
                                                       {"glass_eye", said("glass eye")},
                                                       {"other", said("other")},
                                                       {"sheet_fin", said("sheet fin")},
                                                       {"bristle_tail", said("bristle tail")},
                                                       {"soft_tail", said("soft tail")},
                                                       {"single_hook", said("single hook")},
                                                       {"hanger", said("hanger in lead")},
                                                       {"clip", said("clip")}}};
inline constexpr std::array<Choice, 2> kHingeKinds{
    {{"pin", said("pin")}, {"linked_eyes", said("linked eyes")}}};
inline constexpr std::array<Choice, 3> kPocketIns{{{"none", said("none")},
                                                   {"front_piece", said("front piece")},
                                                   {"rear_piece", said("rear piece")}}};
inline constexpr std::array<Choice, 5> kFeatureKinds{{{"eye_socket", said("eye socket")},
                                                      {"slot", said("slot")},
                                                      {"saw_groove", said("saw groove")},
                                                      {"pilot_hole", said("pilot hole")},
                                                      {"pocket", said("pocket")}}};
inline constexpr std::array<Choice, 5> kFeatureFroms{{{"belly", said("belly")},
                                                      {"back", said("back")},
                                                      {"side", said("side")},
                                                      {"nose", said("nose")},
                                                      {"tail", said("tail")}}};
inline constexpr std::array<Choice, 3> kFeatureFills{
    {{"water", said("water")}, {"air", said("air, sealed")}, {"glue", said("glue")}}};
inline constexpr std::array<Choice, 2> kBoreFrom{
    {{"belly", said("belly")}, {"back", said("back")}}};
inline constexpr std::array<Choice, 3> kBoreLeads{
    {{"plug", said("plug")}, {"poured", said("poured in")}, {"pieces", said("pieces")}}};
inline constexpr std::array<Choice, 3> kChamberAxes{
    {{"along", said("along")}, {"across", said("across")}, {"upright", said("upright")}}};
inline constexpr std::array<Choice, 3> kCoatKinds{
    {{"sealer", said("sealer")}, {"paint", said("paint")}, {"clear", said("clear")}}};
inline constexpr std::array<Choice, 7> kThickerOn{{{"nowhere", said("no side")},
                                                   {"belly", said("belly")},
                                                   {"back", said("back")},
                                                   {"port", said("port")},
                                                   {"starboard", said("starboard")},
                                                   {"nose", said("nose")},
                                                   {"tail", said("tail")}}};
inline constexpr std::array<Choice, 6> kCoatPlaces{{{"all_over", said("all over")},
                                                    {"back", said("back")},
                                                    {"flanks", said("flanks")},
                                                    {"belly", said("belly")},
                                                    {"head", said("head")},
                                                    {"tail", said("tail")}}};
inline constexpr std::array<Choice, 5> kCoatPatterns{{{"plain", said("plain")},
                                                      {"band", said("band")},
                                                      {"bars", said("bars")},
                                                      {"dots", said("dots")},
                                                      {"by_hand", said("by hand")}}};
inline constexpr std::array<Choice, 2> kFlanks{
    {{"port", said("port")}, {"starboard", said("starboard")}}};
inline constexpr std::array<Choice, 3> kMeetingKinds{{{"passes_through", said("passes through")},
                                                      {"stands_in", said("stands in")},
                                                      {"slotted_over", said("is slotted over")}}};
/// Of RecordList, in its order.
inline constexpr std::array<Choice, 14> kRecordLists{{{"bores", said("bore")},
                                                      {"features", said("hole")},
                                                      {"joints", said("joint")},
                                                      {"fittings", said("fitting")},
                                                      {"through_wire", said("through-wire")},
                                                      {"chambers", said("rattle")},
                                                      {"lip", said("lip")},
                                                      {"make", said("body")},
                                                      {"make/cavities", "cavity"},
                                                      {"appendages", said("side piece")},
                                                      {"side_weights", said("side weight")},
                                                      {"build_ups", said("built up")},
                                                      {"body/nose_face", "nose face"},
                                                      {"body/tail_face", "tail face"}}};
inline constexpr size_t kMostMeetings = 40;

template <class V>
void describe(V& v, Joint& j) {
    using Q = Quantity;
    v.text("name", j.name, kNameBytes, told("Name"));
    v.choice("kind", j.kind, kHingeKinds, told("Hinge"));
    v.number("x", Q::Length, j.x_m, 0.0, kLongestBait_m, told("Place").scales());
    v.number("gap", Q::Length, j.gap_m, 0.0, 0.03, told("Gap").scales());
    v.number("bevel_front", Q::Angle, j.bevelFront_rad, 0.0, 60.0 * kDegree, told("Bevel ahead"));
    v.number("bevel_rear", Q::Angle, j.bevelRear_rad, 0.0, 60.0 * kDegree, told("Bevel behind"));
    v.number("pin_aft", Q::Length, j.pinAft_m, -0.02, 0.02,
             told("Pin aft").scales().explained("Of the middle of the gap"));
    v.number("pin_diameter", Q::Length, j.pinDiameter_m, 2e-4, 0.01, told("Pin thick"));
    v.number("pin_length", Q::Length, j.pinLength_m, 1e-3, 0.2, told("Pin long").scales());
    v.choice("pocket", j.pocket, kPocketIns, told("Pocket in"));
    v.number("pocket_width", Q::Length, j.pocketWidth_m, 2e-4, 0.1,
             told("Pocket wide").scales().when(j.pocket != PocketIn::None));
    v.number("pocket_height", Q::Length, j.pocketHeight_m, 2e-4, 0.2,
             told("Pocket high").scales().when(j.pocket != PocketIn::None));
    v.number("pocket_depth", Q::Length, j.pocketDepth_m, 2e-4, 0.05,
             told("Pocket deep").scales().when(j.pocket != PocketIn::None));
    v.number("shank_width", Q::Length, j.shankWidth_m, 1e-4, 0.02, told("Shank wide"));
    v.number("hardware_stop", Q::Angle, j.hardwareStop_rad, 0.0, 170.0 * kDegree,
             told("Metal binds at"));
    v.number("play", Q::Length, j.play_m, 0.0, 0.005, told("Pin play"));
    v.number("typical_mass", Q::Mass, j.typicalMass_kg, 0.0, 0.2, told("Typical"));
    v.optional("weighed_mass", Q::Mass, j.weighedMass_kg, 0.0, 0.2, told("Weighed"));
    v.number("hardware_density", Q::Density, j.hardwareDensity_kg_m3, 500.0, 20000.0,
             told("Metal density"));
}

template <class V>
void describe(V& v, Appendage& a) {
    using Q = Quantity;
    v.text("name", a.name, kNameBytes, told("Name"));
    v.flag("mirrored", a.mirrored, told("Pair"));
    v.flag("joined", a.joined,
           told("One V").when(a.mirrored).explained("Both arms are one piece on one rivet"));
    v.group("body", a.body, told("Shape"));
    v.flag("own_stock", a.ownStock, told("Own stock"));
    v.group("stock", a.stock, told("Stock").when(a.ownStock));
    v.number("hinge_x", Q::Length, a.hingeX_m, -0.05, kLongestBait_m, told("Hinge aft").scales());
    v.number("hinge_y", Q::Length, a.hingeY_m, -0.2, 0.2, told("Hinge port").scales());
    v.number("hinge_z", Q::Length, a.hingeZ_m, -0.3, 0.3, told("Hinge up").scales());
    v.number("splay", Q::Angle, a.splay_rad, -90.0 * kDegree, 180.0 * kDegree, told("Splay"));
    v.number("droop", Q::Angle, a.droop_rad, -80.0 * kDegree, 80.0 * kDegree, told("Droop"));
    v.number("swing", Q::Angle, a.swing_rad, 0.0, 120.0 * kDegree, told("Swings ±"));
    v.number("hardware_mass", Q::Mass, a.hardwareMass_kg, 0.0, 0.2, told("Hinge weighs"));
    v.number("hardware_density", Q::Density, a.hardwareDensity_kg_m3, 500.0, 20000.0,
             told("Hinge density"));
}

template <class V>
void describe(V& v, Feature& f) {
    using Q = Quantity;
    v.text("name", f.name, kNameBytes, told("Name"));
    v.choice("kind", f.kind, kFeatureKinds, told("Kind"));
    v.choice("from", f.from, kFeatureFroms, told("From"));
    v.number("x", Q::Length, f.x_m, -0.02, kLongestBait_m,
             told("Aft").scales().when(!isEnd(f.from)));
    v.number("y", Q::Length, f.y_m, -0.2, 0.2,
             told("Port").scales().when(f.from != FeatureFrom::Side));
    v.number("z", Q::Length, f.z_m, -0.3, 0.3,
             told("Up").scales().when(f.from != FeatureFrom::Belly && f.from != FeatureFrom::Back));
    v.number("diameter", Q::Length, f.diameter_m, 2e-4, 0.05,
             told("Diameter").when(isRound(f.kind)));
    v.number("length", Q::Length, f.length_m, 2e-4, kLongestBait_m,
             told("Long").scales().when(!isRound(f.kind)));
    v.number("width", Q::Length, f.width_m, 1e-4, 0.1, told("Wide").when(!isRound(f.kind)));
    v.number("depth", Q::Length, f.depth_m, 2e-4, 0.3, told("Deep").scales());
    v.number("lean", Q::Angle, f.lean_rad, -60.0 * kDegree, 60.0 * kDegree, told("Lean"));
    v.flag("mirrored", f.mirrored, told("Pair"));
    v.choice("fill", f.fill, kFeatureFills, told("Then holds"));
    v.number("fill_density", Q::Density, f.fillDensity_kg_m3, 20.0, 12000.0,
             told("Glue").when(f.fill == FeatureFill::Glue));
}

template <class V>
void describe(V& v, Fitting& f) {
    using Q = Quantity;
    v.choice("kind", f.kind, kFittingKinds, told("Kind"));
    v.text("name", f.name, kNameBytes, told("Name"));
    v.number("typical_mass", Q::Mass, f.typicalMass_kg, 1e-6, 0.5,
             told("Typical").explained("From tables, ±30 %: weigh yours"));
    v.optional("weighed_mass", Q::Mass, f.weighedMass_kg, 1e-6, 0.5, told("Weighed"));
    v.number("density", Q::Density, f.density_kg_m3, 500.0, 20000.0, told("Density"));
    v.text("hangs_from", f.hangsFrom, kNameBytes, told("Hangs from"));
    v.number("x", Q::Length, f.x_m, -0.1, kLongestBait_m + 0.1,
             told("Aft").scales().when(f.hangsFrom.empty()));
    v.number("y", Q::Length, f.y_m, -0.2, 0.2, told("Port").scales().when(f.hangsFrom.empty()));
    v.number("z", Q::Length, f.z_m, -0.3, 0.3, told("Up").scales().when(f.hangsFrom.empty()));
    v.flag("mirrored", f.mirrored, told("Pair"));
    v.number("sunk", Q::Fraction, f.sunk, 0.0, 1.0,
             told("Sunk in").when(!swings(f.kind)).explained("Share of it inside the body"));
    v.number("size", Q::Length, f.size_m, 0.001, 0.2, told("Size"));
    v.number("wire", Q::Thickness, f.wire_m, 1e-4, 0.006, told("Wire"));
    v.number("area", Q::Area, f.area_m2, 0.0, 0.02, told("Fin area").when(isFin(f.kind)));
    v.optional("cant", Q::Angle, f.cant_rad, -kPi / 2, kPi / 2,
               told("Stands at")
                   .when(isFin(f.kind))
                   .explained("Tips up from flat: 0 flat, 90 upright. Empty: a pair flat, one "
                              "alone upright"));
    v.optional("modulus", Q::Stiffness, f.modulus_Pa, 1e4, 1e8,
               told("Stiffness")
                   .when(f.kind == FittingKind::SoftTail)
                   .explained("Modulus of the soft plastic; empty: 0.12"));
    v.number("span", Q::Length, f.span_m, 0.0, 0.1, told("Points span").when(isHook(f.kind)));
    v.flag("weed_guard", f.weedGuard, told("Weed guard").when(isHook(f.kind)));
    v.flag(
        "from_wire", f.fromWire,
        told("By wire").when(isWireForm(f.kind)).explained("Its mass is reckoned from its wire"));
    v.number("stem", Q::Length, f.shank_m, 0.0, 0.2, told("Stem").when(isWireForm(f.kind)));
    v.number("twists", Q::Number, f.twists, 0.0, 60.0,
             told("Twists").when(f.kind == FittingKind::TwistedEye));
    v.number("leg_gap", Q::Length, f.legGap_m, 5e-4, 0.05,
             told("Legs apart").when(f.kind == FittingKind::Clip));
    v.number("stem_lean", Q::Angle, f.stemLean_rad, -80.0 * kDegree, 80.0 * kDegree,
             told("Stem leans").when(isWireForm(f.kind)));
    v.choice("stem_from", f.stemFrom, kFeatureFroms, told("Goes in from").when(isWireForm(f.kind)));
}

template <class V>
void describe(V& v, LeadPiece& p) {
    using Q = Quantity;
    v.text("name", p.name, kNameBytes, told("Name"));
    v.count("count", p.count, 1, 200, told("Pieces"));
    v.number("mass", Q::Mass, p.mass_kg, 1e-6, 0.5, told("Mass"));
    v.number("length", Q::Length, p.length_m, 0.0, 0.3, told("Long"));
    v.number("diameter", Q::Length, p.diameter_m, 5e-4, 0.05, told("Wide"));
}

template <class V>
void describe(V& v, WireDrop& d) {
    using Q = Quantity;
    v.text("name", d.name, kNameBytes, told("Name"));
    v.number("x", Q::Length, d.x_m, 0.0, kLongestBait_m, told("Aft").scales());
    v.flag("back", d.back, told("On the back"));
    v.number("stand_off", Q::Length, d.standOff_m, -0.02, 0.03, told("Eye off the skin"));
}

template <class V>
void describe(V& v, ThroughWire& w) {
    using Q = Quantity;
    v.flag("present", w.present, told("Through-wire, nose to tail"));
    v.number("wire", Q::Thickness, w.wire_m, 2e-4, 0.004, told("Wire").when(w.present));
    v.number("density", Q::Density, w.density_kg_m3, 500.0, 20000.0,
             told("Wire density").when(w.present));
    v.number("z", Q::Length, w.z_m, -0.3, 0.3, told("Runs at height").scales().when(w.present));
    v.number("eye_inner", Q::Length, w.eyeInner_m, 5e-4, 0.02,
             told("Eyes, inside").when(w.present));
    v.number("bend_radius", Q::Length, w.bendRadius_m, 0.0, 0.02,
             told("Bends, inside radius").when(w.present));
    v.number("wrap", Q::Length, w.wrap_m, 0.0, 0.1, told("Wound behind each end").when(w.present));
    v.flag("nose_eye", w.noseEye, told("Eye at the nose").when(w.present));
    v.flag("tail_eye", w.tailEye, told("Eye at the tail").when(w.present));
    v.list("drops", w.drops, 0, 8, told("Loop"));
    v.number("slot_width", Q::Length, w.slotWidth_m, 0.0, 0.01,
             told("Slot sawn for it, wide").when(w.present));
    v.flag("slot_from_back", w.slotFromBack, told("Slot from the back").when(w.present));
    v.number("slot_filler_density", Q::Density, w.slotDensity_kg_m3, 20.0, 12000.0,
             told("Slot filler").when(w.present));
}

template <class V>
void describe(V& v, RattleChamber& c) {
    using Q = Quantity;
    v.text("name", c.name, kNameBytes, told("Name"));
    v.choice("axis", c.axis, kChamberAxes, told("Lies"));
    v.number("x", Q::Length, c.x_m, 0.0, kLongestBait_m, told("Aft").scales());
    v.number("y", Q::Length, c.y_m, -0.2, 0.2, told("Port").scales());
    v.number("z", Q::Length, c.z_m, -0.3, 0.3, told("Up").scales());
    v.number("lean", Q::Angle, c.lean_rad, -60.0 * kDegree, 60.0 * kDegree, told("Lean"));
    v.number("length", Q::Length, c.length_m, 1e-3, 0.2, told("Long").drilled());
    v.number("diameter", Q::Length, c.diameter_m, 5e-4, 0.05, told("Wide").drilled());
    v.number("wall", Q::Thickness, c.wall_m, 0.0, 0.005, told("Tube wall"));
    v.number("wall_density", Q::Density, c.wallDensity_kg_m3, 20.0, 12000.0, told("Tube density"));
    v.number("ball_diameter", Q::Length, c.ballDiameter_m, 5e-4, 0.05, told("Ball"));
    v.count("ball_count", c.ballCount, 0, 500, told("Balls"));
    v.number("ball_density", Q::Density, c.ballDensity_kg_m3, 500.0, 20000.0, told("Ball density"));
}

template <class V>
void describe(V& v, Bore& b) {
    using Q = Quantity;
    v.text("name", b.name, kNameBytes, told("Name"));
    v.choice("from", b.from, kBoreFrom, told("From"));
    v.number("x", Q::Length, b.x_m, 0.0, kLongestBait_m, told("Place").scales());
    v.number("y", Q::Length, b.y_m, -0.2, 0.2, told("Off centre").scales());
    v.number("diameter", Q::Length, b.diameter_m, 5e-4, 0.05, told("Diameter").drilled());
    v.number("depth", Q::Length, b.depth_m, 1e-3, 0.3, told("Depth").drilled());
    v.number("lean", Q::Angle, b.lean_rad, -60.0 * kDegree, 60.0 * kDegree, told("Lean aft"));
    v.text("plug_material", b.plugMaterial, kNameBytes, told("Plug of"));
    v.number("plug_density", Q::Density, b.plugDensity_kg_m3, 500.0, 20000.0, told("Plug density"));
    v.number("plug_length", Q::Length, b.plugLength_m, 0.0, 0.3,
             told("Plug long").scales().when(b.lead != BoreLead::Pieces));
    v.number("filler_density", Q::Density, b.fillerDensity_kg_m3, 20.0, 5000.0, told("Filler"));
    v.choice("lead", b.lead, kBoreLeads, told("Lead"));
    v.list("pieces", b.pieces, 0, 12, told("Piece"));
}

template <class V>
void describe(V& v, SideWeight& w) {
    using Q = Quantity;
    v.text("name", w.name, kNameBytes, told("Name"));
    v.choice("from", w.from, kFlanks, told("From"));
    v.text("material", w.material, kNameBytes, told("Cast of"));
    v.number("x", Q::Length, w.x_m, 0.0, kLongestBait_m, told("Aft").scales());
    v.number("z", Q::Length, w.z_m, -0.3, 0.3, told("Up").scales());
    v.list("outline", w.outline, 0, kMostCorners, told("Corner"));
    v.number("bottom", Q::Length, w.bottom_m, -0.1, 0.2,
             told("Bottom").scales().explained("Of the pocket, from the middle plane"));
    v.number("thickness", Q::Length, w.thickness_m, 2e-4, 0.1, told("Thick").scales());
    v.number("density", Q::Density, w.density_kg_m3, 500.0, 20000.0, told("Density"));
    v.optional("weighed_mass", Q::Mass, w.weighedMass_kg, 1e-6, 0.5, told("Weighed").leftOut());
    v.number("filler_density", Q::Density, w.fillerDensity_kg_m3, 20.0, 5000.0, told("Filler"));
}

template <class V>
void describe(V& v, BuildUp& b) {
    using Q = Quantity;
    v.text("name", b.name, kNameBytes, told("Name"));
    v.choice("from", b.from, kFeatureFroms, told("On"));
    v.number("x", Q::Length, b.x_m, -0.02, kLongestBait_m,
             told("Aft").scales().when(!isEnd(b.from)));
    v.number("y", Q::Length, b.y_m, -0.2, 0.2,
             told("Port").scales().when(b.from != FeatureFrom::Side));
    v.number("z", Q::Length, b.z_m, -0.3, 0.3,
             told("Up").scales().when(isEnd(b.from) || b.from == FeatureFrom::Side));
    v.number("length", Q::Length, b.length_m, 5e-4, 0.2, told("Long").scales());
    v.number("width", Q::Length, b.width_m, 5e-4, 0.2, told("Wide").scales());
    v.number("thickness", Q::Length, b.thickness_m, 1e-4, 0.03, told("Thick").scales());
    v.number("density", Q::Density, b.density_kg_m3, 100.0, 12000.0, told("Density"));
    v.optional("weighed_mass", Q::Mass, b.weighedMass_kg, 1e-6, 0.5, told("Weighed").leftOut());
    v.flag("mirrored", b.mirrored, told("Pair"));
}

template <class V>
void describe(V& v, Coat& c) {
    using Q = Quantity;
    v.choice("kind", c.kind, kCoatKinds, told("Kind"));
    v.text("name", c.name, kNameBytes, told("Name"));
    v.number("thickness", Q::Thickness, c.thickness_m, 1e-6, 3e-3, told("One coat"));
    v.count("count", c.count, 1, 30, told("Coats"));
    v.choice("thicker_on", c.thickerOn, kThickerOn, told("Thicker on"));
    v.number("thicker_by", Q::Fraction, c.thickerBy, 0.0, 0.95,
             told("Thicker by").when(c.thickerOn != ThickerOn::Nowhere));
    v.number("density", Q::Density, c.density_kg_m3, 300.0, 5000.0, told("Density"));
    v.number("solids", Q::Fraction, c.solids, 0.02, 1.0,
             told("Stays when dry")
                 .explained("Of the thickness of one coat; 100 % where that is the dry one"));
    v.flag("inner_face", c.innerFace,
           told("Under the outer sheets")
               .explained("Of a layered body: painted on their inner faces before gluing"));
    v.choice("place", c.place, kCoatPlaces, told("Lies on").when(!c.innerFace));
    v.choice("pattern", c.pattern, kCoatPatterns, told("Pattern"));
    v.number("covers", Q::Fraction, c.covers, 0.01, 1.0,
             told("Covers").explained("Share of its place that it covers"));
    v.text("colour", c.colour, 7, told("Swatch").explained("#rrggbb; empty: clear"));
    v.text("medium", c.medium, kNameBytes, told("Put on with"));
    v.text("stencil", c.stencil, kNameBytes, told("Mesh or stencil"));
    v.text("masked", c.masked, kNameBytes, told("Masked"));
    v.number("cure", Q::Hours, c.cure_s, 0.0, 30 * 86400.0,
             told("Dries").explained("Before the next coat"));
}

template <class V>
void describe(V& v, MeetingEnd& e) {
    v.choice("of", e.of, kRecordLists, told("Kind"));
    v.text("name", e.name, kNameBytes, told("Name").when(!isSingle(e.of)));
}

template <class V>
void describe(V& v, Meeting& m) {
    v.choice("kind", m.kind, kMeetingKinds, told("Does"));
    v.group("first", m.first, told("This"));
    v.group("second", m.second, told("That"));
}

}  // namespace wl
