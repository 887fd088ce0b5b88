// The rooms of the house: no file includes one of a room that comes after its own.
#include <algorithm>
#include <catch2/catch.hpp>
#include <filesystem>
#include <fstream>
#include <regex>
#include <sstream>

namespace {

// In the order they stand in docs/ARCHITECTURE.md.
const std::vector<std::string> kRooms{
    "core/base",  "core/model",    "core/design",    "core/geometry", "core/shape",
    "core/joint", "core/make",     "core/hydro",     "core/hull",     "core/placed",
    "core/mass",  "core/motion",   "core/rest",      "core/reckon",   "core/cast",
    "core/swim",  "core/chain",    "core/clearance", "core/tank",     "core/rules",
    "core/draw",  "core/plan",     "core/aim",       "core/making",   "core/school",
    "core/learn", "core/forecast", "text",           "files",         "io",
    "session",    "words",         "store",          "shelf",         "scale",
    "solid",      "sheet",         "builds",         "waterlog",      "app/kit",
    "app/views",  "app/dialogs",   "app/pages",      "app/frame",     "cli"};

size_t roomOf(const std::string& path) {
    const auto room = std::find_if(kRooms.begin(), kRooms.end(),
                                   [&](const std::string& r) { return path.starts_with(r + "/"); });
    return size_t(room - kRooms.begin());
}

}  // namespace

TEST_CASE("every source stands in a room, and includes nothing of a later one") {
    const std::filesystem::path root = WL_SOURCE_DIR "/src";
    const std::regex include(
        "#include "
        "\"((?:core|text|files|io|session|words|store|shelf|scale|solid|sheet|builds|waterlog|app|"
        "cli)/"
        "[^\"]+)\"");
    int arrows = 0;
    for (const auto& entry : std::filesystem::recursive_directory_iterator(root)) {
        const std::string ending = entry.path().extension().string();
        if (ending != ".h" && ending != ".cpp") {
            continue;
        }
        const std::string file = std::filesystem::relative(entry.path(), root).generic_string();
        INFO(file);
        const size_t own = roomOf(file);
        REQUIRE(own < kRooms.size());
        std::ifstream in(entry.path());
        std::stringstream text;
        text << in.rdbuf();
        const std::string source = text.str();
        for (std::sregex_iterator it(source.begin(), source.end(), include), end; it != end; ++it) {
            const size_t other = roomOf((*it)[1]);
            INFO((*it)[1]);
            CHECK(other <= own);
            arrows += other != own;
        }
    }
    CHECK(arrows > 100);
    std::ifstream in(WL_SOURCE_DIR "/docs/ARCHITECTURE.md");
    std::stringstream text;
    text << in.rdbuf();
    for (const std::string& room : kRooms) {
        INFO(room);
        CHECK(text.str().find(" " + room.substr(room.find('/') + 1)) != std::string::npos);
    }
}
