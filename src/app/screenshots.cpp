#include "app/screenshots.h"

#include <unistd.h>
#include <QApplication>
#include <QDeadlineTimer>
#include <QDir>
#include <QFile>
#include <QStandardPaths>
#include <QTemporaryDir>
#include <QThread>
#include <QTimer>
#include <cstdio>
#include <ctime>

#include "app/theme.h"

namespace wl {
namespace {

void settle(MainWindow& window) {
    const QDeadlineTimer limit(20000);
    while (!window.bench().evaluator.isSettled() && !limit.hasExpired()) {
        QCoreApplication::processEvents(QEventLoop::AllEvents, 20);
    }
    // Effects of the cures follow, and the bait comes to rest.
    const QDeadlineTimer calm(700);
    while (!calm.hasExpired()) {
        QCoreApplication::processEvents(QEventLoop::AllEvents, 20);
        QThread::msleep(5);
    }
}

double secondsSinceProcessStart() {
    QFile file(QStringLiteral("/proc/self/stat"));
    if (!file.open(QIODevice::ReadOnly)) {
        return -1;
    }
    const QByteArray line = file.readAll();
    const QList<QByteArray> fields = line.mid(line.lastIndexOf(')') + 2).split(' ');
    const double started = fields.value(19).toDouble() / double(sysconf(_SC_CLK_TCK));
    timespec now{};
    clock_gettime(CLOCK_BOOTTIME, &now);
    return double(now.tv_sec) + 1e-9 * double(now.tv_nsec) - started;
}

}  // namespace

bool takeScreenshots(const QString& folder) {
    QStandardPaths::setTestModeEnabled(true);
    QTemporaryDir recovery;
    if (!QDir().mkpath(folder)) {
        return false;
    }
    applyTheme(*qApp, false);
    MainWindow window(recovery.path());
    window.setInch(false);
    window.setDark(false);
    window.openDemo();
    window.show();
    settle(window);
    bool done = true;
    auto shoot = [&](const QString& name) {
        settle(window);
        done = window.grab().save(QDir(folder).filePath(name + QStringLiteral(".png"))) && done;
    };
    const std::pair<const char*, Step> steps[] = {
        {"brief", Step::Brief},       {"body", Step::Body},       {"stock", Step::Stock},
        {"fittings", Step::Fittings}, {"ballast", Step::Ballast}, {"lip-and-tie", Step::LipAndTie},
        {"tank", Step::Tank},         {"run", Step::Run},         {"bench-sheet", Step::BenchSheet},
        {"water-log", Step::WaterLog}};
    for (const auto& [name, step] : steps) {
        window.rail().choose(step);
        shoot(QString::fromLatin1(name));
    }
    window.rail().choose(Step::Body);
    window.findChild<QToolButton*>(QStringLiteral("view/2"))->click();
    shoot(QStringLiteral("body-top"));
    window.findChild<QToolButton*>(QStringLiteral("view/3"))->click();
    window.rail().choose(Step::Tank);
    shoot(QStringLiteral("tank-front"));
    window.findChild<QToolButton*>(QStringLiteral("view/1"))->click();
    window.setInch(true);
    window.setDark(true);
    window.rail().choose(Step::Ballast);
    shoot(QStringLiteral("ballast-night-inch"));
    window.setInch(false);
    window.setDark(false);
    return done;
}

void printStartTime(MainWindow& window) {
    QObject::connect(&window.bench().evaluator, &Evaluator::resultsChanged, &window, [&window] {
        const ResultsPtr results = window.bench().results();
        if (!results || !results->derived) {
            return;
        }
        // After the paint that this result asked for.
        QTimer::singleShot(0, &window, [&window] {
            window.repaint();
            std::printf("first painted result after %.0f ms\n", 1000 * secondsSinceProcessStart());
            std::fflush(stdout);
            std::_Exit(0);
        });
    });
}

}  // namespace wl
