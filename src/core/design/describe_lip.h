// Fields of the lip and the tie. See describe.h.
#pragma once

#include <array>

#include "core/base/quantity.h"
#include "core/base/units.h"
#include "core/design/about.h"
#include "core/design/limits.h"
#include "core/design/parts.h"

namespace wl {

inline constexpr std::array<Choice, 6> kLipFamilies{{{"rounded", said("rounded tip")},
                                                     {"cut", said("cut corners")},
                                                     {"oval", said("oval")},
                                                     {"waisted", said("waisted")},
                                                     {"disc", said("disc")},
                                                     {"free", said("drawn freely")}}};
inline constexpr std::array<Choice, 4> kTieHoles{{{"none", said("no hole")},
                                                  {"one", said("one")},
                                                  {"along", said("two, one behind the other")},
                                                  {"across", said("two, side by side")}}};
inline constexpr std::array<Choice, 2> kTiePlaces{
    {{"body", said("to the body")}, {"lip", said("to the lip")}}};

template <class V>
void describe(V& v, LipCorner& c) {
    v.number("along", Quantity::Fraction, c.along, 0.0, 1.0, told("Along"));
    v.number("across", Quantity::Fraction, c.across, 0.0, 1.0, told("Across"));
}

template <class V>
void describe(V& v, Lip& l) {
    using Q = Quantity;
    v.flag("present", l.present, told("A lip"));
    v.choice("family", l.family, kLipFamilies, told("Outline").when(l.present));
    v.text("material", l.material, kNameBytes, told("Sheet").when(l.present));
    v.number("density", Q::Density, l.density_kg_m3, 500.0, 12000.0,
             told("Sheet density").when(l.present));
    v.number("thickness", Q::Thickness, l.thickness_m, 2e-4, 8e-3,
             told("Thickness").when(l.present));
    v.number("length", Q::Length, l.length_m, 1e-3, 0.3,
             told("Length outside").scales().when(l.present));
    v.number("root_width", Q::Length, l.rootWidth_m, 1e-3, 0.2,
             told("Width at skin")
                 .scales()
                 .when(l.present && l.family != LipFamily::Disc && l.family != LipFamily::Free)
                 .explained("A disc is as wide at the skin as it comes out"));
    v.number("width", Q::Length, l.width_m, 1e-3, 0.2, told("Full width").scales().when(l.present));
    v.number("tip_round", Q::Length, l.tipRound_m, 0.0, 0.2,
             told("Tip or corners")
                 .scales()
                 .when(l.present && l.family != LipFamily::Disc && l.family != LipFamily::Oval &&
                       l.family != LipFamily::Free));
    v.list("outline", l.outline, 0, kMostLipCorners, told("Corner"));
    v.number(
        "angle", Q::Angle, l.angle_rad, 0.0, 100.0 * kDegree,
        told("Angle to axis")
            .when(l.present)
            .explained("0° lies in line with the body and runs deep; 90° stands straight down"));
    v.number("slot_x", Q::Length, l.slotX_m, -0.02, kLongestBait_m,
             told("From the nose").scales().when(l.present));
    v.number("slot_y", Q::Length, l.slotY_m, -0.05, 0.05,
             told("Off to port").scales().when(l.present));
    v.number("slot_z", Q::Length, l.slotZ_m, -0.3, 0.3, told("Height").scales().when(l.present));
    v.number("slot_depth", Q::Length, l.slotDepth_m, 0.0, 0.1,
             told("Slot depth").scales().when(l.present));
    v.number("bend", Q::Angle, l.bend_rad, -60.0 * kDegree, 60.0 * kDegree,
             told("Bent by").when(l.present));
    v.number("bend_at", Q::Length, l.bendAt_m, 0.0, 0.3,
             told("Bent at")
                 .explained("From the skin, along the lip")
                 .scales()
                 .when(l.present && l.bend_rad != 0));
    v.number("notch_width", Q::Length, l.notchWidth_m, 0.0, 0.1,
             told("Notch wide").scales().when(l.present));
    v.number("notch_depth", Q::Length, l.notchDepth_m, 0.0, 0.1,
             told("Notch deep").scales().when(l.present && l.notchWidth_m != 0));
    v.number("hole_diameter", Q::Length, l.holeDiameter_m, 0.0, 0.05,
             told("Hole").scales().when(l.present));
    v.number("hole_at", Q::Length, l.holeAt_m, 0.0, 0.3,
             told("Hole at")
                 .explained("Its middle, from the skin")
                 .scales()
                 .when(l.present && l.holeDiameter_m != 0));
    v.number("twist", Q::Angle, l.twist_rad, -20 * kDegree, 20 * kDegree,
             told("Twisted")
                 .explained("About its own length: over 0, its right edge lies further back")
                 .when(l.present));
    v.number("turn", Q::Angle, l.turn_rad, -20 * kDegree, 20 * kDegree,
             told("Turned")
                 .explained("In its own plane: over 0, its tip points to the right")
                 .when(l.present));
    v.optional("modulus", Q::Stiffness, l.modulus_Pa, 1e5, 3e11,
               told("Stiffness")
                   .explained("Modulus of elasticity of the sheet; empty: the usual of a sheet so "
                              "dense (plastic 2400, laminate 18000, brass 100000, steel 190000)")
                   .when(l.present));
}

template <class V>
void describe(V& v, Tie& t) {
    using Q = Quantity;
    v.choice("place", t.place, kTiePlaces, told("Line ties"));
    v.text("eye", t.eye, kNameBytes, told("Carried by").when(t.place == TiePlace::Body));
    v.number("x", Q::Length, t.x_m, -0.1, kLongestBait_m,
             told("Aft of nose").scales().when(t.place == TiePlace::Body && t.eye.empty()));
    v.number("z", Q::Length, t.z_m, -0.3, 0.3,
             told("Height").scales().when(t.place == TiePlace::Body && t.eye.empty()));
    v.number("up_lip", Q::Length, t.upLip_m, 0.0, 0.3,
             told("Up the lip").scales().when(t.place == TiePlace::Lip));
    v.number("stand_off", Q::Length, t.standOff_m, 0.0, 0.03,
             told("Stands off").when(t.place == TiePlace::Lip));
    v.choice("holes", t.holes, kTieHoles, told("Holes in the lip").when(t.onLip()));
    v.number("hole_spacing", Q::Length, t.holeSpacing_m, 1e-3, 0.05,
             told("Holes apart").scales().when(t.hasTwoHoles()));
    v.number("hole_diameter", Q::Thickness, t.holeDiameter_m, 3e-4, 5e-3,
             told("Hole").when(t.isDrilled()));
    v.number("wire", Q::Thickness, t.wire_m, 0.0, 4e-3,
             told("Wire")
                 .explained("Through the lip and twisted up to the loop; 0: none of its own")
                 .when(t.isDrilled()));
    v.number("loop", Q::Length, t.loop_m, 5e-4, 0.02, told("Loop inside").when(t.isWired()));
    v.number("wire_density", Q::Density, t.wireDensity_kg_m3, 1000.0, 20000.0,
             told("Wire density").when(t.isWired()));
    v.number(
        "leg", Q::Length, t.leg_m, 0.0, 0.1,
        told("Goes on into the body")
            .explained("Both strands back under the lip and into a hole beside its slot, so far "
                       "from the skin line; 0: they end at the lip")
            .scales()
            .when(t.isWired()));
}

}  // namespace wl
