// Work beside the window: latest wins, progress, cancel, nothing after the owner is gone.
#include <QTest>
#include <atomic>
#include <catch2/catch.hpp>
#include <memory>

#include "session/beside.h"

using namespace wl;

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
