// The water log as table and JSON: round trips, refusals with the place, fuzz, merging, finding.
#include <catch2/catch.hpp>
#include <nlohmann/json.hpp>
#include <random>

#include "core/base/units.h"
#include "core/learn/log_readings.h"
#include "io/log_answer.h"
#include "io/log_file.h"

using namespace wl;

namespace {

WaterLog someLog() {
    WaterLog log;
    log.baits.push_back({1, "Reed diver 80", "in_line_lip_stout", "", "{}"});
    log.baits.push_back({2, "Weir \"shad\", 70", "steep_lip_stout", "", ""});
    LogCopy copy;
    copy.id = 1;
    copy.bait = "Reed diver 80";
    copy.made = "2026-04-02";
    copy.mass_kg = fromFile(Quantity::Mass, 17.4);
    copy.place = CopyPlace::Lent;
    copy.where = "to a neighbour,\nuntil May";
    log.copies.push_back(copy);
    LogOuting outing;
    outing.date = "2026-05-00";
    outing.place = "Mühlteich";
    outing.colour = "brown";
    outing.line_m = fromFile(Quantity::Thickness, 0.28);
    outing.speed_m_s = 0.9;
    outing.temperature_K = kZeroCelsius_K + 14;
    for (int day = 1; day <= 3; ++day) {
        outing.id = day;
        outing.date[9] = char('0' + day);
        log.outings.push_back(outing);
        LogNote note;
        note.id = day;
        note.outing = day;
        note.bait = "Reed diver 80";
        note.kind = NoteKind::Depth;
        note.low = note.high = std::round(2400 * (0.86 + 0.02 * day)) / 1000;
        note.reckoned = note.usual = 2.4;
        note.foretold = 2.4;
        note.foretoldLow = 1.6;
        note.foretoldHigh = 3.4;
        note.at_s = 1000 + day;
        log.notes.push_back(note);
    }
    LogNote fish;
    fish.id = 4;
    fish.outing = 2;
    fish.bait = "Weir \"shad\", 70";
    fish.kind = NoteKind::Catch;
    fish.words = "pike, 4 kg, by the REEDS";
    log.notes.push_back(fish);
    return log;
}

std::string logRefusal(const std::string& text) {
    const auto read = readLog(text);
    std::string out = read.ok() ? "ok" : read.error().code;
    for (const std::string& word : read.ok() ? std::vector<std::string>() : read.error().words) {
        out += " " + word;
    }
    return out;
}

}  // namespace

TEST_CASE("the log goes out as a table and as JSON, and comes back the same") {
    const WaterLog log = someLog();
    const auto json = readLog(writeLogJson(log));
    REQUIRE(json.ok());
    CHECK(*json == log);
    CHECK(writeLogJson(*json) == writeLogJson(log));
    const auto csv = readLog("\xEF\xBB\xBF" + writeLogCsv(log));
    REQUIRE(csv.ok());
    WaterLog plain = log;
    plain.baits[0].design.clear();  // a table has none
    CHECK(*csv == plain);
}

TEST_CASE("what cannot be taken into a log is refused with its place") {
    CHECK(logRefusal("") == "log.csv_damaged");
    CHECK(logRefusal("what,colour,weather\n") == "log.csv_header weather");
    CHECK(logRefusal("bait\n") == "log.csv_header what");
    CHECK(logRefusal("what,bait\nfish,x\n") == "log.csv_line 2 what \"fish\"");
    CHECK(logRefusal("what,date\nouting,2026-02-30\n") == "log.csv_line 2 not_a_date");
    CHECK(logRefusal("what,date\nouting,2026-02-28\n") == "ok");
    CHECK(logRefusal("what,bait,kind\nnote,a,depth\n") == "log.csv_line 2 no_value");
    CHECK(logRefusal("what,bait,kind,low_si\nnote,a,depth,two\n") == "log.csv_line 2 low_si two");
    CHECK(logRefusal("what,bait,kind,low_si,high_si\nnote,a,depth,900,900\n") ==
          "log.csv_line 2 out_of_range");
    CHECK(logRefusal("what,bait,kind,seen_as,low_si,high_si\nnote,a,depth,between,2,1\n") ==
          "log.csv_line 2 wrong_way");
    CHECK(logRefusal("what,bait,mass_g\nnote,a,5\n") == "log.csv_line 2 mass_g 5");
    CHECK(logRefusal("what,bait\ncopy,\"open") == "log.csv_damaged");
    CHECK(logRefusal("{\"water_log\": 1, \"notes\": [{\"bait\": 3}]}") == "ok");
    CHECK(logRefusal("{\"water_log\": 1, \"notes\": [{\"bait\": [3]}, 4]}") ==
          "log.json_entry note 2 4");
    CHECK(logRefusal("{\"water_log\": 1, \"hats\": []}") == "log.json_entry hats ");
    CHECK(logRefusal("{\"water_log\": 9}") == "log.too_new");
    CHECK(logRefusal("{\"bait\": 1}") == "log.not_a_log");
    CHECK(logRefusal("{\"water_log\": 1,").rfind("file.not_json", 0) == 0);
}

TEST_CASE("damaged logs never do more than be refused, seeded") {
    std::mt19937 random(5);
    for (const std::string& good : {writeLogCsv(someLog()), writeLogJson(someLog())}) {
        int taken = 0;
        for (int i = 0; i < 300; ++i) {
            std::string text = good.substr(0, good.size() - (i % 3 ? 0 : random() % good.size()));
            for (int k = 0; k < int(random() % 5) && !text.empty(); ++k) {
                text[random() % text.size()] = char(random() % 256);
            }
            const auto read = readLog(text);
            taken += read.ok();
            if (read.ok()) {
                CHECK(readLog(writeLogJson(*read)).ok());
                CHECK_NOTHROW(logAnswer(*read, {}));
            }
        }
        CHECK(taken > 10);
        CHECK(taken < 290);
    }
}

TEST_CASE("taken in twice a log is there once, and another's outings get numbers of their own") {
    WaterLog mine = someLog();
    CHECK(mergeLog(mine, someLog()) == 0);
    CHECK(mine == someLog());
    WaterLog theirs = someLog();
    theirs.outings[0].place = "weir";
    theirs.notes[0].words = "other rod";
    theirs.copies[0].mass_kg = 0.018;
    CHECK(mergeLog(mine, theirs) == 3);
    REQUIRE(mine.notes.size() == 5);
    REQUIRE(mine.outing(mine.notes[4].outing) != nullptr);
    CHECK(mine.outing(mine.notes[4].outing)->place == "weir");
    CHECK(mine.copies.size() == 1);
    CHECK(*mine.copies[0].mass_kg == 0.018);
}

TEST_CASE("a log's notes are readings of the right factor, each by its day") {
    const LogReadings read = readingsOf(someLog(), Learnt::DepthInLine);
    REQUIRE(read.readings.size() == 3);
    CHECK(readingsOf(someLog(), Learnt::DepthSteep).readings.empty());
    CHECK(read.readings[0].low == Approx(std::log(0.88)));
    CHECK(read.readings[0].outing != read.readings[1].outing);
    WaterLog log = someLog();
    log.notes[0].use = false;
    log.notes[1].reckoned.reset();
    CHECK(readingsOf(log, Learnt::DepthInLine).readings.size() == 1);
    log.notes[2].reckoned = 0.0;  // it stays up: there is no factor on nothing
    CHECK(readingsOf(log, Learnt::DepthInLine).readings.empty());
    CHECK_FALSE(learntOf(NoteKind::Swing, "in_line_lip_stout"));
    CHECK(learntOf(NoteKind::Swing, "lipless_stout") == Learnt::Swing);
    CHECK(scoreOf(someLog(), NoteKind::Depth).inside == 3);
    const auto answer = nlohmann::json::parse(logAnswer(someLog(), {"reeds PIKE", {}, {}, {}, {}}));
    REQUIRE(answer["found"].size() == 1);
    CHECK(answer["found"][0]["kind"] == "catch");
    REQUIRE(answer["factors"].size() == 1);
    CHECK(answer["factors"][0]["bait_itself"]["middle"].get<double>() == Approx(0.91).margin(0.01));
    CHECK(answer["factors"][0]["said"][0].get<std::string>().find("shallower") !=
          std::string::npos);
}

TEST_CASE("a bait edited until it runs a tenth otherwise is another bait of its kind") {
    WaterLog log = someLog();
    log.notes[2].usual = log.notes[2].reckoned = 3.0;
    log.notes[2].low = log.notes[2].high = 2.7;
    const LogReadings read = readingsOf(log, Learnt::DepthInLine);
    REQUIRE(read.versions.size() == 2);
    CHECK(read.readings[0].bait == read.readings[1].bait);
    CHECK(read.readings[0].bait != read.readings[2].bait);
    CHECK(read.readings[0].family == read.readings[2].family);
    CHECK(read.baitAs("Reed diver 80", 2.5) == read.readings[0].bait);
    CHECK(read.baitAs("Reed diver 80", 2.9) == read.readings[2].bait);
    CHECK(read.baitAs("Reed diver 80", 4.0) < 0);
    CHECK(read.baitAs("other", 2.4) < 0);
}

TEST_CASE("the log finds by words whatever their case, by kind, and by depth reached") {
    const WaterLog log = someLog();
    const LogIndex index(log);
    CHECK(index.find({}).size() == 4);
    CHECK(index.find({"MÜHLTEICH brown", {}, {}, {}, {}}).size() == 4);
    CHECK(index.find({"mühlteich clear", {}, {}, {}, {}}).empty());
    CHECK(index.find({"", 2.15, {}, {}, {}}).size() == 2);
    CHECK(index.find({"", {}, 2.15, {}, {}}).size() == 1);
    CHECK(index.find({"", {}, {}, NoteKind::Catch, {}}).size() == 1);
    const auto all = index.find({});
    CHECK(log.outing(log.notes[all.front()].outing)->date == "2026-05-03");
}
