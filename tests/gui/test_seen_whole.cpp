// Every step, part and dialog, in the states makers use: nothing cut, elided or scrolled sideways.
#include <QFile>
#include <QScrollArea>
#include "app/dialogs/compare_dialog.h"
#include "app/dialogs/new_bait_dialog.h"
#include "app/dialogs/series_dialog.h"
#include "app/dialogs/solid_dialog.h"
#include "app/dialogs/trace_dialog.h"
#include "app/frame/steps.h"
#include "app/kit/sheet_tabs.h"
#include "files/design_file.h"
#include "files/embedded_data.h"

#include "opened.h"
#include "seen_whole.h"
#include "support/thorough.h"

using namespace wl;
using namespace wl::test;

namespace {

constexpr double kLeastShare = 0.6;  // of the picture's width, nose to tail

// One in another.
void settleLayouts() {
    for (int round = 0; round < 6; ++round) {
        QCoreApplication::sendPostedEvents();
        QCoreApplication::processEvents();
    }
}

void waitBeside(Opened& o) {
    QCoreApplication::processEvents();
    for (BesidePage* beside : o.window.sheet()->findChildren<BesidePage*>()) {
        if (beside->isVisible()) {
            REQUIRE(QTest::qWaitFor([&] { return beside->isCurrent(); }, 60000));
        }
    }
}

// Every step and every part of it, waiting for what reckons beside.
QStringList walk(Opened& o, const QString& state) {
    QStringList found;
    const auto look = [&](const QString& place) {
        settleLayouts();
        for (const QString& line : whatIsCut(o.window)) {
            found << QStringLiteral("%1, %2: %3").arg(state, place, line);
        }
    };
    for (const StepEntry& entry : stepTable()) {
        o.window.rail().choose(entry.step);
        auto* tabs = o.window.sheet()->findChild<SheetTabs*>();
        for (int i = 0; i < (tabs != nullptr ? tabs->count() : 1); ++i) {
            if (tabs != nullptr) {
                tabs->setCurrentIndex(i);
            }
            waitBeside(o);
            if (!entry.wide && o.window.tank().isVisible() && o.window.width() >= 1280) {
                const double length = o.derived().shape->sizes.length_m;
                const Tank& tank = o.window.tank();
                const QPointF along = tank.toPaper({length, 0, 0}) - tank.toPaper({0, 0, 0});
                // Under way it is seen nose down: along its own axis.
                const bool tilted = entry.step == Step::Run || entry.step == Step::Swim;
                const double share =
                    (tilted ? std::hypot(along.x(), along.y()) : along.x()) / tank.width();
                if (share < kLeastShare) {
                    found << QStringLiteral("%1, %2: the body takes %3 % of the picture")
                                 .arg(state, entry.name)
                                 .arg(100 * share, 0, 'f', 1);
                }
            }
            look(tabs != nullptr ? entry.name + QStringLiteral(" / ") + tabs->tabText(i)
                                 : entry.name);
        }
        if (tabs != nullptr) {
            tabs->setCurrentIndex(0);
        }
    }
    return found;
}

// A dialog as it opens.
QStringList seen(QWidget& dialog, const QString& name) {
    dialog.show();
    settleLayouts();
    QStringList found;
    for (const QString& line : whatIsCut(dialog)) {
        found << name + QStringLiteral(": ") + line;
    }
    return found;
}

std::string listed(const QStringList& lines) {
    return lines.join(QLatin1Char('\n')).toStdString();
}

}  // namespace

TEST_CASE("the window fits a small screen, and all of it is reached there", "[again]") {
    Opened o(4);
    QStringList found;
    const QSize sizes[] = {QSize(1366, 728), QSize(1092, 574), QSize(1024, 640)};
    for (const QSize size : sizes) {
        CHECK(o.window.minimumSizeHint().width() <= size.width());
        CHECK(o.window.minimumSize().height() <= size.height());
        o.window.resize(size);
        QCoreApplication::processEvents();
        CHECK(o.window.size() == size);
        found << walk(o, QStringLiteral("demo 4 %1 × %2").arg(size.width()).arg(size.height()));
    }
    INFO(listed(found));
    CHECK(found.isEmpty());
}

TEST_CASE("every sheet of every demo is seen whole, metric and inch, day and night", "[again]") {
    QStringList found;
    for (int demo = 0; demo < 5; ++demo) {
        Opened o(demo);
        for (const bool inch : {false, true}) {
            o.window.setInch(inch);
            o.window.setDark(inch);
            found << walk(o, QStringLiteral("demo %1 %2").arg(demo).arg(inch ? "in" : "mm"));
        }
        o.window.setInch(false);
        o.window.setDark(false);
    }
    INFO(listed(found));
    CHECK(found.isEmpty());
}

TEST_CASE("the sheet that asks for a new bait is seen whole") {
    Opened o;
    for (const bool inch : {false, true}) {
        o.window.setInch(inch);
        NewBaitDialog dialog(o.window.bench(), &o.window);
        auto* kind = dialog.findChild<QComboBox*>("newKind");
        dialog.show();
        for (int i = 0; i < kind->count(); ++i) {
            kind->setCurrentIndex(i);
            QCoreApplication::processEvents();
            INFO(i << "\n" << listed(whatIsCut(dialog)));
            CHECK(whatIsCut(dialog).isEmpty());
        }
    }
    o.window.setInch(false);
}

TEST_CASE("every dialog is seen whole") {
    Opened o;
    QStringList found;
    for (const bool inch : {false, true}) {
        o.window.setInch(inch);
        const QString bench = inch ? "in" : "mm";
        {
            SeriesDialog dialog(o.window.bench(), &o.window);
            REQUIRE(QTest::qWaitFor([&] { return !dialog.isReckoning(); }, 30000));
            QCoreApplication::processEvents();
            found << seen(dialog, "series " + bench);
        }
        {
            TraceDialog dialog(o.window.bench(), &o.window);
            found << seen(dialog, "trace " + bench);
        }
        {
            CompareDialog dialog(o.window.bench(), readDesign(demos()[1].text).value(), &o.window);
            found << seen(dialog, "compare " + bench);
        }
        {
            SolidDialog dialog(o.window.bench(), &o.window);
            found << seen(dialog, "solid, none yet " + bench);
            QFile file(o.folder.filePath("wedge.obj"));
            REQUIRE(file.open(QIODevice::WriteOnly));
            file.write(
                "v 0 0 0\nv 90 -9 -12\nv 90 9 -12\nv 90 0 14\n"
                "f 1 3 2\nf 1 4 3\nf 1 2 4\nf 2 3 4\n");
            file.close();
            REQUIRE(dialog.load(file.fileName()));
            found << seen(dialog, "solid " + bench);
        }
        QWidget* shelf = o.window.showShelf();
        found << seen(*shelf, "shelf " + bench);
        shelf->close();
        QWidget* scale = o.window.showScale();
        found << seen(*scale, "scale " + bench);
        scale->close();
    }
    o.window.setInch(false);
    INFO(listed(found));
    CHECK(found.isEmpty());
}

TEST_CASE("on a screen too small for it the window is scrolled, and what gets the focus is seen") {
    Opened o;
    o.window.resize(683, 384);  // 1366 x 768 at 200 %
    o.window.activateWindow();
    REQUIRE(QTest::qWaitForWindowActive(&o.window));
    QCoreApplication::processEvents();
    CHECK(o.window.width() <= 683);
    CHECK(o.window.height() <= 384);
    auto* whole = o.window.findChild<QScrollArea*>("whole");
    QStringList hidden;
    int lines = 0;
    for (const StepEntry& entry : stepTable()) {
        if (!kThorough && entry.step != Step::Brief && entry.step != Step::Swim) {
            continue;  // one step of each kind of sheet
        }
        o.window.rail().choose(entry.step);
        auto* tabs = o.window.sheet()->findChild<SheetTabs*>();
        for (int i = 0; i < (tabs != nullptr ? tabs->count() : 1); ++i) {
            if (tabs != nullptr) {
                tabs->setCurrentIndex(i);
            }
            waitBeside(o);
            settleLayouts();
            for (auto* line : o.window.sheet()->findChildren<QLineEdit*>()) {
                if (!line->isVisible() || !line->isEnabled()) {
                    continue;
                }
                line->setFocus();
                QTest::qWait(1);
                ++lines;
                const QRect place(line->mapTo(whole->viewport(), QPoint()), line->size());
                if (!whole->viewport()->rect().contains(place)) {
                    hidden << entry.name + QStringLiteral(" ") + line->objectName();
                }
            }
        }
        if (tabs != nullptr) {
            tabs->setCurrentIndex(0);
        }
    }
    CHECK(lines > (kThorough ? 60 : 10));
    INFO(listed(hidden));
    CHECK(hidden.isEmpty());
    o.window.rail().setFocus();
    QCoreApplication::processEvents();
    CHECK(o.window.rail().mapTo(whole->viewport(), QPoint()).x() == 0);
}
