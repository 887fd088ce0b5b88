// The real window on a demo, driven as a maker drives it.
#pragma once

#include <QAbstractButton>
#include <QAction>
#include <QCheckBox>
#include <QComboBox>
#include <QLabel>
#include <QLineEdit>
#include <QPlainTextEdit>
#include <QTableView>
#include <QTemporaryDir>
#include <QTest>
#include <catch2/catch.hpp>

#include "app/frame/main_window.h"
#include "app/kit/beside_page.h"
#include "app/kit/record_table.h"
#include "app/kit/sheet_tabs.h"
#include "support/thorough.h"

namespace wl::test {

/// A figure as it stands on the screen: with the decimal mark of the language the tests run in.
inline QString onScreen(QString figure) {
    return figure.replace(QLatin1Char('.'), QLatin1Char(makersDecimalMark()));
}

struct Opened {
    QTemporaryDir folder;
    MainWindow window{folder.filePath("recovery")};
    explicit Opened(int demo = 0) {
        window.setInch(false);
        window.setDark(false);
        window.openDemo(demo);
        window.resize(1280, 800);
        window.show();
        settle();
    }
    ~Opened() { window.bench().document.undoStack()->setClean(); }
    void settle() {
        REQUIRE(QTest::qWaitFor([this] { return window.bench().evaluator.isSettled(); }, 30000));
        QCoreApplication::processEvents();
    }
    /// Makes every sheet: they are built when first looked at.
    void visitEveryStep() {
        for (int step = 0; step < kStepCount; ++step) {
            window.rail().choose(Step(step));
        }
    }
    const Design& design() { return window.bench().design(); }
    const Derived& derived() { return *window.bench().results()->derived; }
    /// The field of that path or name, its step gone to.
    QLineEdit* field(const QString& name) {
        if (name.startsWith(QLatin1Char('/'))) {
            window.goTo(name);
        }
        auto* line = window.findChild<QLineEdit*>(name);
        REQUIRE(line != nullptr);
        return line;
    }
    void type(const QString& name, const QString& text) {
        QLineEdit* line = field(name);
        line->setFocus();
        line->selectAll();
        QTest::keyClicks(line, text);
        QTest::keyClick(line, Qt::Key_Return);
        settle();
    }
    void click(const QString& name) {
        auto* button = window.findChild<QAbstractButton*>(name);
        REQUIRE(button != nullptr);
        button->click();
        settle();
    }
    void trigger(const QString& name) {
        auto* action = window.findChild<QAction*>(name);
        REQUIRE(action != nullptr);
        action->trigger();
        settle();
    }
    void choose(const QString& box, int index) {
        auto* combo = window.findChild<QComboBox*>(box);
        REQUIRE(combo != nullptr);
        combo->setCurrentIndex(index);
        emit combo->activated(index);
        settle();
    }
    void tab(const QString& tabs, const QString& part) {
        auto* widget = window.findChild<SheetTabs*>(tabs);
        REQUIRE(widget != nullptr);
        int index = 0;
        while (index < widget->count() && widget->tabText(index) != part) {
            ++index;
        }
        REQUIRE(index < widget->count());
        widget->setCurrentIndex(index);
        QCoreApplication::processEvents();
    }
    /// Where a field of a list stands in its table.
    static int column(const QTableView& view, const QString& field) {
        const auto* model = static_cast<const RecordModel*>(view.model());
        for (int c = 0; c < model->columnCount(); ++c) {
            if (model->column(c).field == field) {
                return c;
            }
        }
        FAIL("no such column: " << field.toStdString());
        return -1;
    }
    QString text(const QString& label) {
        auto* found = window.findChild<QLabel*>(label);
        REQUIRE(found != nullptr);
        return found->text();
    }
    /// Types into a cell as a maker does: choose it, type, Return.
    void typeCell(const QString& table, int row, const QString& name, const QString& typed) {
        auto* view = window.findChild<QTableView*>(table);
        REQUIRE(view != nullptr);
        const QModelIndex cell = view->model()->index(row, column(*view, name));
        view->setCurrentIndex(cell);
        if (view->isColumnHidden(cell.column())) {
            // It stands in the form of the chosen one.
            const QString path = static_cast<RecordModel*>(view->model())->pathOf(cell);
            auto* line = view->parentWidget()->findChild<QLineEdit*>(path);
            auto* lines = view->parentWidget()->findChild<QPlainTextEdit*>(path);
            REQUIRE((line != nullptr || lines != nullptr));
            if (line != nullptr) {
                line->setFocus();
                line->selectAll();
                QTest::keyClicks(line, typed);
                QTest::keyClick(line, Qt::Key_Return);
            } else {
                lines->setFocus();
                lines->selectAll();
                QTest::keyClicks(lines, typed);
                view->setFocus();
            }
            settle();
            return;
        }
        view->edit(view->currentIndex());
        auto* editor = view->findChild<QLineEdit*>(QStringLiteral("cellEditor"));
        REQUIRE(editor != nullptr);
        editor->selectAll();
        QTest::keyClicks(editor, typed);
        QTest::keyClick(editor, Qt::Key_Return);
        // The editor goes a little later; until then a next one would be taken for it.
        REQUIRE(QTest::qWaitFor(
            [view] { return view->findChild<QLineEdit*>(QStringLiteral("cellEditor")) == nullptr; },
            3000));
        settle();
    }
    /// Waits until a part that reckons beside the window shows the design on the bench.
    void beside(const QString& page) {
        auto* part = window.findChild<BesidePage*>(page);
        REQUIRE(part != nullptr);
        REQUIRE(QTest::qWaitFor([part] { return part->isCurrent(); }, kThorough ? 60000 : 600000));
        QCoreApplication::processEvents();
    }
};

}  // namespace wl::test
