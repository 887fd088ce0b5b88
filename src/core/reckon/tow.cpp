#include "core/reckon/tow.h"

#include <algorithm>

namespace wl {

Line lineOf(const Derived& d) {
    const Model& model = d.model;
    const Brief& brief = d.design->brief;
    Line line;
    line.diameter_m = brief.lineDiameter_m;
    line.density_kg_m3 = lineDensity_kg_m3(brief.lineKind);
    line.leaderLength_m = brief.leaderLength_m;
    line.leaderDiameter_m = brief.leaderDiameter_m;
    line.leaderDensity_kg_m3 = lineDensity_kg_m3(brief.leaderKind);
    line.waterDensity_kg_m3 = d.waterDensity_kg_m3;
    line.waterViscosity_m2_s = d.waterViscosity_m2_s;
    line.tangentialDrag = model.lineTangential;
    line.strumming = model.strumming;
    line.normalFar = model.lineNormal;
    line.normalSlow = model.lineSlow;
    return line;
}

PullModel pullOf(const TowedBait& bait) {
    return [&bait](double speed, double path, double alpha) {
        return settleTrim(bait, speed, path, alpha);
    };
}

double towSpeed_m_s(const Derived& d) {
    constexpr double kSlowest_m_s = 0.05;
    const Brief& brief = d.design->brief;
    return std::max(kSlowest_m_s, brief.retrieveSpeed_m_s - brief.current_m_s);
}

double towStart_rad(const Derived& d) {
    constexpr double kSteepest_rad = 0.3;
    return std::clamp(d.rest->pitch_rad, -kSteepest_rad, kSteepest_rad);
}

double startDepth_m(const Derived& d) {
    const Brief& brief = d.design->brief;
    const double floating = 0.6 * d.shape->sizes.maxHeight_m;
    if (d.rest->net_kg >= 0) {
        return floating;
    }
    return std::max(floating, std::min(d.rest->fall.speed_m_s * brief.countdown_s,
                                       std::min(brief.waterDepth_m, 0.8 * brief.castLength_m)));
}

RetrievePath towIn(const Derived& d, double from_m, const std::stop_token& stop,
                   const RetrieveGrid& grid) {
    const Brief& brief = d.design->brief;
    return computeRetrieve(
        pullOf(d.towed), lineOf(d),
        {from_m, brief.retrieveSpeed_m_s, brief.rodTipHeight_m, startDepth_m(d), brief.current_m_s},
        towStart_rad(d), stop, grid);
}

}  // namespace wl
