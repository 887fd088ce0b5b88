#include "core/reckon/run.h"

#include <algorithm>
#include <cmath>
#include <exception>

#include "core/base/units.h"

namespace wl {

static Run computeRunUnguarded(const Derived& d, std::stop_token stop, const RetrieveGrid& grid) {
    const Design& design = *d.design;
    const Brief& brief = design.brief;
    const Model& model = d.model;
    const Rest& rest = *d.rest;
    Run run;
    const double level = std::clamp(rest.pitch_rad, -0.3, 0.3);
    run.trims = findTrims(d.towed, brief.retrieveSpeed_m_s, 0.0);
    run.levelTrim = settleTrim(d.towed, brief.retrieveSpeed_m_s, 0.0, level);

    Line line;
    line.diameter_m = brief.lineDiameter_m;
    line.density_kg_m3 = lineDensity_kg_m3(brief.lineKind);
    line.waterDensity_kg_m3 = d.waterDensity_kg_m3;
    line.waterViscosity_m2_s = d.waterViscosity_m2_s;
    line.tangentialDrag = model.lineTangential;
    line.strumming = model.strumming;
    line.normalFar = model.lineNormal;
    line.normalSlow = model.lineSlow;

    run.startDepth_m = 0.6 * d.shape->sizes.maxHeight_m;
    if (rest.net_kg < 0) {
        run.startDepth_m = std::max(
            run.startDepth_m, std::min(rest.fall.speed_m_s * brief.countdown_s,
                                       std::min(brief.waterDepth_m, 0.8 * brief.castLength_m)));
    }
    const Retrieve retrieve{brief.castLength_m, brief.retrieveSpeed_m_s, brief.rodTipHeight_m,
                            run.startDepth_m};
    const PullModel pull = [&d](double speed, double path, double alpha) {
        return settleTrim(d.towed, speed, path, alpha);
    };
    run.path = computeRetrieve(pull, line, retrieve, level, stop, grid);
    if (run.path.end == RetrieveEnd::Cancelled) {
        return run;
    }
    const bool inLine = design.lip.present && lipChord(design.lip).angle_rad <= 30 * kDegree;
    const double deepest = run.path.maxDepth_m;
    const double halfBand = inLine ? model.bandInLine * deepest
                                   : std::max(model.bandSteep * deepest, model.bandSteep_m);
    run.depthKnown = run.path.end != RetrieveEnd::NoTrim && run.path.end != RetrieveEnd::NoSolution;
    if (run.depthKnown) {
        run.depthLow_m = std::max(0.0, deepest - halfBand);
        run.depthHigh_m = deepest + halfBand;
    }
    if (run.levelTrim && run.levelTrim->lineAngle_rad > 0) {
        run.trolledDepth_m = std::max(
            0.0, trolledDepth_m(line, run.levelTrim->tension_N, run.levelTrim->lineAngle_rad,
                                brief.retrieveSpeed_m_s, brief.castLength_m, brief.rodTipHeight_m));
    }
    return run;
}

Run computeRun(const Derived& d, std::stop_token stop, const RetrieveGrid& grid) {
    try {
        return computeRunUnguarded(d, stop, grid);
    } catch (const std::exception&) {
        Run failed;
        failed.fault = Error{"internal.numeric", "", {}, {}};
        return failed;
    }
}

}  // namespace wl
