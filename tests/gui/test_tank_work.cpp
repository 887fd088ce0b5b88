// Planning from the shelf, swapping hooks, tank school: the maker's way through the window.
#include <QPushButton>
#include <QTableWidget>

#include "app/views/solid_view.h"
#include "gui/opened.h"
#include "support/sample_bait.h"

using namespace wl;
using namespace wl::test;

TEST_CASE("plan from the shelf: three ways with their price, one taken, undone") {
    Opened o;
    o.window.rail().choose(Step::Ballast);
    o.tab("ballastTabs", "Ways to do it");
    o.beside("choicesTab");
    auto* table = o.window.findChild<QTableWidget*>("choices");
    REQUIRE(table->rowCount() == 3);
    int pieces = -1;
    for (int r = 0; r < 3; ++r) {
        for (int c = 0; c < table->columnCount(); ++c) {
            CHECK_FALSE(table->item(r, c)->text().isEmpty());
        }
        pieces = table->item(r, 0)->text() == "whole pieces" ? r : pieces;
    }
    REQUIRE(pieces >= 0);
    table->selectRow(pieces);
    CHECK(o.text("choiceWords").contains(QStringLiteral("1 ×")));
    o.click("takeChoice");
    CHECK(o.design().bores[0].lead == BoreLead::Pieces);
    REQUIRE_FALSE(o.design().bores[0].pieces.empty());
    CHECK(o.derived().rest->spare == Approx(o.design().brief.wantedSpare).margin(0.01));
    CHECK(std::abs(o.derived().rest->pitch_rad - o.design().brief.wantedPitch_rad) < 2 * kDegree);
    // What is counted on the shelf is taken off it when the bait is built; the rest has no count.
    CHECK_FALSE(o.window.findChild<QPushButton*>("piecesUsed")->isEnabled());
    const std::string used = o.design().bores[0].pieces[0].name;
    auto entryOf = [&o](const std::string& name) {
        for (const ShelfEntry& e : o.window.bench().shelf.entries()) {
            if (e.name == name) {
                return e;
            }
        }
        FAIL("not on the shelf: " << name);
        return ShelfEntry{};
    };
    ShelfEntry counted = entryOf(used);
    counted.left = 9;
    REQUIRE_FALSE(o.window.bench().shelf.put(counted));
    o.beside("choicesTab");
    double pieceCount = 0;
    for (const Bore& bore : o.design().bores) {
        for (const LeadPiece& piece : bore.pieces) {
            pieceCount += piece.name == used ? piece.count : 0;
        }
    }
    o.click("piecesUsed");
    CHECK(entryOf(used).left == 9 - pieceCount);
    counted.left.reset();
    counted.id = entryOf(used).id;
    REQUIRE_FALSE(o.window.bench().shelf.put(counted));
    // The bores' own table tells what is in them; one more piece is put in by hand.
    o.tab("ballastTabs", "Bores and plugs");
    auto* bores = o.window.findChild<QTableView*>("bores");
    bores->setCurrentIndex(bores->model()->index(0, 0));
    const auto counted0 = [&] {
        double count = 0;
        for (const LeadPiece& piece : o.design().bores[0].pieces) {
            count += piece.count;
        }
        return count;
    };
    const double countBefore = counted0(), leadBefore = o.derived().mass->bores[0].leadMass_kg;
    o.choose("addPiece", 0);
    CHECK(counted0() == countBefore + 1);
    CHECK(o.derived().mass->bores[0].leadMass_kg != leadBefore);
    o.window.bench().document.undoStack()->undo();
    o.window.bench().document.undoStack()->undo();
    o.settle();
    CHECK(o.design().bores[0].lead == BoreLead::Plug);
    // A bore on top of another: refused, with the two named.
    Design clash = o.design();
    clash.bores[1].x_m = clash.bores[0].x_m + 0.001;
    o.window.bench().document.submit(std::move(clash), "clash");
    o.settle();
    o.tab("ballastTabs", "Ways to do it");
    o.beside("choicesTab");
    CHECK(table->rowCount() == 0);
    CHECK(o.text("choiceWords").contains("run into each other"));
    CHECK(o.window.tank().marks().size() == 1);
    o.click("planLead");
    CHECK(o.window.message().startsWith(QStringLiteral("▲")));
}

TEST_CASE("a clash blinks in the cut-open solid too, and a key cuts there") {
    Opened o;
    Design clash = o.design();
    clash.bores[1].x_m = clash.bores[0].x_m + 0.001;
    o.window.bench().document.submit(std::move(clash), "clash");
    o.settle();
    o.window.showView(TankView::Solid);
    SolidCanvas& canvas = o.window.solidView().canvas();
    canvas.lookFrom(-0.9, 0.2);
    REQUIRE(canvas.marks().size() == 1);
    CHECK(canvas.rect().contains(canvas.marks()[0].toPoint()));
    QTest::keyClick(&canvas, Qt::Key_M);
    const double length = o.derived().shape->sizes.length_m;
    CHECK(std::abs(canvas.section() * length - o.design().bores[0].x_m) < 0.004);
    CHECK(canvas.sectionWords().join('\n').contains("▲"));
    CHECK(canvas.marks().size() == 1);
    const QImage lit = canvas.grab().toImage();
    CHECK(QTest::qWaitFor([&] { return canvas.grab().toImage() != lit; }, 3000));
    canvas.setSection(0.9);  // the place is cut away
    CHECK(canvas.marks().empty());
    o.window.bench().document.undoStack()->undo();
    o.settle();
    canvas.setSection(0);
    CHECK(canvas.marks().empty());
}

TEST_CASE("a cure with a long name fits its panel at any width, and keeps its &") {
    Opened o;
    Design clash = o.design();
    clash.bores[1].name = "heavy bore under the gills & behind the eye";
    clash.bores[1].x_m = clash.bores[0].x_m + 0.004;
    o.window.bench().document.submit(std::move(clash), "clash");
    o.settle();
    auto* panel = o.window.findChild<QWidget*>("findings");
    QPushButton* cure = nullptr;
    for (const int wide : {1280, 1000, 1700}) {
        o.window.resize(wide, 800);
        CHECK(QTest::qWaitFor(
            [&] {
                cure = panel->findChild<QPushButton*>("cure/edit.move_bore");
                return cure != nullptr && cure->sizeHint().width() <= panel->width() - 20;
            },
            5000));
        REQUIRE(cure != nullptr);
        INFO(cure->text().toStdString());
        CHECK(cure->text().contains("&&"));
        CHECK(cure->accessibleName().contains("gills & behind"));
    }
    cure->click();
    o.settle();
    CHECK(o.window.bench().document.undoStack()->undoText().contains("&&"));
    CHECK(o.design().bores[1].x_m > o.design().bores[0].x_m + 0.008);
}

TEST_CASE("cut open at a joint, the solid names its pin and what that leaves of the wall") {
    Opened o(4);
    Design thin = o.design();
    thin.joints[1].pinLength_m = 0.0185;
    o.window.bench().document.submit(std::move(thin), "long pin");
    o.settle();
    o.window.showView(TankView::Solid);
    SolidCanvas& canvas = o.window.solidView().canvas();
    canvas.setSection(o.derived().shape->joints[1].pinX_m / o.derived().shape->sizes.length_m);
    const QString words = canvas.sectionWords().join('\n');
    CHECK(words.contains("pin of waist"));
    CHECK(words.contains("▲ waist: the pin leaves"));
    // What is cut open shows the metal: with the pin left out the picture is another.
    const QImage with = canvas.grab().toImage();
    Design none = o.design();
    none.joints[1].kind = HingeKind::LinkedEyes;
    o.window.bench().document.submit(std::move(none), "eyes");
    o.settle();
    CHECK(canvas.grab().toImage() != with);
    CHECK_FALSE(canvas.sectionWords().join('\n').contains("pin of"));
    o.window.rail().choose(Step::Ballast);
    o.window.bench().document.undoStack()->undo();
    Design out = o.design();
    out.joints[1].pinLength_m = 0.03;
    o.window.bench().document.submit(std::move(out), "pin out");
    o.settle();
    o.click("planLead");
    CHECK(o.window.message().contains("waist: the pin comes out"));
}

TEST_CASE(
    "bores too thin for the lead: what mends it stands in the table and is taken from there") {
    Opened o;
    o.window.rail().choose(Step::Ballast);
    Design thin = o.design();
    for (Bore& bore : thin.bores) {
        bore.diameter_m = 0.0055;
    }
    o.window.bench().document.submit(std::move(thin), "thin");
    o.settle();
    o.click("planLead");
    CHECK(o.window.message().contains("Ways to do it"));
    o.settle();
    o.tab("ballastTabs", "Ways to do it");
    o.beside("choicesTab");
    auto* table = o.window.findChild<QTableWidget*>("choices");
    int wider = -1, stock = -1;
    for (int row = 0; row < table->rowCount(); ++row) {
        const QString what = table->item(row, 0)->text();
        INFO(what.toStdString());
        wider = what.contains("wide") ? row : wider;
        stock = what.startsWith("stock:") ? row : stock;
    }
    REQUIRE(wider >= 0);
    CHECK(stock >= 0);
    CHECK(table->item(wider, 1)->text() == "meets it");
    table->selectRow(wider);
    o.click("takeChoice");
    o.settle();
    CHECK(o.derived().rest->spare == Approx(o.design().brief.wantedSpare).margin(0.002));
    o.window.bench().document.undoStack()->undo();
    o.settle();
    CHECK(o.design().bores[0].diameter_m == 0.0055);
}

TEST_CASE("swap hooks: the table reckons like the bait, and three rates are answered") {
    Opened o(2);  // the glider sinks
    o.window.rail().choose(Step::Tank);
    o.tab("tankTabs", "Hook swaps");
    o.beside("swapsTab");
    auto* table = o.window.findChild<QTableWidget*>("swaps");
    REQUIRE(table->rowCount() > 20);
    const int clear = table->rowCount();
    o.window.findChild<QCheckBox*>("onlyClear")->click();
    CHECK(table->rowCount() > clear);
    o.window.findChild<QCheckBox*>("onlyClear")->click();
    CHECK(o.text("bestForRates").count("Nearest to") == 3);
    const int row = clear / 2;
    table->selectRow(row);
    const QString front = table->item(row, 0)->text(), mass = table->item(row, 2)->text();
    const QString speed = table->item(row, 4)->text();
    o.click("putHooks");
    const Derived& d = o.derived();
    CHECK(o.window.bench().text(Quantity::Mass, d.mass->mass_kg) == mass);
    const QString now =
        d.rest->fall.speed_m_s >= 0
            ? "sinks " + o.window.bench().text(Quantity::Speed, d.rest->fall.speed_m_s)
            : "rises " + o.window.bench().text(Quantity::Speed, -d.rest->fall.speed_m_s);
    CHECK(now == speed);
    CHECK(o.window.message().contains(front));
    o.type("/tank/sink_rate_one", "0.2 m/s");
    o.beside("swapsTab");
    CHECK(o.text("bestForRates").contains(o.window.bench().text(Quantity::Speed, 0.2)));
}

TEST_CASE("two tank readings give a correction, taken over the bait shows what was seen") {
    Opened o;
    Design bare = o.design();
    bare.tank.readings.clear();
    o.window.bench().document.submit(std::move(bare), "no readings");
    o.settle();
    o.window.rail().choose(Step::Tank);
    o.tab("tankTabs", "Tank school");
    o.beside("schoolTab");
    CHECK(o.text("schoolWords").contains("Enter one thing"));
    auto* apply = o.window.findChild<QPushButton*>("applyCorrection");
    CHECK_FALSE(apply->isEnabled());
    o.click("addReading");
    o.click("addReading");
    REQUIRE(o.design().tank.readings.size() == 2);
    CHECK(o.design().tank.readings[0].kind == ReadingKind::Showing);
    CHECK(o.design().tank.readings[1].kind == ReadingKind::Nose);
    o.typeCell("readings", 0, "showing", "4.5");
    o.typeCell("readings", 1, "angle", "-7");
    CHECK(o.design().tank.readings[0].showing_m == Approx(0.0045));
    CHECK(o.design().tank.readings[1].angle_rad / kDegree == Approx(-7));
    o.beside("schoolTab");
    CHECK(apply->isEnabled());
    o.click("applyCorrection");
    REQUIRE(o.design().tank.correction.applied);
    CHECK(o.derived().rest->pitch_rad / kDegree == Approx(-7).margin(0.5));
    CHECK(o.derived().rest->showing_m * 1e3 < 5.4);
    // The lead is planned again on the bait as it is, and the attitude comes back.
    auto* replan = o.window.findChild<QPushButton*>("replanLead");
    CHECK(replan->isEnabled());
    o.click("replanLead");
    CHECK(o.derived().rest->pitch_rad / kDegree ==
          Approx(o.design().brief.wantedPitch_rad / kDegree).margin(0.5));
    o.click("dropCorrection");
    CHECK_FALSE(o.design().tank.correction.applied);
    // A word where a number belongs is kept beside its reason, and the design is unchanged.
    o.typeCell("readings", 0, "showing", "plenty");
    CHECK(o.text("readingsFault").startsWith(QStringLiteral("▲")));
    CHECK(o.design().tank.readings[0].showing_m == Approx(0.0045));
}

TEST_CASE("righting, waters and doubt are told in words and numbers") {
    Opened o;
    o.window.rail().choose(Step::Tank);
    o.tab("tankTabs", "Righting");
    o.beside("rightingTab");
    CHECK(o.text("rightingWords").contains("comes back from any lean"));
    o.tab("tankTabs", "Waters");
    o.beside("watersTab");
    auto* waters = o.window.findChild<QTableWidget*>("waters");
    CHECK(waters->rowCount() == 8);
    CHECK(waters->item(0, 1)->text() == "ice");
    CHECK(o.text("watersWords").contains(onScreen("14.0")));
    o.tab("tankTabs", "How sure");
    o.beside("doubtTab");
    CHECK(o.text("chances").startsWith("Floats 100"));
    CHECK(o.text("doubtWords").contains("Before paint"));
    o.type("/errors/plug_length", "1 mm");
    o.beside("doubtTab");
    auto* doubts = o.window.findChild<QTableWidget*>("doubts");
    CHECK(doubts->item(0, 0)->text().startsWith("lead"));
    // Off centre lead leans it, and is named.
    o.type("/errors/plug_length", "0.25 mm");
    Design leaning = o.design();
    leaning.bores[0].y_m = 0.001;
    o.window.bench().document.submit(std::move(leaning), "off centre");
    o.settle();
    o.tab("tankTabs", "Righting");
    o.beside("rightingTab");
    CHECK(o.text("rightingWords").contains("chin bore"));
}

TEST_CASE("a through-wire and a rattle, drawn and told") {
    Opened o;
    o.window.rail().choose(Step::Fittings);
    o.tab("fittingTabs", "Through-wire");
    o.click("addDrop");
    REQUIRE(o.design().wire.present);
    CHECK(o.text("bendList").contains("Cut "));
    o.type("/through_wire/z", "6 mm");
    o.typeCell("drops", 0, "x", "60");
    CHECK(o.derived().mass->wire.bends.size() == 5);
    CHECK(o.text("bendList").contains("5. at"));
    o.choose("wireFromShelf", 1);
    CHECK(o.design().wire.wire_m == Approx(0.0009));
    o.window.findChild<QCheckBox*>("/through_wire/present")->click();
    o.settle();
    CHECK(o.derived().mass->wire.path_m.empty());
    o.window.rail().choose(Step::Ballast);
    o.tab("ballastTabs", "Rattles");
    o.click("addChamber");
    REQUIRE(o.design().chambers.size() == 1);
    auto* chambers = o.window.findChild<QTableView*>("chambers");
    chambers->setCurrentIndex(chambers->model()->index(0, 0));
    o.choose("ballsFromShelf", 7);
    CHECK(o.design().chambers[0].ballDensity_kg_m3 > 5000);
    const double with = o.derived().mass->mass_kg;
    o.click("removeChamber");
    CHECK(o.design().chambers.empty());
    CHECK(o.derived().mass->mass_kg != with);
}

TEST_CASE("line, pin, rod, filler and lip are taken from the shelf") {
    Opened o(3);
    o.window.rail().choose(Step::Brief);
    auto* lines = o.window.findChild<QComboBox*>("lineFromShelf");
    o.choose("lineFromShelf", lines->findText("fluorocarbon line 0.3 mm"));
    CHECK(o.design().brief.lineKind == LineKind::Fluorocarbon);
    CHECK(o.design().brief.lineDiameter_m == Approx(0.0003));
    o.window.rail().choose(Step::Ballast);
    auto* bores = o.window.findChild<QTableView*>("bores");
    bores->setCurrentIndex(bores->model()->index(1, 0));
    auto* rods = o.window.findChild<QComboBox*>("rodOrFiller");
    o.choose("rodOrFiller", rods->findText("lead rod 8 mm"));
    CHECK(o.design().bores[1].diameter_m == Approx(0.008));
    bores->setCurrentIndex(bores->model()->index(1, 0));
    o.choose("rodOrFiller", rods->findText("steel-filled epoxy"));
    CHECK(o.design().bores[1].fillerDensity_kg_m3 == Approx(2300));
    o.window.rail().choose(Step::Joints);
    auto* joints = o.window.findChild<QTableView*>("joints");
    joints->setCurrentIndex(joints->model()->index(0, 0));
    auto* pins = o.window.findChild<QComboBox*>("pinFromShelf");
    o.choose("pinFromShelf", pins->findText("stainless pin 1.5 mm"));
    CHECK(o.design().joints[0].pinDiameter_m == Approx(0.0015));
    o.window.rail().choose(Step::LipAndTie);
    o.choose("lipFromShelf", 3);
    CHECK(o.design().lip.present);
    CHECK(o.design().lip.density_kg_m3 == Approx(7930));
    o.window.rail().choose(Step::Fittings);
    o.tab("fittingTabs", "Sockets, slots and holes");
    o.click("addFeature/0");
    auto* holes = o.window.findChild<QTableView*>("features");
    holes->setCurrentIndex(holes->model()->index(0, 0));
    o.choose("holeFiller", 0);
    CHECK(o.design().features[0].fill == FeatureFill::Glue);
}
