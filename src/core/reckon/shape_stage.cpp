#include <algorithm>
#include <cmath>

#include "core/reckon/stages.h"

namespace wl {
namespace {

constexpr int kSkinRings = 64, kSkinAround = 40;

Body scaledBreadths(const Body& body, double scale) {
    Body scaled = body;
    for (Station& s : scaled.stations) {
        s.back_m *= scale;
        s.belly_m *= scale;
        s.widest_m *= scale;
        s.halfWidth_m *= scale;
    }
    return scaled;
}

}  // namespace

Result<BaitShape> shapeOf(const Design& design, double waterDensity_kg_m3) {
    const std::string bodyPath = "/body";
    Result<BodyCurves> curves = BodyCurves::build(design.body, bodyPath);
    if (!curves) {
        return curves.error();
    }
    BaitShape d;
    d.curves = std::move(curves).value();
    AsMade made;
    for (int pass = 0; pass < 2; ++pass) {
        Result<std::vector<JointCut>> joints = layOutJoints(design, d.curves);
        if (!joints) {
            return joints.error();
        }
        d.joints = std::move(joints).value();
        Result<std::vector<BodyPart>> parts =
            makeParts(design, d.curves, d.joints, d.reckoning.breadthScale);
        if (!parts) {
            return parts.error();
        }
        d.parts = std::move(parts).value();
        made = chainAsMade(design, d.curves, d.parts);
        if (pass > 0) {
            break;
        }
        DensityEstimate density;
        density.density_kg_m3 = made.mass_kg / made.volume_m3;
        density.uncertainty_kg_m3 = made.doubtShare * density.density_kg_m3;
        d.reckoning =
            reckonBody(design.pieces.front().stock, density, made.volume_m3, waterDensity_kg_m3);
        if (!(d.reckoning.breadthScale > 0.3 && d.reckoning.breadthScale < 3.0)) {
            return Error{"stock.weighed_absurd",
                         "/pieces/0/stock/weighed_body",
                         {},
                         {{Quantity::Volume, d.reckoning.usedVolume_m3},
                          {Quantity::Volume, d.reckoning.drawnVolume_m3}}};
        }
        if (d.reckoning.breadthScale == 1.0) {
            break;
        }
        Result<BodyCurves> used =
            BodyCurves::build(scaledBreadths(design.body, d.reckoning.breadthScale), bodyPath);
        if (!used) {
            return used.error();
        }
        d.curves = std::move(used).value();
    }
    d.sizes = measureBody(d.curves);
    if (d.parts.size() == 1) {
        d.solid = d.parts.front().solid;
        d.mesh = d.parts.front().mesh;
    } else {
        d.solid = integratePiece(d.curves, {});
        d.mesh = meshPiece(d.curves, {}, d.solid.volume_m3, kSkinRings, kSkinAround);
    }
    d.skin = integrateSkin(d.mesh);
    for (const BodyPart& part : d.parts) {
        d.skin.area_m2 += part.appendage ? integrateSkin(part.mesh).area_m2 : 0.0;
    }
    d.massScale = d.reckoning.usedMass_kg / made.mass_kg;
    return d;
}

}  // namespace wl
