#include "core/chain/chain_bait.h"

#include <algorithm>
#include <cmath>

#include "core/motion/hull_loads.h"
#include "core/motion/surface_loads.h"
#include "core/placed/lip_sheet.h"
#include "core/swim/wobble_body.h"

namespace wl {
namespace {

constexpr int kStrips = 40;
constexpr double kTailStop_rad = 60 * kDegree, kTailDamping = 0.15, kSideways = 0.5;
constexpr double kUsualBeats_1_s = 2;

bool standsUpright(const Surface& s) {
    return std::abs(s.normal.y()) > kSideways;
}

// The soft tail that bends with the water: the last of those that are softer than a fin.
const Surface* bendingTail(const Derived& d, double speed, double& holds) {
    const Surface* found = nullptr;
    for (const Surface& s : d.mass->surfaces) {
        if (s.kind != Surface::Kind::SoftTail || s.leftOut() || !standsUpright(s) ||
            s.record.list != RecordList::Fittings) {
            continue;
        }
        const Fitting& f = d.design->fittings[s.record.index];
        const double spring = softTailSpring_N_m(f.modulus_Pa.value_or(kSoftTailModulus_Pa),
                                                 s.span_m, s.thickness_m, s.chord_m);
        const double water =
            0.5 * d.waterDensity_kg_m3 * speed * speed * s.span_m * s.chord_m * s.chord_m;
        if (spring < kStiffTail * water) {
            found = &s;
            holds = spring / water;
        }
    }
    return found;
}

// A tail fin on a hinge of its own in the middle plane.
const BodyPart* hingedFin(const Derived& d) {
    constexpr double kMiddle_m = 0.5e-3, kAtTail = 0.85, kAskew_rad = 10 * kDegree;
    for (const BodyPart& part : d.shape->parts) {
        if (!part.appendage) {
            continue;
        }
        const Appendage& a = d.design->appendages[part.index];
        if (!a.mirrored && std::abs(a.hingeY_m) < kMiddle_m && std::abs(a.splay_rad) < kAskew_rad &&
            a.swing_rad >= kLeastOpening_rad &&
            a.hingeX_m >= kAtTail * d.shape->curves.length_m()) {
            return &part;
        }
    }
    return nullptr;
}

PlanarPiece sliced(const BodyCurves& curves, double from, double to, double before = 0) {
    PlanarPiece piece;
    piece.pin_m = before + from;
    piece.length_m = to - from;
    for (int k = 0; k < kStrips; ++k) {
        PlanarStrip s;
        s.dx_m = piece.length_m / kStrips;
        s.at_m = before + from + (k + 0.5) * s.dx_m;
        const Section section = curves.atX(from + (k + 0.5) * s.dx_m);
        s.depth_m = std::max(1e-5, section.back_m - section.belly_m);
        s.width_m = std::max(1e-5, 2 * section.halfWidth_m);
        s.area_m2 = sectionArea(section);
        piece.strips.push_back(s);
    }
    return piece;
}

// Mass and the moments of what belongs to a piece, about its pin.
struct PieceMass {
    double mass = 0, first = 0, second = 0, displaced = 0;
    void add(double m, double x, double own) {
        mass += m;
        first += m * x;
        second += own + m * x * x;
    }
};

size_t pieceOfPlace(const PlanarBait& bait, double x) {
    size_t i = 0;
    while (i + 1 < bait.pieces.size() && x > bait.pieces[i + 1].pin_m) {
        ++i;
    }
    return i;
}

void weigh(const Derived& d, const std::vector<size_t>& chainOf, const Surface* tail,
           const BodyPart* fin, ChainBait& chain) {
    PlanarBait& bait = chain.bait;
    std::vector<PieceMass> masses(bait.pieces.size());
    const std::vector<BodyPart>& parts = d.shape->parts;
    for (size_t p = 0; p < d.mass->pieces.size() && p < parts.size(); ++p) {
        const PieceBalance& one = d.mass->pieces[p];
        if (&parts[p] == fin) {
            // Its pin stands at the bait's end.
            PieceMass& own = masses.back();
            own.add(one.mass_kg, parts[p].pivot_m.x() - one.centreOfGravity_m.x(),
                    one.inertia_kg_m2(2, 2));
            own.displaced += d.waterDensity_kg_m3 * one.displacedVolume_m3;
            continue;
        }
        const size_t i =
            parts[p].appendage ? pieceOfPlace(bait, parts[p].pivot_m.x()) : chainOf[parts[p].index];
        masses[i].add(one.mass_kg, bait.pieces[i].pin_m - one.centreOfGravity_m.x(),
                      one.inertia_kg_m2(2, 2));
        masses[i].displaced += d.waterDensity_kg_m3 * one.displacedVolume_m3;
    }
    if (tail != nullptr) {
        const std::string path = pathOf(tail->record);
        for (const MassItem& item : d.mass->items) {
            if (item.path == path && item.kind == PartKind::Fitting) {
                PieceMass& last = masses[masses.size() - 2];
                const PlanarPiece& before = bait.pieces[bait.pieces.size() - 2];
                const PlanarPiece& own = bait.pieces.back();
                last.add(-item.mass_kg, before.pin_m - item.centre_m.x(), 0);
                last.displaced -= d.waterDensity_kg_m3 * item.displaced_m3;
                masses.back().add(item.mass_kg, -0.5 * own.length_m,
                                  item.mass_kg * own.length_m * own.length_m / 12);
                masses.back().displaced += d.waterDensity_kg_m3 * item.displaced_m3;
            }
        }
    }
    constexpr double kUnlevel = 0.05;
    const std::vector<CupWater> cups = cupWater(d.shape->curves, d.waterDensity_kg_m3);
    for (size_t i = 0; i < masses.size(); ++i) {
        PieceMass& m = masses[i];
        if (std::abs(m.displaced - m.mass) > kUnlevel * m.displaced) {
            chain.unlevel.push_back(i);
        }
        for (const CupWater& cup : cups) {
            if (i == (cup.nose ? 0 : chainOf.back())) {
                m.add(cup.mass_kg, bait.pieces[i].pin_m - cup.centre_m.x(), 0);
            }
        }
        PlanarPiece& piece = bait.pieces[i];
        piece.mass_kg = m.mass;
        piece.gravityAt_m = m.mass > 0 ? m.first / m.mass : -0.5 * piece.length_m;
        piece.inertia_kg_m2 = std::max(m.second, 1e-3 * m.mass * piece.length_m * piece.length_m);
    }
}

void hang(const Derived& d, const Surface* tail, PlanarBait& bait) {
    double wet = 0;
    for (const PlanarPiece& p : bait.pieces) {
        for (const PlanarStrip& s : p.strips) {
            wet += (s.depth_m + s.width_m) * s.dx_m;
        }
    }
    const double drag = axialDragArea(d.loads->inputs.hull, d.loads->inputs.reynolds, d.model);
    for (PlanarPiece& p : bait.pieces) {
        double own = 0;
        for (const PlanarStrip& s : p.strips) {
            own += (s.depth_m + s.width_m) * s.dx_m;
        }
        p.dragArea_m2 = drag * own / wet;
    }
    for (const TowedPart& part : d.loads->inputs.parts) {
        PlanarPiece& p = bait.pieces[pieceOfPlace(bait, part.place_m.x())];
        p.drags.push_back({p.pin_m - part.place_m.x(), part.dragArea_m2});
    }
    for (const Surface& s : d.mass->surfaces) {
        const bool fin = s.kind == Surface::Kind::Fin || s.kind == Surface::Kind::Bristles ||
                         s.kind == Surface::Kind::SoftTail;
        if (!fin || &s == tail || s.leftOut() || s.isLump() || !standsUpright(s)) {
            continue;
        }
        PlanarPiece& p = bait.pieces[pieceOfPlace(bait, s.root_m.x())];
        const double lead = std::min(s.root_m.x(), s.root_m.x() + s.chord_m * s.along.x());
        PlanarFin fixed;
        fixed.leadAt_m = p.pin_m - lead;
        fixed.chord_m = s.chord_m;
        fixed.span_m = s.span_m;
        fixed.area_m2 = s.area_m2();
        fixed.at_m = fixed.leadAt_m - d.model.finCentre * s.chord_m;
        fixed.slope = finSlope(s.aspectFactor * s.span_m / s.chord_m, d.model) *
                      (s.kind == Surface::Kind::Bristles ? d.model.bristleSlope : 1.0);
        fixed.water_kg =
            d.model.finWater * plateAddedMass_kg(s.span_m, s.chord_m, d.waterDensity_kg_m3);
        p.fins.push_back(fixed);
    }
}

void addTail(const Derived& d, const Surface& tail, PlanarBait& bait) {
    PlanarPiece piece;
    piece.pin_m = bait.length_m;
    piece.length_m = tail.chord_m;
    for (int k = 0; k < kStrips; ++k) {
        PlanarStrip s;
        s.dx_m = tail.chord_m / kStrips;
        s.at_m = bait.length_m + (k + 0.5) * s.dx_m;
        s.depth_m = tail.span_m;
        s.width_m = std::max(1e-4, tail.thickness_m);
        s.area_m2 = s.depth_m * s.width_m;
        piece.strips.push_back(s);
    }
    const Fitting& f = d.design->fittings[tail.record.index];
    PlanarJoint joint;
    joint.opening_rad = kTailStop_rad;
    joint.spring_N_m = softTailSpring_N_m(f.modulus_Pa.value_or(kSoftTailModulus_Pa), tail.span_m,
                                          tail.thickness_m, tail.chord_m);
    bait.joints.push_back(joint);
    dampSoftTail(bait, kUsualBeats_1_s);
    bait.pieces.push_back(piece);
    bait.length_m += tail.chord_m;
}

// Its own outline behind the bait's, swinging to its stops.
bool addFin(const Derived& d, const BodyPart& fin, PlanarBait& bait) {
    const Appendage& a = d.design->appendages[fin.index];
    const Result<BodyCurves> curves = BodyCurves::build(a.body, fin.path);
    if (!curves) {
        return false;
    }
    bait.pieces.push_back(sliced(*curves, 0, curves->length_m(), bait.length_m));
    PlanarJoint joint;
    joint.opening_rad = std::min(a.swing_rad, kMostOpening_rad);
    bait.joints.push_back(joint);
    bait.length_m += curves->length_m();
    return true;
}

}  // namespace

void dampSoftTail(PlanarBait& bait, double beats_1_s) {
    PlanarJoint& root = bait.joints.back();
    root.damping_N_m_s = kTailDamping * root.spring_N_m / (2 * kPi * beats_1_s);
}

double softTailSpring_N_m(double modulus, double breadth, double thickness, double length) {
    const double second = breadth * thickness * thickness * thickness / 12;
    return 3 * modulus * second / length;
}

SwimKind swimKind(const Derived& d) {
    constexpr double kTieAft = 0.1;
    constexpr size_t kSnakeFrom = 3;
    const Surface* diving = divingSurface(d.mass->surfaces);
    const bool lip = diving != nullptr && diving->kind == Surface::Kind::Lip;
    size_t pieces = 1;
    for (const JointCut& cut : d.shape->joints) {
        pieces += cut.opening.opening_rad >= kLeastOpening_rad ? 1 : 0;
    }
    if (lip || (pieces == 1 && diving != nullptr)) {
        return SwimKind::Wobble;
    }
    if (pieces >= kSnakeFrom) {
        return SwimKind::Snake;
    }
    const bool back = tiePoint(*d.design).x() >= kTieAft * d.shape->curves.length_m();
    return pieces == 1 && back ? SwimKind::Wobble : SwimKind::Glide;
}

Result<ChainBait> chainBait(const Derived& d, double speed) {
    constexpr double kShortest = 0.05;
    const Design& design = *d.design;
    const double length = d.shape->curves.length_m();
    ChainBait chain;
    chain.kind = swimKind(d);
    PlanarBait& bait = chain.bait;
    bait.length_m = length;
    bait.waterDensity_kg_m3 = d.waterDensity_kg_m3;
    bait.squareness = d.shape->sizes.fullness;
    std::vector<size_t> chainOf{0};  // piece of the chain each piece of the design is in
    double from = 0;
    const auto close = [&](double to) { bait.pieces.push_back(sliced(d.shape->curves, from, to)); };
    std::vector<size_t> named{0};
    for (size_t j = 0; j < d.shape->joints.size(); ++j) {
        const JointCut& cut = d.shape->joints[j];
        if (cut.opening.opening_rad < kLeastOpening_rad) {
            chain.onePiece.push_back(j);
            chainOf.push_back(bait.pieces.size());
            continue;
        }
        if (cut.opening.opening_rad > kMostOpening_rad) {
            chain.openWide.push_back(j);
        }
        close(cut.pinX_m);
        from = cut.pinX_m;
        named.push_back(j + 1);
        chain.jointOf.push_back(j);
        PlanarJoint joint;
        joint.opening_rad = std::min(cut.opening.opening_rad, kMostOpening_rad);
        bait.joints.push_back(joint);
        chainOf.push_back(bait.pieces.size());
    }
    close(length);
    const BodyPart* fin = hingedFin(d);
    if (fin != nullptr && addFin(d, *fin, bait)) {
        chain.jointOf.push_back(ChainBait::kHingedFin);
    } else {
        fin = nullptr;
    }
    const Surface* tail = fin == nullptr ? bendingTail(d, speed, chain.softTailHolds) : nullptr;
    if (tail != nullptr) {
        addTail(d, *tail, bait);
        chain.jointOf.push_back(ChainBait::kSoftTail);
    }
    if (bait.pieces.size() > kMostChainPieces) {
        return Error{"swim.too_many_pieces", "/joints", {}, {}};
    }
    weigh(d, chainOf, tail, fin, chain);
    for (size_t i = 0; i < named.size(); ++i) {
        const PlanarPiece& p = bait.pieces[i];
        const std::string path = "/pieces/" + std::to_string(named[i]);
        const std::string name = d.mass->pieces[named[i]].name;
        if (p.mass_kg <= 0) {
            return Error{"swim.piece_weighs_nothing", path, {name}, {}};
        }
        if (p.length_m < kShortest * length) {
            return Error{"swim.piece_too_short", path, {name}, {{Quantity::Length, p.length_m}}};
        }
    }
    if (bait.pieces.back().mass_kg <= 0) {
        bait.pieces.back().mass_kg = 1e-6;  // a soft tail of no weight of its own: water alone
    }
    hang(d, tail, bait);
    const double tie = tiePoint(design).x();
    if (bait.pieces.size() > 1 && tie > bait.pieces[1].pin_m) {
        return Error{"swim.tie_on_later_piece", "/tie/x", {}, {}};
    }
    bait.tieAt_m = -tie;
    return chain;
}

}  // namespace wl
