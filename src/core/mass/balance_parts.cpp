// Holes and what fills them, wire, rattles, joints, fittings and the lip.
#include "core/mass/balancer.h"

#include <algorithm>
#include <cmath>

#include <Eigen/Geometry>

#include "core/base/units.h"

namespace wl {
namespace {

// Drawn wire and rolled balls keep their size within this (half-width share, common practice, no
// source).
constexpr double kWireSpread = 0.03;

}  // namespace

double Balancer::partSpread_kg(double mass, bool weighed) const {
    return weighed ? design_.errors.weighedPart_kg : design_.errors.typicalMass * mass;
}

void Balancer::takeFrom(size_t index, double mass, const Eigen::Vector3d& at) {
    MassItem& from = b_.items[index];
    const double left = from.mass_kg - mass;
    if (left > 1e-12) {
        from.centre_m = (from.mass_kg * from.centre_m - mass * at) / left;
        from.mass_kg = left;
        leadAndFiller_kg_ -= mass;
    }
}

double Balancer::letIn(const Eigen::Vector3d& from, const Eigen::Vector3d& to, double volume) {
    constexpr double kStep_m = 0.0002;
    const int steps = std::max(4, int(std::ceil((to - from).norm() / kStep_m)));
    double outside = 0;
    for (int i = 0; i < steps; ++i) {
        const Eigen::Vector3d at = from + (to - from) * (i + 0.5) / steps;
        const double share = volume / steps;
        if (!body_.curves.contains(at)) {
            outside += share;
            continue;
        }
        const auto fill = std::find_if(fills_.begin(), fills_.end(), [&at](const Fill& f) {
            return f.tool.holds(at) && (at - f.tool.mouth_m).dot(f.tool.inward) >= 0;
        });
        if (fill == fills_.end()) {
            cutWood(pieceOf(at.x()), share, at);
        } else if (fill->hasItem) {
            takeFrom(fill->item, fill->density_kg_m3 * share, at);
        }
    }
    return outside;
}

// The slot for the wire first, then the wire in it.
void Balancer::addWire() {
    b_.wire = layOutWire(body_.curves, design_.wire);
    const ThroughWire& wire = design_.wire;
    if (!wire.present || b_.wire.path_m.size() < 2) {
        return;
    }
    const std::string path = "/through_wire";
    if (wire.slotWidth_m > 0) {
        double low = 0, high = 0;
        for (const Station& s : design_.body.stations) {
            low = std::min(low, s.belly_m);
            high = std::max(high, s.back_m);
        }
        const double sense = wire.slotFromBack ? -1.0 : 1.0;
        const double mouth = 1.3 * (wire.slotFromBack ? high : low) - sense * 0.001;
        CutTool saw;
        saw.round = false;
        saw.mouth_m = {0.5 * body_.curves.length_m(), 0, mouth};
        saw.inward = sense * Eigen::Vector3d::UnitZ();
        saw.along = Eigen::Vector3d::UnitX();
        saw.halfAlong_m = 0.5 * body_.curves.length_m();
        saw.halfAcross_m = 0.5 * wire.slotWidth_m;
        saw.depth_m = sense * (wire.z_m - mouth) + 0.5 * wire.wire_m;
        const CutVolume cut = measureCut(body_.curves, saw, tools_);
        tools_.push_back(saw);
        const size_t piece = pieceOf(cut.centroid_m.x());
        cutWood(piece, cut.removed_m3, cut.centroid_m);
        fills_.push_back({saw, wire.slotDensity_kg_m3, b_.items.size(), true});
        MassItem& fill =
            item(PartKind::Filler, Origin::Computed, "wire slot", path + "/slot_width", piece);
        fill.mass_kg = wire.slotDensity_kg_m3 * cut.removed_m3;
        fill.centre_m = cut.centroid_m;
        leadAndFiller_kg_ += fill.mass_kg;
    }
    // What is wound and curled at the ends goes with the eyes there.
    const double area = kPi / 4 * wire.wire_m * wire.wire_m;
    double along = 0;
    MassSum metal;
    double outside = 0;
    const std::vector<Eigen::Vector3d>& p = b_.wire.path_m;
    for (size_t i = 0; i + 1 < p.size(); ++i) {
        const double piece = (p[i + 1] - p[i]).norm();
        along += piece;
        metal.add(area * piece, 0.5 * (p[i] + p[i + 1]));
        const double out = letIn(p[i], p[i + 1], area * piece);
        displace(pieceOf(p[i].x()), 0.5 * (p[i] + p[i + 1]), out);
        outside += out;
    }
    const double ends = area * std::max(0.0, b_.wire.cutLength_m - along);
    std::vector<Eigen::Vector3d> tips;
    for (const WireEye& eye : b_.wire.eyes) {
        if (eye.name == "nose eye" || eye.name == "tail eye") {
            tips.push_back(eye.centre_m);
        }
    }
    for (const Eigen::Vector3d& tip : tips) {
        metal.add(ends / double(tips.size()), tip);
        displace(pieceOf(tip.x()), tip, ends / double(tips.size()));
        outside += ends / double(tips.size());
    }
    MassItem& part = item(PartKind::Wire, Origin::Computed, "through-wire", path + "/wire",
                          pieceOf(metal.centre().x()));
    part.mass_kg = b_.wire.mass_kg;
    part.displaced_m3 = outside;
    part.centre_m = metal.centre();
    part.netDoubt_kg = kWireSpread * part.mass_kg * kHalfWidthToStandard;
    hardware_kg_ += part.mass_kg;
}

void Balancer::addChambers() {
    for (size_t i = 0; i < design_.chambers.size(); ++i) {
        const RattleChamber& c = design_.chambers[i];
        const ChamberGeometry g = measureChamber(c);
        const Eigen::Vector3d at(c.x_m, c.y_m, c.z_m);
        const size_t piece = pieceOf(c.x_m);
        cutWood(piece, g.removed_m3, at);
        tools_.push_back(g.tool);
        fills_.push_back({g.tool, 0.0, 0, false});
        MassItem& part = item(PartKind::Rattle, Origin::Computed, c.name,
                              "/chambers/" + std::to_string(i), piece);
        part.mass_kg = g.balls_kg + g.tube_kg;
        part.centre_m = at;
        part.netDoubt_kg = kWireSpread * part.mass_kg * kHalfWidthToStandard;
        leadAndFiller_kg_ += part.mass_kg;
        b_.chambers.push_back(g);
    }
}

void Balancer::addBores() {
    for (size_t i = 0; i < design_.bores.size(); ++i) {
        const Bore& bore = design_.bores[i];
        BoreGeometry g = measureBore(body_.curves, bore);
        const std::string path = "/bores/" + std::to_string(i);
        if (g.entersBody) {
            const size_t piece = pieceOf(g.mouth_m.x() + 0.5 * bore.depth_m * g.inward.x());
            tools_.push_back(toolOf(bore, g));
            cutWood(piece, g.removed_m3, g.removedCentroid_m);
            const double area = kPi / 4 * bore.diameter_m * bore.diameter_m;
            const size_t plugItem = b_.items.size();
            MassItem& plug = item(PartKind::Plug, Origin::Computed, bore.name, path, piece);
            plug.mass_kg = g.leadMass_kg;
            plug.centre_m = g.plugCentroid_m;
            const double pieces = design_.errors.weighedPart_kg *
                                  std::sqrt(double(std::max<size_t>(1, bore.pieces.size())));
            plug.netDoubt_kg =
                kHalfWidthToStandard * (bore.lead == BoreLead::Pieces ? pieces
                                        : g.plugLength_m > 0
                                            ? (bore.plugDensity_kg_m3 - bore.fillerDensity_kg_m3) *
                                                  area * design_.errors.plugLength_m
                                            : 0.0);
            leadAndFiller_kg_ += plug.mass_kg;
            MassItem& filler = item(PartKind::Filler, Origin::Computed, bore.name, path, piece);
            filler.mass_kg = bore.fillerDensity_kg_m3 * g.fillerVolume_m3;
            filler.centre_m = g.fillerCentroid_m;
            leadAndFiller_kg_ += filler.mass_kg;
            CutTool whole = toolOf(bore, g), lead = whole;
            lead.mouth_m += lead.inward * (bore.depth_m - g.plugLength_m);
            lead.depth_m = g.plugLength_m;
            if (g.plugLength_m > 0) {
                fills_.push_back({lead, g.leadMass_kg / (area * g.plugLength_m), plugItem, true});
            }
            fills_.push_back({whole, bore.fillerDensity_kg_m3, plugItem + 1, true});
        }
        b_.bores.push_back(g);
    }
}

void Balancer::addFeatures() {
    for (size_t i = 0; i < design_.features.size(); ++i) {
        const Feature& f = design_.features[i];
        FeatureGeometry g;
        g.tools = toolsOf(body_.curves, f);
        for (const CutTool& tool : g.tools) {
            const CutVolume cut = measureCut(body_.curves, tool, tools_);
            g.cuts.push_back(cut);
            tools_.push_back(tool);
            const size_t piece = pieceOf(tool.mouth_m.x());
            cutWood(piece, cut.removed_m3, cut.centroid_m);
            fills_.push_back({tool, f.fill == FeatureFill::Glue ? f.fillDensity_kg_m3 : 0.0,
                              b_.items.size(), f.fill == FeatureFill::Glue});
            if (f.fill == FeatureFill::Water) {
                displace(piece, cut.centroid_m, -cut.removed_m3);
            } else if (f.fill == FeatureFill::Glue) {
                MassItem& glue = item(PartKind::Filler, Origin::Computed, f.name,
                                      "/features/" + std::to_string(i), piece);
                glue.mass_kg = f.fillDensity_kg_m3 * cut.removed_m3;
                glue.centre_m = cut.centroid_m;
                leadAndFiller_kg_ += glue.mass_kg;
            }
        }
        b_.features.push_back(std::move(g));
    }
}

void Balancer::addJoints() {
    for (size_t i = 0; i < body_.cuts.size(); ++i) {
        const Joint& j = design_.joints[i];
        const JointCut& cut = body_.cuts[i];
        // The piece with the pocket holds the pin.
        const size_t piece = j.pocket == PocketIn::RearPiece ? i + 1 : i;
        cutWood(piece, cut.pocketVolume_m3, cut.pocketCentroid_m);
        displace(piece, cut.pocketCentroid_m, -cut.pocketVolume_m3);
        const Eigen::Vector3d at(cut.pinX_m, 0, cut.midZ_m);
        MassItem& hinge =
            item(PartKind::Hinge, j.weighedMass_kg ? Origin::Weighed : Origin::Typical, j.name,
                 "/joints/" + std::to_string(i), piece);
        hinge.mass_kg = j.weighedMass_kg.value_or(j.typicalMass_kg);
        hinge.centre_m = at;
        const double volume = hinge.mass_kg / j.hardwareDensity_kg_m3;
        // What of the pin stands in wood takes wood's place; the rest is in the water of the gap.
        const double pin =
            kPi / 4 * j.pinDiameter_m * j.pinDiameter_m *
            std::max(0.0, j.pinLength_m - (j.pocket == PocketIn::None ? 0.0 : j.pocketHeight_m));
        const double inWood = j.kind == HingeKind::Pin ? std::min(volume, pin) : 0.5 * volume;
        cutWood(piece, inWood, at);
        hinge.displaced_m3 = volume - inWood;
        displace(piece, at, hinge.displaced_m3);
        const double spread = partSpread_kg(hinge.mass_kg, bool(j.weighedMass_kg));
        hinge.netDoubt_kg = spread * kHalfWidthToStandard * (1 - water_ / j.hardwareDensity_kg_m3);
        hardware_kg_ += hinge.mass_kg;
    }
    for (size_t i = 0; i < body_.parts.size(); ++i) {
        const BodyPart& part = body_.parts[i];
        if (part.appendage) {
            const Appendage& a = design_.appendages[part.index];
            if (a.hardwareMass_kg > 0) {
                MassItem& hinge = item(PartKind::Hinge, Origin::Typical, a.name, part.path, i);
                hinge.mass_kg = a.hardwareMass_kg;
                hinge.centre_m = part.pivot_m;
                hinge.displaced_m3 = a.hardwareMass_kg / a.hardwareDensity_kg_m3;
                hinge.netDoubt_kg =
                    design_.errors.typicalMass * a.hardwareMass_kg * kHalfWidthToStandard;
                displace(i, hinge.centre_m, hinge.displaced_m3);
                hardware_kg_ += hinge.mass_kg;
            }
        }
    }
}

void Balancer::addFittings() {
    for (size_t i = 0; i < design_.fittings.size(); ++i) {
        const Fitting& fitting = design_.fittings[i];
        const Eigen::Vector3d place = fittingPlace(design_, fitting);
        const double mass = fittingMass_kg(fitting);
        const double volume = mass / fitting.density_kg_m3;
        const bool stemmed = isWireForm(fitting.kind) && fitting.fromWire && fitting.shank_m > 0;
        const double sunk = swings(fitting.kind) || stemmed ? 0.0 : fitting.sunk;
        const size_t piece = pieceOf(place.x());
        for (const double side : {1.0, -1.0}) {
            if (side < 0 && !fitting.mirrored) {
                continue;
            }
            const Eigen::Vector3d at(place.x(), side * place.y(), place.z());
            const Origin origin = fitting.weighedMass_kg ? Origin::Weighed
                                  : fitting.fromWire     ? Origin::Computed
                                                         : Origin::Typical;
            const size_t index = b_.items.size();
            item(PartKind::Fitting, origin, fitting.name, "/fittings/" + std::to_string(i), piece);
            double outside = volume * (1 - sunk);
            Eigen::Vector3d centre = at;
            if (stemmed) {
                // Ring at its place, stem in the wood behind it; a weighed eye keeps the shares.
                const EyeWire wire = measureEye(fitting);
                const double stem = volume * wire.stem_m3 / (wire.stem_m3 + wire.ring_m3);
                const auto [from, end] = stemEnds(fitting, side);
                outside = volume - stem + letIn(from, end, stem);
                centre += stem / volume * (0.5 * (from + end) - at);
            }
            MassItem& part = b_.items[index];
            part.mass_kg = mass;
            part.displaced_m3 = outside;
            part.centre_m = centre;
            const double spread = origin == Origin::Computed
                                      ? kWireSpread * mass
                                      : partSpread_kg(mass, bool(fitting.weighedMass_kg));
            const double inside = volume > 0 ? 1 - outside / volume : 0.0;
            part.netDoubt_kg = spread * kHalfWidthToStandard *
                               std::abs(1 - (water_ * (1 - inside) + densityOf(piece) * inside) /
                                                fitting.density_kg_m3);
            cutWood(piece, volume * sunk, at);
            hardware_kg_ += mass;
            displace(piece, at, part.displaced_m3);
        }
    }
}

void Balancer::addLip() {
    if (!design_.lip.present) {
        return;
    }
    b_.lip = measureLip(design_.lip);
    lipPiece_ = pieceOf(design_.lip.slotX_m);
    MassItem& part = item(PartKind::Lip, Origin::Computed, design_.lip.material, "/lip", lipPiece_);
    part.mass_kg = b_.lip.mass_kg;
    part.displaced_m3 = b_.lip.outsideVolume_m3;
    part.centre_m = b_.lip.centreOfMass_m;
    part.netDoubt_kg = design_.errors.lipThickness * b_.lip.mass_kg * kHalfWidthToStandard;
    cutWood(lipPiece_, b_.lip.insideVolume_m3, b_.lip.insideCentroid_m);
    hardware_kg_ += part.mass_kg;
    lipPlate_ =
        meshPlate(lipOutline(design_.lip), {design_.lip.slotX_m, 0, design_.lip.slotZ_m},
                  lipDirection(design_.lip), Eigen::Vector3d::UnitY(), design_.lip.thickness_m);
}

}  // namespace wl
