#include "core/reckon/run.h"

#include <algorithm>
#include <cmath>
#include <exception>

#include "core/base/units.h"

namespace wl {

namespace {

// A line too slack to be matched from the splash on is so for part of the way only: the farthest
// place from which it is, looked for in steps of a share of the cast and to a sixteenth of one.
void runFromWhereTaut(const PullModel& pull, const Line& line, const Retrieve& whole, double level,
                      double step, const std::stop_token& stop, const RetrieveGrid& grid,
                      Run& run) {
    constexpr double kLeast = 0.25;
    RetrieveGrid looking = grid;
    looking.searches = false;
    const auto tryFrom = [&](double share) {
        Retrieve part = whole;
        part.cast_m = share * whole.cast_m;
        RetrievePath path = computeRetrieve(pull, line, part, level, stop, looking);
        const bool told = path.end != RetrieveEnd::NoTrim && path.end != RetrieveEnd::NoSolution &&
                          path.end != RetrieveEnd::Cancelled;
        if (told) {
            run.tautFrom_m = part.cast_m;
            run.path = std::move(path);
        }
        return told;
    };
    double good = 0;
    for (double share = 1 - step; share > kLeast && good == 0; share -= step) {
        good = tryFrom(share) ? share : 0;
    }
    double bad = good + step;
    for (int i = 0; good > 0 && i < 4; ++i) {
        const double middle = 0.5 * (good + bad);
        (tryFrom(middle) ? good : bad) = middle;
    }
}

// The least speed, a seventh more each, at which the line is taut enough for some of the way.
std::optional<double> tellableSpeed(const PullModel& pull, const Line& line, Retrieve retrieve,
                                    double level, const std::stop_token& stop) {
    constexpr double kFastest_m_s = 3.0;
    constexpr double kFaster = 1.15, kStep = 0.2;
    while (retrieve.reelSpeed_m_s < kFastest_m_s && !stop.stop_requested()) {
        retrieve.reelSpeed_m_s *= kFaster;
        Run there;
        there.path.end = RetrieveEnd::NoSolution;
        runFromWhereTaut(pull, line, retrieve, level, kStep, stop, kCoarseRetrieve, there);
        if (there.tautFrom_m > 0) {
            return retrieve.reelSpeed_m_s;
        }
    }
    return std::nullopt;
}

}  // namespace

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
    run.tautFrom_m = brief.castLength_m;
    if (run.path.end == RetrieveEnd::NoSolution ||
        (run.path.end == RetrieveEnd::NoTrim && run.levelTrim)) {
        constexpr double kStep = 0.05;
        run.path.end = RetrieveEnd::NoSolution;
        run.tautFrom_m = 0;
        runFromWhereTaut(pull, line, retrieve, level, kStep, stop, grid, run);
        if (run.tautFrom_m == 0) {
            run.tellableFrom_m_s = tellableSpeed(pull, line, retrieve, level, stop);
        }
    }
    if (run.path.end == RetrieveEnd::Cancelled || stop.stop_requested()) {
        run.path.end = RetrieveEnd::Cancelled;
        return run;
    }
    // From lips in line to steep ones as the loads go: no step in between.
    const double steep =
        design.lip.present
            ? std::clamp((lipChord(design.lip).angle_rad - model.lipSteepFrom_rad) /
                             std::max(1e-9, model.lipSteepTo_rad - model.lipSteepFrom_rad),
                         0.0, 1.0)
            : 1.0;
    const double deepest = run.path.maxDepth_m;
    const double halfBand = (1 - steep) * model.bandInLine * deepest +
                            steep * std::max(model.bandSteep * deepest, model.bandSteep_m);
    run.depthKnown = run.path.end != RetrieveEnd::NoTrim && run.path.end != RetrieveEnd::NoSolution;
    // Lift on the line would have to bend it the other way for its end to come up to the rod.
    const auto lowest = std::max_element(
        run.path.points.begin(), run.path.points.end(),
        [](const RetrievePoint& a, const RetrievePoint& b) { return a.depth_m < b.depth_m; });
    run.floatsSlack = run.depthKnown && line.submergedWeight_N_m() < 0 && deepest > 0 &&
                      lowest->lineAngle_rad < 0;
    run.depthKnown = run.depthKnown && !run.floatsSlack;
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
