// The body itself: glue films and layers, coats, and what is left of the stock.
#include "core/mass/balancer.h"

#include <algorithm>
#include <cmath>

#include <Eigen/Geometry>

#include "core/base/units.h"
#include "core/geometry/mesh_clip.h"

namespace wl {
namespace {

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

}  // namespace

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

void Balancer::addCoats() {
    std::vector<double> area(body_.parts.size());
    std::vector<Eigen::Vector3d> middle(area.size());
    for (size_t i = 0; i < area.size(); ++i) {
        const SkinProperties skin = paintedSkin(body_.parts[i]);
        area[i] = skin.area_m2;
        // On the hull as it is floated: centred on the body drawn.
        middle[i] = skin.centroid_m + body_.parts[i].solid.centroid_m -
                    integrateMesh(body_.parts[i].mesh).centroid_m;
    }
    std::vector<double> coatVolume(area.size(), 0.0);
    for (size_t k = 0; k < design_.coats.size(); ++k) {
        const Coat& coat = design_.coats[k];
        for (size_t i = 0; i < area.size(); ++i) {
            MassItem& part =
                item(PartKind::Coat, Origin::Computed, coat.name, "/coats/" + std::to_string(k), i);
            part.displaced_m3 = area[i] * coat.thickness_m * coat.count;
            part.mass_kg = coat.density_kg_m3 * part.displaced_m3;
            part.centre_m = middle[i];
            part.netDoubt_kg = design_.errors.coatThickness * part.displaced_m3 *
                               std::abs(coat.density_kg_m3 - water_) * kHalfWidthToStandard;
            coatVolume[i] += part.displaced_m3;
            (coat.kind == CoatKind::Sealer ? sealer_kg_ : finish_kg_) += part.mass_kg;
        }
    }
    for (size_t i = 0; i < area.size(); ++i) {
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

}  // namespace wl
