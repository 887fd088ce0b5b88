// The command line as a program: its output, its exit codes.
#include <unistd.h>
#include <array>
#include <catch2/catch.hpp>
#include <cstdio>
#include <filesystem>
#include <fstream>
#include <nlohmann/json.hpp>

#include "io/design_file.h"

namespace {

struct Outcome {
    int exit = -1;
    std::string out;
};

Outcome run(const std::string& arguments) {
    Outcome outcome;
    FILE* pipe = popen((std::string(WL_CLI) + " " + arguments + " 2>&1").c_str(), "r");
    REQUIRE(pipe != nullptr);
    std::array<char, 4096> buffer{};
    while (size_t n = fread(buffer.data(), 1, buffer.size(), pipe)) {
        outcome.out.append(buffer.data(), n);
    }
    outcome.exit = WEXITSTATUS(pclose(pipe));
    return outcome;
}

std::filesystem::path folder() {
    const auto path =
        std::filesystem::temp_directory_path() / ("wadeline-cli-" + std::to_string(getpid()));
    std::filesystem::create_directories(path);
    return path;
}

}  // namespace

TEST_CASE("demo, report and schema from the command line") {
    const std::string demo = (folder() / "demo.wade").string();
    REQUIRE(run("demo diver -o " + demo).exit == 0);
    REQUIRE(wl::loadDesign(demo).ok());
    const Outcome report = run("report " + demo + " --json");
    CHECK(report.exit == 0);
    const nlohmann::json j = nlohmann::json::parse(report.out);
    CHECK(j["rest"]["state"] == "floats");
    CHECK(j["run"]["depth_low_m"] < j["run"]["depth_high_m"]);
    CHECK(run("report " + demo).out.find("spare_percent: ") != std::string::npos);
    CHECK(nlohmann::json::parse(run("schema").out)["type"] == "object");
}

TEST_CASE("every demo writes, reports its pieces and joints, and prints") {
    for (const auto& [name, pieces] : {std::pair{"diver", 1},
                                       {"lipless", 1},
                                       {"glider", 1},
                                       {"glide-bait", 2},
                                       {"swimmer", 3}}) {
        INFO(name);
        const std::string file = (folder() / (std::string(name) + ".wade")).string();
        REQUIRE(run(std::string("demo ") + name + " -o " + file).exit == 0);
        const Outcome report = run("report " + file + " --json");
        CHECK(report.exit == 0);
        const nlohmann::json j = nlohmann::json::parse(report.out);
        REQUIRE(j["mass"]["pieces"].size() == size_t(pieces));
        CHECK(j["joints"].size() == size_t(pieces - 1));
        double mass = 0, displaced = 0;
        for (const auto& piece : j["mass"]["pieces"]) {
            mass += piece["mass_g"].get<double>();
            displaced += piece["displaced_volume_cm3"].get<double>();
        }
        CHECK(mass == Approx(j["mass"]["total_g"].get<double>()));
        CHECK(displaced == Approx(j["mass"]["displaced_volume_cm3"].get<double>()));
        for (const auto& joint : j["joints"]) {
            CHECK(joint["opening_deg"].get<double>() > 10);
            CHECK(joint["taken_out_cm3"].get<double>() > 0);
            CHECK(joint["stop"] != "pocket");
        }
        for (const auto& finding : j["findings"]) {
            CHECK_FALSE(finding["text"].get<std::string>().empty());
        }
    }
    CHECK(run("demo nothing").out.find("swimmer") != std::string::npos);
}

TEST_CASE("calls that cannot be carried out end with 2 and a sentence") {
    CHECK(run("report /no/such/file").exit == 2);
    CHECK(run("report /no/such/file").out.find("cannot be opened") != std::string::npos);
    CHECK(run("demo nothing").exit == 2);
    CHECK(run("frobnicate").exit == 2);
    const std::string broken = (folder() / "broken.wade").string();
    std::ofstream(broken) << "{\"format\": \"wade-line-design\", \"version\": 2, \"na";
    CHECK(run("report " + broken).exit == 2);
    CHECK(run("report " + broken).out.find("cut short") != std::string::npos);
    CHECK(run("schema -o /no/such/folder/x.json").exit == 2);
}

TEST_CASE("a design with an error finding gives exit 1") {
    wl::Design d = *wl::loadDesign(std::string(WL_SOURCE_DIR) + "/data/demo.wade");
    d.bores[0].depth_m = 0.03;
    const std::string path = (folder() / "through.wade").string();
    std::ofstream(path) << wl::writeDesign(d);
    const Outcome report = run("report " + path + " --json");
    CHECK(report.exit == 1);
    CHECK(report.out.find("bore.comes_out") != std::string::npos);
}
