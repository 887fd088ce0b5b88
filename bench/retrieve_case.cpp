// One retrieve of the shipped diver as figures for another program to work out: the bait's loads
// each quarter of a degree, its line, its cast; with what comes of it here, and in what time.
#include <chrono>
#include <iostream>
#include <nlohmann/json.hpp>

#include "core/base/units.h"
#include "core/reckon/evaluate.h"
#include "core/reckon/run.h"
#include "core/reckon/tow.h"
#include "files/design_file.h"
#include "files/embedded_data.h"

using namespace wl;

int main() {
    const Result<Design> design = readDesign(demos().front().text);
    const Result<Derived> derived = design ? evaluate(*design) : Result<Derived>(design.error());
    if (!derived) {
        std::cerr << derived.error().code << '\n';
        return 1;
    }
    const TowedBait& bait = derived->towed;
    const Line line = lineOf(*derived);
    const Brief& brief = design->brief;
    const auto both = [](const Eigen::Vector2d& v) { return nlohmann::json{v.x(), v.y()}; };
    nlohmann::json loads;
    constexpr int kCount = 1440;
    for (int i = 0; i <= kCount; ++i) {
        // The last one is the first again.
        const Loads at = bait.loads->at(kPi * (2.0 * (i % kCount) / kCount - 1));
        loads.push_back({at.aft_m2, at.up_m2, at.moment_m3});
    }
    constexpr int kRuns = 50;
    Run run;
    const auto began = std::chrono::steady_clock::now();
    for (int i = 0; i < kRuns; ++i) {
        run = computeRun(*derived, {}, kFineRetrieve);
    }
    const std::chrono::duration<double, std::milli> taken =
        std::chrono::steady_clock::now() - began;
    // The same with the line in steps so small that they no longer count.
    RetrieveGrid smallest = kFineRetrieve;
    smallest.lineSteps = 4000;
    nlohmann::json path;
    const Run exact = computeRun(*derived, {}, smallest);
    for (const RetrievePoint& p : exact.path.points) {
        path.push_back({p.fromRod_m, p.depth_m, p.tension_N});
    }
    std::cout << nlohmann::json{{"mass_kg", bait.mass_kg},
                                {"displaced_m3", bait.displacedVolume_m3},
                                {"water_kg_m3", bait.waterDensity_kg_m3},
                                {"centre_of_gravity_m", both(bait.centreOfGravity_m)},
                                {"centre_of_buoyancy_m", both(bait.centreOfBuoyancy_m)},
                                {"tie_m", both(bait.tie_m)},
                                {"start_alpha_rad", towStart_rad(*derived)},
                                {"loads_aft_up_m2_moment_m3", loads},
                                {"line",
                                 {{"diameter_m", line.diameter_m},
                                  {"viscosity_m2_s", line.waterViscosity_m2_s},
                                  {"weight_N_m", line.submergedWeight_N_m()},
                                  {"air_weight_N_m", line.airWeight_N_m()},
                                  {"tangential", line.tangentialDrag},
                                  {"strumming", line.strumming},
                                  {"far", line.normalFar},
                                  {"slow", line.normalSlow}}},
                                {"cast_m", brief.castLength_m},
                                {"reel_m_s", brief.retrieveSpeed_m_s},
                                {"rod_tip_m", brief.rodTipHeight_m},
                                {"start_depth_m", run.startDepth_m},
                                {"took_ms", taken.count() / kRuns},
                                {"deepest_m", run.path.maxDepth_m},
                                {"deepest_in_small_steps_m", exact.path.maxDepth_m},
                                {"path_from_rod_depth_m_tension_N", path}};
    std::cout << '\n';
    return 0;
}
