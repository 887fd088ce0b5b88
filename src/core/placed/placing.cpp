#include "core/placed/placing.h"

#include <algorithm>
#include <cmath>

namespace wl {

Embedded barBetween(const RecordRef& record, std::string name, Embedded::Kind kind,
                    const Eigen::Vector3d& from, const Eigen::Vector3d& to, double radius) {
    Embedded e;
    e.record = record;
    e.name = std::move(name);
    e.kind = kind;
    e.capsule = true;
    e.tool.mouth_m = from;
    e.tool.depth_m = (to - from).norm();
    e.tool.inward = e.tool.depth_m > 0 ? Eigen::Vector3d((to - from) / e.tool.depth_m)
                                       : Eigen::Vector3d::UnitZ();
    e.tool.along = e.tool.inward.unitOrthogonal();
    e.tool.halfAlong_m = e.tool.halfAcross_m = radius;
    return e;
}

Placing::Placing(const Design& given, const PlacedBody& in, double water)
    : design(given), body(in), water_kg_m3(water), stock(in.parts.size()), small(in.parts.size()) {
    for (size_t i = 0; i < body.parts.size(); ++i) {
        const PartMaterial& m = body.parts[i].material;
        stock[i].add((body.parts[i].appendage ? 1.0 : body.massScale) * m.mass_kg, m.centre_m);
    }
}

size_t Placing::pieceOf(double x) const {
    return pieceAt(design.joints, x);
}

double Placing::densityOf(size_t piece) const {
    const BodyPart& part = body.parts[piece];
    return (part.appendage ? 1.0 : body.massScale) * part.material.mass_kg / part.solid.volume_m3;
}

void Placing::begin(RecordRef record, std::string name) {
    placed.things.push_back({record, std::move(name), {}});
}

MassItem& Placing::item(PartKind kind, Origin origin, BuildStage stage, size_t piece) {
    const PlacedThing& thing = placed.things.back();
    return item(kind, origin, stage, piece, thing.name, pathOf(thing.record));
}

MassItem& Placing::item(PartKind kind, Origin origin, BuildStage stage, size_t piece,
                        std::string name, std::string path) {
    items.push_back({kind, origin, std::move(name), std::move(path), stage});
    items.back().piece = piece;
    return items.back();
}

void Placing::cut(size_t piece, double volume, const Eigen::Vector3d& at) {
    cut(piece, volume, at, densityOf(piece));
}

void Placing::cut(size_t piece, double volume, const Eigen::Vector3d& at, double density) {
    stock[piece].add(-density * volume, at);
}

void Placing::displace(size_t piece, const Eigen::Vector3d& at, double volume) {
    if (volume != 0) {
        small[piece].push_back({at, volume});
    }
}

void Placing::hollow(const CutTool& tool) {
    tools_.push_back(tool);
}

void Placing::fill(const CutTool& tool, double density, std::optional<size_t> itemIndex) {
    fills_.push_back({tool, density, itemIndex});
}

Embedded& Placing::embed(Embedded solid) {
    PlacedThing& thing = placed.things.back();
    solid.record = thing.record;
    solid.name = thing.name;
    solid.piece = pieceOf(solid.middle().x());
    thing.solids.push_back(std::move(solid));
    return thing.solids.back();
}

double Placing::partSpread_kg(double mass, bool weighed) const {
    return weighed ? design.errors.weighedPart_kg : design.errors.typicalMass * mass;
}

double Placing::letIn(const Eigen::Vector3d& from, const Eigen::Vector3d& to, double volume) {
    constexpr double kStep_m = 0.0002;
    const int steps = std::max(4, int(std::ceil((to - from).norm() / kStep_m)));
    double outside = 0;
    for (int i = 0; i < steps; ++i) {
        const Eigen::Vector3d at = from + (to - from) * (i + 0.5) / steps;
        const double share = volume / steps;
        if (!body.curves.contains(at)) {
            outside += share;
            continue;
        }
        const auto there = std::find_if(fills_.begin(), fills_.end(), [&at](const Fill& f) {
            return f.tool.holds(at) && (at - f.tool.mouth_m).dot(f.tool.inward) >= 0;
        });
        if (there == fills_.end()) {
            cut(pieceOf(at.x()), share, at);
        } else if (there->item) {
            MassItem& filler = items[*there->item];
            const double mass = there->density_kg_m3 * share, left = filler.mass_kg - mass;
            if (left > 1e-12) {
                filler.centre_m = (filler.mass_kg * filler.centre_m - mass * at) / left;
                filler.mass_kg = left;
            }
        }
    }
    return outside;
}

void placeAll(Placing& placing) {
    using Place = void (*)(Placing&);
    static constexpr Place inOrder[] = {placeMake, placeBores,    placeSideWeights, placeFeatures,
                                        placeWire, placeChambers, placeJoints,      placeFittings,
                                        placeLip,  placeBuildUps};
    for (const Place place : inOrder) {
        place(placing);
    }
    placing.placed.surfaces = surfacesOf(placing.design, placing.body.curves, placing.body.parts);
}

}  // namespace wl
