// The real window, driven by keys and mouse as a maker would.
#include <QComboBox>
#include <QMenu>
#include <QPushButton>
#include <QTemporaryDir>
#include <QTest>
#include <catch2/catch.hpp>

#include "app/frame/main_window.h"
#include "app/kit/record_table.h"
#include "app/kit/theme.h"
#include "core/design/fields.h"
#include "files/design_file.h"
#include "opened.h"

using namespace wl;
using Open = wl::test::Opened;
using wl::test::onScreen;

namespace {

// Waits for signals, never for a clock: the newest edit is fully reckoned.
void settle(MainWindow& w) {
    REQUIRE(QTest::qWaitFor([&w] { return w.bench().evaluator.isSettled(); }, 30000));
    QCoreApplication::processEvents();
}

}  // namespace

TEST_CASE("the window opens on the demo with its whole story on screen") {
    Open o;
    CHECK_FALSE(QApplication::font().family().isEmpty());
    CHECK(QFontInfo(type(Type::Body)).family() == "Open Sans");
    CHECK(o.window.rail().verdict(Step::Tank).contains("spare"));
    CHECK(o.window.runStrip().headline().contains("Deepest"));
    CHECK(o.window.findChild<QWidget*>("weighBeam")->accessibleDescription().contains("of water"));
    for (int i = 0; i < kStepCount; ++i) {
        o.window.rail().choose(Step(i));
        QCoreApplication::processEvents();
        CHECK_FALSE(o.window.rail().verdict(Step(i)).isEmpty());
    }
}

TEST_CASE("typing a sample block carries through to the balance") {
    Open o;
    const double before = o.derived().mass->mass_kg;
    o.type("/pieces/0/stock/sample/length", "2\"");
    o.type("/pieces/0/stock/sample/width", "1 1/4 in");
    o.type("/pieces/0/stock/sample/height", "0,75 in");
    o.type("/pieces/0/stock/sample/mass", "0.48 oz");
    const SampleBlock& s = o.design().pieces[0].stock.sample;
    CHECK(s.length_m == Approx(0.0508));
    CHECK(s.width_m == Approx(0.03175));
    CHECK(s.height_m == Approx(0.01905));
    CHECK(s.mass_kg == Approx(0.0136077711));
    CHECK(o.derived().shape->reckoning.density.density_kg_m3 ==
          Approx(s.mass_kg / (s.length_m * s.width_m * s.height_m)));
    CHECK(o.derived().mass->mass_kg > before);
}

TEST_CASE("what is measured comes into force, is said, and can be taken back") {
    Open o;
    o.window.openNew();
    o.settle();
    Stock before = o.design().pieces[0].stock;
    REQUIRE(before.source == DensitySource::Shelf);
    o.type("/pieces/0/stock/sample/length", "60");
    CHECK(o.design().pieces[0].stock.source == DensitySource::Shelf);  // not filled in yet
    o.type("/pieces/0/stock/sample/mass", "7.4 g");
    CHECK(o.design().pieces[0].stock.source == DensitySource::Sample);
    CHECK(o.window.message().contains("sample block"));
    auto* way = o.window.findChild<QPushButton*>("messageWay");
    REQUIRE(way->isVisible());
    way->click();
    CHECK(o.design().pieces[0].stock.source == DensitySource::Shelf);
    CHECK(o.design().pieces[0].stock.sample.mass_kg == Approx(0.0074));
    CHECK_FALSE(way->isVisible());
    // Without a measured density a weighed body keeps its drawn volume; with one, its density.
    o.type("/pieces/0/stock/weighed_body", "9.1");
    CHECK(o.design().pieces[0].stock.trust == BodyTrust::WeighedDrawnBoth);
    o.window.bench().document.undoStack()->undo();
    CHECK_FALSE(o.design().pieces[0].stock.weighedBody_kg);
    CHECK(o.design().pieces[0].stock.trust == BodyTrust::DrawnVolume);
    o.window.bench().document.setField("/pieces/0/stock/density_from",
                                       double(DensitySource::Sample));
    o.type("/pieces/0/stock/weighed_body", "9.1");
    CHECK(o.design().pieces[0].stock.trust == BodyTrust::WeighedVolume);
}

TEST_CASE("a changed figure shows what it was until the next edit") {
    Open o;
    o.type("/lip/length", "24");
    auto* was = o.window.findChild<QLabel*>("/lip/length/was");
    REQUIRE(was != nullptr);
    CHECK(was->isVisible());
    CHECK(was->text() == "was 26");
    const ResultsPtr before = o.window.bench().bait.before();
    REQUIRE(before);
    CHECK(before->design->lip.length_m == Approx(0.026));
    o.type("/lip/width", "20");
    CHECK_FALSE(was->isVisible());
    CHECK(o.window.bench().bait.before()->design->lip.length_m == Approx(0.024));
    o.window.bench().document.undoStack()->undo();
    CHECK(o.window.findChild<QLabel*>("/lip/width/was")->text() == "was 20");
    o.settle();
    // The rail as well: the depth is another, the stock is the same.
    const QString told = o.window.rail().verdict(Step::Run);
    o.type("/lip/length", "20");
    CHECK(o.window.rail().verdict(Step::Run) != told);
    CHECK(o.window.rail().was(Step::Run) == "was " + told);
    CHECK(o.window.rail().item(int(Step::Run))->toolTip() == "was " + told);
    CHECK(o.window.rail().was(Step::Stock).isEmpty());
    // Another bait was nothing before.
    o.window.openDemo(1);
    o.settle();
    CHECK_FALSE(o.window.bench().bait.before());
}

TEST_CASE("a bad value stays as typed, is explained beside the field, and nothing is lost") {
    Open o;
    const Design before = o.design();
    for (const auto& [text, words] : {std::pair{"four", "not a measure"},
                                      {"-3", "cannot be right"},
                                      {"", "cannot be left empty"},
                                      {"3 g", "unit"},
                                      {"1/0", "zero"},
                                      {"99 m", "cannot be right"}}) {
        QLineEdit* line = o.field("/lip/length");
        line->setFocus();
        line->selectAll();
        QTest::keyClick(line, Qt::Key_Delete);
        QTest::keyClicks(line, text);
        QTest::keyClick(line, Qt::Key_Return);
        auto* fault = o.window.findChild<QLabel*>("/lip/length/fault");
        INFO(text);
        CHECK(fault->isVisible());
        CHECK(fault->text().contains(words));
        CHECK(line->text() == text);
        CHECK(o.design() == before);
    }
    o.type("/lip/length", "24");
    CHECK_FALSE(o.window.findChild<QLabel*>("/lip/length/fault")->isVisible());
    CHECK(o.design().lip.length_m == Approx(0.024));
}

TEST_CASE("dragging a station on the drawing is one step of undo") {
    Open o;
    o.window.rail().choose(Step::Body);
    QCoreApplication::processEvents();
    Tank& tank = o.window.tank();
    const Design before = o.design();
    const double volume = o.derived().shape->solid.volume_m3;
    const auto handles = tank.handles();
    int back = -1;
    for (int i = 0; i < int(handles.size()); ++i) {
        if (handles[size_t(i)].fields[0].first == "/body/stations/4/back") {
            back = i;
        }
    }
    REQUIRE(back >= 0);
    const QPoint from = tank.handlePosition(back).toPoint();
    QTest::mousePress(&tank, Qt::LeftButton, {}, from);
    for (int i = 1; i <= 8; ++i) {
        QTest::mouseMove(&tank, from + QPoint(0, -4 * i));
        QCoreApplication::processEvents();
    }
    // What is found on the way comes in, and the sheet above stays as it is under the hand.
    auto* findings = o.window.findChild<QWidget*>("findings");
    const int height = findings->height();
    settle(o.window);
    CHECK(o.window.bench().document.isHeld());
    CHECK(findings->height() == height);
    QTest::mouseRelease(&tank, Qt::LeftButton, {}, from + QPoint(0, -32));
    settle(o.window);
    CHECK_FALSE(o.window.bench().document.isHeld());
    const size_t found = o.window.bench().results()->findings.size();
    CHECK(found > 0);  // bigger than wanted
    CHECK(findings->findChild<QLabel*>()->text().contains(QString::number(found)));
    CHECK(o.design().body.stations[4].back_m > before.body.stations[4].back_m + 0.001);
    CHECK(o.derived().shape->solid.volume_m3 > volume);
    CHECK(o.window.bench().document.undoStack()->count() == 1);
    QTest::keyClick(&o.window, Qt::Key_Z, Qt::ControlModifier);
    settle(o.window);
    CHECK(o.design() == before);
    CHECK(o.derived().shape->solid.volume_m3 == volume);
}

TEST_CASE("handles move by key, by bench steps") {
    Open o;
    o.window.rail().choose(Step::Ballast);
    Tank& tank = o.window.tank();
    tank.setFocus();
    QTest::keyClick(&tank, Qt::Key_BracketRight);
    const double x = o.design().bores[0].x_m;
    QTest::keyClick(&tank, Qt::Key_Right);
    CHECK(o.design().bores[0].x_m == Approx(x + 0.0005));
    QTest::keyClick(&tank, Qt::Key_Left, Qt::ShiftModifier);
    CHECK(o.design().bores[0].x_m == Approx(x - 0.0045));
    o.window.rail().choose(Step::LipAndTie);
    QTest::keyClick(&tank, Qt::Key_BracketRight);
    QTest::keyClick(&tank, Qt::Key_BracketRight);
    const double angle = o.design().lip.angle_rad;
    QTest::keyClick(&tank, Qt::Key_Down);
    CHECK(o.design().lip.angle_rad > angle);
    settle(o.window);
}

TEST_CASE("plan the lead by key meets the brief, and what cannot be met is said") {
    Open o;
    o.type("/brief/wanted_spare", "12");
    o.type("/brief/wanted_pitch", "-2");
    QTest::keyClick(&o.window, Qt::Key_F8);
    settle(o.window);
    CHECK(o.derived().rest->spare == Approx(0.12).margin(0.002));
    CHECK(o.derived().rest->pitch_rad / kDegree == Approx(-2).margin(0.5));
    CHECK(o.window.message().contains("Lead planned"));
    o.type("/brief/wanted_spare", "1");
    Design thin = o.design();
    thin.bores[0].diameter_m = thin.bores[1].diameter_m = 0.003;
    o.window.bench().document.submit(thin, "thin bores");
    settle(o.window);
    o.click("planLead");
    CHECK(o.window.message().contains("short"));
    CHECK(o.window.message().contains("It would help"));
}

TEST_CASE("a finding offers a cure that works, and shows its place") {
    Open o;
    Design d = o.design();
    d.bores[0].depth_m = 0.03;
    o.window.bench().document.submit(d, "too deep");
    settle(o.window);
    auto cure = [&o] { return o.window.findChild<QPushButton*>("cure/edit.bore_depth"); };
    REQUIRE(QTest::qWaitFor([&] { return cure() != nullptr; }));
    o.window.findChild<QPushButton*>("show/bore.comes_out")->click();
    CHECK(o.window.findChild<QTableView*>("bores")->currentIndex().row() == 0);
    cure()->click();
    settle(o.window);
    CHECK(o.design().bores[0].depth_m < 0.03);
    for (const Finding& f : o.window.bench().results()->findings) {
        CHECK(f.code != "bore.comes_out");
    }
}

TEST_CASE("tables edit, add, remove, and keep a bad cell as typed") {
    Open o;
    o.window.rail().choose(Step::Body);
    auto* view = o.window.findChild<QTableView*>("stations");
    const QModelIndex cell = view->model()->index(3, 3);
    CHECK(view->model()->setData(cell, "11.5", Qt::EditRole));
    CHECK(o.design().body.stations[3].halfWidth_m == Approx(0.0115));
    CHECK_FALSE(view->model()->setData(cell, "wide", Qt::EditRole));
    CHECK(view->model()->data(cell, Qt::DisplayRole).toString().contains("wide"));
    CHECK(o.window.findChild<QLabel*>("stationsFault")->text().contains("not a measure"));
    CHECK(o.design().body.stations[3].halfWidth_m == Approx(0.0115));
    view->setCurrentIndex(view->model()->index(2, 0));
    o.click("insertStation");
    CHECK(o.design().body.stations.size() == 10);
    view->setCurrentIndex(view->model()->index(3, 0));
    o.click("removeStation");
    CHECK(o.design().body.stations.size() == 9);
    const size_t parts = o.design().fittings.size();
    o.window.rail().choose(Step::Fittings);
    auto* shelf = o.window.findChild<QComboBox*>("addFitting");
    emit shelf->activated(3);
    settle(o.window);
    REQUIRE(o.design().fittings.size() == parts + 3);  // eye, ring and hook
    CHECK(o.design().fittings[parts + 2].hangsFrom == o.design().fittings[parts].name);
    o.window.rail().choose(Step::Ballast);
    o.click("addBore");
    CHECK(o.design().bores.size() == 3);
    o.click("addCoat");
    CHECK(o.design().coats.size() == 4);
}

TEST_CASE("profiles that cross keep the last bait on screen and say why") {
    Open o;
    Design d = o.design();
    d.body.stations[4].belly_m = 0.015;
    o.window.bench().document.submit(d, "crossing");
    settle(o.window);
    REQUIRE(o.window.bench().results()->error);
    CHECK(o.window.bench().results()->error->code == "body.profiles_cross");
    CHECK(o.window.rail().verdict(Step::Body).contains("cannot be reckoned"));
    o.window.grab();  // paints every view without results
    QTest::keyClick(&o.window, Qt::Key_Z, Qt::ControlModifier);
    settle(o.window);
    CHECK(o.window.bench().results()->derived);
}

TEST_CASE("save, change, reopen - a refused file changes nothing") {
    Open o;
    const QString path = o.folder.filePath("bait.wade");
    o.type("/brief/cast_length", "31");
    REQUIRE(o.window.saveFile(path));
    CHECK_FALSE(o.window.isWindowModified());
    CHECK(o.window.findChild<QLabel*>("savedState")->text() == "saved");
    o.type("/brief/cast_length", "12");
    CHECK(o.window.findChild<QLabel*>("savedState")->text().contains("not saved"));
    REQUIRE(o.window.openFile(path));
    settle(o.window);
    CHECK(o.design().brief.castLength_m == Approx(31));
    QFile broken(o.folder.filePath("broken.wade"));
    REQUIRE(broken.open(QIODevice::WriteOnly));
    broken.write("{\"format\": \"wade-line-des");
    broken.close();
    const Design before = o.design();
    CHECK_FALSE(o.window.openFile(broken.fileName()));
    CHECK(o.window.message().contains("damaged"));
    CHECK(o.design() == before);
    CHECK_FALSE(o.window.saveFile("/no/such/folder/x.wade"));
    CHECK(o.window.message().contains("cannot be written"));
}

TEST_CASE("the unit switch changes what is shown, never what is kept") {
    Open o;
    o.window.rail().choose(Step::LipAndTie);
    const Design before = o.design();
    QTest::keyClick(&o.window, Qt::Key_U, Qt::ControlModifier);
    CHECK(o.field("/lip/length")->text() == "1 1/32");  // 26 mm
    QTest::keyClick(&o.window, Qt::Key_U, Qt::ControlModifier | Qt::ShiftModifier);
    CHECK(o.field("/lip/length")->text().startsWith(onScreen("1.023")));
    QTest::keyClick(&o.window, Qt::Key_U, Qt::ControlModifier | Qt::ShiftModifier);
    CHECK(o.window.rail().verdict(Step::Body).contains("in³"));
    o.type("/lip/length", "1");
    CHECK(o.design().lip.length_m == Approx(0.0254));
    QTest::keyClick(&o.window, Qt::Key_Z, Qt::ControlModifier);
    o.window.setInch(false);
    CHECK(o.design() == before);
    o.window.setDark(true);
    CHECK(inks().dark);
    o.window.grab();
    o.window.setDark(false);
}

TEST_CASE("every field, table and button has a name for those who cannot see it", "[again]") {
    Open o;
    for (int i = 0; i < kStepCount; ++i) {
        o.window.rail().choose(Step(i));
    }
    for (auto* line : o.window.findChildren<QLineEdit*>()) {
        if (line->objectName() != "qt_spinbox_lineedit") {
            INFO(line->objectName().toStdString());
            CHECK_FALSE(line->accessibleName().isEmpty());
        }
    }
    for (auto* box : o.window.findChildren<QComboBox*>()) {
        CHECK_FALSE(box->accessibleName().isEmpty());
    }
    for (auto* button : o.window.findChildren<QPushButton*>()) {
        CHECK_FALSE(button->text().isEmpty());
    }
}
