// The cast, the forces, the what-ifs and the cadence, driven as a maker drives them.
#include <qcustomplot.h>
#include <QTest>
#include <catch2/catch.hpp>

#include "app/kit/field_choice.h"
#include "app/views/cadence_strip.h"
#include "gui/opened.h"

using namespace wl;
using namespace wl::test;

TEST_CASE("a measured cast becomes the maker's throw, and the retrieve starts from there") {
    Opened o;
    o.window.rail().choose(Step::Cast);
    o.beside("castPage");
    CHECK(o.text("castWords").contains("no cast of yours is measured"));
    CHECK(o.text("castWords").contains("tail first"));
    CHECK(o.window.rail().verdict(Step::Cast).contains("about"));
    o.type("castMeasured", "24 m");
    o.beside("castPage");
    REQUIRE(o.design().brief.throwSpeed_m_s);
    CHECK(o.text("castWords").contains("with your throw"));
    // What was typed is what is read back, and the field of the throw shows it.
    CHECK(o.field("castMeasured")->text() == "24");
    CHECK_FALSE(o.field("/brief/throw_speed")->text().isEmpty());
    // A cast no throw makes stays as typed, with the reason beneath it.
    QLineEdit* flew = o.field("castMeasured");
    flew->setFocus();
    flew->selectAll();
    QTest::keyClicks(flew, "119");
    QTest::keyClick(flew, Qt::Key_Return);
    CHECK(flew->text() == "119");
    CHECK(o.text("castMeasured/fault").contains("No throw carries this bait"));
    CHECK(o.text("castWords").contains("24"));
    o.type("castMeasured", "24");
    o.click("castForRetrieve");
    CHECK(o.design().brief.castLength_m == Approx(24).epsilon(0.15));
    o.window.bench().document.undoStack()->undo();
    o.window.bench().document.undoStack()->undo();
    CHECK_FALSE(o.design().brief.throwSpeed_m_s);
    // A bait that cannot be thrown says why, and offers nothing.
    Opened jointed(1);
    int demo = 1;
    while (jointed.design().joints.empty()) {
        jointed.window.openDemo(++demo);
        jointed.settle();
    }
    jointed.window.rail().choose(Step::Cast);
    jointed.beside("castPage");
    CHECK_FALSE(jointed.window.findChild<QAbstractButton*>("castForRetrieve")->isEnabled());
    CHECK(jointed.text("castWords").isEmpty());
    CHECK(jointed.window.rail().verdict(Step::Cast) == "not reckoned");
}

TEST_CASE("the forces under way are told in figures that follow an edit") {
    Opened o;
    o.window.rail().choose(Step::Run);
    o.tab("runTabs", "Forces");
    o.beside("forcesTab");
    const QString before = o.text("forcesWords");
    CHECK(before.contains("It dives because"));
    CHECK(before.contains("The line pulls"));
    CHECK(before.contains("it must pull"));
    const auto* view =
        o.window.findChild<QWidget*>("forcesTab")->findChild<QWidget*>("freeBodyView");
    REQUIRE(view != nullptr);
    CHECK(view->accessibleDescription().contains("lip"));
    o.type("/lip/angle", "60");
    o.window.rail().choose(Step::Run);
    o.tab("runTabs", "Forces");
    o.beside("forcesTab");
    CHECK(o.text("forcesWords") != before);
}

TEST_CASE("one field is swept, two make a map, a range that is no measure is told beside itself") {
    Opened o;
    o.window.rail().choose(Step::Run);
    o.tab("runTabs", "What if");
    o.beside("sweepPart");
    auto* plot = o.window.findChild<QCustomPlot*>("sweepDepth");
    REQUIRE(plot != nullptr);
    REQUIRE(plot->graphCount() == 1);
    for (const char* name : {"sweepNose", "sweepPull"}) {
        CHECK(o.window.findChild<QCustomPlot*>(name)->graph(0)->dataCount() == 25);
    }
    CHECK(plot->graph(0)->dataCount() == 25);
    CHECK(o.text("sweepWords").contains("depth"));
    // Every lever has its row on the depth's own sheet; the figures are there.
    o.tab("runTabs", "Depth");
    o.beside("leversPart");
    auto* levers = o.window.findChild<QTableWidget*>("levers");
    REQUIRE(levers != nullptr);
    CHECK(levers->rowCount() == 9);
    for (int row = 0; row < levers->rowCount(); ++row) {
        CHECK(levers->item(row, 1)->text().contains("%"));
    }
    o.tab("runTabs", "What if");
    // The design changed: the curve before stays as a ghost.
    o.type("/lip/length", "36");
    o.window.rail().choose(Step::Run);
    o.beside("sweepPart");
    CHECK(plot->graphCount() == 2);
    auto* from = o.window.findChild<QLineEdit*>("sweepAcrossFrom");
    REQUIRE(from != nullptr);
    from->setText("steep");
    emit from->editingFinished();
    QCoreApplication::processEvents();
    CHECK(from->text() == "steep");
    CHECK(o.text("sweepWords").contains("range is not whole"));
    auto* to = o.window.findChild<QLineEdit*>("sweepAcrossTo");
    from->setText(to->text());
    emit from->editingFinished();
    CHECK(o.text("sweepWords").contains("the same"));
    from->setText("15");
    emit from->editingFinished();
    o.beside("sweepPart");
    CHECK(o.text("sweepWords").contains(onScreen("15.0")));
    // A name that is none is told, and the list has what was added since.
    auto* across = o.window.findChild<FieldChoice*>("sweepAcross");
    REQUIRE(across != nullptr);
    across->lineEdit()->setText("sharpness");
    emit across->lineEdit()->editingFinished();
    CHECK(o.text("sweepWords").contains("sharpness"));
    CHECK(across->path() == "/lip/angle");
    CHECK(across->findData("/brief/wind") < 0);
    Design more = o.design();
    more.bores.push_back(more.bores.front());
    more.bores.back().name = "third bore";
    o.window.bench().document.submit(more, "a third bore");
    o.settle();
    across->showPopup();
    across->hidePopup();
    const int third = across->findText("third bore", Qt::MatchContains);
    REQUIRE(third >= 0);
    const int length = across->findData("/lip/length");
    across->setCurrentIndex(length);
    o.beside("sweepPart");
    // The same lengths in the other units: the curve does not move along its axis.
    const QString milli = o.field("sweepAcrossTo")->text();
    const auto last = [&] { return plot->graph(0)->data()->at(24)->key; };
    const double mm = last();
    o.window.setInch(true);
    QCoreApplication::processEvents();
    o.beside("sweepPart");
    CHECK(o.field("sweepAcrossTo")->text() != milli);
    CHECK(last() == Approx(mm / 25.4).epsilon(1e-3));
    o.window.setInch(false);
    QCoreApplication::processEvents();
    o.beside("sweepPart");
    CHECK(last() == Approx(mm).epsilon(1e-3));
    // The third bore goes while it is varied: another field takes its place.
    across->setCurrentIndex(across->findText("third bore", Qt::MatchContains));
    REQUIRE(across->path().startsWith("/bores/"));
    o.window.bench().document.undoStack()->undo();
    o.settle();
    CHECK_FALSE(across->path().startsWith("/bores/2"));
    across->setCurrentIndex(across->findData("/lip/angle"));
    o.beside("sweepPart");
    auto* up = o.window.findChild<QComboBox*>("sweepUp");
    REQUIRE(up != nullptr);
    up->setCurrentIndex(up->findData("/brief/retrieve_speed"));
    REQUIRE(up->currentData().toString() == "/brief/retrieve_speed");
    o.beside("sweepPart");
    CHECK_FALSE(plot->isVisible());
    auto* map = o.window.findChild<QCustomPlot*>("sweepPlot");
    CHECK(map->plottableCount() == 2);  // the map and the bait as it is
    CHECK(o.text("sweepWords").contains("wanted"));
}

TEST_CASE("a cadence is chosen, dragged, typed and taken away again") {
    Opened o;
    o.window.rail().choose(Step::Run);
    o.tab("runTabs", "Cadence");
    CHECK(o.design().brief.cadence.empty());
    o.click("stopAndGo");
    REQUIRE(o.design().brief.cadence.size() == 2);
    CHECK(o.design().brief.cadence[1].speed_m_s == 0);
    const ResultsPtr results = o.window.bench().results();
    REQUIRE(results->run);
    REQUIRE(results->run->cadence);
    CHECK(results->run->cadence->told);
    auto* strip = o.window.findChild<CadenceStrip*>("cadenceStrip");
    REQUIRE(strip != nullptr);
    // The right edge of the first bar to the right: it lasts longer.
    const double lasted = o.design().brief.cadence[0].time_s;
    const QRectF bar = strip->bar(0);
    const QPoint edge(int(bar.right()), int(bar.center().y()));
    QTest::mousePress(strip, Qt::LeftButton, {}, edge);
    QTest::mouseMove(strip, edge + QPoint(20, 0));
    QTest::mouseRelease(strip, Qt::LeftButton, {}, edge + QPoint(20, 0));
    o.settle();
    CHECK(o.design().brief.cadence[0].time_s > lasted);
    // The top of it down: slower; one undo step for the drag.
    const double speed = o.design().brief.cadence[0].speed_m_s;
    const QRectF now = strip->bar(0);
    const QPoint top(int(now.center().x()), int(now.top()));
    QTest::mousePress(strip, Qt::LeftButton, {}, top);
    QTest::mouseMove(strip, top + QPoint(0, 8));
    QTest::mouseMove(strip, top + QPoint(0, 14));
    QTest::mouseRelease(strip, Qt::LeftButton, {}, top + QPoint(0, 14));
    o.settle();
    CHECK(o.design().brief.cadence[0].speed_m_s < speed);
    o.window.bench().document.undoStack()->undo();
    CHECK(o.design().brief.cadence[0].speed_m_s == Approx(speed));
    strip->setFocus();
    QTest::keyClick(strip, Qt::Key_BracketRight);
    QTest::keyClick(strip, Qt::Key_Right);
    o.settle();
    CHECK(o.design().brief.cadence[1].time_s == Approx(2.1));
    o.typeCell("cadence", 1, "time", "3");
    CHECK(o.design().brief.cadence[1].time_s == Approx(3.0));
    for (int i = 0; i < 14; ++i) {
        o.click("addCadence");
    }
    CHECK(o.design().brief.cadence.size() == 12);
    // Its fields are gone to where they stand.
    o.window.rail().choose(Step::Body);
    o.window.goTo("/brief/cadence/1/time");
    CHECK(o.window.findChild<QWidget*>("cadenceStrip")->isVisible());
    o.click("steadyCadence");
    CHECK(o.design().brief.cadence.empty());
    CHECK_FALSE(o.window.bench().results()->run->cadence);
}
