// Things are put where one clicks on the picture, found by typing, and copied by a key.
#include <QCompleter>

#include "app/kit/shelf_picker.h"
#include "core/geometry/body_curves.h"
#include "opened.h"

using namespace wl;
using namespace wl::test;

namespace {

QPoint paperPlace(const Tank& tank, double x_m, double z_m) {
    return tank.toPaper({x_m, 0, z_m}).toPoint();
}

}  // namespace

TEST_CASE("a hook is hung where one clicks, with its eye and ring, and found by typing") {
    Opened o;
    o.window.rail().choose(Step::Fittings);
    QCoreApplication::processEvents();
    Tank& tank = o.window.tank();
    const BodyCurves curves = BodyCurves::build(o.design().body, "").value();
    const Section s = curves.atX(0.058);
    QTest::mouseClick(&tank, Qt::LeftButton, {}, paperPlace(tank, s.x_m, s.belly_m + 0.001));
    REQUIRE(o.window.bench().mark());
    CHECK(o.window.bench().mark()->x() == Approx(0.058).margin(0.0004));
    auto* picker = o.window.findChild<ShelfPicker*>("addFitting");
    QTest::keyClicks(picker->lineEdit(), "size 10");
    picker->completer()->setCompletionPrefix("size 10");
    REQUIRE(picker->completer()->completionCount() == 1);
    const size_t parts = o.design().fittings.size();
    // Scrolling past it or looking for the list takes nothing.
    QWheelEvent wheel({5, 5}, picker->mapToGlobal(QPointF(5, 5)), {}, {0, -120}, Qt::NoButton,
                      Qt::NoModifier, Qt::NoScrollPhase, false);
    QCoreApplication::sendEvent(picker, &wheel);
    QTest::keyClick(picker, Qt::Key_Down);
    CHECK(o.design().fittings.size() == parts);
    picker->hidePopup();
    const int row = picker->findText("treble size 10", Qt::MatchStartsWith);
    o.choose("addFitting", row);
    REQUIRE(o.design().fittings.size() == parts + 3);
    const Fitting& eye = o.design().fittings[parts];
    CHECK(eye.x_m == Approx(0.058).margin(0.0005));
    CHECK(eye.z_m == Approx(s.belly_m - 0.5 * eye.size_m).margin(0.0003));
    CHECK(eye.stemFrom == FeatureFrom::Belly);
    CHECK(o.design().fittings[parts + 2].kind == FittingKind::Treble);
    CHECK_FALSE(o.window.bench().mark());  // taken
    // What was taken last stands first.
    CHECK(picker->itemText(0).startsWith("treble size 10"));
    CHECK(picker->currentText().isEmpty());
    QTest::mouseClick(&tank, Qt::LeftButton, {}, paperPlace(tank, s.x_m, 0.03));
    REQUIRE(o.window.bench().mark());
    QTest::keyClick(&tank, Qt::Key_Escape);
    CHECK_FALSE(o.window.bench().mark());
    // Ring and hook go with their eye.
    const Eigen::Vector3d before = fittingPlace(o.design(), o.design().fittings[parts + 2]);
    o.window.bench().document.setField(QStringLiteral("/fittings/%1/x").arg(parts), 0.062);
    const Eigen::Vector3d after = fittingPlace(o.design(), o.design().fittings[parts + 2]);
    CHECK(after.x() - before.x() == Approx(0.004).margin(6e-4));
}

TEST_CASE("a bore is made where one clicks and copied to the next place by a key") {
    Opened o;
    o.window.activateWindow();
    REQUIRE(QTest::qWaitForWindowActive(&o.window));
    o.window.rail().choose(Step::Ballast);
    QCoreApplication::processEvents();
    const BodyCurves curves = BodyCurves::build(o.design().body, "").value();
    const Section s = curves.atX(0.0545);
    QTest::mouseClick(&o.window.tank(), Qt::LeftButton, {},
                      paperPlace(o.window.tank(), s.x_m, s.back_m - 0.001));
    o.click("addBore");
    REQUIRE(o.design().bores.size() == 3);
    CHECK(o.design().bores[2].from == BoreFrom::Back);
    CHECK(o.design().bores[2].x_m == Approx(0.0545).margin(0.0006));
    auto* list = o.window.findChild<QTableView*>("bores");
    CHECK(list->currentIndex().row() == 2);
    list->setFocus();
    QTest::keyClick(list, Qt::Key_D, Qt::ControlModifier);
    o.settle();
    REQUIRE(o.design().bores.size() == 4);
    CHECK(o.design().bores[3].x_m == Approx(o.design().bores[2].x_m + 0.01));
    CHECK(o.design().bores[3].name != o.design().bores[2].name);
    CHECK(o.design().bores[3].diameter_m == o.design().bores[2].diameter_m);
}

TEST_CASE("rattles, weights from the side, putty and holes go where one clicks") {
    Opened o;
    const BodyCurves curves = BodyCurves::build(o.design().body, "").value();
    const Section s = curves.atX(0.0505);
    const double up = s.belly_m + 0.4 * (s.back_m - s.belly_m);
    const auto mark = [&](Step step, double z_m) {
        o.window.rail().choose(step);
        QCoreApplication::processEvents();
        QTest::mouseClick(&o.window.tank(), Qt::LeftButton, {},
                          paperPlace(o.window.tank(), s.x_m, z_m));
        REQUIRE(o.window.bench().mark());
    };
    mark(Step::Ballast, up);
    o.click("addChamber");
    CHECK(o.design().chambers.back().x_m == Approx(s.x_m).margin(6e-4));
    CHECK(o.design().chambers.back().z_m == Approx(up).margin(6e-4));
    mark(Step::Ballast, up);
    o.click("addSideWeight");
    CHECK(o.design().sideWeights.back().x_m == Approx(s.x_m).margin(6e-4));
    CHECK(o.design().sideWeights.back().z_m == Approx(up).margin(6e-4));
    mark(Step::Ballast, s.back_m - 0.001);
    o.click("addPutty");
    CHECK(o.design().buildUps.back().x_m == Approx(s.x_m).margin(6e-4));
    CHECK(o.design().buildUps.back().from == FeatureFrom::Back);
    mark(Step::Fittings, s.back_m - 0.001);
    o.click("addFeature/3");
    CHECK(o.design().features.back().x_m == Approx(s.x_m).margin(6e-4));
    CHECK(o.design().features.back().from == FeatureFrom::Back);
    CHECK_FALSE(o.window.bench().mark());
}

TEST_CASE("a thing is copied to the other side by a key, and what has none says so") {
    Opened o;
    o.window.activateWindow();
    REQUIRE(QTest::qWaitForWindowActive(&o.window));
    o.window.rail().choose(Step::Ballast);
    o.typeCell("bores", 0, "y", "4");
    REQUIRE(o.design().bores[0].y_m == Approx(0.004));
    auto* list = o.window.findChild<QTableView*>("bores");
    const auto across = [&](int row) {
        list->setCurrentIndex(list->model()->index(row, 0));
        list->setFocus();
        QTest::keyClick(list, Qt::Key_D, Qt::ControlModifier | Qt::ShiftModifier);
        o.settle();
    };
    across(0);
    REQUIRE(o.design().bores.size() == 3);
    CHECK(o.design().bores[1].y_m == Approx(-0.004));
    CHECK(o.design().bores[1].x_m == o.design().bores[0].x_m);
    across(2);  // drilled in the middle
    CHECK(o.design().bores.size() == 3);
    CHECK(o.text("message").contains("middle"));
}
