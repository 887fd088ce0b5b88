// Work beside the window: latest wins, progress, cancel, nothing after the owner is gone.
#include <QTest>
#include <QTimer>
#include <atomic>
#include <catch2/catch.hpp>
#include <memory>
#include <stdexcept>

#include "app/frame/guarded_application.h"
#include "gui/opened.h"
#include "session/beside.h"

using namespace wl;
using namespace wl::test;

TEST_CASE("the newest job is the one that reports") {
    Beside beside;
    int shown = 0;
    std::atomic<int> stopped{0};
    for (int i = 1; i <= 20; ++i) {
        beside.start(
            [i, &shown, &stopped](std::stop_token stop, const Beside::Progress&) -> Beside::Finish {
                for (int k = 0; k < 50 && !stop.stop_requested(); ++k) {
                    QTest::qSleep(1);
                }
                stopped += stop.stop_requested();
                return [i, &shown] { shown = i; };
            });
    }
    CHECK(beside.isRunning());
    REQUIRE(QTest::qWaitFor([&] { return !beside.isRunning(); }, 10000));
    CHECK(shown == 20);
    CHECK(stopped <= 1);  // the others never began: only one waits
}

TEST_CASE("progress comes in order, cancel is final") {
    Beside beside;
    double last = 0;
    bool rising = true, finished = false;
    QObject::connect(&beside, &Beside::progressed, &beside, [&](double share) {
        rising = rising && share >= last;
        last = share;
    });
    beside.start(
        [&finished](std::stop_token stop, const Beside::Progress& progress) -> Beside::Finish {
            for (int k = 1; k <= 400 && !stop.stop_requested(); ++k) {
                progress(k / 400.0);
                QTest::qSleep(5);
            }
            return [&finished] { finished = true; };
        });
    REQUIRE(QTest::qWaitFor([&] { return last > 0.01; }, 5000));
    beside.cancel();
    CHECK_FALSE(beside.isRunning());
    const double at = last;
    CHECK(rising);
    // And it works again: what the cancelled job still had to say has come to nothing by then.
    bool again = false;
    beside.start([&again](std::stop_token, const Beside::Progress&) -> Beside::Finish {
        return [&again] { again = true; };
    });
    CHECK(QTest::qWaitFor([&] { return again; }, 5000));
    CHECK(last == at);
    CHECK_FALSE(finished);
}

TEST_CASE("the owner may go while a job runs") {
    auto touched = std::make_shared<std::atomic<bool>>(false);
    {
        Beside beside;
        bool runs = false;
        QObject::connect(&beside, &Beside::progressed, [&runs] { runs = true; });
        beside.start(
            [touched](std::stop_token stop, const Beside::Progress& progress) -> Beside::Finish {
                while (!stop.stop_requested()) {
                    progress(0.5);
                    QTest::qSleep(1);
                }
                return [touched] { *touched = true; };
            });
        REQUIRE(QTest::qWaitFor([&] { return runs; }, 5000));
    }
    QCoreApplication::processEvents();
    CHECK_FALSE(*touched);
}

TEST_CASE("hidden parts wait, shown ones follow every edit, latest first") {
    Opened o;
    o.window.rail().choose(Step::Tank);
    o.tab("tankTabs", 3);
    o.beside("swapsTab");
    auto* swaps = o.window.findChild<BesidePage*>("swapsTab");
    auto* doubt = o.window.findChild<BesidePage*>("doubtTab");
    REQUIRE(swaps->isCurrent());
    CHECK_FALSE(doubt->isCurrent());
    // A run of edits as under a drag: the table settles on the last.
    for (int i = 1; i <= 12; ++i) {
        Design next = o.design();
        next.bores[0].plugLength_m -= 0.0002;
        o.window.bench().document.submit(std::move(next), "drag", "/bores/0/plug_length");
        QCoreApplication::processEvents();
    }
    o.settle();
    o.beside("swapsTab");
    const auto* best = o.window.findChild<QLabel*>("bestForRates");
    CHECK(best->text().contains("Nearest to"));
    o.tab("tankTabs", 4);
    o.beside("doubtTab");
    CHECK(doubt->isCurrent());
    // A step away nothing is reckoned for it any more.
    o.window.rail().choose(Step::Body);
    Design next = o.design();
    next.bores[0].plugLength_m += 0.001;
    o.window.bench().document.submit(std::move(next), "edit");
    o.settle();
    CHECK_FALSE(doubt->isCurrent());
    o.window.rail().choose(Step::Tank);
    o.beside("doubtTab");
    CHECK(doubt->isCurrent());
}

TEST_CASE("what a slot throws is told and the window goes on") {
    auto* application = dynamic_cast<GuardedApplication*>(QCoreApplication::instance());
    REQUIRE(application != nullptr);
    std::vector<Error> told;
    application->told = [&](const Error& error) { told.push_back(error); };
    bool after = false;
    QTimer::singleShot(0, application, [] { throw std::runtime_error("no more memory"); });
    QTimer::singleShot(5, application, [&] { after = true; });
    CHECK(QTest::qWaitFor([&] { return after; }, 5000));
    application->told = nullptr;
    REQUIRE(told.size() == 1);
    CHECK(told[0].code == "program.fault");
    CHECK(told[0].words == std::vector<std::string>{"no more memory"});
}
