// What the way of making puts into a body: glue films, the groove of halves, cavities in sheets.
#include <algorithm>
#include <cmath>

#include "core/geometry/convex_parts.h"
#include "core/placed/placing.h"

namespace wl {

std::vector<CutTool> toolsOfCavity(const Cavity& c, double fromY, double depth) {
    const Eigen::Vector3d at(c.x_m, fromY, c.z_m);
    if (!c.outline.empty()) {
        return outlineTools(c.outline, at, Eigen::Vector3d::UnitY(), depth);
    }
    CutTool tool;
    tool.mouth_m = at;
    tool.inward = Eigen::Vector3d::UnitY();
    tool.along = Eigen::Vector3d::UnitX();
    tool.round = false;
    tool.halfAlong_m = 0.5 * c.length_m;
    tool.halfAcross_m = 0.5 * c.height_m;
    tool.depth_m = depth;
    return {tool};
}

namespace {

constexpr size_t kNoSheet = 1000;

bool inSheet(const Cavity& cavity, size_t sheet) {
    return int(sheet) + 1 >= cavity.layer && int(sheet) + 1 < cavity.layer + cavity.sheets;
}

// Area and centre in the sheet's plane, (x, z).
MassSum faceOf(const Cavity& c) {
    MassSum face;
    for (const CutTool& tool : toolsOfCavity(c, 0, 1)) {
        const Eigen::Vector3d& middle = tool.mouth_m;
        if (tool.corners.empty()) {
            face.add(4 * tool.halfAlong_m * tool.halfAcross_m, middle);
        }
        for (size_t i = 1; i + 1 < tool.corners.size(); ++i) {
            const Eigen::Vector2d &a = tool.corners[0], &b = tool.corners[i],
                                  &q = tool.corners[i + 1];
            const Eigen::Vector2d at = (a + b + q) / 3;
            face.add(outlineArea_m2({a, b, q}),
                     middle + at.x() * tool.along + at.y() * tool.across());
        }
    }
    return face;
}

// What of it is in one sheet: the stock gone from there, and what fills it.
void placeCavity(Placing& p, size_t index, double sheetFrom, const Layer& sheet) {
    const Cavity& cavity = p.design.make.cavities[index];
    const MassSum face = faceOf(cavity);
    const double volume = face.amount * sheet.thickness_m;
    Eigen::Vector3d at = face.centre();
    at.y() = sheetFrom + 0.5 * sheet.thickness_m;
    const size_t piece = p.pieceOf(at.x());
    p.begin({RecordList::Cavities, index}, "cavity");
    p.cut(piece, volume, at, sheet.density_kg_m3 * p.body.massScale);
    MassItem& fill = p.item(PartKind::Filler, Origin::Computed, BuildStage::Shaped, piece);
    fill.mass_kg = cavity.density_kg_m3 * volume;
    fill.centre_m = at;
    for (const CutTool& tool : toolsOfCavity(cavity, sheetFrom, sheet.thickness_m)) {
        Embedded solid;
        solid.kind = Embedded::Kind::Cavity;
        solid.tool = tool;
        solid.moves = true;
        p.embed(solid);
    }
}

// A film lies within the drawn outline, in place of as much stock; between two sheets that one
// cavity goes through there is none over it, but what fills the cavity.
void placeFilm(Placing& p, double y, size_t sheet, double filmDensity, double stockDensity) {
    for (size_t i = 0; i < p.body.parts.size(); ++i) {
        const BodyPart& part = p.body.parts[i];
        if (part.appendage) {
            continue;
        }
        const double from = part.bounds.front ? part.bounds.front->x_m : 0.0;
        const double to = part.bounds.rear ? part.bounds.rear->x_m : p.body.curves.length_m();
        const ProfileArea whole = profileAt(p.body.curves, y, from, to);
        MassSum glued;
        glued.add(whole.area_m2, whole.centroid_m);
        for (const Cavity& cavity : p.design.make.cavities) {
            if (sheet != kNoSheet && inSheet(cavity, sheet) && inSheet(cavity, sheet + 1)) {
                const MassSum face = faceOf(cavity);
                if (p.pieceOf(face.centre().x()) == i) {
                    glued.add(-face.amount, {face.centre().x(), y, face.centre().z()});
                }
            }
        }
        const ProfileArea area{glued.amount, glued.centre()};
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
    placeFilm(p, 0.0, kNoSheet, make.glueDensity_kg_m3, p.densityOf(0));
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
            if (inSheet(make.cavities[c], k)) {
                placeCavity(p, c, y, layer);
            }
        }
        y += layer.thickness_m;
        if (k + 1 < make.layers.size()) {
            placeFilm(p, y, k, make.glueDensity_kg_m3,
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
