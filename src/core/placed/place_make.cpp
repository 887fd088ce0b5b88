// What the way of making puts into a body: glue films, the groove of halves, cavities in sheets.
#include <algorithm>
#include <cmath>

#include "core/placed/placing.h"

namespace wl {
namespace {

// A film lies within the drawn outline, in place of as much stock.
void placeFilm(Placing& p, double y, double filmDensity, double stockDensity) {
    for (size_t i = 0; i < p.body.parts.size(); ++i) {
        const BodyPart& part = p.body.parts[i];
        if (part.appendage) {
            continue;
        }
        const double from = part.bounds.front ? part.bounds.front->x_m : 0.0;
        const double to = part.bounds.rear ? part.bounds.rear->x_m : p.body.curves.length_m();
        const ProfileArea area = profileAt(p.body.curves, y, from, to);
        if (area.area_m2 > 0) {
            const double volume = area.area_m2 * p.design.make.glueFilm_m;
            MassItem& film = p.item(PartKind::Filler, Origin::Computed, BuildStage::Shaped, i,
                                    "glue film", "/make/glue_film");
            film.mass_kg = filmDensity * volume;
            film.centre_m = area.centroid_m;
            p.cut(i, volume, area.centroid_m, stockDensity);
        }
    }
}

void placeHalves(Placing& p) {
    const Make& make = p.design.make;
    placeFilm(p, 0.0, make.glueDensity_kg_m3, p.densityOf(0));
    const Halves& h = make.halves;
    const double length = h.grooveTo_m - h.grooveFrom_m;
    const double volume = h.grooveWidth_m * h.grooveHeight_m * std::max(0.0, length);
    if (volume <= 0) {
        return;
    }
    const Eigen::Vector3d at(0.5 * (h.grooveFrom_m + h.grooveTo_m), 0, h.grooveZ_m);
    const size_t piece = p.pieceOf(at.x());
    p.cut(piece, volume, at);
    MassItem& fill = p.item(PartKind::Filler, Origin::Computed, BuildStage::Shaped, piece, "groove",
                            "/make/halves/groove_width");
    fill.mass_kg = h.grooveDensity_kg_m3 * volume;
    fill.centre_m = at;
}

void placeSheets(Placing& p) {
    const Make& make = p.design.make;
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
            const size_t piece = p.pieceOf(at.x());
            const double volume = cavity.length_m * cavity.height_m * layer.thickness_m;
            p.begin({RecordList::Cavities, c}, "cavity");
            p.cut(piece, volume, at, layer.density_kg_m3 * p.body.massScale);
            MassItem& fill =
                p.item(PartKind::Filler, Origin::Computed, BuildStage::Shaped, piece);
            fill.mass_kg = cavity.density_kg_m3 * volume;
            fill.centre_m = at;
        }
        y += layer.thickness_m;
        if (k + 1 < make.layers.size()) {
            placeFilm(p, y, make.glueDensity_kg_m3,
                      0.5 * (layer.density_kg_m3 + make.layers[k + 1].density_kg_m3));
        }
    }
}

}  // namespace

void placeMake(Placing& p) {
    const Make& make = p.design.make;
    if (make.kind == MakeKind::Carved && make.halves.used) {
        placeHalves(p);
    }
    if (make.kind == MakeKind::Layered) {
        placeSheets(p);
    }
}

}  // namespace wl
