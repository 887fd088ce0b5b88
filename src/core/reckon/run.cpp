#include "core/reckon/run.h"

#include <algorithm>
#include <cmath>
#include <exception>

#include "core/reckon/cadence.h"
#include "core/reckon/depth_doubts.h"
#include "core/reckon/tow.h"

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
        if (retrieve.reelSpeed_m_s <= retrieve.current_m_s) {
            continue;
        }
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

static void setBand(Run& run) {
    double shallower = 0, deeper = 0;
    for (const DepthDoubt& doubt : run.doubts) {
        shallower = std::hypot(shallower, doubt.shallower_m);
        deeper = std::hypot(deeper, doubt.deeper_m);
    }
    run.depthLow_m = std::max(0.0, run.path.maxDepth_m - shallower);
    run.depthHigh_m = run.path.maxDepth_m + deeper;
}

void addDoubts(const Derived& d, Run& run, const std::stop_token& stop) {
    if (!run.depthKnown) {
        return;
    }
    try {
        std::vector<DepthDoubt> doubts = depthDoubts(d, run.tautFrom_m, stop);
        if (stop.stop_requested()) {
            return;
        }
        doubts.push_back(restOfDoubt(d, run.path.maxDepth_m));
        run.doubts = std::move(doubts);
        setBand(run);
    } catch (const std::exception&) {
        run.fault = Error{"internal.numeric", "", {}, {}};
    }
}

void carryDoubts(Run& run, const Run& before) {
    if (!run.depthKnown || !before.depthKnown || before.path.maxDepth_m <= 0) {
        return;
    }
    const double scale = run.path.maxDepth_m / before.path.maxDepth_m;
    const DepthDoubt rest = run.doubts.back();
    run.doubts.clear();
    for (const DepthDoubt& doubt : before.doubts) {
        if (doubt.source != DepthDoubt::Source::Rest) {
            run.doubts.push_back({doubt.source, scale * doubt.shallower_m, scale * doubt.deeper_m});
        }
    }
    run.doubts.push_back(rest);
    setBand(run);
}

static Run computeRunUnguarded(const Derived& d, std::stop_token stop, const RetrieveGrid& grid) {
    const Brief& brief = d.design->brief;
    Run run;
    const double level = towStart_rad(d);
    const double through = towSpeed_m_s(d);
    run.trims = findTrims(d.towed, through, 0.0);
    run.levelTrim = settleTrim(d.towed, through, 0.0, level);

    const Line line = lineOf(d);
    run.startDepth_m = startDepth_m(d);
    const Retrieve retrieve{brief.castLength_m, brief.retrieveSpeed_m_s, brief.rodTipHeight_m,
                            run.startDepth_m, brief.current_m_s};
    const PullModel pull = pullOf(d.towed);
    run.path = computeRetrieve(pull, line, retrieve, level, stop, grid);
    // A current that outruns the reel carries bait and line along, slack.
    if (brief.current_m_s >= brief.retrieveSpeed_m_s && run.path.end != RetrieveEnd::Cancelled) {
        run.path = {};
        run.path.end = RetrieveEnd::NoSolution;
    }
    run.tautFrom_m = brief.castLength_m;
    if (run.path.end == RetrieveEnd::NoSolution ||
        (run.path.end == RetrieveEnd::NoTrim && run.levelTrim)) {
        constexpr double kStep = 0.05;
        run.path.end = RetrieveEnd::NoSolution;
        run.tautFrom_m = 0;
        if (brief.current_m_s < brief.retrieveSpeed_m_s) {
            runFromWhereTaut(pull, line, retrieve, level, kStep, stop, grid, run);
        }
        if (run.tautFrom_m == 0) {
            run.tellableFrom_m_s = tellableSpeed(pull, line, retrieve, level, stop);
        }
    }
    if (run.path.end == RetrieveEnd::Cancelled || stop.stop_requested()) {
        run.path.end = RetrieveEnd::Cancelled;
        return run;
    }
    const double deepest = run.path.maxDepth_m;
    run.depthKnown = run.path.end != RetrieveEnd::NoTrim && run.path.end != RetrieveEnd::NoSolution;
    // Lift on the line would have to bend it the other way for its end to come up to the rod.
    const auto lowest = std::max_element(
        run.path.points.begin(), run.path.points.end(),
        [](const RetrievePoint& a, const RetrievePoint& b) { return a.depth_m < b.depth_m; });
    run.floatsSlack = run.depthKnown && line.submergedWeight_N_m() < 0 && deepest > 0 &&
                      lowest->lineAngle_rad < 0;
    run.depthKnown = run.depthKnown && !run.floatsSlack;
    if (run.depthKnown) {
        run.doubts = {restOfDoubt(d, deepest)};
        setBand(run);
        if (grid.doubts) {
            addDoubts(d, run, stop);
            if (stop.stop_requested()) {
                run.path.end = RetrieveEnd::Cancelled;
                run.depthKnown = false;
                return run;
            }
        }
    }
    if (!brief.cadence.empty()) {
        run.cadence = computeCadence(d, stop, grid);
        run.cadence->told = run.cadence->told && !run.floatsSlack;
    }
    const auto trolled = settleTrim(d.towed, brief.retrieveSpeed_m_s, 0.0, level);
    if (trolled && trolled->lineAngle_rad > 0) {
        run.trolledDepth_m = std::max(
            0.0, trolledDepth_m(
                     line, trolled->tension_N, trolled->lineAngle_rad, brief.retrieveSpeed_m_s,
                     brief.trolledLine_m.value_or(brief.castLength_m), brief.rodTipHeight_m));
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
