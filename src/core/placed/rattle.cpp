#include "core/placed/rattle.h"

#include <algorithm>
#include <cmath>

#include <Eigen/Geometry>

#include "core/base/units.h"

namespace wl {
namespace {

constexpr double kLoosePacking = 0.58;
constexpr double kSnug = 1.0 + 1e-9;

double ballVolume(double d) {
    return kPi / 6 * d * d * d;
}

}  // namespace

bool ballFits(double ball, double tube) {
    return ball <= tube * kSnug;
}

double stackLength_m(double count, double ball, double tube) {
    if (count < 1 || !ballFits(ball, tube)) {
        return 0.0;
    }
    if (ball > 0.5 * tube) {
        const double aside = std::max(0.0, tube - ball);
        return ball + (count - 1) * std::sqrt(ball * ball - aside * aside);
    }
    return std::max(ball, count * ballVolume(ball) / (kLoosePacking * kPi / 4 * tube * tube));
}

LeadInBore leadIn(const Bore& bore) {
    LeadInBore lead;
    const double area = kPi / 4 * bore.diameter_m * bore.diameter_m;
    if (bore.lead != BoreLead::Pieces) {
        lead.length_m = bore.plugLength_m;
        lead.volume_m3 = area * bore.plugLength_m;
        lead.mass_kg = bore.plugDensity_kg_m3 * lead.volume_m3;
        return lead;
    }
    for (const LeadPiece& p : bore.pieces) {
        lead.mass_kg += p.count * p.mass_kg;
        lead.fits = lead.fits && ballFits(p.diameter_m, bore.diameter_m);
        lead.length_m += p.length_m > 0 ? p.count * p.length_m
                                        : stackLength_m(p.count, p.diameter_m, bore.diameter_m);
    }
    lead.volume_m3 = lead.mass_kg / bore.plugDensity_kg_m3;
    return lead;
}

ChamberGeometry measureChamber(const RattleChamber& c) {
    ChamberGeometry g;
    const Eigen::Vector3d middle(c.x_m, c.y_m, c.z_m);
    switch (c.axis) {
        case ChamberAxis::Along:
            g.axis = {std::cos(c.lean_rad), 0, std::sin(c.lean_rad)};
            break;
        case ChamberAxis::Across:
            g.axis = Eigen::Vector3d::UnitY();
            break;
        case ChamberAxis::Upright:
            g.axis = Eigen::Vector3d::UnitZ();
            break;
    }
    const double area = kPi / 4 * c.diameter_m * c.diameter_m;
    const double outerLength = c.length_m + 2 * c.wall_m;
    const double outer = c.diameter_m + 2 * c.wall_m;
    g.removed_m3 = kPi / 4 * outer * outer * outerLength;
    g.inside_m3 = area * c.length_m;
    g.tube_kg = c.wallDensity_kg_m3 * (g.removed_m3 - g.inside_m3);
    g.balls_m3 = c.ballCount * ballVolume(c.ballDiameter_m);
    g.balls_kg = c.ballDensity_kg_m3 * g.balls_m3;
    g.free_m3 = g.inside_m3 - g.balls_m3;
    const double stack = stackLength_m(c.ballCount, c.ballDiameter_m, c.diameter_m);
    g.fits = c.ballCount < 1 ||
             (ballFits(c.ballDiameter_m, c.diameter_m) && stack <= c.length_m * kSnug);
    g.roll_m = g.fits ? 0.5 * std::max(0.0, c.length_m - stack) : 0.0;
    g.tool.mouth_m = middle - 0.5 * outerLength * g.axis;
    g.tool.inward = g.axis;
    g.tool.along = g.axis.unitOrthogonal();
    g.tool.halfAlong_m = g.tool.halfAcross_m = 0.5 * outer;
    g.tool.depth_m = outerLength;
    return g;
}

}  // namespace wl
