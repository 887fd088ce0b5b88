// From the steps to the finished bait: clocks, readings, evenings, mixes and finishes.
#include <QApplication>
#include <QComboBox>
#include <QMessageBox>
#include <QSpinBox>
#include <QTableWidget>
#include <QTimer>
#include <fstream>
#include <regex>

#include "app/views/finish_view.h"
#include "builds/calendar.h"
#include "core/making/build_steps.h"
#include "core/plan/plan_lead.h"
#include "gui/opened.h"
#include "gui/practise_scale.h"
#include "support/sample_bait.h"

using namespace wl;
using namespace wl::test;

namespace {

constexpr qint64 kMonday = 1796040000;  // 30 November 2026, noon in universal time

QTableWidget& stepsOf(Opened& o) {
    o.window.rail().choose(Step::Build);
    QCoreApplication::processEvents();
    auto* table = o.window.findChild<QTableWidget*>("buildSteps");
    REQUIRE(table != nullptr);
    return *table;
}

int rowOf(const QTableWidget& table, const QString& start) {
    for (int row = 0; row < table.rowCount(); ++row) {
        if (table.item(row, 1)->text().startsWith(start)) {
            return row;
        }
    }
    FAIL("no step " << start.toStdString());
    return -1;
}

}  // namespace

TEST_CASE("a bait is built step by step: clocks, a restart between, readings from the scale") {
    Opened o;
    BuildBook& book = o.window.bench().builds;
    const QString build = QString::fromStdString(o.design().name);
    REQUIRE_FALSE(book.forget(build));
    qint64 now = kMonday;
    book.setClock([&now] { return now; });
    QStringList notices;
    book.setNotify([&notices](const QString& words) { notices << words; });
    QTableWidget& table = stepsOf(o);
    const int first = 0;
    table.selectRow(first);
    CHECK(o.text("stepWords").contains("flat to drill from"));
    CHECK(o.text("stepWords").contains("vice"));
    o.click("stepStart");
    now += 300;
    o.click("stepPause");
    CHECK(o.text("stepClock") == "paused after 5 min");
    now += 3600;  // nothing runs meanwhile
    o.click("stepStart");
    now += 240;
    o.click("stepDone");
    CHECK(table.currentRow() == first + 1);
    table.selectRow(first);
    CHECK(o.text("stepClock") == "done in 9 min");
    CHECK(o.text("buildProgress").startsWith("1 of "));
    CHECK(o.text("buildProgress").contains("9 min of work so far"));
    CHECK(table.item(first, 4)->text() == "✓ done");

    // The bare body comes off the practise scale lighter than the drawing has it.
    const int weigh = rowOf(table, "Weigh the bare body");
    table.selectRow(weigh);
    const double expected = o.derived().mass->stages.drilledBody_kg;
    PractiseScale scale({"--put", QString::number(900 * expected, 'f', 2), "--noise", "0.002"});
    REQUIRE(o.window.bench().scale.open(scale.line).isEmpty());
    REQUIRE(settlesAt(o.window.bench().scale, 900 * expected));
    auto* read = o.window.findChild<QLineEdit*>("stepReading");
    QTest::keyClicks(read, "heavy");
    o.click("takeReading");
    CHECK(o.text("stepFault").startsWith("▲"));
    CHECK(read->text() == "heavy");
    auto* button = read->parentWidget()->findChild<QToolButton*>();
    REQUIRE(button != nullptr);
    button->click();
    REQUIRE(QTest::qWaitFor([&] { return o.text("stepVerdict").contains("lighter"); }, 15000));
    o.settle();
    CHECK(o.text("stepVerdict").contains("Plan the lead again"));
    CHECK(o.design().pieces[0].stock.weighedBody_kg.has_value());
    CHECK(o.derived().mass->stages.drilledBody_kg == Approx(0.9 * expected).epsilon(0.02));
    o.click("planAgain");
    CHECK(o.derived().rest->spare == Approx(o.design().brief.wantedSpare).margin(2e-3));
    o.window.bench().scale.close();

    // Sealer: done at noon, dry twelve hours on, the program closed in between.
    const int seal = rowOf(table, "Seal: sealer, coat 2");
    table.selectRow(seal);
    o.click("stepDone");
    now += 3 * 3600;
    table.selectRow(seal);
    CHECK(QTest::qWaitFor([&] { return o.text("stepClock").startsWith("dries since 3 h 00"); },
                          3000));
    CHECK(table.item(seal, 4)->text() == "drying");
    book.lookAtClocks();
    CHECK(notices.isEmpty());
    {
        QTemporaryDir folder;
        const QString path = folder.filePath("builds.sqlite");
        const BuildBook::Key key{"another", 1, "seal/0/0"};
        {
            BuildBook kept(
                path, [&now] { return now; }, [](const QString&) {});
            REQUIRE_FALSE(kept.begin(key));
            now += 60;
            REQUIRE_FALSE(kept.finish(key, 7200, "it has dried"));
        }
        now += 7100;
        QStringList said;
        BuildBook again(
            path, [&now] { return now; }, [&said](const QString& w) { said << w; });
        CHECK(again.recordOf(key).worked_s == Approx(60));
        again.lookAtClocks();
        CHECK(said.isEmpty());
        now += 100;
        again.lookAtClocks();
        again.lookAtClocks();
        CHECK(said == QStringList{"it has dried"});
        // Another window of the same book: what one tells, the other has told.
        QStringList theirs;
        BuildBook other(
            path, [&now] { return now; }, [&theirs](const QString& w) { theirs << w; });
        REQUIRE_FALSE(again.finish({"another", 2, "lead"}, 30, "the lead is set"));
        now += 31;
        again.lookAtClocks();
        other.lookAtClocks();
        CHECK(said.last() == "the lead is set");
        CHECK(theirs.isEmpty());
        CHECK(other.recordOf({"another", 2, "lead"}).told);
        // A book that cannot be kept says so and works on.
        BuildBook nowhere("/proc/no/such/place.sqlite");
        CHECK(nowhere.notices().size() == 1);
        CHECK_FALSE(nowhere.begin(key));
        CHECK(nowhere.recordOf(key).state == StepRecord::State::Working);
    }
    now += 12 * 3600;
    book.lookAtClocks();
    REQUIRE(notices.size() == 1);
    CHECK(notices[0].contains("Seal: sealer, coat 2 of 2 has dried"));
    CHECK(o.window.message().contains("has dried"));

    // Lead in, and 0.9 g too heavy: how much to drill out of which hole.
    const int lead = rowOf(table, "Put the lead in");
    table.selectRow(lead);
    read->setText(QString::number(1000 * o.derived().mass->stages.withLead_kg + 0.9, 'f', 2));
    o.click("takeReading");
    CHECK(o.text("stepVerdict").contains("heavier"));
    CHECK(o.text("stepVerdict").contains("drill"));
    const int last = table.rowCount() - 1;
    table.selectRow(last);
    read->setText("18.9 g");
    o.click("takeReading");
    CHECK(o.design().tank.readings.back().mass_kg == Approx(0.0189));
    table.selectRow(seal);
    o.click("stepBack");
    CHECK(table.item(seal, 4)->text().isEmpty());
    // Forgetting it all is asked first.
    for (const bool sure : {false, true}) {
        QTimer::singleShot(0, &table, [sure] {
            auto* box = qobject_cast<QMessageBox*>(QApplication::activeModalWidget());
            REQUIRE(box != nullptr);
            for (QAbstractButton* answer : box->buttons()) {
                if (answer->text().contains(sure ? "anew" : "Keep")) {
                    answer->click();
                    return;
                }
            }
        });
        o.click("buildAnew");
        CHECK(table.item(first, 4)->text().isEmpty() == sure);
    }
}

TEST_CASE("of several baits each body has its own lead, and the design stays that of the first") {
    Opened o;
    REQUIRE_FALSE(o.window.bench().builds.forget(QString::fromStdString(o.design().name)));
    QTableWidget& table = stepsOf(o);
    o.type("/building/baits", "2");
    stepsOf(o);
    o.tab("buildTabs", "Steps");
    o.window.findChild<QSpinBox*>("buildBait")->setValue(2);
    const int weigh = rowOf(table, "Weigh the bare body");
    table.selectRow(weigh);
    const double expected = o.derived().mass->stages.drilledBody_kg;
    auto* read = o.window.findChild<QLineEdit*>("stepReading");
    read->setText(QString::number(1060 * expected, 'f', 2));
    const Design before = o.design();
    o.click("takeReading");
    CHECK(o.design() == before);
    CHECK(o.text("stepVerdict").contains("Lead for this one: A: "));
    // That of the design weighed so.
    const double kg =
        readAmount(read->text().toStdString(), Quantity::Mass, o.window.bench().bench()).valueSi;
    const Design own = withReading(before, o.derived(), {ReadingOf::Body, expected, 0}, kg);
    const auto plan = planLead(own);
    REQUIRE(plan);
    CHECK(o.text("stepVerdict")
              .contains(o.window.bench().text(Quantity::Mass, plan->plugMasses_kg[0])));
    CHECK_FALSE(o.window.findChild<QAbstractButton*>("planAgain")->isVisible());
    read->setText("12 mm");
    o.click("takeReading");
    CHECK(o.text("stepFault").startsWith("▲"));
}

TEST_CASE("a batch over the evenings: tonight, a calendar, and what is done is left out") {
    Opened o;
    BuildBook& book = o.window.bench().builds;
    const QString build = QString::fromStdString(o.design().name);
    REQUIRE_FALSE(book.forget(build));
    book.setClock([] { return kMonday; });
    QTableWidget& steps = stepsOf(o);
    o.tab("buildTabs", "Evenings");
    o.type("/building/baits", "3");
    o.tab("buildTabs", "Evenings");
    o.beside("batchTab");
    auto* table = o.window.findChild<QTableWidget*>("batchSteps");
    CHECK(table->rowCount() == 3 * steps.rowCount());
    CHECK(o.text("tonight").contains("Drill from belly and back"));
    CHECK(o.text("batchDone").startsWith("Done "));
    const QString before = o.text("batchDone");
    auto* saturday = o.window.findChild<QCheckBox*>("benchDay5");
    const auto onSaturday = [table] {
        const QString day = QLocale().dayName(6, QLocale::ShortFormat);
        int steps_ = 0;
        for (int row = 0; row < table->rowCount(); ++row) {
            steps_ += table->item(row, 0)->text().startsWith(day) ? 1 : 0;
        }
        return steps_;
    };
    CHECK(onSaturday() == 0);
    saturday->click();
    o.beside("batchTab");
    CHECK(onSaturday() > 0);
    saturday->click();
    o.beside("batchTab");
    CHECK(o.text("batchDone") == before);
    const QString file = o.folder.filePath("bench.ics");
    o.window.findChild<QLineEdit*>("calendarPath")->setText(file);
    o.click("saveCalendar");
    std::ifstream in(file.toStdString());
    const std::string text((std::istreambuf_iterator<char>(in)), {});
    // Read by hand by RFC 5545: lines end in CRLF, an event for each step, in universal time.
    const std::regex event("BEGIN:VEVENT\r\n");
    CHECK(std::distance(std::sregex_iterator(text.begin(), text.end(), event),
                        std::sregex_iterator()) == table->rowCount());
    CHECK(std::regex_search(text, std::regex("DTSTART:2026(11|12)[0-9]{2}T[0-9]{6}Z\r\n")));
    const std::string one = calendarOf("bait", {{"step; one, two", 1796065200, 1796068800}});
    CHECK(one.find("DTSTART:20261130T190000Z") != std::string::npos);
    CHECK(one.find("SUMMARY:bait: step\\; one\\, two") != std::string::npos);
    // The first step of the first bait done: one less.
    REQUIRE_FALSE(book.finish({build, 0, "drill_bores"}, 0, "done"));
    o.beside("batchTab");
    CHECK(table->rowCount() == 3 * steps.rowCount() - 1);
    for (int day = 0; day < 7; ++day) {
        auto* tick = o.window.findChild<QCheckBox*>(QStringLiteral("benchDay%1").arg(day));
        tick->setChecked(false);
    }
    o.beside("batchTab");
    CHECK(o.text("tonight").startsWith("▲"));
    for (int day = 0; day < 5; ++day) {
        o.window.findChild<QCheckBox*>(QStringLiteral("benchDay%1").arg(day))->setChecked(true);
    }
    REQUIRE_FALSE(book.forget(build));
}

TEST_CASE("the mould is made once before anything is poured, and stays when baits are begun anew") {
    Opened o;
    BuildBook& book = o.window.bench().builds;
    book.setClock([] { return kMonday; });
    Design cast = o.design();
    cast.name = "cast copy";
    cast.make.kind = MakeKind::Cast;
    cast.building.baits = 2;
    o.window.bench().document.submit(cast, "cast");
    o.settle();
    REQUIRE_FALSE(book.forget("cast copy"));
    REQUIRE_FALSE(book.forget("cast copy", true));
    QTableWidget& steps = stepsOf(o);
    auto* bait = o.window.findChild<QSpinBox*>("buildBait");
    CHECK(bait->text() == "the mould");
    REQUIRE(steps.rowCount() == 5);
    steps.selectRow(rowOf(steps, "Bed the master"));
    CHECK(o.text("stepWords").contains("Box inside"));
    steps.selectRow(rowOf(steps, "Pour the second half"));
    CHECK(o.text("stepWords").contains("of silicone"));
    CHECK(o.text("stepWords").contains("⚠ Resin"));
    bait->setValue(1);
    QCoreApplication::processEvents();
    const int each = steps.rowCount();
    CHECK(steps.item(0, 1)->text() == "Mix and pour");
    o.tab("buildTabs", "Evenings");
    o.beside("batchTab");
    auto* batch = o.window.findChild<QTableWidget*>("batchSteps");
    CHECK(batch->rowCount() == 5 + 2 * each);
    CHECK(batch->item(0, 1)->text().startsWith("Bed the master"));
    const QString with = o.text("batchDone");
    // One was made for an earlier batch.
    o.tab("buildTabs", "Steps");
    bait->setValue(0);
    QCoreApplication::processEvents();
    o.click("mouldThere");
    CHECK(bait->value() == 1);
    o.tab("buildTabs", "Evenings");
    o.beside("batchTab");
    CHECK(batch->rowCount() == 2 * each);
    CHECK(o.text("batchDone") != with);
    REQUIRE_FALSE(book.forget("cast copy"));
    CHECK(mouldStands(book, o.design()));
    REQUIRE_FALSE(book.forget("cast copy", true));
    CHECK_FALSE(mouldStands(book, o.design()));
    // A bait that was poured shows that there is a mould.
    REQUIRE_FALSE(book.finish({"cast copy", 1, "pour"}, 0, "poured"));
    CHECK(mouldStands(book, o.design()));
    REQUIRE_FALSE(book.forget("cast copy"));
    // A carved one has none to choose.
    o.window.bench().document.undoStack()->undo();
    o.settle();
    o.tab("buildTabs", "Steps");
    CHECK(bait->minimum() == 1);
    CHECK_FALSE(o.window.findChild<QPushButton*>("mouldThere")->isVisible());
}

TEST_CASE("a copy weighed sets the next mix, and its lead is planned with it") {
    Opened o(1);
    stepsOf(o);
    o.tab("buildTabs", "Mould, amounts");
    o.beside("amountsTab");
    auto* mould = o.window.findChild<QTableWidget*>("mouldAmounts");
    REQUIRE(mould->rowCount() == 4);
    CHECK(mould->item(1, 1)->text().contains("cm³"));
    CHECK(o.window.findChild<QTableWidget*>("copyStates")->rowCount() == 3);
    CHECK(o.window.findChild<QTableWidget*>("coatAmounts")->rowCount() > 0);
    CHECK(o.text("nextCopy").contains("Weigh the first copy"));
    CHECK_FALSE(o.window.findChild<QAbstractButton*>("useNextCopy")->isEnabled());
    o.type("/make/mould/working_time", "90 s");
    o.tab("buildTabs", "Mould, amounts");
    o.beside("amountsTab");
    CHECK(o.text("pourWords").contains("sets before"));
    o.type("/make/mould/working_time", "2 min");
    o.tab("buildTabs", "Mould, amounts");
    o.beside("amountsTab");
    CHECK(o.text("pourWords").contains("One mixing"));
    const double asked = o.design().make.mix.wantedDensity_kg_m3;
    const double volume = o.derived().shape->reckoning.drawnVolume_m3;
    Design weighed = o.design();
    weighed.pieces[0].stock.weighedBody_kg = 0.9 * asked * volume;
    o.window.bench().document.submit(weighed, "weighed");
    o.settle();
    o.beside("amountsTab");
    REQUIRE(o.window.findChild<QAbstractButton*>("useNextCopy")->isEnabled());
    o.click("useNextCopy");
    CHECK_FALSE(o.design().pieces[0].stock.weighedBody_kg.has_value());
    CHECK(o.derived().shape->reckoning.usedDensity_kg_m3 == Approx(asked).epsilon(1e-3));
}

TEST_CASE("a finish is coloured, kept under a name, and put on another bait as one step") {
    Opened o;
    o.window.rail().choose(Step::Ballast);
    o.tab("ballastTabs", "Coats");
    auto* view = o.window.findChild<FinishView*>("finishView");
    REQUIRE(view != nullptr);
    const auto colourAt = [&](double aft, double down) {
        QCoreApplication::processEvents();
        const QImage image = view->grab().toImage();
        return image.pixelColor(int(aft * image.width()), int(down * image.height()));
    };
    Design d = o.design();
    Coat back;
    back.kind = CoatKind::Paint;
    back.name = "dark back";
    back.thickness_m = 2e-5;
    back.place = CoatPlace::Back;
    back.colour = "#103020";
    d.coats.push_back(back);
    back.name = "bright belly";
    back.place = CoatPlace::Belly;
    back.colour = "#f0e060";
    d.coats.push_back(back);
    o.window.bench().document.submit(d, "painted");
    o.settle();
    // Just within the outline over and under the middle: that is where the skin looks up or down.
    int top = 0, foot = view->height() - 1;
    const QColor ground = colourAt(0.01, 0.02);
    while (colourAt(0.4, (top + 0.5) / view->height()) == ground) {
        ++top;
    }
    while (colourAt(0.4, (foot + 0.5) / view->height()) == ground) {
        --foot;
    }
    CHECK(colourAt(0.4, (top + 4.5) / view->height()) == QColor("#103020"));
    CHECK(colourAt(0.4, (foot - 3.5) / view->height()) == QColor("#f0e060"));
    // 0.2 g on a flank against the bait's own stiffness: the drip as putty, reckoned whole.
    Design drip = o.design();
    BuildUp flank;
    flank.from = FeatureFrom::Side;
    flank.x_m = 0.4 * o.derived().shape->sizes.length_m;
    flank.y_m = 0.5 * o.derived().shape->sizes.maxWidth_m;
    flank.density_kg_m3 = d.coats.back().density_kg_m3;
    flank.weighedMass_kg = 0.2e-3;
    drip.buildUps.push_back(flank);
    const double leans = std::abs(evaluated(drip).rest->roll_rad);
    const double told =
        QLocale().toDouble(o.text("unevenCoat").section("by ", 1).section(QChar(0xB0), 0, 0));
    CHECK(told == Approx(leans / kDegree).epsilon(0.35).margin(0.15));
    auto* name = o.window.findChild<QComboBox*>("recipeName");
    o.click("keepRecipe");
    CHECK(o.window.message().contains("name first"));
    name->setEditText("Reed edge");
    o.click("keepRecipe");
    CHECK(o.window.message().contains("kept"));
    const std::vector<Coat> coats = o.design().coats;
    o.window.bench().document.undoStack()->setClean();
    o.window.openDemo(2);
    o.settle();
    o.window.rail().choose(Step::Ballast);
    o.tab("ballastTabs", "Coats");
    const Design before = o.design();
    name->setEditText("Reed edge");
    o.click("putRecipe");
    CHECK(o.design().coats == coats);
    o.window.bench().document.undoStack()->undo();
    CHECK(o.design() == before);
    name->setEditText("nobody's");
    CHECK_FALSE(o.window.findChild<QAbstractButton*>("putRecipe")->isEnabled());
    REQUIRE_FALSE(o.window.bench().builds.removeRecipe("Reed edge"));
    Design odd = o.design();
    odd.coats[0].colour = "reddish";
    CHECK(findingOf(evaluated(odd), "coat.not_a_colour"));
}
