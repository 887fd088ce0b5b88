// The one description of the fields, and what follows it.
#include <catch2/catch.hpp>
#include <map>
#include <set>

#include "core/design/fields.h"
#include "core/plan/size_series.h"
#include "support/sample_bait.h"

using namespace wl;
using namespace wl::test;

namespace {

// The swimmer with one more of everything a bait can have.
Design furnished() {
    Design d = demoNamed("swimmer");
    d.features.resize(1);
    d.appendages.emplace_back().body = ellipsoidBody(0.008, 0.002, 0.003, 5, false);
    d.sideWeights.emplace_back().outline = ovalOutline(0.01, 0.004, 5);
    d.buildUps.emplace_back();
    d.chambers.emplace_back();
    d.meetings.emplace_back();
    d.wire.drops.emplace_back();
    d.make.layers.emplace_back();
    d.make.cavities.emplace_back();
    d.bores.emplace_back().pieces.emplace_back();
    d.tank.readings.emplace_back();
    d.log.emplace_back();
    return d;
}

double valueAt(const Design& d, const char* path) {
    return findField(d, path)->value.value();
}

}  // namespace

TEST_CASE("every field says what it is to the maker, and no two of one thing say the same") {
    std::map<std::string, std::set<std::string>> labels;
    for (const Field& field : listFields(furnished())) {
        INFO(field.path);
        const std::string label = field.about.label;
        CHECK_FALSE(label.empty());
        CHECK((field.kind == FieldKind::Choice) == !field.answers.empty());
        CHECK(field.max >= field.min);
        const std::string of = field.path.substr(0, field.path.rfind('/'));
        CHECK(labels[of].insert(label).second);
        CHECK((of.empty() || *field.group != 0));
    }
    CHECK(labels.size() > 40);
}

TEST_CASE("ticks and choices are set by their path, within what there is") {
    const Design d = furnished();
    CHECK(withField(d, "/lip/family", 4)->lip.family == LipFamily::Disc);
    CHECK(withField(d, "/lip/family", 6).error().code == "field.out_of_range");
    CHECK(withField(d, "/lip/family", 1.5).error().code == "field.not_whole");
    CHECK(withField(d, "/through_wire/present", 1)->wire.present);
    CHECK(withField(d, "/through_wire/present", 2).error().code == "field.out_of_range");
    CHECK(withField(d, "/lip/material", 1).error().code == "field.unknown");
    CHECK(withText(d, "/lip/material", "sheet of one's own")->lip.material == "sheet of one's own");
    CHECK(withText(d, "/lip/angle", "27").error().code == "field.unknown");
    CHECK(withText(d, "", "27").error().code == "field.unknown");
    CHECK_FALSE(findField(d, "/xlip/angle"));
    CHECK_FALSE(findField(d, ""));
}

TEST_CASE("a field applies as the others it stands with say, and its group with it") {
    Design d = furnished();
    const auto applies = [&](const char* path) { return findField(d, path)->about.applies; };
    d.lip.present = true;
    d.lip.family = LipFamily::Rounded;
    CHECK(applies("/lip/root_width"));
    d.lip.family = LipFamily::Disc;
    CHECK_FALSE(applies("/lip/root_width"));
    d.lip.present = false;
    CHECK_FALSE(applies("/lip/length"));
    CHECK(applies("/lip/present"));
    CHECK_FALSE(applies("/appendages/0/stock/shelf_density"));
    d.appendages[0].ownStock = true;
    CHECK(applies("/appendages/0/stock/shelf_density"));
}

TEST_CASE("lists are counted, shortened and described by their path") {
    const Design d = furnished();
    CHECK(listSize(d, "/fittings") == d.fittings.size());
    CHECK(listSize(d, "/bores/" + std::to_string(d.bores.size() - 1) + "/pieces") == 1);
    CHECK(listSize(d, "/fit") == 0);
    CHECK(listSize(d, "/lip") == 0);
    const Design less = *withoutItem(d, "/make/cavities", 0);
    CHECK(less.make.cavities.size() + 1 == d.make.cavities.size());
    CHECK(withoutItem(d, "/make/cavities", 9).error().path == "/make/cavities/9");
    CHECK_FALSE(withoutItem(d, "/nothing", 0));
    const std::vector<Field> fields = itemFields(Design{}, "/tank/readings");
    CHECK(fields.size() == 14);
    CHECK(fields.front().path == "/tank/readings/0/kind");
    CHECK(fields.front().answers.size() == 7);
    CHECK(itemFields(d, "/tank").empty());
}

TEST_CASE("two designs are held against each other field by field") {
    const Design before = furnished();
    CHECK(compareFields(before, before).empty());
    Design after = before;
    after.lip.angle_rad += 0.1;
    after.lip.family = LipFamily::Oval;
    after.fittings.pop_back();
    after.notes += "x";
    after.coats.emplace_back();
    const std::vector<FieldDifference> all = compareFields(before, after);
    int changed = 0, gone = 0, come = 0;
    for (const FieldDifference& d : all) {
        const std::string path = d.before ? d.before->path : d.after->path;
        INFO(path);
        if (d.before && d.after) {
            ++changed;
            CHECK((path == "/lip/angle" || path == "/lip/family" || path == "/notes"));
        } else if (d.before) {
            ++gone;
            CHECK(path.rfind("/fittings/" + std::to_string(after.fittings.size()), 0) == 0);
        } else {
            ++come;
            CHECK(path.rfind("/coats/" + std::to_string(before.coats.size()), 0) == 0);
        }
    }
    CHECK(changed == 3);
    CHECK(gone == int(itemFields(before, "/fittings").size()));
    CHECK(come == int(itemFields(before, "/coats").size()));
}

TEST_CASE("in another size goes what scales, stays what is bought, and nothing weighed is kept") {
    Design d = furnished();
    d.buildUps[0].weighedMass_kg = 0.001;
    d.appendages[0].stock.weighedBody_kg = 0.002;
    d.pieces[0].stock.weighedBody_kg = 0.01;
    const double length = d.body.stations.back().position_m - d.body.stations.front().position_m;
    const Design twice = scaledDesign(d, 2 * length);
    int scaled = 0;
    for (const Field& field : listFields(d)) {
        const std::optional<Field> now = findField(twice, field.path);
        // The body is resized whole, and an eye's place follows the skin; both are held elsewhere.
        const bool own = field.path.find("/body/") != std::string::npos ||
                         field.path.rfind("/fittings", 0) == 0 ||
                         field.path.rfind("/chambers", 0) == 0;
        if (!now || !field.value || own || field.kind != FieldKind::Number) {
            continue;
        }
        INFO(field.path);
        switch (field.about.inSeries) {
            case InSeries::Scales:
                ++scaled;
                CHECK(*now->value == Approx(2 * *field.value));
                break;
            case InSeries::Drilled:
                CHECK(*now->value == Approx(2 * *field.value).margin(0.00026));
                break;
            case InSeries::LeftOut:
                CHECK_FALSE(now->value);
                break;
            case InSeries::Stays:
                CHECK(now->value == field.value);
        }
    }
    CHECK(scaled > 40);
    CHECK(twice.log.empty());
    CHECK(twice.tank.readings.empty());
    CHECK(valueAt(twice, "/lip/thickness") == valueAt(d, "/lip/thickness"));
    CHECK(valueAt(twice, "/body/stations/3/half_width") ==
          Approx(2 * valueAt(d, "/body/stations/3/half_width")));
}
