#include "core/mass/mass_balance.h"

#include <algorithm>
#include <cmath>

#include <Eigen/Geometry>

#include "core/base/units.h"
#include "core/mass/balancer.h"

namespace wl {

Balancer::Balancer(const Design& design, const BodyInputs& body, double water_kg_m3)
    : design_(design), body_(body), water_(water_kg_m3), wood_(body.parts.size()) {
    for (const BodyPart& part : body.parts) {
        PieceBalance piece;
        piece.name = part.name;
        piece.path = part.path;
        b_.pieces.push_back(piece);
        small_.emplace_back();
    }
    small_.emplace_back();
}

MassBalance Balancer::run() {
    b_.stages.shapedBody_kg = body_.reckoning.usedMass_kg;
    for (const BodyPart& part : body_.parts) {
        b_.stages.shapedBody_kg += part.appendage ? part.material.mass_kg : 0.0;
    }
    for (size_t i = 0; i < body_.parts.size(); ++i) {
        const PartMaterial& m = body_.parts[i].material;
        const double scale = body_.parts[i].appendage ? 1.0 : body_.massScale;
        wood_[i].add(scale * m.mass_kg, m.centre_m);
    }
    addMake();
    addBores();
    addFeatures();
    addWire();
    addChambers();
    addJoints();
    addFittings();
    addLip();
    addCoats();
    addBodies();
    total();
    return std::move(b_);
}

size_t Balancer::pieceOf(double x) const {
    return pieceAt(design_.joints, x);
}

double Balancer::densityOf(size_t piece) const {
    const BodyPart& part = body_.parts[piece];
    return (part.appendage ? 1.0 : body_.massScale) * part.material.mass_kg / part.solid.volume_m3;
}

void Balancer::cutWood(size_t piece, double volume, const Eigen::Vector3d& at) {
    wood_[piece].add(-densityOf(piece) * volume, at);
}

void Balancer::displace(size_t piece, const Eigen::Vector3d& at, double volume) {
    if (volume != 0) {
        small_[piece].push_back({at, volume});
    }
}

MassItem& Balancer::item(PartKind kind, Origin origin, const std::string& name,
                         const std::string& path, size_t piece) {
    b_.items.push_back({kind, origin, name, path});
    b_.items.back().piece = piece;
    return b_.items.back();
}

void Balancer::total() {
    std::vector<MassSum> pieceMass(b_.pieces.size());
    MassSum mass;
    double bodyDoubt = 0, otherDoubt2 = 0;
    for (const MassItem& part : b_.items) {
        mass.add(part.mass_kg, part.centre_m);
        pieceMass[part.piece].add(part.mass_kg, part.centre_m);
        // Pieces of one stock are wrong together; everything else is wrong on its own.
        (part.kind == PartKind::Body ? bodyDoubt : otherDoubt2) +=
            part.kind == PartKind::Body ? part.netDoubt_kg : part.netDoubt_kg * part.netDoubt_kg;
    }
    b_.mass_kg = mass.amount;
    b_.centreOfGravity_m = mass.centre();
    b_.netDoubt_kg = std::sqrt(bodyDoubt * bodyDoubt + otherDoubt2);
    for (size_t i = 0; i < b_.pieces.size(); ++i) {
        PieceBalance& piece = b_.pieces[i];
        const CoatedHull& hull = body_.hulls[i];
        FloatingShape alone{{hull.fine}, small_[i]};
        piece.coarseShape = {{hull.coarse}, small_[i]};
        b_.shape.hulls.push_back(hull.fine);
        b_.coarseShape.hulls.push_back(hull.coarse);
        b_.shape.parts.insert(b_.shape.parts.end(), small_[i].begin(), small_[i].end());
        if (lipPlate_ && i == lipPiece_) {
            alone.hulls.push_back(*lipPlate_);
            piece.coarseShape.hulls.push_back(*lipPlate_);
        }
        const Submerged displaced = computeDisplaced(alone);
        piece.displacedVolume_m3 = displaced.volume_m3;
        piece.centreOfBuoyancy_m = displaced.moment_m4 / displaced.volume_m3;
        piece.mass_kg = pieceMass[i].amount;
        piece.centreOfGravity_m = pieceMass[i].centre();
    }
    if (lipPlate_) {
        b_.shape.hulls.push_back(*lipPlate_);
        b_.coarseShape.hulls.push_back(*lipPlate_);
    }
    b_.coarseShape.parts = b_.shape.parts;
    const Submerged displaced = computeDisplaced(b_.shape);
    b_.displacedVolume_m3 = displaced.volume_m3;
    b_.centreOfBuoyancy_m = displaced.moment_m4 / displaced.volume_m3;
    addInertia();
    addTankCorrection();
}

void Balancer::addInertia() {
    constexpr double kShellOfSolid = 5.0 / 3.0;
    const auto pointAt = [](double mass, const Eigen::Vector3d& r) {
        return Eigen::Matrix3d(mass *
                               (r.squaredNorm() * Eigen::Matrix3d::Identity() - r * r.transpose()));
    };
    for (const MassItem& part : b_.items) {
        Eigen::Matrix3d own = Eigen::Matrix3d::Zero();
        if (part.kind == PartKind::Body || part.kind == PartKind::Coat) {
            const SolidProperties& solid = body_.parts[part.piece].solid;
            own = part.mass_kg / solid.volume_m3 * solid.inertia_m5;
            own *= part.kind == PartKind::Coat ? kShellOfSolid : 1.0;
        }
        b_.inertia_kg_m2 += own + pointAt(part.mass_kg, part.centre_m - b_.centreOfGravity_m);
        PieceBalance& piece = b_.pieces[part.piece];
        piece.inertia_kg_m2 += own + pointAt(part.mass_kg, part.centre_m - piece.centreOfGravity_m);
    }
}

namespace {

// Grown about its centre of buoyancy to the wanted volume and shifted along the bait.
void moveShape(FloatingShape& shape, const Eigen::Vector3d& about, double scale, double aft) {
    const double k = std::cbrt(scale);
    auto move = [&](Eigen::Vector3d& v) {
        v = about + k * (v - about) + aft * Eigen::Vector3d::UnitX();
    };
    for (WettedHull& hull : shape.hulls) {
        TriangleMesh mesh = hull.mesh();
        for (Eigen::Vector3d& v : mesh.vertices_m) {
            move(v);
        }
        hull = WettedHull(std::move(mesh));
    }
    for (SmallPart& part : shape.parts) {
        move(part.centre_m);
        part.volume_m3 *= scale;
    }
}

}  // namespace

// What the tank showed beyond the drawing: the whole bait a little heavier or bigger, its centres
// shifted. Pieces of a chain share it by their mass and volume.
void Balancer::addTankCorrection() {
    const TankCorrection& c = design_.tank.correction;
    if (!c.applied || b_.displacedVolume_m3 + c.volume_m3 <= 0 || b_.mass_kg + c.mass_kg <= 0) {
        return;
    }
    MassItem& part = item(PartKind::Tank, Origin::Weighed, "from the tank", "/tank/correction", 0);
    part.mass_kg = c.mass_kg;
    part.displaced_m3 = c.volume_m3;
    part.centre_m = b_.centreOfGravity_m;
    const double scale = 1 + c.volume_m3 / b_.displacedVolume_m3;
    const double heavier = 1 + c.mass_kg / b_.mass_kg;
    const double share = shiftShare(c, b_.mass_kg);
    const Eigen::Vector3d shift = share * Eigen::Vector3d(c.gravityX_m, c.gravityY_m, c.gravityZ_m);
    const Eigen::Vector3d about = b_.centreOfBuoyancy_m;
    moveShape(b_.shape, about, scale, c.buoyancyX_m);
    moveShape(b_.coarseShape, about, scale, c.buoyancyX_m);
    b_.mass_kg *= heavier;
    b_.displacedVolume_m3 *= scale;
    b_.centreOfGravity_m += shift;
    b_.centreOfBuoyancy_m.x() += c.buoyancyX_m;
    for (PieceBalance& piece : b_.pieces) {
        moveShape(piece.coarseShape, about, scale, c.buoyancyX_m);
        const Submerged displaced = computeDisplaced(piece.coarseShape);
        piece.mass_kg *= heavier;
        piece.centreOfGravity_m += shift;
        piece.displacedVolume_m3 *= scale;
        piece.centreOfBuoyancy_m = displaced.moment_m4 / displaced.volume_m3;
    }
}

double shiftShare(const TankCorrection& c, double mass_kg) {
    constexpr double kMost = 3.0;
    return c.reference_kg > 0 ? std::clamp(c.reference_kg / mass_kg, 1 / kMost, kMost) : 1.0;
}

double fittingMass_kg(const Fitting& fitting) {
    if (fitting.weighedMass_kg || !fitting.fromWire || !isWireForm(fitting.kind)) {
        return fitting.weighedMass_kg.value_or(fitting.typicalMass_kg);
    }
    const EyeWire wire = measureEye(fitting);
    return fitting.density_kg_m3 * (wire.ring_m3 + wire.stem_m3);
}

bool swings(FittingKind kind) {
    return isHook(kind) || kind == FittingKind::SplitRing;
}

bool isHook(FittingKind kind) {
    return kind == FittingKind::Treble || kind == FittingKind::SingleHook;
}

std::optional<Eigen::Vector3d> wireEyePlace(const Design& design, const std::string& name) {
    if (!design.wire.present) {
        return std::nullopt;
    }
    const Result<BodyCurves> curves = BodyCurves::build(design.body, "/body");
    if (curves) {
        for (const WireEye& eye : layOutWire(*curves, design.wire).eyes) {
            if (eye.name == name) {
                return eye.centre_m;
            }
        }
    }
    return std::nullopt;
}

std::optional<Eigen::Vector3d> eyePlace(const Design& design, const std::string& name) {
    if (name.empty()) {
        return std::nullopt;
    }
    for (const Fitting& eye : design.fittings) {
        if (eye.name == name && !swings(eye.kind)) {
            return Eigen::Vector3d(eye.x_m, eye.y_m, eye.z_m);
        }
    }
    return wireEyePlace(design, name);
}

std::vector<std::string> eyeNames(const Design& design) {
    std::vector<std::string> names;
    for (const Fitting& f : design.fittings) {
        if (isWireForm(f.kind)) {
            names.push_back(f.name);
        }
    }
    if (const auto curves = BodyCurves::build(design.body, "/body");
        curves && design.wire.present) {
        for (const WireEye& eye : layOutWire(*curves, design.wire).eyes) {
            names.push_back(eye.name);
        }
    }
    return names;
}

std::vector<std::string> partsWithoutDrag(const Design& design) {
    std::vector<std::string> names;
    for (const Appendage& a : design.appendages) {
        names.push_back(a.name);
    }
    for (const Fitting& f : design.fittings) {
        if (f.kind == FittingKind::SheetFin || f.kind == FittingKind::BristleTail ||
            f.kind == FittingKind::SoftTail) {
            names.push_back(f.name);
        }
    }
    return names;
}

Eigen::Vector3d fittingPlace(const Design& design, const Fitting& fitting) {
    if (const auto eye = eyePlace(design, fitting.hangsFrom)) {
        return *eye;
    }
    return {fitting.x_m, fitting.y_m, fitting.z_m};
}

MassBalance computeMassBalance(const Design& design, const BodyInputs& body, double water_kg_m3) {
    return Balancer(design, body, water_kg_m3).run();
}

}  // namespace wl
