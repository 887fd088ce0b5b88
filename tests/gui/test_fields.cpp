// Every field and every table of every sheet, given nonsense: told beside it, nothing lost.
#include <QPlainTextEdit>
#include <QStackedWidget>
#include <QTableWidget>
#include <QUndoStack>

#include "app/kit/quantity_edit.h"
#include "app/kit/record_table.h"
#include "app/kit/sheet_tabs.h"
#include "core/base/units.h"
#include "files/design_file.h"
#include "files/whole_file.h"
#include "gui/opened.h"
#include "support/thorough.h"

using namespace wl;
using namespace wl::test;

namespace {

// Brings a part to the front wherever tabs or pages hide it.
void reveal(QWidget* part) {
    for (QWidget* w = part; w->parentWidget() != nullptr; w = w->parentWidget()) {
        if (auto* stack = qobject_cast<QStackedWidget*>(w->parentWidget())) {
            if (auto* tabs = qobject_cast<SheetTabs*>(stack->parentWidget())) {
                tabs->reveal(w);
            } else {
                stack->setCurrentWidget(w);
            }
        }
    }
    QCoreApplication::processEvents();
}

void enter(QLineEdit* line, const QString& text) {
    line->setFocus();
    line->selectAll();
    QTest::keyClick(line, Qt::Key_Delete);
    QTest::keyClicks(line, text);
    QTest::keyClick(line, Qt::Key_Return);
}

// Text no quantity can take: words, sums that do not end, wrong units, numbers past any range.
const char* const kNonsense[] = {"about so", "1/0",   "12 kg m", "--4",
                                 "nan",      "1e300", "-1e300",  "3,4,5"};

}  // namespace

TEST_CASE("every field refuses nonsense beside itself, keeps what was typed, and recovers",
          "[again]") {
    for (const int demo : {0, 4}) {
        Opened o(demo);
        o.visitEveryStep();
        const Design before = o.design();
        size_t tried = 0;
        for (auto* edit : o.window.findChildren<QuantityEdit*>()) {
            QLineEdit* line = edit->line();
            reveal(edit);
            if (!line->isEnabled() || !line->isVisible() || line->isReadOnly()) {
                continue;
            }
            ++tried;
            const QString shown = line->text();
            INFO(demo << " " << edit->path().toStdString() << " shows " << shown.toStdString());
            for (const char* text : kNonsense) {
                INFO(text);
                enter(line, QString::fromLatin1(text));
                CHECK(edit->isFaulty());
                CHECK(line->text() == QLatin1String(text));
                auto* fault = edit->findChild<QLabel*>(edit->path() + "/fault");
                REQUIRE(fault != nullptr);
                CHECK(fault->text().size() > 12);
                CHECK_FALSE(fault->text().contains("inf"));
                CHECK(line->accessibleDescription().size() > 10);
                REQUIRE(o.design() == before);
            }
            QTest::keyClick(line, Qt::Key_Escape);
            CHECK_FALSE(edit->isFaulty());
            CHECK(line->text() == shown);
            CHECK(o.design() == before);
        }
        CHECK(tried > 40);
        CHECK_FALSE(o.window.bench().document.undoStack()->canUndo());
    }
}

TEST_CASE("every number in every table refuses nonsense with the reason, and recovers") {
    const std::vector<int> demos = kThorough ? std::vector{0, 3, 4} : std::vector{4};
    for (const int demo : demos) {
        Opened o(demo);
        o.visitEveryStep();
        const Design before = o.design();
        size_t tried = 0;
        for (auto* view : o.window.findChildren<QTableView*>()) {
            auto* model = qobject_cast<RecordModel*>(view->model());
            if (model == nullptr || model->rowCount() == 0) {
                continue;
            }
            for (int c = 0; c < model->columnCount(); ++c) {
                const QModelIndex cell = model->index(model->rowCount() - 1, c);
                const FieldKind kind = model->column(c).kind;
                if ((kind != FieldKind::Number && kind != FieldKind::Count) ||
                    !(model->flags(cell) & Qt::ItemIsEditable)) {
                    continue;
                }
                ++tried;
                const QString shown = cell.data().toString();
                INFO(demo << " " << model->pathOf(cell).toStdString());
                for (const char* text : kNonsense) {
                    INFO(text);
                    CHECK_FALSE(model->setData(cell, QString::fromLatin1(text), Qt::EditRole));
                    CHECK(cell.data().toString().contains(QLatin1String(text)));
                    CHECK(model->faultAt(cell).size() > 10);
                    REQUIRE(o.design() == before);
                }
                CHECK(model->setData(cell, shown, Qt::EditRole));
                CHECK(model->faultAt(cell).isEmpty());
                o.window.bench().document.undoStack()->setIndex(0);
                REQUIRE(o.design() == before);
            }
        }
        CHECK(tried > 30);
    }
}

TEST_CASE("every column stands for a field there is, under its own words", "[again]") {
    Opened o(4);
    o.visitEveryStep();
    int columns = 0;
    for (auto* view : o.window.findChildren<QTableView*>()) {
        auto* model = qobject_cast<RecordModel*>(view->model());
        for (int c = 0; model != nullptr && c < model->columnCount(); ++c) {
            INFO(view->objectName().toStdString() << " " << c);
            CHECK_FALSE(model->headerData(c, Qt::Horizontal, Qt::DisplayRole).toString().isEmpty());
            const RecordColumn& column = model->column(c);
            if (!column.derived && !column.read && model->rowCount() > 0) {
                ++columns;
                CHECK(findField(o.design(), model->pathOf(model->index(0, c)).toStdString()));
            }
        }
    }
    CHECK(columns > 60);
}

TEST_CASE("a list is laid side by side in the wide table, edited there, and put back") {
    Opened o;
    o.window.rail().choose(Step::Fittings);
    o.click("fittingsWide");
    auto* wide = o.window.findChild<QTableView*>("wideTable");
    REQUIRE((wide != nullptr && wide->isVisible()));
    CHECK_FALSE(o.window.tank().isVisible());
    int shown = 0;
    for (int c = 0; c < wide->model()->columnCount(); ++c) {
        shown += wide->isColumnHidden(c) ? 0 : 1;
    }
    CHECK(shown == wide->model()->columnCount());
    const QModelIndex cell = wide->model()->index(0, Opened::column(*wide, "x"));
    CHECK(wide->model()->setData(cell, "34 mm", Qt::EditRole));
    CHECK(o.design().fittings[0].x_m == Approx(0.034));
    CHECK_FALSE(wide->model()->setData(cell, "somewhere", Qt::EditRole));
    CHECK(o.window.findChild<QLabel*>("wideFault")->isVisible());
    o.click("closeWide");
    CHECK(o.window.tank().isVisible());
    CHECK(o.window.sheet()->isVisible());
}

TEST_CASE("undo says which field of what was changed, and a tick or choice is one step of it") {
    Opened o;
    QUndoStack* undo = o.window.bench().document.undoStack();
    o.type("/lip/angle", "31");
    CHECK(undo->undoText() == "Lip: Angle to axis");
    o.choose("/lip/family", 2);
    CHECK(undo->undoText() == "Lip: Outline");
    o.window.rail().choose(Step::Fittings);
    o.tab("fittingTabs", "Through-wire");
    o.click("/through_wire/present");
    CHECK(undo->undoText() == "Through-wire: Through-wire, nose to tail");
    CHECK(o.field("/through_wire/z")->isEnabled());
    o.window.rail().choose(Step::Ballast);
    o.typeCell("bores", 0, "x", "21");
    CHECK(undo->undoText() == QString::fromStdString(o.design().bores[0].name) + ": Place");
    CHECK(undo->count() == 4);
    o.window.rail().choose(Step::Brief);
    auto* notes = o.window.findChild<QPlainTextEdit*>("/notes");
    REQUIRE(notes != nullptr);
    QTest::keyClicks(notes, "cut from the short board");
    CHECK(undo->count() == 5);
    CHECK(undo->undoText() == "Notes");
    CHECK(o.design().notes.find("short board") != std::string::npos);
    undo->undo();
    undo->undo();
    undo->undo();
    o.settle();
    CHECK_FALSE(o.field("/through_wire/z")->isEnabled());
}

TEST_CASE("a bait is held against another file: what differs, and the way to it") {
    Opened o;
    const QString path = o.folder.filePath("other.wade");
    Design other = o.design();
    other.name = "the other";
    other.lip.angle_rad += 10 * kDegree;
    other.bores.pop_back();
    REQUIRE_FALSE(writeWholeFile(path.toStdString(), writeDesign(other)));
    QDialog* dialog = o.window.compareWith(path);
    REQUIRE(dialog != nullptr);
    auto* table = dialog->findChild<QTableWidget*>("differences");
    REQUIRE(table != nullptr);
    CHECK(table->rowCount() == 2 + int(itemFields(other, "/bores").size()));
    CHECK(table->horizontalHeaderItem(3)->text() == "the other");
    int lip = -1;
    for (int r = 0; r < table->rowCount(); ++r) {
        lip = table->item(r, 0)->text() == "Lip" ? r : lip;
    }
    REQUIRE(lip >= 0);
    CHECK(table->item(lip, 1)->text() == "Angle to axis");
    CHECK(table->item(lip, 2)->text() == onScreen("27.0°"));
    CHECK(table->item(lip, 3)->text() == onScreen("37.0°"));
    auto* go = dialog->findChild<QAbstractButton*>("goToDifference");
    CHECK_FALSE(go->isEnabled());
    table->selectRow(lip);
    CHECK(go->isEnabled());
    go->click();
    CHECK(o.window.rail().currentRow() == int(Step::LipAndTie));
    CHECK(o.window.compareWith(o.folder.filePath("nothing.wade")) == nullptr);
    CHECK(o.window.message().contains("nothing.wade"));
}

TEST_CASE("looking at the answers of a cell whose own is gone does not change it") {
    Opened o;
    Design d = o.design();
    d.meetings = {{MeetingKind::StandsIn, {RecordList::Features, "gone"}, {RecordList::Lip}}};
    o.window.bench().document.submit(d, "meeting");
    o.settle();
    o.window.goTo("/meetings/0/first");
    auto* view = o.window.findChild<QTableView*>("meetings");
    REQUIRE(view != nullptr);
    view->edit(view->model()->index(0, 0));
    auto* box = view->findChild<QComboBox*>();
    REQUIRE(box != nullptr);
    CHECK(box->currentText() == "gone (hole)");
    QTest::keyClick(box, Qt::Key_Return);
    QTest::qWait(50);
    CHECK(o.design().meetings[0] == d.meetings[0]);
}

TEST_CASE("a line is given by the test on its spool, and a test no line has is refused") {
    Opened o;
    o.window.rail().choose(Step::Brief);
    o.type("lineTest", "12 lb");
    CHECK(o.design().brief.lineDiameter_m == Approx(0.32e-3));  // common practice, no source
    CHECK(o.field("/brief/line_diameter")->text() == onScreen("0.32"));
    o.type("/brief/line_diameter", onScreen("0.42"));
    CHECK(o.field("lineTest")->text() == onScreen("9.1"));  // kg, of 20 lb
    auto* fault = o.window.findChild<QLabel*>("lineTest/fault");
    for (const char* bad : {"twelve", "9000 kg", "12 mm"}) {
        INFO(bad);
        o.type("lineTest", bad);
        CHECK(fault->isVisible());
        CHECK(o.field("lineTest")->text() == bad);
        CHECK(o.design().brief.lineDiameter_m == Approx(0.42e-3));
    }
    QTest::keyClick(o.field("lineTest"), Qt::Key_Escape);
    CHECK_FALSE(fault->isVisible());
}
