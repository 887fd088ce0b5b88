// Document, worker and recovery, without the window.
#include <QCoreApplication>
#include <QDir>
#include <QProcess>
#include <QSignalSpy>
#include <QTemporaryDir>
#include <QTest>
#include <catch2/catch.hpp>

#include "core/design/fields.h"
#include "session/evaluator.h"
#include "session/recovery.h"
#include "support/sample_bait.h"

using namespace wl;
using namespace wl::test;

TEST_CASE("edits of one gesture fold, of two gestures do not, and undo is exact") {
    Document document;
    document.replace(demoDesign(), {}, false);
    const Design start = *document.design();
    for (int i = 1; i <= 5; ++i) {
        document.setField("/lip/length", 0.02 + 0.001 * i, "length");
    }
    document.endGesture();
    document.setField("/lip/length", 0.03, "length");
    document.setField("/lip/width", 0.02, "width");
    CHECK(document.undoStack()->count() == 3);
    document.undoStack()->undo();
    document.undoStack()->undo();
    CHECK(document.design()->lip.length_m == Approx(0.025));
    document.undoStack()->undo();
    CHECK(*document.design() == start);
    document.endGesture();
    document.setField("/lip/length", 0.03, "length");
    document.setField("/lip/length", start.lip.length_m, "length");
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

TEST_CASE("work left by a window that died is found; a living window's is not") {
    QTemporaryDir folder;
    Document mine;
    mine.replace(demoDesign(), {}, false);
    Recovery alive(mine, folder.path());
    mine.setField("/brief/cast_length", 33.0, "cast");
    alive.keepNow();
    Document other;
    Recovery second(other, folder.path());
    CHECK_FALSE(second.findLeftBehind());  // held by `alive`

    // What a killed window leaves: a copy without a lock held by anyone.
    const QStringList kept = QDir(folder.path()).entryList({"*.wade"});
    REQUIRE(kept.size() == 1);
    QFile::copy(folder.filePath(kept[0]), folder.filePath("dead.wade"));
    QFile broken(folder.filePath("broken.wade"));
    REQUIRE(broken.open(QIODevice::WriteOnly));
    broken.write("{");
    broken.close();
    const auto left = second.findLeftBehind();
    REQUIRE(left);
    CHECK(left->design.brief.castLength_m == Approx(33));
    second.discard(*left);
    CHECK_FALSE(second.findLeftBehind());
    CHECK(QFile::exists(folder.filePath("broken.wade.unreadable")));
    alive.finish();
    CHECK(QDir(folder.path()).entryList({"*.wade"}).isEmpty());
}
