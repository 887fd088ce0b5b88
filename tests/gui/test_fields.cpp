// Every field and every table of every sheet, given nonsense: told beside it, nothing lost.
#include <QStackedWidget>

#include "app/kit/quantity_edit.h"
#include "app/kit/record_table.h"
#include "gui/opened.h"

using namespace wl;
using namespace wl::test;

namespace {

// Brings a part to the front wherever tabs or pages hide it.
void reveal(QWidget* part) {
    for (QWidget* w = part; w->parentWidget() != nullptr; w = w->parentWidget()) {
        if (auto* stack = qobject_cast<QStackedWidget*>(w->parentWidget())) {
            if (auto* tabs = qobject_cast<QTabWidget*>(stack->parentWidget())) {
                tabs->setCurrentWidget(w);
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

TEST_CASE("every field refuses nonsense beside itself, keeps what was typed, and recovers") {
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
    for (const int demo : {0, 3, 4}) {
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
                if (model->column(c).kind != RecordColumn::Kind::Number ||
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
