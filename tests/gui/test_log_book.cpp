// The water log's book against what befalls files, and its speed in tens of thousands.
#include <sys/resource.h>
#include <QFile>
#include <QFileInfo>
#include <QProcess>
#include <QTemporaryDir>
#include <QTest>
#include <catch2/catch.hpp>
#include <csignal>

#include "support/programs.h"
#include "support/thorough.h"
#include "waterlog/log_book.h"

using namespace wl;
using namespace wl::test;

namespace {

LogNote seen(double depth_m) {
    LogNote note;
    note.bait = "Reed diver";
    note.kind = NoteKind::Depth;
    note.low = note.high = depth_m;
    note.reckoned = 2.0;
    return note;
}

}  // namespace

TEST_CASE("what is logged is there the next time, and in another window within a second") {
    QTemporaryDir folder;
    const QString path = folder.filePath("new/water-log.sqlite");
    LogOuting outing;
    outing.date = "2026-05-01";
    outing.place = "weir, \"dam\" ж";
    outing.temperature_K = 287.15;
    {
        LogBook book(path);
        CHECK(book.state() == LogBook::State::Kept);
        REQUIRE_FALSE(book.put(outing));
        LogNote note = seen(2.1);
        note.outing = outing.id;
        LogBook other(path);
        REQUIRE_FALSE(book.put(note));
        CHECK(note.id == 1);
        REQUIRE(QTest::qWaitFor([&] { return other.log().notes.size() == 1; }, 5000));
        CHECK(other.log().notes[0] == note);
        // Both write: neither's is lost, numbers do not meet.
        LogNote mine = seen(2.2), theirs = seen(2.3);
        REQUIRE_FALSE(book.put(mine));
        REQUIRE_FALSE(other.put(theirs));
        CHECK(mine.id != theirs.id);
        REQUIRE(QTest::qWaitFor([&] { return book.log().notes.size() == 3; }, 5000));
        REQUIRE_FALSE(other.remove<LogNote>(mine.id));
        mine.words = "gone meanwhile";
        CHECK(book.put(mine)->code == "log.gone");
        // The same copy begun in both: the second is refused, the first stands.
        LogCopy first, second;
        first.bait = second.bait = "Reed diver";
        REQUIRE_FALSE(book.put(first));
        second.hooks = "other";
        CHECK(other.put(second)->code == "log.there_already");
        REQUIRE(other.log().copies.size() == 1);
        CHECK(other.log().copies[0] == first);
        REQUIRE_FALSE(book.setDraft("low", "2."));
        LogNote wrong = seen(2.0);
        wrong.low.reset();
        CHECK(book.put(wrong)->code == "log.no_value");
    }
    const LogBook again(path);
    REQUIRE(again.log().notes.size() == 2);
    CHECK(again.log().outings.front() == outing);
    CHECK(again.draft("low") == "2.");
}

TEST_CASE("a log taken in goes in whole or not at all, twice is once") {
    QTemporaryDir folder;
    LogBook book(folder.filePath("water-log.sqlite"));
    WaterLog other;
    other.baits.push_back({7, "Reed diver", "steep_lip_stout", "", ""});
    for (int i = 0; i < 5; ++i) {
        other.notes.push_back(seen(2 + 0.1 * i));
        other.notes.back().id = i + 1;
    }
    CHECK(*book.merge(other) == 6);
    CHECK(*book.merge(other) == 0);
    CHECK(book.log().notes.size() == 5);
    const LogBook again(folder.filePath("water-log.sqlite"));
    CHECK(again.log() == book.log());
}

TEST_CASE("under a new name a bait keeps its notes and copies, and takes nobody else's place") {
    QTemporaryDir folder;
    const QString path = folder.filePath("water-log.sqlite");
    LogBook book(path), other(path);
    LogNote note = seen(2.1), stranger = seen(1.4);
    stranger.bait = "Sedge diver";
    LogCopy copy;
    copy.bait = "Reed diver";
    LogBait known;
    known.bait = "Reed diver";
    known.family = "in_line_lip_stout";
    REQUIRE_FALSE(book.put(note));
    REQUIRE_FALSE(book.put(stranger));
    REQUIRE_FALSE(book.put(copy));
    REQUIRE_FALSE(book.put(known));
    // Into the place of one that has notes it does not go, and nothing moves.
    CHECK(book.rename("Reed diver", "Sedge diver")->code == "log.there_already");
    CHECK(book.rename("Reed diver", "").has_value());
    CHECK(book.log().notes[0].bait == "Reed diver");
    LogBait empty;
    empty.bait = "Reed diver, long";
    REQUIRE_FALSE(book.put(empty));
    REQUIRE_FALSE(book.rename("Reed diver", "Reed diver, long"));
    REQUIRE(QTest::qWaitFor([&] { return other.log() == book.log(); }, 5000));
    CHECK(other.log().bait("Reed diver") == nullptr);
    for (const LogBook* seenBy : {&book, &other}) {
        const WaterLog& log = seenBy->log();
        CHECK(log.notes[0].bait == "Reed diver, long");
        CHECK(log.notes[0].low == note.low);
        CHECK(log.notes[1].bait == "Sedge diver");
        CHECK(log.copies[0].bait == "Reed diver, long");
        REQUIRE(log.baits.size() == 1);
        CHECK(log.bait("Reed diver, long")->family == known.family);
    }
    REQUIRE_FALSE(book.rename("Reed diver, long", "Reed diver"));
    CHECK(LogBook(path).log() == book.log());
    CHECK(book.log().notes[0] == note);
}

TEST_CASE("killed in the middle of logging: the log is whole, no note is half written") {
    QTemporaryDir folder;
    const QString path = folder.filePath("water-log.sqlite");
    size_t before = 0;
    for (int kill = 0; kill < (kThorough ? 200 : 20); ++kill) {
        QProcess writer;
        writer.start(QString::fromUtf8(kStoreWriter), {QStringLiteral("log"), path});
        REQUIRE(writer.waitForReadyRead(10000));
        QTest::qWait(kill % 17);
        ::kill(pid_t(writer.processId()), SIGKILL);
        writer.waitForFinished(5000);
        const LogBook book(path);
        REQUIRE(book.state() == LogBook::State::Kept);
        CHECK(book.notices().empty());
        REQUIRE(book.log().notes.size() > before);
        before = book.log().notes.size();
        const LogNote& last = book.log().notes.back();
        CHECK(*last.low == Approx(1.0 + 0.001 * std::stoi(last.words)));
    }
}

TEST_CASE(
    "a damaged log is set aside, a newer one only read, one without a place lasts the session") {
    QTemporaryDir folder;
    const QString path = folder.filePath("water-log.sqlite");
    {
        LogBook book(path);
        LogNote note = seen(2.1);
        REQUIRE_FALSE(book.put(note));
    }
    QProcess sqlite;
    sqlite.start("sqlite3", {path, "PRAGMA user_version = 99"});
    REQUIRE(sqlite.waitForFinished(5000));
    {
        LogBook newer(path);
        CHECK(newer.state() == LogBook::State::ReadOnly);
        CHECK(newer.notices().front().code == "log.newer");
        CHECK(newer.log().notes.size() == 1);
        LogNote note = seen(2.2);
        CHECK(newer.put(note)->code == "log.read_only");
    }
    QFile file(path);
    REQUIRE(file.open(QIODevice::ReadWrite));
    REQUIRE(file.seek(200));
    file.write(QByteArray(int(file.size()) - 300, 'x'));
    file.close();
    {
        LogBook fresh(path);
        REQUIRE_FALSE(fresh.notices().empty());
        CHECK(fresh.notices().front().code == "log.set_aside");
        CHECK(QFile::exists(QString::fromStdString(fresh.notices().front().words.front())));
        LogNote note = seen(2.2);
        CHECK_FALSE(fresh.put(note));
    }
    LogBook nowhere("/proc/none/water-log.sqlite");
    CHECK(nowhere.state() == LogBook::State::SessionOnly);
    LogNote note = seen(2.2);
    CHECK_FALSE(nowhere.put(note));
    CHECK(nowhere.log().notes.size() == 1);
}

TEST_CASE("a full disk refuses the note with the reason, and nothing before it is lost") {
    QTemporaryDir folder;
    const QString path = folder.filePath("water-log.sqlite");
    {
        LogBook book(path);
        LogNote note = seen(2.1);
        REQUIRE_FALSE(book.put(note));
    }
    LogBook book(path);
    rlimit before{};
    REQUIRE(getrlimit(RLIMIT_FSIZE, &before) == 0);
    const auto handler = std::signal(SIGXFSZ, SIG_IGN);
    rlimit full = before;
    full.rlim_cur = rlim_t(QFileInfo(path).size());
    REQUIRE(setrlimit(RLIMIT_FSIZE, &full) == 0);
    LogNote large = seen(2.2);
    large.words = std::string(3900, 'w');
    std::optional<Error> error;
    int kept = 0;
    for (int i = 0; i < 40 && !error; ++i) {
        large.id = 0;
        error = book.put(large);
        kept += error ? 0 : 1;
    }
    setrlimit(RLIMIT_FSIZE, &before);
    std::signal(SIGXFSZ, handler);
    REQUIRE(error.has_value());
    CHECK(error->code == "log.write_failed");
    CHECK(book.log().notes.size() == size_t(1 + kept));
    large.id = 0;
    CHECK_FALSE(book.put(large));  // there is room again
    const LogBook again(path);
    CHECK(again.log().notes.size() == size_t(2 + kept));
}
