// Document, worker and recovery, without the window.
#include <sys/resource.h>
#include <QCoreApplication>
#include <QDir>
#include <QProcess>
#include <QSignalSpy>
#include <QTemporaryDir>
#include <QTest>
#include <catch2/catch.hpp>
#include <csignal>

#include "core/design/fields.h"
#include "files/design_file.h"
#include "session/beside.h"
#include "session/evaluator.h"
#include "session/guard.h"
#include "session/recovery.h"
#include "support/sample_bait.h"

using namespace wl;
using namespace wl::test;

TEST_CASE("edits of one gesture fold, of two gestures do not, and undo is exact") {
    Document document;
    document.replace(demoDesign(), {}, false);
    const Design start = *document.design();
    for (int i = 1; i <= 5; ++i) {
        document.setField("/lip/length", 0.02 + 0.001 * i);
    }
    document.endGesture();
    document.setField("/lip/length", 0.03);
    document.setField("/lip/width", 0.02);
    CHECK(document.undoStack()->count() == 3);
    document.undoStack()->undo();
    document.undoStack()->undo();
    CHECK(document.design()->lip.length_m == Approx(0.025));
    document.undoStack()->undo();
    CHECK(*document.design() == start);
    document.endGesture();
    document.setField("/lip/length", 0.03);
    document.setField("/lip/length", start.lip.length_m);
    CHECK(document.undoStack()->count() == 0);  // there and back is no step
}

TEST_CASE("a stream of edits is followed while it runs, and the newest wins") {
    Evaluator evaluator;
    QSignalSpy changed(&evaluator, &Evaluator::resultsChanged);
    Design d = demoDesign();
    quint64 revision = 0;
    int shownDuring = 0;
    // Edits keep coming, faster than they are reckoned, until six results were shown among them:
    // a reckoning that each edit stopped would show none, however long the drag or slow the
    // machine.
    for (int i = 0; i < 4000 && (i < 60 || shownDuring <= 5); ++i) {
        d.lip.angle_rad = (15 + 0.2 * (i % 60)) * kDegree;
        evaluator.request(++revision, std::make_shared<const Design>(d));
        const auto before = changed.count();
        QTest::qWait(5);  // pace of a drag
        shownDuring += changed.count() > before;
    }
    CHECK(shownDuring > 5);
    REQUIRE(QTest::qWaitFor([&] { return evaluator.isSettled(); }, 30000));
    CHECK(evaluator.latest()->revision == revision);
    CHECK(*evaluator.latest()->design == d);
}

TEST_CASE(
    "what a log teaches of sinking is taken up for that bait alone, and nothing goes meanwhile") {
    Evaluator evaluator;
    const auto drawn = std::make_shared<const Design>(demoNamed("lipless"));
    evaluator.request(1, drawn);
    REQUIRE(QTest::qWaitFor([&] { return evaluator.isSettled(); }, 30000));
    const double reckoned = evaluator.latest()->derived->wantedMass_kg;
    bool whole = true;
    QObject::connect(&evaluator, &Evaluator::resultsChanged, &evaluator, [&] {
        const ResultsPtr r = evaluator.latest();
        whole = whole && r->run && r->swim && r->cast_m;
    });
    const auto seen = [&](double times) {
        return QTest::qWaitFor([&] { return evaluator.latest()->derived->sinkSeen == times; },
                               30000);
    };
    evaluator.setSinkSeen("another bait", 2.0);
    evaluator.setSinkSeen(drawn->name, 1.4);
    REQUIRE(seen(1.4));
    CHECK(evaluator.latest()->derived->wantedMass_kg < reckoned);
    evaluator.setSinkSeen("another bait", 2.0);
    REQUIRE(seen(1.0));
    CHECK(evaluator.latest()->derived->wantedMass_kg == reckoned);
    CHECK(whole);
    // Under another name it is another bait.
    evaluator.setSinkSeen(drawn->name, 1.4);
    Design other = *drawn;
    other.name = "not fished yet";
    evaluator.request(2, std::make_shared<const Design>(other));
    REQUIRE(QTest::qWaitFor([&] { return evaluator.isSettled(); }, 30000));
    CHECK(evaluator.latest()->derived->sinkSeen == 1.0);
    CHECK(evaluator.latest()->derived->wantedMass_kg == reckoned);
}

TEST_CASE("work left by a window that died is found - a living window's is not") {
    QTemporaryDir folder;
    Document mine;
    mine.replace(demoDesign(), {}, false);
    Recovery alive(mine, folder.path());
    mine.setField("/brief/cast_length", 33.0);
    alive.keepNow();
    Document other;
    Recovery second(other, folder.path());
    CHECK(second.findLeftBehind().empty());  // held by `alive`

    // What a killed window leaves: a copy without a lock held by anyone.
    const QStringList kept = QDir(folder.path()).entryList({"*.wade"});
    REQUIRE(kept.size() == 1);
    QFile::copy(folder.filePath(kept[0]), folder.filePath("dead.wade"));
    QFile broken(folder.filePath("broken.wade"));
    REQUIRE(broken.open(QIODevice::WriteOnly));
    broken.write("{");
    broken.close();
    QFile::copy(folder.filePath(kept[0]), folder.filePath("dead-too.wade"));
    {
        const auto left = second.findLeftBehind();  // both are offered
        REQUIRE(left.size() == 2);
        CHECK(left[0].design.brief.castLength_m == Approx(33));
        Document third;
        Recovery other2(third, folder.path());
        CHECK(other2.findLeftBehind().empty());  // offered here, so not there
        second.discard(left[0]);
    }
    CHECK(second.findLeftBehind().size() == 1);
    second.discard(second.findLeftBehind().front());
    CHECK(second.findLeftBehind().empty());
    CHECK(second.unreadable().size() == 1);
    CHECK(QFile::exists(folder.filePath("broken.wade.unreadable")));
    alive.finish();
    CHECK(QDir(folder.path()).entryList({"*.wade"}).isEmpty());
}

TEST_CASE("steady work is kept: a copy is written while edits go on and on") {
    QTemporaryDir folder;
    Document document;
    document.replace(demoDesign(), {}, false);
    Recovery recovery(document, folder.path());
    int edits = 0;
    QTimer hand;
    QObject::connect(&hand, &QTimer::timeout, [&] {
        document.setField("/brief/cast_length", 20.0 + 0.01 * (++edits % 500));
    });
    hand.start(40);  // never at rest as long as the copy takes to be due
    REQUIRE(QTest::qWaitFor([&] { return !QDir(folder.path()).entryList({"*.wade"}).isEmpty(); },
                            20000));
    CHECK(hand.isActive());
    hand.stop();
    recovery.finish();
}

TEST_CASE("a copy that cannot be written is told once, and the one before it stays") {
    QTemporaryDir folder;
    Document document;
    document.replace(demoDesign(), {}, false);
    Recovery recovery(document, folder.path());
    QSignalSpy failed(&recovery, &Recovery::failed);
    document.setField("/brief/cast_length", 33.0);
    REQUIRE_FALSE(recovery.keepNow());
    const QString kept = folder.filePath(QDir(folder.path()).entryList({"*.wade"}).front());
    {
        std::signal(SIGXFSZ, SIG_IGN);
        rlimit before{}, small{};
        getrlimit(RLIMIT_FSIZE, &before);
        small = before;
        small.rlim_cur = 200;  // as on a full disk
        setrlimit(RLIMIT_FSIZE, &small);
        document.setField("/brief/cast_length", 34.0);
        CHECK(recovery.keepNow());
        CHECK(recovery.keepNow());
        CHECK(document.save(folder.filePath("mine.wade"))->code == "file.cannot_write");
        setrlimit(RLIMIT_FSIZE, &before);
    }
    CHECK(failed.count() == 1);
    CHECK(loadDesign(kept.toStdString())->brief.castLength_m == Approx(33));
    CHECK(document.isModified());
    // Saved, the copy goes; the file gone again, a copy is wanted although nothing was edited.
    REQUIRE_FALSE(document.save(folder.filePath("mine.wade")));
    REQUIRE_FALSE(recovery.keepNow());
    CHECK_FALSE(QFile::exists(kept));
    QFile::remove(folder.filePath("mine.wade"));
    REQUIRE_FALSE(recovery.keepNow());
    CHECK(QFile::exists(kept));
}

TEST_CASE("two windows with one file: the second to save is asked, not obeyed") {
    QTemporaryDir folder;
    const QString path = folder.filePath("bait.wade");
    Document one, two;
    one.replace(demoDesign(), {}, true);
    REQUIRE_FALSE(one.save(path));
    REQUIRE_FALSE(two.open(path));
    one.setField("/brief/cast_length", 31.0);
    REQUIRE_FALSE(one.save(path));
    CHECK(two.changedElsewhere());
    two.setField("/brief/cast_length", 32.0);
    CHECK(two.save(path)->code == "file.changed_elsewhere");
    CHECK(loadDesign(path.toStdString())->brief.castLength_m == Approx(31));
    REQUIRE_FALSE(two.save(path, Document::Overwrite::Whatever));
    CHECK_FALSE(two.changedElsewhere());
    CHECK(one.changedElsewhere());
    // What a crashed window kept remembers which state of the file it came from.
    Recovery recovery(one, folder.filePath("kept"));
    one.setField("/brief/cast_length", 33.0);
    recovery.keepNow();
    const QString kept = QDir(folder.filePath("kept")).entryList({"*.wade"}).front();
    for (const QString end : {"", ".origin"}) {
        QFile::copy(folder.filePath("kept/" + kept + end), folder.filePath("kept/dead.wade" + end));
    }
    Document three;
    Recovery found(three, folder.filePath("kept"));
    const auto left = found.findLeftBehind();
    REQUIRE(left.size() == 1);
    three.replace(left[0].design, left[0].originalFile, true, left[0].fileMark);
    CHECK(three.filePath() == path);
    CHECK(three.changedElsewhere());
}

TEST_CASE("what a worker throws is told, and the next work is done") {
    Beside beside;
    QSignalSpy failed(&beside, &Beside::failed);
    beside.start([](std::stop_token, const Beside::Progress&) -> Beside::Finish {
        throw std::runtime_error("out of sorts");
    });
    REQUIRE(QTest::qWaitFor([&] { return failed.count() == 1; }, 10000));
    CHECK_FALSE(beside.isRunning());
    bool done = false;
    beside.start([&](std::stop_token, const Beside::Progress&) -> Beside::Finish {
        return [&] { done = true; };
    });
    CHECK(QTest::qWaitFor([&] { return done; }, 10000));
    // A result read although it is an error throws rather than ends the program.
    const auto fault = guarded([] { (void)Result<int>(Error{"no", "", {}, {}}).value(); });
    REQUIRE(fault);
    CHECK(fault->code == "program.fault");
}
