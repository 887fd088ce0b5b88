#include "core/model/model.h"

#include <algorithm>

#include "core/base/decimal.h"

namespace wl {

const std::vector<Coefficient>& coefficients() {
    constexpr Quantity kNumber = Quantity::Number, kAngle = Quantity::Angle;
    constexpr const char* kFlow = "own flow solutions of a 76 x 20 x 24 mm body (k-omega SST)";
    constexpr const char* kSlab =
        "own flow solutions of a 120 x 16 x 30 mm slab and a 121 x 16 x 39 mm body";
    constexpr const char* kHoerner = "Hoerner, Fluid-Dynamic Drag (recalled)";
    constexpr double kDeg = kDegree;
    static const std::vector<Coefficient> rows{
        {"water", "water_density", &Model::waterDensity, kNumber, 0.9998, 1.0002,
         "density, times Tanaka 2001 with EOS-80 salt terms", "Tanaka et al. 2001; UNESCO 1981"},
        {"water", "water_viscosity", &Model::waterViscosity, kNumber, 0.98, 1.02,
         "viscosity, times IAPWS R12-08", "IAPWS R12-08, table 2"},
        {"water", "suspend_speed", &Model::suspendSpeed_m_s, Quantity::Speed, 0.03, 0.08,
         "a bait that drifts slower is said to suspend", "chosen"},
        {"water", "wood_expansion", &Model::woodExpansion_1_K, kNumber, 3e-5, 1e-4,
         "swelling of wood with temperature, 1/K", "mean of the grain directions (recalled)"},
        {"water", "plastic_expansion", &Model::plasticExpansion_1_K, kNumber, 1.5e-4, 3e-4,
         "swelling of plastics with temperature, 1/K", "engineering handbook (recalled)"},
        {"hull", "munk", &Model::munk, kNumber, 0.50, 0.70,
         "share of Munk's couple a body without a lip feels", kFlow},
        {"hull", "munk_lip_loss", &Model::munkLipLoss, kNumber, 0.05, 0.20,
         "what a wide lip takes of that share", kFlow},
        {"hull", "munk_lip_full_span", &Model::munkLipFullSpan, kNumber, 0.5, 1.0,
         "lip width, in body widths, from which it takes all of that", kFlow},
        {"hull", "cross_flow", &Model::crossFlow, kNumber, 0.8, 1.6,
         "cross-flow drag of a body without a lip, times its section's", kFlow},
        {"hull", "cross_flow_lip", &Model::crossFlowLip, kNumber, 0.8, 1.3,
         "the same behind a lip in line with the body", kFlow},
        {"hull", "cross_flow_steep_30", &Model::crossFlowSteep30, kNumber, 1.0, 1.7,
         "the same behind a steep lip, body 30 degrees nose down", kFlow},
        {"hull", "cross_flow_steep_20", &Model::crossFlowSteep20, kNumber, 1.5, 2.6,
         "the same, body 20 degrees nose down or less", kFlow},
        {"hull", "bare_lift", &Model::bareLift, kNumber, 0.2, 0.5,
         "lift of a body without a lip, per frontal area", kFlow},
        {"hull", "blunt_drag", &Model::bluntDrag, kNumber, 0.2, 0.5,
         "pressure drag at small Reynolds numbers, per frontal area and bluntness", kHoerner},
        {"tall", "tall_bodies", &Model::tallBodies, kNumber, 0, 1,
         "1 takes the set below, for bodies taller than wide behind steep lips; 0 leaves it",
         kSlab},
        {"tall", "tall_from", &Model::tallFrom, kNumber, 1.1, 1.3,
         "height over width from which it begins to count", kSlab},
        {"tall", "tall_full", &Model::tallFull, kNumber, 1.7, 2.1,
         "height over width from which it counts in full", kSlab},
        {"tall", "tall_cross_flow_loss", &Model::tallCrossFlowLoss, kNumber, 0.15, 0.30,
         "what a tall body has less of cross-flow without a lip", kSlab},
        {"tall", "tall_lift", &Model::tallLift, kNumber, 0.08, 0.18,
         "its lift, per plan area, in place of that by frontal area", kSlab},
        {"tall", "tall_munk", &Model::tallMunk, kNumber, 0.13, 0.19,
         "what it feels more of Munk's couple without a lip", kSlab},
        {"tall", "tall_munk_in_line", &Model::tallMunkInLine, kNumber, 0.10, 0.30,
         "the same behind a lip in line", kSlab},
        {"tall", "tall_munk_steep", &Model::tallMunkSteep, kNumber, 0.31, 0.51,
         "the same behind a steep lip, to 25 degrees nose down", kSlab},
        {"tall", "tall_munk_steep_down", &Model::tallMunkSteepDown, kNumber, 0.21, 0.41,
         "the same from 35 degrees nose down on", kSlab},
        {"tall", "tall_wake_flat", &Model::tallWakeFlat, kNumber, -0.28, -0.12,
         "drag in the wake of a steep lip, per lip area, near level", kSlab},
        {"tall", "tall_wake_15", &Model::tallWake15, kNumber, -0.22, -0.06,
         "the same at 15 degrees nose down", kSlab},
        {"tall", "tall_wake_35", &Model::tallWake35, kNumber, 0.11, 0.27,
         "the same at 35 degrees nose down; at 25 none, at 45 the lip's own", kSlab},
        {"lip", "lip_on_body_in_line", &Model::lipOnBodyInLine, kNumber, 1.02, 1.28,
         "force on a lip in line with the body, times a free plate's", kFlow},
        {"lip", "lip_on_body_steep", &Model::lipOnBodySteep, kNumber, 0.95, 1.19,
         "the same for a steep lip", kFlow},
        {"lip", "lip_steep_from", &Model::lipSteepFrom_rad, kAngle, 20 * kDeg, 30 * kDeg,
         "a lip counts as in line up to this angle to the body", "from the flow solutions"},
        {"lip", "lip_steep_to", &Model::lipSteepTo_rad, kAngle, 40 * kDeg, 50 * kDeg,
         "and as steep from this angle on", "from the flow solutions"},
        {"lip", "lip_wake", &Model::lipWake, kNumber, 0.15, 0.5,
         "drag of the body in the wake of a steep lip, per lip area", kFlow},
        {"lip", "lip_pressure", &Model::lipPressure, kNumber, 0.26, 0.34,
         "centre of pressure from the leading edge, share of the length, at no incidence",
         "fit to plates (recalled)"},
        {"lip", "lip_pressure_shift", &Model::lipPressureShift, kNumber, 0.15, 0.23,
         "how far it moves back to broadside", "fit to plates (recalled)"},
        {"lip", "plate_side_suction", &Model::plateSideSuction, kNumber, 1.3, 1.9,
         "suction of the side edges, over aspect^0.8", "Lamar 1974 (recalled)"},
        {"lip", "plate_stall", &Model::plateStall_rad, kAngle, 10 * kDeg, 14 * kDeg,
         "stall of a plate of great span", "fit to plates (recalled)"},
        {"lip", "plate_stall_reach", &Model::plateStallReach_rad, kAngle, 28 * kDeg, 38 * kDeg,
         "most that a short span adds to it", "fit to plates (recalled)"},
        {"lip", "plate_stall_aspect", &Model::plateStallAspect_rad, kAngle, 90 * kDeg, 120 * kDeg,
         "what it adds, over (1 + aspect)^2", "fit to plates (recalled)"},
        {"lip", "plate_friction", &Model::plateFriction, kNumber, 0.003, 0.010,
         "skin friction of a plate, each side", kHoerner},
        {"lip", "plate_edge", &Model::plateEdge, kNumber, 0.2, 0.8,
         "drag of a square edge, per edge area", kHoerner},
        {"fins", "fin_slope", &Model::finSlope, kNumber, 0.8, 1.2,
         "lift of a fin, tail or claw over its incidence, times Helmbold's",
         "Helmbold 1942 (recalled)"},
        {"fins", "fin_broadside", &Model::finBroadside, kNumber, 1.05, 1.30,
         "drag of one broadside to the flow", kHoerner},
        {"fins", "fin_centre", &Model::finCentre, kNumber, 0.20, 0.30,
         "place of a fin's load in line with the flow, behind its leading edge, of its chord",
         "thin-aerofoil theory, a quarter (recalled)"},
        {"fins", "fin_centre_move", &Model::finCentreMove, kNumber, 0.10, 0.25,
         "how far back that goes broadside, of its chord",
         "half the chord by symmetry; between, assumed"},
        {"fins", "fin_water", &Model::finWater, kNumber, 0.8, 1.2,
         "water a fin moves with it, times a plate's", "Patton 1965, Blevins 1979 (recalled)"},
        {"fins", "fin_lump", &Model::finLump, kNumber, 0.6, 1.3,
         "drag of one thicker than a third of its chord, per area seen", "assumed"},
        {"fins", "bristle_slope", &Model::bristleSlope, kNumber, 0.2, 0.8,
         "lift of bristles, times a fin's", "assumed"},
        {"fins", "bristle_drag", &Model::bristleDrag, kNumber, 0.1, 0.5,
         "drag of bristles along the flow, per area", "assumed"},
        {"fins", "face_front", &Model::faceFront, kNumber, 0.4, 0.8,
         "drag a flat nose adds to a round one's, per area", kHoerner},
        {"fins", "face_cup", &Model::faceCup, kNumber, 0.0, 0.4,
         "share more for a dish as deep as it is wide to the middle", kHoerner},
        {"fins", "face_rear", &Model::faceRear, kNumber, 0.08, 0.20,
         "suction behind a cut tail, per area", kHoerner},
        {"hooks", "wire_drag", &Model::wireDrag, kNumber, 1.0, 1.2, "a wire across the flow",
         kHoerner},
        {"hooks", "treble_wire", &Model::trebleWire, kNumber, 1.5, 3.3,
         "wire of a treble seen by the flow, in hook lengths", "assumed"},
        {"hooks", "single_wire", &Model::singleWire, kNumber, 0.8, 1.8, "the same of a single hook",
         "assumed"},
        {"hooks", "weed_guard_wire", &Model::weedGuardWire, kNumber, 0.4, 0.9,
         "what a weed guard adds", "assumed"},
        {"hooks", "ring_wire", &Model::ringWire, kNumber, 1.3, 3.0,
         "wire of a ring seen by the flow, in diameters", "assumed"},
        {"line", "line_normal", &Model::lineNormal, kNumber, 0.9, 1.1,
         "drag across the line far from rest", "White, Viscous Fluid Flow (recalled)"},
        {"line", "line_slow", &Model::lineSlow, kNumber, 8.0, 12.0,
         "what slowness adds, over Re^(2/3)", "White, Viscous Fluid Flow (recalled)"},
        {"line", "line_tangential", &Model::lineTangential, kNumber, 0.005, 0.020,
         "drag along the line, per wetted area", "Berteaux, Buoy Engineering (recalled)"},
        {"line", "strumming", &Model::strumming, kNumber, 1.0, 1.5,
         "drag across a strumming line, times a still one's: it strums some of the way",
         "middle of still and strumming, assumed"},
        {"swing", "roll_loss", &Model::rollLoss, kNumber, 0.0, 0.09,
         "share of its lift a bait loses by rolling; 1 - J0(35 degrees) at the widest",
         "mean of the cosine of a swing; how far it rolls is not known"},
        {"swim", "swim_cross", &Model::swimCross, kNumber, 0.9, 1.3,
         "drag across an elliptic section as broad as high, swaying", "Hoerner (recalled), fitted"},
        {"swim", "swim_axial", &Model::swimAxial, kNumber, 0.15, 0.4,
         "drag along the swimming body, of its greatest section", "assumed"},
        {"swim", "swim_damping", &Model::swimDamping, kNumber, 0.7, 2.0,
         "water's hold on the swaying hull, times that of its sections", "assumed"},
        {"swim", "swim_edge_lift", &Model::swimEdgeLift, kNumber, 0.8, 1.4,
         "least lift of a section edge on, per radian", "thin sections of low aspect, assumed"},
        {"swim", "swim_broadside", &Model::swimBroadside, kNumber, 1.05, 1.25,
         "drag of the plate broadside", "square plate, Hoerner (recalled)"},
        {"swim", "swim_back_share", &Model::swimBackShare, kNumber, 0.15, 0.5,
         "load of the back ahead of the tie of a bait without a lip, of a plate's", "assumed"},
        {"swim", "wake_strouhal", &Model::wakeStrouhal, kNumber, 0.12, 0.16,
         "beats of the wake by speed across the plate and width of the wake",
         "Fage & Johansen 1927 (recalled)"},
        {"swim", "wake_damping", &Model::wakeDamping, kNumber, 0.1, 0.6,
         "how fast the wake finds its own swing",
         "Facchinetti, de Langre & Biolley 2004 (recalled)"},
        {"swim", "wake_coupling", &Model::wakeCoupling, kNumber, 2.0, 12.0,
         "how the plate's acceleration drives the wake",
         "12 of a free cylinder (same source, recalled) lowered, for a plate's wake would run away "
         "with the body"},
        {"swim", "wake_most_coupled", &Model::wakeMostCoupled, kNumber, 0.5, 0.73,
         "most of that drive which is the plate's own",
         "a free cylinder's never passes 0.73 (recalled)"},
        {"swim", "wake_side", &Model::wakeSide, kNumber, 0.15, 0.6,
         "side force of a wake at rest, by the wake's width", "cylinders (recalled), assumed here"},
        {"swim", "wake_pressure", &Model::wakePressure, kNumber, 0.01, 0.06,
         "swing of the pressure over the plate, by its width", "assumed"},
        {"swim", "wake_from", &Model::wakeFrom_rad, kAngle, 15 * kDeg, 25 * kDeg,
         "incidence from which a plate sheds by turns",
         "Taira & Colonius 2009 (recalled), assumed"},
        {"swim", "wake_full", &Model::wakeFull_rad, kAngle, 50 * kDeg, 70 * kDeg,
         "incidence from which all of it does", "Taira & Colonius 2009 (recalled), assumed"},
        {"swim", "wake_at_rest", &Model::wakeAtRest, kNumber, 0.15, 0.45,
         "lift of the wake in step with a plate that hardly swings",
         "bluff bodies forced and free (recalled)"},
        {"swim", "wake_peak", &Model::wakePeak, kNumber, 0.45, 1.0, "and at its greatest",
         "bluff bodies forced and free (recalled)"},
        {"swim", "wake_peak_at", &Model::wakePeakAt, kNumber, 0.40, 0.50,
         "half-swing in widths of the wake at which it is greatest",
         "bluff bodies forced and free (recalled)"},
        {"swim", "wake_end", &Model::wakeEnd, kNumber, 0.75, 1.10,
         "and from which the wake gives nothing more", "bluff bodies forced and free (recalled)"},
        {"chain", "chain_cross", &Model::chainCross, kNumber, 0.8, 1.25,
         "drag across a bait in pieces walked with the rod, times that of its sections",
         "Hoerner; Jorgensen 1977 (recalled), fitted"},
        {"chain", "chain_gap_loss", &Model::chainGapLoss, kNumber, 0.5, 1.0,
         "share of the water's momentum lost at a joint of a bait walked with the rod",
         "assumed: 0 a sealed skin, 1 wings apart"},
        {"chain", "chain_hand", &Model::chainHand, kNumber, 0.5, 1.0,
         "share of the water's momentum handed on at a joint of a bait that snakes",
         "own flow solutions in the plane: no wake from a gap of 4 % of the length"},
        {"chain", "chain_cross_low", &Model::chainCrossLow, kNumber, 1.0, 1.3,
         "drag across a snaking bait, by its depth: little", "Hoerner (recalled)"},
        {"chain", "chain_cross_high", &Model::chainCrossHigh, kNumber, 3.0, 5.5,
         "and much: short strokes drag more than long",
         "Keulegan & Carpenter 1958, Graham 1980 (recalled), lowered for the stream"},
        {"chain", "chain_skin_low", &Model::chainSkinLow, kNumber, 0.005, 0.012,
         "drag along each side of a snaking bait: little", "smooth skin"},
        {"chain", "chain_skin_high", &Model::chainSkinHigh, kNumber, 0.02, 0.04,
         "and much: hooks, eyes and joints", "assumed"},
        {"chain", "rod_spring", &Model::rodSpring_N_m, kNumber, 40, 250,
         "stiffness of rod tip and line together, N/m", "assumed"},
        {"chain", "rod_damping", &Model::rodDamping_N_s_m, kNumber, 1, 6,
         "and their damping, N s/m", "assumed"},
        {"cast", "cast_speed", &Model::castSpeed_m_s, Quantity::Speed, 22, 36,
         "a bait of 20 g leaves the rod at, where no cast was measured", "assumed"},
        {"cast", "cast_rod", &Model::castRod_kg, Quantity::Mass, 0.010, 0.040,
         "mass of the rod that moves with the bait", "assumed"},
        {"cast", "cast_elevation", &Model::castElevation_rad, kAngle, 31 * kDeg, 45 * kDeg,
         "it leaves at, over the level", "assumed"},
        {"cast", "cast_height", &Model::castHeight_m, Quantity::Distance, 1.5, 2.5,
         "and from this high over the water", "assumed"},
        {"cast", "cast_attitude", &Model::castAttitude_rad, kAngle, -90 * kDeg, -20 * kDeg,
         "its nose over its way as it leaves: it hangs outward and lags", "assumed"},
        {"cast", "cast_turn", &Model::castTurn_rad_s, kNumber, -45, -5,
         "turning as it leaves, radians a second", "speed of overtaking the tip by drop of line"},
        {"cast", "cast_scatter", &Model::castScatter, kNumber, 0.94, 1.06,
         "speed of one throw, times the usual", "assumed"},
        {"cast", "air_cross_flow", &Model::airCrossFlow, kNumber, 0.8, 1.4,
         "drag across the body in air, times its section's", "assumed"},
        {"cast", "air_munk", &Model::airMunk, kNumber, 0.30, 0.65,
         "share of Munk's couple the body feels in air", "Munk 1924 (recalled); share assumed"},
        {"cast", "air_shed_lift", &Model::airShedLift, kNumber, 0, 1,
         "share of the slender-body lift its turning sheds",
         "Hopkins 1951 (recalled); half assumed"},
        {"cast", "air_tail_first", &Model::airTailFirst, kNumber, 1, 2,
         "drag tail first, times that nose first", "assumed"},
        {"cast", "air_shelter", &Model::airShelter, kNumber, 0, 0.5,
         "what the body takes off a lip that trails behind it", "assumed"},
        {"cast", "air_hooks", &Model::airHooks, kNumber, 0.7, 1.3,
         "drag of the hooks, times theirs", "assumed"},
        {"cast", "air_line", &Model::airLine, kNumber, 0.003, 0.012,
         "drag of the air along the line, per its surface", "assumed"},
        {"cast", "spool_take_off", &Model::spoolTakeOff, kNumber, 0.5, 1.8,
         "pull of the line off the reel, times that reckoned", "assumed"},
        {"cast", "spool_pull", &Model::spoolPull, kNumber, 0, 1,
         "way the line pulls: 0 back along its track, 1 to the rod tip", "assumed"},
        {"cast", "spool_rub", &Model::spoolRub_N, Quantity::Force, 0.01, 0.06,
         "rub of the line over a standing spool at any speed", "assumed"},
        {"cast", "spool_brake", &Model::spoolBrake_N, Quantity::Force, 0.05, 0.2,
         "brake and thumb on a turning spool", "assumed"},
        {"cast", "spool_momentum", &Model::spoolMomentum, kNumber, 1, 2,
         "line mass times speed squared off a standing spool: 1 is its own, the rest rubs",
         "momentum of a chain drawn from rest; rub assumed"},
        {"band", "band_cast", &Model::bandCast, kNumber, 0.35, 0.6,
         "share of the distance of a cast, none measured", "sum of squares of the factors above"},
        {"band", "band_cast_known", &Model::bandCastKnown, kNumber, 0.15, 0.25,
         "the same after one measured cast", "model and one throw's own scatter"},
        {"band", "band_in_line", &Model::bandInLine, kNumber, 0.15, 0.40,
         "share of the depth left open beside the sources, lip in line", "judged, not from trials"},
        {"band", "band_steep", &Model::bandSteep, kNumber, 0.25, 0.60,
         "the same with a steep lip or none", "judged, not from trials"},
        {"band", "band_steep_shallower", &Model::bandShallower_m, Quantity::Distance, 0.2, 0.4,
         "and at least this on the shallow side, steep lip", "judged from makers' depths"},
        {"band", "band_steep_deeper", &Model::bandDeeper_m, Quantity::Distance, 0.4, 0.8,
         "and at least this on the deep side, steep lip", "judged from makers' depths"},
        {"band", "band_lipless", &Model::bandLipless_m, Quantity::Distance, 0.3, 0.6,
         "and at least this either way, no lip", "judged, not from trials"},
        {"band", "band_fall", &Model::bandFall, kNumber, 0.15, 0.40,
         "share of the speed of a bait let go", "judged, not from trials"},
    };
    return rows;
}

Result<Model> withCoefficient(const Model& model, std::string_view assignment) {
    const std::string_view key = assignment.substr(0, assignment.find('='));
    for (const Coefficient& c : coefficients()) {
        if (key != c.key) {
            continue;
        }
        const std::string_view typed =
            key.size() < assignment.size() ? assignment.substr(key.size() + 1) : std::string_view{};
        const auto value = decimalFrom(typed);
        if (!value) {
            return Error{"model.no_number", "", {std::string(key), std::string(typed)}};
        }
        const double wanted = fromFile(c.quantity, *value), width = c.high - c.low;
        const double least = std::max(c.low / 2, c.low - width), most = c.high + width;
        const double rounding = 1e-9 * width;
        if (!(wanted >= least - rounding && wanted <= most + rounding)) {
            return Error{
                "model.out_of_range",
                "",
                {std::string(key), std::string(typed), decimalText(toFile(c.quantity, least), 6),
                 decimalText(toFile(c.quantity, most), 6)}};
        }
        Model changed = model;
        changed.*c.value = wanted;
        return changed;
    }
    return Error{"model.no_such", "", {std::string(key)}};
}

std::string modelTable(const Model& model) {
    const auto text = [](const Coefficient& c, double value) {
        return decimalText(toFile(c.quantity, value), 6);
    };
    std::string out =
        "| group | coefficient | value | band | what it is | source |\n"
        "|---|---|---|---|---|---|\n";
    for (const Coefficient& c : coefficients()) {
        const std::string unit = unitLabel(c.quantity, Bench::Metric);
        out += std::string("| ") + c.group + " | `" + c.key + "` | " + text(c, model.*c.value) +
               (unit.empty() ? "" : " " + unit) + " | " + text(c, c.low) + " to " +
               text(c, c.high) + " | " + c.what + " | " + c.source + " |\n";
    }
    return out;
}

}  // namespace wl
