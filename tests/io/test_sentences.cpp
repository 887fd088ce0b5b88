#include <catch2/catch.hpp>
#include <filesystem>
#include <fstream>
#include <regex>
#include <set>
#include <sstream>

#include "text/sentences.h"

using namespace wl;

TEST_CASE("every code the sources raise has a sentence, and every sentence is raised") {
    std::set<std::string> used;
    const std::regex code(
        "\"((?:body|stock|fitting|bore|cut|feature|make|joint|piece|solid|trace|svg|lip|tie|rest|"
        "run|"
        "plan|choice|mend|edit|field|file|text|internal|wall|chamber|wire|hooks|hook|tank|shelf|"
        "scale)\\.[a-z_"
        "0-9]+)\"");
    for (const auto& entry :
         std::filesystem::recursive_directory_iterator(std::string(WL_SOURCE_DIR) + "/src")) {
        if (entry.path().extension() != ".cpp" || entry.path().filename() == "sentences.cpp") {
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
