// Long seeded sessions: whatever is done can be undone, saved, recovered and shared, exactly.
#include <QDir>
#include <QSignalSpy>
#include <QTemporaryDir>
#include <QTest>
#include <catch2/catch.hpp>
#include <map>

#include "core/design/fields.h"
#include "files/design_file.h"
#include "io/shelf.h"
#include "session/document.h"
#include "session/recovery.h"
#include "shelf/shelf_book.h"
#include "support/random_bait.h"
#include "support/sample_bait.h"

using namespace wl;
using namespace wl::test;

namespace {

// One edit of any kind a maker can make: a field, a record added or taken out, a name, a choice.
void editSomehow(Document& document, Dice& dice) {
    Design next = *document.design();
    switch (dice.upTo(7)) {
        case 0:
        case 1:
        case 2: {
            const std::vector<Field> fields = listFields(next);
            const Field& f = fields[size_t(dice.upTo(int(fields.size()) - 1))];
            const double share = dice.from(0, 1);
            const QString path = QString::fromStdString(f.path);
            const double value = f.min + share * (f.max - f.min);
            if (f.kind == FieldKind::Text) {
                document.setText(path, QString::number(value));
            } else {
                document.setField(path, f.kind == FieldKind::Number ? value : std::round(value));
            }
            return;
        }
        case 3:
            next.bores.push_back(Bore{});
            next.bores.back().x_m = dice.from(0.01, 0.07);
            break;
        case 4:
            if (!next.fittings.empty()) {
                next.fittings.erase(next.fittings.begin() +
                                    dice.upTo(int(next.fittings.size()) - 1));
            }
            break;
        case 5:
            next.name = "name " + std::to_string(dice.upTo(1000));
            break;
        case 6:
            next.brief.wantedState = WantedState(dice.upTo(2));
            break;
        default:
            next.body = randomBody(dice);
            break;
    }
    document.endGesture();
    document.submit(std::move(next), "edit");
}

}  // namespace

TEST_CASE("three hundred edits of any kind: undone to the start, redone to the end, exactly") {
    Dice dice(41);
    Document document;
    document.replace(demoDesign(), {}, false);
    std::vector<DesignPtr> states{document.design()};
    for (int i = 0; i < 300; ++i) {
        editSomehow(document, dice);
        if (document.design() != states.back()) {
            states.push_back(document.design());
        }
        // Now and then back and forth in the middle.
        if (i % 37 == 0) {
            for (int k = dice.upTo(5); k > 0 && document.undoStack()->canUndo(); --k) {
                document.undoStack()->undo();
            }
            while (document.undoStack()->canRedo()) {
                document.undoStack()->redo();
            }
            REQUIRE(*document.design() == *states.back());
        }
    }
    // Edits of one field in one gesture fold, so there may be fewer steps than states.
    const Design end = *document.design();
    const quint64 revision = document.revision();
    std::vector<Design> back;
    while (document.undoStack()->canUndo()) {
        back.push_back(*document.design());
        document.undoStack()->undo();
    }
    CHECK(*document.design() == *states.front());
    CHECK_FALSE(document.isModified());
    CHECK(document.revision() > revision);
    while (document.undoStack()->canRedo()) {
        document.undoStack()->redo();
        REQUIRE_FALSE(back.empty());
        REQUIRE(*document.design() == back.back());
        back.pop_back();
    }
    CHECK(*document.design() == end);
}

TEST_CASE("saved, recovered and opened again after any edit, a design is the same") {
    Dice dice(42);
    QTemporaryDir folder;
    Document document;
    document.replace(demoDesign(), {}, false);
    Recovery recovery(document, folder.filePath("kept"));
    const QString path = folder.filePath("bait.wade");
    for (int i = 0; i < 60; ++i) {
        editSomehow(document, dice);
        const std::string text = writeDesign(*document.design());
        // The file holds what was typed to twelve digits: taken once, it is the same for good.
        if (!readDesign(text)) {
            // A body drawn so that it cannot be is kept and opened all the same.
            FAIL(readDesign(text).error().code + " " + readDesign(text).error().path);
        }
        if (i % 5 == 0) {
            REQUIRE_FALSE(document.save(path));
            Document other;
            REQUIRE_FALSE(other.open(path));
            CHECK(writeDesign(*other.design()) == text);
            CHECK_FALSE(other.isModified());
            CHECK_FALSE(document.changedElsewhere());
        } else if (document.isModified()) {
            REQUIRE_FALSE(recovery.keepNow());
            const QStringList kept = QDir(folder.filePath("kept")).entryList({"*.wade"});
            REQUIRE(kept.size() == 1);
            const Result<Design> copy =
                loadDesign(folder.filePath("kept/" + kept[0]).toStdString());
            REQUIRE(copy);
            CHECK(writeDesign(*copy) == text);
        }
    }
    // No half-written file is ever left in either folder.
    for (const QString& place : {folder.path(), folder.filePath("kept")}) {
        for (const QString& name : QDir(place).entryList(QDir::Files)) {
            INFO(name.toStdString());
            CHECK_FALSE(name.endsWith(".part"));
        }
    }
}

TEST_CASE("two windows on one shelf do what one list would: nothing lost, nothing doubled") {
    Dice dice(43);
    QTemporaryDir folder;
    const QString path = folder.filePath("shelf.sqlite");
    ShelfBook one(path), two(path);
    // What the shelf should hold, by name: the mass and the count of one kind of hook.
    std::map<std::string, std::pair<double, std::optional<double>>> wanted;
    const auto isOurs = [](const ShelfEntry& e) { return e.name.starts_with("ours "); };
    int refused = 0, done = 0;
    for (int i = 0; i < 220; ++i) {
        ShelfBook& book = dice.chance(0.5) ? one : two;
        std::vector<ShelfEntry> ours;
        std::copy_if(book.entries().begin(), book.entries().end(), std::back_inserter(ours),
                     isOurs);
        std::optional<Error> error;
        if (ours.empty() || dice.chance(0.35)) {
            ShelfEntry e;
            e.kind = ShelfKind::Treble;
            e.name = "ours " + std::to_string(dice.upTo(30));
            e.mass_kg = 1e-3 * (1 + dice.upTo(50));
            error = book.put(e);
            CHECK(error.has_value() == (wanted.count(e.name) == 1));
            if (!error) {
                wanted[e.name] = {*e.mass_kg, std::nullopt};
            }
        } else {
            const ShelfEntry before = ours[size_t(dice.upTo(int(ours.size()) - 1))];
            ShelfEntry e = before;
            const auto there = wanted.find(e.name);
            if (dice.chance(0.15)) {
                error = book.remove(e.id);
                if (!error) {
                    wanted.erase(e.name);
                }
            } else if (dice.chance(0.5)) {
                e.mass_kg = 1e-3 * (60 + dice.upTo(500));
                error = book.put(e);
                if (!error) {
                    REQUIRE(there != wanted.end());
                    // It was shown as it is: nobody's change was written over.
                    CHECK(there->second.first == Approx(*before.mass_kg));
                    there->second.first = *e.mass_kg;
                }
            } else {
                e.left = double(dice.upTo(40));
                error = book.put(e);
                if (!error) {
                    REQUIRE(there != wanted.end());
                    there->second.second = e.left;
                }
            }
        }
        if (error) {
            ++refused;
            CHECK((error->code == "shelf.name_taken" || error->code == "shelf.changed_elsewhere"));
        } else {
            ++done;
        }
    }
    CHECK(done > 80);
    CHECK(refused > 10);
    const ShelfBook fresh(path);
    size_t found = 0;
    for (const ShelfEntry& e : fresh.entries()) {
        if (isOurs(e)) {
            ++found;
            INFO(e.name);
            REQUIRE(wanted.count(e.name) == 1);
            CHECK(*e.mass_kg == Approx(wanted[e.name].first));
            CHECK(e.left.has_value() == wanted[e.name].second.has_value());
            CHECK(e.left.value_or(-1) == Approx(wanted[e.name].second.value_or(-1)));
        }
    }
    CHECK(found == wanted.size());
    CHECK(fresh.entries().size() == starterEntries().size() + found);
}
