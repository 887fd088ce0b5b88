// What depth loggers write, in several ways of writing it.
#include <catch2/catch.hpp>
#include <random>

#include "core/base/decimal.h"
#include "io/depth_trace.h"
#include "support/sample_bait.h"

using namespace wl;
using namespace wl::test;

namespace {

// Two dives of ten seconds to 2 m, at the surface between; a row each half second.
std::string table(const std::string& head, const std::string& mark, double scale, double zero,
                  bool clock, bool comma) {
    std::string out = head;
    for (int i = 0; i < 120; ++i) {
        const bool under = (i >= 20 && i < 42) || (i >= 70 && i < 92);
        std::string depth = fixedDecimalText(zero + (under ? 2.0 : 0.0) * scale, 6);
        if (comma) {
            depth[depth.find('.')] = ',';
        }
        const int s = 3590 + i / 2;
        char time[32];
        if (clock) {
            snprintf(time, sizeof time, "2026-05-01 %02d:%02d:%02d", 22 + s / 3600, s / 60 % 60,
                     s % 60);
        } else {
            snprintf(time, sizeof time, "%d", i / 2);
        }
        out += std::string(time) + mark + depth + "\n";
    }
    return out;
}

double deepest(const std::string& text) {
    const auto head = headOfTrace(text);
    REQUIRE(head.ok());
    const auto trace = readDepthTrace(text, head->guess);
    REQUIRE(trace.ok());
    const auto casts = castsIn(*trace);
    REQUIRE(casts.size() == 2);
    CHECK(casts[0].from_s == Approx(10).margin(1));
    CHECK(casts[1].to_s == Approx(45).margin(1));
    return casts[0].deepest_m;
}

}  // namespace

TEST_CASE("a logger's casts are found by its columns, its surface and its clock") {
    CHECK(deepest(table("time,depth (m)\n", ",", 1, 0.3, false, false)) == Approx(2));
    CHECK(deepest(table("Some device\nDepth [ft] log\nTime,Depth ft\n", ",", 1 / 0.3048, 4, true,
                        false)) == Approx(2).margin(1e-4));
    CHECK(deepest(table("Zeit;Tiefe m\n", ";", 1, -0.1, false, true)) == Approx(2));
    // 2 m of fresh water press 0.196 bar.
    CHECK(deepest(table("time\tpressure bar\n", "\t", 0.0980665, 1.013, false, false)) ==
          Approx(2).margin(1e-4));
    CHECK(deepest(table("t,press_mbar\n", ",", 98.0665, 1013, true, false)) ==
          Approx(2).margin(1e-4));
}

TEST_CASE("the practice logger's casts come back as deep as the bait runs") {
    const Run run = computeRun(evaluated(demoDesign()));
    const std::string text = practiseTrace(run.path, 5, 3);
    CHECK(text == practiseTrace(run.path, 5, 3));
    const auto head = headOfTrace(text);
    REQUIRE(head.ok());
    const auto trace = readDepthTrace(text, head->guess);
    REQUIRE(trace.ok());
    CHECK(trace->surface_m == Approx(0.31).margin(0.02));
    const auto casts = castsIn(*trace);
    REQUIRE(casts.size() == 5);
    for (const LoggedCast& cast : casts) {
        CHECK(cast.deepest_m == Approx(run.path.maxDepth_m).epsilon(0.12));
    }
}

TEST_CASE("what is no logger's table is refused, and damage never does more, seeded") {
    const auto refusal = [](const std::string& text, TraceColumns columns = {}) {
        const auto read = readDepthTrace(text, columns);
        return read.ok() ? std::string("ok") : read.error().code;
    };
    CHECK(refusal("") == "logger.no_rows");
    CHECK(refusal("a,b\n1,2\n2,3\n") == "logger.no_rows");
    CHECK(refusal(table("t,d\n", ",", 1, 0, false, false), {1, 1}) == "logger.no_column");
    CHECK(refusal(table("t,d\n", ",", 1, 0, false, false), {1, 0}) == "logger.time_runs_back");
    CHECK_FALSE(headOfTrace("no table at all").ok());
    const std::string good = table("time,depth\n", ",", 1, 0.3, true, false);
    std::mt19937 random(9);
    for (int i = 0; i < 200; ++i) {
        std::string text = good;
        for (int k = 0; k < 1 + int(random() % 8); ++k) {
            text[random() % text.size()] = char(random() % 256);
        }
        const auto head = headOfTrace(text);
        const auto trace = readDepthTrace(text, head.ok() ? head->guess : TraceColumns{});
        if (trace.ok()) {
            for (const LoggedCast& cast : castsIn(*trace)) {
                CHECK(std::isfinite(cast.deepest_m));
            }
        }
    }
}
