// The demos give what they gave before: a change of a figure is either a fault or argued in
// docs/theory.md ("Changes of results"), and then the files in tests/data/results are written anew:
//   wadeline report DEMO.wade --json
#include <catch2/catch.hpp>
#include <fstream>

#include <nlohmann/json.hpp>

#include "files/design_file.h"
#include "files/embedded_data.h"
#include "io/report.h"

using namespace wl;
using Json = nlohmann::json;

namespace {

constexpr double kSame = 1e-9;

struct Compared {
    int numbers = 0;
    std::vector<std::string> changes;
};

void compare(const Json& before, const Json& now, const std::string& at, Compared& out) {
    if (before.is_number() && now.is_number()) {
        const double a = before.get<double>(), b = now.get<double>();
        ++out.numbers;
        if (!(std::abs(a - b) <= kSame * std::max({1.0, std::abs(a), std::abs(b)}))) {
            out.changes.push_back(at + ": " + before.dump() + " -> " + now.dump());
        }
    } else if (before.type() != now.type() || before.size() != now.size()) {
        out.changes.push_back(at + ": another shape");
    } else if (before.is_structured()) {
        for (const auto& [key, value] : before.items()) {
            const std::string place = at + "/" + key;
            if (before.is_array()) {
                compare(value, now[std::stoul(key)], place, out);
            } else if (now.contains(key)) {
                compare(value, now[key], place, out);
            } else {
                out.changes.push_back(place + ": gone");
            }
        }
    } else if (before != now) {
        out.changes.push_back(at + ": " + before.dump() + " -> " + now.dump());
    }
}

}  // namespace

TEST_CASE("the demos give the results they gave") {
    for (const Demo& demo : demos()) {
        INFO(demo.name);
        std::ifstream file(WL_SOURCE_DIR "/tests/data/results/" + std::string(demo.name) + ".json");
        REQUIRE(file);
        const Json before = Json::parse(file);
        const Json now = Json::parse(makeReport(*readDesign(demo.text)).json);
        Compared compared;
        compare(before, now, "", compared);
        std::string told;
        for (size_t i = 0; i < std::min<size_t>(compared.changes.size(), 20); ++i) {
            told += compared.changes[i] + "\n";
        }
        INFO(told);
        CHECK(compared.changes.empty());
        CHECK(compared.numbers > 500);
    }
}
