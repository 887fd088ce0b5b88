// A window whose log a test begins empty, and the hand that fills it.
#pragma once

#include <QTableWidget>
#include <algorithm>

#include "app/kit/learner.h"
#include "gui/opened.h"

namespace wl::test {

/// A window on the water log, the log itself empty.
struct LogOpened : Opened {
    explicit LogOpened(int demo = 0) : Opened(demo) {
        // Every test begins with an empty log.
        LogBook& log = window.bench().log;
        const WaterLog all = log.log();
        for (const LogNote& n : all.notes) {
            (void)log.remove<LogNote>(n.id);
        }
        for (const LogOuting& o : all.outings) {
            (void)log.remove<LogOuting>(o.id);
        }
        for (const LogCopy& c : all.copies) {
            (void)log.remove<LogCopy>(c.id);
        }
        for (const LogBait& b : all.baits) {
            (void)log.remove<LogBait>(b.id);
        }
        window.rail().choose(Step::WaterLog);
        QCoreApplication::processEvents();
        learnt();
    }
    const WaterLog& log() { return window.bench().log.log(); }
    void learnt() {
        Learner& learner = Learner::of(window.bench());
        REQUIRE(QTest::qWaitFor([&] { return learner.isWhole(); }, 60000));
        QCoreApplication::processEvents();
    }
    void put(const QString& name, const QString& text) {
        auto* line = window.findChild<QLineEdit*>(name);
        REQUIRE(line != nullptr);
        line->setFocus();
        line->selectAll();
        QTest::keyClicks(line, text);
    }
    void press(const QString& name) {
        auto* button = window.findChild<QAbstractButton*>(name);
        REQUIRE(button != nullptr);
        button->click();
        QCoreApplication::processEvents();
    }
    void begin(const QString& date, const QString& place) {
        press("outingOpen");
        put("outingDate", date);
        put("outingPlace", place);
        press("outingBegin");
        learnt();
    }
    QTableWidget& table(const QString& name) {
        auto* found = window.findChild<QTableWidget*>(name);
        REQUIRE(found != nullptr);
        return *found;
    }
    size_t measured() {
        return size_t(std::count_if(log().notes.begin(), log().notes.end(),
                                    [](const LogNote& n) { return n.kind == NoteKind::Depth; }));
    }
};

}  // namespace wl::test
