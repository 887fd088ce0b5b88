// Fields of the shape, the stock and the ways of making a body. See describe.h.
#pragma once

#include <array>
#include <string_view>

#include "core/base/quantity.h"
#include "core/base/units.h"
#include "core/design/body.h"
#include "core/design/limits.h"
#include "core/design/stock.h"

namespace wl {

inline constexpr std::array<std::string_view, 2> kEndShapes{"round", "pointed"};
inline constexpr std::array<std::string_view, 4> kDensitySources{"sample", "shelf", "blank", "mix"};
inline constexpr std::array<std::string_view, 3> kBodyTrusts{"drawn_volume", "weighed_volume",
                                                             "weighed_and_drawn"};
inline constexpr std::array<std::string_view, 5> kMakeKinds{"carved", "turned", "layered", "cast",
                                                            "printed"};
inline constexpr std::array<std::string_view, 3> kGrains{"along", "across", "upright"};
inline constexpr std::array<std::string_view, 2> kMixBys{"volume", "mass"};

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
void describe(V& v, OutlinePoint& p) {
    v.number("aft", Quantity::Length, p.aft_m, -kFarthestCorner_m, kFarthestCorner_m);
    v.number("up", Quantity::Length, p.up_m, -kFarthestCorner_m, kFarthestCorner_m);
}

template <class V>
void describe(V& v, Cavity& c) {
    using Q = Quantity;
    v.count("layer", c.layer, 1, 40);
    v.count("sheets", c.sheets, 1, 40);
    v.number("x", Q::Length, c.x_m, 0.0, kLongestBait_m);
    v.number("z", Q::Length, c.z_m, -0.3, 0.3);
    v.number("length", Q::Length, c.length_m, 5e-4, 0.3);
    v.number("height", Q::Length, c.height_m, 5e-4, 0.2);
    v.list("outline", c.outline, 0, kMostCorners);
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

}  // namespace wl
