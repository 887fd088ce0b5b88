// What the command line answers, held against the designs it offers and against itself.
#include <catch2/catch.hpp>
#include <nlohmann/json.hpp>

#include "core/hydro/water.h"
#include "core/school/tank_school.h"
#include "files/design_file.h"
#include "io/aim_answer.h"
#include "io/answers.h"
#include "io/report.h"
#include "io/report_swim.h"
#include "io/run_answers.h"
#include "io/weights_answer.h"
#include "support/random_bait.h"
#include "support/sample_bait.h"
#include "support/thorough.h"

using namespace wl;
using namespace wl::test;
using Json = nlohmann::json;

namespace {

Json read(const Answer& answer) {
    return Json::parse(answer.json);
}

// Every number of an answer is finite and every key with a unit holds a number.
void checkNumbers(const Json& json, const std::string& at) {
    if (json.is_object()) {
        for (auto it = json.begin(); it != json.end(); ++it) {
            checkNumbers(*it, at + "/" + it.key());
        }
    } else if (json.is_array()) {
        for (const Json& entry : json) {
            checkNumbers(entry, at + "/-");
        }
    } else {
        INFO(at);
        CHECK_FALSE(json.is_null());
        if (json.is_number_float()) {
            CHECK(std::isfinite(json.get<double>()));
        }
        for (const char* unit : {"_g", "_mm", "_deg", "_percent", "_m_s", "_cm3"}) {
            if (at.ends_with(unit)) {
                CHECK(json.is_number());
            }
        }
    }
}

std::vector<Answer> everyAnswer(const Design& d) {
    return {planAnswer(d),
            waysAnswer(d, starterShelf()),
            mendsAnswer(d, starterShelf()),
            swapsAnswer(d, starterShelf(), {}, 5),
            swapsAnswer(d, starterShelf(), {0.05}, 2),
            watersAnswer(d, {277.15, 298.15}, {0.0, 0.035}),
            schoolAnswer(d),
            seriesAnswer(d, {0.06, 0.12}),
            castAnswer(d),
            forcesAnswer(d),
            leversAnswer(d, 6),
            aimAnswer(d, {{{AimMeasure::Depth, 0.9, 1.1, 1.0, true}}, {}, false}),
            weightsAnswer(d, {{277.15, 0.0}, {298.15, 0.035}}, {}),
            hookRatesAnswer(d, starterShelf(), {0.05, 0.1}),
            sweepAnswer(d, "/brief/retrieve_speed", 0.7, 1.1, 4),
            doubtAnswer(d, 500, 7)};
}

}  // namespace

TEST_CASE("the same question has the same answer, byte for byte, and every number is one") {
    for (const char* name : {"swimmer", "diver", "lipless"}) {
        if (!kThorough && name != std::string("swimmer")) {
            break;
        }
        const Design d = demoNamed(name);
        const std::vector<Answer> once = everyAnswer(d), again = everyAnswer(d);
        for (size_t i = 0; i < once.size(); ++i) {
            INFO(name << " " << i);
            CHECK(once[i].json == again[i].json);
            CHECK(once[i].designs == again[i].designs);
            checkNumbers(read(once[i]), "");
        }
    }
}

TEST_CASE("designs no one drew are answered or refused with the reason, never half") {
    Dice dice(31);
    int answered = 0, refused = 0;
    for (int i = 0; i < someOf(12); ++i) {
        const Design d = randomDesign(dice);
        for (const Answer& answer : {planAnswer(d), watersAnswer(d, {288.15}, {0.0}),
                                     seriesAnswer(d, {0.08}), doubtAnswer(d, 0, 1), schoolAnswer(d),
                                     castAnswer(d), forcesAnswer(d), leversAnswer(d, 0)}) {
            const Json json = read(answer);
            INFO(json["about"]);
            CHECK(json["format"] == "wade-line-answer");
            if (json.contains("error")) {
                ++refused;
                CHECK_FALSE(answer.met);
                CHECK(answer.designs.empty());
                CHECK(json["error"]["text"].get<std::string>().size() > 10);
            } else {
                ++answered;
                checkNumbers(json, "");
            }
        }
    }
    CHECK(answered > someOf(20));
    CHECK(refused > someOf(5));  // no readings, at the least
}

TEST_CASE("a plan's answer is what the planned design then weighs and how it lies") {
    for (const char* name : {"diver", "lipless", "glide-bait", "swimmer"}) {
        const Design d = demoNamed(name);
        const Answer answer = planAnswer(d);
        const Json json = read(answer);
        INFO(name);
        REQUIRE(answer.designs.size() == 1);
        const Derived then = evaluated(answer.designs[0]);
        CHECK(json["reached_mass_g"].get<double>() == Approx(then.mass->mass_kg * 1e3));
        CHECK(json["reached_pitch_deg"].get<double>() == Approx(then.rest->pitch_rad / kDegree));
        CHECK(json["reached_spare_percent"].get<double>() ==
              Approx(100 * then.rest->spare).margin(1e-9));
        REQUIRE(json["plugs"].size() == d.bores.size());
        double lead = 0;
        for (size_t i = 0; i < d.bores.size(); ++i) {
            CHECK(json["plugs"][i]["plug_length_mm"].get<double>() ==
                  Approx(answer.designs[0].bores[i].plugLength_m * 1e3).margin(1e-9));
            lead += json["plugs"][i]["plug_mass_g"].get<double>();
        }
        double told = 0;
        for (const MassItem& item : then.mass->items) {
            told += item.kind == PartKind::Plug ? item.mass_kg * 1e3 : 0;
        }
        CHECK(lead == Approx(told).epsilon(1e-6));
        CHECK(answer.met == (std::abs(json["missing_mass_g"].get<double>()) < 0.05));
    }
    Design none = demoDesign();
    none.bores.clear();
    CHECK(read(planAnswer(none))["error"]["code"] == "plan.no_bores");
}

TEST_CASE("a film and a bowl stand in the report's swim with what they change") {
    const auto swimOfReport = [](const Design& design) {
        const Derived derived = evaluated(design);
        return Json::parse(swimJson(derived, computeRun(derived, {}, kCoarseRetrieve)).dump());
    };
    Design d = demoDesign();
    const Json told = swimOfReport(d);
    CHECK_FALSE(told.contains("film"));
    CHECK_FALSE(told.contains("bowl"));
    d.swim.filmBeats = 10;
    d.swim.filmSpeed_m_s = d.brief.retrieveSpeed_m_s;
    d.swim.filmFrames =
        10 * d.swim.filmRate_1_s / (1.2 * told["beats_per_second"]["middle"].get<double>());
    d.swim.bowlRolls = 10;
    d.swim.bowlTime_s = 5;
    const Json seen = swimOfReport(d);
    CHECK(seen["film"] == "used");
    CHECK(seen["film_beats_by_told"].get<double>() == Approx(1.2).epsilon(0.05));
    CHECK(seen["bowl_rolls_per_second"]["seen"] == 2.0);
    d.swim.filmFrames = *d.swim.filmFrames * 5;
    CHECK(swimOfReport(d)["film"] == "refused");
}

TEST_CASE("ways and mends offer whole designs that weigh what is told") {
    const Answer ways = waysAnswer(demoDesign(), starterShelf());
    const Json json = read(ways);
    REQUIRE(ways.designs.size() == json["ways"].size());
    REQUIRE(ways.designs.size() == 3);
    CHECK(ways.met);
    for (size_t i = 0; i < ways.designs.size(); ++i) {
        const Derived then = evaluated(ways.designs[i]);
        INFO(json["ways"][i]["code"]);
        CHECK(json["ways"][i]["mass_g"].get<double>() == Approx(then.mass->mass_kg * 1e3));
        CHECK(json["ways"][i]["pitch_deg"].get<double>() == Approx(then.rest->pitch_rad / kDegree));
    }
    Design thin = demoDesign();
    for (Bore& bore : thin.bores) {
        bore.diameter_m = 0.0055;
    }
    const Answer mends = mendsAnswer(thin, starterShelf());
    const Json mended = read(mends);
    CHECK(mended["met_as_it_is"] == false);
    REQUIRE_FALSE(mends.designs.empty());
    CHECK(mends.met);
    for (size_t i = 0; i < mends.designs.size(); ++i) {
        if (mended["mends"][i]["met"] == true) {
            const Derived then = evaluated(mends.designs[i]);
            CHECK(std::abs(then.mass->mass_kg - then.wantedMass_kg) < 0.06e-3);
        }
    }
    CHECK(read(mendsAnswer(demoDesign(), starterShelf()))["met_as_it_is"] == true);
}

TEST_CASE(
    "hook sets: heavier hooks, heavier bait - what is near a wanted rate sinks, and so fast") {
    const Design d = demoNamed("lipless");
    const Answer all = swapsAnswer(d, starterShelf(), {}, 1000);
    const Json json = read(all);
    CHECK(json["tried"].get<size_t>() == json["sets"].size());
    double before = 0;
    for (size_t i = 0; i < json["sets"].size(); i += 97) {
        const Json& set = json["sets"][i];
        CHECK(set["mass_g"].get<double>() >= before);
        before = set["mass_g"].get<double>();
        const Derived then = evaluated(all.designs[i]);
        CHECK(set["mass_g"].get<double>() == Approx(then.mass->mass_kg * 1e3).epsilon(1e-6));
    }
    for (const double wanted : {0.03, 0.1, 0.4, -0.1}) {
        const Json near = read(swapsAnswer(d, starterShelf(), {wanted}, 3))["nearest"][0];
        CHECK(near["wanted_m_s"].get<double>() == Approx(wanted));
        for (const Json& set : near["sets"]) {
            const double speed = set["speed_m_s"].get<double>();
            CHECK(std::abs(speed - wanted) <= std::max(0.03, 0.5 * std::abs(wanted)) + 1e-9);
            CHECK((wanted < 0.03 || speed > 0));
        }
    }
    // No set makes a cork sink.
    Design cork = demoDesign();
    cork.pieces[0].stock.source = DensitySource::Shelf;
    cork.pieces[0].stock.weighedBody_kg.reset();
    cork.pieces[0].stock.trust = BodyTrust::DrawnVolume;
    cork.pieces[0].stock.shelfDensity_kg_m3 = 120;
    for (Bore& bore : cork.bores) {
        bore.plugLength_m = 0;
    }
    const Answer none = swapsAnswer(cork, starterShelf(), {0.1}, 3);
    CHECK(read(none)["nearest"][0]["sets"].empty());
    CHECK_FALSE(none.met);
}

TEST_CASE("waters: denser water carries more, and the brief's own is the report's") {
    const Design d = demoDesign();
    const Json rows = read(watersAnswer(d, {277.15, 288.15, 298.15}, {0.0, 0.02, 0.035}))["waters"];
    REQUIRE(rows.size() == 9);
    for (size_t i = 0; i < rows.size(); ++i) {
        const double t = rows[i]["temperature_degC"].get<double>() + kZeroCelsius_K;
        const double salt = rows[i]["salinity_g_kg"].get<double>() * 1e-3;
        CHECK(rows[i]["density_g_cm3"].get<double>() * 1e3 ==
              Approx(waterDensity_kg_m3(t, salt)).epsilon(1e-9));
        for (size_t k = 0; k < rows.size(); ++k) {
            const bool saltier = rows[i]["temperature_degC"] == rows[k]["temperature_degC"] &&
                                 rows[i]["salinity_g_kg"] > rows[k]["salinity_g_kg"];
            if (saltier) {
                CHECK(rows[i]["spare_percent"] > rows[k]["spare_percent"]);
            }
        }
    }
}

TEST_CASE(
    "school: what it says of a bait known to be heavier is that it is, in the design offered") {
    Design d = demoDesign();
    d.tank.readings.clear();
    const Derived drawn = evaluated(d);
    TankReading weighs;
    weighs.kind = ReadingKind::Weighs;
    weighs.temperature_K = d.brief.temperature_K;
    weighs.mass_kg = drawn.mass->mass_kg + 0.00035;
    d.tank.readings = {weighs};
    const Answer answer = schoolAnswer(d);
    const Json json = read(answer);
    REQUIRE(answer.designs.size() == 1);
    CHECK(json["readings"][0]["as_drawn_g"].get<double>() == Approx(drawn.mass->mass_kg * 1e3));
    CHECK(json["mass"]["corrected_g"].get<double>() > json["mass"]["drawn_g"].get<double>() + 0.25);
    CHECK(evaluated(answer.designs[0]).mass->mass_kg ==
          Approx(json["mass"]["corrected_g"].get<double>() * 1e-3).epsilon(1e-6));
}

TEST_CASE("series: every size is as long as asked, and says truly whether it meets the brief") {
    const std::vector<double> lengths{0.05, 0.08, 0.12, 0.7};
    const Answer answer = seriesAnswer(demoDesign(), lengths);
    const Json rows = read(answer)["sizes"];
    REQUIRE(rows.size() == 4);
    CHECK_FALSE(answer.met);
    for (size_t i = 0; i < 3; ++i) {
        const Derived then = evaluated(answer.designs[i]);
        CHECK(then.shape->sizes.length_m == Approx(lengths[i]));
        CHECK(rows[i]["mass_g"].get<double>() == Approx(then.mass->mass_kg * 1e3));
        const double off = std::abs(then.mass->mass_kg - then.wantedMass_kg);
        if (rows[i]["meets_brief"] == true) {
            CHECK(off < std::max(0.1e-3, 0.005 * then.wantedMass_kg));
        }
    }
    CHECK(rows[3].contains("error"));
    CHECK(rows[3]["meets_brief"] == false);
}

TEST_CASE("doubt: shares make the whole, chances make one, sampling agrees, seeds decide") {
    for (const char* name : {"diver", "lipless"}) {
        const Json json = read(doubtAnswer(demoNamed(name), 20000, 5));
        double share = 0, variance = 0;
        for (const Json& source : json["sources"]) {
            share += source["share_percent"].get<double>();
            variance += std::pow(source["standard_uncertainty_g"].get<double>(), 2);
            CHECK(source["measured_better_g"].get<double>() <=
                  source["standard_uncertainty_g"].get<double>() * (1 + 1e-9));
        }
        INFO(name);
        CHECK(share == Approx(100).epsilon(1e-6));
        CHECK(std::sqrt(variance) == Approx(json["standard_uncertainty_g"].get<double>()));
        for (const Json& chances : {json["chances"], json["sampled"]["chances"]}) {
            CHECK(chances["floats_percent"].get<double>() + chances["hangs_percent"].get<double>() +
                      chances["sinks_percent"].get<double>() ==
                  Approx(100).epsilon(1e-6));
        }
        CHECK(json["sampled"]["standard_uncertainty_g"].get<double>() ==
              Approx(json["standard_uncertainty_g"].get<double>()).epsilon(0.05));
        const Json other = read(doubtAnswer(demoNamed(name), 20000, 6));
        CHECK(other["sampled"]["mean_g"] != json["sampled"]["mean_g"]);
        CHECK(other["sources"] == json["sources"]);
    }
}

TEST_CASE("reports of designs no one drew hold whole numbers and sentences") {
    Dice dice(32);
    for (int i = 0; i < 10; ++i) {
        const Report report = makeReport(randomDesign(dice));
        const Json json = Json::parse(report.json);
        checkNumbers(json, "");
        CHECK_FALSE(readableReport(report).empty());
        if (!json.contains("error")) {
            for (const Json& finding : json["findings"]) {
                CHECK(finding["text"].get<std::string>().find("%w") == std::string::npos);
            }
        }
    }
}
