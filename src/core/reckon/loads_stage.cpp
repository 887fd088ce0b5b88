#include <algorithm>
#include <cmath>

#include "core/base/units.h"
#include "core/motion/added_mass.h"
#include "core/reckon/stages.h"

namespace wl {

namespace {

TowedSurface towedSurface(const Surface& s) {
    using Kind = TowedSurface::Kind;
    TowedSurface t;
    t.centre_m = s.centre_m;
    t.along = s.along;
    t.normal = s.normal;
    t.chord_m = s.chord_m;
    t.span_m = s.span_m;
    t.thickness_m = s.thickness_m;
    t.aspectFactor = s.aspectFactor;
    t.cupShare = s.cupShare;
    switch (s.kind) {
        case Surface::Kind::NoseFace:
            t.kind = Kind::NoseFace;
            break;
        case Surface::Kind::TailFace:
            t.kind = Kind::TailFace;
            break;
        case Surface::Kind::Bristles:
            t.kind = Kind::Bristles;
            break;
        default:
            t.kind = s.isLump() ? Kind::Lump : Kind::Fin;
    }
    return t;
}

// The diving plate is reckoned as the lip.
std::vector<TowedSurface> towedSurfaces(const std::vector<Surface>& surfaces) {
    std::vector<TowedSurface> out;
    const Surface* diving = divingSurface(surfaces);
    for (const Surface& s : surfaces) {
        if (&s != diving && s.chord_m > 0 && s.span_m > 0) {
            out.push_back(towedSurface(s));
        }
    }
    return out;
}

}  // namespace

TowedShape towedShapeOf(const Design& design, const Derived& d) {
    const Model& model = d.model;
    const BaitShape& shape = *d.shape;
    TowedHull hull;
    hull.length_m = shape.sizes.length_m;
    hull.width_m = shape.sizes.maxWidth_m;
    hull.height_m = shape.sizes.maxHeight_m;
    hull.volume_m3 = shape.solid.volume_m3;
    hull.planArea_m2 = shape.sizes.planArea_m2;
    hull.planMoment_m3 = shape.sizes.planMoment_m3;
    hull.wettedArea_m2 = shape.skin.area_m2;
    hull.centroidZ_m = shape.solid.centroid_m.z();
    hull.squareness = shape.sizes.fullness;
    const Eigen::Vector3d k = addedMassCoefficients(hull.length_m, hull.width_m, hull.height_m);
    hull.addedMassExcess = k.z() - k.x();
    std::optional<TowedLip> lip;
    // A sloped face does a lip's work when there is none: the same plate, root at its upper edge.
    if (const Surface* plate = divingSurface(d.mass->surfaces)) {
        lip = TowedLip{{plate->root_m.x(), plate->root_m.z()},
                       plate->chord_m,
                       plate->span_m,
                       plate->thickness_m,
                       std::atan2(-plate->along.z(), -plate->along.x())};
    }
    std::vector<TowedPart> parts;
    for (const Fitting& fitting : design.fittings) {
        if (swings(fitting.kind)) {
            const double lengths = (fitting.kind == FittingKind::Treble       ? model.trebleWire
                                    : fitting.kind == FittingKind::SingleHook ? model.singleWire
                                                                              : model.ringWire) +
                                   (fitting.weedGuard ? model.weedGuardWire : 0.0);
            const Eigen::Vector3d at = fittingPlace(design, fitting);
            const double count = fitting.mirrored ? 2.0 : 1.0;
            parts.push_back({{at.x(), at.z()},
                             count * model.wireDrag * fitting.wire_m * lengths * fitting.size_m});
        }
    }
    const double reynolds = design.brief.retrieveSpeed_m_s * hull.length_m / d.waterViscosity_m2_s;
    return {hull, lip, std::move(parts), towedSurfaces(d.mass->surfaces), reynolds};
}

}  // namespace wl
