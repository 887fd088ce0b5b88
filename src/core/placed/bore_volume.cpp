#include "core/placed/bore_volume.h"

#include <algorithm>
#include <cmath>

#include <Eigen/Geometry>

#include "core/base/units.h"
#include "core/placed/rattle.h"

namespace wl {

Eigen::Vector3d plugCentroid(const BoreGeometry& bore, double depth_m, double plugLength_m) {
    return bore.mouth_m + bore.inward * (depth_m - 0.5 * plugLength_m);
}

CutTool toolOf(const Bore& bore, const BoreGeometry& measured) {
    CutTool tool;
    tool.mouth_m = measured.mouth_m;
    tool.inward = measured.inward;
    tool.along = measured.inward.cross(Eigen::Vector3d::UnitY());
    tool.halfAlong_m = tool.halfAcross_m = 0.5 * bore.diameter_m;
    tool.depth_m = bore.depth_m;
    return tool;
}

// What it holds and is called put aside: a field more of a bore counts until it is said not to.
bool sameHole(const Bore& a, const Bore& b) {
    Bore held = b;
    held.name = a.name;
    held.plugMaterial = a.plugMaterial;
    held.plugDensity_kg_m3 = a.plugDensity_kg_m3;
    held.plugLength_m = a.plugLength_m;
    held.fillerDensity_kg_m3 = a.fillerDensity_kg_m3;
    held.lead = a.lead;
    held.pieces = a.pieces;
    return held == a;
}

namespace {

BoreGeometry hole(const BodyCurves& body, const Bore& bore) {
    BoreGeometry g;
    const bool fromBelly = bore.from == BoreFrom::Belly;
    g.inward = {std::sin(bore.lean_rad), 0.0,
                fromBelly ? std::cos(bore.lean_rad) : -std::cos(bore.lean_rad)};
    const Section s = body.atX(bore.x_m);
    g.entersBody = bore.x_m > 0 && bore.x_m < body.length_m() &&
                   std::abs(bore.y_m) < s.halfWidth_m && s.back_m - s.belly_m > 1e-4;
    if (!g.entersBody) {
        return g;
    }
    g.mouth_m = {bore.x_m, bore.y_m, skinHeight(s, bore.y_m, !fromBelly)};
    const CutVolume cut = measureCut(body, toolOf(bore, g));
    g.removed_m3 = cut.removed_m3;
    g.removedCentroid_m = cut.centroid_m;
    g.wallBeyond_m = cut.wallBeyond_m;
    g.wallBeside_m = cut.wallBeside_m;
    return g;
}

}  // namespace

BoreGeometry measureBore(const BodyCurves& body, const Bore& bore, const BoreGeometry* drilled) {
    BoreGeometry g = drilled != nullptr ? *drilled : hole(body, bore);
    g.fillerCentroid_m.setZero();
    if (!g.entersBody) {
        return g;
    }
    const LeadInBore lead = leadIn(bore);
    const double held = lead.length_m > bore.depth_m ? bore.depth_m / lead.length_m : 1.0;
    g.plugLength_m = held * lead.length_m;
    g.plugVolume_m3 = held * lead.volume_m3;
    g.leadMass_kg = held * lead.mass_kg;
    g.plugCentroid_m = plugCentroid(g, bore.depth_m, g.plugLength_m);
    g.fillerVolume_m3 = std::max(0.0, g.removed_m3 - g.plugVolume_m3);
    if (g.fillerVolume_m3 > 1e-15) {
        g.fillerCentroid_m =
            (g.removed_m3 * g.removedCentroid_m - g.plugVolume_m3 * g.plugCentroid_m) /
            g.fillerVolume_m3;
    }
    return g;
}

}  // namespace wl
