#include "core/tank/still_water.h"

namespace wl {

ChangedBait unchanged(const Derived& d) {
    return {d.mass->mass_kg,
            d.mass->centreOfGravity_m,
            d.mass->displacedVolume_m3,
            d.mass->centreOfBuoyancy_m,
            d.waterDensity_kg_m3,
            {}};
}

StillWater restInWater(const Derived& d, const ChangedBait& changed) {
    LooseBait bait = looseBait(d);
    double hull_m3 = d.mass->displacedVolume_m3;
    for (const SmallPart& part : changed.more) {
        bait.shape.parts.push_back(part);
        hull_m3 += part.volume_m3;
    }
    bait.shapeDensity_kg_m3 = changed.waterDensity_kg_m3 * changed.volume_m3 / hull_m3;
    bait.mass_kg = changed.mass_kg;
    bait.centreOfGravity_m = changed.centreOfGravity_m;
    bait.volume_m3 = changed.volume_m3;
    bait.centreOfBuoyancy_m = changed.centreOfBuoyancy_m;
    bait.waterDensity_kg_m3 = changed.waterDensity_kg_m3;
    return letGo(bait, floatingAttitudes(bait, upInBody(d.rest->pitch_rad, d.rest->roll_rad)));
}

}  // namespace wl
