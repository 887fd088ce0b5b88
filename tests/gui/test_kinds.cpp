// The kinds a maker can draw beyond bores and hooks, entered as a maker enters them; the step
// table.
#include "app/frame/steps.h"
#include "app/views/tank.h"
#include "core/design/fields.h"
#include "core/rules/check_design.h"
#include "gui/opened.h"

using namespace wl;
using namespace wl::test;

TEST_CASE("a weight from the side, putty and a coat run to the belly, entered and told") {
    Opened o;
    o.window.rail().choose(Step::Ballast);
    o.tab("ballastTabs", "Side weights");
    o.click("addSideWeight");
    REQUIRE(o.design().sideWeights.size() == 1);
    const std::vector<OutlinePoint> oval = o.design().sideWeights[0].outline;
    CHECK(oval.size() == 10);
    auto* fault = o.window.findChild<QLabel*>("sideWeightsFault");
    o.typeCell("sideWeights", 0, "outline", "0 0; 12 0; twelve 4");
    CHECK(o.design().sideWeights[0].outline == oval);
    CHECK(fault->text().contains("twelve 4"));
    auto* weights = o.window.findChild<QTableView*>("sideWeights");
    CHECK(weights->model()
              ->index(0, Opened::column(*weights, "outline"))
              .data()
              .toString()
              .contains("twelve"));
    o.typeCell("sideWeights", 0, "outline", "-6 0; 6 0; 6 4; -6 4");
    CHECK(o.design().sideWeights[0].outline.size() == 4);
    CHECK(fault->isHidden());
    CHECK(o.derived().mass->sideWeights[0].mass_kg > 1e-3);
    o.tab("ballastTabs", "Coats");
    o.typeCell("coats", 2, "count", "1.5");
    CHECK(o.window.findChild<QLabel*>("coatsFault")->text().contains("whole"));
    o.typeCell("coats", 2, "count", "2");
    CHECK(o.design().coats[2].count == 2);
    const double nose = o.derived().mass->centreOfGravity_m.x();
    auto* coats = o.window.findChild<QTableView*>("coats");
    CHECK(coats->model()->setData(coats->model()->index(0, Opened::column(*coats, "thicker_on")),
                                  "tail"));
    o.settle();
    CHECK(o.design().coats[0].thickerOn == ThickerOn::Tail);
    CHECK(o.derived().mass->centreOfGravity_m.x() > nose);
    o.tab("ballastTabs", "Putty");
    o.click("addPutty");
    o.click("addDrip");
    REQUIRE(o.design().buildUps.size() == 2);
    CHECK(o.design().buildUps[1].density_kg_m3 == o.design().coats.back().density_kg_m3);
    o.window.goTo("/build_ups/1/thickness");
    CHECK(o.window.findChild<QTableView*>("buildUps")->currentIndex().row() == 1);
    o.click("removeBuildUp");
    CHECK(o.design().buildUps.size() == 1);
}

TEST_CASE("every step has its entry, and every field of every demo a step that shows it") {
    const auto& table = stepTable();
    REQUIRE(int(table.size()) == kStepCount);
    for (size_t i = 0; i < table.size(); ++i) {
        CHECK(size_t(table[i].step) == i);
        CHECK_FALSE(table[i].name.isEmpty());
    }
    CHECK(stepOfPath("/pieces/0/stock/material") == Step::Stock);
    CHECK(stepOfPath("/pieces/1/stock/material") == Step::Joints);
    CHECK(stepOfPath("/side_weights/0/x") == Step::Ballast);
    CHECK(stepOfPath("") == Step::Tank);
    for (int demo = 0; demo < 5; ++demo) {
        Opened o(demo);
        for (const Field& field : listFields(o.design())) {
            const QString path = QString::fromStdString(field.path);
            const auto known = [&](const StepEntry& entry) {
                return std::any_of(entry.paths.begin(), entry.paths.end(), [&](const char* start) {
                    return path.startsWith(QLatin1String(start));
                });
            };
            INFO(field.path);
            CHECK(std::any_of(table.begin(), table.end(), known));
        }
    }
}

TEST_CASE("pieces on linked eyes are told and drawn each at its own pitch") {
    Opened o(4);
    Design linked = o.design();
    for (Joint& joint : linked.joints) {
        joint.kind = HingeKind::LinkedEyes;
    }
    o.window.bench().document.submit(std::move(linked), "linked");
    o.settle();
    o.window.rail().choose(Step::Tank);
    CHECK(o.text("alone/0").contains("on its eyes nose"));
    CHECK_FALSE(o.text("alone/0").contains("hung by the line"));  // it floats
    o.click("apart");
    auto* tank = o.window.findChild<Tank*>();
    const QImage chain = tank->grab().toImage();
    Design pinned = o.design();
    pinned.joints[0].kind = pinned.joints[1].kind = HingeKind::Pin;
    o.window.bench().document.submit(std::move(pinned), "pinned");
    o.settle();
    CHECK_FALSE(o.text("alone/0").contains("on its eyes"));
    CHECK(tank->grab().toImage() != chain);
}

TEST_CASE("a lip bent, notched and holed from its sheet, a V and a tail fin from theirs") {
    Opened o;
    o.window.rail().choose(Step::LipAndTie);
    const double flat = o.derived().mass->lip.mass_kg;
    o.type("/lip/bend", "25");
    CHECK(o.derived().mass->lip.mass_kg == Approx(flat));
    o.type("/lip/notch_width", "5");
    o.type("/lip/hole_diameter", "2 mm");
    CHECK(o.derived().mass->lip.mass_kg < flat);
    o.choose("/lip/family", 4);
    CHECK(o.design().lip.family == LipFamily::Disc);
    CHECK_FALSE(o.field("/lip/root_width")->isEnabled());
    o.window.rail().choose(Step::Fittings);
    o.tab("fittingTabs", "Side pieces");
    o.click("addV");
    REQUIRE(o.design().appendages.size() == 1);
    CHECK(o.design().appendages[0].joined);
    CHECK(o.derived().mass->pieces.size() == 2);
    o.click("addTailFin");
    CHECK_FALSE(o.design().appendages[1].mirrored);
    CHECK(std::abs(o.derived().mass->centreOfGravity_m.y()) < 1e-9);
    for (const Finding& f : checkDesign(o.derived())) {
        INFO(f.code);
        CHECK(f.code != "piece.rubs");
    }
}
