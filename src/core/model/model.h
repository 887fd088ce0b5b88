// Every coefficient of the water's work on a bait, as one value that can be varied and printed.
#pragma once

#include <string>
#include <string_view>
#include <vector>

#include "core/base/quantity.h"
#include "core/base/result.h"
#include "core/base/units.h"

namespace wl {

/// What the reckoning takes as known about water, hull, lip, hooks and line. A value: pass another
/// one in to see what a doubtful coefficient is worth. Bands and sources: coefficients().
struct Model {
    // water
    double waterDensity = 1.0;    ///< times that of the standards
    double waterViscosity = 1.0;  ///< times that of the standards
    double suspendSpeed_m_s = 0.05;
    double woodExpansion_1_K = 6e-5;
    double plasticExpansion_1_K = 3 * 7e-5;
    // hull
    double munk = 0.60;
    double munkLipLoss = 0.13;
    double munkLipFullSpan = 0.7;
    double crossFlow = 1.22;
    double crossFlowLip = 1.0;
    double crossFlowSteep30 = 1.35;
    double crossFlowSteep20 = 2.1;
    double bareLift = 0.36;
    double bluntDrag = 0.33;
    // tall bodies and steep lips: one set, taken whole or not at all
    double tallBodies = 0.0;
    double tallFrom = 1.2;
    double tallFull = 1.9;
    double tallCrossFlowLoss = 0.22;
    double tallLift = 0.13;
    double tallMunk = 0.16;
    double tallMunkInLine = 0.20;
    double tallMunkSteep = 0.41;
    double tallMunkSteepDown = 0.31;
    double tallWakeFlat = -0.20;
    double tallWake15 = -0.14;
    double tallWake35 = 0.19;
    // lip
    double lipOnBodyInLine = 1.15;
    double lipOnBodySteep = 1.07;
    double lipSteepFrom_rad = 25.0 * kDegree;
    double lipSteepTo_rad = 45.0 * kDegree;
    double lipWake = 0.32;
    double lipPressure = 0.30;
    double lipPressureShift = 0.19;
    double plateSideSuction = 1.6;
    double plateStall_rad = 12.0 * kDegree;
    double plateStallReach_rad = 33.0 * kDegree;
    double plateStallAspect_rad = 104.0 * kDegree;
    double plateFriction = 0.006;
    double plateEdge = 0.4;
    // fins, tails, claws, cut faces
    double finSlope = 1.0;
    double finBroadside = 1.17;
    double finCentre = 0.25;
    double finCentreMove = 0.25;
    double finWater = 1.0;
    double finLump = 1.0;
    double bristleSlope = 0.5;
    double bristleDrag = 0.3;
    double faceFront = 0.6;
    double faceCup = 0.25;
    double faceRear = 0.13;
    // hooks and rings
    double wireDrag = 1.1;
    double trebleWire = 2.2;
    double singleWire = 1.2;
    double weedGuardWire = 0.6;
    double ringWire = 2.0;
    // line
    double lineNormal = 1.0;
    double lineSlow = 10.0;
    double lineTangential = 0.010;
    double strumming = 1.2;
    // the bait rolling as it swims
    double rollLoss = 0.0;
    // swimming: hull, plate and the wake that drives them
    double swimCross = 1.1;
    double swimAxial = 0.25;
    double swimDamping = 1.0;
    double swimEdgeLift = 1.1;
    double swimBroadside = 1.17;
    double swimBackShare = 0.3;
    double wakeStrouhal = 0.14;
    double wakeDamping = 0.3;
    double wakeCoupling = 4.0;
    double wakeMostCoupled = 0.7;
    double wakeSide = 0.3;
    double wakePressure = 0.03;
    double wakeFrom_rad = 20.0 * kDegree;
    double wakeFull_rad = 60.0 * kDegree;
    double wakeAtRest = 0.30;
    double wakePeak = 0.75;
    double wakePeakAt = 0.45;
    double wakeEnd = 0.95;
    // pieces on joints, seen from above
    double chainCross = 1.0;
    double chainGapLoss = 0.8;
    double chainHand = 1.0;
    double chainCrossLow = 1.1;
    double chainCrossHigh = 4.0;
    double chainSkinLow = 0.008;
    double chainSkinHigh = 0.03;
    double rodSpring_N_m = 100.0;
    double rodDamping_N_s_m = 3.0;
    // the cast
    double castSpeed_m_s = 28.0;
    double castRod_kg = 0.020;
    double castElevation_rad = 38.0 * kDegree;
    double castHeight_m = 2.0;
    double castAttitude_rad = -55.0 * kDegree;
    double castTurn_rad_s = -25.0;
    double castScatter = 1.0;
    double airCrossFlow = 1.1;
    double airMunk = 0.5;
    double airShedLift = 0.5;
    double airTailFirst = 1.5;
    double airShelter = 0.3;
    double airHooks = 1.0;
    double airLine = 0.006;
    double spoolTakeOff = 1.0;
    double spoolPull = 0.5;
    double spoolRub_N = 0.03;
    double spoolBrake_N = 0.1;
    double spoolMomentum = 1.5;
    double bandCast = 0.45;
    double bandCastKnown = 0.20;
    // what the sources above leave out of the depth's band
    double bandInLine = 0.25;
    double bandSteep = 0.40;
    double bandShallower_m = 0.3;
    double bandDeeper_m = 0.6;
    double bandLipless_m = 0.4;
    // band of the free speed
    double bandFall = 0.25;
    bool operator==(const Model&) const = default;

    /// Whether the set measured on tall bodies and steep lips is in force: half of it is not.
    bool takesTallBodies() const { return tallBodies >= 0.5; }
};

/// One row of the table of coefficients.
struct Coefficient {
    const char* group;  ///< "water", "hull", "tall", "lip", "fins", "hooks", "line", "swing",
                        ///< "swim", "chain", "cast", "band"
    const char* key;
    double Model::*value;
    Quantity quantity;
    double low;  ///< the band it is believed to lie in
    double high;
    const char* what;    ///< in plain words
    const char* source;  ///< published, recalled, own flow solutions, or assumed
};

/// Every member of Model, once, in its order.
const std::vector<Coefficient>& coefficients();

/// The model with one coefficient changed, written "munk=0.7", in the unit the table gives. Errors:
/// "model.no_such" (word: what was named), "model.no_number" (words: which, what stands there),
/// "model.out_of_range" (words: which, what stands there, least, most): farther from the band than
/// the band is wide, or less than half its low end.
Result<Model> withCoefficient(const Model& model, std::string_view assignment);

/// The table as Markdown: group, name, value with unit, band, what it is, source.
std::string modelTable(const Model& model = {});

}  // namespace wl
