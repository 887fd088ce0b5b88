// Hinges, fittings and the lip.
#include <algorithm>
#include <cmath>

#include "core/placed/eyes.h"
#include "core/placed/placing.h"

namespace wl {

using Eigen::Vector3d;

namespace {

void placeJoint(Placing& p, size_t i) {
    const Joint& j = p.design.joints[i];
    const JointCut& cut = p.body.cuts[i];
    p.begin({RecordList::Joints, i}, j.name);
    // The piece with the pocket holds the pin.
    const size_t piece = j.pocket == PocketIn::RearPiece ? i + 1 : i;
    p.cut(piece, cut.pocketVolume_m3, cut.pocketCentroid_m);
    p.displace(piece, cut.pocketCentroid_m, -cut.pocketVolume_m3);
    const Vector3d at(cut.pinX_m, 0, cut.midZ_m);
    MassItem& hinge = p.item(PartKind::Hinge, j.weighedMass_kg ? Origin::Weighed : Origin::Typical,
                             BuildStage::Fitted, piece);
    hinge.mass_kg = j.weighedMass_kg.value_or(j.typicalMass_kg);
    hinge.centre_m = at;
    const double volume = hinge.mass_kg / j.hardwareDensity_kg_m3;
    // What of the pin stands in wood takes wood's place; the rest is in the water of the gap.
    const double pin =
        kPi / 4 * j.pinDiameter_m * j.pinDiameter_m *
        std::max(0.0, j.pinLength_m - (j.pocket == PocketIn::None ? 0.0 : j.pocketHeight_m));
    const double inWood = j.kind == HingeKind::Pin ? std::min(volume, pin) : 0.5 * volume;
    p.cut(piece, inWood, at);
    hinge.displaced_m3 = volume - inWood;
    p.displace(piece, at, hinge.displaced_m3);
    const double spread = p.partSpread_kg(hinge.mass_kg, bool(j.weighedMass_kg));
    hinge.netDoubt_kg =
        spread * kHalfWidthToStandard * (1 - p.water_kg_m3 / j.hardwareDensity_kg_m3);
    if (j.pocket != PocketIn::None) {
        Embedded pocket;
        pocket.kind = Embedded::Kind::Pocket;
        pocket.tool = pocketTool(j, cut);
        pocket.face = j.pocket == PocketIn::FrontPiece ? cut.frontPieceFace : cut.rearPieceFace;
        p.embed(pocket);
    }
    if (j.kind == HingeKind::Pin) {
        Embedded solid;
        solid.kind = Embedded::Kind::Pin;
        solid.tool = pinTool(j, cut);
        p.embed(solid);
    }
}

// A stem let in, and the ring outside: a weighed eye keeps the shares of its wire.
struct Stemmed {
    double outside_m3;
    Vector3d centre_m;
};
Stemmed placeStem(Placing& p, const Fitting& f, const Vector3d& at, double volume, double side) {
    const EyeWire wire = measureEye(f);
    const double stem = volume * wire.stem_m3 / (wire.stem_m3 + wire.ring_m3);
    const std::vector<WireBar> bars = stemBars(f, side);
    Stemmed shares{volume - stem, at};
    for (const auto& [from, end] : bars) {
        const double share = stem / double(bars.size());
        shares.outside_m3 += p.letIn(from, end, share);
        shares.centre_m += share / volume * (0.5 * (from + end) - at);
    }
    return shares;
}

void placeFitting(Placing& p, const Fitting& f, double side) {
    const Vector3d place = fittingPlace(p.design, f);
    const double mass = fittingMass_kg(f);
    const double volume = mass / f.density_kg_m3;
    const bool stemmed = isWireForm(f.kind) && f.fromWire && f.shank_m > 0;
    const double sunk = swings(f.kind) || stemmed ? 0.0 : f.sunk;
    const size_t piece = p.pieceOf(place.x());
    const Vector3d at(place.x(), side * place.y(), place.z());
    const Origin origin = f.weighedMass_kg ? Origin::Weighed
                          : f.fromWire     ? Origin::Computed
                                           : Origin::Typical;
    const size_t index = p.items.size();
    p.item(PartKind::Fitting, origin, BuildStage::Fitted, piece);
    const Stemmed shares =
        stemmed ? placeStem(p, f, at, volume, side) : Stemmed{volume * (1 - sunk), at};
    MassItem& part = p.items[index];
    part.mass_kg = mass;
    part.displaced_m3 = shares.outside_m3;
    part.centre_m = shares.centre_m;
    const double spread = origin == Origin::Computed
                              ? kWireSpread * mass
                              : p.partSpread_kg(mass, bool(f.weighedMass_kg));
    const double inside = volume > 0 ? 1 - shares.outside_m3 / volume : 0.0;
    part.netDoubt_kg = spread * kHalfWidthToStandard *
                       std::abs(1 - (p.water_kg_m3 * (1 - inside) + p.densityOf(piece) * inside) /
                                        f.density_kg_m3);
    p.cut(piece, volume * sunk, at);
    p.displace(piece, at, part.displaced_m3);
    if (isWireForm(f.kind) && f.shank_m > 0) {
        for (const auto& [from, to] : stemBars(f, side)) {
            Embedded& stem = p.embed(
                barBetween({}, {}, Embedded::Kind::Stem, from, to, measureEye(f).stemRadius_m));
            stem.moves = true;
            stem.lead = f.kind == FittingKind::Hanger || f.kind == FittingKind::Clip;
        }
    }
}

}  // namespace

void placeJoints(Placing& p) {
    for (size_t i = 0; i < p.body.cuts.size(); ++i) {
        placeJoint(p, i);
    }
    for (size_t i = 0; i < p.body.parts.size(); ++i) {
        const BodyPart& part = p.body.parts[i];
        if (!part.appendage || p.design.appendages[part.index].hardwareMass_kg <= 0) {
            continue;
        }
        const Appendage& a = p.design.appendages[part.index];
        p.begin({RecordList::Appendages, part.index}, a.name);
        MassItem& hinge = p.item(PartKind::Hinge, Origin::Typical, BuildStage::Fitted, i);
        hinge.mass_kg = a.hardwareMass_kg;
        hinge.centre_m = part.pivot_m;
        hinge.displaced_m3 = a.hardwareMass_kg / a.hardwareDensity_kg_m3;
        hinge.netDoubt_kg = p.design.errors.typicalMass * a.hardwareMass_kg * kHalfWidthToStandard;
        p.displace(i, hinge.centre_m, hinge.displaced_m3);
    }
}

void placeFittings(Placing& p) {
    for (size_t i = 0; i < p.design.fittings.size(); ++i) {
        const Fitting& f = p.design.fittings[i];
        p.begin({RecordList::Fittings, i}, f.name);
        placeFitting(p, f, 1.0);
        if (f.mirrored) {
            placeFitting(p, f, -1.0);
        }
    }
}

// The hole for the strands of a tie's wire, glued shut round them. Gives the metal's share that is
// in the open for all that.
double placeTieLeg(Placing& p, const CutTool& hole, double metal_m3) {
    constexpr double kGlue_kg_m3 = 1150.0;
    const size_t piece = p.pieceOf(hole.mouth_m.x());
    const CutVolume cut = measureCut(p.body.curves, hole, p.tools());
    p.hollow(hole);
    p.cut(piece, cut.removed_m3, cut.centroid_m);
    p.fill(hole, kGlue_kg_m3, p.items.size());
    MassItem& glue = p.item(PartKind::Filler, Origin::Computed, BuildStage::Fitted, piece,
                            "glue of the tie wire", "/tie/leg");
    glue.mass_kg = kGlue_kg_m3 * cut.removed_m3;
    glue.centre_m = cut.centroid_m;
    Embedded solid;
    solid.kind = Embedded::Kind::TieHole;
    solid.tool = hole;
    p.embed(solid).name = "tie wire";
    const Eigen::Vector3d bottom = hole.mouth_m + hole.depth_m * hole.inward;
    return p.letIn(bottom - p.design.tie.leg_m * hole.inward, bottom, metal_m3);
}

void placeLip(Placing& p) {
    const Lip& lip = p.design.lip;
    if (!lip.present) {
        return;
    }
    p.begin({RecordList::Lip}, "lip");
    const LipSheet sheet = measureLip(lip);
    p.placed.lip = sheet;
    p.lipPiece = p.pieceOf(lip.slotX_m);
    MassItem& part = p.item(PartKind::Lip, Origin::Computed, BuildStage::Fitted, p.lipPiece,
                            lip.material, "/lip");
    part.mass_kg = sheet.mass_kg;
    part.displaced_m3 = sheet.outsideVolume_m3;
    part.centre_m = sheet.centreOfMass_m;
    part.netDoubt_kg = p.design.errors.lipThickness * sheet.mass_kg * kHalfWidthToStandard;
    p.cut(p.lipPiece, sheet.insideVolume_m3, sheet.insideCentroid_m);
    const TieWire wire = measureTieWire(p.design);
    const double drilled = wire.holes_m3;
    part.mass_kg -= lip.density_kg_m3 * drilled;
    part.displaced_m3 -= drilled;
    if (wire.mass_kg > 0) {
        MassItem& tie = p.item(PartKind::Fitting, Origin::Computed, BuildStage::Fitted, p.lipPiece,
                               "tie wire", "/tie/wire");
        tie.mass_kg = wire.mass_kg;
        tie.displaced_m3 = wire.volume_m3 - wire.legs_m3;
        tie.centre_m = wire.centre_m;
        tie.netDoubt_kg = kWireSpread * wire.mass_kg * kHalfWidthToStandard;
        if (const auto hole = tieLegHole(p.design, p.body.curves)) {
            tie.displaced_m3 += placeTieLeg(p, *hole, wire.legs_m3);
        } else {
            tie.displaced_m3 = wire.volume_m3;
        }
        if (wire.legs_m3 > 0) {
            const double half = 0.5 * (lip.thickness_m + p.design.tie.wire_m);
            const Eigen::Vector3d legs = lipPlace(lip, -0.5 * p.design.tie.leg_m, -half);
            tie.centre_m += wire.legs_m3 / wire.volume_m3 * (legs - tie.centre_m);
        }
        p.displace(p.lipPiece, wire.centre_m, tie.displaced_m3);
    }
    p.displace(p.lipPiece, lipPlace(lip, p.design.tie.upLip_m), -drilled);
    p.lipPlate = lipMesh(lip);
    p.displace(p.lipPiece, lipPlace(lip, lip.holeAt_m), -sheet.hole_m3);
    if (lip.slotDepth_m > 0) {
        Embedded slot;
        slot.kind = Embedded::Kind::LipSlot;
        slot.open = true;
        slot.tool.mouth_m = {lip.slotX_m, lip.slotY_m, lip.slotZ_m};
        slot.tool.inward = -lipAxes(lip).along;
        slot.tool.along = lipAxes(lip).across;
        slot.tool.round = false;
        slot.tool.halfAlong_m = 0.5 * lipRootWidth_m(lip);
        slot.tool.halfAcross_m = 0.5 * lip.thickness_m;
        slot.tool.depth_m = lip.slotDepth_m;
        p.embed(slot);
    }
}

}  // namespace wl
