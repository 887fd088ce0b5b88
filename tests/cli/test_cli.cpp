// The command line as a program: its output, its exit codes.
#include <catch2/catch.hpp>
#include <fstream>
#include <nlohmann/json.hpp>
#include <sstream>

#include "cli/cli_run.h"
#include "files/design_file.h"
#include "support/programs.h"
#include "support/thorough.h"

using namespace wl::test;

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

TEST_CASE("the coefficients are printed, and a report can be made with others") {
    CHECK(run("model").out.find("| line | `strumming` | 1.2 | 1 to 1.5 |") != std::string::npos);
    const std::string demo = (folder() / "varied.wade").string();
    REQUIRE(run("demo diver -o " + demo).exit == 0);
    const auto depthWith = [&](const std::string& more) {
        return nlohmann::json::parse(run("report " + demo + " --json" + more).out);
    };
    const nlohmann::json own = depthWith(""), other = depthWith(" --coefficient strumming=1.3");
    CHECK_FALSE(own.contains("model"));
    CHECK(other["model"]["strumming"] == 1.3);
    CHECK(other["run"]["depth_m"] < own["run"]["depth_m"]);
    CHECK(other["rest"] == own["rest"]);
    CHECK(depthWith(" --coefficient lip_steep_to=44")["model"]["lip_steep_to_deg"] == 44);
    const Outcome wrong = run("report " + demo + " --coefficient drag=1");
    CHECK(wrong.exit == 2);
    CHECK(wrong.out.find("no coefficient “drag”") != std::string::npos);
    CHECK(run("report " + demo + " --coefficient munk=lots").exit == 2);
    const Outcome none = run("report " + demo + " --coefficient water_density=0");
    CHECK(none.exit == 2);
    CHECK(none.out.find("from 0.9994 to 1.0006 is taken") != std::string::npos);
    CHECK(run("report " + demo + " --coefficient lip_steep_from=40 --coefficient lip_steep_to=40")
              .exit == 0);
}

TEST_CASE("every demo writes, reports its pieces and joints, and prints") {
    for (const auto& [name, pieces] : {std::pair{"diver", 1},
                                       {"lipless", 1},
                                       {"glider", 1},
                                       {"glide-bait", 2},
                                       {"swimmer", 3}}) {
        if (!wl::test::kThorough && pieces == 2) {
            continue;  // half a minute there: the one of three has all it has
        }
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

// By the reference implementation (python3-jsonschema).
static void checkAgainstSchema(const std::string& here, const std::string& answers) {
    run("schema --answers -o " + here + "/schema.json");
    const std::string check =
        "python3 -c \"import json, jsonschema, sys\n"
        "v = jsonschema.Draft202012Validator(json.load(open('" +
        here +
        "/schema.json')))\n"
        "for f in sys.argv[1:]: print(f); v.validate(json.load(open(f)))\" " +
        answers + " 2>&1";
    FILE* pipe = popen(check.c_str(), "r");
    REQUIRE(pipe != nullptr);
    std::array<char, 4096> said{};
    const size_t n = fread(said.data(), 1, said.size() - 1, pipe);
    INFO(std::string(said.data(), n));
    CHECK(WEXITSTATUS(pclose(pipe)) == 0);
}

TEST_CASE("every answer of the window comes as JSON that meets its published schema", "[again]") {
    const std::string here = folder().string();
    std::string answers;
    for (const char* demo : {"diver", "lipless", "glide-bait"}) {
        const std::string file = here + "/" + demo + ".wade";
        REQUIRE(run(std::string("demo ") + demo + " -o " + file).exit == 0);
        const std::string other = here + "/other.wade";
        REQUIRE(run("demo glider -o " + other).exit == 0);
        const std::string calls[] = {"plan",
                                     "compare " + other,
                                     "ways",
                                     "mends",
                                     "swaps --most 3",
                                     "swaps --speed 0.03 0.1",
                                     "waters --temperature 4 59F --salinity 0 35",
                                     "series --length 60 \"4 in\"",
                                     "doubt --draws 2000 --seed 3",
                                     "cast",
                                     "forces",
                                     "levers --draws 8",
                                     "aim --json --depth 1.1x..1.25x",
                                     "weights --json --temperature 4 25 --lead 1 900",
                                     "rates --json --speed 0.05 0.1",
                                     "joints --json --turn 20..120 --most 4",
                                     "sweep /brief/retrieve_speed --range 0.7 \"3 ft/s\"",
                                     "school"};
        for (const std::string& call : calls) {
            INFO(demo << " " << call);
            const std::string about = call.substr(0, call.find(' '));
            const std::string answer = here + "/" + demo + std::to_string(answers.size()) + ".json";
            const Outcome outcome =
                run(about + " " + file + call.substr(about.size()) + " --answer " + answer);
            CHECK((outcome.exit == 0 || outcome.exit == 1));
            CHECK(outcome.out.empty());
            std::ifstream in(answer);
            const nlohmann::json j = nlohmann::json::parse(in);
            CHECK(j["about"] == about);
            answers += " " + answer;
        }
    }
    checkAgainstSchema(here, answers);
    // Designs offered are written, and are what was told.
    const std::string planned = here + "/planned.wade";
    const Outcome plan = run("plan " + here + "/diver.wade -o " + planned);
    CHECK(plan.exit == 0);
    const nlohmann::json told = nlohmann::json::parse(plan.out);
    const nlohmann::json then = nlohmann::json::parse(run("report " + planned + " --json").out);
    CHECK(then["mass"]["total_g"].get<double>() == Approx(told["reached_mass_g"].get<double>()));
    const std::string small = here + "/small.wade";
    const Outcome series =
        run("series " + here + "/diver.wade --length 50 60mm --take 2 -o " + small);
    CHECK(nlohmann::json::parse(run("report " + small + " --json").out)["body"]["length_mm"] ==
          Approx(60));
    const std::string aimed = here + "/aimed.wade";
    const Outcome aim =
        run("aim " + here + "/diver.wade --json --depth 6ft..2.1 --lock lip_length --take 2 -o " +
            aimed);
    CHECK(aim.exit == 0);
    const nlohmann::json way = nlohmann::json::parse(aim.out)["ways"][1];
    CHECK(way["met"] == true);
    const nlohmann::json done = nlohmann::json::parse(run("report " + aimed + " --json").out);
    CHECK(done["run"]["depth_m"].get<double>() ==
          Approx(way["values"]["depth_m"].get<double>()).epsilon(1e-6));
    CHECK(done["mass"]["total_g"].get<double>() == Approx(way["price"]["mass_g"].get<double>()));
    const std::string sizes = here + "/sizes.json", held = " --lock lip_length --lock lip_width";
    const Outcome lengths =
        run("aim " + here + "/diver.wade --json --sizes 65 9.2cm --depth 1.4..2.3" + held +
            " --take 2 -o " + small + " --answer " + sizes);
    CHECK((lengths.exit == 0 || lengths.exit == 1));
    checkAgainstSchema(here, sizes);
    CHECK(nlohmann::json::parse(run("report " + small + " --json").out)["body"]["length_mm"] ==
          Approx(92));
    // Like another: here like itself, so that it is what the bait does that is wished.
    const Outcome like =
        run("aim " + here + "/diver.wade --json --like " + here + "/diver.wade" + held);
    CHECK(like.exit == 0);
    const nlohmann::json itself = nlohmann::json::parse(like.out);
    CHECK(itself["targets"].size() == 3);
    CHECK(run("aim " + here + "/diver.wade --like " + here + "/nowhere.wade").exit == 2);
    CHECK(run("aim " + here + "/diver.wade --sizes big").exit == 2);
    CHECK(run("aim " + here + "/diver.wade --sizes 5m").exit == 2);
    const Outcome words = run("aim " + here + "/diver.wade --depth 6ft..2.1");
    CHECK(words.out.find("(as wanted)") != std::string::npos);
    CHECK(words.out.find("chances: depth") != std::string::npos);
    for (const char* bad : {"--depth 2", "--depth deep..deeper", "--depth 2..3x", "--depth 3..2",
                            "--depth 2..3 --lock nose", "--depth 2..3 --range lip_angle=40..20"}) {
        const Outcome refused = run("aim " + here + "/diver.wade " + bad);
        INFO(bad << ": " << refused.out);
        CHECK(refused.exit != 0);
        CHECK(refused.out.size() > 20);
    }
    CHECK(run("series " + here + "/diver.wade --length 60 --take 3 -o " + small).exit == 2);
    CHECK(run("swaps " + here + "/diver.wade --speed quickly").exit == 2);
    CHECK(run("waters " + here + "/diver.wade --temperature 400").exit == 2);
    CHECK(run("plan /no/such/file").exit == 2);
}

TEST_CASE("what cannot be written is told with 2, on a full disk and to a full pipe") {
    const std::string here = folder().string();
    const std::string file = here + "/bait.wade";
    REQUIRE(run("demo diver -o " + file).exit == 0);
    for (const char* call : {"report", "report --json", "plan"}) {
        INFO(call);
        const std::string words = call;
        const std::string about = words.substr(0, words.find(' '));
        const Outcome full = run(about + " " + file + words.substr(about.size()) + " > /dev/full");
        CHECK(full.exit == 2);
    }
    CHECK(run("schema -o /dev/full").exit == 2);
    CHECK(run("schema -o /dev/full").out.find("disk is full") != std::string::npos);
    const std::string before = run("report " + file).out;
    // No file may pass 1024 bytes: the design is not emptied, the sheet is not cut short.
    const std::string cli = kCli;
    const int limited = std::system(("sh -c 'ulimit -f 1; trap \"\" XFSZ; " + cli +
                                     " demo lipless -o " + file + "' > /dev/null 2>&1")
                                        .c_str());
    CHECK(WEXITSTATUS(limited) == 2);
    CHECK(run("report " + file).out == before);
    const std::string pdf = here + "/sheet.pdf";
    const int cut = std::system(("sh -c 'ulimit -f 1; trap \"\" XFSZ; " + cli + " sheet " + file +
                                 " -o " + pdf + "' > /dev/null 2>&1")
                                    .c_str());
    CHECK(WEXITSTATUS(cut) == 2);
    CHECK_FALSE(std::filesystem::exists(pdf));
    // A reader that goes away.
    const int gone = std::system(
        ("sh -c '(" + cli + " report " + file + " --json; echo $? > " + here + "/code) | true'")
            .c_str());
    CHECK(WEXITSTATUS(gone) == 0);
}

TEST_CASE("help needs no display") {
    for (const char* call : {"--help", "--version", "plan --help"}) {
        CHECK(run(call).exit == 0);
    }
    CHECK(run("--help").out.find("Exit codes") != std::string::npos);
    const std::string app = kApp;
    if (!app.empty()) {
        for (const char* option : {"--help", "--version"}) {
            const int code = std::system(("env -u DISPLAY -u WAYLAND_DISPLAY QT_QPA_PLATFORM=xcb " +
                                          app + " " + option + " > /dev/null 2>&1")
                                             .c_str());
            CHECK(WEXITSTATUS(code) == 0);
        }
    }
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
    wl::Design d = *wl::loadDesign(WL_SOURCE_DIR "/data/demo.wade");
    d.bores[0].depth_m = 0.03;
    const std::string path = (folder() / "through.wade").string();
    std::ofstream(path) << wl::writeDesign(d);
    const Outcome report = run("report " + path + " --json");
    CHECK(report.exit == 1);
    CHECK(report.out.find("bore.comes_out") != std::string::npos);
}

TEST_CASE("what a log teaches is in the report, the wish, the weights and the hooks") {
    using nlohmann::json;
    const std::string here = folder().string();
    const std::string bait = here + "/logged.wade", log = here + "/taught.csv";
    REQUIRE(run("demo diver -o " + bait).exit == 0);
    json report = json::parse(run("report --json " + bait).out);
    CHECK_FALSE(report.contains("by_log"));
    const std::string name = "\"" + report["design"].get<std::string>() + "\"";
    const double depth = report["run"]["depth_m"];
    std::ofstream table(log);
    table << "what,id,bait,family,date,place,outing,kind,low_si,high_si,reckoned_si,usual_si\n"
          << "bait,1," << name << ",steep_lip_stout,,,,,,,,\n";
    for (int day = 1; day <= 4; ++day) {
        table << "outing," << day << ",,,2026-05-0" << day << ",weir,,,,,,\n";
        for (const auto& [kind, reckoned] : {std::pair{"depth", depth}, std::pair{"sink", 0.1}}) {
            table << "note,," << name << ",,,," << day << "," << kind << "," << 0.8 * reckoned
                  << "," << 0.8 * reckoned << "," << reckoned << "," << reckoned << "\n";
        }
    }
    table.close();
    const json taught = json::parse(run("log " + log).out);
    report = json::parse(run("report --json --log " + log + " " + bait).out);
    REQUIRE(report.contains("by_log"));
    json depthSaid, factor;
    for (const json& one : report["by_log"]) {
        depthSaid = one["kind"] == "depth" ? one : depthSaid;
    }
    for (const json& one : taught["factors"]) {
        factor = one["quantity"] == "depth" ? one["bait_itself"] : factor;
    }
    REQUIRE(depthSaid.is_object());
    CHECK(depthSaid["bait_itself"] == factor);
    CHECK(depthSaid["readings"] == 4);
    const double times = factor["middle"];
    CHECK(times > 0.75);
    CHECK(times < 0.9);
    CHECK(depthSaid["does_m"].get<double>() ==
          Approx(times * depthSaid["reckoned_m"].get<double>()));
    const std::string aimed = here + "/aimed.json", weighed = here + "/weighed.json",
                      rated = here + "/rated.json";
    run("aim --json --depth 0.9x..1.1x --log " + log + " " + bait + " --answer " + aimed);
    run("weights --json --lead 2 --log " + log + " " + bait + " --answer " + weighed);
    run("rates --json --speed 0.05 0.1 --log " + log + " " + bait + " --answer " + rated);
    const auto parsed = [](const std::string& file) {
        std::ifstream in(file);
        return json::parse(in);
    };
    const json wish = parsed(aimed);
    CHECK(wish["by_log"][0]["what"] == "depth");
    CHECK(wish["by_log"][0]["times"] == factor["middle"]);
    CHECK(wish["as_drawn"]["depth_m"].get<double>() == Approx(times * depth).epsilon(0.02));
    const double sinks = parsed(weighed)["sink_by_log"];
    CHECK(sinks > 0.7);
    CHECK(sinks < 1.0);
    CHECK(parsed(rated)["sink_by_log"] == sinks);
    for (const std::string about : {"plan", "ways", "mends"}) {
        const std::string led = here + "/" + about + ".json";
        run(about + " --log " + log + " " + bait + " --answer " + led);
        CHECK(parsed(led)["sink_by_log"] == sinks);
        checkAgainstSchema(here, " " + led);
    }
    CHECK(run("aim --depth 0.9x..1.1x --log " + log + " " + bait).out.find("by the log: depth") !=
          std::string::npos);
    // Another copy of it is as this one, but less surely; no log there is an error.
    CHECK(run("report --log " + here + "/none.csv " + bait).exit == 2);
    checkAgainstSchema(here, " " + aimed + " " + weighed + " " + rated);
}
