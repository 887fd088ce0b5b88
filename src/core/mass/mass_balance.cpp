#include "core/mass/mass_balance.h"

#include <algorithm>
#include <cmath>

#include <Eigen/Geometry>

namespace wl {
namespace {

// Bodies and coats round what is placed in them, and the sums of it all.
class Balancer {
  public:
    Balancer(const Design& design, const BodyInputs& in, double water_kg_m3)
        : design_(design),
          in_(in),
          body_(in.body),
          water_(water_kg_m3),
          placing_(design, in.body, water_kg_m3) {}
    MassBalance run();

  private:
    void addCoats();
    void paintInside(MassItem& paint, const Coat& coat, size_t piece);
    void addBodies();
    void addStages();
    double asMadeMass() const;
    void total();
    void addInertia();
    void addTankCorrection();

    const Design& design_;
    const BodyInputs& in_;
    const PlacedBody& body_;
    double water_;
    Placing placing_;
    MassBalance b_;
};

MassBalance Balancer::run() {
    for (const BodyPart& part : body_.parts) {
        PieceBalance piece;
        piece.name = part.name;
        piece.path = part.path;
        b_.pieces.push_back(piece);
    }
    placeAll(placing_);
    addCoats();
    addBodies();
    addStages();
    static_cast<Placed&>(b_) = std::move(placing_.placed);
    b_.items.assign(placing_.items.begin(), placing_.items.end());
    total();
    return std::move(b_);
}

void Balancer::addCoats() {
    const std::vector<Coat> coats = coatsOf(design_);
    for (size_t k = 0; k < coats.size(); ++k) {
        const Coat& coat = coats[k];
        for (size_t i = 0; i < in_.hulls.size(); ++i) {
            MassItem& part = placing_.item(
                PartKind::Coat, Origin::Computed,
                coat.kind == CoatKind::Sealer ? BuildStage::Sealed : BuildStage::Finished, i,
                coat.name, "/coats/" + std::to_string(k));
            if (coat.innerFace) {
                paintInside(part, coat, i);
                continue;
            }
            const CoatOnHull on = coatOn(in_.hulls[i].painted, coat);
            part.displaced_m3 = on.volume_m3;
            part.mass_kg = coat.density_kg_m3 * part.displaced_m3;
            part.centre_m = on.centre_m;
            part.netDoubt_kg = design_.errors.coatThickness * part.displaced_m3 *
                               std::abs(coat.density_kg_m3 - water_) * kHalfWidthToStandard;
        }
    }
}

// Both outer sheets on their inner faces, in place of as much of them.
void Balancer::paintInside(MassItem& paint, const Coat& coat, size_t piece) {
    const BodyPart& part = body_.parts[piece];
    const std::vector<Layer>& layers = design_.make.layers;
    if (part.appendage || layers.size() < 2) {
        return;
    }
    double stack = 0;
    for (const Layer& layer : layers) {
        stack += layer.thickness_m;
    }
    const double from = part.bounds.front ? part.bounds.front->x_m : 0.0;
    const double to = part.bounds.rear ? part.bounds.rear->x_m : body_.curves.length_m();
    MassSum painted;
    for (const double y :
         {-0.5 * stack + layers.front().thickness_m, 0.5 * stack - layers.back().thickness_m}) {
        const ProfileArea face = profileAt(body_.curves, y, from, to);
        painted.add(face.area_m2, face.centroid_m);
    }
    if (painted.amount > 0) {
        const double volume = coat.covers * dryThickness_m(coat) * painted.amount;
        paint.stage = BuildStage::Shaped;
        paint.mass_kg = coat.density_kg_m3 * volume;
        paint.centre_m = painted.centre();
        placing_.cut(piece, volume, painted.centre(), layers.front().density_kg_m3);
    }
}

void Balancer::addBodies() {
    std::vector<MassItem> bodies;
    for (size_t i = 0; i < body_.parts.size(); ++i) {
        const BodyPart& part = body_.parts[i];
        const Stock& stock = stockOf(design_, part);
        const bool weighed = stock.trust != BodyTrust::DrawnVolume && stock.weighedBody_kg;
        MassItem body{PartKind::Body, weighed ? Origin::Weighed : Origin::Computed,
                      body_.parts.size() == 1 ? stock.material : part.name, part.path};
        body.piece = i;
        body.mass_kg = placing_.stock[i].amount;
        body.displaced_m3 = part.solid.volume_m3;
        body.centre_m = placing_.stock[i].centre();
        const double share = part.material.mass_kg / std::max(1e-12, asMadeMass());
        body.netDoubt_kg = part.appendage ? part.material.doubtShare * part.material.mass_kg
                                          : in_.reckoning.netDoubt_kg * share;
        bodies.push_back(body);
    }
    placing_.items.insert(placing_.items.begin(), bodies.begin(), bodies.end());
}

void Balancer::addStages() {
    StageMasses& stage = b_.stages;
    stage.shapedBody_kg = in_.reckoning.usedMass_kg;
    for (const BodyPart& part : body_.parts) {
        stage.shapedBody_kg += part.appendage ? part.material.mass_kg : 0.0;
    }
    double* const reads[] = {&stage.drilledBody_kg, &stage.sealedBody_kg, &stage.withLead_kg,
                             &stage.withHardware_kg, &stage.finished_kg};
    double sum = 0;
    for (size_t k = 0; k < std::size(reads); ++k) {
        for (const MassItem& item : placing_.items) {
            sum += item.stage == BuildStage(k) ? item.mass_kg : 0.0;
        }
        *reads[k] = sum;
    }
}

double Balancer::asMadeMass() const {
    double mass = 0;
    for (const BodyPart& part : body_.parts) {
        mass += part.appendage ? 0.0 : part.material.mass_kg;
    }
    return mass;
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
        const CoatedHull& hull = in_.hulls[i];
        FloatingShape alone{{hull.fine}, placing_.small[i]};
        piece.coarseShape = {{hull.coarse}, placing_.small[i]};
        b_.shape.hulls.push_back(hull.fine);
        b_.coarseShape.hulls.push_back(hull.coarse);
        b_.shape.parts.insert(b_.shape.parts.end(), placing_.small[i].begin(),
                              placing_.small[i].end());
        if (placing_.lipPlate && i == placing_.lipPiece) {
            alone.hulls.push_back(*placing_.lipPlate);
            piece.coarseShape.hulls.push_back(*placing_.lipPlate);
        }
        const Submerged displaced = computeDisplaced(alone);
        piece.displacedVolume_m3 = displaced.volume_m3;
        piece.centreOfBuoyancy_m = displaced.moment_m4 / displaced.volume_m3;
        piece.mass_kg = pieceMass[i].amount;
        piece.centreOfGravity_m = pieceMass[i].centre();
    }
    if (placing_.lipPlate) {
        b_.shape.hulls.push_back(*placing_.lipPlate);
        b_.coarseShape.hulls.push_back(*placing_.lipPlate);
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

// What the tank showed beyond the drawing: the whole bait a little heavier or bigger, its centres
// shifted. Pieces of a chain share it by their mass and volume.
void Balancer::addTankCorrection() {
    const TankCorrection& c = design_.tank.correction;
    if (!c.applied || b_.displacedVolume_m3 + c.volume_m3 <= 0 || b_.mass_kg + c.mass_kg <= 0) {
        return;
    }
    b_.items.push_back({PartKind::Tank, Origin::Weighed, "from the tank", "/tank/correction",
                        BuildStage::Finished});
    MassItem& part = b_.items.back();
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

}  // namespace

double shiftShare(const TankCorrection& c, double mass_kg) {
    constexpr double kMost = 3.0;
    return c.reference_kg > 0 ? std::clamp(c.reference_kg / mass_kg, 1 / kMost, kMost) : 1.0;
}

MassBalance computeMassBalance(const Design& design, const BodyInputs& body, double water_kg_m3) {
    return Balancer(design, body, water_kg_m3).run();
}

}  // namespace wl
