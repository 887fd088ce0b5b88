#include "core/mass/mass_balance.h"

#include <algorithm>
#include <cmath>

#include <Eigen/Geometry>

#include "core/base/units.h"
#include "core/geometry/mesh_clip.h"

namespace wl {
namespace {

// Half-widths assumed where nothing was measured (common practice, no source).
constexpr double kTypicalMassSpread = 0.30;
constexpr double kCoatThicknessSpread = 0.25;
constexpr double kPlugLengthError_m = 0.00025;
constexpr double kWeighedPartError_kg = 0.00001;
const double kHalfWidthToStandard = 1.0 / std::sqrt(3.0);

struct Sum {
    double amount = 0;
    Eigen::Vector3d moment = Eigen::Vector3d::Zero();
    void add(double a, const Eigen::Vector3d& at) {
        amount += a;
        moment += a * at;
    }
    Eigen::Vector3d centre() const {
        return amount != 0 ? Eigen::Vector3d(moment / amount) : moment;
    }
};

// Skin moved out along its normals, then brought to the exact volume: a coat lies where there is
// skin, not where there is volume, and a slim tail carries its share.
void coatMesh(TriangleMesh& mesh, double coat_m3) {
    const double volume = integrateMesh(mesh).volume_m3;
    const double thickness = coat_m3 / integrateSkin(mesh).area_m2;
    std::vector<Eigen::Vector3d> normals(mesh.vertices_m.size(), Eigen::Vector3d::Zero());
    for (const auto& t : mesh.triangles) {
        const Eigen::Vector3d& p = mesh.vertices_m[size_t(t[0])];
        const Eigen::Vector3d byArea =
            (mesh.vertices_m[size_t(t[1])] - p).cross(mesh.vertices_m[size_t(t[2])] - p);
        for (const int v : t) {
            normals[size_t(v)] += byArea;
        }
    }
    for (size_t i = 0; i < normals.size(); ++i) {
        mesh.vertices_m[i] += thickness * normals[i].normalized();
    }
    scaleMeshToVolume(mesh, volume + coat_m3);
}

// Skin of a part that is painted: what shows of the bait, not the faces inside its joints.
SkinProperties paintedSkin(const BodyPart& part) {
    constexpr double kOnFace_m = 2e-4;  // the mesh was scaled by a hair to its exact volume
    if (!part.bounds.front && !part.bounds.rear) {
        return integrateSkin(part.mesh);
    }
    TriangleMesh outer;
    outer.vertices_m = part.mesh.vertices_m;
    for (const auto& t : part.mesh.triangles) {
        bool onFace = false;
        for (const auto* face : {&part.bounds.front, &part.bounds.rear}) {
            onFace = onFace || (*face && std::all_of(t.begin(), t.end(), [&](int v) {
                         const Eigen::Vector3d& p = outer.vertices_m[size_t(v)];
                         const double x = (*face)->x_m + (*face)->slope * std::abs(p.y());
                         return std::abs(p.x() - x) < kOnFace_m;
                     }));
        }
        if (!onFace) {
            outer.triangles.push_back(t);
        }
    }
    return integrateSkin(outer);
}

// Adds up one bait, part by part. `wood` is each piece's material with its holes taken out.
class Balancer {
  public:
    Balancer(const Design& design, const BodyInputs& body, double water_kg_m3)
        : design_(design), body_(body), water_(water_kg_m3), wood_(body.parts.size()) {
        for (const BodyPart& part : body.parts) {
            PieceBalance piece;
            piece.name = part.name;
            piece.path = part.path;
            b_.pieces.push_back(piece);
            hulls_.push_back(part.mesh);
            coarse_.push_back(part.coarse);
            small_.emplace_back();
        }
        small_.emplace_back();
    }

    MassBalance run() {
        b_.stages.shapedBody_kg = body_.reckoning.usedMass_kg;
        for (size_t i = 0; i < body_.parts.size(); ++i) {
            const PartMaterial& m = body_.parts[i].material;
            const double scale = body_.parts[i].appendage ? 1.0 : body_.massScale;
            wood_[i].add(scale * m.mass_kg, m.centre_m);
        }
        addMake();
        addBores();
        addFeatures();
        addJoints();
        addFittings();
        addLip();
        addCoats();
        addBodies();
        total();
        return std::move(b_);
    }

  private:
    size_t pieceOf(double x) const { return pieceAt(design_.joints, x); }
    double densityOf(size_t piece) const {
        const BodyPart& part = body_.parts[piece];
        return (part.appendage ? 1.0 : body_.massScale) * part.material.mass_kg /
               part.solid.volume_m3;
    }
    void cutWood(size_t piece, double volume, const Eigen::Vector3d& at) {
        wood_[piece].add(-densityOf(piece) * volume, at);
    }
    // Outside water pushed aside (volume over 0) or let in (under 0).
    void displace(size_t piece, const Eigen::Vector3d& at, double volume) {
        if (volume != 0) {
            small_[piece].push_back({at, volume});
        }
    }
    MassItem& item(PartKind kind, Origin origin, const std::string& name, const std::string& path,
                   size_t piece) {
        b_.items.push_back({kind, origin, name, path});
        b_.items.back().piece = piece;
        return b_.items.back();
    }

    void addMake();
    void addFilm(double y, double filmDensity, double woodDensity);
    void addBores();
    void addFeatures();
    void addJoints();
    void addFittings();
    void addLip();
    void addCoats();
    void addBodies();
    double asMadeMass() const;
    void total();

    const Design& design_;
    const BodyInputs& body_;
    double water_;
    MassBalance b_;
    std::vector<Sum> wood_;
    std::vector<TriangleMesh> hulls_, coarse_;
    std::vector<std::vector<SmallPart>> small_;  // one more than parts: the lip's plate is apart
    std::vector<CutTool> tools_;                 // cut so far
    TriangleMesh lipPlate_;
    size_t lipPiece_ = 0;
    double leadAndFiller_kg_ = 0, hardware_kg_ = 0, sealer_kg_ = 0, finish_kg_ = 0;
    double make_kg_ = 0;
};

// A film lies within the drawn outline, in place of as much stock.
void Balancer::addFilm(double y, double filmDensity, double woodDensity) {
    for (size_t i = 0; i < body_.parts.size(); ++i) {
        const BodyPart& part = body_.parts[i];
        if (part.appendage) {
            continue;
        }
        const double from = part.bounds.front ? part.bounds.front->x_m : 0.0;
        const double to = part.bounds.rear ? part.bounds.rear->x_m : body_.curves.length_m();
        const ProfileArea area = profileAt(body_.curves, y, from, to);
        if (area.area_m2 > 0) {
            const double volume = area.area_m2 * design_.make.glueFilm_m;
            MassItem& film =
                item(PartKind::Filler, Origin::Computed, "glue film", "/make/glue_film", i);
            film.mass_kg = filmDensity * volume;
            film.centre_m = area.centroid_m;
            wood_[i].add(-woodDensity * volume, area.centroid_m);
            make_kg_ += film.mass_kg;
        }
    }
}

void Balancer::addMake() {
    const Make& make = design_.make;
    if (make.kind == MakeKind::Carved && make.halves.used) {
        addFilm(0.0, make.glueDensity_kg_m3, densityOf(0));
        const Halves& h = make.halves;
        const double length = h.grooveTo_m - h.grooveFrom_m;
        const double volume = h.grooveWidth_m * h.grooveHeight_m * std::max(0.0, length);
        if (volume > 0) {
            const Eigen::Vector3d at(0.5 * (h.grooveFrom_m + h.grooveTo_m), 0, h.grooveZ_m);
            const size_t piece = pieceOf(at.x());
            cutWood(piece, volume, at);
            MassItem& fill = item(PartKind::Filler, Origin::Computed, "groove",
                                  "/make/halves/groove_width", piece);
            fill.mass_kg = h.grooveDensity_kg_m3 * volume;
            fill.centre_m = at;
            make_kg_ += fill.mass_kg;
        }
    }
    if (make.kind != MakeKind::Layered) {
        return;
    }
    double stack = 0;
    for (const Layer& layer : make.layers) {
        stack += layer.thickness_m;
    }
    double y = -0.5 * stack;
    for (size_t k = 0; k < make.layers.size(); ++k) {
        const Layer& layer = make.layers[k];
        for (size_t c = 0; c < make.cavities.size(); ++c) {
            const Cavity& cavity = make.cavities[c];
            if (std::lround(cavity.layer) != long(k) + 1) {
                continue;
            }
            const Eigen::Vector3d at(cavity.x_m, y + 0.5 * layer.thickness_m, cavity.z_m);
            const size_t piece = pieceOf(at.x());
            const double volume = cavity.length_m * cavity.height_m * layer.thickness_m;
            wood_[piece].add(-layer.density_kg_m3 * body_.massScale * volume, at);
            MassItem& fill = item(PartKind::Filler, Origin::Computed, "cavity",
                                  "/make/cavities/" + std::to_string(c), piece);
            fill.mass_kg = cavity.density_kg_m3 * volume;
            fill.centre_m = at;
            make_kg_ += fill.mass_kg;
        }
        y += layer.thickness_m;
        if (k + 1 < make.layers.size()) {
            addFilm(y, make.glueDensity_kg_m3,
                    0.5 * (layer.density_kg_m3 + make.layers[k + 1].density_kg_m3));
        }
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
            MassItem& plug = item(PartKind::Plug, Origin::Computed, bore.name, path, piece);
            plug.mass_kg = bore.plugDensity_kg_m3 * g.plugVolume_m3;
            plug.centre_m = g.plugCentroid_m;
            plug.netDoubt_kg = (bore.plugDensity_kg_m3 - bore.fillerDensity_kg_m3) * area *
                               (g.plugLength_m > 0 ? kPlugLengthError_m : 0.0) *
                               kHalfWidthToStandard;
            leadAndFiller_kg_ += plug.mass_kg;
            MassItem& filler = item(PartKind::Filler, Origin::Computed, bore.name, path, piece);
            filler.mass_kg = bore.fillerDensity_kg_m3 * g.fillerVolume_m3;
            filler.centre_m = g.fillerCentroid_m;
            leadAndFiller_kg_ += filler.mass_kg;
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
        const double spread =
            j.weighedMass_kg ? kWeighedPartError_kg : kTypicalMassSpread * hinge.mass_kg;
        hinge.netDoubt_kg = spread * kHalfWidthToStandard * (1 - water_ / j.hardwareDensity_kg_m3);
        hardware_kg_ += hinge.mass_kg;
    }
    for (size_t i = 0; i < body_.parts.size(); ++i) {
        const BodyPart& part = body_.parts[i];
        if (part.appendage) {
            const size_t index = std::stoul(part.path.substr(part.path.rfind('/') + 1));
            const Appendage& a = design_.appendages[index];
            if (a.hardwareMass_kg > 0) {
                MassItem& hinge = item(PartKind::Hinge, Origin::Typical, a.name, part.path, i);
                hinge.mass_kg = a.hardwareMass_kg;
                hinge.centre_m = part.pivot_m;
                hinge.displaced_m3 = a.hardwareMass_kg / a.hardwareDensity_kg_m3;
                hinge.netDoubt_kg = kTypicalMassSpread * a.hardwareMass_kg * kHalfWidthToStandard;
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
        const double sunk = swings(fitting.kind) ? 0.0 : fitting.sunk;
        const size_t piece = pieceOf(place.x());
        for (const double side : {1.0, -1.0}) {
            if (side < 0 && !fitting.mirrored) {
                continue;
            }
            const Eigen::Vector3d at(place.x(), side * place.y(), place.z());
            MassItem& part =
                item(PartKind::Fitting, fitting.weighedMass_kg ? Origin::Weighed : Origin::Typical,
                     fitting.name, "/fittings/" + std::to_string(i), piece);
            part.mass_kg = mass;
            part.displaced_m3 = volume * (1 - sunk);
            part.centre_m = at;
            const double spread =
                fitting.weighedMass_kg ? kWeighedPartError_kg : kTypicalMassSpread * mass;
            part.netDoubt_kg = spread * kHalfWidthToStandard *
                               std::abs(1 - (water_ * (1 - sunk) + densityOf(piece) * sunk) /
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
    part.netDoubt_kg = 0.03 * b_.lip.mass_kg * kHalfWidthToStandard;
    cutWood(lipPiece_, b_.lip.insideVolume_m3, b_.lip.insideCentroid_m);
    hardware_kg_ += part.mass_kg;
    lipPlate_ =
        meshPlate(lipOutline(design_.lip), {design_.lip.slotX_m, 0, design_.lip.slotZ_m},
                  lipDirection(design_.lip), Eigen::Vector3d::UnitY(), design_.lip.thickness_m);
}

void Balancer::addCoats() {
    std::vector<double> share(body_.parts.size());
    std::vector<Eigen::Vector3d> middle(share.size());
    double all = 0;
    for (size_t i = 0; i < share.size(); ++i) {
        const SkinProperties skin = paintedSkin(body_.parts[i]);
        share[i] = skin.area_m2;
        middle[i] = skin.centroid_m;
        all += share[i];
    }
    std::vector<double> coatVolume(share.size(), 0.0);
    for (size_t k = 0; k < design_.coats.size(); ++k) {
        const Coat& coat = design_.coats[k];
        for (size_t i = 0; i < share.size(); ++i) {
            MassItem& part =
                item(PartKind::Coat, Origin::Computed, coat.name, "/coats/" + std::to_string(k), i);
            part.displaced_m3 = body_.skin.area_m2 * share[i] / all * coat.thickness_m * coat.count;
            part.mass_kg = coat.density_kg_m3 * part.displaced_m3;
            part.centre_m = middle[i];
            part.netDoubt_kg = kCoatThicknessSpread * part.displaced_m3 *
                               std::abs(coat.density_kg_m3 - water_) * kHalfWidthToStandard;
            coatVolume[i] += part.displaced_m3;
            (coat.kind == CoatKind::Sealer ? sealer_kg_ : finish_kg_) += part.mass_kg;
        }
    }
    for (size_t i = 0; i < share.size(); ++i) {
        if (coatVolume[i] > 0) {
            coatMesh(hulls_[i], coatVolume[i]);
            coatMesh(coarse_[i], coatVolume[i]);
        }
    }
}

void Balancer::addBodies() {
    std::vector<MassItem> bodies;
    double drilled = 0;
    for (size_t i = 0; i < body_.parts.size(); ++i) {
        const BodyPart& part = body_.parts[i];
        const Stock& stock = stockOf(design_, part.path);
        const bool weighed = stock.trust != BodyTrust::DrawnVolume && stock.weighedBody_kg;
        MassItem body{PartKind::Body, weighed ? Origin::Weighed : Origin::Computed,
                      body_.parts.size() == 1 ? stock.material : part.name, part.path};
        body.piece = i;
        body.mass_kg = wood_[i].amount;
        body.displaced_m3 = part.solid.volume_m3;
        body.centre_m = wood_[i].centre();
        const double share = part.material.mass_kg / std::max(1e-12, asMadeMass());
        body.netDoubt_kg = part.appendage ? part.material.doubtShare * part.material.mass_kg
                                          : body_.reckoning.netDoubt_kg * share;
        drilled += body.mass_kg;
        bodies.push_back(body);
    }
    b_.items.insert(b_.items.begin(), bodies.begin(), bodies.end());
    StageMasses& stage = b_.stages;
    stage.drilledBody_kg = drilled + make_kg_;
    stage.sealedBody_kg = stage.drilledBody_kg + sealer_kg_;
    stage.withLead_kg = stage.sealedBody_kg + leadAndFiller_kg_;
    stage.withHardware_kg = stage.withLead_kg + hardware_kg_;
    stage.finished_kg = stage.withHardware_kg + finish_kg_;
}

double Balancer::asMadeMass() const {
    double mass = 0;
    for (const BodyPart& part : body_.parts) {
        mass += part.appendage ? 0.0 : part.material.mass_kg;
    }
    return mass;
}

void Balancer::total() {
    std::vector<Sum> pieceMass(b_.pieces.size());
    Sum mass;
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
        FloatingShape alone{{hulls_[i]}, small_[i]};
        b_.shape.hulls.push_back(hulls_[i]);
        piece.coarseShape = {{coarse_[i]}, small_[i]};
        b_.coarseShape.hulls.push_back(coarse_[i]);
        b_.shape.parts.insert(b_.shape.parts.end(), small_[i].begin(), small_[i].end());
        if (!lipPlate_.triangles.empty() && i == lipPiece_) {
            alone.hulls.push_back(lipPlate_);
            piece.coarseShape.hulls.push_back(lipPlate_);
        }
        const Submerged displaced = computeDisplaced(alone);
        piece.displacedVolume_m3 = displaced.volume_m3;
        piece.centreOfBuoyancy_m = displaced.moment_m4 / displaced.volume_m3;
        piece.mass_kg = pieceMass[i].amount;
        piece.centreOfGravity_m = pieceMass[i].centre();
    }
    if (!lipPlate_.triangles.empty()) {
        b_.shape.hulls.push_back(lipPlate_);
        b_.coarseShape.hulls.push_back(lipPlate_);
    }
    b_.coarseShape.parts = b_.shape.parts;
    const Submerged displaced = computeDisplaced(b_.shape);
    b_.displacedVolume_m3 = displaced.volume_m3;
    b_.centreOfBuoyancy_m = displaced.moment_m4 / displaced.volume_m3;
}

}  // namespace

double fittingMass_kg(const Fitting& fitting) {
    return fitting.weighedMass_kg.value_or(fitting.typicalMass_kg);
}

bool swings(FittingKind kind) {
    return kind == FittingKind::Treble || kind == FittingKind::SplitRing;
}

Eigen::Vector3d fittingPlace(const Design& design, const Fitting& fitting) {
    if (!fitting.hangsFrom.empty()) {
        for (const Fitting& eye : design.fittings) {
            if (eye.name == fitting.hangsFrom && !swings(eye.kind)) {
                return {eye.x_m, eye.y_m, eye.z_m};
            }
        }
    }
    return {fitting.x_m, fitting.y_m, fitting.z_m};
}

MassBalance computeMassBalance(const Design& design, const BodyInputs& body, double water_kg_m3) {
    return Balancer(design, body, water_kg_m3).run();
}

}  // namespace wl
