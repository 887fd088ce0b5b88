// From a move of the mouse to the picture of the bait it makes: the window on the demo, a station,
// a bore and the lip dragged over 200 moves. p50 and p95 are of the moves, in milliseconds. And the
// lamp switched where every step was seen.
#include <benchmark/benchmark.h>

#include <QApplication>
#include <QElapsedTimer>
#include <QMouseEvent>
#include <QStandardPaths>
#include <QTemporaryDir>
#include <algorithm>
#include <cmath>

#include "app/frame/main_window.h"
#include "app/kit/theme.h"

using namespace wl;

namespace {

constexpr int kMoves = 200;

void settle(MainWindow& window) {
    while (!window.bench().evaluator.isSettled()) {
        QCoreApplication::processEvents(QEventLoop::AllEvents, 5);
    }
}

void send(QWidget& on, QEvent::Type type, QPointF at) {
    QMouseEvent event(type, at, on.mapToGlobal(at), Qt::LeftButton,
                      type == QEvent::MouseButtonRelease ? Qt::NoButton : Qt::LeftButton,
                      Qt::NoModifier);
    QCoreApplication::sendEvent(&on, &event);
}

void drag(benchmark::State& state, Step step, const char* path) {
    static QTemporaryDir recovery;
    MainWindow window(recovery.path());
    window.openDemo();
    window.resize(1280, 800);
    window.show();
    window.rail().choose(step);
    settle(window);
    Tank& tank = window.tank();
    int handle = -1;
    const std::vector<TankHandle> all = tank.handles();
    for (int i = 0; i < int(all.size()); ++i) {
        for (const auto& [field, quantity] : all[size_t(i)].fields) {
            handle = field == QLatin1String(path) ? i : handle;
        }
    }
    if (handle < 0) {
        state.SkipWithError("there is no such handle");
        return;
    }
    std::vector<double> taken_ms;
    const QPointF from = tank.handlePosition(handle);
    for (auto _ : state) {
        taken_ms.clear();
        send(tank, QEvent::MouseButtonPress, from);
        for (int i = 1; i <= kMoves; ++i) {
            QElapsedTimer clock;
            clock.start();
            // Up and down, aft and forward, by more than a step of the bench each time.
            const double turn = 0.9 * i;
            const quint64 before = window.bench().document.revision();
            send(tank, QEvent::MouseMove,
                 from + QPointF(20 * std::sin(0.7 * turn), 16 * std::sin(turn)));
            if (window.bench().document.revision() == before) {
                continue;  // the same bait: nothing to draw
            }
            const quint64 wanted = window.bench().document.revision();
            while (!window.bench().results() || window.bench().results()->revision < wanted) {
                QCoreApplication::processEvents(QEventLoop::AllEvents, 1);
            }
            QCoreApplication::sendPostedEvents();
            QCoreApplication::processEvents();  // what asked for it is painted
            taken_ms.push_back(double(clock.nsecsElapsed()) * 1e-6);
        }
        send(tank, QEvent::MouseButtonRelease, from);
        settle(window);
        while (window.bench().document.undoStack()->canUndo()) {
            window.bench().document.undoStack()->undo();
        }
        settle(window);
    }
    std::sort(taken_ms.begin(), taken_ms.end());
    state.counters["moves"] = double(taken_ms.size());
    state.counters["p50_ms"] = taken_ms[taken_ms.size() / 2];
    state.counters["p95_ms"] = taken_ms[taken_ms.size() * 95 / 100];
    window.bench().document.undoStack()->setClean();
}

void dragStation(benchmark::State& state) {
    drag(state, Step::Body, "/body/stations/4/back");
}
void dragBore(benchmark::State& state) {
    drag(state, Step::Ballast, "/bores/0/x");
}
void dragLip(benchmark::State& state) {
    drag(state, Step::LipAndTie, "/lip/angle");
}
void switchLamp(benchmark::State& state) {
    QTemporaryDir folder;
    MainWindow window(folder.filePath("recovery"));
    window.openDemo(0);
    window.resize(1280, 800);
    window.show();
    settle(window);
    for (int step = 0; step < kStepCount; ++step) {
        window.rail().choose(Step(step));
        QCoreApplication::processEvents();
    }
    window.rail().choose(Step::Body);
    bool dark = false;
    for (auto _ : state) {
        dark = !dark;
        window.setDark(dark);
        QCoreApplication::processEvents();
    }
    window.setDark(false);
    window.bench().document.undoStack()->setClean();
}
BENCHMARK(switchLamp)->Unit(benchmark::kMillisecond)->Iterations(4);
BENCHMARK(dragStation)->Unit(benchmark::kMillisecond)->Iterations(1);
BENCHMARK(dragBore)->Unit(benchmark::kMillisecond)->Iterations(1);
BENCHMARK(dragLip)->Unit(benchmark::kMillisecond)->Iterations(1);

}  // namespace

int main(int argc, char** argv) {
    if (!qEnvironmentVariableIsSet("QT_QPA_PLATFORM")) {
        qputenv("QT_QPA_PLATFORM", "offscreen");
    }
    QStandardPaths::setTestModeEnabled(true);
    QApplication application(argc, argv);
    applyTheme(application, false);
    benchmark::Initialize(&argc, argv);
    benchmark::RunSpecifiedBenchmarks();
    return 0;
}
