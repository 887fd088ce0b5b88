// The body itself: glue films and layers, coats, and what is left of the stock.
#include "core/mass/balancer.h"

#include <algorithm>
#include <cmath>

#include <Eigen/Geometry>

#include "core/base/units.h"

namespace wl {

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
    for (size_t k = 0; k < design_.coats.size(); ++k) {
        const Coat& coat = design_.coats[k];
        for (size_t i = 0; i < body_.hulls.size(); ++i) {
            MassItem& part =
                item(PartKind::Coat, Origin::Computed, coat.name, "/coats/" + std::to_string(k), i);
            part.displaced_m3 = body_.hulls[i].painted_m2 * coat.thickness_m * coat.count;
            part.mass_kg = coat.density_kg_m3 * part.displaced_m3;
            part.centre_m = body_.hulls[i].paintedCentre_m;
            part.netDoubt_kg = design_.errors.coatThickness * part.displaced_m3 *
                               std::abs(coat.density_kg_m3 - water_) * kHalfWidthToStandard;
            (coat.kind == CoatKind::Sealer ? sealer_kg_ : finish_kg_) += part.mass_kg;
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
