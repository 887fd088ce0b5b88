#include <catch2/catch.hpp>
#include <filesystem>
#include <fstream>
#include <random>
#include <regex>
#include <set>
#include <sstream>

#include "core/plan/plan_lead.h"
#include "support/sample_bait.h"
#include "support/thorough.h"
#include "text/sentences.h"

using namespace wl;

TEST_CASE("every code the sources raise has a sentence, and every sentence is raised") {
    std::set<std::string> used;
    const std::regex code(
        "\"((?:body|stock|fitting|bore|cut|feature|make|joint|piece|solid|trace|svg|lip|tie|rest|"
        "run|cast|sweep|aim|"
        "plan|choice|mend|edit|field|file|text|internal|outline|weight|build_up|clip|wall|chamber|"
        "wire|hooks|hook|tank|shelf|export|swim|"
        "scale|program|meeting|model|word|pdf|coat|builds|mould|finish|log|learn|photo|logger|"
        "bath|stream)\\.[a-z_"
        "0-9]+)\"");
    for (const auto& entry : std::filesystem::recursive_directory_iterator(WL_SOURCE_DIR "/src")) {
        if (entry.path().extension() != ".cpp" || entry.path().filename() == "sentence_rows.cpp") {
            continue;
        }
        std::ifstream in(entry.path());
        std::stringstream text;
        text << in.rdbuf();
        const std::string source = text.str();
        for (std::sregex_iterator it(source.begin(), source.end(), code), end; it != end; ++it) {
            const std::string found = (*it)[1];
            if (!found.ends_with(".csv") && !found.ends_with(".png")) {  // file names, not codes
                used.insert(found);
            }
        }
    }
    for (const std::string& c : used) {
        INFO(c);
        CHECK(englishFor(c) != c);
    }
    for (const std::string_view c : sentenceCodes()) {
        INFO(c);
        CHECK(used.count(std::string(c)) == 1);
    }
}

TEST_CASE("values and words go where they belong, and what is missing shows as a dash") {
    CHECK(fillSentence("%w1: %1 of %2", {{Quantity::Length, 0.0445}, {Quantity::Mass, 0.0123}},
                       {"bore"}, Bench::Metric) == "bore: 44.5\u00A0mm of 12.30\u00A0g");
    CHECK(fillSentence("%1 %w1 100 %", {}, {}, Bench::Metric) == "– – 100 %");
    CHECK(fillSentence("%w1", {}, {"%1 %w1"}, Bench::Metric) == "%1 %w1");
}

TEST_CASE("times are said as one says them") {
    const auto said = [](double s) { return formatQuantity(Quantity::Time, Bench::Metric, s); };
    CHECK(said(12.34) == "12.3\u00A0s");
    CHECK(said(1800) == "30\u00A0min");
    CHECK(said(5400) == "90\u00A0min");
    CHECK(said(14400) == "4\u00A0h");
    CHECK(said(9000) == "2.5\u00A0h");
}

TEST_CASE("every sentence of many odd baits reads as a sentence, whatever the signs and names") {
    // What gave nonsense before: a rate, share or mass with a minus in a sentence that already says
    // which way, a name that is empty, raw seconds, a placeholder left over.
    const std::regex nonsense(
        "(sinks?|rises?|comes up|falls) (at )?\u2212|\u2212[0-9.,]+° nose|by \u2212|"
        "^ | ; |: [;,]|“”|[0-9]{4,}\\.[0-9]\u00A0s|%[0-9w]|  |– (of|is|deep|wide)|nan|inf");
    std::mt19937 random(99);
    std::uniform_real_distribution<double> unit(0, 1);
    std::set<std::string> codes;
    for (int i = 0; i < test::someOf(120); ++i) {
        const char* names[] = {"diver", "lipless", "glider", "glide-bait", "swimmer"};
        Design d = test::demoNamed(names[i % 5]);
        d.brief.wantedState = WantedState(i % 3);
        d.brief.wantedPitch_rad = (unit(random) - 0.5) * 3;
        d.brief.wantedSinkSpeed_m_s = 0.02 + 0.3 * unit(random);
        d.pieces[0].stock.source = DensitySource::Shelf;
        d.pieces[0].stock.shelfDensity_kg_m3 = 150 + 1100 * unit(random);
        for (Bore& bore : d.bores) {
            bore.x_m *= 0.6 + 0.8 * unit(random);
            bore.y_m = 0.004 * (unit(random) - 0.5);
            bore.plugLength_m *= 2 * unit(random);
            bore.depth_m *= 0.3 + 1.5 * unit(random);
            bore.name = unit(random) < 0.2 ? "" : bore.name;
        }
        for (Fitting& f : d.fittings) {
            f.z_m += 0.03 * (unit(random) - 0.3);
            f.name = unit(random) < 0.1 ? "" : f.name;
        }
        d.lip.angle_rad = 1.4 * unit(random);
        d.make.print.leaks = true;
        const Result<Derived> derived = evaluate(d);
        if (!derived) {
            continue;
        }
        std::vector<Finding> all = checkDesign(*derived);
        const std::vector<Finding> towed = checkRun(*derived, computeRun(*derived));
        all.insert(all.end(), towed.begin(), towed.end());
        if (const Result<LeadPlan> plan = planLead(d)) {
            all.insert(all.end(), plan->findings.begin(), plan->findings.end());
        } else {
            all.push_back({plan.error().code, Severity::Error, plan.error().path,
                           plan.error().values, plan.error().words});
        }
        for (const Finding& f : all) {
            const std::string text =
                fillSentence(englishFor(f.code), f.values, f.words, Bench::Metric);
            codes.insert(f.code);
            INFO(f.code << ": " << text);
            CHECK_FALSE(std::regex_search(text, nonsense));
            for (const ProposedEdit& e : f.edits) {
                const std::string label =
                    fillSentence(englishFor(e.code), e.values, e.words, Bench::Metric);
                INFO(e.code << ": " << label);
                CHECK_FALSE(std::regex_search(label, nonsense));
            }
        }
    }
    CHECK(codes.size() > (test::kThorough ? 25 : 15));  // enough of them were seen
}
