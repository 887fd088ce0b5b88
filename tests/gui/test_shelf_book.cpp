// The shelf's book against what befalls files: killed writers, two windows, full of holes, nowhere
// to be kept.
#include <QDir>
#include <QFile>
#include <QProcess>
#include <QSqlQuery>
#include <QTemporaryDir>
#include <QTest>
#include <catch2/catch.hpp>
#include <csignal>

#include "io/shelf.h"
#include "shelf/shelf_book.h"
#include "support/programs.h"

using namespace wl;
using namespace wl::test;

namespace {

ShelfEntry hook(const std::string& name, double grams) {
    ShelfEntry e;
    e.kind = ShelfKind::Treble;
    e.name = name;
    e.mass_kg = grams * 1e-3;
    e.size_m = 0.02;
    e.source = "test";
    return e;
}

const ShelfEntry* named(const ShelfBook& book, const std::string& name) {
    for (const ShelfEntry& e : book.entries()) {
        if (e.name == name) {
            return &e;
        }
    }
    return nullptr;
}

}  // namespace

TEST_CASE("a new book holds the starter shelf, every number with its source") {
    QTemporaryDir folder;
    const ShelfBook book(folder.filePath("new/shelf.sqlite"));
    CHECK(book.state() == ShelfBook::State::Kept);
    CHECK(book.notices().empty());
    REQUIRE(book.entries().size() == starterEntries().size());
    for (size_t i = 0; i < book.entries().size(); ++i) {
        CHECK_FALSE(book.entries()[i].source.empty());
    }
    for (size_t k = 0; k < kShelfKinds.size() - 1; ++k) {
        INFO(kShelfKinds[k]);
        CHECK(std::any_of(book.entries().begin(), book.entries().end(),
                          [k](const ShelfEntry& e) { return e.kind == ShelfKind(k); }));
    }
    CHECK(book.shelf().fittings.size() == starterShelf().fittings.size());
    CHECK(book.shelf().pieces.size() == starterShelf().pieces.size());
}

TEST_CASE("what is put in the book is there the next time, exactly") {
    QTemporaryDir folder;
    const QString path = folder.filePath("shelf.sqlite");
    {
        ShelfBook book(path);
        ShelfEntry mine = hook("mine, \"best\" ж", 0.6543);
        mine.left = 12;
        REQUIRE_FALSE(book.put(mine));
        CHECK(book.put(mine)->code == "shelf.name_taken");
        CHECK(book.put(hook("", 1))->code == "text.empty");
        ShelfEntry kept = *named(book, "mine, \"best\" ж");
        REQUIRE(weighTogether(kept, 8, 0.0052));
        REQUIRE_FALSE(book.put(kept));
        REQUIRE_FALSE(book.remove(named(book, "treble size 14")->id));
    }
    const ShelfBook again(path);
    const ShelfEntry* mine = named(again, "mine, \"best\" ж");
    REQUIRE(mine != nullptr);
    CHECK(*mine->mass_kg == Approx(0.00065).epsilon(1e-12));
    CHECK(mine->weighed);
    CHECK(*mine->left == 12);
    CHECK(named(again, "treble size 14") == nullptr);
}

TEST_CASE("two windows at once: both write, both see") {
    QTemporaryDir folder;
    const QString path = folder.filePath("shelf.sqlite");
    ShelfBook one(path), two(path);
    REQUIRE_FALSE(one.put(hook("from one", 0.5)));
    REQUIRE_FALSE(two.put(hook("from two", 0.7)));
    CHECK(QTest::qWaitFor(
        [&] { return named(one, "from two") != nullptr && named(two, "from one") != nullptr; },
        5000));
    // The same name from the other window is still only one.
    CHECK(two.put(hook("from one", 0.9)).has_value());
}

TEST_CASE("two windows change one entry: different figures join, the same figure is told") {
    QTemporaryDir folder;
    const QString path = folder.filePath("shelf.sqlite");
    ShelfBook one(path), two(path);
    ShelfEntry mine = *named(one, "treble size 6"), theirs = *named(two, "treble size 6");
    const double size = *mine.size_m;
    mine.mass_kg = 0.00071;
    theirs.size_m = size + 0.001;
    REQUIRE_FALSE(one.put(mine));
    REQUIRE_FALSE(two.put(theirs));  // made from what it showed before
    CHECK(*named(two, "treble size 6")->mass_kg == Approx(0.00071));
    CHECK(*named(two, "treble size 6")->size_m == Approx(size + 0.001));
    mine = *named(one, "treble size 6");  // still shows its own state
    mine.size_m = size + 0.002;
    CHECK(one.put(mine)->code == "shelf.changed_elsewhere");
    CHECK(*named(one, "treble size 6")->size_m == Approx(size + 0.001));  // theirs is shown
    mine = *named(one, "treble size 6");
    mine.size_m = size + 0.002;
    CHECK_FALSE(one.put(mine));  // given again it stands
    CHECK(two.remove(named(two, "treble size 6")->id)->code == "shelf.changed_elsewhere");
    CHECK_FALSE(two.remove(named(two, "treble size 6")->id));
    mine.mass_kg = 0.0008;
    CHECK(one.put(mine)->code == "shelf.changed_elsewhere");  // gone
}

TEST_CASE(
    "a shelf another program holds is waited for, not set aside, and the window never waits") {
    QTemporaryDir folder;
    const QString path = folder.filePath("shelf.sqlite");
    {
        ShelfBook make(path);
        REQUIRE_FALSE(make.put(hook("mine", 1)));
    }
    QProcess holder;
    holder.start("sqlite3", {path});
    REQUIRE(holder.waitForStarted(5000));
    holder.write("BEGIN EXCLUSIVE;\nSELECT 'held';\n");
    REQUIRE(holder.waitForReadyRead(10000));
    ShelfBook book(path);
    CHECK(book.state() == ShelfBook::State::Waiting);
    REQUIRE(book.notices().size() == 1);
    CHECK(book.notices()[0].code == "shelf.waiting");
    CHECK(book.entries().size() == starterEntries().size());
    CHECK(book.put(hook("other", 1))->code == "shelf.busy");
    CHECK(QDir(folder.path()).entryList({"*damaged*"}).isEmpty());
    holder.write("COMMIT;\nBEGIN IMMEDIATE;\nSELECT 'writing';\n");
    REQUIRE(holder.waitForReadyRead(10000));
    // Another one writing: nothing can be changed here, and that is said at once.
    CHECK(book.put(hook("other", 1))->code == "shelf.busy");
    holder.write("COMMIT;\n.quit\n");
    REQUIRE(holder.waitForFinished(10000));
    REQUIRE(QTest::qWaitFor([&] { return named(book, "mine") != nullptr; }, 10000));
    CHECK(book.state() == ShelfBook::State::Kept);
    CHECK_FALSE(book.put(hook("other", 1)));
}

TEST_CASE("a shelf of an older version is brought up to date with all that is in it") {
    QTemporaryDir folder;
    const QString path = folder.filePath("shelf.sqlite");
    QProcess sqlite;
    sqlite.start("sqlite3",
                 {path,
                  "CREATE TABLE entry (id INTEGER PRIMARY KEY, kind TEXT NOT NULL, name TEXT "
                  "NOT NULL, mass_g REAL, UNIQUE(kind, name)); INSERT INTO entry (kind, "
                  "name, mass_g) VALUES ('treble', 'old one', 0.5); PRAGMA user_version=1"});
    REQUIRE(sqlite.waitForFinished(5000));
    ShelfBook book(path);
    CHECK(book.state() == ShelfBook::State::Kept);
    CHECK(book.notices().empty());
    // Nothing but the bits, which no shelf of that time had.
    CHECK(book.entries().size() ==
          1 + book.shelf().metricDrills.size() + book.shelf().inchDrills.size());
    CHECK(book.shelf().inchDrills.size() == starterShelf().inchDrills.size());
    CHECK(*named(book, "old one")->mass_kg == Approx(0.0005));
    ShelfEntry kept = *named(book, "old one");
    kept.size_m = 0.02;
    kept.left = 7;
    REQUIRE_FALSE(book.put(kept));
    CHECK(*named(book, "old one")->left == 7);
}

TEST_CASE("a store climbs the rungs above it, all or none") {
    QTemporaryDir folder;
    const QString path = folder.filePath("store.sqlite");
    int climbed = 0;
    const auto table = [&climbed](const char* name) {
        return [&climbed, name](Store& store) {
            ++climbed;
            return store.run(QStringLiteral("CREATE TABLE %1 (a TEXT)").arg(QLatin1String(name)));
        };
    };
    const Rung one{1, table("one")}, two{2, table("two")};
    const Rung bad{3, [](Store& store) {
                       SqlOutcome made = store.run("CREATE TABLE three (a TEXT)");
                       return made ? made : store.run("INSERT INTO nowhere VALUES (?)", {1});
                   }};
    Store store;
    REQUIRE_FALSE(store.open(path, false));
    REQUIRE_FALSE(store.climb({one}));
    REQUIRE_FALSE(store.run("INSERT INTO one VALUES (?)", {"kept"}));
    const SqlOutcome fault = store.climb({one, two, bad});
    REQUIRE(fault);
    CHECK(fault->words.contains("nowhere"));
    QStringList columns;
    int version = -1;
    CHECK_FALSE(store.columns("two", columns));
    CHECK(columns.isEmpty());
    CHECK_FALSE(store.version(version));
    CHECK(version == 1);
    REQUIRE_FALSE(store.climb({one, two}));
    CHECK(climbed == 3);
    CHECK_FALSE(store.version(version));
    CHECK(version == 2);
    QString kept;
    CHECK_FALSE(store.ask("SELECT a FROM one", {},
                          [&kept](const QSqlQuery& q) { kept = q.value(0).toString(); }));
    CHECK(kept == "kept");
    // Held by another, or only to be read: a fault at once.
    Store other;
    REQUIRE_FALSE(other.open(path, false));
    REQUIRE_FALSE(other.begin());
    CHECK(store.climb({one, two})->isBusy());
    other.rollback();
    REQUIRE_FALSE(other.open(path, true));
    CHECK(other.climb({one, two}));
}

TEST_CASE("killed in the middle of writing: the book is whole, no entry is half written") {
    QTemporaryDir folder;
    const QString path = folder.filePath("shelf.sqlite");
    { const ShelfBook make(path); }
    for (int round = 0; round < 4; ++round) {
        QProcess writer;
        writer.start(QString::fromUtf8(kStoreWriter), {path});
        REQUIRE(writer.waitForStarted(5000));
        REQUIRE(writer.waitForReadyRead(10000));  // it writes as fast as it can from now on
        QTest::qWait(30 + 70 * round);
        ::kill(pid_t(writer.processId()), SIGKILL);
        REQUIRE(writer.waitForFinished(5000));
        const ShelfBook book(path);
        CHECK(book.state() == ShelfBook::State::Kept);
        CHECK(book.notices().empty());
        const ShelfEntry* written = named(book, "written");
        REQUIRE(written != nullptr);
        // Mass and size are written together, in step: never one without the other.
        CHECK(*written->mass_kg * 1e3 == Approx(*written->size_m * 1e3).epsilon(1e-9));
    }
}

TEST_CASE("a damaged book is kept aside and said so - a new one is begun") {
    for (const bool text : {true, false}) {
        QTemporaryDir folder;
        const QString path = folder.filePath("shelf.sqlite");
        if (text) {
            QFile file(path);
            REQUIRE(file.open(QIODevice::WriteOnly));
            file.write("this was never a book, it is a shopping list: hooks, lead, varnish\n");
        } else {
            { const ShelfBook make(path); }
            QFile file(path);
            REQUIRE(file.open(QIODevice::ReadWrite));
            file.seek(4096);
            file.write(QByteArray(9000, '\x5a'));  // whole pages overwritten
        }
        ShelfBook book(path);
        CHECK(book.state() == ShelfBook::State::Kept);
        REQUIRE(book.notices().size() == 1);
        CHECK(book.notices()[0].code == "shelf.set_aside");
        CHECK(QFile::exists(QString::fromStdString(book.notices()[0].words[0])));
        CHECK(book.entries().size() == starterEntries().size());
        CHECK_FALSE(book.put(hook("mine", 1)));
    }
}

TEST_CASE("nowhere to keep it: the shelf lasts for the session, and says so") {
    QTemporaryDir folder;
    QFile file(folder.filePath("in-the-way"));
    REQUIRE(file.open(QIODevice::WriteOnly));
    file.close();
    ShelfBook book(folder.filePath("in-the-way/shelf.sqlite"));
    CHECK(book.state() == ShelfBook::State::SessionOnly);
    REQUIRE(book.notices().size() == 1);
    CHECK(book.notices()[0].code == "shelf.session_only");
    CHECK(book.entries().size() == starterEntries().size());
    CHECK_FALSE(book.put(hook("mine", 1)));
    CHECK(named(book, "mine") != nullptr);
}

TEST_CASE("a book that may only be read is read, and refuses changes") {
    QTemporaryDir folder;
    const QString path = folder.filePath("shelf.sqlite");
    {
        ShelfBook make(path);
        REQUIRE_FALSE(make.put(hook("mine", 1)));
    }
    // A mount that only reads needs more rights than a test has; a newer book is refused changes
    // by the same way, whoever runs this.
    QProcess sqlite;
    sqlite.start("sqlite3", {path, "PRAGMA user_version = 99"});
    REQUIRE(sqlite.waitForFinished(5000));
    ShelfBook book(path);
    CHECK(book.state() == ShelfBook::State::ReadOnly);
    REQUIRE(book.notices().size() == 1);
    CHECK(named(book, "mine") != nullptr);
    CHECK(book.put(hook("other", 1))->code == "shelf.read_only");
    CHECK(book.remove(named(book, "mine")->id)->code == "shelf.read_only");
    CHECK(book.merge({hook("other", 1)})->code == "shelf.read_only");
    if (::geteuid() != 0) {
        sqlite.start("sqlite3", {path, "PRAGMA user_version = 1"});
        REQUIRE(sqlite.waitForFinished(5000));
        QFile::setPermissions(path, QFile::ReadOwner);
        QFile::setPermissions(folder.path(), QFile::ReadOwner | QFile::ExeOwner);
        const ShelfBook locked(path);
        CHECK(locked.state() == ShelfBook::State::ReadOnly);
        QFile::setPermissions(folder.path(),
                              QFile::ReadOwner | QFile::WriteOwner | QFile::ExeOwner);
    }
}

TEST_CASE("a table taken in is all or nothing") {
    QTemporaryDir folder;
    ShelfBook book(folder.filePath("shelf.sqlite"));
    const size_t before = book.entries().size();
    ShelfEntry known = *named(book, "treble size 6");
    known.mass_kg = 0.00055;
    REQUIRE_FALSE(book.merge({known, hook("new one", 1)}));
    CHECK(book.entries().size() == before + 1);
    CHECK(*named(book, "treble size 6")->mass_kg == Approx(0.00055));
    CHECK(named(book, "treble size 6")->id == known.id);
}
