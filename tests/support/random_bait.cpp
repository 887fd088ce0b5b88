#include "support/random_bait.h"

#include <cmath>

namespace wl::test {

Body randomBody(Dice& dice) {
    Body body;
    const double length = dice.from(0.05, 0.16);
    const double high = length * dice.from(0.12, 0.2), wide = high * dice.from(0.45, 1.0);
    const double widest = dice.from(0.25, 0.5), sag = high * dice.from(-0.15, 0.15);
    const int count = 6 + dice.upTo(4);
    body.nose = dice.chance(0.7) ? EndShape::Round : EndShape::Pointed;
    body.tail = dice.chance(0.5) ? EndShape::Round : EndShape::Pointed;
    for (int i = 0; i < count; ++i) {
        const double share = double(i) / (count - 1);
        // Rises to the widest place and falls from it, steeper at the nose.
        const double full = share < widest ? std::sin(0.5 * kPi * share / widest)
                                           : std::cos(0.5 * kPi * (share - widest) / (1 - widest));
        const double size = i == 0 || i == count - 1 ? 0.0 : std::pow(std::max(0.0, full), 0.8);
        Station s;
        s.position_m = share * length;
        s.back_m = high * size * 0.5 + sag * size;
        s.belly_m = -high * size * 0.5 + sag * size;
        s.halfWidth_m = 0.5 * wide * size;
        s.widest_m = s.belly_m + (s.back_m - s.belly_m) * dice.from(0.4, 0.6);
        s.fullnessAbove = dice.from(1.6, 3.0);
        s.fullnessBelow = dice.from(1.6, 3.0);
        body.stations.push_back(s);
    }
    return body;
}

Design randomDesign(Dice& dice) {
    Design d;
    d.name = "a bait no one drew";
    d.body = randomBody(dice);
    const double length = d.body.stations.back().position_m;
    const double high = d.body.stations[2].back_m - d.body.stations[2].belly_m;
    d.pieces[0].stock.source = DensitySource::Shelf;
    d.pieces[0].stock.shelfDensity_kg_m3 = dice.from(200, 800);
    for (int i = dice.upTo(2); i >= 0; --i) {
        Bore b;
        b.name = "bore " + std::to_string(i);
        b.x_m = length * (0.25 + 0.2 * i);
        b.diameter_m = high * dice.from(0.15, 0.3);
        b.depth_m = high * dice.from(0.3, 0.55);
        b.plugLength_m = b.depth_m * dice.from(0.2, 1.0);
        d.bores.push_back(b);
    }
    Fitting eye;
    eye.kind = FittingKind::ScrewEye;
    eye.name = "belly eye";
    eye.typicalMass_kg = 0.0003;
    eye.size_m = 0.005;
    eye.x_m = 0.55 * length;
    eye.z_m = -0.5 * high;
    d.fittings.push_back(eye);
    Fitting hook;
    hook.kind = FittingKind::Treble;
    hook.name = "treble";
    hook.typicalMass_kg = dice.from(0.0003, 0.002);
    hook.size_m = 0.2 * length;
    hook.hangsFrom = "belly eye";
    d.fittings.push_back(hook);
    Coat clear;
    clear.thickness_m = dice.from(5e-5, 3e-4);
    clear.count = 2;
    d.coats = {clear};
    d.lip.present = dice.chance(0.5);
    d.lip.length_m = 0.25 * length;
    d.lip.angle_rad = dice.from(15, 60) * kDegree;
    d.lip.slotX_m = 0.06 * length;
    d.lip.slotZ_m = -0.1 * high;
    d.tie.eye = "";
    d.tie.x_m = 0.0;
    d.tie.z_m = 0.0;
    return d;
}

}  // namespace wl::test
