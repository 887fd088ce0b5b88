// The scale that ships, and the shelf on screen.
#include <QFile>
#include <QPushButton>

#include "app/dialogs/scale_dialog.h"
#include "app/dialogs/shelf_window.h"
#include "gui/opened.h"
#include "gui/practise_scale.h"
#include "support/sample_bait.h"

using namespace wl;
using namespace wl::test;

TEST_CASE("the scale: noise, settling, change of unit, taring, silence") {
    PractiseScale scale({"--noise", "0.004"});
    ScaleReader reader;
    CHECK_FALSE(reader.isOpen());
    CHECK_FALSE(reader.open("/dev/no-such-line").isEmpty());
    REQUIRE(reader.open(scale.line).isEmpty());
    CHECK(settlesAt(reader, 0.0));
    scale.say("put 5.82");
    CHECK(settlesAt(reader, 5.82));
    for (const char* unit : {"unit oz", "unit gr", "unit ct", "unit g"}) {
        scale.say(unit);
        // Three lines on the new unit has come through.
        QSignalSpy lines(&reader, &ScaleReader::readingChanged);
        REQUIRE(QTest::qWaitFor([&] { return lines.count() >= 3; }, 5000));
        CHECK(settlesAt(reader, 5.82));
    }
    scale.say("tare");
    CHECK(settlesAt(reader, 0.0));
    scale.say("put 7.82");
    CHECK(settlesAt(reader, 2.0));
    // Switched off: the reading goes, and nobody is told an old one.
    scale.say("quit");
    CHECK(QTest::qWaitFor([&] { return !reader.mass_kg(); }, 8000));
}

TEST_CASE("weigh from the scale into a field and into a table, in any unit") {
    PractiseScale scale({"--put", "6.10", "--noise", "0.002"});
    Opened o;
    o.window.rail().choose(Step::Stock);
    // Without a scale F9 says where to find one.
    auto* mass = o.window.findChild<QLineEdit*>("/pieces/0/stock/sample/mass");
    REQUIRE(mass != nullptr);
    mass->setFocus();
    QTest::keyClick(mass, Qt::Key_F9);
    CHECK(o.window.message().contains("Shift+F9"));
    REQUIRE(o.window.bench().scale.open(scale.line).isEmpty());
    auto* button = o.window.findChild<QToolButton*>("/pieces/0/stock/sample/mass/scale");
    REQUIRE(button != nullptr);
    CHECK(QTest::qWaitFor([&] { return !button->isHidden(); }, 3000));
    QTest::keyClick(mass, Qt::Key_F9);
    CHECK(QTest::qWaitFor(
        [&] { return std::abs(o.design().pieces[0].stock.sample.mass_kg * 1e3 - 6.10) < 0.02; },
        12000));
    o.settle();
    // The scale shows ounces now; the field keeps grams.
    scale.say("unit oz");
    scale.say("put 0.66");
    REQUIRE(settlesAt(o.window.bench().scale, 0.66, 0.009));
    o.window.rail().choose(Step::Fittings);
    auto* table = o.window.findChild<QTableView*>("fittings");
    int column = -1;
    for (int c = 0; c < table->model()->columnCount(); ++c) {
        if (table->model()->headerData(c, Qt::Horizontal).toString().startsWith("Weighed")) {
            column = c;
        }
    }
    REQUIRE(column >= 0);
    table->setFocus();
    table->setCurrentIndex(table->model()->index(5, column));
    QTest::keyClick(table, Qt::Key_F9);
    CHECK(QTest::qWaitFor(
        [&] {
            const auto weighed = o.design().fittings[5].weighedMass_kg;
            return weighed && std::abs(*weighed * 1e3 - 0.66) < 0.02;
        },
        12000));
    INFO(o.window.message().toStdString());
    INFO(table->currentIndex().row() << " " << table->currentIndex().column() << " " << column);
    // An empty plate is not a mass.
    scale.say("put 0");
    REQUIRE(settlesAt(o.window.bench().scale, 0.0, 0.004));
    const auto before = o.design().fittings[5].weighedMass_kg;
    QTest::keyClick(table, Qt::Key_F9);
    REQUIRE(QTest::qWaitFor([&] { return o.window.message().contains("shows nothing"); }, 15000));
    CHECK(o.design().fittings[5].weighedMass_kg.value_or(0) * 1e3 ==
          Approx(before.value_or(0) * 1e3));
}

TEST_CASE("the scale window: practise, lay a load on, bad loads and lines are told") {
    Opened o;
    auto* dialog = static_cast<ScaleDialog*>(o.window.showScale());
    auto* port = dialog->findChild<QComboBox*>("scalePort");
    port->setEditText("/dev/no-such-line");
    dialog->findChild<QPushButton*>("connectScale")->click();
    auto* message = dialog->findChild<QLabel*>("scaleMessage");
    CHECK(message->text().startsWith(QStringLiteral("▲")));
    CHECK(QFile::exists(ScaleDialog::simulatorProgram()));
    dialog->findChild<QPushButton*>("practiseScale")->click();
    CHECK(QTest::qWaitFor([&] { return o.window.bench().scale.isOpen(); }, 8000));
    CHECK(settlesAt(o.window.bench().scale, 12.5));
    auto* load = dialog->findChild<QLineEdit*>("practiseLoad");
    load->setText("a lot");
    dialog->findChild<QPushButton*>("layOn")->click();
    CHECK(message->text().startsWith(QStringLiteral("▲")));
    load->setText("0.5 oz");
    dialog->findChild<QPushButton*>("layOn")->click();
    CHECK(settlesAt(o.window.bench().scale, 14.17));
    CHECK(o.text("scaleReading").contains(onScreen("14.1")));
    dialog->findChild<QPushButton*>("connectScale")->click();
    CHECK_FALSE(o.window.bench().scale.isOpen());
}

TEST_CASE("the shelf on screen: weigh several, refuse nonsense, the fittings follow") {
    Opened o;
    auto* shelf = static_cast<ShelfWindow*>(o.window.showShelf());
    auto* kind = shelf->findChild<QComboBox*>("shelfKind");
    kind->setCurrentIndex(int(ShelfKind::Treble));
    auto* view = shelf->findChild<QTableView*>("shelfTable");
    auto* model = static_cast<ShelfModel*>(view->model());
    const int row = model->rowOf("treble size 6");
    REQUIRE(row >= 0);
    view->setCurrentIndex(model->index(row, 0));
    shelf->findChild<QLineEdit*>("weighCount")->setText("10");
    shelf->findChild<QLineEdit*>("weighMass")->setText("5.7 g");
    shelf->findChild<QPushButton*>("weighShelf")->click();
    const ShelfEntry* hook = model->entryAt(model->rowOf("treble size 6"));
    REQUIRE(hook != nullptr);
    CHECK(*hook->mass_kg * 1e3 == Approx(0.57));
    CHECK(hook->weighed);
    CHECK(hook->source == "weighed: 10 = 5.70\u00A0g");
    auto* message = shelf->findChild<QLabel*>("shelfMessage");
    for (const auto& [count, mass] :
         {std::pair{"0", "5 g"}, {"two", "5 g"}, {"3", ""}, {"3", "5 mm"}, {"3", "0"}}) {
        shelf->findChild<QLineEdit*>("weighCount")->setText(count);
        shelf->findChild<QLineEdit*>("weighMass")->setText(mass);
        shelf->findChild<QPushButton*>("weighShelf")->click();
        INFO(count << " " << mass);
        CHECK(message->text().startsWith(QStringLiteral("▲")));
    }
    CHECK(*model->entryAt(model->rowOf("treble size 6"))->mass_kg * 1e3 == Approx(0.57));
    // Cells: a wrong unit and a number out of range leave the shelf as it is.
    const int size = model->columnOf("size");
    CHECK_FALSE(model->setData(model->index(row, size), "5 g", Qt::EditRole));
    CHECK(message->text().startsWith(QStringLiteral("▲")));
    CHECK_FALSE(model->setData(model->index(row, size), "5 km", Qt::EditRole));
    CHECK(model->setData(model->index(row, size), "3/4\"", Qt::EditRole));
    CHECK(*model->entryAt(model->rowOf("treble size 6"))->size_m == Approx(0.01905));
    CHECK_FALSE(model->setData(model->index(row, 0), "treble size 4", Qt::EditRole));
    CHECK(message->text().contains("already"));
    // What is put on the bait now is the weighed one.
    o.window.rail().choose(Step::Fittings);
    auto* add = o.window.findChild<QComboBox*>("addFitting");
    const int at = add->findText("treble size 6", Qt::MatchStartsWith);
    REQUIRE(at > 0);
    o.choose("addFitting", at);
    CHECK(o.design().fittings.back().weighedMass_kg.value_or(0) * 1e3 == Approx(0.57));
    // Add one like it, change, take off; the bait keeps its copy.
    view->setCurrentIndex(model->index(model->rowOf("treble size 6"), 0));
    shelf->findChild<QPushButton*>("addShelf")->click();
    CHECK(model->rowOf("treble size 6 2") >= 0);
    view->setCurrentIndex(model->index(model->rowOf("treble size 6"), 0));
    const size_t fittings = o.design().fittings.size();
    shelf->findChild<QPushButton*>("removeShelf")->click();
    CHECK(model->rowOf("treble size 6") < 0);
    CHECK(o.design().fittings.size() == fittings);
    // Out and in again.
    const QString path = o.folder.filePath("shelf.csv");
    CHECK(shelf->exportCsv(path));
    QFile file(path);
    REQUIRE(file.open(QIODevice::Append));
    file.write("treble,treble size 6,0.6,7.85,,,20,0.85,,,,,13,,,,,,,,,,,,,back again\n");
    file.close();
    CHECK(shelf->importCsv(path));
    CHECK(model->rowOf("treble size 6") >= 0);
    REQUIRE(file.open(QIODevice::WriteOnly));
    file.write("kind,name,mass_g\ntreble,bad,heavy\n");
    file.close();
    CHECK_FALSE(shelf->importCsv(path));
    CHECK(message->text().contains("2"));
}
