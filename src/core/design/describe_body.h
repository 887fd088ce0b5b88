// Fields of the shape, the stock and the ways of making a body. See describe.h.
#pragma once

#include <array>

#include "core/base/quantity.h"
#include "core/base/units.h"
#include "core/design/about.h"
#include "core/design/body.h"
#include "core/design/limits.h"
#include "core/design/stock.h"

namespace wl {

inline constexpr std::array<Choice, 2> kEndShapes{
    {{"round", said("round")}, {"pointed", said("pointed")}}};
inline constexpr std::array<Choice, 4> kDensitySources{{{"sample", said("the sample block")},
                                                        {"shelf", said("the shelf")},
                                                        {"blank", said("the round blank")},
                                                        {"mix", said("the resin mix")}}};
inline constexpr std::array<Choice, 3> kBodyTrusts{
    {{"drawn_volume", said("the drawing")},
     {"weighed_volume", said("the scale, for volume")},
     {"weighed_and_drawn", said("the scale, for density")}}};
inline constexpr std::array<Choice, 5> kMakeKinds{{{"carved", said("carved from a board")},
                                                   {"turned", said("turned on a lathe")},
                                                   {"layered", said("layered from sheet")},
                                                   {"cast", said("cast in resin")},
                                                   {"printed", said("printed")}}};
inline constexpr std::array<Choice, 3> kGrains{{{"along", said("along the bait")},
                                                {"across", said("across it")},
                                                {"upright", said("upright")}}};
inline constexpr std::array<Choice, 2> kMixBys{
    {{"volume", said("volume")}, {"mass", said("mass")}}};

template <class V>
void describe(V& v, Station& s) {
    using Q = Quantity;
    v.number("position", Q::Length, s.position_m, 0.0, kLongestBait_m, told("Place").scales());
    v.number("back", Q::Length, s.back_m, -0.3, 0.3, told("Back").scales());
    v.number("belly", Q::Length, s.belly_m, -0.3, 0.3, told("Belly").scales());
    v.number("half_width", Q::Length, s.halfWidth_m, 0.0, 0.2, told("Half-width").scales());
    v.number("widest", Q::Length, s.widest_m, -0.3, 0.3,
             told("Widest at")
                 .scales()
                 .explained("Height of the widest point of this section above the axis"));
    v.number("fullness_above", Q::Number, s.fullnessAbove, 1.0, 20.0,
             told("Full above").explained("1 straight flanks, 2 round, 4 and more slab-sided"));
    v.number("fullness_below", Q::Number, s.fullnessBelow, 1.0, 20.0,
             told("Full below").explained("1 straight flanks, 2 round, 4 and more slab-sided"));
}

template <class V>
void describe(V& v, EndFace& f) {
    using Q = Quantity;
    v.flag("present", f.present, told("Cut across"));
    v.number("x", Q::Length, f.x_m, 0.0, kLongestBait_m,
             told("At").scales().when(f.present).explained("Where the face cuts the axis"));
    v.number(
        "angle", Q::Angle, f.angle_rad, 20.0 * kDegree, 160.0 * kDegree,
        told("Angle").when(f.present).explained(
            "From the axis; under 90° a nose face looks up and forward and dives as a lip would"));
    v.number("cup_depth", Q::Length, f.cupDepth_m, 0.0, 0.05,
             told("Cup deep").scales().when(f.present));
    v.number("cup_reach", Q::Fraction, f.cupShare, 0.05, 0.98,
             told("Cup reaches").when(f.present).explained("Share of the face the cup takes"));
}

template <class V>
void describe(V& v, SizeLocks& l) {
    v.flag("length", l.length, told("Keep this length"));
    v.flag("width", l.width, told("Keep this width"));
    v.flag("height", l.height, told("Keep this height"));
}

template <class V>
void describe(V& v, Body& b) {
    v.choice("nose", b.nose, kEndShapes, told("Nose"));
    v.choice("tail", b.tail, kEndShapes, told("Tail"));
    v.list("stations", b.stations, 4, 60, told("Station"));
    v.group("nose_face", b.noseFace, told("Nose face"));
    v.group("tail_face", b.tailFace, told("Tail face"));
    v.group("locks", b.locks, told("Body"));
    v.flag("use_solid", b.useSolid, told("Float on the imported solid"));
    v.mesh("solid", b.solid, kMostTriangles, told("Imported solid"));
}

template <class V>
void describe(V& v, PicturePoint& p) {
    using Q = Quantity;
    v.number("across", Q::Fraction, p.across, -1.0, 2.0, told("Across"));
    v.number("down", Q::Fraction, p.down, -10.0, 10.0, told("Down"));
}

template <class V>
void describe(V& v, Trace& t) {
    v.text("picture_path", t.picturePath, 4096, told("Picture"));
    v.bytes("picture", t.picture, kMostPictureBytes, told("Picture"));
    v.number("known_length", Quantity::Length, t.knownLength_m, 0.001, 2.0, told("Known length"));
    v.list("scale", t.scale, 0, 2, told("Scale point"));
    v.list("axis", t.axis, 0, 2, told("Axis point"));
    v.list("back", t.back, 0, 60, told("Back point"));
    v.list("belly", t.belly, 0, 60, told("Belly point"));
    v.flag("shown", t.shown, told("Shown"));
}

template <class V>
void describe(V& v, SampleBlock& s) {
    using Q = Quantity;
    v.number("length", Q::Length, s.length_m, 0.002, 2.0, told("Length"));
    v.number("width", Q::Length, s.width_m, 0.002, 1.0, told("Width"));
    v.number("height", Q::Length, s.height_m, 0.002, 1.0, told("Height"));
    v.number("mass", Q::Mass, s.mass_kg, 1e-5, 20.0, told("Mass"));
    v.number("calliper_error", Q::Thickness, s.calliperError_m, 1e-6, 2e-3,
             told("Calliper reads to ±"));
    v.number("scale_error", Q::Mass, s.scaleError_kg, 1e-7, 1e-2, told("Scale reads to ±"));
}

template <class V>
void describe(V& v, RoundBlank& b) {
    using Q = Quantity;
    v.number("length", Q::Length, b.length_m, 0.005, 2.0, told("Length"));
    v.number("diameter", Q::Length, b.diameter_m, 0.002, 0.3, told("Diameter"));
    v.number("mass", Q::Mass, b.mass_kg, 1e-5, 20.0, told("Mass"));
}

template <class V>
void describe(V& v, Stock& s) {
    using Q = Quantity;
    v.text("material", s.material, kNameBytes, told("Stock"));
    v.choice("density_from", s.source, kDensitySources, told("Reckon with"));
    v.number("shelf_density", Q::Density, s.shelfDensity_kg_m3, 20.0, 3000.0,
             told("Shelf density").explained("The shelf's figure, typical for the stock"));
    v.number("shelf_spread", Q::Fraction, s.shelfSpread, 0.0, 0.9, told("Shelf range ±"));
    v.group("sample", s.sample, told("Sample block"));
    v.group("blank", s.blank, told("Round blank"));
    v.number("moisture_spread", Q::Fraction, s.moistureSpread, 0.0, 0.3, told("Moisture ±"));
    v.optional(
        "weighed_body", Q::Mass, s.weighedBody_kg, 1e-4, kHeaviestBait_kg,
        told("Weighed").leftOut().explained("The shaped body on the scale, before any hole"));
    v.number("weighed_body_error", Q::Mass, s.weighedBodyError_kg, 1e-7, 1e-2,
             told("Weighed to ±"));
    v.choice("trust", s.trust, kBodyTrusts, told("Trust").when(s.weighedBody_kg.has_value()));
    v.number("drawn_volume_error", Q::Fraction, s.drawnVolumeError, 0.0, 0.5,
             told("Shaped to the drawing ±"));
}

template <class V>
void describe(V& v, Piece& p) {
    v.text("name", p.name, kNameBytes, told("Name"));
    v.flag("own_stock", p.ownStock, told("Own stock"));
    v.group("stock", p.stock, told("Stock"));
}

template <class V>
void describe(V& v, Halves& h) {
    using Q = Quantity;
    v.flag("used", h.used, told("Glued from two halves"));
    v.number("groove_width", Q::Length, h.grooveWidth_m, 0.0, 0.02,
             told("Width, both halves").when(h.used));
    v.number("groove_height", Q::Length, h.grooveHeight_m, 0.0, 0.05, told("Height").when(h.used));
    v.number("groove_from", Q::Length, h.grooveFrom_m, 0.0, kLongestBait_m,
             told("From the nose").scales().when(h.used));
    v.number("groove_to", Q::Length, h.grooveTo_m, 0.0, kLongestBait_m,
             told("To").scales().when(h.used));
    v.number("groove_z", Q::Length, h.grooveZ_m, -0.3, 0.3,
             told("Middle at height").scales().when(h.used));
    v.number("groove_filler_density", Q::Density, h.grooveDensity_kg_m3, 0.0, 12000.0,
             told("Holds, density").when(h.used));
}

template <class V>
void describe(V& v, Layer& l) {
    using Q = Quantity;
    v.text("material", l.material, kNameBytes, told("Sheet, starboard first"));
    v.number("thickness", Q::Length, l.thickness_m, 2e-4, 0.05, told("Thick"));
    v.number("density", Q::Density, l.density_kg_m3, 20.0, 12000.0, told("Density"));
}

template <class V>
void describe(V& v, OutlinePoint& p) {
    v.number("aft", Quantity::Length, p.aft_m, -kFarthestCorner_m, kFarthestCorner_m,
             told("Aft").scales());
    v.number("up", Quantity::Length, p.up_m, -kFarthestCorner_m, kFarthestCorner_m,
             told("Up").scales());
}

template <class V>
void describe(V& v, Cavity& c) {
    using Q = Quantity;
    v.count("layer", c.layer, 1, 40, told("Cavity from sheet"));
    v.count("sheets", c.sheets, 1, 40, told("Sheets"));
    v.number("x", Q::Length, c.x_m, 0.0, kLongestBait_m, told("Aft").scales());
    v.number("z", Q::Length, c.z_m, -0.3, 0.3, told("Up").scales());
    v.number("length", Q::Length, c.length_m, 5e-4, 0.3,
             told("Long").scales().when(c.outline.empty()));
    v.number("height", Q::Length, c.height_m, 5e-4, 0.2,
             told("High").scales().when(c.outline.empty()));
    v.list("outline", c.outline, 0, kMostCorners, told("Corner"));
    v.number("filler_density", Q::Density, c.density_kg_m3, 0.0, 20000.0,
             told("Holds").explained("Density of what fills the cavity; 0 is air"));
}

template <class V>
void describe(V& v, ResinMix& m) {
    using Q = Quantity;
    v.number("resin_density", Q::Density, m.resinDensity_kg_m3, 500.0, 3000.0,
             told("Resin density"));
    v.number("filler_density", Q::Density, m.fillerDensity_kg_m3, 30.0, 12000.0,
             told("Filler, particles"));
    v.number("filler_share", Q::Fraction, m.fillerShare, 0.0, 0.75, told("Filler share"));
    v.choice("by", m.by, kMixBys, told("Measured by"));
    v.number("trapped_air", Q::Fraction, m.trappedAir, 0.0, 0.3, told("Bubbles"));
    v.number("share_error", Q::Fraction, m.shareError, 0.0, 0.3, told("Filler share ±"));
    v.number("trapped_air_error", Q::Fraction, m.trappedAirError, 0.0, 0.3, told("Bubbles ±"));
    v.number("wanted_density", Q::Density, m.wantedDensity_kg_m3, 100.0, 3000.0,
             told("Wanted density"));
}

template <class V>
void describe(V& v, Print& p) {
    using Q = Quantity;
    v.text("material", p.material, kNameBytes, told("Plastic"));
    v.number("density", Q::Density, p.density_kg_m3, 500.0, 8000.0, told("Plastic density"));
    v.number("shell", Q::Length, p.shell_m, 2e-4, 0.02, told("Wall all round"));
    v.number("infill", Q::Fraction, p.infill, 0.0, 1.0, told("Infill"));
    v.flag("leaks", p.leaks, told("Seams not sealed"));
    v.number("dry_mass", Q::Mass, p.dryMass_kg, 1e-4, kHeaviestBait_kg,
             told("Weighed dry").when(p.leaks));
    v.number("wet_mass", Q::Mass, p.wetMass_kg, 1e-4, kHeaviestBait_kg,
             told("Weighed wet").when(p.leaks));
    v.number("soak", Q::Time, p.soak_s, 1.0, 86400.0, told("After a soak of").when(p.leaks));
}

template <class V>
void describe(V& v, Mould& m) {
    using Q = Quantity;
    v.number("wall", Q::Length, m.wall_m, 0.003, 0.05, told("Wall of silicone"));
    v.number("silicone_density", Q::Density, m.siliconeDensity_kg_m3, 800.0, 2000.0,
             told("Silicone density"));
    v.number("silicone_waste", Q::Fraction, m.siliconeWaste, 0.0, 1.0, told("Silicone, more by"));
    v.number("resin_waste", Q::Fraction, m.resinWaste, 0.0, 1.0,
             told("Resin, more by").explained("Left in cups and spout, and what is trimmed off"));
    v.number("working_time", Q::Time, m.workingTime_s, 30.0, 86400.0,
             told("Resin stays liquid for").explained("From its own sheet"));
    v.number("mixing", Q::Time, m.mixing_s, 5.0, 3600.0, told("Mixing a batch takes"));
    v.number("pouring", Q::Time, m.pouring_s, 2.0, 3600.0, told("Pouring one takes"));
    v.number("spout", Q::Length, m.spout_m, 0.002, 0.03, told("Spout across"));
    v.number("vent", Q::Length, m.vent_m, 0.0005, 0.006, told("Vents across"));
}

template <class V>
void describe(V& v, Make& m) {
    using Q = Quantity;
    v.choice("kind", m.kind, kMakeKinds, told("The body is"));
    v.choice("grain", m.grain, kGrains, told("Grain runs"));
    v.group("halves", m.halves, told("Half boards"));
    v.number("glue_film", Q::Thickness, m.glueFilm_m, 0.0, 0.002,
             told("Glue film").when(m.kind != MakeKind::Carved || m.halves.used));
    v.number("glue_density", Q::Density, m.glueDensity_kg_m3, 500.0, 3000.0,
             told("Glue density").when(m.kind != MakeKind::Carved || m.halves.used));
    v.list("layers", m.layers, 0, 40, told("Sheet"));
    v.list("cavities", m.cavities, 0, 40, told("Cavity"));
    v.group("mix", m.mix, told("Mix"));
    v.group("print", m.print, told("Print"));
    v.group("mould", m.mould, told("Mould"));
}

}  // namespace wl
