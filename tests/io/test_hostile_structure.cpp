// Designs that are JSON and look like ours, with one thing wrong or odd in them: refused with the
// place, or taken and then sound from end to end.
#include <catch2/catch.hpp>
#include <nlohmann/json.hpp>
#include <random>

#include "core/design/fields.h"
#include "core/reckon/evaluate.h"
#include "files/design_file.h"
#include "io/report.h"
#include "support/sample_bait.h"
#include "support/thorough.h"

using namespace wl;
using namespace wl::test;
using OrderedJson = nlohmann::ordered_json;

namespace {

// Every place in a document that can be changed, as pointers.
void collect(const OrderedJson& json, const OrderedJson::json_pointer& at,
             std::vector<OrderedJson::json_pointer>& out) {
    if (!at.empty()) {
        out.push_back(at);
    }
    if (json.is_object()) {
        for (auto it = json.begin(); it != json.end(); ++it) {
            collect(*it, at / it.key(), out);
        }
    } else if (json.is_array()) {
        for (size_t i = 0; i < json.size(); ++i) {
            collect(json[i], at / i, out);
        }
    }
}

OrderedJson oddValue(std::mt19937& random, const OrderedJson& now) {
    switch (random() % 14) {
        case 0:
            return nullptr;
        case 1:
            return true;
        case 2:
            return "a word";
        case 3:
            return OrderedJson::array();
        case 4:
            return OrderedJson::object();
        case 5:
            return -1e300;
        case 6:
            return 1e-300;
        case 7:
            return 0;
        case 8:
            return now.is_number() ? OrderedJson(-now.get<double>()) : OrderedJson(-1);
        case 9:
            return now.is_number() ? OrderedJson(1000 * now.get<double>()) : OrderedJson(3.7);
        case 10:
            return std::string(5000, 'x');
        case 11:
            return now.is_string() ? OrderedJson(now.get<std::string>() + "\x01\xff<b>")
                                   : OrderedJson("\xc3");
        case 12:
            return now.is_number() ? OrderedJson(now.get<double>() * 0.5) : now;
        default:
            return std::numeric_limits<std::int64_t>::max();
    }
}

}  // namespace

TEST_CASE("one odd thing anywhere in a design: refused with its place, or sound to the report") {
    std::mt19937 random(77);
    int taken = 0, refused = 0, reckoned = 0;
    for (const char* name : {"diver", "lipless", "glide-bait", "swimmer", "glider"}) {
        const OrderedJson whole = OrderedJson::parse(writeDesign(demoNamed(name)));
        std::vector<OrderedJson::json_pointer> places;
        collect(whole, OrderedJson::json_pointer(), places);
        for (int i = 0; i < someOf(260); ++i) {
            OrderedJson odd = whole;
            const auto& at = places[random() % places.size()];
            const int what = int(random() % 4);
            if (what == 0) {
                odd.at(at.parent_pointer()).is_object()
                    ? void(odd.at(at.parent_pointer()).erase(at.back()))
                    : void(odd.at(at.parent_pointer()) = OrderedJson::array());
            } else if (what == 1 && odd.at(at.parent_pointer()).is_array()) {
                const OrderedJson again = odd.at(at);
                odd.at(at.parent_pointer()).push_back(again);
            } else {
                odd.at(at) = oddValue(random, odd.at(at));
            }
            const std::string text = odd.dump(1, ' ', false, OrderedJson::error_handler_t::replace);
            const Result<Design> read = readDesign(text);
            INFO(name << " " << at.to_string() << " " << what);
            if (!read) {
                ++refused;
                CHECK_FALSE(read.error().code.empty());
                continue;
            }
            ++taken;
            for (const Field& f : listFields(*read)) {
                REQUIRE((!f.value || (*f.value >= f.min && *f.value <= f.max)));
            }
            // What is taken can be written and is then taken again, the same.
            const std::string written = writeDesign(*read);
            const Result<Design> again = readDesign(written);
            REQUIRE(again);
            CHECK(writeDesign(*again) == written);
            if (taken % 6 == 0) {
                ++reckoned;
                const OrderedJson report = OrderedJson::parse(makeReport(*read).json);
                CHECK(report.dump().find("null") == std::string::npos);
            }
        }
    }
    CHECK(taken > someOf(150));
    CHECK(refused > someOf(400));
    CHECK(reckoned > someOf(20));
}

TEST_CASE(
    "a design without any one of its groups opens as it would be new, or says what it lacks") {
    const OrderedJson whole = OrderedJson::parse(writeDesign(demoDesign()));
    for (auto it = whole.begin(); it != whole.end(); ++it) {
        OrderedJson less = whole;
        less.erase(it.key());
        const Result<Design> read = readDesign(less.dump());
        INFO(it.key());
        if (it.key() == "format" || it.key() == "version") {
            CHECK(read.error().code == "file.not_ours");
        } else if (it.key() == "body") {
            CHECK(read.error().code == "file.too_few");
        } else {
            REQUIRE(read);
            CHECK(readDesign(writeDesign(*read)).ok());
        }
    }
}

TEST_CASE("names in any script, with marks of every kind, come back as they were written") {
    const std::string names[] = {"Ольха",
                                 "はんの木",
                                 "a \"quoted\" \\ name / with : everything",
                                 "<img src='/dev/zero'>",
                                 "%1 %w1 & && %",
                                 std::string("tab\tand\nline"),
                                 "🎣",
                                 " "};
    for (const std::string& name : names) {
        Design d = demoDesign();
        d.name = name;
        d.notes = name + name;
        d.fittings[0].name = name;
        d.bores[0].name = name;
        d.meetings = {
            {MeetingKind::StandsIn, {RecordList::Fittings, name}, {RecordList::Bores, name}}};
        const Result<Design> read = readDesign(writeDesign(d));
        REQUIRE(read);
        CHECK(*read == d);
        const nlohmann::json report = nlohmann::json::parse(makeReport(d).json);
        CHECK(report["design"] == name);
    }
}
