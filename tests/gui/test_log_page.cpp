// The water log as a maker uses it: a note in a few taps, what it teaches, copies, trouble,
// finding.
#include <QDialog>
#include <QHeaderView>
#include <QListWidget>
#include <QProcess>
#include <QSpinBox>
#include <QStandardPaths>
#include <QTableWidget>
#include <QTimer>
#include <fstream>
#include <functional>

#include "app/dialogs/float_photo_dialog.h"
#include "app/dialogs/logger_dialog.h"
#include "app/dialogs/small_water_dialog.h"
#include "app/kit/learner.h"
#include "app/views/run_strip.h"
#include "core/learn/log_readings.h"
#include "files/design_file.h"
#include "gui/log_opened.h"
#include "gui/seen_whole.h"
#include "io/depth_trace.h"

using namespace wl;
using namespace wl::test;

TEST_CASE("a depth is logged with two taps and a figure, with what was foretold beside it") {
    LogOpened o;
    const size_t old = o.log().notes.size();
    CHECK(old >= 3);  // the tests that stand in the demo itself
    o.begin("2026-05-01", "mill pool");
    CHECK(o.text("outingWords").contains("mill pool"));
    o.press("note_depth");
    CHECK(o.text("noteForetold").contains("nine times in ten"));
    o.put("noteLow", onScreen("1.9"));
    // Unfinished, it survives.
    CHECK(o.window.bench().log.draft("low") == onScreen("1.9"));
    QTest::keyClick(o.window.findChild<QLineEdit*>("noteLow"), Qt::Key_Return);
    REQUIRE(o.log().notes.size() == old + 1);
    const LogNote& note = o.log().notes.back();
    CHECK(*note.low == Approx(1.9));
    CHECK(*note.reckoned == Approx(o.window.bench().results()->run->path.maxDepth_m).epsilon(0.05));
    CHECK(*note.foretoldLow < *note.foretold);
    CHECK(o.window.bench().log.draft("low").isEmpty());
    CHECK(o.log().outing(note.outing)->place == "mill pool");
    CHECK(o.log().bait(o.design().name)->family.rfind("in_line_lip", 0) == 0);
    CHECK(readDesign(o.log().bait(o.design().name)->design).ok());
    // A test that came in from the design and was taken out again does not come back.
    const std::int64_t first = o.log().notes.front().id;
    REQUIRE_FALSE(o.window.bench().log.remove<LogNote>(first));
    o.window.rail().choose(Step::Brief);
    o.window.rail().choose(Step::WaterLog);
    CHECK(o.log().notes.front().id != first);
    CHECK(o.log().notes.size() == old);
    // A bad figure stays where it was typed, with the reason beside it.
    o.press("note_depth");
    o.put("noteLow", "deep");
    o.press("logIt");
    CHECK(o.log().notes.size() == old);
    CHECK(o.text("noteLow/fault").startsWith("▲"));
    CHECK(o.window.findChild<QLineEdit*>("noteLow")->text() == "deep");
    // Caught, in words.
    o.press("note_catch");
    o.put("noteWords", "pike by the reeds");
    o.press("logIt");
    CHECK(o.log().notes.back().kind == NoteKind::Catch);
    CHECK(o.table("baitNotes").rowCount() == int(old) + 1);
}

TEST_CASE("three days narrow the band and say which way it is off, and leaving one out undoes it") {
    LogOpened o;
    const double reckoned = Learner::of(o.window.bench()).figure(NoteKind::Depth)->reckoned;
    const auto band = [&] {
        const LearntFigure* f = Learner::of(o.window.bench()).figure(NoteKind::Depth);
        return f->high() / f->low();
    };
    const double book = band();
    for (const char* day : {"2026-05-01", "2026-05-02", "2026-05-03"}) {
        o.begin(day, "mill pool");
        o.press("note_depth");
        o.put("noteLow", onScreen(QString::number(0.82 * reckoned, 'f', 2)));
        o.press("logIt");
        o.learnt();
    }
    o.tab("logTabs", "Next time");
    CHECK(o.text("learntSaid").contains("shallower"));
    CHECK(o.text("learntNext").contains("another day"));
    CHECK(band() < 0.7 * book);
    CHECK(o.table("learntTable").item(0, 4)->text() == "3");
    const double learnt = band();
    // The run, the rail and the ways of the aim are told as the readings have it.
    const RunStrip& strip = *o.window.findChild<RunStrip*>("runStrip");
    CHECK(strip.headline().contains("by your log, reckoned"));
    const double seen = reckoned * Learner::of(o.window.bench()).taught(NoteKind::Depth)->middle;
    CHECK(seen < 0.95 * reckoned);
    CHECK(strip.headline().contains(o.window.bench().text(Quantity::Distance, seen)));
    o.window.rail().choose(Step::Aim);
    o.tab("aimTabs", "Ways");
    o.beside("waysTab");
    CHECK(o.text("aimCeiling").contains("By your log: depth times 0"));
    o.tab("aimTabs", "Why");
    o.beside("whyPart");
    CHECK(o.text("whyByLog").contains("by your log's readings"));
    o.window.rail().choose(Step::WaterLog);
    o.tab("logTabs", "Next time");
    // Off: the book again.
    o.press("learns");
    o.learnt();
    CHECK(band() == Approx(book).epsilon(1e-6));
    CHECK_FALSE(strip.headline().contains("by your log"));
    o.press("learns");
    o.learnt();
    CHECK(band() == Approx(learnt).epsilon(1e-6));
    o.tab("logTabs", "At the water");
    o.table("baitNotes").selectRow(0);
    o.press("noteLeave");
    o.learnt();
    CHECK(band() > 1.02 * learnt);
    o.table("baitNotes").selectRow(0);
    o.press("noteLeave");
    // In feet by mistake: pointed out.
    o.begin("2026-05-04", "mill pool");
    o.press("note_depth");
    o.put("noteLow", onScreen(QString::number(0.82 * 3.281 * reckoned, 'f', 2)));
    o.press("logIt");
    o.learnt();
    o.tab("logTabs", "Next time");
    CHECK(o.text("learntOdd").contains("feet"));
    // Taken out, it can be put back.
    o.tab("logTabs", "At the water");
    const size_t all = o.log().notes.size();
    o.table("baitNotes").selectRow(0);
    o.press("noteRemove");
    CHECK(o.log().notes.size() == all - 1);
}

TEST_CASE("a bait under a new name takes its notes along, and a new bait begins its own") {
    LogOpened o;
    auto& offer = *o.window.findChild<QWidget*>("nameBefore");
    CHECK_FALSE(offer.isVisible());  // nothing is logged at all
    o.begin("2026-05-01", "mill pool");
    o.press("note_depth");
    o.put("noteLow", onScreen("1.9"));
    o.press("logIt");
    const QString old = QString::fromStdString(o.design().name);
    BuildBook& builds = o.window.bench().builds;
    REQUIRE_FALSE(builds.finish({old, 0, "weigh_body"}, 0, "weighed"));
    CHECK_FALSE(offer.isVisible());
    Design renamed = o.design();
    renamed.name = "Weir <b>diver</b>";
    o.window.bench().document.submit(renamed, "renamed");
    o.settle();
    REQUIRE(offer.isVisible());
    CHECK(o.text("nameBeforeAsks").contains("“Weir <b>diver</b>”"));
    auto* names = o.window.findChild<QComboBox*>("nameBeforeNames");
    auto* take = o.window.findChild<QPushButton*>("nameBeforeTake");
    CHECK_FALSE(take->isEnabled());  // nothing is chosen for one
    REQUIRE(names->findText(old) > 0);
    names->setCurrentIndex(names->findText(old));
    // What was chosen for one bait is not chosen for the next, nor is its factor another's.
    o.learnt();
    CHECK(Learner::of(o.window.bench()).taught(NoteKind::Depth).has_value());  // by its kin
    Design next = renamed;
    next.name = "Weir diver, second";
    o.window.bench().document.submit(next, "another");
    CHECK_FALSE(Learner::of(o.window.bench()).taught(NoteKind::Depth).has_value());
    o.settle();
    CHECK_FALSE(take->isEnabled());
    o.window.bench().document.undoStack()->undo();
    o.settle();
    names->setCurrentIndex(names->findText(old));
    take->click();
    QCoreApplication::processEvents();
    CHECK_FALSE(offer.isVisible());
    CHECK(o.log().notes.back().bait == renamed.name);
    CHECK(builds.recordOf({QString::fromStdString(renamed.name), 0, "weigh_body"}).state ==
          StepRecord::State::Done);
    o.learnt();
    CHECK(Learner::of(o.window.bench()).taught(NoteKind::Depth).has_value());
    // And back again.
    o.window.bench().document.undoStack()->undo();
    o.settle();
    REQUIRE(offer.isVisible());
    names->setCurrentIndex(1);
    take->click();
    QCoreApplication::processEvents();
    CHECK(o.log().notes.back().bait == old.toStdString());
    REQUIRE_FALSE(builds.forget(old));
}

TEST_CASE("beats are counted off a film and a sink rate off the watch, with their error") {
    LogOpened o;
    o.press("note_beats");
    o.put("noteHelper0", "10");
    o.put("noteHelper1", "300");
    o.put("noteHelper2", "120");
    QTest::keyClick(o.window.findChild<QLineEdit*>("noteHelper2"), Qt::Key_Return);
    CHECK(o.window.findChild<QLineEdit*>("noteLow")->text() == "4");
    CHECK(o.text("noteHelperWords").contains("frame"));
    o.press("logIt");
    CHECK(*o.log().notes.back().low == Approx(4.0));
    // The swim that is played and told goes by it from now on.
    o.learnt();
    o.window.rail().choose(Step::Swim);
    o.beside("swimPart");
    CHECK(o.text("swimWords").contains("by your log"));
    o.window.rail().choose(Step::WaterLog);
    o.press("note_sink");
    o.put("noteHelper0", onScreen("1.5"));
    o.put("noteHelper1", "10");
    QTest::keyClick(o.window.findChild<QLineEdit*>("noteHelper1"), Qt::Key_Return);
    o.press("logIt");
    CHECK(*o.log().notes.back().low == Approx(0.15));
}

TEST_CASE("a bath and a small tank are told for what they show, and stand in the log as words") {
    LogOpened o;
    const auto opened = [&](const std::function<void(SmallWaterDialog&)>& work) {
        QTimer::singleShot(0, [&] {
            REQUIRE(
                QTest::qWaitFor([] { return QApplication::activeModalWidget() != nullptr; }, 5000));
            auto* dialog = qobject_cast<SmallWaterDialog*>(QApplication::activeModalWidget());
            REQUIRE(dialog != nullptr);
            work(*dialog);
        });
        o.press("noteSmallWater");
    };
    const auto type = [](SmallWaterDialog& dialog, const char* name, const QString& text) {
        auto* line = dialog.findChild<QLineEdit*>(QLatin1String(name));
        REQUIRE(line != nullptr);
        line->setText(text);
        emit line->editingFinished();
    };
    const auto words = [](SmallWaterDialog& dialog) {
        return dialog.findChild<QLabel*>("smallWaterWords")->text();
    };
    opened([&](SmallWaterDialog& dialog) {
        type(dialog, "bathHand", "90 cm");
        type(dialog, "bathLine", "1 m");
        CHECK(words(dialog).contains("climbs"));
        CHECK(whatIsCut(dialog).isEmpty());
        // Longer up than along is no line; nothing of it is taken.
        type(dialog, "bathHand", "1.2 m");
        CHECK(dialog.findChild<QLabel*>("bathLine/fault")->text().contains("no longer than"));
        CHECK(dialog.findChild<QLabel*>("bathLine/fault")->isVisible());
        CHECK(words(dialog).isEmpty());
        CHECK_FALSE(dialog.findChild<QPushButton*>("smallWaterTake")->isEnabled());
        type(dialog, "bathHand", "high");
        CHECK(dialog.findChild<QLabel*>("bathHand/fault")->isVisible());
        CHECK(dialog.findChild<QLineEdit*>("bathHand")->text() == "high");
        dialog.reject();
    });
    opened([&](SmallWaterDialog& dialog) {
        dialog.findChild<QComboBox*>("smallWaterWhere")->setCurrentIndex(1);
        type(dialog, "tankFilled", "1 l");
        type(dialog, "tankFillTime", "4");
        type(dialog, "tankOutlet", "16 mm");
        type(dialog, "tankAway", "15 cm");
        type(dialog, "tankBeats", "5");
        CHECK(words(dialog).contains("belong to"));
        QCoreApplication::processEvents();
        INFO(whatIsCut(dialog).join('\n').toStdString());
        CHECK(whatIsCut(dialog).isEmpty());
        dialog.findChild<QPushButton*>("smallWaterTake")->click();
    });
    CHECK(o.window.sheet()->findChild<QLineEdit*>("noteWords")->text().contains("stream"));
    o.press("logIt");
    CHECK(o.log().notes.back().kind == NoteKind::Remark);
    CHECK(o.log().notes.back().words.find("stream") != std::string::npos);
    opened([&](SmallWaterDialog& dialog) {  // as it was left
        CHECK(dialog.findChild<QComboBox*>("smallWaterWhere")->currentIndex() == 1);
        CHECK(dialog.findChild<QLineEdit*>("tankBeats")->text() == "5");
        dialog.findChild<QComboBox*>("smallWaterWhere")->setCurrentIndex(0);
        dialog.reject();
    });
}

TEST_CASE("a depth comes out of a logger's file, and how it floats out of a photograph") {
    LogOpened o;
    const std::string table = o.folder.filePath("trace.csv").toStdString();
    std::ofstream(table) << practiseTrace(o.window.bench().results()->run->path, 3, 1);
    o.press("note_depth");
    o.put("noteFile", QString::fromStdString(table));
    QTimer::singleShot(0, [&] {
        REQUIRE(QTest::qWaitFor([] { return QApplication::activeModalWidget() != nullptr; }, 5000));
        auto* dialog = qobject_cast<LoggerDialog*>(QApplication::activeModalWidget());
        REQUIRE(dialog != nullptr);
        CHECK(dialog->casts() == 3);
        dialog->grab();
        dialog->findChild<QPushButton*>("loggerTake")->click();
    });
    o.press("noteFromFile");
    o.press("logIt");
    CHECK(*o.log().notes.back().low ==
          Approx(o.window.bench().results()->run->path.maxDepth_m).epsilon(0.1));
    CHECK(o.log().notes.back().words.find("logger") != std::string::npos);
    // A picture 1000 by 500: 0.2 m across, the bait nose down by 5 degrees.
    const QString picture = o.folder.filePath("afloat.png");
    QImage image(1000, 500, QImage::Format_RGB32);
    image.fill(Qt::white);
    REQUIRE(image.save(picture));
    o.press("note_nose");
    o.put("noteFile", picture);
    QTimer::singleShot(0, [&] {
        REQUIRE(QTest::qWaitFor([] { return QApplication::activeModalWidget() != nullptr; }, 5000));
        auto* dialog = qobject_cast<FloatPhotoDialog*>(QApplication::activeModalWidget());
        REQUIRE(dialog != nullptr);
        auto& canvas = dialog->canvas();
        using Pair = MarkCanvas::Pair;
        CHECK_FALSE(dialog->findChild<QPushButton*>("photoTake")->isEnabled());
        const double half = 0.5 * o.derived().shape->sizes.length_m / 0.2;
        // Clicked where a hand would.
        const auto click = [&](Pair pair, double across, double down) {
            dialog->findChild<QComboBox*>("photoPair")->setCurrentIndex(int(pair));
            QTest::mouseClick(&canvas, Qt::LeftButton, {},
                              canvas.toPaper({across, down}).toPoint());
        };
        click(Pair::Scale, 0.25, 0.4);
        click(Pair::Scale, 0.75, 0.4);
        click(Pair::Water, 0.1, 0.25);
        click(Pair::Water, 0.9, 0.25);
        canvas.setMarks(Pair::Axis,
                        {{0.5 - half * std::cos(0.0873), 0.26 + half * std::sin(0.0873)},
                         {0.5 + half * std::cos(0.0873), 0.26 - half * std::sin(0.0873)}});
        click(Pair::Back, 0.45, 0.22);
        REQUIRE(dialog->seen());
        dialog->grab();
        dialog->findChild<QPushButton*>("photoTake")->click();
    });
    o.press("noteFromFile");
    const auto& notes = o.log().notes;
    REQUIRE(notes.size() >= 2);
    CHECK(notes[notes.size() - 2].kind == NoteKind::Nose);
    CHECK(*notes[notes.size() - 2].low < 0);
    CHECK(notes.back().kind == NoteKind::Showing);
    CHECK(*notes.back().low == Approx(0.006).margin(0.001));
}

TEST_CASE(
    "a copy changed in another window is seen, what was typed stands, a bait put in twice is one") {
    LogOpened o;
    LogBook other(QStandardPaths::writableLocation(QStandardPaths::AppDataLocation) +
                  "/water-log.sqlite");
    // The other window is first with the bait, and knows its family better.
    LogBait bait;
    bait.bait = o.design().name;
    bait.family = "a family of its own";
    for (const LogBait& own : std::vector<LogBait>(o.log().baits)) {
        REQUIRE_FALSE(o.window.bench().log.remove<LogBait>(own.id));
    }
    REQUIRE_FALSE(other.put(bait));
    o.tab("logTabs", "Copies");
    o.press("copyAdd");
    REQUIRE(o.log().baits.size() == 1);
    CHECK(o.log().baits[0].family == "a family of its own");
    CHECK(readDesign(o.log().baits[0].design).value().name == o.design().name);
    REQUIRE(o.log().copies.size() == 1);

    const auto changeThere = [&](const char* where) {
        REQUIRE(QTest::qWaitFor([&] { return other.log().copies == o.log().copies; }, 20000));
        LogCopy copy = other.log().copies.at(0);
        copy.where = where;
        REQUIRE_FALSE(other.put(copy));
        REQUIRE(QTest::qWaitFor([&] { return o.log().copies.at(0).where == where; }, 20000));
    };
    auto* line = o.window.findChild<QLineEdit*>("copyWhere");
    changeThere("to a cousin");
    CHECK(line->text() == "to a cousin");
    CHECK_FALSE(o.text("copyFault").contains("another window"));
    o.put("copyWhere", "in the blue box");
    changeThere("to an uncle");
    CHECK(line->text() == "in the blue box");
    CHECK(o.text("copyFault").contains("another window"));
    o.press("copyKeep");
    CHECK(o.log().copies[0].where == "in the blue box");
    CHECK(o.window.findChild<QLabel*>("copyFault")->isHidden());
}

TEST_CASE("copies have a number, what deviates, where they are, and are held against each other") {
    LogOpened o;
    o.tab("logTabs", "Copies");
    CHECK(o.text("copyWords").contains("No copy"));
    o.press("copyAdd");
    o.press("copyAdd");
    REQUIRE(o.log().copies.size() == 2);
    CHECK(o.log().copies[1].number == 2);
    CHECK(o.log().copies[0].hooks.find("treble") != std::string::npos);
    o.put("copyMass", onScreen(QString::number(1000 * o.derived().mass->mass_kg + 3, 'f', 2)));
    o.put("copyWhere", "to a neighbour");
    o.window.findChild<QComboBox*>("copyPlace")->setCurrentIndex(1);
    o.press("copyKeep");
    CHECK(o.log().copies[1].place == CopyPlace::Lent);
    CHECK(o.table("copies").item(1, 1)->text().endsWith("▲"));
    o.put("copyMass", "heavy");
    o.press("copyKeep");
    CHECK(o.text("copyMass/fault").startsWith("▲"));
    // Read side by side on two days, four times each: told apart.
    o.tab("logTabs", "At the water");
    for (const char* day : {"2026-05-01", "2026-05-02"}) {
        o.begin(day, "mill pool");
        for (int round = 0; round < 2; ++round) {
            for (const int copy : {1, 2}) {
                o.window.findChild<QSpinBox*>("noteCopy")->setValue(copy);
                o.learnt();
                o.press("note_depth");
                o.put("noteLow", onScreen(copy == 1 ? "2.20" : "1.45"));
                o.press("logIt");
                o.learnt();
            }
        }
    }
    o.tab("logTabs", "Copies");
    CHECK(o.text("copyWords").contains("deeper"));
    CHECK(o.table("copies").item(0, 4)->text().contains("→"));
    const QString cards = o.folder.filePath("cards.pdf");
    o.put("cardsPath", cards);
    o.press("copyCards");
    QProcess words;
    words.start("pdftotext", {cards, "-"});
    REQUIRE(words.waitForFinished(10000));
    const QString printed = QString::fromUtf8(words.readAllStandardOutput());
    CHECK(printed.contains("copy 1"));
    CHECK(printed.contains("copy 2"));
    // Deepest last, then first.
    emit o.table("copies").horizontalHeader()->sectionClicked(4);
    CHECK(o.table("copies").item(0, 0)->text() == "2");
    emit o.table("copies").horizontalHeader()->sectionClicked(4);
    CHECK(o.table("copies").item(0, 0)->text() == "1");
    o.table("copies").selectRow(1);
    o.press("copyRemove");
    CHECK(o.log().copies.size() == 1);
}

TEST_CASE("from trouble to a cause that is logged and remembered") {
    LogOpened o;
    o.tab("logTabs", "Trouble");
    o.beside("troubleTab");
    CHECK(o.table("causes").rowCount() >= 3);
    o.window.findChild<QCheckBox*>("swamRight")->setChecked(true);
    const double mass = o.derived().mass->mass_kg * 1e3;
    o.put("troubleDry", onScreen(QString::number(mass, 'f', 2)));
    o.put("troubleSoaked", onScreen(QString::number(mass + 0.35, 'f', 2)));
    QTest::keyClick(o.window.findChild<QLineEdit*>("troubleSoaked"), Qt::Key_Return);
    o.window.findChild<QComboBox*>("troubleSpare")->setCurrentIndex(2);
    CHECK(o.table("causes").item(0, 0)->text().contains("water got in"));
    CHECK(o.table("causes").item(0, 1)->text() == "likely");
    CHECK(o.text("causeNext").contains("Look at next"));
    o.table("causes").selectRow(0);
    o.press("causeWas");
    CHECK(o.log().notes.back().cause == "waterlogged");
    CHECK(o.log().notes.back().kind == NoteKind::Tuned);
    const LogNote& trouble = o.log().notes[o.log().notes.size() - 2];
    CHECK(trouble.kind == NoteKind::Symptom);
    CHECK(trouble.words.find("a bit low") != std::string::npos);
    o.beside("troubleTab");
    o.press("troubleClear");
    CHECK(o.window.findChild<QComboBox*>("troubleSpare")->currentIndex() == 0);
}

TEST_CASE("the log finds, and goes out as a table and in again") {
    LogOpened o;
    o.begin("2026-05-01", "mill pool");
    o.press("note_catch");
    o.put("noteWords", "pike by the reeds");
    o.press("logIt");
    o.tab("logTabs", "All notes");
    o.put("findWords", "REEDS");
    CHECK(o.table("foundNotes").rowCount() == 1);
    CHECK(o.text("foundCount").startsWith("one"));
    o.window.findChild<QLineEdit*>("findWords")->clear();
    o.window.findChild<QComboBox*>("findKind")->setCurrentIndex(1 + int(NoteKind::Catch));
    CHECK(o.table("foundNotes").rowCount() == 1);
    const QString file = o.folder.filePath("log.csv");
    o.put("logPath", file);
    o.press("logSave");
    const size_t all = o.log().notes.size();
    o.press("logTake");
    CHECK(o.log().notes.size() == all);
    const LogNote last = o.log().notes.back();
    REQUIRE_FALSE(o.window.bench().log.remove<LogNote>(last.id));
    o.press("logTake");
    CHECK(o.log().notes.size() == all);
    std::ofstream(file.toStdString()) << "what,hat\n";
    o.press("logTake");
    CHECK(o.log().notes.size() == all);
}
